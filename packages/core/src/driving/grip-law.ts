/**
 * Slip along at which a tyre would hold all it can, were its law straight: a tenth (common practice, no source).
 */
export const FULL_SLIP_ALONG = 0.1;

/** The same across, as the slope of the slip angle: tan 8° (common practice, no source; as for a bend of fixed wheels). */
export const FULL_SLIP_ACROSS = Math.tan((8 * Math.PI) / 180);

/** Under this speed slip is a speed and no share of one, so that a wheel at rest holds, m/s. */
const STANDING_MPS = 0.02;

/** Under this speed friction that has a sign grows from nothing, m/s. */
export const CREEP_MPS = 0.002;

/**
 * What a wheel's tyre gives along and across at a slip, and that over the slip: on an ellipse with the grip along and across
 * as its axes, reached smoothly. One object is asked again and again: a million steps are simulated with it.
 *
 * Source: combined slip normalised to one saturating curve (H. B. Pacejka, Tire and Vehicle Dynamics, the similarity method,
 * from memory), here with s/√(1 + s²).
 */
export class GripLaw {
  alongN = 0;
  acrossN = 0;
  /** Those over the slip along and across, N·s/m: of a law that bends off never less than it falls by. */
  perAlong = 0;
  perAcross = 0;

  /** Of a tyre whose tread goes over the ground at `slipMps` along, rolling at `rimMps`, over ground passing at `aheadMps` and `asideMps`. */
  driven(
    loadN: number,
    along: number,
    across: number,
    aheadMps: number,
    asideMps: number,
    rimMps: number,
  ): void {
    const over = Math.sqrt(STANDING_MPS * STANDING_MPS + 0.5 * (aheadMps * aheadMps + rimMps * rimMps));
    const perAlong = 1 / (FULL_SLIP_ALONG * over);
    const perAcross = 1 / (FULL_SLIP_ACROSS * over);
    const s = (aheadMps - rimMps) * perAlong;
    const t = asideMps * perAcross;
    const q = 1 / Math.sqrt(1 + s * s + t * t);
    this.perAlong = along * loadN * perAlong * q;
    this.perAcross = across * loadN * perAcross * q;
    this.alongN = -this.perAlong * (aheadMps - rimMps);
    this.acrossN = -this.perAcross * asideMps;
  }

  /** Of a wheel that nothing drives: it holds across alone. */
  rolling(loadN: number, across: number, aheadMps: number, asideMps: number): void {
    const per = 1 / (FULL_SLIP_ACROSS * Math.sqrt(STANDING_MPS * STANDING_MPS + aheadMps * aheadMps));
    const t = asideMps * per;
    const q = 1 / Math.sqrt(1 + t * t);
    this.perAlong = 0;
    this.perAcross = across * loadN * per * q;
    this.alongN = 0;
    this.acrossN = -this.perAcross * asideMps;
  }

  /** Of what slides every way alike. */
  sliding(heldN: number, aheadMps: number, asideMps: number): void {
    const per = heldN / Math.sqrt(CREEP_MPS * CREEP_MPS + aheadMps * aheadMps + asideMps * asideMps);
    this.perAlong = per;
    this.perAcross = per;
    this.alongN = -per * aheadMps;
    this.acrossN = -per * asideMps;
  }

  /** Of a castor: its fork drags across until it has swung round. */
  swinging(heldN: number, asideMps: number): void {
    this.perAlong = 0;
    this.perAcross = heldN / Math.sqrt(CREEP_MPS * CREEP_MPS + asideMps * asideMps);
    this.alongN = 0;
    this.acrossN = -this.perAcross * asideMps;
  }
}
