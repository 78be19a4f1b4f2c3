import type { DutyReport } from '../capability/index.ts';
import { radiansToDegrees } from '../quantity/index.ts';
import { askedOfGrip, groundOf } from '../demand/index.ts';
import { steerTorque } from '../ground/index.ts';
import { taskOf, layoutKind, figuresOf, type Build, type Duty, drivesThat } from '../vehicle/index.ts';
import { margin } from './margin.ts';
import type { LinkReport } from './report.ts';
import { hardestLoad } from './wheel-load.ts';

/**
 * What the steering calculator takes of a standing start on a duty's ground; the heaviest steered axle counts.
 *
 * @example steerInput(moth, moth.duties[0], evaluate(moth).duties[0])?.wheelLoadN // 307.4
 */
export function steerInput(build: Build, duty: Duty, report: DutyReport) {
  const { steering, layout } = build;
  const load = (axleId: string): number => report.footing.axles.find((a) => a.axleId === axleId)?.loadN ?? 0;
  const axle = layout.axles.filter((a) => a.steered).sort((a, b) => load(b.id) - load(a.id))[0];
  if (!steering || !axle || load(axle.id) <= 0) return undefined;
  const wheels = axle.track.value > 0 ? 2 : 1;
  return {
    wheelLoadN: load(axle.id) / wheels,
    friction: figuresOf(groundOf(build, duty), axle).across.value,
    tyreWidthM: axle.width.value,
    kingpinOffsetM: steering.kingpinOffset.value,
    // Each module has an actuator of its own; on a steered axle one turns both wheels.
    wheels: layoutKind(layout.kind).swivels ? 1 : wheels,
    linkageRatio: steering.linkageRatio.value,
    ...(steering.secondsPer60
      ? {
          servoSecPer60Deg: steering.secondsPer60.value,
          lockToLockDeg: radiansToDegrees(steering.lockToLock.value),
        }
      : {}),
  };
}

/** What the steering has: of its actuator, or of a hand at the end of its arm; undefined where neither is said. */
export const steeringHas = ({ steering }: Build): number | undefined =>
  steering?.hand ? steering.hand.arm.value * steering.hand.force.value : steering?.actuatorTorque?.value;

/** Whether a duty pulls the vehicle sideways at all. */
export const goesAside = ({ sideSlope, turn }: Duty): boolean =>
  sideSlope !== undefined || turn?.kind === 'radius';

/**
 * The margins of grip, tipping, turning and stopping of one duty: what needs no motor to be known.
 *
 * @example groundLinks(puffin, duty, report.duties[0])[0]?.link // 'grip'
 */
export function groundLinks(build: Build, duty: Duty, report: DutyReport): LinkReport[] {
  const policy = build.marginPolicy;
  const dutyId = duty.id;
  const { footing, tip, turn, step, brake, slide, resistance } = report;
  const link = (id: LinkReport['link'], needs: number, has: number): LinkReport[] =>
    margin({ link: id, dutyId, needs, has }, policy);
  const carried = hardestLoad(build, footing);
  const drives = taskOf(duty).drives;
  // A drive that steers is judged by what its motor gives.
  const byDrive = drivesThat(build, 'steers').length > 0;
  const steer = drives && !byDrive ? steerInput(build, duty, report) : undefined;
  const steers = steeringHas(build);
  const holds = !taskOf(duty).drives || duty.grade.value < 0;
  return [
    ...(drives && footing.gripN !== undefined ? link('grip', askedOfGrip(resistance), footing.gripN) : []),
    ...(carried ? link('wheel-load', carried.loadN, carried.carriesN) : []),
    ...(tip?.along ? link('tip-along', tip.along.overturningNm, tip.along.rightingNm) : []),
    ...(tip?.side && goesAside(duty) ? link('tip-side', tip.side.overturningNm, tip.side.rightingNm) : []),
    ...(slide ? link('slide-side', slide.sideN, slide.holdsN) : []),
    ...(tip?.cornerMps === undefined ? [] : link('corner', duty.speed.value, tip.cornerMps)),
    ...(step && !('problem' in step)
      ? [
          ...link('step', step.needs, step.has),
          ...link('clearance', duty.step?.value ?? 0, build.body.clearance.value),
        ]
      : []),
    ...(turn?.steering ? link('push-on', turn.steering.sideForceN, turn.steering.gripN) : []),
    ...(steer && steers !== undefined ? link('steering', steerTorque.run(steer).servoNm, steers) : []),
    ...(brake && holds ? link('brake-hold', brake.holdNeedsN, brake.holdHasN) : []),
    ...(brake?.neededMps2 === undefined
      ? []
      : link('brake-stop', brake.neededMps2, brake.decelerationMps2 ?? 0)),
  ];
}
