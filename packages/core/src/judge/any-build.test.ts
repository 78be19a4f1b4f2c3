import { describe, expect, it } from 'vitest';
import { many } from '../testing/many.ts';
import { randomBuild, spoiltDocument } from '../testing/random-build.ts';
import { openBuild, readBuild } from '../vehicle/index.ts';
import { evaluate } from './evaluate.ts';

/** So many of each. */
const MANY = many(1000, 10_000);
const PATIENCE_MS = 120_000 + 60 * MANY;

/** The path of the first number that is none, or of a text that speaks of one. */
function fault(x: unknown, path = ''): string | undefined {
  if (typeof x === 'number') return Number.isFinite(x) ? undefined : path;
  if (typeof x === 'string') return /NaN|Infinity|undefined/.test(x) ? `${path}: ${x}` : undefined;
  if (typeof x !== 'object' || x === null) return undefined;
  for (const [key, value] of Object.entries(x)) {
    const found = fault(value, `${path}.${key}`);
    if (found !== undefined) return found;
  }
  return undefined;
}

describe('a build of any numbers that the schema takes', () => {
  it(
    'is judged: nothing is thrown, and every figure is a number',
    () => {
      let judged = 0;
      for (let seed = 1; seed <= MANY; seed++) {
        const build = randomBuild(seed);
        if (!build) continue;
        judged++;
        const problem = fault(evaluate(build));
        expect(problem, `seed ${seed}`).toBeUndefined();
      }
      // Most draws are builds: the others fail where one field must agree with another.
      expect(judged).toBeGreaterThan(0.9 * MANY);
    },
    PATIENCE_MS,
  );

  it(
    'spoilt somewhere is refused with a place and a sentence, or judged all the same',
    () => {
      let refused = 0;
      for (let seed = 1; seed <= MANY; seed++) {
        const document = spoiltDocument(seed);
        const read = readBuild(document);
        openBuild(document);
        if (read.ok) {
          expect(fault(evaluate(read.build)), `seed ${seed}`).toBeUndefined();
          continue;
        }
        refused++;
        for (const { path, message } of read.problems) {
          expect(path).not.toBe('');
          expect(message.length).toBeGreaterThan(5);
        }
      }
      expect(refused).toBeGreaterThan(MANY / 4);
    },
    PATIENCE_MS,
  );
});

describe('a build saved with a number beyond what is reckoned with', () => {
  const build = (() => {
    const found = randomBuild(3) ?? randomBuild(4);
    if (!found) throw new Error('the draw is a build');
    return found;
  })();
  const heavy = {
    ...build,
    masses: {
      ...build.masses,
      payload: { ...build.masses.payload, mass: { value: 1e15, unit: 'kg', origin: 'typed' } },
    },
  };

  it('is refused as a file, with its place and what would do', () => {
    const read = readBuild(heavy);
    expect(read).toMatchObject({
      ok: false,
      problems: [
        { path: 'masses.payload.mass.value', message: expect.stringMatching(/at most 1000000/) as string },
      ],
    });
  });

  it('is opened all the same, at the nearest that is, and keeps what it was', () => {
    const opened = openBuild(heavy);
    if (!opened.ok) throw new Error(JSON.stringify(opened.problems));
    expect(opened.build.masses.payload.mass).toMatchObject({ value: 1e6, beyond: 1e15 });
    expect(fault(evaluate(opened.build))).toBeUndefined();
    // What is marked can be saved and read again.
    expect(readBuild(JSON.parse(JSON.stringify(opened.build))).ok).toBe(true);
    // What is no number, or below 0 where nothing is, is not mended by opening.
    const below = {
      ...heavy,
      masses: {
        ...heavy.masses,
        payload: { ...heavy.masses.payload, mass: { ...heavy.masses.payload.mass, value: -1 } },
      },
    };
    expect(openBuild(below).ok).toBe(false);
  });
});
