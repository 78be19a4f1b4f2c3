import { execFileSync, spawnSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { run } from './run.ts';

const PUFFIN = 'packages/core/src/testing/puffin.zubric.json';
const noFiles = {
  read: (path: string): string => {
    throw new Error(`read ${path}`);
  },
};
const holding = (text: string) => ({ read: () => text });

describe('calc', () => {
  it('prints one JSON object', () => {
    const { out, status } = run(
      ['calc', 'gear-train', '{"stages":[{"teethDriver":60,"teethDriven":12}]}'],
      noFiles,
    );
    expect(status).toBe(0);
    expect(JSON.parse(out)).toEqual({ ratio: 0.2, efficiency: 1 });
  });

  it('answers a batch line for line whatever is on one of them, odd cycles of motors too', () => {
    const lines = [
      {
        name: 'match-motors',
        input: { motors: [100, 101, 140, 141, 90].map((v) => ({ label: `${v}`, values: [v] })) },
      },
      { name: 'road-load', input: { massKg: 1e308, rollingCoefficient: 1e308 } },
      { name: 'toString', input: {} },
      { name: 'gear-train', input: { stages: null } },
      { name: 'gear-train', input: { stages: [{ teethDriver: 10, teethDriven: 20 }] } },
    ];
    const { out, status } = run(
      ['calc', '--batch', '-'],
      holding([...lines.map((line) => JSON.stringify(line)), '{"name":', '[]'].join('\n')),
    );
    const answers = out
      .trim()
      .split('\n')
      .map((line) => JSON.parse(line) as { ok: boolean; code?: string });
    expect(status).toBe(0);
    expect(answers.map(({ ok, code }) => (ok ? 'ok' : code))).toEqual([
      'ok',
      'out-of-range',
      'unknown-calculator',
      'invalid-input',
      'ok',
      'invalid-input',
      'invalid-input',
    ]);
  });

  it('lists the names, one a line', () => {
    const names = run(['calc', '--list'], noFiles).out.trim().split('\n');
    expect(names).toContain('road-load');
    expect(names).toContain('simulate-launch');
  });

  it('says one line per problem, with its path, and exits 2', () => {
    const { err, out, status } = run(
      ['calc', 'road-load', '{"massKg":-1,"rollingCoefficient":0.1,"slope":3}'],
      noFiles,
    );
    expect(status).toBe(2);
    expect(out).toBe('');
    expect(err.trim().split('\n')).toHaveLength(2);
    expect(err).toContain('massKg:');
    expect(err).toContain('slope');
  });

  it('says what cannot be, with its stable code', () => {
    const { err, status } = run(
      ['calc', 'chain-drive', '{"chain":"ansi-35","teethSmall":10,"teethLarge":36,"centreMm":20}'],
      noFiles,
    );
    expect(status).toBe(2);
    expect(err).toMatch(/^sprockets-overlap: .*apart\.\n$/);
  });

  it('refuses what is not JSON and names it does not know', () => {
    expect(run(['calc', 'road-load', '{mass'], noFiles)).toMatchObject({ status: 2, out: '' });
    expect(run(['calc', 'perpetual-motion', '{}'], noFiles).err).toContain('perpetual-motion');
  });

  it('answers a batch line for line, right and wrong, and exits 0', () => {
    const lines = [
      '{"name":"gear-train","input":{"stages":[{"teethDriver":10,"teethDriven":20}]}}',
      '{"name":"gear-train","input":{}}',
      'not json',
      '{"input":{}}',
      '{"name":"battery-sag","input":{"openCircuitV":10,"resistanceOhm":1,"powerW":26}}',
      '{"name":"nothing","input":{}}',
    ];
    const { out, status } = run(['calc', '--batch', 'calls'], holding(lines.join('\n')));
    const answers = out
      .trim()
      .split('\n')
      .map((line) => JSON.parse(line) as { ok: boolean; code?: string });
    expect(status).toBe(0);
    expect(answers.map((a) => (a.ok ? 'ok' : a.code))).toEqual([
      'ok',
      'invalid-input',
      'invalid-input',
      'invalid-input',
      'beyond-peak-power',
      'unknown-calculator',
    ]);
  });
});

describe('evaluate', () => {
  it('gives Puffin’s slip as worked by hand: 137.9 rolling, 273.1 grade, 411.0 N in all', () => {
    const { out, status } = run(['evaluate', PUFFIN], { read: (path) => readFileSync(path, 'utf8') });
    const report = JSON.parse(out) as { duties: { id: string; resistance: Record<string, number> }[] };
    const slip = report.duties.find((d) => d.id === 'slip-loaded')?.resistance;
    expect(status).toBe(0);
    expect(slip?.rollingN).toBeCloseTo(137.9, 0.5);
    expect(slip?.gradeN).toBeCloseTo(273.1, 0.5);
    expect(slip?.totalN).toBeCloseTo(411.0, 0.5);
  });

  it('refuses a bad file with one line per problem and exit 2', () => {
    const build = JSON.parse(readFileSync(PUFFIN, 'utf8')) as Record<string, unknown>;
    const bad = JSON.stringify({ ...build, name: '', duties: 3 });
    const { err, status } = run(['evaluate', 'bad.json'], holding(bad));
    expect(status).toBe(2);
    expect(err.trim().split('\n')).toHaveLength(2);
    expect(err).toMatch(/^name: /m);
    expect(err).toMatch(/^duties: /m);
  });

  it('says which file cannot be read', () => {
    const { err, status } = run(['evaluate', 'no-such-file.json'], { read: (p) => readFileSync(p, 'utf8') });
    expect(status).toBe(2);
    expect(err).toContain('no-such-file.json');
  });
});

describe('the command as other tools call it', () => {
  it('runs without a build, reads standard input, and keeps its exit codes', () => {
    const input = '{"massKg":178,"rollingCoefficient":0.08,"gradeDeg":9}';
    const out = execFileSync('npm', ['run', '-s', 'zubric', '--', 'calc', 'road-load', '-'], {
      input,
      encoding: 'utf8',
    });
    expect((JSON.parse(out) as { totalN: number }).totalN).toBeCloseTo(411, 1);
    const bad = spawnSync('npm', ['run', '-s', 'zubric', '--', 'evaluate', 'package.json'], {
      encoding: 'utf8',
    });
    expect(bad.status).toBe(2);
    expect(bad.stdout).toBe('');
    expect(bad.stderr).toContain('not a Zubric build');
  });
});
