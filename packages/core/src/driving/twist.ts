import type { ContactGround, Led, RigContact, RigMotor } from './rig.ts';
import { FULL_SLIP_ACROSS } from './grip-law.ts';

/** How the middle of a rig is to move: ahead, and turning to the left. */
export interface Twist {
  readonly aheadMps: number;
  readonly turnRadS: number;
}

const STILL = 1e-9;

/** Where each contact goes while the middle moves as it is meant to, metres a second in the vehicle's frame. */
const velocityAt = (led: Led, { aheadM, leftM }: RigContact, { aheadMps, turnRadS }: Twist) => ({
  x: aheadMps - turnRadS * (leftM - led.middleLeftM),
  y: turnRadS * (aheadM - led.middleAheadM),
});

/**
 * What a rig is told, to move as a twist says: where its steered wheels point, how fast each motor's wheels run, and what that
 * takes on the ground it was tuned on. What is asked of a steering beyond its lock it does at its lock.
 */
export class Steersman {
  readonly #led: Led;
  readonly #footings: readonly ContactGround[];
  readonly #loadN: Float64Array;
  #last: { readonly twist: Twist; readonly commands: readonly number[] } | undefined;

  constructor(led: Led, footings: readonly ContactGround[], loadN: Float64Array) {
    this.#led = led;
    this.#footings = footings;
    this.#loadN = Float64Array.from(loadN);
  }

  /** The narrowest bend, as curvature 1/m; Infinity where it turns on the spot. */
  get mostCurvature(): number {
    const { rig, middleAheadM, onTheSpot } = this.#led;
    if (onTheSpot) return Infinity;
    const reach = Math.max(
      ...rig.contacts.filter(({ steered }) => steered).map((c) => Math.abs(c.aheadM - middleAheadM)),
    );
    return Number.isFinite(reach) && reach > 0 ? Math.tan(rig.steering.lockRad) / reach : 0;
  }

  /** Where a wheel points, to the left positive. */
  pointOf(contact: RigContact, twist: Twist): number {
    if (!contact.steered) return 0;
    const { x, y } = velocityAt(this.#led, contact, twist);
    if (Math.abs(x) < STILL && Math.abs(y) < STILL) return 0;
    // A wheel that runs backwards points as one that runs ahead.
    const angle = Math.atan2(y, x);
    const way = Math.abs(angle) <= Math.PI / 2 ? angle : angle - Math.sign(angle) * Math.PI;
    const { lockRad, swivels } = this.#led.rig.steering;
    return swivels ? way : Math.max(-lockRad, Math.min(lockRad, way));
  }

  /** How fast the rims of a motor's wheels are to run, m/s. */
  rimOf(motor: RigMotor, twist: Twist): number {
    const { contacts } = this.#led.rig;
    let sum = 0;
    let count = 0;
    for (const contact of contacts) {
      if (!motor.turns.some(({ spin }) => spin === contact.spin)) continue;
      const { x, y } = velocityAt(this.#led, contact, twist);
      const point = this.pointOf(contact, twist);
      sum += Math.cos(point) * x + Math.sin(point) * y;
      count += 1;
    }
    return count === 0 ? 0 : sum / count;
  }

  /** Mean radius of a motor's wheels, m. */
  radiusOf(motor: RigMotor): number {
    const radii = this.#led.rig.contacts.flatMap(({ spin, radiusM }) =>
      motor.turns.some((turn) => turn.spin === spin) ? [radiusM] : [],
    );
    return radii.reduce((sum, r) => sum + r, 0) / Math.max(1, radii.length);
  }

  /** Power that the ground takes of it, level, W. */
  #takenW(twist: Twist): number {
    return this.#led.rig.contacts.reduce((sum, contact, i) => {
      const { x, y } = velocityAt(this.#led, contact, twist);
      const loadN = this.#loadN[i] ?? 0;
      const { rolling = 0, across = 0 } = this.#footings[i] ?? {};
      const speed = Math.hypot(x, y);
      if (contact.free === 'drags' || contact.free === 'swings') return sum + rolling * loadN * speed;
      const point = this.pointOf(contact, twist);
      const [ahead, aside] = [
        Math.cos(point) * x + Math.sin(point) * y,
        Math.cos(point) * y - Math.sin(point) * x,
      ];
      const slip = Math.abs(aside) / (FULL_SLIP_ACROSS * Math.max(STILL, Math.abs(ahead)));
      const scrub = across * loadN * (slip / Math.sqrt(1 + slip * slip)) * Math.abs(aside);
      return sum + rolling * loadN * Math.abs(ahead) + scrub;
    }, 0);
  }

  /** The command of each motor, from −1 to 1, that keeps it moving so, once it does. */
  commandsFor(twist: Twist): number[] {
    const { twist: last, commands } = this.#last ?? {};
    // Loop after loop asks for the same.
    if (commands && last?.aheadMps === twist.aheadMps && last.turnRadS === twist.turnRadS)
      return [...commands];
    const fresh = this.#commandsFor(twist);
    this.#last = { twist, commands: fresh };
    return [...fresh];
  }

  #commandsFor(twist: Twist): number[] {
    const { rig } = this.#led;
    const rims = rig.motors.map((motor) => this.rimOf(motor, twist));
    const all = rims.reduce((sum, rim) => sum + Math.abs(rim), 0);
    if (all < STILL) return rims.map(() => 0);
    const pushN = this.#takenW(twist) / all;
    return rig.motors.map((motor, m) => {
      const rim = rims[m] ?? 0;
      const radius = this.radiusOf(motor);
      const way = Math.sign(rim);
      const torque = (pushN * radius) / (motor.count * motor.ratio * motor.efficiency);
      const amps = way * (motor.noLoadA + torque / motor.ktNmPerA);
      const volts = motor.resistanceOhm * amps + (motor.keVsPerRad * motor.ratio * rim) / radius;
      return volts / rig.supply.openCircuitV;
    });
  }
}
