import { describe, expect, it } from 'vitest';
import { demoBuilds } from '../testing/demo-builds.ts';
import { shelfPart } from '../testing/on-the-shelf.ts';
import {
  bankOf,
  choosePart,
  driveOf,
  changeDrive,
  motorsIn,
  type Build,
  type Part,
} from '../vehicle/index.ts';
import { MOST_OF_VEHICLE, shortlist } from './shortlist.ts';

const puffin = (): Build => demoBuilds()['puffin'] as Build;
const motor = (more: object): Part => shelfPart('motor-24v-350w-9', more);
const battery = (more: object): Part => shelfPart('battery-24v-35', more);
const driver = (more: object): Part => shelfPart('driver-2x32', more);
const order = (build: Build, ...parts: Part[]): string[] =>
  shortlist(build, parts).map(({ part }) => part.id);
const only = (build: Build, part: Part) => {
  const [one] = shortlist(build, [part]);
  if (!one) throw new Error('it is not on the list');
  return one;
};

describe('parts of one kind, the one that suits best first', () => {
  it('count what fails and what is short of its rule, of what they change', () => {
    const weak = only(puffin(), motor({ id: 'weak', stallTorqueNm: 0.05 }));
    expect(weak.fails).toBeGreaterThan(0);
    expect(weak.worst?.verdict).toBe('fails');
    const strong = only(puffin(), motor({}));
    expect(strong.fails).toBe(0);
    expect(order(puffin(), motor({ id: 'weak', stallTorqueNm: 0.05 }), motor({ id: 'as-it-is' }))).toEqual([
      'as-it-is',
      'weak',
    ]);
  });

  it('are too heavy from more than their share of the vehicle on, all motors together', () => {
    const build = puffin();
    const vehicleKg =
      build.masses.own.mass.value + build.masses.others.reduce((sum, { mass }) => sum + mass.value, 0);
    const mostKg = (MOST_OF_VEHICLE * vehicleKg) / motorsIn(build);
    expect(only(build, motor({ massKg: mostKg * 1.01 })).heavy).toBe(true);
    expect(only(build, motor({ massKg: mostKg * 0.99 })).heavy).toBe(false);
    expect(
      order(build, motor({ id: 'heavy', massKg: mostKg * 1.01 }), motor({ id: 'light', massKg: 1 })),
    ).toEqual(['light', 'heavy']);
  });

  it('of two that suit alike are the lighter first, then what is on hand, then what costs less', () => {
    const [light, heavy] = [battery({ id: 'light', massKg: 3 }), battery({ id: 'heavy', massKg: 4 })];
    expect(order(puffin(), heavy, light)).toEqual(['light', 'heavy']);
    expect(order(puffin(), light, heavy)).toEqual(['light', 'heavy']);
    const wished = battery({ id: 'wished', state: 'wished-for' });
    const ordered = battery({ id: 'ordered', state: 'ordered' });
    const here = battery({ id: 'here', state: 'on-hand' });
    expect(order(puffin(), wished, ordered, here)).toEqual(['here', 'ordered', 'wished']);
    expect(order(puffin(), battery({ id: 'dear', cost: 90 }), battery({ id: 'cheap', cost: 20 }))).toEqual([
      'cheap',
      'dear',
    ]);
  });

  it('tell how far a driver’s volts are off: under its least as much as over its most', () => {
    const of = (leastV: number, mostV: number) => only(puffin(), driver({ leastV, mostV })).voltsOff;
    const volts = bankOf(puffin())?.nominalV ?? NaN;
    const within = of(6, 60);
    expect(within).toBe(1);
    expect(of(2 * volts, 4 * volts)).toBeGreaterThan(1.5);
    expect(of(1, volts / 2)).toBeGreaterThan(1.5);
  });

  it('are bare at the ratio that suits best where no stage stands behind them, and told so', () => {
    const bare = changeDrive(puffin(), { stages: [], path: [] });
    const plain = only(bare, motor({ id: 'plain', gearhead: undefined }));
    expect(plain.atRatio).toBeGreaterThan(1);
    // At that ratio it does what it is asked: a shaft that turns as it is at one to one does not.
    expect(plain.fails).toBe(0);
    expect(driveOf(choosePart(bare, plain.part)).stages).toEqual([]);
    expect(only(puffin(), motor({})).atRatio).toBeUndefined();
  });

  it('are of another sort only where a driver cannot turn such a motor, which no battery is', () => {
    const build = choosePart(puffin(), shelfPart('driver-1x65-brushless'));
    expect(only(build, motor({})).otherSort).toBe(true);
    expect(only(build, battery({})).otherSort).toBe(false);
    expect(only(puffin(), motor({})).otherSort).toBe(false);
  });
});
