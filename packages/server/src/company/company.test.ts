import type { Company, LogPage, StoredBuild, TrialSets } from '@zubric/core/answers';
import type { Build } from '@zubric/core/vehicle';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { deviceStore } from '../devices/store.ts';
import { demoServer, type DemoServer } from '../testing/test-server.ts';

let server: DemoServer;
beforeAll(async () => {
  server = await demoServer('company');
});
afterAll(() => server.close());

/** A device that was let in: requests that carry its key. */
async function device(name: string, role: 'look' | 'record' | 'everything' = 'record') {
  const devices = deviceStore(server.database.manager);
  const { code } = await devices.makeCode(role);
  const letIn = await devices.letIn(code, name, 'test');
  if (letIn.outcome !== 'let-in') throw new Error(letIn.outcome);
  return (method: 'get' | 'post' | 'put' | 'delete', path: string) =>
    server.send(method, path).set('Authorization', `Bearer ${letIn.key}`);
}

const build = async (id = 'puffin'): Promise<StoredBuild> =>
  (await server.send('get', `/api/builds/${id}`).expect(200)).body as StoredBuild;
const log = async (id = 'puffin'): Promise<LogPage> =>
  (await server.send('get', `/api/builds/${id}/log`).expect(200)).body as LogPage;
const doneOn = (document: Build, step: string) =>
  document.assembly.steps.find(({ id }) => id === step)?.doneOn;

describe('a step', () => {
  it('is marked on the build as it stands, needs no version, and sent again changes nothing', async () => {
    const phone = await device('Phone of steps');
    const before = await build();
    const mark = (day: string | null) =>
      phone('put', '/api/builds/puffin/steps/motors').send({ doneOn: day });
    const first = await mark('2026-12-01').expect(200);
    expect(first.body).toMatchObject({ version: before.version + 1 });
    const again = await mark('2026-12-01').expect(200);
    expect(again.body).toMatchObject({ version: before.version + 1 });
    expect(doneOn((await build()).document, 'motors')).toBe('2026-12-01');
    expect((await log()).entries[0]).toMatchObject({ kind: 'change', by: 'Phone of steps' });
    await mark(null).expect(200);
    expect(doneOn((await build()).document, 'motors')).toBeUndefined();
  });

  it('must be one of the build, on a day', async () => {
    const put = (path: string, body: object) => server.send('put', path).send(body);
    await put('/api/builds/puffin/steps/no-such-step', { doneOn: '2026-12-01' }).expect(404);
    await put('/api/builds/no-such/steps/motors', { doneOn: '2026-12-01' }).expect(404);
    await put('/api/builds/puffin/steps/motors', { doneOn: 'yesterday' }).expect(422);
    await put('/api/builds/puffin/steps/motors', {}).expect(422);
  });
});

describe('the logbook', () => {
  it('says whose edit it was, and two hands are two entries', async () => {
    const anna = await device('Anna', 'everything');
    const rename = async (send: typeof server.send, purpose: string) => {
      const { version, document } = await build('whimbrel');
      await send('put', '/api/builds/whimbrel')
        .set('If-Match', `"${version}"`)
        .send({ ...document, purpose })
        .expect(200);
    };
    await rename(anna, 'By Anna.');
    await rename(server.send, 'By the machine itself.');
    await rename(anna, 'By Anna again.');
    await rename(anna, 'And again.');
    const [last, middle, first] = (await log('whimbrel')).entries;
    expect([last?.by, middle?.by, first?.by]).toEqual(['Anna', '', 'Anna']);
  });

  it('takes a note, a photograph and a set of trials once, however often they are sent', async () => {
    const phone = await device('Again and again');
    for (let n = 0; n < 3; n++)
      await phone('post', '/api/builds/whimbrel/log')
        .send({ id: 'note-from-the-phone', note: 'Rattles.' })
        .expect(201);
    const notes = (await log('whimbrel')).entries.filter(({ note }) => note === 'Rattles.');
    expect(notes).toHaveLength(1);
    const picture = Buffer.from(
      'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
      'base64',
    );
    for (let n = 0; n < 3; n++)
      await phone('post', '/api/log/note-from-the-phone/photos?id=photo-of-phone')
        .type('image/png')
        .send(picture)
        .expect(201);
    expect(
      (await log('whimbrel')).entries.find(({ id }) => id === 'note-from-the-phone')?.photos,
    ).toHaveLength(1);
    const set = { id: 'set-of-phone', protocol: 'straight-run', name: 'Hall' };
    const conditions = { floor: '', note: '', commanded: { value: 2, unit: 'm', origin: 'typed' } };
    for (let n = 0; n < 3; n++)
      await phone('post', '/api/builds/whimbrel/trial-sets')
        .send({ ...set, conditions })
        .expect(201);
    const { body } = await server.send('get', '/api/builds/whimbrel/trial-sets').expect(200);
    expect((body as TrialSets).trialSets.filter(({ id }) => id === 'set-of-phone')).toHaveLength(1);
    // What another build has under that id is not touched.
    await phone('post', '/api/builds/puffin/trial-sets')
      .send({ ...set, conditions })
      .expect(409);
    await phone('post', '/api/builds/puffin/log').send({ id: 'note-from-the-phone', note: 'x' }).expect(409);
  });
});

describe('several on a build', () => {
  it('see each other, what the others changed and what they recorded', async () => {
    const [one, two] = [await device('One'), await device('Two')];
    const join = async (send: typeof server.send, station: string): Promise<Company> =>
      (await send('put', '/api/builds/teasel/company').send({ station }).expect(200)).body as Company;
    const alone = await join(one, 'trials');
    expect(alone.others).toEqual([]);
    await join(server.send, 'brief');
    const later = await join(two, 'assembly');
    expect(later.others).toEqual([
      { name: '', station: 'brief' },
      { name: 'One', station: 'trials' },
    ]);
    expect(later.version).toBe(alone.version);
    expect(later.records).toBe(alone.records);
    await one('post', '/api/builds/teasel/log').send({ note: 'Here.' }).expect(201);
    expect((await join(two, 'assembly')).records).not.toBe(later.records);
    await server.database.query(
      "UPDATE presence SET seen_at = now() - interval '1 minute' WHERE device_id = ''",
    );
    expect((await join(two, 'assembly')).others).toEqual([{ name: 'One', station: 'trials' }]);
    await server.send('put', '/api/builds/no-such/company').send({ station: 'brief' }).expect(404);
  });

  it('lock a build for an event: it is recorded in, and not changed', async () => {
    const anna = await device('Anna of the lock', 'everything');
    const recorder = await device('Recorder');
    await anna('put', '/api/builds/moth/lock').send({ event: 'Spring meet' }).expect(204);
    const { version, document, lock } = await build('moth');
    expect(lock).toMatchObject({ event: 'Spring meet', by: 'Anna of the lock' });
    const save = () =>
      server
        .send('put', '/api/builds/moth')
        .set('If-Match', `"${version}"`)
        .send({ ...document, purpose: 'Another.' });
    const { body } = await save().expect(423);
    expect(body).toMatchObject({ code: 'locked', lock: { event: 'Spring meet' } });
    expect(body.title).toMatch(/locked for “Spring meet”/);
    expect((await build('moth')).version).toBe(version);
    await server.send('put', '/api/builds/moth/place').send({ place: 'bin' }).expect(423);
    await recorder('put', '/api/builds/moth/lock').send({ event: null }).expect(403);
    await recorder('put', '/api/builds/moth/steps/motors').send({ doneOn: '2026-12-01' }).expect(200);
    await recorder('post', '/api/builds/moth/log').send({ note: 'First run.' }).expect(201);
    await anna('put', '/api/builds/moth/lock').send({ event: ' ' }).expect(422);
    await anna('put', '/api/builds/moth/lock').send({ event: null }).expect(204);
    await server
      .send('put', '/api/builds/moth')
      .set('If-Match', `"${version + 1}"`)
      .send({ ...document, purpose: 'Another.' })
      .expect(200);
    const kinds = (await log('moth')).entries.map(({ kind, title }) => `${kind} ${title}`);
    expect(kinds).toContain('lock Locked for “Spring meet”');
    expect(kinds).toContain('lock Unlocked');
  });

  it('eight of them, recording at once: none is lost and none is there twice', async () => {
    const RUNS = 12;
    const devices = await Promise.all(Array.from({ length: 8 }, (_, n) => n)).then(async (many) => {
      const made = [];
      for (const n of many) made.push(await device(`Group ${n + 1}`));
      return made;
    });
    const [set] = (await server.send('get', '/api/builds/puffin/trial-sets').expect(200)).body.trialSets;
    const was = set.trials.length as number;
    const reading = (side: number) => ({
      side: { value: side, unit: 'mm', origin: 'measured' },
      distance: { value: 2, unit: 'm', origin: 'measured' },
      note: '',
    });
    const steps = ['motors', 'frame'];
    await Promise.all(
      devices.map(async (send, group) => {
        for (let run = 0; run < RUNS; run++) {
          const record = () =>
            send('put', `/api/trial-sets/${set.id}/trials/group-${group}-run-${run}`).send({
              reading: reading((100 * group + run) / 1000),
            });
          const sent = await record();
          expect(sent.body).toMatchObject({ by: `Group ${group + 1}` });
          // No answer came, so it is sent again.
          if (run % 3 === 0) await record().expect(200);
          await send('put', `/api/builds/puffin/steps/${steps[run % 2]}`)
            .send({ doneOn: '2026-12-01' })
            .expect(200);
        }
      }),
    );
    const [after] = (await server.send('get', '/api/builds/puffin/trial-sets').expect(200)).body.trialSets;
    const recorded = (after.trials as { id: string; ordinal: number; by: string }[]).slice(was);
    expect(recorded).toHaveLength(8 * RUNS);
    expect(new Set(recorded.map(({ id }) => id)).size).toBe(8 * RUNS);
    expect(recorded.map(({ ordinal }) => ordinal)).toEqual(
      Array.from({ length: 8 * RUNS }, (_, n) => was + n + 1),
    );
    // Each group's runs stand in the order in which it recorded them.
    for (let group = 0; group < 8; group++) {
      const own = recorded.filter(({ by }) => by === `Group ${group + 1}`);
      expect(own.map(({ id }) => id)).toEqual(
        Array.from({ length: RUNS }, (_, run) => `group-${group}-run-${run}`),
      );
    }
    const { document } = await build();
    for (const step of steps) expect(doneOn(document, step)).toBe('2026-12-01');
  });
});
