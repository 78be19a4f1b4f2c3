import { askedOf } from '../demand/index.ts';
import type { Driveline } from '../drive/index.ts';
import { taskOf, type Build, type Duty } from '../vehicle/index.ts';
import { attainable } from './attainable-speed.ts';
import { attainableInput, dutyPoint, steadyForce } from './operating.ts';
import { ratioWindow } from './ratio-window.ts';
import type { DutyReport } from './report.ts';
import { topSpeedOf } from './top-speed.ts';

type Asked = ReturnType<typeof askedOf>;

/** What motor and battery do for what a duty asks; what it asks alone where there is no motor. */
export function dutyReport(
  build: Build,
  duty: Duty,
  line: Driveline | undefined,
  { asked, braking }: Asked = askedOf(build, duty, line),
): DutyReport {
  if (!line) return asked;
  const { resistance, footing, turn, tip, brake } = asked;
  const top = topSpeedOf(build, duty, line, { tip, brake, braking });
  const known = top ? { ...asked, top } : asked;
  // Held or braked to a stand, it is the brake that is asked, not the drive.
  if (!taskOf(duty).drives) return known;
  const point = dutyPoint(line, duty, resistance.totalN, turn);
  const attainableMps = attainable(
    attainableInput(build, duty, line, footing.gripN, steadyForce(build, duty, resistance)),
  ).speedMps;
  if (point.wheelTorqueNm <= 0) return { ...known, point, attainableMps };
  const window = { wheelTorqueNm: point.wheelTorqueNm, speedMps: turn?.outerMps ?? duty.speed.value };
  return { ...known, point, attainableMps, ratioWindow: ratioWindow(line, window, build.marginPolicy) };
}
