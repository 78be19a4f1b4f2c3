import { largeWheels, pathInOrder, roomForWheels, stillLocks } from '../capability/index.ts';
import { motorShaftOf } from '../drive/index.ts';
import { degreesToRadians, figure, rpmToRadS, type Figure, type Quantity } from '../quantity/index.ts';
import { isLoop, mismatchesOf, stageKind, type Mismatch } from '../transmission/index.ts';
import { layoutKind, motorNominal, rollsAway, driveOf, type Duty } from '../vehicle/index.ts';
import { found, type Cure, type Finding } from './finding.ts';
import type { FindingContext, StandingContext } from './finding-context.ts';

declare module './finding.ts' {
  interface FindingFigures {
    /** Two parts of the torque path that do not fit, by what joins them. */
    'mismatch-bush': 'has' | 'wants';
    'mismatch-stepped-shaft': 'has' | 'wants';
    'mismatch-stepped-key': 'has' | 'wants';
    'mismatch-cut-keyway': 'has' | 'wants';
    'mismatch-plate': 'has' | 'wants' | 'holesHas' | 'holesWants';
    /** A part of the path behind a stage that is gone. */
    'lost-element': never;
    'no-path': never;
    'say-tensioner': never;
    'no-tensioner': never;
    'chain-throws': never;
    'jockey-needs-loop': never;
    /** A wheel of a stage that is larger than the vehicle is high. */
    'large-wheel': 'across' | 'room';
    'still-locks': never;
    'released-holds-nothing': never;
    'rider-needs-brake': never;
    'balancer-play': 'atWheel' | 'atGround';
    play: 'atWheel' | 'atGround';
    rotors: 'ratio' | 'more';
    'quick-motor': never;
    creeps: 'speed' | 'rotation' | 'share';
  }
}

const sizeOf = ({ value, unit }: Quantity): Figure => ({ ...figure(value, 'length'), typedUnit: unit });

/** Where two parts of the path do not fit; a part may at both its ends. */
function mismatchFinding(
  { elementId, what, has, wants, adapter, holes }: Mismatch,
  at: number,
  all: readonly Mismatch[],
): Finding {
  const sizes = { has: sizeOf(has), wants: sizeOf(wants) };
  const about = { elementId, link: 'path', cures: [{ kind: 'fit', elementId }] } as const;
  const one =
    adapter === 'plate'
      ? found(
          'mismatch-plate',
          'stop',
          {
            ...sizes,
            holesHas: figure(holes?.[0] ?? 0, 'number'),
            holesWants: figure(holes?.[1] ?? 0, 'number'),
          },
          about,
        )
      : found(`mismatch-${adapter}`, 'stop', sizes, about);
  const before = all.slice(0, at).filter((m) => m.elementId === elementId && m.what === what).length;
  const id = `mismatch/${elementId}/${what}`;
  return { ...one, id: before === 0 ? id : `${id}/${before + 1}` };
}

function pathFindings({ build }: StandingContext): Finding[] {
  const { path, stages } = driveOf(build);
  const ordered = pathInOrder(build);
  const lost = path.filter((element) => !ordered.includes(element));
  return [
    ...mismatchesOf(ordered, motorShaftOf(build)).map(mismatchFinding),
    ...lost.map(({ id }) => found('lost-element', 'tight', {}, { of: id, elementId: id, link: 'path' })),
    ...(path.length === 0 && stages.length > 0 ? [found('no-path', 'note', {}, { link: 'path' })] : []),
  ];
}

/** What loops need to stay on. */
function loopFindings({ build }: StandingContext): Finding[] {
  const [first] = driveOf(build).stages;
  return [
    ...driveOf(build)
      .stages.filter(isLoop)
      .flatMap(({ id, tensioner }): Finding[] => {
        const at = { of: id, stageId: id, link: 'ratio' } as const;
        if (tensioner === undefined) return [found('say-tensioner', 'note', {}, at)];
        if (tensioner !== 'none') return [];
        return [found('no-tensioner', 'tight', {}, { ...at, cures: [{ kind: 'tension', stageId: id }] })];
      }),
    ...(first && stageKind(first.kind).loop?.throws && !driveOf(build).mount.twist
      ? [found('chain-throws', 'note', {}, { link: 'mount-twist' })]
      : []),
  ];
}

/** Sprockets, pulleys and gears that the vehicle has no room for. */
const largeFindings = ({ build }: StandingContext): Finding[] =>
  largeWheels(build).map(({ stageId, acrossM }) =>
    found(
      'large-wheel',
      'tight',
      { across: figure(acrossM, 'length'), room: figure(roomForWheels(build), 'length') },
      { of: stageId, stageId, link: 'ratio' },
    ),
  );

/** Disengaging, and what does it. */
function releaseFindings({ build }: StandingContext): Finding[] {
  const { release, stages } = driveOf(build);
  if (release.kind === 'none') return [];
  const at = stages.find(({ id }) => id === release.at);
  const released = { link: 'ratio', cures: [{ kind: 'release' }] } as const;
  return [
    ...(release.kind === 'jockey' && !(at && isLoop(at))
      ? [found('jockey-needs-loop', 'stop', {}, released)]
      : []),
    ...(stillLocks(build) ? [found('still-locks', 'stop', {}, released)] : []),
  ];
}

/** A drive that is disengaged on a slope, where nothing else brakes. */
export function releasedFindings(duties: readonly Duty[], { build }: StandingContext): Finding[] {
  const { does, release } = driveOf(build);
  const steep = duties.find(rollsAway);
  if (does !== 'propels' || release.kind === 'none' || !steep || build.brake.kind === 'friction') return [];
  const cures: readonly Cure[] = [{ kind: 'brake' }];
  return [found('released-holds-nothing', 'tight', {}, { link: 'brake-hold', dutyId: steep.id, cures })];
}

/** Play at a balancer’s wheel from which its control chatters (common practice, no source): radians. */
const CHATTERS = degreesToRadians(1);
/** From so much play on any vehicle is felt (common practice, no source): radians. */
const MUCH_PLAY = degreesToRadians(3);
/** Rotors that add more than this share to the mass to be sped up are worth a word (common practice, no source). */
const MUCH_ROTATING = 1.1;
/** Motors that turn faster than this unloaded are small and quick (common practice, no source): rpm. */
const QUICK_RPM = 12_000;
/** So many starts an hour are stop-and-go work (common practice, no source). */
const STOP_AND_GO = 20;
/** A motor slower than this share of its no-load speed turns by its cogs (common practice, no source). */
const CREEP = 0.03;

/** Play of the whole train at the wheel. */
function playFindings({ build, train }: StandingContext): Finding[] {
  if (!train.play) return [];
  const { atWheelRad, atGroundM } = train.play;
  const figures = { atWheel: figure(atWheelRad, 'angle'), atGround: figure(atGroundM, 'length') };
  if (layoutKind(build.layout.kind).balances)
    return atWheelRad > CHATTERS ? [found('balancer-play', 'tight', figures, { link: 'ratio' })] : [];
  return atWheelRad > MUCH_PLAY ? [found('play', 'note', figures, { link: 'ratio' })] : [];
}

/** Rotors that weigh with what is sped up, and motors at speeds that do not suit them. */
function motionFindings({ build, duties, train, line }: FindingContext): Finding[] {
  const speedsUp = build.duties.some(
    (d) => d.acceleration.value > 0 || d.upToSpeed !== undefined || (d.startsAnHour?.value ?? 0) > 0,
  );
  const rotating = train.moved?.rotatingMassFactor ?? 1;
  const rotors =
    speedsUp && rotating > MUCH_ROTATING
      ? [
          found(
            'rotors',
            'note',
            { ratio: figure(train.ratio, 'ratio'), more: figure(rotating - 1, 'share') },
            { link: 'torque' },
          ),
        ]
      : [];
  if (!line) return rotors;
  const { noLoadRpm } = motorNominal(line.motor);
  const often = build.duties.find((d) => (d.startsAnHour?.value ?? 0) >= STOP_AND_GO);
  const slow = duties.find((d) => d.point && d.point.motorRpm > 0 && d.point.motorRpm < CREEP * noLoadRpm);
  return [
    ...rotors,
    ...(often && noLoadRpm > QUICK_RPM
      ? [found('quick-motor', 'note', {}, { link: 'torque', dutyId: often.id })]
      : []),
    ...(slow?.point
      ? [
          found(
            'creeps',
            'note',
            {
              speed: figure(slow.speedMps, 'speed'),
              rotation: figure(rpmToRadS(slow.point.motorRpm), 'rotation'),
              share: figure(slow.point.motorRpm / noLoadRpm, 'share', 2),
            },
            { of: slow.id, link: 'speed', dutyId: slow.id },
          ),
        ]
      : []),
  ];
}

/** What the way from motor to ground says beside its margins. */
export const driveFindings = (context: StandingContext): Finding[] => [
  ...pathFindings(context),
  ...loopFindings(context),
  ...largeFindings(context),
  ...(driveOf(context.build).does === 'propels'
    ? [...releaseFindings(context), ...playFindings(context)]
    : []),
];

/** What all drives together say of the vehicle's motion. */
export const vehicleDriveFindings = (context: FindingContext): Finding[] => [
  ...(context.build.people === 'riding' && context.build.brake.kind !== 'friction'
    ? [found('rider-needs-brake', 'stop', {}, { link: 'brake-hold', cures: [{ kind: 'brake' }] })]
    : []),
  ...motionFindings(context),
];
