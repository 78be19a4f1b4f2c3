import { describe, expect, it } from 'vitest';
import { demoBuilds } from '../testing/demo-builds.ts';
import { randomBuild } from '../testing/random-build.ts';
import { controlOf, type Build } from '../vehicle/index.ts';
import { firmwareHeader, firmwareJson, firmwareLines, firmwareOf } from './firmware.ts';
import { nameWithin } from './written-name.ts';

const { puffin, pip, teasel, moth } = demoBuilds() as Record<string, Build>;
const driven: Build = {
  ...(puffin as Build),
  driving: {
    control: {
      ...controlOf({ ends: 'counts', sync: { kp: 0.5, ki: 1 } }),
      countsPerTurn: 360,
      turnFactor: 1.2,
    },
  },
};
const valueOf = (build: Build, name: string): number | undefined =>
  firmwareOf(build).constants.find((one) => one.name === name)?.value;

describe('numbers of a vehicle’s own program', () => {
  it('are worth what a wheel rolls: a turn is π times its diameter, a turn round π times the track', () => {
    // Puffin: wheels of 400 mm; 360 counts a turn.
    expect(valueOf(driven, 'COUNTS_PER_M')).toBeCloseTo(360 / (Math.PI * 0.4), 4);
    expect(
      (valueOf(driven, 'COUNTS_PER_M') ?? NaN) * (valueOf(driven, 'METRES_PER_COUNT') ?? NaN),
    ).toBeCloseTo(1, 6);
    const track = valueOf(driven, 'TRACK_M') ?? NaN;
    // Each side rolls half of π times the track for half a turn, times the factor that scrubbing asks.
    expect((valueOf(driven, 'COUNTS_PER_DEG') ?? NaN) * 180).toBeCloseTo(
      ((Math.PI * track) / 2) * (valueOf(driven, 'COUNTS_PER_M') ?? NaN) * 1.2,
      2,
    );
  });

  it('leave out what a build does not have: no turn on the spot of a steered one, no gains of balance of one that stands', () => {
    expect(valueOf(moth as Build, 'COUNTS_PER_DEG')).toBeUndefined();
    expect(valueOf(moth as Build, 'STEER_LOCK_RAD')).toBeGreaterThan(0);
    expect(valueOf(puffin as Build, 'BALANCE_KP_V_PER_RAD')).toBeUndefined();
    expect(valueOf(teasel as Build, 'BALANCE_KP_V_PER_RAD')).toBeGreaterThan(0);
    expect(valueOf(driven, 'SYNC_KP')).toBe(0.5);
    expect(valueOf(puffin as Build, 'SYNC_KP')).toBeUndefined();
  });

  it('are the same in a header, as JSON and line by line', () => {
    for (const build of [driven, pip, teasel] as Build[]) {
      const firmware = firmwareOf(build);
      const json = JSON.parse(firmwareJson(firmware)) as Record<string, number>;
      const lines = new Map(
        firmwareLines(firmware)
          .split('\n')
          .filter((line) => line !== '' && !line.startsWith('#'))
          .map((line) => line.split(' ') as [string, string]),
      );
      const header = new Map(
        [...firmwareHeader(firmware).matchAll(/^#define (\w+) ([-\d.e+]+)f? /gm)].map(
          ([, name = '', value = '']) => [name, value],
        ),
      );
      for (const { name, value } of firmware.constants) {
        expect(json[name]).toBe(value);
        expect(Number(lines.get(name))).toBe(value);
        expect(Number(header.get(name))).toBe(value);
      }
      for (const { name } of firmware.pins) {
        expect(lines.has(name)).toBe(true);
        expect(header.has(name)).toBe(true);
      }
    }
  });

  it('make a header whose every line the language takes, whatever the names are', () => {
    const named: Build = { ...driven, name: '*/ #include "evil" \n 9 Karren “Zug” Ж' };
    for (const line of firmwareHeader(firmwareOf(named)).split('\n'))
      // A definition or a guard, a remark that is closed once and at the end, or nothing (ISO C, 6.10).
      expect(line).toMatch(
        /^$|^#endif$|^#(ifndef|define) [A-Z]\w*$|^\/\*(?:(?!\*\/).)*\*\/$|^#define [A-Z]\w* [-\d.e+]+f? \/\*(?:(?!\*\/).)*\*\/$/,
      );
    const names = firmwareOf(named).constants.map(({ name }) => name);
    expect(new Set(names).size).toBe(names.length);
  });

  it('are numbers of any build, each name once', () => {
    for (let seed = 1; seed <= 60; seed++) {
      const build = randomBuild(seed);
      if (!build) continue;
      const { constants, pins } = firmwareOf(build);
      expect(constants.every(({ value }) => Number.isFinite(value))).toBe(true);
      const names = [...constants, ...pins].map(({ name }) => name);
      expect(new Set(names).size, String(seed)).toBe(names.length);
      expect(names.every((name) => /^[A-Z][A-Z0-9_]*$/.test(name))).toBe(true);
    }
  });
});

describe('a name as programs take it', () => {
  it.each([
    ['Zoë’s 1st cart!', 'zoe_s_1st_cart'],
    ['4 × 4', 'v_4_4'],
    ['Жук', 'v'],
    ['', 'v'],
    ['__a__b__', 'a_b'],
  ])('%s is %s', (name, plain) => {
    expect(nameWithin(name)).toBe(plain);
  });
});
