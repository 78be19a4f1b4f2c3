import { usualLimits, type SearchLimits } from '@zubric/core/search';
import { stageTitle } from '@zubric/core/transmission';
import { fireEvent, screen } from '@testing-library/react';
import { typed } from '@zubric/core/quantity';
import { newBuild } from '@zubric/core/vehicle';
import { useCallback, useState } from 'react';
import { describe, expect, it } from 'vitest';
import { demo } from '../testing/demo.ts';
import { enter, fieldCalled, kept, onBench, pressButton, text } from '../testing/on-bench.tsx';
import { LimitsForm } from './LimitsForm.tsx';

const PARTS = demo('puffin').parts;

/** The limits as they are edited: what they have become, and which fields cannot be read. */
function edited(build = newBuild('Gull')) {
  let now: SearchLimits = usualLimits;
  const unread = new Set<string>();
  function Edited() {
    const [limits, setLimits] = useState(now);
    now = limits;
    const mark = useCallback((name: string, is: boolean) => {
      if (is) unread.add(name);
      else unread.delete(name);
    }, []);
    return <LimitsForm parts={PARTS} limits={limits} onChange={setLimits} onUnread={mark} />;
  }
  onBench(<Edited />, build);
  return { limits: () => now, unread };
}
const tick = (name: string): void => void fireEvent.click(screen.getByRole('checkbox', { name }));

describe('what a search may take', () => {
  it('is what is on hand, paid for, and told how far it turned', () => {
    const { limits } = edited();
    const { onHand, ownedIsPaid, encoder } = limits();
    tick('Only what is on hand');
    tick('What is on hand costs nothing more');
    tick('Only motors with an encoder');
    tick('Only chains and belts on hand');
    expect(limits()).toEqual({
      ...usualLimits,
      ...{ onHand: !onHand, ownedIsPaid: !ownedIsPaid, encoder: !encoder, loopsOnHand: true },
    });
  });

  it('is what its event allows, where its event does not allow all', () => {
    const gull = newBuild('Gull');
    const { limits } = edited({
      ...gull,
      aims: { ...gull.aims, voltage: typed(13, 'V'), cost: typed(200, '') },
    });
    tick('Only what its event allows: 13\u00a0V and a cost of 200');
    expect(limits().event).toBe(!usualLimits.event);
  });

  it('costs, weighs and stands at so much at most, in any unit; an empty field asks nothing', () => {
    const { limits, unread } = edited();
    enter('Cost at most', '120');
    enter('Mass at most', '10 lb');
    enter('Volts at most', '24');
    expect(limits()).toMatchObject({ budget: 120, mostV: 24 });
    expect(limits().mostKg).toBeCloseTo(4.5359237, 6);
    enter('Mass at most', '');
    expect(limits().mostKg).toBeUndefined();
    enter('Volts at most', 'a lot');
    expect([...unread]).toEqual(['mostV']);
    expect(limits().mostV).toBe(24);
    enter('Volts at most', '12 V');
    expect([...unread]).toEqual([]);
    expect(limits().mostV).toBe(12);
  });

  it('goes no faster than the build may, which is said here too', () => {
    edited();
    enter('Never faster than', '6 km/h');
    expect(kept().speedCap?.value).toBeCloseTo(6 / 3.6, 9);
    enter('Never faster than', '');
    expect(kept().speedCap).toBeUndefined();
  });

  it('has so many stages behind its motor, of the kinds that are ticked', () => {
    const { limits } = edited();
    enter('Stages behind the motor', '2');
    expect(limits().stages).toBe(2);
    enter('Stages behind the motor', 'usual');
    expect(limits().stages).toBeUndefined();
    const before = [...limits().kinds];
    const had = before.includes('chain');
    tick(stageTitle('chain'));
    expect(limits().kinds.includes('chain')).toBe(!had);
    expect(new Set([...limits().kinds, 'chain'])).toEqual(new Set([...before, 'chain']));
    tick(stageTitle('chain'));
    expect(new Set(limits().kinds)).toEqual(new Set(before));
  });

  it('leaves parts out, one after the other, and lets them in again', () => {
    const { limits } = edited();
    const [motor, driver] = PARTS;
    if (!motor || !driver) throw new Error('Puffin has its parts');
    enter('Leave out', motor.id);
    enter('Leave out', driver.id);
    expect(limits().without).toEqual([motor.id, driver.id]);
    expect(text()).toContain(`one more …`);
    pressButton(`Let ${motor.name} in again`);
    expect(limits().without).toEqual([driver.id]);
    enter('Leave out', '');
    expect(limits().without).toEqual([driver.id]);
  });

  it('leaves out all of a sort that lies on the shelf, and lets it in again', () => {
    const { limits } = edited();
    const offered = [...(fieldCalled('Leave out') as HTMLSelectElement).options].map(({ value }) => value);
    expect(offered).toContain('brushed');
    // Nothing on this shelf is of it.
    expect(offered).not.toContain('stepping');
    enter('Leave out', 'brushed');
    expect(limits()).toMatchObject({ withoutSorts: ['brushed'], without: [] });
    pressButton('Let all brushed motors in again');
    expect(limits().withoutSorts).toEqual([]);
  });

  it('is of the teeth and wheels that are to be had; a list that is none stays, and is told', () => {
    const { limits, unread } = edited();
    enter('Teeth on the driving side', '12, 10-11');
    enter('Teeth on the driven side', '40; 60');
    enter('Other driven wheels', '250 mm, 12 in');
    expect(limits().teeth).toEqual({ driver: [10, 11, 12], driven: [40, 60] });
    expect(limits().wheelsM).toEqual([0.25, expect.closeTo(0.3048, 9)]);
    enter('Teeth on the driving side', 'a few');
    expect(text()).toContain('This cannot be read. Counts and runs of them: 10–20, 22, 24.');
    expect([...unread]).toEqual(['driver']);
    expect(limits().teeth.driver).toEqual([10, 11, 12]);
    expect((fieldCalled('Teeth on the driving side') as HTMLInputElement).value).toBe('a few');
    enter('Other driven wheels', '12 elephants');
    expect(limits().wheelsM).toHaveLength(2);
    expect([...unread].sort()).toEqual(['driver', 'wheels']);
  });
});
