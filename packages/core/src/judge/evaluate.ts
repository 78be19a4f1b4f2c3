import { dutyReport, movedOf, outingOf, commonSpan, type DutyReport } from '../capability/index.ts';
import { askedOf } from '../demand/index.ts';
import { drivelineOf, propelling, trainOf } from '../drive/index.ts';
import { driveOf, drivesOf, drivesThat, whole, type Build } from '../vehicle/index.ts';
import { axleLinks, wholeDriveLinks } from './drive-links.ts';
import { dutyLinks, linksOf } from './duty-links.ts';
import { findingsOf } from './findings.ts';
import { governingLinks } from './margin.ts';
import { ofEachDuty } from './of-each-duty.ts';
import { endOf } from './outing-end.ts';
import { outingLinks } from './outing-links.ts';
import { supplyLinks } from './supply-links.ts';
import { steeringLinks, turnedOf, workLinks } from './work-links.ts';
import type { DriveReport, Report } from './report.ts';

const trainReport = (build: Build): DriveReport['train'] => ({
  ...trainOf(build),
  ...movedOf(build, drivelineOf(build)),
});

/** A drive by itself: what it is for, and its train. */
function driveReport(build: Build, duties: readonly DutyReport[]): DriveReport {
  const { id, name, does } = driveOf(build);
  const turned = turnedOf(build, duties);
  return { driveId: id, name, does, train: trainReport(build), ...(turned ? { turned } : {}) };
}

/** Looked at through the first drive that moves it, whichever it came through. */
function firstLine(given: Build) {
  const lines = propelling(given);
  const { seen = whole(given), line } = lines[0] ?? {};
  return { lines, seen, line };
}

/** Each duty by itself: its report, and its margins. */
const dutiesOf = ofEachDuty((given) => {
  const { seen, line } = firstLine(given);
  return (duty) => {
    const report = dutyReport(seen, duty, line, askedOf(seen, duty, line));
    return { report, links: dutyLinks(seen, duty, report, line) };
  };
});

/** The report of a build without its sentences, and what they are made of. */
function judged(given: Build) {
  const { lines, seen: build, line } = firstLine(given);
  const each = dutiesOf(given);
  const duties = each.map(({ report }) => report);
  const drives = drivesOf(build).map((through) => driveReport(through, duties));
  const train = drives.find(({ does }) => does === 'propels')?.train ?? trainReport(build);
  const began = line && outingOf(build, duties, line);
  const outing = began && line ? { ...began, ...endOf(build, duties, line, began) } : began;
  const links = [
    ...each.flatMap((one) => one.links),
    ...lines.flatMap((one) => linksOf(one.line.driveId, wholeDriveLinks(one.seen, one.line))),
    ...drivesThat(build, 'propels').flatMap((seen) => linksOf(driveOf(seen).id, axleLinks(seen))),
    ...(line && outing
      ? [...outingLinks(build, duties, line, outing), ...supplyLinks(build, duties, line, outing)]
      : []),
    ...workLinks(build),
    ...steeringLinks(build, duties),
  ];
  return { seen: build, line, train, drives, duties, outing, links, governing: governingLinks(links) };
}

/** What margins come to, for those who compare many builds: the report without windows and sentences. */
export type Margins = Pick<Report, 'duties' | 'governing' | 'links' | 'drives' | 'train' | 'outing'>;
/**
 * The margins of a build without its findings: what a search or a sweep asks, many times.
 *
 * @example marginsOf(puffin).governing.length // 24
 */
export const marginsOf = (build: Build): Margins => judged(build);

/**
 * A build in, a report out: forces, operating points, margins and findings for every duty. Pure; takes any build
 * that fits the schema, finished or not. Findings are data: `reportInWords` of `say/` makes their sentences.
 *
 * Figures are SI, as in `LINKS`; see docs/format.md for every key.
 *
 * @example evaluate(puffin).governing[0] // { link: 'grip', dutyId: 'slip-empty', needs: 133.9, has: 173.2, … }
 */
export function evaluate(build: Build): Report {
  const { seen, line, train, drives, duties, outing, links, governing } = judged(build);
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
    findings: findingsOf(
      { build: seen, duties, governing, links, outing, train, line },
      drivesOf(seen).map((through, at) => ({
        build: through,
        duties,
        governing,
        links,
        outing,
        train: drives[at]?.train ?? train,
        line: drivelineOf(through),
      })),
    ),
  };
}
