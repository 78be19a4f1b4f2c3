import type { Build, Duty } from '../build/index.ts';
import { degreesToRadians, radiansToDegrees } from '../contract/index.ts';
import { steerTorque } from '../ground/index.ts';
import { askedOfGrip } from './demand.ts';
import { groundOf } from './footing.ts';
import { margin } from './margin.ts';
import type { DutyReport, LinkReport } from './report.ts';
import { leanOf } from './tipping.ts';

/** What the steering calculator takes of a standing start on a duty's ground; the heaviest steered axle counts. */
export function steerInput(build: Build, duty: Duty, report: DutyReport) {
  const { steering, layout } = build;
  const load = (axleId: string): number => report.footing.axles.find((a) => a.axleId === axleId)?.loadN ?? 0;
  const axle = layout.axles.filter((a) => a.steered).sort((a, b) => load(b.id) - load(a.id))[0];
  if (!steering || !axle || load(axle.id) <= 0) return undefined;
  const wheels = axle.track.value > 0 ? 2 : 1;
  return {
    wheelLoadN: load(axle.id) / wheels,
    friction: groundOf(build, duty).across.value,
    tyreWidthM: axle.width.value,
    kingpinOffsetM: steering.kingpinOffset.value,
    // Each module has an actuator of its own; on a steered axle one turns both wheels.
    wheels: layout.kind === 'modules' ? 1 : wheels,
    linkageRatio: steering.linkageRatio.value,
    ...(steering.secondsPer60
      ? {
          servoSecPer60Deg: steering.secondsPer60.value,
          lockToLockDeg: radiansToDegrees(steering.lockToLock.value),
        }
      : {}),
  };
}

/** How hard it must slow down to stop within a distance; Infinity where it has rolled too far before the brake bites. */
export function slowingNeeded(build: Build, duty: Duty): number | undefined {
  if (!duty.stopWithin) return undefined;
  const speedMps = duty.speed.value;
  const left = duty.stopWithin.value - speedMps * build.brake.reaction.value;
  return left > 0 ? speedMps ** 2 / (2 * left) : Infinity;
}

/** Slowing that no brake has: stands for a distance that is gone before the brake bites, m/s². */
const NO_BRAKE_SLOWS = 1e6;

/** The margins of grip, tipping, turning and stopping of one duty: what needs no motor to be known. */
export function groundLinks(build: Build, duty: Duty, report: DutyReport): LinkReport[] {
  const policy = build.marginPolicy;
  const dutyId = duty.id;
  const { footing, tip, turn, step, brake, resistance } = report;
  const link = (id: LinkReport['link'], needs: number, has: number): LinkReport[] =>
    margin({ link: id, dutyId, needs, has }, policy);
  const drives = duty.task === 'drive';
  const lean = degreesToRadians(leanOf(duty));
  const steer = drives ? steerInput(build, duty, report) : undefined;
  const slowing = slowingNeeded(build, duty);
  const holds = duty.task !== 'drive' || duty.grade.value < 0;
  return [
    ...(drives && footing.gripN !== undefined ? link('grip', askedOfGrip(resistance), footing.gripN) : []),
    ...(tip?.backDeg !== undefined && tip.forwardDeg !== undefined
      ? link('tip-along', Math.abs(lean), degreesToRadians(lean > 0 ? tip.backDeg : tip.forwardDeg))
      : []),
    ...(tip?.sideDeg === undefined
      ? []
      : link('tip-side', Math.abs(duty.sideSlope?.value ?? 0), degreesToRadians(tip.sideDeg))),
    ...(tip?.cornerMps === undefined ? [] : link('corner', duty.speed.value, tip.cornerMps)),
    ...(step && !('problem' in step)
      ? [
          ...link('step', step.needs, step.has),
          ...link('clearance', duty.step?.value ?? 0, build.body.clearance.value),
        ]
      : []),
    ...(turn?.steering ? link('push-on', turn.steering.sideForceN, turn.steering.gripN) : []),
    ...(steer && build.steering
      ? link('steering', steerTorque.run(steer).servoNm, build.steering.actuatorTorque.value)
      : []),
    ...(brake && holds ? link('brake-hold', brake.holdNeedsN, brake.holdHasN) : []),
    ...(slowing === undefined
      ? []
      : link('brake-stop', Math.min(slowing, NO_BRAKE_SLOWS), brake?.decelerationMps2 ?? 0)),
  ];
}
