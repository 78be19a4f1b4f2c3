/** What may be offered where the ground gives way: weight sinks deeper, wider wheels do not. */
import { describe, expect, it } from 'vitest';
import { evaluate } from '../judge/index.ts';
import { typed } from '../quantity/index.ts';
import { degrees, rearDriven, saidMoves, twoAxles, withDuty, withGround } from '../testing/vehicles.ts';
import { applyChanges, startBuild, type Build } from '../vehicle/index.ts';

const offered = (build: Build) =>
  saidMoves(build, evaluate(build), { shelf: [] })
    .filter(({ link }) => link === 'grip')
    .flatMap(({ moves }) => moves);
const gripOf = (build: Build): number =>
  evaluate(build).governing.find(({ link }) => link === 'grip')?.ratio ?? NaN;
const sunkOf = (build: Build): number => evaluate(build).duties[0]?.sink?.sinkageM ?? NaN;

describe('wheels for soft ground', () => {
  const onSand = (deg: number): Build =>
    withDuty(
      startBuild({
        name: 'Beach cart',
        layout: 'two-castors',
        like: 'barrow',
        surface: 'dry-sand',
        jobs: [{ id: 'climb' }],
      }),
      { grade: degrees(deg) },
    );

  it.each([0.5, 4])('are wider ones, which sink less deep: on %d°', (deg) => {
    const build = onSand(deg);
    expect(gripOf(build)).toBeLessThan(1);
    const wide = offered(build).filter(({ text }) => text.includes(' wide'));
    expect(wide.length).toBeGreaterThan(0);
    for (const { changes } of wide) {
      const made = applyChanges(build, changes);
      expect(gripOf(made)).toBeGreaterThan(gripOf(build));
      expect(sunkOf(made)).toBeLessThan(sunkOf(build));
    }
  });

  it('are none that would touch each other', () => {
    const narrow = onSand(4);
    const axles = narrow.layout.axles.map((axle) => ({ ...axle, track: typed(axle.width.value * 1.4, 'm') }));
    const close = { ...narrow, layout: { ...narrow.layout, axles } };
    for (const { text } of offered(close)) expect(text).not.toContain(' wide');
  });

  it('are none where the ground is firm', () => {
    const build = withDuty(rearDriven({ friction: 0.2, rolling: 0.02 }), { grade: degrees(8) });
    expect(gripOf(build)).toBeLessThan(1);
    expect(offered(build).length).toBeGreaterThan(0);
    for (const { text } of offered(build)) expect(text).not.toContain(' wide');
  });
});

describe('ballast on soft ground', () => {
  /** A pusher with little weight on what drives it. */
  const pusher = (kphiKnPerM: number): Build => {
    const soil = { name: 'soil', kcKnPerM: 1, kphiKnPerM, exponent: 1.1, cohesionKPa: 1, shearAngleDeg: 30 };
    const layout = { layout: 'scooter', wheelbaseM: 1, ahead: 0.7, height: 0.1 } as const;
    const light = withGround(twoAxles({ ...layout, friction: 0.4, rolling: 0.02 }), { soil });
    const masses = { ...light.masses, own: { ...light.masses.own, mass: typed(60, 'kg') } };
    return withDuty({ ...light, masses }, { drawbar: typed(60, 'N'), grade: typed(0.03, '°') });
  };
  const ballastOf = (build: Build) => offered(build).filter(({ text }) => text.includes('of ballast'));

  it.each([60_000, 100_000, 200_000, 1_000_000])(
    'is as much as grip lacks, what it makes the wheels drag counted: %d kN/m³',
    (kphiKnPerM) => {
      const build = pusher(kphiKnPerM);
      expect(gripOf(build)).toBeLessThan(1);
      expect(ballastOf(build).length).toBeGreaterThan(0);
      for (const { changes } of ballastOf(build)) {
        const made = applyChanges(build, changes);
        const grip = gripOf(made);
        // Enough to hold, or to hold by the rule, and no tenth too much of it.
        const aim = grip < 1.2 ? 1 : 1.2;
        expect(grip).toBeGreaterThanOrEqual(aim);
        expect(grip).toBeLessThan(aim * 1.04);
      }
    },
  );

  it('is none where what it adds drags more than it grips', () => {
    const build = pusher(60);
    expect(gripOf(build)).toBeLessThan(1);
    expect(offered(build).length).toBeGreaterThan(0);
    expect(ballastOf(build)).toEqual([]);
  });
});
