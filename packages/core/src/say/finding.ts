import { reportThrough, type Finding, type FindingCode } from '../judge/index.ts';
import type { About, Sayer } from './about.ts';
import { sayMargin } from './margins.ts';
import { ON_DRIVE } from './on-drive.ts';
import { ON_GROUND } from './on-ground.ts';
import { ON_PARTS } from './on-parts.ts';
import { driveOf, throughDrive } from '../vehicle/index.ts';

/** A sentence for each kind of finding; one without is not compiled. */
const SAYERS: { readonly [Code in FindingCode]: Sayer<Code> } = {
  margin: sayMargin,
  'at-the-end': (finding, about) =>
    `At the end of the outing the battery rests at ${about.say(finding.figures.restsAt)}. ${sayMargin(finding, about)}`,
  ...ON_PARTS,
  ...ON_DRIVE,
  ...ON_GROUND,
};

/** The sentence of a finding, in the builder's units, naming its duty or part. */
export function sayFinding<Code extends FindingCode>(
  finding: Finding & { readonly code: Code },
  about: About,
): string {
  const seen = ofDrive(about, finding.driveId);
  const said = (SAYERS[finding.code] as Sayer<Code>)(finding as never, seen);
  const drive = about.build.drives.find(({ id }) => id === finding.driveId);
  return drive && about.build.drives.length > 1 ? `${drive.name}: ${said}` : said;
}

/** The build looked at through one of its drives, with the train of that one. */
function ofDrive(about: About, driveId: string | undefined): About {
  if (driveId === undefined || driveOf(about.build).id === driveId) return about;
  return {
    ...about,
    build: throughDrive(about.build, driveId),
    report: reportThrough(about.report, driveId),
  };
}
