import { describe, expect, it } from 'vitest';
import { z } from 'zod';
import { problemWords } from './index.ts';

const said = (schema: z.ZodType, value: unknown): string[] => {
  const read = schema.safeParse(value);
  return read.success ? [] : read.error.issues.map(problemWords);
};

describe('what a schema refuses', () => {
  it.each([
    [z.number(), 'wide', 'must be a number, and is a text'],
    [z.number(), null, 'must be a number, and is empty (null)'],
    [z.number(), undefined, 'is missing: give a number'],
    [z.int(), 1.5, 'must be a whole number'],
    [z.array(z.number()), 3, 'must be a list, and is a number'],
    [z.number().gt(0), 0, 'must be more than 0'],
    [z.number().min(2), 1, 'must be at least 2'],
    [z.number().lt(90), 90, 'must be less than 90'],
    [z.number().max(1), 2, 'must be at most 1'],
    [z.string().max(3), 'four', 'must have 3 or fewer characters'],
    [z.array(z.number()).min(1), [], 'must have 1 or more entries'],
    [z.iso.date(), 'soon', 'must be a day such as 2027-04-24'],
    [z.enum(['front', 'rear']), 'side', 'must be "front" or "rear"'],
    [z.string().min(1, 'give it a name'), '', 'give it a name'],
  ])('is said as what to change', (schema, value, words) => {
    expect(said(schema, value)).toEqual([words]);
  });

  it('names keys that are unknown', () => {
    expect(said(z.strictObject({ a: z.number() }), { a: 1, massKG: 2 })).toEqual([
      'has a key that nothing here is called: "massKG". Take it out, or check the spelling',
    ]);
  });
});
