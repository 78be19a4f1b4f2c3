import { z } from 'zod';
import { defineCalculator, key, notice } from '../contract/index.ts';
import { CHAIN_NAMES, chainSize, type ChainName } from './chains.ts';

const input = z.strictObject({
  lengthMm: key.positive('From pin to pin, the chain pulled straight', 'mm'),
  pitches: key.count('Pitches between those two pins').default(10),
});

const output = z.strictObject({
  pitchMm: key.positive('Pitch by the measurement', 'mm'),
  nearestPitchMm: key.positive('Nearest standard pitch', 'mm'),
  sizes: z.array(z.enum(CHAIN_NAMES)).meta({ description: 'Chains of that pitch', unit: '' }),
  elongation: key.real('Longer than that pitch by'),
  warnings: key.warnings,
});

/** From here on a chain is worn out (common practice, no source: 2 to 3 % by most makers). */
const WORN = 0.02;
/** Pitches of the table that differ in their last digit only are one pitch. */
const SAME = 1e-9;
/** Further off than this it is another pitch, not wear (common practice, no source). */
const ANOTHER = 0.04;

export const chainPitch = defineCalculator({
  name: 'chain-pitch',
  topic: 'inHand',
  asks: 'Which chain is this, and how worn?',
  title: 'Which chain this is, and how worn',
  purpose: 'Pitch, standard number and wear of a chain in hand, from a rule laid along ten links.',
  input,
  output,
  formula: 'p = l/n;  wear = p/ps − 1',
  symbols: {
    given: { l: 'lengthMm', n: 'pitches' },
    found: { p: 'pitchMm', ps: 'nearestPitchMm', wear: 'elongation' },
  },
  source: 'ASME B29.1 and ISO 606 pitches; limits of wear: common practice, no source',
  limits: 'A clean chain pulled straight. Over 2 % longer is worn out by common practice.',
  examples: [
    {
      origin: 'ten pitches of a half-inch chain are five inches (exact)',
      input: { lengthMm: 127 },
      output: {
        pitchMm: 12.7,
        nearestPitchMm: 12.7,
        sizes: ['ansi-40', 'ansi-41', 'iso-08B'],
        elongation: 0,
      },
    },
  ],
  run: ({ lengthMm, pitches }) => {
    const pitchMm = lengthMm / pitches;
    const apart = (name: ChainName): number => Math.abs(Math.log(pitchMm / chainSize(name).pitchMm));
    const nearest = CHAIN_NAMES.reduce((best, name) => (apart(name) < apart(best) ? name : best));
    const nearestPitchMm = chainSize(nearest).pitchMm;
    const elongation = pitchMm / nearestPitchMm - 1;
    return {
      pitchMm,
      nearestPitchMm,
      sizes: CHAIN_NAMES.filter((name) => Math.abs(chainSize(name).pitchMm / nearestPitchMm - 1) < SAME),
      elongation,
      warnings: [
        ...(Math.abs(elongation) > ANOTHER
          ? [
              notice(
                'no-standard',
                'No pitch of the table comes near: count the pitches again, or it is a chain of another standard.',
              ),
            ]
          : elongation > WORN
            ? [
                notice(
                  'worn',
                  'Worn out: a new chain, and new sprockets where their teeth have become hooked.',
                ),
              ]
            : []),
        notice('look-alikes', 'Chains of one pitch differ in width and roller: compare those too.'),
      ],
    };
  },
});
