import { degreesToRadians } from '../quantity/index.ts';
import {
  contactsOf,
  figuresOf,
  groundOfSurface,
  layoutKind,
  type Build,
  type Course,
  type Ground,
  type Patch,
} from '../vehicle/index.ts';
import type { ContactGround, Kerb, Terrain, TerrainPiece } from './rig.ts';

/** What holds a flanged wheel on its rail, as if it were grip. */
const HELD_BY_RAIL = 10;

const footingsOf = (build: Build, ground: Ground): readonly ContactGround[] =>
  contactsOf(build.layout).map(({ axle }) => {
    const { rolling, friction, across } = figuresOf(ground, axle);
    return {
      rolling: rolling.value,
      along: friction.value,
      across: layoutKind(build.layout.kind).onRails ? HELD_BY_RAIL : across.value,
    };
  });

const riseOf = (deg: number): number => Math.tan(degreesToRadians(deg));

/** The ground of a course under a build: between its patches the one that is given. Courses count to the right, simulations to the left. */
export function terrainOf(build: Build, course: Course, ground: Ground): Terrain {
  const between = course.surface ? groundOfSurface('course', course.surface, build.layout) : ground;
  const pieceOf = (on: Ground, gradeDeg: number, sideSlopeDeg: number): TerrainPiece => ({
    footings: footingsOf(build, on),
    riseX: riseOf(gradeDeg),
    // Of a side slope the right side is the lower one.
    riseY: riseOf(sideSlopeDeg),
  });
  const patches = course.patches ?? [];
  const inPatch = ({ aheadM, rightM, lengthM, widthM }: Patch, x: number, y: number): boolean =>
    x >= aheadM && x <= aheadM + lengthM && Math.abs(-y - rightM) <= widthM / 2;
  return {
    pieces: [
      pieceOf(between, course.gradeDeg, course.sideSlopeDeg),
      ...patches.map((patch) =>
        pieceOf(
          patch.surface ? groundOfSurface('patch', patch.surface, build.layout) : between,
          patch.gradeDeg ?? course.gradeDeg,
          patch.sideSlopeDeg ?? course.sideSlopeDeg,
        ),
      ),
    ],
    varies: patches.length > 0,
    // The last patch that covers a place lies on top.
    pieceAt: (x, y) => patches.findLastIndex((patch) => inPatch(patch, x, y)) + 1,
    kerbs: (course.kerbs ?? []).map(({ aheadM, rightM, headingDeg, heightM }): Kerb => ({
      aheadM,
      leftM: -rightM,
      headingRad: -degreesToRadians(headingDeg),
      heightM,
    })),
  };
}
