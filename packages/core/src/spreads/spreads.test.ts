import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { seeded } from '../contract/index.ts';
import { marginsOf } from '../judge/index.ts';
import { readBuild, type Build } from '../vehicle/index.ts';
import {
  asMeasured,
  chances,
  chanceSteps,
  drawn,
  explained,
  firstToMeasure,
  latinHypercube,
  uncertainIn,
  type Chance,
} from './index.ts';
import { ranksOf } from './rank-regression.ts';

const demo = (name: string): Build => {
  const read = readBuild(JSON.parse(readFileSync(`data/builds/${name}.zubric.json`, 'utf8')));
  if (!read.ok) throw new Error(`${name} does not read`);
  return read.build;
};
const [puffin, pip] = [demo('puffin'), demo('pip')];
/** The long form of the comparison with chance alone: 100,000 draws, as the issue of it asks, take some minutes. */
const DRAWS = Number(process.env['ZUBRIC_DRAWS'] ?? 5000);

describe('numbers that look like chance', () => {
  it('have the mean and the variance of even ones, and no pattern from one to the next', () => {
    const random = seeded(20261128);
    const u = Array.from({ length: 20_000 }, random);
    const mean = u.reduce((sum, x) => sum + x, 0) / u.length;
    const variance = u.reduce((sum, x) => sum + (x - mean) ** 2, 0) / u.length;
    const next = u.slice(1).reduce((sum, x, at) => sum + (x - mean) * ((u[at] ?? 0) - mean), 0) / u.length;
    // Even from 0 to 1: mean ½ and variance 1/12, each within four of its standard errors.
    expect(Math.abs(mean - 0.5)).toBeLessThan(4 / Math.sqrt(12 * u.length));
    expect(Math.abs(variance - 1 / 12)).toBeLessThan(4 * Math.sqrt(1 / 180 / u.length));
    expect(Math.abs(next) * 12).toBeLessThan(4 / Math.sqrt(u.length));
  });
});

describe('a Latin hypercube', () => {
  it('meets every slice of every input once', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 60 }),
        fc.integer({ min: 1, max: 6 }),
        fc.nat(),
        (n, inputs, seed) => {
          const rows = latinHypercube(n, inputs, seeded(seed));
          expect(rows).toHaveLength(n);
          for (let at = 0; at < inputs; at += 1) {
            const slices = rows.map((row) => Math.floor(n * (row[at] ?? 0))).sort((a, b) => a - b);
            expect(slices).toEqual(Array.from({ length: n }, (_, slice) => slice));
          }
        },
      ),
    );
  });
});

describe('what an input explains', () => {
  const random = seeded(7);
  const columns = Array.from({ length: 3 }, () => Array.from({ length: 2000 }, random));
  const [a = [], b = [], c = []] = columns;
  it('of a sum is in proportion to the squares of its weights', () => {
    const sums = a.map((x, at) => 3 * x + 4 * (b[at] ?? 0));
    const [ofA = 0, ofB = 0, ofC = 0] = explained(columns, sums);
    // Variances of 3 x and 4 y: 9 and 16 of 25. Ranks leave that as it is but for some hundredths.
    expect(ofA).toBeGreaterThan(0.33);
    expect(ofA).toBeLessThan(0.39);
    expect(ofB).toBeGreaterThan(0.61);
    expect(ofB).toBeLessThan(0.67);
    expect(ofC).toBeLessThan(0.002);
  });
  it('is the same whichever way it works, and however bent, as long as it only rises or falls', () => {
    expect(
      explained(
        [a],
        a.map((x) => -x),
      )[0],
    ).toBeCloseTo(1, 9);
    expect(
      explained(
        [a],
        a.map((x) => Math.exp(9 * x)),
      )[0],
    ).toBeCloseTo(1, 9);
  });
  it('is nothing where the answer never changes, or the input does not', () => {
    expect(
      explained(
        [a],
        a.map(() => 1),
      )[0],
    ).toBeCloseTo(0, 12);
    expect(explained([a, a.map(() => 0.5)], a)[1]).toBe(0);
    expect(c).toHaveLength(2000);
  });
  it('goes by ranks, in which alike ones share the middle', () => {
    expect(ranksOf([10, 30, 20, 30])).toEqual([0, 2.5, 1, 2.5]);
    expect(ranksOf([5, 5, 5])).toEqual([1, 1, 1]);
  });
});

describe('the numbers that are not known exactly', () => {
  it('are those with a ±, the tables of grounds that a job is on, and guesses of the parts in it', () => {
    const paths = uncertainIn(puffin).map(({ path }) => path.join('.'));
    expect(paths).toContain('masses.payload.mass');
    expect(paths).toContain('grounds.cobbles.rolling');
    const elsewhere = { ...puffin, duties: puffin.duties.filter(({ groundId }) => groundId !== 'quay') };
    expect(uncertainIn(elsewhere).some(({ path }) => path.includes('quay'))).toBe(false);
    const [motor] = puffin.parts.filter(({ kind }) => kind === 'motor');
    const guessed = {
      ...puffin,
      parts: puffin.parts.map((part) => (part === motor ? { ...part, guessed: { stallA: 0.2 } } : part)),
    };
    const off = uncertainIn(guessed).find(({ path }) => path.at(-1) === 'stallA');
    expect(off?.spread).toBeCloseTo(0.2 * (off?.value ?? NaN), 12);
  });
  it('are drawn from end to end of their spreads, and in their middle stand as they are', () => {
    const inputs = uncertainIn(puffin);
    const at = (place: number): Build =>
      drawn(
        puffin,
        inputs,
        inputs.map(() => place),
      );
    expect(at(0).masses.payload.mass.value).toBeCloseTo(110, 12);
    expect(at(1).masses.payload.mass.value).toBeCloseTo(130, 12);
    expect(marginsOf(at(0.5)).links.map(({ ratio }) => ratio)).toEqual(
      marginsOf(puffin).links.map(({ ratio }) => ratio),
    );
  });
  it('never fall to nothing where they are more than that', () => {
    const wild = {
      ...puffin,
      masses: {
        ...puffin.masses,
        payload: { ...puffin.masses.payload, mass: { ...puffin.masses.payload.mass, spread: 500 } },
      },
    };
    const inputs = uncertainIn(wild);
    expect(
      drawn(
        wild,
        inputs,
        inputs.map(() => 0),
      ).masses.payload.mass.value,
    ).toBeGreaterThan(0);
  });
  it('of a share are never more than all of it', () => {
    const [drive] = puffin.drives;
    const [stage] = drive?.stages ?? [];
    if (!drive || stage?.kind !== 'chain') throw new Error('Puffin has a chain');
    const lossless = { ...stage, efficiency: { ...stage.efficiency, spread: 0.2 } };
    const wild: Build = { ...puffin, drives: [{ ...drive, stages: [lossless] }] };
    const inputs = uncertainIn(wild);
    const most = drawn(
      wild,
      inputs,
      inputs.map(() => 1),
    ).drives[0]?.stages[0];
    expect(most && 'efficiency' in most && most.efficiency.value).toBe(1);
  });
  it('once measured are no longer among them, and stand where they stood', () => {
    const inputs = uncertainIn(puffin);
    for (const input of inputs) {
      const known = asMeasured(puffin, input);
      expect(uncertainIn(known)).toHaveLength(inputs.length - 1);
      expect(marginsOf(known).links.map(({ ratio }) => ratio)).toEqual(
        marginsOf(puffin).links.map(({ ratio }) => ratio),
      );
    }
  });
});

describe('chances', () => {
  it('agree with chance alone, within three standard errors of both', () => {
    const few = 1000;
    // Two of its jobs: each is judged in each draw.
    const runs = { ...pip, duties: pip.duties.slice(0, 2) };
    const byCube = chances(runs, { samples: few, seed: 3 });
    const plain = chances(runs, { samples: DRAWS, seed: 11, plain: true });
    for (const [at, { dutyId, does, keeps }] of byCube.each.entries()) {
      const other = plain.each[at];
      for (const [p, q] of [
        [does, other?.does ?? NaN],
        [keeps, other?.keeps ?? NaN],
      ] as const) {
        const error = Math.sqrt((p * (1 - p)) / few + (q * (1 - q)) / DRAWS);
        expect(Math.abs(p - q), `${dutyId ?? 'whole'}: ${p} and ${q}`).toBeLessThanOrEqual(3 * error + 1e-12);
      }
    }
  }, 600_000);

  it('are certain where nothing is uncertain', () => {
    const known = uncertainIn(pip).reduce(asMeasured, pip);
    const { inputs, each, all } = chances(known, { samples: 3 });
    expect(inputs).toEqual([]);
    const { links } = marginsOf(known);
    for (const { dutyId, does, decides } of each) {
      expect(does).toBe(
        links.filter((link) => link.dutyId === dutyId).every(({ ratio }) => ratio >= 1) ? 1 : 0,
      );
      expect(decides).toEqual([]);
    }
    expect([0, 1]).toContain(all.does);
  });

  it('name what decides: friction where it comes near to slipping, and measuring that leaves no doubt of it', () => {
    const { each } = chances(puffin, { samples: 300 });
    const empty = each.find(({ dutyId }) => dutyId === 'slip-empty');
    const [first] = empty?.decides ?? [];
    expect(first?.input.path).toEqual(['grounds', 'cobbles', 'friction']);
    expect(first?.share).toBeGreaterThan(0.7);
    expect(empty?.keeps).toBeLessThan(0.9);
    const measured = first ? asMeasured(puffin, first.input) : puffin;
    const after = chances(measured, { samples: 300 }).each.find(({ dutyId }) => dutyId === 'slip-empty');
    expect(Math.abs((after?.keeps ?? 0) - 0.5)).toBeGreaterThan(Math.abs((empty?.keeps ?? 0) - 0.5));
  });

  it('fall, or stay, where every spread grows', () => {
    const wider = (by: number): Build => ({
      ...pip,
      grounds: pip.grounds.map((ground) => ({
        ...ground,
        friction: { ...ground.friction, spread: by * (ground.friction.spread ?? 0) },
      })),
    });
    const doesStraight = (build: Build): number =>
      chances(build, { samples: 200 }).each.find(({ dutyId }) => dutyId === 'straight')?.does ?? NaN;
    expect(doesStraight(wider(1))).toBeGreaterThanOrEqual(doesStraight(wider(5)));
  });

  it('tell how far they are, and are the same at every run', () => {
    const shares = [...chanceSteps(pip, { samples: 5 })];
    expect(shares).toEqual([0.2, 0.4, 0.6, 0.8, 1]);
    expect(chances(pip, { samples: 20, seed: 4 })).toEqual(chances(pip, { samples: 20, seed: 4 }));
  });
});

describe('what to measure first', () => {
  const chance = (dutyId: string, keeps: number, share: number): Chance => ({
    dutyId,
    does: 1,
    keeps,
    decides: [{ input: { path: [dutyId], value: 1, whole: false, spread: 1 }, share, keepsIn: [0, 0.5, 1] }],
  });
  it('is what explains the job whose outcome is nearest to even', () => {
    const each = [chance('sure', 1, 1), chance('open', 0.5, 0.6), chance('nearly', 0.95, 0.9)];
    expect(firstToMeasure({ each })?.chance.dutyId).toBe('open');
    // 0.5 · 0.5 · 0.1 tells less than 0.95 · 0.05 · 0.9.
    expect(
      firstToMeasure({ each: [chance('open', 0.5, 0.1), chance('nearly', 0.95, 0.9)] })?.chance.dutyId,
    ).toBe('nearly');
  });
  it('is nothing where all is settled, for good or ill', () => {
    expect(firstToMeasure({ each: [chance('sure', 1, 1), chance('never', 0, 1)] })).toBeUndefined();
    expect(firstToMeasure({ each: [{ dutyId: null, does: 1, keeps: 0.5, decides: [] }] })).toBeUndefined();
  });
});
