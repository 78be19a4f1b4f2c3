import { evaluate, reportThrough, type Report } from '@zubric/core/judge';
import { driveOf, throughDrive, whole, type Build } from '@zubric/core/vehicle';
import { useCallback, useMemo, useState, type Dispatch } from 'react';
import type { SessionEvent } from './session.ts';

/** Through the drive that was chosen, while there is one of that id. */
const through = (build: Build, driveId: string | undefined): Build =>
  driveId !== undefined && build.drives.some(({ id }) => id === driveId)
    ? throughDrive(build, driveId)
    : build;

export interface LookedAt {
  /** Looked at through one of its drives: forms and figures of a drive are that one's. */
  readonly build: Build;
  /** The same, as it is saved. */
  readonly whole: Build;
  readonly report: Report;
  readonly lookAtDrive: (driveId: string) => void;
  readonly edit: (edit: (build: Build) => Build) => void;
}

/** A build looked at through the drive that was chosen last, judged, and edited as it is looked at. */
export function useLookedAt(saved: Build, dispatch: Dispatch<SessionEvent>): LookedAt {
  const [driveId, lookAtDrive] = useState<string>();
  const edit = useCallback(
    (change: (build: Build) => Build) =>
      dispatch({ type: 'edited', edit: (b) => whole(change(through(b, driveId))), at: Date.now() }),
    [driveId, dispatch],
  );
  const seen = useMemo(() => {
    const build = through(saved, driveId);
    return { build, report: reportThrough(evaluate(saved), driveOf(build).id) };
  }, [saved, driveId]);
  return useMemo(() => ({ ...seen, whole: saved, lookAtDrive, edit }), [seen, saved, edit]);
}
