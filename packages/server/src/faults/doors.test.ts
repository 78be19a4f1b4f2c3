/** What comes in at the doors: keys, addresses, texts that cannot be kept, records that cannot be opened. */
import { readdirSync } from 'node:fs';
import { createServer, type Server } from 'node:http';
import { connect, type AddressInfo } from 'node:net';
import type { Build } from '@zubric/core/vehicle';
import { pino } from 'pino';
import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { refuseBrokenRequest } from '../http/broken-request.ts';
import { demoServer, type DemoServer } from '../testing/test-server.ts';

const KEY = 'a1'.repeat(24);

describe('the key', () => {
  let server: DemoServer;
  beforeAll(async () => {
    server = await demoServer('keyed', { token: KEY });
  });
  afterAll(() => server.close());

  it('is asked for at every door of the interface for programs, and nothing is told without', async () => {
    for (const path of ['/api/builds', '/api/parts', '/api/calculators', '/api/state', '/api/no-such']) {
      const { body, type } = await server.send('get', path).expect(401);
      expect(type).toBe('application/problem+json');
      expect(body).toMatchObject({ code: 'no-key' });
    }
    await server.send('post', '/api/builds').send({ name: 'Gull' }).expect(401);
    await server.send('get', '/healthz').expect(200);
  });

  it('opens as a bearer, as it is and not nearly', async () => {
    const ask = (key: string) => server.send('get', '/api/builds').set('Authorization', `Bearer ${key}`);
    await ask(KEY).expect(200);
    for (const wrong of [KEY.slice(1), `${KEY}0`, KEY.toUpperCase(), '', 'x']) await ask(wrong).expect(401);
  });

  it('comes in by the printed address and stays as a cookie that no script and no other site can use', async () => {
    const entered = await server.send('get', `/enter?key=${KEY}`).expect(303);
    expect(entered.headers.location).toBe('/');
    const [cookie = ''] = entered.headers['set-cookie'] as unknown as string[];
    expect(cookie).toMatch(/HttpOnly/);
    expect(cookie).toMatch(/SameSite=Strict/);
    const [pair = ''] = cookie.split(';');
    // A cookie is for the port it was given at: supertest serves each request at another.
    expect(pair).toMatch(new RegExp(`^zubric-key-\\d+=${KEY}$`));
    await server.send('get', '/enter?key=nearly').expect(401);
    await server.send('get', '/enter').expect(401);
  });
});

describe('the log', () => {
  it('holds no key and no cookie, by whichever door they came', async () => {
    const lines: string[] = [];
    const server = await demoServer('logged', {
      token: KEY,
      log: pino({ level: 'trace' }, { write: (line: string) => void lines.push(line) }),
    });
    await server.send('get', `/enter?key=${KEY}`).expect(303);
    await server.send('get', '/api/builds').set('Authorization', `Bearer ${KEY}`).expect(200);
    await server.send('get', '/api/builds').set('Cookie', `zubric-key-4817=${KEY}`).expect(401);
    await server.send('get', `/api/no-such?key=${KEY}`).set('Authorization', `Bearer ${KEY}`).expect(404);
    await server.close();
    const all = lines.join('');
    expect(lines.length).toBeGreaterThanOrEqual(4);
    expect(all).toContain('/enter');
    expect(all).not.toContain(KEY);
    expect(all).not.toMatch(/cookie|bearer/i);
  });
});

describe('another site', () => {
  let server: DemoServer;
  beforeAll(async () => {
    server = await demoServer('sites', { notices: () => ['The database was set aside.'] });
  });
  afterAll(() => server.close());

  it('may link here, and nothing else (Fetch Metadata)', async () => {
    const from = (site: string, mode: string, path = '/api/builds') =>
      server.send('get', path).set('Sec-Fetch-Site', site).set('Sec-Fetch-Mode', mode);
    await from('same-origin', 'cors').expect(200);
    await from('none', 'navigate').expect(200);
    for (const site of ['cross-site', 'same-site']) {
      await from(site, 'cors').expect(403);
      await from(site, 'no-cors').expect(403);
      // Not even as a page: what stands there is no page.
      await from(site, 'navigate').expect(403);
    }
  });

  it('may not frame it: both headers say so', async () => {
    const { headers } = await server.send('get', '/healthz');
    expect(headers['x-frame-options']).toBe('DENY');
    expect(headers['content-security-policy']).toContain("frame-ancestors 'none'");
  });

  it('is told what happened at the start only from here', async () => {
    const { body } = await server.send('get', '/api/state').expect(200);
    expect(body).toMatchObject({ notices: ['The database was set aside.'], disk: { full: false } });
  });
});

describe('what cannot be kept', () => {
  let server: DemoServer;
  beforeAll(async () => {
    server = await demoServer('doors');
  });
  afterAll(() => server.close());

  const problem = (response: { status: number; type: string; body: unknown }, status: number): void => {
    expect(response.status).toBe(status);
    expect(response.type).toBe('application/problem+json');
    expect(response.body).toMatchObject({ status });
    expect(JSON.stringify(response.body)).not.toMatch(/ at .*:\d+:\d+/);
  };

  it.each(['\\u0000', '\\ud800', '\\udc00x', 'a\\uD83Db'])('is refused: a text with %s', async (escape) => {
    const send = (path: string, body: string) =>
      server.send('post', path).type('application/json').send(body);
    problem(await send('/api/builds', `{"name":"Gull${escape}"}`), 422);
    problem(await send('/api/builds/puffin/log', `{"note":"${escape}"}`), 422);
    problem(await send('/api/builds', `{"name":"Gull","${escape}":1}`), 422);
  });

  it('a pair of surrogates is a character like any other', async () => {
    const { body } = await server
      .send('post', '/api/builds')
      .type('application/json')
      .send('{"name":"Gull \\ud83d\\udee0"}')
      .expect(201);
    expect((body as { document: Build }).document.name).toBe('Gull 🛠');
  });

  it.each([
    '/api/builds/%',
    '/api/builds/%zz',
    '/api/builds/%c3%28',
    '/api/builds/a%00b',
    '/api/parts?kind=%',
  ])('is refused: the address %s', async (path) => {
    problem(await server.send('get', path), 400);
  });

  it.each(['a.b', 'a b', '..', 'é', 'x'.repeat(61), "a'--"])('the id “%s” is none', async (id) => {
    const at = encodeURIComponent(id);
    for (const path of [
      `/api/builds/${at}`,
      `/api/builds/${at}/log`,
      `/api/builds/${at}/snapshots`,
      `/api/builds/${at}/trial-sets`,
      `/api/builds/${at}/whole`,
      `/api/photos/${at}`,
    ])
      problem(await server.send('get', path), 404);
    problem(await server.send('delete', `/api/log/${at}`), 404);
    problem(await server.send('put', `/api/trial-sets/${at}`).set('If-Match', '"1"').send({}), 404);
  });

  it('bytes that are not UTF-8, and JSON nested however deep, are answered', async () => {
    const raw = await server
      .send('post', '/api/builds')
      .type('application/json')
      .serialize((body: unknown) => body as string)
      .send(Buffer.from([0x7b, 0x22, 0xff, 0x22, 0x3a, 0x31, 0x7d]) as unknown as object);
    problem(raw, 400);
    const deep = `{"document":${'['.repeat(50_000)}${']'.repeat(50_000)}}`;
    problem(await server.send('post', '/api/builds').type('application/json').send(deep), 422);
  });

  it('what is no HTTP is answered with a problem too', async () => {
    const plain: Server = createServer(server.app);
    plain.on('clientError', refuseBrokenRequest);
    await new Promise<void>((resolve) => plain.listen(0, '127.0.0.1', resolve));
    const { port } = plain.address() as AddressInfo;
    const say = (text: string): Promise<string> =>
      new Promise((resolve, reject) => {
        let heard = '';
        const socket = connect(port, '127.0.0.1', () => socket.write(text));
        socket.on('data', (chunk: Buffer) => (heard += chunk.toString()));
        socket.on('close', () => resolve(heard));
        socket.on('error', reject);
      });
    expect(await say('NONSENSE\r\n\r\n')).toMatch(/^HTTP\/1.1 400 [\s\S]*problem\+json[\s\S]*broken-request/);
    expect(await say(`GET /${'x'.repeat(20_000)} HTTP/1.1\r\nHost: x\r\n\r\n`)).toMatch(/^HTTP\/1.1 431 /);
    await new Promise((resolve) => plain.close(resolve));
  });
});

describe('a build that cannot be opened', () => {
  let server: DemoServer;
  beforeAll(async () => {
    server = await demoServer('unreadable');
    await server.database.query(
      `UPDATE build SET document = jsonb_set(document, '{formatVersion}', '99') WHERE id = 'pip'`,
    );
    await server.database.query(`UPDATE build SET document = '{"format":"nothing"}' WHERE id = 'teasel'`);
  });
  afterAll(() => server.close());

  interface Line {
    readonly id: string;
    readonly name: string;
    readonly version: number;
    readonly problem?: string;
    readonly massKg?: number;
  }
  const lines = async (): Promise<readonly Line[]> =>
    ((await server.send('get', '/api/builds').expect(200)).body as { builds: Line[] }).builds;

  it('stands in the list with its problem, and hides no other', async () => {
    const list = await lines();
    expect(list).toHaveLength(readdirSync('data/builds').length);
    expect(list.find(({ id }) => id === 'pip')).toMatchObject({ name: 'Pip' });
    expect(list.find(({ id }) => id === 'pip')?.problem).toMatch(/^It cannot be opened: .*(newer|99)/i);
    expect(list.find(({ id }) => id === 'teasel')?.problem).toMatch(/^It cannot be opened/);
    expect(list.filter(({ massKg }) => massKg !== undefined)).toHaveLength(list.length - 2);
  });

  it('says what is wrong where it is asked for, and is given as the file that it is', async () => {
    for (const path of ['/api/builds/pip', '/api/builds/pip/report', '/api/builds/pip/whole']) {
      const { body } = await server.send('get', path).expect(422);
      expect(body).toMatchObject({ code: 'unreadable-build' });
    }
    const file = await server.send('get', '/api/builds/pip/file').expect(200);
    expect(file.headers['content-disposition']).toContain('pip.zubric.json');
    expect(file.body).toMatchObject({ formatVersion: 99, name: 'Pip' });
    await server.send('get', '/api/builds/no-such/file').expect(404);
  });

  it('is mended by a whole document in its place, its logbook kept', async () => {
    const { body } = await server.send('get', '/api/builds/puffin').expect(200);
    const { document } = body as { document: Build };
    const version = (await lines()).find(({ id }) => id === 'pip')?.version ?? 0;
    await server
      .send('put', '/api/builds/pip')
      .set('If-Match', `"${version}"`)
      .send({ ...document, name: 'Pip, mended' })
      .expect(200);
    expect((await lines()).find(({ id }) => id === 'pip')).toMatchObject({
      name: 'Pip, mended',
      massKg: 178,
    });
    const { body: log } = await server.send('get', '/api/builds/pip/log').expect(200);
    const { entries } = log as { entries: { changes: string[] }[] };
    expect(entries[0]?.changes).toEqual(['Changed, in a form that can no longer be read']);
    expect(entries.length).toBeGreaterThan(1);
  });

  it('can be thrown away and had back', async () => {
    await server.send('put', '/api/builds/teasel/place').send({ place: 'bin' }).expect(204);
    expect((await lines()).some(({ id }) => id === 'teasel')).toBe(false);
    const { body } = await server.send('get', '/api/builds?place=bin').expect(200);
    expect((body as { builds: Line[] }).builds).toMatchObject([{ id: 'teasel' }]);
    await server.send('put', '/api/builds/teasel/place').send({ place: 'bench' }).expect(204);
    expect(await lines()).toHaveLength(readdirSync('data/builds').length);
  });
});

describe('a build with all that belongs to it', () => {
  let server: DemoServer;
  beforeAll(async () => {
    server = await demoServer('whole');
  });
  afterAll(() => server.close());

  const whole = async (id: string): Promise<Record<string, unknown>> =>
    (await server.send('get', `/api/builds/${id}/whole`).expect(200)).body as Record<string, unknown>;

  it('goes out and comes in as it was: logbook, snapshots, trials, photographs', async () => {
    const { body: note } = await server
      .send('post', '/api/builds/puffin/log')
      .send({ note: 'With a picture' })
      .expect(201);
    const red = { r: 200, g: 30, b: 20 };
    const drawn = await sharp({ create: { width: 12, height: 8, channels: 3, background: red } })
      .png()
      .toBuffer();
    await server
      .send('post', `/api/log/${(note as { id: string }).id}/photos`)
      .set('Content-Type', 'image/png')
      .send(drawn)
      .expect(201);
    const out = await whole('puffin');
    const { body } = await server.send('post', '/api/builds/whole').send(out).expect(201);
    const { id } = body as { id: string };
    expect(id).not.toBe('puffin');
    const again = await whole(id);
    // What a set is called within a file is another where it is brought in.
    const setsOf = (file: Record<string, unknown>) =>
      (file.trialSets as Record<string, unknown>[]).map(({ id: _id, ...set }) => set);
    expect(setsOf(out).length).toBeGreaterThan(0);
    expect({ ...again, trialSets: setsOf(again) }).toEqual({ ...out, trialSets: setsOf(out) });
    expect((out.log as unknown[]).length).toBeGreaterThan(5);
    const pictures = (again.log as { photos: { data: string }[] }[]).flatMap(({ photos }) => photos);
    expect(pictures).toHaveLength(1);
    const { data, info } = await sharp(Buffer.from(pictures[0]?.data ?? '', 'base64'))
      .raw()
      .toBuffer({ resolveWithObject: true });
    expect([info.width, info.height, data[0], data[1], data[2]]).toEqual([12, 8, 200, 30, 20]);
    expect((out.snapshots as unknown[]).length).toBe(2);
    const trials = await server.send('get', `/api/builds/${id}/trial-sets`).expect(200);
    const was = await server.send('get', '/api/builds/puffin/trial-sets').expect(200);
    const readings = (answer: unknown): unknown =>
      (answer as { trialSets: { name: string; trials: { reading: unknown }[] }[] }).trialSets.map(
        ({ name, trials: runs }) => [name, runs.map(({ reading }) => reading)],
      );
    expect(readings(trials.body)).toEqual(readings(was.body));
  });

  it('is refused as a whole where a part of it cannot be kept, and leaves nothing behind', async () => {
    const out = await whole('puffin');
    const count = async (): Promise<number> =>
      Number((await server.database.query<{ n: string }[]>('SELECT count(*) AS n FROM build'))[0]?.n);
    const before = await count();
    const log = out.log as Record<string, unknown>[];
    for (const spoilt of [
      { ...out, build: { ...(out.build as object), name: '' } },
      { ...out, version: 2 },
      { ...out, log: [{ ...log[0], kind: 'rumour' }] },
      {
        ...out,
        log: [{ ...log[0], photos: [{ caption: '', createdAt: '2026-01-01T00:00:00Z', data: 'AAAA' }] }],
      },
      { ...out, snapshots: [{ number: 1, name: 'x', createdAt: '2026-01-01T00:00:00Z', document: {} }] },
    ]) {
      const answer = await server.send('post', '/api/builds/whole').send(spoilt);
      expect([415, 422]).toContain(answer.status);
    }
    expect(await count()).toBe(before);
  });
});
