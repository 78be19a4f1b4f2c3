import { driveOf } from './through.ts';
import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { z } from 'zod';
import { evaluate } from '../judge/index.ts';
import {
  buildJsonSchema,
  partJsonSchema,
  buildSchema,
  choosePart,
  freeId,
  newAssemblyPlan,
  newBuild,
  newDuty,
  partSchema,
  readBuild,
  type Build,
} from './index.ts';

const PUFFIN = JSON.parse(readFileSync('packages/core/src/testing/puffin.zubric.json', 'utf8')) as Record<
  string,
  unknown
>;
const shelf = z
  .array(partSchema)
  .parse(
    ['motors', 'drivers', 'batteries'].flatMap(
      (f) => JSON.parse(readFileSync(`data/shelf/${f}.json`, 'utf8')) as unknown[],
    ),
  );

const pathsOf = (json: unknown): string[] => {
  const read = readBuild(json);
  return read.ok ? [] : read.problems.map((p) => p.path);
};

describe('the build document', () => {
  it('takes a new build and the demo as they are', () => {
    expect(readBuild(newBuild('Gull'))).toMatchObject({ ok: true });
    expect(readBuild(PUFFIN)).toMatchObject({ ok: true });
  });

  it('keeps everything through JSON', () => {
    const build = buildSchema.parse(PUFFIN);
    expect(buildSchema.parse(JSON.parse(JSON.stringify(build)))).toEqual(build);
  });

  it('names the path of every problem', () => {
    expect(pathsOf({ ...PUFFIN, name: ' ', dragArea: { value: -1, unit: 'm²', origin: 'typed' } })).toEqual([
      'name',
      'dragArea.value',
    ]);
    expect(pathsOf({ ...PUFFIN, surprise: 1 })).toEqual(['(whole)']);
    const duties = PUFFIN.duties as { groundId: string }[];
    expect(pathsOf({ ...PUFFIN, duties: [{ ...duties[0], groundId: 'moon' }] })).toEqual([
      'duties.0.groundId',
    ]);
    expect(pathsOf({ ...PUFFIN, duties: [duties[0], duties[0]] })).toEqual(['duties.1.id']);
    // Motor, driver, and each once more where the supply counts them.
    expect(pathsOf({ ...PUFFIN, parts: [] })).toEqual(['parts', 'parts', 'parts', 'parts']);
  });

  it('refuses a unit of another dimension and a number that is none', () => {
    const speed = (value: unknown, unit: string) => ({
      ...PUFFIN,
      dragArea: { value, unit, origin: 'typed' },
    });
    expect(pathsOf(speed(1, 'kg'))).toEqual(['dragArea.unit']);
    expect(pathsOf(speed('1', 'm²'))).toEqual(['dragArea.value']);
    expect(pathsOf(speed(null, 'm²'))).toEqual(['dragArea.value']);
  });

  it('says what a file is where it is no build of this format', () => {
    expect(pathsOf([])).toEqual(['format']);
    expect(pathsOf({ format: 'something-else' })).toEqual(['format']);
    expect(pathsOf({ ...PUFFIN, formatVersion: 7 })).toEqual(['formatVersion']);
    expect(pathsOf({ ...PUFFIN, formatVersion: 'one' })).toEqual(['formatVersion']);
    const later = readBuild({ ...PUFFIN, formatVersion: 99 });
    expect(later.ok ? '' : later.problems[0]?.message).toContain('Update Zubric');
  });

  it.each([1, 2])('takes a file of format %i, and what it meant is kept number by number', (version) => {
    const old = JSON.parse(
      readFileSync(`packages/core/src/vehicle/fixtures/format-${version}.zubric.json`, 'utf8'),
    ) as Record<string, unknown>;
    expect(old.formatVersion).toBe(version);
    const read = readBuild(old);
    if (!read.ok) throw new Error(JSON.stringify(read.problems));
    const { build } = read;
    expect(build.formatVersion).toBe(6);
    if (version === 1) expect(build.assembly).toEqual(newAssemblyPlan());
    else expect(build.assembly).toEqual(old.assembly);
    // Driven in front, as the files say, with their measures.
    const [castors, driven] = build.layout.axles;
    expect(castors).toMatchObject({ name: 'Castors', driven: false, ahead: { value: 0 } });
    expect(driven).toMatchObject({
      driven: true,
      ahead: { value: 0.7 },
      track: { value: 0.62 },
      diameter: { value: 0.4, origin: 'measured' },
    });
    expect(build.hitch).toMatchObject({ behind: { value: 0 }, height: { value: 0.2 } });
    expect(build.grounds.map((g) => g.freeRolling)).toEqual(build.grounds.map((g) => g.rolling));
    // The force of its first duty, worked by hand when the file was of the format of its day.
    expect(evaluate(build).duties[0]?.resistance.totalN).toBeCloseTo(411, 1);
    // A file that says it is old and is not is refused with its places, not mended.
    expect(pathsOf({ ...old, layout: undefined })).toContain('layout.kind');
  });

  it('takes a file of format 3: the same vehicle, of whose shafts and mount nothing was said', () => {
    const old = JSON.parse(
      readFileSync('packages/core/src/vehicle/fixtures/format-3.zubric.json', 'utf8'),
    ) as Record<string, Record<string, unknown>>;
    expect(old.formatVersion).toBe(3);
    const read = readBuild(old);
    if (!read.ok) throw new Error(JSON.stringify(read.problems));
    const { drives, supply, ...vehicle } = read.build;
    const { path, mount, release, does, driverId, leadResistance, ...stated } = driveOf(read.build);
    expect(drives).toHaveLength(1);
    expect(does).toBe('propels');
    const { driverId: wasDriver, batteryId, motorLeadResistance } = old.supply ?? {};
    expect([driverId, leadResistance]).toEqual([wasDriver, motorLeadResistance]);
    expect(supply.packs).toEqual([{ id: batteryId, inSeries: 1, inParallel: 1 }]);
    expect(path).toEqual([]);
    expect(mount).toMatchObject({ lever: { origin: 'assumed' } });
    expect(release.kind).toBe('none');
    expect(stated).toEqual(old.drive);
    const { drive: _drive, supply: _supply, ...others } = old;
    expect({ ...vehicle, formatVersion: 3 }).toEqual(others);
    // Nothing of the drive is judged that its file did not state.
    const { links } = evaluate(read.build);
    expect(links.filter(({ link }) => link.startsWith('path') || link === 'mount-twist')).toEqual([]);
  });

  it('takes a file of format 4: belts come to have a width and carry what they did, soft ground is counted once', () => {
    const old = JSON.parse(
      readFileSync('packages/core/src/vehicle/fixtures/format-4.zubric.json', 'utf8'),
    ) as Build & { readonly drive: { readonly stages: readonly Record<string, { value: number }>[] } };
    expect(old.formatVersion).toBe(4);
    const read = readBuild(old);
    if (!read.ok) throw new Error(JSON.stringify(read.problems));
    const stages = driveOf(read.build).stages;
    const belt = stages.find((s) => s.kind === 'timing-belt');
    const was = old.drive.stages.find((s) => 'allowablePull' in s && 'beltTeeth' in s);
    if (belt?.kind !== 'timing-belt' || !was) throw new Error('the file has a toothed belt');
    expect(belt.width.value * belt.pullPerWidth.value).toBeCloseTo(was.allowablePull?.value ?? NaN, 9);
    expect(belt.width.origin).toBe('assumed');
    // Sand of the table that has its sinkage worked out keeps only what the track itself loses.
    const sandy: Build = {
      ...old,
      grounds: old.grounds.map((g) => ({
        ...g,
        surface: 'dry-sand' as const,
        rolling: { ...g.rolling, value: 0.3, origin: 'assumed' as const },
      })),
    };
    const again = readBuild(sandy);
    if (!again.ok) throw new Error(JSON.stringify(again.problems));
    const soft = again.build.grounds.filter(({ soil }) => soil);
    expect(soft.length).toBeGreaterThan(0);
    for (const { rolling } of soft) expect(rolling.value).toBeLessThanOrEqual(0.1);
    for (const { soil, rolling } of again.build.grounds) if (!soil) expect(rolling.value).toBe(0.3);
    const typedOnes = readBuild({
      ...sandy,
      grounds: sandy.grounds.map((g) => ({ ...g, rolling: { ...g.rolling, origin: 'typed' } })),
    });
    if (!typedOnes.ok) throw new Error(JSON.stringify(typedOnes.problems));
    for (const { rolling } of typedOnes.build.grounds) expect(rolling.value).toBe(0.3);
  });

  it('is published as a JSON Schema that has not drifted (npm run schema writes it)', () => {
    const published = JSON.parse(readFileSync('docs/build.schema.json', 'utf8')) as unknown;
    expect(published).toEqual(JSON.parse(JSON.stringify(buildJsonSchema())));
    const part = JSON.parse(readFileSync('docs/part.schema.json', 'utf8')) as unknown;
    expect(part).toEqual(JSON.parse(JSON.stringify(partJsonSchema())));
  });
});

describe('editing', () => {
  it('carries a copy of each chosen part, one of a kind', () => {
    const motors = shelf.filter((p) => p.kind === 'motor');
    const [first, second] = motors;
    if (!first || !second) throw new Error('the shelf has too few motors');
    const build = choosePart(choosePart(newBuild('Gull'), first), second);
    expect(driveOf(build).motorId).toBe(second.id);
    expect(build.parts).toEqual([second]);
    expect(buildSchema.safeParse(build).success).toBe(true);
  });

  it('finds an id that is free', () => {
    expect(freeId('duty', [])).toBe('duty-1');
    expect(freeId('duty', [{ id: 'duty-2' }])).toBe('duty-3');
    expect(freeId('duty', [{ id: 'duty-3' }, { id: 'x' }])).toBe('duty-4');
    expect(newDuty('d', 'Up', 'g').name).toBe('Up');
  });
});

describe('the demo shelf', () => {
  it('has a dozen each, with ids of their own, each fit for the schema', () => {
    for (const kind of ['motor', 'driver', 'battery'])
      expect(shelf.filter((p) => p.kind === kind).length).toBeGreaterThanOrEqual(12);
    expect(new Set(shelf.map((p) => p.id)).size).toBe(shelf.length);
  });
});
