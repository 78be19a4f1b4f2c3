import { z } from 'zod';
import { degreesToRadians } from '../../quantity/index.ts';
import { remembered } from '../../contract/index.ts';
import {
  frictionBeltFigures,
  frictionBeltPull,
  frictionBeltSchema,
  frictionBeltStrength,
  frictionWheelFigures,
  frictionWheelPull,
  frictionWheelSchema,
  frictionWheelStrength,
  timingBeltFigures,
  timingBeltPull,
  timingBeltSchema,
  timingBeltStrength,
} from './belts.ts';
import { chainFigures, chainPull, chainSchema, chainStrength } from './chain.ts';
import {
  spoolFigures,
  spoolSchema,
  spoolStrength,
  trackFigures,
  trackSchema,
  trackStrength,
} from './ends.ts';
import { efficiency, stageCommon } from './fields.ts';
import { gearheadFigures, gearheadSchema, gearheadStrength } from './gearhead.ts';
import {
  bevelFigures,
  bevelSchema,
  bevelStrength,
  planetaryFigures,
  planetarySchema,
  planetaryStrength,
  spurFigures,
  spurSchema,
  spurStrength,
  toothPull,
} from './gears.ts';
import type { ShaftPull, StageFigures, StageLoad, StageStrength } from './stage-report.ts';
import { wormFigures, wormSchema, wormStrength } from './worm.ts';

export { chainGeometry, chainLoad, SAFETY_OF_CHAIN } from './chain.ts';
export { timingBeltInput, workingPull } from './belts.ts';
export { wormInput } from './worm.ts';
export { SAFETY_OF_ROPE, trackInput } from './ends.ts';
export type {
  ShaftPull,
  StageFact,
  StageFigures,
  StageLink,
  StageLoad,
  StageStrength,
  StageSum,
} from './stage-report.ts';

/** One shaft joined to the next, or the wheel on the motor's own. */
const directSchema = z.strictObject({ ...stageCommon, kind: z.literal('direct'), efficiency });

/** One step of the way from motor to wheel. */
export const stageSchema = z
  .discriminatedUnion('kind', [
    gearheadSchema,
    chainSchema,
    spurSchema,
    bevelSchema,
    planetarySchema,
    wormSchema,
    timingBeltSchema,
    frictionBeltSchema,
    frictionWheelSchema,
    directSchema,
    spoolSchema,
    trackSchema,
  ])
  .readonly();

export type Stage = z.output<typeof stageSchema>;
export type StageKind = Stage['kind'];
export type StageOf<K extends StageKind> = Extract<Stage, { kind: K }>;

/** A member of the family: what it is called, how it turns, what it stands and what it pulls. */
interface StageMember<S extends Stage> {
  readonly title: string;
  /** Usual play of its output, degrees (common practice, no source). */
  readonly usualPlayDeg: number;
  figures(stage: S): StageFigures;
  strength?(stage: S, load: StageLoad): StageStrength | undefined;
  pull?(stage: S, load: StageLoad): ShaftPull | undefined;
}

const MEMBERS: { readonly [K in StageKind]: StageMember<StageOf<K>> } = {
  gearhead: { title: 'Gearhead', usualPlayDeg: 1.5, figures: gearheadFigures, strength: gearheadStrength },
  chain: { title: 'Chain', usualPlayDeg: 2, figures: chainFigures, strength: chainStrength, pull: chainPull },
  'timing-belt': {
    title: 'Toothed belt',
    usualPlayDeg: 0.3,
    figures: timingBeltFigures,
    strength: timingBeltStrength,
    pull: timingBeltPull,
  },
  'friction-belt': {
    title: 'V or flat belt',
    usualPlayDeg: 0,
    figures: frictionBeltFigures,
    strength: frictionBeltStrength,
    pull: frictionBeltPull,
  },
  spur: {
    title: 'Spur gears',
    usualPlayDeg: 1,
    figures: spurFigures,
    strength: spurStrength,
    pull: toothPull,
  },
  bevel: {
    title: 'Bevel gears',
    usualPlayDeg: 1,
    figures: bevelFigures,
    strength: bevelStrength,
    pull: toothPull,
  },
  planetary: {
    title: 'Planetary',
    usualPlayDeg: 0.5,
    figures: planetaryFigures,
    strength: planetaryStrength,
  },
  worm: { title: 'Worm', usualPlayDeg: 0.5, figures: wormFigures, strength: wormStrength },
  'friction-wheel': {
    title: 'Friction wheel',
    usualPlayDeg: 0,
    figures: frictionWheelFigures,
    strength: frictionWheelStrength,
    pull: frictionWheelPull,
  },
  direct: {
    title: 'Direct',
    usualPlayDeg: 0,
    figures: (stage) => ({ ratio: 1, efficiency: stage.efficiency.value, warnings: [] }),
  },
  spool: { title: 'Spool and rope', usualPlayDeg: 0, figures: spoolFigures, strength: spoolStrength },
  track: { title: 'Track and sprocket', usualPlayDeg: 1, figures: trackFigures, strength: trackStrength },
};

export const STAGE_KINDS = Object.keys(MEMBERS) as readonly StageKind[];

/** The table's type ties each kind to its member; the compiler cannot follow that through a union. */
const memberOf = (stage: Stage): StageMember<Stage> => MEMBERS[stage.kind];

export const stageTitle = (kind: StageKind): string => MEMBERS[kind].title;
/** Its title within a sentence: a lone capital, as of a V-belt, stays. */
export const stageName = (kind: StageKind): string =>
  stageTitle(kind).replace(/^[A-Z](?=[a-z])/, (first) => first.toLowerCase());
export const stageFigures = remembered((stage: Stage): StageFigures => memberOf(stage).figures(stage));
export const stageStrength = (stage: Stage, load: StageLoad): StageStrength | undefined =>
  memberOf(stage).strength?.(stage, load);
/** What a stage pulls across its shafts under a load; undefined where that is not known. */
export const stagePull = (stage: Stage, load: StageLoad): ShaftPull | undefined =>
  memberOf(stage).pull?.(stage, load);
/** Play of a stage's output, radians: as the builder says, else what its kind usually has. */
export const stagePlay = (stage: Stage): number =>
  stage.play?.value ?? degreesToRadians(memberOf(stage).usualPlayDeg);
/** Whether a stage ends at the ground or a rope: nothing can come behind it. */
export const isLastKind = (kind: StageKind): boolean => kind === 'spool' || kind === 'track';
