import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { evaluate, stageAs } from '../judge/index.ts';
import { typed } from '../quantity/index.ts';
import { on, saidOf } from '../testing/vehicles.ts';
import { freshStage, isToothed, stageFigures, type Stage, type StageOf } from '../transmission/index.ts';
import { buildSchema, type Build, driveOf, changeDrive } from '../vehicle/index.ts';
import { ratioOffers } from './ratio-offers.ts';

const puffin = buildSchema.parse(
  JSON.parse(readFileSync('packages/core/src/testing/puffin.zubric.json', 'utf8')),
);
const withStages = (stages: readonly Stage[]): Build => changeDrive(puffin, { stages, path: [] });
const limits = { least: 10, most: 60 };

describe('tooth counts near a ratio', () => {
  it('are whole, within the limits, nearest first, and make just the ratio they say', () => {
    fc.assert(
      fc.property(fc.double({ min: 12, max: 53, noNaN: true }), (ratio) => {
        const offers = ratioOffers(puffin, ratio, limits);
        expect(offers.length).toBeGreaterThan(0);
        for (const offer of offers) {
          const made = evaluate(withStages(offer.stages)).train.ratio;
          expect(offer.ratio).toBeCloseTo(made, 9);
          expect(offer.deviation).toBeCloseTo(made / ratio - 1, 9);
          for (const stage of offer.stages) {
            if (stage.kind !== 'chain') continue;
            expect(Number.isInteger(stage.teethDriver) && Number.isInteger(stage.teethDriven)).toBe(true);
            expect(Math.min(stage.teethDriver, stage.teethDriven)).toBeGreaterThanOrEqual(10);
            expect(Math.max(stage.teethDriver, stage.teethDriven)).toBeLessThanOrEqual(60);
          }
        }
        const off = offers.map((o) => Math.abs(o.deviation));
        // In steps of a quarter of a per cent: nearer ones never come behind.
        off.slice(1).forEach((x, n) => expect(x).toBeGreaterThan((off[n] ?? 0) - 0.0025));
      }),
      { numRuns: 30 },
    );
  });

  it('find the pair that every shop would: 36 over 10 behind 1:9 is 32.4, so 40.5 is 45 over 10', () => {
    expect(ratioOffers(puffin, 40.5, limits)[0]).toMatchObject({ text: 'chain 10 to 45', deviation: 0 });
  });

  it('leave out what would touch the ground', () => {
    const large = ratioOffers(puffin, 500, { least: 10, most: 400 });
    // 400 teeth of 3/8 in are 1.2 m across, the wheel is 0.4 m.
    expect(large.every(({ stages }) => stages.every((s) => s.kind !== 'chain' || s.teethDriven < 132))).toBe(
      true,
    );
  });

  it('leave out what would stand higher between motor and axle than the vehicle, unless it does so now', () => {
    // On wheels of 0.4 m, which stand higher than the body: 131 teeth of 3/8 inch.
    const twoOf = (teeth: number): Build => {
      const first = {
        ...(freshStage('chain', 'first', 3) as StageOf<'chain'>),
        teethDriver: 15,
        teethDriven: teeth,
      };
      const build = withStages([first, freshStage('chain', 'second', 2)]);
      const { body } = build;
      return { ...build, body: { ...body, height: typed(0.1, 'mm'), clearance: typed(0.1, 'mm') } };
    };
    const largest = (build: Build): number =>
      Math.max(
        ...ratioOffers(build, 9 * 20, { least: 10, most: 160 }).flatMap(({ stages }) =>
          stages.flatMap((s) => (s.id === 'first' && s.kind === 'chain' ? [s.teethDriven] : [])),
        ),
      );
    expect(largest(twoOf(100))).toBeGreaterThan(60);
    expect(largest(twoOf(100))).toBeLessThanOrEqual(131);
    expect(largest(twoOf(140))).toBeGreaterThan(131);
  });

  it('change two stages where one alone does not come near, and keep the belt round its pulleys', () => {
    const build = withStages([freshStage('spur', 'stage-1', 3), freshStage('timing-belt', 'stage-2', 3)]);
    const offers = ratioOffers(build, 9 * 9 * 2.4, { least: 12, most: 60 });
    expect(offers.some(({ text }) => /spur gears .*, toothed belt/.test(text))).toBe(true);
    for (const { stages } of offers)
      expect(evaluate(withStages(stages)).train.stages.every(({ problem }) => problem === undefined)).toBe(
        true,
      );
  });

  describe('behind two stages with teeth', () => {
    const fitted = [freshStage('spur', 'stage-1', 3), freshStage('timing-belt', 'stage-2', 3)];
    const build = withStages(fitted);
    const now = evaluate(build).train.ratio;
    const changed = (stages: readonly Stage[]) =>
      stages.flatMap((stage, n) => {
        const was = fitted[n];
        if (!isToothed(stage) || !was || !isToothed(was)) return [];
        const moved =
          Math.abs(stage.teethDriver - was.teethDriver) + Math.abs(stage.teethDriven - was.teethDriven);
        return moved === 0 ? [] : [{ by: stageFigures(stage).ratio / stageFigures(was).ratio, moved, n }];
      });

    it.each([0.5, 0.9, 1, 1.3, 1.9, 2.4])(
      'at %f of what it is, none is far off, alike or as it was',
      (by) => {
        const offers = ratioOffers(build, now * by, { least: 12, most: 60 });
        expect(offers.length).toBeGreaterThan(0);
        expect(offers.length).toBeLessThanOrEqual(6);
        expect(new Set(offers.map(({ ratio }) => ratio.toFixed(3))).size).toBe(offers.length);
        for (const { stages, deviation } of offers) {
          expect(Math.abs(deviation)).toBeLessThanOrEqual(0.06);
          const changes = changed(stages);
          expect([1, 2]).toContain(changes.length);
          // Of two, the first is tried around what it is, no further than by half.
          if (changes.length === 2) {
            expect(changes[0]?.by).toBeGreaterThan(0.7 * 0.95);
            expect(changes[0]?.by).toBeLessThan(1.4 * 1.05);
          }
        }
      },
    );

    it('are ordered by how near they come, and of those alike by how few teeth are changed', () => {
      const offers = ratioOffers(build, now * 1.3, { least: 12, most: 60 });
      const keys = offers.map(({ deviation, stages }) => ({
        rough: Math.round(Math.abs(deviation) / 0.0025),
        effort: changed(stages).reduce((sum, { moved }) => sum + 3 + moved, 0),
      }));
      for (const [n, key] of keys.entries()) {
        const next = keys[n + 1];
        if (!next) continue;
        expect(next.rough).toBeGreaterThanOrEqual(key.rough);
        if (next.rough === key.rough) expect(next.effort).toBeGreaterThanOrEqual(key.effort);
      }
    });

    it('two are changed for a ratio that neither reaches alone', () => {
      const limits = { least: 12, most: 60 };
      const far = ratioOffers(build, now * 2.4, limits);
      expect(far.some(({ stages }) => changed(stages).length === 2)).toBe(true);
      // By hand: what each alone would have to be is beyond 60 over 12.
      expect(3 * 2.4).toBeGreaterThan(60 / 12);
      expect(far.every(({ stages }) => changed(stages).length === 2)).toBe(true);
    });
  });

  it('of a winch may be as large as they like: nothing hangs over the ground', () => {
    const apart = { ...freshStage('chain', 'stage-1', 3), centre: typed(3, 'm') } as Stage;
    const geared = (layout: string) => changeDrive(on(layout, puffin), { stages: [apart], path: [] });
    const large = (build: Build): boolean =>
      ratioOffers(build, evaluate(build).train.ratio * 8, { least: 10, most: 400 }).some(({ stages }) =>
        stages.some((s) => s.kind === 'chain' && s.teethDriven > 200),
      );
    expect(large(geared('winch'))).toBe(true);
    expect(large(geared('rear-drive'))).toBe(false);
  });

  it('are none for what is no ratio', () => {
    for (const ratio of [0, -3, NaN, Infinity]) expect(ratioOffers(puffin, ratio, limits)).toEqual([]);
  });

  it('are none without a stage that has teeth, or for a ratio out of reach', () => {
    expect(ratioOffers(withStages([]), 30, limits)).toEqual([]);
    expect(ratioOffers(puffin, 1e6, limits)).toEqual([]);
  });
});

describe('a stage by another kind', () => {
  it('is worked out in the whole build: a V-belt on a 50 mm pulley slips where the chain holds', () => {
    const [chain, belt] = [stageAs(puffin, 'stage-1', 'chain'), stageAs(puffin, 'stage-1', 'friction-belt')];
    expect(chain?.onDuty).toMatchObject({ link: 'chain-pull' });
    expect(belt?.onDuty).toMatchObject({ link: 'slip', verdict: 'fails' });
    expect(belt?.atStall).toBeUndefined();
    expect((belt?.trainRatio ?? 0) / (chain?.trainRatio ?? NaN)).toBeCloseTo(1, 1);
    // The same as the build with that stage in place.
    if (!belt) throw new Error('a belt is worked out');
    const [slip] = evaluate(changeDrive(puffin, { stages: [belt.stage] })).governing.filter(
      ({ link }) => link === 'slip',
    );
    expect(belt.onDuty?.needs).toBe(slip?.needs);
  });

  it('tells a worm by its losses and its locking', () => {
    const worm = stageAs(puffin, 'stage-1', 'worm');
    expect(worm?.figures.efficiency).toBeLessThan(0.9);
    expect((worm?.torque?.ratio ?? 0) < (stageAs(puffin, 'stage-1', 'chain')?.torque?.ratio ?? 0)).toBe(true);
  });

  it('is nothing where there is no such stage', () => {
    expect(stageAs(puffin, 'gone', 'chain')).toBeUndefined();
  });
});

describe('a ratio and its window, in words', () => {
  /** Puffin's chain by one large sprocket or another; its hardest window ends at 49 : 1. */
  const at = (teethDriven: number): string =>
    saidOf(
      changeDrive(puffin, {
        stages: driveOf(puffin).stages.map((s) => (s.kind === 'chain' ? { ...s, teethDriven } : s)),
      }),
    )
      .filter(({ link }) => link === 'ratio')
      .map(({ text }) => text)
      .join();

  it('is too low, too high, near either end, or not spoken of', () => {
    expect(at(20)).toMatch(/^The ratio of 18\s: 1 is too low/);
    expect(at(60)).toMatch(/^The ratio of 54\s: 1 is too high on “Level, loaded”: at most 49 : 1/);
    // Puffin’s motor has no ratio with twice the torque on the slip.
    expect(at(25)).toMatch(
      /^The ratio of 22\.5\s: 1 does it on “Slip, loaded”, but no ratio has the rule’s reserve/,
    );
    expect(at(52)).toMatch(
      /^The ratio of 46\.8\s: 1 does it on “Level, loaded”, but not with the rule’s reserve/,
    );
    expect(at(44)).toMatch(/^The ratio of 39\.6\s: 1 is near the end of its window/);
    expect(at(36)).toBe('');
  });
});
