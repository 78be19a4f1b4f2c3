import { describe, expect, it } from 'vitest';
import { findCalculator } from '../calculators/index.ts';
import { show } from '../quantity/index.ts';
import { readBuild } from '../vehicle/index.ts';
import { GUIDE } from './index.ts';

const examples = GUIDE.flatMap(({ examples: all }) => all.map((example) => [example.id, example] as const));

describe('a worked example', () => {
  // Each is a closed form of mechanics or arithmetic, written beside it; none is read off the application.
  it.each(examples)('%s comes to what it comes to by hand', (_, { make, seen, value }) => {
    expect((seen(make()) ?? NaN) / value).toBeCloseTo(1, 5);
  });

  it.each(examples)('%s is a build that is kept and read again as it is', (_, { make, seen, value }) => {
    const read = readBuild(JSON.parse(JSON.stringify(make())));
    if (!read.ok) throw new Error(JSON.stringify(read.problems));
    expect((seen(read.build) ?? NaN) / value).toBeCloseTo(1, 5);
  });

  it('is called otherwise than any other', () => {
    expect(new Set(examples.map(([id]) => id)).size).toBe(examples.length);
    for (const [, { value, dimension }] of examples)
      expect(show(value, dimension, 'metric').text).not.toBe('');
  });
});

describe('the pages of the guide', () => {
  it('name sums that there are, each with its formula, its limits and its source, and say something of everything', () => {
    for (const { sums, answers, how, limits, examples: all } of GUIDE) {
      expect(Math.min(answers.length, how.length, limits.length, all.length, sums.length)).toBeGreaterThan(0);
      expect(new Set(sums).size).toBe(sums.length);
      for (const name of sums) {
        const { formula, source, limits: within } = findCalculator(name) ?? {};
        expect(
          [formula, source, within].every((text) => (text ?? '').length > 3),
          name,
        ).toBe(true);
      }
    }
  });
});
