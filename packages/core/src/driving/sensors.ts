import type { Control } from '../vehicle/index.ts';
import type { Pose } from './ground-forces.ts';
import type { Motion } from './motion.ts';
import type { Led, RigContact } from './rig.ts';

/** Less than this of turning in its equations, square metres, tells nothing of it. */
const SINGULAR = 1e-12;

/** What a vehicle's controller knows of itself: by counted turns and the sizes it was told, by a gyro, or by an eye that sees all. */
export class Sensors {
  /** Way of the middle in this move, always growing, m. */
  wayM = 0;
  /** Turned in this move, to the left positive, rad. */
  turnedRad = 0;
  /** Off the heading that it had as the move began, to the left positive, rad. */
  headingOff = 0;
  /** Where it takes itself to be. */
  place: Readonly<Pose> = { x: 0, y: 0, heading: 0 };
  readonly #led: Led;
  readonly #control: Control;
  readonly #radius: readonly number[];
  readonly #contactsOf: readonly (readonly number[])[];
  readonly #counted: Float64Array;
  readonly #before: Float64Array;
  readonly #atMove: Float64Array;
  readonly #rims: Float64Array;
  /** A gyro's own turning, to the left positive, rad/s. */
  readonly #driftRadS: number;
  #headingAtMove = 0;

  constructor(led: Led, control: Control, driftRadS: number) {
    const { motors, contacts } = led.rig;
    this.#led = led;
    this.#control = control;
    this.#contactsOf = motors.map(({ turns }) =>
      contacts.flatMap(({ spin }, i) => (turns.some((turn) => turn.spin === spin) ? [i] : [])),
    );
    this.#radius = this.#contactsOf.map(
      (own) => own.reduce((sum, i) => sum + (contacts[i]?.radiusM ?? 0), 0) / Math.max(1, own.length),
    );
    this.#counted = new Float64Array(motors.length);
    this.#before = new Float64Array(motors.length);
    this.#atMove = new Float64Array(motors.length);
    this.#rims = new Float64Array(motors.length);
    this.#driftRadS = driftRadS;
  }

  /** Counted turns of a motor's wheels in this move. */
  turns(motor: number): number {
    return (this.#counted[motor] ?? 0) - (this.#atMove[motor] ?? 0);
  }

  /** Speed of the rims, by the counts of the last loop and the radius that it was told. */
  rimMps(motor: number): number {
    return this.#rims[motor] ?? 0;
  }

  beginMove(): void {
    this.#atMove.set(this.#counted);
    this.wayM = 0;
    this.turnedRad = 0;
    this.#headingAtMove = this.place.heading;
    this.headingOff = 0;
  }

  /** Reads all, once a loop. */
  read(motion: Motion, timeS: number): void {
    const { motors } = this.#led.rig;
    const { countsPerTurn, loopTimeS, ends } = this.#control;
    motors.forEach(({ turns }, m) => {
      const rad = turns.reduce((sum, { spin, share }) => sum + share * (motion.turned[spin] ?? 0), 0);
      this.#before[m] = this.#counted[m] ?? 0;
      this.#counted[m] = Math.floor((rad / (2 * Math.PI)) * countsPerTurn) / countsPerTurn;
      const turned = (this.#counted[m] ?? 0) - (this.#before[m] ?? 0);
      this.#rims[m] = (turned * 2 * Math.PI * (this.#radius[m] ?? 0)) / loopTimeS;
    });
    const before = this.place;
    this.place = ends === 'line' ? this.#seen(motion) : this.#counts(motion, timeS);
    this.wayM += Math.hypot(this.place.x - before.x, this.place.y - before.y);
    this.turnedRad = this.place.heading - this.#headingAtMove;
    const gyro = motion.pose.heading + this.#driftRadS * timeS;
    if (this.#control.heading) this.headingOff = gyro - this.#headingAtMove;
  }

  /** As someone sees it who stands beside. */
  #seen({ pose }: Motion): Readonly<Pose> {
    const { middleAheadM: a, middleLeftM: l } = this.#led;
    const [c, s] = [Math.cos(pose.heading), Math.sin(pose.heading)];
    return { x: pose.x + c * a - s * l, y: pose.y + s * a + c * l, heading: pose.heading };
  }

  /** By its own counts, and its gyro where it has one; steered wheels stand where they are told. */
  #counts(motion: Motion, timeS: number): Readonly<Pose> {
    const [wayM, turned] = this.#moved(motion);
    const heading = this.#control.heading
      ? motion.pose.heading + this.#driftRadS * timeS
      : this.place.heading + turned / this.#control.turnFactor;
    const mean = (heading + this.place.heading) / 2;
    return {
      x: this.place.x + wayM * Math.cos(mean),
      y: this.place.y + wayM * Math.sin(mean),
      heading,
    };
  }

  /** Way of the middle and turn in a loop that fit best what its rims did along, and that steered wheels do not go across. */
  #moved(motion: Motion): readonly [number, number] {
    const { rig, middleAheadM, middleLeftM } = this.#led;
    let [vv, vw, ww, v, w] = [0, 0, 0, 0, 0];
    const fit = (perWay: number, perTurn: number, went: number): void => {
      vv += perWay * perWay;
      vw += perWay * perTurn;
      ww += perTurn * perTurn;
      v += perWay * went;
      w += perTurn * went;
    };
    const points = rig.contacts.map((c, i) => (c.steered ? (motion.steerTo[i] ?? 0) : 0));
    const [c, s] = [points.map(Math.cos), points.map(Math.sin)];
    const along = (i: number, contact: RigContact): number =>
      (s[i] ?? 0) * (contact.aheadM - middleAheadM) - (c[i] ?? 1) * (contact.leftM - middleLeftM);
    rig.motors.forEach((_, m) => {
      const own = this.#contactsOf[m] ?? [];
      const mean = (of: (i: number) => number): number => own.reduce((sum, i) => sum + of(i), 0) / own.length;
      fit(
        mean((i) => c[i] ?? 1),
        mean((i) => along(i, rig.contacts[i] as RigContact)),
        this.rimMps(m) * this.#control.loopTimeS,
      );
    });
    rig.contacts.forEach((contact, i) => {
      if (!contact.steered) return;
      const across =
        (c[i] ?? 1) * (contact.aheadM - middleAheadM) + (s[i] ?? 0) * (contact.leftM - middleLeftM);
      fit(-(s[i] ?? 0), across, 0);
    });
    const whole = vv * ww - vw * vw;
    // Wheels all in the middle tell nothing of turning.
    if (whole <= SINGULAR * vv * vv) return [vv > 0 ? v / vv : 0, 0];
    return [(v * ww - w * vw) / whole, (vv * w - vw * v) / whole];
  }
}
