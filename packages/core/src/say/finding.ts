import type { Finding, FindingCode } from '../judge/index.ts';
import type { About, Sayer } from './about.ts';
import { sayMargin } from './margins.ts';
import { ON_DRIVE } from './on-drive.ts';
import { ON_GROUND } from './on-ground.ts';
import { ON_PARTS } from './on-parts.ts';

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
export const sayFinding = <Code extends FindingCode>(
  finding: Finding & { readonly code: Code },
  about: About,
): string => (SAYERS[finding.code] as Sayer<Code>)(finding as never, about);
