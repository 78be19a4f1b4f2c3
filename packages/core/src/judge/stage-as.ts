import {
  freshStage,
  stageFigures,
  stageTitle,
  type Stage,
  type StageFigures,
  type StageKind,
} from '../transmission/index.ts';
import { driveOf, changeDrive, type Build } from '../vehicle/index.ts';
import { evaluate } from './evaluate.ts';
import { closeness } from './margin.ts';
import type { LinkReport, Report } from './report.ts';

/** A stage as it is, or as it would be by another kind near its ratio: what the whole build then comes to. */
export interface StageAs {
  readonly kind: StageKind;
  readonly title: string;
  readonly stage: Stage;
  readonly figures: StageFigures;
  readonly trainRatio: number;
  /** The margin of the stage that is nearest to failing on a duty, and at a stall; absent where nothing is known of it. */
  readonly onDuty?: LinkReport;
  readonly atStall?: LinkReport;
  /** The governing margin of wheel torque. */
  readonly torque?: LinkReport;
  readonly energy?: LinkReport;
  readonly playRad?: number;
  /** Force that pushes the vehicle with its motors turning; null where it locks. */
  readonly pushN?: number | null;
}

const worst = (links: readonly LinkReport[]): LinkReport | undefined =>
  [...links].sort((a, b) => closeness(a) - closeness(b))[0];

function standing(stage: Stage, { links, governing, train }: Report): Omit<StageAs, 'figures'> {
  const own = links.filter(({ stageId, link }) => stageId === stage.id && link !== 'mount-twist');
  const onDuty = worst(own.filter(({ dutyId, link }) => dutyId !== null && link !== 'stage-brake'));
  const atStall = own.find(({ link }) => link === 'stage-stall');
  const of = (link: LinkReport['link']): LinkReport | undefined => governing.find((l) => l.link === link);
  const [torque, energy] = [of('torque'), of('energy')];
  return {
    kind: stage.kind,
    title: stageTitle(stage.kind),
    stage,
    trainRatio: train.ratio,
    ...(onDuty ? { onDuty } : {}),
    ...(atStall ? { atStall } : {}),
    ...(torque ? { torque } : {}),
    ...(energy ? { energy } : {}),
    ...(train.play ? { playRad: train.play.atWheelRad } : {}),
    ...(train.moved ? { pushN: train.moved.engagedN } : {}),
  };
}

/**
 * A stage of the build by a kind: its own, or another one near its ratio in its place.
 *
 * @example stageAs(puffin, stage.id, 'timing-belt')?.stage.kind // 'timing-belt'
 */
export function stageAs(build: Build, stageId: string, kind: StageKind): StageAs | undefined {
  const now = driveOf(build).stages.find(({ id }) => id === stageId);
  if (!now) return undefined;
  const stage = kind === now.kind ? now : freshStage(kind, stageId, stageFigures(now).ratio);
  const stages = driveOf(build).stages.map((s) => (s.id === stageId ? stage : s));
  const report = evaluate(changeDrive(build, { stages }));
  return { ...standing(stage, report), figures: stageFigures(stage) };
}
