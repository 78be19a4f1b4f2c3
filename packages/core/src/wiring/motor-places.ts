import { assertNever } from '../contract/index.ts';
import {
  driveOf,
  drivenAxles,
  servedLayout,
  trackOf,
  turningOf,
  wheelsOf,
  type Axle,
  type Build,
} from '../vehicle/index.ts';

/** The side of the vehicle that a motor is on. */
export type Side = 'left' | 'right' | 'middle';

/** Where a motor sits, and whether it is mirrored: of a pair, one turns the other way for the same way ahead. */
export interface MotorPlace {
  readonly label: string;
  readonly side: Side;
  readonly mirrored: boolean;
}

const sidesOf = (axle: Axle): readonly Side[] =>
  axle.drivenSide ? [axle.drivenSide] : wheelsOf(axle) === 2 ? ['left', 'right'] : ['middle'];

/** Sides of the drivelines of a drive, each with what it is called. */
function drivelines(build: Build): readonly { readonly label: string; readonly side: Side }[] {
  const { does, together } = driveOf(build);
  if (does === 'works') return [{ label: '', side: 'middle' }];
  const layout = servedLayout(build);
  const axles = does === 'steers' ? layout.axles.filter(({ steered }) => steered) : drivenAxles(layout);
  const named = (axle: Axle, side: Side): string =>
    [side === 'middle' ? '' : side, axles.length > 1 ? axle.name : '']
      .filter((word) => word !== '')
      .join(', ');
  switch (together) {
    case 'wheel':
      return axles.flatMap((axle) => sidesOf(axle).map((side) => ({ label: named(axle, side), side })));
    case 'side': {
      const sides = [...new Set(axles.flatMap(sidesOf))];
      return sides.map((side) => ({ label: side === 'middle' ? '' : side, side }));
    }
    case 'axle':
      return axles.map((axle) => ({ label: axles.length > 1 ? axle.name : '', side: 'middle' as const }));
    case 'all':
      return [{ label: '', side: 'middle' }];
    default:
      return assertNever(together);
  }
}

/**
 * Every motor of the drive that a build is looked at through. Of motors left and right, those on the right are mirrored: the
 * same leads the same way round would turn the vehicle on the spot.
 *
 * @example motorPlaces(puffin).length // 2
 */
export function motorPlaces(build: Build): readonly MotorPlace[] {
  const { does, motorsPerWheel } = driveOf(build);
  const lines = drivelines(build);
  const paired =
    does === 'propels' &&
    lines.some(({ side }) => side === 'left') &&
    lines.some(({ side }) => side === 'right');
  return lines.flatMap(({ label, side }) =>
    Array.from({ length: motorsPerWheel }, (_, n) => ({
      label: motorsPerWheel > 1 ? [label, String(n + 1)].filter((word) => word !== '').join(' ') : label,
      side,
      mirrored: paired && side === 'right',
    })),
  );
}

/**
 * Whether it is steered by the speeds of its two sides, each with motors of its own.
 *
 * @example steersBySides(puffin) // true
 */
export function steersBySides(build: Build): boolean {
  const turning = turningOf(build.layout);
  const sides = new Set(motorPlaces(build).map(({ side }) => side));
  return (
    ['pivot', 'scrub', 'tracks'].includes(turning) &&
    sides.has('left') &&
    sides.has('right') &&
    trackOf(build.layout).value > 0
  );
}
