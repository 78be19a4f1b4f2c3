import { NotPhysical, remembered } from '../../contract/index.ts';
import { boltCircle } from '../bolt-circle.ts';
import { clampHold } from '../clamp-hold.ts';
import { keyShear } from '../key-shear.ts';
import { pressFit } from '../press-fit.ts';
import { setScrewHold } from '../set-screw-hold.ts';
import { shaftTorsion } from '../shaft-torsion.ts';
import { torqueHeld } from '../torque-held.ts';
import { tyreHold } from '../tyre-hold.ts';
import type { PathElement, PathKind } from './elements.ts';

const mm = (metres: number): number => metres * 1000;
const MEGA = 1e6;
const KILO = 1e3;

type Values = Readonly<Record<string, unknown>>;

/** The sum that says how many times a torque a part of the path stands. */
export interface HoldSum {
  readonly calculator: { readonly name: string; readonly run: (input: never) => Values };
  readonly given: Values;
}

/**
 * What friction and screws must hold over the working torque, as shock and wear loosen them. Set screws: Shigley, ch. 7
 * (four to eight where it jerks, from memory); the others common practice, no source. Allowable stresses and rated
 * torques have theirs in them.
 */
const SAFETY: Readonly<Record<PathKind, number>> = {
  shaft: 1,
  key: 1,
  'set-screws': 4,
  clamp: 2,
  'press-fit': 2,
  'bolt-circle': 1,
  coupling: 1,
  tyre: 2,
};

export const safetyOf = (kind: PathKind): number => SAFETY[kind];

/**
 * The same at a stall: friction and screws need only hold; what is given as an allowable stress or a rated torque stands
 * about twice that for a moment (common practice, no source).
 */
const MOMENTARY = 2;
const stallSafety = (kind: PathKind): number => (SAFETY[kind] > 1 ? 1 : 1 / MOMENTARY);

/** The sum of a part of the path at a torque; undefined where its maker says what it stands. */
export function holdSum(element: PathElement, torqueNm: number): HoldSum | undefined {
  switch (element.kind) {
    case 'shaft':
      return {
        calculator: shaftTorsion,
        given: {
          diameterMm: mm(element.diameter.value),
          torqueNm,
          allowableShearMPa: element.allowable.value / MEGA,
          ...(element.length ? { lengthMm: mm(element.length.value) } : {}),
          shearModulusGPa: 79.3,
        },
      };
    case 'key':
      return {
        calculator: keyShear,
        given: {
          shaftDiameterMm: mm(element.bore.value),
          keyWidthMm: mm(element.width.value),
          keyHeightMm: mm(element.height.value),
          keyLengthMm: mm(element.length.value),
          torqueNm,
          allowableShearMPa: element.allowable.value / MEGA,
          allowableBearingMPa: element.allowableBearing.value / MEGA,
        },
      };
    case 'set-screws':
      return {
        calculator: setScrewHold,
        given: {
          size: element.size,
          count: element.count,
          shaftDiameterMm: mm(element.bore.value),
          torqueNm,
        },
      };
    case 'clamp':
      return {
        calculator: clampHold,
        given: {
          screws: element.screws,
          screwForceN: element.screwForce.value,
          friction: element.friction.value,
          shaftDiameterMm: mm(element.bore.value),
          torqueNm,
        },
      };
    case 'press-fit':
      return {
        calculator: pressFit,
        given: {
          shaftDiameterMm: mm(element.bore.value),
          hubDiameterMm: mm(element.hubDiameter.value),
          lengthMm: mm(element.length.value),
          interferenceMm: mm(element.interference.value),
          friction: element.friction.value,
          modulusGPa: 207,
          torqueNm,
        },
      };
    case 'bolt-circle':
      return {
        calculator: boltCircle,
        given: {
          bolts: Math.min(element.bolts, element.otherBolts),
          circleDiameterMm: mm(Math.min(element.circle.value, element.otherCircle.value)),
          boltDiameterMm: mm(element.boltDiameter.value),
          torqueNm,
          allowableShearMPa: element.allowable.value / MEGA,
          standoffMm: mm(element.standoff.value),
        },
      };
    case 'tyre':
      return {
        calculator: tyreHold,
        given: {
          rimDiameterMm: mm(element.rimDiameter.value),
          seatWidthMm: mm(element.seatWidth.value),
          pressureKPa: element.pressure.value / KILO,
          friction: element.friction.value,
          bondMPa: element.bond.value / MEGA,
          torqueNm,
        },
      };
    case 'coupling':
      return undefined;
  }
}

/** What turns the factor of a part into the torque that it may work with; at stall it need only hold. */
export function heldInput(
  element: PathElement,
  torqueNm: number,
  { stalled }: { readonly stalled: boolean },
) {
  const sum = holdSum(element, torqueNm);
  if (!sum) return undefined;
  const factor = Number(sum.calculator.run(sum.given as never).factor);
  return { torqueNm, factor, safetyFactor: stalled ? stallSafety(element.kind) : safetyOf(element.kind) };
}

const heldAtAll = (element: PathElement, stalled: boolean): number => {
  if (element.kind === 'coupling') return element.ratedTorque.value / (stalled ? stallSafety('coupling') : 1);
  try {
    // Stress and slip grow with the torque: what it holds is the same whatever is asked.
    const input = heldInput(element, 1, { stalled });
    return input ? torqueHeld.run(input).heldNm : Infinity;
  } catch (error) {
    if (error instanceof NotPhysical) return 0;
    throw error;
  }
};

const held = remembered((element: PathElement) => ({
  working: heldAtAll(element, false),
  stalled: heldAtAll(element, true),
}));

/** The torque that a part of the path may work with, or stands at a stall: N·m. A part that cannot be made holds nothing. */
export const pathHolds = (element: PathElement, { stalled }: { readonly stalled: boolean }): number =>
  held(element)[stalled ? 'stalled' : 'working'];
