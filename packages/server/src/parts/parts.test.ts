import { partAnswerSchema, partsSchema } from '@zubric/core/answers';
import type { Part } from '@zubric/core/vehicle';
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
