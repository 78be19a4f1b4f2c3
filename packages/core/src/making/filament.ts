import { z } from 'zod';
import { defineCalculator, key } from '../contract/index.ts';

const input = z.strictObject({
  massG: key.positive('Mass of the print, with its supports', 'g'),
  densityGCm3: key.positive('Density of the plastic', 'g/cm³').default(1.24),
  diameterMm: key.positive('Diameter of the filament', 'mm').default(1.75),
  spoolG: key.positive('Filament on a spool', 'g').default(1000),
});

const output = z.strictObject({
  volumeCm3: key.positive('Volume', 'cm³'),
  lengthM: key.positive('Length of filament', 'm'),
  spools: key.count('Spools to have'),
});

export const filament = defineCalculator({
  name: 'filament',
  topic: 'making',
  asks: 'How much filament?',
  title: 'Filament for a print',
  purpose: 'Volume, length and spools of filament for a mass.',
  input,
  output,
  formula: 'V = m/ρ;  L = 4 V/(π d²)',
  symbols: {
    given: { m: 'massG', ρ: 'densityGCm3', d: 'diameterMm' },
    found: { V: 'volumeCm3', L: 'lengthM' },
  },
  source: 'volume of a cylinder; 1.24 g/cm³ is polylactic acid (makers’ tables, from memory)',
  limits: 'What the print weighs, without what a nozzle purges or a failed try takes: keep a tenth more.',
  examples: [
    {
      origin: '1 kg of 1.25 g/cm³ are 800 cm³; on 2 mm that is 800/π m (exact)',
      input: { massG: 1000, densityGCm3: 1.25, diameterMm: 2 },
      output: { volumeCm3: 800, lengthM: 800 / Math.PI, spools: 1 },
    },
  ],
  run: ({ massG, densityGCm3, diameterMm, spoolG }) => {
    const volumeCm3 = massG / densityGCm3;
    return {
      volumeCm3,
      lengthM: volumeCm3 / ((Math.PI / 4) * diameterMm ** 2),
      spools: Math.ceil(massG / spoolG),
    };
  },
});
