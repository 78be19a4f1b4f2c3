import { readFileSync, readdirSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { closeness, evaluate, isUnderRule } from '../judge/index.ts';
import { typed } from '../quantity/index.ts';
import { PATH_KINDS, STAGE_KINDS, freshPath, freshPathElement, freshStage } from '../transmission/index.ts';
import {
  LAYOUT_TEMPLATES,
  applyChanges,
  buildSchema,
  choosePart,
  newBuild,
  partSchema,
  readBuild,
  rollingDiameter,
  withLayout,
  type Build,
  changeDrive,
  driveOf,
  type Drive,
} from '../vehicle/index.ts';
import type { MoveInWords as Move } from '../say/index.ts';
import { textsOf, saidMoves as moves } from '../testing/vehicles.ts';
import { askedOnce, many } from '../testing/many.ts';

const shelf = ['motors', 'drivers', 'batteries'].flatMap((file) =>
  partSchema.array().parse(JSON.parse(readFileSync(`data/shelf/${file}.json`, 'utf8'))),
);
const demo = (file: string): Build => {
  const read = readBuild(JSON.parse(readFileSync(`data/builds/${file}`, 'utf8')));
  if (!read.ok) throw new Error(`${file} does not read`);
  return read.build;
};
const builds = readdirSync('data/builds').map((file) => [file, demo(file)] as const);
const movesOf = askedOnce((build: Build) => moves(build, evaluate(build), { shelf }));

/** Any vehicle of a template with any stages, shafts and motor, as a builder may leave it half-way. */
const anyBuild = fc
  .record({
    layout: fc.constantFrom(...LAYOUT_TEMPLATES),
    kinds: fc.array(fc.constantFrom(...STAGE_KINDS), { maxLength: 3 }),
    ratio: fc.double({ min: 0.5, max: 30, noNaN: true }),
    motor: fc.constantFrom(...shelf.filter((p) => p.kind === 'motor')),
    bore: fc.double({ min: 0.002, max: 0.05, noNaN: true }),
    hub: fc.constantFrom(...PATH_KINDS),
    people: fc.constantFrom('nobody', 'riding'),
    release: fc.constantFrom('none', 'jockey', 'dog', 'pin'),
  })
  .map(({ layout, kinds, ratio, motor, bore, hub, people, release }): Build => {
    const build = choosePart(withLayout(newBuild('Any'), layout), motor);
    const stages = kinds.map((kind, n) => freshStage(kind, `stage-${n + 1}`, ratio));
    const odd = freshPathElement(hub, { id: 'odd', after: null, name: 'Odd', bore: typed(bore, 'mm') });
    const path = freshPath(stages, { wheelDiameterM: rollingDiameter(build).value });
    return {
      ...build,
      people,
      drives: changeDrive(build, {
        stages,
        path: [odd, ...path],
        mount: { lever: typed(0.05, 'mm'), twist: typed(0.01, '°') },
        release: { kind: release, at: stages[0]?.id ?? null, drag: typed(0.2, 'N·m') },
      }).drives,
    };
  });

describe('any build, finished or not', () => {
  it('is judged in numbers, and every move of it is a build that can be kept', () => {
    fc.assert(
      fc.property(anyBuild, (build) => {
        expect(buildSchema.safeParse(build).error).toBeUndefined();
        const report = evaluate(build);
        for (const { needs, has, ratio } of report.links)
          expect([needs, has, ratio].every(Number.isFinite)).toBe(true);
        expect(textsOf(build)).not.toMatch(/NaN|Infinity|undefined/);
        for (const { moves: offered } of moves(build, report, { shelf }))
          for (const move of offered) {
            expect(move.text).not.toMatch(/NaN|Infinity|undefined/);
            const tried = applyChanges(build, move.changes);
            expect(buildSchema.safeParse(tried).error, move.text).toBeUndefined();
          }
      }),
      { numRuns: many(25, 250) },
    );
  });
});

describe('moves', () => {
  it.each(builds)('of %s: trying one gives exactly the gain that it promised', (_, build) => {
    const report = evaluate(build);
    const all = movesOf(build);
    expect(all.flatMap((m) => m.moves).length).toBeGreaterThan(0);
    const isMargin = (finding: string): boolean => finding.startsWith('margin/');
    for (const { link, finding, moves: offered } of all)
      for (const move of offered) {
        const tried = applyChanges(build, move.changes);
        expect(buildSchema.safeParse(tried).error, move.text).toBeUndefined();
        const after = evaluate(tried);
        if (!isMargin(finding)) {
          expect(report.findings.map(({ id }) => id)).toContain(finding);
          expect(
            after.findings.map(({ id }) => id),
            move.text,
          ).not.toContain(finding);
          continue;
        }
        const was = report.governing.find((l) => l.link === link);
        const is = after.governing.find((l) => l.link === link);
        expect(move.before).toBeCloseTo(was ? closeness(was) : NaN, 12);
        if (is) expect(move.after).toBeCloseTo(closeness(is), 12);
        expect(move.after).toBeGreaterThan(move.before);
        expect(move.ends, move.text).toBe(!is || !isUnderRule(is.verdict));
      }
  });

  it.each(builds)(
    'of %s never hide a margin that they bring under its rule, and make none fail',
    (_, build) => {
      const links = (b: Build, verdicts: readonly string[]): string[] =>
        evaluate(b)
          .governing.filter(({ verdict }) => verdicts.includes(verdict))
          .map(({ link }) => link);
      const under = ['fails', 'short'];
      const [before, failed] = [links(build, under), links(build, ['fails'])];
      for (const { link, moves: offered } of movesOf(build))
        for (const move of offered) {
          const tried = applyChanges(build, move.changes);
          const more = links(tried, under).filter((l) => !before.includes(l) && l !== link);
          expect(move.makesShort, move.text).toBe(more.length > 0);
          if (more.length > 0) expect(move.costs).toMatch(/now short/);
          expect(
            links(tried, ['fails']).filter((l) => !failed.includes(l) && l !== link),
            move.text,
          ).toEqual([]);
        }
    },
  );

  it.each(builds)(
    'of %s: what ends a finding stands before what eases it, what asks less behind',
    (_, build) => {
      const report = evaluate(build);
      for (const { moves: offered } of movesOf(build)) {
        const rank = offered.map(({ ends, asksLess }) => (ends ? 0 : 2) + (asksLess ? 1 : 0));
        expect([...rank].sort((a, b) => a - b)).toEqual(rank);
        for (const { asksLess, costs } of offered) if (asksLess) expect(costs).toMatch(/^asks less/);
      }
      const ended = movesOf(build)
        .flatMap((m) => m.moves)
        .filter(({ ends, makesShort }) => ends && !makesShort);
      if (report.governing.some(({ verdict }) => isUnderRule(verdict)))
        expect(ended.length).toBeGreaterThan(0);
    },
  );

  it('are four at most for a margin, and not all of one kind', () => {
    for (const { moves: offered } of builds.flatMap(([, build]) => movesOf(build))) {
      expect(offered.length).toBeLessThanOrEqual(4);
      const kinds = new Set(offered.map(({ text }) => text.split(' ').slice(0, 2).join(' ')));
      if (offered.length === 4) expect(kinds.size).toBeGreaterThan(1);
    }
  });

  it('take a slipping belt to a chain or a toothed belt, near its ratio', () => {
    const puffin = demo('puffin.zubric.json');
    const belt = {
      ...freshStage('friction-belt', 'stage-1', 3.6),
      tension: typed(60, 'N'),
    } as Drive['stages'][number];
    const slipping: Build = changeDrive(puffin, { stages: [belt] });
    const offered: readonly Move[] = movesOf(slipping).find(({ link }) => link === 'slip')?.moves ?? [];
    const chain = offered.find(({ text }) => /^A chain instead/.test(text));
    if (!chain) throw new Error('a chain is offered');
    const tried = applyChanges(slipping, chain.changes);
    expect(driveOf(tried).stages[0]?.kind).toBe('chain');
    expect(Math.abs(evaluate(tried).train.ratio / evaluate(slipping).train.ratio - 1)).toBeLessThan(0.05);
    expect(evaluate(tried).governing.some(({ link }) => link === 'slip')).toBe(false);
    expect(chain.gains).toMatch(/slip.* → none|nothing is asked/);
  });

  it('are none where every margin is ample, and need no shelf', () => {
    const puffin = demo('puffin.zubric.json');
    const easy: Build = {
      ...puffin,
      duties: puffin.duties.slice(1, 2).map((d) => ({ ...d, speed: typed(0.8, 'm/s') })),
    };
    const short = evaluate(easy).governing.filter(({ verdict }) => verdict !== 'ample');
    expect(moves(easy, evaluate(easy), { shelf: [] })).toHaveLength(short.length);
    for (const { moves: offered } of moves(puffin, evaluate(puffin), { shelf: [] }))
      for (const { changes } of offered) expect(changes.some(({ path }) => path[0] === 'parts')).toBe(false);
  });
});
