import { z } from 'zod';
import { AIR_DENSITY, radSToRpm } from '../quantity/index.ts';
import { bracketedRoot, defineCalculator, key } from '../contract/index.ts';
import { circuitFrom, circuitKeys, circuitSymbols, type Circuit } from '../supply/index.ts';
import { greatestPull, type RoadLine } from '../drive/index.ts';

const input = z.strictObject({
  ...circuitKeys,
  ratio: key.positive('Turns of the motor for one of the wheel'),
  efficiency: key.share('Share of the power that comes through'),
  wheelDiameterM: key.positive('Diameter of the driven wheels under load', 'm'),
  steadyN: key.real('Force that keeps it rolling, air left out: rolling, grade, pull', 'N'),
  dragAreaM2: key.nonNegative('Drag coefficient times frontal area', 'm²').default(0),
  airDensityKgM3: key.positive('Density of the air', 'kg/m³').default(AIR_DENSITY),
  gripN: key.nonNegative('Grip of the driven wheels', 'N').optional(),
});

const output = z.strictObject({
  speedMps: key.nonNegative('Speed at which it settles; 0 where it does not start', 'm/s'),
  rpm: key.nonNegative('Speed of the motors there', 'rpm'),
  pullN: key.real('Pull at that speed', 'N'),
});

/** What an attainable speed depends on, its motors of any kind. */
export interface Attainable {
  readonly circuit: Circuit;
  readonly ratio: number;
  readonly efficiency: number;
  readonly wheelDiameterM: number;
  readonly steadyN: number;
  readonly dragAreaM2: number;
  readonly airDensityKgM3: number;
  readonly gripN?: number | undefined;
  /** Other drives on the same road and battery. */
  readonly beside?: readonly RoadLine[];
}

/** Speeds are found to this share of the motor's free-running road speed. */
const SPEED_TOLERANCE = 1e-12;
/** A downhill runaway is followed to this many times the free-running speed. */
const GREATEST_OVERSPEED = 64;

const roadOf = ({ circuit, ratio, efficiency, wheelDiameterM, beside = [] }: Attainable): RoadLine => ({
  ...{ circuit, ratio, efficiency, beside },
  wheelRadiusM: wheelDiameterM / 2,
});

const pullAt = ({ gripN = Infinity }: Attainable, road: RoadLine, speedMps: number): number =>
  Math.max(-gripN, Math.min(gripN, greatestPull(road, speedMps)));

/** What is left of the pull at a speed, N: below 0 it slows down. */
const surplusAt = (i: Attainable, road: RoadLine, speedMps: number): number =>
  pullAt(i, road, speedMps) - i.steadyN - 0.5 * i.airDensityKgM3 * i.dragAreaM2 * speedMps * speedMps;

/**
 * Whether it settles at less than a speed: a look at that speed says so, as the pull falls with it and the air grows.
 *
 * @example settlesBelow(attainableInput(puffin, duty, line, undefined), 1.5) // true
 */
export const settlesBelow = (i: Attainable, speedMps: number): boolean => {
  const road = roadOf(i);
  return surplusAt(i, road, 0) <= 0 || surplusAt(i, road, speedMps) < 0;
};

/**
 * Where the greatest pull, grip included, meets what holds the vehicle back.
 *
 * @example attainable(attainableInput(puffin, duty, line, undefined)).speedMps // 1.421
 */
export function attainable(i: Attainable): z.output<typeof output> {
  const road = roadOf(i);
  const surplus = (speedMps: number): number => surplusAt(i, road, speedMps);
  const at = (speedMps: number) => ({
    speedMps,
    rpm: radSToRpm((speedMps / road.wheelRadiusM) * road.ratio),
    pullN: pullAt(i, road, speedMps),
  });
  if (surplus(0) <= 0) return at(0);
  const freeOf = (one: RoadLine): number =>
    (one.circuit.motor.fastestRadS(one.circuit.openCircuitV) / one.ratio) * one.wheelRadiusM;
  const freeMps = Math.max(...[road, ...(i.beside ?? [])].map(freeOf));
  let high = freeMps;
  while (surplus(high) > 0 && high < GREATEST_OVERSPEED * freeMps) high *= 2;
  return at(surplus(high) > 0 ? high : bracketedRoot(surplus, 0, high, SPEED_TOLERANCE * freeMps));
}

export const attainableSpeed = defineCalculator({
  name: 'attainable-speed',
  topic: 'ground',
  asks: 'How fast does it go with full command?',
  title: 'How fast it goes with full command',
  purpose:
    'The speed at which the greatest pull of the motors, grip included, meets what holds the vehicle back.',
  input,
  output,
  formula:
    'F(v) = Fs + ½ ρ A v², solved for v;  F(v) = 2 m i η kt (I − I0)/d at full command, never over the grip;  n = 60 v i/(π d)',
  symbols: {
    given: {
      Fs: 'steadyN',
      ρ: 'airDensityKgM3',
      A: 'dragAreaM2',
      m: circuitSymbols.m,
      i: 'ratio',
      η: 'efficiency',
      kt: circuitSymbols.kt,
      I0: circuitSymbols.I0,
      d: 'wheelDiameterM',
    },
    found: { v: 'speedMps', n: 'rpm' },
  },
  source: 'permanent-magnet direct-current motor theory; T. D. Gillespie, ch. 2',
  limits: 'Steady speed on a ground that goes on long enough; how soon it is reached is another sum.',
  examples: [
    {
      origin:
        'without air or sag the speed is a straight line of the pull: free at 1000 rad/s, half the stall torque left at 500 (exact)',
      input: {
        motors: 1,
        resistanceOhm: 0.1,
        keVsPerRad: 0.01,
        ktNmPerA: 0.01,
        noLoadA: 0,
        openCircuitV: 10,
        ratio: 10,
        efficiency: 1,
        wheelDiameterM: 0.2,
        steadyN: 50,
      },
      output: { speedMps: 5, pullN: 50 },
      tolerance: 1e-8,
    },
  ],
  run: (i) => attainable({ ...i, circuit: circuitFrom(i) }),
});
