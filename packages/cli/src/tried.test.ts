import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { run } from './run.ts';

const files = { read: (path: string) => readFileSync(path, 'utf8') };
const RAIL = 'data/builds/glasshouse-rail.zubric.json';
const zubric = (...args: readonly string[]) => run(args, files);
const answer = (...args: readonly string[]) => {
  const { out, err, status } = zubric(...args);
  expect([err, status]).toEqual(['', 0]);
  return JSON.parse(out) as Record<string, never>;
};

describe('zubric creep', () => {
  it('prints whether it sticks, above which speed it does not, what would mend it, steps, counts and travel', () => {
    const all = answer('creep', RAIL);
    expect(Object.keys(all).sort()).toEqual(
      [
        'counts',
        'otherwise',
        'rig',
        'run',
        'runsOnM',
        'smoothAboveMps',
        'speedMps',
        'steps',
        'swingHz',
      ].concat(...['toBeSmooth', 'travel', 'turns']),
    );
    expect(all).toMatchObject({ speedMps: 0.004, turns: 'evenly', travel: { lengthM: 22, timeS: 5500 } });
  });

  it('takes what was measured, and another job', () => {
    const set = '{"breakawayN": 12, "movingN": 4, "turns": "in-steps", "stepsPerTurn": 200}';
    expect(answer('creep', RAIL, '--set', set)).toMatchObject({
      rig: { breakawayN: 12, movingN: 4 },
      turns: 'in-steps',
    });
    expect(answer('creep', RAIL, '--job', 'back')).toMatchObject({ speedMps: 0.08 });
  });

  it('says what is wrong in a line', () => {
    expect(zubric('creep').err).toMatch(/zubric creep FILE/);
    expect(zubric('creep', RAIL, '--set', '{"pushedN": -1}').err).toMatch(/--set: pushedN/);
    expect(zubric('creep', RAIL, '--set', '[]').err).toMatch(/--set wants an object in JSON/);
    expect(zubric('creep', RAIL, '--set').err).toMatch(/--set wants something after it/);
    expect(zubric('creep', RAIL, '--quick', 'x').err).toMatch(/--quick is not known/);
    expect(zubric('creep', RAIL, '--job', 'none').err).toMatch(/no such job/);
    expect(zubric('roll', RAIL).err).toMatch(/no inner drive/);
    expect(zubric('roll', RAIL, '--set', '{"stop": "thrown"}').err).toMatch(/--set: stop/);
  });
});
