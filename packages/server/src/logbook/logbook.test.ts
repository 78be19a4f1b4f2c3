import { readFileSync } from 'node:fs';
import { driveOf, changeDrive, type Build } from '@zubric/core/vehicle';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import sharp from 'sharp';
import { demoServer, type DemoServer } from '../testing/test-server.ts';

interface Entry {
  readonly id: string;
  readonly kind: string;
  readonly title: string;
  readonly note: string;
  readonly changes: readonly string[];
  readonly margins: readonly string[];
  readonly snapshotNumber: number | null;
  readonly photos: readonly { readonly id: string; readonly caption: string }[];
}

/** The smallest PNG there is: one grey pixel. */
const PNG = Buffer.from(
  'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAAAAAA6fptVAAAACklEQVR4nGNoAAAAggCBd81ytgAAAABJRU5ErkJggg==',
  'base64',
);

describe('the logbook', () => {
  let server: DemoServer;
  beforeAll(async () => {
    server = await demoServer('logbook');
  });
  afterAll(() => server.close());

  const copy = async (): Promise<{ id: string; version: number; document: Build }> =>
    (await server.send('post', '/api/builds/puffin/copies').send({ name: 'Copy' }).expect(201)).body as {
      id: string;
      version: number;
      document: Build;
    };
  const log = async (id: string): Promise<readonly Entry[]> =>
    ((await server.send('get', `/api/builds/${id}/log`).expect(200)).body as { entries: Entry[] }).entries;
  const save = (id: string, version: number, document: Build) =>
    server.send('put', `/api/builds/${id}`).set('If-Match', `"${version}"`).send(document).expect(200);
  const teeth = (document: Build, teethDriver: number): Build =>
    changeDrive(document, {
      stages: driveOf(document).stages.map((s) => (s.kind === 'chain' ? { ...s, teethDriver } : s)),
    });

  it('begins with how the build began', async () => {
    const { id } = await copy();
    expect(await log(id)).toMatchObject([{ kind: 'begun', title: 'Copied from “Puffin”' }]);
    const puffin = await log('puffin');
    expect(puffin.at(-1)).toMatchObject({ kind: 'begun', title: 'Invented for the demo' });
    expect(puffin.map((entry) => entry.kind)).toEqual([
      ...['change', 'note', 'change', 'snapshot', 'note', 'snapshot', 'note'],
      'begun',
    ]);
    // Each change between the two states that it tells of, the last up to the build as it is.
    expect(puffin[0]?.changes).toContain('Chain, stage 1, driven teeth: 36 → 40');
    expect(puffin[0]?.margins).toContainEqual(expect.stringMatching(/^wheel torque .* → 2/));
    expect(puffin[2]?.changes).toContain('Chain, stage 1, driver teeth: 14 → 10');
    expect(puffin[2]?.changes).not.toContain('Chain, stage 1, driven teeth: 36 → 40');
  });

  it('notes a change in words, with the margins that moved', async () => {
    const { id, version, document } = await copy();
    await save(id, version, teeth(document, 9));
    const [change] = await log(id);
    expect(change).toMatchObject({ kind: 'change', changes: ['Chain, stage 1, driver teeth: 10 → 9'] });
    expect(change?.margins.some((line) => /^wheel torque [\d.]+ → [\d.]+ × its need/.test(line))).toBe(true);
    expect(change?.margins.some((line) => line.startsWith('grip'))).toBe(false);
  });

  it('takes the changes of one sitting as one entry, and leaves none where all is taken back', async () => {
    const { id, document } = await copy();
    await save(id, 1, teeth(document, 9));
    await save(id, 2, { ...teeth(document, 12), purpose: 'quicker' });
    expect((await log(id))[0]?.changes).toEqual([
      expect.stringMatching(/^Purpose: /) as string,
      'Chain, stage 1, driver teeth: 10 → 12',
    ]);
    await save(id, 3, document);
    expect((await log(id)).map((entry) => entry.kind)).toEqual(['begun']);
  });

  it('begins a new entry once something was noted with the last, or a day has passed', async () => {
    const { id, document } = await copy();
    await save(id, 1, teeth(document, 9));
    const [first] = await log(id);
    await server
      .send('put', `/api/log/${first?.id ?? ''}`)
      .send({ note: 'less rough' })
      .expect(204);
    await save(id, 2, teeth(document, 11));
    expect((await log(id)).map((entry) => entry.changes)).toEqual([
      ['Chain, stage 1, driver teeth: 9 → 11'],
      ['Chain, stage 1, driver teeth: 10 → 9'],
      [],
    ]);
    await server.database.query(
      "UPDATE log_entry SET ended_at = ended_at - interval '1 day' WHERE build_id = $1",
      [id],
    );
    await save(id, 3, teeth(document, 13));
    expect((await log(id))[0]?.changes).toEqual(['Chain, stage 1, driver teeth: 11 → 13']);
    expect(await log(id)).toHaveLength(4);
  });

  it('notes nothing of a save that was refused', async () => {
    const { id, document } = await copy();
    await server.send('put', `/api/builds/${id}`).set('If-Match', '"7"').send(teeth(document, 9)).expect(409);
    expect(await log(id)).toHaveLength(1);
  });

  it('keeps own notes, which alone can be thrown away', async () => {
    const { id } = await copy();
    const made = await server
      .send('post', `/api/builds/${id}/log`)
      .send({ note: ' Chain jumped off. ' })
      .expect(201);
    const note = made.body as Entry;
    expect(note).toMatchObject({ kind: 'note', note: 'Chain jumped off.' });
    await server.send('post', `/api/builds/${id}/log`).send({ note: '  ' }).expect(422);
    await server.send('delete', `/api/log/${note.id}`).expect(204);
    await server.send('delete', `/api/log/${note.id}`).expect(404);
    const [begun] = await log(id);
    await server.send('delete', `/api/log/${begun?.id ?? ''}`).expect(404);
    await server.send('put', '/api/log/nothing').send({ note: 'x' }).expect(404);
    await server.send('get', '/api/builds/nothing/log').expect(404);
  });

  it('numbers snapshots and gives them back as they were', async () => {
    const { id, document } = await copy();
    const snapshot = (name: string) => server.send('post', `/api/builds/${id}/snapshots`).send({ name });
    expect((await snapshot('As bought').expect(201)).body).toMatchObject({ number: 1, name: 'As bought' });
    await save(id, 1, teeth(document, 9));
    expect((await snapshot('Nine teeth').expect(201)).body).toMatchObject({ number: 2 });
    await snapshot(' ').expect(422);
    const first = await server.send('get', `/api/builds/${id}/snapshots/1`).expect(200);
    expect((first.body as { document: Build }).document).toEqual(document);
    for (const number of ['3', '0', 'x', '99999999999'])
      await server.send('get', `/api/builds/${id}/snapshots/${number}`).expect(404);
    const { body } = await server.send('get', `/api/builds/${id}/snapshots`).expect(200);
    expect((body as { snapshots: { name: string }[] }).snapshots.map((s) => s.name)).toEqual([
      'Nine teeth',
      'As bought',
    ]);
    expect((await log(id)).filter((entry) => entry.kind === 'snapshot')).toHaveLength(2);
  });

  it('calls a snapshot otherwise, and changes nothing else of it', async () => {
    const { id } = await copy();
    const at = `/api/builds/${id}/snapshots`;
    await server.send('post', at).send({ name: 'As bougth' }).expect(201);
    const was = (await server.send('get', `${at}/1`).expect(200)).body as object;
    await server.send('put', `${at}/1`).send({ name: ' As bought ' }).expect(204);
    expect((await server.send('get', `${at}/1`).expect(200)).body).toEqual({ ...was, name: 'As bought' });
    expect((await log(id))[0]).toMatchObject({ kind: 'snapshot', title: 'As bought', snapshotNumber: 1 });
    await server.send('put', `${at}/1`).send({ name: ' ' }).expect(422);
    for (const number of ['2', 'x'])
      await server.send('put', `${at}/${number}`).send({ name: 'a' }).expect(404);
    await expect(
      server.database.query("UPDATE build_snapshot SET document = '{}' WHERE build_id = $1", [id]),
    ).rejects.toThrow('a snapshot is never changed');
  });

  it('reads a snapshot of an older format', async () => {
    const { id } = await copy();
    const old: unknown = JSON.parse(
      readFileSync('packages/core/src/vehicle/fixtures/format-1.zubric.json', 'utf8'),
    );
    await server.database.query(
      'INSERT INTO build_snapshot (build_id, number, name, document) VALUES ($1, 1, $2, $3)',
      [id, 'old', JSON.stringify(old)],
    );
    const { body } = await server.send('get', `/api/builds/${id}/snapshots/1`).expect(200);
    expect((body as { document: Build }).document.formatVersion).toBe(6);
  });

  it('keeps photographs with an entry: pictures only, by what they are and not by what they are said to be', async () => {
    const { id } = await copy();
    const [entry] = await log(id);
    const send = (bytes: Buffer, type: string) =>
      server
        .send('post', `/api/log/${entry?.id ?? ''}/photos`)
        .set('Content-Type', type)
        .send(bytes);
    const { body } = await send(PNG, 'image/jpeg').expect(201);
    const photo = body as { id: string };
    const back = await server.send('get', `/api/photos/${photo.id}`).expect(200);
    expect(back.type).toBe('image/png');
    const { width, height } = await sharp(back.body as Buffer).metadata();
    expect([width, height]).toEqual([1, 1]);
    expect(back.headers['content-security-policy']).toContain('sandbox');
    await server.send('put', `/api/photos/${photo.id}`).send({ caption: 'Sprocket, worn' }).expect(204);
    expect((await log(id))[0]?.photos).toMatchObject([{ caption: 'Sprocket, worn' }]);

    const page = await send(Buffer.from('<script>alert(1)</script>'), 'image/png').expect(415);
    expect((page.body as { title: string }).title).toContain('JPEG, PNG or WebP');
    await send(Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"/>'), 'image/svg+xml').expect(415);
    await send(Buffer.alloc(9 * 1024 * 1024, PNG), 'image/png').expect(413);
    await server
      .send('post', '/api/log/nothing/photos')
      .set('Content-Type', 'image/png')
      .send(PNG)
      .expect(404);

    await server.send('delete', `/api/photos/${photo.id}`).expect(204);
    await server.send('get', `/api/photos/${photo.id}`).expect(404);
  });

  it('keeps of a photograph what is on it, and not where it was taken: no metadata, turned upright', async () => {
    const { id } = await copy();
    const [entry] = await log(id);
    const held = await sharp({ create: { width: 40, height: 20, channels: 3, background: '#864' } })
      .jpeg()
      .withExif({ IFD0: { Artist: 'Somebody' }, IFD3: { GPSLatitude: '51/1 30/1 0/1' } })
      .withMetadata({ orientation: 6 })
      .toBuffer();
    expect(held.includes('Exif')).toBe(true);
    const { body } = await server
      .send('post', `/api/log/${entry?.id ?? ''}/photos`)
      .set('Content-Type', 'image/jpeg')
      .send(held)
      .expect(201);
    const back = await server.send('get', `/api/photos/${(body as { id: string }).id}`).expect(200);
    const kept = back.body as Buffer;
    expect(kept.includes('Exif')).toBe(false);
    const { width, height, exif, orientation } = await sharp(kept).metadata();
    expect({ width, height, exif, orientation }).toEqual({
      width: 20,
      height: 40,
      exif: undefined,
      orientation: undefined,
    });
  });

  it('refuses a photograph that was cut off, and a bomb of a few bytes, before it is unfolded', async () => {
    const { id } = await copy();
    const [entry] = await log(id);
    const send = (bytes: Buffer) =>
      server
        .send('post', `/api/log/${entry?.id ?? ''}/photos`)
        .set('Content-Type', 'image/jpeg')
        .send(bytes);
    const whole = await sharp({ create: { width: 600, height: 400, channels: 3, background: '#123' } })
      .jpeg()
      .toBuffer();
    const cut = await send(whole.subarray(0, whole.length / 2)).expect(422);
    expect(cut.body).toMatchObject({ code: 'broken-picture' });
    // A header that claims 60 000 by 60 000 pixels.
    const bomb = Buffer.from(PNG);
    bomb.writeUInt32BE(60_000, 16);
    bomb.writeUInt32BE(60_000, 20);
    expect((await send(bomb)).status).toBe(422);
    expect((await log(id))[0]?.photos).toEqual([]);
  });

  it('works out what a change did when it is read, once its sitting is over, and keeps that', async () => {
    const { id, document } = await copy();
    await save(id, 1, teeth(document, 9));
    const row = async (): Promise<{ settled: boolean; changes: string[] } | undefined> =>
      (
        await server.database.query<{ settled: boolean; changes: string[] }[]>(
          "SELECT settled, changes FROM log_entry WHERE build_id = $1 AND kind = 'change' ORDER BY seq LIMIT 1",
          [id],
        )
      )[0];
    // The save itself wrote no words.
    expect(await row()).toEqual({ settled: false, changes: [] });
    expect((await log(id))[0]?.changes).toEqual(['Chain, stage 1, driver teeth: 10 → 9']);
    expect((await row())?.settled).toBe(false);
    await server.database.query(
      "UPDATE log_entry SET begun_at = begun_at - interval '1 hour', ended_at = ended_at - interval '1 hour' WHERE build_id = $1",
      [id],
    );
    await save(id, 2, teeth(document, 8));
    const [later, first] = await log(id);
    expect(first?.changes).toEqual(['Chain, stage 1, driver teeth: 10 → 9']);
    expect(later?.changes).toEqual(['Chain, stage 1, driver teeth: 9 → 8']);
    expect(await row()).toMatchObject({ settled: true, changes: first?.changes });
    // What became of the build after that changes nothing of it.
    await save(id, 3, teeth(document, 12));
    expect((await log(id)).at(-2)?.changes).toEqual(first?.changes);
  });

  it('stays in the order in which it was written when the clock is set back', async () => {
    const { id, document } = await copy();
    await server.send('post', `/api/builds/${id}/log`).send({ note: 'first' }).expect(201);
    // The clock was an hour ahead until now.
    await server.database.query(
      "UPDATE log_entry SET begun_at = begun_at + interval '1 hour', ended_at = ended_at + interval '1 hour' WHERE build_id = $1",
      [id],
    );
    await save(id, 1, teeth(document, 9));
    await server.send('post', `/api/builds/${id}/log`).send({ note: 'second' }).expect(201);
    expect((await log(id)).map(({ kind, note }) => note || kind)).toEqual([
      'second',
      'change',
      'first',
      'begun',
    ]);
  });

  it('comes in pages, none of it twice and none left out', async () => {
    const { id } = await copy();
    for (let n = 0; n < 23; n++)
      await server
        .send('post', `/api/builds/${id}/log`)
        .send({ note: `n${n}` })
        .expect(201);
    const seen: string[] = [];
    let before: string | null = '';
    while (before !== null) {
      const at: string = before === '' ? '' : `&before=${before}`;
      const { body } = await server.send('get', `/api/builds/${id}/log?most=10${at}`).expect(200);
      const page = body as { entries: Entry[]; next: string | null };
      expect(page.entries.length).toBeLessThanOrEqual(10);
      seen.push(...page.entries.map(({ note, kind }) => note || kind));
      before = page.next;
    }
    expect(seen).toEqual([...Array.from({ length: 23 }, (_, n) => `n${22 - n}`), 'begun']);
    await server.send('get', `/api/builds/${id}/log?before=x`).expect(422);
    await server.send('get', `/api/builds/${id}/log?most=0`).expect(422);
  });
});
