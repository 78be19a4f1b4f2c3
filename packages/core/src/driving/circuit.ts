import type { Rig, RigMotor } from './rig.ts';

/** Under this share of its no-load speed a motor's friction grows from nothing. */
const SLOW_SHARE = 1e-4;

/** Repeats until the motors that a driver limits are the ones it was reckoned with. */
const TRIES = 4;

/**
 * The motors of a rig on its one battery: what each draws and gives at its speed and command. V = I R + ke ω a motor, chopped
 * without loss (Vm I = Vb Ib), held to its driver's limit, behind one battery's resistance that the currents of all share.
 * One object is asked again and again, and keeps its answers in arrays by motor.
 *
 * Source: permanent-magnet motor theory; ideal chopper (R. W. Erickson and D. Maksimović, Fundamentals of Power Electronics,
 * from memory).
 */
export class DriveCircuit {
  /** Current of one of the motors, A. */
  readonly currentA: Float64Array;
  /** Torque at the wheels' mean of all its motors, gears counted, N·m. */
  readonly torqueNm: Float64Array;
  /** How much that falls for a rad/s more of the wheels' mean; of friction all of it over the speed, never less. */
  readonly fall: Float64Array;
  batteryV: number;
  batteryA = 0;
  /** Lost in windings, gears and friction, and in the battery and its leads, W. */
  lostW = 0;
  readonly #motors: readonly RigMotor[];
  readonly #supply: Rig['supply'];
  readonly #slow: Float64Array;
  readonly #limited: Uint8Array;
  /** What those held to their limit draw, A; less of it, and of what runs beside, where the battery cannot feed them all. */
  readonly #heldA: Float64Array;
  #auxiliaryW = 0;

  constructor({ motors, supply }: Rig) {
    this.#motors = motors;
    this.#supply = supply;
    this.currentA = new Float64Array(motors.length);
    this.torqueNm = new Float64Array(motors.length);
    this.fall = new Float64Array(motors.length);
    this.#slow = Float64Array.from(motors, (m) => (SLOW_SHARE * supply.openCircuitV) / m.keVsPerRad);
    this.#limited = new Uint8Array(motors.length);
    this.#heldA = new Float64Array(motors.length);
    this.batteryV = supply.openCircuitV;
  }

  /** At the commands, from −1 to 1, and the speeds of the motors, rad/s. */
  at(commands: Float64Array, speeds: Float64Array): void {
    this.#limited.fill(0);
    for (let go = 0; go < TRIES; go += 1) {
      this.#feed(commands, speeds);
      if (!this.#limits(commands, speeds)) break;
    }
    this.#turn(commands, speeds);
  }

  /** The battery's voltage under motors that are fed straight through, and others held to their limit. */
  #feed(commands: Float64Array, speeds: Float64Array): void {
    const { openCircuitV, resistanceOhm, auxiliaryW } = this.#supply;
    let share = 1;
    let pushV = openCircuitV;
    let heldW = auxiliaryW;
    for (let m = 0; m < this.#motors.length; m += 1) {
      const motor = this.#motors[m] as RigMotor;
      const u = commands[m] as number;
      const backV = motor.keVsPerRad * (speeds[m] as number);
      if (this.#limited[m] === 1) {
        const amps = Math.sign(u * this.batteryV - backV) * motor.limitA;
        this.#heldA[m] = amps;
        heldW += motor.count * amps * (amps * motor.resistanceOhm + backV);
      } else {
        share += (motor.count * resistanceOhm * u * u) / motor.resistanceOhm;
        pushV += (motor.count * resistanceOhm * u * backV) / motor.resistanceOhm;
      }
    }
    // share V = pushV − R heldW/V: the greater root, or half of what drives it where it cannot feed them all.
    const half = pushV / (2 * share);
    const over = half * half - (resistanceOhm * heldW) / share;
    this.#auxiliaryW = auxiliaryW;
    this.batteryV = half + Math.sqrt(Math.max(0, over));
    if (over < 0) this.#brownOut((share * half * half) / resistanceOhm, speeds);
  }

  /** Leaves those that are held so much less current that all of them draw no more than the battery can give, W. */
  #brownOut(mostW: number, speeds: Float64Array): void {
    let [heats, turns] = [0, 0];
    for (let m = 0; m < this.#motors.length; m += 1) {
      if (this.#limited[m] !== 1) continue;
      const { count, resistanceOhm, keVsPerRad } = this.#motors[m] as RigMotor;
      const amps = this.#heldA[m] as number;
      heats += count * amps * amps * resistanceOhm;
      turns += count * amps * keVsPerRad * (speeds[m] as number);
    }
    // Motors that feed in keep what they do: only what runs beside has less then.
    const feeds = heats + turns <= 0;
    this.#auxiliaryW = Math.min(this.#auxiliaryW, feeds ? mostW - heats - turns : mostW);
    if (feeds) return;
    // heats f² + turns f is what is left for them.
    const left = mostW - this.#auxiliaryW;
    const share = (Math.sqrt(turns * turns + 4 * heats * left) - turns) / (2 * heats);
    for (let m = 0; m < this.#motors.length; m += 1) this.#heldA[m] = (this.#heldA[m] as number) * share;
  }

  /** Marks the motors that would draw more than their driver lets through; whether one came in. */
  #limits(commands: Float64Array, speeds: Float64Array): boolean {
    let came = false;
    for (let m = 0; m < this.#motors.length; m += 1) {
      const { limitA, keVsPerRad, resistanceOhm } = this.#motors[m] as RigMotor;
      if (limitA === Infinity || this.#limited[m] === 1) continue;
      const free =
        ((commands[m] as number) * this.batteryV - keVsPerRad * (speeds[m] as number)) / resistanceOhm;
      if (Math.abs(free) <= limitA) continue;
      this.#limited[m] = 1;
      came = true;
    }
    return came;
  }

  #turn(commands: Float64Array, speeds: Float64Array): void {
    const { openCircuitV, resistanceOhm } = this.#supply;
    const auxiliaryW = this.#auxiliaryW;
    this.batteryA = resistanceOhm > 0 ? (openCircuitV - this.batteryV) / resistanceOhm : 0;
    this.lostW = this.batteryA * this.batteryA * resistanceOhm + auxiliaryW;
    let drawnW = auxiliaryW;
    for (let m = 0; m < this.#motors.length; m += 1) {
      const motor = this.#motors[m] as RigMotor;
      const { resistanceOhm: ohm, ktNmPerA: kt, keVsPerRad: ke, limitA, ratio, count } = motor;
      const speed = speeds[m] as number;
      const slow = this.#slow[m] as number;
      const free = ((commands[m] as number) * this.batteryV - ke * speed) / ohm;
      const held = this.#limited[m] === 1 ? (this.#heldA[m] as number) : free;
      const amps = Math.max(-limitA, Math.min(limitA, held));
      const size = Math.sqrt(speed * speed + slow * slow);
      const way = speed / size;
      const gross = kt * (amps - motor.noLoadA * way);
      const lost = gross * speed >= 0 ? 1 - motor.efficiency : 1 / motor.backEfficiency - 1;
      const net = gross - lost * Math.abs(gross) * way;
      this.currentA[m] = amps;
      this.torqueNm[m] = count * ratio * net;
      const falls = amps === free ? (kt * ke) / ohm : 0;
      const rubs = (kt * motor.noLoadA + lost * Math.abs(gross)) / size;
      this.fall[m] = count * ratio * ratio * (falls * (1 - lost * way * Math.sign(gross)) + rubs);
      const wentIn = count * amps * (amps * ohm + ke * speed);
      drawnW += wentIn;
      this.lostW += wentIn - count * net * speed;
    }
    if (resistanceOhm === 0) this.batteryA = drawnW / this.batteryV;
  }
}
