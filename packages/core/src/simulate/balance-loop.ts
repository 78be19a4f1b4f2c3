import type { StickDoes } from '../vehicle/index.ts';
import { mostTold, type BalanceBody, type BalanceMotor } from './balance-model.ts';

/** The loop that keeps it up: volts, or metres a second where the driver holds a speed, for lean, for lean through time, and for how fast it leans. */
export interface BalanceGains {
  readonly kp: number;
  readonly ki: number;
  readonly kd: number;
}

/** A slower loop around it that holds the place: lean for metres and for metres a second, and no more than so much. */
export interface BalanceHold {
  readonly kp: number;
  readonly kd: number;
  readonly limitRad: number;
}

/** A stick that is pushed for a while and let go. */
export interface BalanceStick {
  readonly does: StickDoes;
  /** Of the lean, rad; of place and speed, m/s. */
  readonly by: number;
  readonly fromS: number;
  readonly forS: number;
}

/** What the loop of a balancer reads: encoders and gyroscope. */
export interface BalanceSeen {
  readonly x: number;
  readonly v: number;
  readonly lean: number;
  readonly rate: number;
}

/** A balancer with its loop, and how it is steered. */
export interface BalanceLoop {
  readonly body: BalanceBody;
  readonly motor: BalanceMotor;
  readonly gains: BalanceGains;
  readonly hold?: BalanceHold | undefined;
  readonly stick?: BalanceStick | undefined;
  readonly loopTimeS: number;
}

const clamped = (value: number, most: number): number => Math.min(most, Math.max(-most, value));

/** The lean that hold and stick ask for; what is held begins anew where the stick is let go. */
function leanAsked({
  hold,
  stick,
}: Pick<BalanceLoop, 'hold' | 'stick'>): (at: BalanceSeen, timeS: number) => number {
  let [heldM, wasOut] = [0, false];
  return (at, timeS) => {
    const pushedS = stick ? Math.min(stick.forS, Math.max(0, timeS - stick.fromS)) : 0;
    const out = stick !== undefined && timeS >= stick.fromS && pushedS < stick.forS;
    if (stick?.does === 'place') heldM = stick.by * pushedS;
    else if (wasOut && !out) heldM = at.x;
    wasOut = out;
    if (out && stick.does === 'lean') return stick.by;
    if (!hold) return 0;
    const lean =
      out && stick.does === 'speed'
        ? -hold.kd * (at.v - stick.by)
        : -hold.kp * (at.x - heldM) - hold.kd * at.v;
    return clamped(lean, hold.limitRad);
  };
}

/** What a sample of the loop asks for, V or m/s; the sum of errors grows with each. */
export function balanceLoop(loop: BalanceLoop): (at: BalanceSeen, timeS: number) => number {
  const { gains, motor, body, loopTimeS } = loop;
  const most = mostTold(motor, body);
  const wanted = leanAsked(loop);
  let summed = 0;
  return (at, timeS) => {
    const error = at.lean - wanted(at, timeS);
    summed += error * loopTimeS;
    return clamped(gains.kp * error + gains.ki * summed + gains.kd * at.rate, most);
  };
}
