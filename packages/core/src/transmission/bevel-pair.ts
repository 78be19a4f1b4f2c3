import { z } from 'zod';
import { radiansToDegrees, figure, sentence } from '../quantity/index.ts';
import { NotPhysical, defineCalculator, key, notice } from '../contract/index.ts';
import { LEAST_TEETH, formFactor } from './gear-bending.ts';

const input = z.strictObject({
  moduleMm: key.positive('Module at the outer end', 'mm'),
  teethDriver: key.count('Teeth of the driver'),
  teethDriven: key.count('Teeth of the driven gear'),
  faceWidthMm: key.positive('Face width', 'mm'),
  torqueNm: key.positive('Torque on the driver', 'N·m').optional(),
  rpm: key.nonNegative('Speed of the driver', 'rpm').default(0),
});

const output = z.strictObject({
  ratio: key.positive('Driven teeth over driver teeth'),
  coneAngleDriverDeg: key.positive('Pitch cone angle of the driver', 'deg'),
  coneDistanceMm: key.positive('Pitch cone distance', 'mm'),
  meanModuleMm: key.positive('Module at the middle of the face', 'mm'),
  virtualTeeth: key.positive('Teeth of the spur gear that the smaller one is like'),
  tangentialN: key.positive('Force on the tooth at the middle of the face', 'N').optional(),
  stressMPa: key.positive('Bending stress of the smaller gear', 'MPa').optional(),
  warnings: key.warnings,
});

/** A face wider than this share of the cone distance does not carry at its inner end (common practice, no source). */
const WIDEST_FACE = 1 / 3;

export const bevelPair = defineCalculator({
  name: 'bevel-pair',
  topic: 'ratio',
  asks: 'What do bevel gears make, and do they stand it?',
  title: 'Bevel gears at right angles',
  purpose: 'Cones, ratio and bending stress of two straight bevel gears whose shafts cross at a right angle.',
  input,
  output,
  formula:
    'i = z2/z1;  γ1 = atan(z1/z2);  A = m √(z1² + z2²)/2;  mm = m (1 − b/(2 A));  Wt = 2 T/(mm z1);  σ = Kv Wt/(b mm Y), Y by the virtual teeth z/cosγ of the smaller gear',
  symbols: {
    given: { z1: 'teethDriver', z2: 'teethDriven', m: 'moduleMm', b: 'faceWidthMm', T: 'torqueNm' },
    found: {
      i: 'ratio',
      γ1: 'coneAngleDriverDeg',
      A: 'coneDistanceMm',
      mm: 'meanModuleMm',
      Wt: 'tangentialN',
      σ: 'stressMPa',
    },
  },
  source: "Tredgold's approximation; Shigley's Mechanical Engineering Design, ch. 13 and 14 (Lewis, Barth)",
  limits:
    'Straight teeth and shafts at 90°, held stiffly: an overhung bevel gear that gives way carries less.',
  examples: [
    {
      origin: 'mitre gears: cones of 45°, cone distance z m/√2 (exact)',
      input: { moduleMm: 2, teethDriver: 20, teethDriven: 20, faceWidthMm: 8 },
      output: { ratio: 1, coneAngleDriverDeg: 45, coneDistanceMm: 28.284271247461902 },
    },
    {
      origin: 'the 3-4-5 triangle: 30 to 40 teeth of module 1, cone distance 25 mm (exact)',
      input: { moduleMm: 1, teethDriver: 30, teethDriven: 40, faceWidthMm: 5, torqueNm: 2.7 },
      output: { coneDistanceMm: 25, meanModuleMm: 0.9, virtualTeeth: 37.5, tangentialN: 200 },
    },
  ],
  run: (i) => {
    const [small, large] = [Math.min(i.teethDriver, i.teethDriven), Math.max(i.teethDriver, i.teethDriven)];
    const coneDistanceMm = (i.moduleMm * Math.hypot(small, large)) / 2;
    const meanModuleMm = i.moduleMm * (1 - i.faceWidthMm / (2 * coneDistanceMm));
    if (meanModuleMm <= 0)
      throw new NotPhysical(
        'face-too-wide',
        sentence`The face is wider than the cone is long (${figure(coneDistanceMm / 1000, 'length')}): make it narrower.`,
      );
    const virtualTeeth = (small * Math.hypot(small, large)) / large;
    const warnings = [
      ...(i.faceWidthMm > coneDistanceMm * WIDEST_FACE
        ? [
            notice(
              'face-wide',
              'The face is wider than a third of the cone distance: its inner end hardly carries.',
            ),
          ]
        : []),
      ...(virtualTeeth < LEAST_TEETH
        ? [notice('few-teeth', sentence`With ${small} teeth the form factors do not reach: give it more.`)]
        : []),
    ];
    const tangentialN =
      i.torqueNm === undefined ? undefined : (2000 * i.torqueNm) / (meanModuleMm * i.teethDriver);
    const speedMps = (Math.PI * meanModuleMm * i.teethDriver * i.rpm) / 60_000;
    return {
      ratio: i.teethDriven / i.teethDriver,
      coneAngleDriverDeg: radiansToDegrees(Math.atan(i.teethDriver / i.teethDriven)),
      coneDistanceMm,
      meanModuleMm,
      virtualTeeth,
      ...(tangentialN === undefined ? {} : { tangentialN }),
      ...(tangentialN === undefined || virtualTeeth < LEAST_TEETH
        ? {}
        : {
            stressMPa:
              (((6.1 + speedMps) / 6.1) * tangentialN) /
              (i.faceWidthMm * meanModuleMm * formFactor(virtualTeeth)),
          }),
      warnings,
    };
  },
});
