import type { Build } from '@zubric/core/build';
import { nanoid } from 'nanoid';
import type { DataSource } from 'typeorm';
import { buildEntity, type BuildRow } from '../database/entities.ts';
import { current, lockBuild, noteBeginning, noteChange } from '../logbook/store.ts';

const ID_LENGTH = 12;

/** Where a build lies: on the bench, set aside, or thrown away (and still to be had back). */
export const PLACES = ['bench', 'archive', 'bin'] as const;
export type Place = (typeof PLACES)[number];

const WHERE: Readonly<Record<Place, string>> = {
  bench: 'archived_at IS NULL AND deleted_at IS NULL',
  archive: 'archived_at IS NOT NULL AND deleted_at IS NULL',
  bin: 'deleted_at IS NOT NULL',
};

export type Saved =
  | { readonly outcome: 'saved'; readonly version: number; readonly updatedAt: Date }
  | { readonly outcome: 'stale'; readonly row: BuildRow }
  | { readonly outcome: 'missing' };

interface Beginning {
  readonly id?: string;
  /** How it began, for the logbook. */
  readonly from: string;
}

const inToday = (row: BuildRow): BuildRow => ({ ...row, document: current(row.document) });

/** Builds in the database. */
export function buildStore(database: DataSource) {
  const builds = () => database.getRepository(buildEntity);
  return {
    async list(place: Place): Promise<BuildRow[]> {
      const rows = await builds()
        .createQueryBuilder('build')
        .where(WHERE[place])
        .orderBy('build.updatedAt', 'DESC')
        .addOrderBy('build.id', 'ASC')
        .getMany();
      return rows.map(inToday);
    },

    async find(id: string): Promise<BuildRow | null> {
      const row = await builds()
        .createQueryBuilder('build')
        .where('id = :id AND deleted_at IS NULL', { id })
        .getOne();
      return row && inToday(row);
    },

    create: (document: Build, { id = nanoid(ID_LENGTH), from }: Beginning): Promise<BuildRow> =>
      database.transaction(async (manager) => {
        const repository = manager.getRepository(buildEntity);
        await repository.insert({ id, name: document.name, document });
        await noteBeginning(manager, id, from);
        return repository.findOneByOrFail({ id });
      }),

    /** Saves only over the version that the change started from, and notes the change in the same breath. */
    save: (id: string, document: Build, version: number): Promise<Saved> =>
      database.transaction(async (manager): Promise<Saved> => {
        const row = await lockBuild(manager, id);
        if (!row) return { outcome: 'missing' };
        const before = current(row.document);
        if (row.version !== version) return { outcome: 'stale', row: { ...row, document: before } };
        const updatedAt = new Date();
        await manager
          .getRepository(buildEntity)
          .update(
            { id },
            { name: document.name, document: document as object, version: version + 1, updatedAt },
          );
        await noteChange(manager, { buildId: id, before, after: document });
        return { outcome: 'saved', version: version + 1, updatedAt };
      }),

    /** Puts a build on the bench, aside or away; false where there is none. Its work is not touched. */
    async put(id: string, place: Place): Promise<boolean> {
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
