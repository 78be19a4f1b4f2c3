import { partFigure as f, notice } from '../../contract/index.ts';
import { rpmToRadS } from '../../quantity/index.ts';
import { seriesMotor, type SeriesConstants } from '../model.ts';
import type { MotorType } from './member.ts';

interface SeriesFigures {
  readonly voltageV: number;
  readonly ratedRpm: number;
  readonly ratedA: number;
  readonly ratedTorqueNm: number;
  readonly stallA: number;
}

/** Constants from a rated load: V − I R = k I ω; what k I² is over the shaft's torque is friction. */
function constantsOf({ voltageV, ratedRpm, ratedA, ratedTorqueNm, stallA }: SeriesFigures): SeriesConstants {
  const resistanceOhm = voltageV / stallA;
  const constant = (voltageV - ratedA * resistanceOhm) / (ratedA * rpmToRadS(ratedRpm));
  return { constant, resistanceOhm, frictionNm: constant * ratedA ** 2 - ratedTorqueNm };
}

/** A motor wound in series: starter motors, power tools. */
export const seriesWound = {
  title: 'Series-wound',
  shape: {
    voltageV: f.figure('Voltage of the data sheet', 'V'),
    ratedRpm: f.figure('Speed at its rated load', 'rpm'),
    ratedA: f.figure('Current at its rated load', 'A'),
    ratedTorqueNm: f.figure('Torque of its rated load', 'N·m'),
    stallA: f.figure('Current at which it stands still', 'A'),
  },
  impossible: (m) => {
    if (m.ratedA >= m.stallA)
      return { key: 'ratedA', why: 'the rated current must be less than the stall current' };
    return constantsOf(m).frictionNm < -1e-9 * m.ratedTorqueNm
      ? {
          key: 'ratedTorqueNm',
          why: 'that is more at the shaft than its volts and amperes give: check torque, speed and stall current',
        }
      : undefined;
  },
  model: (m, { ohm }) => {
    const { constant, resistanceOhm, frictionNm } = constantsOf(m);
    return seriesMotor({
      constant,
      resistanceOhm: resistanceOhm + ohm,
      frictionNm: Math.max(0, frictionNm),
    });
  },
  nominal: (m) => {
    const { constant, frictionNm } = constantsOf(m);
    return {
      noLoadRpm: m.ratedRpm,
      stallTorqueNm: constant * m.stallA ** 2 - Math.max(0, frictionNm),
      stallA: m.stallA,
    };
  },
  doubts: () => [],
  cautions: [
    notice(
      'runs-away',
      'A series-wound motor has no no-load speed: without a load it runs away and flies apart. Never run it unloaded, nor on a belt or chain that can come off.',
    ),
    notice(
      'reverses-by-field',
      'It does not reverse by swapping its supply: field or armature alone must be swapped, and it does not brake by itself.',
    ),
  ],
  drivesItself: false,
  propels: true,
} as const satisfies MotorType<SeriesFigures>;
