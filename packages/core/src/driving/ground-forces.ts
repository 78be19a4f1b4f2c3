import { CREEP_MPS, GripLaw } from './grip-law.ts';
import { kerbRise } from './kerb.ts';
import type { ContactGround, Rig, RigContact, Terrain, TerrainPiece } from './rig.ts';

/** Share of its load that holds a castor's fork from swinging (common practice, no source). */
const FORK_DRAG = 0.04;

/** Where a rig is, and where it points, to the left positive. */
export interface Pose {
  x: number;
  y: number;
  heading: number;
}

/**
 * What the ground does to a rig in a pose at its speeds: the forces ahead and to the left, the moment, the torque on each spin; how they
 * fall with speed; how castors swing. One object is asked again and again, and keeps its answers.
 */
export class GroundForces {
  /** Power that stays in the ground, W. */
  lostW = 0;
  /** Power that goes into height, over kerbs, W. */
  climbW = 0;
  /** Push of the ground ahead and to the left, N. */
  pushAheadN = 0;
  pushLeftN = 0;
  /** How fast each castor swings, rad/s. */
  readonly swings: Float64Array;
  /** How fast each contact's tread goes over the ground, m/s, and the share of its grip that it takes. */
  readonly slipMps: Float64Array;
  readonly gripShare: Float64Array;
  readonly #rig: Rig;
  readonly #terrain: Terrain;
  readonly #piece: Uint16Array;
  readonly #grip = new GripLaw();
  readonly #size: number;
  // Of the contact that is looked at: its direction ahead and to the left, its levers along and across, how it rolls.
  #x = 1;
  #y = 0;
  #lever = 0;
  #leverAcross = 0;
  #rollN = 0;
  #rollPer = 0;
  #middle = 0;

  constructor(rig: Rig, terrain: Terrain) {
    const places = rig.contacts.length;
    this.#rig = rig;
    this.#terrain = terrain;
    this.#size = 3 + rig.spins.length;
    this.swings = new Float64Array(places);
    this.slipMps = new Float64Array(places);
    this.gripShare = new Float64Array(places);
    this.#piece = new Uint16Array(places);
  }

  /** The ground under the middle. */
  get underMiddle(): TerrainPiece {
    return this.#terrain.pieces[this.#middle] as TerrainPiece;
  }

  /** Finds which ground is under each contact. */
  lookAround({ x, y, heading }: Pose): void {
    this.#middle = this.#terrain.pieceAt(x, y);
    const [c, s] = [Math.cos(heading), Math.sin(heading)];
    this.#rig.contacts.forEach(({ aheadM, leftM }, i) => {
      this.#piece[i] = this.#terrain.pieceAt(x + c * aheadM - s * leftM, y + s * aheadM + c * leftM);
    });
  }

  /** Adds to `force`, and to `falls` where it is given: row by row, the lower half. */
  at(
    pose: Pose,
    speeds: Float64Array,
    points: Float64Array,
    loadN: Float64Array,
    force: Float64Array,
    falls: Float64Array | undefined,
  ): void {
    const ahead = speeds[0] as number;
    const left = speeds[1] as number;
    const turning = speeds[2] as number;
    const { contacts } = this.#rig;
    const { pieces, kerbs } = this.#terrain;
    this.lostW = 0;
    this.climbW = 0;
    this.pushAheadN = 0;
    this.pushLeftN = 0;
    for (let i = 0; i < contacts.length; i += 1) {
      const contact = contacts[i] as RigContact;
      const point = points[i] as number;
      const dx = point === 0 ? 1 : Math.cos(point);
      const dy = point === 0 ? 0 : Math.sin(point);
      const ux = ahead - turning * contact.leftM;
      const uy = left + turning * contact.aheadM;
      const along = dx * ux + dy * uy;
      const aside = dx * uy - dy * ux;
      const rim = contact.spin === undefined ? along : contact.radiusM * (speeds[3 + contact.spin] as number);
      const piece = pieces[this.#piece[i] as number] as TerrainPiece;
      this.#grips(contact, loadN[i] as number, piece.footings[i] as ContactGround, along, aside, rim);
      if (contact.free === 'swings') this.swings[i] = aside / contact.trailM - turning;
      this.#x = dx;
      this.#y = dy;
      this.#lever = contact.aheadM * dy - contact.leftM * dx;
      this.#leverAcross = contact.aheadM * dx + contact.leftM * dy;
      if (kerbs.length > 0) this.#climb(pose, contact, loadN[i] as number, along);
      this.#push(contact, along, aside, rim, force);
      if (falls === undefined) continue;
      this.#fall(contact, falls);
      this.#watch(i, contact, loadN[i] as number, piece.footings[i] as ContactGround, along - rim, aside);
    }
  }

  /** What the tyre, slider or castor gives along and across. */
  #grips(
    contact: RigContact,
    load: number,
    { rolling, along, across }: ContactGround,
    aheadMps: number,
    asideMps: number,
    rimMps: number,
  ): void {
    const grip = this.#grip;
    const { free } = contact;
    this.#rollN = 0;
    this.#rollPer = 0;
    if (contact.spin !== undefined) grip.driven(load, along, across, aheadMps, asideMps, rimMps);
    else if (free === 'rolls') grip.rolling(load, across, aheadMps, asideMps);
    else if (free === 'drags') grip.sliding(rolling * load, aheadMps, asideMps);
    else grip.swinging(FORK_DRAG * load, asideMps);
    if (contact.spin === undefined && free === 'drags') return;
    this.#rollPer = (rolling * load) / Math.sqrt(CREEP_MPS * CREEP_MPS + aheadMps * aheadMps);
    this.#rollN = -this.#rollPer * aheadMps;
  }

  /** How fast the tread goes over the ground, and which share of its grip a tyre takes. */
  #watch(
    i: number,
    { spin, free }: RigContact,
    load: number,
    { along, across }: ContactGround,
    slipMps: number,
    asideMps: number,
  ): void {
    this.slipMps[i] = Math.sqrt(slipMps * slipMps + asideMps * asideMps);
    if (load <= 0 || (spin === undefined && free !== 'rolls')) return;
    const a = this.#grip.alongN / along;
    const c = this.#grip.acrossN / across;
    this.gripShare[i] = Math.sqrt(a * a + c * c) / load;
  }

  /** The steps that a wheel stands against. */
  #climb({ x, y, heading }: Pose, contact: RigContact, load: number, along: number): void {
    const { kerbs } = this.#terrain;
    const c = Math.cos(heading);
    const s = Math.sin(heading);
    const px = x + c * contact.aheadM - s * contact.leftM;
    const py = y + s * contact.aheadM + c * contact.leftM;
    for (const kerb of kerbs) {
      const rise = kerbRise(kerb, contact.radiusM, px, py);
      if (rise === 0) continue;
      const off = kerb.headingRad - heading;
      const way = Math.cos(off) * this.#x + Math.sin(off) * this.#y;
      const backN = load * rise * way;
      this.#rollN -= backN;
      this.climbW += backN * along;
    }
  }

  #push({ spin, radiusM }: RigContact, along: number, aside: number, rim: number, force: Float64Array): void {
    const { alongN, acrossN } = this.#grip;
    const pushN = alongN + this.#rollN;
    const fx = pushN * this.#x - acrossN * this.#y;
    const fy = pushN * this.#y + acrossN * this.#x;
    this.pushAheadN += fx;
    this.pushLeftN += fy;
    force[0] = (force[0] as number) + fx;
    force[1] = (force[1] as number) + fy;
    force[2] = (force[2] as number) + pushN * this.#lever + acrossN * this.#leverAcross;
    this.lostW -= alongN * (spin === undefined ? along : along - rim) + acrossN * aside + this.#rollN * along;
    if (spin !== undefined) force[3 + spin] = (force[3 + spin] as number) - alongN * radiusM;
  }

  #fall({ spin, radiusM }: RigContact, falls: Float64Array): void {
    const n = this.#size;
    const x = this.#x;
    const y = this.#y;
    const l = this.#lever;
    const m = this.#leverAcross;
    const { perAlong, perAcross } = this.#grip;
    const whole = perAlong + this.#rollPer;
    // Along lies (x, y, l) of ahead, left and turning; across (−y, x, m).
    const rx = whole * x;
    const ry = whole * y;
    const rl = whole * l;
    const qx = -perAcross * y;
    const qy = perAcross * x;
    const ql = perAcross * m;
    falls[0] = (falls[0] as number) + rx * x - qx * y;
    falls[n] = (falls[n] as number) + ry * x - qy * y;
    falls[n + 1] = (falls[n + 1] as number) + ry * y + qy * x;
    falls[2 * n] = (falls[2 * n] as number) + rl * x - ql * y;
    falls[2 * n + 1] = (falls[2 * n + 1] as number) + rl * y + ql * x;
    falls[2 * n + 2] = (falls[2 * n + 2] as number) + rl * l + ql * m;
    if (spin === undefined) return;
    const row = (3 + spin) * n;
    falls[row] = (falls[row] as number) - radiusM * perAlong * x;
    falls[row + 1] = (falls[row + 1] as number) - radiusM * perAlong * y;
    falls[row + 2] = (falls[row + 2] as number) - radiusM * perAlong * l;
    falls[row + 3 + spin] = (falls[row + 3 + spin] as number) + radiusM * radiusM * perAlong;
  }
}
