import type { Company, Lock } from '@zubric/core/answers';
import { nanoid } from 'nanoid';
import type { EntityManager } from 'typeorm';
import { presenceEntity } from '../database/device-entities.ts';
import { buildEntity, logEntryEntity, type BuildRow } from '../database/entities.ts';
import type { Asker } from '../http/asker.ts';
import { lockBuild } from '../logbook/store.ts';

/** Who said nothing for so long is not on the build any more; pages say so about every five seconds. */
const GONE_AFTER = '20 seconds';
const ID_LENGTH = 12;

/** The lock of a build, where it has one. */
export const lockOf = ({
  lockedAt,
  lockedFor,
  lockedBy,
}: Pick<BuildRow, 'lockedAt' | 'lockedFor' | 'lockedBy'>): Lock | null =>
  lockedAt && { at: lockedAt.toISOString(), event: lockedFor, by: lockedBy };

/** A state of a build's trials and logbook, in a word that differs where anything of them does. */
const RECORDS = `
  SELECT concat_ws('-',
    (SELECT max(seq) FROM log_entry WHERE build_id = $1),
    (SELECT count(*) FROM photo JOIN log_entry ON log_entry.id = log_entry_id WHERE build_id = $1),
    (SELECT concat(count(*), '.', sum(version)) FROM trial_set WHERE build_id = $1),
    (SELECT md5(string_agg(trial.id || trial.reading::text, '' ORDER BY trial.id))
       FROM trial JOIN trial_set ON trial_set.id = trial_set_id WHERE build_id = $1)
  ) AS records`;

/** Who is on a build together, and whether it is locked. */
export function companyStore(database: EntityManager) {
  const builds = () => database.getRepository(buildEntity);
  return {
    /** Notes who is at which station of a build, and says who else is; undefined where there is no such build. */
    async join(id: string, asker: Asker, station: string): Promise<Company | undefined> {
      const row = await builds()
        .createQueryBuilder('build')
        .select(['build.id', 'build.version', 'build.lockedAt', 'build.lockedFor', 'build.lockedBy'])
        .where('id = :id AND deleted_at IS NULL', { id })
        .getOne();
      if (!row) return undefined;
      await database
        .getRepository(presenceEntity)
        .upsert({ buildId: id, deviceId: asker.id, station, seenAt: () => 'now()' }, ['buildId', 'deviceId']);
      const others = await database.query<{ name: string; station: string }[]>(
        `SELECT coalesce(device.name, '') AS name, station FROM presence LEFT JOIN device ON device.id = device_id
         WHERE build_id = $1 AND device_id <> $2 AND presence.seen_at > now() - interval '${GONE_AFTER}'
           AND (device_id = '' OR device.sent_away_at IS NULL)
         ORDER BY name`,
        [id, asker.id],
      );
      const [{ records } = { records: '' }] = await database.query<{ records: string }[]>(RECORDS, [id]);
      return { others, version: row.version, records, lock: lockOf(row) };
    },

    /** Locks a build for an event or opens it again, and notes it in its logbook; false where there is none. */
    setLock: (id: string, event: string | null, by: string): Promise<boolean> =>
      database.transaction(async (manager) => {
        const row = await lockBuild(manager, id);
        if (!row) return false;
        if (event === null ? row.lockedAt === null : row.lockedFor === event && row.lockedAt !== null)
          return true;
        await manager
          .createQueryBuilder()
          .update(buildEntity)
          .set({
            lockedAt: event === null ? null : () => 'now()',
            lockedFor: event ?? '',
            lockedBy: event === null ? '' : by,
            updatedAt: () => 'updated_at',
          })
          .where({ id })
          .execute();
        await manager.getRepository(logEntryEntity).insert({
          id: nanoid(ID_LENGTH),
          buildId: id,
          kind: 'lock',
          title: event === null ? 'Unlocked' : `Locked for “${event}”`,
          byName: by,
        });
        return true;
      }),
  };
}

export type CompanyStore = ReturnType<typeof companyStore>;
