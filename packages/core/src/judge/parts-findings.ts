import { figure } from '../quantity/index.ts';
import {
  driverOf,
  motorAbilities,
  motorOf,
  switchesOnly,
  type Part,
  type PartKind,
  driverCountOf,
  packsOf,
  type Build,
  driveOf,
  piecesOf,
  motorsOn,
} from '../vehicle/index.ts';
import { askedOfWork, together } from '../drive/index.ts';
import { found, type Finding } from './finding.ts';
import type { LinkId } from './links.ts';
import type { FindingContext, StandingContext } from './finding-context.ts';

declare module './finding.ts' {
  interface FindingFigures {
    'no-duty': never;
    'no-motor': never;
    'no-driver': never;
    /** A lift whose drive ends in no spool. */
    'needs-spool': never;
    /** A motor that turns from stop to stop, where one must turn on and on. */
    'stops-short': never;
    'no-battery': 'rated';
    /** Electronic braking asked of what cannot. */
    'cannot-brake': never;
    /** A driver that gives all or nothing. */
    'switches-only': never;
    'few-channels': 'motors' | 'channels';
    'parts-heavier': 'parts' | 'said';
    'inner-outside': 'offset' | 'radius';
    /** Why a stage cannot be, or cannot be where it is. */
    'stage-problem': never;
    'stage-warning': never;
    'large-servo': never;
    'motor-warning': never;
    'motor-caution': never;
    'over-voltage': 'battery' | 'motor';
    'packs-in-series': 'packs';
    'above-60-v': 'full';
    'packs-in-parallel': 'packs';
    /** Of a chosen part: the figure that may be furthest off, as a share of it. */
    'guessed-figures': 'off';
  }
}

/** Running above the data sheet's voltage by more than this is worth a word (common practice, no source). */
const OVERVOLTAGE = 1.1;
/** Above this a licensed person is called for: volts, direct current. */
const EXTRA_LOW_VOLTAGE = 60;

/** More than this a controller's own 5 V supply does not feed (common practice, no source): N·m. */
const LARGE_SERVO = 0.5;
/** More than this over what the brief says, parts are heavier than the vehicle (common practice, no source). */
const HEAVIER = 1;

/** What of the whole is not chosen yet, or cannot do what is said of it. */
export function missingParts({ build, line }: FindingContext): Finding[] {
  const duties = build.duties.length === 0 ? [found('no-duty', 'short', {})] : [];
  if (!line) return duties;
  const { bank, motor } = line;
  return [
    ...duties,
    ...(build.brake.kind === 'electronic' && !together(line).some(({ brakes }) => brakes)
      ? [found('cannot-brake', 'stop', {}, { link: 'brake-hold', cures: [{ kind: 'brake' }] })]
      : []),
    ...(bank
      ? []
      : [
          found(
            'no-battery',
            'short',
            { rated: figure(motor.voltageV, 'voltage') },
            { link: 'battery-current' },
          ),
        ]),
  ];
}

/** What a drive lacks: its motor, its driver, channels for its motors and all others on the same boards. */
export function missingOfDrive({ build, line }: StandingContext): Finding[] {
  const { does, work } = driveOf(build);
  const missing =
    work?.kind === 'lift' && !askedOfWork(build)
      ? [found('needs-spool', 'short', {}, { link: 'work-torque' })]
      : [];
  if (!line && work?.kind === 'draws') return [];
  if (!line) return [...missing, found('no-motor', 'short', {}, { link: 'torque' })];
  const { driver, motor } = line;
  const channels = (driver?.channels ?? 0) * driverCountOf(build);
  const { drivesItself, propels } = motorAbilities(motor);
  const motors = driver ? motorsOn(build, driver.id) : 0;
  return [
    ...missing,
    ...(propels || does !== 'propels' ? [] : [found('stops-short', 'stop', {}, { link: 'torque' })]),
    ...(switchesOnly(driver) && does === 'propels'
      ? [found('switches-only', 'tight', {}, { link: 'driver-current' })]
      : []),
    ...(driver || drivesItself ? [] : [found('no-driver', 'short', {}, { link: 'driver-current' })]),
    ...(driver && !drivesItself && channels < motors
      ? [
          found(
            'few-channels',
            'stop',
            { motors: figure(motors, 'number'), channels: figure(channels, 'number') },
            { link: 'driver-current' },
          ),
        ]
      : []),
  ];
}

/** Chosen parts that together weigh more than the brief says of all the vehicle. */
export function heavierThanSaid({ build }: StandingContext): Finding[] {
  const { own, others } = build.masses;
  const saidKg = own.mass.value + others.reduce((sum, m) => sum + (m.kind === 'rider' ? 0 : m.mass.value), 0);
  const partsKg = piecesOf(build).reduce((sum, { part, count }) => sum + part.massKg * count, 0);
  if (partsKg <= HEAVIER * saidKg) return [];
  const figures = { parts: figure(partsKg, 'mass'), said: figure(saidKg, 'mass') };
  return [found('parts-heavier', 'short', figures, { link: 'motor-heat' })];
}

/** A sphere whose inner mass lies outside its shell. */
export function innerFindings({ build: { innerDrive: inner, layout } }: StandingContext): Finding[] {
  const radiusM = (layout.axles[0]?.diameter.value ?? 0) / 2;
  if (!inner || inner.offset.value < radiusM) return [];
  const figures = { offset: figure(inner.offset.value, 'length'), radius: figure(radiusM, 'length') };
  return [found('inner-outside', 'stop', figures, { link: 'grip' })];
}

/** What the stages' own sums say of them. */
const stageNotes = ({ train }: StandingContext): Finding[] =>
  train.stages.flatMap(({ id, problem, warnings }) => {
    const at = { stageId: id, link: 'ratio', cures: [{ kind: 'stage', stageId: id }] } as const;
    return [
      ...(problem ? [found('stage-problem', 'stop', {}, { ...at, of: id, notice: problem })] : []),
      ...warnings.map((notice, n) =>
        found('stage-warning', 'tight', {}, { ...at, of: `${id}/${n}`, notice }),
      ),
    ];
  });

/** A guess that may be no further off than this needs no word (common practice, no source). */
const FAR_OFF = 0.2;

/** The link that the kinds of part are first judged by. */
const FIRST_LINK: { readonly [K in PartKind]?: LinkId } = {
  motor: 'torque',
  driver: 'driver-current',
  battery: 'battery-current',
};

/** Parts of which nobody printed or measured what is reckoned with. Their mass is told by the scales. */
const guessedParts = (parts: readonly (Part | undefined)[]): Finding[] =>
  parts.flatMap((part) => {
    if (!part) return [];
    const { massKg: _mass, ...guessed } = part.guessed ?? {};
    const off = Math.max(0, ...Object.values(guessed));
    const link = FIRST_LINK[part.kind];
    return off > FAR_OFF
      ? [
          found(
            'guessed-figures',
            'note',
            { off: figure(off, 'share', 2) },
            { of: part.id, title: part.name, ...(link ? { link } : {}) },
          ),
        ]
      : [];
  });

/** Packs in series, each with a cut-off of its own, and strings of them side by side. */
function packsJoined(build: Build): readonly [number, number] {
  const blocks = packsOf(build).map(({ part, inSeries, inParallel }) => {
    const own = part.kind === 'battery' ? part : undefined;
    return [inSeries * (own?.packsInSeries ?? 1), inParallel * (own?.packsInParallel ?? 1)] as const;
  });
  const rows = blocks.map(([series]) => series);
  const sides = blocks.map(([, parallel]) => parallel);
  const all = (n: readonly number[]): number => n.reduce((a, b) => a + b, 0);
  return build.supply.joined === 'in series'
    ? [all(rows), Math.max(1, ...sides)]
    : [Math.max(1, ...rows), all(sides)];
}

/** What the chosen parts say of themselves and of each other. */
export function partNotes(context: StandingContext): Finding[] {
  const { build, line } = context;
  const servo =
    (build.steering?.actuatorTorque?.value ?? 0) > LARGE_SERVO
      ? [found('large-servo', 'note', {}, { link: 'steering' })]
      : [];
  const notes = [...servo, ...guessedParts(packsOf(build).map(({ part }) => part))];
  if (!line) return notes;
  const { fullV = 0 } = line.bank ?? {};
  const mostV = Math.max(
    fullV,
    ...build.parts.flatMap((part) => (part.kind === 'motor' ? part.voltageV : [])),
  );
  const [packs, strings] = packsJoined(build);
  const volts = (v: number) => figure(v, 'voltage');
  return [
    ...notes,
    ...(packs > 1
      ? [found('packs-in-series', 'note', { packs: figure(packs, 'number') }, { link: 'battery-voltage' })]
      : []),
    ...(strings > 1
      ? [
          found(
            'packs-in-parallel',
            'note',
            { packs: figure(strings, 'number') },
            { link: 'battery-current' },
          ),
        ]
      : []),
    ...(mostV > EXTRA_LOW_VOLTAGE ? [found('above-60-v', 'note', { full: volts(mostV) })] : []),
  ];
}

/** What the motor, the driver and the stages of a drive say of themselves and of the battery. */
export function driveNotes(context: StandingContext): Finding[] {
  const { build, line } = context;
  const notes = [...stageNotes(context), ...guessedParts([motorOf(build), driverOf(build)])];
  if (!line) return notes;
  const { nominalV = 0 } = line.bank ?? {};
  const rated = line.motor.voltageV;
  const volts = (v: number) => figure(v, 'voltage');
  return [
    ...notes,
    ...line.warnings.map((notice, at) =>
      found('motor-warning', 'tight', {}, { of: `${at}`, link: 'torque', notice }),
    ),
    ...motorAbilities(line.motor).cautions.map((notice) =>
      found('motor-caution', 'note', {}, { of: notice.code, link: 'torque', notice }),
    ),
    ...(nominalV > OVERVOLTAGE * rated
      ? [
          found(
            'over-voltage',
            'note',
            { battery: volts(nominalV), motor: volts(rated) },
            { link: 'motor-heat' },
          ),
        ]
      : []),
  ];
}
