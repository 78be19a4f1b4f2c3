import type { ProtocolName, TrialConditions, TrialReading } from '@zubric/core/protocols';
import { nanoid } from 'nanoid';
import type { EntityManager } from 'typeorm';
import { trialEntity, trialSetEntity, type TrialRow, type TrialSetRow } from '../database/entities.ts';
import { noteTrial } from './note.ts';

const ID_LENGTH = 12;

export interface NewTrialSet {
  readonly id?: string;
  readonly protocol: ProtocolName;
  readonly name: string;
  readonly conditions: TrialConditions;
  readonly invented?: boolean;
  readonly createdAt?: Date;
}

export interface TrialSetWithTrials extends TrialSetRow {
  readonly trials: readonly TrialRow[];
}

/** A set with the name of the build that it is of. */
export interface TrialSetOfBuild extends TrialSetWithTrials {
  readonly buildName: string;
}

/** Of every build on the bench, the sets that belong to a class or a club, as they were begun. */
async function trialSetsOfGroups(database: EntityManager): Promise<TrialSetOfBuild[]> {
  const named = await database.query<{ id: string; name: string }[]>(
    `SELECT trial_set.id, build.name FROM trial_set JOIN build ON build.id = build_id
     WHERE deleted_at IS NULL AND archived_at IS NULL AND jsonb_exists(conditions, 'group')
     ORDER BY trial_set.created_at, trial_set.id`,
  );
  const found = await Promise.all(
    named.map(async ({ id, name: buildName }): Promise<TrialSetOfBuild[]> => {
      const set = await database.getRepository(trialSetEntity).findOneBy({ id });
      const trials = await runsIn(database, id);
      return set ? [{ ...set, trials, buildName }] : [];
    }),
  );
  return found.flat();
}

const runsIn = (database: EntityManager, trialSetId: string): Promise<TrialRow[]> =>
  database.getRepository(trialEntity).find({ where: { trialSetId }, order: { ordinal: 'ASC' } });

/** Trial sets and their runs in the database. */
export function trialStore(database: EntityManager) {
  const sets = () => database.getRepository(trialSetEntity);
  const trials = (manager: EntityManager = database) => manager.getRepository(trialEntity);

  return {
    ofGroups: (): Promise<TrialSetOfBuild[]> => trialSetsOfGroups(database),

    async ofBuild(buildId: string): Promise<TrialSetWithTrials[]> {
      const rows = await sets().find({ where: { buildId }, order: { createdAt: 'DESC', id: 'ASC' } });
      return Promise.all(rows.map(async (row) => ({ ...row, trials: await runsIn(database, row.id) })));
    },

    find: (id: string): Promise<TrialSetRow | null> => sets().findOneBy({ id }),

    /** Under an id of the sender's one that is sent twice is one; undefined where that is another's. */
    async create(
      buildId: string,
      { id = nanoid(ID_LENGTH), ...set }: NewTrialSet,
    ): Promise<TrialSetRow | undefined> {
      // Columns of jsonb take any JSON; the schema of the protocol has already been applied.
      await sets()
        .createQueryBuilder()
        .insert()
        .values({ id, buildId, ...set, conditions: set.conditions as object })
        .orIgnore()
        .execute();
      return (await sets().findOneBy({ id, buildId })) ?? undefined;
    },

    /** Changes name and conditions; undefined where the set has moved on since `version`. */
    async change(id: string, version: number, to: { name: string; conditions: TrialConditions }) {
      const { affected } = await sets()
        .createQueryBuilder()
        .update()
        .set({ name: to.name, conditions: to.conditions, version: () => 'version + 1' })
        .where('id = :id AND version = :version', { id, version })
        .execute();
      if (affected !== 1) return undefined;
      await noteTrial(database, id, '');
      return sets().findOneByOrFail({ id });
    },

    /** Records a run under an id of the sender's, so that a run sent twice is one run. */
    record: (trialSetId: string, id: string, reading: TrialReading, byName = ''): Promise<TrialRow> =>
      database.transaction(async (manager) => {
        await manager.query('SELECT 1 FROM trial_set WHERE id = $1 FOR UPDATE', [trialSetId]);
        const before = await trials(manager).findOneBy({ id, trialSetId });
        if (before) await trials(manager).update({ id, trialSetId }, { reading });
        else {
          const last = await trials(manager).maximum('ordinal', { trialSetId });
          await trials(manager).insert({
            id,
            trialSetId,
            ordinal: (last ?? 0) + 1,
            reading,
            byName,
          });
        }
        await noteTrial(manager, trialSetId, byName);
        return trials(manager).findOneByOrFail({ id, trialSetId });
      }),

    async remove(trialSetId: string, id: string): Promise<boolean> {
      const { affected } = await trials().delete({ id, trialSetId });
      if (affected === 1) await noteTrial(database, trialSetId, '');
      return affected === 1;
    },
  };
}

export type TrialStore = ReturnType<typeof trialStore>;
