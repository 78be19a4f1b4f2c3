// @vitest-environment node -- jsdom's files cannot be read.
import { readFile } from 'node:fs/promises';
import type { StoredTrialSet } from '@zubric/core/answers';
import { readBuildFile } from '@zubric/core/protocols';
import { typed } from '@zubric/core/quantity';
import { newBuild, readBuild, type Build } from '@zubric/core/vehicle';
import { strToU8, zipSync } from 'fflate';
import { describe, expect, it } from 'vitest';
import { MOST_BYTES, readBuildFiles, type FileRead } from './read-files.ts';
import { fileNameOf } from './file-name.ts';
import { takenOut } from './take-out.ts';

const gull = newBuild('Gull');
const file = (name: string, ...content: BlobPart[]): File => new File(content, name);
const read = async (...files: File[]): Promise<FileRead[]> => readBuildFiles(files);
const sentence = (result: FileRead | undefined): string =>
  result && !result.ok ? result.problems.map((p) => `${p.path}: ${p.message}`).join('; ') : '';

describe('files handed over', () => {
  it('are read one by one, good and bad beside each other', async () => {
    const results = await read(file('a.zubric.json', JSON.stringify(gull)), file('b.json', '{"format":'));
    expect(results[0]).toMatchObject({ ok: true, build: { name: 'Gull' } });
    expect(sentence(results[1])).toContain('not readable JSON');
  });

  it('say where each problem is', async () => {
    const [result] = await read(file('a.json', JSON.stringify({ ...gull, masses: 1, readyBy: 'soon' })));
    expect(result && !result.ok ? result.problems.map((p) => p.path) : []).toEqual(['readyBy', 'masses']);
  });

  it('of 20 MB are refused with a sentence, unread', async () => {
    const [result] = await read(file('big.json', new Uint8Array(20 * 1024 * 1024)));
    expect(sentence(result)).toContain('20.0 MB');
  });

  it('of a later format, and of none, are refused with what to do', async () => {
    const [later] = await read(file('a.json', JSON.stringify({ ...gull, formatVersion: 9 })));
    expect(sentence(later)).toContain('Update Zubric');
    const [other] = await read(file('a.json', '{"hello":1}'));
    expect(sentence(other)).toContain('not a Zubric build');
    const [empty] = await read(file('a.json'));
    expect(sentence(empty)).toContain('not readable JSON');
  });

  it('of an earlier format say so', async () => {
    const old = await readFile('packages/core/src/vehicle/fixtures/format-1.zubric.json');
    expect((await read(file('a.json', new Uint8Array(old))))[0]).toMatchObject({ ok: true, upgradedFrom: 1 });
  });

  it('that are zips are opened, and what is too large in them is refused by its name', async () => {
    const zip = zipSync({
      'a.zubric.json': strToU8(JSON.stringify(gull)),
      'read me.txt': strToU8('x'),
      'huge.json': new Uint8Array(MOST_BYTES + 1),
    });
    const results = await read(file('builds.zip', zip));
    expect(results.map((r) => [r.file, r.ok])).toEqual([
      ['a.zubric.json', true],
      ['huge.json', false],
    ]);
    expect(sentence((await read(file('x.zip', zipSync({ 'a.txt': strToU8('x') }))))[0])).toContain(
      'no .zubric.json',
    );
    expect(sentence((await read(file('x.zip', new Uint8Array([0x50, 0x4b, 1, 2]))))[0])).toContain(
      'cannot be opened',
    );
  });
});

describe('builds taken out', () => {
  it('come back in as they were, one or several', async () => {
    const tern = { ...newBuild('Tern'), purpose: 'tug' };
    const bare = (build: Build) => ({ build, trialSets: [] });
    const one = takenOut([bare(gull)]);
    expect(one.name).toBe('gull.zubric.json');
    expect(readBuild(JSON.parse(await one.content.text()))).toMatchObject({ ok: true, build: gull });
    const several = takenOut([gull, tern, { ...gull, purpose: 'twin' }].map(bare));
    const back = await readBuildFiles([new File([await several.content.arrayBuffer()], several.name)]);
    expect(back.map((r) => r.file)).toEqual(['gull.zubric.json', 'tern.zubric.json', 'gull-2.zubric.json']);
    expect(back.map((r) => r.ok && r.build)).toEqual([gull, tern, { ...gull, purpose: 'twin' }]);
  });

  it('carry their trials, which go to the server with them as one', async () => {
    const set: StoredTrialSet = {
      ...{
        id: 's1',
        buildId: 'b',
        protocol: 'pull',
        name: 'Yard',
        conditions: {},
        invented: false,
        version: 3,
      },
      createdAt: '2026-11-20T10:00:00.000Z',
      trials: [
        {
          ...{ id: 't1', ordinal: 1, recordedAt: '2026-11-20T10:00:00.000Z', by: 'Group 3' },
          reading: { pull: typed(9, 'N', 'measured'), spun: 'no', note: '' },
        },
      ],
    };
    const { name, content } = takenOut([{ build: gull, trialSets: [set] }]);
    const json: unknown = JSON.parse(await content.text());
    expect(readBuildFile(json)).toMatchObject({
      ok: true,
      trialSets: [{ id: 's1', trials: [{ by: 'Group 3' }] }],
    });
    const [back] = await readBuildFiles([new File([content], name)]);
    expect(back).toMatchObject({ ok: true, build: gull, trialSets: 1 });
    const whole: unknown = JSON.parse((back?.ok && (await back.whole?.text())) || '{}');
    expect(whole).toMatchObject({ format: 'zubric-whole', version: 1, trialSets: [{ name: 'Yard' }] });
  });

  it('are called by names that every file system takes', () => {
    expect(fileNameOf('Puffin, n° 2 / wet?')).toBe('puffin-n-2-wet');
    expect(fileNameOf('../../etc')).toBe('etc');
    expect(fileNameOf('Überschall')).toBe('uberschall');
    expect(fileNameOf('???')).toBe('build');
    expect(fileNameOf('x'.repeat(300))).toHaveLength(60);
  });
});
