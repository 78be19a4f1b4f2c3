import { z } from 'zod';
import { radSToRpm, rpmToRadS, figure, sentence } from '../quantity/index.ts';
import { NotPhysical, defineCalculator, key } from '../contract/index.ts';

const input = z
  .strictObject({
    resistanceOhm: key.positive('Resistance of the winding', 'Ω'),
    ktNmPerA: key.positive('Torque constant', 'N·m/A'),
    noLoadA: key.nonNegative('No-load current', 'A'),
    voltageV: key.positive('Voltage at the motor', 'V'),
    torqueNm: key.nonNegative('Torque at the shaft', 'N·m').optional(),
    currentA: key.nonNegative('Current', 'A').optional(),
    speedRpm: key.nonNegative('Speed', 'rpm').optional(),
  })
  .refine((i) => [i.torqueNm, i.currentA, i.speedRpm].filter((x) => x !== undefined).length === 1, {
    message: 'give exactly one of torqueNm, currentA, speedRpm',
    path: ['torqueNm'],
  });

const output = z.strictObject({
  torqueNm: key.nonNegative('Torque at the shaft', 'N·m'),
  currentA: key.nonNegative('Current', 'A'),
  speedRpm: key.nonNegative('Speed', 'rpm'),
  inputW: key.nonNegative('Electrical power', 'W'),
  shaftW: key.nonNegative('Power at the shaft', 'W'),
  efficiency: key.nonNegative('Shaft power over electrical power'),
  heatW: key.nonNegative('Power that turns to heat', 'W'),
});

type Input = z.output<typeof input>;

/** Rounding in the last digits of an exact end point (stall, no load) is not an error of the builder's. */
const SLACK = 1e-12;

function currentOf(i: Input): number {
  if (i.torqueNm !== undefined) return i.torqueNm / i.ktNmPerA + i.noLoadA;
  if (i.currentA !== undefined) return i.currentA;
  return (i.voltageV - i.ktNmPerA * rpmToRadS(i.speedRpm ?? 0)) / i.resistanceOhm;
}

export const dcMotorPoint = defineCalculator({
  name: 'dc-motor-point',
  topic: 'motor',
  asks: 'What does it do at one load?',
  title: 'A brushed motor at one load',
  purpose: 'Torque, current, speed, power and heat of a motor at one torque, current or speed.',
  input,
  output,
  formula: 'T = kt (I − I0);  ω = (V − I R)/kt;  P = V I;  Psh = T ω',
  symbols: {
    given: { R: 'resistanceOhm', kt: 'ktNmPerA', I0: 'noLoadA', V: 'voltageV' },
    found: { T: 'torqueNm', I: 'currentA', ω: 'speedRpm', P: 'inputW', Psh: 'shaftW' },
  },
  source: 'permanent-magnet direct-current motor theory',
  limits: 'A cold motor with permanent magnets; a winding at 100 °C has about a third more resistance.',
  examples: [
    {
      origin: 'half of stall current is half of no-load speed where the no-load current is 0 (exact)',
      input: { resistanceOhm: 1, ktNmPerA: 0.1, noLoadA: 0, voltageV: 10, currentA: 5 },
      output: { torqueNm: 0.5, inputW: 50, shaftW: 25, efficiency: 0.5, heatW: 25 },
    },
  ],
  run: (i) => {
    const stallA = i.voltageV / i.resistanceOhm;
    const currentA = currentOf(i);
    if (currentA > stallA * (1 + SLACK))
      throw new NotPhysical(
        'beyond-stall',
        sentence`That asks for ${figure(currentA, 'current', 4)}; at ${figure(i.voltageV, 'voltage')} the motor stalls at ${figure(stallA, 'current', 4)}. Ask for less torque or give it more voltage.`,
      );
    if (currentA < i.noLoadA * (1 - SLACK) || i.noLoadA > stallA)
      throw new NotPhysical(
        'above-no-load',
        'That is faster than the motor turns with nothing on the shaft: ask for less speed or give it more voltage.',
      );
    const torqueNm = Math.max(0, i.torqueNm ?? i.ktNmPerA * (currentA - i.noLoadA));
    const speedRadS = Math.max(0, (i.voltageV - currentA * i.resistanceOhm) / i.ktNmPerA);
    const inputW = i.voltageV * currentA;
    const shaftW = torqueNm * speedRadS;
    return {
      torqueNm,
      currentA,
      speedRpm: i.speedRpm ?? radSToRpm(speedRadS),
      inputW,
      shaftW,
      efficiency: inputW === 0 ? 0 : shaftW / inputW,
      heatW: Math.max(0, inputW - shaftW),
    };
  },
});
