import { problemsOf, buildSchema, type Build } from '@zubric/core/build';
import { evaluate, type Report } from '@zubric/core/evaluate';
import {
  createContext,
  useCallback,
  useContext,
  useEffect,
  useMemo,
  useReducer,
  useRef,
  useState,
  type ReactNode,
} from 'react';
import { ApiProblem, api, type StoredBuild } from '../app/api.ts';
import { useUnits } from '../app/units.tsx';
import { dropDraft, findDraft, keepDraft } from './drafts.ts';
import { findHistory, keepHistory } from './history.ts';
import { nextSession, openSession, type Session, type SessionEvent } from './session.ts';

const PAUSE_BEFORE_SAVING_MS = 350;
const PAUSE_BEFORE_RETRY_MS = 2000;

interface OpenBuild {
  readonly id: string;
  readonly session: Session;
  readonly build: Build;
  readonly report: Report;
  readonly edit: (edit: (build: Build) => Build) => void;
  readonly undo: () => void;
  readonly redo: () => void;
  /** Settles a conflict with the build that was chosen, difference by difference. */
  readonly merge: (merged: Build) => void;
  /** Fields whose text cannot be read; the report stands at their last readable values. */
  readonly unread: number;
  readonly markUnread: (field: string, unread: boolean) => void;
}

const OpenBuildContext = createContext<OpenBuild | null>(null);

export function useBuild(): OpenBuild {
  const open = useContext(OpenBuildContext);
  if (!open) throw new Error('no build is open here');
  return open;
}

/** Sends one edit and turns the answer into an event. */
async function saveOnce(id: string, session: Session): Promise<SessionEvent> {
  const checked = buildSchema.safeParse(session.build);
  if (!checked.success) {
    const first = problemsOf(checked.error)[0];
    return {
      type: 'refused',
      message: first ? `${first.path}: ${first.message}` : 'this build is not whole',
    };
  }
  try {
    const { version } = await api.saveBuild(id, session.build, session.version);
    return { type: 'confirmed', version };
  } catch (error) {
    if (!(error instanceof ApiProblem)) throw error;
    if (error.status === 409)
      return {
        type: 'conflicted',
        build: error.details.stored as Build,
        version: Number(error.details.version),
      };
    if (error.passing) return { type: 'unreachable', message: error.message };
    const first = error.problems[0];
    return { type: 'refused', message: first ? `${first.path}: ${first.message}` : error.message };
  }
}

/** Saves by itself, a moment after the last keystroke, one save at a time, and again after a failure. */
function useSaving(
  id: string,
  session: Session,
  { dispatch, onSaved }: { readonly dispatch: (event: SessionEvent) => void; readonly onSaved?: () => void },
): void {
  const { save, build, version, confirmed, sending } = session;
  useEffect(() => {
    if (build === confirmed) dropDraft(id);
    else keepDraft(id, { version, document: build, base: confirmed });
  }, [id, build, confirmed, version]);

  useEffect(() => {
    if ((save !== 'waiting' && save !== 'offline') || sending || build === confirmed) return;
    const pause = save === 'offline' ? PAUSE_BEFORE_RETRY_MS : PAUSE_BEFORE_SAVING_MS;
    const timer = setTimeout(() => {
      dispatch({ type: 'sent', build });
      void saveOnce(id, session).then((event) => {
        dispatch(event);
        if (event.type === 'confirmed') onSaved?.();
      });
    }, pause);
    return () => clearTimeout(timer);
  }, [id, save, build, confirmed, sending, session, dispatch, onSaved]);

  // Leaving the bench within that moment: the last edit is sent at once.
  const latest = useRef(session);
  useEffect(() => {
    latest.current = session;
  }, [session]);
  useEffect(
    () => () => {
      const left = latest.current;
      if (left.save !== 'waiting' || left.sending) return;
      void saveOnce(id, left).then((event) => {
        if (event.type !== 'confirmed') return;
        dropDraft(id);
        onSaved?.();
      });
    },
    [id, onSaved],
  );
}

function sessionOf({ id, document, version }: StoredBuild): Session {
  const draft = findDraft(id);
  const history = findHistory(id);
  // A draft that started from an older version is sent as such: the server then shows both.
  return draft
    ? openSession({ document: draft.base, version: draft.version, draft: draft.document, history })
    : openSession({ document, version, history });
}

interface Props {
  readonly stored: StoredBuild;
  /** After each save that was confirmed, also one that comes through after the build was left. */
  readonly onSaved?: () => void;
  readonly children: ReactNode;
}

export function BuildSession({ stored, onSaved, children }: Props) {
  const { id } = stored;
  const { system } = useUnits();
  const [session, dispatch] = useReducer(nextSession, stored, sessionOf);
  const [unreadFields, setUnreadFields] = useState<ReadonlySet<string>>(new Set());
  useSaving(id, session, { dispatch, onSaved });

  const edit = useCallback(
    (change: (build: Build) => Build) => dispatch({ type: 'edited', edit: change, at: Date.now() }),
    [],
  );
  const undo = useCallback(() => dispatch({ type: 'undo' }), []);
  const redo = useCallback(() => dispatch({ type: 'redo' }), []);
  const merge = useCallback(
    (merged: Build) => dispatch({ type: 'merged', build: merged, at: Date.now() }),
    [],
  );
  const { history } = session;
  useEffect(() => keepHistory(id, history), [id, history]);
  const markUnread = useCallback((field: string, unread: boolean) => {
    setUnreadFields((fields) => {
      if (fields.has(field) === unread) return fields;
      const next = new Set(fields);
      if (unread) next.add(field);
      else next.delete(field);
      return next;
    });
  }, []);

  const { build } = session;
  const report = useMemo(() => evaluate(build, system), [build, system]);
  const open = useMemo(
    () => ({ id, session, build, report, edit, undo, redo, merge, unread: unreadFields.size, markUnread }),
    [id, session, build, report, edit, undo, redo, merge, unreadFields, markUnread],
  );
  return <OpenBuildContext value={open}>{children}</OpenBuildContext>;
}
