import type { CourseMove, Spot } from './course.ts';

/** Where a course means to be: a place, and the heading there, to the left positive. */
export interface MeantPose extends Spot {
  readonly heading: number;
}

/** Pieces that a turn is drawn in, a turn of 360°. */
const PIECES_A_TURN = 72;

function afterTurn(from: MeantPose, angleRad: number, radiusM: number): MeantPose {
  const side = Math.sign(angleRad);
  const [cx, cy] = [
    from.x - side * radiusM * Math.sin(from.heading),
    from.y + side * radiusM * Math.cos(from.heading),
  ];
  const heading = from.heading + angleRad;
  return {
    x: cx + side * radiusM * Math.sin(heading),
    y: cy - side * radiusM * Math.cos(heading),
    heading,
  };
}

/** The places that one move goes through, the last where it ends; what is free or waits ends where it began. */
function alongMove(from: MeantPose, move: CourseMove): MeantPose[] {
  const { x, y, heading } = from;
  switch (move.does) {
    case 'go':
      return [
        {
          x: x + move.distanceM * Math.cos(heading),
          y: y + move.distanceM * Math.sin(heading),
          heading,
        },
      ];
    case 'turn': {
      const pieces =
        move.radiusM === 0 ? 1 : Math.ceil((Math.abs(move.angleRad) / (2 * Math.PI)) * PIECES_A_TURN);
      return Array.from({ length: pieces }, (_, n) =>
        afterTurn(from, (move.angleRad * (n + 1)) / pieces, move.radiusM),
      );
    }
    case 'follow': {
      let before: Spot = from;
      return move.spots.map((spot) => {
        const ahead = Math.atan2(spot.y - before.y, spot.x - before.x);
        before = spot;
        return { ...spot, heading: ahead };
      });
    }
    default:
      return [from];
  }
}

/**
 * The path that a course means, from its start: the end of each move, and the places between.
 *
 * @example meantPath([{ does: 'go', distanceM: 2, speedMps: 1 }]).at(-1)?.x // 2
 */
export function meantPath(moves: readonly CourseMove[]): MeantPose[] {
  const path: MeantPose[] = [{ x: 0, y: 0, heading: 0 }];
  for (const move of moves) path.push(...alongMove(path.at(-1) ?? { x: 0, y: 0, heading: 0 }, move));
  return path;
}
