import { MOST_OF_VEHICLE } from '../judge/index.ts';
import { MOST_OVER_RATED } from '../moves/index.ts';
import {
  driveOf,
  massAllUp,
  motorAbilities,
  packCells,
  switchesOnly,
  type Build,
  type ChosenPart,
  type PartOf,
} from '../vehicle/index.ts';
import { batteryPack } from '../supply/index.ts';
import type { SearchLimits } from './limits.ts';
import { sortOf } from './sorts.ts';

/** Why a part is not looked at, or fits no other. */
export type Unfit =
  | 'left-out'
  | 'sort-left-out'
  | 'not-on-hand'
  | 'over-budget'
  | 'no-price'
  | 'too-heavy'
  | 'burdens'
  | 'no-encoder'
  | 'stops-short'
  | 'only-switches'
  | 'too-many-volts'
  | 'no-ratio'
  | 'no-partner';

/** What a part costs a builder still; undefined where nobody says. */
export function priceOf({ cost, state }: ChosenPart, { ownedIsPaid }: SearchLimits): number | undefined {
  if (state === 'on-hand' && (ownedIsPaid || cost === undefined)) return 0;
  return cost;
}

/** Why a part by itself is out of the search; undefined where it is in. */
export function unfit(
  build: Build,
  part: ChosenPart,
  limits: SearchLimits,
  count: number,
): Unfit | undefined {
  const price = priceOf(part, limits);
  if (limits.without.includes(part.id)) return 'left-out';
  const sort = sortOf(part);
  if (sort && limits.withoutSorts.includes(sort)) return 'sort-left-out';
  if (limits.onHand && part.state !== 'on-hand') return 'not-on-hand';
  if (limits.budget !== undefined && price === undefined) return 'no-price';
  if (limits.budget !== undefined && count * (price ?? 0) > limits.budget) return 'over-budget';
  if (limits.listed !== undefined && count * (part.cost ?? 0) > limits.listed) return 'over-budget';
  if (limits.mostKg !== undefined && count * part.massKg > limits.mostKg) return 'too-heavy';
  if (part.kind === 'motor') return unfitMotor(build, part, limits, count);
  // All or nothing is no way to start with people near.
  if (part.kind === 'driver')
    return switchesOnly(part) && build.people !== 'nobody' ? 'only-switches' : undefined;
  const { fullV } = batteryPack.run(packCells(part));
  return limits.mostV !== undefined && fullV > limits.mostV ? 'too-many-volts' : undefined;
}

function unfitMotor(
  build: Build,
  motor: PartOf<'motor'>,
  limits: SearchLimits,
  count: number,
): Unfit | undefined {
  if (!motorAbilities(motor).propels && driveOf(build).does === 'propels') return 'stops-short';
  if (limits.encoder && !motor.encoderCounts) return 'no-encoder';
  const vehicleKg = massAllUp(build) - build.masses.payload.mass.value;
  return count * motor.massKg > MOST_OF_VEHICLE * vehicleKg ? 'burdens' : undefined;
}

/** Whether a motor stands a battery's voltage. */
export const standsVolts = (motor: PartOf<'motor'>, nominalV: number): boolean =>
  nominalV <= MOST_OVER_RATED * motor.voltageV;
