/**
 * Calculators against another way to the same answer: adding up pieces, stepping through time, a balance of power, a
 * calculator that does not share their formula. Each names its route.
 */
import { describe, expect, it } from 'vitest';
import { G, near, of, pieces, result, sum } from '../testing/numbers.ts';

describe('times and currents', () => {
  it('speed-up: stepped through time it is at its speed after the distance and the time asked', () => {
    const travelled = (a: number, until: number): { metres: number; seconds: number } => {
      const dt = 1e-4;
      let [v, metres, seconds] = [0, 0, 0];
      while (v < until) {
        metres += (v + (a * dt) / 2) * dt;
        v += a * dt;
        seconds += dt;
      }
      return { metres, seconds };
    };
    const within = of('speed-up', 'accelerationMps2', { speedMps: 1.6, distanceM: 2.4 });
    near(travelled(within, 1.6).metres, 2.4, 1e-3);
    const inTime = of('speed-up', 'accelerationMps2', { speedMps: 1.6, timeS: 2.5 });
    near(travelled(inTime, 1.6).seconds, 2.5, 1e-3);
  });

  it('area-time: within one strip of strips laid over a lawn, each an overlap beside the last', () => {
    for (const [width, overlap] of [
      [0.4, 0.1],
      [0.55, 0],
      [0.3, 0.25],
    ] as const) {
      const [long, broad] = [12, 9];
      let strips = 1;
      for (let covered = width; covered < broad - 1e-9; covered += width * (1 - overlap)) strips += 1;
      const given = { areaM2: long * broad, widthM: width, overlap, speedMps: 0.5 };
      const { distanceM = NaN, durationS = NaN } = result('area-time', given);
      expect(Math.abs(distanceM - strips * long)).toBeLessThanOrEqual(long);
      // A route of that length at that speed takes as long.
      near(of('route-time', 'durationS', { lengthM: distanceM, times: 1, speedMps: 0.5 }), durationS);
    }
  });

  it('starting-power: force times way of each start, over the time between starts', () => {
    const [massKg, factor, speed, starts, efficiency] = [60, 1.1, 1.4, 90, 0.8];
    const each = sum(pieces(0, speed, 1000).middles.map((v) => (massKg * factor * v * speed) / 1000));
    near(
      of('starting-power', 'powerW', {
        massKg,
        rotatingMassFactor: factor,
        speedMps: speed,
        startsAnHour: starts,
        efficiency,
      }),
      each / efficiency / (3600 / starts),
    );
  });

  it('outing-draw: read second by second, and its charge is what energy-drawn takes', () => {
    const legs = [
      { durationS: 40, currentA: 18 },
      { durationS: 200, currentA: 4.5 },
      { durationS: 60, currentA: 0 },
    ];
    const readings = legs.flatMap((leg) => Array.from({ length: leg.durationS }, () => leg.currentA));
    const draw = result('outing-draw', { legs });
    near(draw.meanA ?? NaN, sum(readings) / readings.length);
    near(draw.rmsA ?? NaN, Math.sqrt(sum(readings.map((a) => a * a)) / readings.length));
    const drawn = result('energy-drawn', { voltageV: 24, currentA: draw.meanA ?? NaN, hours: 300 / 3600 });
    near(drawn.chargeAh ?? NaN, draw.chargeAh ?? NaN);
    near(drawn.energyWh ?? NaN, 24 * (draw.chargeAh ?? NaN));
  });

  it('encoder-counts and travel-counts see the same wheel', () => {
    const seen = result('encoder-counts', {
      linesPerTurn: 12,
      encoderTurnsPerWheelTurn: 30,
      wheelDiameterM: 0.09,
    });
    const travel = result('travel-counts', {
      wheelDiameterM: 0.09,
      distanceM: 2.5,
      countsPerWheelTurn: seen.countsPerWheelTurn ?? NaN,
    });
    expect(Math.abs((travel.counts ?? NaN) * (seen.metresPerCount ?? NaN) - 2.5)).toBeLessThanOrEqual(
      (seen.metresPerCount ?? NaN) / 2,
    );
  });

  it('launch-with-pull: two constants and a pull, stepped through time (Runge–Kutta, 20,000 steps)', () => {
    const i = {
      massKg: 30,
      wheelRadiusM: 0.1,
      ratio: 12,
      efficiency: 0.85,
      motors: 2,
      resistanceOhm: 0.4,
      ktNmPerA: 0.05,
      keVsPerRad: 0.055,
      noLoadA: 0.8,
      voltageV: 24,
      rollingCoefficient: 0.03,
      dragAreaM2: 0.4,
      drawbarN: 25,
      durationS: 3,
    };
    const slope = (v: number): number => {
      const amps = (i.voltageV - (i.keVsPerRad * v * i.ratio) / i.wheelRadiusM) / i.resistanceOhm;
      const pull = (i.motors * i.ktNmPerA * (amps - i.noLoadA) * i.ratio * i.efficiency) / i.wheelRadiusM;
      const against = i.massKg * G * i.rollingCoefficient + 0.5 * 1.204 * i.dragAreaM2 * v * v + i.drawbarN;
      return (pull - against) / i.massKg;
    };
    const steps = 20_000;
    const dt = i.durationS / steps;
    let [v, metres] = [0, 0];
    for (let n = 0; n < steps; n++) {
      const k1 = slope(v);
      const k2 = slope(v + (dt / 2) * k1);
      const k3 = slope(v + (dt / 2) * k2);
      const k4 = slope(v + dt * k3);
      const next = v + (dt / 6) * (k1 + 2 * k2 + 2 * k3 + k4);
      metres += (dt * (v + next)) / 2;
      v = next;
    }
    const launch = result('launch-with-pull', i);
    near(launch.finalMps ?? NaN, v, 1e-6);
    near(launch.distanceM ?? NaN, metres, 1e-5);
    near(launch.peakA ?? NaN, (2 * 24) / 0.4, 1e-9);
  });
});
