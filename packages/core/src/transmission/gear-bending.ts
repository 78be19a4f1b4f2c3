import { sentence } from '../quantity/index.ts';
import { z } from 'zod';
import { NotPhysical, defineCalculator, key } from '../contract/index.ts';

/** Lewis form factor by teeth, 20° full depth: Shigley, table 14-2 (from memory). */
const FORM_FACTORS: readonly (readonly [number, number])[] = [
  [12, 0.245],
  [13, 0.261],
  [14, 0.277],
  [15, 0.29],
  [16, 0.296],
  [17, 0.303],
  [18, 0.309],
  [19, 0.314],
  [20, 0.322],
  [21, 0.328],
  [22, 0.331],
  [24, 0.337],
  [26, 0.346],
  [28, 0.353],
  [30, 0.359],
  [34, 0.371],
  [38, 0.384],
  [43, 0.397],
  [50, 0.409],
  [60, 0.422],
  [75, 0.435],
  [100, 0.447],
  [150, 0.46],
  [300, 0.472],
  [400, 0.48],
];
const RACK = 0.485;
/** Fewer teeth than this are not in the table of form factors. */
export const LEAST_TEETH = 12;

/** Between two rows of the table, linear; above it, a rack. */
export function formFactor(teeth: number): number {
  const above = FORM_FACTORS.findIndex(([z_]) => z_ >= teeth);
  const [z1, y1] = FORM_FACTORS[above] ?? [teeth, RACK];
  const [z0, y0] = FORM_FACTORS[above - 1] ?? [z1, y1];
  return z1 === z0 || z1 === teeth ? y1 : y0 + ((y1 - y0) * (teeth - z0)) / (z1 - z0);
}

const input = z.strictObject({
  moduleMm: key.positive('Module', 'mm'),
  teeth: key.count('Teeth of this gear'),
  faceWidthMm: key.positive('Face width', 'mm'),
  torqueNm: key.positive('Torque on this gear', 'N·m'),
  rpm: key.nonNegative('Speed of this gear', 'rpm'),
  allowableMPa: key.positive('Allowable bending stress', 'MPa'),
});

const output = z.strictObject({
  tangentialN: key.positive('Force on the tooth', 'N'),
  pitchLineMps: key.nonNegative('Speed of the pitch line', 'm/s'),
  velocityFactor: key.positive('Barth velocity factor'),
  formFactor: key.positive('Lewis form factor'),
  stressMPa: key.positive('Bending stress', 'MPa'),
  factor: key.positive('Allowable over stress'),
});

export const gearBending = defineCalculator({
  name: 'gear-bending',
  topic: 'strength',
  asks: 'Do the teeth stand it?',
  title: 'Bending of a gear tooth',
  purpose: 'Lewis bending stress of a spur gear’s tooth, with speed counted.',
  input,
  output,
  formula: 'Wt = 2 T/(m z);  V = π m z n/60;  Kv = (6.1 + V)/6.1;  σ = Kv Wt/(b m Y);  factor = σa/σ',
  symbols: {
    given: { m: 'moduleMm', z: 'teeth', b: 'faceWidthMm', T: 'torqueNm', n: 'rpm', σa: 'allowableMPa' },
    found: {
      Wt: 'tangentialN',
      V: 'pitchLineMps',
      Kv: 'velocityFactor',
      Y: 'formFactor',
      σ: 'stressMPa',
      factor: 'factor',
    },
  },
  source: "Budynas & Nisbett, Shigley's Mechanical Engineering Design, ch. 14 (table from memory)",
  limits:
    'Bending of one tooth under a steady load: wear, shock, poor alignment and tooth surface are left out.',
  examples: [
    {
      origin: 'Shigley, example 14-1: 365 lbf at 10 kpsi (from memory)',
      input: {
        moduleMm: 3.175,
        teeth: 16,
        faceWidthMm: 38.1,
        torqueNm: 41.2395,
        rpm: 1200,
        allowableMPa: 69,
      },
      output: { velocityFactor: 1.5233, formFactor: 0.296, tangentialN: 1623.6, stressMPa: 69.07 },
      tolerance: 3e-3,
    },
  ],
  run: (i) => {
    if (i.teeth < LEAST_TEETH)
      throw new NotPhysical(
        'too-few-teeth',
        sentence`The form factors begin at ${LEAST_TEETH} teeth; give the gear more than ${i.teeth}.`,
      );
    const diameterMm = i.moduleMm * i.teeth;
    const tangentialN = (2000 * i.torqueNm) / diameterMm;
    const pitchLineMps = (Math.PI * diameterMm * i.rpm) / 60_000;
    const velocityFactor = (6.1 + pitchLineMps) / 6.1;
    const y = formFactor(i.teeth);
    const stressMPa = (velocityFactor * tangentialN) / (i.faceWidthMm * i.moduleMm * y);
    return {
      tangentialN,
      pitchLineMps,
      velocityFactor,
      formFactor: y,
      stressMPa,
      factor: i.allowableMPa / stressMPa,
    };
  },
});
