import { contactsOf, layoutKind, turningOf, type Build, type Duty } from '../build/index.ts';
import { NotPhysical, STANDARD_GRAVITY, radiansToDegrees } from '../contract/index.ts';
import { cornerSpeed, tipAngles } from '../ground/index.ts';
import { groundOf } from './footing.ts';
import type { Footing, TipReport } from './report.ts';

/** A balancer cannot fall along: its controller stands in for wheels this far ahead and behind, metres. */
const KEPT_UP_M = 10;

const standing = (build: Build) => {
  const places = contactsOf(build.layout).map(({ aheadM, leftM }) => ({ aheadM, leftM }));
  if (layoutKind(build.layout.kind).balanced !== 'along') return places;
  return places.flatMap((p) => [-KEPT_UP_M, KEPT_UP_M].map((reach) => ({ ...p, aheadM: p.aheadM + reach })));
};

export const tipInput = (build: Build, footing: Footing) => ({
  contacts: standing(build),
  cgAheadOfRearAxleM: footing.cgAheadM,
  cgLeftM: footing.cgLeftM,
  cgHeightM: Math.max(footing.cgHeightM, 1e-9),
});

export const cornerInput = (build: Build, duty: Duty, tipDeg: number | undefined) => ({
  turnRadiusM: duty.turn?.kind === 'radius' ? duty.turn.radius.value : 1,
  friction: groundOf(build, duty).across.value,
  speedMps: duty.speed.value,
  ...(tipDeg === undefined ? {} : { tipDeg }),
});

const tipAnglesOf = (build: Build, footing: Footing) => {
  try {
    return tipAngles.run(tipInput(build, footing));
  } catch (error) {
    if (error instanceof NotPhysical) return undefined;
    throw error;
  }
};

/** The lean of gravity and speeding up together, as a slope; uphill and speeding up are positive. */
export const leanOf = (duty: Duty): number =>
  radiansToDegrees(
    Math.atan(
      Math.tan(duty.grade.value) + duty.acceleration.value / (STANDARD_GRAVITY * Math.cos(duty.grade.value)),
    ),
  );

/** Over which edge a vehicle tips, and how fast it may go round the duty's turn; absent for what balances itself. */
export function tipOf(build: Build, duty: Duty, footing: Footing): TipReport | undefined {
  const { balanced } = layoutKind(build.layout.kind);
  const rails = build.layout.kind === 'rail-dolly';
  const stands = balanced === 'none' || balanced === 'along';
  const angles = stands && standing(build).length > 2 ? tipAnglesOf(build, footing) : undefined;
  const turns = duty.turn?.kind === 'radius' && turningOf(build.layout) !== 'none';
  const corner =
    turns && (angles || balanced === 'across')
      ? cornerSpeed.run(cornerInput(build, duty, angles?.sideDeg))
      : undefined;
  if (!angles && !corner) return undefined;
  return {
    ...(angles
      ? {
          ...(balanced === 'none' ? { backDeg: angles.backDeg, forwardDeg: angles.forwardDeg } : {}),
          ...(rails ? {} : { sideDeg: angles.sideDeg }),
          ...(rails || balanced !== 'none' ? {} : { worstDeg: angles.worstDeg }),
        }
      : {}),
    ...(corner
      ? { cornerMps: corner.cornerMps, cornerEnds: corner.firstSideways, leanDeg: corner.leanDeg }
      : {}),
  };
}
