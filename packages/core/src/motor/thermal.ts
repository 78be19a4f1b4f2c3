import { bracketedRoot } from '../contract/index.ts';
import { COPPER_PER_K, REFERENCE_C } from './copper.ts';

/** What warms over what is beneath it: how far for a watt, how slowly. */
export interface ThermalNode {
  readonly kPerW: number;
  readonly tauS: number;
}

/** How a motor takes heat up and gives it off. */
export interface Thermal {
  /** The motor over the air, and its winding over the motor. */
  readonly nodes: readonly [motor: ThermalNode, winding: ThermalNode];
  /** Greatest temperature of the winding, °C. */
  readonly limitC: number;
  /** Resistance of the winding at 20 °C, Ω. */
  readonly windingOhm: number;
  /** Whether both nodes are of a data sheet or measured; else what is missing is guessed. */
  readonly known: boolean;
}

/** What is known of a motor's heat: of its data sheet, and what everybody knows of it. */
export interface ThermalFigures {
  readonly continuousA: number;
  readonly massKg: number;
  readonly thermalResistanceKPerW?: number | undefined;
  readonly timeConstantS?: number | undefined;
  readonly windingKPerW?: number | undefined;
  readonly windingTimeConstantS?: number | undefined;
  readonly windingLimitC?: number | undefined;
}

/** Class B insulation less a margin: what small motors are commonly given (common practice, no source). */
const LIMIT_C = 120;
/** The room in which a motor's continuous current is stated (common practice, no source). */
const ROOM_C = 25;
/** Heat of a motor of steel and copper, J/(kg·K): steel 460, copper 385 (handbook values, from memory). */
const MOTOR_J_PER_KG_K = 440;
const COPPER_J_PER_KG_K = 385;
/** Share of a small motor's mass that is its winding (common practice, no source). */
const COPPER_SHARE = 0.1;
/** A motor whose mass nobody gave is taken for so heavy, kg, so that its heat still has somewhere to go. */
const LEAST_KG = 0.01;

const ohmAt = (ohm: number, temperatureC: number): number =>
  ohm * Math.max(0, 1 + COPPER_PER_K * (temperatureC - REFERENCE_C));

/** Of the way from winding to air, what lies between the winding and the motor's body (common practice, no source). */
const WINDING_SHARE = 0.25;

/**
 * How a motor heats. What its data sheet leaves out is guessed: all of its thermal resistance as the one at which its
 * continuous current just brings the winding to its limit, its time constant by its mass, its winding as a tenth of that
 * mass behind a quarter of the resistance.
 *
 * @param windingOhm resistance of the winding at 20 °C, without leads and driver
 * @example thermalOf({ continuousA: 10, massKg: 1 }, 0.1).nodes[0].kPerW // 5.11 K/W
 */
export function thermalOf(motor: ThermalFigures, windingOhm: number): Thermal {
  const { continuousA, windingKPerW, windingTimeConstantS, windingLimitC: limitC = LIMIT_C } = motor;
  const massKg = Math.max(LEAST_KG, motor.massKg);
  const copperJPerK = COPPER_SHARE * massKg * COPPER_J_PER_KG_K;
  const measured = windingKPerW !== undefined && windingTimeConstantS !== undefined;
  const kPerWattAllDay = (limitC - ROOM_C) / (continuousA ** 2 * ohmAt(windingOhm, limitC));
  const allKPerW = measured
    ? Math.max(kPerWattAllDay, windingKPerW / (1 - LEAST_LEFT))
    : (motor.thermalResistanceKPerW ?? kPerWattAllDay);
  const winding = measured
    ? { kPerW: windingKPerW, tauS: windingTimeConstantS }
    : { kPerW: WINDING_SHARE * allKPerW, tauS: WINDING_SHARE * allKPerW * copperJPerK };
  const ownKPerW = measured ? motor.thermalResistanceKPerW : undefined;
  const kPerW = ownKPerW ?? allKPerW - winding.kPerW;
  const tauS = motor.timeConstantS ?? kPerW * massKg * MOTOR_J_PER_KG_K;
  return {
    nodes: [{ kPerW, tauS }, winding],
    limitC,
    windingOhm,
    known: measured && motor.thermalResistanceKPerW !== undefined && motor.timeConstantS !== undefined,
  };
}
/** A motor's body keeps at least so much of the way (a measured winding may say more than the continuous current allows). */
const LEAST_LEFT = 0.1;

/** How far each node stands over what is beneath it, K: the motor over the air, the winding over the motor. */
export type Rises = readonly number[];
/**
 * A motor as cold as the air round it.
 *
 * @example coldRises(motorThermal(motorOf(puffin))) // [0, 0]
 */
export const coldRises = ({ nodes }: Pick<Thermal, 'nodes'>): Rises => nodes.map(() => 0);

const summed = (rises: Rises): number => rises.reduce((all, rise) => all + rise, 0);

/**
 * The heat of a current in a winding as warm as it is, W.
 *
 * @example windingHeat(motorThermal(motorOf(puffin)), 30, [0, 0], 25) // 229.4
 */
export const windingHeat = (
  { windingOhm }: Thermal,
  currentA: number,
  rises: Rises,
  ambientC: number,
): number => currentA ** 2 * ohmAt(windingOhm, ambientC + summed(rises));

/** ∫ e^(λ s) ds from 0 to t. */
const grown = (rate: number, seconds: number): number =>
  rate === 0 ? seconds : Math.expm1(rate * seconds) / rate;

/**
 * The rises after a time at one current, the winding's resistance growing with its temperature: exact, by the matrix
 * exponential of x′ = D (k P (1 + α (Ta + x₁ + x₂ − 20)) − x).
 *
 * @param rises at the start
 * @returns at the end; a million degrees where it runs away
 * @example heated(motorThermal(motorOf(puffin)), coldRises(motorThermal(motorOf(puffin))), 30, 25, 60)
 *   // [7.117, 12.95]
 */
export function heated(
  { nodes, windingOhm }: Thermal,
  rises: Rises,
  currentA: number,
  ambientC: number,
  seconds: number,
): Rises {
  const coldW = currentA ** 2 * windingOhm;
  const feedback = coldW * COPPER_PER_K;
  const heatW = coldW * (1 + COPPER_PER_K * (ambientC - REFERENCE_C)) + feedback * summed(rises);
  const slopes = nodes.map(({ kPerW, tauS }, n) => (kPerW * heatW - (rises[n] ?? 0)) / tauS);
  const [motor, winding] = nodes;
  // A = [[a, b], [c, d]] has real roots, for b and c have one sign.
  const b = (feedback * motor.kPerW) / motor.tauS;
  const a = b - 1 / motor.tauS;
  const c = (feedback * winding.kPerW) / winding.tauS;
  const d = c - 1 / winding.tauS;
  const mean = (a + d) / 2;
  const apart = Math.sqrt(((a - d) / 2) ** 2 + b * c);
  const [fast, slow] = [grown(mean + apart, seconds), grown(mean - apart, seconds)];
  const even = (fast + slow) / 2;
  const odd = apart === 0 ? 0 : (fast - slow) / (2 * apart);
  const [u = 0, v = 0] = slopes;
  return [
    tamed((rises[0] ?? 0) + even * u + odd * ((a - mean) * u + b * v)),
    tamed((rises[1] ?? 0) + even * v + odd * (c * u + (d - mean) * v)),
  ];
}

/** What runs away is told by this many degrees: more is past what numbers hold. */
const RUN_AWAY_K = 1e6;
const tamed = (rise: number): number => (rise < RUN_AWAY_K ? rise : RUN_AWAY_K);

/**
 * Time in which a current brings a winding to its limit while no heat leaves it: what a short burst or a stall has at least.
 *
 * @returns seconds; 0 where it is there already, Infinity without current
 * @example burnTime(thermalOf({ continuousA: 10, massKg: 1 }, 0.1), 100, 25) // 2.8 s
 */
export function burnTime(thermal: Thermal, currentA: number, startC: number): number {
  const { windingOhm, limitC, nodes } = thermal;
  // Before any heat has left, both nodes rise: their slopes add up.
  const kPerJ = nodes.reduce((sum, { kPerW, tauS }) => sum + kPerW / tauS, 0);
  if (startC >= limitC) return 0;
  if (currentA === 0) return Infinity;
  return (
    (1 / (kPerJ * currentA ** 2 * windingOhm * COPPER_PER_K)) * Math.log(ohmAt(1, limitC) / ohmAt(1, startC))
  );
}

/**
 * Temperature of a winding, °C, after a time at one current from as cold as the air.
 *
 * @example windingAfter(motorThermal(motorOf(puffin)), 30, 25, 60) // 45.06
 */
export const windingAfter = (thermal: Thermal, currentA: number, ambientC: number, seconds: number): number =>
  ambientC + summed(heated(thermal, coldRises(thermal), currentA, ambientC, seconds));

/** After so many of its slowest time constants a motor has settled. */
const SETTLED = 60;

/**
 * Time from cold in which a current brings a winding to its limit; null where it settles under it.
 *
 * @example timeToLimit(thermalOf({ continuousA: 10, massKg: 1 }, 0.1), 9, 25) // null: less than it may carry all day
 */
export function timeToLimit(thermal: Thermal, currentA: number, ambientC: number): number | null {
  const { limitC, nodes } = thermal;
  if (ambientC >= limitC) return 0;
  const over = (seconds: number): number => windingAfter(thermal, currentA, ambientC, seconds) - limitC;
  const longS = SETTLED * Math.max(...nodes.map(({ tauS }) => tauS));
  return over(longS) <= 0 ? null : bracketedRoot(over, 0, longS, TIME_TOLERANCE * longS);
}
const TIME_TOLERANCE = 1e-12;
