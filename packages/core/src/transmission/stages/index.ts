import { z } from 'zod';
import {
  frictionBeltFigures,
  frictionBeltSchema,
  frictionBeltStrength,
  frictionWheelFigures,
  frictionWheelSchema,
  frictionWheelStrength,
  timingBeltFigures,
  timingBeltSchema,
  timingBeltStrength,
} from './belts.ts';
import { chainFigures, chainSchema, chainStrength } from './chain.ts';
import { efficiency, stageId } from './fields.ts';
import { gearheadFigures, gearheadSchema, gearheadStrength } from './gearhead.ts';
import {
  bevelFigures,
  bevelSchema,
  bevelStrength,
  planetaryFigures,
  planetarySchema,
  spurFigures,
  spurSchema,
  spurStrength,
} from './gears.ts';
import type { StageFigures, StageLoad, StageStrength } from './stage-report.ts';
import { wormFigures, wormSchema } from './worm.ts';

export { chainGeometry, chainLoad, SAFETY_OF_CHAIN } from './chain.ts';
export { timingBeltInput } from './belts.ts';
export { wormInput } from './worm.ts';
export type {
  StageFact,
  StageFigures,
  StageLink,
  StageLoad,
  StageStrength,
  StageSum,
} from './stage-report.ts';

/** One shaft joined to the next, or the wheel on the motor's own. */
const directSchema = z.strictObject({ id: stageId, kind: z.literal('direct'), efficiency });

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
  ])
  .readonly();

export type Stage = z.output<typeof stageSchema>;
export type StageKind = Stage['kind'];
export type StageOf<K extends StageKind> = Extract<Stage, { kind: K }>;

/** A member of the family: what it is called, how it turns and what it stands. */
interface StageMember<S extends Stage> {
  readonly title: string;
  figures(stage: S): StageFigures;
  strength(stage: S, load: StageLoad): StageStrength | undefined;
}

const none = (): undefined => undefined;

const MEMBERS: { readonly [K in StageKind]: StageMember<StageOf<K>> } = {
  gearhead: { title: 'Gearhead', figures: gearheadFigures, strength: gearheadStrength },
  chain: { title: 'Chain', figures: chainFigures, strength: chainStrength },
  'timing-belt': { title: 'Toothed belt', figures: timingBeltFigures, strength: timingBeltStrength },
  'friction-belt': { title: 'V or flat belt', figures: frictionBeltFigures, strength: frictionBeltStrength },
  spur: { title: 'Spur gears', figures: spurFigures, strength: spurStrength },
  bevel: { title: 'Bevel gears', figures: bevelFigures, strength: bevelStrength },
  planetary: { title: 'Planetary', figures: planetaryFigures, strength: none },
  worm: { title: 'Worm', figures: wormFigures, strength: none },
  'friction-wheel': {
    title: 'Friction wheel',
    figures: frictionWheelFigures,
    strength: frictionWheelStrength,
  },
  direct: {
    title: 'Direct',
    figures: (stage) => ({ ratio: 1, efficiency: stage.efficiency.value, warnings: [] }),
    strength: none,
  },
};

export const STAGE_KINDS = Object.keys(MEMBERS) as readonly StageKind[];

/** The table's type ties each kind to its member; the compiler cannot follow that through a union. */
const memberOf = (stage: Stage): StageMember<Stage> => MEMBERS[stage.kind];

export const stageTitle = (kind: StageKind): string => MEMBERS[kind].title;
export const stageFigures = (stage: Stage): StageFigures => memberOf(stage).figures(stage);
export const stageStrength = (stage: Stage, load: StageLoad): StageStrength | undefined =>
  memberOf(stage).strength(stage, load);
