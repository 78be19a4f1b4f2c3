import type { Course, Leg } from '../vehicle/index.ts';

/** A place on the ground, x ahead and y to the left of the start. */
export interface Spot {
  readonly x: number;
  readonly y: number;
}

/** One thing to do after the other, as the simulation takes it: to the left positive. */
export type CourseMove =
  | { readonly does: 'go'; readonly distanceM: number; readonly speedMps: number }
  | { readonly does: 'turn'; readonly angleRad: number; readonly radiusM: number; readonly speedMps: number }
  | { readonly does: 'wait'; readonly seconds: number }
  | { readonly does: 'free'; readonly seconds: number; readonly left: number; readonly right: number }
  | { readonly does: 'follow'; readonly spots: readonly Spot[]; readonly speedMps: number };

const rad = (deg: number): number => (deg * Math.PI) / 180;

/** Rows over an area: so many that none lies further than its distance from the next. */
function rowMoves(leg: Extract<Leg, { kind: 'rows' }>, speedMps: number, onTheSpot: boolean): CourseMove[] {
  const gaps = Math.ceil(leg.widthM / leg.apartM - 1e-9);
  const apartM = leg.widthM / gaps;
  return Array.from({ length: gaps + 1 }, (_, n): CourseMove[] => {
    const row: CourseMove = { does: 'go', distanceM: leg.lengthM, speedMps };
    if (n === gaps) return [row];
    // The first row's end turns to the right, the next to the left.
    const side = n % 2 === 0 ? -1 : 1;
    const turn = (angle: number, radiusM: number): CourseMove => ({
      does: 'turn',
      angleRad: side * angle,
      radiusM,
      speedMps,
    });
    return onTheSpot
      ? [row, turn(Math.PI / 2, 0), { does: 'go', distanceM: apartM, speedMps }, turn(Math.PI / 2, 0)]
      : [row, turn(Math.PI, apartM / 2)];
  }).flat();
}

/**
 * The legs of a course one after the other, rows laid out: turned on the spot at their ends by what can, round half a circle by
 * the rest.
 *
 * @example movesOf(courseOf([{ kind: 'rows', lengthM: 2, widthM: 0.5, apartM: 0.5 }]), false).length // 3
 */
export function movesOf({ legs, speedMps: usual }: Course, onTheSpot: boolean): CourseMove[] {
  return legs.flatMap((leg): CourseMove[] => {
    const speedMps = 'speedMps' in leg ? (leg.speedMps ?? usual) : usual;
    switch (leg.kind) {
      case 'go':
        return [{ does: 'go', distanceM: leg.distanceM, speedMps }];
      case 'turn':
        return [{ does: 'turn', angleRad: -rad(leg.deg), radiusM: leg.radiusM, speedMps }];
      case 'wait':
        return [{ does: 'wait', seconds: leg.seconds }];
      case 'free':
        return [{ does: 'free', seconds: leg.seconds, left: leg.left, right: leg.right }];
      case 'points':
        return [{ does: 'follow', spots: leg.points.map((p) => ({ x: p.aheadM, y: -p.rightM })), speedMps }];
      case 'rows':
        return rowMoves(leg, speedMps, onTheSpot);
    }
  });
}
