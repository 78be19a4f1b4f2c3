import type { Part, PartKind } from '@zubric/core/vehicle';
import { IsNull, Not, type EntityManager } from 'typeorm';
import { partEntity, type PartRow } from '../database/entities.ts';

/** Rows of one statement: no more figures than it may carry. */
const AT_ONCE = 500;

/** Which parts are asked for. */
export interface PartsAsked {
  readonly kind?: PartKind | undefined;
  /** Those set aside instead of those on the shelf. */
  readonly aside: boolean;
}

const rowOf = ({ id, kind, name, ...rest }: Part) => ({
  id,
  kind,
  name,
  data: { id, kind, name, ...rest } as Part,
});

/** Many parts in one transaction. */
function manyParts(database: EntityManager) {
  return {
    /** Several at once, all of them or none; those whose id is taken are left out and given back. */
    createAll: (all: readonly Part[]): Promise<{ readonly made: number; readonly taken: string[] }> =>
      database.transaction(async (manager) => {
        let made = 0;
        const there = new Set<string>();
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
          const ids = new Set((raw as readonly { readonly id: string }[]).map(({ id }) => id));
          made += ids.size;
          for (const { id } of some) if (!ids.has(id)) there.add(id);
        }
        return { made, taken: [...there] };
      }),
  };
}

/** The parts shelf in the database. */
export function partStore(database: EntityManager) {
  const parts = () => database.getRepository(partEntity);
  return {
    ...manyParts(database),

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

    /** Undefined where its id is taken. */
    async create(part: Part): Promise<PartRow | undefined> {
      const { raw } = await parts()
        .createQueryBuilder()
        .insert()
        .values(rowOf(part))
        .orIgnore()
        .returning('id')
        .execute();
      return (raw as readonly unknown[]).length > 0 ? parts().findOneByOrFail({ id: part.id }) : undefined;
    },

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
