import { z } from 'zod';
import { defineCalculator, key, notice } from '../contract/index.ts';

/** Nominal diameter mm and stress area mm² of metric coarse threads (ISO 898-1, from memory). */
const SIZES = {
  M3: { diameterMm: 3, areaMm2: 5.03 },
  M4: { diameterMm: 4, areaMm2: 8.78 },
  M5: { diameterMm: 5, areaMm2: 14.2 },
  M6: { diameterMm: 6, areaMm2: 20.1 },
  M8: { diameterMm: 8, areaMm2: 36.6 },
  M10: { diameterMm: 10, areaMm2: 58 },
  M12: { diameterMm: 12, areaMm2: 84.3 },
} as const;
/** A metric coarse thread. */
type Size = keyof typeof SIZES;
/** Sizes of screws whose tightening is known. */
export const BOLT_SIZES = Object.keys(SIZES) as [Size, ...Size[]];

/** Proof stress MPa (ISO 898-1 for steel, ISO 3506-1 for stainless, from memory). */
const PROOF_MPA = { '8.8': 580, '10.9': 830, '12.9': 970, 'A2-70': 450 } as const;
type Grade = keyof typeof PROOF_MPA;
/** The table in the order of strength: an object's keys do not keep theirs. */
const GRADES: [Grade, ...Grade[]] = ['8.8', '10.9', '12.9', 'A2-70'];

const input = z.strictObject({
  size: z.enum(BOLT_SIZES).meta({ description: 'Thread', unit: '' }),
  grade: z.enum(GRADES).meta({ description: 'Grade, as stamped on its head', unit: '' }),
  nutFactor: key.positive('Nut factor: 0.2 for dry steel').default(0.2),
  proofShare: key.share('Share of its proof load').default(0.75),
});

const output = z.strictObject({
  stressAreaMm2: key.positive('Stress area', 'mm²'),
  proofMPa: key.positive('Proof stress', 'MPa'),
  preloadN: key.positive('Pull of the tightened screw', 'N'),
  torqueNm: key.positive('Torque to tighten it with', 'N·m'),
  warnings: key.warnings,
});

export const boltTightening = defineCalculator({
  name: 'bolt-tightening',
  topic: 'making',
  asks: 'How tight a screw?',
  title: 'Tightening a screw',
  purpose: 'Torque for a metric screw, and the pull that it then holds with.',
  input,
  output,
  formula: 'F = p A S;  T = K F d',
  symbols: {
    given: { p: 'proofShare', K: 'nutFactor' },
    found: { A: 'stressAreaMm2', S: 'proofMPa', F: 'preloadN', T: 'torqueNm' },
  },
  source: 'ISO 898-1 and ISO 3506-1 tables, from memory; T = K F d, Shigley ch. 8',
  limits:
    'A screw in a nut or steel of its own grade. By torque alone the pull is off by a quarter either way; follow what the maker of the part says.',
  examples: [
    {
      origin:
        'M8 8.8 at 75 % of proof, dry: 36.6 mm² · 580 MPa · 0.75 = 15.9 kN, times 0.2 · 8 mm (arithmetic on ISO 898-1)',
      input: { size: 'M8', grade: '8.8' },
      output: { stressAreaMm2: 36.6, proofMPa: 580, preloadN: 15921, torqueNm: 25.4736 },
    },
  ],
  run: ({ size, grade, nutFactor, proofShare }) => {
    const { diameterMm, areaMm2 } = SIZES[size];
    const proofMPa = PROOF_MPA[grade];
    const preloadN = proofShare * proofMPa * areaMm2;
    return {
      stressAreaMm2: areaMm2,
      proofMPa,
      preloadN,
      torqueNm: (nutFactor * preloadN * diameterMm) / 1000,
      warnings: [
        notice(
          'oiled-thread',
          '0.2 is for dry steel threads: oil or grease takes a quarter off the torque for the same pull.',
        ),
        notice(
          'soft-thread',
          'Threads in plastic or aluminium strip first: tighten those by feel, or by what their maker says.',
        ),
        notice('stainless-galls', 'Stainless on stainless galls and seizes: grease it, and turn it slowly.'),
      ],
    };
  },
});
