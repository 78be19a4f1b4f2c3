import type { Severity } from '../judge/index.ts';
import type { Build } from '../vehicle/index.ts';
import { comesOff, reachOf } from './access.ts';
import { findPlaces } from './find-place.ts';
import type { LayoutFinding, MoveTo } from './finding.ts';
import { movedBy } from './moved-by.ts';
import { lowestOf, sticksOut, tooNear } from './overlaps.ts';
import { balanced, beyondLimits } from './whole-findings.ts';
import { runningFindings } from './running-findings.ts';
import { thingsOf, type Thing } from './things.ts';

/** A battery may ask for so many things to be taken off. */
const MOST_BEFORE_BATTERY = 1;

/** Of two parts in each other's way, told once: of the one that comes first. */
const isTold = (build: Build, partId: string, otherId: string): boolean => {
  const ids = (build.arrangement?.parts ?? []).map(({ id }) => id);
  return ids.includes(otherId) && ids.indexOf(otherId) < ids.indexOf(partId);
};

function crowded(build: Build, thing: Thing): LayoutFinding[] {
  return tooNear(build, thing).flatMap((near): LayoutFinding[] =>
    isTold(build, thing.id, near.withId)
      ? []
      : [
          {
            code: near.gapM > 0 ? 'near' : 'overlap',
            severity: near.gapM > 0 ? 'short' : 'stop',
            partId: thing.id,
            near,
            moves: movedBy(thing, near.moved),
          },
        ],
  );
}

/** Wheels and other loops that a loop is in the way of; parts tell it themselves. */
const fouledBy = (build: Build, loop: Thing): LayoutFinding[] =>
  crowded(build, loop).filter(
    (found) =>
      'near' in found && !(build.arrangement?.parts ?? []).some(({ id }) => id === found.near.withId),
  );

const outside = (build: Build, thing: Thing): LayoutFinding[] =>
  sticksOut(build, thing).map((out) => ({
    code: 'sticks-out',
    severity: 'short',
    partId: thing.id,
    out,
    moves: movedBy(thing, out, true),
  }));

/** Whether a placed part is one of the batteries of the build. */
const isBattery = (build: Build, { part }: Thing): boolean =>
  build.parts.some(({ id, kind }) => id === part?.partId && kind === 'battery');

/** Places at which a part is free, as moves: for each of the first few parts that ask, looked for once. */
function placesOnce(build: Build): (partId: string) => MoveTo[] {
  const known = new Map<string, MoveTo[]>();
  return (partId) => {
    const before = known.get(partId);
    if (before || known.size >= MOST_PLACED) return before ?? [];
    const found = findPlaces(build, partId, { most: 3 }).map(({ aheadM, leftM, aboveM, turnRad }) => ({
      partId,
      aheadM,
      leftM,
      aboveM,
      turnRad,
    }));
    known.set(partId, found);
    return found;
  };
}

/** Places are looked for for so many parts at most: further ones are looked for where they are asked for. */
const MOST_PLACED = 3;

/** The faces of a part, and the part itself, where something is in their way; `places` gives it places to go. */
function reached(build: Build, thing: Thing, placesFor: (partId: string) => MoveTo[]): LayoutFinding[] {
  const partId = thing.id;
  // In each other's place nothing is reached or comes off: that is told, and mended, first.
  if (tooNear(build, thing).some(({ gapM }) => gapM === 0)) return [];
  const off = comesOff(build).get(partId);
  const faces = reachOf(build, thing).flatMap(({ id: faceId, free, after }): LayoutFinding[] => {
    if (free) return [];
    return after === null
      ? [{ code: 'no-reach', severity: 'stop', partId, faceId, moves: placesFor(partId) }]
      : [{ code: 'reach-after', severity: 'tight', partId, faceId, after, moves: placesFor(partId) }];
  });
  if (!off) return [...faces, { code: 'never-off', severity: 'short', partId, moves: [] }];
  if (!isBattery(build, thing) || off.after.length <= MOST_BEFORE_BATTERY) return faces;
  const moves = placesFor(partId);
  return [...faces, { code: 'battery-buried', severity: 'short', partId, after: off.after, moves }];
}

/** A part that reaches into the ground, up to the body's clearance. */
function liftedTo(build: Build, partId: string, aboveM: number): MoveTo[] {
  const thing = thingsOf(build).find(({ id }) => id === partId);
  const byM = build.body.clearance.value - aboveM;
  return thing ? movedBy(thing, { way: 'top', byM }) : [];
}

function lowHanging(build: Build): LayoutFinding[] {
  const lowest = lowestOf(build);
  if (!lowest || lowest.aboveM >= build.body.clearance.value - 1e-9) return [];
  const { id: partId, aboveM } = lowest;
  return aboveM < -1e-9
    ? [{ code: 'in-the-ground', severity: 'stop', partId, aboveM, moves: liftedTo(build, partId, aboveM) }]
    : [{ code: 'hangs-low', severity: 'note', partId, aboveM, moves: [] }];
}

const ORDER: Readonly<Record<Severity, number>> = { stop: 0, short: 1, tight: 2, note: 3 };

const byWeight = (a: LayoutFinding, b: LayoutFinding): number => ORDER[a.severity] - ORDER[b.severity];

/**
 * What stands in the way of where things are, the worst first; nothing where nothing is placed.
 *
 * @example layoutFindings(puffin)[0].code // 'reach-after'
 */
export function layoutFindings(build: Build): LayoutFinding[] {
  if (!build.arrangement) return [];
  const running = runningFindings(build);
  if (build.arrangement.parts.length === 0) return running.sort(byWeight);
  const parts = thingsOf(build).filter(({ kind }) => kind === 'part');
  const placesFor = placesOnce(build);
  return [
    ...parts.flatMap((thing) => [
      ...crowded(build, thing),
      ...outside(build, thing),
      ...reached(build, thing, placesFor),
    ]),
    ...thingsOf(build)
      .filter(({ kind }) => kind === 'loop')
      .flatMap((loop) => fouledBy(build, loop)),
    ...running,
    ...lowHanging(build),
    ...balanced(build),
    ...beyondLimits(build),
  ].sort(byWeight);
}
