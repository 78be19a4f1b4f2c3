import { z } from 'zod';
import { AIR_DENSITY, STANDARD_GRAVITY, degreesToRadians } from '../quantity/index.ts';
import { defineCalculator, key } from '../contract/index.ts';

const input = z.strictObject({
  massKg: key.positive('Mass of the vehicle with its load', 'kg'),
  rollingCoefficient: key.nonNegative('Rolling resistance over weight on the ground'),
  gradeDeg: key.grade().default(0),
  speedMps: key.nonNegative('Road speed', 'm/s').default(0),
  dragAreaM2: key.nonNegative('Drag coefficient times frontal area', 'm²').default(0),
  airDensityKgM3: key.positive('Density of the air', 'kg/m³').default(AIR_DENSITY),
  accelerationMps2: key.real('Speeding up, slowing down negative', 'm/s²').default(0),
  rotatingMassFactor: key
    .positive('Mass that must be sped up, rotating parts counted, over the mass')
    .default(1),
  drawbarN: key.real('Pull at the hitch, backwards positive', 'N').default(0),
});

const output = z.strictObject({
  rollingN: key.real('Rolling resistance', 'N'),
  gradeN: key.real('Pull of the slope', 'N'),
  dragN: key.real('Air drag', 'N'),
  inertiaN: key.real('Force that speeds it up', 'N'),
  drawbarN: key.real('Pull at the hitch', 'N'),
  totalN: key.real('Force along the ground', 'N'),
  powerW: key.real('Power at the ground', 'W'),
});

export const roadLoad = defineCalculator({
  name: 'road-load',
  topic: 'ground',
  asks: 'How hard must it pull?',
  title: 'Force to move a vehicle',
  purpose: 'The force along the ground, split into rolling, grade, drag, speeding up and towing.',
  input,
  output,
  formula: 'F = m g f cosθ + m g sinθ + ½ ρ CdA v² + k m a + D;  P = F v',
  symbols: {
    given: {
      m: 'massKg',
      f: 'rollingCoefficient',
      θ: 'gradeDeg',
      ρ: 'airDensityKgM3',
      CdA: 'dragAreaM2',
      v: 'speedMps',
      k: 'rotatingMassFactor',
      a: 'accelerationMps2',
      D: 'drawbarN',
    },
    found: { F: 'totalN', P: 'powerW' },
  },
  source:
    'T. D. Gillespie, Fundamentals of Vehicle Dynamics, ch. 2 and 4; J. Y. Wong, Theory of Ground Vehicles, ch. 3',
  limits:
    'Steady or steadily speeding up, on firm ground; rolling drag grows with softness, low tyre pressure and cold, not in the formula. Wind and bends are left out.',
  examples: [
    {
      origin: '178 kg up 9° at a rolling coefficient of 0.08, worked by hand',
      input: { massKg: 178, rollingCoefficient: 0.08, gradeDeg: 9 },
      output: { rollingN: 137.9274, gradeN: 273.0695, totalN: 410.9969 },
      tolerance: 1e-6,
    },
  ],
  run: (i) => {
    const slopeRad = degreesToRadians(i.gradeDeg);
    const weightN = i.massKg * STANDARD_GRAVITY;
    const rollingN = weightN * i.rollingCoefficient * Math.cos(slopeRad);
    const gradeN = weightN * Math.sin(slopeRad);
    const dragN = 0.5 * i.airDensityKgM3 * i.dragAreaM2 * i.speedMps ** 2;
    const inertiaN = i.rotatingMassFactor * i.massKg * i.accelerationMps2;
    const totalN = rollingN + gradeN + dragN + inertiaN + i.drawbarN;
    return { rollingN, gradeN, dragN, inertiaN, drawbarN: i.drawbarN, totalN, powerW: totalN * i.speedMps };
  },
});
