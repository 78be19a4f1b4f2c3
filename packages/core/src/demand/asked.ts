import { once, onceInARow } from '../contract/index.ts';
import type { Driveline } from '../drive/index.ts';
import { taskOf, type Build, type Duty } from '../vehicle/index.ts';
import { brakeOf, brakingIn, slowingStance, type Braking } from './braking.ts';
import { askedAnyhow, demandOf } from './demand.ts';
import { extentOf } from './extent.ts';
import { hangingOf } from './hanging.ts';
import type { BrakeReport, DutyAsked } from './report.ts';
import { slideOf } from './sliding.ts';
import { stancesOf, tipOf } from './tipping.ts';
import { whateverDrives } from './whatever-drives.ts';

/** How hard a duty asks to slow down, and it can; undefined where it asks no stop. */
function slowingAsked(duty: Duty, brake: BrakeReport | undefined): number | undefined {
  if (!brake?.decelerationMps2 || (!taskOf(duty).stops && !duty.stopWithin)) return undefined;
  return Math.min(brake.decelerationMps2, brake.neededMps2 ?? Infinity);
}

const slowingDown = (build: Build, duty: Duty) => (slowing: number) =>
  slowingStance(build, duty, -Math.abs(duty.grade.value), slowing);

const stancesBy = (build: Build, duty: Duty, slowing: number | undefined) =>
  stancesOf(build, duty, slowing, slowingDown(build, duty));

/**
 * Every stance of a duty in which it might tip.
 *
 * @example stancesIn(puffin, duty, undefined).length // 1
 */
export const stancesIn = (build: Build, duty: Duty, brake: BrakeReport | undefined) =>
  stancesBy(build, duty, slowingAsked(duty, brake));

/** How it stands in a duty, whatever drives it: how it tips by how hard it slows down there, and on a wheel less. */
const standsIn = whateverDrives((build) => (duty) => {
  const { footing } = askedAnyhow(build, duty);
  return {
    tip: onceInARow((slowing: number | undefined) =>
      tipOf(build, duty, footing, stancesBy(build, duty, slowing)),
    ),
    hanging: hangingOf(build, duty, footing),
  };
});

/**
 * What one duty asks of the vehicle on its ground; and how it brakes there, for who asks further.
 *
 * @example askedOf(puffin, duty, line).asked.resistance.totalN // 411
 */
export function askedOf(
  build: Build,
  duty: Duty,
  line: Driveline | undefined,
): { readonly asked: DutyAsked; readonly braking: () => Braking } {
  const demand = demandOf(build, duty);
  const braking = once(() => brakingIn(build, duty, line));
  const brake = brakeOf(build, duty, line, braking);
  const stood = standsIn(build, duty);
  const tip = stood.tip(slowingAsked(duty, brake));
  const slide = slideOf(build, duty, demand);
  const asked = {
    id: duty.id,
    name: duty.name,
    speedMps: duty.speed.value,
    ...extentOf(duty),
    ...demand,
    ...(tip ? { tip } : {}),
    ...(brake ? { brake } : {}),
    ...(slide ? { slide } : {}),
    ...(stood.hanging ? { hanging: stood.hanging } : {}),
  };
  return { asked, braking };
}
