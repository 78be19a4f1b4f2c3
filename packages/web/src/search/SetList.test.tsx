import { setInWords } from '@zubric/core/say';
import { search, trainsOf, usualLimits, type FoundSet } from '@zubric/core/search';
import { fireEvent, screen, within } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import { demo } from '../testing/demo.ts';
import { onBench } from '../testing/on-bench.tsx';
import { SetList } from './SetList.tsx';

const puffin = demo('puffin');
const list = () => screen.getByRole('list', { name: 'Sets by what counts, the best first' });
const puts = () => within(list()).getAllByRole('button', { name: /^Put in/ });
const others = () => within(list()).getByRole('button', { name: /with other stages/ });

/** Sets of the parts of a build with so many trains, and one of other parts at the end. */
function setsOf(count: number): readonly FoundSet[] {
  const limits = { ...usualLimits, stages: 1 };
  const [best] = search({ build: puffin, shelf: [], limits }).front;
  if (!best) throw new Error('Puffin works');
  const same = trainsOf(puffin, limits)
    .slice(0, count)
    .map((stages) => ({ ...best, stages }));
  return [...same, { ...best, battery: { ...best.battery, id: 'another', name: 'Another battery' } }];
}

const shown = (sets: readonly FoundSet[], onPutIn = vi.fn()): void =>
  void onBench(
    <SetList build={puffin} sets={sets} compared={[]} onCompare={vi.fn()} onPutIn={onPutIn} busy={false} />,
    puffin,
  );

describe('the list of sets', () => {
  it('has each choice of parts once, where its best set stands, and the others with their stages on request', () => {
    const sets = setsOf(5);
    const putIn = vi.fn();
    shown(sets, putIn);
    expect(puts()).toHaveLength(2);
    expect(others().textContent).toBe('Show 4 with other stages');
    expect(others().getAttribute('aria-expanded')).toBe('false');
    fireEvent.click(others());
    expect(others().getAttribute('aria-expanded')).toBe('true');
    expect(puts()).toHaveLength(6);
    const third = sets[2];
    if (!third) throw new Error('there are six');
    expect(puts()[2]?.getAttribute('aria-label')).toContain(setInWords(third));
    fireEvent.click(puts()[2] ?? document.body);
    expect(putIn).toHaveBeenCalledWith(third);
    fireEvent.click(others());
    expect(puts()).toHaveLength(2);
  });

  it('says of how many it shows the best', () => {
    shown(setsOf(20));
    expect(others().textContent).toBe('Show the best 12 of 19 with other stages');
    fireEvent.click(others());
    expect(puts()).toHaveLength(1 + 12 + 1);
  });
});
