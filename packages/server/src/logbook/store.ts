import { openBuild, type Build } from '@zubric/core/build';
import { nanoid } from 'nanoid';
import { In, type DataSource, type EntityManager } from 'typeorm';
import {
  buildEntity,
  logEntryEntity,
  photoEntity,
  snapshotEntity,
  type BuildRow,
  type LogEntryRow,
  type PhotoRow,
  type SnapshotRow,
} from '../database/entities.ts';
import { changesInWords } from './changes.ts';

const ID_LENGTH = 12;
/** Changes that follow each other within this time are one entry: a builder types "1", "12", "120". */
const ONE_SITTING = '10 minutes';

export interface EntryWithPhotos extends LogEntryRow {
  readonly photos: readonly Omit<PhotoRow, 'bytes'>[];
}

/** A document as it was kept, in the format of today. */
export function current(document: Build): Build {
  const read = openBuild(document);
  if (!read.ok)
    throw new Error(
      `a stored build cannot be read: ${read.problems.map((p) => `${p.path}: ${p.message}`).join('; ')}`,
    );
  return read.build;
}

const entriesIn = (manager: EntityManager) => manager.getRepository(logEntryEntity);

interface Change {
  readonly buildId: string;
  readonly before: Build;
  readonly after: Build;
}

/**
 * Notes a change in the transaction that makes it. It goes on with the last entry where that is a change of the same
 * sitting of which nothing was noted; what is taken back altogether leaves no entry.
 */
export async function noteChange(manager: EntityManager, { buildId, before, after }: Change): Promise<void> {
  const entries = entriesIn(manager);
  const [open] = await manager.query<{ id: string }[]>(
    `SELECT id FROM (SELECT * FROM log_entry WHERE build_id = $1 ORDER BY begun_at DESC, id DESC LIMIT 1) AS last
     WHERE kind = 'change' AND note = '' AND ended_at > now() - $2::interval
       AND NOT EXISTS (SELECT 1 FROM photo WHERE log_entry_id = last.id)`,
    [buildId, ONE_SITTING],
  );
  const entry = open && (await entries.findOneBy({ id: open.id }));
  const start = entry?.before ? current(entry.before) : before;
  const said = changesInWords(start, after);
  if (entry && said.changes.length === 0) await entries.delete({ id: entry.id });
  else if (entry) await entries.update({ id: entry.id }, { ...said, endedAt: () => 'now()' });
  else if (said.changes.length > 0)
    await entries.insert({
      id: nanoid(ID_LENGTH),
      buildId,
      kind: 'change',
      before: start as object,
      ...said,
    });
}

/** Notes how a build began. */
export const noteBeginning = async (
  manager: EntityManager,
  buildId: string,
  title: string,
): Promise<void> => {
  await entriesIn(manager).insert({ id: nanoid(ID_LENGTH), buildId, kind: 'begun', title });
};

/** The logbook of each build: changes, notes, snapshots, photographs. */
export function logbookStore(database: DataSource) {
  const entries = () => entriesIn(database.manager);
  const photos = () => database.getRepository(photoEntity);
  const snapshots = () => database.getRepository(snapshotEntity);

  return {
    async ofBuild(buildId: string): Promise<EntryWithPhotos[]> {
      const rows = await entries().find({ where: { buildId }, order: { begunAt: 'DESC', id: 'DESC' } });
      const pictures = await photos().find({
        where: { logEntryId: In(rows.map((row) => row.id)) },
        order: { createdAt: 'ASC', id: 'ASC' },
      });
      return rows.map((row) => ({
        ...row,
        photos: pictures.filter((photo) => photo.logEntryId === row.id),
      }));
    },

    find: (id: string): Promise<LogEntryRow | null> => entries().findOneBy({ id }),

    async addNote(buildId: string, note: string): Promise<LogEntryRow> {
      const id = nanoid(ID_LENGTH);
      await entries().insert({ id, buildId, kind: 'note', note });
      return entries().findOneByOrFail({ id });
    },

    async annotate(id: string, note: string): Promise<boolean> {
      return (await entries().update({ id }, { note })).affected === 1;
    },

    /** Only a builder's own notes can be thrown away. */
    async removeNote(id: string): Promise<boolean> {
      return (await entries().delete({ id, kind: 'note' })).affected === 1;
    },

    /** A snapshot of the build as the database has it now; undefined where there is no such build. */
    snapshot: (buildId: string, name: string): Promise<SnapshotRow | undefined> =>
      database.transaction(async (manager) => {
        const build = await lockBuild(manager, buildId);
        if (!build) return undefined;
        const repository = manager.getRepository(snapshotEntity);
        const number = ((await repository.maximum('number', { buildId })) ?? 0) + 1;
        await repository.insert({ buildId, number, name, document: current(build.document) as object });
        await entriesIn(manager).insert({
          id: nanoid(ID_LENGTH),
          buildId,
          kind: 'snapshot',
          title: name,
          snapshotNumber: number,
        });
        return repository.findOneByOrFail({ buildId, number });
      }),

    snapshotsOf: (buildId: string): Promise<SnapshotRow[]> =>
      snapshots().find({
        select: { buildId: true, number: true, name: true, createdAt: true },
        where: { buildId },
        order: { number: 'DESC' },
      }),

    findSnapshot: (buildId: string, number: number): Promise<SnapshotRow | null> =>
      snapshots().findOneBy({ buildId, number }),

    async addPhoto(logEntryId: string, type: string, bytes: Buffer): Promise<Omit<PhotoRow, 'bytes'>> {
      const id = nanoid(ID_LENGTH);
      await photos().insert({ id, logEntryId, type, bytes });
      return photos().findOneByOrFail({ id });
    },

    photo: (id: string): Promise<PhotoRow | null> =>
      photos().findOne({ where: { id }, select: { id: true, type: true, bytes: true } }),

    async caption(id: string, caption: string): Promise<boolean> {
      return (await photos().update({ id }, { caption })).affected === 1;
    },

    async removePhoto(id: string): Promise<boolean> {
      return (await photos().delete({ id })).affected === 1;
    },
  };
}

/** The row of a build, held until the transaction ends. */
export const lockBuild = (manager: EntityManager, id: string): Promise<BuildRow | null> =>
  manager
    .getRepository(buildEntity)
    .createQueryBuilder('build')
    .setLock('pessimistic_write')
    .where('id = :id AND deleted_at IS NULL', { id })
    .getOne();

export type LogbookStore = ReturnType<typeof logbookStore>;
