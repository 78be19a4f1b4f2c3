/** What is offered for a stage that warns or cannot be built: for every kind something that really ends it. */
import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { evaluate, type Finding } from '../judge/index.ts';
import { typed } from '../quantity/index.ts';
import { freshStage, stageFigures, type Stage, type StageKind, type StageOf } from '../transmission/index.ts';
import { applyChanges, buildSchema, type Build, changeDrive, driveOf } from '../vehicle/index.ts';
import { movesOfFinding, type MoveInWords as Move } from '../say/index.ts';
import { on, rearDriven, saidMoves as moves } from '../testing/vehicles.ts';

// Without a motor nothing else can stand in the way.
const bare = rearDriven();

const spoilt = <K extends StageKind>(kind: K, change: Partial<StageOf<K>>): Stage =>
  ({ ...freshStage(kind, 'only', 3), ...change }) as Stage;

const withOnly = (stage: Stage, build: Build = bare): Build =>
  changeDrive(build, {
    stages: [stage],
    path: [],
    release: { ...driveOf(build).release, kind: 'none', at: null },
  });

const stageFindings = (build: Build): Finding[] =>
  evaluate(build).findings.filter(({ id }) => /^stage-(problem|warning)\//.test(id));

/** Each finding of the stage with what is offered for it. */
const offeredFor = (build: Build): { finding: Finding; offered: readonly Move[] }[] => {
  const all = moves(build, evaluate(build), { shelf: [] });
  return stageFindings(build).map((finding) => ({ finding, offered: movesOfFinding(all, finding) }));
};

const mm = (n: number) => typed(n / 1000, 'mm');

describe('for a stage that cannot be built or warns', () => {
  it.each<[string, Stage]>([
    ['sprockets that overlap by far', spoilt('chain', { centre: mm(10) })],
    ['sprockets that just touch', spoilt('chain', { centre: mm(73) })],
    ['a belt that does not go round', spoilt('timing-belt', { beltTeeth: 20 })],
    ['pulleys that overlap', spoilt('friction-belt', { centre: mm(1) })],
    ['an undercut gear', spoilt('spur', { teethDriver: 8 })],
    ['a bevel gear beyond its table', spoilt('bevel', { teethDriver: 6 })],
    ['a planetary set that does not go together', spoilt('planetary', { ringTeeth: 61 })],
    ['a worm that locks', spoilt('worm', { friction: typed(0.3, '') })],
    ['a spool on a barrow', spoilt('spool', {})],
    ['a track on a barrow', spoilt('track', {})],
  ])('of %s something is offered, and each ends it', (_, stage) => {
    const build = withOnly(stage);
    const found = offeredFor(build);
    expect(found.length).toBeGreaterThan(0);
    expect(found.some(({ offered }) => offered.length > 0)).toBe(true);
    for (const { finding, offered } of found)
      for (const move of offered) {
        const after = applyChanges(build, move.changes);
        expect(buildSchema.safeParse(after).success).toBe(true);
        expect(
          stageFindings(after).map(({ id }) => id),
          move.text,
        ).not.toContain(finding.id);
      }
  });

  it('shafts are moved to where the wheels clear each other, by name and unit', () => {
    const [first] = offeredFor(withOnly(spoilt('chain', { centre: mm(10) })));
    const apart = first?.offered.filter(({ text }) => /^The shafts [\d.]+\s+mm apart$/.test(text)) ?? [];
    expect(apart.length).toBeGreaterThan(0);
    // Pitch circles of 12 and 36 teeth at 3/8 in: their halves together are 72.8 mm.
    const touch = (9.525 * 48) / (2 * Math.PI);
    for (const { text } of apart) expect(Number(/[\d.]+/.exec(text)?.[0])).toBeGreaterThan(touch);
  });

  it('in inches where the builder thinks in them', () => {
    const build = withOnly(spoilt('chain', { centre: mm(10) }));
    const all = moves(build, evaluate(build), { shelf: [], system: 'imperial' });
    const texts = all.flatMap((m) => m.moves).map(({ text }) => text);
    expect(texts.filter((t) => t.startsWith('The shafts')).every((t) => /\sin apart$/.test(t))).toBe(true);
    expect(texts.join()).not.toMatch(/\d\smm/);
  });

  it('a longer belt lets its pulleys clear: L = 2C + p(z1 + z2)/2 + (p Δz/2π)²/C', () => {
    const build = withOnly(spoilt('timing-belt', { beltTeeth: 20 }));
    const lengths = offeredFor(build).flatMap(({ offered }) =>
      offered.map(({ text }) => Number(/of (\d+) teeth/.exec(text)?.[1])),
    );
    // Pulleys of 20 and 60 teeth touch at 80/2π pitches; with a fifth and three fifths of that between them.
    const touch = 80 / (2 * Math.PI);
    const round = (pitches: number): number =>
      Math.ceil(80 / 2 + 2 * pitches + (40 / (2 * Math.PI)) ** 2 / pitches);
    expect(lengths).toEqual([round(1.2 * touch), round(1.6 * touch)]);
  });

  it('gears of more teeth keep their ratio near and are not undercut (17 teeth at 20°)', () => {
    const stage = spoilt('spur', { teethDriver: 8, teethDriven: 24 });
    const build = withOnly(stage);
    const larger = offeredFor(build).flatMap(({ offered }) =>
      offered.filter(({ text }) => text.startsWith('Gears of')),
    );
    expect(larger.length).toBeGreaterThan(0);
    for (const move of larger) {
      const [after] = driveOf(applyChanges(build, move.changes)).stages;
      if (after?.kind !== 'spur') throw new Error('it is still a pair of gears');
      expect(after.teethDriver).toBeGreaterThanOrEqual(17);
      expect(stageFigures(after).ratio).toBeCloseTo(3, 1);
    }
  });

  it('a spool where there is no winch can go: the stage is taken out, no thicker core helps', () => {
    const build = withOnly(spoilt('spool', {}));
    const problem = offeredFor(build).find(({ finding }) => finding.id === 'stage-problem/only');
    expect(problem?.finding.severity).toBe('stop');
    expect(problem?.offered.map(({ text }) => text)).toEqual(['No spool and rope']);
    const [move] = problem?.offered ?? [];
    expect(move && driveOf(applyChanges(build, move.changes)).stages).toEqual([]);
  });

  it('calls a V-belt by its capital within a sentence', () => {
    const texts = offeredFor(withOnly(spoilt('friction-belt', { centre: mm(1) }))).flatMap(({ offered }) =>
      offered.map(({ text }) => text),
    );
    expect(texts.join()).not.toMatch(/ v[- ]/);
  });
});

describe('a track on the ground', () => {
  const sanderling = buildSchema.parse(
    JSON.parse(readFileSync('data/builds/sanderling.zubric.json', 'utf8')),
  );
  const offered = moves(sanderling, evaluate(sanderling), { shelf: [] }).flatMap((m) => m.moves);

  it('stays: no move runs a tracked vehicle on a chain or a belt', () => {
    expect(offered.length).toBeGreaterThan(0);
    for (const move of offered)
      expect(driveOf(applyChanges(sanderling, move.changes)).stages.at(-1)?.kind, move.text).toBe('track');
  });

  it('is set wider by saying how far apart the tracks are, not by a word that means both', () => {
    const wider = offered.filter(({ text }) => text.startsWith('The tracks '));
    expect(wider.length).toBeGreaterThan(0);
    expect(offered.filter(({ text }) => text.startsWith('A track of'))).toEqual([]);
    for (const move of wider) {
      const [axle] = applyChanges(sanderling, move.changes).layout.axles;
      const [was] = sanderling.layout.axles;
      expect(axle?.track.value).not.toBe(was?.track.value);
    }
  });

  it('ends the drive where its layout is chosen, and only there', () => {
    expect(
      stageFindings(withOnly(freshStage('track', 'only', 1), on('tracked'))).map(({ id }) => id),
    ).not.toContain('stage-problem/only');
    expect(
      stageFindings(withOnly(freshStage('spool', 'only', 1), on('winch'))).map(({ id }) => id),
    ).not.toContain('stage-problem/only');
  });
});
