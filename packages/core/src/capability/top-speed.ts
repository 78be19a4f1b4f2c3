import { type Braking, demandOf, type BrakeReport, type TipReport } from '../demand/index.ts';
import type { Driveline } from '../drive/index.ts';
import { remembered } from '../contract/index.ts';
import { assumed } from '../quantity/index.ts';
import { taskOf, layoutKind, type Build, type Duty } from '../vehicle/index.ts';
import { attainable } from './attainable-speed.ts';
import { attainableInput } from './operating.ts';
import type { DutyReport } from './report.ts';

/** A duty driven flat out: straight down its slope, nothing towed, pulled or climbed. */
const flatOut = remembered(
  ({
    towed: _t,
    upToSpeed: _u,
    turn: _turn,
    step: _s,
    lean: _l,
    sideSlope: _side,
    push: _push,
    ...duty
  }: Duty): Duty => {
    return {
      ...duty,
      task: 'drive',
      grade: { ...duty.grade, value: -Math.abs(duty.grade.value) },
      acceleration: assumed(0, 'm/s²'),
      drawbar: assumed(0, 'N'),
    };
  },
);

/**
 * What the calculator of the attainable speed takes for the top speed of a duty.
 *
 * @example topSpeedInput(puffin, duty, line).ratio // 36
 */
export function topSpeedInput(build: Build, duty: Duty, line: Driveline) {
  const bare = flatOut(duty);
  const { resistance, footing } = demandOf(build, bare, 0);
  return attainableInput(build, bare, line, footing.gripN, resistance.totalN);
}

/** Speed from which it stops within a distance, m/s: what it gathers before the brake bites counted. */
function stopsFrom(
  brake: BrakeReport,
  distanceM: number,
  { reaction: { reactionS }, run: { gatheringMps2 } }: Braking,
): number {
  const slowing = brake.decelerationMps2 ?? 0;
  if (slowing <= 0) return 0;
  const left = distanceM + (gatheringMps2 * reactionS ** 2) / 2;
  const bites = slowing * (Math.hypot(reactionS, Math.sqrt((2 * left) / slowing)) - reactionS);
  return Math.max(0, bites - gatheringMps2 * reactionS);
}

interface Known {
  readonly tip?: TipReport | undefined;
  readonly brake?: BrakeReport | undefined;
  readonly braking: () => Braking;
}

/** How fast it may go in a duty: to the builder's cap, or, near people, to where it tips or cannot stop in its distance. */
function mayGo(build: Build, duty: Duty, { tip, brake, braking }: Known) {
  if (build.speedCap) return { mayMps: build.speedCap.value, by: 'cap' as const };
  if (build.people === 'nobody') return undefined;
  const corner = tip?.cornerMps;
  const from = duty.stopWithin && brake ? stopsFrom(brake, duty.stopWithin.value, braking()) : 0;
  // What stops from no speed at all is no question of how fast: a brake is missing, and its own margin says so.
  const stops = from > 0 ? from : undefined;
  if (corner === undefined && stops === undefined) return undefined;
  return (stops ?? Infinity) < (corner ?? Infinity)
    ? { mayMps: stops ?? 0, by: 'stop' as const }
    : { mayMps: corner ?? 0, by: 'tip' as const };
}

/**
 * How fast a vehicle may go in a duty; undefined where nothing says so, and where it does not go by itself.
 *
 * @param known how it tips and brakes there, as `askedOf` has it
 * @example (({ asked, braking }) => mayGoIn({ ...puffin, speedCap: typed(2, 'm/s') }, duty, { ...asked, braking }))(askedOf(puffin, duty, line))
 *   // { mayMps: 2, by: 'cap' }
 */
export const mayGoIn = (build: Build, duty: Duty, known: Known) =>
  !taskOf(duty).moves ||
  layoutKind(build.layout.kind).pullsByRope ||
  layoutKind(build.layout.kind).balanced === 'both'
    ? undefined
    : mayGo(build, duty, known);

/** How fast it can go in a duty, level or down its slope, and how fast it may; undefined where nothing says how fast it may. */
export function topSpeedOf(build: Build, duty: Duty, line: Driveline, known: Known): DutyReport['top'] {
  const may = mayGoIn(build, duty, known);
  return may && { mps: attainable(topSpeedInput(build, duty, line)).speedMps, ...may };
}
