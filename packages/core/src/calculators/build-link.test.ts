import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { z } from 'zod';
import { evaluate } from '../judge/index.ts';
import { buildSchema, newBuild, readBuild, type Build, driveOf } from '../vehicle/index.ts';
import { NotPhysical } from '../contract/index.ts';
import { CALCULATORS, calculate, findCalculator, fromBuild, intoBuild, placesFor } from './index.ts';

const read = readBuild(JSON.parse(readFileSync('packages/core/src/testing/puffin.zubric.json', 'utf8')));
if (!read.ok) throw new Error('the demo build cannot be read');
const puffin = read.build;
const SLIP = 'slip-loaded';

const keysOf = (schema: z.ZodType): string[] =>
  Object.keys((z.toJSONSchema(schema, { io: 'input', unrepresentable: 'any' }).properties ?? {}) as object);

const filled = CALCULATORS.flatMap((calculator) => {
  const values = fromBuild(calculator.name, puffin, SLIP);
  return values ? [[calculator.name, calculator, values] as const] : [];
});

describe('from a build', () => {
  it('are filled more than forty calculators', () => expect(filled.length).toBeGreaterThan(40));

  it.each(filled)(
    '%s: fits the example where the build says nothing, and works out',
    (name, calculator, values) => {
      expect(Object.keys(values).filter((key) => !keysOf(calculator.input).includes(key))).toEqual([]);
      expect(
        Object.values(values).filter((value) => typeof value === 'number' && Number.isNaN(value)),
      ).toEqual([]);
      const merged = { ...calculator.examples[0]?.input, ...values };
      try {
        expect(calculate(name, merged)).toBeDefined();
      } catch (error) {
        // The build’s numbers with the example’s: not every pair is physical, but none is ill-formed.
        expect(error).toBeInstanceOf(NotPhysical);
      }
    },
  );

  it('comes to what the report says', () => {
    const report = evaluate(puffin);
    const duty = report.duties.find(({ id }) => id === SLIP);
    const result = (name: string, key: string): unknown =>
      (calculate(name, fromBuild(name, puffin, SLIP)) as Record<string, unknown>)[key];
    expect(result('road-load', 'totalN')).toBeCloseTo(duty?.resistance.totalN ?? NaN, 9);
    expect(result('driver-draw', 'batteryA')).toBeCloseTo(duty?.point?.batteryA ?? NaN, 9);
    expect(result('battery-sag', 'terminalV')).toBeCloseTo(duty?.point?.batteryV ?? NaN, 9);
    expect(result('attainable-speed', 'speedMps')).toBeCloseTo(duty?.attainableMps ?? NaN, 9);
    expect(result('simulate-launch', 'finalMps')).toBeGreaterThan(0.5);
    // 0.5 of the window's ends, on its log scale.
    expect(fromBuild('teeth-for-ratio', puffin, SLIP)?.ratio).toBeGreaterThan(
      report.ratioWindow?.low ?? Infinity,
    );
  });

  it('says nothing of what the build has not', () => {
    const gull = newBuild('Gull');
    expect(fromBuild('dc-motor-constants', gull, 'duty-1')).toBeUndefined();
    expect(fromBuild('chain-drive', gull, 'duty-1')).toBeUndefined();
    expect(fromBuild('wire', gull, 'duty-1')).toBeUndefined();
    expect(fromBuild('trial-summary', puffin, SLIP)).toBeUndefined();
    expect(fromBuild('road-load', puffin, 'no-such-duty')).toBeUndefined();
  });
});

describe('into a build', () => {
  const put = (
    name: string,
    key: string,
    found: Record<string, unknown>,
    build: Build = puffin,
    duty = SLIP,
  ): Build => {
    const changed = intoBuild(name, key, found, build, duty);
    if (typeof changed === 'string') throw new Error(changed);
    return buildSchema.parse(changed);
  };

  it('goes what was measured, and says so', () => {
    expect(put('effective-diameter', 'diameterM', { diameterM: 0.394 }).layout.axles[1]?.diameter).toEqual({
      value: 0.394,
      unit: 'mm',
      origin: 'measured',
    });
    expect(
      put('odometry-square', 'correctedTrackM', { correctedTrackM: 0.6 }).layout.axles[1]?.track.origin,
    ).toBe('measured');
    const ground = put('coast-down', 'rollingCoefficient', { rollingCoefficient: 0.05 }).grounds[0];
    expect(ground?.rolling).toMatchObject({ value: 0.05, origin: 'measured' });
    expect(put('coast-down', 'dragAreaM2', { dragAreaM2: 0.4 }).dragArea.value).toBe(0.4);
  });

  it('goes to the job that was chosen, and no other', () => {
    const { duties } = put('attainable-speed', 'speedMps', { speedMps: 0.7 });
    expect(duties.map((d) => d.speed.value)).toEqual([
      0.7,
      ...puffin.duties.slice(1).map((d) => d.speed.value),
    ]);
    expect(put('grip-limited-grade', 'limitDeg', { limitDeg: 18 }).duties[0]?.grade.value).toBeCloseTo(
      Math.PI / 10,
      12,
    );
    expect(intoBuild('grip-limited-grade', 'limitDeg', { limitDeg: 90 }, puffin, SLIP)).toContain('wall');
    expect(intoBuild('attainable-speed', 'speedMps', { speedMps: 1 }, puffin, 'gone')).toContain(
      'no such job',
    );
  });

  it('goes to the chain, and the chain then closes without slack', () => {
    const { centreForLinksMm, links } = calculate(
      'chain-drive',
      fromBuild('chain-drive', puffin, SLIP),
    ) as Record<string, number>;
    const changed = put('chain-drive', 'centreForLinksMm', { centreForLinksMm });
    const after = calculate('chain-drive', fromBuild('chain-drive', changed, SLIP)) as Record<string, number>;
    // The count of links is an approximation of the loop, its inverse too: they meet within a thousandth of a link.
    expect(after.linksExact).toBeCloseTo(links ?? NaN, 2);
    expect(
      driveOf(put('teeth-for-ratio', 'teethDriven', { teethDriver: 11, teethDriven: 48 })).stages[0],
    ).toMatchObject({
      teethDriver: 11,
      teethDriven: 48,
    });
    expect(driveOf(put('largest-sprocket', 'teeth', { teeth: 40 })).stages[0]).toMatchObject({
      teethDriven: 40,
    });
    expect(intoBuild('worm-pair', 'ratio', { ratio: 30 }, puffin, SLIP)).toContain('no gearhead stage');
  });

  it('goes to the motor by bench readings, and the readings come out of its figures again', () => {
    const found = calculate('dc-motor-fit', {
      readings: [
        { voltageV: 12, currentA: 1, speedRpm: 1500, noLoad: true },
        { voltageV: 12, currentA: 20, speedRpm: 1100 },
        { voltageV: 24, currentA: 30, speedRpm: 2400 },
      ],
    }) as Record<string, number>;
    const motor = put('dc-motor-fit', 'resistanceOhm', found).parts.find(({ kind }) => kind === 'motor');
    const { voltageV, noLoadRpm, noLoadA, stallTorqueNm, stallA } = motor as unknown as Record<
      string,
      number
    >;
    const again = calculate('dc-motor-constants', {
      voltageV,
      noLoadRpm,
      noLoadA,
      stallTorqueNm,
      stallA,
    }) as Record<string, number>;
    expect(again.resistanceOhm).toBeCloseTo(found.resistanceOhm ?? NaN, 9);
    expect(again.keVsPerRad).toBeCloseTo(found.keVsPerRad ?? NaN, 9);
    expect(intoBuild('dc-motor-fit', 'resistanceOhm', found, newBuild('Gull'), 'duty-1')).toContain(
      'no motor',
    );
  });

  it('names a result that the calculator has, and a place for each', () => {
    for (const { name, output } of CALCULATORS)
      for (const { key, title } of placesFor(name)) {
        expect(keysOf(output), name).toContain(key);
        expect(title.length).toBeGreaterThan(5);
      }
    expect(placesFor('trial-summary')).toEqual([]);
    expect(findCalculator('wire')).toBeDefined();
    expect(intoBuild('road-load', 'totalN', { totalN: 1 }, puffin, SLIP)).toContain('nowhere');
    expect(put('wire', 'resistanceOhm', { resistanceOhm: 0.004 }).supply.cableResistance.value).toBe(0.004);
  });
});
