import { createServer, type Server } from 'node:http';
import type { Devices, Me, PairingCode } from '@zubric/core/answers';
import { pino } from 'pino';
import request from 'supertest';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { makeApp } from '../app.ts';
import { demoServer } from '../testing/test-server.ts';
import { networkDoor } from './door.ts';

const KEY = 'b2'.repeat(24);
const SECURE = 'https://zubric.club.example';
/** As good as an address of the network: this machine has it, and it is not the one that only this machine reaches. */
const NETWORK = '127.0.0.2';

/** An application that listens at this machine's own address and, once it is opened, at another. */
async function openable(name: string) {
  const base = await demoServer(name);
  const servers: Server[] = [];
  const portOf = (server: Server | undefined): number => {
    const address = server?.address();
    return typeof address === 'object' && address ? address.port : 0;
  };
  const door = networkDoor({
    host: NETWORK,
    port: () => portOf(servers[0]),
    serve: () => createServer(app),
  });
  const app = makeApp({
    database: base.database,
    log: pino({ enabled: false }),
    hosts: () => [`127.0.0.1:${portOf(servers[0])}`, ...door.addresses()],
    token: KEY,
    door,
    secure: SECURE,
  });
  const own = createServer(app);
  servers.push(own);
  await new Promise<void>((resolve) => own.listen(0, '127.0.0.1', resolve));
  const port = portOf(own);
  const here = (method: 'get' | 'post' | 'put' | 'delete', path: string) =>
    request(`http://127.0.0.1:${port}`)[method](path).set('Authorization', `Bearer ${KEY}`);
  const there = (method: 'get' | 'post' | 'put' | 'delete', path: string, cookie = '') =>
    request(`http://${NETWORK}:${port}`)[method](path).set('Cookie', cookie);
  const code = async (role: string): Promise<PairingCode> =>
    (await here('post', '/api/devices/codes').send({ role }).expect(201)).body as PairingCode;
  /** A device that is let in: its cookie. */
  const letIn = async (role: string, called: string): Promise<string> => {
    const { headers } = await there('post', '/api/pair')
      .send({ code: (await code(role)).code, name: called })
      .expect(201);
    const [cookie = ''] = headers['set-cookie'] as unknown as string[];
    return cookie.split(';')[0] ?? '';
  };
  return {
    ...{ base, port, here, there, code, letIn },
    list: async () => (await here('get', '/api/devices').expect(200)).body as Devices,
    forget: () => base.database.query('DELETE FROM pairing_attempt'),
    close: async () => {
      await door.close();
      await new Promise((resolve) => own.close(resolve));
      await base.close();
    },
  };
}

describe('the way in from the network', () => {
  let zubric: Awaited<ReturnType<typeof openable>>;
  beforeAll(async () => {
    zubric = await openable('door');
  });
  afterAll(() => zubric.close());

  it('is closed until it is opened, and closed again at will', async () => {
    expect((await zubric.list()).door).toEqual({ open: false, addresses: [], secure: SECURE });
    await expect(zubric.there('get', '/healthz')).rejects.toThrow(/ECONNREFUSED/);
    await zubric.here('put', '/api/devices/door').send({ open: true }).expect(204);
    expect((await zubric.list()).door).toMatchObject({
      open: true,
      addresses: [`${NETWORK}:${zubric.port}`],
    });
    await zubric.there('get', '/healthz').expect(200);
    await zubric.there('get', '/api/builds').expect(401);
    await zubric.here('put', '/api/devices/door').send({ open: false }).expect(204);
    await expect(zubric.there('get', '/healthz')).rejects.toThrow(/ECONNREFUSED/);
    await zubric.here('put', '/api/devices/door').send({ open: true }).expect(204);
  });

  it('says where it cannot be opened', async () => {
    const door = networkDoor({ host: '203.0.113.9', port: () => zubric.port, serve: () => createServer() });
    await expect(door.open()).rejects.toThrow(
      /203\.0\.113\.9: set ZUBRIC_HOST to an address of this machine/,
    );
    expect(door.addresses()).toEqual([]);
  });

  it('does not take the key of the installation: that is for this machine alone', async () => {
    await zubric.there('get', '/api/builds').set('Authorization', `Bearer ${KEY}`).expect(401);
    await zubric.there('get', '/api/builds', `zubric-key-${zubric.port}=${KEY}`).expect(401);
    await zubric.here('get', '/api/builds').expect(200);
  });

  it('answers to the addresses in use and to no other host or origin', async () => {
    const cookie = await zubric.letIn('look', 'Host');
    const ask = () => zubric.there('get', '/api/builds', cookie);
    await ask().expect(200);
    await ask().set('Host', 'evil.example').expect(403);
    await ask().set('Host', `192.0.2.77:${zubric.port}`).expect(403);
    await ask().set('Origin', `http://${NETWORK}:${zubric.port}`).expect(200);
    await ask().set('Origin', 'http://evil.example').expect(403);
    await ask().set('Sec-Fetch-Site', 'cross-site').expect(403);
  });

  it('stands behind TLS at the address of its proxy, with a cookie that never goes without', async () => {
    const { code } = await zubric.code('record');
    const proxied = (method: 'get' | 'post', path: string) =>
      zubric
        .here(method, path)
        .unset('Authorization')
        .set('Host', 'zubric.club.example')
        .set('X-Forwarded-Proto', 'https')
        .set('X-Forwarded-For', '198.51.100.7');
    const { headers } = await proxied('post', '/api/pair')
      .set('Origin', SECURE)
      .send({ code, name: 'Over TLS' })
      .expect(201);
    expect(String(headers['set-cookie'])).toMatch(/HttpOnly; Secure; SameSite=Strict/);
    const cookie = String(headers['set-cookie']).split(';')[0] ?? '';
    await proxied('get', '/api/builds').set('Cookie', cookie).expect(200);
    await proxied('get', '/api/builds')
      .set('Cookie', cookie)
      .set('Origin', 'http://zubric.club.example')
      .expect(403);
    expect((await zubric.list()).attempts[0]).toMatchObject({ address: '198.51.100.7', outcome: 'let-in' });
  });
});

describe('a code', () => {
  let zubric: Awaited<ReturnType<typeof openable>>;
  beforeAll(async () => {
    zubric = await openable('codes');
    await zubric.here('put', '/api/devices/door').send({ open: true }).expect(204);
  });
  afterAll(() => zubric.close());
  const show = (code: string, name = 'Phone') => zubric.there('post', '/api/pair').send({ code, name });

  it('lets one device in, once, under a name of its own and for two minutes', async () => {
    await zubric.forget();
    const { code, links, expiresAt } = await zubric.code('record');
    const left = (Date.parse(expiresAt) - Date.now()) / 1000;
    expect(left).toBeGreaterThan(110);
    expect(left).toBeLessThanOrEqual(121);
    expect(links).toEqual([`${SECURE}/pair#${code}`, `http://${NETWORK}:${zubric.port}/pair#${code}`]);
    const { body } = await show(`${code.slice(0, 4).toLowerCase()}-${code.slice(4)} `).expect(201);
    expect(body).toMatchObject({ own: false, name: 'Phone', role: 'record' });
    // Replayed, by the same or by another.
    expect((await show(code).expect(403)).body).toMatchObject({ code: 'code-used' });
    await show((await zubric.code('look')).code).expect(201);
    expect((await zubric.list()).devices.map(({ name, role }) => `${name}: ${role}`)).toEqual([
      'Phone: record',
      'Phone 2: look',
    ]);
  });

  it('is over after its time, and as soon as another is asked for', async () => {
    await zubric.forget();
    const first = await zubric.code('look');
    const second = await zubric.code('look');
    expect((await show(first.code).expect(403)).body).toMatchObject({ code: 'code-expired' });
    await zubric.base.database.query("UPDATE pairing_code SET expires_at = now() - interval '1 second'");
    expect((await show(second.code).expect(403)).body).toMatchObject({ code: 'code-expired' });
  });

  it('is not guessed: five tries from an address, fifty in all, and it is told', async () => {
    await zubric.forget();
    const { code } = await zubric.code('everything');
    for (let n = 0; n < 5; n++)
      expect((await show(`WRONG${n}22`).expect(403)).body).toMatchObject({ code: 'code-wrong' });
    const held = await show(code).expect(429);
    expect(held.headers['retry-after']).toBe('600');
    expect((await zubric.list()).attempts[0]).toMatchObject({ outcome: 'too-many', address: '127.0.0.1' });
    const { body } = await zubric.here('get', '/api/state').expect(200);
    expect(String(body.notices)).toMatch(/Somebody at 127\.0\.0\.1 guessed at codes .* held back 1 times/);
    // From ten addresses five each: the eleventh is not looked at, though it is right.
    await zubric.base.database.query(
      "INSERT INTO pairing_attempt (address, outcome, name) SELECT '198.51.100.' || n / 5, 'wrong', 'x' FROM generate_series(0, 49) AS n",
    );
    await zubric.base.database.query('DELETE FROM pairing_attempt WHERE address = $1', ['127.0.0.1']);
    await show(code).expect(429);
    await zubric.forget();
    await show(code).expect(201);
  });

  it('guessed at from many connections at once is not looked at more often', async () => {
    await zubric.forget();
    await zubric.code('everything');
    const answers = await Promise.all(Array.from({ length: 24 }, (_, n) => show(`GUESS${n}`)));
    expect(answers.filter(({ status }) => status === 403)).toHaveLength(5);
    expect(answers.filter(({ status }) => status === 429)).toHaveLength(19);
    await zubric.forget();
  });

  it('guessed at for hours fills no disk: so many tries are noted in ten minutes', async () => {
    await zubric.forget();
    await zubric.base.database.query(
      "INSERT INTO pairing_attempt (address, outcome, name) SELECT '127.0.0.1', CASE WHEN n < 5 THEN 'wrong' ELSE 'too-many' END, 'x' FROM generate_series(0, 104) AS n",
    );
    for (let n = 0; n < 3; n++) await show('GUESSED2').expect(429);
    const [{ noted }] = await zubric.base.database.query<[{ noted: number }]>(
      'SELECT count(*)::int AS noted FROM pairing_attempt',
    );
    expect(noted).toBe(105);
    await zubric.forget();
  });

  it('shown by two at once lets one in', async () => {
    const { code } = await zubric.code('look');
    const answers = await Promise.all([show(code, 'One'), show(code, 'Two')]);
    expect(answers.map(({ status }) => status).sort()).toEqual([201, 403]);
  });

  it('is kept as a hash, like every key', async () => {
    const { code } = await zubric.code('look');
    const { headers } = await show(code, 'Hashed').expect(201);
    const key = /=([^;]+)/.exec(String(headers['set-cookie']))?.[1] ?? '';
    const rows = await zubric.base.database.query<object[]>(
      "SELECT encode(code_hash, 'escape') AS it FROM pairing_code UNION ALL SELECT encode(key_hash, 'escape') FROM device UNION ALL SELECT name FROM pairing_attempt",
    );
    expect(rows.length).toBeGreaterThan(3);
    expect(JSON.stringify(rows)).not.toContain(code);
    expect(JSON.stringify(rows)).not.toContain(key);
  });
});

describe('a device', () => {
  let zubric: Awaited<ReturnType<typeof openable>>;
  let [look, record, everything] = ['', '', ''];
  beforeAll(async () => {
    zubric = await openable('roles');
    await zubric.here('put', '/api/devices/door').send({ open: true }).expect(204);
    look = await zubric.letIn('look', 'Looker');
    record = await zubric.letIn('record', 'Recorder');
    everything = await zubric.letIn('everything', 'Trusted');
  });
  afterAll(() => zubric.close());

  it('knows its name and role, and no more of the machine than it needs', async () => {
    const { body } = await zubric.there('get', '/api/me', record).expect(200);
    expect(body).toMatchObject({ own: false, name: 'Recorder', role: 'record' } satisfies Partial<Me>);
    expect((await zubric.here('get', '/api/me').expect(200)).body).toMatchObject({ own: true, name: '' });
    expect((await zubric.there('get', '/api/state', record).expect(200)).body).toMatchObject({ notices: [] });
  });

  it('lets nobody in and sends nobody away, whatever its role', async () => {
    for (const cookie of [look, record, everything]) {
      for (const path of ['/api/devices', '/API/DEVICES', '/api/devices/']) {
        await zubric.there('get', path, cookie).expect(403);
      }
      await zubric.there('post', '/api/devices/codes', cookie).send({ role: 'everything' }).expect(403);
      await zubric.there('put', '/api/devices/door', cookie).send({ open: true }).expect(403);
      const [device] = (await zubric.list()).devices;
      await zubric.there('delete', `/api/devices/${device?.id}`, cookie).expect(403);
      await zubric
        .there('put', `/api/devices/${device?.id}`, cookie)
        .send({ name: 'Looker', role: 'everything' })
        .expect(403);
    }
  });

  it.each([
    ['put', '/api/builds/puffin/steps/weigh', { doneOn: '2026-12-01' }, 'record'],
    ['post', '/api/builds/puffin/log', { note: 'Wheels on.' }, 'record'],
    ['post', '/api/builds/puffin/trial-sets', {}, 'record'],
    ['put', '/api/builds/puffin', {}, 'everything'],
    ['PUT' as 'put', '/api/BUILDS/puffin', {}, 'everything'],
    ['put', '/api/builds/puffin/', {}, 'everything'],
    ['post', '/api/builds', { name: 'Mine' }, 'everything'],
    ['put', '/api/builds/puffin/place', { place: 'bin' }, 'everything'],
    ['put', '/api/builds/puffin/lock', { event: 'x' }, 'everything'],
    ['post', '/api/builds/puffin/snapshots', { name: 'x' }, 'everything'],
    ['post', '/api/parts', {}, 'everything'],
    ['post', '/api/parts/import', {}, 'everything'],
    ['put', '/api/meter', {}, 'everything'],
    ['delete', '/api/log/nothing-here', undefined, 'everything'],
    ['delete', '/api/photos/nothing-here', undefined, 'everything'],
  ] as const)('%s %s %j is for the role %#', async (verb, path, body, least) => {
    const method = verb.toLowerCase() as 'put';
    const send = async (cookie: string): Promise<number> =>
      (await zubric.there(method, path, cookie).send(body as object)).status;
    expect(await send(look)).toBe(403);
    if (least === 'everything') expect(await send(record)).toBe(403);
    else expect(await send(record)).not.toBe(403);
  });

  it('may look at all builds, and reckon without keeping', async () => {
    await zubric.there('get', '/api/builds/puffin', look).expect(200);
    await zubric.there('get', '/api/builds/puffin/log', look).expect(200);
    await zubric.there('put', '/api/builds/puffin/company', look).send({ station: 'brief' }).expect(200);
  });

  it('is given another role or name at once, and is sent away at once', async () => {
    const cookie = await zubric.letIn('look', 'Passing');
    const id = (await zubric.list()).devices.find(({ name }) => name === 'Passing')?.id ?? '';
    await zubric.there('post', '/api/builds/puffin/log', cookie).send({ note: 'x' }).expect(403);
    await zubric.here('put', `/api/devices/${id}`).send({ name: 'Staying', role: 'record' }).expect(204);
    await zubric.there('post', '/api/builds/puffin/log', cookie).send({ note: 'By the door.' }).expect(201);
    await zubric.here('delete', `/api/devices/${id}`).expect(204);
    await zubric.there('get', '/api/builds', cookie).expect(401);
    await zubric.here('delete', `/api/devices/${id}`).expect(404);
    // What it wrote keeps its name.
    const { body } = await zubric.here('get', '/api/builds/puffin/log').expect(200);
    expect(body.entries[0]).toMatchObject({ by: 'Staying', note: 'By the door.' });
  });
});
