import type { Build, Duty } from '../build/index.ts';
import { attainableSpeed } from './attainable-speed.ts';
import { footingOf, resistanceOf } from './demand.ts';
import type { Driveline } from './driveline.ts';
import { attainableInput, dutyPoint } from './operating.ts';
import { ratioWindow } from './ratio-window.ts';
import type { DutyReport } from './report.ts';

/** What one duty asks, and, with a motor, what motor and battery do for it. */
export function dutyReport(build: Build, duty: Duty, line: Driveline | undefined): DutyReport {
  const resistance = resistanceOf(build, duty);
  const footing = footingOf(build, duty);
  const base = { id: duty.id, name: duty.name, speedMps: duty.speed.value, resistance, footing };
  if (!line) return base;
  const point = dutyPoint(line, duty, resistance.totalN);
  const attainableMps = attainableSpeed.run(attainableInput(build, duty, line, footing.gripN)).speedMps;
  if (point.wheelTorqueNm <= 0) return { ...base, point, attainableMps };
  const asked = { wheelTorqueNm: point.wheelTorqueNm, speedMps: duty.speed.value };
  return { ...base, point, attainableMps, ratioWindow: ratioWindow(line, asked, build.marginPolicy) };
}
