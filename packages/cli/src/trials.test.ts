import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { run } from './run.ts';

const puffin = JSON.parse(readFileSync('data/builds/puffin.zubric.json', 'utf8')) as object;
const q = (value: number, unit: string) => ({ value, unit, origin: 'measured' });
const straight = {
  id: 'quay',
  protocol: 'straight-run',
  name: 'Quay',
  conditions: { commanded: q(3, 'm'), by: 'counts' },
  trials: Array.from({ length: 10 }, (_, n) => ({
    reading: { side: q(0.05 + 0.001 * n, 'mm'), distance: q(2.95, 'm') },
  })),
};
const drawer = {
  protocol: 'motor-matching',
  name: 'Drawer',
  conditions: { motors: ['a', 'b', 'c'], powers: [q(1, '%')], ways: 'forward', reads: 'speed' },
  trials: [100, 110, 101].map((rpm, n) => ({
    reading: { motor: 'abc'[n], power: q(1, '%'), way: 'forward', speed: q(rpm, 'rpm') },
  })),
};
const veers = {
  protocol: 'diagnosis',
  name: 'It veers',
  conditions: { symptom: 'veers', commanded: q(2, 'm'), track: q(0.3, 'm') },
  trials: [
    ...[0.06, 0.065, 0.07].map((side) => ({ reading: { step: 'as-it-is', side: q(side, 'mm') } })),
    ...[-0.06, -0.06, -0.07].map((side) => ({ reading: { step: 'swap-wheels', side: q(side, 'mm') } })),
  ],
};
const told = (file: unknown) => run(['trials', 'x.json'], { read: () => JSON.stringify(file) });

describe('zubric trials', () => {
  it('prints each set with what it says, what was foretold, and whether the two agree', () => {
    const outcome = told({ ...puffin, trialSets: [straight, drawer, veers] });
    expect(outcome).toMatchObject({ status: 0, err: '' });
    const { sets, matching, diagnosis } = JSON.parse(outcome.out) as Record<
      string,
      Record<string, unknown>[]
    >;
    expect(sets?.map(({ id, protocol, n }) => [id, protocol, n])).toEqual([
      ['quay', 'straight-run', 10],
      ['set-2', 'motor-matching', 3],
      ['set-3', 'diagnosis', 6],
    ]);
    expect(sets?.[0]).toMatchObject({
      verdict: 'veers-right',
      measured: { side: { n: 10 }, share: {} },
      predicted: { side: {}, share: {} },
    });
    expect([true, false]).toContain(sets?.[0]?.agrees);
    expect(matching?.[0]).toMatchObject({ setId: 'set-2', bestPair: { a: 'a', b: 'c' } });
    expect(diagnosis?.[0]).toMatchObject({ setId: 'set-3', symptom: 'veers', verdict: 'found' });
    expect((diagnosis?.[0]?.ranked as { cause: string }[] | undefined)?.[0]?.cause).toBe('wheels');
  });

  it('ends a search in the moves of the margins that its cause hangs on', () => {
    const pip = JSON.parse(readFileSync('data/builds/pip.zubric.json', 'utf8')) as object;
    const hill = {
      protocol: 'diagnosis',
      name: 'Stands on the ramp',
      conditions: { symptom: 'no-start' },
      trials: [
        { reading: { step: 'see', answer: 'creeps' } },
        { reading: { step: 'amps', answer: 'no' } },
        { reading: { step: 'push', answer: 'yes' } },
      ],
    };
    const found = (build: object) =>
      (
        JSON.parse(told({ ...build, trialSets: [hill] }).out) as {
          diagnosis: {
            ranked: { cause: string; links: string[] }[];
            moves: { text: string; gains: string }[];
          }[];
        }
      ).diagnosis[0];
    expect(found(pip)?.ranked[0]).toMatchObject({ cause: 'torque', links: ['torque'] });
    expect(found(pip)?.moves.length).toBeGreaterThan(0);
    expect(found(pip)?.moves.filter(({ gains }) => !/^wheel.torque|^nothing/.test(gains))).toEqual([]);
  });

  it('takes a whole as well, and a build without trials', () => {
    const whole = {
      format: 'zubric-whole',
      version: 1,
      build: puffin,
      snapshots: [],
      log: [],
      trialSets: [straight],
    };
    expect((JSON.parse(told(whole).out) as { sets: unknown[] }).sets).toHaveLength(1);
    expect(JSON.parse(told(puffin).out)).toEqual({ sets: [], matching: [], diagnosis: [] });
  });

  it('says in a line each what is wrong with a file, and how it is called', () => {
    const bad = told({ ...puffin, trialSets: [{ ...straight, conditions: {} }] });
    expect(bad).toMatchObject({ status: 2, out: '' });
    expect(bad.err).toMatch(/^trialSets\.0\.conditions\.commanded: /);
    expect(run(['trials'], { read: () => '' }).err).toContain('zubric trials FILE');
    expect(told('nothing').status).toBe(2);
  });
});
