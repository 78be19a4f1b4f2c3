import { stageKind } from '@zubric/core/transmission';
import {
  layoutKind,
  drivenAxles,
  drivenDiameter,
  motorOf,
  trackOf,
  type Build,
  driveOf,
  outputsOf,
} from '@zubric/core/vehicle';
import { at, box, circle, extentOf, line, type At, type Shape } from '../../drawings/shapes.ts';
import type { DrawnStage } from './drawn-stage.ts';
import { drawnStages } from './train-parts.ts';

/** A body is drawn this large where the motor's own size is not known, mm. */
const MOTOR_WIDTH = 60;
const MOTOR_LENGTH = 110;
/** Between one stage and the next across the vehicle, mm. */
const GAP = 10;

export interface TrainDrawing {
  readonly shapes: readonly Shape[];
  /** Height of the ground, mm; undefined from above, and where nothing stands on it. */
  readonly groundY?: number;
  /** Whether every size in it is known. */
  readonly sized: boolean;
  /** From above: whether the front is up, where it is wider than long. */
  readonly frontUp?: boolean;
}

const motorRadius = (build: Build): number => (motorOf(build)?.bodyDiameterMm ?? MOTOR_WIDTH) / 2;

/** A worm's and a bevel pair's driver lie across: the motor with them. */
const turnsCorner = ({ stage }: DrawnStage): boolean => stageKind(stage.kind).turnsCorner === true;

/** The stage next to the motor whose shafts are not one. */
const firstOffAxis = (stages: readonly DrawnStage[]): DrawnStage | undefined =>
  stages.findLast(({ stage }) => !stageKind(stage.kind).onAxis);

/** Whether nothing of a stage is left to be sized: what its maker closes, and what only joins two shafts. */
const hasNoSize = ({ stage }: DrawnStage): boolean => {
  const { sealed, joinsShafts } = stageKind(stage.kind);
  return sealed === true || joinsShafts === true;
};

/** One driven wheel with its motor and stages from the side, mm; the wheel's axle at 0, 0. */
export function fromTheSide(build: Build): TrainDrawing {
  const stages = drawnStages(build);
  const last = stages[0];
  const ends = last && stageKind(last.stage.kind).ends;
  const radius = ends ? last.drivenRadius : drivenDiameter(build.layout).value * 500;
  const motorAt = stages.at(-1)?.driver ?? at(0, 0);
  const corner = firstOffAxis(stages);
  const across = corner !== undefined && turnsCorner(corner) && corner.driver === motorAt;
  const length = motorOf(build)?.bodyLengthMm ?? MOTOR_LENGTH;
  const body = motorRadius(build);
  const motor: Shape[] = !motorOf(build)
    ? []
    : across
      ? [
          line(box(at(motorAt.x - length / 2, motorAt.y), length, 2 * body), 'elec', {
            closed: true,
            filled: true,
          }),
        ]
      : [circle(motorAt, body, 'elec', { filled: true })];
  const shapes: Shape[] = [
    ...(ends ? [] : [circle(at(0, 0), radius, 'ink'), circle(at(0, 0), radius * 0.82, 'soft')]),
    ...motor,
    ...[...stages].reverse().flatMap(({ side }) => side),
    circle(at(0, 0), 3, 'ink', { filled: true }),
  ];
  return {
    shapes,
    ...(layoutKind(build.layout.kind).pullsByRope
      ? {}
      : { groundY: ends ? extentOf(shapes).bottom : -radius }),
    sized: stages.every((one) => one.sized || hasNoSize(one)),
  };
}

/** Seen from above a round thing is a box as long as it is across. */
const roller = (x: number, y: number, radius: number, width: number, tone: 'mech' | 'ink' | 'elec'): Shape =>
  line(box(at(x, y), 2 * radius, width), tone, { closed: true, filled: true });

interface Side {
  /** Where the innermost face of what is driven is, left of the middle, mm. */
  readonly from: number;
  /** Which way the drive goes on from there: −1 towards the middle from the left. */
  readonly way: 1 | -1;
}

/** The stages of one driveline from above, from its wheel to its motor. */
function lineFromAbove(build: Build, { from, way }: Side): Shape[] {
  const shapes: Shape[] = [];
  let y = from + way * GAP;
  let shaftAt: At = at(0, from);
  for (const { stage, driven, driver, drivenRadius, driverRadius, width, across } of drawnStages(build)) {
    if (stageKind(stage.kind).ends?.needs === 'onTracks') continue;
    const middle = y + (way * width) / 2;
    shapes.push(line([shaftAt, at(driven.x, middle)], 'ink', { heavy: true }));
    shapes.push(roller(driven.x, middle, drivenRadius, width, 'mech'));
    if (across !== 'none') {
      if (across === 'loop') {
        for (const edge of [-0.35, 0.35])
          shapes.push(
            line([at(driver.x, middle + edge * width), at(driven.x, middle + edge * width)], 'mech'),
          );
      }
      shapes.push(roller(driver.x, middle, driverRadius, width, 'mech'));
    }
    shaftAt = at(driver.x, middle);
    y = middle + way * (width / 2 + GAP);
  }
  const motor = motorOf(build);
  if (!motor) return shapes;
  const [length, radius] = [motor.bodyLengthMm ?? MOTOR_LENGTH, motorRadius(build)];
  const stages = drawnStages(build);
  const corner = firstOffAxis(stages);
  if (corner && turnsCorner(corner))
    // Its shaft lies along the vehicle.
    return [...shapes, roller(shaftAt.x - length / 2, shaftAt.y, length / 2, 2 * radius, 'elec')];
  const middle = y + (way * length) / 2;
  return [
    ...shapes,
    line([shaftAt, at(shaftAt.x, y)], 'ink', { heavy: true }),
    roller(shaftAt.x, middle, radius, length, 'elec'),
  ];
}

function seenFromAbove(build: Build): TrainDrawing {
  const radius = drivenDiameter(build.layout).value * 500;
  const axle = drivenAxles(build.layout)[0];
  const track = trackOf(build.layout).value * 1000;
  const width = (axle?.width.value ?? 0.03) * 1000;
  const wheelLength = (axle?.contactLength?.value ?? 0) * 1000;
  const wheel = (y: number): Shape =>
    wheelLength > 0
      ? line(box(at(wheelLength / 2, y), wheelLength + 2 * radius, width), 'ink', {
          closed: true,
          filled: true,
        })
      : roller(0, y, radius, width, 'ink');
  const single = !axle || axle.track.value === 0;
  const own =
    driveOf(build).together === 'wheel' || driveOf(build).together === 'side' ? outputsOf(build) > 1 : false;
  const sized = drawnStages(build).every((one) => one.sized || hasNoSize(one));
  if (single) return { shapes: [wheel(0), ...lineFromAbove(build, { from: width / 2, way: 1 })], sized };
  const [left, right] = [wheel(track / 2), wheel(-track / 2)];
  if (own)
    return {
      shapes: [
        left,
        right,
        ...lineFromAbove(build, { from: track / 2 - width / 2, way: -1 }),
        ...lineFromAbove(build, { from: -track / 2 + width / 2, way: 1 }),
      ],
      sized,
    };
  return {
    shapes: [
      line([at(0, -track / 2), at(0, track / 2)], 'ink', { heavy: true }),
      left,
      right,
      ...lineFromAbove(build, { from: track * 0.18, way: -1 }),
    ],
    sized,
  };
}

/** A drawing with its front up instead of to the right. */
const frontUp = (shapes: readonly Shape[]): Shape[] =>
  shapes.map((shape) =>
    shape.kind === 'line' ? { ...shape, points: shape.points.map(({ x, y }) => at(-y, x)) } : shape,
  );

/**
 * The driven axle from above with every driveline of it, mm: x forward and y to the left, or the front up where it is wider than long. Drives of two sides are mirrored;
 * one that serves an axle stands beside its middle.
 */
export function fromAbove(build: Build): TrainDrawing {
  const drawing = seenFromAbove(build);
  const { left, right, bottom, top } = extentOf(drawing.shapes);
  return right - left < top - bottom
    ? { ...drawing, shapes: frontUp(drawing.shapes), frontUp: true }
    : { ...drawing, frontUp: false };
}
