import { stageCures as curesOfKind, stageKind, stageName, type Stage } from '../transmission/index.ts';
import { driveOf, changeDrive, type Build } from '../vehicle/index.ts';
import { withStage, type Candidate } from './candidate.ts';
import { byOtherKinds } from './stage-candidates.ts';

/** What makes a stage that warns or cannot be built whole again: itself changed, another kind, or none. */
export function stageCures(build: Build, stageId: string): readonly Candidate[] {
  const stage = driveOf(build).stages.find(({ id }) => id === stageId);
  if (!stage) return [];
  const { ends, holdsBy } = stageKind(stage.kind);
  const own = curesOfKind(stage);
  return [
    ...(ends ? [without(build, stage)] : []),
    ...(own ?? []).map(({ text, stage: changed }) => ({ text, build: withStage(build, changed) })),
    // What holds by friction may also be too little of its kind.
    ...(own === undefined || holdsBy === 'friction' ? byOtherKinds(build, stage) : []),
  ];
}

/** Takes a stage out of the drive. */
const without = (build: Build, stage: Stage): Candidate => ({
  text: `No ${stageName(stage.kind)}`,
  build: changeDrive(build, { stages: driveOf(build).stages.filter(({ id }) => id !== stage.id) }),
});
