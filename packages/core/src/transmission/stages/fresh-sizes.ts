import { assumed, degreesToRadians } from '../../quantity/index.ts';

/** Assumed quantities, as a workshop says them. */
export const mm = (n: number) => assumed(n / 1000, 'mm');
/** A guessed share. */
export const share = (n: number) => assumed(n, '%');
/** A guessed angle, from degrees. */
export const degrees = (n: number) => assumed(degreesToRadians(n), '°');
/** A whole number within bounds. */
export const whole = (n: number, least: number, most: number): number =>
  Math.min(most, Math.max(least, Math.round(n)));

/** Fewest teeth of a pair's smaller wheel, as it is usual, and most of its larger one. */
export interface TeethLimits {
  readonly usual: number;
  readonly least: number;
  readonly most: number;
}

/** Teeth of a pair near a ratio: the smaller wheel as usual, or smaller where the other would be too large. */
export function pairNear(
  ratio: number,
  { usual, least, most }: TeethLimits,
): { teethDriver: number; teethDriven: number } {
  const by = Math.max(ratio, 1 / ratio);
  const small = Math.max(least, Math.min(usual, Math.floor(most / by)));
  const large = whole(small * by, small, most);
  return ratio >= 1 ? { teethDriver: small, teethDriven: large } : { teethDriver: large, teethDriven: small };
}

/** Module and face width, mm, and the stress that the teeth may carry, MPa. */
export const cutSizes = (module: number, faceWidth: number, allowable: number) => ({
  module: mm(module),
  faceWidth: mm(faceWidth),
  allowable: assumed(allowable * 1e6, 'MPa'),
});

/** Two wheels near a ratio, the smaller of a size, mm. */
export const diameters = (ratio: number, small: number) =>
  ratio >= 1
    ? { driverDiameter: mm(small), drivenDiameter: mm(small * ratio) }
    : { driverDiameter: mm(small / ratio), drivenDiameter: mm(small) };
