import type { MeterLine } from '@zubric/core/bench';

/** A motor that the simulated meter has on its bench: invented, its figures told to nobody. */
export interface HiddenMotor {
  readonly id: string;
  /** What can be seen of it. */
  readonly name: string;
  /** What it was made for, as its label has it. */
  readonly ratedV: number;
  readonly resistanceOhm: number;
  /** Back-voltage constant, V·s/rad. */
  readonly constant: number;
  readonly idleA: number;
  /** How quickly it follows, s; how much its winding warms a watt, K; how slowly, s. */
  readonly followsS: number;
  readonly kelvinPerW: number;
  readonly coolsS: number;
}

export const HIDDEN_MOTORS: readonly HiddenMotor[] = [
  {
    id: 'drawer',
    name: 'Long round one from the drawer, no label, "12 V" on a scrap of tape',
    ratedV: 12,
    resistanceOhm: 0.62,
    constant: 0.0231,
    idleA: 0.74,
    followsS: 0.15,
    kelvinPerW: 1.6,
    coolsS: 90,
  },
  {
    id: 'bin',
    name: 'Heavy one with two flats on its shaft, out of the scrap bin',
    ratedV: 24,
    resistanceOhm: 0.34,
    constant: 0.0792,
    idleA: 1.35,
    followsS: 0.3,
    kelvinPerW: 0.7,
    coolsS: 240,
  },
  {
    id: 'toy',
    name: 'Small one with a brass pinion, from a toy',
    ratedV: 6,
    resistanceOhm: 1.45,
    constant: 0.0048,
    idleA: 0.21,
    followsS: 0.08,
    kelvinPerW: 6,
    coolsS: 40,
  },
];

/** What the bench is set to. */
export interface BenchSetting {
  readonly voltageV: number;
  /** How hard the shaft is held, as a share of what stalls it at its rated voltage; 1 holds it fast. */
  readonly hold: number;
}

/** Share by which each instrument is off by chance from line to line. */
const OFF = { V: 0.005, A: 0.01, rpm: 0.005, Nm: 0.01 } as const;
const COPPER_PER_K = 0.00393;
/** Winding over ambient at which varnish smells, K. */
const SMELLS_K = 110;

/** How a motor is at a moment. */
export interface MotorState {
  readonly speedRadS: number;
  readonly warmK: number;
}

/** A motor that was left alone. */
export const AT_REST: MotorState = { speedRadS: 0, warmK: 0 };

/** A hidden motor played through time: it follows its setting, warms, cools, and is read with instruments that are a little off. */
export function playMotor(motor: HiddenMotor, bell: () => number, from: MotorState = AT_REST) {
  let state = from;
  const heldNm = ({ hold }: BenchSetting): number =>
    hold * motor.constant * (motor.ratedV / motor.resistanceOhm - motor.idleA);

  const electrical = ({ voltageV, hold }: BenchSetting, { speedRadS, warmK }: MotorState) => {
    const ohm = motor.resistanceOhm * (1 + COPPER_PER_K * warmK);
    const turning = hold >= 1 ? 0 : speedRadS;
    return { ohm, turning, currentA: Math.max(0, (voltageV - motor.constant * turning) / ohm) };
  };

  /** Where its speed goes under a setting. */
  const settlesAt = (setting: BenchSetting, ohm: number): number => {
    const neededA = motor.idleA + heldNm(setting) / motor.constant;
    return setting.hold >= 1 ? 0 : Math.max(0, (setting.voltageV - neededA * ohm) / motor.constant);
  };

  return {
    /** Lets time pass under a setting. */
    pass(setting: BenchSetting, seconds: number): void {
      const { ohm, currentA } = electrical(setting, state);
      const towards = (from: number, to: number, timeS: number): number =>
        to + (from - to) * Math.exp(-seconds / timeS);
      state = {
        speedRadS: towards(state.speedRadS, settlesAt(setting, ohm), motor.followsS),
        warmK: towards(state.warmK, currentA ** 2 * ohm * motor.kelvinPerW, motor.coolsS),
      };
    },

    /** What the instruments show now. */
    read(setting: BenchSetting, t: number): MeterLine {
      const { turning, currentA } = electrical(setting, state);
      const shaftNm = Math.max(0, motor.constant * (currentA - motor.idleA));
      const off = (value: number, share: number): number => Math.max(0, value * (1 + share * bell()));
      return {
        t,
        V: off(setting.voltageV, OFF.V),
        A: off(currentA, OFF.A),
        rpm: off((turning * 30) / Math.PI, OFF.rpm),
        Nm: setting.hold > 0 ? off(shaftNm, OFF.Nm) : 0,
      };
    },

    state: (): MotorState => state,
    smells: (): boolean => state.warmK > SMELLS_K,
  };
}

export type PlayedMotor = ReturnType<typeof playMotor>;
