import { gearOutline } from '@zubric/core/transmission';
import { at, line, turned, type At, type Shape } from './shapes.ts';

/** A gear with one tooth pointing at an angle, radians. */
export const gear = (moduleMm: number, teeth: number, middle: At, angle: number): Shape =>
  line(
    gearOutline({ moduleMm, teeth }).map(([x, y]) => turned(at(middle.x + x, middle.y + y), angle, middle)),
    'mech',
    { closed: true, filled: true },
  );

/** A sprocket: a tooth between each two rollers that lie on its pitch circle. */
export function sprocket(pitchMm: number, teeth: number, middle: At): Shape {
  const radius = pitchMm / Math.sin(Math.PI / teeth) / 2;
  const height = 0.22 * pitchMm;
  const step = (2 * Math.PI) / teeth;
  const point = (angle: number, r: number): At =>
    at(middle.x + r * Math.cos(angle), middle.y + r * Math.sin(angle));
  const outline = Array.from({ length: teeth }, (_, n) => [
    point((n - 0.34) * step, radius - height),
    point((n - 0.12) * step, radius + height),
    point((n + 0.12) * step, radius + height),
    point((n + 0.34) * step, radius - height),
  ]).flat();
  return line(outline, 'mech', { closed: true, filled: true });
}
