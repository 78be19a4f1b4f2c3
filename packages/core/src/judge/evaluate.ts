import { dutyReport, movedOf, outingOf, commonSpan } from '../capability/index.ts';
import { once } from '../contract/index.ts';
import { askedOf } from '../demand/index.ts';
import { drivelineOf, propelling, trainOf } from '../drive/index.ts';
import {
  driveOf,
  drivesOf,
  drivesThat,
  rememberedBesidesJobs,
  throughDrive,
  whole,
  type Build,
} from '../vehicle/index.ts';
import { axleLinks, wholeDriveLinks } from './drive-links.ts';
import { dutyLinks } from './duty-links.ts';
import type { StandingContext } from './finding-context.ts';
import { findingsOf } from './findings.ts';
import { groundFindingsOf } from './ground-findings.ts';
import { governingLinks, linksOf } from './margin.ts';
import { ofEachDuty } from './of-each-duty.ts';
import { endOf } from './outing-end.ts';
import { outingLinks } from './outing-links.ts';
import { standingFindings } from './standing-findings.ts';
import { steeredLinks, steeredOf, steeringAt, type SteeredAt } from './steering-links.ts';
import { supplyLinks } from './supply-links.ts';
import { workedOf, workLinks } from './work-links.ts';
import type { DriveReport, Report, LinkReport } from './report.ts';

const trainReport = (build: Build): DriveReport['train'] => ({
  ...trainOf(build),
  ...movedOf(build, drivelineOf(build)),
});

/** A drive by itself, whatever its jobs. */
const standingDrive = (through: Build) => ({
  build: through,
  train: trainReport(through),
  line: drivelineOf(through),
  worked: workedOf(through),
});

/** What of a build stands whatever its jobs, looked at through the first drive that moves it, whichever it came through. */
const standingOf = rememberedBesidesJobs((besides) => {
  const lines = propelling(besides);
  const { seen = whole(besides), line } = lines[0] ?? {};
  const drives = drivesOf(seen).map(standingDrive);
  const train = drives.find(({ build }) => driveOf(build).does === 'propels')?.train ?? trainReport(seen);
  const vehicle: StandingContext = { build: seen, train, line };
  return {
    vehicle,
    drives,
    held: once(() => lines.flatMap((one) => linksOf(one.line.driveId, wholeDriveLinks(one.seen, one.line)))),
    works: once(() => workLinks(seen)),
    findings: once(() => standingFindings(vehicle, drives)),
  };
});

/** Each duty by itself: its report, its margins, and what the ground says of it. */
const inDuty = ofEachDuty((besides) => {
  const { build, line } = standingOf(besides).vehicle;
  return (duty) => {
    const report = dutyReport(build, duty, line, askedOf(build, duty, line));
    return {
      report,
      links: once(() => dutyLinks(build, duty, report, line)),
      steered: once(() => steeringAt(build, duty, report)),
      findings: once(() => groundFindingsOf({ build, duty, report })),
    };
  };
});

/** A drive by itself: what it is for, its train, and what it is asked at its hardest. */
function driveReport(
  { build, train, worked }: ReturnType<typeof standingDrive>,
  steered: readonly SteeredAt[],
) {
  const { id, name, does } = driveOf(build);
  const turned = worked ?? steeredOf(build, steered);
  return { driveId: id, name, does, train, ...(turned ? { turned } : {}) } satisfies DriveReport;
}

/** What each duty comes to and each drive is, and what margins are made of. */
function reported(given: Build) {
  const document = whole(given);
  const standing = standingOf(document);
  const { line, train } = standing.vehicle;
  const build = line ? throughDrive(document, line.driveId) : document;
  const each = document.duties.map(inDuty(document));
  const duties = each.map(({ report }) => report);
  const steered = each.flatMap((one) => one.steered());
  const drives: readonly DriveReport[] = standing.drives.map((drive) => driveReport(drive, steered));
  return { build, standing, line, train, each, duties, steered, drives };
}

/**
 * What each duty comes to and each drive is, before any margin: for those who ask no more of many builds.
 *
 * @example dutiesAndDrives(puffin).duties[0]?.resistance.totalN // 411
 */
export const dutiesAndDrives = (build: Build): Pick<Report, 'duties' | 'drives' | 'train'> => reported(build);

/**
 * The margins of one duty by itself, those that no other duty has a say in: for those who first ask of many builds whether
 * a change does anything for it. None where the build has no such duty.
 *
 * @example marginsInDuty(puffin, duty.id).length // 16
 */
export function marginsInDuty(given: Build, dutyId: string): readonly LinkReport[] {
  const document = whole(given);
  const duty = document.duties.find(({ id }) => id === dutyId);
  return duty ? inDuty(document)(duty).links() : [];
}

/**
 * The margins that no duty has a say in: of parts against each other, of drives held or jammed, of works by themselves.
 *
 * @example marginsAtRest(puffin).every(({ dutyId }) => dutyId === null) // true
 */
export function marginsAtRest(given: Build): readonly LinkReport[] {
  const { held, works } = standingOf(whole(given));
  return [...held(), ...works()];
}

/** The report of a build without its sentences, and what they are made of. */
function judged(given: Build) {
  const { build, standing, line, train, each, duties, steered, drives } = reported(given);
  const began = line && outingOf(build, duties, line);
  const outing = began && line ? { ...began, ...endOf(build, duties, line, began) } : began;
  const links = [
    ...each.flatMap((one) => one.links()),
    ...standing.held(),
    ...drivesThat(build, 'propels').flatMap((seen) => linksOf(driveOf(seen).id, axleLinks(seen))),
    ...(line && outing
      ? [...outingLinks(build, duties, line, outing), ...supplyLinks(build, duties, line, outing)]
      : []),
    ...standing.works(),
    ...steeredLinks(standing.vehicle.build, steered),
  ];
  const context = { build, train, line, duties, outing, links, governing: governingLinks(links) };
  return { context, drives, each, standing };
}

/** What margins come to, for those who compare many builds: the report without windows and sentences. */
export type Margins = Pick<Report, 'duties' | 'governing' | 'links' | 'drives' | 'train' | 'outing'>;
/**
 * The margins of a build without its findings: what a search or a sweep asks, many times.
 *
 * @example marginsOf(puffin).governing.length // 24
 */
export function marginsOf(build: Build): Margins {
  const { context, drives } = judged(build);
  return { ...context, drives };
}

/**
 * A build in, a report out: forces, operating points, margins and findings for every duty. Pure; takes any build
 * that fits the schema, finished or not. Findings are data: `reportInWords` of `say/` makes their sentences.
 *
 * Figures are SI, as in `LINKS`; see docs/format.md for every key.
 *
 * @example evaluate(puffin).governing[0] // { link: 'grip', dutyId: 'slip-empty', needs: 133.9, has: 173.2, … }
 */
export function evaluate(build: Build): Report {
  const { context, drives, each, standing } = judged(build);
  const { train, duties, outing, links, governing } = context;
  const windows = duties.flatMap((d) => (d.ratioWindow ? [d.ratioWindow] : []));
  return {
    build: build.name,
    train,
    drives,
    duties,
    links,
    governing,
    ...(windows.length > 0 ? { ratioWindow: commonSpan(windows) } : {}),
    ...(outing ? { outing } : {}),
    findings: findingsOf(context, {
      drives: standing.drives,
      standing: standing.findings(),
      ofDuties: each.flatMap((one) => one.findings()),
    }),
  };
}
