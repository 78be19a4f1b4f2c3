import type { Duty } from '../vehicle/index.ts';
import { releasedFindings, vehicleDriveFindings } from './drive-findings.ts';
import { SEVERITIES, type Finding } from './finding.ts';
import type { FindingContext, StandingContext } from './finding-context.ts';
import { fightFindings } from './fight-findings.ts';
import { encoderFindings } from './fit-findings.ts';
import { groundFindings } from './ground-findings.ts';
import { endFindings, marginFindings } from './margin-findings.ts';
import { missingParts } from './parts-findings.ts';
import { speedFindings } from './speed-findings.ts';
import { ofDrives, type StandingFindings } from './standing-findings.ts';
import { supplyFindings } from './supply-findings.ts';

interface Known {
  readonly drives: readonly StandingContext[];
  readonly standing: StandingFindings;
  /** What the ground says of each duty. */
  readonly ofDuties: readonly Finding[];
}

/** All findings: what stops it first, then what is tight, then notes. */
export function findingsOf(context: FindingContext, { drives, standing, ofDuties }: Known): Finding[] {
  const jobs: readonly Duty[] = context.build.duties;
  const all = [
    ...missingParts(context),
    ...standing.missing,
    ...marginFindings(context),
    ...endFindings(context),
    ...standing.masses,
    ...standing.notes,
    ...fightFindings(context),
    ...speedFindings(context),
    ...supplyFindings(context),
    ...encoderFindings(context),
    ...standing.fits,
    ...standing.ways,
    ...ofDrives(drives, (drive) => releasedFindings(jobs, drive)),
    ...vehicleDriveFindings(context),
    ...groundFindings(context, ofDuties),
  ];
  return SEVERITIES.flatMap((severity) => all.filter((f) => f.severity === severity));
}
