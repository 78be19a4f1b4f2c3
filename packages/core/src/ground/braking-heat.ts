import { z } from 'zod';
import { defineCalculator, key } from '../contract/index.ts';
import { STANDARD_GRAVITY } from '../quantity/index.ts';

const input = z.strictObject({
  massKg: key.positive('Mass that is stopped', 'kg'),
  speedMps: key.nonNegative('Speed from which', 'm/s'),
  dropM: key.real('How much lower it ends', 'm').default(0),
  dragWorkJ: key.nonNegative('Work that rolling and air take of it', 'J').default(0),
  brakeMassKg: key.positive('Mass of what heats: disc or drum', 'kg').optional(),
  specificHeat: key.positive('Its specific heat', 'J/(kg·K)').default(460),
  stops: key.count('Stops one after the other').default(1),
});

const output = z.strictObject({
  energyJ: key.nonNegative('Energy that the brake takes', 'J'),
  temperatureRiseC: key.nonNegative('How much hotter it gets', 'K').optional(),
});

export const brakingHeat = defineCalculator({
  name: 'braking-heat',
  topic: 'ground',
  asks: 'How hot does the brake get?',
  title: 'Heat of braking',
  purpose: 'Energy that a brake takes in a stop, and how much hotter it gets.',
  input,
  output,
  formula: 'E = max(0, ½ m v² + m g h − W);  ΔT = n E/(mb c)',
  symbols: {
    given: {
      m: 'massKg',
      v: 'speedMps',
      h: 'dropM',
      W: 'dragWorkJ',
      mb: 'brakeMassKg',
      c: 'specificHeat',
      n: 'stops',
    },
    found: { E: 'energyJ', ΔT: 'temperatureRiseC' },
  },
  source: 'energy balance; 460 J/(kg·K) is steel (handbooks, from memory)',
  limits:
    'No cooling counted: the greatest it can be. Brake fade, boiling fluid and soft plastic come long before steel glows.',
  examples: [
    {
      origin: '100 kg from 5 m/s are 1250 J, 2.717 K in a kilogram of steel (energy, exact)',
      input: { massKg: 100, speedMps: 5, brakeMassKg: 1 },
      output: { energyJ: 1250, temperatureRiseC: 1250 / 460 },
    },
  ],
  run: ({ massKg, speedMps, dropM, dragWorkJ, brakeMassKg, specificHeat, stops }) => {
    const energyJ = Math.max(0, 0.5 * massKg * speedMps ** 2 + massKg * STANDARD_GRAVITY * dropM - dragWorkJ);
    return {
      energyJ,
      ...(brakeMassKg === undefined
        ? {}
        : { temperatureRiseC: (stops * energyJ) / (brakeMassKg * specificHeat) }),
    };
  },
});
