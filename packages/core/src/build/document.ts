import { z } from 'zod';
import { assemblySchema } from './assembly-plan.ts';
import { layoutSchema } from './layout.ts';
import { marginPolicySchema } from './margin-policy.ts';
import { partSchema } from './part.ts';
import { quantity } from '../quantity/index.ts';
import { stageSchema } from '../transmission/index.ts';

export const FORMAT = 'zubric-build';
export const FORMAT_VERSION = 2;

const id = z.string().min(1).max(40);
const name = z.string().trim().min(1, 'give it a name').max(120).meta({ title: 'Name' });

const placedMass = z
  .strictObject({
    mass: quantity('mass', { least: 0 }, 'Mass'),
    aheadOfRearAxle: quantity('length', {}, 'Ahead of the rear axle', 'Its middle ahead of the rear axle'),
    height: quantity('length', { least: 0 }, 'Height', 'Its middle above the ground'),
  })
  .readonly();

const ground = z
  .strictObject({
    id,
    name,
    rolling: quantity(
      'coefficient',
      { least: 0, most: 2 },
      'Rolling resistance',
      'Rolling resistance over weight',
    ),
    friction: quantity('coefficient', { above: 0, most: 3 }, 'Grip', 'Grip of the driven wheels'),
  })
  .readonly();

const duty = z
  .strictObject({
    id,
    name,
    groundId: id.meta({ title: 'Ground' }),
    grade: quantity('angle', { above: -Math.PI / 2, below: Math.PI / 2 }, 'Grade', 'Uphill positive'),
    speed: quantity('speed', { least: 0 }, 'Speed', 'Speed it must hold'),
    acceleration: quantity('acceleration', {}, 'Acceleration', 'Speeding up while at it'),
    payloadShare: quantity(
      'share',
      { least: 0, most: 1 },
      'Payload on board',
      'Share of the payload on board',
    ),
    drawbar: quantity('force', { least: 0 }, 'Pull at the hitch'),
    duration: quantity('time', { least: 0 }, 'Time', 'How long in one outing'),
    mayRunHot: z.boolean().meta({ title: 'May run hot' }),
  })
  .readonly();

const driveGroup = z
  .strictObject({
    id,
    name,
    motorId: z.string().nullable().meta({ title: 'Motor' }),
    motorsPerWheel: z.int().min(1).max(4).meta({ title: 'Motors a wheel' }),
    stages: z.array(stageSchema).max(8).readonly().meta({ title: 'Stages' }),
  })
  .readonly();

const supply = z
  .strictObject({
    batteryId: z.string().nullable().meta({ title: 'Battery' }),
    driverId: z.string().nullable().meta({ title: 'Driver' }),
    driverCount: z.int().min(1).max(12).meta({ title: 'Drivers' }),
    cableResistance: quantity('resistance', { least: 0 }, 'Battery cable resistance', 'Out and back'),
    motorLeadResistance: quantity(
      'resistance',
      { least: 0 },
      'Motor lead resistance',
      'Leads of one motor, out and back',
    ),
    auxiliaryPower: quantity('power', { least: 0 }, 'Power beside the motors', 'Drawn beside the motors'),
    usableShare: quantity(
      'share',
      { above: 0, most: 1 },
      'Usable charge',
      'Share of the charge that may be used',
    ),
  })
  .readonly();

/** The build document: one vehicle. Its parts are carried along, so a file or a snapshot stands by itself. */
export const buildSchema = z
  .strictObject({
    format: z.literal(FORMAT),
    formatVersion: z.literal(FORMAT_VERSION),
    name,
    purpose: z.string().max(500).meta({ title: 'Purpose' }),
    readyBy: z.iso.date().nullable().meta({ title: 'Ready by' }),
    layout: layoutSchema,
    dragArea: quantity('area', { least: 0 }, 'Drag area', 'Drag coefficient times frontal area'),
    masses: z
      .strictObject({
        own: placedMass.meta({ title: 'Own mass' }),
        payload: placedMass.meta({ title: 'Payload' }),
      })
      .readonly(),
    grounds: z.array(ground).min(1).max(40).readonly().meta({ title: 'Grounds' }),
    duties: z.array(duty).max(40).readonly().meta({ title: 'Duties' }),
    drive: driveGroup,
    supply,
    marginPolicy: marginPolicySchema,
    parts: z.array(partSchema).max(200).readonly().meta({ title: 'Parts' }),
    assembly: assemblySchema,
  })
  .readonly()
  .superRefine((build, context) => {
    const say = (path: (string | number)[], message: string) =>
      context.addIssue({ code: 'custom', path, message });
    repeated(build.duties).forEach((at) => say(['duties', at, 'id'], 'this id stands twice'));
    repeated(build.grounds).forEach((at) => say(['grounds', at, 'id'], 'this id stands twice'));
    repeated(build.parts).forEach((at) => say(['parts', at, 'id'], 'this id stands twice'));
    repeated(build.drive.stages).forEach((at) => say(['drive', 'stages', at, 'id'], 'this id stands twice'));
    for (const list of ['lines', 'own', 'steps'] as const)
      repeated(build.assembly[list]).forEach((at) =>
        say(['assembly', list, at, 'id'], 'this id stands twice'),
      );
    build.duties.forEach((d, at) => {
      if (!build.grounds.some((g) => g.id === d.groundId))
        say(['duties', at, 'groundId'], `there is no ground "${d.groundId}"`);
    });
    if (build.masses.own.mass.value + build.masses.payload.mass.value <= 0)
      say(['masses', 'own', 'mass', 'value'], 'the vehicle must weigh something');
    const used = {
      motor: build.drive.motorId,
      driver: build.supply.driverId,
      battery: build.supply.batteryId,
    };
    for (const [kind, partId] of Object.entries(used))
      if (partId !== null && !build.parts.some((p) => p.id === partId && p.kind === kind))
        say(['parts'], `the ${kind} "${partId}" is not among the parts of the file`);
  });

const repeated = (items: readonly { readonly id: string }[]): number[] =>
  items.flatMap((item, at) => (items.findIndex((other) => other.id === item.id) < at ? [at] : []));

export type Build = z.output<typeof buildSchema>;
export type Duty = Build['duties'][number];
export type Ground = Build['grounds'][number];
export type PlacedMass = Build['masses']['own'];
