import { courseOf, newBuild, type Course, type Leg } from '@zubric/core/vehicle';
import { fireEvent, screen } from '@testing-library/react';
import { useState } from 'react';
import { describe, expect, it } from 'vitest';
import { enter, fieldCalled, onBench, pressButton, text } from '../../testing/on-bench.tsx';
import { Legs } from './Legs.tsx';
import { FRESH_LEGS, LEG_TITLES } from './courses.ts';

/** The legs as they are edited, and what they have become. */
function edited(...legs: Leg[]): () => readonly Leg[] {
  let now: Course = courseOf(legs);
  function Edited() {
    const [course, setCourse] = useState(now);
    now = course;
    return <Legs course={course} onChange={setCourse} />;
  }
  onBench(<Edited />, newBuild('Gull'));
  return () => now.legs;
}

describe('the legs of a course', () => {
  it('go so far, forward or back, in any unit', () => {
    const legs = edited({ kind: 'go', distanceM: 2 });
    enter('Way, back negative, leg 1', '-6 ft');
    expect(legs()).toEqual([{ kind: 'go', distanceM: expect.closeTo(-1.8288, 6) as number }]);
    enter('Way, back negative, leg 1', '0');
    expect(text()).toContain('A way of up to 1000 m, back where it is negative.');
    expect(legs()).toEqual([{ kind: 'go', distanceM: expect.closeTo(-1.8288, 6) as number }]);
  });

  it('turn by degrees about a radius, up to ten times round', () => {
    const legs = edited({ kind: 'turn', deg: 90, radiusM: 0 });
    enter('Right, left negative, leg 1', '-45');
    enter('Radius, 0 on the spot, leg 1', '1.5 m');
    expect(legs()).toEqual([{ kind: 'turn', deg: expect.closeTo(-45, 9) as number, radiusM: 1.5 }]);
    enter('Right, left negative, leg 1', '4000');
    expect(text()).toContain('A turn of up to ten times round.');
    enter('Radius, 0 on the spot, leg 1', '-1 m');
    expect(text()).toContain('A radius of up to 1000 m; 0 turns on the spot.');
    expect(legs()).toEqual([{ kind: 'turn', deg: expect.closeTo(-45, 9) as number, radiusM: 1.5 }]);
  });

  it('give each side a command of its own for a time', () => {
    const legs = edited({ kind: 'free', seconds: 2, left: 0.5, right: 0.5 });
    enter('Command, left, leg 1', '80 %');
    enter('Command, right, leg 1', '-20 %');
    enter('For, leg 1', '1500 ms');
    expect(legs()).toEqual([{ kind: 'free', seconds: 1.5, left: 0.8, right: -0.2 }]);
    enter('Command, left, leg 1', '120 %');
    expect(text()).toContain('From −100 % to 100 % of full command.');
    expect(legs()).toEqual([{ kind: 'free', seconds: 1.5, left: 0.8, right: -0.2 }]);
  });

  it('cover an area in rows, and wait', () => {
    const legs = edited(FRESH_LEGS.rows, FRESH_LEGS.wait);
    enter('Length of a row, leg 1', '6 m');
    enter('Width of the area, leg 1', '3 m');
    enter('Rows apart, leg 1', '40 cm');
    enter('For, leg 2', '1 min');
    expect(legs()).toEqual([
      { kind: 'rows', lengthM: 6, widthM: 3, apartM: 0.4 },
      { kind: 'wait', seconds: 60 },
    ]);
    enter('Rows apart, leg 1', '0');
    expect(text()).toContain('More than 0, up to 100 m.');
  });

  it('pass places, written as lines; a line that is none is named, and what was typed stays', () => {
    const legs = edited(FRESH_LEGS.points);
    const places = fieldCalled(/^Places/) as HTMLTextAreaElement;
    fireEvent.change(places, { target: { value: '1, 0.5\n2; -1' } });
    fireEvent.blur(places);
    const two = [
      { aheadM: 1, rightM: 0.5 },
      { aheadM: 2, rightM: -1 },
    ];
    expect(legs()).toEqual([{ kind: 'points', points: two }]);
    fireEvent.change(places, { target: { value: '1, 0.5\nround the tree' } });
    fireEvent.blur(places);
    expect(text()).toContain('Line 2 is no place');
    expect(places.value).toContain('round the tree');
    expect(legs()).toEqual([{ kind: 'points', points: two }]);
  });

  it('are added, taken out, moved earlier and later, and made of another kind', () => {
    const legs = edited({ kind: 'go', distanceM: 2 });
    const titles = (): string[] => legs().map(({ kind }) => kind);
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Leg 1: take out' }).disabled).toBe(true);
    pressButton('Add a leg');
    fireEvent.change(fieldCalled('Leg, leg 2'), { target: { value: 'wait' } });
    expect(legs()[1]).toEqual(FRESH_LEGS.wait);
    pressButton('Leg 2: earlier');
    expect(titles()).toEqual(['wait', 'go']);
    pressButton('Leg 1: later');
    expect(titles()).toEqual(['go', 'wait']);
    pressButton('Leg 1: take out');
    expect(titles()).toEqual(['wait']);
  });

  it('are offered in every kind that there is', () => {
    const legs = edited({ kind: 'go', distanceM: 2 });
    for (const kind of Object.keys(LEG_TITLES) as Leg['kind'][]) {
      fireEvent.change(fieldCalled('Leg, leg 1'), { target: { value: kind } });
      expect(legs()).toEqual([FRESH_LEGS[kind]]);
    }
  });
});
