import { z } from 'zod';
import { defineCalculator, key } from '../contract/index.ts';

/**
 * Volts a cell, nominal, full and empty, and at rest in the last tenth of its charge, where its resistance is so many
 * times what it was (common practice, no source).
 */
export const CHEMISTRIES = {
  lipo: { nominalV: 3.7, fullV: 4.2, emptyV: 3.3, lastV: 3.5, lastTimes: 1.4 },
  'li-ion': { nominalV: 3.6, fullV: 4.2, emptyV: 3.0, lastV: 3.3, lastTimes: 1.5 },
  lifepo4: { nominalV: 3.2, fullV: 3.65, emptyV: 2.5, lastV: 3.0, lastTimes: 1.4 },
  nimh: { nominalV: 1.2, fullV: 1.45, emptyV: 1.0, lastV: 1.12, lastTimes: 1.5 },
  'lead-acid': { nominalV: 2.0, fullV: 2.12, emptyV: 1.75, lastV: 1.93, lastTimes: 2 },
  alkaline: { nominalV: 1.5, fullV: 1.6, emptyV: 0.9, lastV: 1.05, lastTimes: 2 },
} as const;

/** A battery keeps about its nominal voltage until half of its charge is drawn (common practice, no source). */
const TIRES_FROM = 0.5;
/** Where the last tenth of its charge begins. */
const LAST_TENTH = 0.9;

/**
 * What a pack has left of its nominal voltage at rest, and how many times its resistance is what it was, once a share of
 * its charge is drawn: as new to the half, then evenly down to what the last tenth has.
 *
 * @example packAfter('lead-acid', 0.8) // { voltageShare: 0.9738, resistanceTimes: 1.75 }
 */
export function packAfter(chemistry: Chemistry, drawnShare: number) {
  const { nominalV, lastV, lastTimes } = CHEMISTRIES[chemistry];
  const tired = Math.min(1, Math.max(0, (drawnShare - TIRES_FROM) / (LAST_TENTH - TIRES_FROM)));
  return { voltageShare: 1 - (1 - lastV / nominalV) * tired, resistanceTimes: 1 + (lastTimes - 1) * tired };
}

/** What a degree under a mild day takes of the charge, and adds to the resistance: shares a kelvin (common practice, no source). */
const COLD = {
  lipo: { charge: 0.006, ohms: 0.03 },
  'li-ion': { charge: 0.006, ohms: 0.03 },
  lifepo4: { charge: 0.008, ohms: 0.04 },
  nimh: { charge: 0.006, ohms: 0.02 },
  'lead-acid': { charge: 0.01, ohms: 0.015 },
  alkaline: { charge: 0.015, ohms: 0.04 },
} as const;
/** Packs are rated at this, °C. */
const MILD_C = 25;
/** However cold, something is left (common practice, no source). */
const LEAST_CHARGE = 0.2;

/**
 * What a pack gives in the cold: the share of its charge, and how many times its resistance. As rated on a mild day.
 *
 * @example coldPack('lead-acid', 0).capacityShare // 0.75
 */
export function coldPack(chemistry: Chemistry, airC = MILD_C) {
  const under = Math.max(0, MILD_C - airC);
  const { charge, ohms } = COLD[chemistry];
  return { capacityShare: Math.max(LEAST_CHARGE, 1 - charge * under), resistanceTimes: 1 + ohms * under };
}

export type Chemistry = keyof typeof CHEMISTRIES;
/** All chemistries. */
export const CHEMISTRY_NAMES = Object.keys(CHEMISTRIES) as [Chemistry, ...Chemistry[]];

const input = z.strictObject({
  chemistry: z.enum(CHEMISTRY_NAMES).meta({ description: 'Kind of cell', unit: '' }),
  series: key.count('Cells in series'),
  parallel: key.count('Strings in parallel'),
  cellAh: key.positive('Capacity of a cell', 'Ah'),
  cellMilliohm: key.nonNegative('Resistance of a cell', 'mΩ'),
  maxC: key.positive('Greatest current over capacity', '1/h').optional(),
});

const output = z.strictObject({
  nominalV: key.positive('Nominal voltage', 'V'),
  fullV: key.positive('Voltage when full', 'V'),
  emptyV: key.positive('Voltage when empty', 'V'),
  capacityAh: key.positive('Capacity', 'Ah'),
  energyWh: key.positive('Energy at nominal voltage', 'Wh'),
  resistanceOhm: key.nonNegative('Resistance of the pack', 'Ω'),
  maxA: key.positive('Greatest current', 'A').optional(),
});

export const batteryPack = defineCalculator({
  name: 'battery-pack',
  topic: 'supply',
  asks: 'What do these cells make?',
  title: 'A pack from its cells',
  purpose: 'Voltage, capacity, energy and resistance of cells in series and parallel.',
  input,
  output,
  formula: 'V = s·Vc;  C = p·Cc;  E = V C;  R = s·rc/p;  Imax = Cmax·C',
  symbols: {
    given: { s: 'series', p: 'parallel', Cc: 'cellAh', rc: 'cellMilliohm', Cmax: 'maxC' },
    found: { V: 'nominalV', C: 'capacityAh', E: 'energyWh', R: 'resistanceOhm', Imax: 'maxA' },
  },
  source: 'circuit theory; volts a cell: common practice',
  limits: 'Like cells, new and at room temperature; old or cold cells have several times the resistance.',
  examples: [
    {
      origin: 'a 12 V lead-acid battery has six cells of 2 V (common practice, no source)',
      input: { chemistry: 'lead-acid', series: 6, parallel: 1, cellAh: 7, cellMilliohm: 4 },
      output: { nominalV: 12, capacityAh: 7, energyWh: 84, resistanceOhm: 0.024 },
    },
  ],
  run: (i) => {
    const cell = CHEMISTRIES[i.chemistry];
    const capacityAh = i.parallel * i.cellAh;
    return {
      nominalV: i.series * cell.nominalV,
      fullV: i.series * cell.fullV,
      emptyV: i.series * cell.emptyV,
      capacityAh,
      energyWh: i.series * cell.nominalV * capacityAh,
      resistanceOhm: (i.series * i.cellMilliohm) / 1000 / i.parallel,
      ...(i.maxC === undefined ? {} : { maxA: i.maxC * capacityAh }),
    };
  },
});
