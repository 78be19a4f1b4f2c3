import { canBe, problemsOf, buildSchema } from '@zubric/core/vehicle';
import { useEffect, useRef, useState } from 'react';
import { ApiProblem, api } from '../common/api.ts';
import { soon } from '../common/soon.ts';
import { dropDraft, keepDraft } from './drafts.ts';
import type { Session, SessionEvent } from './session.ts';

const PAUSE_BEFORE_SAVING_MS = 350;
const FIRST_RETRY_MS = 1500;
/** What waits is sent soon after the server is back: it is next door, and asked by few. */
const LONGEST_RETRY_MS = 10_000;

/** How long to wait after so many failures in a row: longer each time, and not all windows at once. */
const pauseAfter = (failures: number): number =>
  Math.min(LONGEST_RETRY_MS, FIRST_RETRY_MS * 2 ** Math.max(0, failures - 1)) * (0.8 + 0.4 * Math.random());

/** Sends one edit and turns the answer into an event. */
async function saveOnce(id: string, session: Session): Promise<SessionEvent> {
  const wrong = canBe(session.build) ? undefined : buildSchema.safeParse(session.build).error;
  if (wrong) {
    const first = problemsOf(wrong)[0];
    return {
      type: 'refused',
      message: first ? `${first.path}: ${first.message}` : 'this build is not whole',
    };
  }
  try {
    const { version } = await api.saveBuild(id, session.build, session.version);
    return { type: 'confirmed', version };
  } catch (error) {
    if (!(error instanceof ApiProblem)) return { type: 'unreachable', message: String(error) };
    if (error.status === 409) {
      const stored = buildSchema.safeParse(error.details.stored);
      const version = Number(error.details.version);
      if (stored.success && Number.isInteger(version))
        return { type: 'conflicted', build: stored.data, version };
      return { type: 'unreachable', message: error.message };
    }
    if (error.status === 404) return { type: 'gone' };
    if (error.passing) return { type: 'unreachable', message: error.message };
    const first = error.problems[0];
    return { type: 'refused', message: first ? `${first.path}: ${first.message}` : error.message };
  }
}

/** Whether the edit on screen is on this machine’s disk. */
export type KeptHere = 'kept' | 'keeping' | 'only-on-screen';

/** Keeps every edit that the server has not confirmed on this machine, at once; says when it is on the disk. */
function useDraft(id: string, { build, confirmed, version }: Session, keeps: boolean): KeptHere {
  const [known, setKnown] = useState<{ readonly build: unknown; readonly kept: boolean }>();
  const writing = useRef(false);
  const next = useRef<(() => Promise<void>) | undefined>(undefined);
  useEffect(() => {
    if (!keeps) return;
    next.current =
      build === confirmed
        ? () => dropDraft(id)
        : async () => {
            const kept = await keepDraft(id, { version, document: build, base: confirmed });
            setKnown({ build, kept });
          };
    return soon(() => void writeAll());
    // One write at a time; of edits that come meanwhile only the last is written.
    async function writeAll(): Promise<void> {
      if (writing.current) return;
      writing.current = true;
      for (let work = next.current; work; work = next.current) {
        next.current = undefined;
        await work();
      }
      writing.current = false;
    }
  }, [id, build, confirmed, version, keeps]);
  if (known?.build !== build) return 'keeping';
  return known.kept ? 'kept' : 'only-on-screen';
}

interface Saving {
  readonly dispatch: (event: SessionEvent) => void;
  /** Whether edits are kept at all: else they are tried on screen. */
  readonly keeps: boolean;
  readonly onSaved?: () => void;
}

/** Saves by itself, a moment after the last keystroke, one save at a time, and again after a failure. */
export function useSaving(id: string, session: Session, { dispatch, keeps, onSaved }: Saving): KeptHere {
  const { save, build, confirmed, sending, failures } = session;
  const kept = useDraft(id, session, keeps);

  useEffect(() => {
    if (!keeps || (save !== 'waiting' && save !== 'offline') || sending || build === confirmed) return;
    const send = (): void => {
      dispatch({ type: 'sent', build });
      void saveOnce(id, session).then((event) => {
        dispatch(event);
        if (event.type === 'confirmed') onSaved?.();
      });
    };
    const timer = setTimeout(send, failures > 0 ? pauseAfter(failures) : PAUSE_BEFORE_SAVING_MS);
    return () => clearTimeout(timer);
  }, [id, save, build, confirmed, sending, failures, session, keeps, dispatch, onSaved]);

  // Leaving the bench within that moment: the last edit is sent at once.
  const latest = useRef<Session | undefined>(session);
  useEffect(() => {
    latest.current = keeps ? session : undefined;
  }, [session, keeps]);
  useEffect(
    () => () => {
      const left = latest.current;
      if (left?.save !== 'waiting' || left.sending) return;
      void saveOnce(id, left).then((event) => {
        if (event.type !== 'confirmed') return;
        void dropDraft(id);
        onSaved?.();
      });
    },
    [id, onSaved],
  );
  return kept;
}
