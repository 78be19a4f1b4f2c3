/** What is reckoned with: refused where it is handed in, brought to the nearest and marked where it was saved before. */
import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { evaluate } from '../judge/index.ts';
import { DIMENSIONS, boundsOf, isUnusual, withinBounds, type Dimension } from '../quantity/index.ts';
import { motorNominal, newBuild, openBuild, readBuild, type Build } from './index.ts';

const puffin: unknown = JSON.parse(readFileSync('packages/core/src/testing/puffin.zubric.json', 'utf8'));
type Json = Record<string, unknown>;
/** A copy of a document with another value at a path. */
function withAt(document: unknown, [step, ...rest]: readonly (string | number)[], value: unknown): unknown {
  if (step === undefined) return value;
  if (Array.isArray(document))
    return document.map((x: unknown, n) => (n === step ? withAt(x, rest, value) : x));
  const held = document as Json;
  return { ...held, [step]: withAt(held[step], rest, value) };
}
const problems = (document: unknown): readonly string[] => {
  const read = readBuild(document);
  return read.ok ? [] : read.problems.map(({ path, message }) => `${path}: ${message}`);
};
const opened = (document: unknown): Build => {
  const read = openBuild(document);
  if (!read.ok) throw new Error(read.problems.map(({ message }) => message).join('; '));
  return read.build;
};
const dimensions = Object.keys(DIMENSIONS) as Dimension[];

describe('the bounds of each dimension', () => {
  it.each(dimensions)(
    'of %s: what is usual lies within what is reckoned with, in SI between 1e-12 and 1e12',
    (d) => {
      const { least, most, usualLeast, usualMost } = boundsOf(d);
      expect(least).toBeGreaterThanOrEqual(1e-12);
      expect(most).toBeLessThanOrEqual(1e12);
      expect(least).toBeLessThanOrEqual(usualLeast);
      expect(usualLeast).toBeLessThan(usualMost);
      expect(usualMost).toBeLessThanOrEqual(most);
    },
  );

  it('keep what lies within, bring what lies beyond to the edge with its sign, and nothing to nothing', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...dimensions),
        fc.double({ noNaN: true, noDefaultInfinity: true }),
        (d, x) => {
          const { least, most } = boundsOf(d);
          const kept = withinBounds(d, x);
          expect(Math.abs(kept)).toBeLessThanOrEqual(most);
          if (kept !== 0) expect(Math.abs(kept)).toBeGreaterThanOrEqual(least);
          if (Math.abs(x) >= least && Math.abs(x) <= most) expect(kept).toBe(x);
          if (kept !== 0) expect(Math.sign(kept)).toBe(Math.sign(x));
          expect(withinBounds(d, kept)).toBe(kept);
        },
      ),
    );
  });

  it('ask of a tonne of barrow nothing, of five hundred tonnes whether it is meant', () => {
    expect(isUnusual('mass', 1000)).toBe(false);
    expect(isUnusual('mass', 500_000)).toBe(true);
    expect(isUnusual('mass', 1e-5)).toBe(true);
    expect(isUnusual('mass', 0)).toBe(false);
    expect(isUnusual('speed', -20)).toBe(false);
    expect(isUnusual('speed', -200)).toBe(true);
  });
});

describe('a document with a number beyond them', () => {
  const MASS = ['masses', 'payload', 'mass', 'value'] as const;

  it('is refused with its path, the number that is still taken, and one line for each', () => {
    const both = withAt(withAt(puffin, MASS, 1e9), ['grounds', 0, 'rolling', 'value'], 1e5);
    const lines = problems(both);
    expect(lines).toHaveLength(2);
    expect(lines.find((line) => line.startsWith('masses.payload.mass.value'))).toMatch(/at most 1000000/);
    expect(lines.find((line) => line.startsWith('grounds.0.rolling.value'))).toBeDefined();
  });

  it('opens where it was saved before, at the nearest that is reckoned with, and says what it was', () => {
    const build = opened(withAt(puffin, MASS, 1e9));
    expect(build.masses.payload.mass).toMatchObject({ value: 1e6, beyond: 1e9 });
    // As it stands it can be saved again as it is.
    expect(problems(JSON.parse(JSON.stringify(build)))).toEqual([]);
    expect(JSON.stringify(evaluate(build))).not.toMatch(/null,"ratio"|NaN/);
  });

  it('opens with a figure of a part beyond them too, noted in the part’s own note', () => {
    const document = puffin as { parts: { kind: string; note: string }[] };
    const at = document.parts.findIndex(({ kind }) => kind === 'motor');
    const far = withAt(puffin, ['parts', at, 'stallA'], 1e15);
    expect(problems(far)).toHaveLength(1);
    const part = opened(far).parts[at];
    expect(part?.kind === 'motor' && motorNominal(part).stallA).toBeLessThan(1e15);
    expect(part?.note).toContain('Saved with stallA 1000000000000000, beyond what is reckoned with.');
  });

  it('stays refused where anything else is wrong with it', () => {
    const broken = withAt(withAt(puffin, MASS, 1e9), ['masses', 'payload', 'mass', 'unit'], 'bushels');
    expect(openBuild(broken).ok).toBe(false);
  });

  it('opens untouched where nothing lies beyond', () => {
    const fresh = newBuild('Gull');
    expect(opened(JSON.parse(JSON.stringify(fresh)))).toEqual(fresh);
  });
});
