import { nanoid } from 'nanoid';
import { In, type EntityManager } from 'typeorm';
import { current } from '../database/current.ts';
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
import { wordsOfChanges } from './words.ts';

const ID_LENGTH = 12;

export interface EntryWithPhotos extends LogEntryRow {
  readonly photos: readonly Omit<PhotoRow, 'bytes'>[];
}

/** A page of the logbook, the latest first; `next` is where the page of earlier ones begins, if there are any. */
export interface LogPage {
  readonly entries: readonly EntryWithPhotos[];
  readonly next: string | null;
}

const entriesIn = (manager: EntityManager) => manager.getRepository(logEntryEntity);

/** Notes how a build began. */
export const noteBeginning = async (
  manager: EntityManager,
  buildId: string,
  title: string,
  byName: string,
): Promise<void> => {
  await entriesIn(manager).insert({ id: nanoid(ID_LENGTH), buildId, kind: 'begun', title, byName });
};

/** Named states of a build, kept as they were but for their names. */
function snapshotsIn(database: EntityManager) {
  const snapshots = () => database.getRepository(snapshotEntity);
  return {
    /** A snapshot of the build as the database has it now; undefined where there is no such build. */
    snapshot: (buildId: string, name: string, byName: string): Promise<SnapshotRow | undefined> =>
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
          byName,
        });
        return repository.findOneByOrFail({ buildId, number });
      }),

    snapshotsOf: (buildId: string): Promise<SnapshotRow[]> =>
      snapshots().find({
        select: { buildId: true, number: true, name: true, createdAt: true },
        where: { buildId },
        order: { number: 'DESC' },
      }),

    /** Calls a snapshot otherwise, in the logbook too; false where there is none. */
    renameSnapshot: (buildId: string, number: number, name: string): Promise<boolean> =>
      database.transaction(async (manager) => {
        const { affected } = await manager
          .getRepository(snapshotEntity)
          .update({ buildId, number }, { name });
        await entriesIn(manager).update({ buildId, snapshotNumber: number }, { title: name });
        return affected === 1;
      }),

    findSnapshot: (buildId: string, number: number): Promise<SnapshotRow | null> =>
      snapshots().findOneBy({ buildId, number }),
  };
}

/** Photographs with entries. */
function photosIn(database: EntityManager) {
  const photos = () => database.getRepository(photoEntity);
  return {
    /** Under an id of the sender's one that is sent twice is one; undefined where that is another's. */
    async addPhoto(
      logEntryId: string,
      { id = nanoid(ID_LENGTH), type, bytes }: { id?: string; type: string; bytes: Buffer },
    ): Promise<Omit<PhotoRow, 'bytes'> | undefined> {
      await photos()
        .createQueryBuilder()
        .insert()
        .values({ id, logEntryId, type, bytes })
        .orIgnore()
        .execute();
      return (await photos().findOneBy({ id, logEntryId })) ?? undefined;
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

/** The logbook of each build: changes, notes, snapshots, photographs. */
export function logbookStore(database: EntityManager) {
  const entries = () => entriesIn(database);
  const photos = () => database.getRepository(photoEntity);
  const words = wordsOfChanges(database);
  return {
    /** Entries of a build, the latest first, from one on; what a change did is worked out when it is first read. */
    async ofBuild(buildId: string, { before, most }: { before?: string; most: number }): Promise<LogPage> {
      const rows = await entries()
        .createQueryBuilder('entry')
        .select(PLAIN.map((column) => `entry.${column}`))
        .where('entry.buildId = :buildId', { buildId })
        .andWhere(before === undefined ? 'true' : 'entry.seq < :before', { before })
        .orderBy('entry.seq', 'DESC')
        .limit(most + 1)
        .getMany();
      const page = rows.slice(0, most);
      const said = await words.of(page.filter((row) => !row.settled));
      const shown = page.flatMap((row) => {
        const found = row.settled ? undefined : said.get(row.id);
        // A change that was taken back altogether is none.
        if (!row.settled && !found) return [];
        return [{ ...row, ...found }];
      });
      const pictures = await photos().find({
        where: { logEntryId: In(shown.map((row) => row.id)) },
        order: { createdAt: 'ASC', id: 'ASC' },
      });
      return {
        entries: shown.map((row) => ({
          ...row,
          photos: pictures.filter((photo) => photo.logEntryId === row.id),
        })),
        next: rows.length > most ? (page.at(-1)?.seq ?? null) : null,
      };
    },

    find: (id: string): Promise<LogEntryRow | null> => entries().findOneBy({ id }),

    /** Under an id of the sender's one that is sent twice is one; undefined where that is another's. */
    async addNote(
      buildId: string,
      { id = nanoid(ID_LENGTH), note, by }: { id?: string; note: string; by: string },
    ): Promise<LogEntryRow | undefined> {
      await entries()
        .createQueryBuilder()
        .insert()
        .values({ id, buildId, kind: 'note', note, byName: by })
        .orIgnore()
        .execute();
      return (await entries().findOneBy({ id, buildId, kind: 'note' })) ?? undefined;
    },

    async annotate(id: string, note: string): Promise<boolean> {
      return (await entries().update({ id }, { note })).affected === 1;
    },

    /** Only a builder's own notes can be thrown away. */
    async removeNote(id: string): Promise<boolean> {
      return (await entries().delete({ id, kind: 'note' })).affected === 1;
    },

    ...snapshotsIn(database),

    ...photosIn(database),
  };
}

/** Columns of an entry that are shown; the document before it is large, and read only to work out its words. */
const PLAIN = [
  'id',
  'buildId',
  'kind',
  'byName',
  'title',
  'note',
  'changes',
  'margins',
  'snapshotNumber',
  'begunAt',
  'endedAt',
  'seq',
  'settled',
] as const;

/** The row of a build, held until the transaction ends. */
export const lockBuild = (manager: EntityManager, id: string): Promise<BuildRow | null> =>
  manager
    .getRepository(buildEntity)
    .createQueryBuilder('build')
    .setLock('pessimistic_write')
    .where('id = :id AND deleted_at IS NULL', { id })
    .getOne();

export type LogbookStore = ReturnType<typeof logbookStore>;
