import { openBuild } from '@zubric/core/vehicle';
import type { EntityManager } from 'typeorm';
import type { LogEntryRow } from '../database/entities.ts';
import { changesInWords, type ChangesInWords } from './changes.ts';
import { ONE_SITTING } from './sitting.ts';

interface Around {
  readonly id: string;
  readonly before: unknown;
  readonly after: unknown;
  /** Whether its sitting is over: another began, a note was put to it, or it is long ago. */
  readonly over: boolean;
  /** Whether it may go where nothing is left of it: nothing was noted with it. */
  readonly bare: boolean;
}

/** A change ended where the next one of its build began, or where the build is now. */
const AROUND = `
  SELECT entry.id, entry.before,
         coalesce(later.before, build.document) AS after,
         (later.id IS NOT NULL OR entry.note <> '' OR entry.ended_at NOT BETWEEN now() - $2::interval AND now() + $2::interval) AS over,
         (entry.note = '' AND NOT EXISTS (SELECT 1 FROM photo WHERE log_entry_id = entry.id)) AS bare
  FROM log_entry AS entry
  JOIN build ON build.id = entry.build_id
  LEFT JOIN LATERAL (
    SELECT id, before FROM log_entry
    WHERE build_id = entry.build_id AND seq > entry.seq AND kind = 'change'
    ORDER BY seq LIMIT 1
  ) AS later ON true
  WHERE entry.id = ANY($1)`;

const CANNOT_SAY: ChangesInWords = {
  changes: ['Changed, in a form that can no longer be read'],
  margins: [],
};

function wordsOf({ before, after }: Around): ChangesInWords {
  const [from, to] = [openBuild(before), openBuild(after)];
  if (!from.ok || !to.ok) return CANNOT_SAY;
  try {
    return changesInWords(from.build, to.build);
  } catch {
    return CANNOT_SAY;
  }
}

/**
 * What changes did, worked out when they are read and not when they are saved: once a sitting, when it is over. While
 * it goes on they are worked out as often as they are looked at.
 */
export function wordsOfChanges(database: EntityManager) {
  const keep = async ({ id, bare, over }: Around, said: ChangesInWords): Promise<void> => {
    if (!over) return;
    if (said.changes.length === 0 && bare)
      await database.query(
        "DELETE FROM log_entry WHERE id = $1 AND NOT settled AND note = '' AND NOT EXISTS (SELECT 1 FROM photo WHERE log_entry_id = $1)",
        [id],
      );
    else
      await database.query(
        'UPDATE log_entry SET changes = $2, margins = $3, settled = true WHERE id = $1 AND NOT settled',
        [id, JSON.stringify(said.changes), JSON.stringify(said.margins)],
      );
  };
  return {
    /** The words of some changes by their ids; none for one of which nothing is left. */
    async of(entries: readonly Pick<LogEntryRow, 'id'>[]): Promise<ReadonlyMap<string, ChangesInWords>> {
      const said = new Map<string, ChangesInWords>();
      if (entries.length === 0) return said;
      const around = await database.query<Around[]>(AROUND, [entries.map(({ id }) => id), ONE_SITTING]);
      for (const entry of around) {
        const found = wordsOf(entry);
        if (found.changes.length > 0 || !entry.bare) said.set(entry.id, found);
        await keep(entry, found);
      }
      return said;
    },
  };
}
