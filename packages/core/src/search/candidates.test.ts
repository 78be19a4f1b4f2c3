import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { partSchema, readBuild, type PartOf } from '../vehicle/index.ts';
import { burden, driversFor, motorCount } from './candidates.ts';
import { throughMoving } from './found-set.ts';
import { usualLimits } from './index.ts';

const read = readBuild(JSON.parse(readFileSync('data/builds/puffin.zubric.json', 'utf8')));
if (!read.ok) throw new Error('Puffin does not read');
const puffin = throughMoving(read.build);
const part = <K extends 'motor' | 'driver' | 'battery'>(kind: K, file: string, id: string): PartOf<K> => {
  const parts = partSchema.array().parse(JSON.parse(readFileSync(`data/shelf/${file}.json`, 'utf8')));
  const found = parts.find((one) => one.id === id);
  if (found?.kind !== kind) throw new Error(`no ${id}`);
  return found as PartOf<K>;
};
const motor = part('motor', 'motors', 'motor-24v-350w-9');
const oneChannel = part('driver', 'drivers', 'driver-1x50-24');
const twoChannels = part('driver', 'drivers', 'driver-2x60');
const battery = part('battery', 'batteries', 'battery-8s-20');

describe('what the parts of a set cost and weigh', () => {
  it('counts each motor, and as many drivers as the motors need channels', () => {
    expect(motorCount(puffin)).toBe(2);
    const driven = driversFor(puffin, motor, [oneChannel, twoChannels]);
    expect(driven.map(({ count }) => count)).toEqual([2, 1]);
    for (const { driver, count } of driven) {
      const weighs = burden({ motor, driver, battery, counts: { motors: 2, drivers: count } }, usualLimits);
      const [kg = NaN, cost = NaN] = [driver?.massKg, driver?.cost];
      expect(weighs?.massKg).toBeCloseTo(2 * motor.massKg + count * kg + battery.massKg, 12);
      expect(weighs?.cost).toBeCloseTo(2 * (motor.cost ?? NaN) + count * cost + (battery.cost ?? NaN), 9);
    }
  });

  it('is nothing for what is over the budget or the mass, and not known where a price is not', () => {
    const of = (limits: object, m = motor) =>
      burden(
        { motor: m, driver: twoChannels, battery, counts: { motors: 2, drivers: 1 } },
        { ...usualLimits, ...limits },
      );
    const { cost = NaN, massKg = NaN } = of({}) ?? {};
    expect(of({ budget: cost, mostKg: massKg })).toBeDefined();
    expect(of({ budget: cost - 0.01 })).toBeUndefined();
    expect(of({ mostKg: massKg - 0.001 })).toBeUndefined();
    const { cost: _cost, ...unpriced } = motor;
    expect(of({}, unpriced)?.cost).toBeUndefined();
    expect(of({ budget: 1e6 }, unpriced)).toBeUndefined();
  });
});
