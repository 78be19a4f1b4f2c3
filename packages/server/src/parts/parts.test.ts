import { partAnswerSchema, partsImportSchema, partsSchema, partUsesSchema } from '@zubric/core/answers';
import type { Part } from '@zubric/core/vehicle';
import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { demoServer, type DemoServer } from '../testing/test-server.ts';

const motor = {
  kind: 'motor',
  type: 'brushed',
  name: 'Wiper motor from the drawer',
  massKg: 1.4,
  state: 'on-hand',
  whence: 'salvaged',
  voltageV: 12,
  noLoadRpm: 60,
  noLoadA: 1.5,
  stallTorqueNm: 18,
  stallA: 14,
  continuousA: 3,
  guessed: { stallA: 0.3 },
};

describe('the parts shelf', () => {
  let server: DemoServer;
  beforeAll(async () => {
    server = await demoServer('parts');
  });
  afterAll(() => server.close());

  const listed = async (query = ''): Promise<readonly Part[]> =>
    partsSchema.parse((await server.send('get', `/api/parts${query}`)).body).parts;
  const make = async (more: object = {}) => {
    const { body, headers } = await server.send('post', '/api/parts').send({ ...motor, ...more });
    return { part: partAnswerSchema.parse(body), etag: String(headers.etag) };
  };

  it('takes a part of the builder’s own, gives it an id, and lists it with the others', async () => {
    const before = (await listed('?kind=motor')).length;
    const { part, etag } = await make();
    expect(part).toMatchObject({ ...motor, note: '' });
    expect(etag).toBe('"1"');
    const now = await listed('?kind=motor');
    expect(now).toHaveLength(before + 1);
    expect(now.at(-1)).toEqual(part);
    expect(await listed('?kind=battery')).not.toContainEqual(part);
  });

  it('keeps an id that is given, and refuses one that is taken', async () => {
    await make({ id: 'wiper' });
    const again = await server.send('post', '/api/parts').send({ ...motor, id: 'wiper' });
    expect(again.status).toBe(409);
    expect(again.body).toMatchObject({ code: 'id-taken' });
  });

  it('keeps one photograph of a part, cleaned, and no other file', async () => {
    const { part } = await make();
    const at = `/api/parts/${part.id}/photo`;
    expect((await server.send('get', at)).status).toBe(404);
    const dot = await sharp({ create: { width: 8, height: 6, channels: 3, background: '#804020' } })
      .withExif({ IFD0: { Artist: 'Somebody' } })
      .jpeg()
      .toBuffer();
    const put = (bytes: Buffer) => server.send('put', at).set('Content-Type', 'image/jpeg').send(bytes);
    expect((await put(dot)).status).toBe(204);
    const kept = await server.send('get', at);
    expect([kept.status, kept.headers['content-type']]).toEqual([200, 'image/jpeg']);
    expect((kept.body as Buffer).includes('Somebody')).toBe(false);
    expect((await put(Buffer.from('no picture'))).status).toBe(415);
    expect((await server.send('get', at)).status).toBe(200);
    expect((await server.send('delete', at)).status).toBe(204);
    expect((await server.send('get', at)).status).toBe(404);
    expect(
      (await server.send('put', '/api/parts/no-such/photo').set('Content-Type', 'image/jpeg').send(dot))
        .status,
    ).toBe(404);
  });

  it('tells which builds hold a copy of a part, and whether it is still as on the shelf', async () => {
    const uses = async (id: string) =>
      partUsesSchema.parse((await server.send('get', `/api/parts/${id}/builds`)).body).builds;
    expect(await uses('motor-24v-500w-9')).toEqual([{ id: 'puffin', name: 'Puffin', asOnShelf: true }]);
    const { part, etag } = await make();
    expect(await uses(part.id)).toEqual([]);
    const held = await server.send('get', '/api/parts/motor-24v-500w-9');
    await server
      .send('put', '/api/parts/motor-24v-500w-9')
      .set('If-Match', String(held.headers.etag))
      .send({ ...(held.body as object), stallA: 91 });
    expect(await uses('motor-24v-500w-9')).toEqual([{ id: 'puffin', name: 'Puffin', asOnShelf: false }]);
    expect((await server.send('get', '/api/parts/no-such/builds')).status).toBe(404);
    expect(etag).toBe('"1"');
  });

  it('changes a part over the version that the change started from, and no other', async () => {
    const { part, etag } = await make();
    const at = `/api/parts/${part.id}`;
    const changed = { ...part, name: 'Wiper motor, left' };
    const saved = await server.send('put', at).set('If-Match', etag).send(changed);
    expect([saved.status, saved.headers.etag, saved.body.name]).toEqual([200, '"2"', 'Wiper motor, left']);
    const late = await server.send('put', at).set('If-Match', etag).send(part);
    expect(late.status).toBe(409);
    expect(late.body).toMatchObject({ code: 'stale', version: 2, stored: { name: 'Wiper motor, left' } });
    expect((await server.send('put', at).send(part)).status).toBe(428);
  });

  it('sets a part aside and back, and throws none away', async () => {
    const { part, etag } = await make();
    const at = `/api/parts/${part.id}`;
    expect((await server.send('delete', at).set('If-Match', etag)).status).toBe(204);
    expect(await listed()).not.toContainEqual(part);
    expect(await listed('?place=aside')).toContainEqual(part);
    const { headers } = await server.send('get', at);
    const back = await server
      .send('put', `${at}/place`)
      .set('If-Match', String(headers.etag))
      .send({ place: 'shelf' });
    expect(back.status).toBe(204);
    expect(await listed()).toContainEqual(part);
  });

  it.each([
    [{ stallA: 1 }, /noLoadA/],
    [{ massKg: -1 }, /massKg/],
    [{ name: ' ' }, /name/],
    [{ colour: 'red' }, /colour/],
    [{ voltageV: 'twelve' }, /voltageV/],
  ])('says what is wrong with %j, and keeps nothing of it', async (wrong, where) => {
    const before = await listed();
    const { status, body } = await server.send('post', '/api/parts').send({ ...motor, ...wrong });
    expect(status).toBe(422);
    expect(JSON.stringify(body.problems)).toMatch(where);
    expect(await listed()).toEqual(before);
  });

  it('knows no part of another name, and lets none become another kind', async () => {
    expect((await server.send('get', '/api/parts/no-such')).status).toBe(404);
    expect((await server.send('get', '/api/parts/..%2f')).status).toBe(404);
    const { part, etag } = await make();
    const [battery] = await listed('?kind=battery');
    const other = await server.send('put', `/api/parts/${part.id}`).set('If-Match', etag).send(battery);
    expect([other.status, other.body.code]).toEqual([422, 'other-kind']);
  });
});

describe('tables of parts', () => {
  let server: DemoServer;
  beforeAll(async () => {
    server = await demoServer('tables');
  });
  afterAll(() => server.close());

  const HEAD = 'kind,name,type,massKg,voltageV,noLoadRpm,noLoadA,stallTorqueNm,stallA,continuousA';
  const row = (name: string, volts = '12'): string => `motor,${name},brushed,1,${volts},3000,0.5,1,20,4`;
  const send = (body: string | Buffer, query = '') =>
    server.send('post', `/api/parts/import${query}`).set('Content-Type', 'text/csv').send(body);
  const count = async (): Promise<number> =>
    partsSchema.parse((await server.send('get', '/api/parts')).body).parts.length;

  it('go out with every part, and would come in with none of them anew', async () => {
    const out = await server.send('get', '/api/parts.csv');
    expect(out.headers['content-type']).toMatch(/^text\/csv/);
    const { body } = await send(out.text, '?preview=1');
    const read = partsImportSchema.parse(body);
    expect(read.good).toBe(0);
    expect(read.bad).toHaveLength(await count());
    expect(read.bad[0]?.problems[0]).toMatch(/already/);
  });

  it('of 5,000 rows of which 50 are bad bring in 4,950, and name the 50; a preview brings in none', async () => {
    const before = await count();
    const rows = Array.from({ length: 5000 }, (_, n) => row(`Motor ${n}`, n % 100 === 7 ? 'twelve' : '12'));
    const text = [HEAD, ...rows].join('\r\n');
    const preview = partsImportSchema.parse((await send(text, '?preview=1')).body);
    expect([preview.good, preview.bad.length, await count()]).toEqual([4950, 50, before]);
    expect(preview.parts[0]).toMatchObject({ name: 'Motor 0', voltageV: 12 });
    const { good, bad } = partsImportSchema.parse((await send(text)).body);
    expect([good, bad.length, await count()]).toEqual([4950, 50, before + 4950]);
    expect(bad[0]).toMatchObject({ line: 9, problems: [expect.stringMatching(/^voltageV: "twelve"/)] });
  });

  it('come in from a table of other headings, once it is told what they are', async () => {
    const table = 'Article,Weight (g)\nFlanged bush,12\n';
    const first = partsImportSchema.parse((await send(table, '?preview=1')).body);
    expect(first.columns.map(({ heading, key }) => [heading, key])).toEqual([
      ['Article', null],
      ['Weight (g)', null],
    ]);
    expect([first.good, first.bad[0]?.line]).toEqual([0, 1]);
    const columns = encodeURIComponent(JSON.stringify({ Article: 'name', 'Weight (g)': 'massKg' }));
    const told = partsImportSchema.parse(
      (await send(table, `?preview=1&kind=spacer&columns=${columns}`)).body,
    );
    expect(told.parts).toMatchObject([{ kind: 'spacer', name: 'Flanged bush', massKg: 0.012 }]);
    const wrong = await send(table, '?preview=1&columns=none');
    expect(wrong.status).toBe(422);
    expect(JSON.stringify(wrong.body)).toContain('this is JSON');
  });

  it('come in as JSON too', async () => {
    const { body } = await server.send('post', '/api/parts/import').send([motor, { ...motor, stallA: 1 }]);
    expect(partsImportSchema.parse(body)).toMatchObject({ good: 1, bad: [{ line: 2 }] });
  });

  it.each([
    ['nothing at all', '', 422],
    ['a table of something else', 'a,b\n1,2', 422],
    ['one that is cut off', `${HEAD}\nmotor,"cut`, 422],
    ['another encoding', Buffer.from(`${HEAD}\n${row('M\u00fcller')}`, 'latin1'), 422],
    ['50 MB', `${HEAD}\n${row('x'.repeat(50_000_000))}`, 413],
  ] as const)(
    'that are %s are refused with a sentence, and nothing of them is kept',
    async (_, body, status) => {
      const before = await count();
      const refused = await send(body);
      expect(refused.status).toBe(status);
      expect(String(refused.body.title)).toMatch(/^[A-Z].{15,}\.$/);
      expect(await count()).toBe(before);
    },
  );
});
