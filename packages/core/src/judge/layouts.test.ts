import { readFileSync, readdirSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { gripLimit, roughAnswer } from '../demand/index.ts';
import { typed } from '../quantity/index.ts';
import {
  DUTY_TEMPLATES,
  LAYOUT_TEMPLATES,
  TEMPLATES,
  buildFrom,
  buildSchema,
  choosePart,
  dutyFrom,
  partSchema,
  readBuild,
  type Build,
} from '../vehicle/index.ts';
import { workingOfLink } from '../working/index.ts';
import { textsOf } from '../testing/vehicles.ts';
import { evaluate } from './evaluate.ts';
import { limitsOf } from './event-limits.ts';
import { firstToGive } from './first-to-give.ts';
import { payloadSweep } from './payload-sweep.ts';

const shelf = ['motors', 'drivers', 'batteries'].flatMap((file) =>
  partSchema.array().parse(JSON.parse(readFileSync(`data/shelf/${file}.json`, 'utf8'))),
);
const fitted = (build: Build): Build =>
  (['motor', 'driver', 'battery'] as const).reduce((b, kind) => {
    const part = shelf.find((p) => p.kind === kind);
    return part ? choosePart(b, part) : b;
  }, build);

const numbersIn = (x: unknown): number[] =>
  typeof x === 'number'
    ? [x]
    : typeof x === 'object' && x !== null
      ? Object.values(x).flatMap(numbersIn)
      : [];

describe('any layout, made from nothing', () => {
  const everyDuty = (build: Build): Build => ({
    ...build,
    ...(build.steering ? { steering: { ...build.steering, actuatorTorque: typed(2, 'N·m') } } : {}),
    duties: DUTY_TEMPLATES.map((template) => dutyFrom(build, template, template.id)),
  });

  it.each(TEMPLATES.map((t) => [t.id, t] as const))(
    '%s is judged on every kind of job, with and without parts',
    (_, t) => {
      for (const build of [everyDuty(t.make('Gull')), fitted(everyDuty(t.make('Gull')))]) {
        expect(buildSchema.safeParse(build).error).toBeUndefined();
        const report = evaluate(build);
        expect(numbersIn(report).every(Number.isFinite)).toBe(true);
        expect(textsOf(build)).not.toMatch(/NaN|undefined|Infinity/);
        expect(numbersIn(roughAnswer(build) ?? {}).every(Number.isFinite)).toBe(true);
        for (const duty of build.duties) {
          expect(numbersIn(gripLimit(build, duty)).every(Number.isFinite)).toBe(true);
          firstToGive(report, duty.id);
        }
        // Loads always sum to what presses on the ground.
        for (const { footing } of report.duties) {
          const sum = footing.contacts.reduce((total, c) => total + c.loadN, 0);
          expect(Math.abs(sum - footing.acrossN)).toBeLessThan(1e-6 * footing.acrossN);
        }
      }
    },
  );

  it('every margin of the ground opens to both its sides, in the unit of its link', () => {
    const seen = new Set<string>();
    for (const t of LAYOUT_TEMPLATES) {
      const build = everyDuty(buildFrom(t.id, 'Gull'));
      for (const link of evaluate(build).links) {
        seen.add(link.link);
        for (const side of ['needs', 'has'] as const) {
          const working = workingOfLink(build, link, side);
          if (link[side] > 0)
            expect(working, `${t.id}, ${link.link}, ${link.dutyId ?? ''}, ${side}`).toBeDefined();
        }
      }
    }
    expect([...seen].sort()).toEqual([
      'brake-hold',
      'brake-stop',
      'clearance',
      'corner',
      'grip',
      'push-on',
      'slide-side',
      'steering',
      'step',
      'tip-along',
      'tip-side',
    ]);
  });
});

describe('the builds of the demo', () => {
  const files = readdirSync('data/builds').sort();
  const builds = files.map((file) => {
    const read = readBuild(JSON.parse(readFileSync(`data/builds/${file}`, 'utf8')));
    if (!read.ok) throw new Error(`${file}: ${JSON.stringify(read.problems)}`);
    return [file, read.build] as const;
  });

  it('are seven, each on a layout of its own', () => {
    expect(files).toHaveLength(7);
    expect(
      new Set(builds.map(([, b]) => `${b.layout.kind}, ${b.layout.axles.map((a) => a.form).join()}`)).size,
    ).toBe(7);
  });

  it.each(builds)(
    '%s stands, has something worth finding on the ground, and nothing nameless',
    (_, build) => {
      const report = evaluate(build);
      expect(report.duties.every(({ footing }) => footing.stands)).toBe(true);
      const ground = report.findings.filter((f) => f.link !== 'torque' && f.severity !== 'note');
      expect(ground.length).toBeGreaterThan(0);
      expect(build.duties.length).toBeGreaterThanOrEqual(4);
    },
  );

  const named = (name: string): Build => {
    const found = builds.find(([file]) => file.startsWith(name));
    if (!found) throw new Error(`no build ${name}`);
    return found[1];
  };
  const says = (name: string): string => textsOf(named(name));

  it('say what their builders would find out too late', () => {
    expect(says('sanderling')).toMatch(/shorter on the ground, wider apart/);
    expect(says('sanderling')).toMatch(/long and narrow turns hard/);
    expect(says('moth')).toMatch(/pushes straight ahead on “Round the corner/);
    expect(says('moth')).toMatch(/nose is light on “Up the bridge”/);
    expect(says('pip')).toMatch(/does not get over the step on “Over the seam”/);
    expect(says('pip')).toMatch(/On three wheels it tips sideways/);
    expect(says('teasel')).toMatch(/the torque it needs on “/);
    expect(says('glasshouse-rail')).toMatch(/does not get over the step on “Over the tube joint”/);
  });

  it('check the limits of their event', () => {
    const moth = named('moth');
    expect(limitsOf(moth).every(({ holds }) => holds)).toBe(true);
    const narrow = { ...moth, aims: { ...moth.aims, width: typed(1, 'm') } };
    expect(
      limitsOf(narrow)
        .filter(({ holds }) => !holds)
        .map(({ title }) => title),
    ).toEqual(['width']);
    expect(textsOf(narrow)).toMatch(/Over the limit of its event: width/);
  });

  it('find the payload that makes the most of it, and none past what the margins bear', () => {
    const puffin = named('puffin');
    expect(payloadSweep({ ...puffin, aims: { maximise: 'none' } }, 8)).toBeUndefined();
    const sweep = payloadSweep(puffin, 12);
    if (!sweep?.best) throw new Error('there is a best payload');
    expect(sweep.points).toHaveLength(12);
    // A round is the distances of the duties over the speeds they reach (by hand, from the report at that payload).
    const loaded = {
      ...puffin,
      masses: {
        ...puffin.masses,
        payload: { ...puffin.masses.payload, mass: typed(sweep.best.payloadKg, 'kg') },
      },
    };
    const report = evaluate(loaded);
    const seconds = report.duties.reduce((s, d) => s + d.distanceM / (d.attainableMps ?? NaN), 0);
    expect(sweep.best.score).toBeCloseTo((sweep.best.payloadKg / seconds) * 3600, 6);
    expect(report.governing.every(({ ratio }) => ratio >= 1)).toBe(true);
    const heavier = sweep.points.filter((p) => p.payloadKg > (sweep.best?.payloadKg ?? 0));
    expect(heavier.length).toBeGreaterThan(0);
  });
});
