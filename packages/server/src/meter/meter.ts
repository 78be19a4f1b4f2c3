import { setTimeout as after } from 'node:timers/promises';
import { writeLine } from '@zubric/core/bench';
import type { EntityManager } from 'typeorm';
import {
  AT_REST,
  HIDDEN_MOTORS,
  playMotor,
  type BenchSetting,
  type HiddenMotor,
  type MotorState,
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

/** The bench as somebody last set it, and how the motor was then. */
interface Bench extends MeterState {
  readonly was: MotorState;
  /** By the clock of the database, s. */
  readonly setAtS: number;
}

const [FIRST] = HIDDEN_MOTORS as [HiddenMotor];
const motorOf = (id: string): HiddenMotor => HIDDEN_MOTORS.find((motor) => motor.id === id) ?? FIRST;
const UNTOUCHED: Bench = {
  ...{ motor: FIRST.id, voltageV: 0, hold: 0, plugged: true },
  ...{ was: AT_REST, setAtS: 0 },
};

/** A number as chance has it, about nought and one wide (Box and Muller). */
const bell = (): number =>
  Math.sqrt(-2 * Math.log(Math.max(1e-12, Math.random()))) * Math.cos(2 * Math.PI * Math.random());

/** Lets time pass in small steps: resistance and current follow each other. */
function pass(played: PlayedMotor, { plugged, voltageV, hold }: MeterState, seconds: number): void {
  const setting = plugged ? { voltageV, hold } : { voltageV: 0, hold: 0 };
  for (let left = Math.min(SETTLED_S, seconds); left > 0; left -= EVERY_S)
    played.pass(setting, Math.min(left, EVERY_S));
}

const KEPT = 'bench-meter';

/**
 * The bench meter that ships with the app: a motor on a bench that is not there. How it is set stands in the database,
 * so that whichever server is asked, it is one bench.
 */
export function simulatedMeter(database: EntityManager) {
  async function benchNow(
    through: EntityManager = database,
  ): Promise<{ readonly bench: Bench; readonly nowS: number }> {
    const [row] = await through.query<{ value: Bench | null; now: number }[]>(
      `SELECT (SELECT value FROM app_state WHERE key = $1) AS value,
              extract(epoch FROM clock_timestamp())::float8 AS now`,
      [KEPT],
    );
    return { bench: row?.value ?? UNTOUCHED, nowS: row?.now ?? 0 };
  }

  return {
    state: async (): Promise<MeterState> => (await benchNow()).bench,

    set: (change: Partial<MeterState>): Promise<MeterState> =>
      database.transaction(async (through) => {
        await through.query('SELECT pg_advisory_xact_lock(hashtext($1))', [KEPT]);
        const { bench, nowS } = await benchNow(through);
        const played = playMotor(motorOf(bench.motor), bell, bench.was);
        pass(played, bench, nowS - bench.setAtS);
        const changed = { ...bench, ...change };
        const was = changed.motor === bench.motor ? played.state() : AT_REST;
        await through.query(
          'INSERT INTO app_state (key, value) VALUES ($1, $2) ON CONFLICT (key) DO UPDATE SET value = $2',
          [KEPT, JSON.stringify({ ...changed, was, setAtS: nowS })],
        );
        return changed;
      }),

    /** Lines until whoever reads has gone, the plug is pulled, or it is long enough. */
    async *lines(signal: AbortSignal): AsyncGenerator<string> {
      yield '# zubric bench 1: t s, V volts, A amperes, rpm, Nm newton metres\n';
      let [{ bench }, passedS] = [await benchNow(), 0];
      let played = playMotor(motorOf(bench.motor), bell, bench.was);
      for (let t = 0; t < LONGEST_S; t += EVERY_S) {
        await after(EVERY_S * 1000, undefined, { signal });
        const now = await benchNow();
        if (!now.bench.plugged) return;
        if (now.bench.setAtS !== bench.setAtS) {
          played = playMotor(motorOf(now.bench.motor), bell, now.bench.was);
          passedS = 0;
        }
        bench = now.bench;
        const sinceS = now.nowS - bench.setAtS;
        pass(played, bench, sinceS - passedS);
        passedS = sinceS;
        if (played.smells()) yield '# it smells of hot varnish\n';
        yield `${writeLine(played.read(bench, t))}\n`;
      }
    },
  };
}

export type Meter = ReturnType<typeof simulatedMeter>;
