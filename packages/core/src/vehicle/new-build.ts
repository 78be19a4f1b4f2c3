import { degreesToRadians, assumed, type Quantity } from '../quantity/index.ts';
import {
  firmLoss,
  soilOf,
  soilOfSurface,
  surfacePair,
  surfaceTitle,
  type SoilId,
  type SurfaceId,
  type Tyre,
} from '../ground/index.ts';
import { newAssemblyPlan } from './assembly-plan.ts';
import { FORMAT, FORMAT_VERSION, type Build, type Ground, type OtherMass } from './document.ts';
import type { Drive, Purpose } from './drive.ts';
import type { Duty } from './duty.ts';
import { wheelbaseOf, type Axle, type Layout } from './layout/index.ts';
import { rounded, scaleOf, usual } from './scale.ts';
import { DOUBLE_RULE } from './margin-policy.ts';
import { bareDrive } from './to-format-4.ts';

/**
 * An id of the form `prefix-n` that none of these has.
 *
 * @example freeId('mass', [{ id: 'mass-1' }]) // 'mass-2'
 */
export function freeId(prefix: string, taken: readonly { readonly id: string }[]): string {
  let n = taken.length + 1;
  while (taken.some((item) => item.id === `${prefix}-${n}`)) n++;
  return `${prefix}-${n}`;
}

/**
 * A duty to start from: level, walking pace, fully loaded.
 *
 * @example newDuty('job', 'Up the lane', 'ground').task // 'drive'
 */
export const newDuty = (id: string, name: string, groundId: string): Duty => ({
  id,
  name,
  groundId,
  task: 'drive',
  grade: assumed(0, '°'),
  speed: assumed(1, 'm/s'),
  acceleration: assumed(0, 'm/s²'),
  payloadShare: assumed(1, '%'),
  drawbar: assumed(0, 'N'),
  duration: assumed(600, 'min'),
  extent: { kind: 'time' },
  mayRunHot: false,
});

/**
 * A ground to start from: dry concrete under rubber (Wong and Gillespie tables, from memory).
 *
 * @example newGround('g', 'Lane').name // 'Lane'
 */
export const newGround = (id: string, name: string): Ground => ({
  id,
  name,
  surface: null,
  rolling: assumed(0.02, ''),
  freeRolling: assumed(0.02, ''),
  friction: assumed(0.7, ''),
  across: assumed(0.7, ''),
});

/** The middle of a range of the table, with half its width as the spread. */
export const between = ([low, high]: readonly [number, number]): Quantity => ({
  ...assumed(tabled((low + high) / 2), ''),
  spread: tabled((high - low) / 2),
});

/** As many digits as such tables have. */
const tabled = (x: number): number => Number(x.toPrecision(3));

/** What a tyre rolls with on a surface; on one that gives way without its sinking in, which is worked out. */
const rollingOn = (surface: SurfaceId, tyre: Tyre): Quantity =>
  between(soilOfSurface(surface) ? firmLoss(tyre) : surfacePair(surface, tyre).rolling);

/** What an axle drags over its load on a surface: sliders slide. */
const dragOf = (surface: SurfaceId, axle: Axle): Quantity =>
  axle.form === 'slider' ? between(surfacePair(surface, axle.tyre).friction) : rollingOn(surface, axle.tyre);

/** What a tyre does on a surface, by the table. */
export function onSurface(surface: SurfaceId, tyre: Tyre): NonNullable<Ground['tyres']>[number] {
  const friction = between(surfacePair(surface, tyre).friction);
  return { tyre, rolling: rollingOn(surface, tyre), friction, across: friction };
}

/**
 * Soft ground as a build holds it.
 *
 * @example soilFrom('dry-sand').name // 'dry sand'
 */
export function soilFrom(id: SoilId): NonNullable<Ground['soil']> {
  const { title: name, ...soil } = soilOf(id);
  return { name, ...soil };
}

/**
 * A ground from the table of surfaces, for the tyres of a layout.
 *
 * @example groundOfSurface('yard', 'dry-concrete', puffin.layout).name // 'Dry concrete'
 */
export function groundOfSurface(id: string, surface: SurfaceId, layout: Layout): Ground {
  const driven = layout.axles.find((axle) => axle.driven) ?? layout.axles[0];
  const free = layout.axles.find((axle) => !axle.driven) ?? driven;
  if (!driven || !free) throw new RangeError('a layout has at least one axle');
  const { friction } = surfacePair(surface, driven.tyre);
  const title = surfaceTitle(surface);
  const soil = soilOfSurface(surface);
  const covered = (axle: Axle): boolean =>
    axle.form === 'slider' || axle.tyre === (axle.driven ? driven : free).tyre;
  const others = [...new Set(layout.axles.filter((axle) => !covered(axle)).map(({ tyre }) => tyre))];
  return {
    id,
    name: title.charAt(0).toUpperCase() + title.slice(1),
    surface,
    rolling: dragOf(surface, driven),
    freeRolling: dragOf(surface, free),
    friction: between(friction),
    across: between(friction),
    ...(soil ? { soil: soilFrom(soil) } : {}),
    ...(others.length > 0 ? { tyres: others.map((tyre) => onSurface(surface, tyre)) } : {}),
  };
}

/**
 * A mass at the middle of a vehicle, as such a vehicle has one.
 *
 * @example newMass(puffin, 'm', 'Rider', 'rider').mass.unit // 'kg'
 */
export function newMass(build: Build, id: string, name: string, kind: OtherMass['kind']): OtherMass {
  const scale = scaleOf(build);
  const rides = kind === 'rider';
  return {
    id,
    name,
    kind,
    mass: assumed(rides ? usual.riderKg(scale) : usual.partKg(scale), 'kg'),
    aheadOfRearAxle: assumed(wheelbaseOf(build.layout) / 2, 'mm'),
    left: assumed(0, 'mm'),
    height: assumed(rounded(rides ? scale.wheelM + 0.35 : scale.wheelM * 0.7), 'mm'),
  };
}

const newAxles = (): Build['layout']['axles'] => [
  {
    id: 'driven',
    name: 'Driven wheels',
    form: 'wheel',
    tyre: 'pneumatic',
    ahead: assumed(0, 'mm'),
    track: assumed(0.5, 'm'),
    diameter: assumed(0.3, 'mm'),
    width: assumed(0.06, 'mm'),
    driven: true,
    steered: false,
    braked: false,
  },
  {
    id: 'free',
    name: 'Castors',
    form: 'castor',
    tyre: 'solid-rubber',
    ahead: assumed(0.6, 'mm'),
    track: assumed(0.35, 'mm'),
    diameter: assumed(0.15, 'mm'),
    width: assumed(0.03, 'mm'),
    driven: false,
    steered: false,
    braked: false,
  },
];

const newMasses = (): Build['masses'] => ({
  own: {
    mass: assumed(30, 'kg'),
    aheadOfRearAxle: assumed(0.2, 'mm'),
    left: assumed(0, 'mm'),
    height: assumed(0.25, 'mm'),
  },
  payload: {
    mass: assumed(20, 'kg'),
    aheadOfRearAxle: assumed(0.2, 'mm'),
    left: assumed(0, 'mm'),
    height: assumed(0.4, 'mm'),
  },
  others: [],
});

const newDuties = (): Build['duties'] => [
  newDuty('duty-1', 'Level, loaded', 'ground-1'),
  {
    ...newDuty('duty-2', 'Ramp, loaded', 'ground-1'),
    grade: assumed(degreesToRadians(5), '°'),
    speed: assumed(0.6, 'm/s'),
    duration: assumed(120, 'min'),
  },
];

/** A drive of which nothing is chosen yet. */
export const newDrive = (id: string, name: string, does: Exclude<Purpose, 'works'>): Drive => ({
  id,
  name,
  does,
  driverId: null,
  leadResistance: assumed(0.01, 'mΩ'),
  motorId: null,
  together: 'wheel',
  differential: 'open',
  motorsPerWheel: 1,
  stages: [],
  ...bareDrive(),
});

/**
 * A vehicle with every number assumed and no parts chosen: two driven wheels and castors.
 *
 * @example newBuild('Tern').duties.length // 2
 */
export const newBuild = (name: string): Build => ({
  format: FORMAT,
  formatVersion: FORMAT_VERSION,
  name,
  purpose: '',
  readyBy: null,
  people: 'beside',
  layout: {
    kind: 'two-driven',
    axles: newAxles(),
  },
  body: {
    length: assumed(0.8, 'mm'),
    width: assumed(0.6, 'mm'),
    height: assumed(0.5, 'mm'),
    clearance: assumed(0.08, 'mm'),
  },
  hitch: { behind: assumed(0.1, 'mm'), height: assumed(0.15, 'mm'), load: assumed(0, 'N') },
  brake: { kind: 'none', reaction: assumed(0.5, 's') },
  aims: { maximise: 'none' },
  dragArea: assumed(0, 'm²'),
  masses: newMasses(),
  grounds: [newGround('ground-1', 'Dry concrete')],
  duties: newDuties(),
  drives: [newDrive('drive-1', 'Driven wheels', 'propels')],
  supply: {
    packs: [],
    joined: 'in series',
    drivers: [],
    cableResistance: assumed(0.005, 'mΩ'),
    auxiliaryPower: assumed(2, 'W'),
    usableShare: assumed(0.8, '%'),
  },
  marginPolicy: DOUBLE_RULE,
  parts: [],
  assembly: newAssemblyPlan(),
});
