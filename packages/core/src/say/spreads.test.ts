import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { uncertainIn, type Decides } from '../spreads/index.ts';
import { readBuild } from '../vehicle/index.ts';
import { chanceInWords, measuredBy, measureFirst, uncertainInWords } from './index.ts';

const read = readBuild(JSON.parse(readFileSync('data/builds/puffin.zubric.json', 'utf8')));
if (!read.ok) throw new Error('Puffin does not read');
const puffin = read.build;
const called = (key: string) => uncertainIn(puffin).find(({ path }) => path.join('.').endsWith(key));
const plain = (text: string): string => text.replaceAll('\u00a0', ' ');

describe('how likely something is', () => {
  it.each([
    [0, 'never'],
    [0.02, 'hardly ever'],
    [0.42, 'about 4 times in 10'],
    [0.94, 'about 9 times in 10'],
    [0.97, 'nearly always'],
    [1, 'always'],
  ])('%s is said %s', (chance, words) => expect(chanceInWords(chance)).toBe(words));
});

describe('a number that is not known exactly', () => {
  it('is called by where it stands, with its range, in the units that are wanted', () => {
    const mass = called('payload.mass');
    expect(mass && plain(uncertainInWords(mass, puffin))).toBe('Payload, mass (110 kg to 130 kg)');
    expect(mass && plain(uncertainInWords(mass, puffin, 'imperial'))).toMatch(/\(24[0-9] lb to 28[0-9] lb\)/);
  });
  it('is measured by the sum that is there for it', () => {
    const by = (...path: string[]) => measuredBy({ path, value: 90, whole: false, spread: 9 });
    expect(by('grounds', 'cobbles', 'friction')?.calculator).toBe('incline-slip');
    expect(by('grounds', 'cobbles', 'rolling')?.calculator).toBe('coast-down');
    expect(by('parts', 'm', 'stallA')?.text).toContain('held fast for a moment');
    expect(by('parts', 'm', 'noSuchFigure')).toBeUndefined();
  });
});

describe('what to measure first', () => {
  const input = called('cobbles.friction');
  const decides: Decides[] = input ? [{ input, share: 0.89, keepsIn: [0.04, 0.7, 1] }] : [];
  it('says how much it decides, and what measuring it would tell', () => {
    expect(plain(measureFirst({ keeps: 0.6, decides }, puffin))).toBe(
      'Wet cobbles, castors included, grip (0.45 to 0.65) decides 89 % of it: in the lowest third of that it keeps its margins hardly ever, in the middle about 7 times in 10, in the highest always.',
    );
  });
  it('says nothing where nothing is in doubt', () => {
    expect(measureFirst({ keeps: 1, decides }, puffin)).toBe('');
    expect(measureFirst({ keeps: 0.5, decides: [] }, puffin)).toBe('');
  });
});
