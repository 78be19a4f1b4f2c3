import type { Part } from '../vehicle/index.ts';
import { hole, outline, type SheetPoint, type Mark } from './template.ts';

const MIDDLE: SheetPoint = [0, 0];

/** The bore that goes on a shaft: round, with a keyway where there is one (width, and half as deep into the hub). */
export function bore(diameter: number, key: number): Mark[] {
  if (diameter <= 0) return hole(MIDDLE, 3);
  if (key <= 0) return hole(MIDDLE, diameter);
  const depth = Math.sqrt((diameter / 2) ** 2 - (key / 2) ** 2);
  const top = diameter / 2 + 0.4 * key;
  return [
    ...hole(MIDDLE, diameter),
    outline([
      [-key / 2, depth],
      [key / 2, depth],
      [key / 2, top],
      [-key / 2, top],
    ]),
  ];
}

/** The shaft on which the wheels before the first stage sit. */
export const shaftOf = (motor: Part | undefined): readonly [diameter: number, key: number] =>
  motor?.kind === 'motor' ? [motor.shaftDiameterMm ?? 0, motor.shaftKeyMm ?? 0] : [0, 0];
