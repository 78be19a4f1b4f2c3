import { askedOf } from '../demand/index.ts';
import type { Driveline } from '../drive/index.ts';
import { taskOf, type Build, type Duty } from '../vehicle/index.ts';
import { attainable } from './attainable-speed.ts';
import { attainableInput, dutyPoints, steadyForce } from './operating.ts';
import { ratioWindow } from './ratio-window.ts';
import type { DriveAtDuty, DutyReport } from './report.ts';
import { topSpeedOf } from './top-speed.ts';

type DutyDemand = ReturnType<typeof askedOf>;

/**
 * What motor and battery do for what a duty asks; what it asks alone where there is no motor.
 *
 * @example dutyReport(puffin, duty, line).point?.batteryA // 24.99
 */
export function dutyReport(
  build: Build,
  duty: Duty,
  line: Driveline | undefined,
  { asked, braking }: DutyDemand = askedOf(build, duty, line),
): DutyReport {
  if (!line) return asked;
  const { resistance, footing, turn, tip, brake } = asked;
  const top = topSpeedOf(build, duty, line, { tip, brake, braking });
  const known = top ? { ...asked, top } : asked;
  // Held or braked to a stand, it is the brake that is asked, not the drive.
  if (!taskOf(duty).drives) return known;
  const points = dutyPoints(line, duty, resistance.totalN, turn);
  const attainableMps = attainable(
    attainableInput(build, duty, line, footing.gripN, steadyForce(build, duty, resistance)),
  ).speedMps;
  const alone = line.beside.length === 0;
  const drives = points.map(({ line: one, share, point }): DriveAtDuty => {
    if (point.wheelTorqueNm <= 0) return { driveId: one.driveId, share, point };
    const window = {
      wheelTorqueNm: point.wheelTorqueNm,
      speedMps: turn?.outerMps ?? duty.speed.value,
      ...(alone ? {} : { forceN: resistance.totalN }),
    };
    return {
      driveId: one.driveId,
      share,
      point,
      ratioWindow: ratioWindow(one, window, build.marginPolicy),
    };
  });
  const [first] = drives;
  return {
    ...known,
    ...(first ? { point: first.point } : {}),
    attainableMps,
    ...(first?.ratioWindow ? { ratioWindow: first.ratioWindow } : {}),
    ...(alone ? {} : { drives }),
  };
}
