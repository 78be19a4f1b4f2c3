import { assertNever } from '@zubric/core/contract';
import { asPlaced, contest, type Build, type Contested } from '@zubric/core/vehicle';
import { move, NO_HISTORY, remember, type History } from './history.ts';

/**
 * Where the saving of edits stands. `refused`: the server cannot take the build as it is, and says why; `gone`: it was
 * thrown away elsewhere.
 */
export type SaveState = 'saved' | 'waiting' | 'saving' | 'offline' | 'conflict' | 'refused' | 'gone';

/** What there is instead, and how it differs. */
interface Theirs {
  readonly build: Build;
  /** What both it and the build on screen started from. */
  readonly base: Build;
  readonly version: number;
  /** Whether it is what the server holds; else an edit that was left in another window. */
  readonly stored: boolean;
  readonly contested: readonly Contested[];
}

/** A build being worked on: what is on screen, and what the server is known to hold. */
export interface Session {
  readonly build: Build;
  /** The version that the next save starts from. */
  readonly version: number;
  /** The last document the server confirmed. */
  readonly confirmed: Build;
  /** The document on its way, while one is. */
  readonly sending: Build | null;
  readonly save: SaveState;
  /** In a conflict only. */
  readonly theirs: Theirs | null;
  readonly message: string;
  /** How often in a row saving has failed. */
  readonly failures: number;
  readonly history: History;
  /** The last step back or forth, until the next edit. */
  readonly moved: { readonly way: 'undo' | 'redo'; readonly from: Build; readonly to: Build } | null;
}

export type SessionEvent =
  | { readonly type: 'edited'; readonly edit: (build: Build) => Build; readonly at: number }
  | { readonly type: 'undo' | 'redo' }
  | { readonly type: 'sent'; readonly build: Build }
  | { readonly type: 'confirmed'; readonly version: number }
  | { readonly type: 'unreachable'; readonly message: string }
  | { readonly type: 'refused'; readonly message: string }
  | { readonly type: 'gone' }
  | { readonly type: 'returned' }
  | { readonly type: 'offered'; readonly build: Build; readonly base: Build }
  | { readonly type: 'conflicted'; readonly build: Build; readonly version: number }
  /** Recorded by a door of its own: on screen at once, and nothing to save. */
  | { readonly type: 'noted'; readonly note: (build: Build) => Build }
  /** The server has a later one, and nothing here is unsaved. */
  | { readonly type: 'adopted'; readonly build: Build; readonly version: number }
  /** What was only tried goes. */
  | { readonly type: 'reverted' }
  | { readonly type: 'merged'; readonly build: Build; readonly at: number };

interface Opening {
  readonly document: Build;
  readonly version: number;
  /** An edit that never reached the server is taken up where it was left; `document` is then what it started from. */
  readonly draft?: Build;
  readonly history?: History;
}

export const openSession = ({ document, version, draft, history = NO_HISTORY }: Opening): Session => ({
  build: draft ?? document,
  version,
  confirmed: document,
  sending: null,
  save: draft ? 'waiting' : 'saved',
  theirs: null,
  message: '',
  failures: 0,
  history,
  moved: null,
});

/** The session with another build on screen; a conflict stays one until it is resolved. */
const showing = (session: Session, build: Build): Session => ({
  ...session,
  build,
  save: session.save === 'conflict' || session.save === 'gone' ? session.save : 'waiting',
  theirs: session.theirs && {
    ...session.theirs,
    contested: contest(session.theirs.base, session.theirs.build, build),
  },
});

/** Every change of a session, without side effects. */
export function nextSession(session: Session, event: SessionEvent): Session {
  switch (event.type) {
    case 'edited': {
      const build = asPlaced(event.edit(session.build));
      if (build === session.build) return session;
      const history = remember(session.history, session.build, build, event.at);
      return { ...showing(session, build), history, moved: null };
    }
    case 'undo':
    case 'redo': {
      const moved = move(session.build, session.history, event.type);
      if (!moved) return session;
      return {
        ...showing(session, moved.build),
        history: moved.history,
        moved: { way: event.type, from: session.build, to: moved.build },
      };
    }
    case 'sent':
      return { ...session, sending: event.build, save: 'saving', message: '' };
    case 'confirmed': {
      const confirmed = session.sending ?? session.confirmed;
      // While there is something to choose it stays to be chosen.
      const save = session.theirs ? 'conflict' : confirmed === session.build ? 'saved' : 'waiting';
      return {
        ...session,
        confirmed,
        version: event.version,
        sending: null,
        save,
        message: '',
        failures: 0,
      };
    }
    case 'unreachable':
      return {
        ...session,
        sending: null,
        save: 'offline',
        message: event.message,
        failures: session.failures + 1,
      };
    case 'gone':
      return { ...session, sending: null, save: 'gone' };
    case 'returned':
      return session.save === 'gone' ? { ...session, save: 'waiting', failures: 0 } : session;
    case 'offered':
      return offered(session, event.build, event.base);
    case 'refused':
      return { ...session, sending: null, save: 'refused', message: event.message };
    case 'conflicted':
      return conflicted(session, event.build, event.version);
    case 'noted':
      return { ...session, build: event.note(session.build), confirmed: event.note(session.confirmed) };
    case 'adopted':
      return adopted(session, event.build, event.version);
    case 'reverted':
      return { ...session, build: session.confirmed, save: 'saved', history: NO_HISTORY, moved: null };
    case 'merged':
      if (!session.theirs) return session;
      return {
        ...session,
        build: event.build,
        version: session.theirs.stored ? session.theirs.version : session.version,
        confirmed: session.theirs.stored ? session.theirs.build : session.confirmed,
        theirs: null,
        save: 'waiting',
        history: remember(session.history, session.build, event.build, event.at),
        moved: null,
      };
    default:
      return assertNever(event);
  }
}

/** Whether something of it is not with the server, or is being settled. */
export const isUnsettled = ({ build, confirmed, sending, theirs }: Session): boolean =>
  build !== confirmed || sending !== null || theirs !== null;

/** A later build of the server's takes the place of one that is not touched; of one that is, nothing is taken. */
function adopted(session: Session, build: Build, version: number): Session {
  if (isUnsettled(session) || version <= session.version) return session;
  return { ...session, build, confirmed: build, version, save: 'saved', message: '', moved: null };
}

/** Where they changed nothing that mine does not have too, there is nothing to choose, and mine is sent again. */
function conflicted(session: Session, build: Build, version: number): Session {
  const base = session.confirmed;
  const contested = contest(base, build, session.build);
  const ours = contested.every((difference) => difference.by === 'mine');
  return ours
    ? { ...session, sending: null, version, confirmed: build, save: 'waiting', message: '' }
    : {
        ...session,
        sending: null,
        save: 'conflict',
        theirs: { build, base, version, stored: true, contested },
      };
}

/** An edit left in another window, set beside what is on screen; where it has nothing else, there is nothing to choose. */
function offered(session: Session, build: Build, base: Build): Session {
  // By its own start, not by what was saved meanwhile: what both changed stays as it is on screen until told otherwise.
  const contested = contest(base, build, session.build);
  if (session.theirs || contested.every((difference) => difference.by === 'mine')) return session;
  return {
    ...session,
    save: 'conflict',
    theirs: { build, base, version: session.version, stored: false, contested },
  };
}
