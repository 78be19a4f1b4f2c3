/** The steps of any build: nothing that is not there, in an order that hands can follow (common practice, no source). */
import { readFileSync, readdirSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import {
  LAYOUT_TEMPLATES,
  buildSchema,
  choosePart,
  newBuild,
  partSchema,
  rollingDiameter,
  withLayout,
  type Build,
  type Part,
  type PartOf,
  driveOf,
  changeDrive,
} from '../vehicle/index.ts';
import { STAGE_KINDS, freshPath, freshStage, type Stage } from '../transmission/index.ts';
import { typed } from '../quantity/index.ts';
import { on } from '../testing/vehicles.ts';
import { assemblyOutlook, cautionForBattery, partsList } from './index.ts';

const shelf = ['motors', 'drivers', 'batteries'].flatMap((file): Part[] =>
  partSchema.array().parse(JSON.parse(readFileSync(`data/shelf/${file}.json`, 'utf8'))),
);
const battery = (chemistry: string): PartOf<'battery'> => {
  const found = shelf.find((part): part is PartOf<'battery'> => part.kind === 'battery');
  if (!found) throw new Error('the shelf has a battery');
  return partSchema.parse({ ...found, chemistry }) as PartOf<'battery'>;
};
const steps = (build: Build) => assemblyOutlook(build, '2027-01-02').steps;
const idsOf = (build: Build): string[] => steps(build).map(({ id }) => id);
const wordsOf = (build: Build): string =>
  steps(build)
    .map((s) => `${s.title} ${s.detail ?? ''}`)
    .join('\n');
const place = (build: Build, id: string): number => {
  const at = idsOf(build).indexOf(id);
  if (at < 0) throw new Error(`no step ${id} among ${idsOf(build).join(', ')}`);
  return at;
};
const driven = (build: Build, stages: readonly Stage[]): Build =>
  changeDrive(build, { stages, path: freshPath(stages, { wheelDiameterM: rollingDiameter(build).value }) });
const everyLayout = LAYOUT_TEMPLATES.map((t) => [t.id, withLayout(newBuild('Any'), t)] as const);
const demos = readdirSync('data/builds').map(
  (file) => [file, buildSchema.parse(JSON.parse(readFileSync(`data/builds/${file}`, 'utf8')))] as const,
);
const all = [...everyLayout, ...demos];

describe('every build', () => {
  it.each(all)('%s has steps that all come after what they need, and none twice', (_, build) => {
    const list = steps(build);
    const ids = list.map(({ id }) => id);
    expect(new Set(ids).size).toBe(ids.length);
    for (const [n, step] of list.entries())
      for (const before of step.after) {
        expect(ids, `${step.id} after ${before}`).toContain(before);
        expect(ids.indexOf(before), `${step.id} after ${before}`).toBeLessThan(n);
      }
  });

  it.each(all)('%s needs only parts that stand in its list', (_, build) => {
    const lines = new Set(partsList(build).map(({ id }) => id));
    for (const { id, needs } of steps(build))
      for (const need of needs) expect([...lines], id).toContain(need);
  });

  it.each(all)('%s names nothing that it does not stand on', (_, build) => {
    const forms = new Set(build.layout.axles.map(({ form }) => form));
    const words = wordsOf(build);
    for (const [form, word] of [
      ['castor', /castor/i],
      ['omni', /omni wheel/i],
      ['slider', /slider/i],
      ['track', /\btracks?\b on/i],
      ['shell', /shell/i],
    ] as const)
      if (!forms.has(form)) expect(words, form).not.toMatch(word);
    if (!build.layout.axles.some(({ steered }) => steered)) expect(words).not.toMatch(/kingpin/i);
    if (build.brake.kind !== 'friction') expect(idsOf(build)).not.toContain('brake');
    if (!driveOf(build).stages.some(({ kind }) => kind === 'chain')) expect(words).not.toMatch(/\bchain\b/i);
  });

  it.each(all)('%s first turns with its wheels off the ground, then on the floor', (_, build) => {
    expect(place(build, 'first-power')).toBeLessThan(place(build, 'first-run'));
    expect(place(build, 'polarity')).toBeLessThan(place(build, 'first-power'));
    expect(place(build, 'frame')).toBe(0);
  });
});

describe('one stage of each kind', () => {
  it.each(STAGE_KINDS)(
    'by %s: what sits on a motor’s shaft goes on once the motor is in, but for its gearhead',
    (kind) => {
      const build = driven(on('tug'), [freshStage(kind, 'stage-1', 4)]);
      const own = idsOf(build).filter((id) => id.startsWith('stage-1.'));
      expect(own.length).toBeGreaterThan(0);
      const first = Math.min(...own.map((id) => place(build, id)));
      if (kind === 'gearhead') expect(first).toBeLessThan(place(build, 'motors'));
      else expect(first).toBeGreaterThan(place(build, 'motors'));
      // Each of its parts is asked for by some step.
      const needed = new Set(steps(build).flatMap(({ needs }) => needs));
      for (const { id } of partsList(build))
        if (id.startsWith('stage-1.')) expect([...needed], id).toContain(id);
    },
  );

  it('gears are meshed after the motor, and locked after they are meshed', () => {
    const build = driven(on('tug'), [freshStage('spur', 'stage-1', 3)]);
    expect(place(build, 'motors')).toBeLessThan(place(build, 'stage-1.mesh'));
    expect(place(build, 'stage-1.mesh')).toBeLessThan(place(build, 'stage-1.lock'));
  });

  it('several stages say which of them is meant', () => {
    const build = driven(on('tug'), [freshStage('chain', 'stage-1', 3), freshStage('spur', 'stage-2', 2)]);
    const titles = steps(build).map(({ title }) => title);
    expect(titles.some((title) => title.endsWith('(chain)'))).toBe(true);
    expect(titles.some((title) => title.endsWith('(spur gears)'))).toBe(true);
    const alone = driven(on('tug'), [freshStage('chain', 'stage-1', 3)]);
    expect(steps(alone).some(({ title }) => title.endsWith('(chain)'))).toBe(false);
  });

  it('a track that its own stage puts on is not put on twice', () => {
    const bare = on('tracked');
    const staged = driven(bare, [freshStage('track', 'stage-1', 1)]);
    const puts = (build: Build): number =>
      steps(build).filter(({ title }) => /^Put the tracks? on/.test(title) || /track/i.test(title)).length;
    expect(puts(staged)).toBeGreaterThan(0);
    expect(idsOf(staged)).not.toContain('wheels');
    expect(idsOf(driven(bare, []))).toContain('wheels');
  });
});

describe('what stands and stops', () => {
  it('one driven wheel is one wheel, two are two', () => {
    const scooter = on('scooter');
    const tug = on('tug');
    expect(wordsOf(scooter)).toMatch(/Put the driven wheel on/);
    expect(wordsOf(tug)).toMatch(/Put the driven wheels on/);
  });

  it('a brake comes after what it brakes, and where somebody rides its lever cuts the motors', () => {
    const braked: Build = {
      ...on('scooter'),
      people: 'riding',
      brake: { ...on('scooter').brake, kind: 'friction' },
    };
    expect(place(braked, 'wheels')).toBeLessThan(place(braked, 'brake'));
    const brake = steps(braked).find(({ id }) => id === 'brake');
    expect(brake?.detail).toContain('cuts the motors');
    expect(brake?.caution).toContain('second pair of eyes');
    expect(brake?.holdPoint).toContain('cannot be pushed');
    const walked: Build = { ...braked, people: 'nobody' };
    expect(steps(walked).find(({ id }) => id === 'brake')?.detail).not.toContain('cuts the motors');
  });

  it('steering is set by what turns it, before the wheels that it turns go on', () => {
    const scooter = on('scooter');
    const byHand: Build = {
      ...scooter,
      steering: {
        linkageRatio: typed(1, ': 1'),
        kingpinOffset: typed(0.02, 'mm'),
        lockToLock: typed(1, '°'),
        knowsPosition: false,
        hand: { arm: typed(0.3, 'mm'), force: typed(60, 'N') },
      },
    };
    const detail = (build: Build): string | undefined =>
      steps(build).find(({ id }) => id === 'steering')?.detail;
    expect(detail(byHand)).toMatch(/the bar or wheel/i);
    const { hand: _, ...byActuator } = byHand.steering ?? {};
    expect(detail({ ...byHand, steering: byActuator as NonNullable<Build['steering']> })).toContain(
      'actuator',
    );
    if (idsOf(byHand).includes('free-wheels'))
      expect(place(byHand, 'steering')).toBeLessThan(place(byHand, 'free-wheels'));
  });

  it('shafts lie in their bearings before hubs go on them, hubs before wheels', () => {
    const build = driven(on('tug'), [freshStage('chain', 'stage-1', 3)]);
    expect(place(build, 'axle')).toBeLessThan(place(build, 'hubs'));
    expect(place(build, 'hubs')).toBeLessThan(place(build, 'wheels'));
    // Without a path there is nothing to lay or fit.
    const none: Build = changeDrive(build, { path: [] });
    expect(idsOf(none)).not.toContain('axle');
    expect(idsOf(none)).not.toContain('hubs');
  });
});

describe('the battery', () => {
  const withBattery = (chemistry: string): Build => choosePart(on('tug'), battery(chemistry));

  it.each(['li-ion', 'lipo', 'lifepo4'])('of %s is charged with the caution of lithium', (chemistry) => {
    const charge = steps(withBattery(chemistry)).find(({ id }) => id === 'charge');
    expect(charge?.caution).toMatch(/lithium/i);
  });

  it.each(['lead-acid', 'nimh'])('of %s is charged, without a word of lithium', (chemistry) => {
    const build = withBattery(chemistry);
    const charge = steps(build).find(({ id }) => id === 'charge');
    expect(charge).toBeDefined();
    expect(charge?.caution ?? '').not.toMatch(/lithium/i);
    expect(cautionForBattery(battery(chemistry))).not.toMatch(/lithium/i);
  });

  it('of primary cells is never charged', () => {
    const build = withBattery('alkaline');
    const charge = steps(build).find(({ id }) => id === 'charge');
    expect(charge?.title ?? '').not.toMatch(/^Charge/);
    expect(cautionForBattery(battery('alkaline'))).not.toMatch(/lithium/i);
  });
});
