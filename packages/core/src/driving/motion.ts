import { AIR_DENSITY, STANDARD_GRAVITY } from '../quantity/index.ts';
import { DriveCircuit } from './circuit.ts';
import { EnergyLedger, type Energies } from './energies.ts';
import { GroundForces, type Pose } from './ground-forces.ts';
import { armsOf, massMatrix } from './mass-matrix.ts';
import type { Rig, RigMotor, Terrain } from './rig.ts';
import { Standing } from './standing.ts';
import { SHORTEST_S, StepLength } from './step-length.ts';
import { SteeringGear } from './steering-gear.ts';
import { SymmetricSolver } from './symmetric-solver.ts';

/** Rosenbrock's γ of a method that damps what is stiff away: 1 − 1/√2. */
const GAMMA = 1 - Math.SQRT1_2;

/**
 * A rig that drives over the ground: its place and heading, its speeds, its wheels' turning, one step after the other. What is
 * stiff (a tyre that hardly slips) is solved with the step: Rosenbrock's two-stage method of order 2, which damps it, right for
 * any matrix. Nothing is made anew in a step: a hundred runs are a million of them.
 *
 * Source: J. G. Verwer, E. J. Spee, J. G. Blom and W. Hundsdorfer, SIAM J. Sci. Comput. 20, 1999 (ROS2, from memory); a rigid
 * body in the plane.
 */
export class Motion {
  readonly rig: Rig;
  /** Of the centre of gravity, from the start. */
  readonly pose: Pose = { x: 0, y: 0, heading: 0 };
  /** Ahead, to the left, of turning, then of each spin, rad/s: in the frame of the rig, so that a steady bend is steady. */
  readonly speeds: Float64Array;
  /** How far each spin has turned, rad. */
  readonly turned: Float64Array;
  /** Direction of each steered wheel and castor, to the left positive, and where each steered one is told to point. */
  readonly points: Float64Array;
  readonly steerTo: Float64Array;
  /** Of each motor, from −1 to 1. */
  readonly commands: Float64Array;
  readonly circuit: DriveCircuit;
  readonly ground: GroundForces;
  readonly standing: Standing;
  /** A steady pull back at the hitch, or of what it pushes, N. */
  pullN = 0;
  /** Told of every moment that is worked out, and of the time since the one before. */
  watch: ((sinceS: number) => void) | undefined;
  readonly #terrain: Terrain;
  readonly #mass: Float64Array;
  readonly #solver: SymmetricSolver;
  readonly #arm: Float64Array;
  readonly #force: Float64Array;
  readonly #first: Float64Array;
  readonly #second: Float64Array;
  readonly #stage: Float64Array;
  readonly #between: Pose = { x: 0, y: 0, heading: 0 };
  readonly #swung: Float64Array;
  readonly #pointed: Float64Array;
  readonly #gear: SteeringGear;
  readonly #motorSpeeds: Float64Array;
  readonly #applied: Float64Array;
  readonly #ledger = new EnergyLedger();
  #airW = 0;
  #heightW = 0;
  #pressing = 1;
  /** Since what the ground took was last counted. */
  #sinceS = 0;
  readonly #length: StepLength;

  constructor(rig: Rig, terrain: Terrain) {
    const [places, size] = [rig.contacts.length, 3 + rig.spins.length];
    this.rig = rig;
    this.#terrain = terrain;
    this.speeds = new Float64Array(size);
    this.turned = new Float64Array(rig.spins.length);
    this.points = new Float64Array(places);
    this.steerTo = new Float64Array(places);
    this.commands = new Float64Array(rig.motors.length);
    this.circuit = new DriveCircuit(rig);
    this.ground = new GroundForces(rig, terrain);
    this.standing = new Standing(rig);
    this.#mass = massMatrix(rig);
    this.#solver = new SymmetricSolver(size);
    this.#arm = armsOf(rig);
    this.#force = new Float64Array(size);
    this.#first = new Float64Array(size);
    this.#second = new Float64Array(size);
    this.#stage = new Float64Array(size);
    this.#swung = new Float64Array(places);
    this.#pointed = new Float64Array(places);
    this.#gear = new SteeringGear(rig, this.points, this.steerTo);
    this.#applied = new Float64Array(rig.motors.length);
    this.#motorSpeeds = new Float64Array(rig.motors.length);
    this.#length = new StepLength(rig, terrain);
    this.ground.lookAround(this.pose);
  }

  /** Where energy went until the last moment that was counted. */
  get energies(): Readonly<Energies> {
    return this.#ledger.energies;
  }

  /** Ahead over the ground, m/s. */
  get aheadMps(): number {
    return this.speeds[0] as number;
  }

  /** Stands it somewhere, before its first step. */
  begin({ x, y, heading }: Pose): void {
    Object.assign(this.pose, { x, y, heading });
    this.#gear.begin();
    this.ground.lookAround(this.pose);
  }

  /** Counts what the last step took, at the end of a run. */
  finish(): void {
    this.#forces(this.pose, this.speeds, undefined);
    this.#account();
  }

  /** Energy of all that moves, J. */
  get kineticJ(): number {
    this.#solver.times(this.#mass, this.speeds, this.#second);
    return this.speeds.reduce((sum, speed, a) => sum + 0.5 * speed * (this.#second[a] as number), 0);
  }

  /** Speed of a motor, rad/s. */
  motorSpeed({ ratio, turns }: RigMotor, speeds: Float64Array = this.speeds): number {
    let mean = 0;
    for (let k = 0; k < turns.length; k += 1) {
      const { spin, share } = turns[k] as RigMotor['turns'][number];
      mean += share * (speeds[3 + spin] as number);
    }
    return ratio * mean;
  }

  /** Goes on for a time under the same commands, in steps as long as what happens in them allows. */
  go(seconds: number): void {
    // What the ground took until now it took of wheels that pointed as they did.
    if (this.#gear.turns) this.finish();
    this.#gear.turn(seconds);
    this.#command();
    let left = seconds;
    while (left > SHORTEST_S) {
      const h = this.#length.next(left, this.aheadMps);
      if (this.#advance(h)) left -= h;
    }
  }

  /** How many steps it has taken. */
  get steps(): number {
    return this.#length.taken;
  }

  /** One step; leaves all as it was, and says no, where more happens in it than it can follow. */
  #advance(h: number): boolean {
    const { speeds, pose } = this;
    const first = this.#first;
    const second = this.#second;
    const stage = this.#stage;
    const between = this.#between;
    const size = speeds.length;
    this.#solver.falls.fill(0);
    this.#forces(pose, speeds, this.#solver.falls);
    this.#solver.factor(this.#mass, GAMMA * h);
    this.#solver.solve(this.#force, first);
    for (let a = 0; a < size; a += 1) stage[a] = (speeds[a] as number) + h * (first[a] as number);
    const c = Math.cos(pose.heading);
    const s = Math.sin(pose.heading);
    const vx = c * (speeds[0] as number) - s * (speeds[1] as number);
    const vy = s * (speeds[0] as number) + c * (speeds[1] as number);
    between.x = pose.x + h * vx;
    between.y = pose.y + h * vy;
    between.heading = pose.heading + h * (speeds[2] as number);
    this.#account();
    this.#swing(h);
    this.#forces(between, stage, undefined);
    this.#solver.times(this.#mass, first, second);
    for (let a = 0; a < size; a += 1) this.#force[a] = (this.#force[a] as number) - 2 * (second[a] as number);
    this.#solver.solve(this.#force, second);
    if (!this.#length.holds(this.#missed(h), h)) {
      // The castors as they were.
      this.#swing(0);
      return false;
    }
    this.#swing(-0.5 * h);
    const d = Math.cos(between.heading);
    const e = Math.sin(between.heading);
    pose.x += 0.5 * h * (vx + d * (stage[0] as number) - e * (stage[1] as number));
    pose.y += 0.5 * h * (vy + e * (stage[0] as number) + d * (stage[1] as number));
    pose.heading += 0.5 * h * ((speeds[2] as number) + (stage[2] as number));
    for (let k = 0; k < this.turned.length; k += 1)
      this.turned[k] =
        (this.turned[k] as number) + 0.5 * h * ((speeds[3 + k] as number) + (stage[3 + k] as number));
    for (let a = 0; a < size; a += 1)
      speeds[a] = (speeds[a] as number) + h * (1.5 * (first[a] as number) + 0.5 * (second[a] as number));
    this.#settle(h);
    return true;
  }

  /** By how much the step of order 2 and the one of order 1 in it part, at most, in m/s at rims and corners. */
  #missed(h: number): number {
    const first = this.#first;
    const second = this.#second;
    let most = 0;
    for (let a = 0; a < first.length; a += 1) {
      const apart = Math.abs((first[a] as number) + (second[a] as number)) * (this.#arm[a] as number);
      if (apart > most) most = apart;
    }
    return 0.5 * h * most;
  }

  /** Castors swing on: over a step by what they do at its start, then half of it again by what they do at its end; 0: back to it. */
  #swing(h: number): void {
    const { swings } = this.ground;
    const { contacts } = this.rig;
    for (let i = 0; i < swings.length; i += 1) {
      if ((contacts[i] as Rig['contacts'][number]).free !== 'swings') continue;
      if (h > 0) {
        this.#pointed[i] = this.points[i] as number;
        this.#swung[i] = swings[i] as number;
      }
      this.points[i] =
        h >= 0
          ? (this.#pointed[i] as number) + h * (this.#swung[i] as number)
          : (this.points[i] as number) - h * ((swings[i] as number) - (this.#swung[i] as number));
    }
  }

  /** All that pushes the rig and turns its wheels. */
  #forces(pose: Pose, speeds: Float64Array, falls: Float64Array | undefined): void {
    const force = this.#force;
    const size = speeds.length;
    force.fill(0);
    this.ground.at(pose, speeds, this.points, this.standing.loadN, force, falls);
    this.#beside(pose, speeds);
    const { motors } = this.rig;
    for (let m = 0; m < motors.length; m += 1)
      this.#motorSpeeds[m] = this.motorSpeed(motors[m] as RigMotor, speeds);
    this.circuit.at(this.#applied, this.#motorSpeeds);
    for (let m = 0; m < motors.length; m += 1) {
      const { turns } = motors[m] as RigMotor;
      const torque = this.circuit.torqueNm[m] as number;
      const fall = this.circuit.fall[m] as number;
      for (let k = 0; k < turns.length; k += 1) {
        const { spin, share } = turns[k] as RigMotor['turns'][number];
        force[3 + spin] = (force[3 + spin] as number) + share * torque;
        if (falls === undefined) continue;
        for (let j = 0; j <= k; j += 1) {
          const other = turns[j] as RigMotor['turns'][number];
          const at = Math.max(spin, other.spin) * size + 3 * size + 3 + Math.min(spin, other.spin);
          falls[at] = (falls[at] as number) + fall * share * other.share;
        }
      }
    }
  }

  /** Hill, air and hitch, and that it turns under its own speed. */
  #beside({ heading }: Pose, speeds: Float64Array): void {
    const { massKg, dragAreaM2 } = this.rig;
    const ahead = speeds[0] as number;
    const left = speeds[1] as number;
    const turning = speeds[2] as number;
    const force = this.#force;
    const { riseX, riseY } = this.ground.underMiddle;
    let upAhead = 0;
    let upLeft = 0;
    this.#pressing = 1;
    if (riseX !== 0 || riseY !== 0) {
      this.#pressing = 1 / Math.sqrt(1 + riseX * riseX + riseY * riseY);
      const c = Math.cos(heading);
      const s = Math.sin(heading);
      upAhead = c * riseX + s * riseY;
      upLeft = c * riseY - s * riseX;
    }
    const weightN = massKg * STANDARD_GRAVITY * this.#pressing;
    const square = ahead * ahead + left * left;
    const air = dragAreaM2 > 0 ? 0.5 * AIR_DENSITY * dragAreaM2 * Math.sqrt(square) : 0;
    force[0] = (force[0] as number) - weightN * upAhead - air * ahead - this.pullN + massKg * turning * left;
    force[1] = (force[1] as number) - weightN * upLeft - air * left - massKg * turning * ahead;
    this.#airW = air * square;
    this.#heightW = weightN * (upAhead * ahead + upLeft * left) + this.pullN * ahead;
  }

  /** What went where since the last step, which ends now. */
  #account(): void {
    const { ground, circuit } = this;
    this.watch?.(this.#sinceS);
    this.#ledger.count(
      this.#sinceS,
      this.rig.supply.openCircuitV * circuit.batteryA,
      circuit.lostW,
      ground.lostW + this.#airW,
      ground.climbW + this.#heightW,
    );
    this.#sinceS = 0;
  }

  /** New commands: what went before went under the old ones. */
  #command(): void {
    let changed = false;
    for (let m = 0; m < this.commands.length; m += 1)
      if (this.commands[m] !== this.#applied[m]) changed = true;
    if (!changed) return;
    this.finish();
    this.#applied.set(this.commands);
  }

  /** The end of a step: the weight on its wheels, and the ground under them. */
  #settle(h: number): void {
    this.#sinceS = h;
    this.standing.shift(this.ground.pushAheadN, this.ground.pushLeftN, this.#pressing, h);
    if (this.#terrain.varies) this.ground.lookAround(this.pose);
  }
}
