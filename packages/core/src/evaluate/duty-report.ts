import type { Build, Duty } from '../build/index.ts';
import { once } from '../contract/index.ts';
import { attainableSpeed } from './attainable-speed.ts';
import { brakeOf, brakingIn, slowingStance } from './braking.ts';
import { demandOf } from './demand.ts';
import type { Driveline } from './driveline.ts';
import { extentOf } from './extent.ts';
import { attainableInput, dutyPoint, steadyForce } from './operating.ts';
import { ratioWindow } from './ratio-window.ts';
import type { BrakeReport, DutyReport } from './report.ts';
import { hangingOf } from './hanging.ts';
import { slideOf } from './sliding.ts';
import { stancesOf, tipOf } from './tipping.ts';
import { topSpeedOf } from './top-speed.ts';

/** How hard a duty asks to slow down, and it can; undefined where it asks no stop. */
function slowingAsked(duty: Duty, brake: BrakeReport | undefined): number | undefined {
  if (!brake?.decelerationMps2 || (duty.task !== 'stop' && !duty.stopWithin)) return undefined;
  return Math.min(brake.decelerationMps2, brake.neededMps2 ?? Infinity);
}

const slowingDown = (build: Build, duty: Duty) => (slowing: number) =>
  slowingStance(build, duty, -Math.abs(duty.grade.value), slowing);

/** Every stance of a duty in which it might tip. */
export const stancesIn = (build: Build, duty: Duty, brake: BrakeReport | undefined) =>
  stancesOf(build, duty, slowingAsked(duty, brake), slowingDown(build, duty));

/** What one duty asks, and, with a motor, what motor and battery do for it. */
export function dutyReport(build: Build, duty: Duty, line: Driveline | undefined): DutyReport {
  const demand = demandOf(build, duty);
  const { resistance, footing, turn } = demand;
  const braking = once(() => brakingIn(build, duty, line));
  const brake = brakeOf(build, duty, line, braking);
  const tip = tipOf(build, duty, footing, stancesIn(build, duty, brake));
  const slide = slideOf(build, duty, demand);
  const hanging = hangingOf(build, duty);
  const base = {
    id: duty.id,
    name: duty.name,
    speedMps: duty.speed.value,
    ...extentOf(duty),
    ...demand,
    ...(tip ? { tip } : {}),
    ...(brake ? { brake } : {}),
    ...(slide ? { slide } : {}),
    ...(hanging ? { hanging } : {}),
  };
  const top = line && topSpeedOf(build, duty, line, { tip, brake, braking });
  const known = top ? { ...base, top } : base;
  // Held or braked to a stand, it is the brake that is asked, not the drive.
  if (!line || duty.task !== 'drive') return known;
  const point = dutyPoint(line, duty, resistance.totalN, turn);
  const attainableMps = attainableSpeed.run(
    attainableInput(build, duty, line, footing.gripN, steadyForce(build, duty, resistance)),
  ).speedMps;
  if (point.wheelTorqueNm <= 0) return { ...known, point, attainableMps };
  const asked = { wheelTorqueNm: point.wheelTorqueNm, speedMps: turn?.outerMps ?? duty.speed.value };
  return { ...known, point, attainableMps, ratioWindow: ratioWindow(line, asked, build.marginPolicy) };
}
