import { z } from 'zod';
import { radSToRpm, figure, sentence } from '../quantity/index.ts';
import { NotPhysical, defineCalculator, key, notice } from '../contract/index.ts';

const input = z.strictObject({
  constant: key.positive('Torque over current squared', 'N·m/A²'),
  resistanceOhm: key.positive('Resistance of field and armature', 'Ω'),
  voltageV: key.positive('Voltage at the motor', 'V'),
  torqueNm: key.positive('Torque', 'N·m'),
});

const output = z.strictObject({
  currentA: key.positive('Current', 'A'),
  speedRpm: key.nonNegative('Speed', 'rpm'),
  inputW: key.positive('Electrical power', 'W'),
  shaftW: key.nonNegative('Power at the shaft', 'W'),
  efficiency: key.nonNegative('Shaft power over electrical power'),
  warnings: key.warnings,
});

export const seriesMotorPoint = defineCalculator({
  name: 'series-motor-point',
  topic: 'motor',
  asks: 'What does a series-wound motor do?',
  title: 'A series-wound motor at one load',
  purpose: 'Current, speed and power of a series-wound (universal) motor below saturation.',
  input,
  output,
  formula: 'I = √(T/k);  ω = (V − I R)/(k I)',
  symbols: {
    given: { k: 'constant', R: 'resistanceOhm', V: 'voltageV', T: 'torqueNm' },
    found: { I: 'currentA', ω: 'speedRpm' },
  },
  source: 'series-wound motor theory, below saturation',
  limits: 'Iron far from saturation; at high current the torque grows more slowly than the square.',
  examples: [
    {
      origin: 'half the voltage on the winding is half the efficiency (exact)',
      input: { constant: 0.01, resistanceOhm: 1, voltageV: 20, torqueNm: 1 },
      output: { currentA: 10, inputW: 200, shaftW: 100, efficiency: 0.5 },
    },
  ],
  run: ({ constant, resistanceOhm, voltageV, torqueNm }) => {
    const currentA = Math.sqrt(torqueNm / constant);
    if (currentA * resistanceOhm > voltageV)
      throw new NotPhysical(
        'beyond-stall',
        sentence`That takes ${figure(currentA, 'current', 4)}; at ${figure(voltageV, 'voltage')} the motor stalls at ${figure(voltageV / resistanceOhm, 'current', 4)}. Ask for less torque or give it more voltage.`,
      );
    const speedRadS = (voltageV - currentA * resistanceOhm) / (constant * currentA);
    const inputW = voltageV * currentA;
    const shaftW = torqueNm * speedRadS;
    return {
      currentA,
      speedRpm: radSToRpm(speedRadS),
      inputW,
      shaftW,
      efficiency: shaftW / inputW,
      warnings: [
        notice(
          'runs-away',
          'It has no no-load speed: without a load it runs away. Never run it unloaded, nor on a belt that can come off.',
        ),
      ],
    };
  },
});
