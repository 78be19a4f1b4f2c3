import { readFileSync } from 'node:fs';
import type { Build } from '@zubric/core/vehicle';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { demoServer, type DemoServer } from '../testing/test-server.ts';

interface Stored {
  readonly id: string;
  readonly version: number;
  readonly document: Build;
}

/** A file as it was written when the format was its first. */
const formatOne = (): unknown =>
  JSON.parse(readFileSync('packages/core/src/vehicle/fixtures/format-1.zubric.json', 'utf8'));

describe('builds', () => {
  let server: DemoServer;
  beforeAll(async () => {
    server = await demoServer('builds');
  });
  afterAll(() => server.close());

  const puffin = async (): Promise<Stored> => (await server.send('get', '/api/builds/puffin')).body as Stored;
  const create = async (name: string): Promise<Stored> =>
    (await server.send('post', '/api/builds').send({ name }).expect(201)).body as Stored;
  const save = (id: string, version: number | undefined, document: unknown) => {
    const call = server.send('put', `/api/builds/${id}`);
    return (version === undefined ? call : call.set('If-Match', `"${version}"`)).send(document as object);
  };

  it('list the demo with what governs it', async () => {
    const { body } = await server.send('get', '/api/builds').expect(200);
    const { builds } = body as { builds: { id: string }[] };
    expect(builds.map(({ id }) => id).sort()).toEqual([
      'glasshouse-rail',
      'moth',
      'pip',
      'puffin',
      'sanderling',
      'teasel',
      'whimbrel',
    ]);
    expect(builds.find(({ id }) => id === 'puffin')).toMatchObject({
      name: 'Puffin',
      massKg: 178,
      worst: { link: 'torque', duty: 'Start on the slip' },
    });
    // 168 kg of float, 37 kg of lanterns and a steward of 75 kg.
    expect(builds.find(({ id }) => id === 'moth')).toMatchObject({ massKg: 280 });
  });

  it('give the same report as the core: 411.0 N on the slip', async () => {
    const { body } = await server.send('get', '/api/builds/puffin/report').expect(200);
    const { duties } = body as { duties: { id: string; resistance: { totalN: number } }[] };
    expect(Math.abs((duties.find((d) => d.id === 'slip-loaded')?.resistance.totalN ?? 0) - 411)).toBeLessThan(
      0.1,
    );
  });

  it('begin with a name or a whole document, and come back as they were', async () => {
    const made = await create('Gull');
    const { document } = await puffin();
    const copy = await server.send('post', '/api/builds').send({ document }).expect(201);
    expect(copy.headers.etag).toBe('"1"');
    expect((copy.body as Stored).document).toEqual(document);
    const again = await server.send('get', `/api/builds/${made.id}`).expect(200);
    expect((again.body as Stored).document.name).toBe('Gull');
  });

  it('refuse a nameless one and a broken one, path by path', async () => {
    await server.send('post', '/api/builds').send({ name: '  ' }).expect(422);
    const { document } = await puffin();
    const bad = await server
      .send('post', '/api/builds')
      .send({ document: { ...document, name: '' } })
      .expect(422);
    expect(bad.type).toBe('application/problem+json');
    expect(bad.body).toMatchObject({ code: 'invalid-build', problems: [{ path: 'name' }] });
  });

  it('save over the version that the change started from, and count up', async () => {
    const { id, version, document } = await create('Tern');
    const saved = await save(id, version, { ...document, purpose: 'tug' }).expect(200);
    expect(saved.headers.etag).toBe('"2"');
    const { body } = await server.send('get', `/api/builds/${id}`);
    expect(body).toMatchObject({ version: 2, document: { purpose: 'tug' } });
  });

  it('refuse a stale save with both documents, and change nothing', async () => {
    const { id, document } = await create('Crake');
    await save(id, 1, { ...document, purpose: 'first' }).expect(200);
    const stale = await save(id, 1, { ...document, purpose: 'second' }).expect(409);
    expect(stale.body).toMatchObject({
      code: 'stale',
      version: 2,
      stored: { purpose: 'first' },
      sent: { purpose: 'second' },
    });
    const { body } = await server.send('get', `/api/builds/${id}`);
    expect((body as Stored).document.purpose).toBe('first');
  });

  it('let one of many saves at once win and tell the others', async () => {
    const { id, document } = await create('Dunlin');
    const answers = await Promise.all(
      Array.from({ length: 8 }, (_, n) => save(id, 1, { ...document, purpose: `try ${n}` })),
    );
    expect(answers.filter((a) => a.status === 200)).toHaveLength(1);
    expect(answers.filter((a) => a.status === 409)).toHaveLength(7);
  });

  it('want a version, a readable one, and a build that exists', async () => {
    const { document } = await puffin();
    await save('puffin', undefined, document).expect(428);
    await server.send('put', '/api/builds/puffin').set('If-Match', 'latest').send(document).expect(400);
    await save('no-such', 1, document).expect(404);
    await server.send('get', '/api/builds/no-such').expect(404);
  });

  it('keep letters out of numbers', async () => {
    const { document, version } = await puffin();
    const dragArea = { ...document.dragArea, value: 'wide' };
    const refused = await save('puffin', version, { ...document, dragArea }).expect(422);
    expect(refused.body).toMatchObject({ problems: [{ path: 'dragArea.value' }] });
  });

  it('begin from a template, and refuse one that does not exist', async () => {
    const made = await server
      .send('post', '/api/builds')
      .send({ name: 'Tug', template: 'yard-tug' })
      .expect(201);
    const { document } = made.body as Stored;
    // A fifth of its own weight of 40 kg, to two figures.
    expect(document.duties.map((d) => d.drawbar.value)).toEqual([78, 0]);
    const begun = await server.send('post', '/api/builds').send({ document, begun: true }).expect(201);
    const { id } = begun.body as Stored & { readonly id: string };
    const log = await server.send('get', `/api/builds/${id}/log`).expect(200);
    expect(JSON.stringify(log.body)).toContain('Begun');
    await server.send('post', '/api/builds').send({ name: 'Tug', template: 'none' }).expect(422);
  });

  it('are set aside, thrown away and had back, with nothing of them lost', async () => {
    const { id, document } = await create('Wren');
    const lying = async (place: string): Promise<boolean> => {
      const { body } = await server.send('get', `/api/builds?place=${place}`).expect(200);
      return (body as { builds: { id: string }[] }).builds.some((b) => b.id === id);
    };
    const put = (place: string) => server.send('put', `/api/builds/${id}/place`).send({ place });
    await put('archive').expect(204);
    expect([await lying('bench'), await lying('archive')]).toEqual([false, true]);
    await server.send('get', `/api/builds/${id}`).expect(200);
    await put('bin').expect(204);
    expect([await lying('archive'), await lying('bin')]).toEqual([false, true]);
    await server.send('get', `/api/builds/${id}`).expect(404);
    await save(id, 1, document).expect(404);
    await put('bench').expect(204);
    expect(await lying('bench')).toBe(true);
    const { body } = await server.send('get', `/api/builds/${id}`).expect(200);
    expect((body as Stored).document).toEqual(document);
    await put('attic').expect(422);
    await server.send('put', '/api/builds/nothing/place').send({ place: 'bin' }).expect(404);
    await server.send('get', '/api/builds?place=attic').expect(422);
  });

  it('of format 1 in the database are read and saved on in the format of today', async () => {
    await server.database.query('INSERT INTO build (id, name, document) VALUES ($1, $2, $3)', [
      'old-one',
      'Old one',
      JSON.stringify(formatOne()),
    ]);
    const { body } = await server.send('get', '/api/builds/old-one').expect(200);
    expect((body as Stored).document.formatVersion).toBe(6);
    await server.send('get', '/api/builds').expect(200);
    await save('old-one', 1, { ...(body as Stored).document, purpose: 'now' }).expect(200);
  });

  it('come in from a file of an older format, and its name is noted', async () => {
    const made = await server
      .send('post', '/api/builds')
      .send({ document: formatOne(), file: 'old.zubric.json' })
      .expect(201);
    const { body } = await server.send('get', `/api/builds/${(made.body as Stored).id}/log`).expect(200);
    expect(body).toMatchObject({ entries: [{ title: 'Brought in from the file “old.zubric.json”' }] });
  });
});
