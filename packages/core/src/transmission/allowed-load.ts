import { z } from 'zod';
import { defineCalculator, key } from '../contract/index.ts';

const input = z.strictObject({
  strengthN: key.positive('Load at which it breaks', 'N'),
  safetyFactor: key.positive('How many times the working load that must be'),
});

const output = z.strictObject({ allowedN: key.positive('Load that it may work with', 'N') });

export const allowedLoad = defineCalculator({
  name: 'allowed-load',
  topic: 'strength',
  asks: 'What may a chain or rope work with?',
  title: 'Working load of a chain or rope',
  purpose: 'The load that a part of known strength may work with.',
  input,
  output,
  formula: 'F = S/k',
  symbols: { given: { S: 'strengthN', k: 'safetyFactor' }, found: { F: 'allowedN' } },
  source: 'common practice: a seventh for a chain that starts, stops and runs dirty',
  limits: 'For steady loads; where people depend on it, licensed practice and the maker’s figures stand.',
  examples: [
    {
      origin: 'a chain of 7 kN with a factor of 7 (exact)',
      input: { strengthN: 7000, safetyFactor: 7 },
      output: { allowedN: 1000 },
    },
  ],
  run: ({ strengthN, safetyFactor }) => ({ allowedN: strengthN / safetyFactor }),
});
