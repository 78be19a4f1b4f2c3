import { existsSync, readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { partSchema, readBuild, type Build, type Part } from '@zubric/core/vehicle';
import { conditionsSchema, PROTOCOL_NAMES, readingSchema } from '@zubric/core/protocols';
import { nanoid } from 'nanoid';
import type { DataSource, EntityManager } from 'typeorm';
import { z } from 'zod';
import { buildStore } from '../builds/store.ts';
import { appStateEntity, partEntity } from '../database/entities.ts';
import { trialStore } from '../trials/store.ts';
import { loadDemoLog } from './load-log.ts';

const LOADED = 'demo-loaded';
const MINUTE_MS = 60_000;
const BUILD_FILE = /^([a-z0-9-]+)\.zubric\.json$/;

const trialSets = z.array(
  z.strictObject({
    protocol: z.enum(PROTOCOL_NAMES),
    name: z.string().min(1),
    invented: z.literal(true),
    conditions: z.unknown(),
    readings: z.array(z.unknown()),
  }),
);

const readJson = (path: string): unknown => JSON.parse(readFileSync(path, 'utf8'));

/** Every part of the shelf files, checked. */
export function demoParts(dataFolder: string): Part[] {
  const folder = join(dataFolder, 'shelf');
  return readdirSync(folder)
    .filter((file) => file.endsWith('.json'))
    .sort()
    .flatMap((file) => z.array(partSchema).parse(readJson(join(folder, file))));
}

function demoBuild(dataFolder: string, file: string): Build {
  const read = readBuild(readJson(join(dataFolder, 'builds', file)));
  if (!read.ok) throw new Error(`${file}: ${read.problems.map((p) => `${p.path}: ${p.message}`).join('; ')}`);
  return read.build;
}

/**
 * Loads the club's builds, shelf and trials, once in the life of a database and all of it or nothing. Returns whether
 * it did.
 */
export const loadDemo = (database: DataSource, dataFolder: string): Promise<boolean> =>
  database.transaction((manager) => loadInto(manager, dataFolder));

async function loadInto(database: EntityManager, dataFolder: string): Promise<boolean> {
  const state = database.getRepository(appStateEntity);
  if (await state.existsBy({ key: LOADED })) return false;
  const parts = demoParts(dataFolder).map((data) => ({
    id: data.id,
    kind: data.kind,
    name: data.name,
    data,
  }));
  await database.getRepository(partEntity).upsert(parts, ['id']);
  for (const file of readdirSync(join(dataFolder, 'builds')).sort()) {
    const id = BUILD_FILE.exec(file)?.[1];
    if (id !== undefined) await loadBuild(database, dataFolder, id);
  }
  await state.insert({ key: LOADED, value: true });
  return true;
}

async function loadBuild(database: EntityManager, dataFolder: string, id: string): Promise<void> {
  const builds = buildStore(database);
  if (await builds.find(id)) return;
  await builds.create(demoBuild(dataFolder, `${id}.zubric.json`), { id, from: 'Invented for the demo' });
  await loadDemoLog(database, dataFolder, id);
  const path = join(dataFolder, 'trials', `${id}.json`);
  if (!existsSync(path)) return;
  const trials = trialStore(database);
  const now = Date.now();
  const sets = trialSets.parse(readJson(path));
  for (const [at, { protocol, conditions, readings, ...set }] of sets.entries()) {
    const kept = conditionsSchema(protocol).parse(conditions);
    // In the order of their file, the first of them last.
    const createdAt = new Date(now - at * MINUTE_MS);
    const row = await trials.create(id, { ...set, protocol, conditions: kept, createdAt });
    if (!row) throw new Error(`the trials of ${id} cannot be kept`);
    for (const reading of readings)
      await trials.record(row.id, nanoid(), readingSchema(protocol, kept).parse(reading));
  }
}
