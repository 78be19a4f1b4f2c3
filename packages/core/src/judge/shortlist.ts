import { reportThrough } from './report-through.ts';
import { assertNever } from '../contract/index.ts';
import type { DutyReport } from '../capability/index.ts';
import { trainOf, askedOfWork, drivelineOf } from '../drive/index.ts';
import { batteryPack } from '../supply/index.ts';
import { freshStage } from '../transmission/index.ts';
import {
  bankOf,
  choosePart,
  motorAbilities,
  motorOf,
  type Build,
  type Drive,
  type ChosenKind,
  isChosen,
  type ChosenPart,
  type Part,
  packCells,
  driveOf,
  changeDrive,
  motorsIn,
  driverCountOf,
  driverOf,
  drivesMotor,
} from '../vehicle/index.ts';
import { marginsOf, type Margins } from './evaluate.ts';
import type { LinkId } from './links.ts';
import { closeness, governingLinks } from './margin.ts';
import { ratiosWanted } from './ratios-wanted.ts';
import type { LinkReport } from './report.ts';
import { fastestAgainst, greatestAt } from './work-links.ts';

/** What a part of a kind changes: what it is judged by. */
const CHANGES: { readonly [K in ChosenKind]: readonly LinkId[] } = {
  motor: [
    'torque',
    'speed',
    'ratio',
    'over-speed',
    'motor-heat',
    'driver-current',
    'driver-peak',
    'battery-current',
    'battery-peak',
    'battery-voltage',
    'energy',
    'stage-stall',
    'path-stall',
    'shaft-load',
    'work-torque',
    'work-speed',
    'steering',
    'steer-speed',
    'travel',
  ],
  driver: ['driver-current', 'driver-peak', 'driver-voltage', 'torque', 'speed'],
  battery: [
    'battery-current',
    'battery-peak',
    'battery-voltage',
    'energy',
    'driver-voltage',
    'torque',
    'speed',
    'motor-heat',
  ],
};

/** A part as it does in a build. */
export interface Suited {
  readonly part: ChosenPart;
  /** Of the links that it changes, the one nearest to failing. */
  readonly worst?: LinkReport;
  readonly fails: number;
  readonly short: number;
  /** The ratio at which a bare motor was judged, where the build has no stage yet. */
  readonly atRatio?: number;
  /** Whether its motors weigh more than a quarter of the vehicle. */
  readonly heavy: boolean;
  /** How far its voltage is off that of the rest of the build, as a factor of 1 or more; 1 where nothing tells. */
  readonly voltsOff: number;
  /** Whether its driver, or its motor, is of another sort: the motor will not turn. */
  readonly otherSort: boolean;
  /** So many of it are needed: drivers by their channels. */
  readonly count: number;
}

/** More of a vehicle, its payload left out, than this its motors should not weigh (common practice, no source). */
export const MOST_OF_VEHICLE = 0.25;
/** Voltages nearer than this are alike: a 24 V motor runs on 25.6 V. */
const ALIKE_VOLTS = 1.15;

/** Shares of its free speed at which a motor may be set to work. */
const WORKING_SHARES = [0.5, 0.55, 0.6, 0.65, 0.7, 0.75, 0.8, 0.85, 0.9];

/**
 * The ratio at which the motor of a drive that works has the most to spare of torque and speed, each over its rule;
 * undefined where nothing is asked of it.
 *
 * @example ratioOfWork(throughDrive(whimbrel, 'drive-3')) // 1261
 */
export function ratioOfWork(build: Build): number | undefined {
  const [asked, line] = [askedOfWork(build), drivelineOf(build)];
  if (!asked || !line) return undefined;
  const { torqueNm, speedRadS } = asked;
  const { torque, speed } = build.marginPolicy;
  const freeRadS = line.circuit.motor.fastestRadS(line.circuit.openCircuitV);
  const tried = WORKING_SHARES.map((share) => {
    const ratio = (share * freeRadS) / speedRadS;
    const geared = { ...line, ratio };
    const spare = Math.min(
      greatestAt(geared, speedRadS) / torqueNm / torque,
      fastestAgainst(geared, torqueNm) / speedRadS / speed,
    );
    return { ratio, spare };
  });
  return tried.reduce((best, one) => (one.spare > best.spare ? one : best)).ratio;
}

/** A bare motor without any stage behind it, at the ratio that suits the duties best. */
function atBestRatio(build: Build): { readonly build: Build; readonly atRatio?: number } {
  if (driveOf(build).stages.length > 0 || motorOf(build)?.gearhead) return { build };
  if (driveOf(build).does !== 'propels') return atRatio(build, ratioOfWork(build));
  const { duties } = reportThrough(marginsOf(build), driveOf(build).id);
  return atRatio(build, ratiosWanted(duties, null, trainOf(build).ratio)[0] ?? bestOfHardest(duties));
}

const atRatio = (build: Build, ratio: number | undefined) =>
  ratio === undefined
    ? { build }
    : { build: changeDrive(build, { stages: [freshStage('gearhead', 'best', ratio)] }), atRatio: ratio };

/** Where no ratio suits every duty: the one that is best for the hardest of them; undefined where the motor moves none. */
function bestOfHardest(duties: readonly DutyReport[]): number | undefined {
  const [hardest] = duties
    .flatMap(({ ratioWindow }) => (ratioWindow && ratioWindow.best.margin > 0 ? [ratioWindow.best] : []))
    .sort((a, b) => a.margin - b.margin);
  return hardest?.ratio;
}

const judgedOf = ({ links }: Margins, kind: ChosenKind, { id: driveId, does }: Drive): LinkReport[] => {
  const propels = does === 'propels';
  return governingLinks(
    links.filter(
      (link) => kind === 'battery' || link.driveId === driveId || (propels && link.driveId === undefined),
    ),
  )
    .filter(({ link }) => CHANGES[kind].includes(link))
    .sort((a, b) => closeness(a) - closeness(b));
};

function voltsOff(build: Build, part: ChosenPart): number {
  const [packV, motorV] = [bankOf(build)?.nominalV, motorOf(build)?.voltageV];
  const off = (a: number, b: number): number => {
    const by = Math.max(a / b, b / a);
    return by <= ALIKE_VOLTS ? 1 : by;
  };
  switch (part.kind) {
    case 'motor':
      return packV === undefined ? 1 : off(part.voltageV, packV);
    case 'battery':
      return motorV === undefined ? 1 : off(batteryPack.run(packCells(part)).nominalV, motorV);
    case 'driver': {
      const volts = packV ?? motorV;
      if (volts === undefined) return 1;
      return volts < part.leastV ? part.leastV / volts : Math.max(1, volts / part.mostV);
    }
    default:
      return assertNever(part);
  }
}

function isOfOtherSort(build: Build): boolean {
  const [motor, driver] = [motorOf(build), driverOf(build)];
  return motor !== undefined && driver !== undefined && !drivesMotor(driver, motor);
}

function suited(build: Build, part: ChosenPart): Suited {
  const tried = atBestRatio(choosePart(build, part));
  const [worst, ...others] = judgedOf(marginsOf(tried.build), part.kind, driveOf(build));
  const all = worst ? [worst, ...others] : [];
  const vehicleKg =
    build.masses.own.mass.value + build.masses.others.reduce((sum, m) => sum + m.mass.value, 0);
  const motors = motorsIn(build);
  return {
    part,
    ...(worst ? { worst } : {}),
    fails: all.filter(({ verdict }) => verdict === 'fails').length,
    short: all.filter(({ verdict }) => verdict === 'short').length,
    ...(tried.atRatio === undefined ? {} : { atRatio: tried.atRatio }),
    heavy: part.kind === 'motor' && motors * part.massKg > MOST_OF_VEHICLE * vehicleKg,
    voltsOff: voltsOff(build, part),
    otherSort: part.kind !== 'battery' && isOfOtherSort(tried.build),
    count: part.kind === 'driver' ? driverCountOf(tried.build) : 1,
  };
}

/** How near to holding its worst margin is, in steps that a builder would tell apart: by a tenth. */
const nearness = ({ worst }: Suited): number => (worst ? Math.round(10 * Math.min(1, closeness(worst))) : 0);

/** On hand before ordered before wished for. */
const NEARNESS: Readonly<Record<ChosenPart['state'], number>> = {
  'on-hand': 0,
  ordered: 1,
  'wished-for': 2,
};

/**
 * Parts of one kind, what suits a build best first: by what they change (what fails, then what is short; of those that fail
 * the nearer to holding), what its driver or motor is not made for last, a motor that is no burden and one that turns as it is before a bare shaft that wants stages first,
 * then by voltage, mass, what is on hand, and cost. Servos from stop to stop are left out where the drive moves the vehicle.
 *
 * @example shortlist(puffin, puffin.parts).length // 3
 */
export function shortlist(build: Build, parts: readonly Part[]): Suited[] {
  const mayStop = driveOf(build).does !== 'propels';
  return parts
    .filter(isChosen)
    .filter((part) => part.kind !== 'motor' || mayStop || motorAbilities(part).propels)
    .map((part) => suited(build, part))
    .sort(
      (a, b) =>
        Number(a.otherSort) - Number(b.otherSort) ||
        Number(a.heavy) - Number(b.heavy) ||
        a.fails - b.fails ||
        a.short - b.short ||
        (a.fails > 0 ? nearness(b) - nearness(a) : 0) ||
        Number(a.atRatio !== undefined) - Number(b.atRatio !== undefined) ||
        a.voltsOff - b.voltsOff ||
        a.count * a.part.massKg - b.count * b.part.massKg ||
        NEARNESS[a.part.state] - NEARNESS[b.part.state] ||
        (a.part.cost ?? Infinity) - (b.part.cost ?? Infinity),
    );
}
