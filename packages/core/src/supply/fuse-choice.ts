import { figure, sentence } from '../quantity/index.ts';
import { z } from 'zod';
import { NotPhysical, defineCalculator, key } from '../contract/index.ts';

const input = z.strictObject({
  continuousA: key.nonNegative('Current all day', 'A'),
  wireAmpacityA: key.nonNegative('Current that the wire carries all day', 'A'),
});

const output = z.strictObject({ fuseA: key.positive('The least fuse that does', 'A') });

/** Ratings that are sold, A. */
const FUSES = [1, 2, 3, 4, 5, 7.5, 10, 15, 20, 25, 30, 35, 40, 50, 60, 70, 80, 100, 120, 150, 200, 250, 300];
/** A fuse carries four fifths of its rating all day (common practice, no source). */
const HEADROOM = 1.25;

export const fuseChoice = defineCalculator({
  name: 'fuse-choice',
  topic: 'supply',
  asks: 'Which fuse?',
  title: 'Which fuse',
  purpose: 'The least fuse that carries the current and protects the wire.',
  input,
  output,
  formula: '1.25·I ≤ fuse ≤ ampacity of the wire',
  symbols: { given: { I: 'continuousA', ampacity: 'wireAmpacityA' }, found: { fuse: 'fuseA' } },
  source: 'common practice',
  limits: 'Protects the wire, not the motor. Makers’ tables of heat, bundling and time stand above it.',
  examples: [
    {
      origin: 'common practice, no source: 16 A on a wire for 32 A takes 20 A',
      input: { continuousA: 16, wireAmpacityA: 32 },
      output: { fuseA: 20 },
    },
  ],
  run: ({ continuousA, wireAmpacityA }) => {
    const least = HEADROOM * continuousA;
    const fuseA = FUSES.find((rating) => rating >= least);
    if (fuseA === undefined)
      throw new NotPhysical(
        'no-fuse-large-enough',
        sentence`${figure(continuousA, 'current')} asks for a fuse of ${figure(least, 'current')}; the largest here is ${figure(Math.max(...FUSES), 'current')}. Share the current between circuits.`,
      );
    if (fuseA > wireAmpacityA)
      throw new NotPhysical(
        'wire-too-thin',
        sentence`The least fuse is ${figure(fuseA, 'current')}, but the wire carries ${figure(wireAmpacityA, 'current')}: use a thicker wire.`,
      );
    return { fuseA };
  },
});
