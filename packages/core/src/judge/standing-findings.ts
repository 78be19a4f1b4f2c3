import { driveOf } from '../vehicle/index.ts';
import { driveFindings } from './drive-findings.ts';
import type { Finding } from './finding.ts';
import type { StandingContext } from './finding-context.ts';
import { fitFindings, fitOfDrive } from './fit-findings.ts';
import { heldFindings } from './heat-findings.ts';
import { driveNotes, heavierThanSaid, innerFindings, missingOfDrive, partNotes } from './parts-findings.ts';

/** What each drive lacks and says of itself; of several told apart by the drive that it is of. */
export function ofDrives(
  drives: readonly StandingContext[],
  of: (context: StandingContext) => Finding[],
): Finding[] {
  return drives.flatMap((context, at) => {
    const { id: driveId } = driveOf(context.build);
    return of(context).map((finding) => ({
      ...finding,
      driveId,
      id: at === 0 ? finding.id : `${finding.id}/${driveId}`,
    }));
  });
}

/** What is said of a vehicle and of its drives whatever its jobs: as long as those alone are edited, it stands. */
export const standingFindings = (vehicle: StandingContext, drives: readonly StandingContext[]) => ({
  missing: ofDrives(drives, missingOfDrive),
  masses: [...heavierThanSaid(vehicle), ...innerFindings(vehicle)],
  notes: [...ofDrives(drives, driveNotes), ...partNotes(vehicle), ...ofDrives(drives, heldFindings)],
  fits: fitFindings(vehicle),
  ways: [...ofDrives(drives, fitOfDrive), ...ofDrives(drives, driveFindings)],
});

export type StandingFindings = ReturnType<typeof standingFindings>;
