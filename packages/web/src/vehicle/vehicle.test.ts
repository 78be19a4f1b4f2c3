import { readFileSync, readdirSync } from 'node:fs';
import { buildSchema, contactsOf, type Build } from '@zubric/core/vehicle';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { backFrom, frameOf, placer, massesOf, roomOf, stepFor } from './frame.ts';
import { moveAxle, moveMassInPlan, moveMassInSide } from './move.ts';
import { placeNames, type Dot } from './place-names.ts';

const builds = readdirSync('data/builds').map((file): Build =>
  buildSchema.parse(JSON.parse(readFileSync(`data/builds/${file}`, 'utf8'))),
);
const PAGE = { width: 420, height: 290 };

describe('the frame of a drawing', () => {
  it('holds the vehicle whole on any grade, the ground under it', () => {
    for (const build of builds)
      for (const grade of [-0.5, 0, 0.3, 0.6]) {
        const fit = frameOf(build, 'side', PAGE, grade);
        const place = placer(build, fit, grade);
        for (const { aheadM } of contactsOf(build.layout)) {
          const at = place(aheadM, 0);
          expect(at.x).toBeGreaterThan(0);
          expect(at.x).toBeLessThan(PAGE.width);
          expect(at.y).toBeGreaterThan(0);
          // Room for the arrow of its load below.
          expect(at.y).toBeLessThan(PAGE.height - 40);
        }
      }
  });

  it('turns a distance on the page back to the vehicle’s own directions', () => {
    const [build] = builds;
    if (!build) throw new Error('there is a demo');
    fc.assert(
      fc.property(
        fc.double({ min: -0.6, max: 0.6, noNaN: true }),
        fc.double({ min: -1, max: 1, noNaN: true }),
        fc.double({ min: -1, max: 1, noNaN: true }),
        (grade, x, y) => {
          const fit = frameOf(build, 'side', PAGE, grade);
          const place = placer(build, fit, grade);
          const [from, to] = [place(0, 0), place(x, y)];
          const [dx, dy] = backFrom(fit, grade, to.x - from.x, to.y - from.y);
          expect(dx).toBeCloseTo(x, 9);
          expect(dy).toBeCloseTo(y, 9);
        },
      ),
      { numRuns: 100 },
    );
  });

  it('has steps of 1, 2 or 5 that suit the size: millimetres for a cart, centimetres for a float', () => {
    const steps = builds.map((build) => [
      build.name,
      stepFor(roomOf(build, 'plan', { carried: massesOf(build) })),
    ]);
    expect(Object.fromEntries(steps)).toMatchObject({ Pip: 0.001, Puffin: 0.01, Moth: 0.02 });
  });
});

describe('moving by hand', () => {
  const puffin = builds.find(({ name }) => name === 'Puffin');
  if (!puffin) throw new Error('there is a Puffin');

  it('keeps heights above the ground and marks what was moved as typed', () => {
    const moved = moveMassInSide(puffin, 'payload', 0.05, -9);
    expect(moved.masses.payload.height).toMatchObject({ value: 0, origin: 'typed' });
    expect(moved.masses.payload.aheadOfRearAxle.value).toBeCloseTo(0.6, 9);
    const aside = moveMassInPlan(puffin, 'own', 0, 0.02);
    expect(aside.masses.own.left).toMatchObject({ value: 0.02, origin: 'typed' });
    // What was not moved keeps where it came from.
    expect(aside.masses.own.aheadOfRearAxle).toBe(puffin.masses.own.aheadOfRearAxle);
  });

  it('moves wheels apart, never past each other, and a lone wheel stays in the middle', () => {
    const [castors, driven] = puffin.layout.axles;
    if (!castors || !driven) throw new Error('two axles');
    const narrow = moveAxle(puffin, driven, 0, -9).layout.axles[1];
    expect(narrow?.track.value).toBeGreaterThan(0);
    const lone = { ...castors, track: { ...castors.track, value: 0 } };
    expect(moveAxle(puffin, lone, 0, 0.1)).toBe(puffin);
  });
});

describe('names beside dots', () => {
  const dot = (x: number, y: number, name: string): Dot => ({ at: { x, y }, radius: 10, name });

  it('keep off each other and off the dots where there is room', () => {
    const dots = [dot(200, 100, 'Itself 58 kg'), dot(225, 100, 'Payload 120 kg')];
    const [first, second] = placeNames(dots, 420);
    // The left one goes to the left, the right one to the right.
    expect(first?.anchor).toBe('end');
    expect(second?.anchor).toBe('start');
  });

  it('stay on the page', () => {
    const [only] = placeNames([dot(410, 100, 'Wand and boom 2.4 kg')], 420);
    expect(only?.anchor).toBe('end');
  });
});
