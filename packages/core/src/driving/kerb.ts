import type { Kerb } from './rig.ts';

/**
 * How steeply a wheel's middle rises as it goes over the edge of a step, in rise over way along its heading: it turns about the
 * edge from when its rim meets it until it stands over it. Down a step the same, the other way round. A step as high as
 * the radius is a wall, as steep as is reckoned with.
 *
 * @returns rise over way; 0 away from the edge
 * @example kerbRise({ aheadM: 1, leftM: 0, headingRad: 0, heightM: 0.02 }, 0.1, 0.95, 0) // 0.5774
 */
export function kerbRise(
  { aheadM, leftM, headingRad, heightM }: Kerb,
  radiusM: number,
  x: number,
  y: number,
): number {
  const past = (x - aheadM) * Math.cos(headingRad) + (y - leftM) * Math.sin(headingRad);
  const high = Math.abs(heightM);
  // Seen from its lower side the edge lies ahead.
  const ahead = heightM > 0 ? -past : past;
  if (ahead <= 0) return 0;
  if (high >= radiusM) return heightM > 0 && ahead < radiusM ? MOST_RISE : 0;
  const reach = Math.sqrt(high * (2 * radiusM - high));
  if (ahead >= reach) return 0;
  return Math.sign(heightM) * Math.min(MOST_RISE, ahead / Math.sqrt(radiusM * radiusM - ahead * ahead));
}

/** As steep as a wheel is reckoned to climb: nearly upright. */
const MOST_RISE = 20;
