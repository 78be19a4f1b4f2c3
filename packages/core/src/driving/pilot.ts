import type { Control } from '../vehicle/index.ts';
import type { CourseMove } from './course.ts';
import type { Motion } from './motion.ts';
import { Pursuit } from './pursuit.ts';
import type { ContactGround, Led } from './rig.ts';
import type { Sensors } from './sensors.ts';
import { Steersman, type Twist } from './twist.ts';

/** Slower than this it stands, m/s. */
const STANDS_MPS = 0.003;
/** It is waited for at most so long, s. */
const STANDS_WITHIN_S = 3;
/** A wheel that turns less than this, m/s, with more than this share of command on it, is held. */
const HELD_MPS = 0.005;
const COMMANDED = 0.08;
/** On the spot, where no speed is said, rims run at this share of the course's (common practice, no source). */
const SPOT_SHARE = 0.5;

const STILL: Twist = { aheadMps: 0, turnRadS: 0 };

/** Why a pilot gave up. */
export type GaveUp = 'stalled' | 'move-too-long' | 'battery-low';

/**
 * Drives a rig over the moves of a course by what its controller reads: at each loop it sets commands and steering, and goes on
 * to the next move when it takes the one before for done.
 */
export class Pilot {
  /** Which move it is at; as many as there are once all are done. */
  at = 0;
  gaveUp: GaveUp | undefined;
  /** How long each move took, s. */
  readonly took: number[] = [];
  readonly #led: Led;
  readonly #moves: readonly CourseMove[];
  readonly #control: Control;
  readonly #times: readonly number[] | undefined;
  readonly #steersman: Steersman;
  readonly #sensors: Sensors;
  readonly #pursuit: Pursuit;
  readonly #commands: Float64Array;
  readonly #behind: Float64Array;
  readonly #heldS: Float64Array;
  #ahead = 0;
  #beganS = 0;
  #overS: number | undefined;

  constructor(
    led: Led,
    moves: readonly CourseMove[],
    control: Control,
    sensors: Sensors,
    ground: { readonly footings: readonly ContactGround[]; readonly loadN: Float64Array },
    times: readonly number[] | undefined,
  ) {
    this.#led = led;
    this.#moves = moves;
    this.#control = control;
    this.#times = times;
    this.#sensors = sensors;
    this.#steersman = new Steersman(led, ground.footings, ground.loadN);
    this.#pursuit = new Pursuit(led, this.#steersman.mostCurvature);
    this.#commands = new Float64Array(led.rig.motors.length);
    this.#behind = new Float64Array(led.rig.motors.length);
    this.#heldS = new Float64Array(led.rig.motors.length);
  }

  /** Whether all is done, or given up. */
  get done(): boolean {
    return this.gaveUp !== undefined || this.at >= this.#moves.length;
  }

  /** Whether it stands because it is meant to. */
  get waits(): boolean {
    return this.#moves[this.at]?.does === 'wait';
  }

  /** One loop, at a time of the run. */
  loop(motion: Motion, timeS: number): void {
    this.#sensors.read(motion, timeS);
    if (this.#control.cutOffV !== undefined && motion.circuit.batteryV < this.#control.cutOffV)
      this.gaveUp = 'battery-low';
    if (!this.done) this.#moveOn(motion, timeS);
    const move = this.done || this.#overS !== undefined ? undefined : this.#moves[this.at];
    if (move?.does === 'free') this.#set(motion, this.#freely(move));
    else this.#drive(motion, move === undefined ? STILL : this.#twistOf(move));
    this.#watchForStall(motion);
  }

  /** Past a move that is done: at once, or once it stands, where the next begins from rest. */
  #moveOn(motion: Motion, timeS: number): void {
    const move = this.#moves[this.at];
    if (move === undefined) return;
    const { moveWithinS } = this.#control;
    if (moveWithinS !== undefined && timeS - this.#beganS > moveWithinS) {
      this.gaveUp = 'move-too-long';
      return;
    }
    if (this.#overS === undefined && this.#isOver(move, timeS)) {
      this.took[this.at] = timeS - this.#beganS;
      this.#overS = timeS;
    }
    if (this.#overS === undefined) return;
    const next = this.#moves[this.at + 1];
    const waits = stopsBetween(move, next) && timeS - this.#overS < STANDS_WITHIN_S;
    if (
      waits &&
      (Math.abs(motion.aheadMps) > STANDS_MPS || Math.abs(motion.speeds[2] ?? 0) > STANDS_MPS * 10)
    )
      return;
    this.at += 1;
    this.#beganS = timeS;
    this.#overS = undefined;
    this.#ahead = 0;
    this.#behind.fill(0);
    this.#sensors.beginMove();
  }

  #isOver(move: CourseMove, timeS: number): boolean {
    const since = timeS - this.#beganS;
    if (move.does === 'wait' || move.does === 'free') return since >= move.seconds - 1e-9;
    const { ends } = this.#control;
    if (ends === 'time') return since >= (this.#times?.[this.at] ?? Infinity);
    if (move.does === 'follow') return this.#pursuit.isThrough(move.spots, this.#sensors.place);
    if (move.does === 'go') return this.#sensors.wayM >= Math.abs(move.distanceM);
    return Math.abs(this.#sensors.turnedRad) >= Math.abs(move.angleRad);
  }

  #twistOf(move: Exclude<CourseMove, { does: 'free' }>): Twist {
    switch (move.does) {
      case 'wait':
        return STILL;
      case 'go':
        return { aheadMps: Math.sign(move.distanceM) * move.speedMps, turnRadS: 0 };
      case 'follow':
        return this.#pursuit.twistFor(move.spots, this.#sensors.place, move.speedMps);
      case 'turn':
        return this.#turning(move);
    }
  }

  #turning({ angleRad, radiusM, speedMps }: Extract<CourseMove, { does: 'turn' }>): Twist {
    const side = Math.sign(angleRad);
    const most = this.#steersman.mostCurvature;
    if (radiusM === 0 && most === Infinity)
      return { aheadMps: 0, turnRadS: (side * SPOT_SHARE * speedMps) / this.#pursuit.reachM };
    const curvature = Math.min(most, radiusM === 0 ? Infinity : 1 / radiusM);
    return { aheadMps: speedMps, turnRadS: side * speedMps * curvature };
  }

  /** Commands and steering for a twist, mended by what the sensors say. */
  #drive(motion: Motion, meant: Twist): void {
    const { heading, sync, speed, loopTimeS } = this.#control;
    const { rig } = this.#led;
    const moves = meant.aheadMps !== 0 || meant.turnRadS !== 0;
    const straight = moves && meant.turnRadS === 0;
    const off = heading && straight ? heading.kp * this.#sensors.headingOff : 0;
    const bends = rig.contacts.some(({ steered }) => steered);
    const twist = bends && off !== 0 ? { ...meant, turnRadS: -off * Math.abs(meant.aheadMps) } : meant;
    rig.contacts.forEach((contact, i) => {
      if (contact.steered && moves) motion.steerTo[i] = this.#steersman.pointOf(contact, twist);
    });
    const commands = this.#steersman.commandsFor(twist);
    rig.motors.forEach((motor, m) => {
      const target = this.#steersman.rimOf(motor, twist);
      if (speed && moves) {
        const slow = target - this.#sensors.rimMps(m);
        this.#behind[m] = (this.#behind[m] ?? 0) + slow * loopTimeS;
        commands[m] = (commands[m] ?? 0) + speed.kp * slow + speed.ki * (this.#behind[m] ?? 0);
      }
      const side = motor.side === 'left' ? 1 : motor.side === 'right' ? -1 : 0;
      if (!bends) commands[m] = (commands[m] ?? 0) + side * off;
    });
    if (sync && moves) this.#holdTogether(commands, twist, sync);
    this.#set(motion, commands);
  }

  /** Left and right to the turns they are meant to have done, each by its own speed. */
  #holdTogether(commands: number[], twist: Twist, { kp, ki }: NonNullable<Control['sync']>): void {
    const { motors } = this.#led.rig;
    const side = (which: 'left' | 'right') =>
      motors.flatMap((motor, m) =>
        motor.side === which ? [{ m, rim: this.#steersman.rimOf(motor, twist) }] : [],
      );
    const [left, right] = [side('left'), side('right')];
    const [first, second] = [left[0], right[0]];
    if (!first || !second || first.rim === 0 || second.rim === 0) return;
    const turns = (of: typeof left): number =>
      of.reduce((sum, { m }) => sum + this.#sensors.turns(m), 0) / of.length;
    const mean = (Math.abs(first.rim) + Math.abs(second.rim)) / 2;
    const ahead = turns(left) * (mean / first.rim) - turns(right) * (mean / second.rim);
    this.#ahead += ahead * this.#control.loopTimeS;
    const c = kp * ahead + ki * this.#ahead;
    for (const { m, rim } of left) commands[m] = (commands[m] ?? 0) - c * Math.sign(rim);
    for (const { m, rim } of right) commands[m] = (commands[m] ?? 0) + c * Math.sign(rim);
  }

  #freely({ left, right }: Extract<CourseMove, { does: 'free' }>): number[] {
    return this.#led.rig.motors.map(({ side }) =>
      side === 'left' ? left : side === 'right' ? right : (left + right) / 2,
    );
  }

  /** Never past what the controller lets through, nor changed faster than it may. */
  #set(motion: Motion, commands: readonly number[]): void {
    const { cap, slewPerS, loopTimeS } = this.#control;
    const most = Math.min(cap, this.#led.rig.commandShare);
    const change = slewPerS === undefined ? Infinity : slewPerS * loopTimeS;
    commands.forEach((command, m) => {
      const before = this.#commands[m] ?? 0;
      const held = Math.max(-most, Math.min(most, command));
      const next = before + Math.max(-change, Math.min(change, held - before));
      this.#commands[m] = next;
      motion.commands[m] = next;
    });
  }

  #watchForStall(motion: Motion): void {
    const { stallAfterS, loopTimeS } = this.#control;
    if (stallAfterS === undefined) return;
    motion.commands.forEach((command, m) => {
      const held = Math.abs(command) > COMMANDED && Math.abs(this.#sensors.rimMps(m)) < HELD_MPS;
      this.#heldS[m] = held ? (this.#heldS[m] ?? 0) + loopTimeS : 0;
      if ((this.#heldS[m] ?? 0) >= stallAfterS) this.gaveUp = 'stalled';
    });
  }
}

/** Whether a move must have come to rest before the next begins. */
function stopsBetween(move: CourseMove, next: CourseMove | undefined): boolean {
  if (next === undefined || next.does === 'wait') return true;
  const way = (one: CourseMove): number =>
    one.does === 'go' ? Math.sign(one.distanceM) : one.does === 'turn' && one.radiusM === 0 ? 0 : 1;
  return way(move) !== way(next);
}
