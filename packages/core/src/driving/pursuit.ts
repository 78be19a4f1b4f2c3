import type { Spot } from './course.ts';
import type { Led } from './rig.ts';
import type { Pose } from './ground-forces.ts';
import type { Twist } from './twist.ts';

/** So far ahead it aims, in seconds of its speed; never nearer than its own reach (common practice, no source). */
const AIMS_S = 0.6;
/** Beyond this off its aim, what can turns on the spot first, rad. */
const TURNS_FIRST = 1;

/**
 * Steers along a list of places by an arc to a place ahead of it on the line.
 *
 * Source: pure pursuit, R. C. Coulter, CMU-RI-TR-92-01 (from memory).
 */
export class Pursuit {
  /** From the middle to its outermost driven or steered wheel, m. */
  readonly reachM: number;
  readonly #onTheSpot: boolean;
  readonly #mostCurvature: number;
  #next = 0;
  #from: Spot = { x: 0, y: 0 };
  #line: readonly Spot[] | undefined;

  constructor({ rig, middleAheadM, middleLeftM, onTheSpot }: Led, mostCurvature: number) {
    this.reachM = Math.max(
      1e-3,
      ...rig.contacts
        .filter(({ spin, steered }) => spin !== undefined || steered)
        .map(({ aheadM, leftM }) =>
          onTheSpot ? Math.abs(leftM - middleLeftM) : Math.abs(aheadM - middleAheadM),
        ),
    );
    this.#onTheSpot = onTheSpot;
    this.#mostCurvature = mostCurvature;
  }

  /** Whether the last place is passed. */
  isThrough(spots: readonly Spot[], place: Readonly<Pose>): boolean {
    this.#begin(spots, place);
    this.#passOn(spots, place);
    return this.#next >= spots.length;
  }

  /** How to move to come along the line. */
  twistFor(spots: readonly Spot[], place: Readonly<Pose>, speedMps: number): Twist {
    this.#begin(spots, place);
    this.#passOn(spots, place);
    const aim = this.#aim(spots, place, Math.max(this.reachM, AIMS_S * speedMps));
    const [c, s] = [Math.cos(place.heading), Math.sin(place.heading)];
    const [dx, dy] = [aim.x - place.x, aim.y - place.y];
    const [ahead, left] = [c * dx + s * dy, c * dy - s * dx];
    const away = Math.hypot(ahead, left);
    const off = Math.atan2(left, ahead);
    if (this.#onTheSpot && Math.abs(off) > TURNS_FIRST)
      return { aheadMps: 0, turnRadS: (Math.sign(off) * speedMps) / (2 * this.reachM) };
    const wanted = (2 * left) / Math.max(1e-9, away * away);
    const curvature = Math.max(-this.#mostCurvature, Math.min(this.#mostCurvature, wanted));
    // Its outer wheel no faster than the speed that is asked.
    const aheadMps = speedMps / (1 + (this.#onTheSpot ? Math.abs(curvature) * this.reachM : 0));
    return { aheadMps, turnRadS: aheadMps * curvature };
  }

  #begin(spots: readonly Spot[], place: Readonly<Pose>): void {
    if (this.#line === spots) return;
    this.#line = spots;
    this.#next = 0;
    this.#from = place;
  }

  /** Goes on to the next place once the line square to its leg is passed. */
  #passOn(spots: readonly Spot[], place: Readonly<Pose>): void {
    for (let to = spots[this.#next]; to !== undefined; to = spots[this.#next]) {
      const from = this.#next === 0 ? this.#from : (spots[this.#next - 1] ?? this.#from);
      const [lx, ly] = [to.x - from.x, to.y - from.y];
      if ((place.x - to.x) * lx + (place.y - to.y) * ly < 0) return;
      this.#next += 1;
    }
  }

  /** A place on the line so far ahead. */
  #aim(spots: readonly Spot[], place: Readonly<Pose>, reachM: number): Spot {
    let from = this.#next === 0 ? this.#from : (spots[this.#next - 1] ?? this.#from);
    let last: Spot = from;
    for (const to of spots.slice(this.#next)) {
      const length = Math.hypot(to.x - from.x, to.y - from.y);
      const along =
        length === 0
          ? 0
          : ((place.x - from.x) * (to.x - from.x) + (place.y - from.y) * (to.y - from.y)) / length;
      const near = Math.max(0, Math.min(length, along));
      const beside = Math.hypot(
        from.x + ((to.x - from.x) * near) / Math.max(1e-12, length) - place.x,
        from.y + ((to.y - from.y) * near) / Math.max(1e-12, length) - place.y,
      );
      const on = near + Math.sqrt(Math.max(0, reachM * reachM - beside * beside));
      last = to;
      if (on <= length && length > 0)
        return { x: from.x + ((to.x - from.x) * on) / length, y: from.y + ((to.y - from.y) * on) / length };
      from = to;
    }
    return last;
  }
}
