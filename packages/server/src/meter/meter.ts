import { setTimeout as after } from 'node:timers/promises';
import { writeLine } from '@zubric/core/bench';
import {
  HIDDEN_MOTORS,
  playMotor,
  type BenchSetting,
  type HiddenMotor,
  type PlayedMotor,
} from './hidden-motor.ts';

/** Time between two lines, s. */
const EVERY_S = 0.1;
/** A stream ends after so long: whoever still reads asks again. */
const LONGEST_S = 120;

/** After so long nothing changes any more. */
const SETTLED_S = 3600;

export interface MeterState extends BenchSetting {
  readonly motor: string;
  readonly plugged: boolean;
}

/** A number as chance has it, about nought and one wide (Box and Muller). */
const bell = (): number =>
  Math.sqrt(-2 * Math.log(Math.max(1e-12, Math.random()))) * Math.cos(2 * Math.PI * Math.random());

/** The bench meter that ships with the app: a motor on a bench that is not there. */
export function simulatedMeter() {
  const motorOf = (id: string): HiddenMotor | undefined => HIDDEN_MOTORS.find((motor) => motor.id === id);
  const [first] = HIDDEN_MOTORS as [HiddenMotor];
  let state: MeterState = { motor: first.id, voltageV: 0, hold: 0, plugged: true };
  let played: PlayedMotor = playMotor(first, bell);
  let passedAt = performance.now();

  /** Lets the time pass that has passed. */
  const catchUp = (): void => {
    const now = performance.now();
    const setting = state.plugged ? state : { voltageV: 0, hold: 0 };
    // In small steps: resistance and current follow each other.
    for (let left = Math.min(SETTLED_S, (now - passedAt) / 1000); left > 0; left -= EVERY_S)
      played.pass(setting, Math.min(left, EVERY_S));
    passedAt = now;
  };

  return {
    state: (): MeterState => state,
    known: (id: string): boolean => motorOf(id) !== undefined,
    set(change: Partial<MeterState>): MeterState {
      catchUp();
      const motor = change.motor === undefined ? undefined : motorOf(change.motor);
      if (motor && motor.id !== state.motor) played = playMotor(motor, bell);
      state = { ...state, ...change };
      return state;
    },

    /** Lines until whoever reads has gone, the plug is pulled, or it is long enough. */
    async *lines(signal: AbortSignal): AsyncGenerator<string> {
      yield '# zubric bench 1: t s, V volts, A amperes, rpm, Nm newton metres\n';
      for (let t = 0; t < LONGEST_S && state.plugged; t += EVERY_S) {
        await after(EVERY_S * 1000, undefined, { signal });
        catchUp();
        if (!state.plugged) return;
        if (played.smells()) yield '# it smells of hot varnish\n';
        yield `${writeLine(played.read(state, t))}\n`;
      }
    },
  };
}

export type Meter = ReturnType<typeof simulatedMeter>;
