import { remembered } from '../contract/index.ts';
import { runOut } from '../making/index.ts';
import { stageFigures, stageKind, stageTitle, type Stage, type StageLoop } from '../transmission/index.ts';
import type { Build, Drive, PlacedPart } from '../vehicle/index.ts';
import { cylinderOf, middleOf } from './placed-solid.ts';
import { cylinderAt, hullOf, type Solid } from './solid.ts';
import { cross, dot, minus, plus, size, times, turned, type Vector } from './vector.ts';

/** Two wheels of a stage that are both placed, and run together. */
interface RunningPair {
  readonly drive: Drive;
  readonly stage: Stage;
  readonly driver: PlacedPart;
  readonly driven: PlacedPart;
}

/** How two wheels that run together lie to each other, and how they should. */
export interface Line {
  readonly driveId: string;
  readonly stageId: string;
  readonly driverId: string;
  readonly drivenId: string;
  /** How far the driver stands out of the plane of the driven wheel, along its shaft; 0 where their shafts cross. */
  readonly outM: number;
  readonly mayBeOutM: number;
  /** Between their shafts, beyond the angle that the stage asks. */
  readonly askewRad: number;
  readonly mayBeAskewRad: number;
  readonly apartM: number;
  /** As the Drivetrain has it; absent where the stage does not say. */
  readonly asksM?: number;
  readonly mayBeOffM: number;
  /** What the run-out of its wheels does to a belt or chain; absent where nobody says how much there is. */
  readonly swing?: {
    readonly lengthM: number;
    readonly tensionN?: number;
    /** Least sag of a chain that sags by a fiftieth of the distance (common practice, no source). */
    readonly leastSagM?: number;
  };
}

/** What wheels may be off: out of plane over their distance, or over their width; askew; off their distance. */
interface Allowance {
  readonly outOverApart?: number;
  readonly outOverWidth?: number;
  readonly askewRad: number;
  readonly offOverApart: number;
}

const DEGREE = Math.PI / 180;
/** Loops with teeth and chains a quarter of a degree, smooth belts half of one, gears a tenth of their width; distances of loops by a hundredth, which slots take up (common practice, no source). */
const TOOTHED: Allowance = { outOverApart: Math.tan(DEGREE / 4), askewRad: DEGREE / 2, offOverApart: 0.01 };
const SMOOTH: Allowance = { outOverApart: Math.tan(DEGREE / 2), askewRad: DEGREE, offOverApart: 0.01 };
const GEARS: Allowance = { outOverWidth: 0.1, askewRad: DEGREE / 5, offOverApart: 0.002 };
/** Sag of a chain that is tensioned as it should be, over the distance of its shafts (common practice, no source). */
const USUAL_SAG = 0.02;
/** A belt is tensioned to about a third of its working pull, a strand, at which it stretches so much (common practice, no source). */
const TENSIONED = 0.001;

const allowanceOf = (stage: Stage): Allowance =>
  !stageKind(stage.kind).loop ? GEARS : stageKind(stage.kind).holdsBy === 'friction' ? SMOOTH : TOOTHED;

/** The direction of a wheel's shaft. */
const shaftOf = (part: PlacedPart): Vector => turned(cylinderOf(part).along, part.turn.value);

const apart = (a: PlacedPart, b: PlacedPart): number => size(minus(middleOf(a), middleOf(b)));

/** The placed wheels that run together: each driven one with the nearest that drives it. */
export const runningPairs = remembered((build: Build): readonly RunningPair[] => {
  const wheels = (build.arrangement?.parts ?? []).filter(({ form, runs }) => runs && form === 'cylinder');
  const of = (driveId: string, stageId: string, which: 'driver' | 'driven') =>
    wheels.filter(
      ({ runs }) => runs?.driveId === driveId && runs.stageId === stageId && runs.wheel === which,
    );
  return build.drives.flatMap((drive) =>
    drive.stages.flatMap((stage) =>
      of(drive.id, stage.id, 'driven').flatMap((driven): RunningPair[] => {
        const [driver] = of(drive.id, stage.id, 'driver').sort((a, b) => apart(a, driven) - apart(b, driven));
        return driver ? [{ drive, stage, driver, driven }] : [];
      }),
    ),
  );
});

/** How far two straight lines are from each other. */
function betweenShafts(from: Vector, a: Vector, b: Vector): number {
  const normal = cross(a, b);
  const length = size(normal);
  if (length > 1e-6) return Math.abs(dot(from, normal)) / length;
  return size(minus(from, times(a, dot(from, a))));
}

function swingOf({ driver, driven }: RunningPair, loop: StageLoop, apartM: number): Line['swing'] {
  const [first, second] = [driver.runs?.runOut?.value ?? 0, driven.runs?.runOut?.value ?? 0];
  const mm = (m: number): number => m * 1000;
  const isOpen = apartM > loop.driverRadiusM + loop.drivenRadiusM;
  if (first + second === 0 || !isOpen) return undefined;
  const { stiffnessN } = loop;
  const { lengthSwingMm, tensionSwingN, leastSagMm } = runOut.run({
    driverRunOutMm: mm(first),
    drivenRunOutMm: mm(second),
    driverDiameterMm: mm(2 * loop.driverRadiusM),
    drivenDiameterMm: mm(2 * loop.drivenRadiusM),
    centreMm: mm(apartM),
    ...(stiffnessN === undefined
      ? { sagMm: mm(USUAL_SAG * apartM) }
      : { stiffnessN, tensionN: TENSIONED * stiffnessN }),
  });
  return {
    lengthM: lengthSwingMm / 1000,
    ...(tensionSwingN === undefined ? {} : { tensionN: tensionSwingN }),
    ...(leastSagMm === undefined ? {} : { leastSagM: leastSagMm / 1000 }),
  };
}

function lineOf(pair: RunningPair): Line {
  const { drive, stage, driver, driven } = pair;
  const { turnsCorner, onAxis } = stageKind(stage.kind);
  const [a, b] = [shaftOf(driver), shaftOf(driven)];
  const from = minus(middleOf(driver), middleOf(driven));
  const { apartM: says, loop } = stageFigures(stage);
  const asksM = onAxis ? 0 : says;
  const apartM = betweenShafts(from, b, a);
  const between = Math.acos(Math.min(1, Math.abs(dot(a, b))));
  const allowed = allowanceOf(stage);
  const width = Math.min(cylinderOf(driver).length, cylinderOf(driven).length);
  const swing = loop && swingOf(pair, loop, apartM);
  return {
    driveId: drive.id,
    stageId: stage.id,
    driverId: driver.id,
    drivenId: driven.id,
    outM: turnsCorner || onAxis ? 0 : dot(from, b),
    mayBeOutM: (allowed.outOverApart ?? 0) * apartM + (allowed.outOverWidth ?? 0) * width,
    askewRad: turnsCorner ? Math.PI / 2 - between : between,
    mayBeAskewRad: allowed.askewRad,
    apartM,
    ...(asksM === undefined ? {} : { asksM }),
    mayBeOffM: Math.max(1e-4, allowed.offOverApart * (asksM ?? apartM)),
    ...(swing ? { swing } : {}),
  };
}

/**
 * How wheels that run together lie: in one plane, parallel, and as far apart as their stage asks.
 *
 * @example linesOf(sanderling) // []
 */
export const linesOf = (build: Build): Line[] => runningPairs(build).map(lineOf);

/** A belt or chain as a body, and whose wheels it runs round. */
export interface RunningLoop {
  readonly id: string;
  readonly name: string;
  readonly solids: readonly Solid[];
  readonly round: readonly [driverId: string, drivenId: string];
}

/** How far two strands lie either side of the middle line, as seen along the shaft. */
function strandsOf({ driver, driven }: RunningPair, loop: StageLoop): Solid[] {
  const shaft = shaftOf(driven);
  const across = minus(middleOf(driver), middleOf(driven));
  const flat = minus(across, times(shaft, dot(across, shaft)));
  const apartM = size(flat);
  const sine = (loop.drivenRadiusM - loop.driverRadiusM) / apartM;
  if (!(Math.abs(sine) < 1)) return [];
  const on = times(flat, 1 / apartM);
  const up = cross(shaft, on);
  return ([1, -1] as const).map((side) => {
    const out = plus(times(on, sine), times(up, side * Math.sqrt(1 - sine ** 2)));
    const end = (part: PlacedPart, radius: number): Solid =>
      cylinderAt(plus(middleOf(part), times(out, radius)), shaft, loop.thickM / 2, loop.wideM);
    return hullOf([end(driver, loop.driverRadiusM), end(driven, loop.drivenRadiusM)]);
  });
}

/** Half a loop round a wheel, as the wheel that it makes thicker. */
const wrapOf = (part: PlacedPart, radius: number, loop: StageLoop): Solid =>
  cylinderAt(middleOf(part), shaftOf(part), radius + loop.thickM / 2, loop.wideM);

/**
 * The belts and chains that run round placed wheels: two strands, and what they add to the wheels.
 *
 * @example loopsOf(sanderling) // []
 */
export const loopsOf = remembered((build: Build): readonly RunningLoop[] =>
  runningPairs(build).flatMap((pair, n): RunningLoop[] => {
    const { drive, stage, driver, driven } = pair;
    const { loop } = stageFigures(stage);
    if (!loop) return [];
    const strands = strandsOf(pair, loop);
    if (strands.length === 0) return [];
    const wraps = [wrapOf(driver, loop.driverRadiusM, loop), wrapOf(driven, loop.drivenRadiusM, loop)];
    return [
      {
        id: `loop-${n + 1}-${stage.id}`,
        name: `${stageTitle(stage.kind)} of ${drive.name}`,
        solids: [...strands, ...wraps],
        round: [driver.id, driven.id],
      },
    ];
  }),
);
