import { partFigure as f, notice, type Notice } from '../../contract/index.ts';
import type { DataSheet } from '../data-sheet.ts';
import { dcMotorConstants } from '../dc-motor-constants.ts';
import { magnetMotor } from '../model.ts';
import { idleUnderStall, type MotorType } from './member.ts';

const shape = {
  voltageV: f.figure('Voltage of the data sheet', 'V'),
  noLoadRpm: f.figure('Speed with nothing on the shaft', 'rpm'),
  noLoadA: f.figure('Current with nothing on the shaft', 'A', f.orNone),
  stallTorqueNm: f.figure('Torque at which it stands still', 'N·m'),
  stallA: f.figure('Current at which it stands still', 'A'),
} as const;

/** A motor with magnets by the five numbers of its data sheet. */
const withMagnets = {
  shape,
  impossible: idleUnderStall,
  model: (sheet, { ohm }) => {
    const { resistanceOhm, keVsPerRad, ktNmPerA } = dcMotorConstants.run(sheet);
    return magnetMotor({
      resistanceOhm: resistanceOhm + ohm,
      keVsPerRad,
      // Where a data sheet gives two torque constants, the lesser is believed.
      ktNmPerA: Math.min(ktNmPerA, keVsPerRad),
      noLoadA: sheet.noLoadA,
    });
  },
  nominal: ({ noLoadRpm, stallTorqueNm, stallA }) => ({ noLoadRpm, stallTorqueNm, stallA }),
  cautions: [] as readonly Notice[],
  doubts: (sheet): readonly Notice[] => dcMotorConstants.run(sheet).warnings,
  drivesItself: false,
  propels: true,
} as const satisfies Omit<MotorType<DataSheet>, 'title'>;

/** A motor with permanent magnets and brushes. */
export const brushed = { ...withMagnets, title: 'Brushed' } as const;
/** A motor with permanent magnets and a controller in place of brushes. */
export const brushless = { ...withMagnets, title: 'Brushless' } as const;

/** A servo whose stops are gone, or that was made to turn on: its electronics take a speed instead of a place. */
export const continuousServo = {
  ...withMagnets,
  title: 'Servo that turns on and on',
  cautions: [
    notice(
      'speed-not-held',
      'A servo that turns on and on takes a speed but does not hold it: two of them veer. Trim its standstill, and pair them by trial.',
    ),
  ],
  drivesItself: true,
} as const;
