import type { Build, Duty } from '../build/index.ts';
import { attainableSpeed } from './attainable-speed.ts';
import { brakeOf } from './braking.ts';
import { demandOf } from './demand.ts';
import type { Driveline } from './driveline.ts';
import { extentOf } from './extent.ts';
import { attainableInput, dutyPoint, steadyForce } from './operating.ts';
import { ratioWindow } from './ratio-window.ts';
import type { DutyReport } from './report.ts';
import { tipOf } from './tipping.ts';

/** What one duty asks, and, with a motor, what motor and battery do for it. */
export function dutyReport(build: Build, duty: Duty, line: Driveline | undefined): DutyReport {
  const demand = demandOf(build, duty);
  const { resistance, footing, turn } = demand;
  const tip = tipOf(build, duty, footing);
  const brake = brakeOf(build, duty, line);
  const base = {
    id: duty.id,
    name: duty.name,
    speedMps: duty.speed.value,
    ...extentOf(duty),
    ...demand,
    ...(tip ? { tip } : {}),
    ...(brake ? { brake } : {}),
  };
  // Held or braked to a stand, it is the brake that is asked, not the drive.
  if (!line || duty.task !== 'drive') return base;
  const point = dutyPoint(line, duty, resistance.totalN, turn);
  const attainableMps = attainableSpeed.run(
    attainableInput(build, duty, line, footing.gripN, steadyForce(build, duty, resistance)),
  ).speedMps;
  if (point.wheelTorqueNm <= 0) return { ...base, point, attainableMps };
  const asked = { wheelTorqueNm: point.wheelTorqueNm, speedMps: turn?.outerMps ?? duty.speed.value };
  return { ...base, point, attainableMps, ratioWindow: ratioWindow(line, asked, build.marginPolicy) };
}
