import { bracketedRoot } from '../contract/index.ts';
import { fullCommand, withAuxiliary, type Circuit } from './circuit.ts';

/** Motors of one drive at a speed, rad/s, on a battery that others draw from too. */
export interface Branch {
  readonly circuit: Circuit;
  readonly speedRadS: number;
}

/** Voltages are found to this share of the open-circuit voltage. */
const TOLERANCE = 1e-12;
/** So far down a battery is looked for one that stands, in halves. */
const HALVES = 8;
/** And so far up, in doubles, where motors that are overrun feed it. */
const LIFTS = 40;

/**
 * A branch's motors on a battery that stands at a voltage, whatever they draw, at a share of their command.
 *
 * @example onVoltage(line.circuit, 20).openCircuitV // 20
 */
export const onVoltage = (circuit: Circuit, batteryV: number, share = 1): Circuit => ({
  ...circuit,
  openCircuitV: batteryV,
  supplyResistanceOhm: 0,
  auxiliaryW: 0,
  batteryLimitA: Infinity,
  commandShare: circuit.commandShare * share,
});

/** What all branches draw at full command from a battery that stands at a voltage, A. */
const drawn = (branches: readonly Branch[], batteryV: number, share: number, auxiliaryW: number): number =>
  branches.reduce(
    (sum, { circuit, speedRadS }) =>
      sum + fullCommand(onVoltage(circuit, batteryV, share), speedRadS).batteryA,
    auxiliaryW / batteryV,
  );

/**
 * The same in closed form, where every motor is a resistance behind a voltage: those that their driver does not hold draw
 * n d (d V − E)/R, the others the power of their greatest current. Who is held only grows as the voltage settles.
 * Undefined where a motor follows another law, or no voltage stands.
 */
function closedV(branches: readonly Branch[], source: Circuit, share: number): number | undefined {
  const { openCircuitV, supplyResistanceOhm: ohm, auxiliaryW } = source;
  const windings = branches.map(({ circuit, speedRadS }) => circuit.motor.winding?.at(speedRadS));
  const held = branches.map(() => false);
  for (let n = 0; n <= branches.length; n += 1) {
    // (1 + Rs a) V² − (Voc + Rs b) V + Rs c = 0, the upper root.
    let [a, b, c] = [0, 0, auxiliaryW];
    for (const [at, { circuit }] of branches.entries()) {
      const winding = windings[at];
      if (!winding) return undefined;
      const d = circuit.commandShare * share;
      const { currentLimitA: limit, motors } = circuit;
      if (held[at]) c += motors * limit * (limit * winding.ohm + winding.backV);
      else {
        a += (motors * d * d) / winding.ohm;
        b += (motors * d * winding.backV) / winding.ohm;
      }
    }
    const sum = openCircuitV + ohm * b;
    const root = sum * sum - 4 * (1 + ohm * a) * ohm * c;
    if (root < 0) return undefined;
    const batteryV = (sum + Math.sqrt(root)) / (2 * (1 + ohm * a));
    const more = branches.filter(({ circuit }, at) => {
      const winding = windings[at];
      if (!winding || held[at]) return false;
      const freeA = (circuit.commandShare * share * batteryV - winding.backV) / winding.ohm;
      return freeA > circuit.currentLimitA && (held[at] = true);
    });
    if (more.length === 0) return batteryV;
  }
  return undefined;
}

/** The voltage at which a battery stands under all of them; half of it where it gives no more. */
function standingV(branches: readonly Branch[], source: Circuit, share: number): number {
  const { openCircuitV, supplyResistanceOhm, auxiliaryW } = source;
  const surplus = (batteryV: number): number =>
    openCircuitV - supplyResistanceOhm * drawn(branches, batteryV, share, auxiliaryW) - batteryV;
  // Motors that are overrun lift it.
  let high = openCircuitV;
  for (let n = 0; n < LIFTS && surplus(high) > 0; n += 1) high *= 2;
  if (!(surplus(high) <= 0)) return openCircuitV;
  let low = openCircuitV / 2;
  for (let n = 0; n < HALVES && !(surplus(low) >= 0); n += 1) [low, high] = [low / 2, low];
  if (!(surplus(low) >= 0)) return openCircuitV / 2;
  return bracketedRoot(surplus, low, high, TOLERANCE * openCircuitV);
}

/**
 * Several drives at full command on one battery: the voltage at which it stands, and the share of their command that a
 * source which holds its current leaves them. Each is then worked out by itself with `onVoltage`.
 *
 * @param branches each drive's motors with their own limits; battery, cable and what is drawn beside are those of the first
 * @returns volts, and a share of 1 but where the source's limit is reached
 * @example sharedSupply([{ circuit: line.circuit, torqueNm: 1, speedRadS: 100 }]).share // 1
 */
export function sharedSupply(branches: readonly Branch[]): {
  readonly batteryV: number;
  readonly share: number;
} {
  const source = branches[0]?.circuit;
  if (!source) throw new RangeError('no drive draws from the battery');
  const { batteryLimitA, auxiliaryW } = source;
  const at = (share: number) => {
    const batteryV =
      source.supplyResistanceOhm > 0
        ? (closedV(branches, source, share) ?? standingV(branches, source, share))
        : source.openCircuitV;
    return { batteryV, share };
  };
  const over = (share: number): number =>
    drawn(branches, at(share).batteryV, share, auxiliaryW) - batteryLimitA;
  const free = at(1);
  if (!Number.isFinite(batteryLimitA) || over(1) <= 0) return free;
  return over(LEAST_SHARE) >= 0 ? at(LEAST_SHARE) : at(bracketedRoot(over, LEAST_SHARE, 1, TOLERANCE));
}

const LEAST_SHARE = 1e-6;

/**
 * The most that a battery gives where all drives start at full command together, A: those that their drivers hold, at the
 * speed where these stop chopping; the others stalled; what is drawn beside them counted in.
 *
 * @example startingTogether([line.circuit]) // 80.17
 */
export function startingTogether(circuits: readonly Circuit[]): number {
  const [source] = circuits;
  if (!source) return 0;
  const { batteryV, share } = sharedSupply(circuits.map((circuit) => ({ circuit, speedRadS: 0 })));
  const motorsA = circuits.reduce((sum, circuit) => {
    const { currentA, limitedBy, batteryA } = fullCommand(onVoltage(circuit, batteryV, share), 0);
    const held = limitedBy === 'driver' && circuit.motor.winding !== undefined;
    return sum + (held ? circuit.commandShare * circuit.motors * currentA : batteryA);
  }, 0);
  return Math.min(source.batteryLimitA, withAuxiliary(source, motorsA));
}
