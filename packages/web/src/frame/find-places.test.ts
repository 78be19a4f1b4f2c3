import { describe, expect, it } from 'vitest';
import { matching, type Destination } from './find-places.ts';

const place = (kind: Destination['kind'], title: string, more = ''): Destination => ({
  kind,
  title,
  more,
  to: `/${title}`,
});
const places = [
  place('station', 'Power', 'Puffin'),
  place('build', 'Puffin', 'ice up a slip'),
  place('part', '24 V 250 W brushed gearmotor, 1:9', 'motor'),
  place('sum', 'Does the V-belt slip?', 'How long a belt or chain'),
];
const found = (text: string): string[] => matching(places, text).map((p) => p.title);

describe('the find box', () => {
  it('finds by all words, in any order and case, wherever they stand', () => {
    expect(found('gearmotor 24')).toEqual(['24 V 250 W brushed gearmotor, 1:9']);
    expect(found('MOTOR')).toEqual(['24 V 250 W brushed gearmotor, 1:9']);
    expect(found('sum belt')).toEqual(['Does the V-belt slip?']);
  });

  it('puts what begins so first, and what has it elsewhere last', () => {
    expect(found('puffin')).toEqual(['Puffin', 'Power']);
    expect(found('slip')).toEqual(['Does the V-belt slip?', 'Puffin']);
  });

  it('shows everything where nothing is asked, and nothing where nothing fits', () => {
    expect(found('  ')).toHaveLength(places.length);
    expect(found('zeppelin')).toEqual([]);
  });
});
