import type { Rig, Terrain } from './rig.ts';

/** Steps are no longer, s; over kerbs, which a wheel must meet, they stay short. */
const LONGEST_S = 0.004;
/** The shortest step, s: what still misses by more there is taken as it is. */
export const SHORTEST_S = 1e-5;
const FIRST_S = 1e-4;
const KERB_S = 0.001;
/** A castor swings in a step by no more of its trail. */
const SWINGS = 0.2;
/** Difference of two orders that is let pass, m/s. */
const MISS_MPS = 0.0015;
/** A step that misses less than this share of that is followed by a longer one. */
const EASY = 1 / 8;

/** How long the steps of a motion may be: as long as what happens in them allows. */
export class StepLength {
  /** Steps that were taken and held. */
  taken = 0;
  readonly #overKerbs: boolean;
  readonly #leastTrailM: number;
  #now = FIRST_S;

  constructor({ contacts }: Rig, { kerbs }: Terrain) {
    this.#overKerbs = kerbs.length > 0;
    this.#leastTrailM = Math.min(
      ...contacts.filter(({ free }) => free === 'swings').map(({ trailM }) => trailM),
    );
  }

  /** The next step of what is left of a time, at a speed: a whole part of it. */
  next(leftS: number, aheadMps: number): number {
    const swung =
      this.#leastTrailM === Infinity ? Infinity : (SWINGS * this.#leastTrailM) / (Math.abs(aheadMps) + 1e-9);
    const most = Math.max(SHORTEST_S, Math.min(this.#overKerbs ? KERB_S : LONGEST_S, swung));
    return leftS / Math.ceil(leftS / Math.min(this.#now, most) - 1e-9);
  }

  /** Whether a step holds whose two orders part by so much; the next is halved where not, and longer where it was easy. */
  holds(missedMps: number, h: number): boolean {
    // What is halved is no longer than it was, whatever its rounding: the shortest holds always.
    if (missedMps > MISS_MPS && h > 1.5 * SHORTEST_S) {
      this.#now = h / 2;
      return false;
    }
    if (missedMps < MISS_MPS * EASY) this.#now = Math.min(LONGEST_S, 2 * Math.max(h, this.#now / 2));
    this.taken += 1;
    return true;
  }
}
