import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { boundsOf, inUnits, typed } from '../quantity/index.ts';
import { many } from '../testing/many.ts';
import { demoBuilds } from '../testing/demo-builds.ts';
import { courseOf, type Build } from '../vehicle/index.ts';
import { matchingOf } from './all-matchings.ts';
import type { Field, FieldValue } from './field.ts';
import { measuredWorking } from './measured-working.ts';
import { nextRun, oddIn } from './next-run.ts';
import {
  conditionFields,
  PROTOCOL_NAMES,
  protocolOf,
  readingFields,
  readingSchema,
  type ProtocolName,
} from './protocols.ts';
import type { TrialConditions, TrialReading } from './reading.ts';
import { takenPlaces, takeOver } from './take-over.ts';
import { resultOfSet } from './trial-set.ts';
import { usualConditions } from './usual.ts';

const builds = demoBuilds();
const pip = builds['pip'] as Build;
/** So many sets of each kind. */
const SETS = many(40, 400);

/** Any value that a field takes, the ends of its range and of what is reckoned with among them. */
function valueOf(field: Field, names: readonly string[]): fc.Arbitrary<FieldValue> {
  switch (field.kind) {
    case 'quantity': {
      const { least, most } = boundsOf(field.dimension);
      const from = field.range.above ?? field.range.least ?? (field.dimension === 'temperature' ? 250 : -1);
      const to = field.range.most ?? field.range.below ?? Math.min(most, 1000);
      const low = field.range.above === undefined ? from : Math.max(from + least, from + 1e-6);
      return fc
        .oneof(
          { weight: 1, arbitrary: fc.constantFrom(low, Math.min(to, 1)) },
          { weight: 6, arbitrary: fc.double({ min: low, max: to * (1 - 1e-9), noNaN: true }) },
        )
        .map((value) => typed(Math.abs(value) < least ? (low > 0 ? low : 0) : value, field.unit, 'measured'));
    }
    case 'choice':
      return fc.constantFrom(...Object.keys(field.options));
    case 'name':
      return fc.constantFrom(...names);
    case 'names':
      return fc.constant(names);
    case 'amounts':
      return fc.constant([typed(0.5, field.unit), typed(1, field.unit)]);
    case 'course':
      return fc.constant(courseOf([{ kind: 'turn', deg: 90 }]));
  }
}

const NAMES = ['1', '2', '3'];

const filled = (fields: readonly Field[]): fc.Arbitrary<Record<string, FieldValue>> =>
  fc.record(Object.fromEntries(fields.map((field) => [field.key, valueOf(field, NAMES)])));

/** Any run that the set would take: what its own words ask, and no more. */
const readingOf = (name: ProtocolName, conditions: TrialConditions): fc.Arbitrary<TrialReading> =>
  filled(readingFields(name, conditions)).map((reading) => {
    const asked = new Set(readingFields(name, conditions, reading).map(({ key }) => key));
    return { ...Object.fromEntries(Object.entries(reading).filter(([key]) => asked.has(key))), note: '' };
  });

describe('any readings that a set takes', () => {
  it.each(PROTOCOL_NAMES)(
    'of %s come to a verdict, numbers in order, and words, and never to a fault',
    (name) => {
      const usual = usualConditions(name, pip);
      const sets = filled(conditionFields(name, usual)).chain((more) => {
        const conditions: TrialConditions = { ...usual, ...(name === 'own' ? {} : more) };
        return fc
          .array(readingOf(name, conditions), { maxLength: 24 })
          .map((readings) => ({ conditions, readings }));
      });
      fc.assert(
        fc.property(sets, ({ conditions, readings }) => {
          for (const reading of readings)
            expect(readingSchema(name, conditions).safeParse(reading).error?.issues).toBeUndefined();
          const set = { protocol: name, conditions, trials: readings.map((reading) => ({ reading })) };
          const result = resultOfSet(set);
          expect(result.verdict).not.toBe('');
          expect(inUnits(result.says, 'imperial')).not.toMatch(/NaN|undefined|Infinity/);
          for (const note of result.notes)
            expect(inUnits(note, 'metric')).not.toMatch(/NaN|undefined|Infinity/);
          for (const one of result.measured) {
            expect(Number.isFinite(one.value), one.key).toBe(true);
            if (one.low !== undefined && one.high !== undefined) {
              expect(one.low, one.key).toBeLessThanOrEqual(one.value + 1e-9 * Math.abs(one.value));
              expect(one.high, one.key).toBeGreaterThanOrEqual(one.value - 1e-9 * Math.abs(one.value));
            }
            const work = measuredWorking(set, one);
            // Of means over every run the working gives the same number.
            if (work && !['share', 'diameter'].includes(one.key))
              expect(Number(work.found.mean)).toBeCloseTo(one.value, 6);
            if (one.key in takenPlaces(name)) {
              const next = takeOver(name, pip, { measured: one, conditions, result });
              if (typeof next === 'string') expect(next).toMatch(/\.$/);
            }
          }
          expect(result.outliers.every((at) => at >= 0 && at < readings.length)).toBe(true);
          const found = matchingOf(set);
          if (found)
            expect(found.pairs.every(({ mismatch }) => mismatch >= 0 && Number.isFinite(mismatch))).toBe(
              true,
            );
          const next = nextRun(name, conditions, readings);
          const keys = new Set(protocolOf(name).readings.map(({ key }) => key));
          expect(Object.keys(next).every((key) => keys.has(key))).toBe(true);
          expect(Array.isArray(oddIn(name, conditions, readings, readings[0] ?? {}))).toBe(true);
        }),
        { numRuns: SETS },
      );
    },
  );
});
