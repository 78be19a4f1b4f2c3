/** Everything in one file and back: rehearsed with what the demo holds and what was added to it. */
import { execFile } from 'node:child_process';
import { existsSync, readFileSync, readdirSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { promisify } from 'node:util';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { makeDataSource } from '../packages/server/src/database/data-source.ts';
import { ownCopies } from '../scripts/lib/copies.mjs';
import { postgresFolders } from '../scripts/lib/setup.mjs';
import { install, newFolder, type Installation } from './installation.ts';

const run = promisify(execFile);

describe('everything in one file', () => {
  const state = newFolder();
  const away = newFolder();
  let zubric: Installation;
  const command = (name: 'backup' | 'restore', file: string) =>
    run(process.execPath, [`scripts/${name}.mjs`, file], {
      env: { ...process.env, ZUBRIC_STATE: state, ZUBRIC_DATABASE_URL: '' },
    });
  /** All that is asked of an installation by its screens. */
  async function all(): Promise<unknown> {
    const read = async (path: string): Promise<unknown> => (await zubric.ask(path)).json();
    const { builds } = (await read('/builds')) as { builds: { id: string }[] };
    return {
      builds,
      bin: await read('/builds?place=bin'),
      parts: await read('/parts'),
      each: await Promise.all(
        builds.map(async ({ id }) => ({
          build: await read(`/builds/${id}`),
          log: await read(`/builds/${id}/log?most=200`),
          snapshots: await read(`/builds/${id}/snapshots`),
          trials: await read(`/builds/${id}/trial-sets`),
        })),
      ),
    };
  }
  beforeAll(async () => {
    zubric = await install(state);
    await zubric.ask('/builds/puffin/log', { method: 'POST', body: { note: 'Before the copy' } });
    await zubric.ask('/builds/pip/place', { method: 'PUT', body: { place: 'bin' } });
  });
  afterAll(async () => {
    await zubric.stop();
    rmSync(state, { recursive: true });
    rmSync(away, { recursive: true });
  });

  it('is copied while it runs and while it is stopped, and written over nothing', async () => {
    await command('backup', join(away, 'running'));
    await expect(command('backup', join(away, 'running'))).rejects.toThrow(/is there already/);
    await expect(command('restore', join(away, 'running'))).rejects.toThrow(/stop it first/);
    await zubric.stop();
    await command('backup', join(away, 'stopped'));
    for (const name of ['running', 'stopped']) {
      const { mode, size } = statSync(join(away, name));
      expect(mode & 0o077).toBe(0);
      expect(size).toBeGreaterThan(10_000);
    }
    await zubric.again();
  });

  it('comes back as it was, what was there meanwhile set aside', async () => {
    const before = await all();
    await zubric.ask('/builds', { method: 'POST', body: { name: 'Made after the copy' } });
    await zubric.ask('/builds/moth/place', { method: 'PUT', body: { place: 'bin' } });
    await zubric.stop();
    const { stdout } = await command('restore', join(away, 'running'));
    expect(stdout).toContain('Nothing was erased');
    await zubric.again();
    expect(await all()).toEqual(before);
    const aside = readdirSync(state).filter((name) => name.startsWith('postgres-set-aside'));
    expect(aside).toHaveLength(1);
    expect(existsSync(join(state, aside[0] ?? '', 'data', 'PG_VERSION'))).toBe(true);
  });

  it('is refused where the file is no copy, and nothing is touched', async () => {
    await zubric.stop();
    writeFileSync(join(away, 'letter'), 'Dear all');
    const whole = readFileSync(join(away, 'stopped'));
    writeFileSync(join(away, 'cut'), whole.subarray(0, whole.length / 2));
    await expect(command('restore', join(away, 'letter'))).rejects.toThrow(/no copy/);
    await expect(command('restore', join(away, 'no-such'))).rejects.toThrow(/There is no file/);
    await expect(command('restore', join(away, 'cut'))).rejects.toThrow(/no copy|as it was/);
    await zubric.again();
    const { builds } = (await (await zubric.ask('/builds')).json()) as { builds: { id: string }[] };
    expect(builds.map(({ id }) => id)).toContain('puffin');
  });

  it('is made by itself each day, fourteen deep, and before a change of the database’s form', async () => {
    const [newest] = postgresFolders();
    const folder = join(away, 'copies');
    const copies = ownCopies({
      bin: newest?.bin ?? '',
      databaseUrl: zubric.running().database,
      folder,
    });
    const days = Array.from({ length: 16 }, (_, n) => `2026-11-${String(n + 1).padStart(2, '0')}`);
    for (const day of days) await copies.daily(day);
    // Today's is there already.
    expect(await copies.daily('2026-11-16')).toBeUndefined();
    expect(readdirSync(folder).sort()).toEqual(days.slice(2).map((day) => `${day}.zubric-copy`));
    expect(await copies.before('newer form')).toMatch(/before-.*newerform\.zubric-copy$/);
    expect(readdirSync(folder)).toHaveLength(15);
    const own = readdirSync(join(state, 'copies'));
    expect(own.filter((name) => /^\d{4}-\d\d-\d\d\.zubric-copy$/.test(name))).toHaveLength(1);
  });

  it('is copied before an older database is brought to the form of today, and keeps what it holds', async () => {
    const before = await all();
    const database = await makeDataSource(zubric.running().database).initialize();
    await database.undoLastMigration();
    await database.destroy();
    await zubric.stop();
    await zubric.again();
    expect(await all()).toEqual(before);
    const made = readdirSync(join(state, 'copies')).filter((name) => name.startsWith('before-'));
    expect(made).toHaveLength(1);
    expect(statSync(join(state, 'copies', made[0] ?? '')).size).toBeGreaterThan(10_000);
  });
});
