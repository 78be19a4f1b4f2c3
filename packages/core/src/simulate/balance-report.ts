import { balancePlant } from '../ground/index.ts';
import { degreesToRadians, radiansToDegrees } from '../quantity/index.ts';
import type { Build } from '../vehicle/index.ts';
import {
  gainsMap,
  leanPoles,
  leanPolynomial,
  proposedGains,
  withGains,
  type BalanceTask,
  type LeanPoles,
  type MappedGains,
} from './balance-gains.ts';
import { balancerOf, type Balancer } from './balance-of-build.ts';
import { balanceTold, type BalanceTold } from './balance-told.ts';
import type { BalanceGains, BalanceHold } from './balance-loop.ts';
import { FALLEN_RAD, runBalance, type BalanceRun } from './run-balance.ts';
import { unlessExtreme } from './too-extreme.ts';

/** What a controller does in a cycle, one after the other, s. */
export interface ControlCycle {
  readonly readAngleS: number;
  /** Over a link of their own; 0 where no encoder is read. */
  readonly readEncodersS: number;
  readonly computeS: number;
  readonly sendS: number;
}

/** A microcontroller that reads a gyroscope and a motor board over a slow link (common practice, no source). */
export const USUAL_CYCLE: ControlCycle = {
  readAngleS: 1e-3,
  readEncodersS: 2.5e-3,
  computeS: 0.5e-3,
  sendS: 1e-3,
};

/**
 * What a cycle takes, and what of it passes between reading the angle and the motors' new voltage.
 *
 * @example cycleTimes({ readAngleS: 0.001, readEncodersS: 0, computeS: 0.001, sendS: 0.002 }) // { loopTimeS: 0.004, delayS: 0.003 }
 */
export const cycleTimes = ({ readAngleS, readEncodersS, computeS, sendS }: ControlCycle) => ({
  loopTimeS: readAngleS + readEncodersS + computeS + sendS,
  delayS: readEncodersS + computeS + sendS,
});

/** How a balancer is tried. */
export interface BalanceAsk {
  readonly loaded: boolean;
  readonly cycle: ControlCycle;
  readonly startLeanDeg: number;
  readonly nudgeNs: number;
  readonly durationS: number;
  /** What its loop tells the motors: a voltage, where nothing is said, or a speed that the driver holds. */
  readonly commands?: 'voltage' | 'speed';
  /** Those of the builder; what is proposed where they are left away. */
  readonly gains?: BalanceGains & {
    readonly hold?: Omit<BalanceHold, 'limitRad'> & { readonly limitDeg: number };
  };
}

/** A moment of a run. */
export interface BalanceSample {
  readonly tS: number;
  readonly leanRad: number;
  readonly placeM: number;
  readonly currentA: number;
}

/** Everything about the balance of a build. */
export interface BalanceReport {
  readonly plant: Balancer & {
    readonly fallRateRadS: number;
    readonly fallTimeS: number;
    readonly heldRateRadS: number;
    readonly longestLoopS: number;
    readonly loopTimeS: number;
    readonly delayS: number;
    /** Of the lean, motors connected and no gains. */
    readonly poles: readonly LeanPoles[];
  };
  readonly proposed:
    | (BalanceGains & {
        readonly hold?: BalanceHold;
        readonly paceRadS: number;
        readonly poles: readonly LeanPoles[];
      })
    | null;
  readonly run: BalanceTold | null;
  /** The same where no encoder is read: the place is not held then. */
  readonly withoutEncoders: (BalanceTold & { readonly loopTimeS: number }) | null;
  readonly region: readonly MappedGains[];
  /** The greatest lean that it is let go at and comes to rest from, degrees, and by how much the battery's sag lessens that. */
  readonly catches: { readonly leanDeg: number; readonly lessForSagDeg: number } | null;
  /** The same body lower and taller: how fast it falls, how quick its loop must be, and where it tips sideways. */
  readonly heights: readonly {
    readonly times: number;
    readonly heightM: number;
    readonly fallTimeS: number;
    readonly longestLoopS: number;
    readonly sidewaysDeg: number;
  }[];
}

/** So many moments of a run are drawn. */
const SAMPLES = 600;

/** A driver with an encoder holds a speed so many times as stiffly as the motor by itself (common practice, no source). */
const HELD_TIMES = 10;

const taskOf = ({ body, motor }: Pick<Balancer, 'body' | 'motor'>, ask: BalanceAsk): BalanceTask => ({
  ...{ body, ...cycleTimes(ask.cycle) },
  motor: ask.commands === 'speed' ? { ...motor, heldTimes: HELD_TIMES } : motor,
  startLeanRad: degreesToRadians(ask.startLeanDeg),
  nudgeNs: ask.nudgeNs,
  durationS: ask.durationS,
});

const ownGains = ({ gains }: BalanceAsk) =>
  gains && {
    gains,
    hold: gains.hold && { ...gains.hold, limitRad: degreesToRadians(gains.hold.limitDeg) },
  };

/**
 * A balancer as it is tried, with the builder's own gains or those that are proposed; undefined where it is none, or has neither.
 *
 * @example gainsInUse(puffin, { loaded: true, cycle: USUAL_CYCLE, startLeanDeg: 0, nudgeNs: 0, durationS: 5 }) // undefined
 */
export function gainsInUse(build: Build, ask: BalanceAsk) {
  const balancer = balancerOf(build, ask.loaded);
  if (!balancer) return undefined;
  const task = taskOf(balancer, ask);
  const used = ownGains(ask) ?? proposedGains(task);
  return used && { task, gains: used.gains, hold: used.hold };
}

/** A lean that is caught is looked for so often, each time in half of what is left. */
const LOOKS = 9;

/** The greatest lean from which a balancer comes to rest by itself, in a run twice as long, rad. */
function caughtRad(run: BalanceRun): number {
  let [good, bad] = [0, FALLEN_RAD];
  for (let n = 0; n < LOOKS; n += 1) {
    const startLeanRad = (good + bad) / 2;
    const caught = runBalance({
      ...run,
      ...{ nudgeNs: 0, startLeanRad, durationS: 2 * run.durationS, followed: 'roughly' },
    });
    if (caught.settleS !== undefined) good = startLeanRad;
    else bad = startLeanRad;
  }
  return good;
}

/** What it catches with these gains, and what it would from a battery that does not sag. */
function catches(balancer: Balancer, run: BalanceRun): BalanceReport['catches'] {
  const caught = caughtRad(run);
  const { motor } = run;
  const stiff = { ...motor, resistanceOhm: motor.resistanceOhm - balancer.sagOhm };
  return {
    leanDeg: radiansToDegrees(caught),
    lessForSagDeg: radiansToDegrees(Math.max(0, caughtRad({ ...run, motor: stiff }) - caught)),
  };
}

/**
 * The run of a report from moment to moment; none where no gains hold and none were given, or it is no balancer.
 *
 * @example balanceTrace(puffin, { loaded: true, cycle: USUAL_CYCLE, startLeanDeg: 3, nudgeNs: 0, durationS: 5 }, null) // []
 */
export function balanceTrace(
  build: Build,
  ask: BalanceAsk,
  proposed: (BalanceGains & { readonly hold?: BalanceHold }) | null,
): readonly BalanceSample[] {
  const used = ownGains(ask) ?? (proposed ? { gains: proposed, hold: proposed.hold } : undefined);
  const balancer = balancerOf(build, ask.loaded);
  if (!used || !balancer) return [];
  const samples: BalanceSample[] = [];
  const apart = ask.durationS / SAMPLES;
  runBalance({ ...taskOf(balancer, ask), ...used }, (tS, at, currentA) => {
    if (tS >= samples.length * apart)
      samples.push({ tS, leanRad: at.lean, placeM: at.x, currentA: Math.abs(currentA) });
  });
  return samples;
}

/** A balancer of usual cycle, loaded, and what is proposed for it first. */
function firstProposal(build: Build, nudgeNs: number, durationS: number) {
  const balancer = balancerOf(build, true);
  if (!balancer) return undefined;
  const task = taskOf(balancer, {
    ...{ loaded: true, cycle: USUAL_CYCLE, startLeanDeg: 0 },
    ...{ nudgeNs, durationS },
  });
  const proposed = proposedGains(task);
  return proposed && { ...task, ...proposed };
}

/** A nudge is followed for so long, s. */
const NUDGED_S = 10;

/**
 * Gains to begin with, of a balancer of usual cycle with its payload; undefined where none hold or it is none.
 *
 * @example firstGains(puffin) // undefined
 */
export const firstGains = (
  build: Build,
): { readonly gains: BalanceGains; readonly hold?: BalanceHold | undefined } | undefined =>
  unlessExtreme(() => firstProposal(build, 0, NUDGED_S));

/**
 * How far a balancer of usual cycle and proposed gains runs after a nudge at its centre of gravity, m; undefined where it falls
 * or is none.
 *
 * @example nudgedBalance(puffin, 0.1) // undefined
 */
export const nudgedBalance = (build: Build, nudgeNs: number): number | undefined =>
  unlessExtreme(() => {
    const first = firstProposal(build, nudgeNs, NUDGED_S);
    if (!first) return undefined;
    let farthestM = 0;
    const { fallS } = runBalance(first, (_, { x }) => {
      farthestM = Math.max(farthestM, Math.abs(x));
    });
    return fallS === undefined ? farthestM : undefined;
  });

/** Heights that are looked at beside its own. */
const HEIGHTS = [0.6, 1, 1.5];

/** A balancer drawn out to another height over its axle: its inertia grows with the square. */
function atHeight(build: Build, { body }: Balancer, times: number): BalanceReport['heights'][number] {
  const cgHeightM = times * body.cgHeightM;
  const { fallTimeS, longestLoopS } = balancePlant.run({
    ...body,
    cgHeightM,
    bodyInertiaKgM2: times ** 2 * body.bodyInertiaKgM2,
  });
  const wholeKg = body.bodyMassKg + body.wheelsMassKg;
  const heightM = body.wheelRadiusM + (body.bodyMassKg * cgHeightM) / wholeKg;
  const apartM = Math.max(...build.layout.axles.map(({ track }) => track.value));
  const sidewaysDeg = radiansToDegrees(Math.atan2(apartM / 2, heightM));
  return { times, heightM, fallTimeS, longestLoopS, sidewaysDeg };
}

/** What the map goes around: gains that are something, with the part for the rate that is in use. */
const aroundGains = ({ kp, ki }: BalanceGains, kd: number): BalanceGains => ({
  kp: Math.abs(kp) || 1,
  ki: Math.abs(ki) || 1,
  kd,
});

/**
 * The balance of a build: how it falls, gains to begin with, how it does with them or with the builder's own, what leaving the
 * encoders out changes, and which gains hold. Undefined for a build that does not balance or has no motor yet.
 *
 * @example balanceReport(puffin, { loaded: true, cycle: USUAL_CYCLE, startLeanDeg: 3, nudgeNs: 0, durationS: 5 }) // undefined
 */
export function balanceReport(build: Build, ask: BalanceAsk): BalanceReport | undefined {
  const balancer = balancerOf(build, ask.loaded);
  if (!balancer) return undefined;
  const { body } = balancer;
  const task = taskOf(balancer, ask);
  const polynomial = leanPolynomial(body, task.motor);
  const first = proposedGains(task);
  const used = ownGains(ask) ?? first;
  const times = cycleTimes({ ...ask.cycle, readEncodersS: 0 });
  const { doublingS: _doubling, ...falls } = balancePlant.run(body);
  return {
    plant: {
      ...balancer,
      ...falls,
      loopTimeS: task.loopTimeS,
      delayS: task.delayS,
      poles: leanPoles(polynomial),
    },
    proposed: first
      ? {
          ...first.gains,
          ...(first.hold ? { hold: first.hold } : {}),
          paceRadS: first.paceRadS,
          poles: leanPoles(withGains(polynomial, first.gains)),
        }
      : null,
    run: used ? balanceTold(runBalance({ ...task, ...used })) : null,
    withoutEncoders: used
      ? {
          ...balanceTold(runBalance({ ...task, ...times, gains: used.gains })),
          loopTimeS: times.loopTimeS,
        }
      : null,
    catches: used ? catches(balancer, { ...task, ...used }) : null,
    heights: HEIGHTS.map((times) => atHeight(build, balancer, times)),
    region: used ? gainsMap(task, aroundGains(first?.gains ?? used.gains, used.gains.kd)) : [],
  };
}
