import { describe, expect, it } from 'vitest';
import { normalFrom, seeded } from '../contract/index.ts';
import { AIR_DENSITY, STANDARD_GRAVITY, typed } from '../quantity/index.ts';
import { pullTest } from '../trials/index.ts';
import { protocolOf } from './protocols.ts';
import type { TrialReading } from './reading.ts';

/** So many vehicles, each with figures nobody is told; a thousand on request (ZUBRIC_LONG=1). */
const MANY = process.env.ZUBRIC_LONG ? 1000 : 200;
/** Of 95 % intervals: within 2 points of them over a thousand; three standard errors of 200. */
const [LEAST, MOST] = process.env.ZUBRIC_LONG ? [0.93, 0.97] : [0.904, 0.996];

/** Speed after a time of rolling out, by small steps of Runge and Kutta: nothing of the fit's own formulas. */
function rollingOut(v0: number, slow: (v: number) => number, seconds: number): number {
  const steps = Math.max(20, Math.ceil(seconds * 50));
  const h = seconds / steps;
  let v = v0;
  for (let n = 0; n < steps; n++) {
    const k1 = -slow(v);
    const k2 = -slow(v + (h / 2) * k1);
    const k3 = -slow(v + (h / 2) * k2);
    const k4 = -slow(v + h * k3);
    v += (h / 6) * (k1 + 2 * k2 + 2 * k3 + k4);
  }
  return v;
}

/** Six roll-outs of a vehicle on a floor that falls a little, speeds read as a counter reads them. */
function rolled(seed: number) {
  const random = seeded(seed);
  const between = (least: number, most: number): number => least + random() * (most - least);
  const hidden = {
    rolling: between(0.01, 0.05),
    dragArea: between(0.02, 0.3),
    massKg: between(5, 200),
    rotating: between(1, 1.1),
    fall: between(-0.003, 0.003),
  };
  const readings: TrialReading[] = [];
  for (let roll = 0; roll < 6; roll++) {
    const out = roll % 2 === 0;
    // A push is never twice the same, nor is the floor under it.
    const floor = hidden.rolling * (1 + 0.04 * normalFrom(random));
    const v0 = between(1.5, 2.5);
    const slow = (v: number): number =>
      (STANDARD_GRAVITY * (floor + (out ? -1 : 1) * hidden.fall) +
        ((AIR_DENSITY / 2) * hidden.dragArea * v * v) / hidden.massKg) /
      hidden.rotating;
    const lasts = v0 / slow(v0);
    for (let n = 0; n < 6; n++) {
      const t = (n / 5) * 0.6 * lasts;
      const speed = Math.max(0, rollingOut(v0, slow, t) + 0.005 * normalFrom(random));
      readings.push({
        ...{ roll: String(roll + 1), way: out ? 'out' : 'back' },
        ...{ time: typed(t, 's'), speed: typed(speed, 'm/s') },
      });
    }
  }
  return { hidden, readings };
}

const shareOf = (holds: (seed: number) => boolean): number =>
  Array.from({ length: MANY }, (_, n) => holds(40_000 + n)).filter(Boolean).length / MANY;

describe('an interval of 95 %', () => {
  it('holds the hidden rolling resistance of a vehicle that rolls out, as often as it says', () => {
    const share = shareOf((seed) => {
      const { hidden, readings } = rolled(seed);
      const conditions = {
        mass: typed(hidden.massKg, 'kg'),
        rotating: typed(hidden.rotating, ''),
        dragArea: typed(hidden.dragArea, 'm²'),
      };
      const { measured } = protocolOf('coast-down').analyse(conditions, readings);
      const found = measured.find(({ key }) => key === 'rolling');
      return (found?.low ?? NaN) <= hidden.rolling && hidden.rolling <= (found?.high ?? NaN);
    });
    expect(share).toBeGreaterThanOrEqual(LEAST);
    expect(share).toBeLessThanOrEqual(MOST);
  });

  it('holds the hidden pull of a vehicle on a scale, as often as it says', () => {
    const share = shareOf((seed) => {
      const random = seeded(seed);
      const [massKg, friction, drivenShare] = [
        5 + 195 * random(),
        0.3 + 0.6 * random(),
        0.4 + 0.6 * random(),
      ];
      const hidden = friction * drivenShare * massKg * STANDARD_GRAVITY;
      const readings = Array.from({ length: 5 }, () => ({
        pull: typed(hidden * (1 + 0.05 * normalFrom(random)), 'N'),
        spun: 'yes',
      }));
      const { measured, verdict } = protocolOf('pull').analyse({}, readings);
      const found = measured.find(({ key }) => key === 'pull');
      expect(verdict).toBe('grip');
      // Its ends as frictions hold the hidden friction wherever the pull's hold the pull.
      const as = (pullN: number): number =>
        pullTest.run({ pullN, massKg, drivenShare, gradeDeg: 0, rollingCoefficient: 0, wheelsSpun: true })
          .friction;
      const holds = (found?.low ?? NaN) <= hidden && hidden <= (found?.high ?? NaN);
      expect(as(found?.low ?? NaN) <= friction && friction <= as(found?.high ?? NaN)).toBe(holds);
      return holds;
    });
    expect(share).toBeGreaterThanOrEqual(LEAST);
    expect(share).toBeLessThanOrEqual(MOST);
  });
});
