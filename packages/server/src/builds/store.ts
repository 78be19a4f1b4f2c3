import type { BuildPlace } from '@zubric/core/answers';
import { changesBetween, type Build } from '@zubric/core/vehicle';
import { nanoid } from 'nanoid';
import type { EntityManager } from 'typeorm';
import { current } from '../database/current.ts';
import { buildEntity, type BuildRow } from '../database/entities.ts';
import { ONE_SITTING } from '../logbook/sitting.ts';
import { lockBuild, noteBeginning } from '../logbook/store.ts';

const ID_LENGTH = 12;

const WHERE: Readonly<Record<BuildPlace, string>> = {
  bench: 'archived_at IS NULL AND deleted_at IS NULL',
  archive: 'archived_at IS NOT NULL AND deleted_at IS NULL',
  bin: 'deleted_at IS NOT NULL',
};

export type Saved =
  | { readonly outcome: 'saved'; readonly version: number; readonly updatedAt: Date }
  | { readonly outcome: 'stale'; readonly row: BuildRow }
  | { readonly outcome: 'locked'; readonly row: BuildRow }
  | { readonly outcome: 'missing' };

/** A row without its document. */
export type BuildHead = Omit<BuildRow, 'document'>;
const HEAD = [
  'id',
  'name',
  'version',
  'createdAt',
  'updatedAt',
  'archivedAt',
  'deletedAt',
  'lockedAt',
  'lockedFor',
  'lockedBy',
] as const;

/**
 * Saves over the version that the change started from and begins or goes on with its entry in the logbook, in one
 * statement: all of it or nothing. A change goes on with the last entry where that is a change of the same hand and sitting of
 * which nothing was noted; else it begins one, with the build as it was. What it says is worked out when it is read.
 */
const SAVE = `
  WITH held AS (
    SELECT id, version, locked_at FROM build WHERE id = $1 AND deleted_at IS NULL FOR UPDATE
  ), going AS (
    SELECT id FROM held WHERE version = $2 AND (locked_at IS NULL OR $8)
  ), open AS (
    SELECT id FROM (SELECT * FROM log_entry WHERE build_id = $1 ORDER BY seq DESC LIMIT 1) AS last
    WHERE kind = 'change' AND note = '' AND by_name = $7
      AND ended_at BETWEEN now() - $6::interval AND now() + $6::interval
      AND NOT EXISTS (SELECT 1 FROM photo WHERE log_entry_id = last.id)
  ), more AS (
    UPDATE log_entry SET ended_at = now(), settled = false
    WHERE id = (SELECT id FROM open) AND EXISTS (SELECT 1 FROM going)
  ), begun AS (
    INSERT INTO log_entry (id, build_id, kind, before, settled, by_name)
    SELECT $5, build.id, 'change', build.document, false, $7 FROM build JOIN going ON going.id = build.id
    WHERE NOT EXISTS (SELECT 1 FROM open)
  ), saved AS (
    UPDATE build SET name = $3, document = $4, version = version + 1, updated_at = now()
    FROM going WHERE build.id = going.id
    RETURNING build.version, build.updated_at
  )
  SELECT held.version AS was, held.locked_at IS NOT NULL AS locked, saved.version, saved.updated_at AS "updatedAt"
  FROM held LEFT JOIN saved ON true`;

/** Whose edit it is, and whether a lock keeps it out. */
interface Hand {
  readonly by?: string;
  readonly despiteLock?: boolean;
}

/** One save over a version; without a version where none was made. */
async function saveOver(
  database: EntityManager,
  id: string,
  document: Build,
  version: number,
  { by = '', despiteLock = false }: Hand,
) {
  const [row] = await database.query<
    { was: number; locked: boolean; version: number | null; updatedAt: Date }[]
  >(SAVE, [
    id,
    version,
    document.name,
    JSON.stringify(document),
    nanoid(ID_LENGTH),
    ONE_SITTING,
    by,
    despiteLock,
  ]);
  return row;
}

interface Beginning extends Pick<Hand, 'by'> {
  readonly id?: string;
  /** How it began, for the logbook. */
  readonly from: string;
}

/** Builds in the database. Their documents are given as they are kept. */
export function buildStore(database: EntityManager) {
  const builds = () => database.getRepository(buildEntity);
  const find = (id: string): Promise<BuildRow | null> =>
    builds().createQueryBuilder('build').where('id = :id AND deleted_at IS NULL', { id }).getOne();
  return {
    list: (place: BuildPlace): Promise<BuildHead[]> =>
      builds()
        .createQueryBuilder('build')
        .select(HEAD.map((column) => `build.${column}`))
        .where(WHERE[place])
        .orderBy('build.updatedAt', 'DESC')
        .addOrderBy('build.id', 'ASC')
        .getMany(),

    find,

    exists: (id: string): Promise<boolean> =>
      builds().createQueryBuilder('build').where('id = :id AND deleted_at IS NULL', { id }).getExists(),

    /** Wherever it lies, thrown away too. */
    findAnywhere: (id: string): Promise<BuildRow | null> => builds().findOneBy({ id }),

    create: (document: Build, { id = nanoid(ID_LENGTH), from, by = '' }: Beginning): Promise<BuildRow> =>
      database.transaction(async (manager) => {
        const repository = manager.getRepository(buildEntity);
        await repository.insert({ id, name: document.name, document });
        await noteBeginning(manager, id, from, by);
        return repository.findOneByOrFail({ id });
      }),

    /** Saves only over the version that the change started from, and notes the change in the same breath. */
    async save(id: string, document: Build, version: number, hand: Hand = {}): Promise<Saved> {
      const row = await saveOver(database, id, document, version, hand);
      if (row?.version) return { outcome: 'saved', version: row.version, updatedAt: row.updatedAt };
      const now = row && (await find(id));
      if (!now) return { outcome: 'missing' };
      return { outcome: row.locked ? 'locked' : 'stale', row: now };
    },

    /**
     * Changes a build as it stands now, whoever changed it last: for what is noted on it, not for what it is. A lock
     * keeps that not out. Undefined where there is none; where nothing changes, nothing is saved.
     */
    note: (
      id: string,
      change: (document: unknown) => Build,
      by: string,
    ): Promise<{ version: number } | undefined> =>
      database.transaction(async (manager) => {
        const row = await lockBuild(manager, id);
        if (!row) return undefined;
        const document = change(row.document);
        if (changesBetween(current(row.document), document).length === 0) return { version: row.version };
        const saved = await saveOver(manager, id, document, row.version, { by, despiteLock: true });
        if (!saved?.version) throw new Error('a build that is held was changed by another');
        return { version: saved.version };
      }),

    /** Puts a build on the bench, aside or away; false where there is none. Its work is not touched. */
    async put(id: string, place: BuildPlace): Promise<boolean> {
      const { affected } = await builds()
        .createQueryBuilder()
        .update()
        .set({
          archivedAt: place === 'archive' ? () => 'now()' : place === 'bench' ? null : undefined,
          deletedAt: place === 'bin' ? () => 'now()' : null,
          updatedAt: () => 'updated_at',
        })
        .where('id = :id', { id })
        .execute();
      return affected === 1;
    },
  };
}

export type BuildStore = ReturnType<typeof buildStore>;
