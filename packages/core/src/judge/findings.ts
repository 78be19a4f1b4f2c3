import { driveFindings, vehicleDriveFindings } from './drive-findings.ts';
import { SEVERITIES, type Finding } from './finding.ts';
import type { FindingContext } from './finding-context.ts';
import { fightFindings } from './fight-findings.ts';
import { fitFindings, fitOfDrive } from './fit-findings.ts';
import { groundFindings } from './ground-findings.ts';
import { heldFindings } from './heat-findings.ts';
import { endFindings, marginFindings } from './margin-findings.ts';
import {
  driveNotes,
  heavierThanSaid,
  innerFindings,
  missingOfDrive,
  missingParts,
  partNotes,
} from './parts-findings.ts';
import { speedFindings } from './speed-findings.ts';
import { supplyFindings } from './supply-findings.ts';
import { driveOf } from '../vehicle/index.ts';

/** What each drive lacks and says of itself; of several told apart by the drive that it is of. */
function ofDrives(drives: readonly FindingContext[], of: (context: FindingContext) => Finding[]): Finding[] {
  return drives.flatMap((context, at) => {
    const { id: driveId } = driveOf(context.build);
    return of(context).map((finding) => ({
      ...finding,
      driveId,
      id: at === 0 ? finding.id : `${finding.id}/${driveId}`,
    }));
  });
}

/** All findings: what stops it first, then what is tight, then notes. */
export function findingsOf(context: FindingContext, drives: readonly FindingContext[]): Finding[] {
  const all = [
    ...missingParts(context),
    ...ofDrives(drives, missingOfDrive),
    ...marginFindings(context),
    ...endFindings(context),
    ...heavierThanSaid(context),
    ...innerFindings(context),
    ...ofDrives(drives, driveNotes),
    ...partNotes(context),
    ...ofDrives(drives, heldFindings),
    ...fightFindings(context),
    ...speedFindings(context),
    ...supplyFindings(context),
    ...fitFindings(context),
    ...ofDrives(drives, fitOfDrive),
    ...ofDrives(drives, driveFindings),
    ...vehicleDriveFindings(context),
    ...groundFindings(context),
  ];
  return SEVERITIES.flatMap((severity) => all.filter((f) => f.severity === severity));
}
