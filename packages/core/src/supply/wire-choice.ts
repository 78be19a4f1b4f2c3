import { z } from 'zod';
import { NotPhysical, defineCalculator, key, notice } from '../contract/index.ts';
import { figure, sentence } from '../quantity/index.ts';
import { wire } from './wire.ts';

const GAUGES = [22, 20, 18, 16, 14, 12, 10, 8, 6, 4, 2, 0] as const;
const AREAS_MM2 = [0.5, 0.75, 1, 1.5, 2.5, 4, 6, 10, 16, 25, 35, 50] as const;

const input = z.strictObject({
  currentA: key.positive('Current all day', 'A'),
  lengthM: key.positive('Length, one way', 'm'),
  voltageV: key.positive('Voltage of the supply', 'V'),
  dropShare: key.share('Share of it that may be lost').default(0.03),
  temperatureC: key.real('Temperature of the copper', '°C').default(20),
});

const output = z.strictObject({
  awg: z.int().meta({ description: 'American wire gauge', unit: '' }),
  metricMm2: z
    .number()
    .nullable()
    .meta({ description: 'Metric area that does the same; null where none does', unit: 'mm²' }),
  dropV: key.positive('Voltage lost, out and back', 'V'),
  share: key.positive('That over the supply’s'),
  ampacityA: key.positive('Current it carries all day', 'A'),
  decidedBy: z.enum(['ampacity', 'drop']).meta({ description: 'What rules out the next thinner', unit: '' }),
  warnings: key.warnings,
});

export const wireChoice = defineCalculator({
  name: 'wire-choice',
  topic: 'supply',
  asks: 'Which wire for this current?',
  title: 'Choosing a wire',
  purpose: 'The thinnest wire that carries a current all day and loses no more voltage than it may.',
  input,
  output,
  formula: 'the thinnest of the gauges with ampacity ≥ I and I R ≤ s V, both by the wire’s own sum',
  symbols: { given: {}, found: {} },
  source: 'ASTM B258; IEC 60028; ampacity: common practice',
  limits: 'The temperature changes the drop alone. A fuse by the wire, not by the load.',
  examples: [
    {
      origin:
        '10 A over 1 m at 24 V: 20 AWG carries 11 A and loses 0.67 V, under 3 % of 24 V (ASTM B258, ampacity common practice)',
      input: { currentA: 10, lengthM: 1, voltageV: 24 },
      output: { awg: 20, ampacityA: 11, decidedBy: 'ampacity' },
    },
  ],
  run: (i) => {
    const { currentA, lengthM, voltageV, dropShare, temperatureC } = i;
    const tried = (size: { awg: number } | { areaMm2: number }) => {
      const { dropV, ampacityA = 0 } = wire.run({ ...size, lengthM, currentA, temperatureC });
      return { dropV, ampacityA, carries: ampacityA >= currentA, spares: dropV <= dropShare * voltageV };
    };
    const gauges = GAUGES.map((awg) => ({ awg, ...tried({ awg }) }));
    const at = gauges.findIndex(({ carries, spares }) => carries && spares);
    const chosen = gauges[at];
    if (!chosen)
      throw new NotPhysical(
        'no-wire-thick-enough',
        sentence`Not even the thickest of the table does it for ${figure(currentA, 'current')} over ${figure(lengthM, 'length')}: a shorter way, two wires beside each other, or more voltage.`,
      );
    const thinner = gauges[at - 1];
    return {
      awg: chosen.awg,
      metricMm2:
        AREAS_MM2.find((areaMm2) => {
          const { carries, spares } = tried({ areaMm2 });
          return carries && spares;
        }) ?? null,
      dropV: chosen.dropV,
      share: chosen.dropV / voltageV,
      ampacityA: chosen.ampacityA,
      decidedBy: thinner?.carries && !thinner.spares ? ('drop' as const) : ('ampacity' as const),
      warnings: [
        notice('in-a-bundle', 'For a single wire in free air: in a bundle or a tube it carries less.'),
      ],
    };
  },
});
