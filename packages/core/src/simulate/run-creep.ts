import { NotPhysical } from '../contract/index.ts';
import { tooExtreme } from './too-extreme.ts';

/** A dolly that a drive pulls along through something that gives: gears, belt, tyres and mounts together. */
export interface CreepRig {
  readonly massKg: number;
  /** Force that makes it give way by a metre. */
  readonly stiffnessNPerM: number;
  /** Of its swinging on that spring, over critical damping. */
  readonly dampingRatio: number;
  /** Friction while it moves, and what it takes to get it moving. */
  readonly movingN: number;
  readonly breakawayN: number;
  /** A steady pull back: grade, hose, wand. */
  readonly pullN: number;
}

/** What the drive does: it turns evenly, or from step to step. */
export interface CreepDrive {
  readonly speedMps: number;
  /** Way of a step; 0 where it turns evenly. */
  readonly stepM: number;
}

/** How it crept once it had settled into it. */
export interface CreepEnd {
  /** Share of the time in which it stands. */
  readonly standsShare: number;
  /** Times that it starts from a stand. */
  readonly starts: number;
  readonly leastMps: number;
  readonly mostMps: number;
  /** Way between the farthest that it is ahead of an even motion, and the farthest behind. */
  readonly unevenM: number;
  readonly lastsS: number;
}

/** How it moves at a moment. */
interface Creep {
  readonly x: number;
  readonly v: number;
}

/** The drive's way and speed over a stretch: even until a step comes. */
interface Stretch {
  readonly fromM: number;
  readonly speedMps: number;
  readonly lastsS: number;
}

/** A swing is looked at so often, and its corners are found within so much of that, s. */
const LOOKS = 40;
const CLOSE = 1e-10;
/** Most moments of a run. */
const MOST = 2e6;

/** Where what holds at first holds no more. */
function turnOf(holds: (s: number) => boolean, toS: number, closeS: number): number {
  let [low, high] = [0, toS];
  while (high - low > closeS) {
    const middle = (low + high) / 2;
    if (holds(middle)) low = middle;
    else high = middle;
  }
  return high;
}

/** The mechanics of a rig between its corners. */
function mechanicsOf({ massKg, stiffnessNPerM: k, dampingRatio, movingN, pullN }: CreepRig) {
  const swing = Math.sqrt(k / massKg);
  const dies = dampingRatio * swing;
  const turns = swing * Math.sqrt(1 - dampingRatio ** 2);
  const damping = 2 * dampingRatio * Math.sqrt(k * massKg);
  /** What pulls it on, its friction left out, N. */
  const pulls = ({ x, v }: Creep, driveM: number, w: number): number =>
    k * (driveM - x) + damping * (w - v) - pullN;
  return {
    pulls,
    lookS: (2 * Math.PI) / swing / LOOKS,
    /** A slip one way from a place, the drive at its speed: where it has come after a while, and how its speed grows that way. */
    slip: (from: Creep, driveM: number, w: number, way: number) => {
      const rests = driveM - (way * movingN + pullN) / k;
      const [y, dy] = [from.x - rests, from.v - w];
      const b = (dy + dies * y) / turns;
      const after = (s: number): Creep => {
        const fades = Math.exp(-dies * s);
        const [cos, sin] = [Math.cos(turns * s), Math.sin(turns * s)];
        return {
          x: rests + w * s + fades * (y * cos + b * sin),
          v: w + fades * (dy * cos - (dies * b + turns * y) * sin),
        };
      };
      return {
        after,
        gains: (s: number): number => way * (pulls(after(s), driveM + w * s, w) - way * movingN),
      };
    },
  };
}

/** What is seen of a run in its second half. */
class Seen {
  stoodS = 0;
  starts = 0;
  #least = Infinity;
  #most = -Infinity;
  #ahead = -Infinity;
  #behind = Infinity;
  readonly #fromS: number;

  constructor(fromS: number) {
    this.#fromS = fromS;
  }

  look(timeS: number, { x, v }: Creep, evenMps: number): void {
    if (timeS < this.#fromS) return;
    this.#least = Math.min(this.#least, v);
    this.#most = Math.max(this.#most, v);
    const off = x - evenMps * timeS;
    this.#ahead = Math.max(this.#ahead, off);
    this.#behind = Math.min(this.#behind, off);
  }

  stood(timeS: number, forS: number): void {
    this.stoodS += Math.max(0, Math.min(forS, timeS + forS - this.#fromS));
  }

  started(timeS: number): void {
    if (timeS >= this.#fromS) this.starts += 1;
  }

  end(lastsS: number): CreepEnd {
    return {
      standsShare: this.stoodS / lastsS,
      starts: this.starts,
      leastMps: this.#least,
      mostMps: this.#most,
      unevenM: this.#ahead - this.#behind,
      lastsS,
    };
  }
}

/**
 * A dolly pulled along at a few millimetres a second: exact between its corners (sticking, slipping, steps), which are found to a
 * ten-thousand-millionth of a swing. What it does in the second half of the time is told.
 *
 * `watch` is called at every moment that is looked at.
 *
 * @throws NotPhysical where figures overflow or the time holds too many swings
 */
export function runCreep(
  rig: CreepRig,
  { speedMps, stepM }: CreepDrive,
  durationS: number,
  watch?: (timeS: number, at: Creep, driveM: number) => void,
): CreepEnd {
  const { stiffnessNPerM: k, movingN, breakawayN, pullN } = rig;
  const { pulls, lookS, slip } = mechanicsOf(rig);
  if (!(lookS > 0) || !Number.isFinite(movingN + breakawayN + pullN)) throw tooExtreme();
  const stretchS = stepM > 0 ? stepM / speedMps : durationS;
  if (durationS / lookS + durationS / stretchS > MOST)
    throw new NotPhysical(
      'too-quick',
      'It swings so quickly on what gives that this time holds too many swings: take a shorter one.',
    );
  const seen = new Seen(durationS / 2);
  let [timeS, at]: [number, Creep] = [0, { x: 0, v: 0 }];
  let stands = true;
  const look = (driveM: number): void => {
    watch?.(timeS, at, driveM);
    seen.look(timeS, at, speedMps);
  };

  const follow = ({ fromM, speedMps: w, lastsS }: Stretch): void => {
    let leftS = lastsS;
    const driveAt = (): number => fromM + w * (lastsS - leftS);
    const passed = (s: number, to: Creep): void => {
      leftS -= s;
      timeS += s;
      at = to;
    };
    while (leftS > 0) {
      const now = pulls(at, driveAt(), w);
      if (stands) {
        const untilS =
          Math.abs(now) > breakawayN ? 0 : w > 0 ? Math.max(0, breakawayN - now) / (k * w) : Infinity;
        const s = Math.min(untilS, leftS);
        seen.stood(timeS, s);
        passed(s, at);
        stands = untilS > s || leftS <= 0;
        if (!stands) seen.started(timeS);
      } else {
        // It goes the way it is pulled when it starts, until it stands.
        const way = Math.sign(at.v) || Math.sign(now) || 1;
        const s = Math.min(lookS, leftS);
        const { after, gains } = slip(at, driveAt(), w, way);
        // Where it is slowest on the way: it may stand there for a moment only.
        const slowest = gains(0) < 0 && gains(s) > 0 ? turnOf((t) => gains(t) < 0, s, CLOSE * lookS) : s;
        if (after(slowest).v * way < 0) {
          const high = turnOf((t) => after(t).v * way >= 0, slowest, CLOSE * lookS);
          passed(high, { x: after(high).x, v: 0 });
          // Held where friction is more than what pulls; else it turns round.
          stands = Math.abs(pulls(at, driveAt(), w)) <= breakawayN;
        } else passed(s, after(s));
      }
      look(driveAt());
    }
  };

  look(0);
  if (stepM > 0)
    for (let step = 1; timeS < durationS - CLOSE; step += 1)
      follow({ fromM: step * stepM, speedMps: 0, lastsS: Math.min(stretchS, durationS - timeS) });
  else follow({ fromM: 0, speedMps, lastsS: durationS });
  if (!Number.isFinite(at.x)) throw tooExtreme();
  return seen.end(durationS / 2);
}
