import { stageFigures, stageHubs, type Stage } from '../transmission/index.ts';
import { typed, type Quantity } from '../quantity/index.ts';
import type { PlacedPart, Printer, Runs, Shell } from './arrangement.ts';
import { arrange, arrangementOf, changePlaced } from './arrange.ts';
import type { Build } from './document.ts';
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
export function drawnOutline({ body, layout }: Build): NonNullable<Shell['outline']> {
  const { from, long } = stance({ layout });
  const [half, wide] = [body.length.value / 2, body.width.value / 2];
  const middle = from + long / 2;
  return [
    [-half, -wide],
    [half, -wide],
    [half, wide],
    [-half, wide],
  ].map(([ahead = 0, left = 0], n) => ({
    id: `corner-${n + 1}`,
    ahead: mm(middle + ahead),
    left: mm(left),
  }));
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
      .filter((stage) => {
        const { apartM, outsideM } = stageFigures(stage);
        const isKnown =
          apartM !== undefined && outsideM?.driver !== undefined && outsideM.driven !== undefined;
        return isKnown && !isPlaced(build, drive.id, stage.id);
      })
      .map((stage) => ({ driveId: drive.id, driveName: drive.name, stage })),
  );

/** Width of a wheel whose stage does not say, m (common practice, no source). */
const USUAL_WIDTH = 0.01;

/** How wide the wheels of a stage are: its loop, or its teeth. */
const widthOf = (stage: Stage): number =>
  stageFigures(stage).loop?.wideM ??
  ('faceWidth' in stage ? (stage.faceWidth?.value ?? USUAL_WIDTH) : USUAL_WIDTH);

/**
 * Both wheels of a stage, placed: the driven one on the driven axle, or on the shaft of the next stage where that is
 * placed, the driver ahead of it or behind, towards the middle, as far as the stage asks.
 *
 * @example placeStage(rail, 'drive-1', 'stage-1').arrangement?.parts.at(-1)?.runs?.wheel // 'driven'
 */
export function placeStage(build: Build, driveId: string, stageId: string): Build {
  const drive = build.drives.find(({ id }) => id === driveId);
  const at = drive?.stages.findIndex(({ id }) => id === stageId) ?? -1;
  const stage = drive?.stages[at];
  const { apartM = 0, outsideM } = stage ? stageFigures(stage) : {};
  if (!drive || !stage || !outsideM?.driver || !outsideM.driven) return build;
  const { parts } = arrangementOf(build);
  const nextId = drive.stages[at + 1]?.id;
  const next = parts.find(
    ({ runs }) => runs?.driveId === driveId && runs.stageId === nextId && runs.wheel === 'driver',
  );
  const axle =
    build.layout.axles.find(({ id, driven }) => (drive.axleIds ? drive.axleIds.includes(id) : driven)) ??
    build.layout.axles[0];
  const width = widthOf(stage);
  const hubs = stageHubs(stage);
  const [ahead, left, above] = next
    ? [next.aheadOfRearAxle.value, next.left.value + next.width.value / 2 + width, next.above.value]
    : [axle?.ahead.value ?? 0, 0, (axle?.diameter.value ?? 0) / 2];
  const { from, long } = stance(build);
  const towards = ahead > from + long / 2 ? -1 : 1;
  const wheel = (
    which: Runs['wheel'],
    across: number,
    x: number,
    before: readonly PlacedPart[],
  ): PlacedPart => ({
    id: freeId(which, before),
    name: `${hubs[which === 'driver' ? 0 : 1] ?? 'Wheel'}${build.drives.length > 1 ? `, ${drive.name}` : ''}`.slice(
      0,
      60,
    ),
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
    runs: { driveId, stageId, wheel: which },
  });
  const driver = wheel('driver', outsideM.driver, ahead + towards * apartM, parts);
  const driven = wheel('driven', outsideM.driven, ahead, [...parts, driver]);
  return arrange(build, { parts: [...parts, driver, driven] });
}
