import { z } from 'zod';
import { defineCalculator, key } from '../contract/index.ts';

const input = z.strictObject({
  massKg: key.nonNegative('Mass of the vehicle with its load', 'kg'),
  rotatingMassFactor: key.positive('Mass that must be sped up over mass').default(1),
  speedMps: key.nonNegative('Speed that each start reaches', 'm/s'),
  startsAnHour: key.nonNegative('Starts an hour', '1/h'),
  efficiency: key.share('Share of the power that comes through').default(1),
});

export const startingPower = defineCalculator({
  name: 'starting-power',
  topic: 'supply',
  asks: 'What do frequent starts cost?',
  title: 'What starting again and again costs',
  purpose: 'The mean power that frequent starts add, where nothing is given back in stopping.',
  input,
  output: z.strictObject({ powerW: key.nonNegative('Mean power for starting', 'W') }),
  formula: 'P = n k m v²/(2 η 3600)',
  symbols: {
    given: {
      n: 'startsAnHour',
      k: 'rotatingMassFactor',
      m: 'massKg',
      v: 'speedMps',
      η: 'efficiency',
    },
    found: { P: 'powerW' },
  },
  source: 'kinetic energy',
  limits: 'The energy of motion alone: a start at full command heats motor and driver on top of it.',
  examples: [
    {
      origin: '180 starts an hour of 100 kg to 2 m/s: 200 J every 20 s (exact)',
      input: { massKg: 100, speedMps: 2, startsAnHour: 180 },
      output: { powerW: 10 },
    },
  ],
  run: (i) => ({
    powerW: (i.startsAnHour * i.rotatingMassFactor * i.massKg * i.speedMps ** 2) / (2 * i.efficiency * 3600),
  }),
});
