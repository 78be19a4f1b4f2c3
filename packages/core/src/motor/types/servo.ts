import { partFigure as f, notice } from '../../contract/index.ts';
import { rpmToRadS } from '../../quantity/index.ts';
import { magnetMotor } from '../model.ts';
import { idleUnderStall, type MotorType } from './member.ts';

interface ServoFigures {
  readonly voltageV: number;
  readonly stallTorqueNm: number;
  readonly secPer60Deg: number;
  readonly stallA: number;
  readonly noLoadA: number;
}

/** 60° in a second are so many turns a minute. */
const RPM = 10;

/** A servo that goes from stop to stop. */
export const servo = {
  title: 'Servo',
  shape: {
    voltageV: f.figure('Voltage of the data sheet', 'V'),
    stallTorqueNm: f.figure('Torque at which it stands still', 'N·m'),
    secPer60Deg: f.figure('Time for 60°, unloaded', 's'),
    travelDeg: f.figure('Way from stop to stop', '°'),
    stallA: f.figure('Current at which it stands still', 'A'),
    noLoadA: f.figure('Current while it turns unloaded', 'A', f.orNone),
  },
  impossible: idleUnderStall,
  model: ({ voltageV, stallTorqueNm, secPer60Deg, stallA, noLoadA }, { ohm }) => {
    const own = voltageV / stallA;
    return magnetMotor({
      resistanceOhm: own + ohm,
      keVsPerRad: (voltageV - noLoadA * own) / rpmToRadS(RPM / secPer60Deg),
      ktNmPerA: stallTorqueNm / (stallA - noLoadA),
      noLoadA,
    });
  },
  nominal: ({ secPer60Deg, stallTorqueNm, stallA }) => ({
    noLoadRpm: RPM / secPer60Deg,
    stallTorqueNm,
    stallA,
  }),
  doubts: () => [],
  cautions: [
    notice(
      'holds-hot',
      'A servo draws its stall current against a stop, and while it holds a load: keep it off its ends, and within half of its torque.',
    ),
  ],
  drivesItself: true,
  propels: false,
} as const satisfies MotorType<ServoFigures>;
