import type { z } from 'zod';
import { fieldsOf, type NumberField } from '../quantity/index.ts';
import {
  arrangementSchema,
  faceSchema,
  placedPartSchema,
  printerSchema,
  runsSchema,
  shellSchema,
  cornerSchema,
  shaftSchema,
  stackedSchema,
  zoneSchema,
} from './arrangement.ts';
import { assemblySchema, builderSchema, markedStep, ownStepSchema, serviceSchema } from './assembly-plan.ts';
import { buildSchema } from './document.ts';
import { driveSchema, mountSchema, releaseSchema } from './drive.ts';
import {
  areaExtent,
  dutySchema,
  routeExtent,
  towedSchema,
  turnRadius,
  upToSpeedDistance,
  upToSpeedTime,
} from './duty.ts';
import { pushForce, pushHeap } from './push.ts';
import { frameMemberSchema, frameMountSchema } from './frame.ts';
import { holeCircleSchema, holeSchema, ownSheetSchema } from './own-sheet.ts';
import { groundSchema, soilSchema } from './ground-entry.ts';
import { axleSchema, layoutSchema } from './layout/layout.ts';
import { marginPolicySchema } from './margin-policy.ts';
import { chargerSchema, railLoadSchema, railSchema, sunSchema, supplySchema, wireSchema } from './supply.ts';
import {
  aimsSchema,
  bodySchema,
  brakeSchema,
  handSchema,
  hitchSchema,
  innerDriveSchema,
  placedMassSchema,
  steeringSchema,
} from './vehicle.ts';
import { drawingSchema, liftSchema, turningSchema } from './work.ts';

const SCHEMAS = {
  build: buildSchema,
  body: bodySchema,
  hitch: hitchSchema,
  brake: brakeSchema,
  steering: steeringSchema,
  hand: handSchema,
  innerDrive: innerDriveSchema,
  mass: placedMassSchema,
  aims: aimsSchema,
  layout: layoutSchema,
  axle: axleSchema,
  ground: groundSchema,
  soil: soilSchema,
  duty: dutySchema,
  towed: towedSchema,
  pushForce,
  pushHeap,
  turn: turnRadius,
  route: routeExtent,
  area: areaExtent,
  upToSpeedDistance,
  upToSpeedTime,
  drive: driveSchema,
  mount: mountSchema,
  release: releaseSchema,
  lift: liftSchema,
  turns: turningSchema,
  draws: drawingSchema,
  supply: supplySchema,
  wire: wireSchema,
  rail: railSchema,
  railLoad: railLoadSchema,
  charger: chargerSchema,
  sun: sunSchema,
  policy: marginPolicySchema,
  arrangement: arrangementSchema,
  placed: placedPartSchema,
  face: faceSchema,
  zone: zoneSchema,
  shaft: shaftSchema,
  stacked: stackedSchema,
  runs: runsSchema,
  shell: shellSchema,
  corner: cornerSchema,
  printer: printerSchema,
  member: frameMemberSchema,
  frameMount: frameMountSchema,
  hole: holeSchema,
  holeCircle: holeCircleSchema,
  ownSheet: ownSheetSchema,
  assembly: assemblySchema,
  step: markedStep,
  ownStep: ownStepSchema,
  helper: builderSchema,
  service: serviceSchema,
} as const;

/** A part of a build that has numbers. */
export type BuildPart = keyof typeof SCHEMAS;
export type KeyOfPart<P extends BuildPart> = keyof z.output<(typeof SCHEMAS)[P]> & string;

const known = new Map<BuildPart, ReadonlyMap<string, NumberField>>();

/**
 * A number of a build as its schema calls, measures and limits it: what a form asks for it.
 *
 * @example fieldOf('duty', 'speed') // { key: 'speed', title: 'Speed', dimension: 'speed', least: 0, … }
 * @throws Error where the schema has no number of that name: a mistake of ours
 */
export function fieldOf<P extends BuildPart>(part: P, key: KeyOfPart<P>): NumberField {
  let fields = known.get(part);
  if (!fields) {
    fields = new Map(fieldsOf(SCHEMAS[part]).map((field) => [field.key, field]));
    known.set(part, fields);
  }
  const field = fields.get(key);
  if (!field) throw new Error(`a ${part} has no number "${key}"`);
  return field;
}
