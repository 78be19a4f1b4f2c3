import { readFileSync } from 'node:fs';
import { evaluate } from '@zubric/core/judge';
import { partsToCsv } from '@zubric/core/exchange';
import { partSchema, readBuild, type Build } from '@zubric/core/vehicle';
import { describe, expect, it } from 'vitest';
import { run } from './run.ts';

const FILES = { read: (path: string) => readFileSync(path, 'utf8') };
const MOTH = 'data/builds/moth.zubric.json';
const PUFFIN = 'data/builds/puffin.zubric.json';
const puffin = JSON.parse(readFileSync(PUFFIN, 'utf8')) as Build;
const SHELF = ['motors', 'drivers', 'batteries'].map((kind) => `data/shelf/${kind}.json`);
const shelf = SHELF.flatMap((path) => partSchema.array().parse(JSON.parse(readFileSync(path, 'utf8'))));

interface Told {
  readonly motor: string;
  readonly driver: string | null;
  readonly battery: string;
  readonly stages: Build['drives'][number]['stages'];
  readonly cost: number | null;
  readonly massKg: number;
  readonly runTimeS: number | null;
  readonly worst: { link: string; dutyId: string | null; ratio: number; rule: number; verdict: string };
}
interface Answer {
  readonly judged: number;
  readonly seconds: number;
  readonly front: readonly Told[];
  readonly ranked: readonly Told[];
  readonly rejected: readonly { part: string; why: string }[];
}
const searched = (...args: readonly string[]): Answer =>
  JSON.parse(run(['search', MOTH, ...args], FILES).out) as Answer;

/** A set put in a build file by hand, as a tool that knows the format would. */
function putIn(set: Told): Build {
  const file = JSON.parse(readFileSync(MOTH, 'utf8')) as Record<string, unknown> & {
    drives: Record<string, unknown>[];
    supply: Record<string, unknown>;
    parts: { id: string }[];
  };
  const parts = [set.motor, set.driver, set.battery].flatMap(
    (id) => shelf.find((part) => part.id === id) ?? [],
  );
  const motors = 1;
  const driver = parts.find((part) => part.kind === 'driver');
  const read = readBuild({
    ...file,
    drives: [{ ...file.drives[0], motorId: set.motor, driverId: set.driver, stages: set.stages }],
    supply: {
      ...file.supply,
      packs: [{ id: set.battery, inSeries: 1, inParallel: 1 }],
      drivers: driver ? [{ id: driver.id, count: Math.ceil(motors / driver.channels) }] : [],
    },
    parts: [...file.parts.filter(({ id }) => !parts.some((part) => part.id === id)), ...parts],
  });
  if (!read.ok) throw new Error(read.problems.map(({ message }) => message).join('; '));
  return read.build;
}

describe('search', () => {
  const answer = searched('--shelf', ...SHELF, '--stages', '2', '--top', '3');

  it('prints sets which, put in the build file, have the margins that it prints', () => {
    expect(answer.judged).toBeGreaterThan(1000);
    expect(answer.front.length).toBeGreaterThan(3);
    for (const set of answer.front) {
      const { links, outing } = evaluate(putIn(set));
      const [worst] = [...links].sort((a, b) => a.ratio / a.rule - b.ratio / b.rule);
      const { link, dutyId, ratio, rule, verdict } = set.worst;
      expect({ link, dutyId, rule, verdict }).toEqual({
        link: worst?.link,
        dutyId: worst?.dutyId,
        rule: worst?.rule,
        verdict: worst?.verdict,
      });
      expect(ratio / (worst?.ratio ?? NaN)).toBeCloseTo(1, 9);
      expect((set.runTimeS ?? NaN) / (outing?.runTimeS ?? NaN)).toBeCloseTo(1, 9);
    }
  });

  it('ranks as many as are asked, all of the front, and says of each other part why not', () => {
    expect(answer.ranked).toHaveLength(3);
    for (const set of answer.ranked) expect(answer.front).toContainEqual(set);
    const inFront = new Set(answer.front.flatMap(({ motor, driver, battery }) => [motor, driver, battery]));
    for (const { id } of shelf)
      expect(answer.rejected.some(({ part, why }) => part === id && why.endsWith('.'))).toBe(
        !inFront.has(id),
      );
  });

  it('keeps to what is on hand, to a budget, a mass, and a number of stages', () => {
    const { front } = searched('--on-hand', '--budget', '450', '--most-kg', '9', '--stages', '2');
    for (const { motor, driver, battery, cost, massKg, stages } of front) {
      for (const id of [motor, driver, battery])
        expect(shelf.find((part) => part.id === id)?.state ?? 'on-hand').toBe('on-hand');
      expect(cost ?? Infinity).toBeLessThanOrEqual(450);
      expect(massKg).toBeLessThanOrEqual(9);
      expect(stages.length).toBeLessThanOrEqual(2);
    }
  });

  it('makes new stages of belts and chains that are on hand alone, where that is told', () => {
    const { front, judged } = JSON.parse(
      run(['search', PUFFIN, '--loops-on-hand', '--event', '--stages', '1'], FILES).out,
    ) as Answer;
    const others = partSchema.array().parse(JSON.parse(readFileSync('data/shelf/others.json', 'utf8')));
    const lengths = others.flatMap((part) =>
      part.kind === 'belt' && part.state === 'on-hand' ? part.teeth : [],
    );
    const own = puffin.drives[0]?.stages ?? [];
    expect(judged).toBeGreaterThan(1000);
    for (const stage of front.flatMap(({ stages }) => stages)) {
      if (stage.kind === 'timing-belt') expect(lengths).toContain(stage.beltTeeth);
      // No chain of its pitch, 3/8 inch, lies on the shelf: the build's own chain, or one of another pitch.
      if (stage.kind === 'chain' && stage.chain === 'ansi-35') expect(own).toContainEqual(stage);
    }
  });

  it('leaves out parts and sorts that are named, and refuses a name that is none', () => {
    const without = ['--without', 'driver-2x60', 'lead-acid', 'brushed'];
    const { front, rejected } = searched('--stages', '1', ...without);
    const named = (id: string) => shelf.find((part) => part.id === id);
    expect(front.length).toBeGreaterThan(0);
    for (const { motor, driver, battery } of front) {
      expect(named(motor)).not.toMatchObject({ type: 'brushed' });
      expect(named(battery)).not.toMatchObject({ chemistry: 'lead-acid' });
      expect(driver).not.toBe('driver-2x60');
    }
    const why = (id: string) => rejected.find(({ part }) => part === id)?.why;
    expect(why('driver-2x60')).toBe('You left it out.');
    expect(why('motor-24v-350w-9')).toBe('You left out all of its sort.');
    const { status, err } = run(['search', MOTH, '--without', 'steping'], FILES);
    expect(status).toBe(2);
    expect(err).toContain('“steping” is no part of the shelf, and no sort: brushed, brushless,');
  });

  it('reads a shelf as a table too', () => {
    const few = shelf.filter(({ id }) => ['motor-24v-350w-9', 'driver-2x60', 'battery-8s-20'].includes(id));
    const files = { read: (path: string) => (path === 'shelf.csv' ? partsToCsv(few) : FILES.read(path)) };
    const { rejected, front } = JSON.parse(
      run(['search', MOTH, '--shelf', 'shelf.csv'], files).out,
    ) as Answer;
    const told = [
      ...rejected.map(({ part }) => part),
      ...front.flatMap(({ motor, driver, battery }) => [motor, driver, battery]),
    ];
    expect(told.length).toBeGreaterThan(2);
  });

  it.each([
    [[], 'name one build file'],
    [[MOTH, MOTH], 'name one build file'],
    [[MOTH, '--shelf'], '--shelf is followed by one or more files'],
    [[MOTH, '--budget', 'much'], '--budget is followed by a number, 0 or more'],
    [[MOTH, '--most-kg'], '--most-kg is followed by a number, 0 or more'],
    [[MOTH, '--cheap'], '“--cheap” is not known'],
    [[MOTH, '--shelf', MOTH], `${MOTH}: `],
  ])('refuses %j with what would do', (args, why) => {
    const { status, err, out } = run(['search', ...args], FILES);
    expect(status).toBe(2);
    expect(err).toContain(why);
    expect(out).toBe('');
  });
});
