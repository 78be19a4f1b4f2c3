import { dutyReport, movedOf, outingOf, commonSpan } from '../capability/index.ts';
import { askedOf } from '../demand/index.ts';
import { drivelineOf, trainOf } from '../drive/index.ts';
import type { Build } from '../vehicle/index.ts';
import { axleLinks, wholeDriveLinks } from './drive-links.ts';
import { dutyLinks } from './duty-links.ts';
import { findingsOf } from './findings.ts';
import { governingLinks } from './margin.ts';
import { endOf } from './outing-end.ts';
import { outingLinks } from './outing-links.ts';
import type { Report } from './report.ts';

/** The report of a build without its sentences, and what they are made of. */
function judged(build: Build) {
  const stages = trainOf(build);
  const line = drivelineOf(build, stages);
  const train = { ...stages, ...movedOf(build, line) };
  const asked = build.duties.map((duty) => askedOf(build, duty, line));
  const duties = build.duties.map((duty, at) => dutyReport(build, duty, line, asked[at]));
  const began = line && outingOf(build, duties, line);
  const outing = began && line ? { ...began, ...endOf(build, duties, line, began) } : began;
  const links = [
    ...build.duties.flatMap((duty, at) => {
      const report = duties[at];
      return report ? dutyLinks(build, duty, report, line) : [];
    }),
    ...(line ? wholeDriveLinks(build, line) : []),
    ...axleLinks(build),
    ...(line && outing ? outingLinks(build, duties, line, outing) : []),
  ];
  return { line, train, duties, outing, links, governing: governingLinks(links) };
}

/** What margins come to, for those who compare many builds: the report without windows and sentences. */
export type Margins = Pick<Report, 'duties' | 'governing'>;
export const marginsOf = (build: Build): Margins => judged(build);

/**
 * A build in, a report out: forces, operating points, margins and findings for every duty. Pure; takes any build
 * that fits the schema, finished or not. Findings are data: `reportInWords` of `say/` makes their sentences.
 *
 * Figures are SI, as in `LINKS`; see docs/format.md for every key.
 */
export function evaluate(build: Build): Report {
  const { line, train, duties, outing, links, governing } = judged(build);
  const windows = duties.flatMap((d) => (d.ratioWindow ? [d.ratioWindow] : []));
  return {
    build: build.name,
    train,
    duties,
    links,
    governing,
    ...(windows.length > 0 ? { ratioWindow: commonSpan(windows) } : {}),
    ...(outing ? { outing } : {}),
    findings: findingsOf({ build, duties, governing, links, outing, train, line }),
  };
}
