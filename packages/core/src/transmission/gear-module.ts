import { z } from 'zod';
import { defineCalculator, key, notice } from '../contract/index.ts';

const input = z.strictObject({
  outsideDiameterMm: key.positive('Over the teeth, by calliper', 'mm'),
  teeth: key.count('Teeth counted', 5),
});

const output = z.strictObject({
  moduleMm: key.positive('Module by the measurement', 'mm'),
  nearestModuleMm: key.positive('Nearest standard module', 'mm'),
  moduleDeviation: key.real('How far the measurement is from that module'),
  diametralPitch: key.positive('Teeth an inch of pitch diameter, by the measurement', '1/in'),
  nearestDiametralPitch: key.count('Nearest standard diametral pitch, teeth an inch'),
  pitchDeviation: key.real('How far the measurement is from that diametral pitch'),
  likely: z
    .enum(['module', 'diametral-pitch', 'neither'])
    .meta({ description: 'What it most likely is', unit: '' }),
  warnings: key.warnings,
});

/** ISO 54, series I and II (from memory). */
const MODULES = [
  0.2, 0.25, 0.3, 0.4, 0.5, 0.6, 0.7, 0.8, 1, 1.125, 1.25, 1.375, 1.5, 1.75, 2, 2.25, 2.5, 2.75, 3, 3.5, 4,
  4.5, 5, 5.5, 6, 7, 8, 9, 10, 11, 12, 14, 16, 18, 20,
] as const;
/** Diametral pitches in common stock (common practice, no source). */
const PITCHES = [1, 2, 3, 4, 5, 6, 8, 10, 12, 14, 16, 18, 20, 24, 32, 40, 48, 64, 72, 80, 96, 120] as const;
const MM_PER_INCH = 25.4;
/** A calliper over worn or odd teeth is out by this much and no more (common practice, no source). */
const WITHIN = 0.02;

const nearest = (values: readonly number[], to: number): number =>
  values.reduce((best, value) =>
    Math.abs(Math.log(value / to)) < Math.abs(Math.log(best / to)) ? value : best,
  );

export const gearModule = defineCalculator({
  name: 'gear-module',
  topic: 'inHand',
  asks: 'Which module is this gear?',
  title: 'Which module a gear is',
  purpose: 'Module or diametral pitch of a gear in hand, from its teeth and the diameter over them.',
  input,
  output,
  formula: 'm = da/(z + 2);  P = 25.4/m, m in mm',
  symbols: {
    given: { da: 'outsideDiameterMm', z: 'teeth' },
    found: { m: 'moduleMm', P: 'diametralPitch' },
  },
  source: 'ISO 21771 geometry, full-depth teeth without profile shift; ISO 54 series (from memory)',
  limits:
    'Full-depth spur gears as made. Corrected, helical or worn gears give a number between the modules.',
  examples: [
    {
      origin: 'a gear of module 2 with 20 teeth is 44 mm over its teeth (exact)',
      input: { outsideDiameterMm: 44, teeth: 20 },
      output: { moduleMm: 2, nearestModuleMm: 2, likely: 'module' },
    },
    {
      origin: 'a 32-pitch gear of 30 teeth is 1 in over its teeth (exact)',
      input: { outsideDiameterMm: 25.4, teeth: 30 },
      output: { diametralPitch: 32, nearestDiametralPitch: 32, likely: 'diametral-pitch' },
    },
  ],
  run: ({ outsideDiameterMm, teeth }) => {
    const moduleMm = outsideDiameterMm / (teeth + 2);
    const diametralPitch = MM_PER_INCH / moduleMm;
    const nearestModuleMm = nearest(MODULES, moduleMm);
    const nearestDiametralPitch = nearest(PITCHES, diametralPitch);
    const moduleDeviation = moduleMm / nearestModuleMm - 1;
    const pitchDeviation = diametralPitch / nearestDiametralPitch - 1;
    const best = Math.min(Math.abs(moduleDeviation), Math.abs(pitchDeviation));
    const likely: z.output<typeof output>['likely'] =
      best > WITHIN ? 'neither' : Math.abs(moduleDeviation) === best ? 'module' : 'diametral-pitch';
    const both = Math.abs(moduleDeviation) <= WITHIN && Math.abs(pitchDeviation) <= WITHIN;
    return {
      moduleMm,
      nearestModuleMm,
      moduleDeviation,
      diametralPitch,
      nearestDiametralPitch,
      pitchDeviation,
      likely,
      warnings: [
        ...(both
          ? [
              notice(
                'two-standards',
                'Module and diametral pitch both come close: lay it against a gear that is known.',
              ),
            ]
          : []),
        ...(likely === 'neither'
          ? [
              notice(
                'no-standard',
                'No standard size comes within 2 %: measure again across two tips, or the teeth are shifted or cut short.',
              ),
            ]
          : []),
      ],
    };
  },
});
