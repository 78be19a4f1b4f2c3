import pg from 'pg';

/** The channel that the database's triggers tell of changes on (migration 0009). */
const CHANNEL = 'zubric_changed';
/** So long, ms, before a connection that was lost is tried again. */
const AGAIN_MS = 2000;

/** Hears that a build has changed, and that nothing will be told any more. */
export interface Hears {
  readonly changed: () => void;
  readonly ends: () => void;
}

/** What builds change, whichever server on the database changed them. */
export interface Changes {
  /** From now on told of a build, until what is returned is called. */
  readonly follow: (buildId: string, hears: Hears) => () => void;
  /** Listens no more. */
  readonly close: () => Promise<void>;
}

/** Of a server that listens to nothing: its pages ask every few seconds all the same. */
export const NO_CHANGES: Changes = { follow: () => () => undefined, close: () => Promise.resolve() };

/**
 * Listens on a connection of its own. Where that is lost it is made again, and everybody is told then: what was said meanwhile
 * was not heard.
 */
export function changesOf(databaseUrl: string, onProblem: (error: unknown) => void): Changes {
  const followers = new Map<string, Set<Hears>>();
  let client: pg.Client | undefined;
  let again: ReturnType<typeof setTimeout> | undefined;
  let closed = false;

  const tell = (buildId: string): void => {
    for (const { changed } of followers.get(buildId) ?? []) changed();
  };
  const tellAll = (): void => {
    for (const buildId of followers.keys()) tell(buildId);
  };

  const lost = (error: unknown, of: pg.Client): void => {
    if (closed || client !== of) return;
    client = undefined;
    onProblem(error);
    again = setTimeout(() => void listen(), AGAIN_MS);
    void of.end().catch(() => undefined);
  };

  async function listen(): Promise<void> {
    const fresh = new pg.Client({ connectionString: databaseUrl, keepAlive: true });
    client = fresh;
    fresh.on('error', (error) => lost(error, fresh));
    fresh.on('end', () => lost(new Error('the connection has ended'), fresh));
    fresh.on('notification', ({ payload }) => tell(payload ?? ''));
    try {
      await fresh.connect();
      await fresh.query(`LISTEN ${CHANNEL}`);
      tellAll();
    } catch (error) {
      lost(error, fresh);
    }
  }
  void listen();

  return {
    follow(buildId, hears) {
      const all = followers.get(buildId) ?? new Set();
      followers.set(buildId, all.add(hears));
      return () => {
        all.delete(hears);
        if (all.size === 0) followers.delete(buildId);
      };
    },
    async close() {
      closed = true;
      clearTimeout(again);
      for (const all of followers.values()) for (const { ends } of all) ends();
      await client?.end().catch(() => undefined);
    },
  };
}
