import type { DutyReport } from '../capability/index.ts';
import type { Report } from './report.ts';

/** A duty as one of its drives has it. */
const dutyThrough = (duty: DutyReport, driveId: string): DutyReport => {
  const own = duty.drives?.find((drive) => drive.driveId === driveId);
  if (!own) return duty;
  const { ratioWindow: _window, ...rest } = duty;
  return { ...rest, point: own.point, ...(own.ratioWindow ? { ratioWindow: own.ratioWindow } : {}) };
};

/** A duty as a drive has it that does not move the vehicle: it does nothing for it. */
const dutyWithout = ({ point: _point, ratioWindow: _window, ...duty }: DutyReport): DutyReport => duty;

/**
 * A report as it is of one of the build's drives: its train, and in each duty its point and its window.
 *
 * @example reportThrough(report, undefined) === report // true
 */
export function reportThrough<R extends Pick<Report, 'drives' | 'duties' | 'train'>>(
  report: R,
  driveId: string | undefined,
): R {
  const drive = report.drives.find((one) => one.driveId === driveId);
  if (!drive || drive.train === report.train) return report;
  const duties = report.duties.map((duty) =>
    drive.does === 'propels' ? dutyThrough(duty, drive.driveId) : dutyWithout(duty),
  );
  return { ...report, train: drive.train, duties };
}
