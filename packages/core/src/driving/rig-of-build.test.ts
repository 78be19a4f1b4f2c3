import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { typed } from '../quantity/index.ts';
import { buildSchema, courseOf, type Build } from '../vehicle/index.ts';
import { runTold } from './drive-build.ts';
import { kerbRise } from './kerb.ts';
import { NO_MISMATCH } from './mismatch.ts';
import { rigOf } from './rig-of-build.ts';
import { drawnRig } from './mismatch.ts';
import type { CourseEnd } from './run-course.ts';
import { terrainOf } from './terrain-of-course.ts';

const demo = (name: string): Build =>
  buildSchema.parse(JSON.parse(readFileSync(`data/builds/${name}.zubric.json`, 'utf8')));
const puffin = demo('puffin');

describe('the rig of a build', () => {
  it('weighs what the build does with its load, stands where its axles do, and is driven by its motors', () => {
    const made = rigOf(puffin, 1);
    expect(made?.rig.massKg).toBe(178);
    expect(made?.rig.motors.map(({ side }) => side)).toEqual(['left', 'right']);
    const driven = made?.rig.contacts.filter(({ spin }) => spin !== undefined) ?? [];
    expect(driven.map(({ leftM }) => leftM)).toEqual([0.31, -0.31]);
    // Its path is that of the middle of its driven wheels.
    expect(driven[0]?.aheadM).toBeCloseTo(made?.middleAheadM ?? NaN, 12);
  });

  it('turns as hard as its masses lie apart: a load aside adds m M/(m + M) d² (parallel axes)', () => {
    const moved = (leftM: number): Build => ({
      ...puffin,
      masses: {
        ...puffin.masses,
        payload: { ...puffin.masses.payload, left: typed(leftM, 'm') },
      },
    });
    const yaw = (build: Build): number => rigOf(build, 1)?.rig.yawInertiaKgM2 ?? NaN;
    const { mass } = puffin.masses.payload;
    const own = 178 - mass.value;
    expect(yaw(moved(0.2)) - yaw(moved(0))).toBeCloseTo(((mass.value * own) / 178) * 0.2 ** 2, 9);
    expect(yaw(moved(-0.2))).toBeCloseTo(yaw(moved(0.2)), 9);
    expect(rigOf(moved(0.2), 1)?.middleLeftM).toBeCloseTo((-0.2 * mass.value) / 178, 12);
  });

  it('of a live axle turns both wheels as one, of a differential each for itself at half the torque', () => {
    const moth = demo('moth');
    expect(rigOf(moth, 1)?.rig.spins).toHaveLength(1);
    const open = { ...moth, drives: moth.drives.map((d) => ({ ...d, differential: 'open' as const })) };
    expect(rigOf(open, 1)?.rig.motors[0]?.turns.map(({ share }) => share)).toEqual([0.5, 0.5]);
  });

  it('drawn with nothing unlike is as it was drawn up', () => {
    const made = rigOf(puffin, 1);
    if (!made) throw new Error('Puffin drives');
    expect(drawnRig(made, NO_MISMATCH, 3, 4).led.rig.motors).toEqual(made.rig.motors);
  });
});

describe('the ground of a course', () => {
  const ground = puffin.grounds[0];
  if (!ground) throw new Error('Puffin stands on something');
  const under = (rest: Parameters<typeof courseOf>[1]) =>
    terrainOf(puffin, courseOf([{ kind: 'go', distanceM: 4 }], rest), ground);

  it('rises ahead by its grade, and to the left where its right side is low', () => {
    const [piece] = under({ gradeDeg: 10, sideSlopeDeg: 5 }).pieces;
    expect(piece?.riseX).toBeCloseTo(Math.tan((10 * Math.PI) / 180), 12);
    expect(piece?.riseY).toBeCloseTo(Math.tan((5 * Math.PI) / 180), 12);
  });

  it('has its patches ahead and to the right, the last on top', () => {
    const { pieceAt, pieces } = under({
      patches: [
        { aheadM: 1, rightM: 0.5, lengthM: 1, widthM: 1, surface: 'carpet' },
        { aheadM: 1.5, rightM: 0.5, lengthM: 1, widthM: 0.2, surface: 'mud' },
      ],
    });
    expect(pieceAt(1.2, -0.5)).toBe(1);
    expect(pieceAt(1.2, 0.5)).toBe(0);
    expect(pieceAt(1.7, -0.5)).toBe(2);
    expect(pieceAt(2.2, -0.8)).toBe(0);
    expect(pieces[2]?.footings[0]?.rolling).not.toBe(pieces[0]?.footings[0]?.rolling);
  });

  it('has its kerbs to the right, along the heading that goes up them', () => {
    const [kerb] = under({ kerbs: [{ aheadM: 1, rightM: 2, headingDeg: 90, heightM: 0.02 }] }).kerbs;
    if (!kerb) throw new Error('there is a kerb');
    // Going to the right one comes upon it at two metres to the right.
    expect(kerbRise(kerb, 0.1, 0, -1.96)).toBeGreaterThan(0.3);
    expect(kerbRise(kerb, 0.1, 0, 1.96)).toBe(0);
  });
});

describe('a run, as it is told', () => {
  it('is seen from where it was to end: ahead of that and to its right positive (geometry)', () => {
    // Meant to end pointing to the left; it ends 0.2 m further that way, and 0.1 m back, which is to the right of it.
    const end = {
      ...{ end: { x: 3.1, y: 1.2, heading: Math.PI / 2 - 0.1 }, meant: { x: 3, y: 1, heading: Math.PI / 2 } },
      ...{ timeS: 1, arrives: true, energyJ: 1, peakA: 1, slipped: [], tipped: false },
    } as unknown as CourseEnd;
    const told = runTold(1, end);
    expect(told.aheadM).toBeCloseTo(0.2, 12);
    expect(told.sideM).toBeCloseTo(0.1, 12);
    expect(told.headingDeg).toBeCloseTo((0.1 * 180) / Math.PI, 9);
    expect(told.endErrorM).toBeCloseTo(Math.hypot(0.1, 0.2), 12);
  });
});
