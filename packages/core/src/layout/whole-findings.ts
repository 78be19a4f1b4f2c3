import { placedKg, type Build } from '../vehicle/index.ts';
import type { LayoutFinding, MoveTo } from './finding.ts';
import { findPlaces, type FreePlace } from './find-place.ts';
import { movedBy } from './moved-by.ts';
import { movedTo } from './place-free.ts';
import { thingsOf } from './things.ts';
import { centreOfGravity, restingOn } from './weight.ts';

/** Under this share on the driven wheels its grip wants for weight (common practice, no source). */
const LEAST_DRIVEN = 0.4;
/** Further aside than this share of half its width it pulls to one side (common practice, no source). */
const MOST_ASIDE = 0.1;
/** So many of the heaviest parts are looked at, and so many places of each told. */
const HEAVIEST = 2;
const PLACES = { looked: 60, told: 2 };

/** Places for the heaviest parts at which something holds. */
function whereHeavyGoes(build: Build, holds: (place: FreePlace) => boolean): MoveTo[] {
  const heavy = [...(build.arrangement?.parts ?? [])]
    .filter(({ mass }) => mass.value > 0)
    .sort((a, b) => b.mass.value - a.mass.value)
    .slice(0, HEAVIEST);
  return heavy.flatMap(({ id: partId }) =>
    findPlaces(build, partId, { most: PLACES.looked })
      .filter(holds)
      .slice(0, PLACES.told)
      .map(({ aheadM, leftM, aboveM, turnRad }) => ({ partId, aheadM, leftM, aboveM, turnRad })),
  );
}

/** What the weight of all of it stands on: too heavy, over the edge, off the driven wheels, off the middle. */
export function balanced(build: Build): LayoutFinding[] {
  const ownKg = build.masses.own.mass.value;
  const placed = placedKg(build);
  const { leftM } = centreOfGravity(build);
  const resting = restingOn(build, 0);
  const mostAsideM = (MOST_ASIDE * build.body.width.value) / 2;
  return [
    ...(placed > ownKg * (1 + 1e-9)
      ? [{ code: 'heavier-than-own', severity: 'short', placedKg: placed, ownKg, moves: [] } as const]
      : []),
    ...(resting && !resting.stands
      ? [
          {
            code: 'falls-over',
            severity: 'stop',
            moves: whereHeavyGoes(build, ({ drivenShare }) => drivenShare > 0),
          } as const,
        ]
      : []),
    ...(resting?.stands === true && resting.drivenShare > 0 && resting.drivenShare < LEAST_DRIVEN
      ? [
          {
            code: 'off-the-driven',
            severity: 'tight',
            drivenShare: resting.drivenShare,
            moves: whereHeavyGoes(build, ({ drivenShare }) => drivenShare >= LEAST_DRIVEN),
          } as const,
        ]
      : []),
    ...(Math.abs(leftM) > mostAsideM
      ? [
          {
            code: 'off-the-middle',
            severity: 'tight',
            leftM,
            moves: whereHeavyGoes(build, ({ asideM }) => asideM <= mostAsideM),
          } as const,
        ]
      : []),
  ];
}

const SIDES = [
  ['length', 0],
  ['width', 1],
  ['height', 2],
] as const;

type Axis = (typeof SIDES)[number][1];

/** From where to where everything reaches along an axis. */
function reachOn(build: Build, axis: Axis): readonly [least: number, most: number] {
  const solids = thingsOf(build)
    .filter(({ kind }) => kind !== 'keep-out')
    .flatMap((thing) => thing.standing);
  const least = axis === 2 ? 0 : Math.min(...solids.map((solid) => solid.least[axis]));
  return [least, Math.max(...solids.map((solid) => solid.most[axis]))];
}

const INWARDS = [
  ['back', 'front'],
  ['right', 'left'],
  ['bottom', 'bottom'],
] as const;

/** The part that reaches furthest, drawn in by what is too much; where that is enough. */
function drawnIn(build: Build, axis: Axis, mayM: number): MoveTo[] {
  const [least, most] = reachOn(build, axis);
  const byM = most - least - mayM;
  const [fromMost, fromLeast] = INWARDS[axis];
  return thingsOf(build)
    .filter(({ kind }) => kind === 'part')
    .flatMap((thing) => {
      const isMost = thing.standing.some((solid) => solid.most[axis] >= most - 1e-9);
      const isLeast = axis !== 2 && thing.standing.some((solid) => solid.least[axis] <= least + 1e-9);
      return [
        ...(isMost ? movedBy(thing, { way: fromMost, byM }) : []),
        ...(isLeast ? movedBy(thing, { way: fromLeast, byM }) : []),
      ];
    })
    .filter((move) => {
      const [from, to] = reachOn(movedTo(build, move), axis);
      return to - from <= mayM + 1e-6;
    });
}

/** What the placed parts come to beyond what the event, or a door, allows. */
export function beyondLimits(build: Build): LayoutFinding[] {
  return SIDES.flatMap(([side, axis]): LayoutFinding[] => {
    const mayM = build.aims[side]?.value;
    if (mayM === undefined) return [];
    const [least, most] = reachOn(build, axis);
    const hasM = most - least;
    return hasM > mayM + 1e-6
      ? [{ code: 'beyond-limit', severity: 'stop', side, hasM, mayM, moves: drawnIn(build, axis, mayM) }]
      : [];
  });
}
