import { stageFigures, stageHubs, type Stage } from '../transmission/index.ts';
import { typed, type Quantity } from '../quantity/index.ts';
import type { PlacedPart, Printer, WheelOfDrive, Shell } from './arrangement.ts';
import { arrange, arrangementOf, changePlaced } from './arrange.ts';
import type { Build } from './document.ts';
import type { Drive } from './drive.ts';
import type { FrameMember, FrameMount } from './frame.ts';
import { freeId } from './new-build.ts';
import type { Hole, HoleCircle, OwnSheet } from './own-sheet.ts';

const mm = (metres: number): Quantity => typed(Number(metres.toPrecision(4)), 'mm', 'assumed');

/** Where the contacts begin, and how far the last one lies ahead of the first. */
function stance({ layout }: Pick<Build, 'layout'>): { readonly from: number; readonly long: number } {
  const ahead = layout.axles.map((axle) => axle.ahead.value);
  const from = Math.min(...ahead);
  return { from, long: Math.max(...ahead) - from };
}

/**
 * A pair of steel tubes from the rear to the front axle that carry all of the weight, to be put right by the builder.
 *
 * @example addMember(gull).arrangement?.frame?.[0]?.section // 'tube'
 */
export function addMember(build: Build): Build {
  const frame = arrangementOf(build).frame ?? [];
  const { from, long } = stance(build);
  const span = long > 0 ? long : build.body.length.value;
  const high = Math.max(0.004, Number((span / 35).toPrecision(1)));
  const member: FrameMember = {
    id: freeId('member', frame),
    name: `Member ${frame.length + 1}`,
    runs: 'ahead',
    from: mm(long > 0 ? from : from - span / 2),
    span: mm(span),
    material: 'steel',
    section: 'tube',
    height: mm(high),
    width: mm(high),
    wall: mm(high / 12),
    members: 2,
    share: typed(1, '%', 'assumed'),
    spreads: true,
    mounts: [],
  };
  return arrange(build, { frame: [...frame, member] });
}

/**
 * The build with a member of its frame changed, or taken away.
 *
 * @example changeMember(addMember(gull), 'member-1', () => undefined).arrangement?.frame // []
 */
export const changeMember = (
  build: Build,
  id: string,
  change: (member: FrameMember) => FrameMember | undefined,
): Build =>
  arrange(build, {
    frame: (arrangementOf(build).frame ?? []).flatMap((one) => (one.id === id ? (change(one) ?? []) : one)),
  });

/**
 * A shaft bolted on a member of the frame, near its first support.
 *
 * @example addFrameMount(addMember(gull), 'member-1').arrangement?.frame?.[0]?.mounts[0]?.kind // 'rigid'
 */
export const addFrameMount = (build: Build, memberId: string): Build =>
  changeMember(build, memberId, (member) => {
    const mount: FrameMount = {
      id: freeId('shaft', member.mounts),
      name: `Shaft ${member.mounts.length + 1}`,
      at: mm(member.span.value / 10),
      kind: 'rigid',
      shaft: mm(0.012),
      free: mm(0.08),
      arm: mm(0.06),
    };
    return { ...member, mounts: [...member.mounts, mount] };
  });

/**
 * A disc of the builder's own with one circle of four holes.
 *
 * @example addOwnSheet(gull, 'disc').arrangement?.sheets?.[0]?.circles[0]?.count // 4
 */
export function addOwnSheet(build: Build, form: OwnSheet['form']): Build {
  const sheets = arrangementOf(build).sheets ?? [];
  const sheet: OwnSheet = {
    id: freeId(form, sheets),
    name: form === 'disc' ? `Disc ${sheets.length + 1}` : `Plate ${sheets.length + 1}`,
    form,
    length: mm(0.08),
    ...(form === 'plate' ? { width: mm(0.08) } : {}),
    bore: mm(0.012),
    circles: [freshCircle([])],
  };
  return arrange(build, { sheets: [...sheets, sheet] });
}

/**
 * Four holes for M5 on a circle, wider than those that are there.
 *
 * @example freshCircle([]).thread // 'M5'
 */
export const freshCircle = (others: readonly HoleCircle[]): HoleCircle => ({
  id: freeId('circle', others),
  circle: mm(Math.max(0.03, ...others.map(({ circle }) => circle.value)) + 0.02),
  count: 4,
  turn: typed(0, '°', 'assumed'),
  thread: 'M5',
  fit: 'free',
});

/**
 * A hole for M4 in the middle of the left side of a placed part.
 *
 * @example addHole(gull, 'no-such-part').arrangement?.parts // []
 */
export const addHole = (build: Build, partId: string): Build => {
  const holes = arrangementOf(build).parts.find(({ id }) => id === partId)?.holes ?? [];
  const hole: Hole = {
    id: freeId('hole', holes),
    side: holes.at(-1)?.side ?? 'left',
    right: mm(0),
    up: mm(0),
    thread: 'M4',
    fit: 'free',
  };
  return changePlaced(build, partId, { holes: [...holes, hole] });
};

/**
 * The outline of a body that is a box, as corners to be moved.
 *
 * @example drawnOutline(gull).length // 4
 */
export function drawnOutline(
  { body, layout }: Build,
  corners: readonly { readonly aheadM: number; readonly leftM: number }[] = cornersOf(body),
): NonNullable<Shell['outline']> {
  const { from, long } = stance({ layout });
  return corners.map(({ aheadM, leftM }, n) => ({
    id: `corner-${n + 1}`,
    ahead: mm(from + long / 2 + aheadM),
    left: mm(leftM),
  }));
}

/** Of a box, about its middle. */
function cornersOf({ length, width }: Build['body']) {
  const [half, wide] = [length.value / 2, width.value / 2];
  return [
    [-half, -wide],
    [half, -wide],
    [half, wide],
    [-half, wide],
  ].map(([aheadM = 0, leftM = 0]) => ({ aheadM, leftM }));
}

/**
 * A body that is closed, or open, with a usual wall.
 *
 * @example freshShell('lid').wall.value // 0.003
 */
export const freshShell = (opens: Shell['opens']): Shell => ({ opens, wall: mm(0.003) });

/** A printer as many have one (common practice, no source). */
export const USUAL_PRINTER: Printer = { length: mm(0.22), width: mm(0.22), height: mm(0.25) };

/** Wheels of a stage that are not placed yet. */
export interface StageToPlace {
  readonly driveId: string;
  readonly driveName: string;
  readonly stage: Stage;
  /** From the motor on, from 1. */
  readonly number: number;
}

const isPlaced = (build: Build, driveId: string, stageId: string): boolean =>
  arrangementOf(build).parts.some(({ runs }) => runs?.driveId === driveId && runs.stageId === stageId);

/**
 * Stages of which both wheels have a size and a distance, and none is placed.
 *
 * @example stagesToPlace(rail).map(({ stage }) => stage.kind) // ['timing-belt']
 */
export const stagesToPlace = (build: Build): StageToPlace[] =>
  build.drives.flatMap((drive) =>
    drive.stages
      .map((stage, n) => ({ driveId: drive.id, driveName: drive.name, stage, number: n + 1 }))
      .filter(({ stage }) => {
        const { apartM, outsideM } = stageFigures(stage);
        const isKnown =
          apartM !== undefined && outsideM?.driver !== undefined && outsideM.driven !== undefined;
        return isKnown && !isPlaced(build, drive.id, stage.id);
      }),
  );

/** Width of a wheel whose stage does not say, m (common practice, no source). */
const USUAL_WIDTH = 0.01;

/** How wide the wheels of a stage are: its loop, or its teeth. */
const widthOf = (stage: Stage): number =>
  stageFigures(stage).loop?.wideM ??
  ('faceWidth' in stage ? (stage.faceWidth?.value ?? USUAL_WIDTH) : USUAL_WIDTH);

/** Between wheels on one shaft, and between a sprocket and the tyre beside it, m (common practice, no source). */
const BESIDE = 0.008;

/** Where the driven wheel of a stage sits on one side: on its axle beside the tyre, or beside the driver of the stage behind it. */
function shaftBehind(build: Build, drive: Drive, at: number, side: Side): readonly [number, number, number] {
  const stage = drive.stages[at];
  const width = stage ? widthOf(stage) : USUAL_WIDTH;
  const behindId = drive.stages[at + 1]?.id;
  const behind = arrangementOf(build).parts.find(
    ({ runs, left }) =>
      runs?.driveId === drive.id &&
      runs.stageId === behindId &&
      runs.wheel === 'driver' &&
      Math.sign(left.value) === side,
  );
  if (behind) {
    const inwards = side === 0 ? -1 : side;
    const by = (behind.width.value + width) / 2 + BESIDE;
    return [behind.aheadOfRearAxle.value, behind.left.value - inwards * by, behind.above.value];
  }
  const axle = servedAxle(build, drive);
  const half = (axle?.track.value ?? 0) / 2 - (axle?.width.value ?? 0) / 2 - width / 2 - BESIDE;
  return [axle?.ahead.value ?? 0, side * Math.max(half, width), (axle?.diameter.value ?? 0) / 2];
}

/** Left, in the middle, or right. */
type Side = 1 | 0 | -1;

const servedAxle = ({ layout }: Build, { axleIds }: Drive) =>
  layout.axles.find(({ id, driven }) => (axleIds ? axleIds.includes(id) : driven)) ?? layout.axles[0];

/** The sides on which a drive has wheels of its own: one driveline a wheel or a side, or one for both. */
function sidesOf(build: Build, drive: Drive): readonly Side[] {
  const isTwice = (drive.together === 'wheel' || drive.together === 'side') && drive.does === 'propels';
  const axle = servedAxle(build, drive);
  return isTwice && axle && axle.track.value > 0 ? [1, -1] : [0];
}

const SIDE_WORDS: Readonly<Record<Side, string>> = { 1: ', left', 0: '', '-1': ', right' };

/**
 * Both wheels of a stage, placed, on each side that has its own: the driven one on its axle, or beside the driver of the
 * stage behind it, which is placed first; the driver as far towards the middle as the stage asks.
 *
 * @example placeStage(rail, 'drive-1', 'stage-1').arrangement?.parts.at(-1)?.runs?.wheel // 'driven'
 */
export function placeStage(build: Build, driveId: string, stageId: string): Build {
  const drive = build.drives.find(({ id }) => id === driveId);
  const at = drive?.stages.findIndex(({ id }) => id === stageId) ?? -1;
  const stage = drive?.stages[at];
  if (!drive || !stage) return build;
  const behind = drive.stages
    .slice(at + 1)
    .reverse()
    .filter(({ id }) => stagesToPlace(build).some((one) => one.driveId === driveId && one.stage.id === id));
  const before = behind.reduce((b, { id }) => placeStage(b, driveId, id), build);
  return sidesOf(build, drive).reduce((b, side) => placePair(b, drive, at, side), before);
}

function placePair(build: Build, drive: Drive, at: number, side: Side): Build {
  const stage = drive.stages[at];
  const { apartM = 0, outsideM } = stage ? stageFigures(stage) : {};
  if (!stage || !outsideM?.driver || !outsideM.driven) return build;
  const { parts } = arrangementOf(build);
  const [ahead, left, above] = shaftBehind(build, drive, at, side);
  const { from, long } = stance(build);
  const towards = ahead > from + long / 2 ? -1 : 1;
  const hubs = stageHubs(stage);
  const width = widthOf(stage);
  const more = `${drive.stages.length > 1 ? `, stage ${at + 1}` : ''}${build.drives.length > 1 ? `, ${drive.name}` : ''}`;
  const wheel = (
    which: WheelOfDrive['wheel'],
    across: number,
    x: number,
    taken: readonly PlacedPart[],
  ): PlacedPart => ({
    id: freeId(which, taken),
    name: `${hubs[which === 'driver' ? 0 : 1] ?? 'Wheel'}${SIDE_WORDS[side]}${more}`.slice(0, 60),
    length: mm(across),
    width: mm(width),
    height: mm(across),
    aheadOfRearAxle: typed(x, 'mm', 'assumed'),
    left: typed(left, 'mm', 'assumed'),
    above: typed(above, 'mm', 'assumed'),
    mass: typed(0, 'kg', 'assumed'),
    form: 'cylinder',
    axis: 'left',
    turn: typed(0, '°', 'assumed'),
    faces: [],
    runs: { driveId: drive.id, stageId: stage.id, wheel: which },
  });
  const driver = wheel('driver', outsideM.driver, ahead + towards * apartM, parts);
  const driven = wheel('driven', outsideM.driven, ahead, [...parts, driver]);
  return arrange(build, { parts: [...parts, driver, driven] });
}
