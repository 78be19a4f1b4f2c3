import { z } from 'zod';
import { rpmToRadS } from '../quantity/index.ts';
import { defineCalculator, key } from '../contract/index.ts';
import { circuitFrom, circuitKeys } from './circuit-keys.ts';
import { fullCommand, startingCurrent } from './circuit.ts';

const input = z.strictObject({
  ...circuitKeys,
  rpm: key.nonNegative('Speed of the motors', 'rpm').default(0),
});

const output = z.strictObject({
  torqueNm: key.real('Most torque of each motor; below 0 it brakes', 'N·m'),
  currentA: key.real('Current of each motor', 'A'),
  allMotorsA: key.real('Current of all motors together', 'A'),
  motorV: key.real('Voltage at each motor', 'V'),
  batteryA: key.real('Current from the battery', 'A'),
  batteryV: key.real('Battery voltage under that load', 'V'),
  startA: key.nonNegative('Most from the battery in a start at full command', 'A'),
  limitedBy: z.enum(['voltage', 'driver', 'battery']).meta({ description: 'What holds it back', unit: '' }),
});

export const fullCommandPoint = defineCalculator({
  name: 'full-command',
  topic: 'motor',
  asks: 'What does it give at full command?',
  title: 'Motors at full command',
  purpose:
    'The most that motors give at a speed, with the sag of their battery and the limit of their driver.',
  input,
  output,
  formula:
    'T = kt (I − I0);  Vm = I R + ke π n/30;  unlimited: I = (s Vb − ke π n/30)/R with Vb = Voc − Rs Ib, and never more than Im;  all = m I;  Vb = Voc − Rs Ib, where Ib Vb = m Vm I + Paux',
  symbols: {
    given: {
      kt: 'ktNmPerA',
      I0: 'noLoadA',
      R: 'resistanceOhm',
      ke: 'keVsPerRad',
      n: 'rpm',
      Voc: 'openCircuitV',
      Rs: 'supplyResistanceOhm',
      m: 'motors',
      s: 'commandShare',
    },
    found: {
      T: 'torqueNm',
      I: 'currentA',
      Vm: 'motorV',
      all: 'allMotorsA',
      Vb: 'batteryV',
      Ib: 'batteryA',
    },
  },
  source: 'permanent-magnet direct-current motor theory; circuit theory (ideal chopper)',
  limits:
    'Cold motors alike, a driver without losses of its own but its resistance; the battery’s voltage held.',
  examples: [
    {
      origin: 'two motors of 0.2 Ω stalled on 12 V behind 0.1 Ω: 12/(0.2 + 2 · 0.1) = 30 A each (exact)',
      input: {
        motors: 2,
        resistanceOhm: 0.2,
        keVsPerRad: 0.02,
        ktNmPerA: 0.02,
        noLoadA: 1,
        openCircuitV: 12,
        supplyResistanceOhm: 0.1,
      },
      output: { torqueNm: 0.58, currentA: 30, allMotorsA: 60, batteryV: 6, limitedBy: 'voltage' },
    },
    {
      origin: 'the same with a driver that limits to 20 A: 20² · 0.2 = 80 W a motor (exact)',
      input: {
        motors: 2,
        resistanceOhm: 0.2,
        keVsPerRad: 0.02,
        ktNmPerA: 0.02,
        noLoadA: 1,
        openCircuitV: 12,
        currentLimitA: 20,
      },
      output: { torqueNm: 0.38, currentA: 20, motorV: 4, batteryA: 160 / 12, limitedBy: 'driver' },
    },
  ],
  run: ({ rpm, ...circuit }) => {
    const point = fullCommand(circuitFrom(circuit), rpmToRadS(rpm));
    return {
      torqueNm: point.torqueNm,
      currentA: point.currentA,
      allMotorsA: circuit.motors * point.currentA,
      motorV: point.motorV,
      batteryA: point.batteryA,
      batteryV: point.batteryV,
      startA: Math.max(0, startingCurrent(circuitFrom(circuit))),
      limitedBy: point.limitedBy,
    };
  },
});
