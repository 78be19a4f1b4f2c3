import { z } from 'zod';
import { fieldsOf, quantity, type NumberField } from '../../quantity/index.ts';
import { SET_SCREW_SIZES } from '../set-screw-hold.ts';

const length = (title: string, description?: string) => quantity('length', { above: 0 }, title, description);
const friction = quantity('coefficient', { above: 0, most: 2 }, 'Friction', 'Between hub and shaft');
const allowableShear = quantity('stress', { above: 0 }, 'Allowable shear');

const common = {
  id: z.string().min(1).max(40),
  name: z.string().trim().min(1, 'give it a name').max(60).meta({ title: 'Name' }),
  /** The stage that it comes behind; null where it sits on the motor's own shaft. */
  after: z.string().min(1).max(40).nullable().meta({ title: 'Behind the stage' }),
} as const;

const bore = length('Bore', 'Bore of the hub');

const shaft = z.strictObject({
  ...common,
  kind: z.literal('shaft'),
  diameter: length('Diameter', 'At its thinnest'),
  length: length('Length', 'That twists').optional(),
  keyWidth: length('Keyway', 'Width of its keyway').optional(),
  allowable: allowableShear,
});

const key = z.strictObject({
  ...common,
  kind: z.literal('key'),
  bore,
  width: length('Key width'),
  height: length('Key height'),
  length: length('Key length'),
  allowable: allowableShear,
  allowableBearing: quantity('stress', { above: 0 }, 'Allowable bearing'),
});

const setScrews = z.strictObject({
  ...common,
  kind: z.literal('set-screws'),
  bore,
  size: z.enum(SET_SCREW_SIZES).meta({ title: 'Size of the screws' }),
  count: z.int().min(1).max(8).meta({ title: 'Set screws' }),
});

const clamp = z.strictObject({
  ...common,
  kind: z.literal('clamp'),
  bore,
  screws: z.int().min(1).max(8).meta({ title: 'Screws' }),
  screwForce: quantity('force', { above: 0 }, 'Force of a screw', 'Of each screw, tightened'),
  friction,
});

const pressFit = z.strictObject({
  ...common,
  kind: z.literal('press-fit'),
  bore,
  hubDiameter: length('Hub diameter', 'Outer diameter of the hub'),
  length: length('Seat length'),
  interference: length('Interference', 'By how much the shaft is thicker than the bore'),
  friction,
});

const boltCircle = z.strictObject({
  ...common,
  kind: z.literal('bolt-circle'),
  bolts: z.int().min(2).max(24).meta({ title: 'Bolts' }),
  circle: length('Bolt circle', 'Diameter of the bolt circle of the part before'),
  boltDiameter: length('Bolt diameter'),
  standoff: quantity('length', { least: 0 }, 'Standoff', 'Free length between the two parts'),
  allowable: allowableShear,
  otherBolts: z.int().min(2).max(24).meta({ title: 'Holes of the part behind' }),
  otherCircle: length('Its bolt circle', 'Diameter of the bolt circle of the part behind'),
});

const coupling = z.strictObject({
  ...common,
  kind: z.literal('coupling'),
  bore: length('Bore before', 'Bore on the side of the motor'),
  otherBore: length('Bore behind', 'Bore on the side of the wheel'),
  ratedTorque: quantity('torque', { above: 0 }, 'Rated torque', 'As its maker says'),
});

const tyre = z.strictObject({
  ...common,
  kind: z.literal('tyre'),
  rimDiameter: length('Rim diameter', 'Of the seat of the tyre'),
  seatWidth: length('Seat width', 'Both beads together'),
  pressure: quantity('stress', { least: 0 }, 'Pressure on the seat', 'Its air, or its stretch'),
  friction,
  bond: quantity('stress', { least: 0 }, 'Glue carries', 'Shear that the glue may carry; 0 without'),
});

/** One part of the way that the torque takes beside gears and loops: from motor to tyre. */
export const pathElementSchema = z
  .discriminatedUnion('kind', [shaft, key, setScrews, clamp, pressFit, boltCircle, coupling, tyre])
  .readonly();

export type PathElement = z.output<typeof pathElementSchema>;
export type PathKind = PathElement['kind'];
export type PathOf<K extends PathKind> = Extract<PathElement, { kind: K }>;

/** How a part of the path is called. */
const TITLES: Readonly<Record<PathKind, string>> = {
  shaft: 'Shaft',
  key: 'Hub with key',
  'set-screws': 'Hub with set screws',
  clamp: 'Clamped hub',
  'press-fit': 'Pressed-on hub',
  'bolt-circle': 'Bolt circle',
  coupling: 'Coupling',
  tyre: 'Tyre on its rim',
};

export const PATH_KINDS = Object.keys(TITLES) as readonly PathKind[];
export const pathTitle = (kind: PathKind): string => TITLES[kind];

/** The ways of holding a hub on a shaft: schools of the trade, each a change in place. */
export const HUB_KINDS = ['set-screws', 'key', 'clamp', 'press-fit'] as const satisfies readonly PathKind[];
export type HubKind = (typeof HUB_KINDS)[number];
export const isHub = (element: PathElement): element is PathOf<HubKind> =>
  (HUB_KINDS as readonly PathKind[]).includes(element.kind);

const SCHEMAS: Readonly<Record<PathKind, z.ZodType>> = {
  shaft,
  key,
  'set-screws': setScrews,
  clamp,
  'press-fit': pressFit,
  'bolt-circle': boltCircle,
  coupling,
  tyre,
};

/** The counts and quantities of a kind of part, as its schema calls and limits them. */
export const pathFields = (kind: PathKind): readonly NumberField[] => fieldsOf(SCHEMAS[kind]);
