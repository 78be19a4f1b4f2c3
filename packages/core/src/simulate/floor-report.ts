import { STANDARD_GRAVITY, degreesToRadians, radiansToDegrees } from '../quantity/index.ts';
import { centreOfGravity, inertiaOf } from '../layout/index.ts';
import type { BalanceFloor, Build } from '../vehicle/index.ts';
import { gainsInUse, type BalanceAsk } from './balance-report.ts';
import type { SpongyTyre } from './floor-model.ts';
import { floorOf, type FloorThing } from './floor.ts';
import { unlessExtreme } from './too-extreme.ts';
import { runFloor, type FloorEnd, type FloorRun } from './run-floor.ts';

/** How a balancer is driven over a floor. */
export type FloorAsk = BalanceAsk & { readonly floor: BalanceFloor };

/** A drive over a floor as it is told; to the right is positive. */
export interface FloorTold {
  readonly falls: boolean;
  readonly fallS: number | null;
  /** When it tipped to a side. */
  readonly tipS: number | null;
  readonly peakLeanDeg: number;
  readonly peakRollDeg: number;
  readonly peakMps: number;
  readonly peakA: number;
  readonly endM: number;
  /** How far it has turned aside, degrees. */
  readonly headingDeg: number;
  readonly liftedS: number;
  readonly slidS: number;
  /** How far it went on after its stick was let go; null where it lay by then. */
  readonly onM: number | null;
  /** Whether it gets to what lies on its way, and all of it past that; null where nothing does. */
  readonly reaches: boolean | null;
  readonly over: boolean | null;
}

/** A drive over a floor, and what it would bear. */
export interface FloorReport {
  readonly tyre: SpongyTyre;
  readonly run: FloorTold;
  /** The same with other tyres, and where nothing lies on its way. */
  readonly beside: readonly { readonly what: FloorBeside; readonly run: FloorTold }[];
  /** The softest tyres with which it stands, by what they are pressed in; null where none were found. */
  readonly softestM: number | null;
  /** The most of what lies on its way that it gets over, m high or deep; null where it gets over none, or nothing lies there. */
  readonly highestM: number | null;
  /** Whether its stick does nothing, for want of a loop that holds its place. */
  readonly stickIdle: boolean;
}

/** What a drive is held beside: tyres a third as soft, three times as soft, and a level floor. */
export const FLOOR_BESIDES = ['harder', 'softer', 'level'] as const;
export type FloorBeside = (typeof FLOOR_BESIDES)[number];

/** A moment of a drive over a floor. */
export interface FloorSample {
  readonly tS: number;
  readonly leanRad: number;
  readonly placeM: number;
  readonly speedMps: number;
  readonly currentA: number;
}

/** Its stick goes out after so long, and it is followed for so long after it is let go, s. */
const BEFORE_S = 0.5;
const AFTER_S = 4;
const SOFTER = 3;

/**
 * The tyres of a balancer from what its weight presses them in by, and how often they bounce until a tenth is left. Along the ground
 * they give as much as into it (common practice, no source).
 *
 * @example spongyTyre(2, { sinksM: 0.001, bounces: 4, grip: 0.8 }).stiffnessNPerM // 9806.65
 */
export function spongyTyre(
  massKg: number,
  { sinksM, bounces, grip }: Pick<BalanceFloor, 'sinksM' | 'bounces' | 'grip'>,
): SpongyTyre {
  const stiffnessNPerM = (massKg * STANDARD_GRAVITY) / (2 * sinksM);
  const fades = Math.LN10 / (2 * Math.PI * bounces);
  return { stiffnessNPerM, dampingNsPerM: fades * Math.sqrt(2 * stiffnessNPerM * massKg), grip };
}

const stickOf = ({ stick, leanDeg, speedMps, forS }: BalanceFloor): FloorRun['stick'] => ({
  does: stick,
  by: stick === 'lean' ? degreesToRadians(leanDeg) : speedMps,
  ...{ fromS: BEFORE_S, forS },
});

/** What is driven, its floor left open. */
function vehicleOf(build: Build, ask: FloorAsk) {
  const used = gainsInUse(build, ask);
  if (!used) return undefined;
  const { task, ...loop } = used;
  const { payload } = build.masses;
  const massKg = task.body.bodyMassKg + task.body.wheelsMassKg;
  const { yawKgM2, rollKgM2 } = inertiaOf(build);
  const own = centreOfGravity(build);
  // A load lies over the axle, higher or lower than the rest.
  const apartKg = ask.loaded ? (own.massKg * payload.mass.value) / massKg : 0;
  const [axle] = build.layout.axles;
  return {
    massKg,
    of: {
      ...{ ...task, ...loop },
      // Driven from upright; gains that are proposed were tried by the lean.
      startLeanRad: 0,
      trackM: axle?.track.value ?? 0,
      yawInertiaKgM2: yawKgM2,
      rollInertiaKgM2: rollKgM2 + apartKg * (own.heightM - payload.height.value) ** 2,
      durationS: BEFORE_S + ask.floor.forS + AFTER_S,
    },
  };
}

/** A drive with its floor as it is asked. */
function driveOf(build: Build, ask: FloorAsk): ((floor: BalanceFloor) => FloorRun) | undefined {
  const vehicle = vehicleOf(build, ask);
  if (!vehicle) return undefined;
  const level = floorOf({ ...ask.floor, kind: 'flat' });
  return (floor) => {
    const there = floorOf(thingOf(floor));
    return {
      ...vehicle.of,
      tyre: spongyTyre(vehicle.massKg, floor),
      floor: {
        left: floor.sides === 'right' ? level : there,
        right: floor.sides === 'left' ? level : there,
      },
      stick: stickOf(floor),
    };
  };
}

const thingOf = ({ kind, startM, heightM, lengthM }: BalanceFloor): FloorThing => ({
  ...{ kind, startM, heightM, lengthM },
});

/** Where the whole of it is past what lies on its way, m. */
const pastM = ({ kind, startM, lengthM }: BalanceFloor, radiusM: number): number =>
  startM + (kind === 'kerb' ? 0 : lengthM) + radiusM;

/** Whether a way that is gone gets to what lies on it, and past. */
const gets = (floor: BalanceFloor, { body }: FloorRun, farthestM: number) => ({
  reaches: floor.kind === 'flat' ? null : farthestM > floor.startM - body.wheelRadiusM,
  over: floor.kind === 'flat' ? null : farthestM > pastM(floor, body.wheelRadiusM),
});

function told(floor: BalanceFloor, run: FloorRun): FloorTold {
  let farthestM = 0;
  const end: FloorEnd = runFloor(run, (_, { x }) => {
    farthestM = Math.max(farthestM, x);
  });
  return {
    falls: end.fallS !== undefined,
    fallS: end.fallS ?? null,
    tipS: end.tipS ?? null,
    peakLeanDeg: radiansToDegrees(end.peakLeanRad),
    peakRollDeg: radiansToDegrees(end.peakRollRad),
    ...{ peakMps: end.peakMps, peakA: end.peakA },
    endM: end.end.x,
    headingDeg: radiansToDegrees(end.end.yaw),
    ...{ liftedS: end.liftedS, slidS: end.slidS },
    onM: end.onM ?? null,
    ...gets(floor, run, farthestM),
  };
}

const stands = ({ falls, tipS }: FloorTold): boolean => !falls && tipS === null;

const HALVINGS = 6;

/**
 * The greatest figure up to `most` for which something holds that grows harder with it, from one for which it is known to hold;
 * null where it never does.
 */
function greatest(most: number, known: number, holds: (value: number) => boolean): number | null {
  if (known >= most) return known;
  if (holds(most)) return most;
  let [good, bad] = [known, most];
  for (let n = 0; n < HALVINGS; n += 1) {
    const middle = (good + bad) / 2;
    if (holds(middle)) good = middle;
    else bad = middle;
  }
  return good > 0 ? good : null;
}

/** Of a wheel's radius: a kerb that is higher is not rolled up. */
const MOST_HEIGHT = 0.9;

/**
 * How a balancer does on the floor: on tyres that give, over what lies under both wheels or one, and by its stick; beside other
 * tyres and a level floor, and how much of each it would bear. Undefined for what does not balance, or has neither motors nor gains
 * that hold.
 *
 * @throws NotPhysical where figures are too extreme to follow
 * @example floorReport(puffin, { loaded: true, cycle: USUAL_CYCLE, startLeanDeg: 0, nudgeNs: 0, durationS: 5, floor: balanceFloorSchema.parse({}) }) // undefined
 */
export function floorReport(build: Build, ask: FloorAsk): FloorReport | undefined {
  const drive = driveOf(build, ask);
  if (!drive) return undefined;
  const { floor } = ask;
  const run = (as: BalanceFloor): FloorTold => told(as, drive(as));
  const other: Readonly<Record<FloorBeside, BalanceFloor>> = {
    harder: { ...floor, sinksM: floor.sinksM / SOFTER },
    softer: { ...floor, sinksM: floor.sinksM * SOFTER },
    level: { ...floor, kind: 'flat' },
  };
  const own = drive(floor);
  const radiusM = own.body.wheelRadiusM;
  const goes = (as: BalanceFloor): boolean => {
    const done = run(as);
    return stands(done) && done.over !== false;
  };
  const asSet = run(floor);
  return {
    tyre: own.tyre,
    run: asSet,
    beside: FLOOR_BESIDES.flatMap((what) => {
      const beside =
        what === 'level' && floor.kind === 'flat' ? undefined : unlessExtreme(() => run(other[what]));
      return beside ? [{ what, run: beside }] : [];
    }),
    softestM: greatest(radiusM / 2, stands(asSet) ? floor.sinksM : 0, (sinksM) =>
      stands(run({ ...floor, sinksM })),
    ),
    highestM:
      floor.kind === 'flat'
        ? null
        : greatest(
            MOST_HEIGHT * (floor.kind === 'ramp' ? floor.lengthM : radiusM),
            stands(asSet) && asSet.over === true ? floor.heightM : 0,
            (heightM) => goes({ ...floor, heightM }),
          ),
    stickIdle: floor.stick !== 'lean' && own.hold === undefined,
  };
}

/** So many moments of a run are drawn. */
const SAMPLES = 600;

/**
 * The drive of a report from moment to moment; empty where there is none.
 *
 * @throws NotPhysical where figures are too extreme to follow
 * @example floorTrace(puffin, { loaded: true, cycle: USUAL_CYCLE, startLeanDeg: 0, nudgeNs: 0, durationS: 5, floor: balanceFloorSchema.parse({}) }) // []
 */
export function floorTrace(build: Build, ask: FloorAsk): readonly FloorSample[] {
  const drive = driveOf(build, ask);
  if (!drive) return [];
  const run = drive(ask.floor);
  const samples: FloorSample[] = [];
  const apart = run.durationS / SAMPLES;
  runFloor(run, (tS, at, { left, right }) => {
    if (tS < samples.length * apart) return;
    const currentA = Math.max(Math.abs(left.amps), Math.abs(right.amps));
    samples.push({ tS, leanRad: at.lean, placeM: at.x, speedMps: at.v, currentA });
  });
  return samples;
}
