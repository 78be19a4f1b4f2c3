import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { run } from './run.ts';

const files = { read: (path: string) => readFileSync(path, 'utf8') };
const TEASEL = 'data/builds/teasel.zubric.json';
const balance = (...args: readonly string[]) => run(['balance', ...args], files);
const answer = (...args: readonly string[]) => {
  const { out, err, status } = balance(TEASEL, ...args);
  expect(err).toBe('');
  expect(status).toBe(0);
  return JSON.parse(out) as Record<string, Record<string, unknown>>;
};

describe('zubric balance', () => {
  it('prints plant, proposed gains, the run with them and the map', () => {
    const { plant, proposed, run: ran, region } = answer('--seconds', '2');
    expect(plant).toMatchObject({ loopTimeS: 0.005, assumed: ['wheels-mass'] });
    expect(proposed?.kp).toBeGreaterThan(0);
    expect(ran).toMatchObject({ falls: false });
    for (const key of ['peakLeanDeg', 'settleS', 'endM', 'peakA'])
      expect(ran?.[key]).toEqual(expect.any(Number));
    expect(region).toHaveLength(144);
  });

  it('drives it over a floor where one is given, and says what is wrong with one', () => {
    const { floor, catches } = answer('--seconds', '2', '--floor', '{"kind":"board","heightM":0.004}');
    expect(floor).toMatchObject({ run: { falls: false, reaches: true, over: true }, stickIdle: false });
    expect(catches?.leanDeg).toBeGreaterThan(3);
    expect(answer('--seconds', '2')).not.toHaveProperty('floor');
    expect(balance(TEASEL, '--floor', '{"kind":"ice"}').err).toMatch(/--floor kind: /);
    expect(balance(TEASEL, '--floor', 'soft').err).toMatch(/--floor: .*expected object/);
  });

  it('runs gains of one’s own, lets it go at a lean or pushes it, with its load or empty', () => {
    const fallen = answer('--gains', '{"kp":0,"ki":0,"kd":0}', '--lean', '1', '--empty', '--seconds', '3');
    expect(fallen.run).toMatchObject({ falls: true, peakLeanDeg: 45 });
    const pushed = answer('--lean', '0', '--nudge', '0.3', '--seconds', '2', '--encoders-ms', '0');
    expect(pushed.run).toMatchObject({ falls: false });
    expect(pushed.plant).toMatchObject({ loopTimeS: 0.0025 });
  });

  it('tells the motors a speed that their driver holds, where that is asked', () => {
    const { proposed, run: ran } = answer('--commands', 'speed', '--seconds', '2');
    expect(proposed).toMatchObject({ kd: 0 });
    expect(ran).toMatchObject({ falls: false });
    expect(balance(TEASEL, '--commands', 'thought').err).toMatch(/--commands wants one of voltage, speed/);
  });

  it('says what is wrong in a line', () => {
    expect(balance().err).toMatch(/zubric balance FILE/);
    expect(balance(TEASEL, '--gains', '{"kp":1}').err).toMatch(/--gains wants \{"kp"/);
    expect(balance(TEASEL, '--lean', '60').err).toMatch(/--lean 60: /);
    expect(balance(TEASEL, '--lean').err).toMatch(/--lean wants something after it/);
    expect(balance(TEASEL, '--faster', '1').err).toMatch(/--faster is not known/);
    expect(balance('data/builds/puffin.zubric.json').err).toMatch(/does not balance/);
  });
});
