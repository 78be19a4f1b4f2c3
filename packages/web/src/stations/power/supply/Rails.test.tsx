import { fireEvent, screen } from '@testing-library/react';
import type { Build } from '@zubric/core/vehicle';
import { describe, expect, it } from 'vitest';
import { demo } from '../../../testing/demo.ts';
import { enter, kept, onBench, pressButton, text } from '../../../testing/on-bench.tsx';
import { Rails } from './Rails.tsx';

const puffin = demo('puffin');
const whimbrel = demo('whimbrel');
const rails = (build: Build = kept()) => build.supply.rails ?? [];

describe('small supplies', () => {
  it('are added, called, told what they give, and removed', () => {
    onBench(<Rails />, puffin);
    pressButton('Add a small supply');
    enter('5 V supply, voltage', '6 V');
    enter('5 V supply, gives at most', '2500 mA');
    enter('5 V supply, efficiency', '80 %');
    enter('Name of the supply', 'Servo supply');
    expect(rails()).toMatchObject([
      {
        ...{ name: 'Servo supply', voltage: { value: 6 }, gives: { value: 2.5 } },
        efficiency: { value: 0.8 },
      },
    ]);
    pressButton('Remove Servo supply');
    expect(rails()).toEqual([]);
  });

  it('feed loads that are called, counted and draw, and take what they draw from the battery', () => {
    onBench(<Rails />, puffin);
    pressButton('Add a small supply');
    enter('5 V supply, efficiency', '50 %');
    pressButton('Add a load to 5 V supply');
    enter('Load', 'Lamp');
    fireEvent.change(screen.getByLabelText('Lamp, count'), { target: { value: '3' } });
    enter('Lamp, draws, running', '200 mA');
    enter('Lamp, draws, at most', '300 mA');
    const [rail] = rails();
    expect(rail?.loads).toMatchObject([
      { name: 'Lamp', count: 3, running: { value: 0.2 }, peak: { value: 0.3 } },
    ]);
    // Three at 0.2 A; one of them at 0.3 A beside two: 0.7 A. 0.6 A at 5 V, of which half comes through: 6 W.
    expect(text()).toContain('runs at 600 mA, up to 700 mA where one peaks; takes 6 W of the battery');
    pressButton('Remove Lamp');
    expect(rails()[0]?.loads).toEqual([]);
  });

  it('of a build that has some keep the others as they are', () => {
    const [first, ...others] = rails(whimbrel);
    if (!first) throw new Error('Whimbrel has a small supply');
    onBench(<Rails />, { ...whimbrel, supply: { ...whimbrel.supply, rails: [first, ...others] } });
    enter(`${first.name}, gives at most`, '4 A');
    expect(rails()).toEqual([
      { ...first, gives: { ...first.gives, value: 4, unit: 'A', origin: 'typed' } },
      ...others,
    ]);
  });
});
