import { figure, sentence } from '../quantity/index.ts';
import { z } from 'zod';
import { NotPhysical, defineCalculator, key } from '../contract/index.ts';

const input = z
  .strictObject({
    openCircuitV: key.positive('Voltage with nothing drawn', 'V'),
    resistanceOhm: key.nonNegative('Resistance of battery and leads', 'Ω'),
    currentA: key.nonNegative('Current drawn', 'A').optional(),
    powerW: key.nonNegative('Power drawn at the terminals', 'W').optional(),
  })
  .refine((i) => (i.currentA === undefined) !== (i.powerW === undefined), {
    message: 'give exactly one of currentA, powerW',
    path: ['currentA'],
  });

const output = z.strictObject({
  terminalV: key.nonNegative('Voltage at the terminals', 'V'),
  currentA: key.nonNegative('Current', 'A'),
  lossW: key.nonNegative('Power lost inside', 'W'),
});

/**
 * The current that delivers a power at the terminals of a source (the lesser, working root), A. A negative power
 * charges it. Undefined beyond the greatest power the source can give.
 *
 * @example currentForPower(24, 0.1, 240) // 10.46
 */
export function currentForPower(
  openCircuitV: number,
  resistanceOhm: number,
  powerW: number,
): number | undefined {
  const discriminant = openCircuitV ** 2 - 4 * resistanceOhm * powerW;
  return discriminant < 0 ? undefined : (2 * powerW) / (openCircuitV + Math.sqrt(discriminant));
}

function drawnCurrent(i: z.output<typeof input>): number {
  if (i.currentA !== undefined) {
    if (i.currentA * i.resistanceOhm > i.openCircuitV)
      throw new NotPhysical(
        'beyond-short-circuit',
        sentence`Even short-circuited this source gives only ${figure(i.openCircuitV / i.resistanceOhm, 'current', 4)}: draw less or lower its resistance.`,
      );
    return i.currentA;
  }
  const currentA = currentForPower(i.openCircuitV, i.resistanceOhm, i.powerW ?? 0);
  if (currentA === undefined)
    throw new NotPhysical(
      'beyond-peak-power',
      sentence`This source can give ${figure(i.openCircuitV ** 2 / (4 * i.resistanceOhm), 'power', 4)} at most: ask for less, or use a pack of lower resistance.`,
    );
  return currentA;
}

export const batterySag = defineCalculator({
  name: 'battery-sag',
  topic: 'supply',
  asks: 'How far does the battery sag?',
  title: 'Voltage under load',
  purpose: 'How far a battery sags for a current or a power.',
  input,
  output,
  formula: 'V = Voc − R I;  for a power: V = (Voc + √(Voc² − 4 R P))/2;  loss = R I²',
  symbols: {
    given: { Voc: 'openCircuitV', R: 'resistanceOhm', P: 'powerW' },
    found: { V: 'terminalV', I: 'currentA', loss: 'lossW' },
  },
  source: 'circuit theory (maximum power transfer)',
  limits: 'The fast part of the sag: over minutes the voltage falls further as the charge goes.',
  examples: [
    {
      origin: 'exact: 7 V × 30 A = 210 W',
      input: { openCircuitV: 10, resistanceOhm: 0.1, powerW: 210 },
      output: { terminalV: 7, currentA: 30, lossW: 90 },
    },
  ],
  run: (i) => {
    const currentA = drawnCurrent(i);
    return {
      terminalV: Math.max(0, i.openCircuitV - i.resistanceOhm * currentA),
      currentA,
      lossW: i.resistanceOhm * currentA ** 2,
    };
  },
});
