import { describe, expect, it } from 'vitest';
import { z } from 'zod';
import { fieldsOf, isWithin, quantity } from './index.ts';

const schema = z
  .strictObject({
    id: z.string(),
    kind: z.literal('wheel'),
    teeth: z.int().min(3).max(500).meta({ title: 'Teeth' }),
    lead: quantity('angle', { above: 0, below: 1.5 }, 'Lead angle', 'Of the thread').optional(),
    width: quantity('length', { above: 0 }, 'Width'),
    size: z.enum(['a', 'b']).meta({ title: 'Size' }),
  })
  .readonly();

describe('the fields of a schema', () => {
  it('are its counts and quantities, called, explained and limited as it does', () => {
    expect(fieldsOf(schema)).toEqual([
      { key: 'teeth', title: 'Teeth', optional: false, least: 3, most: 500 },
      {
        key: 'lead',
        title: 'Lead angle',
        help: 'Of the thread',
        optional: true,
        dimension: 'angle',
        above: 0,
        below: 1.5,
      },
      { key: 'width', title: 'Width', optional: false, dimension: 'length', above: 0 },
    ]);
  });

  it('take just what the schema takes', () => {
    const [teeth, lead] = fieldsOf(schema);
    const takes = (key: string, value: number): boolean =>
      schema.safeParse({
        id: 'w',
        kind: 'wheel',
        teeth: 12,
        width: { value: 0.02, unit: 'mm', origin: 'typed' },
        size: 'a',
        [key]: key === 'teeth' ? value : { value, unit: '°', origin: 'typed' },
      }).success;
    for (const count of [2, 3, 500, 501]) expect(teeth && isWithin(teeth, count)).toBe(takes('teeth', count));
    for (const angle of [0, 0.1, 1.4999, 1.5])
      expect(lead && isWithin(lead, angle)).toBe(takes('lead', angle));
  });
});
