/** The order of any build's steps, and what a builder changes of it. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { buildSchema, newAssemblyPlan, type Build } from '../vehicle/index.ts';
import { on } from '../testing/vehicles.ts';
import { randomBuild } from '../testing/random-build.ts';
import { puffin as demo } from '../testing/arranged.ts';
import { typed } from '../quantity/index.ts';
import {
  addOwnLine,
  addOwnStep,
  assemblySteps,
  changeOwnStep,
  circleIf,
  markStep,
  partsList,
  putAfter,
  removeStep,
  restoreStep,
  splitStep,
  type Step,
} from './index.ts';
import { DAY_S } from './schedule.ts';
import { many } from '../testing/many.ts';

const puffin: Build = { ...demo, assembly: newAssemblyPlan() };
const MONDAY = '2027-03-01';
const idsOf = (build: Build): string[] => assemblySteps(build).steps.map(({ id }) => id);
const step = (build: Build, id: string): Step => {
  const found = assemblySteps(build).steps.find((one) => one.id === id);
  if (!found) throw new Error(`no step ${id}`);
  return found;
};
/** Each step after all that it must, each line fitted by one step, and none that is not in the list. */
function isPlan(build: Build): void {
  const { steps } = assemblySteps(build);
  const ids = steps.map(({ id }) => id);
  expect(new Set(ids).size).toBe(ids.length);
  steps.forEach(({ after }, n) => {
    for (const before of after) expect(ids.indexOf(before)).toSatisfy((at: number) => at >= 0 && at < n);
  });
  const lines = partsList(build);
  const known = new Set(lines.map(({ id }) => id));
  for (const { needs, parts } of steps) {
    for (const id of needs) expect(known.has(id), id).toBe(true);
    for (const id of parts) expect(needs).toContain(id);
  }
  const fitted = steps.flatMap(({ parts }) => parts);
  const wanted = lines.flatMap(({ id, source }) => (source === 'own' ? [] : [id]));
  expect([...fitted].filter((id) => wanted.includes(id)).sort()).toEqual([...wanted].sort());
}

describe('the steps of random builds', () => {
  it('come each after what it must, and fit each part of the list once', () => {
    let drawn = 0;
    for (let seed = 1; seed <= 120; seed++) {
      const build = randomBuild(seed);
      if (!build) continue;
      drawn += 1;
      isPlan({ ...build, assembly: { ...build.assembly, steps: [], ownSteps: [] } });
    }
    expect(drawn).toBeGreaterThan(40);
  }, 60_000);

  it('stay a plan under a builder’s own steps, order and leavings-out, whatever they are', () => {
    const ids = idsOf(puffin);
    const id = fc.oneof(fc.constantFrom(...ids), fc.constantFrom('own-step-1', 'own-step-2', 'nothing'));
    const act = fc.oneof(
      fc.tuple(fc.constant('after' as const), id, id),
      fc.tuple(fc.constant('own' as const), id, id),
      fc.tuple(fc.constant('split' as const), id, id),
      fc.tuple(fc.constant('out' as const), id, id),
    );
    fc.assert(
      fc.property(fc.array(act, { maxLength: 12 }), (acts) => {
        let build = puffin;
        for (const [what, one, other] of acts) {
          if (what === 'after' && one !== 'nothing') build = putAfter(build, one, other, true);
          if (what === 'own') build = addOwnStep(build, `own ${one}`, other);
          if (what === 'split') build = splitStep(build, one, 'the rest');
          if (what === 'out' && one !== 'nothing') build = removeStep(build, one);
        }
        expect(buildSchema.safeParse(build).error).toBeUndefined();
        const { steps, problems } = assemblySteps(build);
        const order = steps.map(({ id: own }) => own);
        steps.forEach(({ after, reasons }, n) => {
          for (const before of after) {
            expect(order.indexOf(before)).toBeLessThan(n);
            expect(order).toContain(before);
            expect(reasons[before]?.why).toMatch(/\.$/);
          }
        });
        // What is fitted by no step is told.
        const fitted = new Set(steps.flatMap(({ parts }) => parts));
        const untold = partsList(build).filter(
          ({ id: line, source }) => source !== 'own' && !fitted.has(line),
        );
        const told = problems.flatMap((one) => (one.kind === 'not-fitted' ? one.lines : []));
        expect([...told].sort()).toEqual(untold.map(({ id: line }) => line).sort());
      }),
      { numRuns: many(150, 1500) },
    );
  }, 60_000);
});

describe('modules, each steered and driven', () => {
  const modules = on('modules');
  it('are built so many times by themselves, and joined to the frame once all of them turn', () => {
    const { steps } = assemblySteps(modules);
    const ids = steps.map(({ id }) => id);
    expect(step(modules, 'steering').title).toContain('turntables');
    expect(step(modules, 'motors').times).toEqual({ of: 'module', count: 4 });
    expect(ids.indexOf('join')).toBeGreaterThan(Math.max(ids.indexOf('wheels'), ids.indexOf('steering')));
    expect(ids.indexOf('join')).toBeLessThan(ids.indexOf('wiring'));
    expect(step(modules, 'first-power').holdPoint).toContain('Each module steers');
    expect(idsOf(puffin)).not.toContain('join');
    expect(step(on('tug'), 'first-power').holdPoint).not.toContain('module');
  });
});

describe('what each kind of vehicle has', () => {
  it('a sphere is closed once what is in it is wired and has turned', () => {
    const ids = idsOf(on('sphere'));
    for (const before of ['wiring', 'fuse', 'first-power'])
      expect(ids.indexOf(before)).toBeLessThan(ids.indexOf('shell'));
    expect(ids.indexOf('shell')).toBeLessThan(ids.indexOf('first-run'));
    expect(idsOf(puffin)).not.toContain('shell');
  });
  it.each([
    ['scooter', 'steering', /fork/],
    ['rear-drive', 'steering', /kingpins/],
    ['winch', 'first-run', /pull/],
    ['rail-dolly', 'first-run', /rail/],
    ['balancer', 'first-run', /stand/],
    ['tug', 'first-run', /floor/],
  ])('%s: its %s is its own', (layout, id, title) => expect(step(on(layout), id).title).toMatch(title));
});

describe('a builder', () => {
  it('writes a step, puts a part into it, and it stands where it was put', () => {
    const own = addOwnStep(addOwnLine(puffin, 'Paint'), 'Paint the frame', 'frame');
    const painted = changeOwnStep(own, 'own-step-1', {
      needs: ['own-1'],
      before: ['motors'],
      waiting: typed(DAY_S, 'h'),
    });
    const ids = idsOf(painted);
    expect(ids.indexOf('own-step-1')).toBe(ids.indexOf('frame') + 1);
    expect(step(painted, 'motors').after).toContain('own-step-1');
    expect(step(painted, 'motors').reasons['own-step-1']).toEqual({ why: 'As you have it.' });
    expect(step(painted, 'own-step-1')).toMatchObject({ own: true, parts: ['own-1'], waitingS: DAY_S });
    expect(removeStep(painted, 'own-step-1').assembly.ownSteps).toBeUndefined();
  });
  it('splits a step: the second half comes before all that followed the first', () => {
    const split = splitStep(puffin, 'frame', 'Drill the frame');
    expect(step(split, 'frame').handsOnS).toBe(step(split, 'own-step-1').handsOnS);
    expect(step(split, 'frame').handsOnS * 2).toBe(step(puffin, 'frame').handsOnS);
    expect(step(split, 'motors').after).toEqual(['own-step-1']);
    expect(step(split, 'own-step-1').after).toEqual(['frame']);
  });
  it('leaves a step out: what followed it follows what it followed; its parts are told of; taken back', () => {
    const without = removeStep(puffin, 'hubs');
    expect(idsOf(without)).not.toContain('hubs');
    expect(step(without, 'wheels').after).toContain('axle');
    const { problems } = assemblySteps(without);
    expect(problems).toEqual([{ kind: 'not-fitted', lines: step(puffin, 'hubs').parts }]);
    expect(restoreStep(without, 'hubs')).toEqual(puffin);
  });
  it('renames a step, and it keeps its name and its day', () => {
    const named = markStep(puffin, 'tray', { title: 'Strap the pack in', doneOn: MONDAY, hands: 2 });
    expect(step(named, 'tray')).toMatchObject({ title: 'Strap the pack in', doneOn: MONDAY, hands: 2 });
  });
  it('is told of a circle with the steps in it, before and after', () => {
    expect(circleIf(puffin, 'frame', 'first-run').at(0)).toBe('frame');
    expect(circleIf(puffin, 'frame', 'first-run').at(-1)).toBe('first-run');
    expect(circleIf(puffin, 'charge', 'frame')).toEqual([]);
    const round = putAfter(putAfter(puffin, 'charge', 'tray', true), 'tray', 'charge', true);
    expect(assemblySteps(round).problems).toEqual([{ kind: 'circle', steps: expect.any(Array) as string[] }]);
    const [problem] = assemblySteps(round).problems;
    if (problem?.kind !== 'circle') throw new Error('a circle');
    expect([...problem.steps].sort()).toEqual(['charge', 'tray']);
    expect(idsOf(round)).toHaveLength(idsOf(puffin).length);
    expect(putAfter(round, 'tray', 'charge', false)).toEqual(putAfter(puffin, 'charge', 'tray', true));
  });
  it('keeps what no longer fits, and is told of it', () => {
    const build = changeOwnStep(
      addOwnStep(markStep(puffin, 'stage-9.loop', { title: 'Loop it' }), 'Ours'),
      'own-step-1',
      {
        after: ['stage-9.align'],
        needs: ['stage-9.belt'],
      },
    );
    expect(assemblySteps(build).problems).toEqual([
      { kind: 'gone', stepId: 'stage-9.loop', title: 'Loop it' },
      { kind: 'names-gone', stepId: 'own-step-1', title: 'Ours', ids: ['stage-9.align', 'stage-9.belt'] },
    ]);
    expect(idsOf(build)).toContain('own-step-1');
  });
});
