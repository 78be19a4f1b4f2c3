import { contactsOf, type Build } from '../vehicle/index.ts';
import type { Vector } from './vector.ts';

/** The body's box about the middle of what the vehicle stands on. */
export interface BodyBox {
  readonly least: Vector;
  readonly most: Vector;
}

/**
 * Where the body lies: its length about the middle between the first and the last contact, from its clearance up.
 *
 * @example bodyBox(puffin).most // [0.875, 0.36, 0.75]
 */
export function bodyBox({ layout, body }: Pick<Build, 'layout' | 'body'>): BodyBox {
  const ahead = contactsOf(layout).map(({ aheadM }) => aheadM);
  const middle = (Math.min(...ahead) + Math.max(...ahead)) / 2;
  const [length, width] = [body.length.value / 2, body.width.value / 2];
  return {
    least: [middle - length, -width, body.clearance.value],
    most: [middle + length, width, Math.max(body.height.value, body.clearance.value)],
  };
}
