import { surfaceTitle, type SurfaceId } from '../ground/index.ts';
import { assumed, type Quantity } from '../quantity/index.ts';
import type { Build, OtherMass, PlacedMass } from './document.ts';
import type { Duty } from './duty.ts';
import { DUTY_TEMPLATES, dutyFrom, dutyTemplate, type DutyTemplate } from './duty-templates.ts';
import { layoutTemplate, type LayoutTemplate } from './layout-templates.ts';
import { mm, type Size } from './layout-fill.ts';
import { layoutKind, type Axle, type Layout } from './layout/index.ts';
import { groundOfSurface, newBuild } from './new-build.ts';
import { rounded, scaleOf, usual, type Scale } from './scale.ts';
import { classOfMass, massOfWheel, sizeClass, wheelOfMass, type SizeClass } from './size-classes.ts';
import { withTemplate } from './with-layout.ts';

/** A job that a new vehicle does, with what of it was stated. */
export interface StartJob {
  /** Of a duty template. */
  readonly id: string;
  readonly stated?: Partial<Duty>;
}

/** What is asked before a build is begun. Everything that is left away is scaled from the rest. */
export interface StartAnswers {
  readonly name: string;
  /** Of a layout template. */
  readonly layout: string;
  readonly like?: SizeClass;
  /** Itself, without load or rider. */
  readonly mass?: Quantity;
  readonly wheel?: Quantity;
  readonly payload?: Quantity;
  readonly rider?: Quantity;
  readonly people?: Build['people'];
  readonly surface?: SurfaceId;
  readonly jobs: readonly StartJob[];
}

/** Wheelbase and track over the wheel that a vehicle of this mass usually has. */
const WHEELBASE = 2.1;
const TRACK = 1.8;

interface Begun extends Size {
  readonly mass: Quantity;
  readonly wheel: Quantity;
}

/** Any size: to see what kind of layout a template makes. */
const UNIT: Size = { wheelbaseM: 1, trackM: 1, wheelM: 0.4 };

/**
 * What is asked as “wheel” of a layout: what it stands on or is driven by.
 *
 * @example wheelAsked('tracked') // 'Sprocket diameter'
 */
export function wheelAsked(layoutId: string): string {
  const kind = layoutTemplate(layoutId)?.fill(UNIT).layout.kind;
  if (kind === undefined) return 'Wheel diameter';
  const { onTracks, rollsInside, onRails, pullsByRope } = layoutKind(kind);
  if (onTracks) return 'Sprocket diameter';
  if (rollsInside) return 'Ball diameter';
  if (onRails) return 'Roller diameter';
  return pullsByRope ? 'Wheels of the load' : 'Wheel diameter';
}

/** How heavy, on what wheels and of what frame: as stated, as the class has it, or the one from the other. */
function sizeOf({ like, mass, wheel }: StartAnswers, template: LayoutTemplate): Begun {
  const { onTracks, rollsInside } = layoutKind(template.fill(UNIT).layout.kind);
  // A track is as high as a wheel in its place would be; its sprocket is half of that.
  const stated = wheel && (onTracks ? wheel.value * 2 : wheel.value);
  const { massKg, wheelM } = guessed(like, mass?.value, stated);
  // The frame goes with what it weighs; wheels that are large for it make it longer.
  const frameM = Math.max(wheelOfMass(massKg), wheelM * 0.7);
  return {
    mass: mass ?? assumed(massKg, massKg < 1 ? 'g' : 'kg'),
    wheel: wheel ?? mm(onTracks ? wheelM / 2 : wheelM),
    wheelM,
    wheelbaseM: rounded(frameM * WHEELBASE),
    trackM: rollsInside && stated !== undefined ? stated : rounded(frameM * TRACK),
  };
}

/** Mass and wheel: what is not stated is the class’s, or what goes with the other. */
function guessed(like: SizeClass | undefined, massKg: number | undefined, wheelM: number | undefined) {
  const { massKg: rowKg, wheelM: rowM } = sizeClass(like ?? 'barrow');
  const kg = massKg ?? (like || wheelM === undefined ? rowKg : rounded(massOfWheel(wheelM)));
  return { massKg: kg, wheelM: wheelM ?? (like && massKg === undefined ? rowM : rounded(wheelOfMass(kg))) };
}

/** Share of the weight that is put over the driven wheels. */
const OVER_DRIVEN = 2 / 3;

/** Where the weight belongs: most of it over the driven wheels. */
function overDriven({ axles }: Layout): number {
  const mean = (of: readonly Axle[]): number =>
    of.reduce((sum, { ahead }) => sum + ahead.value, 0) / of.length;
  const [driven, free] = [axles.filter((a) => a.driven), axles.filter((a) => !a.driven)];
  if (driven.length === 0 || free.length === 0) return mean(axles);
  return mean(driven) * OVER_DRIVEN + mean(free) * (1 - OVER_DRIVEN);
}

const at = (mass: Quantity, aheadM: number, heightM: number): PlacedMass => ({
  mass,
  aheadOfRearAxle: mm(Number(aheadM.toPrecision(3))),
  left: mm(0),
  height: mm(rounded(heightM)),
});

/** Where masses lie above the ground, in wheels and in what it stands on. */
function heightsOf({ layout }: Build, { wheelM, trackM }: Size) {
  const { rollsInside, balances, leans } = layoutKind(layout.kind);
  if (rollsInside) return { own: trackM * 0.4, payload: trackM * 0.4, rider: trackM * 0.4 };
  if (balances)
    return { own: wheelM * 0.7 + trackM * 0.4, payload: wheelM + trackM * 0.7, rider: wheelM + trackM };
  return { own: wheelM * 0.8, payload: wheelM * 1.2, rider: leans ? wheelM * 1.5 + 0.4 : wheelM + 0.35 };
}

function massesOf(
  build: Build,
  answers: StartAnswers,
  { mass, ...size }: Begun,
  scale: Scale,
): Build['masses'] {
  const aheadM = overDriven(build.layout);
  const high = heightsOf(build, size);
  const carries = answers.jobs.some(({ id }) => id === 'carry');
  const payload = answers.payload ?? assumed(carries ? usual.payloadKg(scale) : 0, 'kg');
  const rider: OtherMass = {
    id: 'rider',
    name: 'Rider',
    kind: 'rider',
    ...at(answers.rider ?? assumed(usual.riderKg(scale), 'kg'), aheadM, high.rider),
  };
  return {
    own: at(mass, aheadM, high.own),
    payload: at(payload, aheadM, high.payload),
    others: scale.ridden ? [rider] : [],
  };
}

/** Measures of the vehicle that go with its frame and wheels. */
const measured = ({ wheelM, wheelbaseM, trackM }: Size): Pick<Build, 'body' | 'hitch'> => ({
  body: {
    length: mm(rounded(wheelbaseM * 1.3)),
    width: mm(rounded(trackM * 1.1)),
    height: mm(rounded(wheelM * 1.4)),
    clearance: mm(rounded(wheelM / 4)),
  },
  hitch: { behind: mm(rounded(wheelbaseM * 0.15)), height: mm(rounded(wheelM / 2)), load: assumed(0, 'N') },
});

/** Tyres that a vehicle of its size has, where its layout does not ask for others. */
const withTyres = (layout: Layout, tyre: Axle['tyre'], wheel: Quantity): Layout => ({
  ...layout,
  axles: layout.axles.map((axle) => ({
    ...axle,
    ...(axle.tyre === 'pneumatic' ? { tyre } : {}),
    // What was said of the wheel is kept as it was said.
    ...(axle.diameter.value === wheel.value ? { diameter: wheel } : {}),
  })),
});

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/**
 * The ground that a build will stand on where none is answered, as far as its layout and size are.
 *
 * @example surfaceToBegin({ layout: 'rail-dolly', like: 'desk' }) // 'steel-rail'
 */
export const surfaceToBegin = ({ layout, like }: Partial<Pick<StartAnswers, 'layout' | 'like'>>): SurfaceId =>
  (layout === undefined ? undefined : startBuild({ name: '', layout, like, jobs: [] }).grounds[0]?.surface) ??
  (like ? sizeClass(like).ground : 'dry-concrete');

/**
 * A build begun from what was asked: every figure that was not stated is scaled from the size and marked as assumed.
 *
 * @example startBuild({ name: 'Tern', layout: 'two-castors', like: 'desk', jobs: [{ id: 'cruise' }] }).masses.own.mass.value
 *   // 1.5
 * @throws RangeError where there is no such layout or job
 */
export function startBuild(answers: StartAnswers): Build {
  const template = layoutTemplate(answers.layout);
  if (!template) throw new RangeError(`there is no layout "${answers.layout}"`);
  const begun = sizeOf(answers, template);
  const row = answers.like ? sizeClass(answers.like) : classOfMass(begun.mass.value);
  const people = answers.people ?? (answers.like ? row.people : 'nobody');
  const bare = withTemplate({ ...newBuild(answers.name), people }, template, begun);
  const layout = withTyres(bare.layout, row.tyre, begun.wheel);
  const sized: Build = {
    ...bare,
    layout,
    ...measured(begun),
    masses: { ...bare.masses, own: { ...bare.masses.own, mass: begun.mass } },
  };
  const scale = scaleOf(sized);
  const surface = answers.surface ?? (layoutKind(layout.kind).onRails ? 'steel-rail' : row.ground);
  const build: Build = {
    ...sized,
    masses: massesOf(sized, answers, begun, scale),
    grounds: [{ ...groundOfSurface('ground-1', surface, layout), name: capital(surfaceTitle(surface)) }],
    drives: sized.drives.map((drive) => ({
      ...drive,
      leadResistance: assumed(usual.cableOhm(scale) * 2, 'mΩ'),
      mount: { ...drive.mount, lever: mm(usual.leverM(scale)) },
    })),
    supply: {
      ...sized.supply,
      cableResistance: assumed(usual.cableOhm(scale), 'mΩ'),
      auxiliaryPower: assumed(usual.besideW(scale), 'W'),
    },
    ...innerOf(sized, scale),
    ...steeringOf(sized, scale),
  };
  return { ...build, purpose: purposeOf(answers), duties: jobsOf(build, answers) };
}

const innerOf = ({ innerDrive, layout }: Build, { massKg }: Scale): Pick<Build, 'innerDrive'> =>
  innerDrive
    ? {
        innerDrive: {
          mass: assumed(rounded(massKg * 0.6), 'kg'),
          shellMass: assumed(rounded(massKg * 0.3), 'kg'),
          offset: mm(rounded((layout.axles[0]?.diameter.value ?? 0.1) / 4)),
        },
      }
    : {};

const steeringOf = ({ steering }: Build, scale: Scale): Pick<Build, 'steering'> =>
  steering ? { steering: { ...steering, kingpinOffset: mm(usual.kingpinM(scale)) } } : {};

function jobsOf(build: Build, { jobs }: StartAnswers): Duty[] {
  return jobs.map(({ id, stated }, n) => {
    const template = dutyTemplate(id);
    if (!template) throw new RangeError(`there is no job "${id}"`);
    return { ...dutyFrom(build, template, `duty-${n + 1}`), ...stated };
  });
}

/** What it is for, from its jobs: “Climbs a ramp, pushes a blade.” */
function purposeOf({ jobs }: StartAnswers): string {
  const said = jobs.flatMap(({ id }) => dutyTemplate(id)?.start ?? []).join(', ');
  return said === '' ? '' : `${capital(said.toLowerCase())}.`;
}

/**
 * Jobs that a vehicle of a layout can do and that are asked for at the start, in the order in which they are offered.
 *
 * @example startJobs('tracked').map(({ id }) => id) // ['cruise', 'climb', 'carry', 'pull', …]
 */
export function startJobs(layoutId: string): readonly DutyTemplate[] {
  const layout = layoutTemplate(layoutId)?.fill(UNIT).layout;
  return layout
    ? DUTY_TEMPLATES.filter(({ start, fits }) => start !== undefined && (fits?.(layout) ?? true))
    : [];
}
