import type { Build } from '@zubric/core/build';

/** Where the saving of edits stands. `refused`: the server cannot take the build as it is, and says why. */
export type SaveState = 'saved' | 'waiting' | 'saving' | 'offline' | 'conflict' | 'refused';

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
  /** What the server holds instead, in a conflict. */
  readonly theirs: { readonly build: Build; readonly version: number } | null;
  readonly message: string;
}

export type SessionEvent =
  | { readonly type: 'edited'; readonly edit: (build: Build) => Build }
  | { readonly type: 'sent'; readonly build: Build }
  | { readonly type: 'confirmed'; readonly version: number }
  | { readonly type: 'unreachable'; readonly message: string }
  | { readonly type: 'refused'; readonly message: string }
  | { readonly type: 'conflicted'; readonly build: Build; readonly version: number }
  | { readonly type: 'kept-mine' }
  | { readonly type: 'took-theirs' };

/** Opens a build; a draft that never reached the server is taken up where it was left. */
export const openSession = (document: Build, version: number, draft?: Build): Session => ({
  build: draft ?? document,
  version,
  confirmed: document,
  sending: null,
  save: draft ? 'waiting' : 'saved',
  theirs: null,
  message: '',
});

/** Every change of a session, without side effects. */
export function nextSession(session: Session, event: SessionEvent): Session {
  switch (event.type) {
    case 'edited': {
      const build = event.edit(session.build);
      if (build === session.build) return session;
      return { ...session, build, save: session.save === 'conflict' ? 'conflict' : 'waiting' };
    }
    case 'sent':
      return { ...session, sending: event.build, save: 'saving', message: '' };
    case 'confirmed': {
      const confirmed = session.sending ?? session.confirmed;
      const save = confirmed === session.build ? 'saved' : 'waiting';
      return { ...session, confirmed, version: event.version, sending: null, save, message: '' };
    }
    case 'unreachable':
      return { ...session, sending: null, save: 'offline', message: event.message };
    case 'refused':
      return { ...session, sending: null, save: 'refused', message: event.message };
    case 'conflicted':
      return {
        ...session,
        sending: null,
        save: 'conflict',
        theirs: { build: event.build, version: event.version },
      };
    case 'kept-mine':
      if (!session.theirs) return session;
      return {
        ...session,
        version: session.theirs.version,
        confirmed: session.theirs.build,
        theirs: null,
        save: 'waiting',
      };
    case 'took-theirs':
      if (!session.theirs) return session;
      return { ...openSession(session.theirs.build, session.theirs.version) };
  }
}
