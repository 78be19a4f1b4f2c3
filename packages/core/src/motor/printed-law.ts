import { NotPhysical, bracketedRoot } from '../contract/index.ts';
import { figure, rpmToRadS, sentence } from '../quantity/index.ts';
import type { Guess, Guesses } from './printed-guesses.ts';

/** What is printed on a motor or known of it: any sufficient part of it. Of the shaft that turns the rest. */
export interface PrintedMotor {
  readonly voltageV: number;
  readonly noLoadRpm?: number | undefined;
  readonly noLoadA?: number | undefined;
  readonly stallTorqueNm?: number | undefined;
  readonly stallA?: number | undefined;
  readonly ratedW?: number | undefined;
  readonly ratedRpm?: number | undefined;
  readonly ratedA?: number | undefined;
  readonly ratedTorqueNm?: number | undefined;
  readonly kvRpmPerV?: number | undefined;
  readonly resistanceOhm?: number | undefined;
  /** Turns of the motor for one of the shaft, where a gearhead is one with it and its ratio is known. */
  readonly gearRatio?: number | undefined;
  readonly gearEfficiency?: number | undefined;
}

/** Constants of a motor that its printed figures determine. */
export interface Solved {
  readonly resistanceOhm: number;
  /** Back-voltage and torque constant, V·s/rad = N·m/A. */
  readonly k: number;
  readonly idleA: number;
  readonly used: ReadonlySet<Guess>;
}

/** The same motor without its gearhead. */
export function bare(printed: PrintedMotor, gear: number): PrintedMotor {
  const { gearRatio: ratio } = printed;
  if (ratio === undefined) return printed;
  const speed = (rpm?: number) => rpm && rpm * ratio;
  const torque = (nm?: number) => nm && nm / (ratio * gear);
  return {
    ...printed,
    noLoadRpm: speed(printed.noLoadRpm),
    ratedRpm: speed(printed.ratedRpm),
    stallTorqueNm: torque(printed.stallTorqueNm),
    ratedTorqueNm: torque(printed.ratedTorqueNm),
    ratedW: printed.ratedW && printed.ratedW / gear,
  };
}

/** From resistance and one of no-load speed, stall torque and speed constant. */
function byResistance(p: PrintedMotor, g: Guesses): Solved | undefined {
  const resistanceOhm = p.resistanceOhm ?? (p.stallA && p.voltageV / p.stallA);
  if (resistanceOhm === undefined) return undefined;
  const stallA = p.voltageV / resistanceOhm;
  const share: Guess = p.kvRpmPerV === undefined ? 'idleOfStall' : 'idleOfWinding';
  const idleA = p.noLoadA ?? g[share] * stallA;
  const used = new Set<Guess>(p.noLoadA === undefined ? [share] : []);
  if (p.noLoadRpm !== undefined)
    return { resistanceOhm, idleA, used, k: (p.voltageV - idleA * resistanceOhm) / rpmToRadS(p.noLoadRpm) };
  if (p.kvRpmPerV !== undefined) return { resistanceOhm, idleA, used, k: 1 / rpmToRadS(p.kvRpmPerV) };
  return p.stallTorqueNm === undefined
    ? undefined
    : { resistanceOhm, idleA, used, k: p.stallTorqueNm / (stallA - idleA) };
}

/** From no-load speed and stall torque: Ts ω0 / V = (Is − I0)² / Is. */
function byEnds(p: PrintedMotor, g: Guesses): Solved | undefined {
  if (p.noLoadRpm === undefined || p.stallTorqueNm === undefined) return undefined;
  const a = (p.stallTorqueNm * rpmToRadS(p.noLoadRpm)) / p.voltageV;
  const b = 2 * (p.noLoadA ?? 0) + a;
  const stallA =
    p.noLoadA === undefined
      ? a / (1 - g.idleOfStall) ** 2
      : (b + Math.sqrt(b * b - 4 * p.noLoadA * p.noLoadA)) / 2;
  const idleA = p.noLoadA ?? g.idleOfStall * stallA;
  return {
    resistanceOhm: p.voltageV / stallA,
    idleA,
    k: p.stallTorqueNm / (stallA - idleA),
    used: new Set<Guess>(p.noLoadA === undefined ? ['idleOfStall'] : []),
  };
}

/** From a rated load: P = (I − I0)(V − I R), ω k = V − I R; its speed over the no-load speed is usual where not known. */
function byRated(p: PrintedMotor, g: Guesses): Solved | undefined {
  if (p.ratedRpm === undefined) return undefined;
  const speed = rpmToRadS(p.ratedRpm);
  const powerW = p.ratedW ?? (p.ratedTorqueNm && p.ratedTorqueNm * speed);
  if (powerW === undefined) return undefined;
  const used = new Set<Guess>(p.noLoadRpm === undefined ? ['droop'] : []);
  const noLoadRpm = p.noLoadRpm ?? p.ratedRpm / g.droop;
  if (p.ratedA === undefined) {
    const { ratedA, idleA } = drawnAt(p, { powerW, droop: p.ratedRpm / noLoadRpm, idle: g.idleOfRated });
    if (p.noLoadA === undefined) used.add('idleOfRated');
    const backV = powerW / (ratedA - idleA);
    return { resistanceOhm: (p.voltageV - backV) / ratedA, k: backV / speed, idleA, used };
  }
  const { ratedA } = p;
  const at = (idleA: number) => {
    const backV = powerW / (ratedA - idleA);
    return { resistanceOhm: (p.voltageV - backV) / ratedA, k: backV / speed, idleA };
  };
  // More cannot go into friction than is drawn beside the shaft's power.
  const mostIdleA = ratedA - powerW / p.voltageV;
  if (mostIdleA <= 0)
    throw new NotPhysical(
      'more-out-than-in',
      sentence`${figure(powerW, 'power')} on the shaft are more than ${figure(p.voltageV * ratedA, 'power')} drawn (${figure(p.voltageV, 'voltage')} times ${figure(ratedA, 'current')}): is the power what it draws, and not what it gives?`,
    );
  if (p.noLoadA !== undefined && p.noLoadA < mostIdleA) return { ...at(p.noLoadA), used: new Set() };
  const idle = idleBySpeeds({ ...p, noLoadRpm }, { at, mostIdleA });
  return idle === undefined
    ? { ...at(Math.min(g.idleOfRated * ratedA, 0.9 * mostIdleA)), used: new Set<Guess>(['idleOfRated']) }
    : { ...at(idle), used };
}

interface RatedLoad {
  readonly powerW: number;
  /** Rated speed over no-load speed. */
  readonly droop: number;
  /** No-load current over rated current, where it is not known. */
  readonly idle: number;
}

/** What is drawn at a rated load: with d the droop and x = I0/I, I R = V (1 − d)/(1 − x d). */
function drawnAt({ voltageV, noLoadA }: PrintedMotor, { powerW, droop, idle }: RatedLoad) {
  const powerAt = (amps: number, x: number): number =>
    amps * (1 - x) * voltageV * (1 - (1 - droop) / (1 - x * droop));
  if (noLoadA === undefined || noLoadA === 0) {
    const x = noLoadA ?? idle;
    const ratedA = powerW / powerAt(1, x);
    return { ratedA, idleA: x * ratedA };
  }
  const most = noLoadA + (10 * powerW) / (voltageV * droop);
  const ratedA = bracketedRoot(
    (amps) => powerAt(amps, noLoadA / amps) - powerW,
    noLoadA * (1 + 1e-9),
    most,
    1e-9 * most,
  );
  return { ratedA, idleA: noLoadA };
}

interface AtIdle {
  readonly at: (idleA: number) => { readonly resistanceOhm: number; readonly k: number };
  readonly mostIdleA: number;
}

/** The no-load current at which a rated load and the no-load speed go together; undefined where none does. */
function idleBySpeeds({ voltageV, noLoadRpm }: PrintedMotor, { at, mostIdleA }: AtIdle): number | undefined {
  if (noLoadRpm === undefined) return undefined;
  const over = (idleA: number): number => {
    const { resistanceOhm, k } = at(idleA);
    return (voltageV - idleA * resistanceOhm) / k - rpmToRadS(noLoadRpm);
  };
  const [low, high] = [1e-6 * mostIdleA, 0.999 * mostIdleA];
  return over(low) > 0 === over(high) > 0 ? undefined : bracketedRoot(over, low, high, 1e-9 * mostIdleA);
}

/** What any sufficient part of the figures makes of the motor, at these guesses. */
export function solve(printed: PrintedMotor, guesses: Guesses): Solved | undefined {
  return byResistance(printed, guesses) ?? byEnds(printed, guesses) ?? byRated(printed, guesses);
}
