import { spawnSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { answered } from './run.ts';

const FILES = { read: (path: string) => readFileSync(path, 'utf8') };
const PUFFIN = 'data/builds/puffin.zubric.json';
const asked = (...args: readonly string[]) => answered(['template', ...args], FILES);

describe('zubric template', () => {
  it('lists the templates of a build, and gives each in each form', async () => {
    const { out, status } = await asked(PUFFIN, '--list');
    expect(status).toBe(0);
    const names = out.trim().split('\n');
    expect(names).toContain('tray-battery-box');
    for (const name of names) {
      expect((await asked(PUFFIN, '--what', name)).out).toMatch(/^<svg /);
      expect((await asked(PUFFIN, '--what', name, '--format', 'dxf')).out).toContain('ENTITIES');
    }
  });

  it('writes a PDF as it is, byte for byte, on standard output', () => {
    const { stdout, status } = spawnSync(process.execPath, [
      'packages/cli/zubric.mjs',
      'template',
      PUFFIN,
      '--what',
      'shaft-motor-24v-500w-9',
      '--format',
      'pdf',
      '--paper',
      'Letter',
    ]);
    expect(status).toBe(0);
    expect(stdout.subarray(0, 5).toString('latin1')).toBe('%PDF-');
    expect(stdout.toString('latin1').trimEnd().endsWith('%%EOF')).toBe(true);
    // The table of places that the end of a PDF points to is where it says: no byte was lost or changed.
    const from = /startxref\s+(\d+)/.exec(stdout.toString('latin1'))?.[1];
    expect(stdout.subarray(Number(from), Number(from) + 4).toString('latin1')).toBe('xref');
  });

  it('says which names there are where there is no such template, and how it is asked', async () => {
    expect((await asked(PUFFIN, '--what', 'wheel')).err).toContain('sprocket-1-driver');
    expect((await asked(PUFFIN)).err).toContain('say --list, or --what');
    expect((await asked(PUFFIN, '--what', 'x', '--format', 'bmp')).err).toContain('svg, dxf, pdf');
    expect((await asked('no-such-file', '--list')).err).toContain('cannot read the file');
    expect((await asked('package.json', '--list')).status).toBe(2);
  });
});
