import type { Build } from '../vehicle/index.ts';
import type { LayoutFinding, MoveTo } from './finding.ts';
import { frameReport } from './frame.ts';
import { linesOf, type Line } from './lines.ts';
import { printsOf } from './printing.ts';
import { stackOf } from './stack.ts';
import { minus, plus, size, times, turned, type Vector } from './vector.ts';
import { cylinderOf, middleOf } from './placed-solid.ts';

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
          ...{ shaftId, way, byM: floatM[way], moves },
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

/** A frame that slopes more than a shaft on it stands, or bends more than it is allowed. */
function framed(build: Build): LayoutFinding[] {
  return (build.arrangement?.frame ?? []).flatMap((member): LayoutFinding[] => {
    const { mounts, factor } = frameReport(build, member);
    const memberId = member.id;
    return [
      ...mounts
        .filter(({ binds }) => binds)
        .map(({ id: mountId, slopeRad }): LayoutFinding => ({
          code: 'frame-binds',
          severity: 'short',
          ...{ memberId, mountId, slopeRad, moves: [] },
        })),
      ...(factor !== undefined && factor < 1
        ? [{ code: 'frame-weak', severity: 'stop', memberId, factor, moves: [] } as const]
        : []),
    ];
  });
}

const printed = (build: Build): LayoutFinding[] =>
  printsOf(build)
    .filter(({ fits }) => fits === 'no')
    .map(({ id: partId, cuts }) => ({
      code: 'not-printed-whole',
      severity: 'short',
      partId,
      cuts,
      moves: [],
    }));

/** What stands in the way of what runs, bears and is made: stacks, lines, frame, prints. */
export const runningFindings = (build: Build): LayoutFinding[] => [
  ...stacked(build),
  ...lined(build),
  ...unround(build),
  ...framed(build),
  ...printed(build),
];
