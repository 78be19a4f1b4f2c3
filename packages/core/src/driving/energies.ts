/** Where energy went, J: what the battery gave is what was lost in circuit and ground, stored beside, and what moves. */
export interface Energies {
  /** Out of the battery, its own losses included. */
  given: number;
  /** In windings, gears, friction, leads and battery, and what stands beside the motors. */
  circuit: number;
  /** Between tyres and ground, at sliders, rolling, over the air. */
  ground: number;
  /** Up hills and kerbs, against a pull. */
  stored: number;
}

/** Adds up where power goes, by the mean of the start and the end of each step. */
export class EnergyLedger {
  readonly energies: Energies = { given: 0, circuit: 0, ground: 0, stored: 0 };
  #given = 0;
  #circuit = 0;
  #ground = 0;
  #stored = 0;

  /** The powers at a moment, W, and the time since the one before, s: none where they only changed. */
  count(seconds: number, given: number, circuit: number, ground: number, stored: number): void {
    const { energies } = this;
    const half = 0.5 * seconds;
    energies.given += half * (this.#given + given);
    energies.circuit += half * (this.#circuit + circuit);
    energies.ground += half * (this.#ground + ground);
    energies.stored += half * (this.#stored + stored);
    this.#given = given;
    this.#circuit = circuit;
    this.#ground = ground;
    this.#stored = stored;
  }
}
