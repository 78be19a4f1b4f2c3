import type { DeviceRole, StoredBuild } from '@zubric/core/answers';
import type { Build } from '@zubric/core/vehicle';
import { useCallback, useEffect, useMemo, useRef, type Dispatch } from 'react';
import { record, unsentNow } from '../offline/outbox.ts';
import { withUnsentSteps } from '../offline/unsent-steps.ts';
import type { SessionEvent } from './session.ts';

/** A step that is marked done on a day, or not done. */
interface MarkedDone {
  readonly stepId: string;
  readonly doneOn: string | undefined;
  readonly mark: (build: Build) => Build;
}

/** What this browser may do with the build on its bench, beside editing it. */
export interface Hands {
  /** Whether edits are kept; else they are tried on screen, and what is recorded goes by a door of its own. */
  readonly keeps: boolean;
  /** Takes back what was only tried. */
  readonly revert: () => void;
  /** Marks a step of the assembly, as `mark` does: as an edit, or, where edits are not kept, recorded by itself. */
  readonly markDone: (step: MarkedDone) => void;
  /** Takes over what somebody else saved, while nothing here is unsaved. */
  readonly adopt: (stored: StoredBuild) => void;
}

interface Bench {
  readonly id: string;
  readonly may: DeviceRole;
  readonly edit: (edit: (build: Build) => Build) => void;
  readonly dispatch: Dispatch<SessionEvent>;
}

export function useHands({ id, may, edit, dispatch }: Bench): Hands {
  const keeps = may === 'everything';
  const markDone = useCallback(
    ({ stepId, doneOn, mark }: MarkedDone) => {
      if (may !== 'record') {
        edit(mark);
        return;
      }
      dispatch({ type: 'noted', note: mark });
      // What the server refuses stays listed under “not sent yet”, with its reason.
      void record(id, { kind: 'step', stepId, doneOn: doneOn ?? null }, { keepRefused: true });
    },
    [id, may, edit, dispatch],
  );
  const adopt = useCallback(
    ({ document, version }: StoredBuild) =>
      void withUnsentSteps(document, unsentNow(), id).then((build) =>
        dispatch({ type: 'adopted', build, version }),
      ),
    [id, dispatch],
  );
  const revert = useCallback(() => dispatch({ type: 'reverted' }), [dispatch]);
  // What was tried while nothing was kept is not kept once it is: it was tried for itself.
  const kept = useRef(keeps);
  useEffect(() => {
    if (keeps && !kept.current) revert();
    kept.current = keeps;
  }, [keeps, revert]);
  return useMemo(() => ({ keeps, revert, markDone, adopt }), [keeps, revert, markDone, adopt]);
}
