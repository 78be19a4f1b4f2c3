import { partFigure as f, notice } from '../../contract/index.ts';
import { radSToRpm } from '../../quantity/index.ts';
import { steppingMotor } from '../stepping-law.ts';
import type { MotorType } from './member.ts';

interface SteppingFigures {
  readonly voltageV: number;
  readonly holdingTorqueNm: number;
  readonly ratedA: number;
  readonly resistanceOhm: number;
  readonly inductanceMilliH: number;
  readonly stepsPerTurn: number;
}

/** Both phases at their rated current give the holding torque, at 45° to each. */
const constantOf = ({ holdingTorqueNm, ratedA }: SteppingFigures): number =>
  holdingTorqueNm / (Math.SQRT2 * ratedA);

const modelOf = (m: SteppingFigures, { ohm, limitA }: { readonly ohm: number; readonly limitA: number }) =>
  steppingMotor({
    k: constantOf(m),
    resistanceOhm: m.resistanceOhm + ohm,
    henry: m.inductanceMilliH / 1000,
    stepsPerTurn: m.stepsPerTurn,
    driveA: Math.min(m.ratedA, limitA),
  });

/** A stepping motor with a driver that holds its current. */
export const stepping = {
  title: 'Stepping',
  shape: {
    voltageV: f.figure('Supply of its driver that it is planned for', 'V'),
    holdingTorqueNm: f.figure('Holding torque, both phases on', 'N·m'),
    ratedA: f.figure('Rated current of a phase', 'A'),
    resistanceOhm: f.figure('Resistance of a phase', 'Ω'),
    inductanceMilliH: f.figure('Inductance of a phase', 'mH', f.orNone),
    stepsPerTurn: f.counted('Full steps a turn', 10_000),
  },
  impossible: (m) =>
    m.stepsPerTurn % 4 === 0
      ? undefined
      : {
          key: 'stepsPerTurn',
          why: 'full steps of a two-phase motor are a multiple of 4: 200 for 1.8°, 400 for 0.9°',
        },
  model: modelOf,
  nominal: (m) => ({
    noLoadRpm: radSToRpm(modelOf(m, { ohm: 0, limitA: Infinity }).fastestRadS(m.voltageV)),
    stallTorqueNm: constantOf(m) * m.ratedA,
    stallA: m.ratedA,
  }),
  doubts: () => [],
  cautions: [
    notice(
      'plan-on-half',
      'Plan on half of a stepping motor’s torque: resonance and speeding up take their part, and steps that are lost are lost without a word.',
    ),
    notice('always-warm', 'It draws its full current standing still too, and grows hot enough to burn.'),
  ],
  drivesItself: false,
  propels: true,
} as const satisfies MotorType<SteppingFigures>;
