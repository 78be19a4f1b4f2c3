import { degreesToRadians } from '../quantity/index.ts';

interface GearOutline {
  readonly moduleMm: number;
  readonly teeth: number;
  readonly pressureAngleDeg?: number;
  /** Points of each flank. */
  readonly points?: number;
}

/** A point of an outline, mm. */
export type Point = readonly [x: number, y: number];

/** Height of a tooth below its pitch circle over the module (ISO 53, basic rack A). */
const DEDENDUM = 1.25;

const involute = (angle: number): number => Math.tan(angle) - angle;

/**
 * Half the angle that a full-depth tooth spans at a radius (mm) from its axis to its flank, radians; at the base circle
 * and below the flank is radial. Source: ISO 21771, tooth thickness at a diameter.
 *
 * @example halfToothAngle({ moduleMm: 2, teeth: 20, pressureAngleDeg: 20 }, 20) // 0.07854
 */
export function halfToothAngle(
  { moduleMm, teeth, pressureAngleDeg = 20 }: GearOutline,
  radiusMm: number,
): number {
  const pressure = degreesToRadians(pressureAngleDeg);
  const baseMm = ((moduleMm * teeth) / 2) * Math.cos(pressure);
  const at = Math.acos(Math.min(1, baseMm / radiusMm));
  return Math.PI / (2 * teeth) + involute(pressure) - involute(at);
}

/**
 * The closed outline of a spur gear without undercut, mm about its axis; one tooth points along x.
 *
 * @example gearOutline({ moduleMm: 2, teeth: 20, pressureAngleDeg: 20 }).length > 20 // true
 */
export function gearOutline(gear: GearOutline): Point[] {
  const { moduleMm, teeth, pressureAngleDeg = 20, points = 6 } = gear;
  const pitchMm = (moduleMm * teeth) / 2;
  const tipMm = pitchMm + moduleMm;
  const rootMm = Math.max(pitchMm - DEDENDUM * moduleMm, 0.1 * pitchMm);
  const fromMm = Math.max(rootMm, pitchMm * Math.cos(degreesToRadians(pressureAngleDeg)));
  const flank = Array.from({ length: points }, (_, n) => {
    const radiusMm = fromMm + ((tipMm - fromMm) * n) / (points - 1);
    return [radiusMm, Math.max(0, halfToothAngle(gear, radiusMm))] as const;
  });
  const footed = [[rootMm, flank[0]?.[1] ?? 0] as const, ...flank];
  return Array.from({ length: teeth }, (_, tooth) => {
    const middle = (2 * Math.PI * tooth) / teeth;
    const point = (radiusMm: number, angle: number): Point => [
      radiusMm * Math.cos(angle),
      radiusMm * Math.sin(angle),
    ];
    return [
      ...footed.map(([r, half]) => point(r, middle - half)),
      ...[...footed].reverse().map(([r, half]) => point(r, middle + half)),
    ];
  }).flat();
}
