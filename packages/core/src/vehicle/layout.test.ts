import { outputsOf } from './through.ts';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { evaluate } from '../judge/index.ts';
import { typed } from '../quantity/index.ts';
import {
  DUTY_TEMPLATES,
  LAYOUT_TEMPLATES,
  addAxle,
  buildSchema,
  changeAxle,
  contactsOf,
  drivenDiameter,
  dutyTemplatesFor,
  groundOfSurface,
  layoutTemplate,
  newBuild,
  removeAxle,
  trackOf,
  wheelbaseOf,
  withLayout,
  type Build,
} from './index.ts';
import { many } from '../testing/many.ts';

const on = (id: string): Build => {
  const template = layoutTemplate(id);
  if (!template) throw new Error(`no layout ${id}`);
  return withLayout(newBuild('Gull'), template);
};

describe('layouts', () => {
  it('follow one on the other in any order and are builds that stand', () => {
    fc.assert(
      fc.property(
        fc.array(fc.constantFrom(...LAYOUT_TEMPLATES), { minLength: 1, maxLength: 5 }),
        (templates) => {
          const build = templates.reduce(withLayout, newBuild('Gull'));
          expect(buildSchema.safeParse(build).error).toBeUndefined();
          const [first] = evaluate(build).duties;
          expect(first?.footing.stands).toBe(true);
          const last = templates.at(-1);
          expect(build.layout.axles.map((a) => a.id)).toEqual(
            last && withLayout(newBuild('Gull'), last).layout.axles.map((a) => a.id),
          );
        },
      ),
      { numRuns: many(200, 2000) },
    );
  });

  it('have as many contacts and drivelines as they are drawn with', () => {
    const count = (id: string) => {
      const build = on(id);
      return [contactsOf(build.layout).length, outputsOf(build)];
    };
    expect(count('two-castors')).toEqual([4, 2]);
    expect(count('two-slider')).toEqual([3, 2]);
    expect(count('three-wheels')).toEqual([3, 1]);
    expect(count('six-skid')).toEqual([6, 2]);
    expect(count('tracked')).toEqual([14, 2]);
    expect(count('all-drive')).toEqual([4, 1]);
    expect(count('scooter')).toEqual([2, 1]);
    expect(count('balancer')).toEqual([2, 2]);
    expect(count('modules')).toEqual([4, 4]);
    expect(count('rail-dolly')).toEqual([4, 1]);
    expect(count('sphere')).toEqual([1, 1]);
    // The drum of the winch is a quarter of the wheels of its load.
    expect(drivenDiameter(on('winch').layout).value).toBeCloseTo(0.3 / 4, 12);
  });

  it('refuse a vehicle that nothing drives, a track without length and a winch without drum', () => {
    const problems = (build: unknown): string[] =>
      buildSchema.safeParse(build).error?.issues.map(({ message }) => message) ?? [];
    const build = on('rear-drive');
    const undriven = build.layout.axles.map((axle) => ({ ...axle, driven: false }));
    expect(problems({ ...build, layout: { ...build.layout, axles: undriven } })).toEqual([
      'drive at least one axle',
    ]);
    const tracked = on('tracked');
    const short = tracked.layout.axles.map(({ contactLength: _length, ...axle }) => axle);
    expect(problems({ ...tracked, layout: { ...tracked.layout, axles: short } })).toEqual([
      'a track needs its length on the ground',
    ]);
    const winch = on('winch');
    expect(problems({ ...winch, layout: { ...winch.layout, drum: undefined } })).toEqual([
      'a winch needs the diameter of its drum',
    ]);
    const twice = [...build.layout.axles, ...build.layout.axles];
    expect(problems({ ...build, layout: { ...build.layout, axles: twice } })).toContain(
      'this id stands twice',
    );
  });
});

describe('moving an axle', () => {
  it('leaves the masses where they are on the frame, and what is measured from the rear axle told anew', () => {
    const build = on('rear-drive');
    const back = changeAxle(build, 'rear', { ahead: typed(-0.1, 'm') });
    const rear = back.layout.axles.find((axle) => axle.id === 'rear');
    expect(rear?.ahead.value).toBeCloseTo(0, 12);
    expect(wheelbaseOf(back.layout)).toBeCloseTo(wheelbaseOf(build.layout) + 0.1, 12);
    expect(back.masses.own.aheadOfRearAxle.value).toBeCloseTo(
      build.masses.own.aheadOfRearAxle.value + 0.1,
      12,
    );
    expect(back.hitch.behind.value).toBeCloseTo(build.hitch.behind.value - 0.1, 12);
    const forward = changeAxle(build, 'front', { ahead: typed(0.9, 'm') });
    expect(forward.masses).toEqual(build.masses);
    expect(wheelbaseOf(forward.layout)).toBeCloseTo(0.9, 12);
  });

  it('one more, or one less, leaves a vehicle that stands where it stood', () => {
    const more = addAxle(on('rear-drive'));
    expect(more.layout.axles.map((axle) => axle.driven)).toEqual([true, false, false]);
    expect(buildSchema.safeParse(more).error).toBeUndefined();
    const [rear] = more.layout.axles;
    expect(removeAxle(more, rear?.id ?? '')).toBe(more);
    const driven = changeAxle(more, 'axle-3', { driven: true });
    const less = removeAxle(driven, 'rear');
    // The new rear axle is the one half-way; masses stay on the frame.
    expect(less.layout.axles.map(({ ahead }) => Math.round(ahead.value * 1e6) / 1e6)).toEqual([0.3, 0]);
    expect(less.masses.own.aheadOfRearAxle.value).toBeCloseTo(
      more.masses.own.aheadOfRearAxle.value - 0.3,
      12,
    );
    const balancer = on('balancer');
    expect(removeAxle(balancer, 'wheels')).toBe(balancer);
  });

  it('past the other one makes that the rear axle', () => {
    const crossed = changeAxle(on('rear-drive'), 'rear', { ahead: typed(2, 'm') });
    expect(crossed.layout.axles.map(({ id, ahead }) => [id, Math.round(ahead.value * 1e6) / 1e6])).toEqual([
      ['rear', 1.4],
      ['front', 0],
    ]);
  });
});

describe('grounds and jobs to start from', () => {
  it('take the middle of the table’s range, with its half width as the spread, for the tyres there are', () => {
    const { layout } = on('two-slider');
    const ground = groundOfSurface('g', 'smooth-floor', layout);
    // Air tyres: rolling 0.01 to 0.02; a hard plastic slider slides at 0.2 to 0.4 (the table).
    expect(ground.rolling).toMatchObject({ value: 0.015, spread: 0.005, origin: 'assumed' });
    expect(ground.freeRolling).toMatchObject({ value: 0.3, spread: 0.1 });
    expect(ground.name).toBe('Smooth floor');
  });

  it('are only those that a layout can do', () => {
    const ids = (layout: string): string[] => dutyTemplatesFor(on(layout)).map(({ id }) => id);
    expect(ids('rail-dolly')).not.toContain('turn-on-the-spot');
    expect(ids('rail-dolly')).not.toContain('across');
    expect(ids('rear-drive')).not.toContain('turn-on-the-spot');
    expect(ids('balancer')).toContain('catch-a-lean');
    expect(ids('two-castors')).toEqual(
      DUTY_TEMPLATES.filter(({ id }) => id !== 'catch-a-lean' && id !== 'roll').map(({ id }) => id),
    );
  });

  it('know the track of the driven wheels, or of the widest axle', () => {
    expect(trackOf(on('two-castors').layout).value).toBe(0.5);
    expect(trackOf(on('scooter').layout).value).toBe(0);
  });
});
