import { stageWork, type StagePart } from '../transmission/index.ts';
import {
  driverOf,
  fittedOf,
  motorOf,
  type Build,
  type Part,
  type PartState,
  driveOf,
  outputsOf,
  motorsIn,
  driverCountOf,
  drivesOf,
  packsOf,
  whole,
} from '../vehicle/index.ts';
import { pathParts } from './path-parts.ts';
import { standingParts } from './standing-parts.ts';

/** One line of the parts list. Costs in the club's own money, masses in kg, both for one piece. */
export interface PartLine {
  readonly id: string;
  readonly name: string;
  readonly count: number;
  /** A part chosen from the shelf, one that follows from the build, or one that the builder added. */
  readonly source: 'chosen' | 'derived' | 'own';
  /** The station where it is chosen or changed, for parts that are not there yet. */
  readonly missing?: string;
  readonly partId?: string;
  readonly state: PartState;
  readonly arrivesOn?: string;
  readonly costEach?: number;
  readonly massEachKg?: number;
  /** Where it is bought: as noted of it, or the note of a part from the shelf. */
  readonly supplier?: string;
}

/** Stages and torque path of one drive; of a drive beside the first told apart by its id. */
function drivePath(seen: Build, of: string): StagePart[] {
  const drivelines = outputsOf(seen);
  const trains = driveOf(seen).stages.flatMap((stage) =>
    stageWork(stage)
      .parts(stage)
      .map((part) => ({ ...part, id: `${stage.id}.${part.id}`, count: part.count * drivelines })),
  );
  return [...trains, ...pathParts(seen)].map((part) => ({ ...part, id: `${of}${part.id}` }));
}

/** Motors of the drives beside the first, and what is between them and their ends. */
const drivesBeside = (build: Build): PartLine[] =>
  drivesOf(build)
    .filter((seen) => driveOf(seen).id !== driveOf(build).id)
    .flatMap((seen) => {
      const { id, name, work } = driveOf(seen);
      const motor = motorOf(seen);
      const known = motor !== undefined || work?.kind !== 'draws';
      return [
        ...(known ? [chosen(`${id}.motor`, `${name}, motor`, motorsIn(seen), motor)] : []),
        ...drivePath(seen, `${id}.`).map((wanted) => derived(build, wanted)),
      ];
    });

/** Boards that drive them: the one of the first drive, and others. */
function boards(build: Build): PartLine[] {
  const own = driverOf(build);
  const others = build.supply.drivers.flatMap(({ id, count }) => {
    const part = build.parts.find((carried) => carried.id === id);
    return part && part.id !== own?.id ? [chosen(`driver.${id}`, 'Driver', count, part)] : [];
  });
  return [chosen('driver', 'Driver', Math.max(1, driverCountOf(build)), own), ...others];
}

/** All that feeds it; a line to choose it where nothing does. */
function packs(build: Build): PartLine[] {
  const all = packsOf(build);
  if (all.length === 0) return [chosen('battery', 'Battery', 1, undefined)];
  return all.map(({ part, inSeries, inParallel }, at) =>
    chosen(at === 0 ? 'battery' : `battery.${part.id}`, 'Battery', inSeries * inParallel, part),
  );
}

/**
 * Every part that the build needs, in the order of the chain, and then the builder's own lines.
 *
 * @example partsList(puffin).map(({ name }) => name)
 *   // ['Frame', '24 V 500 W brushed gearmotor, 1:9', 'Sprocket, ANSI 35, 10 teeth', 'Sprocket, ANSI 35, 40 teeth', …]
 */
export function partsList(given: Build): PartLine[] {
  const build = whole(given);
  return [
    derived(build, { id: 'frame', name: 'Frame', count: 1 }),
    chosen('motor', 'Motor', motorsIn(build), motorOf(build)),
    ...drivePath(build, '').map((wanted) => derived(build, wanted)),
    ...standingParts(build.layout).map((wanted) => derived(build, wanted)),
    ...drivesBeside(build),
    ...boards(build),
    ...packs(build),
    ...fittedOf(build).map(({ part, count }) => chosen(`fitted.${part.id}`, part.kind, count, part)),
    ...WIRING.map((wanted) => derived(build, wanted)),
    ...build.assembly.own.map(({ massEach, ...line }): PartLine => ({
      ...line,
      source: 'own',
      ...(massEach ? { massEachKg: massEach.value } : {}),
    })),
  ];
}

const WIRING: readonly StagePart[] = [
  { id: 'main-switch', name: 'Main switch', count: 1 },
  { id: 'fuse', name: 'Fuse and holder, to sit near the battery', count: 1 },
  { id: 'cable', name: 'Cables and plugs, sized for stall', count: 1 },
];

function chosen(id: string, what: string, count: number, part: Part | undefined): PartLine {
  if (!part)
    return {
      id,
      name: `${what}, not chosen yet`,
      count,
      source: 'chosen',
      missing: 'Power',
      state: 'wished-for',
    };
  const { name, state, arrivesOn, cost, massKg, note } = part;
  return {
    id,
    name,
    count,
    source: 'chosen',
    partId: part.id,
    state,
    massEachKg: massKg,
    ...(arrivesOn === undefined ? {} : { arrivesOn }),
    ...(cost === undefined ? {} : { costEach: cost }),
    ...(note === '' ? {} : { supplier: note }),
  };
}

function derived(build: Build, wanted: StagePart): PartLine {
  const known = build.assembly.lines.find((line) => line.id === wanted.id);
  if (!known) return { ...wanted, source: 'derived', state: 'wished-for' };
  const { massEach, ...rest } = known;
  return { ...wanted, ...rest, source: 'derived', ...(massEach ? { massEachKg: massEach.value } : {}) };
}

/** What the list adds up to, and how many lines do not say. */
export interface PartsTotal {
  readonly cost: number;
  readonly withoutCost: number;
  readonly massKg: number;
  readonly withoutMass: number;
  readonly onHand: number;
  readonly ordered: number;
  readonly wishedFor: number;
}

/**
 * Mass and cost of all lines together, and how many of them say neither.
 *
 * @example partsTotal(partsList(puffin)) // { cost: 801, withoutCost: 1, massKg: 36.29, withoutMass: 6, … }
 */
export const partsTotal = (lines: readonly PartLine[]): PartsTotal => ({
  cost: lines.reduce((sum, line) => sum + line.count * (line.costEach ?? 0), 0),
  withoutCost: lines.filter((line) => line.costEach === undefined).length,
  massKg: lines.reduce((sum, line) => sum + line.count * (line.massEachKg ?? 0), 0),
  withoutMass: lines.filter((line) => line.massEachKg === undefined).length,
  onHand: lines.filter((line) => line.state === 'on-hand').length,
  ordered: lines.filter((line) => line.state === 'ordered').length,
  wishedFor: lines.filter((line) => line.state === 'wished-for').length,
});
