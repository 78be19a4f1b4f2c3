import type { Control } from '../vehicle/index.ts';
import type { CourseMove } from './course.ts';
import { tooExtreme } from '../simulate/index.ts';
import { meantPath, type MeantPose } from './meant-path.ts';
import { Motion } from './motion.ts';
import { Pilot, type GaveUp } from './pilot.ts';
import type { Led, Terrain } from './rig.ts';
import { Sensors } from './sensors.ts';

/** A driven wheel slips where its tread goes over the ground by more than this share of its speed and this much, m/s. */
const SLIP_SHARE = 0.3;
const SLIP_MPS = 0.03;
/** Less than this together is no slipping worth a word, s. */
const SLIP_S = 0.05;
/** Nothing moves for so long: it is stuck, s. */
const STUCK_S = 4;
const STUCK_M = 0.005;
/** A vehicle so light in its wheels that it takes more steps than this is not driven to its end. */
const MOST_STEPS = 4e6;
/** Between the places that are kept of a path, s. */
const KEPT_S = 0.05;

/** What one run of a course takes. */
export interface CourseRun {
  /** As it is. */
  readonly led: Led;
  /** As its controller was told that it is. */
  readonly told: Led;
  readonly terrain: Terrain;
  readonly moves: readonly CourseMove[];
  readonly control: Control;
  /** How long each move is to last, where it goes by the clock. */
  readonly times?: readonly number[];
  readonly pullN: number;
  /** Off the start line, to the left, and off its heading. */
  readonly start: { readonly leftM: number; readonly headingRad: number };
  readonly driftRadS: number;
  readonly longestS: number;
  readonly keepsPath: boolean;
}

/** A place on the way, x ahead and y left. */
export interface PathPoint {
  readonly s: number;
  readonly x: number;
  readonly y: number;
  readonly heading: number;
  readonly mps: number;
  readonly batteryA: number;
}

/** A wheel that slipped, for how long, and where it began to. */
export interface Slipping {
  readonly name: string;
  readonly seconds: number;
  readonly x: number;
  readonly y: number;
}

/** What became of a run. Lengths ahead and to the left. */
export interface CourseEnd {
  readonly timeS: number;
  /** Whether every move was done, and it stands on its wheels. */
  readonly arrives: boolean;
  readonly gaveUp: GaveUp | 'stuck' | undefined;
  readonly end: MeantPose;
  readonly meant: MeantPose;
  readonly energyJ: number;
  readonly peakA: number;
  readonly batteryPeakA: number;
  readonly leastV: number;
  /** Energy into each motor's winding as heat, one of them, J. */
  readonly heatJ: readonly number[];
  readonly slipped: readonly Slipping[];
  readonly lifted: boolean;
  readonly tipped: boolean;
  /** What the battery gave and cannot be accounted for, as a share of it. */
  readonly unbalanced: number;
  readonly took: readonly number[];
  readonly path: readonly PathPoint[];
}

/** Watches a run for what a builder wants to know of it. */
class Watch {
  peakA = 0;
  batteryPeakA = 0;
  leastV = Infinity;
  lifted = false;
  readonly heatJ: Float64Array;
  readonly slips = new Map<number, { seconds: number; x: number; y: number }>();
  readonly #motion: Motion;

  constructor(motion: Motion) {
    this.#motion = motion;
    this.heatJ = new Float64Array(motion.rig.motors.length);
    this.leastV = motion.rig.supply.openCircuitV;
  }

  look(sinceS: number): void {
    const { circuit, standing, rig, ground, speeds } = this.#motion;
    for (let m = 0; m < this.heatJ.length; m += 1) {
      const amps = circuit.currentA[m] as number;
      if (Math.abs(amps) > this.peakA) this.peakA = Math.abs(amps);
      const ohm = (rig.motors[m] as (typeof rig.motors)[number]).resistanceOhm;
      this.heatJ[m] = (this.heatJ[m] as number) + sinceS * amps * amps * ohm;
    }
    if (circuit.batteryA > this.batteryPeakA) this.batteryPeakA = circuit.batteryA;
    if (circuit.batteryV < this.leastV) this.leastV = circuit.batteryV;
    if (standing.lifts) this.lifted = true;
    for (let i = 0; i < rig.contacts.length; i += 1) {
      const { spin, radiusM } = rig.contacts[i] as (typeof rig.contacts)[number];
      if (spin === undefined) continue;
      const slip = ground.slipMps[i] as number;
      if (slip < SLIP_MPS || slip < SLIP_SHARE * Math.abs(radiusM * (speeds[3 + spin] as number))) continue;
      this.#slips(i, sinceS);
    }
  }

  #slips(contact: number, sinceS: number): void {
    const { x, y } = this.#motion.pose;
    const slip = this.slips.get(contact) ?? { seconds: 0, x, y };
    slip.seconds += sinceS;
    this.slips.set(contact, slip);
  }
}

/** The middle of a rig, and its heading. */
function middleOf({ pose }: Motion, { middleAheadM: a, middleLeftM: l }: Led): MeantPose {
  const [c, s] = [Math.cos(pose.heading), Math.sin(pose.heading)];
  return { x: pose.x + c * a - s * l, y: pose.y + s * a + c * l, heading: pose.heading };
}

/**
 * One run of a course from rest, its middle on the start.
 *
 * @throws NotPhysical where figures overflow on the way.
 */
export function runCourse(run: CourseRun): CourseEnd {
  const { led, control } = run;
  const motion = new Motion(led.rig, run.terrain);
  motion.begin(startPose(run));
  motion.pullN = run.pullN;
  const pilot = new Pilot(
    run.told,
    run.moves,
    control,
    new Sensors(run.told, control, run.driftRadS),
    { footings: run.terrain.pieces[0]?.footings ?? [], loadN: motion.standing.loadN },
    run.times,
  );
  const watch = new Watch(motion);
  motion.watch = (sinceS) => watch.look(sinceS);
  const path: PathPoint[] = [];
  const keepEvery = Math.max(1, Math.round(KEPT_S / control.loopTimeS));
  let still = { s: 0, x: motion.pose.x, y: motion.pose.y, heading: 0 };
  let stuck = false;
  let timeS = 0;
  for (let loop = 0; timeS < run.longestS; loop += 1) {
    timeS = loop * control.loopTimeS;
    pilot.loop(motion, timeS);
    if (run.keepsPath && loop % keepEvery === 0) path.push(pointOf(motion, led, timeS));
    if (pilot.done || motion.standing.tipped || motion.steps > MOST_STEPS) break;
    const { x, y, heading } = motion.pose;
    const went = Math.hypot(x - still.x, y - still.y) + Math.abs(heading - still.heading) * STUCK_M;
    if (went > STUCK_M || pilot.waits) still = { s: timeS, x, y, heading };
    if (timeS - still.s > STUCK_S) {
      stuck = true;
      break;
    }
    motion.go(control.loopTimeS);
  }
  motion.finish();
  const { x, y, heading } = motion.pose;
  if (!Number.isFinite(x + y + heading + motion.energies.given)) throw tooExtreme();
  return endOf(run, motion, pilot, watch, { timeS, stuck, path: [...path, pointOf(motion, led, timeS)] });
}

/** The centre of gravity so that the middle stands on the start. */
function startPose({ led, start }: CourseRun): MeantPose {
  const [c, s] = [Math.cos(start.headingRad), Math.sin(start.headingRad)];
  const { middleAheadM: a, middleLeftM: l } = led;
  return { x: s * l - c * a, y: start.leftM - s * a - c * l, heading: start.headingRad };
}

function pointOf(motion: Motion, led: Led, s: number): PathPoint {
  return {
    s,
    ...middleOf(motion, led),
    mps: motion.aheadMps,
    batteryA: motion.circuit.batteryA,
  };
}

function endOf(
  run: CourseRun,
  motion: Motion,
  pilot: Pilot,
  watch: Watch,
  { timeS, stuck, path }: { readonly timeS: number; readonly stuck: boolean; readonly path: PathPoint[] },
): CourseEnd {
  const { energies, rig } = motion;
  const accounted = energies.circuit + energies.ground + energies.stored + motion.kineticJ;
  const meant = meantPath(run.moves).at(-1) ?? { x: 0, y: 0, heading: 0 };
  return {
    timeS,
    arrives: pilot.at >= run.moves.length && !motion.standing.tipped,
    gaveUp: stuck ? 'stuck' : pilot.gaveUp,
    end: middleOf(motion, run.led),
    meant,
    energyJ: energies.given,
    peakA: watch.peakA,
    batteryPeakA: watch.batteryPeakA,
    leastV: watch.leastV,
    heatJ: [...watch.heatJ],
    slipped: [...watch.slips]
      .filter(([, { seconds }]) => seconds >= SLIP_S)
      .map(([contact, slip]) => ({ name: rig.contacts[contact]?.name ?? '', ...slip })),
    lifted: watch.lifted,
    tipped: motion.standing.tipped,
    unbalanced: energies.given === 0 ? 0 : (energies.given - accounted) / Math.abs(energies.given),
    took: pilot.took,
    path,
  };
}
