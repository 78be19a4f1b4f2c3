import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { answered } from './run.ts';

const out = (...args: string[]) => answered(['out', ...args], { read: (path) => readFileSync(path, 'utf8') });
const PUFFIN = 'data/builds/puffin.zubric.json';

describe('zubric out', () => {
  it.each([
    ['urdf', '<robot name="puffin">'],
    ['header', '#define WHEEL_DIAMETER_M 0.4f'],
    ['json', '"WHEEL_DIAMETER_M": 0.4'],
    ['lines', '\nWHEEL_DIAMETER_M 0.4\n'],
    ['markdown', '## What it must do'],
  ])('writes %s', async (as, has) => {
    const outcome = await out(PUFFIN, '--as', as);
    expect(outcome).toMatchObject({ status: 0, err: '' });
    expect(outcome.out).toContain(has);
  });

  it('writes the report as a PDF, and in imperial units', async () => {
    const { bytes } = await out(PUFFIN, '--as', 'pdf', '--paper', 'Letter');
    expect(
      Buffer.from(bytes ?? [])
        .subarray(0, 5)
        .toString(),
    ).toBe('%PDF-');
    expect((await out(PUFFIN, '--as', 'markdown', '--units', 'imperial')).out).toMatch(/128\slb/);
  });

  it('says what to change where it is asked for something else', async () => {
    const first = async (...args: string[]) => (await out(...args)).err.split('\n')[0];
    expect(await first(PUFFIN)).toBe('--as is followed by urdf, header, json, lines, markdown, pdf');
    expect(await first(PUFFIN, '--as', 'step')).toContain('--as is followed by');
    expect(await first('--as', 'urdf')).toBe('name one build file');
    expect(await first(PUFFIN, '--as', 'pdf', '--paper', 'A3')).toBe('--paper is followed by A4, Letter');
    expect(await first(PUFFIN, '--as', 'urdf', '--loud')).toContain('--loud');
    expect(await out('nowhere.json', '--as', 'urdf')).toMatchObject({ status: 2 });
  });
});
