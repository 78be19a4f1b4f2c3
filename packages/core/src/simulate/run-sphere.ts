import { bracketedRoot, NotPhysical } from '../contract/index.ts';
import type { Balance, BalanceMotor } from './balance-model.ts';
import { stepped } from './fourth-order.ts';
import { sphereModel, THIN_SHELL, type SphereBody } from './sphere-model.ts';
import { tooExtreme } from './too-extreme.ts';
import type { SphereStop } from '../vehicle/index.ts';

/** A sphere sent off from rest: its command climbs evenly, stays, and goes to nothing as it came. */
export interface SphereRun {
  readonly body: SphereBody;
  readonly motor: BalanceMotor;
  /** Of the full voltage; negative backwards. */
  readonly share: number;
  readonly rampS: number;
  readonly holdS: number;
  readonly stop: SphereStop;
}

/** What became of it. */
export interface SphereEnd {
  /** When it came to rest, s; undefined where it still nods or rolls 20 s after the command's end. */
  readonly stillS: number | undefined;
  /** Where it comes to rest, or would if it nodded no more. */
  readonly endM: number;
  /** The farthest that the inner mass swung out; a half turn is over the top. */
  readonly peakSwingRad: number;
  readonly peakMps: number;
  readonly peakA: number;
  /** How far the inner mass swings to and fro once the command has ended. */
  readonly nodRad: number;
  /** Whether the inner mass went over the top. */
  readonly tumbles: boolean;
  readonly commandS: number;
}

/** Of the quickest change a step takes so much. */
const STEP = 0.2;
const MOST_STEPS = 4e6;
/** So long is looked on after the command has ended. */
const AFTER_S = 20;
/** It counts as at rest when it has moved less than this for a while: m/s, rad, rad/s, s. */
const STILL = { mps: 2e-3, rad: 0.01, radS: 0.02, forS: 0.5 };

/** What of the full voltage is asked at a time. */
const commandAt = ({ share, rampS, holdS }: SphereRun, tS: number): number => {
  const fallsS = rampS + holdS;
  const part = tS < rampS ? tS / rampS : tS < fallsS ? 1 : Math.max(0, 1 - (tS - fallsS) / rampS);
  return share * part;
};

/**
 * A sphere from rest until it is still again, its inner mass followed as it swings. It rolls without slip, and what drives inside
 * does not slip on the shell: on a steep or slick start it flatters.
 *
 * `watch` is called at every step.
 *
 * @throws NotPhysical where its motors answer so quickly that the time cannot be followed in steps, or figures overflow.
 */
export function runSphere(
  i: SphereRun,
  watch?: (timeS: number, at: Balance, amps: number) => void,
): SphereEnd {
  const driven = sphereModel(i.body, i.motor);
  const free = sphereModel(i.body, i.motor, true);
  const stepS = STEP / driven.quickest;
  if (!(stepS > 0)) throw tooExtreme();
  const commandS = 2 * i.rampS + i.holdS;
  if ((commandS + AFTER_S) / stepS > MOST_STEPS)
    throw new NotPhysical(
      'too-quick',
      'Its motors answer far more quickly than it rolls, so that this time takes too many steps: give the inertia of the rotors, or a shorter way.',
    );
  let at: Balance = { x: 0, v: 0, lean: 0, rate: 0 };
  let [timeS, quietS] = [0, 0];
  let [peakSwingRad, peakMps, peakA] = [0, 0, 0];
  let [lowest, highest] = [Infinity, -Infinity];
  const look = (model: typeof driven, volts: number): void => {
    peakSwingRad = Math.max(peakSwingRad, Math.abs(at.lean));
    peakMps = Math.max(peakMps, Math.abs(at.v));
    const amps = model.amps(at, volts);
    peakA = Math.max(peakA, Math.abs(amps));
    if (timeS >= commandS) [lowest, highest] = [Math.min(lowest, at.lean), Math.max(highest, at.lean)];
    watch?.(timeS, at, amps);
  };
  /** Up to the next corner of the command, in even steps. */
  const corners = [i.rampS, i.rampS + i.holdS, commandS, commandS + AFTER_S];
  let fromS = 0;
  for (const cornerS of corners) {
    timeS = fromS;
    fromS = cornerS;
    const steps = Math.max(0, Math.ceil((cornerS - timeS) / stepS));
    const h = (cornerS - timeS) / steps;
    const model = i.stop === 'let-go' && timeS >= commandS ? free : driven;
    for (let n = 0; n < steps; n += 1) {
      // The command at the middle of the step is its mean over it: between corners it is straight.
      const volts = i.motor.voltageV * commandAt(i, timeS + h / 2);
      look(model, volts);
      at = stepped(model, at, volts, h);
      timeS += h;
      if (Math.abs(at.lean) >= Math.PI) {
        look(model, volts);
        return ended({ stillS: undefined, tumbles: true });
      }
      if (!Number.isFinite(at.x)) throw tooExtreme();
      const moves =
        timeS < commandS ||
        Math.abs(at.v) > STILL.mps ||
        Math.abs(at.rate) > STILL.radS ||
        Math.abs(model.accelerations(at, volts)[1]) > STILL.radS / STILL.forS;
      quietS = moves ? 0 : quietS + h;
      if (quietS >= STILL.forS) {
        look(model, volts);
        return ended({ stillS: timeS - quietS, tumbles: false });
      }
    }
  }
  return ended({ stillS: undefined, tumbles: false });

  function ended(how: Pick<SphereEnd, 'stillS' | 'tumbles'>): SphereEnd {
    const nodRad = highest >= lowest ? highest - lowest : 0;
    return { ...how, endM: restsAt(i, at), peakSwingRad, peakMps, peakA, nodRad, commandS };
  }
}

/**
 * Where a sphere that nods comes to rest: shorted, shell and mass turn as one about the place where the mass hangs; let go, the
 * shell sways about its place as the mass swings.
 */
function restsAt({ body, stop }: SphereRun, { x, lean }: Balance): number {
  const { innerKg, offsetM, radiusM, shellKg, restKg, slopeRad } = body;
  const weightKg = innerKg + shellKg + restKg;
  const hangs = Math.asin(
    Math.min(1, Math.max(-1, (radiusM * weightKg * Math.sin(slopeRad)) / (innerKg * offsetM))),
  );
  return stop === 'shorted'
    ? x + radiusM * (lean - hangs)
    : x + (innerKg * offsetM * Math.sin(lean)) / (weightKg + THIN_SHELL * shellKg);
}

/** Ways nearer than this are the same, m. */
const CLOSE_M = 1e-3;
/** A command that lasts longer than this is not looked for, s. */
const LONGEST_S = 600;
const MOST_TRIES = 20;
const MOST_LONGER = 3;

/** A command that takes a sphere a way, and what became of it. */
export interface SphereLeg {
  readonly run: SphereRun;
  readonly end: SphereEnd;
}

/**
 * The command that ends a way off, to a millimetre: held for as long as it takes at the share asked for, or, where climbing and
 * falling alone go farther, at a smaller share. Undefined where the way is not reached: it does not move, tumbles, or rolls back.
 */
export function sphereOver(asked: Omit<SphereRun, 'holdS'>, distanceM: number): SphereLeg | undefined {
  const towards = Math.sign(distanceM) || 1;
  const way = Math.abs(distanceM);
  const of = (share: number, holdS: number): SphereLeg => {
    const run = { ...asked, share: towards * Math.abs(share), holdS };
    return { run, end: runSphere(run) };
  };
  const over = ({ end }: SphereLeg): number => towards * end.endM - way;
  const atOnce = of(asked.share, 0);
  if (atOnce.end.tumbles) return undefined;
  if (over(atOnce) >= 0) {
    const full = Math.abs(asked.share);
    const share = bracketedRoot((by) => (by === 0 ? -way : over(of(by, 0))), 0, full, full * 1e-4);
    return of(share, 0);
  }
  // Once it rolls at its speed, so much longer is so much farther: along the line of the last two tries.
  let [before, leg] = [atOnce, of(asked.share, 1)];
  for (let tries = 0; tries < MOST_TRIES; tries += 1) {
    if (leg.end.tumbles) return undefined;
    if (Math.abs(over(leg)) <= CLOSE_M) return leg;
    const paceMps = (over(leg) - over(before)) / (leg.run.holdS - before.run.holdS);
    const holdS = leg.run.holdS - over(leg) / paceMps;
    if (!(paceMps > 0) || (holdS > LONGEST_S && leg.run.holdS >= LONGEST_S)) return undefined;
    // While it still speeds up the line goes too far.
    const most = Math.min(LONGEST_S, MOST_LONGER * (leg.run.holdS + 1));
    [before, leg] = [leg, of(asked.share, Math.min(most, Math.max(0, holdS)))];
    if (leg.run.holdS === before.run.holdS) return leg;
  }
  return leg;
}
