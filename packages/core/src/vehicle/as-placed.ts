import type { Quantity } from '../quantity/index.ts';
import type { PlacedPart } from './arrangement.ts';
import type { Build } from './document.ts';

/** Nearer than this, m, a middle is where it was. */
const SAME = 1e-12;

/** A place that follows from where the parts are: kept in the unit it was typed in. */
const moved = (quantity: Quantity, value: number): Quantity =>
  Math.abs(quantity.value - value) <= SAME && quantity.origin === 'placed'
    ? quantity
    : { value, unit: quantity.unit, origin: 'placed' };

/**
 * What the placed parts weigh together, kg.
 *
 * @example placedKg(puffin) // 20.32
 */
export const placedKg = ({ arrangement }: Pick<Build, 'arrangement'>): number =>
  (arrangement?.parts ?? []).reduce((sum, { mass }) => sum + mass.value, 0);

/**
 * The build with its own mass where its parts are: the middle of what is placed and of the rest, which stays where it was
 * typed. A build in which nothing with a mass is placed is left as it is. What it weighs all told is not changed: that is
 * weighed, not summed; where the parts alone weigh more, the rest weighs nothing.
 *
 * @example asPlaced(puffin) === puffin // true
 */
export function asPlaced(build: Build): Build {
  const { arrangement, masses } = build;
  const placed = placedKg(build);
  if (!arrangement || placed === 0) return build;
  const { own } = masses;
  const restKg = Math.max(0, own.mass.value - placed);
  const { rest, parts } = arrangement;
  const middle = (ofRest: Quantity, of: (part: PlacedPart) => Quantity): number =>
    (restKg * ofRest.value + parts.reduce((sum, part) => sum + part.mass.value * of(part).value, 0)) /
    (restKg + placed);
  const next = {
    aheadOfRearAxle: moved(
      own.aheadOfRearAxle,
      middle(rest.aheadOfRearAxle, (part) => part.aheadOfRearAxle),
    ),
    left: moved(
      own.left,
      middle(rest.left, (part) => part.left),
    ),
    height: moved(
      own.height,
      middle(rest.height, (part) => part.above),
    ),
  };
  const same =
    next.aheadOfRearAxle === own.aheadOfRearAxle && next.left === own.left && next.height === own.height;
  return same ? build : { ...build, masses: { ...masses, own: { ...own, ...next } } };
}
