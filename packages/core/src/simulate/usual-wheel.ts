import type { Axle } from '../vehicle/index.ts';

/** What a wheel weighs over a full cylinder of water of its size: a plastic hub with a rubber tyre (common practice, no source). */
const WHEEL_DENSITY = 400;

/** Half of its mass at the rim, about: between a disc and a hoop (common practice, no source). */
export const WHEEL_INERTIA = 0.7;

/**
 * What one wheel of an axle weighs, by its size, where nobody has weighed it.
 *
 * @example usualWheelKg(puffin.layout.axles[0]) // 0.5027
 */
export const usualWheelKg = ({ diameter, width }: Pick<Axle, 'diameter' | 'width'>): number =>
  WHEEL_DENSITY * Math.PI * (diameter.value / 2) ** 2 * width.value;
