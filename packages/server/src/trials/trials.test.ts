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

  const begin = async (buildId: string, body: object): Promise<SetBody> =>
    (await server.send('post', `/api/builds/${buildId}/trial-sets`).send(body).expect(201)).body as SetBody;

  it('hold what their protocol asks, and say what to change where they do not', async () => {
    const motors = {
      motors: ['1', '2'],
      powers: [{ value: 1, unit: '%', origin: 'typed' }],
      ways: 'forward',
      reads: 'speed',
    };
    const { id } = await begin('pip', { protocol: 'motor-matching', name: 'Drawer', conditions: motors });
    const speed = { value: 300, unit: 'rpm', origin: 'measured' };
    const run = { motor: '1', power: motors.powers[0], way: 'forward', speed };
    await record(id, 'run-number-1', { reading: run }).expect(200);
    const { speed: _speed, ...without } = run;
    const refused = await record(id, 'run-number-2', { reading: without }).expect(422);
    expect(JSON.stringify(refused.body)).toContain('reading.speed');
    await record(id, 'run-number-3', { reading: { ...run, side: speed } }).expect(422);
    const twice = { ...motors, motors: ['1', '1'] };
    await server
      .send('post', '/api/builds/pip/trial-sets')
      .send({ protocol: 'motor-matching', name: 'Drawer', conditions: twice })
      .expect(422);
  });

  it('note themselves in the logbook: one entry a set, said anew with each run, none before the first', async () => {
    const entries = async () =>
      (
        (await server.send('get', '/api/builds/whimbrel/log').expect(200)).body as {
          entries: { kind: string; title: string }[];
        }
      ).entries.filter(({ kind }) => kind === 'trial');
    const { id } = await begin('whimbrel', { protocol: 'straight-run', name: 'Aisle', conditions });
    expect(await entries()).toEqual([]);
    await record(id, 'run-number-1', { reading: reading(0.01) }).expect(200);
    expect((await entries()).map(({ title }) => title)).toEqual(['Aisle: 9 more runs make a verdict.']);
    for (let n = 2; n <= 10; n++)
      await record(id, `run-number-${n}`, { reading: reading(0.05 + n / 1000) }).expect(200);
    const [entry, ...others] = await entries();
    expect(others).toEqual([]);
    expect(entry?.title).toMatch(/^Aisle: It veers to the right: /);
    await server.send('delete', `/api/trial-sets/${id}/trials/run-number-10`).expect(204);
    expect((await entries())[0]?.title).toBe('Aisle: 1 more run makes a verdict.');
  });

  it('keep a decision with what led to it', async () => {
    const { id } = await begin('moth', {
      protocol: 'diagnosis',
      name: 'Chain',
      conditions: { symptom: 'chain-off' },
    });
    await record(id, 'answer-number-1', { reading: { step: 'edge', answer: 'yes' } }).expect(200);
    await record(id, 'answer-number-2', { reading: { step: 'decided', answer: 'line' } }).expect(200);
    const { entries } = (await server.send('get', '/api/builds/moth/log').expect(200)).body as {
      entries: { title: string; changes: string[] }[];
    };
    const entry = entries.find(({ title }) => title.startsWith('Chain: '));
    expect(entry?.title).toBe('Chain: Decided: The sprockets are out of line.');
    expect(entry?.changes.join(' ')).toContain('Lay a straight edge along both sprockets. Then first: line');
  });

  it('of a class are found over all builds on the bench, by the name of each', async () => {
    const group = { ...conditions, group: 'Marsh class' };
    for (const build of ['puffin', 'pip'])
      await begin(build, { protocol: 'straight-run', name: 'Hall', conditions: group });
    const groups = async () =>
      (
        (await server.send('get', '/api/trial-sets').expect(200)).body as {
          trialSets: { buildName: string }[];
        }
      ).trialSets;
    expect((await groups()).map(({ buildName }) => buildName)).toEqual(['Puffin', 'Pip']);
    await server.send('put', '/api/builds/pip/place').send({ place: 'bin' });
    const left = await groups();
    expect(left.some(({ buildName }) => buildName === 'Puffin')).toBe(true);
  });

  it('of every kind go out with a build as a whole, and come in again', async () => {
    const whole = (await server.send('get', '/api/builds/puffin/whole').expect(200)).body as {
      trialSets: object[];
    };
    const back = (await server.send('post', '/api/builds/whole').send(whole).expect(201)).body as {
      id: string;
    };
    const again = (await server.send('get', `/api/builds/${back.id}/whole`).expect(200)).body as {
      trialSets: object[];
    };
    const bare = (sets: readonly object[]) => sets.map((set) => ({ ...set, id: undefined }));
    expect(bare(again.trialSets)).toEqual(bare(whole.trialSets));
  });
});
