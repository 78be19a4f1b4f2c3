import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { run } from './run.ts';

const FILES = { read: (path: string) => readFileSync(path, 'utf8') };
interface Answer {
  readonly steps: readonly {
    readonly id: string;
    readonly title: string;
    readonly rule: string | null;
    readonly parts: readonly string[];
    readonly after: readonly string[];
    readonly why: Readonly<Record<string, string | null>>;
    readonly handsOnS: number;
    readonly waitS: number;
    readonly hands: number;
    readonly hold: string | null;
  }[];
  readonly calendar: readonly { stepId: string; from: string; to: string; who: readonly string[] }[];
  readonly wiring: readonly { id: string; inverted?: boolean }[];
  readonly readyOn: string | null;
  readonly tuningDays: number | null;
  readonly toOrder: readonly { id: string }[];
  readonly problems: readonly unknown[];
}
const planned = (file: string, ...flags: string[]): Answer =>
  JSON.parse(run(['assembly', `data/builds/${file}.zubric.json`, ...flags], FILES).out) as Answer;

describe('zubric assembly', () => {
  it.each(['puffin', 'sanderling', 'moth', 'pip', 'teasel', 'glasshouse-rail'])(
    'orders the steps of %s, each with its reasons, and fits each part once',
    (file) => {
      const { steps, problems } = planned(file, '--today', '2026-12-01');
      const ids = steps.map(({ id }) => id);
      steps.forEach(({ after, why }, n) => {
        for (const before of after) {
          expect(ids.indexOf(before)).toBeGreaterThanOrEqual(0);
          expect(ids.indexOf(before)).toBeLessThan(n);
          expect(why[before]).toMatch(/\.$/);
        }
      });
      const fitted = steps.flatMap(({ parts }) => parts);
      expect(new Set(fitted).size).toBe(fitted.length);
      expect(problems).toEqual([]);
    },
  );
  it('has dates with who does it, none before the day that is given, and wires', () => {
    const { steps, calendar, wiring } = planned('puffin', '--today', '2026-12-01');
    expect(calendar.length).toBeGreaterThan(0);
    const known = new Set(steps.map(({ id }) => id));
    for (const { stepId, from, to, who } of calendar) {
      expect(known.has(stepId)).toBe(true);
      expect(from >= '2026-12-01' && to >= from).toBe(true);
      expect(who.length).toBeGreaterThan(0);
    }
    expect(wiring.filter(({ inverted }) => inverted)).toHaveLength(1);
    const loop = steps.find(({ id }) => id === 'wheels');
    expect(loop).toMatchObject({ rule: 'loop-before-wheel', hands: 2 });
    expect(steps.find(({ id }) => id === 'polarity')?.hold).toContain('no short');
  });
  it('says how it is called, and what is wrong with a day or a file', () => {
    expect(run(['assembly'], FILES)).toMatchObject({ status: 2 });
    expect(run(['assembly', 'x.json', '--today'], FILES).err).toContain('2027-04-24');
    expect(run(['assembly', 'x.json', '--today', 'soon'], FILES).err).toContain('2027-04-24');
    expect(run(['assembly', 'x.json', '--people', '2'], FILES).err).toContain('zubric assembly');
    expect(run(['assembly', 'package.json'], FILES).err).toContain('format');
  });
});
