import { z } from 'zod';
import { chainFigures, chainSchema, chainStrength } from './chain.ts';
import { gearheadFigures, gearheadSchema, gearheadStrength } from './gearhead.ts';
import type { StageFigures, StageLoad, StageStrength } from './stage-report.ts';

export { chainGeometry, chainLoad, SAFETY_OF_CHAIN } from './chain.ts';
export type { StageFigures, StageLoad, StageStrength } from './stage-report.ts';

/** One step of the way from motor to wheel. */
export const stageSchema = z.discriminatedUnion('kind', [gearheadSchema, chainSchema]).readonly();

export type Stage = z.output<typeof stageSchema>;
export type StageKind = Stage['kind'];
export type StageOf<K extends StageKind> = Extract<Stage, { kind: K }>;

/** A member of the family: what it is called, how it turns and what it stands. */
interface StageMember<S extends Stage> {
  readonly title: string;
  figures(stage: S): StageFigures;
  strength(stage: S, load: StageLoad): StageStrength | undefined;
}

const MEMBERS: { readonly [K in StageKind]: StageMember<StageOf<K>> } = {
  gearhead: { title: 'Gearhead', figures: gearheadFigures, strength: gearheadStrength },
  chain: { title: 'Chain', figures: chainFigures, strength: chainStrength },
};

/** The table's type ties each kind to its member; the compiler cannot follow that through a union. */
const memberOf = (stage: Stage): StageMember<Stage> => MEMBERS[stage.kind];

export const stageTitle = (kind: StageKind): string => MEMBERS[kind].title;
export const stageFigures = (stage: Stage): StageFigures => memberOf(stage).figures(stage);
export const stageStrength = (stage: Stage, load: StageLoad): StageStrength | undefined =>
  memberOf(stage).strength(stage, load);
