/** Starting over state of every kind: nothing is ever erased, and what is in the way is told. */
import { execFileSync, spawn } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, readdirSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import pg from 'pg';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { startCluster, type Cluster } from '../scripts/lib/cluster.mjs';
import { postgresFolders } from '../scripts/lib/setup.mjs';
import { setAside, takeLock, tokenFile, whatRuns } from '../scripts/lib/state.mjs';
import { newFolder } from './installation.ts';

let folder: string;
beforeEach(() => {
  folder = newFolder();
});
afterEach(() => rmSync(folder, { recursive: true, force: true }));

const ask = async <T extends pg.QueryResultRow>(cluster: Cluster, sql: string): Promise<T[]> => {
  const client = new pg.Client({ connectionString: cluster.url });
  await client.connect();
  const { rows } = await client.query<T>(sql);
  await client.end();
  return rows;
};

describe('the database', () => {
  const home = (): string => join(folder, 'postgres');
  const data = (): string => join(home(), 'data');
  const told: string[] = [];
  const start = (): Promise<Cluster> =>
    startCluster(home(), { throwAway: true, told: (sentence) => told.push(sentence) });
  beforeEach(() => told.splice(0));

  /** A cluster that holds something, stopped. */
  async function kept(): Promise<void> {
    const cluster = await start();
    await ask(cluster, 'CREATE TABLE kept AS SELECT 42 AS n');
    await cluster.stop();
    told.splice(0);
  }
  const holds = async (): Promise<void> => {
    const cluster = await start();
    expect(await ask(cluster, 'SELECT n FROM kept')).toEqual([{ n: 42 }]);
    await cluster.stop();
  };
  const beside = (): string[] => readdirSync(home()).filter((name) => name.includes('set-aside'));

  it('has checksums, is for its user alone, and is made in a folder of its own first', async () => {
    const cluster = await start();
    expect(await ask(cluster, 'SHOW data_checksums')).toEqual([{ data_checksums: 'on' }]);
    await cluster.stop();
    expect(statSync(home()).mode & 0o077).toBe(0);
    expect(statSync(join(home(), 'password')).mode & 0o077).toBe(0);
    expect(existsSync(join(home(), 'data.making'))).toBe(false);
  });

  it.each<[string, () => void]>([
    ['a folder without PG_VERSION', () => rmSync(join(data(), 'PG_VERSION'))],
    ['a PG_VERSION of nonsense', () => writeFileSync(join(data(), 'PG_VERSION'), 'fifteen\n')],
    ['a cluster of a newer PostgreSQL', () => writeFileSync(join(data(), 'PG_VERSION'), '99\n')],
  ])('sets %s aside with all that is in it, tells it, and begins anew', async (_, hurt) => {
    await kept();
    hurt();
    const cluster = await start();
    await cluster.stop();
    const [name = ''] = beside();
    expect(name).toMatch(/^data-set-aside-\d{4}-\d{2}-\d{2}T/);
    expect(existsSync(join(home(), name, 'global'))).toBe(true);
    expect(told.join(' ')).toContain(name);
    expect(told.join(' ')).toContain('Nothing was erased');
  });

  it('takes what is no folder, or an empty one, for what it is', async () => {
    mkdirSync(home(), { recursive: true });
    writeFileSync(data(), 'not a cluster');
    await (await start()).stop();
    expect(readFileSync(join(home(), beside()[0] ?? ''), 'utf8')).toBe('not a cluster');
    rmSync(home(), { recursive: true });
    mkdirSync(data(), { recursive: true });
    await (await start()).stop();
    expect(beside()).toEqual([]);
  });

  it('sets a half made one aside and makes another', async () => {
    mkdirSync(join(home(), 'data.making', 'base'), { recursive: true });
    await (await start()).stop();
    expect(beside()).toHaveLength(1);
    expect(beside()[0]).toMatch(/^data.making-set-aside/);
  });

  it('names the way where it is of an older PostgreSQL that is not on this machine, and leaves it be', async () => {
    await kept();
    writeFileSync(join(data(), 'PG_VERSION'), '9\n');
    const run = () =>
      execFileSync(
        process.execPath,
        ['-e', `import('./scripts/lib/cluster.mjs').then((m) => m.startCluster(${JSON.stringify(home())}))`],
        { encoding: 'utf8', stdio: 'pipe' },
      );
    expect(run).toThrow(/postgresql-9[\s\S]*npm run restore/);
    const [newest] = postgresFolders();
    writeFileSync(join(data(), 'PG_VERSION'), `${newest?.version}\n`);
    await holds();
  });

  it.each<[string, () => void]>([
    ['missing', () => rmSync(join(home(), 'password'))],
    ['empty', () => writeFileSync(join(home(), 'password'), '')],
    ['of another', () => writeFileSync(join(home(), 'password'), `${'ab'.repeat(24)}\n`)],
  ])('is opened though its password file is %s, and keeps what it holds', async (_, hurt) => {
    await kept();
    hurt();
    await holds();
    expect(told.join(' ')).toContain('made anew');
    told.splice(0);
    await holds();
    expect(told).toEqual([]);
  });

  it.each<[string, string]>([
    ['of a process that is dead', '999999999\n'],
    ['of a process that is something else', `${process.pid}\n`],
    ['of nonsense', 'nonsense\n'],
    ['empty', ''],
  ])('is started at once over a mark %s', async (_, mark) => {
    await kept();
    const port = '5432';
    writeFileSync(join(data(), 'postmaster.pid'), mark === '' ? '' : `${mark}${data()}\n1\n${port}\n`);
    const began = performance.now();
    await holds();
    expect(performance.now() - began).toBeLessThan(20_000);
  });
});

describe('the lock of a start', () => {
  const path = (): string => join(folder, 'running.json');
  const told: string[] = [];
  beforeEach(() => told.splice(0));
  const take = () => takeLock(folder, (sentence: string) => told.push(sentence));

  it('is had by one, told to the other, and given back', () => {
    const mine = take();
    expect(mine.lock).toBeDefined();
    mine.lock?.update({ address: 'http://127.0.0.1:1/' });
    expect(take().heldBy).toMatchObject({ pid: process.pid, address: 'http://127.0.0.1:1/' });
    expect(whatRuns(folder)).toMatchObject({ pid: process.pid });
    expect(statSync(path()).mode & 0o077).toBe(0);
    mine.lock?.release();
    expect(existsSync(path())).toBe(false);
    expect(whatRuns(folder)).toBeUndefined();
  });

  it.each(['', '{', 'null', '[]', '"x"', '{"pid":"7"}', '\0\0'])(
    'that is %j is set aside and told',
    (text) => {
      writeFileSync(path(), text);
      expect(take().lock).toBeDefined();
      const aside = readdirSync(folder).filter((name) => name.includes('set-aside'));
      expect(aside).toHaveLength(1);
      expect(readFileSync(join(folder, aside[0] ?? ''), 'utf8')).toBe(text);
      expect(told.join(' ')).toContain('Nothing was erased');
    },
  );

  it('whose place a folder takes is set aside with what is in it', () => {
    mkdirSync(path());
    writeFileSync(join(path(), 'mine.txt'), 'kept');
    expect(take().lock).toBeDefined();
    const [aside = ''] = readdirSync(folder).filter((name) => name.includes('set-aside'));
    expect(readFileSync(join(folder, aside, 'mine.txt'), 'utf8')).toBe('kept');
  });

  it('of a dead start, or of a number that is another process by now, is taken over silently', () => {
    for (const dead of [{ pid: 999_999_999 }, { pid: process.pid, began: '1' }]) {
      writeFileSync(path(), JSON.stringify(dead));
      const taken = take();
      expect(taken.lock).toBeDefined();
      taken.lock?.release();
    }
    expect(told).toEqual([]);
    expect(readdirSync(folder)).toEqual([]);
  });

  it('is had by one of many at once, over a dead one too', async () => {
    writeFileSync(path(), JSON.stringify({ pid: 999_999_999 }));
    const script = `import('./scripts/lib/state.mjs').then(({ takeLock }) => {
      const taken = takeLock(${JSON.stringify(folder)}, () => undefined);
      console.log(taken.lock ? 'mine' : 'theirs');
      setTimeout(() => undefined, 4000);
    })`;
    const said = await Promise.all(
      Array.from(
        { length: 8 },
        () =>
          new Promise<string>((resolve) => {
            const child = spawn(process.execPath, ['-e', script], { stdio: ['ignore', 'pipe', 'inherit'] });
            let text = '';
            child.stdout.on('data', (chunk: Buffer) => (text += chunk.toString()));
            child.once('exit', () => resolve(text.trim()));
          }),
      ),
    );
    expect(said.filter((word) => word === 'mine')).toHaveLength(1);
    expect(said.filter((word) => word === 'theirs')).toHaveLength(7);
  });
});

describe('the key of an installation', () => {
  it('is made once, for its user alone, and made anew only where it is none', () => {
    const file = tokenFile(folder);
    const key = readFileSync(file, 'utf8').trim();
    expect(key).toMatch(/^[0-9a-f]{48}$/);
    expect(statSync(file).mode & 0o077).toBe(0);
    tokenFile(folder);
    expect(readFileSync(file, 'utf8').trim()).toBe(key);
    writeFileSync(file, 'x');
    tokenFile(folder);
    expect(readFileSync(file, 'utf8').trim()).toMatch(/^[0-9a-f]{48}$/);
  });
});

describe('what is set aside', () => {
  it('keeps its name, gets the date, and never takes the place of something else', () => {
    const path = join(folder, 'thing');
    for (const text of ['one', 'two', 'three']) {
      writeFileSync(path, text);
      expect(setAside(path, 'It was in the way')).toMatch(/^It was in the way\. Nothing was erased: /);
    }
    const names = readdirSync(folder);
    expect(names).toHaveLength(3);
    expect(names.map((name) => readFileSync(join(folder, name), 'utf8')).sort()).toEqual([
      'one',
      'three',
      'two',
    ]);
  });
});
