import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { seeded } from '../contract/index.ts';
import { on } from '../testing/vehicles.ts';
import { buildSchema, controlOf, courseOf, type Build } from '../vehicle/index.ts';
import { cloudOf, driveReport, type RunOfCloud } from './cloud.ts';
import { asSchool, studySteps, turnFactorOf, type DriveStudy } from './causes.ts';
import { SCHOOLS } from './schools.ts';
import { NO_MISMATCH, USUAL_MISMATCH } from './mismatch.ts';
import { whyNotDriven } from './rig-of-build.ts';

const demo = (name: string): Build =>
  buildSchema.parse(JSON.parse(readFileSync(`data/builds/${name}.zubric.json`, 'utf8')));

const ended = (aheadM: number, sideM: number): RunOfCloud => ({
  ...{ seed: 0, timeS: 1, arrives: true, aheadM, sideM, headingDeg: 0, energyJ: 1, peakA: 1 },
  ...{ endErrorM: Math.hypot(aheadM, sideM), slipped: false, tipped: false },
});

describe('where runs end', () => {
  it('is told by mean and spread, with n − 1, as trials tell it', () => {
    const cloud = cloudOf([ended(1, 0.1), ended(1.2, 0.3), ended(0.8, 0.2)]);
    expect(cloud).toMatchObject({ meanSideM: expect.closeTo(0.2, 12), sdSideM: expect.closeTo(0.1, 12) });
    expect(cloud.sdAheadM).toBeCloseTo(0.2, 12);
  });

  it('has an oval that holds nineteen of twenty ends that scatter as a bell (χ² of two)', () => {
    const random = seeded(7);
    const bell = (): number => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
    const turn = 0.5;
    const ends = Array.from({ length: 4000 }, () => {
      const [a, b] = [0.3 * bell(), 0.1 * bell()];
      return ended(Math.cos(turn) * a - Math.sin(turn) * b, Math.sin(turn) * a + Math.cos(turn) * b);
    });
    const { ellipse } = cloudOf(ends);
    expect((ellipse.deg * Math.PI) / 180).toBeCloseTo(turn, 1);
    expect(ellipse.longM / 0.3).toBeCloseTo(Math.sqrt(5.991), 0);
    expect(ellipse.shortM / 0.1).toBeCloseTo(Math.sqrt(5.991), 0);
    const inside = ends.filter(({ aheadM, sideM }) => {
      const [c, s] = [Math.cos((ellipse.deg * Math.PI) / 180), Math.sin((ellipse.deg * Math.PI) / 180)];
      return (
        Math.hypot((c * aheadM + s * sideM) / ellipse.longM, (c * sideM - s * aheadM) / ellipse.shortM) <= 1
      );
    });
    expect(inside.length / ends.length).toBeCloseTo(0.95, 1);
  });
});

const straight = courseOf([{ kind: 'go', distanceM: 2 }]);

function study(build: Build, ask: Parameters<typeof studySteps>[1]): DriveStudy {
  const steps = studySteps(build, ask, { runs: 12, seed: 1, oneVehicle: false });
  for (;;) {
    const step = steps.next();
    if (!step.done) continue;
    if (!step.value) throw new Error('not driven');
    return step.value;
  }
}

describe('a course studied', () => {
  const puffin = demo('puffin');

  it('finds the cause that was put in, and that matching or closing the loop mends it', () => {
    const found = study(puffin, {
      course: straight,
      control: SCHOOLS['by counts'],
      mismatch: { ...NO_MISMATCH, rightFaster: 0.06, startM: 0.002 },
    });
    expect(found.findings.map(({ kind }) => kind)).toContain('veers');
    expect(found.cloud.meanSideM).toBeLessThan(-0.05);
    expect(found.causes[0]?.cause).toBe('motors');
    const mends = found.moves.map((move) => (move.does === 'match' ? move.cause : move.does));
    expect(mends).toContain('motors');
    expect(mends).toContain('control');
    for (const { cloud } of found.moves) expect(cloud.rmsM).toBeLessThan(found.cloud.rmsM);
  });

  it('finds nothing to mend of one without faults', () => {
    const found = study(puffin, { course: straight, control: SCHOOLS['by counts'], mismatch: NO_MISMATCH });
    expect(found.cloud.sdSideM).toBeCloseTo(0, 9);
    expect(found.moves).toEqual([]);
  });

  it('finds that tracks turn less than they count, and by how much', () => {
    const sanderling = demo('sanderling');
    const ask = {
      course: courseOf([{ kind: 'turn', deg: 90 }]),
      control: SCHOOLS['by counts'],
      mismatch: NO_MISMATCH,
    };
    expect(turnFactorOf(sanderling, ask)).toBeGreaterThan(1.3);
    const found = study(sanderling, ask);
    expect(found.findings.map(({ kind }) => kind)).toContain('turns-short');
    expect(found.moves[0]?.does).toBe('calibrate');
    expect(Math.abs(found.moves[0]?.cloud.meanHeadingDeg ?? 90)).toBeLessThan(8);
  });

  it('is the same at every place for a seed, and other for another', () => {
    const ask = { course: straight, control: SCHOOLS['by counts'], mismatch: USUAL_MISMATCH };
    const runs = { runs: 3, seed: 4, oneVehicle: false };
    expect(driveReport(puffin, ask, runs)?.runs).toEqual(driveReport(puffin, ask, runs)?.runs);
    expect(driveReport(puffin, ask, { ...runs, seed: 5 })?.runs[2]).not.toEqual(
      driveReport(puffin, ask, runs)?.runs[2],
    );
    const one = driveReport(puffin, ask, { ...runs, runs: 8, oneVehicle: true });
    const many = driveReport(puffin, ask, { ...runs, runs: 8 });
    expect(one?.cloud.sdSideM).toBeLessThan(many?.cloud.sdSideM ?? 0);
  });

  it('says why a build is not driven over courses', () => {
    expect(whyNotDriven(demo('teasel'))).toBe('balances');
    expect(whyNotDriven(on('rear-drive'))).toBe('no-motor');
    expect(
      driveReport(
        on('rear-drive'),
        { course: straight, control: SCHOOLS['by time'], mismatch: NO_MISMATCH },
        { runs: 1, seed: 1, oneVehicle: false },
      ),
    ).toBeUndefined();
  });

  it('keeps what a builder has set as it goes over to another school', () => {
    const own = controlOf({ ends: 'counts', sync: { kp: 9, ki: 0 }, slewPerS: 2 });
    expect(asSchool(own, 'by time')).toMatchObject({ ends: 'time', slewPerS: 2 });
    expect(asSchool(own, 'by time').sync).toBeUndefined();
    expect(asSchool(own, 'held together').sync).toEqual({ kp: 9, ki: 0 });
  });
});
