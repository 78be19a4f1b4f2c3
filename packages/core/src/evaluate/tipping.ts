import { asTwoAxles, contactsOf, layoutKind, turningOf, type Build, type Duty } from '../build/index.ts';
import { NotPhysical, STANDARD_GRAVITY, radiansToDegrees, remembered } from '../contract/index.ts';
import { cornerSpeed, sideTip, tipAngles } from '../ground/index.ts';
import { accelerationOf, groundOf } from './footing.ts';
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

function anglesOf(build: Build, footing: Footing) {
  try {
    return tipAngles.run(tipInput(build, footing));
  } catch (error) {
    if (error instanceof NotPhysical) return undefined;
    throw error;
  }
}

const MOST_KNOWN = 50;

/** What was worked out for a layout: most duties have their weight at one of two places. */
const known = remembered((_layout: Build['layout']) => new Map<string, ReturnType<typeof anglesOf>>());

function tipAnglesOf(build: Build, footing: Footing) {
  const before = known(build.layout);
  const key = `${footing.cgAheadM} ${footing.cgLeftM} ${footing.cgHeightM}`;
  // While a mass is moved about, places are many and none comes again.
  if (before.size > MOST_KNOWN) before.clear();
  if (!before.has(key)) before.set(key, anglesOf(build, footing));
  return before.get(key);
}

/** The lean of gravity and speeding up together, as a slope; uphill and speeding up are positive. */
export const leanOf = (duty: Duty): number =>
  radiansToDegrees(
    Math.atan(
      Math.tan(duty.grade.value) + accelerationOf(duty) / (STANDARD_GRAVITY * Math.cos(duty.grade.value)),
    ),
  );

/** How far it would tip sideways on one wheel more or less: three against four, where it stands on two axles. */
export interface WheelCount {
  readonly wheels: 3 | 4;
  readonly otherWheels: 3 | 4;
  /** Of the other. */
  readonly sideDeg: number;
}

export function threeAgainstFour(build: Build, footing: Footing): WheelCount | undefined {
  const axles = asTwoAxles(build.layout);
  if (!axles || layoutKind(build.layout.kind).balanced !== 'none') return undefined;
  const [front, rear] = [axles.front.track.value, axles.rear.track.value];
  if (front === 0 && rear === 0) return undefined;
  const three = front === 0 || rear === 0;
  const input = {
    // With a wheel less it is the front that has one.
    layout: three ? ('four' as const) : ('single-front' as const),
    trackM: Math.max(front, rear),
    wheelbaseM: axles.front.ahead.value,
    cgAheadOfRearAxleM: Math.max(0, footing.cgAheadM),
    cgHeightM: Math.max(footing.cgHeightM, 1e-9),
    cgOffsetM: Math.abs(footing.cgLeftM),
  };
  try {
    return { wheels: three ? 3 : 4, otherWheels: three ? 4 : 3, sideDeg: sideTip.run(input).tipDeg };
  } catch (error) {
    if (error instanceof NotPhysical) return undefined;
    throw error;
  }
}

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
