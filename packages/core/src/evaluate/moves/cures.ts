import type { Build } from '../../build/index.ts';
import type { Cure } from '../report.ts';
import { withFrictionBrake, type Candidate } from './candidate.ts';
import { fitCures } from './path-candidates.ts';
import { stageCures } from './stage-candidates.ts';

const tensioned = (build: Build, stageId: string): Candidate[] =>
  (['slots', 'idler'] as const).map((tensioner) => ({
    text: tensioner === 'slots' ? 'Slots to move the motor in' : 'An idler on the slack strand',
    build: {
      ...build,
      drive: {
        ...build.drive,
        stages: build.drive.stages.map((stage) =>
          stage.id === stageId && 'tensioner' in stage ? { ...stage, tensioner } : stage,
        ),
      },
    },
  }));

/** The jockey at the first loop there is, else no disengaging at all. */
function released(build: Build): Candidate[] {
  const { stages, release } = build.drive;
  const loop = stages.find(
    ({ kind }) => kind === 'chain' || kind === 'timing-belt' || kind === 'friction-belt',
  );
  const with_ = (change: Partial<typeof release>): Build => ({
    ...build,
    drive: { ...build.drive, release: { ...release, ...change } },
  });
  return [
    ...(loop ? [{ text: 'The jockey at that loop', build: with_({ at: loop.id }) }] : []),
    { text: 'A dog clutch instead of a jockey', build: with_({ kind: 'dog' }) },
  ];
}

/** What may end a finding that is no margin. */
export function curesOf(build: Build, cure: Cure): readonly Candidate[] {
  switch (cure.kind) {
    case 'stage':
      return stageCures(build, cure.stageId);
    case 'fit':
      return fitCures(build, cure.elementId);
    case 'tension':
      return tensioned(build, cure.stageId);
    case 'release':
      return released(build);
    case 'brake':
      return [{ text: 'A friction brake on every axle', build: withFrictionBrake(build) }];
  }
}
