import {
  choosePart,
  driverCountOf,
  isChosen,
  motorAbilities,
  propellingMotors,
  motorsIn,
  bankOf,
  type Build,
  type ChosenPart,
  type Part,
  type PartOf,
  drivesMotor,
} from '../vehicle/index.ts';
import { priceOf, standsVolts, unfit, type Unfit } from './allowed.ts';
import { alikeDrives } from './found-set.ts';
import type { SearchLimits } from './limits.ts';

/** The parts of a shelf that a search looks at, and why it does not look at the others. */
export interface Candidates {
  readonly motors: readonly PartOf<'motor'>[];
  readonly drivers: readonly PartOf<'driver'>[];
  readonly batteries: readonly PartOf<'battery'>[];
  readonly unfit: ReadonlyMap<string, Unfit>;
}

const ofKind = <K extends ChosenPart['kind']>(parts: readonly ChosenPart[], kind: K) =>
  parts.filter((part): part is Extract<ChosenPart, { kind: K }> => part.kind === kind);

/** Parts of a build as a shelf, those of the shelf first. */
export function chosenParts(build: Build, shelf: readonly Part[]): readonly ChosenPart[] {
  const known = new Set(shelf.map(({ id }) => id));
  return [...shelf, ...build.parts.filter(({ id }) => !known.has(id))].filter(isChosen);
}

/** Sorts a shelf by what the builder allows. */
export function candidatesOf(build: Build, shelf: readonly Part[], limits: SearchLimits): Candidates {
  const parts = chosenParts(build, shelf);
  const motors = motorCount(build);
  const out = new Map<string, Unfit>();
  const fit = parts.filter((part) => {
    const count = part.kind === 'motor' ? motors : 1;
    const why = unfit(build, part, limits, count);
    if (why) out.set(part.id, why);
    return why === undefined;
  });
  return {
    motors: ofKind(fit, 'motor'),
    drivers: ofKind(fit, 'driver'),
    batteries: ofKind(fit, 'battery'),
    unfit: out,
  };
}

/** Motors that a set brings: those of all drives that are alike. */
export const motorCount = (build: Build): number =>
  alikeDrives(build).length > 1 ? propellingMotors(build) : motorsIn(build);

/** A driver before a motor, with what both bring beside the battery. */
export interface Driven {
  readonly driver: PartOf<'driver'> | undefined;
  readonly count: number;
}

/** The drivers that a motor may hang on; none where it has electronics of its own. */
export function driversFor(
  build: Build,
  motor: PartOf<'motor'>,
  drivers: readonly PartOf<'driver'>[],
): readonly Driven[] {
  if (motorAbilities(motor).drivesItself) return [{ driver: undefined, count: 0 }];
  const seen = choosePart(build, motor);
  return drivers
    .filter((driver) => drivesMotor(driver, motor))
    .map((driver) => ({
      driver,
      count: driverCountOf(choosePart(seen, driver)) * alikeDrives(build).length,
    }));
}

/** What the parts of a set cost and weigh together; undefined where that is more than the builder allows. */
export function burden(
  {
    motor,
    driver,
    battery,
    counts,
  }: {
    readonly motor: PartOf<'motor'>;
    readonly driver: PartOf<'driver'> | undefined;
    readonly battery: PartOf<'battery'>;
    readonly counts: { readonly motors: number; readonly drivers: number };
  },
  limits: SearchLimits,
): { readonly cost: number | undefined; readonly massKg: number } | undefined {
  const prices = [
    times(priceOf(motor, limits), counts.motors),
    driver ? times(priceOf(driver, limits), counts.drivers) : 0,
    priceOf(battery, limits),
  ];
  const cost = prices.includes(undefined)
    ? undefined
    : prices.reduce<number>((sum, price) => sum + (price ?? 0), 0);
  const listed =
    (motor.cost ?? 0) * counts.motors + (driver?.cost ?? 0) * counts.drivers + (battery.cost ?? 0);
  const massKg = motor.massKg * counts.motors + (driver?.massKg ?? 0) * counts.drivers + battery.massKg;
  if (limits.budget !== undefined && (cost ?? Infinity) > limits.budget) return undefined;
  if (limits.listed !== undefined && listed > limits.listed) return undefined;
  return limits.mostKg !== undefined && massKg > limits.mostKg ? undefined : { cost, massKg };
}

const times = (price: number | undefined, n: number): number | undefined =>
  price === undefined ? undefined : price * n;

/** The batteries whose voltage a motor stands. */
export const batteriesFor = (
  build: Build,
  motor: PartOf<'motor'>,
  batteries: readonly PartOf<'battery'>[],
): readonly PartOf<'battery'>[] =>
  batteries.filter((battery) => standsVolts(motor, bankOf(choosePart(build, battery))?.nominalV ?? Infinity));
