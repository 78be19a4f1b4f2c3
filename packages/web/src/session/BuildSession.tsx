import type { Build } from '@zubric/core/vehicle';
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
import type { DeviceRole, Lock, StoredBuild } from '@zubric/core/answers';
import { soon } from '../common/soon.ts';
import { dropDraft, isOwn, type LeftDraft } from './drafts.ts';
import { useHands, type Hands } from './hands.ts';
import { findHistory, keepHistory } from './history.ts';
import { useLookedAt, type LookedAt } from './looked-at.ts';
import { useSaving, type KeptHere } from './saving.ts';
import { nextSession, openSession, type Session } from './session.ts';

/** The build on the bench: another with each edit, whatever becomes of the edit. */
interface OpenBuild extends LookedAt, Hands {
  readonly lock: Lock | null;
  readonly id: string;
  readonly undo: () => void;
  readonly redo: () => void;
}

/** What becomes of the edits: another with each that is kept, sent and saved. */
interface OpenSession {
  readonly session: Session;
  /** Whether what is not saved yet is on this machine’s disk. */
  readonly keptHere: KeptHere;
  /** Edits of this build that were left unsaved in other windows, and are not looked at yet. */
  readonly left: readonly LeftDraft[];
  /** Sets an edit that was left beside what is on screen, difference by difference; or drops it. */
  readonly look: (draft: LeftDraft) => void;
  readonly drop: (draft: LeftDraft) => void;
  /** Sends again what could not be sent because the build was thrown away: it was put back. */
  readonly returned: () => void;
  /** Settles a conflict with the build that was chosen, difference by difference. */
  readonly merge: (merged: Build) => void;
}

/** What stands in fields and cannot be read: the report stands at their last readable values. */
interface Unread {
  /** By the field. */
  readonly unread: ReadonlyMap<string, string>;
  /** Without a text it is read, or let go. */
  readonly markUnread: (field: string, text: string | undefined) => void;
}

export const OpenBuildContext = createContext<OpenBuild | null>(null);
const OpenSessionContext = createContext<OpenSession | null>(null);
const UnreadContext = createContext<Unread | null>(null);

const NONE_OPEN = 'no build is open here';

/** The build that is open, where one is. */
export const useOpenBuild = (): OpenBuild | null => useContext(OpenBuildContext);

export function useBuild(): OpenBuild {
  const open = useOpenBuild();
  if (!open) throw new Error(NONE_OPEN);
  return open;
}

/** For what shows whether edits are kept and saved: all else stands still while they are. */
export function useSession(): OpenSession {
  const open = useContext(OpenSessionContext);
  if (!open) throw new Error(NONE_OPEN);
  return open;
}

export function useUnread(): Unread {
  const fields = useContext(UnreadContext);
  if (!fields) throw new Error(NONE_OPEN);
  return fields;
}

interface Opened {
  readonly stored: StoredBuild;
  readonly left: readonly LeftDraft[];
}

/** The build as stored, or the latest edit that was left unsaved, taken up where it was left. */
function sessionOf({ stored: { id, document, version }, left: [draft] }: Opened): Session {
  const history = findHistory(id);
  // A draft that started from an older version is sent as such: the server then shows both.
  return draft
    ? openSession({ document: draft.base, version: draft.version, draft: draft.document, history })
    : openSession({ document, version, history });
}

function useUnreadFields(): Unread {
  const [unread, setUnread] = useState<ReadonlyMap<string, string>>(new Map());
  const markUnread = useCallback((field: string, text: string | undefined) => {
    setUnread((fields) => {
      if (fields.get(field) === text) return fields;
      const next = new Map(fields);
      if (text === undefined) next.delete(field);
      else next.set(field, text);
      return next;
    });
  }, []);
  return useMemo(() => ({ unread, markUnread }), [unread, markUnread]);
}

interface Props {
  readonly stored: StoredBuild;
  /** Edits of it that no window owns any more, the latest first. */
  readonly left?: readonly LeftDraft[];
  /** After each save that was confirmed, also one that comes through after the build was left. */
  readonly onSaved?: () => void;
  /** What may be done with it here; everything where it is left away. */
  readonly may?: DeviceRole;
  /** The event that it is locked for. */
  readonly lock?: Lock | null;
  readonly children: ReactNode;
}

const NOTHING_LEFT: readonly LeftDraft[] = [];

export function BuildSession({
  stored,
  left: found = NOTHING_LEFT,
  onSaved,
  may = 'everything',
  lock = null,
  children,
}: Props) {
  const { id } = stored;
  const keeps = may === 'everything';
  const [session, dispatch] = useReducer(nextSession, { stored, left: found }, sessionOf);
  const [left, setLeft] = useState(found.slice(1));
  const unread = useUnreadFields();
  const keptHere = useSaving(id, session, { dispatch, keeps, onSaved });
  // The draft that was taken up is this window's now, and kept as such.
  const [taken] = found;
  useEffect(() => {
    if (taken && !isOwn(taken) && keptHere === 'kept') void dropDraft(id, taken.window);
  }, [id, taken, keptHere]);

  const lookedAt = useLookedAt(session.build, dispatch);
  const undo = useCallback(() => dispatch({ type: 'undo' }), []);
  const redo = useCallback(() => dispatch({ type: 'redo' }), []);
  const drop = useCallback(
    (draft: LeftDraft) => {
      setLeft((others) => others.filter((other) => other.window !== draft.window));
      void dropDraft(id, draft.window);
    },
    [id],
  );
  // It stays on the disk until it is settled what becomes of it.
  const looked = useRef<LeftDraft>(undefined);
  const look = useCallback((draft: LeftDraft) => {
    looked.current = draft;
    dispatch({ type: 'offered', build: draft.document, base: draft.base });
  }, []);
  const merge = useCallback(
    (merged: Build) => {
      dispatch({ type: 'merged', build: merged, at: Date.now() });
      if (looked.current) drop(looked.current);
      looked.current = undefined;
    },
    [drop],
  );
  const hands = useHands({ id, may, edit: lookedAt.edit, dispatch });
  const returned = useCallback(() => dispatch({ type: 'returned' }), []);
  const { history } = session;
  useEffect(() => soon(() => keepHistory(id, history)), [id, history]);
  const open = useMemo(
    () => ({ ...lookedAt, ...hands, id, lock, undo, redo }),
    [lookedAt, hands, id, lock, undo, redo],
  );
  const becomes = useMemo(
    () => ({ session, keptHere, left, look, drop, returned, merge }),
    [session, keptHere, left, look, drop, returned, merge],
  );
  return (
    <OpenSessionContext value={becomes}>
      <UnreadContext value={unread}>
        <OpenBuildContext value={open}>{children}</OpenBuildContext>
      </UnreadContext>
    </OpenSessionContext>
  );
}
