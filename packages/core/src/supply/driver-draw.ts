import { figure, sentence } from '../quantity/index.ts';
import { z } from 'zod';
import { NotPhysical, defineCalculator, key } from '../contract/index.ts';
import { currentForPower } from './battery-sag.ts';

const input = z.strictObject({
  motors: key.count('Motors, all alike'),
  motorV: key.nonNegative('Voltage at each motor', 'V'),
  currentA: key.nonNegative('Current of each motor', 'A'),
  auxiliaryW: key.nonNegative('Power drawn beside the motors', 'W').default(0),
  openCircuitV: key.positive('Battery voltage with nothing drawn', 'V'),
  supplyResistanceOhm: key.nonNegative('Resistance of battery and cables', 'Ω').default(0),
});

const output = z.strictObject({
  powerW: key.nonNegative('Power drawn in all', 'W'),
  batteryA: key.nonNegative('Current from the battery', 'A'),
  batteryV: key.nonNegative('Battery voltage under that load', 'V'),
});

export const driverDraw = defineCalculator({
  name: 'driver-draw',
  topic: 'supply',
  asks: 'What do the motors draw from it?',
  title: 'What motors draw from the battery',
  purpose:
    'The battery’s current and voltage behind a driver that chops: less current goes in than comes out.',
  input,
  output,
  formula: 'P = m Vm I + Paux;  Ib = 2 P/(Voc + √(Voc² − 4 Rs P));  Vb = Voc − Rs Ib',
  symbols: {
    given: {
      m: 'motors',
      Vm: 'motorV',
      I: 'currentA',
      Paux: 'auxiliaryW',
      Voc: 'openCircuitV',
      Rs: 'supplyResistanceOhm',
    },
    found: { P: 'powerW', Ib: 'batteryA', Vb: 'batteryV' },
  },
  source: 'circuit theory (ideal chopper: power in is power out)',
  limits: 'A driver without losses; a real one takes some per cent and a little current for itself.',
  examples: [
    {
      origin:
        'two motors at 5 V and 20 A with 10 W beside: 210 W, as 30 A at 7 V from 10 V behind 0.1 Ω (exact)',
      input: {
        motors: 2,
        motorV: 5,
        currentA: 20,
        auxiliaryW: 10,
        openCircuitV: 10,
        supplyResistanceOhm: 0.1,
      },
      output: { powerW: 210, batteryA: 30, batteryV: 7 },
    },
  ],
  run: ({ motors, motorV, currentA, auxiliaryW, openCircuitV, supplyResistanceOhm }) => {
    const powerW = motors * motorV * currentA + auxiliaryW;
    const batteryA = currentForPower(openCircuitV, supplyResistanceOhm, powerW);
    if (batteryA === undefined)
      throw new NotPhysical(
        'beyond-peak-power',
        sentence`This source can give ${figure(openCircuitV ** 2 / (4 * supplyResistanceOhm), 'power', 4)} at most, and ${figure(powerW, 'power', 4)} are asked: ask for less, or use a pack of lower resistance.`,
      );
    return { powerW, batteryA, batteryV: Math.max(0, openCircuitV - supplyResistanceOhm * batteryA) };
  },
});
