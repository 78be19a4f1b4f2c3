import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { stepsFromNow, whatIf } from '../sensitivity/index.ts';
import { numbersOf, readBuild, type Build } from '../vehicle/index.ts';
import { leewayInWords, marginInWords, numberInWords } from './index.ts';

const demo = (name: string): Build => {
  const read = readBuild(JSON.parse(readFileSync(`data/builds/${name}.zubric.json`, 'utf8')));
  if (!read.ok) throw new Error(`${name} does not read`);
  return read.build;
};
const [puffin, whimbrel] = [demo('puffin'), demo('whimbrel')];
const numberAt = (build: Build, path: string) => {
  const found = numbersOf(build).find((number) => number.path.join('.') === path);
  if (!found) throw new Error(`no number at ${path}`);
  return found;
};
const plain = (text: string): string => text.replaceAll(/\s/g, ' ');

describe('a number of a build', () => {
  it('is said in the units that are wanted, and a figure of a data sheet in its own', () => {
    const payload = numberAt(puffin, 'masses.payload.mass');
    expect(plain(numberInWords(payload, 120))).toBe('120 kg');
    expect(plain(numberInWords(payload, 120, 'imperial'))).toBe('265 lb');
    const stall = numberAt(puffin, 'parts.motor-24v-500w-9.stallTorqueNm');
    expect(plain(numberInWords(stall, 7.2, 'imperial'))).toBe('7.2 N·m');
    expect(numberInWords(numberAt(puffin, 'drives.drive-1.stages.stage-1.teethDriven'), 40)).toBe('40');
  });
});

describe('a margin', () => {
  it('is called by what it is of, which part, and on which job', () => {
    expect(marginInWords({ link: 'energy', dutyId: null }, puffin)).toBe('Energy for the outing');
    expect(marginInWords({ link: 'path', dutyId: 'slip-loaded', elementId: 'path-3' }, puffin)).toBe(
      'Shafts and hubs (Axle) on “Slip, loaded”',
    );
    expect(
      marginInWords({ link: 'tooth-stress', dutyId: null, driveId: 'drive-2', stageId: 'stage-1' }, whimbrel),
    ).toMatch(/\(Module steering, spur gears\)$/i);
  });
});

describe('how far a number may go', () => {
  const payload = numberAt(puffin, 'masses.payload.mass');
  it('is said both ways, with what gives first', () => {
    const found = whatIf(puffin, payload, { steps: 6 });
    expect(plain(leewayInWords(found, puffin))).toBe(
      'Payload, mass is 120 kg now. Down to 60 kg nothing more falls short. Above 121 kg wheel torque on “Start on the slip” falls short.',
    );
    expect(plain(leewayInWords(found, puffin, 'imperial'))).toContain('Above 267 lb');
  });
  it('says nothing of a way that it was not looked at', () => {
    const found = whatIf(puffin, payload, { steps: 3, span: { least: 120, most: 125 } });
    expect(plain(leewayInWords(found, puffin))).not.toMatch(/Below|Down to/);
  });
  it('is told in steps from what stands: going less, a margin becomes what it is below its turn', () => {
    const { less, more } = stepsFromNow(whatIf(puffin, payload, { steps: 6 }));
    const values = less.map(({ turn }) => turn.value);
    expect(values).toEqual([...values].sort((a, b) => b - a));
    expect(less.length).toBeGreaterThan(0);
    for (const { turn, becomes } of less) expect(becomes).toBe(turn.below);
    for (const { turn, becomes } of more) expect(becomes).toBe(turn.above);
    // The nearest that decides: just kept, then short.
    expect(more.find(({ decides }) => decides)?.turn).toMatchObject({ below: 'tight', above: 'short' });
  });
});
