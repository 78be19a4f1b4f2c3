import { STANDARD_GRAVITY } from '../quantity/index.ts';
import { NotPhysical, remembered } from '../contract/index.ts';
import { cornerSpeed, sideTip, tipAngles, tippingMoments } from '../ground/index.ts';
import { asTwoAxles, contactsOf, layoutKind, turningOf, type Build, type Duty } from '../vehicle/index.ts';
import { LEAST_MASS, hitchLoadOf, massOf, stanceOf, type Stance } from './footing.ts';
import { bladeKeys } from './pushing.ts';
import type { Footing, TipReport } from './report.ts';
import { meanFigure } from './rolling.ts';

/** What is kept in balance cannot fall that way: its controller or rider stands in for wheels this far out, metres. */
const KEPT_UP_M = 10;

/** Where it stands; a winch on what it is anchored to, which is not said. */
const standing = remembered((layout: Build['layout']) => {
  const places = contactsOf(layout).map(({ aheadM, leftM }) => ({ aheadM, leftM }));
  const { balanced } = layoutKind(layout.kind);
  if (layoutKind(layout.kind).pullsByRope) return [];
  if (balanced !== 'along' && balanced !== 'across') return places;
  const out = [-KEPT_UP_M, KEPT_UP_M];
  return places.flatMap((p) =>
    out.map((reach) =>
      balanced === 'along' ? { ...p, aheadM: p.aheadM + reach } : { ...p, leftM: p.leftM + reach },
    ),
  );
});

/**
 * What the calculation of tipping takes: where it stands, and its centre of gravity.
 *
 * @example tipInput(puffin, footing).contacts.length // 4
 */
export const tipInput = (build: Build, footing: Footing) => ({
  contacts: standing(build.layout),
  cgAheadOfRearAxleM: footing.cgAheadM,
  cgLeftM: footing.cgLeftM,
  cgHeightM: Math.max(footing.cgHeightM, 1e-9),
});

/**
 * What the calculation of a bend at speed takes: radius, speed, grip, the side at which it tips.
 *
 * @example cornerInput(puffin, { ...duty, turn: { kind: 'radius', radius: typed(2, 'm') } }, footing, 25).turnRadiusM
 *   // 2
 */
export const cornerInput = (build: Build, duty: Duty, footing: Footing, tipDeg: number | undefined) => ({
  turnRadiusM: duty.turn?.kind === 'radius' ? duty.turn.radius.value : 1,
  friction: meanFigure(build, duty, footing.contacts, 'across'),
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

/**
 * What tips it and what holds it in a stance, as the calculator takes it; undefined for what balances itself both ways.
 *
 * @example momentsInput(puffin, duty, stanceOf(puffin, duty)).backN // 273.1
 */
export function momentsInput(build: Build, duty: Duty, stance: Stance) {
  const { balanced } = layoutKind(build.layout.kind);
  const contacts = standing(build.layout);
  if (balanced === 'both' || contacts.length < 3) return undefined;
  const mass = massOf(build, duty);
  const weightN = Math.max(mass.massKg, LEAST_MASS) * STANDARD_GRAVITY;
  const [along, aside] = [Math.sin(stance.gradeRad), Math.sin(duty.sideSlope?.value ?? 0)];
  const massKg = Math.max(mass.massKg, LEAST_MASS);
  return {
    contacts,
    cgAheadOfRearAxleM: mass.cgAheadOfRearAxleM,
    cgLeftM: mass.cgLeftM,
    cgHeightM: mass.cgHeightM,
    weightN: Math.max(weightN * Math.sqrt(Math.max(0, 1 - along ** 2 - aside ** 2)), 1e-12),
    backN: weightN * along + massKg * stance.accelerationMps2,
    rightN: weightN * aside + massKg * stance.cornerMps2,
    drawbarN: stance.drawbarN,
    hitchHeightM: build.hitch.height.value,
    hitchVerticalN: hitchLoadOf(build, duty),
    hitchBehindRearAxleM: build.hitch.behind.value,
    ...bladeKeys(duty, stance.pushN),
  };
}

/** What tips it and what holds it in one stance; undefined where it stands on too few wheels to say. */
export function tippingIn(build: Build, duty: Duty, stance: Stance) {
  const input = momentsInput(build, duty, stance);
  return input && tippingMoments.run(input);
}

/** Over a row of stances, the worst moments fore and aft, and sideways. */
type Worst = ReturnType<typeof tippingMoments.run>;
const ratio = (righting: number, overturning: number): number =>
  overturning > 0 ? righting / overturning : Infinity;

function worstOf(all: readonly Worst[]): Worst | undefined {
  const [first] = all;
  return all.reduce<Worst | undefined>(
    (worst, m) =>
      worst && {
        ...(ratio(m.alongRightingNm, m.alongOverturningNm) <
        ratio(worst.alongRightingNm, worst.alongOverturningNm)
          ? m
          : worst),
        ...sideOf(
          ratio(m.sideRightingNm, m.sideOverturningNm) < ratio(worst.sideRightingNm, worst.sideOverturningNm)
            ? m
            : worst,
        ),
      },
    first,
  );
}

const sideOf = ({ sideRightingNm, sideOverturningNm, sideTo }: Worst) => ({
  sideRightingNm,
  sideOverturningNm,
  sideTo,
});

/** A hair under the slowing at which an axle lifts: that is where braking ends, not where it tips. */
const UNDER = 1 - 1e-6;

/** How a duty may stand: as it drives, with a bend to either side, and as it slows to a stand on the way down. */
export function stancesOf(
  build: Build,
  duty: Duty,
  slowing: number | undefined,
  pull: SlowingStance,
): Stance[] {
  const own = stanceOf(build, duty);
  const level = (duty.sideSlope?.value ?? 0) === 0;
  return [
    own,
    ...(level && own.cornerMps2 !== 0 ? [{ ...own, cornerMps2: -own.cornerMps2 }] : []),
    ...(slowing === undefined ? [] : [pull(slowing * UNDER)]),
  ];
}

type SlowingStance = (slowing: number) => Stance;

/** How far it would tip sideways on one wheel more or less: three against four, where it stands on two axles. */
export interface WheelCount {
  readonly wheels: 3 | 4;
  readonly otherWheels: 3 | 4;
  /** Of the other. */
  readonly sideDeg: number;
}

/**
 * How steep a bank tips it on three wheels and on four; undefined where it stands on neither.
 *
 * @example threeAgainstFour(puffin, footing) // { wheels: 4, otherWheels: 3, sideDeg: 9.963 }
 */
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

/**
 * Over which edge a vehicle tips in any of its stances, and how fast it may go round the duty's turn; absent for what
 * balances itself.
 */
export function tipOf(
  build: Build,
  duty: Duty,
  footing: Footing,
  stances: readonly Stance[],
): TipReport | undefined {
  const { balanced } = layoutKind(build.layout.kind);
  const rails = layoutKind(build.layout.kind).onRails;
  const moments = worstOf(stances.flatMap((stance) => tippingIn(build, duty, stance) ?? []));
  const stands = balanced === 'none' || balanced === 'along';
  const angles = stands && standing(build.layout).length > 2 ? tipAnglesOf(build, footing) : undefined;
  const turns = duty.turn?.kind === 'radius' && turningOf(build.layout) !== 'none';
  const corner =
    turns && (angles || balanced === 'across')
      ? cornerSpeed.run(cornerInput(build, duty, footing, angles?.sideDeg))
      : undefined;
  if (!angles && !corner && !moments) return undefined;
  return {
    ...(moments && balanced !== 'along'
      ? {
          along: {
            rightingNm: moments.alongRightingNm,
            overturningNm: moments.alongOverturningNm,
            to: moments.alongTo,
          },
        }
      : {}),
    ...(moments && balanced !== 'across' && !rails
      ? {
          side: {
            rightingNm: moments.sideRightingNm,
            overturningNm: moments.sideOverturningNm,
            to: moments.sideTo,
          },
        }
      : {}),
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
