import { ratioOffers } from '../capability/index.ts';
import { onceFor, remembered } from '../contract/index.ts';
import { trainOf } from '../drive/index.ts';
import { INSIDE, SAME, ratiosWanted, reportThrough, ratioOfWork } from '../judge/index.ts';
import { figure, sentence, inside } from '../quantity/index.ts';
import { freshStage, stageKind, stageName, type Stage, type StageKind } from '../transmission/index.ts';
import { choosePart, freeId, type Build, type PartOf, driveOf, changeDrive } from '../vehicle/index.ts';
import type { MoveContext, Candidate, Generator } from './candidate.ts';

/** Teeth as they are to be had (common practice, no source). */
const TEETH = { least: 10, most: 80 } as const;
/** One chain or toothed belt turns down by no more than this (common practice, no source). */
const MOST_OF_A_LOOP = 8;
/** Offers that are tried for one ratio. */
const TRIED = 3;

/** The build with stages put in before what ends the drive. */
function withMore(build: Build, kinds: readonly StageKind[], ratio: number): Build {
  const { stages } = driveOf(build);
  const each = ratio ** (1 / kinds.length);
  const added = kinds.reduce<Stage[]>(
    (list, kind) => [...list, freshStage(kind, freeId('stage', [...stages, ...list]), each)],
    [],
  );
  const end = stages.findIndex(({ kind }) => stageKind(kind).ends !== undefined);
  const at = end < 0 ? stages.length : end;
  return changeDrive(build, { stages: [...stages.slice(0, at), ...added, ...stages.slice(at)] });
}

const teethOf = (stage: Stage | undefined): string =>
  stage && 'teethDriver' in stage ? ` of ${stage.teethDriver} to ${stage.teethDriven} teeth` : '';

/** Kinds of stage that bridge a shortfall, one where it does, two beyond. */
function kindsFor(by: number): readonly (readonly StageKind[])[] {
  if (by <= MOST_OF_A_LOOP) return [['chain'], ['timing-belt'], ['spur']];
  return by <= MOST_OF_A_LOOP ** 2
    ? [
        ['chain', 'chain'],
        ['timing-belt', 'chain'],
      ]
    : [];
}

/** A stage more, or two, where the motor turns too fast for what it drives, or too slowly. */
function moreStages(build: Build, ratio: number): Candidate[] {
  const by = ratio / trainOf(build).ratio;
  if (Math.max(by, 1 / by) < INSIDE * SAME || driveOf(build).stages.length > 6) return [];
  return kindsFor(Math.max(by, 1 / by)).map((kinds) => {
    const more = withMore(build, kinds, by);
    const added = driveOf(more).stages.filter(({ id }) => !driveOf(build).stages.some((s) => s.id === id));
    const names = added.map((stage) => `${stageName(stage.kind)}${teethOf(stage)}`);
    return {
      text: `A stage more: ${names.join(', then ')}`,
      cost: 'a stage to buy, fit and guard, and its losses',
      build: more,
    };
  });
}

/** The train brought near to a ratio: other teeth where there are any, stages more where they do not reach. */
export const toRatio = (build: Build, ratio: number): readonly Candidate[] => toEachRatio(build)(ratio);

/** More than one margin wants the same ratio. */
const toEachRatio = remembered((build: Build) => onceFor((ratio: number) => nearTo(build, ratio)));

function nearTo(build: Build, ratio: number): readonly Candidate[] {
  const offers = ratioOffers(build, ratio, TEETH).slice(0, TRIED);
  const teeth = offers.map((offer) => ({
    text: sentence`${offer.text.charAt(0).toUpperCase()}${offer.text.slice(1)} teeth: ${figure(offer.ratio, 'ratio')}`,
    build: changeDrive(build, { stages: offer.stages }),
  }));
  return offers.length > 0 ? teeth : moreStages(build, ratio);
}

/** Other ratios: for every ratio that is wanted, the trains that come near it. */
export const ratios: Generator = (asked) => {
  const { build, report, link } = asked;
  if (driveOf(build).does !== 'propels') return otherRatios(asked);
  const now = report.train.ratio;
  return ratiosWanted(report.duties, link.dutyId, now)
    .filter((ratio) => Math.max(ratio / now, now / ratio) >= SAME)
    .flatMap((ratio) => [...toRatio(build, ratio), ...(ratio > 1.5 * now ? moreStages(build, ratio) : [])]);
};

/** Of a drive that works the ratio at its motor's own pace; else more reduction for torque, less for speed and travel. */
const otherRatios: Generator = ({ build, link }) => {
  const now = trainOf(build).ratio;
  const by = (link.rule * INSIDE) / Math.max(link.ratio, LEAST_GAIN);
  const slower = link.link === 'work-torque' || link.link === 'steering' || link.link === 'motor-heat';
  const pace = ratioOfWork(build);
  return [
    ...(pace === undefined ? [] : toRatio(build, pace)),
    ...toRatio(build, slower ? now * by : now / by),
  ];
};
/** No train is looked for that gears further than so much at a time. */
const LEAST_GAIN = 0.02;

/** More reduction, so that the top speed comes down to what it may be. */
export const lowerGear: Generator = ({ build, report, link }) =>
  link.has > 0 ? toRatio(build, (report.train.ratio * link.needs * INSIDE) / link.has) : [];

/** The ratio that the duties want of another motor; undefined where all of them can do with the one there is. */
function windowedRatio(
  { link, reports }: Pick<MoveContext, 'link' | 'reports'>,
  chosen: Build,
): number | undefined {
  const { duties } = reportThrough(reports(chosen), driveOf(chosen).id);
  const now = trainOf(chosen).ratio;
  const fits = duties.every(
    ({ ratioWindow: w }) => !w || (w.just !== null && w.just.low <= now && now <= w.just.high),
  );
  return fits ? undefined : ratiosWanted(duties, link.dutyId, now)[0];
}

/** The build with a motor chosen. */
const chosenFor = remembered((build: Build) =>
  remembered((motor: PartOf<'motor'>) => choosePart(build, motor)),
);

/** A motor of the shelf in the build, at the ratio that suits it best where the one that there is does not. */
export function atItsBest(
  asked: Pick<MoveContext, 'build' | 'link' | 'reports'>,
  motor: PartOf<'motor'>,
): Candidate {
  const chosen = chosenFor(asked.build)(motor);
  const pace = ratioOfWork(chosen);
  if (driveOf(chosen).does !== 'propels' && pace === undefined) return { text: motor.name, build: chosen };
  const ratio = pace ?? windowedRatio(asked, chosen);
  const [train] = ratio === undefined ? [] : toRatio(chosen, ratio);
  return train
    ? {
        text: sentence`${motor.name}, with ${inside(train.text)}`,
        build: train.build,
      }
    : { text: motor.name, build: chosen };
}
