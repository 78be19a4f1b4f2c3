import { notice, type Notice } from '../contract/index.ts';
import { sentence } from '../quantity/index.ts';
import {
  stageFigures,
  stageKind,
  stageName,
  stageTitle,
  trainRatio,
  type Stage,
  type StageFigures,
} from '../transmission/index.ts';
import { driveOf, layoutKind, motorOf, type Build, rememberedBesidesJobs } from '../vehicle/index.ts';
import type { Train } from './report.ts';

const GEARHEAD_ON_MOTOR = 'motor-gearhead';

/**
 * Whether a stage is one with the motor: it comes with that part and is not edited by itself.
 *
 * @example isOnMotor(stage) // false
 */
export const isOnMotor = (stage: Stage): boolean => stage.id === GEARHEAD_ON_MOTOR;

/**
 * The stages in order, the gearhead that is one with the motor first.
 *
 * @example trainStages(puffin).map(({ kind }) => kind) // ['gearhead', 'chain']
 */
export const trainStages = rememberedBesidesJobs((build: Build): readonly Stage[] => {
  const gearhead = motorOf(build)?.gearhead;
  if (!gearhead) return driveOf(build).stages;
  const shelf = { origin: 'shelf' } as const;
  return [
    {
      id: GEARHEAD_ON_MOTOR,
      kind: 'gearhead',
      ratio: { value: gearhead.ratio, unit: ': 1', ...shelf },
      efficiency: { value: gearhead.efficiency, unit: '%', ...shelf },
      ...(gearhead.ratedTorqueNm === undefined
        ? {}
        : { ratedTorque: { value: gearhead.ratedTorqueNm, unit: 'N·m', ...shelf } }),
    },
    ...driveOf(build).stages,
  ];
});

/**
 * All stages of the drive that is looked at, from motor to wheel, as one ratio and one efficiency.
 *
 * @example trainOf(puffin).ratio // 36
 */
export const trainOf = rememberedBesidesJobs((build: Build): Train => {
  const all = trainStages(build);
  const stages = all.map((stage, at) => {
    const figures = stageFigures(stage);
    const problem = figures.problem ?? misplaced(build, stage, at === all.length - 1);
    return {
      id: stage.id,
      title: stageTitle(stage.kind),
      ...figures,
      ...(problem === undefined ? {} : { problem }),
    };
  });
  return { stages, ...trainRatio.run({ stages: stages.map(ratiosOf) }) };
});

/** Why a stage cannot be where it is: spools and tracks end the drive of a vehicle that has them. */
function misplaced(build: Build, { kind }: Stage, last: boolean): Notice | undefined {
  const { ends } = stageKind(kind);
  if (!ends) return undefined;
  if (!last)
    return notice(
      'not-last',
      sentence`A ${stageName(kind)} ends the drive: move the stages behind it before it.`,
    );
  const lifts = driveOf(build).work?.kind === 'lift' && ends.needs === 'pullsByRope';
  return lifts || layoutKind(build.layout.kind)[ends.needs]
    ? undefined
    : notice(
        'other-layout',
        sentence`A ${stageName(kind)} is the end of a ${ends.of}: choose that layout in the Brief, or remove the stage.`,
      );
}

/**
 * What the calculator of a train takes of a stage.
 *
 * @example ratiosOf({ ratio: 4, efficiency: 0.95, backEfficiency: 0.95 })
 *   // { ratio: 4, efficiency: 0.95, backEfficiency: 0.95 }
 */
export function ratiosOf({
  ratio,
  efficiency,
  backEfficiency,
}: Pick<StageFigures, 'ratio' | 'efficiency' | 'backEfficiency'>) {
  return { ratio, efficiency, ...(backEfficiency === undefined ? {} : { backEfficiency }) };
}
