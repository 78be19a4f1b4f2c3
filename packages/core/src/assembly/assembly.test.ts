import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import Papa from 'papaparse';
import { describe, expect, it } from 'vitest';
import {
  buildSchema,
  newAssemblyPlan,
  newBuild,
  readBuild,
  WEEKDAYS,
  type Build,
  type Weekday,
  driveOf,
  changeDrive,
  addDrive,
  throughDrive,
} from '../vehicle/index.ts';
import { typed } from '../quantity/index.ts';
import {
  addOwnLine,
  assemblyOutlook,
  changeOwnLine,
  dayAfter,
  markLine,
  markStep,
  partsCsv,
  partsList,
  partsTotal,
  removeOwnLine,
  weekdayOf,
} from './index.ts';
import { many } from '../testing/many.ts';

const read = readBuild(JSON.parse(readFileSync('packages/core/src/testing/puffin.zubric.json', 'utf8')));
if (!read.ok) throw new Error('the demo build cannot be read');
// What the demo has marked is left out: these tests mark for themselves.
const puffin: Build = { ...read.build, assembly: newAssemblyPlan() };
const SATURDAY = '2027-01-02';
const HOUR = 3600;

const withDays = (build: Build, workDays: readonly Weekday[], hours: number): Build => ({
  ...build,
  assembly: { ...build.assembly, workDays, hoursADay: typed(hours * HOUR, 'h') },
});
const allOnHand = (build: Build): Build =>
  partsList(build).reduce((b, line) => markLine(b, line, { state: 'on-hand' }), build);
const line = (build: Build, id: string) => {
  const found = partsList(build).find((l) => l.id === id);
  if (!found) throw new Error(`no line ${id}`);
  return found;
};
const step = (build: Build, id: string, today = SATURDAY) => {
  const found = assemblyOutlook(build, today).steps.find((s) => s.id === id);
  if (!found) throw new Error(`no step ${id}`);
  return found;
};

describe('the parts list', () => {
  it('follows from the build: two of what a driven wheel has, one battery', () => {
    const counts = Object.fromEntries(partsList(puffin).map((l) => [l.id, l.count]));
    expect(counts).toMatchObject({ motor: 2, battery: 1, driver: 1, 'driven-wheel': 2, 'main-switch': 1 });
    const chain = driveOf(puffin).stages.find((s) => s.kind === 'chain');
    expect(counts).toMatchObject({ [`${chain?.id ?? ''}.driver`]: 2, [`${chain?.id ?? ''}.chain`]: 2 });
  });

  it('names teeth and links as they are bought', () => {
    const names = partsList(puffin).map((l) => l.name);
    expect(names.some((name) => /^Sprocket, .*10 teeth$/.test(name))).toBe(true);
    expect(names.some((name) => /^Chain, .* \d*[02468] links, with connecting link$/.test(name))).toBe(true);
  });

  it('says where to choose what is not chosen', () => {
    expect(line(newBuild('Gull'), 'motor')).toMatchObject({ missing: 'Power', state: 'wished-for' });
  });

  it('keeps each note where it belongs: part, derived line or own line', () => {
    const ordered = markLine(puffin, line(puffin, 'motor'), {
      state: 'ordered',
      arrivesOn: '2027-01-20',
      costEach: 70,
    });
    expect(line(ordered, 'motor')).toMatchObject({ state: 'ordered', arrivesOn: '2027-01-20', costEach: 70 });
    const frame = markLine(puffin, line(puffin, 'frame'), { state: 'ordered', arrivesOn: '2027-01-09' });
    expect(line(frame, 'frame')).toMatchObject({ state: 'ordered', arrivesOn: '2027-01-09' });
    // What has come needs no day to come on.
    expect(line(markLine(frame, line(frame, 'frame'), { state: 'on-hand' }), 'frame')).not.toHaveProperty(
      'arrivesOn',
    );
    const own = changeOwnLine(addOwnLine(puffin, 'M6 bolts'), 'own-1', { count: 20 });
    const weighed = markLine(own, line(own, 'own-1'), { massEach: typed(0.01, 'g'), costEach: 0.3 });
    expect(line(weighed, 'own-1')).toMatchObject({ count: 20, massEachKg: 0.01, costEach: 0.3 });
    for (const build of [ordered, frame, weighed]) expect(buildSchema.safeParse(build).success).toBe(true);
    expect(removeOwnLine(weighed, 'own-1')).toEqual(puffin);
  });

  it('adds up what is known and counts what is not', () => {
    const build = markLine(puffin, line(puffin, 'frame'), { costEach: 40, massEach: typed(12, 'kg') });
    const total = partsTotal(partsList(build));
    const chosen = partsList(puffin).filter((l) => l.source === 'chosen');
    expect(total.cost).toBeCloseTo(40 + chosen.reduce((sum, l) => sum + l.count * (l.costEach ?? 0), 0), 9);
    expect(total.withoutMass).toBe(partsList(build).length - chosen.length - 1);
    expect(total.onHand + total.ordered + total.wishedFor).toBe(partsList(build).length);
  });

  it('goes out as CSV that reads back, and runs no formula in a spreadsheet', () => {
    const build = addOwnLine(puffin, '=HYPERLINK("x"), "quoted"');
    const back = Papa.parse<Record<string, string>>(partsCsv(partsList(build)), {
      header: true,
      skipEmptyLines: true,
    });
    expect(back.errors).toEqual([]);
    expect(back.data).toHaveLength(partsList(build).length);
    expect(back.data.find((row) => row.part?.startsWith('24 V 250 W'))).toMatchObject({
      count: '2',
      state: 'on-hand',
    });
    expect(back.data.at(-1)?.part).toBe('\'=HYPERLINK("x"), "quoted"');
  });

  it.each([
    ...['=1+1', '+1', '-1+2', '@SUM(A1)', ' =1', '\u00a0=1', '\u3000=1', '\u200b=1', '\ufeff=1', '\t=1'],
    ...['＝1+1', '＋1', '－1', '＠SUM(A1)', ' ＝1'],
  ])('quotes the name %j, which a spreadsheet may take for a formula', (name) => {
    const [line] = partsList(puffin);
    if (!line) throw new Error('there are parts');
    const [, row] = Papa.parse<string[]>(partsCsv([{ ...line, name }]), { skipEmptyLines: true }).data;
    expect(row?.[0]).toBe(`'${name}`);
  });

  it('leaves a name as it is that only holds such a sign', () => {
    const [line] = partsList(puffin);
    if (!line) throw new Error('there are parts');
    for (const name of ['M6 = metric', 'Ø 17 mm + key', '24 V', 'e-mail', '½ in']) {
      const [, row] = Papa.parse<string[]>(partsCsv([{ ...line, name }]), { skipEmptyLines: true }).data;
      expect(row?.[0]).toBe(name);
    }
  });
});

describe('the steps', () => {
  const order = assemblyOutlook(puffin, SATURDAY).steps.map((s) => s.id);
  const chain = driveOf(puffin).stages.find((s) => s.kind === 'chain')?.id ?? '';

  // Common practice, no source.
  it.each([
    ['motors', `${chain}.sprockets`, 'the motor before what sits on its shaft'],
    [`${chain}.loop`, 'wheels', 'the loop before the wheel goes on'],
    [`${chain}.align`, `${chain}.lock`, 'the line before the set screws are tight'],
    ['polarity', 'first-power', 'the meter before the battery'],
    [`${chain}.guard`, 'first-power', 'the guard before power'],
    ['first-power', 'first-run', 'wheels off the ground before the floor'],
  ])('put %s before %s: %s', (before, after) => {
    expect(order.indexOf(before)).toBeGreaterThanOrEqual(0);
    expect(order.indexOf(before)).toBeLessThan(order.indexOf(after));
    const follows = (id: string, other: string): boolean =>
      step(puffin, id).after.some((a) => a === other || follows(a, other));
    expect(follows(after, before)).toBe(true);
  });

  it('ask to prove stopping where the brief has a slope, and only there', () => {
    expect(step(puffin, 'slope').holdPoint).toContain('holds');
    const flat = { ...puffin, duties: puffin.duties.map((d) => ({ ...d, grade: typed(0, '°') })) };
    expect(assemblyOutlook(flat, SATURDAY).steps.some((s) => s.id === 'slope')).toBe(false);
  });

  it('caution by what the battery is', () => {
    expect(step(puffin, 'charge').caution).toMatch(/^Lithium/);
    const tall = {
      ...puffin,
      parts: puffin.parts.map((p) => (p.kind === 'battery' ? { ...p, series: 20 } : p)),
    };
    expect(step(tall, 'wiring').caution).toContain('licensed');
    expect(step(puffin, 'wiring').caution).toBeUndefined();
  });
});

describe('the dates', () => {
  it('spread four hours of frame over two Saturdays of two hours', () => {
    const build = withDays(allOnHand(puffin), ['sat'], 2);
    // The battery is put to charge first, which takes ten minutes of the first session.
    expect(step(build, 'frame')).toMatchObject({ state: 'now', startsOn: SATURDAY });
    const frameReady = step(build, 'frame').readyOn ?? '';
    expect(['2027-01-09', '2027-01-16']).toContain(frameReady);
    expect((step(build, 'castors').startsOn ?? '') >= frameReady).toBe(true);
  });

  it('wait for a cure while other work goes on, and then go on', () => {
    const build = withDays(allOnHand(puffin), WEEKDAYS, 24);
    const outlook = assemblyOutlook(build, SATURDAY);
    const handsOnS = outlook.steps.reduce((sum, s) => sum + s.handsOnS, 0);
    expect(outlook.leftS).toBe(handsOnS);
    // Sessions of whole days: at least all hands-on time, at most that and every wait one after the other.
    const waitingS = outlook.steps.reduce((sum, s) => sum + s.waitingS, 0);
    const days = (iso: string) => (Date.parse(iso) - Date.parse(SATURDAY)) / 86_400_000;
    expect(days(outlook.readyOn ?? '')).toBeGreaterThanOrEqual(Math.floor(handsOnS / 86_400));
    expect(days(outlook.readyOn ?? '')).toBeLessThanOrEqual(Math.ceil((handsOnS + waitingS) / 86_400));
  });

  it('say what waits for which part, what is overdue, and that a wish has no date', () => {
    const build = allOnHand(puffin);
    const ordered = markLine(build, line(build, 'frame'), { state: 'ordered', arrivesOn: '2026-12-30' });
    const outlook = assemblyOutlook(ordered, SATURDAY);
    expect(outlook.overdue.map((l) => l.id)).toEqual(['frame']);
    expect(step(ordered, 'frame').state).toBe('parts');
    expect((step(ordered, 'frame').startsOn ?? '') > SATURDAY).toBe(true);
    const wished = markLine(build, line(build, 'frame'), { state: 'wished-for' });
    expect(assemblyOutlook(wished, SATURDAY)).not.toHaveProperty('readyOn');
    expect(assemblyOutlook(wished, SATURDAY).undated.map((l) => l.id)).toEqual(['frame']);
    expect(step(wished, 'castors')).not.toHaveProperty('startsOn');
  });

  it('keep what was done, and hold back what a cure still holds back', () => {
    const chain = driveOf(puffin).stages.find((s) => s.kind === 'chain')?.id ?? '';
    let build = allOnHand(puffin);
    for (const s of assemblyOutlook(build, SATURDAY).steps)
      if (!['first-power', 'first-run', 'slope'].includes(s.id))
        build = markStep(build, s.id, { doneOn: '2026-12-20' });
    expect(step(build, 'first-power').state).toBe('now');
    const fresh = markStep(build, `${chain}.lock`, { doneOn: SATURDAY });
    expect(step(fresh, 'first-power').state).toBe('waits');
    expect((step(fresh, 'first-power').startsOn ?? '') > SATURDAY).toBe(true);
    const undone = markStep(build, 'frame', { doneOn: undefined });
    expect(undone.assembly.steps.some((m) => m.id === 'frame')).toBe(false);
  });

  it('count the days that stay for tuning, and tell what comes too late', () => {
    const build = withDays(allOnHand(puffin), ['sat'], 24);
    const { readyOn = '' } = assemblyOutlook(build, SATURDAY);
    const free = { ...build, readyBy: dayAfter(readyOn, 21) };
    expect(assemblyOutlook(free, SATURDAY).tuningDays).toBe(3);
    const tight = { ...build, readyBy: SATURDAY };
    const outlook = assemblyOutlook(tight, SATURDAY);
    expect(outlook.tuningDays).toBe(0);
    expect(outlook.steps.filter((s) => s.late).length).toBeGreaterThan(0);
    expect(assemblyOutlook({ ...build, readyBy: null }, SATURDAY)).not.toHaveProperty('tuningDays');
  });

  it('work only on working days, and never before what comes before', () => {
    const marks = fc.record({
      days: fc.uniqueArray(fc.constantFrom(...WEEKDAYS), { minLength: 1 }),
      minutes: fc.integer({ min: 10, max: 1440 }),
      done: fc.array(fc.nat(30)),
      late: fc.array(fc.tuple(fc.nat(30), fc.integer({ min: -10, max: 60 }))),
    });
    fc.assert(
      fc.property(marks, ({ days, minutes, done, late }) => {
        let build = withDays(allOnHand(puffin), days, minutes / 60);
        const lines = partsList(build);
        for (const [n, inDays] of late) {
          const chosen = lines[n % lines.length];
          if (chosen)
            build = markLine(build, chosen, { state: 'ordered', arrivesOn: dayAfter(SATURDAY, inDays) });
        }
        const ids = assemblyOutlook(build, SATURDAY).steps.map((s) => s.id);
        for (const n of done) build = markStep(build, ids[n % ids.length] ?? '', { doneOn: '2026-12-24' });
        expect(buildSchema.safeParse(build).success).toBe(true);
        const { steps } = assemblyOutlook(build, SATURDAY);
        const byId = new Map(steps.map((s) => [s.id, s]));
        for (const s of steps) {
          if (s.state === 'done') continue;
          expect(days).toContain(weekdayOf(s.startsOn ?? ''));
          expect((s.startsOn ?? '') >= SATURDAY).toBe(true);
          expect((s.readyOn ?? '') >= (s.startsOn ?? '')).toBe(true);
          for (const id of s.after) expect((s.startsOn ?? '') >= (byId.get(id)?.readyOn ?? '')).toBe(true);
          for (const l of s.lacking) expect((s.startsOn ?? '') >= (l.arrivesOn ?? '')).toBe(true);
        }
      }),
      { numRuns: many(200, 2000) },
    );
  });
});

describe('shafts, keys and screws of the torque path', () => {
  it('are parts of every driveline, by their sizes; what wheel and hub bring is not listed twice', () => {
    const lines = partsList(puffin).filter(({ id }) => id.startsWith('path.'));
    expect(lines.map(({ name, count }) => `${count} ${name.replaceAll('\u00a0', ' ')}`)).toEqual([
      '4 Set screw M8 for driver sprocket',
      '2 Key for driven sprocket, 5 mm × 5 mm × 21.3 mm',
      '2 Axle, Ø 17 mm',
      '2 Key for wheel hub, 5 mm × 5 mm × 21.3 mm',
    ]);
  });

  it('follow the drive: two motors a wheel have twice the screws on their shafts, a removed part none', () => {
    const two = changeDrive(puffin, { motorsPerWheel: 2 });
    expect(line(two, 'path.path-1').count).toBe(8);
    expect(line(two, 'path.path-3').count).toBe(2);
    const none = changeDrive(puffin, { path: [] });
    expect(partsList(none).some(({ id }) => id.startsWith('path.'))).toBe(false);
  });

  it('count what every drive needs: a lift beside has its own motor and rope, known by its id', () => {
    const { build, driveId } = addDrive(puffin, 'lift');
    const lines = partsList(build);
    expect(new Set(lines.map(({ id }) => id)).size).toBe(lines.length);
    expect(lines.find(({ id }) => id === `${driveId}.motor`)).toMatchObject({ count: 1, missing: 'Power' });
    expect(lines.some(({ id }) => id.startsWith(`${driveId}.stage-2.`))).toBe(true);
    // Looked at through the lift it is the same list.
    expect(partsList(throughDrive(build, driveId))).toEqual(lines);
    const row = {
      ...puffin,
      supply: { ...puffin.supply, packs: puffin.supply.packs.map((p) => ({ ...p, inSeries: 2 })) },
    };
    expect(partsList(row).find(({ id }) => id === 'battery')?.count).toBe(2);
  });
});
