import type { Rig } from './rig.ts';

/** The steering of a rig: its actuators go to where they are told, its wheels follow by their linkage. */
export class SteeringGear {
  readonly #rig: Rig;
  readonly #points: Float64Array;
  readonly #to: Float64Array;
  readonly #servo: Float64Array;

  /** Of wheels whose directions are kept in `points`, told by `to`; contacts that are not steered are left alone. */
  constructor(rig: Rig, points: Float64Array, to: Float64Array) {
    this.#rig = rig;
    this.#points = points;
    this.#to = to;
    this.#servo = new Float64Array(points.length);
  }

  /** Told straight on, as straight as it is. */
  begin(): void {
    for (const [i, { steered }] of this.#rig.contacts.entries())
      if (steered) this.#points[i] = this.#rig.steering.offRad;
  }

  /** Whether an actuator is not yet where it is told. */
  get turns(): boolean {
    const { contacts } = this.#rig;
    for (let i = 0; i < contacts.length; i += 1)
      if ((contacts[i] as Rig['contacts'][number]).steered && this.#servo[i] !== this.#to[i]) return true;
    return false;
  }

  /** Turns as far as may be in a time; the play of the linkage is left over. */
  turn(seconds: number): void {
    const { contacts, steering } = this.#rig;
    const most = steering.rateRadS * seconds;
    const half = steering.playRad / 2;
    for (let i = 0; i < contacts.length; i += 1) {
      if (!(contacts[i] as Rig['contacts'][number]).steered) continue;
      const servo = this.#servo[i] as number;
      const to = servo + Math.max(-most, Math.min(most, (this.#to[i] as number) - servo));
      this.#servo[i] = to;
      const middle = to + steering.offRad;
      this.#points[i] = Math.max(middle - half, Math.min(middle + half, this.#points[i] as number));
    }
  }
}
