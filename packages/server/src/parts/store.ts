import type { Part, PartKind } from '@zubric/core/vehicle';
import { IsNull, Not, type EntityManager } from 'typeorm';
import {
  buildEntity,
  partEntity,
  partPhotoEntity,
  type BuildRow,
  type PartPhotoRow,
  type PartRow,
} from '../database/entities.ts';
import type { Picture } from '../http/picture.ts';

/** Rows of one statement: no more figures than it may carry. */
const AT_ONCE = 500;

/** Which parts are asked for. */
export interface PartsAsked {
  readonly kind?: PartKind | undefined;
  /** Those set aside instead of those on the shelf. */
  readonly aside: boolean;
}

const rowOf = (part: Part) => ({ id: part.id, kind: part.kind, name: part.name, data: part });

/** Adds parts, all of them or none; gives the ids that were taken already, whose parts are left out. */
const addTo = (database: EntityManager, all: readonly Part[]): Promise<string[]> =>
  database.transaction(async (manager) => {
    const there: string[] = [];
    for (let n = 0; n < all.length; n += AT_ONCE) {
      const some = all.slice(n, n + AT_ONCE);
      const { raw } = await manager
        .getRepository(partEntity)
        .createQueryBuilder()
        .insert()
        .values(some.map(rowOf))
        .orIgnore()
        .returning('id')
        .execute();
      const added = new Set((raw as readonly { readonly id: string }[]).map(({ id }) => id));
      there.push(...some.filter(({ id }) => !added.has(id)).map(({ id }) => id));
    }
    return there;
  });

/** The parts shelf in the database. */
export function partStore(database: EntityManager) {
  const parts = () => database.getRepository(partEntity);
  const photos = () => database.getRepository(partPhotoEntity);
  return {
    add: (all: readonly Part[]): Promise<string[]> => addTo(database, all),

    list: ({ kind, aside }: PartsAsked): Promise<PartRow[]> =>
      parts().find({
        where: {
          ...(kind === undefined ? {} : { kind }),
          setAsideAt: aside ? Not(IsNull()) : IsNull(),
        },
        order: { kind: 'ASC', createdAt: 'ASC', id: 'ASC' },
      }),

    /** Those of some ids that are there already. */
    taken: async (ids: readonly string[]): Promise<string[]> =>
      (
        await parts()
          .createQueryBuilder('part')
          .select('part.id')
          .where('part.id = ANY(:ids)', { ids })
          .getMany()
      ).map(({ id }) => id),

    find: (id: string): Promise<PartRow | null> => parts().findOneBy({ id }),

    photo: (id: string): Promise<PartPhotoRow | null> => photos().findOneBy({ partId: id }),
    keepPhoto: async (id: string, picture: Picture): Promise<void> => {
      await photos().upsert({ partId: id, ...picture }, ['partId']);
    },
    removePhoto: async (id: string): Promise<boolean> =>
      (await photos().delete({ partId: id })).affected === 1,

    /** Builds that carry a copy of a part, those thrown away left out. */
    heldBy: (id: string): Promise<BuildRow[]> =>
      database
        .getRepository(buildEntity)
        .createQueryBuilder('build')
        .where('build.deletedAt IS NULL AND build.document @> :held::jsonb', {
          held: JSON.stringify({ parts: [{ id }] }),
        })
        .orderBy('build.name')
        .getMany(),

    /** Saves over the version that the change started from; undefined where the part has moved on since. */
    async save(part: Part, version: number): Promise<PartRow | undefined> {
      const { affected } = await parts()
        .createQueryBuilder()
        .update()
        .set({ ...rowOf(part), version: () => 'version + 1', updatedAt: () => 'now()' })
        .where('id = :id AND version = :version', { id: part.id, version })
        .execute();
      return affected === 1 ? parts().findOneByOrFail({ id: part.id }) : undefined;
    },

    /** Sets a part aside, or back on the shelf; false where there is none of that version. Builds keep their copies. */
    async put(id: string, { version, aside }: { version: number; aside: boolean }): Promise<boolean> {
      const { affected } = await parts()
        .createQueryBuilder()
        .update()
        .set({ setAsideAt: aside ? () => 'now()' : null, version: () => 'version + 1' })
        .where('id = :id AND version = :version', { id, version })
        .execute();
      return affected === 1;
    },
  };
}

export type PartStore = ReturnType<typeof partStore>;
