import { once } from 'node:events';
import { get } from 'node:http';
import type { AddressInfo } from 'node:net';
import { pino } from 'pino';
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest';
import { makeApp, type AppOptions } from '../app.ts';
import { makeDataSource } from '../database/data-source.ts';
import { oneAtATime } from '../database/one-at-a-time.ts';
import { loadDemo } from '../demo/load-demo.ts';
import { emptyDatabase } from '../testing/test-server.ts';
import { changesOf } from './changes.ts';

const NAME = 'live';
const urlOf = (): string => inject('databaseUrl').replace(/\/postgres$/, `/${NAME}`);

const KEY = 'd4'.repeat(24);
const BEHIND = { secure: 'https://zubric.club.example', token: KEY };

/** A server of several on one database. */
async function served(more: Partial<AppOptions> = {}) {
  const database = await makeDataSource(urlOf()).initialize();
  const problems: unknown[] = [];
  const changes = changesOf(urlOf(), (problem) => problems.push(problem));
  let address = '';
  const app = makeApp({ database, log: pino({ enabled: false }), hosts: () => [address], changes, ...more });
  const server = app.listen(0, '127.0.0.1');
  await once(server, 'listening');
  address = `127.0.0.1:${(server.address() as AddressInfo).port}`;
  const ask = (path: string, init: RequestInit = {}) =>
    fetch(`http://${address}/api${path}`, {
      ...init,
      headers: {
        'Content-Type': 'application/json',
        ...(init.headers as Record<string, string> | undefined),
      },
    });
  return {
    database,
    problems,
    port: (server.address() as AddressInfo).port,
    ask,
    async close() {
      // Streams end by themselves, so that a server that is stopped need not cut anything off.
      await changes.close();
      server.closeIdleConnections();
      await new Promise((resolve) => server.close(resolve));
      await database.destroy();
    },
  };
}

/** What a stream says, as it comes. */
async function following(answer: Response) {
  let heard = '';
  const reader = answer.body?.getReader();
  void (async () => {
    for (;;) {
      const piece = await reader?.read().catch(() => undefined);
      if (!piece || piece.done) return;
      heard += new TextDecoder().decode(piece.value);
    }
  })();
  return {
    count: () => heard.split('event: changed').length - 1,
    stop: () => reader?.cancel(),
  };
}

const soon = async (holds: () => boolean | Promise<boolean>): Promise<void> => {
  await expect.poll(holds, { timeout: 10_000, interval: 20 }).toBe(true);
};

describe('two servers on one database', () => {
  let [a, b] = [] as Awaited<ReturnType<typeof served>>[];
  beforeAll(async () => {
    const first = await emptyDatabase(NAME);
    await first.runMigrations();
    await loadDemo(first, 'data');
    await first.destroy();
    [a, b] = await Promise.all([served(), served()]);
  });
  afterAll(() => Promise.all([a?.close(), b?.close()]));

  it('tell a page on the one of what is changed through the other, and of nothing else', async () => {
    const [puffin, pip] = await Promise.all(
      ['puffin', 'pip'].map(async (id) => following((await a?.ask(`/builds/${id}/changes`)) as Response)),
    );
    const note = (text: string) =>
      b?.ask('/builds/puffin/log', { method: 'POST', body: JSON.stringify({ note: text }) });
    // Until the database is listened to, the first may be missed.
    await soon(async () => {
      await note('from the other');
      return (puffin?.count() ?? 0) > 0;
    });
    // As soon as it is listened to, everybody is told once.
    const [before, others] = [puffin?.count() ?? 0, pip?.count()];
    const stored = (await (await b?.ask('/builds/puffin'))?.json()) as { version: number; document: object };
    const saved = await b?.ask('/builds/puffin', {
      method: 'PUT',
      headers: { 'If-Match': `"${stored.version}"` },
      body: JSON.stringify({ ...stored.document, purpose: 'Changed through the other' }),
    });
    expect(saved?.status).toBe(200);
    await soon(() => (puffin?.count() ?? 0) > before);
    expect(pip?.count()).toBe(others);
    await puffin?.stop();
    await pip?.stop();
  });

  it('go on telling after their connection to the database was cut, and tell everybody then', async () => {
    const page = await following((await a?.ask('/builds/teasel/changes')) as Response);
    await a?.database.query(
      "SELECT pg_terminate_backend(pid) FROM pg_stat_activity WHERE query LIKE 'LISTEN %' AND datname = current_database()",
    );
    await soon(() => (a?.problems.length ?? 0) > 0);
    await soon(() => page.count() > 0);
    const before = page.count();
    await b?.ask('/builds/teasel/log', { method: 'POST', body: JSON.stringify({ note: 'again' }) });
    await soon(() => page.count() > before);
    await page.stop();
  });

  it('take the cookie that the other left, behind one proxy', async () => {
    const [one, other] = await Promise.all([served(BEHIND), served(BEHIND)]);
    /** As the proxy hands on what was asked of its own address. */
    const handedOn = (port: number, path: string, cookie?: string) =>
      new Promise<{ status: number | undefined; cookie: string | undefined }>((resolve, reject) => {
        get(
          {
            ...{ port, path, host: '127.0.0.1' },
            headers: {
              ...{ Host: 'zubric.club.example', 'X-Forwarded-Proto': 'https' },
              ...(cookie === undefined ? {} : { Cookie: cookie }),
            },
          },
          (answer) => {
            answer.resume();
            resolve({ status: answer.statusCode, cookie: answer.headers['set-cookie']?.[0]?.split(';')[0] });
          },
        ).on('error', reject);
      });
    const { cookie } = await handedOn(one.port, `/enter?key=${KEY}`);
    expect((await handedOn(other.port, '/api/builds', cookie)).status).toBe(200);
    expect((await handedOn(other.port, '/api/builds')).status).toBe(401);
    // A key that a server left under its own port before is taken by that server still.
    expect((await handedOn(one.port, '/api/builds', `zubric-key-${one.port}=${KEY}`)).status).toBe(200);
    expect((await handedOn(other.port, '/api/builds', `zubric-key-${one.port}=${KEY}`)).status).toBe(401);
    await Promise.all([one.close(), other.close()]);
  });

  it('end their streams where they are stopped', async () => {
    const other = await served();
    const answer = await other.ask('/builds/pip/changes');
    const ended = answer.text();
    await other.close();
    expect(await ended).not.toContain('event: changed');
  });

  it('say of a build that is not there that it is not', async () => {
    expect((await a?.ask('/builds/nothing/changes'))?.status).toBe(404);
  });

  it('prepare the database one after the other, and let go of it where one dies', async () => {
    const at: string[] = [];
    const work = (name: string) => async () => {
      at.push(`${name} in`);
      await new Promise((resolve) => setTimeout(resolve, 50));
      at.push(`${name} out`);
    };
    const [one, other] = [a?.database, b?.database];
    if (!one || !other) throw new Error('no servers');
    await Promise.all([oneAtATime(one, work('a')), oneAtATime(other, work('b'))]);
    expect([
      ['a in', 'a out', 'b in', 'b out'],
      ['b in', 'b out', 'a in', 'a out'],
    ]).toContainEqual(at);
    await expect(oneAtATime(one, () => Promise.reject(new Error('it dies')))).rejects.toThrow('it dies');
    await oneAtATime(other, work('after'));
    expect(at.at(-1)).toBe('after out');
  });

  it('migrate an empty database once between them', async () => {
    const empty = await emptyDatabase('live_empty');
    const url = inject('databaseUrl').replace(/\/postgres$/, '/live_empty');
    const servers = await Promise.all([1, 2, 3].map(() => makeDataSource(url).initialize()));
    const loaded = await Promise.all(
      servers.map((database) =>
        oneAtATime(database, async () => {
          await database.runMigrations({ transaction: 'each' });
          return loadDemo(database, 'data');
        }),
      ),
    );
    expect(loaded.filter(Boolean)).toHaveLength(1);
    const [{ n } = { n: '0' }] = await empty.query<{ n: string }[]>('SELECT count(*) AS n FROM migration');
    expect(Number(n)).toBe(9);
    await Promise.all([...servers, empty].map((database) => database.destroy()));
  });
});
