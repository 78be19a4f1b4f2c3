import { driveFindings } from './drive-findings.ts';
import { SEVERITIES, type Finding } from './finding.ts';
import type { FindingContext } from './finding-context.ts';
import { fitFindings } from './fit-findings.ts';
import { groundFindings } from './ground-findings.ts';
import { endFindings, marginFindings } from './margin-findings.ts';
import { heavierThanSaid, innerFindings, missingParts, partNotes } from './parts-findings.ts';

/** All findings: what stops it first, then what is tight, then notes. */
export function findingsOf(context: FindingContext): Finding[] {
  const all = [
    ...missingParts(context),
    ...marginFindings(context),
    ...endFindings(context),
    ...heavierThanSaid(context),
    ...innerFindings(context),
    ...partNotes(context),
    ...fitFindings(context),
    ...driveFindings(context),
    ...groundFindings(context),
  ];
  return SEVERITIES.flatMap((severity) => all.filter((f) => f.severity === severity));
}
