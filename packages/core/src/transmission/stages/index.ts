import { z } from 'zod';
import { remembered } from '../../contract/index.ts';
import { degreesToRadians, fieldsOf, type NumberField } from '../../quantity/index.ts';
import { bevel } from './bevel.ts';
import { chain } from './chain.ts';
import { direct } from './direct.ts';
import { frictionBelt } from './friction-belt.ts';
import { frictionWheel } from './friction-wheel.ts';
import { gearhead } from './gearhead.ts';
import type { School, StageAbilities, StageChange, StageMember } from './member.ts';
import { planetary } from './planetary.ts';
import { spool } from './spool.ts';
import { spur } from './spur.ts';
import type { ShaftPull, StageFigures, StageLoad, StageStands, StageStrength } from './stage-report.ts';
import { timingBelt } from './timing-belt.ts';
import { track } from './track.ts';
import type { StageWork } from './work.ts';
import { worm } from './worm.ts';

export { chainGeometry, chainLoad } from './chain.ts';
export { timingBeltInput } from './timing-belt.ts';
export { trackInput } from './track.ts';
export { wormInput } from './worm.ts';
export type { School, StageAbilities, StageChange } from './member.ts';
export type * from './stage-report.ts';
export type { StagePart, StageStep, StageWork } from './work.ts';

/** One step of the way from motor to wheel. */
export const stageSchema = z
  .discriminatedUnion('kind', [
    gearhead.schema,
    chain.schema,
    spur.schema,
    bevel.schema,
    planetary.schema,
    worm.schema,
    timingBelt.schema,
    frictionBelt.schema,
    frictionWheel.schema,
    direct.schema,
    spool.schema,
    track.schema,
  ])
  .readonly();

export type Stage = z.output<typeof stageSchema>;
/** The kinds of stages. */
export type StageKind = Stage['kind'];
/** A stage of one kind. */
export type StageOf<K extends StageKind> = Extract<Stage, { kind: K }>;

/** Every kind of stage by its name in a build, in the order in which they are offered. */
const MEMBERS = {
  gearhead,
  chain,
  'timing-belt': timingBelt,
  'friction-belt': frictionBelt,
  spur,
  bevel,
  planetary,
  worm,
  'friction-wheel': frictionWheel,
  direct,
  spool,
  track,
} as const satisfies { readonly [K in StageKind]: StageMember<StageOf<K>> };

/** All kinds of stages. */
export const STAGE_KINDS = Object.keys(MEMBERS) as readonly StageKind[];

/** The table's type ties each kind to its member; the compiler cannot follow that through a union. */
const memberOf = (stage: Stage): StageMember<Stage> => MEMBERS[stage.kind] as never;

/**
 * What a kind of stage is able to, and how it is called.
 *
 * @example stageKind('worm').turnsCorner // true
 */
export const stageKind = (kind: StageKind): StageAbilities & { readonly title: string } => MEMBERS[kind];
/**
 * What a kind of stage is called.
 *
 * @example stageTitle('chain') // 'Chain'
 */
export const stageTitle = (kind: StageKind): string => MEMBERS[kind].title;
/**
 * Its title within a sentence: a lone capital, as of a V-belt, stays.
 *
 * @example stageName('timing-belt') // 'toothed belt'
 */
export const stageName = (kind: StageKind): string =>
  stageTitle(kind).replace(/^[A-Z](?=[a-z])/, (first) => first.toLowerCase());
/**
 * What those who build with a kind say for it and against it.
 *
 * @example schoolOf('chain').good // 'Holds by teeth, takes dirt and large torque, any l…'
 */
export const schoolOf = (kind: StageKind): School => MEMBERS[kind].school;

/**
 * A new stage of a kind near a ratio; its other numbers are assumed.
 *
 * @example freshStage('spur', 'gears', 3).kind // 'spur'
 */
export const freshStage = (kind: StageKind, id: string, ratio: number): Stage =>
  MEMBERS[kind].fresh(id, ratio);
/**
 * What a stage does to torque and speed: its ratio and its efficiency both ways.
 *
 * @example stageFigures(stage).ratio // 4
 */
export const stageFigures = remembered((stage: Stage): StageFigures => memberOf(stage).figures(stage));
/**
 * What a stage stands and what it is asked, with where the former comes from; undefined where nothing is known.
 *
 * @example stageStrength(stage, { torqueNm: 10, rpm: 100 }) !== undefined // true
 */
export const stageStrength = (stage: Stage, load: StageLoad): StageStrength | undefined =>
  memberOf(stage).strength?.(stage, load);
/**
 * How what a stage stands came about; undefined where that is not known.
 *
 * @example stageStandsBy(stage)
 *   // { sum: { calculator: 'allowed-load', given: { strengthN: 7830, safetyFactor: 7 }, key: 'allowedN', from: { strengthN: { shelf: 'the least tensile strength of ansi-35' }, safetyFactor: { fixed: 'common practice' } }, … } }
 */
export const stageStandsBy = (stage: Stage): StageStands | undefined => memberOf(stage).stands?.(stage);
/**
 * What a stage pulls across its shafts under a load; undefined where that is not known.
 *
 * @example stagePull(stage, { torqueNm: 10, rpm: 100 })?.wrapDeg // 152.4
 */
export const stagePull = (stage: Stage, load: StageLoad): ShaftPull | undefined =>
  memberOf(stage).pull?.(stage, load);
/**
 * Play of a stage's output, radians: as the builder says, else what its kind usually has.
 *
 * @example stagePlay(stage) // 0.03491
 */
export const stagePlay = (stage: Stage): number =>
  stage.play?.value ?? degreesToRadians(memberOf(stage).usualPlayDeg);
/**
 * How the hubs on its two sides are called; undefined where it has none there.
 *
 * @example stageHubs(stage) // ['Driver sprocket', 'Driven sprocket']
 */
export const stageHubs = (stage: Stage): readonly [string | undefined, string | undefined] =>
  memberOf(stage).hubs;
/**
 * The counts and quantities of a kind of stage, as its schema calls and limits them.
 *
 * @example stageFields('chain').map(({ key }) => key) // ['play', 'teethDriver', 'teethDriven', 'centre', …]
 */
export const stageFields = (kind: StageKind): readonly NumberField[] => fieldsOf(MEMBERS[kind].schema);
/**
 * The parts and steps that a stage brings to the shed.
 *
 * @example stageWork(stage).parts?.length // 1
 */
export const stageWork = (stage: Stage): StageWork<Stage> => memberOf(stage).work;
/**
 * What makes a stage that warns or cannot be built whole again; undefined where only another kind does.
 *
 * @example stageCures(stage)
 *   // [{ text: 'Sprockets of 13 to 50 teeth', stage: { id: 'stage-1', kind: 'chain', tensioner: 'slots', chain: 'ansi-35', … } }, { text: 'Sprockets of 15 to 60 teeth', stage: { id: 'stage-1', kind: 'chain', tensioner: 'slots', chain: 'ansi-35', … } }, …]
 */
export const stageCures = (stage: Stage): readonly StageChange<Stage>[] | undefined =>
  memberOf(stage).cures?.(stage);
/**
 * More of what a stage holds by.
 *
 * @example strongerStage(stage).length // 2
 */
export const strongerStage = (stage: Stage): readonly StageChange<Stage>[] =>
  memberOf(stage).stronger?.(stage) ?? [];

/** Stages whose ratio is that of two tooth counts. */
export type Toothed = Extract<Stage, { teethDriver: number; teethDriven: number }>;
/**
 * Whether its ratio is one of teeth.
 *
 * @example isToothed(stage) // true
 */
export const isToothed = (stage: Stage): stage is Toothed => 'teethDriver' in stage;

/**
 * A stage with other tooth counts.
 *
 * @example withTeeth(stage, 10, 40).teethDriven // 40
 */
export const withTeeth = <S extends Toothed>(stage: S, teethDriver: number, teethDriven: number): S =>
  (memberOf(stage).withTeeth?.(stage, teethDriver, teethDriven) as S | undefined) ?? {
    ...stage,
    teethDriver,
    teethDriven,
  };

/** Kinds that go round two wheels and slacken as they wear. */
type LoopKind = { [K in StageKind]: (typeof MEMBERS)[K] extends { loop: object } ? K : never }[StageKind];
/** A stage in which something goes round two wheels. */
export type Loop = StageOf<LoopKind>;
/**
 * Whether something goes round two wheels: a belt, a chain, a track.
 *
 * @example isLoop(stage) // true
 */
export const isLoop = (stage: Stage): stage is Loop => stageKind(stage.kind).loop !== undefined;
