/** A disk that runs full while builds are saved: told before, refused clearly, and all goes on when there is room. */
import { execFileSync } from 'node:child_process';
import { existsSync, rmSync, statfsSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { install, newFolder, until, type Installation } from './installation.ts';

const MEGABYTE = 2 ** 20;

/** A disk of its own, small; undefined where this user may not make one. */
function smallDisk(): string | undefined {
  const folder = newFolder();
  try {
    execFileSync('mount', ['-t', 'tmpfs', '-o', 'size=160m,mode=0755', 'tmpfs', folder], { stdio: 'pipe' });
    return folder;
  } catch {
    rmSync(folder, { recursive: true });
    return undefined;
  }
}

const disk = smallDisk();

// Only root may mount a disk: elsewhere the refusal is tried by the server's own tests.
if (disk === undefined)
  it('that this user may not mount is told apart from one that may', () => {
    expect(process.getuid?.()).not.toBe(0);
  });

describe.runIf(disk !== undefined)('a full disk', () => {
  const folder = disk ?? '';
  const filler = join(folder, 'filler');
  const free = (): number => {
    const { bavail, bsize } = statfsSync(folder);
    return bavail * bsize;
  };
  const fill = (leave: number): void => {
    if (existsSync(filler)) rmSync(filler);
    writeFileSync(filler, Buffer.alloc(Math.max(0, free() - leave)));
  };
  let zubric: Installation;
  let build: { id: string; version: number; document: object };
  beforeAll(async () => {
    zubric = await install(join(folder, 'state'));
    const made = await zubric.ask('/builds', { method: 'POST', body: { name: 'Gull' } });
    build = (await made.json()) as typeof build;
  });
  afterAll(async () => {
    await zubric.stop();
    execFileSync('umount', [folder]);
    rmSync(folder, { recursive: true });
  });
  const save = (purpose: string): Promise<Response> =>
    zubric.ask(`/builds/${build.id}`, {
      method: 'PUT',
      body: { ...build.document, purpose },
      version: build.version,
    });
  const state = async (): Promise<{ low: boolean; full: boolean }> =>
    ((await (await zubric.ask('/state')).json()) as { disk: { low: boolean; full: boolean } }).disk;

  it('is told of before it is full', async () => {
    fill(60 * MEGABYTE);
    await until(async () => expect(await state()).toMatchObject({ low: true, full: false }), 5000);
    expect((await save('while there is some room')).status).toBe(200);
    build.version++;
  });

  it('refuses a save clearly, takes nothing from what is kept, and the server and its log live on', async () => {
    fill(0);
    await until(async () => expect(await state()).toMatchObject({ full: true }), 5000);
    for (let n = 0; n < 20; n++) {
      const refused = await save(`without room ${n}`);
      expect(refused.status).toBe(507);
      expect(refused.headers.get('content-type')).toContain('application/problem+json');
      expect(await refused.json()).toMatchObject({ code: 'disk-full' });
    }
    // Looking, and throwing away, go on.
    const list = await zubric.ask('/builds');
    expect(list.status).toBe(200);
    const kept = await zubric.ask(`/builds/${build.id}`);
    expect(await kept.json()).toMatchObject({
      version: build.version,
      document: { purpose: 'while there is some room' },
    });
  });

  it('takes saves again when there is room, without a start', async () => {
    rmSync(filler);
    await until(async () => expect((await save('with room again')).status).toBe(200), 30_000);
    const kept = await zubric.ask(`/builds/${build.id}`);
    expect(await kept.json()).toMatchObject({ document: { purpose: 'with room again' } });
    expect(zubric.said()).not.toContain('The server stopped');
  });
});
