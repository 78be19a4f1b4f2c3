/** First power, service and what is left to buy (common practice, no source, but where a source is named). */
import { readFileSync } from 'node:fs';
import Papa from 'papaparse';
import { describe, expect, it } from 'vitest';
import { calculate } from '../calculators/index.ts';
import { figuresOf, HOUR_S, inUnits, typed, type Words } from '../quantity/index.ts';
import { freshStage, type Stage } from '../transmission/index.ts';
import { on } from '../testing/vehicles.ts';
import { arranged, m, part, puffin as demo } from '../testing/arranged.ts';
import { buildSchema, changeDrive, newAssemblyPlan, newBuild, type Build } from '../vehicle/index.ts';
import {
  addOwnLine,
  afterOuting,
  assemblySteps,
  checksOf,
  cutList,
  drillingList,
  firstTrial,
  handOver,
  lookedAfter,
  markLine,
  markStep,
  partsList,
  sawCheck,
  serviceDue,
  serviceOrder,
  toBuy,
  toBuyCsv,
} from './index.ts';

const puffin: Build = { ...demo, assembly: newAssemblyPlan() };
const read = (name: string): Build =>
  buildSchema.parse(JSON.parse(readFileSync(`data/builds/${name}.zubric.json`, 'utf8')));
const idsOf = (build: Build): string[] => checksOf(build).map(({ id }) => id);
const figures = (said: Words): readonly { readonly value: number }[] =>
  typeof said === 'string' ? [] : figuresOf(said);

describe('first power', () => {
  it('goes from a limited supply, off the ground, each motor by itself, to the floor, and by itself last', () => {
    const ids = idsOf(puffin);
    expect(ids.slice(0, 2)).toEqual(['limit', 'off-the-ground']);
    expect(ids.filter((id) => id.startsWith('direction.'))).toHaveLength(2);
    for (const [before, after] of [
      ['off-the-ground', 'direction.drive-1.1'],
      ['direction.drive-1.2', 'main-switch'],
      ['main-switch', 'stop-distance'],
      ['stop-distance', 'indoors-by-remote'],
      ['indoors-by-remote', 'outside-by-remote'],
      ['outside-by-remote', 'by-itself'],
    ] as const)
      expect(ids.indexOf(before)).toBeLessThan(ids.indexOf(after));
  });
  it('asks only for what the build has: a brake, a cap where somebody rides, a slope where there is one', () => {
    expect(idsOf(puffin)).toContain('on-the-slope');
    const flat = { ...puffin, duties: puffin.duties.map((duty) => ({ ...duty, grade: typed(0, '°') })) };
    expect(idsOf(flat)).not.toContain('on-the-slope');
    expect(idsOf(puffin)).not.toContain('brake');
    expect(idsOf(puffin)).not.toContain('speed-cap');
    const moth = read('moth');
    expect(idsOf(moth)).toEqual(expect.arrayContaining(['brake', 'speed-cap']));
    expect(idsOf(moth)).not.toContain('by-itself');
    expect(checksOf({ ...moth, people: 'riding' }).find(({ id }) => id === 'brake')?.how).toContain(
      'cuts the motors',
    );
  });
  it('lets through twice what all motors draw with nothing to drive', () => {
    const motor = puffin.parts.find((part) => part.kind === 'motor');
    if (motor?.kind !== 'motor' || !('noLoadA' in motor)) throw new Error('a motor with a sheet');
    const [limit] = checksOf(puffin);
    expect(figures(limit?.how ?? '')[0]?.value).toBeCloseTo(2 * 2 * Number(motor.noLoadA), 9);
    expect(checksOf(newBuild('Bare'))[0]?.how).toContain('fuse');
  });
  it('goes on to the next that was not passed, and keeps what was seen', () => {
    const first = sawCheck(puffin, 'limit', { on: '2027-03-01', passed: true });
    expect(handOver(first).next?.id).toBe('off-the-ground');
    const failed = sawCheck(first, 'off-the-ground', { on: '2027-03-01', passed: false, note: 'slipped' });
    expect(handOver(failed).next?.id).toBe('off-the-ground');
    expect(handOver(failed).checks[1]?.seen).toMatchObject({ passed: false, note: 'slipped' });
    expect(buildSchema.safeParse(failed).success).toBe(true);
    expect(sawCheck(first, 'limit', undefined)).toEqual(puffin);
    const all = idsOf(puffin).reduce((b, id) => sawCheck(b, id, { on: '2027-03-01', passed: true }), puffin);
    expect(handOver(all).next).toBeUndefined();
    expect([puffin, read('teasel'), read('glasshouse-rail'), on('winch')].map(firstTrial)).toEqual([
      'ten straight runs',
      expect.stringContaining('nudge'),
      expect.stringContaining('measured length'),
      expect.stringContaining('pull'),
    ]);
  });
});

const driven = (stage: Stage): Build => changeDrive(puffin, { stages: [stage] });

describe('service', () => {
  it('is due after the first hour for a chain, after the first outing for its bolts, and again', () => {
    const dueOf = (build: Build): string[] => serviceDue(build).flatMap(({ id, due }) => (due ? [id] : []));
    expect(dueOf(puffin)).toEqual([]);
    const out = afterOuting(puffin, 1.5);
    expect(dueOf(out)).toEqual(expect.arrayContaining(['bolts', 'stage-1.tension', 'battery']));
    const done = dueOf(out).reduce((b, id) => lookedAfter(b, id, '2027-05-01'), out);
    expect(dueOf(done)).toEqual([]);
    expect(serviceDue(done).find(({ id }) => id === 'stage-1.tension')?.left.runS).toBe(10 * HOUR_S);
    const often = Array.from({ length: 10 }).reduce<Build>((b) => afterOuting(b, 1), done);
    expect(dueOf(often)).toEqual(expect.arrayContaining(['bolts', 'stage-1.tension']));
    expect(buildSchema.safeParse(often).success).toBe(true);
  });
  it('says how hard a belt is pushed for its tension, as the sum for it reads it back', () => {
    const belt = freshStage('friction-belt', 'stage-1', 3);
    if (belt.kind !== 'friction-belt') throw new Error('a belt');
    const task = serviceDue(driven(belt)).find(({ id }) => id === 'stage-1.tension');
    const [deflection, push] = figures(task?.how ?? '');
    const run = Math.sqrt(
      belt.centre.value ** 2 - ((belt.drivenDiameter.value - belt.driverDiameter.value) / 2) ** 2,
    );
    const found = calculate('belt-tension', {
      ...{ freeLengthM: run, pushN: push?.value ?? 0, deflectionM: deflection?.value ?? 0 },
    }) as { tensionN: number };
    expect(found.tensionN).toBeCloseTo(belt.tension.value, 6);
  });
  it('asks for nothing that the build does not have', () => {
    const words = (build: Build): string =>
      serviceDue(build)
        .map(({ title }) => title)
        .join(' ');
    expect(words(puffin)).toMatch(/Chain/);
    expect(words(puffin)).not.toMatch(/Brake|Track|belt/i);
    expect(words(driven(freshStage('timing-belt', 'stage-1', 3)))).toMatch(/Toothed belt/);
    expect(words(driven(freshStage('worm', 'stage-1', 20)))).toMatch(/Grease, worm/);
    expect(words(read('sanderling'))).toMatch(/Track/);
    expect(words(read('moth'))).toMatch(/Brake/);
  });
  it('cares for a battery by its kind', () => {
    const how = (chemistry: string): string => {
      const parts = puffin.parts.map((part) => (part.kind === 'battery' ? { ...part, chemistry } : part));
      const build = buildSchema.parse({ ...puffin, parts });
      return String(serviceDue(build).find(({ id }) => id === 'battery')?.how);
    };
    expect(how('lead-acid')).toContain('once a month');
    expect(how('alkaline')).toContain('leak');
    expect(how('li-ion')).toContain('half full');
  });
  it('names what comes off first, from the layout', () => {
    expect(serviceOrder({ ...puffin, arrangement: undefined })).toEqual([]);
    for (const { name, takeOff } of serviceOrder(demo)) {
      expect(takeOff.length).toBeGreaterThan(0);
      expect(takeOff).not.toContain(name);
    }
  });
});

describe('what is cut and drilled', () => {
  it('is members of the frame, shafts by their lengths, and holes where they are', () => {
    const hole = {
      ...({ id: 'h', side: 'top', thread: 'M4', fit: 'close' } as const),
      ...{ right: m(0.02), up: m(-0.01), depth: m(0.012) },
    };
    const shaft = { id: 's', name: 'Lay shaft', length: m(0.3), float: m(0), stack: [] };
    const build = arranged([part({ id: 'box', at: [0.3, 0, 0.4], sides: [0.1, 0.1, 0.1], holes: [hole] })], {
      shafts: [shaft],
    });
    expect(cutList(build)).toContainEqual({ name: 'Lay shaft', of: 'shaft', lengthM: 0.3, count: 1 });
    const [drilled] = drillingList(build);
    expect(drilled).toMatchObject({ part: 'box', side: 'top', rightM: 0.02, upM: -0.01 });
    expect(inUnits(drilled?.hole ?? '', 'metric').replaceAll('\u00a0', ' ')).toBe('M4, close, 12 mm deep');
    const axle = cutList(demo).find(
      ({ of }) => typeof of !== 'string' && inUnits(of, 'metric').startsWith('shaft, Ø'),
    );
    if (axle) expect(axle.count).toBe(2);
  });
});

describe('what is left to buy', () => {
  const wished = (build: Build): Build =>
    partsList(build).reduce((b, line) => markLine(b, line, { state: 'wished-for' }), build);
  it('is every part that is not on hand, screws of the steps still to do, and what they use up', () => {
    const lines = toBuy([wished(puffin)]);
    const parts = lines.filter(({ kind }) => kind === 'part');
    expect(parts).toHaveLength(partsList(puffin).length);
    const wanted = assemblySteps(puffin).steps.flatMap(({ fasteners }) =>
      fasteners.filter(({ usual }) => usual),
    );
    const m6 = wanted.filter(({ size, kind }) => size === 'M6' && kind === 'screw');
    const bought = lines.find(({ name }) => name.startsWith('Socket head screw M6'));
    // A tenth to spare, two at least.
    const sum = m6.reduce((all, { count }) => all + count, 0);
    expect(bought?.count).toBe(sum + Math.max(2, Math.ceil(sum / 10)));
    expect(lines.some(({ name, kind }) => name === 'thread lock' && kind === 'consumable')).toBe(true);
    const tube = addOwnLine(wished(puffin), 'Thread lock, medium');
    expect(toBuy([tube]).filter(({ name }) => /thread lock/i.test(name))).toMatchObject([{ kind: 'part' }]);
    const done = assemblySteps(puffin).steps.reduce(
      (b, { id }) => markStep(b, id, { doneOn: '2027-03-01' }),
      puffin,
    );
    expect(toBuy([done]).filter(({ kind }) => kind !== 'part')).toEqual([]);
  });
  it('of two builds is one list: alike things together, one tube for both', () => {
    const one = wished(puffin);
    const other = { ...one, name: 'Auk' };
    const alone = toBuy([one]);
    for (const line of toBuy([one, other])) {
      expect(line.builds).toEqual(['Puffin', 'Auk']);
      const mine = alone.find(({ name, kind }) => name === line.name && kind === line.kind);
      if (line.kind === 'part') expect(line.count).toBe(2 * (mine?.count ?? 0));
      if (line.kind === 'consumable') expect(line.count).toBe(1);
    }
  });
  it('goes out as CSV by supplier, and runs no formula', () => {
    const build = addOwnLine(newBuild('Gull'), '=1+1');
    const own = partsList(build).find(({ source }) => source === 'own');
    const frame = partsList(build).find(({ id }) => id === 'frame');
    if (!own || !frame) throw new Error('lines');
    const noted = markLine(markLine(build, own, { supplier: 'the yard' }), frame, { supplier: 'a mill' });
    const { data } = Papa.parse<Record<string, string>>(toBuyCsv(toBuy([noted])), {
      header: true,
      skipEmptyLines: true,
    });
    expect(data.slice(0, 2).map(({ supplier, what }) => [supplier, what])).toEqual([
      ['a mill', 'Frame'],
      ['the yard', "'=1+1"],
    ]);
  });
});
