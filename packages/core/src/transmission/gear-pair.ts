import { z } from 'zod';
import { degreesToRadians } from '../quantity/index.ts';
import { defineCalculator, key } from '../contract/index.ts';

const input = z.strictObject({
  moduleMm: key.positive('Module', 'mm'),
  teethDriver: key.count('Teeth of the driver'),
  teethDriven: key.count('Teeth of the driven gear'),
  pressureAngleDeg: z
    .number()
    .positive()
    .lt(90)
    .meta({ description: 'Pressure angle', unit: 'deg' })
    .default(20),
  inputRpm: key.nonNegative('Speed of the driver', 'rpm').optional(),
  inputTorqueNm: key.nonNegative('Torque on the driver', 'N·m').optional(),
  efficiency: key.share('Share of the power that comes through').default(0.97),
});

const output = z.strictObject({
  ratio: key.positive('Driven teeth over driver teeth'),
  centreDistanceMm: key.positive('Distance between the shafts', 'mm'),
  pitchDiameterDriverMm: key.positive('Pitch diameter of the driver', 'mm'),
  pitchDiameterDrivenMm: key.positive('Pitch diameter of the driven gear', 'mm'),
  outsideDiameterDriverMm: key.positive('Outside diameter of the driver', 'mm'),
  outsideDiameterDrivenMm: key.positive('Outside diameter of the driven gear', 'mm'),
  contactRatio: key.real('Teeth in contact on average (geometric)'),
  undercutDriver: z.boolean().meta({ description: 'Whether the driver is undercut', unit: '' }),
  undercutDriven: z.boolean().meta({ description: 'Whether the driven gear is undercut', unit: '' }),
  outputRpm: key.nonNegative('Speed of the driven gear', 'rpm').optional(),
  outputTorqueNm: key.nonNegative('Torque on the driven gear', 'N·m').optional(),
});

/** Length of the path of contact from the pitch point out to a gear's tip, mm. */
const approach = (teeth: number, moduleMm: number, angle: number): number => {
  const tip = (moduleMm * (teeth + 2)) / 2;
  const base = (moduleMm * teeth * Math.cos(angle)) / 2;
  return Math.sqrt((tip - base) * (tip + base));
};

export const gearPair = defineCalculator({
  name: 'gear-pair',
  topic: 'lengths',
  asks: 'How far apart are two gears?',
  title: 'A pair of spur gears',
  purpose: 'Sizes, contact ratio and undercut of two full-depth spur gears.',
  input,
  output,
  formula:
    'i = z2/z1;  d1 = m z1;  d2 = m z2;  a = m (z1 + z2)/2;  da1 = m (z1 + 2);  da2 = m (z2 + 2);  ε = [√(da1² − (d1 cosα)²) + √(da2² − (d2 cosα)²) − 2 a sinα]/(2 π m cosα);  undercut: z < 2/sin²α',
  symbols: {
    given: { m: 'moduleMm', z1: 'teethDriver', z2: 'teethDriven', α: 'pressureAngleDeg' },
    found: {
      i: 'ratio',
      a: 'centreDistanceMm',
      d1: 'pitchDiameterDriverMm',
      d2: 'pitchDiameterDrivenMm',
      da1: 'outsideDiameterDriverMm',
      da2: 'outsideDiameterDrivenMm',
      ε: 'contactRatio',
    },
  },
  source: 'ISO 21771 geometry; ISO 53 basic rack',
  limits:
    'Standard full-depth teeth without correction, rigid shafts. Printed gears need backlash added to the centre distance.',
  examples: [
    {
      origin: 'ISO 21771 geometry',
      input: { moduleMm: 1, teethDriver: 20, teethDriven: 20 },
      output: { ratio: 1, centreDistanceMm: 20, contactRatio: 1.5568383, undercutDriver: false },
      tolerance: 1e-7,
    },
  ],
  run: (i) => {
    const angle = degreesToRadians(i.pressureAngleDeg);
    const ratio = i.teethDriven / i.teethDriver;
    const centreDistanceMm = (i.moduleMm * (i.teethDriver + i.teethDriven)) / 2;
    const path =
      approach(i.teethDriver, i.moduleMm, angle) +
      approach(i.teethDriven, i.moduleMm, angle) -
      centreDistanceMm * Math.sin(angle);
    const undercut = (teeth: number): boolean => teeth < 2 / Math.sin(angle) ** 2;
    return {
      ratio,
      centreDistanceMm,
      pitchDiameterDriverMm: i.moduleMm * i.teethDriver,
      pitchDiameterDrivenMm: i.moduleMm * i.teethDriven,
      outsideDiameterDriverMm: i.moduleMm * (i.teethDriver + 2),
      outsideDiameterDrivenMm: i.moduleMm * (i.teethDriven + 2),
      contactRatio: path / (Math.PI * i.moduleMm * Math.cos(angle)),
      undercutDriver: undercut(i.teethDriver),
      undercutDriven: undercut(i.teethDriven),
      ...(i.inputRpm === undefined ? {} : { outputRpm: i.inputRpm / ratio }),
      ...(i.inputTorqueNm === undefined ? {} : { outputTorqueNm: i.inputTorqueNm * ratio * i.efficiency }),
    };
  },
});
