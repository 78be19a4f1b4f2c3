import { remembered, assertNever } from '../../contract/index.ts';
import type { Quantity } from '../../quantity/index.ts';
import { layoutKind, type DrivenTogether } from './kinds.ts';
import type { Axle, Layout } from './layout.ts';

/** One place where the vehicle stands on the ground. */
export interface Contact {
  readonly axle: Axle;
  readonly side: 'left' | 'right' | 'middle';
  readonly aheadM: number;
  readonly leftM: number;
  /** Whether it is driven itself: of an axle, one wheel alone may be. */
  readonly driven: boolean;
}

/** A track bears on the ground at so many places along each side. */
const PLACES_OF_A_TRACK = 7;

const spreadOf = ({ contactLength }: Axle): readonly number[] =>
  contactLength
    ? Array.from(
        { length: PLACES_OF_A_TRACK },
        (_, n) => contactLength.value * (n / (PLACES_OF_A_TRACK - 1) - 0.5),
      )
    : [0];

/**
 * At how many places a wheel or track of an axle bears on the ground.
 *
 * @example placesOf(puffin.layout.axles[0]) // 1
 */
export const placesOf = (axle: Axle): number => (axle.contactLength ? PLACES_OF_A_TRACK : 1);

/**
 * Where an axle stands: left and right, or once in the middle.
 *
 * @example contactsOfAxle(puffin.layout.axles[0])[0]?.leftM // 0.217
 */
export const contactsOfAxle = (axle: Axle): Contact[] => {
  const half = axle.track.value / 2;
  const sides: readonly (readonly [Contact['side'], number])[] =
    half > 0
      ? [
          ['left', half],
          ['right', -half],
        ]
      : [['middle', 0]];
  return sides.flatMap(([side, leftM]) =>
    spreadOf(axle).map((along) => ({
      axle,
      side,
      aheadM: axle.ahead.value + along,
      leftM,
      driven: axle.driven && (side === 'middle' || (axle.drivenSide ?? side) === side),
    })),
  );
};

/**
 * Every contact of a layout, axle by axle in their order.
 *
 * @example contactsOf(puffin.layout).length // 4
 */
export const contactsOf = remembered((layout: Layout): readonly Contact[] =>
  layout.axles.flatMap(contactsOfAxle),
);

/**
 * Wheels, tracks or sliders of an axle: two, or one in the middle.
 *
 * @example wheelsOf(puffin.layout.axles[0]) // 2
 */
export const wheelsOf = (axle: Axle): number => (axle.track.value > 0 ? 2 : 1);

/**
 * The axles whose wheels are driven.
 *
 * @example drivenAxles(puffin.layout).length // 1
 */
export const drivenAxles = (layout: Layout): Axle[] => layout.axles.filter((axle) => axle.driven);

/** Driven wheels, tracks or rollers of an axle. */
export const drivenWheelsOf = (axle: Axle): number =>
  axle.driven ? (axle.drivenSide ? 1 : wheelsOf(axle)) : 0;

/**
 * How many wheels are driven.
 *
 * @example drivenWheels(puffin.layout) // 2
 */
export const drivenWheels = (layout: Layout): number =>
  layout.axles.reduce((sum, axle) => sum + drivenWheelsOf(axle), 0);

/**
 * Ways from motor to ground: one for each wheel, side or axle that is driven by itself.
 *
 * @example drivelinesOf(puffin.layout, 'wheel') // 2
 */
export function drivelinesOf(layout: Layout, together: DrivenTogether): number {
  const axles = drivenAxles(layout);
  switch (together) {
    case 'wheel':
      return Math.max(1, drivenWheels(layout));
    case 'side':
      return axles.some((axle) => wheelsOf(axle) === 2 && !axle.drivenSide) ||
        new Set(axles.map((axle) => axle.drivenSide)).size > 1
        ? 2
        : 1;
    case 'axle':
      return Math.max(1, axles.length);
    case 'all':
      return 1;
    default:
      return assertNever(together);
  }
}

/** The axle whose wheels the drive turns: the first that is driven, else the first. */
const leadingAxle = (layout: Layout): Axle => {
  const axle = drivenAxles(layout)[0] ?? layout.axles[0];
  if (!axle) throw new RangeError('a layout has at least one axle');
  return axle;
};

/**
 * Diameter at which the drive's torque meets its force: of the driven wheels, or of a winch's drum.
 *
 * @example drivenDiameter(puffin.layout).value // 0.4
 */
export const drivenDiameter = (layout: Layout): Quantity => layout.drum ?? leadingAxle(layout).diameter;

/**
 * Between left and right of the driven wheels; of the widest axle where they stand in the middle.
 *
 * @example trackOf(puffin.layout).value // 0.62
 */
export function trackOf(layout: Layout): Quantity {
  const driven = leadingAxle(layout).track;
  if (driven.value > 0) return driven;
  return layout.axles.reduce((widest, { track }) => (track.value > widest.value ? track : widest), driven);
}

/**
 * Between the first and the last place it stands on, metres; 0 where it stands on one axle of wheels.
 *
 * @example wheelbaseOf(puffin.layout) // 0.7
 */
export function wheelbaseOf(layout: Layout): number {
  const ahead = contactsOf(layout).map(({ aheadM }) => aheadM);
  return Math.max(...ahead) - Math.min(...ahead);
}

/**
 * The axles from the rear to the front.
 *
 * @example fromTheRear(puffin.layout).map(({ ahead }) => ahead.value) // [0, 0.7]
 */
export const fromTheRear = (layout: Layout): Axle[] =>
  [...layout.axles].sort((a, b) => a.ahead.value - b.ahead.value);

/**
 * Where no axle stands level with another: two axles of wheels, for which closed forms hold.
 *
 * @example asTwoAxles(puffin.layout)?.rear.name // 'Castors'
 */
export function asTwoAxles(layout: Layout): { readonly rear: Axle; readonly front: Axle } | undefined {
  const [rear, front, ...more] = fromTheRear(layout);
  const plain = rear && front && more.length === 0 && !rear.contactLength && !front.contactLength;
  return plain && rear.ahead.value === 0 && front.ahead.value > 0 ? { rear, front } : undefined;
}

/**
 * How a layout turns.
 *
 * @example turningOf(puffin.layout) // 'pivot'
 */
export const turningOf = (layout: Layout) => layoutKind(layout.kind).turning;
