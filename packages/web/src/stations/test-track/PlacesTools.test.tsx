import { newBuild } from '@zubric/core/vehicle';
import { fireEvent, screen, waitFor } from '@testing-library/react';
import { useState } from 'react';
import { describe, expect, it } from 'vitest';
import { fieldCalled, onBench, pressButton, text } from '../../testing/on-bench.tsx';
import { PlacesTools } from './PlacesTools.tsx';

type Points = readonly { readonly aheadM: number; readonly rightM: number }[];

/** The tools beside some places, and what the places have become. */
function tools(first: Points): () => Points {
  let now = first;
  function Edited() {
    const [points, setPoints] = useState([...first]);
    now = points;
    return <PlacesTools points={points} onChange={(next) => setPoints([...next])} />;
  }
  onBench(<Edited />, newBuild('Gull'));
  return () => now;
}
/** A file as a browser has it: the one of the tests cannot read its text. */
const pick = (name: string, content: string): void => {
  const file = Object.defineProperty(new File([content], name), 'text', {
    value: () => Promise.resolve(content),
  });
  fireEvent.change(screen.getByLabelText('File of places'), { target: { files: [file] } });
};

describe('places of a course', () => {
  it('are brought in from a table, metres ahead and to the right', async () => {
    const points = tools([]);
    pick('way.csv', 'ahead,right\n0,0\n2,0.5\n4,0');
    await waitFor(() => expect(points()).toHaveLength(3));
    expect(points()[1]).toEqual({ aheadM: 2, rightM: 0.5 });
    expect(text()).toContain('3 places, taken for metres ahead and to the right.');
  });

  it('are brought in from a map, from the first heading for the second', async () => {
    const points = tools([]);
    const line = {
      type: 'LineString',
      coordinates: [
        [9, 50],
        [9, 50.0001],
        [9.0001, 50.0001],
      ],
    };
    pick('way.geojson', JSON.stringify({ type: 'Feature', properties: {}, geometry: line }));
    // The first is where it starts.
    await waitFor(() => expect(points()).toHaveLength(2));
    expect(text()).toContain('longitude and latitude; it starts at the first, heading for the second');
    // A ten-thousandth of a degree of latitude at 50° is 11.12 m (111.23 km a degree there); east is to the right.
    expect(points()[0]?.aheadM).toBeCloseTo(11.12, 1);
    expect(points()[1]?.rightM).toBeCloseTo(7.17, 1);
  });

  it('that are none are told, and those before stay', async () => {
    const points = tools([{ aheadM: 1, rightM: 0 }]);
    pick('way.csv', 'round the tree');
    expect((await screen.findByRole('alert')).textContent).not.toBe('');
    expect(points()).toEqual([{ aheadM: 1, rightM: 0 }]);
  });

  it('have rows laid beside them, back and forth, on the side and as far apart as is said', async () => {
    const points = tools([{ aheadM: 4, rightM: 0 }]);
    fireEvent.change(screen.getByLabelText('More rows'), { target: { value: '2' } });
    fireEvent.change(fieldCalled('Apart'), { target: { value: '60 cm' } });
    fireEvent.change(fieldCalled('On its'), { target: { value: 'left' } });
    pressButton('Lay them');
    await waitFor(() => expect(points().length).toBeGreaterThan(3));
    const rights = points().map(({ rightM }) => Number(rightM.toFixed(3)));
    expect(Math.min(...rights)).toBeCloseTo(-1.2, 6);
    expect(Math.max(...rights)).toBeCloseTo(0, 6);
  });

  it('nearer than can be driven are told before they are laid', () => {
    const points = tools([{ aheadM: 4, rightM: 0 }]);
    fireEvent.change(fieldCalled('Apart'), { target: { value: '0' } });
    expect(text()).toContain('More than 0, up to 100 m.');
    expect(points()).toHaveLength(1);
  });
});
