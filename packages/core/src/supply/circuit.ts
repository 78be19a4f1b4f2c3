import { bracketedRoot } from '../contract/index.ts';
import type { MotorModel, MotorPoint, Winding } from '../motor/index.ts';
import { currentForPower } from './battery-sag.ts';

/**
 * Alike motors on their driver channels and one battery. Resistances: each motor's with its leads and channel, in its law;
 * the battery's with its cable. Limits may be Infinity.
 */
export interface Circuit {
  readonly motors: number;
  readonly motor: MotorModel;
  readonly openCircuitV: number;
  readonly supplyResistanceOhm: number;
  /** Most current the driver lets through to a motor, A. */
  readonly currentLimitA: number;
  /** Most current that may be drawn from the battery, A. */
  readonly batteryLimitA: number;
  /** Drawn beside the motors, W. */
  readonly auxiliaryW: number;
  /** Share of full command that the controller lets through. */
  readonly commandShare: number;
}

/** What holds full command back. */
export type Limit = 'voltage' | 'driver' | 'battery';

/** How motors and battery stand at one load. */
export interface OperatingPoint {
  readonly currentA: number;
  readonly motorV: number;
  readonly batteryA: number;
  readonly batteryV: number;
  /** What all motors take, W. */
  readonly motorsW: number;
  /** Whether the battery, sagged, still gives the motor its voltage, and no limit is passed. */
  readonly reachable: boolean;
  readonly shortOf?: Limit;
}

/**
 * Current, voltage and battery draw at a torque (N·m, each motor) and speed (rad/s). The driver is an ideal
 * chopper: power in equals power out (P = n·Vm·I + aux = Ib(Voc − R Ib), the working root).
 *
 * @example pointAt(line.circuit, 1, 100).batteryA // 13.99
 */
export const pointAt = (circuit: Circuit, torqueNm: number, speedRadS: number): OperatingPoint =>
  drawnAt(circuit, circuit.motor.pointAt(torqueNm, speedRadS));

/** What half of the motors do, as in a turn: torque of each, N·m, and speed, rad/s. */
export interface HalfLoad {
  readonly torqueNm: number;
  readonly speedRadS: number;
}

/**
 * The harder half of the motors at its torque and speed while the other half does less: currents of the harder, and
 * what both draw. A half that is pushed gives nothing back.
 *
 * @example pointOfTwoHalves(line.circuit, { torqueNm: 2, speedRadS: 50 }, { torqueNm: 1, speedRadS: 100 }).batteryA
 *   // 19.8
 */
export function pointOfTwoHalves(circuit: Circuit, hard: HalfLoad, easy: HalfLoad): OperatingPoint {
  const at = circuit.motor.pointAt(hard.torqueNm, hard.speedRadS);
  const other = circuit.motor.pointAt(easy.torqueNm, easy.speedRadS);
  const eachW = (Math.max(0, at.motorV * at.currentA) + Math.max(0, other.motorV * other.currentA)) / 2;
  return drawnAt(circuit, at, eachW);
}

function drawnAt(circuit: Circuit, point: MotorPoint, eachW = point.motorV * point.currentA): OperatingPoint {
  const { currentA, motorV, leastV } = point;
  const powerW = circuit.motors * eachW + circuit.auxiliaryW;
  const drawn = currentForPower(circuit.openCircuitV, circuit.supplyResistanceOhm, powerW);
  const batteryA = drawn ?? circuit.openCircuitV / (2 * circuit.supplyResistanceOhm);
  const batteryV = circuit.openCircuitV - circuit.supplyResistanceOhm * batteryA;
  const shortOf = firstShort(circuit, { currentA, leastV, batteryA, batteryV, drawn });
  const motorsW = circuit.motors * eachW;
  return { currentA, motorV, batteryA, batteryV, motorsW, reachable: shortOf === undefined, shortOf };
}

/** Full command is exactly at its limits: rounding must not turn it unreachable. */
const SLACK = 1 + 1e-9;

function firstShort(
  circuit: Circuit,
  at: { currentA: number; leastV: number; batteryA: number; batteryV: number; drawn: number | undefined },
): Limit | undefined {
  if (at.drawn === undefined || at.leastV > circuit.commandShare * at.batteryV * SLACK) return 'voltage';
  if (at.currentA > circuit.currentLimitA * SLACK) return 'driver';
  return at.batteryA > circuit.batteryLimitA * SLACK ? 'battery' : undefined;
}

/**
 * What the battery gives with the motors at rest: what is drawn beside them alone, A.
 *
 * @example idleCurrent(line.circuit) // 0.1563
 */
export function idleCurrent(c: Circuit): number {
  const drawn = currentForPower(c.openCircuitV, c.supplyResistanceOhm, c.auxiliaryW);
  return drawn ?? c.openCircuitV / (2 * c.supplyResistanceOhm);
}

/**
 * The most that the battery gives in a start at full command, A: at stall, or, where a driver limits the motors, at the
 * speed at which it stops chopping; what is drawn beside them counted in.
 *
 * @example startingCurrent(line.circuit) // 80.17
 */
export function startingCurrent(c: Circuit): number {
  const { currentA, limitedBy, batteryA } = fullCommand(c, 0);
  if (limitedBy !== 'driver' || !c.motor.winding) return batteryA;
  return withAuxiliary(c, c.commandShare * c.motors * currentA);
}

/**
 * What a battery gives where motors take so much of it and a power is drawn beside them, A.
 *
 * @example withAuxiliary({ openCircuitV: 10, supplyResistanceOhm: 0.1, auxiliaryW: 80 }, 10) // 20: at 8 V less its own 10 A
 */
export function withAuxiliary(
  c: Pick<Circuit, 'openCircuitV' | 'supplyResistanceOhm' | 'auxiliaryW'>,
  motorsA: number,
): number {
  // (Ib − n I)(Voc − R Ib) = Paux, the lesser root; past what the source can give, where its power is greatest.
  const sum = c.openCircuitV + c.supplyResistanceOhm * motorsA;
  const asked = motorsA * c.openCircuitV + c.auxiliaryW;
  const root = sum ** 2 - 4 * c.supplyResistanceOhm * asked;
  return root < 0 ? sum / (2 * c.supplyResistanceOhm) : (2 * asked) / (sum + Math.sqrt(root));
}

/** How they stand at full command, and what holds them. */
export interface FullCommand extends OperatingPoint {
  readonly torqueNm: number;
  readonly limitedBy: Limit;
}

/**
 * Motor current where the driver passes all that its command lets through of the sagged battery; solves for the battery
 * voltage. With the share d of full command the motor has d Vb, and the battery gives d of its current.
 */
function straightThroughA(c: Circuit, { ohm, backV }: Winding): number {
  const d = c.commandShare;
  const g = (c.motors * c.supplyResistanceOhm) / ohm;
  const b = c.openCircuitV + g * d * backV;
  const a = 1 + g * d * d;
  const discriminant = b * b - 4 * a * c.supplyResistanceOhm * c.auxiliaryW;
  // Past the greatest power the source can give beside the auxiliary load, it stands at half the sum.
  const batteryV = (b + Math.sqrt(Math.max(0, discriminant))) / (2 * a);
  return (d * batteryV - backV) / ohm;
}

/** Motor current at which the battery gives all it may. */
function batteryLimitedA(c: Circuit, { ohm, backV }: Winding): number {
  if (!Number.isFinite(c.batteryLimitA)) return Infinity;
  const mostA =
    c.supplyResistanceOhm > 0
      ? Math.min(c.batteryLimitA, c.openCircuitV / (2 * c.supplyResistanceOhm))
      : c.batteryLimitA;
  const eachW = (mostA * (c.openCircuitV - c.supplyResistanceOhm * mostA) - c.auxiliaryW) / c.motors;
  if (eachW <= 0) return 0;
  return (Math.sqrt(backV * backV + 4 * ohm * eachW) - backV) / (2 * ohm);
}

/** Current of full command through a winding, and what holds it there. */
function fullCommandCurrent(circuit: Circuit, winding: Winding): readonly [number, Limit] {
  const freeA = straightThroughA(circuit, winding);
  const [currentA, limitedBy]: readonly [number, Limit] =
    freeA > circuit.currentLimitA ? [circuit.currentLimitA, 'driver'] : [freeA, 'voltage'];
  const fromBatteryA = batteryLimitedA(circuit, winding);
  return currentA > fromBatteryA ? [fromBatteryA, 'battery'] : [currentA, limitedBy];
}

/** Battery voltage while motors whose drivers hold their current pull all they can; half of it where it gives no more. */
function heldBatteryV(c: Circuit, speedRadS: number): number {
  const surplus = (batteryV: number): number => {
    const torqueNm = c.motor.torqueAt(c.commandShare * batteryV, speedRadS);
    const { currentA, motorV } = c.motor.pointAt(torqueNm, speedRadS);
    const batteryA = (c.motors * currentA * motorV + c.auxiliaryW) / batteryV;
    return c.openCircuitV - c.supplyResistanceOhm * batteryA - batteryV;
  };
  const half = c.openCircuitV / 2;
  return surplus(half) <= 0 ? half : bracketedRoot(surplus, half, c.openCircuitV, 1e-12 * c.openCircuitV);
}

/**
 * The most torque each motor gives at a speed (rad/s), N·m: full command with sag, held back by driver and battery
 * limits. Above the no-load speed of a motor with magnets it is negative: the motor then brakes.
 *
 * @example fullCommandTorque(line.circuit, 0) // 2.901
 */
export function fullCommandTorque(circuit: Circuit, speedRadS: number): number {
  const { motor } = circuit;
  return motor.winding
    ? motor.winding.torqueOf(fullCommandCurrent(circuit, motor.winding.at(speedRadS))[0])
    : motor.torqueAt(circuit.commandShare * heldBatteryV(circuit, speedRadS), speedRadS);
}

/**
 * Full command at a speed (rad/s) with the currents and voltages that go with it.
 *
 * @example fullCommand(line.circuit, 0).currentA // 40
 */
export function fullCommand(circuit: Circuit, speedRadS: number): FullCommand {
  const { motor } = circuit;
  if (!motor.winding) {
    const torqueNm = fullCommandTorque(circuit, speedRadS);
    return { ...pointAt(circuit, torqueNm, speedRadS), torqueNm, limitedBy: 'driver' };
  }
  const winding = motor.winding.at(speedRadS);
  const [currentA, limitedBy] = fullCommandCurrent(circuit, winding);
  const motorV = currentA * winding.ohm + winding.backV;
  const point = drawnAt(circuit, { currentA, motorV, leastV: motorV });
  const torqueNm = motor.winding.torqueOf(currentA);
  const straightV = motorV / circuit.commandShare;
  // A battery of more resistance than the motors is pulled past its greatest power: not the working root.
  return limitedBy === 'voltage' && straightV < circuit.openCircuitV / 2
    ? {
        ...point,
        torqueNm,
        limitedBy,
        batteryV: straightV,
        batteryA: (circuit.openCircuitV - straightV) / circuit.supplyResistanceOhm,
      }
    : { ...point, torqueNm, limitedBy };
}
