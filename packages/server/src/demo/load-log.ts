import { assertNever } from '@zubric/core/contract';
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { applyChanges, readBuild, type Build, type Change } from '@zubric/core/vehicle';
import { nanoid } from 'nanoid';
import type { EntityManager } from 'typeorm';
import { z } from 'zod';
import { buildEntity, logEntryEntity, snapshotEntity } from '../database/entities.ts';
import { changesInWords } from '../logbook/changes.ts';
import { current } from '../database/current.ts';

const at = z.iso.datetime();
const note = z.string().min(1);
const instead = z.strictObject({ path: z.array(z.string()).min(1), value: z.unknown() });

/** The invented past of a demo build. A snapshot is the build as it is now but for what stands in `instead`. */
const pastSchema = z.array(
  z.discriminatedUnion('kind', [
    z.strictObject({ kind: z.literal('note'), at, note }),
    z.strictObject({ kind: z.literal('snapshot'), at, title: note, instead: z.array(instead).min(1) }),
    z.strictObject({
      kind: z.literal('change'),
      at,
      note,
      sinceSnapshot: z.int().min(1),
      /** As the build is now where left away. */
      toSnapshot: z.int().min(1).optional(),
    }),
  ]),
);
type Past = z.output<typeof pastSchema>[number];

/** The build with other values in some places; a place that leads nowhere is told. */
function earlier(build: Build, places: readonly z.output<typeof instead>[]): Build {
  const changes = places.map(({ path, value }): Change => ({
    kind: 'set',
    path,
    before: null,
    after: value,
  }));
  const read = readBuild(applyChanges(build, changes));
  if (!read.ok) throw new Error(read.problems.map((p) => `${p.path}: ${p.message}`).join('; '));
  return read.build;
}

/** Puts the invented past of a demo build into its logbook, if it has one. */
export async function loadDemoLog(
  database: EntityManager,
  dataFolder: string,
  buildId: string,
): Promise<void> {
  const path = join(dataFolder, 'logbook', `${buildId}.json`);
  if (!existsSync(path)) return;
  const past = pastSchema.parse(JSON.parse(readFileSync(path, 'utf8')));
  const { document } = await database.getRepository(buildEntity).findOneByOrFail({ id: buildId });
  const build = current(document);
  const snapshots: Build[] = [];
  for (const entry of past) {
    if (entry.kind === 'snapshot') {
      snapshots.push(earlier(build, entry.instead));
      await database.getRepository(snapshotEntity).insert({
        buildId,
        number: snapshots.length,
        name: entry.title,
        document: snapshots.at(-1) as object,
        createdAt: new Date(entry.at),
      });
    }
    await database.getRepository(logEntryEntity).insert({
      id: nanoid(),
      buildId,
      begunAt: new Date(entry.at),
      endedAt: new Date(entry.at),
      ...entryOf(entry, build, snapshots),
    });
  }
  // The note of how it began stands before all of these.
  const [first] = past;
  if (first) {
    const begunAt = new Date(Date.parse(first.at) - 60_000);
    await database
      .getRepository(logEntryEntity)
      .update({ buildId, kind: 'begun' }, { begunAt, endedAt: begunAt });
  }
}

function entryOf(entry: Past, build: Build, snapshots: readonly Build[]) {
  switch (entry.kind) {
    case 'note':
      return { kind: entry.kind, note: entry.note };
    case 'snapshot':
      return { kind: entry.kind, title: entry.title, snapshotNumber: snapshots.length };
    case 'change': {
      const before = snapshots[entry.sinceSnapshot - 1];
      const after = entry.toSnapshot === undefined ? build : snapshots[entry.toSnapshot - 1];
      if (!before || !after)
        throw new Error(`the snapshots of the change at ${entry.at} do not stand before it`);
      return {
        kind: entry.kind,
        note: entry.note,
        before: before as object,
        ...changesInWords(before, after),
      };
    }
    default:
      return assertNever(entry);
  }
}
