import { NotPhysical, type Notice } from '../contract/index.ts';
import { obstacleClimb } from '../ground/index.ts';
import {
  layoutKind,
  contactsOfAxle,
  figuresOf,
  rollingDiameter,
  wheelsOf,
  type Axle,
  type Build,
  type Duty,
  driveOf,
  outputsOf,
  type Drive,
} from '../vehicle/index.ts';
import { groundOf } from './footing.ts';
import type { Footing, StepReport } from './report.ts';

/**
 * What the calculation of a step takes of an axle: its wheel, its load, its grip.
 *
 * @example stepInput(puffin, puffin.layout.axles[0], { ...duty, step: typed(20, 'mm') }, footing).stepM // 20
 */
export function stepInput(build: Build, axle: Axle, duty: Duty, footing: Footing) {
  const loadN = Math.max(0, footing.axles.find((a) => a.axleId === axle.id)?.loadN ?? 0);
  return {
    wheelRadiusM: axle.diameter.value / 2,
    stepM: duty.step?.value ?? 0,
    wheelLoadN: Math.max(loadN / wheelsOf(axle), 1e-9),
    friction: figuresOf(groundOf(build, duty), axle).friction.value,
  };
}

/** How many wheels of an axle hang on one driveline: both where the axle, or all, is driven as one. */
const wheelsOnOne = (axle: Axle, { together }: Drive): number =>
  together === 'axle' || together === 'all' ? wheelsOf(axle) : 1;

/** One axle at the step: what it asks, and what grip and the push of the other driven wheels give. */
function axleAtStep(build: Build, duty: Duty, footing: Footing, axle: Axle): StepReport {
  const input = stepInput(build, axle, duty, footing);
  const climb = obstacleClimb.run(input);
  const axleLoadN = input.wheelLoadN * wheelsOf(axle);
  const pushN = footing.contacts
    .filter((c) => c.driven && c.axleId !== axle.id)
    .reduce((sum, c) => sum + c.gripN, 0);
  const reach = Math.atan(axle.driven ? input.friction : 0) + Math.atan(pushN / axleLoadN);
  return {
    axleId: axle.id,
    needs: climb.frictionNeeded,
    // Past the quarter turn no step is too high for that grip and push.
    has: reach < Math.PI / 2 ? Math.tan(reach) : 1e6,
    forceN: axle.driven
      ? (outputsOf(build) * wheelsOnOne(axle, driveOf(build)) * climb.torqueNm) /
        (rollingDiameter(build).value / 2)
      : climb.pushN * wheelsOf(axle),
    highestStepM: climb.highestStepM,
  };
}

/** The axle that a step asks the most of; why there is none where the step is higher than a wheel. */
export function stepOf(
  build: Build,
  duty: Duty,
  footing: Footing,
): StepReport | { readonly problem: Notice } | undefined {
  if (!duty.step || layoutKind(build.layout.kind).pullsByRope) return undefined;
  try {
    return build.layout.axles
      .filter((axle) => axle.form !== 'track' && contactsOfAxle(axle).length > 0)
      .map((axle) => axleAtStep(build, duty, footing, axle))
      .sort((a, b) => a.has / a.needs - b.has / b.needs)[0];
  } catch (error) {
    if (!(error instanceof NotPhysical)) throw error;
    return { problem: error.notice };
  }
}
