import { GRAM_CM2, degreesToRadians, radiansToDegrees } from '../quantity/index.ts';
import { LEAST_MASS } from '../demand/index.ts';
import { trainStages, type Driveline, inertiaInput } from '../drive/index.ts';
import { playSum, reflectedInertia, stageFigures, stagePlay } from '../transmission/index.ts';
import { rollingDiameter, type Build, driveOf } from '../vehicle/index.ts';
import type { MovedByHand, TrainReport } from './report.ts';

/**
 * What the calculator of play takes; undefined where the motor turns the wheel directly.
 *
 * @example playInput(puffin)?.wheelDiameterM // 0.4
 */
export function playInput(build: Build) {
  const stages = trainStages(build);
  if (stages.length === 0) return undefined;
  return {
    stages: stages.map((stage) => ({
      ratio: stageFigures(stage).ratio,
      playDeg: radiansToDegrees(stagePlay(stage)),
    })),
    wheelDiameterM: rollingDiameter(build).value,
  };
}

/**
 * Whether a stage that locks is left between where the drive disengages and the wheel.
 *
 * @example stillLocks(puffin) // false
 */
export function stillLocks(build: Build): boolean {
  const { release, stages } = driveOf(build);
  if (release.kind === 'none') return false;
  const at = stages.findIndex(({ id }) => id === release.at);
  return stages.slice(at + 1).some((stage) => stageFigures(stage).backEfficiency === 0);
}

function pushed(build: Build, line: Driveline): MovedByHand {
  const { circuit, ratio, backEfficiency, motorsPerWheel, outputs, wheelRadiusM } = line;
  // The motor's own friction is what its no-load current works against.
  const idleNm = circuit.motor.idleNm * motorsPerWheel * ratio;
  const { release } = driveOf(build);
  const massKg = [build.masses.own, ...build.masses.others].reduce((sum, m) => sum + m.mass.value, 0);
  const { feltGcm2, rotatingMassFactor } = reflectedInertia.run(
    inertiaInput(build, Math.max(massKg, LEAST_MASS)),
  );
  return {
    engagedN: backEfficiency > 0 ? (outputs * idleNm) / backEfficiency / wheelRadiusM : null,
    ...(release.kind === 'none'
      ? {}
      : { releasedN: stillLocks(build) ? null : (outputs * release.drag.value) / wheelRadiusM }),
    feltKgM2: feltGcm2 * GRAM_CM2,
    rotatingMassFactor,
  };
}

/**
 * Play at the wheel, and what the drive asks of who pushes the vehicle by hand.
 *
 * @example movedOf(puffin, line).moved.engagedN // 60.29
 */
export function movedOf(build: Build, line: Driveline | undefined): Pick<TrainReport, 'play' | 'moved'> {
  const play = playInput(build);
  const found = play && playSum.run(play);
  return {
    ...(found
      ? {
          play: { atWheelRad: degreesToRadians(found.atWheelDeg), atGroundM: (found.atGroundMm ?? 0) / 1000 },
        }
      : {}),
    ...(line ? { moved: pushed(build, line) } : {}),
  };
}
