import { NO_MISMATCH, SCHOOLS, USUAL_MISMATCH } from '../driving/index.ts';
import { radiansToDegrees, STANDARD_GRAVITY, typed, type Quantity } from '../quantity/index.ts';
import {
  bankOf,
  batteryOf,
  changeDrivenDiameter,
  choosePart,
  drivenDiameter,
  layoutKind,
  trackOf,
  whole,
  type Build,
  type Ground,
} from '../vehicle/index.ts';
import { askedOf } from '../demand/index.ts';
import { pullTest } from '../trials/index.ts';
import { FORETOLD } from './foretold.ts';
import { dutyOfTrial } from './predicted.ts';
import { withHeight } from './own-height.ts';
import type { ProtocolName } from './protocols.ts';
import { numberIn, wordIn, type TrialConditions } from './reading.ts';
import type { Measured, TrialResult } from './result.ts';

/** A measured number, with what it was measured in. */
interface Taken {
  readonly measured: Measured;
  readonly conditions: TrialConditions;
  readonly result: TrialResult;
}

/** A place of a build that a measured number goes to. */
interface TakenPlace {
  /** As it ends "Take it over as …". */
  readonly title: string;
  /** The build with it; a sentence where it has no such place. */
  readonly put: (build: Build, taken: Taken) => Build | string;
}

/** Digits that a measured number is worth. */
const DIGITS = 5;
const rounded = (n: number, digits: number): number => Number(n.toPrecision(digits));

/** A measured value with half of its interval as its spread, in the unit that stood there. */
function measuredAs(measured: Measured, before: Pick<Quantity, 'unit'>, value = measured.value): Quantity {
  const { low, high } = measured;
  const scale = measured.value === 0 ? 1 : Math.abs(value / measured.value);
  const spread = low === undefined || high === undefined ? 0 : ((high - low) / 2) * scale;
  return {
    ...typed(rounded(value, DIGITS), before.unit, 'measured'),
    ...(spread > 0 ? { spread: rounded(spread, 2) } : {}),
  };
}

function onGround(build: Build, { conditions }: Taken, change: (ground: Ground) => Ground): Build | string {
  const duty = dutyOfTrial(build, conditions);
  if (!duty) return 'This build has no job yet whose ground it could be.';
  return {
    ...build,
    grounds: build.grounds.map((ground) => (ground.id === duty.groundId ? change(ground) : ground)),
  };
}

/** A friction for whatever grips there: of every tyre that the ground knows, in the same proportion. */
function withFriction(ground: Ground, friction: Quantity): Ground {
  const by = friction.value / ground.friction.value;
  return {
    ...ground,
    friction,
    ...(ground.tyres
      ? {
          tyres: ground.tyres.map((tyre) => ({
            ...tyre,
            friction: { ...tyre.friction, value: tyre.friction.value * by, origin: 'measured' as const },
          })),
        }
      : {}),
  };
}

/** Rolling of whatever rolls there, all in the same proportion: the mean comes to what was measured. */
function withRolling(ground: Ground, measured: Measured, foretold: number): Ground {
  const by = measured.value / foretold;
  return {
    ...ground,
    rolling: measuredAs(measured, ground.rolling, ground.rolling.value * by),
    freeRolling: { ...ground.freeRolling, value: ground.freeRolling.value * by },
    ...(ground.tyres
      ? {
          tyres: ground.tyres.map((tyre) => ({
            ...tyre,
            rolling: { ...tyre.rolling, value: tyre.rolling.value * by, origin: 'measured' as const },
          })),
        }
      : {}),
  };
}

/** How it is driven, with other numbers of its controller or of what is unlike. */
function driving(build: Build, part: NonNullable<Build['driving']>): Build {
  return { ...build, driving: { ...build.driving, ...part } };
}

const controlNow = (build: Build) => build.driving?.control ?? SCHOOLS['by counts'];

const diameter: TakenPlace = {
  title: 'the diameter of its driven wheels',
  put: (build, { measured }) =>
    changeDrivenDiameter(build, measuredAs(measured, drivenDiameter(build.layout))),
};

const turnFactor: TakenPlace = {
  title: 'the turn that its program orders for a true one',
  put: (build, { measured }) => {
    const control = controlNow(build);
    const next = control.turnFactor * measured.value;
    return next < 0.1 || next > 10
      ? 'So large a correction is none: look at what was ordered.'
      : driving(build, { control: { ...control, turnFactor: next } });
  },
};

/** So much of a steering is taken over at most, degrees: what the document holds. */
const MOST_STEER_DEG = 30;

function withSteering(
  build: Build,
  part: { readonly playDeg: number } | { readonly steerDeg: number },
): Build | string {
  const { turning } = layoutKind(build.layout.kind);
  if (turning !== 'steered' && turning !== 'swivel')
    return 'This build has no steering: it turns by its sides.';
  if (Object.values(part).some((deg) => deg > MOST_STEER_DEG))
    return 'So far off is no play: look at what has come loose.';
  return driving(build, { mismatch: { ...(build.driving?.mismatch ?? USUAL_MISMATCH), ...part } });
}

const PLACES: { readonly [N in ProtocolName]?: Readonly<Record<string, TakenPlace>> } = {
  distance: { diameter },
  'straight-run': {
    share: {
      title: 'the diameter of its driven wheels, by the counted way',
      put: (build, { measured, conditions }) => {
        if (wordIn(conditions, 'by') !== 'counts')
          return 'Ended by time, the way says nothing of the wheels: say that the ends were known by counted turns.';
        const before = drivenDiameter(build.layout);
        return changeDrivenDiameter(build, measuredAs(measured, before, before.value * measured.value));
      },
    },
    side: {
      title: 'what its right motors are faster by, on the Test track',
      put: (build, { measured, conditions }) => {
        const [way, track] = [numberIn(conditions, 'commanded') ?? 0, trackOf(build.layout).value];
        if (!(way > 0 && track > 0)) return 'This build stands on wheels in one line: it has no two sides.';
        const rightFaster = (-2 * measured.value * track) / way ** 2;
        return Math.abs(rightFaster) > 0.5
          ? 'So much to the side is more than two unlike motors do.'
          : driving(build, {
              mismatch: { ...(build.driving?.mismatch ?? USUAL_MISMATCH), rightFaster, motors: 0 },
            });
      },
    },
  },
  pivots: { correction: turnFactor },
  'steering-return': {
    play: {
      title: 'the play of its steering, on the Test track',
      put: (build, { measured }) => withSteering(build, { playDeg: radiansToDegrees(measured.value) }),
    },
    off: {
      title: 'how far straight on may be off its middle, on the Test track',
      put: (build, { measured }) =>
        withSteering(build, { steerDeg: Math.abs(radiansToDegrees(measured.value)) }),
    },
  },
  square: {
    trackRatio: turnFactor,
    diameterRatio: {
      title: 'what its right wheels are larger by, on the Test track',
      put: (build, { measured }) =>
        driving(build, {
          mismatch: {
            ...(build.driving?.mismatch ?? NO_MISMATCH),
            rightLarger: Math.max(-0.5, Math.min(0.5, measured.value - 1)),
            wheels: 0,
          },
        }),
    },
  },
  'coast-down': {
    rolling: {
      title: 'the rolling resistance of the job’s ground',
      put: (build, taken) => {
        const duty = dutyOfTrial(build, taken.conditions);
        const foretold = duty && FORETOLD['coast-down']?.rolling?.(build, { ...taken, duty, measured: [] });
        if (!(taken.measured.value > 0)) return 'It did not slow down: there is nothing to take over.';
        if (!foretold) return 'This ground has no rolling resistance yet: say one at Ground first.';
        return onGround(build, taken, (ground) => withRolling(ground, taken.measured, foretold));
      },
    },
    dragArea: {
      title: 'its drag area',
      put: (build, { measured }) => ({ ...build, dragArea: measuredAs(measured, build.dragArea) }),
    },
  },
  'slip-slope': {
    friction: {
      title: 'the grip of the job’s ground',
      put: (build, taken) =>
        onGround(build, taken, (ground) => withFriction(ground, measuredAs(taken.measured, ground.friction))),
    },
  },
  pull: {
    pull: {
      title: 'the grip of the job’s ground',
      put: (build, taken) => {
        if (taken.result.verdict !== 'grip')
          return 'Its wheels did not spin in every pull: the grip is more than this, and how much is not known.';
        const friction = frictionOf(build, taken);
        return friction === undefined
          ? 'This build has no job yet whose ground it could be.'
          : onGround(build, taken, (ground) =>
              withFriction(ground, measuredAs(taken.measured, ground.friction, friction)),
            );
      },
    },
  },
  stopping: {
    slowing: {
      title: 'the force of its brake',
      put: (build, { measured, conditions }) => {
        const duty = dutyOfTrial(build, conditions);
        if (build.brake.kind === 'none' || !duty)
          return 'This build has no brake stated: say at Ground which one it has.';
        const { footing, resistance } = askedOf(whole(build), duty, undefined).asked;
        const force = footing.massKg * measured.value - resistance.rollingN;
        return force > 0
          ? { ...build, brake: { ...build.brake, force: measuredAs(measured, { unit: 'N' }, force) } }
          : 'Rolling alone stops it so soon: there is nothing of a brake in it.';
      },
    },
  },
  'side-slope': {
    angle: {
      title: 'how high its own weight is',
      put: (build, { measured, conditions, result }) => {
        const duty = dutyOfTrial(build, conditions);
        if (!duty) return 'This build has no job yet.';
        if (result.verdict === 'slides')
          return 'It slid before a wheel lifted: where its weight is does not show.';
        return withHeight(build, duty.id, measured);
      },
    },
  },
  'run-down': {
    capacity: {
      title: 'the capacity of its battery',
      put: (build, { measured }) => {
        const battery = batteryOf(build);
        const bank = bankOf(build);
        if (measured.atLeast) return 'It was not run down: how much more it has is not known.';
        if (!battery || !bank?.capacityAh)
          return 'This build has no battery with a capacity: choose one at Power first.';
        const left = measured.value / 3600 / bank.capacityAh;
        const before = battery.capacityLeft ?? 1;
        return choosePart(build, { ...battery, capacityLeft: Math.min(1, before * left) });
      },
    },
  },
};

/** Friction that a pull with spinning wheels shows. */
function frictionOf(build: Build, { measured, conditions }: Taken): number | undefined {
  const duty = dutyOfTrial(build, conditions);
  if (!duty) return undefined;
  const { footing, resistance } = askedOf(whole(build), duty, undefined).asked;
  const weightN = footing.massKg * STANDARD_GRAVITY;
  return pullTest.run({
    pullN: measured.value,
    massKg: footing.massKg,
    drivenShare: Math.min(1, footing.drivenN / footing.acrossN),
    ...{ gradeDeg: 0, rollingCoefficient: resistance.rollingN / weightN, wheelsSpun: true },
  }).friction;
}

/**
 * What the numbers of a trial are taken over as; by their keys.
 *
 * @example Object.keys(takenPlaces('coast-down')) // ['rolling', 'dragArea']
 */
export const takenPlaces = (name: ProtocolName): Readonly<Record<string, Pick<TakenPlace, 'title'>>> =>
  PLACES[name] ?? {};

/**
 * The build with a measured number in its place, its origin told and its spread with it.
 *
 * @returns the changed build, or a sentence that says why it has no such place
 * @example takeOver('own', puffin, { measured: { key: 'r1' } })
 *   // 'That number belongs nowhere in a build.'
 */
export function takeOver(name: ProtocolName, build: Build, taken: Taken): Build | string {
  const place = PLACES[name]?.[taken.measured.key];
  if (!place) return 'That number belongs nowhere in a build.';
  if (taken.result.verdict === 'too-few') return 'Too few runs: make them first.';
  return place.put(build, taken);
}
