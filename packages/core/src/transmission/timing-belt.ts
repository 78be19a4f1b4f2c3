import { z } from 'zod';
import { radiansToDegrees, figure, sentence } from '../quantity/index.ts';
import { NotPhysical, bracketedRoot, defineCalculator, key, notice } from '../contract/index.ts';

const input = z
  .strictObject({
    pitchMm: key.positive('Pitch of the belt', 'mm'),
    teethSmall: key.count('Teeth of the small pulley'),
    teethLarge: key.count('Teeth of the large pulley'),
    beltTeeth: key.count('Teeth of the belt').optional(),
    centreMm: key.positive('Distance between the shafts', 'mm').optional(),
  })
  .refine((i) => (i.beltTeeth === undefined) !== (i.centreMm === undefined), {
    message: 'give exactly one of beltTeeth, centreMm',
    path: ['beltTeeth'],
  })
  .refine((i) => i.teethSmall <= i.teethLarge, {
    message: 'teethSmall must not be more than teethLarge',
    path: ['teethSmall'],
  });

const output = z.strictObject({
  ratio: key.positive('Large teeth over small teeth'),
  pitchDiameterSmallMm: key.positive('Pitch diameter of the small pulley', 'mm'),
  pitchDiameterLargeMm: key.positive('Pitch diameter of the large pulley', 'mm'),
  beltLengthMm: key.positive('Length of the belt', 'mm'),
  beltTeeth: key.count('Teeth of the belt'),
  centreMm: key.positive('Distance between the shafts for that belt', 'mm'),
  requestedCentreMm: key.positive('Distance that was asked for', 'mm').optional(),
  wrapDeg: key.positive('Wrap on the small pulley', 'deg'),
  teethInMesh: key.positive('Teeth of the small pulley in mesh'),
  warnings: key.warnings,
});

/** With fewer teeth in mesh a toothed belt shears or jumps (common practice, no source). */
const LEAST_MESH = 6;

/** Length of an open belt round two pulleys, mm, exact. */
export function openBeltLength(small: number, large: number, centre: number): number {
  const lean = Math.asin((large - small) / (2 * centre));
  return 2 * centre * Math.cos(lean) + (Math.PI * (large + small)) / 2 + lean * (large - small);
}

/** Distance between the shafts for a belt of a length, mm. @throws NotPhysical belt-too-short. */
function centreFor(small: number, large: number, lengthMm: number): number {
  const touch = (small + large) / 2;
  if (lengthMm <= openBeltLength(small, large, touch))
    throw new NotPhysical(
      'belt-too-short',
      sentence`A belt of ${figure(lengthMm / 1000, 'length')} does not go round both pulleys: take one with more teeth.`,
    );
  if (small === large) return (lengthMm - Math.PI * large) / 2;
  let centre = bracketedRoot(
    (c) => openBeltLength(small, large, c) - lengthMm,
    touch,
    lengthMm,
    1e-9 * lengthMm,
  );
  // dL/dC = 2 cosβ: two Newton steps bring the last digits.
  for (let n = 0; n < 2; n++)
    centre -=
      (openBeltLength(small, large, centre) - lengthMm) /
      (2 * Math.cos(Math.asin((large - small) / (2 * centre))));
  return centre;
}

export const timingBelt = defineCalculator({
  name: 'timing-belt',
  topic: 'lengths',
  asks: 'Which toothed belt?',
  title: 'Toothed belt and pulleys',
  purpose: 'Belt, centre distance, wrap and teeth in mesh of an open toothed belt.',
  input,
  output,
  formula:
    'd = z1 p/π;  D = z2 p/π;  β = asin((D − d)/(2 C));  L = 2 C cosβ + π (D + d)/2 + β (D − d);  mesh = z1·wrap/360°',
  symbols: {
    given: { p: 'pitchMm', z1: 'teethSmall', z2: 'teethLarge' },
    found: {
      d: 'pitchDiameterSmallMm',
      D: 'pitchDiameterLargeMm',
      C: 'centreMm',
      L: 'beltLengthMm',
      wrap: 'wrapDeg',
      mesh: 'teethInMesh',
    },
  },
  source: 'geometry; ISO 5296 names',
  limits:
    'A taut belt on round pulleys; belt stretch and pulley tolerance are left out. Strength is another sum.',
  examples: [
    {
      origin: 'equal pulleys: half round each, the rest straight (geometry)',
      input: { pitchMm: 2, teethSmall: 20, teethLarge: 20, beltTeeth: 100 },
      output: { centreMm: 80, wrapDeg: 180, teethInMesh: 10, beltLengthMm: 200 },
    },
  ],
  run: (i) => {
    const small = (i.teethSmall * i.pitchMm) / Math.PI;
    const large = (i.teethLarge * i.pitchMm) / Math.PI;
    if (i.centreMm !== undefined && i.centreMm <= (small + large) / 2)
      throw new NotPhysical(
        'pulleys-overlap',
        sentence`At ${figure(i.centreMm / 1000, 'length')} the pulleys overlap: the shafts must be more than ${figure((small + large) / 2000, 'length')} apart.`,
      );
    const beltTeeth =
      i.beltTeeth ?? Math.floor(openBeltLength(small, large, i.centreMm ?? 0) / i.pitchMm + 0.5);
    const beltLengthMm = beltTeeth * i.pitchMm;
    const centreMm = centreFor(small, large, beltLengthMm);
    const wrapDeg = 180 - 2 * radiansToDegrees(Math.asin((large - small) / (2 * centreMm)));
    const teethInMesh = (i.teethSmall * wrapDeg) / 360;
    return {
      ratio: i.teethLarge / i.teethSmall,
      pitchDiameterSmallMm: small,
      pitchDiameterLargeMm: large,
      beltLengthMm,
      beltTeeth,
      centreMm,
      ...(i.centreMm === undefined ? {} : { requestedCentreMm: i.centreMm }),
      wrapDeg,
      teethInMesh,
      warnings:
        teethInMesh < LEAST_MESH
          ? [
              notice(
                'few-in-mesh',
                sentence`Only ${teethInMesh} teeth are in mesh: have ${LEAST_MESH} or more, with a larger pulley or the shafts further apart.`,
              ),
            ]
          : [],
    };
  },
});
