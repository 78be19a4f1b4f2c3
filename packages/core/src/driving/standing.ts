import { supportArea, frameLoads, supportLoads, type FrameLoads } from '../ground/index.ts';
import { STANDARD_GRAVITY } from '../quantity/index.ts';
import type { Rig } from './rig.ts';

/** How soon weight has shifted from wheel to wheel: that of a tyre and frame (common practice, no source), s. */
const SHIFTS_WITHIN_S = 0.02;

interface Edge {
  /** Out of the support, square to the edge. */
  readonly outX: number;
  readonly outY: number;
  /** From the centre of gravity to the edge. */
  readonly awayM: number;
}

/**
 * How the weight of a rig lies on its contacts as it speeds up, slows and turns, and whether it goes over. The push of the
 * ground shifts the weight at once but for the give of its tyres; past an edge of its support it turns about that edge, back
 * or over.
 *
 * Source: statics of equally stiff contacts under a rigid frame; a rigid body turning about an edge.
 */
export class Standing {
  /** Weight on each contact, N. */
  readonly loadN: Float64Array;
  /** How far it has turned about an edge, rad. */
  leanRad = 0;
  tipped = false;
  /** Whether a contact has left the ground. */
  lifts = false;
  readonly #rig: Rig;
  readonly #frame: FrameLoads;
  readonly #edges: readonly Edge[];
  #shiftX = 0;
  #shiftY = 0;
  #leanRadS = 0;

  constructor(rig: Rig) {
    this.#rig = rig;
    this.loadN = new Float64Array(rig.contacts.length);
    this.#frame = frameLoads(rig.contacts);
    this.#edges = edgesOf(rig);
    this.shift(0, 0, 1, 0);
  }

  /**
   * After a step: what the ground pushes ahead and to the left, N, and the share of the weight that presses square on it. At
   * once where no time passed.
   */
  shift(aheadN: number, leftN: number, pressing: number, seconds: number): void {
    const { massKg, cgHeightM, heldUpright } = this.#rig;
    const weightN = massKg * STANDARD_GRAVITY * pressing;
    const now = seconds === 0 ? 1 : 1 - Math.exp(-seconds / SHIFTS_WITHIN_S);
    this.#shiftX += now * (-(aheadN * cgHeightM) / weightN - this.#shiftX);
    this.#shiftY += now * ((heldUpright ? 0 : -(leftN * cgHeightM) / weightN) - this.#shiftY);
    this.#share(weightN);
    if (seconds > 0) this.#turnOver(weightN, seconds);
  }

  #share(weightN: number): void {
    const { share, perAhead, perLeft } = this.#frame;
    const { loadN } = this;
    this.lifts = false;
    for (let i = 0; i < loadN.length; i += 1) {
      const load =
        weightN *
        ((share[i] as number) +
          (perAhead[i] as number) * this.#shiftX +
          (perLeft[i] as number) * this.#shiftY);
      loadN[i] = load;
      if (load < -1e-9 * weightN) this.lifts = true;
    }
    if (this.lifts) this.#letGo(weightN);
  }

  /** Contacts that would pull let go; past the edge of its support it stands on the nearest of them alone. */
  #letGo(weightN: number): void {
    const { contacts } = this.#rig;
    const bearing = { forceN: weightN, aheadM: this.#shiftX, leftM: this.#shiftY };
    const { loadsN, stands } = supportLoads(contacts, bearing);
    if (stands) {
      for (let i = 0; i < loadsN.length; i += 1) this.loadN[i] = Math.max(0, loadsN[i] as number);
      return;
    }
    const carried = loadsN.reduce((sum, load) => sum + Math.max(0, load), 0);
    for (let i = 0; i < loadsN.length; i += 1)
      this.loadN[i] = (Math.max(0, loadsN[i] as number) * weightN) / carried;
  }

  #turnOver(weightN: number, seconds: number): void {
    const { massKg, cgHeightM, rollInertiaKgM2 } = this.#rig;
    let pastM = -Infinity;
    let awayM = 0;
    for (const edge of this.#edges) {
      const past = this.#shiftX * edge.outX + this.#shiftY * edge.outY - edge.awayM;
      if (past > pastM) {
        pastM = past;
        awayM = edge.awayM;
      }
    }
    if (pastM <= 0 && this.leanRad <= 0) return;
    const inertia = massKg * (cgHeightM ** 2 + awayM ** 2) + rollInertiaKgM2;
    // Leaning carries its centre of gravity towards the edge, and over it.
    this.#leanRadS += seconds * ((weightN * (pastM + cgHeightM * this.leanRad)) / inertia);
    this.leanRad += seconds * this.#leanRadS;
    if (this.leanRad <= 0) {
      this.leanRad = 0;
      this.#leanRadS = 0;
    }
    this.tipped ||= this.leanRad > Math.atan2(awayM, cgHeightM) && this.leanRad > MOST_LEAN;
  }
}

/** Leaning less than this it is not called tipped, whatever stands under it, rad. */
const MOST_LEAN = 0.02;

function edgesOf({ contacts, heldUpright }: Rig): Edge[] {
  const corners = supportArea(contacts);
  if (corners.length < 3 || heldUpright) return [];
  return corners.map((a, at) => {
    const b = corners[(at + 1) % corners.length] ?? a;
    const length = Math.hypot(b.aheadM - a.aheadM, b.leftM - a.leftM);
    const outX = (b.leftM - a.leftM) / length;
    const outY = -(b.aheadM - a.aheadM) / length;
    return { outX, outY, awayM: outX * a.aheadM + outY * a.leftM };
  });
}
