import { describe, expect, it } from 'vitest';
import { SYMPTOM_NAMES, symptomOf } from '../diagnosis/index.ts';
import { typed } from '../quantity/index.ts';
import { demoBuilds } from '../testing/demo-builds.ts';
import { readBuildFile } from './build-file.ts';
import { runsFromLines } from './live.ts';
import { chargeFirst, nextRun, oddIn } from './next-run.ts';
import { conditionsSchema, PROTOCOL_NAMES, readingFields, readingSchema } from './protocols.ts';
import { runsFromCsv } from './runs-csv.ts';
import { usualConditions } from './usual.ts';

const puffin = demoBuilds()['puffin'];
const q = (value: number, unit: string) => typed(value, unit, 'measured');
const csv = (text: string) =>
  runsFromCsv(readingFields('straight-run', {}), readingSchema('straight-run', {}), text);

describe('runs from a table', () => {
  it('take columns in any order, by title or key, in the unit of the header or their own', () => {
    const { readings, problems } = csv('Distance covered (m),side\n2.95,12\n3.01,-0.5 in\n');
    expect(problems).toEqual([]);
    expect(readings.map(({ side }) => (side as { value: number }).value)).toEqual([0.012, -0.0127]);
    expect(readings[0]).toMatchObject({ distance: { value: 2.95, unit: 'm', origin: 'measured' } });
  });

  it('are refused line by line with what to change, and a table of something else as a whole', () => {
    expect(csv('side,distance\n12,fast\n,2\n').problems).toEqual([
      expect.stringMatching(/^Line 2: Distance covered: /),
      expect.stringMatching(/^Line 3: side: /),
    ]);
    expect(csv('a,b\n1,2').problems[0]).toContain('names no reading of this trial');
    expect(csv('   ')).toEqual({ columns: [], readings: [], problems: [] });
  });

  it('are read from a table that calls its columns otherwise, once it is told what they are', () => {
    const text = 'Abweichung;Weg [cm];Wer\n12;295;A\n-7;301;B\n';
    const fields = readingFields('straight-run', {});
    const read = (mapping: Record<string, string>) =>
      runsFromCsv(fields, readingSchema('straight-run', {}), text, mapping);
    expect(read({}).columns.map(({ key }) => key)).toEqual([null, null, null]);
    const told = read({ Abweichung: 'side', 'Weg [cm]': 'distance' });
    expect(told.problems).toEqual([]);
    expect(told.readings).toHaveLength(2);
    expect((told.readings[0]?.['distance'] as { value: number } | undefined)?.value).toBeCloseTo(2.95, 12);
    expect((told.readings[1]?.['side'] as { value: number } | undefined)?.value).toBe(-0.007);
    expect(told.columns[2]).toEqual({ heading: 'Wer', key: null });
    expect(read({ Abweichung: 'side', 'Weg [cm]': 'side' }).problems).toEqual([
      'Two columns are ended to the side: leave one out.',
    ]);
  });

  it('know words by what they are called', () => {
    const read = (text: string) => runsFromCsv(readingFields('pull', {}), readingSchema('pull', {}), text);
    expect(read('pull,Did the wheels spin?\n100,Yes').readings[0]).toMatchObject({ spun: 'yes' });
    expect(read('pull,spun\n100,maybe').problems[0]).toContain('"maybe" is none of yes, no');
  });
});

describe('lines of a controller', () => {
  it('are runs in the order in which they were to be made', () => {
    const conditions = {
      motors: ['1', '2'],
      powers: [q(1, '%')],
      ways: 'forward',
      reads: 'speed',
      repeats: q(1, ''),
    };
    const runs = runsFromLines(
      'motor-matching',
      (before) => nextRun('motor-matching', conditions, before),
      '# begins\nok 1\ngot 1 rpm=3000\nok 2\ngot 2 rpm=3100\ngot 3 side=1',
    );
    expect(runs.map(({ motor }) => motor)).toEqual(['1', '2']);
    expect((runs[1]?.speed as { value: number } | undefined)?.value).toBeCloseTo((3100 * Math.PI) / 30, 9);
  });
});

describe('what a set may hold', () => {
  it('is of a kind that there is, wherever a cause leads to a trial', () => {
    const trials = SYMPTOM_NAMES.flatMap((name) =>
      Object.values(symptomOf(name).causes).flatMap(({ trial }) => trial ?? []),
    );
    expect(trials.length).toBeGreaterThan(10);
    expect(trials.filter((trial) => !PROTOCOL_NAMES.some((name) => name === trial))).toEqual([]);
  });

  it('is what it begins with, of every kind of trial, once it has what is left to say', () => {
    const more = { 'run-down': { stopAt: q(20, 'V') } } as Partial<Record<string, object>>;
    for (const name of PROTOCOL_NAMES) {
      if (!puffin) throw new Error('Puffin is missing');
      const conditions = { ...usualConditions(name, puffin), ...more[name] };
      expect(conditionsSchema(name).safeParse(conditions).error?.issues, name).toBeUndefined();
    }
  });

  it('wants the reading that its words ask, and no other', () => {
    const schema = readingSchema('motor-matching', { reads: 'time' });
    const run = { motor: '1', power: q(1, '%'), way: 'forward' };
    expect(schema.safeParse({ ...run, time: q(3, 's') }).success).toBe(true);
    expect(schema.safeParse({ ...run, speed: q(3, 'rpm') }).success).toBe(false);
    expect(schema.safeParse(run).success).toBe(false);
    const slider = readingSchema('slider-choice', {});
    expect(slider.safeParse({ slider: 'ball', does: 'turn', turned: q(1, '°') }).success).toBe(true);
    expect(slider.safeParse({ slider: 'ball', does: 'turn', side: q(1, 'mm') }).success).toBe(false);
  });
});

describe('a build’s file with its trials', () => {
  const set = {
    protocol: 'pull',
    name: 'Yard',
    conditions: {},
    trials: [{ reading: { pull: q(9, 'N'), spun: 'no' } }],
  };

  it('has them beside its other keys, or in a whole', () => {
    const beside = readBuildFile({ ...puffin, trialSets: [set] });
    const whole = readBuildFile({
      format: 'zubric-whole',
      version: 1,
      build: puffin,
      trialSets: [{ ...set, id: 's1' }],
    });
    expect(beside.ok && beside.trialSets[0]).toMatchObject({ name: 'Yard', trials: [{ ordinal: 1 }] });
    expect(whole.ok && whole.trialSets[0]).toMatchObject({ id: 's1' });
    expect(beside.ok && beside.build).toEqual(whole.ok && whole.build);
    expect(readBuildFile(puffin)).toMatchObject({ ok: true, trialSets: [] });
  });

  it('says where it is wrong, in the build and in its trials', () => {
    const bad = readBuildFile({
      ...puffin,
      name: 3,
      trialSets: [{ ...set, trials: [{ reading: { pull: q(-9, 'N'), spun: 'no' } }] }],
    });
    expect(!bad.ok && bad.problems.map(({ path }) => path)).toEqual([
      'name',
      'trialSets.0.trials.0.reading.pull.value',
    ]);
    const other = readBuildFile({ ...puffin, trialSets: [{ ...set, protocol: 'loop' }] });
    expect(!other.ok && other.problems[0]?.path).toBe('trialSets.0.protocol');
  });
});

describe('the next run', () => {
  it('goes by turns, flips a pair that has run once, keeps what stays', () => {
    expect(nextRun('pivots', {}, [{ way: 'left' }])).toEqual({ way: 'right' });
    expect(nextRun('wheel-matching', {}, [{ left: 'a', right: 'b' }])).toEqual({ left: 'b', right: 'a' });
    expect(
      nextRun('wheel-matching', {}, [
        { left: 'a', right: 'b' },
        { left: 'b', right: 'a' },
      ]),
    ).toEqual({});
    expect(nextRun('score', {}, [{ payload: q(4, 'kg'), time: q(9, 's') }])).toEqual({ payload: q(4, 'kg') });
    expect(nextRun('pull', {}, [])).toEqual({});
  });

  it('is asked about where it is odd: further aside than along, out of line with those before it', () => {
    const near = Array.from({ length: 6 }, (_, n) => ({
      side: q(0.01 + 0.001 * n, 'mm'),
      distance: q(3, 'm'),
    }));
    expect(oddIn('straight-run', {}, near, { side: q(0.012, 'mm'), distance: q(3, 'm') })).toEqual([]);
    expect(oddIn('straight-run', {}, near, { side: q(0.9, 'mm'), distance: q(3, 'm') })).toEqual(['side']);
    expect(oddIn('straight-run', {}, [], { side: q(4, 'mm'), distance: q(3, 'm') })).toEqual(['side']);
  });

  it('waits for the charger where the battery fell by a twentieth, or under what the set allows', () => {
    expect(chargeFirst({ batteryBefore: q(12, 'V'), batteryAfter: q(11.41, 'V') })).toBe(false);
    expect(chargeFirst({ batteryBefore: q(12, 'V'), batteryAfter: q(11.39, 'V') })).toBe(true);
    expect(chargeFirst({ batteryBefore: q(11.9, 'V'), chargeUnder: q(12, 'V') })).toBe(true);
    expect(chargeFirst({})).toBe(false);
  });
});
