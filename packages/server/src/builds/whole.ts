import { buildSchema, openBuild, type Build } from '@zubric/core/vehicle';
import { ENTRY_KINDS } from '@zubric/core/answers';
import { trialSetsInFile, WHOLE_FORMAT, type TrialSetInFile } from '@zubric/core/protocols';
import { nanoid } from 'nanoid';
import type { EntityManager } from 'typeorm';
import { z } from 'zod';
import { current } from '../database/current.ts';
import {
  buildEntity,
  logEntryEntity,
  photoEntity,
  snapshotEntity,
  trialEntity,
  trialSetEntity,
  type BuildRow,
} from '../database/entities.ts';
import { picture } from '../http/picture.ts';
import { logbookStore } from '../logbook/store.ts';
import { trialStore } from '../trials/store.ts';

const ALL = 1_000_000;

const at = z.iso.datetime({ offset: true });
const words = z.array(z.string().max(2000)).max(2000);
/** A build as it was once: of any format that can be opened. */
const document = z.unknown().transform((json, context): Build => {
  const read = openBuild(json);
  if (read.ok) return read.build;
  for (const { path, message } of read.problems)
    context.addIssue({ code: 'custom', message: `${path}: ${message}` });
  return z.NEVER;
});

/** A build with all that belongs to it, in one file. */
export const wholeSchema = z.strictObject({
  format: z.literal(WHOLE_FORMAT),
  version: z.literal(1),
  build: document,
  snapshots: z
    .array(
      z.strictObject({
        number: z.int().min(1).max(100_000),
        name: z.string().min(1).max(120),
        createdAt: at,
        document,
      }),
    )
    .max(5000),
  log: z
    .array(
      z.strictObject({
        kind: z.enum(ENTRY_KINDS),
        by: z.string().max(60).default(''),
        title: z.string().max(500),
        note: z.string().max(5000),
        changes: words,
        margins: words,
        before: document.nullable(),
        snapshotNumber: z.int().nullable(),
        begunAt: at,
        endedAt: at,
        photos: z
          .array(z.strictObject({ caption: z.string().max(300), createdAt: at, data: z.base64() }))
          .max(200),
      }),
    )
    .max(50_000),
  trialSets: trialSetsInFile,
});
export type Whole = z.output<typeof wholeSchema>;

/** All of a build as one document: the build, its logbook with photographs, snapshots, trials. */
export async function wholeOf(manager: EntityManager, row: BuildRow): Promise<z.input<typeof wholeSchema>> {
  const { id } = row;
  const { entries } = await logbookStore(manager).ofBuild(id, { most: ALL });
  const befores = await manager.query<{ id: string; before: unknown }[]>(
    'SELECT id, before FROM log_entry WHERE build_id = $1',
    [id],
  );
  const beforeOf = new Map(befores.map((entry) => [entry.id, entry.before]));
  const photos = await manager.query<{ id: string; bytes: Buffer }[]>(
    'SELECT photo.id, bytes FROM photo JOIN log_entry ON log_entry.id = log_entry_id WHERE build_id = $1',
    [id],
  );
  const bytesOf = new Map(photos.map((photo) => [photo.id, photo.bytes]));
  const snapshots = await manager.getRepository(snapshotEntity).find({
    where: { buildId: id },
    order: { number: 'ASC' },
  });
  const sets = await trialStore(manager).ofBuild(id);
  return {
    format: WHOLE_FORMAT,
    version: 1,
    build: current(row.document),
    snapshots: snapshots.map(({ number, name, createdAt, document: kept }) => ({
      number,
      name,
      createdAt: createdAt.toISOString(),
      document: kept,
    })),
    // As it was written: the first entry first.
    log: [...entries].reverse().map((entry) => ({
      kind: entry.kind,
      by: entry.byName,
      title: entry.title,
      note: entry.note,
      changes: entry.changes,
      margins: entry.margins,
      before: beforeOf.get(entry.id) ?? null,
      snapshotNumber: entry.snapshotNumber,
      begunAt: entry.begunAt.toISOString(),
      endedAt: entry.endedAt.toISOString(),
      photos: entry.photos.map((photo) => ({
        caption: photo.caption,
        createdAt: photo.createdAt.toISOString(),
        data: (bytesOf.get(photo.id) ?? Buffer.alloc(0)).toString('base64'),
      })),
    })),
    trialSets: sets.map((set) => ({
      id: set.id,
      protocol: set.protocol,
      name: set.name,
      conditions: set.conditions,
      invented: set.invented,
      createdAt: set.createdAt.toISOString(),
      trials: set.trials.map(({ ordinal, reading, recordedAt, byName }) => ({
        ordinal,
        reading,
        recordedAt: recordedAt.toISOString(),
        by: byName,
      })),
    })),
  };
}

/** Keeps a build with all that belongs to it as a new one: all of it or nothing. */
export async function keepWhole(manager: EntityManager, whole: Whole): Promise<BuildRow> {
  const build = buildSchema.parse(whole.build);
  const kept = await Promise.all(
    whole.log.map(async (entry) => ({
      ...entry,
      pictures: await Promise.all(
        entry.photos.map(async (photo) => ({
          ...photo,
          ...(await picture(Buffer.from(photo.data, 'base64'))),
        })),
      ),
    })),
  );
  return manager.transaction(async (inside) => {
    const id = nanoid(12);
    await inside.getRepository(buildEntity).insert({ id, name: build.name, document: build });
    for (const { number, name, createdAt, document: was } of whole.snapshots)
      await inside
        .getRepository(snapshotEntity)
        .insert({ buildId: id, number, name, document: was, createdAt: new Date(createdAt) });
    for (const { photos: _sent, pictures, before, begunAt, endedAt, by, ...entry } of kept) {
      const entryId = nanoid(12);
      await inside.getRepository(logEntryEntity).insert({
        ...entry,
        byName: by,
        id: entryId,
        buildId: id,
        before: before as object | null,
        begunAt: new Date(begunAt),
        endedAt: new Date(endedAt),
      });
      for (const { type, bytes, caption, createdAt } of pictures)
        await inside.getRepository(photoEntity).insert({
          id: nanoid(12),
          logEntryId: entryId,
          type,
          bytes,
          caption,
          createdAt: new Date(createdAt),
        });
    }
    for (const set of whole.trialSets) await keepTrialSet(inside, id, set);
    return inside.getRepository(buildEntity).findOneByOrFail({ id });
  });
}

/** A set of trials of a file, kept under an id of its own. */
async function keepTrialSet(
  manager: EntityManager,
  buildId: string,
  { id: _other, trials, createdAt, ...set }: TrialSetInFile,
): Promise<void> {
  const setId = nanoid(12);
  await manager.getRepository(trialSetEntity).insert({
    ...{ ...set, id: setId, buildId },
    ...(createdAt === undefined ? {} : { createdAt: new Date(createdAt) }),
  });
  for (const { ordinal, reading, recordedAt, by } of trials)
    await manager.getRepository(trialEntity).insert({
      ...{ id: nanoid(), trialSetId: setId, ordinal, reading, byName: by },
      ...(recordedAt === undefined ? {} : { recordedAt: new Date(recordedAt) }),
    });
}
