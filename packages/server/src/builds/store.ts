import type { Build } from '@zubric/core/build';
import { nanoid } from 'nanoid';
import type { DataSource } from 'typeorm';
import { buildEntity, type BuildRow } from '../database/entities.ts';

const ID_LENGTH = 12;

export type Saved =
  | { readonly outcome: 'saved'; readonly row: BuildRow }
  | { readonly outcome: 'stale'; readonly row: BuildRow }
  | { readonly outcome: 'missing' };

/** Builds in the database. */
export function buildStore(database: DataSource) {
  const builds = () => database.getRepository(buildEntity);
  return {
    list: (): Promise<BuildRow[]> => builds().find({ order: { updatedAt: 'DESC', id: 'ASC' } }),

    find: (id: string): Promise<BuildRow | null> => builds().findOneBy({ id }),

    async create(document: Build, id = nanoid(ID_LENGTH)): Promise<BuildRow> {
      await builds().insert({ id, name: document.name, document });
      return builds().findOneByOrFail({ id });
    },

    /** Saves only over the version that the change started from, in one statement. */
    async save(id: string, document: Build, version: number): Promise<Saved> {
      const { affected } = await builds()
        .createQueryBuilder()
        .update()
        .set({ name: document.name, document, version: () => 'version + 1', updatedAt: () => 'now()' })
        .where('id = :id AND version = :version', { id, version })
        .execute();
      const row = await builds().findOneBy({ id });
      if (!row) return { outcome: 'missing' };
      return { outcome: affected === 1 ? 'saved' : 'stale', row };
    },
  };
}

export type BuildStore = ReturnType<typeof buildStore>;
