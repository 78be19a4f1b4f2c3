import { MOUNTS, type Build, type FrameMember, type Shaft } from '../vehicle/index.ts';
import type { LayoutFinding, LayoutMove, MoveTo, PutOn } from './finding.ts';
import { frameReport, MAY_SLOPE, stiffer } from './frame.ts';
import { linesOf, type Line } from './lines.ts';
import { printsOf, type PrintCut } from './printing.ts';
import { stackOf } from './stack.ts';
import { minus, plus, size, times, turned, type Vector } from './vector.ts';
import { cylinderOf, middleOf } from './placed-solid.ts';

/** A collar, m (common practice, no source). */
const COLLAR = 0.01;

/** A spacer that takes up what a shaft floats one way; where nothing stops it, a collar against the bearing that would. */
function stopsFloat(shaft: Shaft, way: 'on' | 'back'): PutOn[] {
  const { things, spacers } = stackOf(shaft);
  const holdOf = (id: string) => shaft.stack.find((one) => one.id === id)?.hold;
  const first = way === 'on' ? 'shaft' : 'frame';
  const spacer = spacers.find(({ afterId }) => holdOf(afterId) === first);
  const shaftId = shaft.id;
  if (spacer) return [{ shaftId, put: 'spacer', afterId: spacer.afterId, widthM: spacer.thickM }];
  const bearings = things.filter(({ id }) => holdOf(id) === 'frame');
  const bearing = way === 'on' ? bearings[0] : bearings.at(-1);
  if (!bearing) return [];
  const play = shaft.float.value / 2 + COLLAR / 2;
  const atM = way === 'on' ? bearing.fromM - play : bearing.toM + play;
  const before = things[things.indexOf(bearing) - 1];
  const behind = things[things.indexOf(bearing) + 1];
  const [from, to] = [atM - COLLAR / 2, atM + COLLAR / 2];
  const hasRoom =
    way === 'on' ? from >= (before?.toM ?? 0) - FITS : to <= (behind?.fromM ?? shaft.length.value) + FITS;
  const afterId = way === 'on' ? (before?.id ?? null) : bearing.id;
  return hasRoom ? [{ shaftId, put: 'collar', afterId, widthM: COLLAR, atM }] : [];
}

/** A shaft that goes to and fro, or on which things do not fit. */
function stacked(build: Build): LayoutFinding[] {
  return (build.arrangement?.shafts ?? []).flatMap((shaft): LayoutFinding[] => {
    const shaftId = shaft.id;
    const { floatM, gaps, overhangM } = stackOf(shaft);
    const moves: readonly MoveTo[] = [];
    if (shaft.stack.length === 0) return [];
    return [
      ...gaps
        .filter(({ slackM }) => slackM < -FITS)
        .map(({ afterId, beforeId, slackM }): LayoutFinding => ({
          code: 'does-not-fit',
          severity: 'stop',
          ...{ shaftId, afterId, beforeId, byM: -slackM, moves },
        })),
      ...(['on', 'back'] as const)
        .filter((way) => (floatM[way] ?? Infinity) > shaft.float.value + FITS)
        .map((way): LayoutFinding => ({
          code: 'floats',
          severity: floatM[way] === null ? 'short' : 'tight',
          ...{ shaftId, way, byM: floatM[way], moves: stopsFloat(shaft, way) },
        })),
      ...(overhangM > FITS
        ? [{ code: 'overhangs', severity: 'short', shaftId, byM: overhangM, moves } as const]
        : []),
    ];
  });
}

/** Nearer than this, m, things on a shaft fit. */
const FITS = 1e-7;

const placed = (build: Build, id: string) => build.arrangement?.parts.find((part) => part.id === id);

/** The driving wheel of a line moved by a way, m. */
function movedDriver(build: Build, { driverId }: Line, by: Vector): MoveTo[] {
  const part = placed(build, driverId);
  if (!part) return [];
  const [aheadM, leftM, aboveM] = plus(middleOf(part), by);
  return aboveM < 0 ? [] : [{ partId: driverId, aheadM, leftM, aboveM, turnRad: part.turn.value }];
}

/** Into the plane of the driven wheel, and to its distance from it. */
function waysInto(build: Build, line: Line): { readonly intoPlane: Vector; readonly toDistance: Vector } {
  const none: Vector = [0, 0, 0];
  const [driver, driven] = [placed(build, line.driverId), placed(build, line.drivenId)];
  if (!driver || !driven) return { intoPlane: none, toDistance: none };
  const shaft = turned(cylinderOf(driven).along, driven.turn.value);
  const intoPlane = times(shaft, -line.outM);
  const apart = minus(plus(middleOf(driver), intoPlane), middleOf(driven));
  const long = size(apart);
  const toDistance = long > 0 && line.asksM ? times(apart, line.asksM / long - 1) : none;
  return { intoPlane, toDistance };
}

/** Wheels that run together and do not lie as they should. */
function lined(build: Build): LayoutFinding[] {
  return linesOf(build).flatMap((line): LayoutFinding[] => {
    const partId = line.driverId;
    const { intoPlane, toDistance } = waysInto(build, line);
    const isOut = Math.abs(line.outM) > line.mayBeOutM;
    const isOff = line.asksM !== undefined && Math.abs(line.apartM - line.asksM) > line.mayBeOffM;
    const leastSagM = line.swing?.leastSagM;
    return [
      ...(isOut
        ? [
            {
              code: 'out-of-line',
              severity: 'short',
              ...{ partId, line },
              moves: movedDriver(build, line, intoPlane),
            } as const,
          ]
        : []),
      ...(line.askewRad > line.mayBeAskewRad
        ? [{ code: 'askew', severity: 'short', partId, line, moves: [] } as const]
        : []),
      ...(isOff
        ? [
            {
              code: 'wrong-distance',
              severity: 'short',
              ...{ partId, line },
              moves: movedDriver(build, line, plus(intoPlane, toDistance)),
            } as const,
          ]
        : []),
      ...(leastSagM === 0
        ? [{ code: 'taut-once-a-turn', severity: 'tight', partId, line, moves: [] } as const]
        : []),
    ];
  });
}

/** Parts that are to run, and are no cylinders. */
const unround = ({ arrangement }: Build): LayoutFinding[] =>
  (arrangement?.parts ?? [])
    .filter(({ runs, form }) => runs && form !== 'cylinder')
    .map(({ id: partId }) => ({ code: 'not-round', severity: 'note', partId, moves: [] }));

/** Walls and heights that are tried, of what there is. */
const STIFFER = [1.25, 1.5, 2, 3, 4] as const;

/** Ways of mounting that stand a slope. */
const otherMounts = (
  { id: memberId, mounts }: FrameMember,
  mountId: string,
  slopeRad: number,
): LayoutMove[] =>
  MOUNTS.filter(
    (mount) =>
      Math.abs(slopeRad) <= MAY_SLOPE[mount] && mounts.find(({ id }) => id === mountId)?.kind !== mount,
  ).map((mount) => ({ memberId, mountId, mount }));

/** A frame that slopes more than a shaft on it stands, or bends more than it is allowed. */
function framed(build: Build): LayoutFinding[] {
  return (build.arrangement?.frame ?? []).flatMap((member): LayoutFinding[] => {
    const { mounts, factor } = frameReport(build, member);
    const memberId = member.id;
    const stiff = STIFFER.filter((by) => {
      const changed = stiffer(member, by);
      const told = changed && frameReport(build, changed);
      return told && !told.mounts.some(({ binds }) => binds) && (told.factor ?? 1) >= 1;
    }).slice(0, 1);
    const moves = stiff.map((by): LayoutMove => ({ memberId, times: by }));
    return [
      ...mounts
        .filter(({ binds }) => binds)
        .map(({ id: mountId, slopeRad }): LayoutFinding => ({
          code: 'frame-binds',
          severity: 'short',
          ...{ memberId, mountId, slopeRad },
          moves: [...moves, ...otherMounts(member, mountId, slopeRad)],
        })),
      ...(factor !== undefined && factor < 1
        ? [{ code: 'frame-weak', severity: 'stop', memberId, factor, moves } as const]
        : []),
    ];
  });
}

/** A layout holds so many parts. */
const MOST_PARTS = 200;
const hasRoom = ({ arrangement }: Build, cuts: readonly PrintCut[]): boolean =>
  (arrangement?.parts.length ?? 0) + 2 ** cuts.length <= MOST_PARTS;

const printed = (build: Build): LayoutFinding[] =>
  printsOf(build)
    .filter(({ fits }) => fits === 'no')
    .map(({ id: partId, cuts }) => ({
      code: 'not-printed-whole',
      severity: 'short',
      partId,
      cuts,
      moves: cuts.length > 0 && hasRoom(build, cuts) ? [{ cutId: partId, cuts }] : [],
    }));

/** What stands in the way of what runs, bears and is made: stacks, lines, frame, prints. */
export const runningFindings = (build: Build): LayoutFinding[] => [
  ...stacked(build),
  ...lined(build),
  ...unround(build),
  ...framed(build),
  ...printed(build),
];
