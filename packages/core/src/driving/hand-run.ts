import { groundOf } from '../demand/index.ts';
import { tooExtreme } from '../simulate/index.ts';
import { courseOf, type Build } from '../vehicle/index.ts';
import { dutyOfCourse } from './drive-build.ts';
import { Motion } from './motion.ts';
import { rigOf, type DrivenRig } from './rig-of-build.ts';
import { terrainOf } from './terrain-of-course.ts';
import { Steersman } from './twist.ts';

/** What a hand asks, each from −1 to 1: of both sides, or ahead and to the right of a vehicle that is steered. */
export interface Hand {
  readonly left: number;
  readonly right: number;
  /** To the right positive, a share of the lock; of what has no steered wheels nothing comes of it. */
  readonly steer: number;
}

/** From a moment on. */
export interface HandAt extends Hand {
  readonly s: number;
}

/** Hands off. */
export const HANDS_OFF: Hand = { left: 0, right: 0, steer: 0 };

/** Without a word over its link for so long a vehicle stops by itself (common practice, no source), s. */
export const FAIL_SAFE_S = 0.3;
/** A command is sent so often, s. */
const SENT_EVERY_S = 0.02;
/** Speed that steered wheels are pointed for: which way they point does not hang on it. */
const ANY_MPS = 1;

/** Where it is, and what it draws. */
export interface HandState {
  readonly s: number;
  /** The middle, x ahead and y left of the start, and the heading, to the left positive. */
  readonly x: number;
  readonly y: number;
  readonly heading: number;
  readonly mps: number;
  readonly batteryA: number;
  readonly batteryV: number;
  readonly slips: boolean;
  readonly tipped: boolean;
  /** Stopped because nothing came over its link. */
  readonly failSafe: boolean;
}

/** A wheel whose tread goes over the ground faster than this is told to slip, m/s. */
const SLIPS_MPS = 0.1;

/**
 * A build driven by hand, in whatever time passes: the hand's commands go over a link to a vehicle that stops by itself when
 * none come. What was asked is kept, and can be driven again.
 */
export class HandRun {
  readonly driven: DrivenRig;
  readonly recorded: HandAt[] = [];
  readonly #motion: Motion;
  readonly #steersman: Steersman;
  #timeS = 0;
  #heardS = 0;
  #hand: Hand = HANDS_OFF;

  /** Throws where the build is not driven: ask `whyNotDriven` before. */
  constructor(build: Build) {
    const duty = dutyOfCourse(build);
    const driven = duty && rigOf(build, duty.payloadShare.value);
    if (!driven) throw new RangeError('this build is not driven by hand');
    const terrain = terrainOf(build, courseOf([{ kind: 'wait', seconds: 0 }]), groundOf(build, duty));
    this.driven = driven;
    this.#motion = new Motion(driven.rig, terrain);
    this.#motion.begin({ x: -driven.middleAheadM, y: -driven.middleLeftM, heading: 0 });
    this.#steersman = new Steersman(driven, terrain.pieces[0]?.footings ?? [], this.#motion.standing.loadN);
  }

  /**
   * Lets time pass under a hand; undefined where the link is cut.
   *
   * @throws NotPhysical where figures overflow
   */
  pass(seconds: number, hand: Hand | undefined): HandState {
    const until = this.#timeS + seconds;
    while (this.#timeS < until - 1e-9 && !this.#motion.standing.tipped) {
      if (hand) this.#hear(hand);
      this.#command();
      const step = Math.min(SENT_EVERY_S, until - this.#timeS);
      this.#motion.go(step);
      this.#timeS += step;
      const { x, y, heading } = this.#motion.pose;
      if (!Number.isFinite(x + y + heading)) throw tooExtreme();
    }
    this.#timeS = until;
    return this.state;
  }

  get state(): HandState {
    const { pose, circuit, standing, ground, rig, aheadMps } = this.#motion;
    const [c, s] = [Math.cos(pose.heading), Math.sin(pose.heading)];
    const { middleAheadM: a, middleLeftM: l } = this.driven;
    return {
      s: this.#timeS,
      x: pose.x + c * a - s * l,
      y: pose.y + s * a + c * l,
      heading: pose.heading,
      mps: aheadMps,
      batteryA: circuit.batteryA,
      batteryV: circuit.batteryV,
      slips: rig.contacts.some(({ spin }, i) => spin !== undefined && (ground.slipMps[i] ?? 0) > SLIPS_MPS),
      tipped: standing.tipped,
      failSafe: this.#isCut,
    };
  }

  get #isCut(): boolean {
    return this.#timeS - this.#heardS > FAIL_SAFE_S;
  }

  #hear(hand: Hand): void {
    this.#heardS = this.#timeS;
    const { left, right, steer } = this.#hand;
    if (hand.left !== left || hand.right !== right || hand.steer !== steer)
      this.recorded.push({ s: this.#timeS, ...hand });
    this.#hand = hand;
  }

  #command(): void {
    const { left, right, steer } = this.#isCut ? HANDS_OFF : this.#hand;
    const { rig } = this.driven;
    const most = rig.commandShare;
    rig.motors.forEach(({ side }, m) => {
      const asked = side === 'left' ? left : side === 'right' ? right : (left + right) / 2;
      this.#motion.commands[m] = Math.max(-most, Math.min(most, asked));
    });
    const curvature = Math.min(this.#steersman.mostCurvature, 1 / this.#reachM) * -steer;
    rig.contacts.forEach((contact, i) => {
      if (contact.steered)
        this.#motion.steerTo[i] = this.#steersman.pointOf(contact, {
          aheadMps: ANY_MPS,
          turnRadS: ANY_MPS * curvature,
        });
    });
  }

  /** Narrowest bend that a hand asks of wheels that point any way: about its own reach. */
  get #reachM(): number {
    const { rig, middleAheadM } = this.driven;
    return Math.max(1e-3, ...rig.contacts.map(({ aheadM }) => Math.abs(aheadM - middleAheadM)));
  }
}

/**
 * Drives again what a hand did, to a moment.
 *
 * @example replayed(puffin, [{ s: 0, left: 0.5, right: 0.5, steer: 0 }], 1).tipped // false
 */
export function replayed(build: Build, recorded: readonly HandAt[], untilS: number): HandState {
  const run = new HandRun(build);
  let hand: Hand = HANDS_OFF;
  const marks = [...recorded.filter(({ s }) => s < untilS).map(({ s }) => s), untilS];
  for (const [n, mark] of marks.entries()) {
    run.pass(mark - run.state.s, hand);
    hand = recorded[n] ?? hand;
  }
  return run.state;
}
