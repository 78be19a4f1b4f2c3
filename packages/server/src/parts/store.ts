import type { Part, PartKind } from '@zubric/core/vehicle';
import { IsNull, Not, type EntityManager } from 'typeorm';
import { partEntity, type PartRow } from '../database/entities.ts';

/** Which parts are asked for. */
export interface PartsAsked {
  readonly kind?: PartKind | undefined;
  /** Those set aside instead of those on the shelf. */
  readonly aside: boolean;
}

/** The parts shelf in the database. */
export function partStore(database: EntityManager) {
  const parts = () => database.getRepository(partEntity);
  const rowOf = ({ id, kind, name, ...rest }: Part) => ({
    id,
    kind,
    name,
    data: { id, kind, name, ...rest } as Part,
  });
  return {
    list: ({ kind, aside }: PartsAsked): Promise<PartRow[]> =>
      parts().find({
        where: {
          ...(kind === undefined ? {} : { kind }),
          setAsideAt: aside ? Not(IsNull()) : IsNull(),
        },
        order: { kind: 'ASC', createdAt: 'ASC', id: 'ASC' },
      }),

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
