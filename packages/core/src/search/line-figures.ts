/**
 * A lone drive with magnets as plain numbers, and what a search asks of it a million times: the formulas of
 * `supply/circuit.ts`, `capability/attainable-speed.ts` and `capability/ratio-window.ts` without an object made on the way.
 */

import { highestPoint } from '../contract/index.ts';
import type { Limit } from '../supply/index.ts';

/** Motor, driver, battery and train as numbers. Limits may be Infinity. Written anew for each set. */
export interface LineFigures {
  motors: number;
  motorsPerWheel: number;
  ohm: number;
  keVsPerRad: number;
  ktNmPerA: number;
  noLoadA: number;
  openCircuitV: number;
  supplyOhm: number;
  currentLimitA: number;
  batteryLimitA: number;
  auxiliaryW: number;
  commandShare: number;
  ratio: number;
  efficiency: number;
  wheelRadiusM: number;
  /** Of the above, once a set: see `settled`. */
  sag: number;
  steep: number;
  beside: number;
  limitedW4: number;
}

/** A line to be written over. */
export const blankLine = (): LineFigures => ({
  motors: 1,
  motorsPerWheel: 1,
  ohm: 1,
  keVsPerRad: 1,
  ktNmPerA: 1,
  noLoadA: 0,
  openCircuitV: 1,
  supplyOhm: 0,
  currentLimitA: Infinity,
  batteryLimitA: Infinity,
  auxiliaryW: 0,
  commandShare: 1,
  ratio: 1,
  efficiency: 1,
  wheelRadiusM: 1,
  sag: 0,
  steep: 1,
  beside: 0,
  limitedW4: Infinity,
});

/** Works out what depends on motor, driver and battery alone: to be asked after they change. */
export function settle(l: LineFigures): void {
  const { supplyOhm, openCircuitV, commandShare, motors } = l;
  l.sag = ((motors * supplyOhm) / l.ohm) * commandShare;
  l.steep = 1 + l.sag * commandShare;
  l.beside = 4 * l.steep * supplyOhm * l.auxiliaryW;
  if (!Number.isFinite(l.batteryLimitA)) l.limitedW4 = Infinity;
  else {
    const mostA = supplyOhm > 0 ? Math.min(l.batteryLimitA, openCircuitV / (2 * supplyOhm)) : l.batteryLimitA;
    const eachW = (mostA * (openCircuitV - supplyOhm * mostA) - l.auxiliaryW) / motors;
    l.limitedW4 = eachW > 0 ? 4 * l.ohm * eachW : -1;
  }
}

/** Motor current where the driver passes all that its command lets through, A. */
function straightA(l: LineFigures, backV: number): number {
  const b = l.openCircuitV + l.sag * backV;
  const root = b * b - l.beside;
  const batteryV = (b + (root > 0 ? Math.sqrt(root) : 0)) / (2 * l.steep);
  return (l.commandShare * batteryV - backV) / l.ohm;
}

/** Current of each motor at full command against so many volts, A: `fullCommandCurrent` of the supply. */
export function fullA(l: LineFigures, backV: number): number {
  let amps = straightA(l, backV);
  if (amps > l.currentLimitA) amps = l.currentLimitA;
  if (l.limitedW4 !== Infinity) {
    const fromBatteryA = l.limitedW4 < 0 ? 0 : (Math.sqrt(backV * backV + l.limitedW4) - backV) / (2 * l.ohm);
    if (amps > fromBatteryA) amps = fromBatteryA;
  }
  return amps;
}

/** What holds full command at a stall. */
export function holdsStall(l: LineFigures): Limit {
  const straight = straightA(l, 0);
  if (fullA(l, 0) < Math.min(straight, l.currentLimitA)) return 'battery';
  return straight > l.currentLimitA ? 'driver' : 'voltage';
}

/** Torque of the output of a wheel for one of the motor, N·m: losses count for it and against it. */
const through = (l: LineFigures, torqueNm: number): number =>
  torqueNm >= 0 ? torqueNm * l.efficiency : torqueNm / l.efficiency;

/** The most torque of each wheel while its motors turn against so many volts, N·m. */
export const wheelNmAt = (l: LineFigures, backV: number): number =>
  l.motorsPerWheel * l.ratio * through(l, l.ktNmPerA * (fullA(l, backV) - l.noLoadA));

/** The most torque of each wheel at a road speed, N·m. */
const wheelNm = (l: LineFigures, speedMps: number): number =>
  wheelNmAt(l, l.keVsPerRad * (speedMps / l.wheelRadiusM) * l.ratio);

/** The most pull of all wheels at a road speed, N. */
export const pullN = (l: LineFigures, speedMps: number): number =>
  (wheelNm(l, speedMps) / l.wheelRadiusM) * (l.motors / l.motorsPerWheel);

/**
 * Whether what is drawn beside is more than the battery gives beside stalled motors: their pull then rises with speed before
 * it falls, and what follows here does not hold.
 */
export const isStarved = (l: LineFigures): boolean => l.beside > l.openCircuitV ** 2;

/** A downhill runaway is followed to this many times the free-running speed. */
const GREATEST_OVERSPEED = 64;
const NEAR = 1e-14;
const MOST_STEPS = 60;

/** What is left of the greatest pull, grip included, over a steady force and the air, N. */
function surplusN(l: LineFigures, { steadyN, gripN }: Road, drag: number, speedMps: number): number {
  const pull = pullN(l, speedMps);
  return (pull > gripN ? gripN : pull < -gripN ? -gripN : pull) - steadyN - drag * speedMps * speedMps;
}

/** A ground to drive on: what holds back beside the air, and the grip of what is driven, N. */
export interface Road {
  readonly steadyN: number;
  readonly gripN: number;
}

/**
 * The road speed at which its greatest pull, grip included, meets a steady force and the air, m/s.
 *
 * @param atRestN its greatest pull at rest, N: the same for every road
 */
export function settlesAt(l: LineFigures, road: Road, drag: number, atRestN: number): number {
  const { steadyN, gripN } = road;
  if (Math.min(atRestN, gripN) <= steadyN) return 0;
  const freeMps = (l.openCircuitV / l.keVsPerRad / l.ratio) * l.wheelRadiusM;
  // Uphill and on the level it is never driven beyond its free speed.
  if (l.limitedW4 !== Infinity || (steadyN < 0 && surplusN(l, road, drag, freeMps) > 0))
    return settlesBeyond(l, road, drag, freeMps);
  const speedMps = comesTo(l, steadyN, drag, freeMps);
  // Where the wheels would slip, the grip drives it.
  return gripN < atRestN && pullN(l, speedMps) > gripN ? Math.sqrt((gripN - steadyN) / drag) : speedMps;
}

/**
 * The speed at which pull and resistance meet, from one beyond it. What is left of the pull falls ever faster: steps along
 * its slope come to the answer from above and never pass it.
 */
function comesTo(l: LineFigures, steadyN: number, drag: number, from: number): number {
  const voltsPerMps = (l.keVsPerRad * l.ratio) / l.wheelRadiusM;
  const newtonsPerA = (l.motors * l.ktNmPerA * l.ratio) / l.wheelRadiusM;
  const half = l.commandShare / (2 * l.steep);
  // Where nothing is drawn beside and no air holds it back, which is beyond: a straight line.
  const shareUp = newtonsPerA * l.efficiency;
  const atRestA = (2 * half * l.openCircuitV) / l.ohm;
  const lessPerV = (1 - 2 * half * l.sag) / l.ohm;
  const beyond = (atRestA - l.noLoadA - steadyN / shareUp) / (lessPerV * voltsPerMps);
  let speedMps = steadyN >= 0 && beyond < from ? beyond : from;
  for (let n = 0; n < MOST_STEPS; n += 1) {
    const backV = voltsPerMps * speedMps;
    const b = l.openCircuitV + l.sag * backV;
    const square = b * b - l.beside;
    const root = square > 0 ? Math.sqrt(square) : 0;
    let amps = (half * (b + root) - backV) / l.ohm;
    let slope = (half * l.sag * (root > 0 ? 1 + b / root : 1) - 1) / l.ohm;
    if (amps > l.currentLimitA) {
      amps = l.currentLimitA;
      slope = 0;
    }
    const share = amps >= l.noLoadA ? newtonsPerA * l.efficiency : newtonsPerA / l.efficiency;
    const left = share * (amps - l.noLoadA) - steadyN - drag * speedMps * speedMps;
    const step = left / (share * slope * voltsPerMps - 2 * drag * speedMps);
    if (!(Math.abs(step) > NEAR * from)) return speedMps;
    speedMps -= step;
  }
  return speedMps;
}

/** The same where it runs away downhill, or the battery limits its current: by a line through two points, within what is known. */
function settlesBeyond(l: LineFigures, road: Road, drag: number, freeMps: number): number {
  let low = 0;
  let high = freeMps;
  let atHigh = surplusN(l, road, drag, high);
  while (atHigh > 0 && high < GREATEST_OVERSPEED * freeMps) {
    low = high;
    high *= 2;
    atHigh = surplusN(l, road, drag, high);
  }
  if (atHigh > 0) return high;
  let before = low;
  let atBefore = surplusN(l, road, drag, low);
  let speedMps = high;
  let left = atHigh;
  for (let n = 0; n < MOST_STEPS && left !== 0; n += 1) {
    let next = speedMps - (left * (speedMps - before)) / (left - atBefore);
    if (!(next > low && next < high) || n % 8 === 7) next = (low + high) / 2;
    before = speedMps;
    atBefore = left;
    speedMps = next;
    left = surplusN(l, road, drag, next);
    if (left > 0) low = next;
    else high = next;
    if (Math.abs(speedMps - before) <= NEAR * freeMps || high - low <= NEAR * freeMps) break;
  }
  return speedMps;
}

/** Ratios looked at, as the ratio window has them. */
const LEAST_RATIO = 0.1;
const GREATEST_RATIO = 100_000;
/** Of the logarithm of a ratio, where what it gives hardly changes. */
const TOP_TOLERANCE = 1e-6;

/** How fast the current of full command changes with the volts against it, A/V: of whichever limit holds it. */
function slopeOfFullA(l: LineFigures, backV: number, amps: number): number {
  if (amps === l.currentLimitA) return 0;
  const b = l.openCircuitV + l.sag * backV;
  const root = b * b - l.beside;
  if (amps === straightA(l, backV)) {
    const rises = root > 0 ? 1 + b / Math.sqrt(root) : 1;
    return ((l.commandShare * l.sag * rises) / (2 * l.steep) - 1) / l.ohm;
  }
  return l.limitedW4 < 0 ? 0 : (backV / Math.sqrt(backV * backV + l.limitedW4) - 1) / (2 * l.ohm);
}

/** The ratios between which it does a job; 0 and 0 where none does. */
export interface JobSpan {
  low: number;
  high: number;
}

/**
 * Between which ratios each wheel gets a torque at a road speed. What it gets is a hill over the ratio, hollow nowhere, so
 * that steps along its slope come to each foot from outside without passing it.
 */
export function spanOf(l: LineFigures, wheelTorqueNm: number, speedMps: number, into: JobSpan): void {
  const perRatio = l.motorsPerWheel * l.efficiency * l.ktNmPerA;
  const backPerRatio = (l.keVsPerRad * speedMps) / l.wheelRadiusM;
  const atRest = perRatio * (fullA(l, 0) - l.noLoadA);
  into.low = 0;
  into.high = 0;
  if (!(atRest > 0)) return;
  const hill = { torqueNm: wheelTorqueNm, perRatio, backPerRatio };
  const low = footFrom(l, hill, wheelTorqueNm / atRest, 1);
  if (low === 0) return;
  const free = (l.commandShare * l.openCircuitV) / backPerRatio;
  const high = backPerRatio > 0 ? footFrom(l, hill, free, -1) : GREATEST_RATIO;
  const [first, last] = [Math.max(low, LEAST_RATIO), Math.min(high, GREATEST_RATIO)];
  if (first > last || high === 0) return;
  into.low = first;
  into.high = last;
}

interface Hill {
  readonly torqueNm: number;
  /** Torque of a wheel for a ratio of 1 and an ampere beyond the idle ones. */
  readonly perRatio: number;
  /** Volts against it for a ratio of 1. */
  readonly backPerRatio: number;
}

/** A foot of the hill from a ratio outside it, uphill for greater ratios (1) or for less (-1); 0 where its top is too low. */
function footFrom(l: LineFigures, hill: Hill, start: number, uphill: 1 | -1): number {
  const { torqueNm, perRatio, backPerRatio } = hill;
  let ratio = start;
  for (let n = 0; n < MOST_STEPS; n += 1) {
    const backV = backPerRatio * ratio;
    const amps = fullA(l, backV);
    const short = torqueNm - perRatio * ratio * (amps - l.noLoadA);
    const slope = perRatio * (amps - l.noLoadA + ratio * backPerRatio * slopeOfFullA(l, backV, amps));
    if (slope * uphill <= 0) return short <= 0 ? ratio : 0;
    const step = short / slope;
    ratio += step;
    if (!(ratio > 0)) return 0;
    if (Math.abs(step) <= NEAR * ratio) return ratio;
  }
  return ratio;
}

/** The most torque that each wheel gets at a speed, whatever the ratio, N·m. */
export function bestNm(l: LineFigures, speedMps: number): number {
  const given = l.ratio;
  const at = (log: number): number => {
    l.ratio = Math.exp(log);
    return wheelNm(l, speedMps);
  };
  const most = at(highestPoint(at, Math.log(LEAST_RATIO), Math.log(GREATEST_RATIO), TOP_TOLERANCE));
  l.ratio = given;
  return most;
}
