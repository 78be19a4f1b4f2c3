import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { demoServer, type DemoServer } from '../testing/test-server.ts';

interface SetBody {
  readonly id: string;
  readonly version: number;
  readonly trials: readonly { readonly id: string; readonly ordinal: number; readonly reading: unknown }[];
}

const length = (value: number) => ({ value, unit: 'mm', origin: 'measured' });
const reading = (side: number) => ({ side: length(side), distance: length(2.9), note: '' });
const conditions = { floor: 'pond liner', commanded: { value: 3, unit: 'm', origin: 'typed' }, note: '' };

describe('trials', () => {
  let server: DemoServer;
  beforeAll(async () => {
    server = await demoServer('trials');
  });
  afterAll(() => server.close());

  const sets = async (): Promise<SetBody[]> =>
    ((await server.send('get', '/api/builds/puffin/trial-sets').expect(200)).body as { trialSets: SetBody[] })
      .trialSets;
  const newSet = async (): Promise<SetBody> => {
    const body = { protocol: 'straight-run', name: 'Liner', conditions };
    return (await server.send('post', '/api/builds/puffin/trial-sets').send(body).expect(201))
      .body as SetBody;
  };
  const record = (setId: string, id: string, body: unknown) =>
    server.send('put', `/api/trial-sets/${setId}/trials/${id}`).send(body as object);

  it('come with the demo, marked as invented', async () => {
    const [first] = await sets();
    expect(first).toMatchObject({ invented: true, protocol: 'straight-run' });
    expect(first?.trials).toHaveLength(10);
  });

  it('are recorded in order and found again', async () => {
    const { id } = await newSet();
    for (const n of [1, 2, 3]) await record(id, `run-number-${n}`, { reading: reading(n / 100) }).expect(200);
    const found = (await sets()).find((s) => s.id === id);
    expect(found?.trials.map((t) => t.ordinal)).toEqual([1, 2, 3]);
    expect(found?.trials[2]?.reading).toEqual(reading(0.03));
  });

  it('count a run sent twice once, and runs sent together each once', async () => {
    const { id } = await newSet();
    await record(id, 'sent-twice', { reading: reading(0.01) }).expect(200);
    await record(id, 'sent-twice', { reading: reading(0.01) }).expect(200);
    await Promise.all(
      Array.from({ length: 6 }, (_, n) => record(id, `together-${n}`, { reading: reading(0) }).expect(200)),
    );
    const found = (await sets()).find((s) => s.id === id);
    expect(found?.trials.map((t) => t.ordinal)).toEqual([1, 2, 3, 4, 5, 6, 7]);
  });

  it('refuse readings that are none, sets of no build and of no protocol', async () => {
    const { id } = await newSet();
    await record(id, 'bad-reading', { reading: { ...reading(0), side: length(NaN) } }).expect(422);
    await record(id, 'short', { reading: reading(0) }).expect(422);
    await record('no-such-set', 'run-number-1', { reading: reading(0) }).expect(404);
    const body = { protocol: 'straight-run', name: 'Liner', conditions };
    await server.send('post', '/api/builds/no-such/trial-sets').send(body).expect(404);
    await server
      .send('post', '/api/builds/puffin/trial-sets')
      .send({ ...body, protocol: 'loop' })
      .expect(422);
    await server
      .send('post', '/api/builds/puffin/trial-sets')
      .send({ ...body, name: ' ' })
      .expect(422);
  });

  it('keep their conditions by version', async () => {
    const { id } = await newSet();
    const change = (version: number, name: string) =>
      server.send('put', `/api/trial-sets/${id}`).set('If-Match', `"${version}"`).send({ name, conditions });
    await change(1, 'Liner, wet').expect(200);
    await change(1, 'Liner, dry').expect(409);
    expect((await sets()).find((s) => s.id === id)).toMatchObject({ name: 'Liner, wet', version: 2 });
  });

  it('can be taken out one by one', async () => {
    const { id } = await newSet();
    await record(id, 'run-number-1', { reading: reading(0) }).expect(200);
    await server.send('delete', `/api/trial-sets/${id}/trials/run-number-1`).expect(204);
    await server.send('delete', `/api/trial-sets/${id}/trials/run-number-1`).expect(404);
  });
});
