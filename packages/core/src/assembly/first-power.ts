import { motorPlaces } from '../wiring/index.ts';
import { figure, sentence, type Words } from '../quantity/index.ts';
import {
  driveOf,
  driverOf,
  drivesOf,
  layoutKind,
  motorOf,
  rollsAway,
  switchesOnly,
  type Build,
  type SeenCheck,
} from '../vehicle/index.ts';

/** Something that is seen before it goes on, from the first volt to the hand-over. */
export interface Check {
  readonly id: string;
  readonly title: string;
  readonly how: Words;
  readonly caution?: string;
}

/** A check with what was seen, the last time. */
export interface SeenAt extends Check {
  readonly seen?: SeenCheck;
}

/** A first supply lets through so many times what the motors draw with no load (common practice, no source). */
const OVER_NO_LOAD = 2;

/** What the motors of a drive draw together while they turn with nothing to drive, A; undefined where that is not known. */
function noLoadA(build: Build): number | undefined {
  const motor = motorOf(build);
  const each = motor && 'noLoadA' in motor && typeof motor.noLoadA === 'number' ? motor.noLoadA : undefined;
  return each === undefined ? undefined : each * motorPlaces(build).length;
}

/** Which way each motor turns, one by one. */
const directions = (build: Build): Check[] =>
  drivesOf(build).flatMap((seen) => {
    const { id, name, does } = driveOf(seen);
    if (!motorOf(seen)) return [];
    return motorPlaces(seen).map(({ label }, n): Check => ({
      id: `direction.${id}.${n + 1}`,
      title: `${[build.drives.length > 1 ? name : 'Motor', label].filter((word) => word !== '').join(' ')} turns the right way`,
      how:
        does === 'propels'
          ? 'A tenth of full command ahead: the vehicle would go ahead by it.'
          : 'A tenth of full command: it goes the way that is asked.',
    }));
  });

/** How it is let out: by hand first, and by itself last. */
const lettingOut = (build: Build): Check[] => [
  {
    id: 'indoors-by-remote',
    title: 'Indoors, by hand or remote',
    how: 'On the level, empty, as slow as it goes; every command does what it says.',
    caution: 'Nobody in front, one hand on the switch.',
  },
  {
    id: 'outside-by-remote',
    title: 'Outside, or where its job is, by hand or remote',
    how: 'On the ground of the job, loaded as it will be; the link holds as far as it will go.',
  },
  ...(build.people === 'riding'
    ? []
    : [
        {
          id: 'by-itself',
          title: 'By itself, where it is to drive by itself',
          how: 'A person walks beside it with the switch until it has done the whole job three times.',
        },
      ]),
];

/** What stops it beside its switches: a lost link, a brake, and a cap where somebody rides. */
function whatStopsIt(build: Build): Check[] {
  const driver = driverOf(build);
  const riding = build.people === 'riding';
  return [
    ...(driver && !switchesOnly(driver)
      ? [
          {
            id: 'link-lost',
            title: 'A lost link stops it',
            how: 'Remote off, or cable out, at half command: it stops within a second.',
          },
        ]
      : []),
    ...(build.brake.kind === 'friction'
      ? [
          {
            id: 'brake',
            title: 'The brake holds',
            how: riding
              ? 'It holds on the steepest grade, lets go fully, and its lever cuts the motors.'
              : 'It holds on the steepest grade, and lets go fully.',
          },
        ]
      : []),
    ...(riding
      ? [
          {
            id: 'speed-cap',
            title: 'No faster than who rides can stop',
            how: build.speedCap
              ? sentence`It never goes faster than ${figure(build.speedCap.value, 'speed')}: measured over ten metres.`
              : 'Set a cap in the Brief and in what commands it: for a child, walking pace to begin with.',
            caution: 'Helmet; off the road; a grown-up at the switch.',
          },
        ]
      : []),
  ];
}

/**
 * What is seen before a build is handed over, in order: fed with a limit, off the ground, each motor the right way, what stops it,
 * then by hand indoors and outside, then by itself. Only what the build has (common practice, no source).
 *
 * @example checksOf(puffin)[0].id // 'limit'
 */
export function checksOf(build: Build): readonly Check[] {
  const draws = noLoadA(build);
  const { pullsByRope, onTracks } = layoutKind(build.layout.kind);
  return [
    {
      id: 'limit',
      title: 'Fed with a limit',
      how:
        draws === undefined
          ? 'By a supply with a current limit, or by a fuse of a tenth of the main one.'
          : sentence`By a supply that gives no more than ${figure(draws * OVER_NO_LOAD, 'current', 2)}, twice what its motors draw with nothing to drive, or by a fuse of a tenth of the main one.`,
    },
    {
      id: 'off-the-ground',
      title: pullsByRope
        ? 'No load on the rope'
        : onTracks
          ? 'Tracks off the ground'
          : 'Wheels off the ground',
      how: 'On blocks that cannot slip.',
      caution: 'Hands, hair and sleeves clear of what turns.',
    },
    ...directions(build),
    {
      id: 'main-switch',
      title: 'The main switch stops it',
      how: 'At full command, wheels still up: all stands, and nothing starts again when it is closed.',
    },
    ...(build.supply.interlocks ?? []).map(({ id, at, acts }): Check => ({
      id: `interlock.${id}`,
      title: `The switch at the ${at} acts`,
      how: `Tried once: it is there because it ${acts}.`,
    })),
    ...whatStopsIt(build),
    {
      id: 'stop-distance',
      title: 'It stops within the room there is',
      how: 'From full speed, loaded: marked and measured, three times.',
      caution: 'Nobody in its way, and room to run out.',
    },
    ...(build.duties.some(rollsAway)
      ? [
          {
            id: 'on-the-slope',
            title: 'It stops and holds on the slope',
            how: 'Empty before loaded, going down.',
            caution: 'Nobody below it; chocks at hand.',
          },
        ]
      : []),
    ...lettingOut(build),
  ];
}

/**
 * The trial that comes first once a build is handed over, as words go on after “next:” (common practice, no source).
 *
 * @example firstTrial(puffin) // 'ten straight runs'
 */
export function firstTrial({ layout }: Build): string {
  const { pullsByRope, balances, onRails } = layoutKind(layout.kind);
  if (pullsByRope) return 'a pull with half the load, then with all of it';
  if (balances) return 'a nudge where it stands, and how far it drifts';
  return onRails ? 'its time over a measured length, both ways' : 'ten straight runs';
}

/**
 * The checks of a build with what was seen at each; the next is the first that was not passed.
 *
 * @example handOver(puffin).next.id // 'limit'
 */
export function handOver(build: Build): { readonly checks: readonly SeenAt[]; readonly next?: Check } {
  const seen = new Map((build.assembly.checks ?? []).map((check) => [check.id, check]));
  const checks = checksOf(build).map((check): SeenAt => {
    const known = seen.get(check.id);
    return known ? { ...check, seen: known } : check;
  });
  const next = checks.find((check) => check.seen?.passed !== true);
  return { checks, ...(next ? { next } : {}) };
}

/**
 * The build with what was seen at a check; undefined takes it back.
 *
 * @example sawCheck(gull, 'limit', { on: '2027-03-01', passed: true }).assembly.checks // [{ id: 'limit', on: '2027-03-01', … }]
 */
export function sawCheck(build: Build, id: string, seen: Omit<SeenCheck, 'id'> | undefined): Build {
  const { checks: before = [], ...rest } = build.assembly;
  const others = before.filter((check) => check.id !== id);
  const checks = seen ? [...others, { id, ...seen }] : others;
  return { ...build, assembly: checks.length === 0 ? rest : { ...rest, checks } };
}
