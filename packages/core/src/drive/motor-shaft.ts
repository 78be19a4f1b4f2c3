import { typed, type Quantity } from '../quantity/index.ts';
import type { MotorShaft } from '../transmission/index.ts';
import { motorOf, type Build } from '../vehicle/index.ts';

/**
 * The shaft that the chosen motor brings, as its data sheet says.
 *
 * @example motorShaftOf(puffin)?.diameter.value // 0.012
 */
export function motorShaftOf(build: Build): MotorShaft | undefined {
  const motor = motorOf(build);
  if (motor?.shaftDiameterMm === undefined) return undefined;
  const mm = (n: number): Quantity => typed(n / 1000, 'mm', 'shelf');
  return {
    diameter: mm(motor.shaftDiameterMm),
    ...(motor.shaftKeyMm === undefined ? {} : { keyWidth: mm(motor.shaftKeyMm) }),
  };
}
