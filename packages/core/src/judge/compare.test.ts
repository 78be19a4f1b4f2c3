import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { newBuild, readBuild, driveOf, changeDrive } from '../vehicle/index.ts';
import { changeInWords, compareMargins, marginInWords, saysVerdict, type MovedMargin } from './compare.ts';
import { evaluate } from './evaluate.ts';

const read = readBuild(JSON.parse(readFileSync('packages/core/src/testing/puffin.zubric.json', 'utf8')));
if (!read.ok) throw new Error('the demo build cannot be read');
const puffin = read.build;
const teeth = (teethDriver: number) =>
  changeDrive(puffin, {
    stages: driveOf(puffin).stages.map((s) => (s.kind === 'chain' ? { ...s, teethDriver } : s)),
  });

describe('margins of two builds', () => {
  it('move where the build moved: one tooth less on the driver is more torque, at most a tenth more', () => {
    const moved = compareMargins(evaluate(teeth(10)), evaluate(teeth(9)));
    const torque = moved.find((m) => m.link === 'torque');
    const gain = (torque?.after?.ratio ?? 0) / (torque?.before?.ratio ?? 1);
    expect(gain).toBeGreaterThan(1);
    expect(gain).toBeLessThanOrEqual(10 / 9);
    expect(torque?.moved).toBe(true);
    expect(moved.find((m) => m.link === 'grip')?.moved).toBe(false);
  });

  it('stand still between equal builds', () => {
    expect(compareMargins(evaluate(puffin), evaluate(puffin)).some((m) => m.moved)).toBe(false);
  });

  it('are said with their verdict where that changed, and as none where there is no such link', () => {
    const at = (ratio: number, verdict: 'short' | 'tight' | 'ample') => ({ ratio, rule: 2, verdict });
    const torque = { link: 'torque', title: 'Wheel torque', moved: true } as const;
    expect(marginInWords({ ...torque, before: at(1.4, 'short'), after: at(1.6, 'short') })).toBe(
      'wheel torque 1.4 → 1.6 × its need',
    );
    expect(marginInWords({ ...torque, before: at(1.9, 'short'), after: at(2.1, 'tight') })).toContain(
      'no longer short',
    );
    expect(marginInWords({ ...torque, before: at(2.1, 'tight'), after: at(1.9, 'short') })).toContain(
      'now short',
    );
    expect(marginInWords({ ...torque, before: at(2.1, 'tight'), after: at(3, 'ample') })).toContain(
      'now ample',
    );
    const fresh = compareMargins(evaluate(newBuild('Gull')), evaluate(puffin)).find(
      (m) => m.link === 'torque',
    );
    expect(fresh && marginInWords(fresh)).toMatch(/^wheel torque none → /);
  });

  it('of what does not get moving are no factor', () => {
    const at = (ratio: number) => ({
      ratio,
      rule: 1,
      verdict: ratio < 1 ? ('fails' as const) : ('ample' as const),
    });
    const stands: MovedMargin = { link: 'speed', title: 'Speed', before: at(1.4), after: at(0), moved: true };
    expect(marginInWords(stands)).toBe('speed 1.4 × its need → cannot move, now failing');
    expect(changeInWords([stands])).toBe('Speed: it cannot move any more.');
    expect(marginInWords({ ...stands, link: 'grip', title: 'Grip' })).toContain('→ 0 ×');
  });

  it('tell by their words whether they came to another verdict', () => {
    const at = (ratio: number, verdict: 'fails' | 'short' | 'ample') => ({ ratio, rule: 2, verdict });
    const said = (before: MovedMargin['before'], after: MovedMargin['after']): string =>
      marginInWords({ link: 'torque', title: 'Wheel torque', before, after, moved: true });
    expect(saysVerdict(said(at(0.8, 'fails'), at(1.4, 'short')))).toBe(true);
    expect(saysVerdict(said(at(1.4, 'short'), at(2.4, 'ample')))).toBe(true);
    expect(saysVerdict(said(at(1.4, 'short'), at(1.5, 'short')))).toBe(false);
    expect(saysVerdict(said(null, at(1.5, 'short')))).toBe(false);
  });

  it('are said after an edit in one sentence: another verdict before all, and how many more moved', () => {
    const before = { ratio: 1.4, rule: 2, verdict: 'short' } as const;
    const margin = (title: string, after: MovedMargin['after']): MovedMargin => ({
      ...{ link: 'torque', title, before, after, moved: true },
    });
    const better = margin('Wheel torque', { ratio: 2.2, rule: 2, verdict: 'tight' });
    const alike = margin('Speed', { ratio: 1.5, rule: 2, verdict: 'short' });
    const fails = margin('Grip', { ratio: 0.9, rule: 1.2, verdict: 'fails' });
    expect(changeInWords([])).toBe('');
    expect(changeInWords([alike, better])).toBe(
      'Wheel torque is now 2.2 times what it needs, before 1.4, no longer short; 1 more margin moved.',
    );
    expect(changeInWords([better, alike, fails])).toBe(
      'Grip is now 0.9 times what it needs, before 1.4, now failing; 2 more margins moved.',
    );
    expect(changeInWords([{ ...alike, before: null }])).toBe('Speed is now 1.5 times what it needs.');
    expect(changeInWords([margin('Chain pull', null)])).toBe('Chain pull is not judged any more.');
  });
});
