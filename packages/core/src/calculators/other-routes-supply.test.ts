/**
 * Motor, driver and battery against another way to the same answer: Kirchhoff's laws solved by halving, power in and out,
 * heat stepped through time, a search over every ratio. Each names its route.
 */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { finite, near, of, result, sum } from '../testing/numbers.ts';

const RAD_S = Math.PI / 30;

/** Where a falling function passes nought, by halving. */
function crossing(f: (x: number) => number, low: number, high: number): number {
  let [a, b] = [low, high];
  for (let n = 0; n < 100; n += 1) {
    const middle = (a + b) / 2;
    if (f(middle) > 0) a = middle;
    else b = middle;
  }
  return (a + b) / 2;
}

const circuit = fc.record({
  motors: fc.integer({ min: 1, max: 6 }),
  resistanceOhm: finite(0.05, 2),
  keVsPerRad: finite(0.01, 0.2),
  noLoadA: finite(0, 0.3),
  openCircuitV: finite(6, 48),
  supplyResistanceOhm: finite(0.001, 0.2),
});

describe('full command', () => {
  it('full-command: without limits Kirchhoff’s law round motor and battery, its volts counted one by one', () => {
    fc.assert(
      fc.property(circuit, finite(0, 0.9), (c, turning) => {
        const rpm = (turning * c.openCircuitV) / c.keVsPerRad / RAD_S;
        const found = result('full-command', { ...c, ktNmPerA: c.keVsPerRad, rpm });
        const { currentA = NaN, batteryV = NaN, motorV = NaN, batteryA = NaN, torqueNm = NaN } = found;
        near(motorV, currentA * c.resistanceOhm + c.keVsPerRad * rpm * RAD_S, 1e-6);
        near(batteryV, motorV, 1e-6);
        near(c.openCircuitV, batteryV + batteryA * c.supplyResistanceOhm, 1e-6);
        near(batteryA, c.motors * currentA, 1e-6);
        // What friction takes is added back: near no load the rest is a difference of two like numbers. Quicker than it
        // would run by itself the motor brakes, and its torque is under nought.
        near(torqueNm + c.keVsPerRad * c.noLoadA, c.keVsPerRad * currentA, 1e-6);
      }),
    );
  });

  it('full-command: chopping, what leaves the battery arrives at the motors, and driver-draw says the same', () => {
    fc.assert(
      fc.property(circuit, finite(0.05, 0.6), finite(0, 20), (c, share, auxiliaryW) => {
        const stallA = c.openCircuitV / (c.resistanceOhm + c.motors * c.supplyResistanceOhm);
        const currentLimitA = share * stallA;
        const given = { ...c, ktNmPerA: c.keVsPerRad, currentLimitA, auxiliaryW };
        // A battery too weak for what is beside the motors is another case.
        fc.pre(auxiliaryW < (0.2 * c.openCircuitV ** 2) / (4 * c.supplyResistanceOhm));
        const found = result('full-command', given) as Record<string, number | string>;
        fc.pre(found.limitedBy === 'driver');
        const drawn = result('driver-draw', {
          motors: c.motors,
          motorV: found.motorV,
          currentA: found.currentA,
          auxiliaryW,
          openCircuitV: c.openCircuitV,
          supplyResistanceOhm: c.supplyResistanceOhm,
        });
        near(drawn.batteryA ?? NaN, Number(found.batteryA), 1e-6);
        near(drawn.batteryV ?? NaN, Number(found.batteryV), 1e-6);
        // All the power of the cells: motors, what is beside them, and heat in the supply.
        near(
          c.openCircuitV * (drawn.batteryA ?? NaN),
          c.motors * Number(found.motorV) * Number(found.currentA) +
            auxiliaryW +
            (drawn.batteryA ?? NaN) ** 2 * c.supplyResistanceOhm,
          1e-6,
        );
      }),
    );
  });

  it('driver-draw: the lesser of the two currents that carry the power, found by halving', () => {
    const given = {
      motors: 2,
      motorV: 9,
      currentA: 14,
      auxiliaryW: 30,
      openCircuitV: 25,
      supplyResistanceOhm: 0.2,
    };
    const powerW = 2 * 9 * 14 + 30;
    const low = crossing((i) => powerW - (25 - 0.2 * i) * i, 0, 25 / 0.4);
    near(of('driver-draw', 'batteryA', given), low, 1e-9);
  });
});

describe('the ratio window', () => {
  const motor = {
    motors: 2,
    resistanceOhm: 0.3,
    keVsPerRad: 0.05,
    ktNmPerA: 0.05,
    noLoadA: 0.8,
    openCircuitV: 25,
    supplyResistanceOhm: 0.03,
    currentLimitA: 40,
  };
  const wheel = { wheelTorqueNm: 26, speedMps: 1.2, wheelDiameterM: 0.3, efficiency: 0.8 };
  /** Torque at the wheel in such a ratio and at so many times the speed. */
  const torque = (ratio: number, faster = 1): number => {
    const rpm = ((faster * wheel.speedMps) / (wheel.wheelDiameterM / 2) / RAD_S) * ratio;
    return ratio * wheel.efficiency * of('full-command', 'torqueNm', { ...motor, rpm });
  };

  it('ratio-window: its ends are where full command just gives the torque, found by trying every ratio', () => {
    const found = result('ratio-window', { ...motor, ...wheel, torqueRule: 1.5, speedRule: 1.1 });
    near(torque(found.lowest ?? NaN), wheel.wheelTorqueNm, 1e-6);
    near(torque(found.highest ?? NaN), wheel.wheelTorqueNm, 1e-6);
    const tried = Array.from({ length: 4000 }, (_, n) => 1 + n * 0.02);
    const does = tried.filter((ratio) => torque(ratio) >= wheel.wheelTorqueNm);
    expect(Math.abs((does[0] ?? NaN) - (found.lowest ?? NaN))).toBeLessThan(0.02);
    expect(Math.abs((does.at(-1) ?? NaN) - (found.highest ?? NaN))).toBeLessThan(0.02);
    const keeps = does.filter(
      (ratio) => torque(ratio) >= 1.5 * wheel.wheelTorqueNm && torque(ratio, 1.1) >= wheel.wheelTorqueNm,
    );
    expect(Math.abs((keeps[0] ?? NaN) - (found.lowestAtRule ?? NaN))).toBeLessThan(0.02);
    expect(Math.abs((keeps.at(-1) ?? NaN) - (found.highestAtRule ?? NaN))).toBeLessThan(0.02);
    const best = Math.max(...tried.map((ratio) => torque(ratio))) / wheel.wheelTorqueNm;
    near(found.bestMargin ?? NaN, best, 1e-3);
  });

  it('ratio-window: is none where the wheel asks more power than there is', () => {
    const found = result('ratio-window', {
      ...motor,
      ...wheel,
      wheelTorqueNm: 500,
      torqueRule: 1.5,
      speedRule: 1.1,
    });
    expect(found.lowest).toBeUndefined();
    expect(found.bestMargin).toBeLessThan(1);
  });
});

describe('motors and packs', () => {
  it('series-motor-point: what goes in is shaft and heat, and its torque follows the square of the current', () => {
    fc.assert(
      fc.property(
        finite(0.001, 0.05),
        finite(0.02, 0.5),
        finite(12, 48),
        finite(0.1, 0.8),
        (k, r, v, part) => {
          const torqueNm = k * ((part * v) / r) ** 2;
          const given = { constant: k, resistanceOhm: r, voltageV: v, torqueNm };
          const {
            currentA = NaN,
            speedRpm = NaN,
            inputW = NaN,
            shaftW = NaN,
          } = result('series-motor-point', given);
          near(currentA, (part * v) / r, 1e-9);
          near(inputW, shaftW + currentA ** 2 * r, 1e-9);
          near(shaftW, torqueNm * speedRpm * RAD_S, 1e-9);
          // Twice the current, four times the torque.
          const four = { ...given, torqueNm: 4 * torqueNm };
          if (part < 0.45) near(of('series-motor-point', 'currentA', four), 2 * currentA, 1e-9);
        },
      ),
    );
  });

  it('motor-heat: stepped through time, the copper growing warmer and harder to pass', () => {
    const given = {
      currentA: 9,
      resistanceOhm: 0.2,
      thermalResistanceKPerW: 4,
      ambientC: 25,
      timeConstantS: 400,
      limitC: 90,
    };
    const { timeToLimitS = NaN, continuousA = NaN } = result('motor-heat', given);
    const rise = (currentA: number, untilS: number, untilC: number) => {
      let [warm, t] = [25, 0];
      while (t < untilS && warm < untilC) {
        // IEC 60028: copper gains 0.393 % of its resistance at 20 °C with each kelvin.
        const heatW = currentA ** 2 * 0.2 * (1 + 0.00393 * (warm - 20));
        warm += ((heatW - (warm - 25) / 4) / (400 / 4)) * 0.01;
        t += 0.01;
      }
      return { warm, t };
    };
    expect(Math.abs(rise(9, 1e4, 90).t - timeToLimitS)).toBeLessThan(0.5);
    // Its all-day current settles just there.
    expect(rise(continuousA, 8000, 1e9).warm).toBeCloseTo(90, 1);
  });

  it('battery-pack: cells in series add their volts and ohms, cells beside each other their charge', () => {
    const pack = (series: number, parallel: number) =>
      result('battery-pack', { chemistry: 'lifepo4', series, parallel, cellAh: 5, cellMilliohm: 6, maxC: 3 });
    const [one, many] = [pack(1, 1), pack(8, 3)];
    near(many.nominalV ?? NaN, 8 * (one.nominalV ?? NaN));
    near(many.fullV ?? NaN, 8 * (one.fullV ?? NaN));
    near(many.emptyV ?? NaN, 8 * (one.emptyV ?? NaN));
    near(many.capacityAh ?? NaN, 15);
    near(many.resistanceOhm ?? NaN, (0.006 * 8) / 3);
    near(many.energyWh ?? NaN, 24 * (one.energyWh ?? NaN));
    near(many.maxA ?? NaN, 45);
    // 3.2 V a cell, full near 3.6 to 3.65 V, empty at 2.5 V (common practice, no source).
    near(one.nominalV ?? NaN, 3.2);
    expect(one.fullV).toBeGreaterThan(3.3);
    expect(one.emptyV).toBeLessThan(3);
  });

  it('fuse-choice: the least fuse that carries a quarter more and still guards the wire; else it says why', () => {
    const fuse = (continuousA: number, wireAmpacityA: number): number =>
      of('fuse-choice', 'fuseA', { continuousA, wireAmpacityA });
    fc.assert(
      fc.property(finite(1, 80), (continuousA) => {
        const fuseA = fuse(continuousA, 1000);
        expect(fuseA).toBeGreaterThanOrEqual(1.25 * continuousA * (1 - 1e-12));
        // A thinner wire than that fuse is guarded by none.
        expect(() => fuse(continuousA, 1.2 * continuousA)).toThrow();
      }),
    );
  });

  it('energy-drawn and run-time: what an hour draws is what an hour empties', () => {
    const { chargeAh = NaN, energyWh = NaN } = result('energy-drawn', {
      voltageV: 12.8,
      currentA: 6,
      hours: 2.5,
    });
    near(chargeAh, 15);
    near(energyWh, sum([1, 2, 3, 4, 5].map(() => 12.8 * 6 * 0.5)));
    const { hours = NaN } = result('run-time', { capacityAh: chargeAh, currentA: 6 });
    near(hours, 2.5);
    // Peukert: at the rated current what it is rated for, drawn harder less, by just the power k − 1 of how much harder.
    const given = { capacityAh: 20, ratedHours: 20, exponent: 1.25 };
    const charge = (currentA: number): number => currentA * of('run-time', 'hours', { ...given, currentA });
    near(charge(1), 20);
    near(charge(16), 20 / 16 ** 0.25);
  });
});
