import { sentence } from '../quantity/index.ts';
import { z } from 'zod';
import { NotPhysical, defineCalculator, key } from '../contract/index.ts';

const input = z.strictObject({
  sunTeeth: key.count('Teeth of the sun'),
  ringTeeth: key.count('Teeth of the ring'),
  planets: key.count('Planets').default(3),
});

const output = z.strictObject({
  ratio: key.positive('Turns of the sun for one of the carrier, ring held'),
  planetTeeth: key.positive('Teeth of a planet'),
  assembles: z
    .boolean()
    .meta({ description: 'Whether so many planets go in evenly and clear each other', unit: '' }),
});

export const planetary = defineCalculator({
  name: 'planetary',
  topic: 'ratio',
  asks: 'What does a planetary stage make?',
  title: 'Planetary stage',
  purpose: 'Ratio of a planetary stage with the ring held, and whether it can be put together.',
  input,
  output,
  formula: 'i = 1 + R/S;  P = (R − S)/2;  (R + S)/N whole;  (S + P) sin(π/N) > P + 2',
  symbols: {
    given: { S: 'sunTeeth', R: 'ringTeeth', N: 'planets' },
    found: { i: 'ratio', P: 'planetTeeth' },
  },
  source: 'kinematics of epicyclic gears',
  limits: 'Ring held, sun in, carrier out. Another member held has another ratio.',
  examples: [
    {
      origin:
        'three-speed bicycle hub, 20, 20 and 60 teeth: high gear 4/3, so the carrier’s ratio is 4 (from memory)',
      input: { sunTeeth: 20, ringTeeth: 60, planets: 4 },
      output: { ratio: 4, planetTeeth: 20, assembles: true },
    },
  ],
  run: ({ sunTeeth, ringTeeth, planets }) => {
    if (ringTeeth <= sunTeeth)
      throw new NotPhysical(
        'ring-too-small',
        sentence`A ring of ${ringTeeth} teeth does not go round a sun of ${sunTeeth}: give it more teeth.`,
      );
    const planetTeeth = (ringTeeth - sunTeeth) / 2;
    const clears = (sunTeeth + planetTeeth) * Math.sin(Math.PI / planets) > planetTeeth + 2;
    return {
      ratio: 1 + ringTeeth / sunTeeth,
      planetTeeth,
      // A single planet has no neighbour to clear.
      assembles:
        (ringTeeth + sunTeeth) % planets === 0 && Number.isInteger(planetTeeth) && (planets === 1 || clears),
    };
  },
});
