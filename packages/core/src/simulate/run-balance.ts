import { NotPhysical, bracketedRoot } from '../contract/index.ts';
import { stepped } from './fourth-order.ts';
import { tooExtreme } from './too-extreme.ts';
import { balanceLoop, type BalanceLoop } from './balance-loop.ts';
import { balanceModel, type Balance, type BalanceModel } from './balance-model.ts';

/** A balancer, its loop, and what it is tried by. */
export interface BalanceRun extends BalanceLoop {
  /** From a sample to its voltage, at most a loop. */
  readonly delayS: number;
  readonly startLeanRad: number;
  readonly nudgeNs: number;
  readonly durationS: number;
  /** How finely it is followed: to be shown, where nothing is said, or only to see whether it falls or settles. */
  readonly followed?: keyof typeof STEP;
}

/** What became of it. */
export interface BalanceEnd {
  /** When it fell, s; undefined where it stood to the end. */
  readonly fallS: number | undefined;
  /** From when it stayed within a degree; undefined where it never did. */
  readonly settleS: number | undefined;
  readonly peakLeanRad: number;
  readonly peakMps: number;
  readonly peakA: number;
  readonly end: Balance;
}

/** A lean that it does not come back from. */
export const FALLEN_RAD = Math.PI / 4;
const SETTLED_RAD = Math.PI / 180;
/**
 * Of the quickest change a step takes so much. To be shown, peaks between steps are missed by less than 1e-4 of them; to see what
 * becomes of it steps are as long as the fourth order bears.
 */
const STEP = { closely: 0.02, roughly: 0.2 };
const MOST_STEPS = 4e6;
const CLOSE_S = 1e-12;

/** Where within a step the lean passes a value, s after its start. */
const passes = (model: BalanceModel, at: Balance, volts: number, h: number, lean: number): number =>
  bracketedRoot((t) => Math.abs(stepped(model, at, volts, t).lean) - lean, 0, h, CLOSE_S);

/**
 * A balancer let go at a lean or pushed, with its loop running, until it falls or the time is over. A model without gear
 * friction, play or slip: it flatters.
 *
 * `watch` is called at every step.
 *
 * @throws NotPhysical where its motors answer so quickly that the time cannot be followed in steps, or figures overflow.
 */
export function runBalance(
  i: BalanceRun,
  watch?: (timeS: number, at: Balance, amps: number) => void,
): BalanceEnd {
  const model = balanceModel(i.body, i.motor);
  const stepS = STEP[i.followed ?? 'closely'] / model.quickest;
  if (!(stepS > 0)) throw tooExtreme();
  if (i.durationS / Math.min(stepS, i.loopTimeS) > MOST_STEPS)
    throw new NotPhysical(
      'too-quick',
      'Its motors answer far more quickly than it falls, so that this time takes too many steps: give the inertia of the rotors, or a shorter time.',
    );
  const ask = balanceLoop(i);
  let at = model.pushed({ x: 0, v: 0, lean: i.startLeanRad, rate: 0 }, i.nudgeNs);
  let [timeS, volts] = [0, 0];
  let [peakLeanRad, peakMps, peakA] = [0, 0, 0];
  let outsideS = 0;
  let fallS: number | undefined;
  const look = (): void => {
    peakLeanRad = Math.max(peakLeanRad, Math.abs(at.lean));
    peakMps = Math.max(peakMps, Math.abs(at.v));
    const amps = model.amps(at, volts);
    peakA = Math.max(peakA, Math.abs(amps));
    watch?.(timeS, at, amps);
  };
  const follow = (untilS: number): void => {
    look();
    const steps = Math.max(1, Math.ceil((untilS - timeS) / stepS));
    const h = (untilS - timeS) / steps;
    for (let n = 0; n < steps && fallS === undefined; n += 1) {
      const from = at;
      at = stepped(model, from, volts, h);
      if (Math.abs(at.lean) >= FALLEN_RAD) {
        const within = passes(model, from, volts, h, FALLEN_RAD);
        at = stepped(model, from, volts, within);
        timeS += within;
        fallS = timeS;
      } else {
        if (Math.abs(at.lean) > SETTLED_RAD) outsideS = timeS + h;
        else if (Math.abs(from.lean) > SETTLED_RAD)
          outsideS = timeS + passes(model, from, volts, h, SETTLED_RAD);
        timeS += h;
      }
      look();
    }
  };
  if (Math.abs(at.lean) >= FALLEN_RAD) {
    fallS = 0;
    look();
  }
  for (let sample = 0; fallS === undefined && timeS < i.durationS; sample += 1) {
    const asked = ask(at, timeS);
    const next = Math.min(i.durationS, (sample + 1) * i.loopTimeS);
    const applied = Math.min(next, sample * i.loopTimeS + i.delayS);
    if (applied > timeS) follow(applied);
    volts = asked;
    if (fallS === undefined && next > timeS) follow(next);
  }
  const settles = fallS === undefined && Math.abs(at.lean) <= SETTLED_RAD;
  return { fallS, settleS: settles ? outsideS : undefined, peakLeanRad, peakMps, peakA, end: at };
}
