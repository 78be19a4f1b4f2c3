import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { typed } from '../quantity/index.ts';
import {
  addFrameMount,
  addHole,
  addMember,
  addOwnSheet,
  addShaft,
  addStacked,
  addZone,
  arrange,
  arrangementOf,
  buildSchema,
  changeMember,
  changePlaced,
  drawnOutline,
  freshCircle,
  freshShell,
  movePlaced,
  newBuild,
  placePart,
  placeStage,
  placedKg,
  readBuild,
  STACKED,
  stagesToPlace,
  toPlace,
} from './index.ts';

const puffin = buildSchema.parse(
  JSON.parse(readFileSync('packages/core/src/testing/puffin.zubric.json', 'utf8')),
);

describe('parts to be placed', () => {
  it('of one kind are told apart by a number from the second on', () => {
    const motor = puffin.parts.find(({ kind }) => kind === 'motor');
    const twice = placePart(placePart(puffin, motor), motor);
    const names = (twice.arrangement?.parts ?? []).slice(-2).map(({ name }) => name);
    expect(names).toEqual([motor?.name, `${motor?.name}, 2`]);
  });

  it('are those of the build, as many as there are, until each has a place', () => {
    expect(toPlace(puffin).map(({ part, left }) => [part.kind, left])).toEqual([
      ['driver', 1],
      ['battery', 1],
      ['motor', 2],
    ]);
    const motor = toPlace(puffin).find(({ part }) => part.kind === 'motor');
    const one = placePart(puffin, motor?.part);
    expect(toPlace(one).find(({ part }) => part.kind === 'motor')?.left).toBe(1);
    expect(toPlace(placePart(one, motor?.part)).map(({ part }) => part.kind)).toEqual(['driver', 'battery']);
    expect(toPlace(newBuild('Gull'))).toEqual([]);
  });

  it('are put within the body, each a build that may be kept', () => {
    const all = toPlace(puffin).reduce((build, { part }) => placePart(build, part), puffin);
    expect(buildSchema.safeParse(addZone(addZone(all, 'bay'), 'keep-out')).success).toBe(true);
    for (const part of arrangementOf(all).parts) {
      expect(part.above.value - part.height.value / 2).toBeCloseTo(puffin.body.clearance.value, 2);
      // Of a battery or a driver no size is known: as dense as such things are, between foam and steel.
      const dense = part.mass.value / (part.length.value * part.width.value * part.height.value);
      expect(dense).toBeGreaterThan(100);
      expect(dense).toBeLessThan(8000);
    }
    expect(new Set(arrangementOf(all).parts.map(({ id }) => id)).size).toBe(3);
    expect(placedKg(all)).toBeCloseTo(
      toPlace(puffin).reduce((sum, { part }) => sum + (part.massKg ?? NaN), 0),
      9,
    );
  });
});

const isWhole = (x: number): boolean => Math.abs(x - Math.round(x)) < 1e-6;

describe('a placed part', () => {
  const build = changePlaced(placePart(puffin), 'part-1', { mass: typed(2, 'kg') });
  const at = (b: typeof build) => arrangementOf(b).parts[0];
  it('is moved by as much, no finer than a hand sets it', () => {
    const moved = movePlaced(build, 'part-1', [0.01, -0.02, 0.0312345], 0);
    expect(at(moved)?.aheadOfRearAxle.value).toBeCloseTo((at(build)?.aheadOfRearAxle.value ?? 0) + 0.01, 9);
    expect(at(moved)?.left.value).toBeCloseTo(-0.02, 9);
    expect(isWhole((at(moved)?.above.value ?? NaN) / 1e-4)).toBe(true);
    expect(at(moved)?.left.origin).toBe('typed');
  });
  it('falls on the holes of a grid, and never under the ground', () => {
    const moved = movePlaced(build, 'part-1', [0.007, 0, -5], 0.0254);
    expect(isWhole((at(moved)?.aheadOfRearAxle.value ?? NaN) / 0.0254)).toBe(true);
    expect(at(moved)?.above.value).toBe(0);
    // What was not moved stays where it was.
    expect(at(moved)?.left).toEqual(at(build)?.left);
  });
  it('that is not there moves nothing', () => {
    expect(movePlaced(build, 'no-such', [1, 1, 1], 0)).toBe(build);
  });
  it('taken away gives its own mass back to where it was typed', () => {
    const gone = arrange(build, { parts: [] });
    expect(gone.masses.own).toEqual(puffin.masses.own);
  });
});

describe('a shaft', () => {
  it('takes one thing after another, each held as such things are', () => {
    const build = STACKED.reduce((b, kind) => addStacked(b, 'shaft-1', kind), addShaft(puffin));
    expect(buildSchema.safeParse(build).success).toBe(true);
    const [shaft] = arrangementOf(build).shafts ?? [];
    expect(shaft?.stack.map(({ kind }) => kind)).toEqual([...STACKED]);
    expect(shaft?.stack.find(({ kind }) => kind === 'bearing')?.hold).toBe('frame');
    expect(shaft?.stack.find(({ kind }) => kind === 'spacer')?.hold).toBe('loose');
    expect(addStacked(puffin, 'no-such', 'hub').arrangement?.shafts).toEqual([]);
  });
});

describe('what is made for a layout', () => {
  it('wheels of a stage are placed as far apart as it asks, the driven one on its axle, in one plane', () => {
    expect(stagesToPlace(puffin).map(({ stage }) => stage.id)).toEqual(['stage-1']);
    const placed = placeStage(puffin, 'drive-1', 'stage-1');
    const wheels = (placed.arrangement?.parts ?? []).filter(({ runs }) => runs);
    expect(wheels.map(({ runs, left }) => [runs?.wheel, Math.sign(left.value)])).toEqual([
      ['driver', 1],
      ['driven', 1],
      ['driver', -1],
      ['driven', -1],
    ]);
    const [driver, driven] = wheels;
    expect(driven?.aheadOfRearAxle.value).toBeCloseTo(0.7, 9);
    expect(driven?.above.value).toBeCloseTo(0.2, 9);
    // Inside the tyre, which begins 270 mm off the middle.
    expect((driven?.left.value ?? 0) + (driven?.width.value ?? 0) / 2).toBeLessThan(0.27);
    expect(Math.abs((driver?.aheadOfRearAxle.value ?? 0) - 0.7)).toBeCloseTo(0.1815, 9);
    expect(driver?.left.value).toBe(driven?.left.value);
    expect(stagesToPlace(placed)).toEqual([]);
    expect(placeStage(puffin, 'drive-1', 'no-such-stage')).toBe(puffin);
    expect(readBuild(placed).ok).toBe(true);
  });

  it('a stage is placed with those behind it, each beside the next on one shaft, in nobody’s way', () => {
    const [drive] = puffin.drives;
    const [chain] = drive?.stages ?? [];
    if (!drive || chain?.kind !== 'chain') throw new Error('Puffin has a chain');
    const first = { ...chain, id: 'stage-0', teethDriven: 20 };
    const two = { ...puffin, drives: [{ ...drive, stages: [first, chain] }] };
    expect(stagesToPlace(two).map(({ number }) => number)).toEqual([1, 2]);
    const placed = placeStage(two, 'drive-1', 'stage-0');
    expect(stagesToPlace(placed)).toEqual([]);
    const at = (stageId: string, wheel: string) =>
      placed.arrangement?.parts.find(
        ({ runs, left }) => runs?.stageId === stageId && runs.wheel === wheel && left.value > 0,
      );
    const [before, behind] = [at('stage-0', 'driven'), at('stage-1', 'driver')];
    expect(before?.aheadOfRearAxle.value).toBe(behind?.aheadOfRearAxle.value);
    expect(before?.left.value).toBeLessThan(behind?.left.value ?? 0);
  });

  it('a frame spans the axles, and is read back with a shaft on it', () => {
    const build = addFrameMount(addMember(puffin), 'member-1');
    const [member] = build.arrangement?.frame ?? [];
    expect(member?.span.value).toBeCloseTo(0.7, 9);
    expect(member?.mounts.map(({ kind }) => kind)).toEqual(['rigid']);
    expect(readBuild(build).ok).toBe(true);
    expect(changeMember(build, 'member-1', () => undefined).arrangement?.frame).toEqual([]);
  });

  it.each([
    [{ section: 'bar', width: undefined }, /a tube, bar or sheet has a width/],
    [{ wall: undefined }, /a tube has a wall/],
    [{ wall: typed(0.02, 'mm') }, /twice the wall is less than the section/],
  ] as const)('a frame that cannot be is refused: %j', (change, message) => {
    const build = changeMember(addMember(puffin), 'member-1', (member) => ({ ...member, ...change }));
    const read = readBuild(JSON.parse(JSON.stringify(build)));
    expect(read.ok ? '' : read.problems.map((problem) => problem.message).join()).toMatch(message);
  });

  it('sheets and holes begin as what is most used, and are read back', () => {
    const one = addOwnSheet(addOwnSheet(puffin, 'disc'), 'plate');
    expect(one.arrangement?.sheets?.map(({ id }) => id)).toEqual(['disc-1', 'plate-2']);
    const [part] = puffin.arrangement?.parts ?? [];
    const holed = part ? addHole(one, part.id) : one;
    expect(readBuild(holed).ok).toBe(true);
    // A second circle lies outside the first.
    const [first] = one.arrangement?.sheets?.[0]?.circles ?? [];
    expect(first && freshCircle([first]).circle.value).toBeGreaterThan(first?.circle.value ?? 0);
  });

  it('an outline begins as the box that it was', () => {
    const corners = drawnOutline(puffin).map(({ ahead, left }) => [ahead.value, left.value]);
    expect(corners.map(([x]) => x)).toEqual([-0.175, 0.875, 0.875, -0.175]);
    expect(corners.map(([, y]) => y)).toEqual([-0.36, -0.36, 0.36, 0.36]);
    const shell = { ...freshShell('lid'), outline: drawnOutline(puffin) };
    expect(readBuild(arrange(puffin, { shell })).ok).toBe(true);
  });
});
