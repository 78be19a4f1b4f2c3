import { withCommand, withFuse, withHandle } from './supply-candidates.ts';
import { assertNever } from '../contract/index.ts';
import type { Cure } from '../judge/index.ts';
import { isLoop, stageName, type Stage } from '../transmission/index.ts';
import { wheelbaseOf, type Build, driveOf, changeDrive } from '../vehicle/index.ts';
import { brakedAll, type Candidate } from './candidate.ts';
import { showNumber, figure, sentence, scaled } from '../quantity/index.ts';
import { lighter, lowerLoad, withPayload } from './load-candidates.ts';
import { fitCures } from './path-candidates.ts';
import { stageCures } from './stage-cures.ts';

const tensioned = (build: Build, stageId: string): Candidate[] =>
  (['slots', 'idler'] as const).map((tensioner) => ({
    text: tensioner === 'slots' ? 'Slots to move the motor in' : 'An idler on the slack strand',
    cost: tensioner === 'slots' ? 'its mount cut anew' : 'an idler with its bearing and arm',
    build: changeDrive(build, {
      stages: driveOf(build).stages.map((stage) =>
        stage.id === stageId && isLoop(stage) ? { ...stage, tensioner } : stage,
      ),
    }),
  }));

/** The jockey at another loop, or a dog or pin where nothing that locks is left behind. */
function released(build: Build): Candidate[] {
  const { stages, release } = driveOf(build);
  const last = stages.at(-1);
  const name = ({ kind }: Stage): string => stageName(kind);
  const with_ = (change: Partial<typeof release>): Build =>
    changeDrive(build, { release: { ...release, ...change } });
  const loops = [...stages].reverse().filter(isLoop);
  return [
    ...loops.map((loop) => ({
      text: `A jockey at the ${name(loop)}`,
      cost: 'a wheel on an arm, and what holds it in',
      build: with_({ kind: 'jockey', at: loop.id }),
    })),
    ...(last
      ? (['dog', 'pin'] as const).map((kind) => ({
          text: `${kind === 'dog' ? 'A dog clutch' : 'A pin'} behind the ${name(last)}`,
          cost: 'a part more on the shaft, and its play',
          build: with_({ kind, at: last.id }),
        }))
      : []),
  ];
}

const WIDER = [1.3, 1.6, 2] as const;
/** How far the load is moved, as shares of the wheelbase. */
const MOVED = [0.15, 0.3, -0.15] as const;

/** What makes a vehicle stand, steer or get round where it does not: its load moved or less, a wider turn. */
function standing(build: Build, dutyId: string): readonly Candidate[] {
  const { payload } = build.masses;
  const duty = build.duties.find(({ id }) => id === dutyId);
  const wheelbaseM = wheelbaseOf(build.layout);
  const moved = (by: number): Candidate => {
    const { aheadOfRearAxle: ahead } = payload;
    return {
      text: sentence`The payload ${figure(Math.abs(by) * wheelbaseM, 'length')} ${by > 0 ? 'forward' : 'back'}`,
      build: withPayload(build, {
        aheadOfRearAxle: { ...ahead, value: ahead.value + by * wheelbaseM, origin: 'typed' },
      }),
    };
  };
  const { turn } = duty ?? {};
  return [
    ...(payload.mass.value > 0 ? [...MOVED.map(moved), ...lowerLoad({ build }), ...lighter({ build })] : []),
    ...(duty && turn?.kind === 'radius'
      ? WIDER.map((by) => ({
          text: `“${duty.name}” ${showNumber(by)} times as wide`,
          cost: 'asks less: more room for the turn',
          asksLess: true as const,
          build: {
            ...build,
            duties: build.duties.map((d) =>
              d.id === dutyId ? { ...d, turn: { ...turn, radius: scaled(turn.radius, by) } } : d,
            ),
          },
        }))
      : []),
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
    case 'stand':
      return standing(build, cure.dutyId);
    case 'brake':
      return [brakedAll(build)];
    case 'command':
      return [withCommand(build, cure.share)];
    case 'interlock':
      return [withHandle(build, cure.driveId)];
    case 'fuse':
      return [withFuse(build, cure.suitsA)];
    default:
      return assertNever(cure);
  }
}
