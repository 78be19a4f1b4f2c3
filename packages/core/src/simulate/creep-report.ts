import { footingOf, rollingOf } from '../demand/index.ts';
import { drivelineOf } from '../drive/index.ts';
import { STANDARD_GRAVITY } from '../quantity/index.ts';
import { controlOf, type Build, type Creeping, type CreepTurns, type Duty } from '../vehicle/index.ts';
import { runCreep, type CreepDrive, type CreepEnd, type CreepRig } from './run-creep.ts';

/** How a dolly is tried. */
export interface CreepAsk extends Creeping {
  /** Of this job its ground, grade, load, pull and speed. */
  readonly dutyId: string;
}

/** Half as much again to start as to go on, and a driver of sixteen steps in each of two hundred (common practice, no source). */
const USUAL = { breakaway: 1.5, stepsPerTurn: 3200 };

/** Everything about how smoothly a dolly creeps. */
export interface CreepReport {
  readonly rig: CreepRig;
  readonly speedMps: number;
  /** How it swings on what gives, times a second. */
  readonly swingHz: number;
  /** Below this speed it sticks and slips, the drive turning evenly. */
  readonly smoothAboveMps: number;
  /** What would make it smooth at its speed, each alone; null where it is smooth already. */
  readonly toBeSmooth: {
    /** It may give way by no more than this for a newton. */
    readonly givesMPerN: number;
    /** Getting it moving may take no more than this over keeping it moving. */
    readonly breakawayN: number;
  } | null;
  readonly turns: CreepTurns;
  /** Way of a step, and how many a second; null where it turns evenly. */
  readonly steps: { readonly stepM: number; readonly perS: number } | null;
  readonly run: CreepEnd;
  /** The same with the drive turning the other way of the two. */
  readonly otherwise: { readonly turns: CreepTurns; readonly run: CreepEnd };
  /** Counts of an encoder at this speed: a millimetre has so many, a second so many, and a cycle of its loop. */
  readonly counts: { readonly perM: number; readonly perS: number; readonly perLoop: number };
  /** One way along the job's route, and what it runs on after its end is seen; null where the job has no route. */
  readonly travel: { readonly lengthM: number; readonly timeS: number } | null;
  readonly runsOnM: number;
}

/** A moment of it. */
export interface CreepSample {
  readonly tS: number;
  readonly speedMps: number;
  readonly placeM: number;
}

/** So many swings, and at least so long: it has settled into its way by then. */
const SWINGS = 60;
const SHORTEST_S = 4;
/** So many steps at least. */
const STEPS = 40;
const LONGEST_S = 120;
/** Halvings until the speed is known to a millionth. */
const HALVINGS = 30;

const swingOf = ({ stiffnessNPerM, massKg }: CreepRig): number =>
  Math.sqrt(stiffnessNPerM / massKg) / (2 * Math.PI);

const lastsFor = (rig: CreepRig, { speedMps, stepM }: CreepDrive): number => {
  const windsUpS = (4 * (rig.breakawayN + Math.abs(rig.pullN))) / (rig.stiffnessNPerM * speedMps);
  const swingS = 1 / swingOf(rig);
  // Beyond that nothing new happens: it swings no more, or sticks again and again.
  return Math.min(LONGEST_S, Math.max(SHORTEST_S, SWINGS * swingS, 4 * windsUpS, (STEPS * stepM) / speedMps));
};

const sticksAt = (rig: CreepRig, speedMps: number): boolean =>
  runCreep(rig, { speedMps, stepM: 0 }, lastsFor(rig, { speedMps, stepM: 0 })).standsShare > 0;

/**
 * The speed above which a dolly that is turned along evenly no longer sticks and slips, m/s: found by running it. Where little damps
 * it, ΔF/√(4πζ k m), the friction to start less that to move over what gives and swings.
 *
 * Source: stick and slip of a mass on a spring and a damper (E. Rabinowicz, Friction and Wear of Materials, from memory).
 *
 * @throws NotPhysical where figures overflow
 * @example smoothAbove({ massKg: 18, stiffnessNPerM: 5000, dampingRatio: 0.05, movingN: 2, breakawayN: 3, pullN: 0 }) // 0.00366
 */
export function smoothAbove(rig: CreepRig): number {
  const moreN = rig.breakawayN - rig.movingN;
  if (!(moreN > 0)) return 0;
  const guess =
    moreN / Math.sqrt(rig.stiffnessNPerM * rig.massKg * Math.expm1(4 * Math.PI * rig.dampingRatio));
  let [low, high] = [0, guess];
  while (sticksAt(rig, high)) [low, high] = [high, 2 * high];
  for (let n = 0; n < HALVINGS && high - low > 1e-6 * high; n += 1) {
    const middle = (low + high) / 2;
    if (middle > 0 && sticksAt(rig, middle)) low = middle;
    else high = middle;
  }
  return high;
}

/** The damping ratio of what swings so often until a tenth is left (logarithmic decrement). */
const dampingOf = (swings: number): number => {
  const decrement = Math.log(10) / swings;
  return decrement / Math.hypot(2 * Math.PI, decrement);
};

/** What a job asks of the rig, as far as nobody has said otherwise. */
function rigOf(build: Build, duty: Duty, ask: CreepAsk): CreepRig {
  const footing = footingOf(build, duty);
  const weightN = footing.massKg * STANDARD_GRAVITY;
  const movingN = ask.movingN ?? rollingOf(build, duty, footing) * weightN * Math.cos(duty.grade.value);
  return {
    massKg: footing.massKg,
    stiffnessNPerM: ask.pushedN / ask.givesM,
    dampingRatio: dampingOf(ask.swings),
    movingN,
    breakawayN: Math.max(movingN, ask.breakawayN ?? USUAL.breakaway * movingN),
    pullN: weightN * Math.sin(duty.grade.value) + duty.drawbar.value,
  };
}

/** Steps that come so many times more often than it swings are an even turn to it: a ten-thousandth of them is left. */
const UNFELT = 100;

/** What is tried on a job; undefined without it, or without a motor. */
function tried(build: Build, ask: CreepAsk) {
  const duty = build.duties.find(({ id }) => id === ask.dutyId);
  const line = drivelineOf(build);
  if (!duty || !line) return undefined;
  const { motor } = line;
  const speedMps = ask.speedMps ?? duty.speed.value;
  const stepsPerTurn =
    ask.stepsPerTurn ?? (motor.type === 'stepping' ? motor.stepsPerTurn : USUAL.stepsPerTurn);
  const turns = ask.turns ?? (motor.type === 'stepping' ? 'in-steps' : 'evenly');
  const stepM = (2 * Math.PI * line.wheelRadiusM) / (line.ratio * stepsPerTurn);
  const rig = rigOf(build, duty, ask);
  const felt = speedMps / stepM < UNFELT * swingOf(rig);
  const driveOf = (how: CreepTurns): CreepDrive => ({
    speedMps,
    stepM: how === 'in-steps' && felt ? stepM : 0,
  });
  return { duty, line, rig, speedMps, turns, stepM, driveOf };
}

/**
 * How smoothly a build creeps on a job: whether it sticks and slips, above which speed it does not, what would mend it, what steps
 * and counts do at this speed, and how long its way takes. Undefined without that job, its speed or a motor.
 *
 * @throws NotPhysical where figures are too extreme to follow
 * @example creepReport(rail, { dutyId: 'water', ...creepingSchema.parse({}) })?.turns // 'evenly'
 */
export function creepReport(build: Build, ask: CreepAsk): CreepReport | undefined {
  const found = tried(build, ask);
  if (!found || !(found.speedMps > 0)) return undefined;
  const { duty, line, rig, speedMps, turns, stepM, driveOf } = found;
  const runOf = (how: CreepTurns): CreepEnd => {
    const drive = driveOf(how);
    return runCreep(rig, drive, lastsFor(rig, drive));
  };
  const smoothAboveMps = smoothAbove(rig);
  const other = turns === 'evenly' ? 'in-steps' : 'evenly';
  const { countsPerTurn, loopTimeS } = controlOf(build.driving?.control ?? {});
  const perM = countsPerTurn / (2 * Math.PI * line.wheelRadiusM);
  const share = speedMps / smoothAboveMps;
  const { extent } = duty;
  const lengthM = extent.kind === 'route' ? extent.length.value : undefined;
  return {
    ...{ rig, speedMps, smoothAboveMps, turns },
    swingHz: swingOf(rig),
    // That speed goes with the difference of frictions, and with the root of what gives.
    toBeSmooth:
      share >= 1
        ? null
        : {
            givesMPerN: share ** 2 / rig.stiffnessNPerM,
            breakawayN: rig.movingN + share * (rig.breakawayN - rig.movingN),
          },
    steps: turns === 'in-steps' ? { stepM, perS: speedMps / stepM } : null,
    run: runOf(turns),
    otherwise: { turns: other, run: runOf(other) },
    counts: { perM, perS: perM * speedMps, perLoop: perM * speedMps * loopTimeS },
    travel: lengthM === undefined ? null : { lengthM, timeS: lengthM / speedMps },
    runsOnM: speedMps * ask.reactionS,
  };
}

/** So many moments are drawn. */
const SAMPLES = 800;

/**
 * The run of a report from moment to moment, its second half, as told there; empty where there is none.
 *
 * @example creepTrace(rail, { dutyId: 'water', ...creepingSchema.parse({}) }).length > 100 // true
 */
export function creepTrace(build: Build, ask: CreepAsk): readonly CreepSample[] {
  const found = tried(build, ask);
  if (!found || !(found.speedMps > 0)) return [];
  const drive = found.driveOf(found.turns);
  const lastsS = lastsFor(found.rig, drive);
  const all: CreepSample[] = [];
  runCreep(found.rig, drive, lastsS, (tS, at) => {
    if (tS >= lastsS / 2) all.push({ tS: tS - lastsS / 2, speedMps: at.v, placeM: at.x });
  });
  const from = all[0]?.placeM ?? 0;
  const every = Math.max(1, Math.ceil(all.length / SAMPLES));
  return all.filter((_, n) => n % every === 0).map((one) => ({ ...one, placeM: one.placeM - from }));
}
