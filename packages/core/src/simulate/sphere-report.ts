import { footingOf, rollingOf } from '../demand/index.ts';
import { drivelineOf, innerDriveInput } from '../drive/index.ts';
import { innerDrive, rollingFacing } from '../ground/index.ts';
import { radiansToDegrees, STANDARD_GRAVITY } from '../quantity/index.ts';
import type { Build, Duty, Rolling } from '../vehicle/index.ts';
import { leanPoles } from './balance-gains.ts';
import type { BalanceMotor } from './balance-model.ts';
import { motorsOf, rotorsOf } from './balance-of-build.ts';
import { runSphere, sphereOver, type SphereLeg } from './run-sphere.ts';
import { nodPolynomial, type SphereBody } from './sphere-model.ts';

/** How a sphere is tried. */
export interface SphereAsk extends Rolling {
  /** Of this job its ground, grade, load and speed. */
  readonly dutyId: string;
}

/** A run as it is told. */
export interface SphereTold {
  readonly rampS: number;
  /** How long the command stands at its height, s, and that height as a share of the full voltage. */
  readonly holdS: number;
  readonly share: number;
  readonly stillS: number | null;
  readonly endM: number;
  readonly peakMps: number;
  readonly peakA: number;
  readonly peakSwingDeg: number;
  /** Of the inner mass once the command has ended, from one side to the other. */
  readonly nodDeg: number;
}

/** Everything about how a sphere rolls, stops and nods. */
export interface SphereReport {
  readonly plant: {
    readonly body: SphereBody;
    readonly motor: BalanceMotor;
    /** Time of one nod to and fro, motors let go and shorted; null where shorted it does not nod at all. */
    readonly nodS: number;
    readonly shortedNodS: number | null;
    /** What one shorted nod leaves of the one before. */
    readonly shortedLeft: number;
    readonly steepestDeg: number;
    /** Where the inner mass hangs at a steady speed on this ground, null where it would go over. */
    readonly steadySwingDeg: number | null;
    /** Speed that is tried, and what of the full voltage it takes; more than 1 is not reached. */
    readonly speedMps: number;
    readonly share: number | null;
  };
  /** The run asked for; null where it does not come so far. */
  readonly run: SphereTold | null;
  /** The same way with no ramp, half a nod and a whole nod. */
  readonly ramps: readonly (SphereTold | null)[];
  /** Where the face looks at the end, the shell's own start being up; null without a run. */
  readonly facing: {
    readonly turns: number;
    readonly pastFaceDeg: number;
    /** From where it ends to the nearest place where it faces up again. */
    readonly nearestFaceM: number;
    /** The way that ends face up, nearest to the one asked for. */
    readonly faceUpM: number;
    /** What one per cent of the diameter, or of slip, turns the face by at the end. */
    readonly offPerPercentDeg: number;
  } | null;
}

/** A moment of a rolling sphere. */
export interface SphereSample {
  readonly tS: number;
  readonly speedMps: number;
  readonly swingRad: number;
  readonly currentA: number;
}

/** What rolls, and by what, on the ground of a job. */
interface Sphere {
  readonly body: SphereBody;
  readonly motor: BalanceMotor;
  readonly speedMps: number;
}

const SOLID_BALL = 2 / 5;

function sphereOf(build: Build, duty: Duty): Sphere | undefined {
  const inner = innerDriveInput(build);
  const line = drivelineOf(build);
  const motor = line && motorsOf(line);
  if (!inner || !line || !motor) return undefined;
  const footing = footingOf(build, duty);
  const { innerKg, shellKg, offsetM } = inner;
  const radiusM = line.wheelRadiusM;
  return {
    motor,
    speedMps: duty.speed.value,
    body: {
      ...{ innerKg, shellKg, offsetM, radiusM },
      // As a ball that reaches from its middle to the shell.
      innerInertiaKgM2: SOLID_BALL * innerKg * Math.max(0, radiusM - offsetM) ** 2,
      restKg: Math.max(0, footing.massKg - innerKg - shellKg),
      rotorsInertiaKgM2: rotorsOf(line),
      rolling: rollingOf(build, duty, footing),
      slopeRad: duty.grade.value,
    },
  };
}

/** What holds it at a steady speed: swing of the inner mass and share of the full voltage; undefined where it goes over. */
function steady({ body, motor, speedMps }: Sphere) {
  const { slopeRad, rolling, radiusM } = body;
  const weightN = (body.innerKg + body.shellKg + body.restKg) * STANDARD_GRAVITY;
  const torque = radiusM * weightN * (Math.sin(slopeRad) + rolling * Math.cos(slopeRad));
  const sine = torque / (body.innerKg * STANDARD_GRAVITY * body.offsetM);
  if (sine > 1) return undefined;
  const { count, ratio, efficiency, ktNmPerA, resistanceOhm, voltageV } = motor;
  const amps = torque / (count * ratio * efficiency * ktNmPerA);
  return {
    swingRad: Math.asin(sine),
    share: ((ktNmPerA * ratio * speedMps) / radiusM + amps * resistanceOhm) / voltageV,
  };
}

/** The nod of a sphere: how long it takes to and fro, and what is left after one; none where it does not swing at all. */
function nodOf({ body, motor }: Sphere, letGo: boolean) {
  const swings = leanPoles(nodPolynomial(body, motor, letGo)).find(({ im }) => im > SWINGS_RAD_S);
  if (!swings) return undefined;
  const periodS = (2 * Math.PI) / swings.im;
  return { periodS, left: Math.exp(swings.re * periodS) };
}
/** Slower than this it does not swing, rad/s. */
const SWINGS_RAD_S = 1e-3;

const told = ({ run, end }: SphereLeg): SphereTold => ({
  ...{ rampS: run.rampS, holdS: run.holdS, share: run.share },
  stillS: end.stillS ?? null,
  ...{ endM: end.endM, peakMps: end.peakMps, peakA: end.peakA },
  peakSwingDeg: radiansToDegrees(end.peakSwingRad),
  nodDeg: radiansToDegrees(end.nodRad),
});

/** A command is never quicker than this, s: a driver's own ramp. */
const AT_ONCE_S = 0.05;

/** What a sphere is tried by. */
function tried(build: Build, ask: SphereAsk) {
  const duty = build.duties.find(({ id }) => id === ask.dutyId);
  const sphere = duty && sphereOf(build, duty);
  if (!sphere) return undefined;
  const nod = nodOf(sphere, true);
  const held = steady(sphere);
  const share = held && Math.min(1, held.share);
  const over = (rampS: number): SphereLeg | undefined =>
    share === undefined
      ? undefined
      : sphereOver({ ...sphere, share, rampS: Math.max(AT_ONCE_S, rampS), stop: ask.stop }, ask.distanceM);
  return { sphere, nod, held, over, rampS: ask.rampS ?? nod?.periodS ?? 0 };
}

/**
 * How a sphere rolls a way, stops and nods: the command that takes it there, three ramps beside each other, and where its face looks
 * then. Undefined for what has no inner drive, no such job, or no motor of constants yet.
 *
 * Source: Lagrange's equations of a sphere with a pendulum; a ramp of a whole period leaves no swing (N. Singer and W. Seering,
 * Preshaping Command Inputs to Reduce System Vibration, 1990, from memory).
 *
 * @throws NotPhysical where figures are too extreme to follow
 * @example sphereReport(puffin, { dutyId: duty.id, distanceM: 3, stop: 'shorted' }) // undefined
 */
export function sphereReport(build: Build, ask: SphereAsk): SphereReport | undefined {
  const found = tried(build, ask);
  const inner = innerDriveInput(build);
  if (!found || !inner) return undefined;
  const { sphere, nod, held, over, rampS } = found;
  const run = over(rampS);
  const shorted = nodOf(sphere, false);
  const diameterM = 2 * sphere.body.radiusM;
  const periodS = nod?.periodS ?? 0;
  return {
    plant: {
      ...{ body: sphere.body, motor: sphere.motor },
      nodS: periodS,
      shortedNodS: shorted?.periodS ?? null,
      shortedLeft: shorted?.left ?? 0,
      steepestDeg: innerDrive.run(inner).steepestDeg,
      steadySwingDeg: held ? radiansToDegrees(held.swingRad) : null,
      speedMps: sphere.speedMps,
      share: held?.share ?? null,
    },
    run: run ? told(run) : null,
    ramps: [0, periodS / 2, periodS].map((ramp) => {
      const leg = ramp === rampS ? run : over(ramp);
      return leg ? told(leg) : null;
    }),
    facing: run ? facingAfter(diameterM, ask.distanceM) : null,
  };
}

/** Where a face looks after a way, and the way that would end face up. */
function facingAfter(diameterM: number, distanceM: number): NonNullable<SphereReport['facing']> {
  const { turns, pastFaceDeg, nearestFaceM } = rollingFacing.run({ diameterM, distanceM });
  return {
    ...{ turns, pastFaceDeg, nearestFaceM },
    faceUpM: distanceM + nearestFaceM,
    offPerPercentDeg: Math.abs(turns) * FULL_TURN_DEG * ONE_PER_CENT,
  };
}
const FULL_TURN_DEG = 360;
const ONE_PER_CENT = 0.01;

/** So many moments of a run are drawn. */
const SAMPLES = 600;

/**
 * The run of a report from moment to moment; empty where there is none.
 *
 * @example sphereTrace(puffin, { dutyId: duty.id, distanceM: 3, stop: 'shorted' }) // []
 */
export function sphereTrace(build: Build, ask: SphereAsk): readonly SphereSample[] {
  const found = tried(build, ask);
  const leg = found?.over(found.rampS);
  if (!leg) return [];
  const lastS = (leg.end.stillS ?? leg.end.commandS + 1) + 1;
  const samples: SphereSample[] = [];
  runSphere(leg.run, (tS, at, currentA) => {
    if (tS <= lastS && tS >= (samples.length * lastS) / SAMPLES)
      samples.push({ tS, speedMps: at.v, swingRad: at.lean, currentA: Math.abs(currentA) });
  });
  return samples;
}
