import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { DataSource } from 'typeorm';
import { emptyDatabase } from '../testing/test-server.ts';
import { fromTheFuture, isDatabaseAway, isDiskFull } from './data-source.ts';

const TABLES = [
  'app_state',
  'build',
  'build_snapshot',
  'device',
  'log_entry',
  'pairing_attempt',
  'pairing_code',
  'part',
  'part_photo',
  'photo',
  'presence',
  'trial',
  'trial_set',
];

describe('migrations', () => {
  let database: DataSource;
  beforeAll(async () => {
    database = await emptyDatabase('migrations');
  });
  afterAll(() => database.destroy());

  const tables = async (): Promise<string[]> => {
    const rows = await database.query<{ name: string }[]>(
      "SELECT table_name AS name FROM information_schema.tables WHERE table_schema = 'public' AND table_name <> 'migration'",
    );
    return rows.map((row) => row.name).sort();
  };

  it('make every table, take them down again, and make them anew', async () => {
    await database.runMigrations();
    expect(await tables()).toEqual(TABLES);
    while ((await database.query<unknown[]>('SELECT 1 FROM migration')).length > 0)
      await database.undoLastMigration();
    expect(await tables()).toEqual([]);
    await database.runMigrations();
    expect(await tables()).toEqual(TABLES);
  });

  it('leave nothing for the entities to ask: the schema builder would change no column', async () => {
    const { upQueries } = await database.driver.createSchemaBuilder().log();
    const columns = upQueries
      .map((q) => q.query)
      .filter((q) => /ADD "|DROP COLUMN|CREATE TABLE|ALTER COLUMN .* TYPE/.test(q));
    expect(columns).toEqual([]);
  });

  it('keep rows that belong together together', async () => {
    await expect(
      database.query(
        "INSERT INTO trial_set (id, build_id, protocol, name, conditions) VALUES ('s', 'no-such', 'straight-run', 'x', '{}')",
      ),
    ).rejects.toThrow(/foreign key/);
    await expect(
      database.query("INSERT INTO build (id, name, document) VALUES ('b', '', '{}')"),
    ).rejects.toThrow(/check/);
  });

  it('let nobody change a snapshot, but for its name', async () => {
    await database.query("INSERT INTO build (id, name, document) VALUES ('b', 'Gull', '{}')");
    await database.query(
      "INSERT INTO build_snapshot (build_id, number, name, document) VALUES ('b', 1, 'first', '{}')",
    );
    await database.query("UPDATE build_snapshot SET name = 'other'");
    for (const change of [`document = '{"a": 1}'`, 'number = 2', "created_at = now() - interval '1 day'"])
      await expect(database.query(`UPDATE build_snapshot SET ${change}`), change).rejects.toThrow(
        /never changed/,
      );
    // With its build it goes.
    await database.query("DELETE FROM build WHERE id = 'b'");
    expect(await database.query('SELECT 1 FROM build_snapshot')).toEqual([]);
  });
});

describe('a full disk', () => {
  it('is told apart from everything else', () => {
    for (const code of ['53100', 'ENOSPC'])
      expect(isDiskFull(Object.assign(new Error('x'), { code })), code).toBe(true);
    expect(isDiskFull(Object.assign(new Error('x'), { code: '53200' }))).toBe(false);
    expect(isDiskFull('ENOSPC')).toBe(false);
  });
});

describe('a database of a newer Zubric', () => {
  it('is known by migrations that this one does not have', async () => {
    const database = await emptyDatabase('future');
    expect(await fromTheFuture(database)).toEqual([]);
    await database.runMigrations();
    expect(await fromTheFuture(database)).toEqual([]);
    await database.query(
      "INSERT INTO migration (timestamp, name) VALUES (1999999999999, 'Later1999999999999')",
    );
    expect(await fromTheFuture(database)).toEqual(['Later1999999999999']);
    await database.destroy();
  });
});

describe('a lost database', () => {
  it('is told apart from a wrong request', () => {
    expect(isDatabaseAway(Object.assign(new Error('x'), { code: 'ECONNREFUSED' }))).toBe(true);
    expect(isDatabaseAway(Object.assign(new Error('x'), { code: '57P01' }))).toBe(true);
    expect(isDatabaseAway(new Error('Connection terminated unexpectedly'))).toBe(true);
    expect(isDatabaseAway(Object.assign(new Error('x'), { code: 'ENOENT', syscall: 'connect' }))).toBe(true);
    // A file that is missing is not the database.
    expect(isDatabaseAway(Object.assign(new Error('x'), { code: 'ENOENT', syscall: 'stat' }))).toBe(false);
    for (const said of [
      'Query read timeout',
      'Client has encountered a connection error and is not queryable',
      'Query runner already released. Cannot run queries anymore.',
      'timeout exceeded when trying to connect',
    ])
      expect(isDatabaseAway(new Error(said)), said).toBe(true);
    for (const code of ['57014', '25P03', '53300', '57P03', '08006', 'ETIMEDOUT'])
      expect(isDatabaseAway(Object.assign(new Error('x'), { code })), code).toBe(true);
    expect(isDatabaseAway(Object.assign(new Error('x'), { code: '23505' }))).toBe(false);
    expect(isDatabaseAway('x')).toBe(false);
  });
});
