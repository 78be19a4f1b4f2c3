import { z } from 'zod';
import { defineCalculator, key } from '../contract/index.ts';

/** What of a panel's power, as it is sold, arrives in the battery (common practice, no source). */
export const SUN_EFFICIENCY = 0.7;

const input = z.strictObject({
  panelW: key.positive('Power of the panel, as it is sold', 'W'),
  peakSunHours: key.positive('Hours of full sun that the day is worth', 'h'),
  systemEfficiency: key.share('Share that arrives in the battery').default(SUN_EFFICIENCY),
  whPerOuting: key.positive('Energy of an outing', 'Wh'),
  standbyW: key.nonNegative('Drawn day and night', 'W').default(0),
});

const output = z.strictObject({
  whPerDay: key.positive('Energy of a day', 'Wh'),
  standbyWhPerDay: key.nonNegative('Of it drawn standing by', 'Wh'),
  outingsPerDay: key.nonNegative('Outings a day'),
  daysPerOuting: z.number().nullable().meta({
    description: 'Days for an outing; null where the sun does not even feed what stands by',
    unit: '',
  }),
});

export const chargingBySun = defineCalculator({
  name: 'charging-by-sun',
  topic: 'supply',
  asks: 'How many outings does the sun give?',
  title: 'Charging by sun',
  purpose: 'Outings a day from a solar panel, with what is drawn standing by.',
  input,
  output,
  formula: 'E = P h η;  Es = 24 Ps;  n = max(0, (E − Es)/Eo)',
  symbols: {
    given: { P: 'panelW', h: 'peakSunHours', η: 'systemEfficiency', Eo: 'whPerOuting', Ps: 'standbyW' },
    found: { n: 'outingsPerDay' },
  },
  source: 'energy in a day: power times hours of full sun',
  limits:
    'A mean day, the panel clean and turned to the sun: shade on one cell takes most of it, winter a fifth of summer.',
  examples: [
    {
      origin:
        '50 W for 4 h at 70 % are 140 Wh; 1 W standing by takes 24; the rest is two outings of 58 Wh (arithmetic)',
      input: { panelW: 50, peakSunHours: 4, whPerOuting: 58, standbyW: 1 },
      output: { whPerDay: 140, standbyWhPerDay: 24, outingsPerDay: 2, daysPerOuting: 0.5 },
    },
  ],
  run: ({ panelW, peakSunHours, systemEfficiency, whPerOuting, standbyW }) => {
    const whPerDay = panelW * peakSunHours * systemEfficiency;
    const standbyWhPerDay = 24 * standbyW;
    const outingsPerDay = Math.max(0, (whPerDay - standbyWhPerDay) / whPerOuting);
    return {
      whPerDay,
      standbyWhPerDay,
      outingsPerDay,
      daysPerOuting: outingsPerDay > 0 ? 1 / outingsPerDay : null,
    };
  },
});
