import { z } from 'zod';
import { quantity } from '../quantity/index.ts';
import { arrangementSchema } from './arrangement.ts';
import { assemblySchema } from './assembly-plan.ts';
import { controlSchema } from './control.ts';
import { courseSchema } from './course.ts';
import { driveSchema } from './drive.ts';
import { dutySchema } from './duty.ts';
import { groundSchema } from './ground-entry.ts';
import { name } from './item.ts';
import { layoutSchema } from './layout/index.ts';
import { marginPolicySchema } from './margin-policy.ts';
import { mismatchSchema } from './mismatch.ts';
import { balancingSchema, creepingSchema, rollingSchema } from './trying.ts';
import { partSchema, type PartKind } from './part.ts';
import { supplySchema } from './supply.ts';
import {
  aimsSchema,
  bodySchema,
  brakeSchema,
  hitchSchema,
  innerDriveSchema,
  otherMassSchema,
  placedMassSchema,
  steeringSchema,
} from './vehicle.ts';

/** What a file of a build says it is. */
export const FORMAT = 'zubric-build';
/** The form of a build that this version writes. */
export const FORMAT_VERSION = 6;

/** Who is on it or near it while it drives. */
export const PEOPLE = ['nobody', 'beside', 'riding'] as const;

/** The fields of a build, each by itself. */
export const buildFields = z.strictObject({
  format: z.literal(FORMAT),
  formatVersion: z.literal(FORMAT_VERSION),
  name,
  purpose: z.string().max(500).meta({ title: 'Purpose' }),
  readyBy: z.iso.date().nullable().meta({ title: 'Ready by' }),
  people: z.enum(PEOPLE).meta({ title: 'People' }),
  layout: layoutSchema,
  body: bodySchema.meta({ title: 'Body' }),
  hitch: hitchSchema.meta({ title: 'Hitch' }),
  brake: brakeSchema.meta({ title: 'Brake' }),
  steering: steeringSchema.optional().meta({ title: 'Steering' }),
  innerDrive: innerDriveSchema.optional().meta({ title: 'Inner drive' }),
  aims: aimsSchema.meta({ title: 'Aims' }),
  speedCap: quantity('speed', { above: 0 }, 'Never faster than').optional(),
  dragArea: quantity('area', { least: 0 }, 'Drag area', 'Drag coefficient times frontal area'),
  masses: z
    .strictObject({
      own: placedMassSchema.readonly().meta({ title: 'Own mass' }),
      payload: placedMassSchema.readonly().meta({ title: 'Payload' }),
      others: z.array(otherMassSchema).max(40).readonly().meta({ title: 'Other masses' }),
    })
    .readonly(),
  grounds: z.array(groundSchema).min(1).max(40).readonly().meta({ title: 'Grounds' }),
  duties: z.array(dutySchema).max(40).readonly().meta({ title: 'Jobs' }),
  drives: z.array(driveSchema).min(1).max(8).readonly().meta({ title: 'Drives' }),
  supply: supplySchema.meta({ title: 'Supply' }),
  marginPolicy: marginPolicySchema,
  parts: z.array(partSchema).max(200).readonly().meta({ title: 'Parts' }),
  /** Parts beside motor, driver and battery, and how many of each. */
  fitted: z
    .array(
      z
        .strictObject({
          id: z.string().min(1).max(60),
          count: z.int().min(1).max(1000).meta({ title: 'Count' }),
        })
        .readonly(),
    )
    .max(100)
    .readonly()
    .optional()
    .meta({ title: 'Fitted parts' }),
  arrangement: arrangementSchema.optional().meta({ title: 'Layout' }),
  /** How it was driven last on the Test track. */
  driving: z
    .strictObject({
      course: courseSchema.optional().meta({ title: 'Course' }),
      control: controlSchema.optional().meta({ title: 'Controller' }),
      mismatch: mismatchSchema.optional().meta({ title: 'Unlike parts' }),
      balancing: balancingSchema.optional().meta({ title: 'Balancing' }),
      rolling: rollingSchema.optional().meta({ title: 'Rolling a sphere' }),
      creeping: creepingSchema.optional().meta({ title: 'Creeping' }),
    })
    .readonly()
    .optional()
    .meta({ title: 'Test track' }),
  assembly: assemblySchema,
});

export type Build = Readonly<z.output<typeof buildFields>>;

type Say = (path: (string | number)[], message: string) => void;

/** What the fields of a build must agree in: says what does not, and where. */
export function sayDisagreements(build: Build, say: Say): void {
  repeated(build.duties).forEach((at) => say(['duties', at, 'id'], 'this id stands twice'));
  repeated(build.grounds).forEach((at) => say(['grounds', at, 'id'], 'this id stands twice'));
  repeated(build.masses.others).forEach((at) => say(['masses', 'others', at, 'id'], 'this id stands twice'));
  repeated(build.parts).forEach((at) => say(['parts', at, 'id'], 'this id stands twice'));
  const repeats = (items: readonly { readonly id: string }[], ...path: (string | number)[]) =>
    repeated(items).forEach((at) => say([...path, at, 'id'], 'this id stands twice'));
  repeats(build.drives, 'drives');
  build.drives.forEach(({ stages, path, axleIds, does, work }, n) => {
    repeats(stages, 'drives', n, 'stages');
    repeats(path, 'drives', n, 'path');
    axleIds?.forEach((axleId, at) => {
      if (!build.layout.axles.some((axle) => axle.id === axleId))
        say(['drives', n, 'axleIds', at], `there is no axle "${axleId}"`);
    });
    if ((does === 'works') !== (work !== undefined))
      say(['drives', n, 'work'], 'a drive that works says what it does; no other does');
  });
  if (!build.drives.some(({ does }) => does === 'propels'))
    say(['drives'], 'one drive must move the vehicle');
  for (const list of ['parts', 'zones', 'shafts', 'frame', 'sheets'] as const)
    repeats(build.arrangement?.[list] ?? [], 'arrangement', list);
  build.arrangement?.frame?.forEach(({ mounts }, n) => repeats(mounts, 'arrangement', 'frame', n, 'mounts'));
  build.arrangement?.parts.forEach(({ holes }, n) =>
    repeats(holes ?? [], 'arrangement', 'parts', n, 'holes'),
  );
  build.arrangement?.shafts?.forEach(({ stack }, n) => repeats(stack, 'arrangement', 'shafts', n, 'stack'));
  build.arrangement?.parts.forEach(({ faces }, n) => repeats(faces, 'arrangement', 'parts', n, 'faces'));
  repeats(build.supply.packs, 'supply', 'packs');
  repeats(build.supply.drivers, 'supply', 'drivers');
  repeats(build.supply.rails ?? [], 'supply', 'rails');
  repeats(build.supply.interlocks ?? [], 'supply', 'interlocks');
  build.supply.interlocks?.forEach(({ driveId }, n) => {
    if (driveId !== undefined && !build.drives.some((drive) => drive.id === driveId))
      say(['supply', 'interlocks', n, 'driveId'], `there is no drive "${driveId}"`);
  });
  build.supply.rails?.forEach(({ loads }, n) => repeats(loads, 'supply', 'rails', n, 'loads'));
  for (const list of ['lines', 'own', 'steps', 'ownSteps', 'helpers', 'ports', 'checks'] as const)
    repeats(build.assembly[list] ?? [], 'assembly', list);
  repeats(build.assembly.service?.done ?? [], 'assembly', 'service', 'done');
  (build.fitted ?? []).forEach(({ id }, at) => {
    if (!build.parts.some((part) => part.id === id))
      say(['fitted', at, 'id'], `there is no part "${id}" among the parts`);
  });
  repeated(build.fitted ?? []).forEach((at) => say(['fitted', at, 'id'], 'this id stands twice'));
  build.duties.forEach((d, at) => {
    if (!build.grounds.some((g) => g.id === d.groundId))
      say(['duties', at, 'groundId'], `there is no ground "${d.groundId}"`);
  });
  if (build.masses.own.mass.value + build.masses.payload.mass.value <= 0)
    say(['masses', 'own', 'mass', 'value'], 'the vehicle must weigh something');
  const carried = (partId: string, ...kinds: readonly PartKind[]) => {
    if (!build.parts.some((p) => p.id === partId && kinds.includes(p.kind)))
      say(['parts'], `the ${kinds.join(' or ')} "${partId}" is not among the parts of the file`);
  };
  for (const { motorId, driverId } of build.drives) {
    if (motorId !== null) carried(motorId, 'motor');
    if (driverId !== null) carried(driverId, 'driver');
  }
  for (const { id } of build.supply.packs) carried(id, 'battery', 'source');
  for (const { id } of build.supply.drivers) carried(id, 'driver');
}

/** The build document: one vehicle. Its parts are carried along, so a file or a snapshot stands by itself. */
export const buildSchema = buildFields
  .readonly()
  .superRefine((build, context) =>
    sayDisagreements(build, (path, message) => context.addIssue({ code: 'custom', path, message })),
  );

const repeated = (items: readonly { readonly id: string }[]): number[] =>
  items.flatMap((item, at) => (items.findIndex((other) => other.id === item.id) < at ? [at] : []));

/** What a drawing of a vehicle alone needs: nothing of what it weighs or does. */
export type VehicleShape = Pick<Build, 'layout' | 'body' | 'hitch'>;
/** A ground that duties are on. */
export type Ground = Build['grounds'][number];
/** A mass and where its middle is. */
export type PlacedMass = Build['masses']['own'];
/** A rider, ballast or part. */
export type OtherMass = Build['masses']['others'][number];
/** How its wheels are steered. */
export type Steering = NonNullable<Build['steering']>;
/** What drives a sphere from inside. */
export type InnerDrive = NonNullable<Build['innerDrive']>;
/** What to make the most of, and the limits of its event. */
export type Aims = Build['aims'];
/** How a ground gives way. */
export type GroundSoil = NonNullable<Ground['soil']>;
