import { wheelbaseOf, type Build } from '../../build/index.ts';
import { stageTitle, type Stage } from '../../transmission/index.ts';
import type { Cure } from '../report.ts';
import { scaled, withFrictionBrake, type Candidate } from './candidate.ts';
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

/** The jockey at another loop, or a dog or pin where nothing that locks is left behind. */
function released(build: Build): Candidate[] {
  const { stages, release } = build.drive;
  const last = stages.at(-1);
  const name = ({ kind }: Stage): string => stageTitle(kind).toLowerCase();
  const with_ = (change: Partial<typeof release>): Build => ({
    ...build,
    drive: { ...build.drive, release: { ...release, ...change } },
  });
  const loops = [...stages].reverse().filter(({ kind }) => LOOPS.has(kind));
  return [
    ...loops.map((loop) => ({
      text: `A jockey at the ${name(loop)}`,
      build: with_({ kind: 'jockey', at: loop.id }),
    })),
    ...(last
      ? (['dog', 'pin'] as const).map((kind) => ({
          text: `${kind === 'dog' ? 'A dog clutch' : 'A pin'} behind the ${name(last)}`,
          build: with_({ kind, at: last.id }),
        }))
      : []),
  ];
}

const LOOPS: ReadonlySet<Stage['kind']> = new Set(['chain', 'timing-belt', 'friction-belt']);

const SHORTER = { payload: [0.8, 0.6], lower: 0.7, radius: [1.3, 1.6, 2] } as const;

/** What makes a vehicle stand, steer or get round where it does not: its load moved or less, a wider turn. */
function standing(build: Build, dutyId: string): Candidate[] {
  const { payload } = build.masses;
  const duty = build.duties.find(({ id }) => id === dutyId);
  const wheelbaseM = wheelbaseOf(build.layout);
  const loaded = (text: string, change: Partial<typeof payload>): Candidate => ({
    text,
    build: { ...build, masses: { ...build.masses, payload: { ...payload, ...change } } },
  });
  const moved = (by: number): Candidate =>
    loaded(`The payload ${Math.round(Math.abs(by) * wheelbaseM * 1000)} mm ${by > 0 ? 'forward' : 'back'}`, {
      aheadOfRearAxle: {
        ...payload.aheadOfRearAxle,
        value: payload.aheadOfRearAxle.value + by * wheelbaseM,
        origin: 'typed',
      },
    });
  const { turn } = duty ?? {};
  return [
    ...(payload.mass.value > 0
      ? [
          ...[0.15, 0.3, -0.15].map(moved),
          loaded('The payload lower', { height: scaled(payload.height, SHORTER.lower) }),
          ...SHORTER.payload.map((by) =>
            loaded(`${Math.round(by * 100)} % of the payload`, { mass: scaled(payload.mass, by) }),
          ),
        ]
      : []),
    ...(duty && turn?.kind === 'radius'
      ? SHORTER.radius.map((by) => ({
          text: `“${duty.name}” ${by} times as wide`,
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
      return [{ text: 'A friction brake on every axle', build: withFrictionBrake(build) }];
  }
}
