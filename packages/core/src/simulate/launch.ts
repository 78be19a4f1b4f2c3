import { tooExtreme } from './too-extreme.ts';
import { launchModel, type LaunchInput, type LaunchModel, type Region } from './launch-model.ts';
import {
  accelerationAt,
  distanceAfter,
  finalSpeed,
  integral,
  settlingTime,
  speedAfter,
  timeToSpeed,
  type Rise,
} from './riccati.ts';

/** A stretch of the launch under one law, from its start on. */
export interface LaunchStretch {
  readonly startS: number;
  readonly startM: number;
  readonly rise: Rise;
  readonly chopping: boolean;
}

/** How a launch went. */
export interface LaunchResult {
  readonly finalMps: number;
  readonly distanceM: number;
  readonly energyJ: number;
  readonly peakA: number;
  readonly timeTo90S: number | null;
  /** Empty where it never moves. */
  readonly stretches: readonly LaunchStretch[];
}

/**
 * The launch in closed form. Speed obeys dv/dt = a − b v − c v² with constants that change only where the driver stops
 * chopping and where grip takes hold, so it is a chain of such stretches; it only ever rises, or stays.
 *
 * @throws NotPhysical `out-of-range` where the figures overflow.
 * @example runLaunch(launchOfBuild(puffin, duty, report.duties[0], 4)).finalMps // 1.421
 */
export function runLaunch(i: LaunchInput): LaunchResult {
  const model = launchModel(i);
  const still = model.at(0);
  if (!(still.accelerationMps2 > 0))
    return {
      finalMps: 0,
      distanceM: 0,
      energyJ: i.voltageV * still.batteryA * i.durationS,
      peakA: still.batteryA,
      timeTo90S: null,
      stretches: [],
    };
  const run = stretchesOf(i, model);
  if (!Number.isFinite(run.finalMps + run.distanceM + run.energyJ)) throw tooExtreme();
  return {
    finalMps: run.finalMps,
    distanceM: run.distanceM,
    energyJ: run.energyJ,
    peakA: peakCurrent(model, run.finalMps),
    timeTo90S: timeTo(run.stretches, 0.9 * run.finalMps),
    stretches: run.stretches,
  };
}

/** The law of a region from a speed on; where nothing drives it on, it stays at this speed. */
function riseIn(region: Region, model: LaunchModel, v0: number): Rise {
  const { steadyN, dragN, movingKg } = model;
  const rise = {
    v0,
    a: (region.pushN - steadyN) / movingKg,
    b: region.fallNsPerM / movingKg,
    c: dragN / movingKg,
  };
  return accelerationAt(rise, v0) > 0 ? rise : { v0, a: 0, b: 0, c: 0 };
}

function stretchesOf(i: LaunchInput, model: LaunchModel) {
  const stretches: LaunchStretch[] = [];
  let timeS = 0;
  let speedMps = 0;
  let distanceM = 0;
  let ampereSeconds = 0;
  for (const region of model.regions) {
    const leftS = i.durationS - timeS;
    if (leftS <= 0) break;
    if (region.toMps <= speedMps) continue;
    const rise = riseIn(region, model, speedMps);
    const endsS = timeToSpeed(rise, region.toMps);
    const spanS = Math.min(leftS, endsS);
    const spanM = distanceAfter(rise, spanS);
    stretches.push({ startS: timeS, startM: distanceM, rise, chopping: !region.draws });
    ampereSeconds += region.draws
      ? straightCharge(region.draws, spanS, spanM)
      : choppedCharge(model, rise, spanS);
    distanceM += spanM;
    speedMps = endsS < leftS ? region.toMps : speedAfter(rise, spanS);
    timeS += spanS;
  }
  return { stretches, finalMps: speedMps, distanceM, energyJ: i.voltageV * ampereSeconds };
}

/** Panels a unit of the stretch's own time; five points each leave no error that shows. */
const PANELS = 12;

/** Charge drawn straight through, A·s: the current is a straight line of the speed, its integral one of the distance. */
const straightCharge = (
  { atRestA, fallAPerMps }: NonNullable<Region['draws']>,
  spanS: number,
  spanM: number,
): number => atRestA * spanS - fallAPerMps * spanM;

/** Charge drawn while the driver chops, A·s. */
function choppedCharge(model: LaunchModel, rise: Rise, spanS: number): number {
  const movingS = Math.min(spanS, settlingTime(rise));
  const charge = integral((t) => model.choppingA(speedAfter(rise, t)), movingS, PANELS);
  return spanS > movingS ? charge + model.choppingA(finalSpeed(rise)) * (spanS - movingS) : charge;
}

/** The battery current has one kink on the way up, where chopping ends, and falls from there. */
function peakCurrent(model: LaunchModel, finalMps: number): number {
  const ends = Math.max(model.at(0).batteryA, model.at(finalMps).batteryA);
  const { limitEndsMps } = model;
  return limitEndsMps > 0 && limitEndsMps < finalMps ? Math.max(ends, model.at(limitEndsMps).batteryA) : ends;
}

/** When the rising speed first passes `targetMps`. */
function timeTo(stretches: readonly LaunchStretch[], targetMps: number): number {
  const last = stretches.findLast((s) => s.rise.v0 <= targetMps);
  return last ? last.startS + timeToSpeed(last.rise, targetMps) : 0;
}
