import { describe, expect, it } from 'vitest';
import { STANDARD_GRAVITY, typed } from '../quantity/index.ts';
import { arranged, m, part, puffin } from '../testing/arranged.ts';
import type { Build, FrameMember, FrameMount } from '../vehicle/index.ts';
import { frameChoices, frameReport, layoutReport } from './index.ts';

const mount = (at: number, others: Partial<FrameMount> = {}): FrameMount => ({
  id: 'shaft',
  name: 'Drive shaft',
  at: m(at),
  kind: 'rigid',
  shaft: m(0.015),
  free: m(0.1),
  arm: m(0.05),
  ...others,
});
const rail = (others: Partial<FrameMember> = {}): FrameMember => ({
  id: 'rails',
  name: 'Rails',
  runs: 'ahead',
  from: m(0),
  span: m(0.7),
  material: 'steel',
  section: 'bar',
  height: m(0.02),
  width: m(0.01),
  members: 2,
  share: typed(1, '%'),
  spreads: true,
  mounts: [],
  ...others,
});
/** Nothing of its own weighs on the frame but the payload. */
const light: Build = {
  ...arranged([]),
  masses: {
    ...puffin.masses,
    own: { ...puffin.masses.own, mass: typed(1e-9, 'kg') },
  },
};
/** Second moment of two bars. */
const INERTIA = (2 * 0.01 * 0.02 ** 3) / 12;
const massKg = 2 * 0.01 * 0.02 * 0.7 * 7850;

describe('a frame under its load', () => {
  /* Evenly loaded on two supports: y = 5 q L⁴/(384 E I), slope at the supports q L³/(24 E I); any text of strength of materials. */
  it('spread over it: sags and slopes by the closed forms, its own weight counted', () => {
    const told = frameReport(light, rail({ mounts: [mount(0)] }));
    const q = ((120 + massKg) * STANDARD_GRAVITY) / 0.7;
    expect(told.massKg).toBeCloseTo(massKg, 9);
    expect(told.loadN).toBeCloseTo((120 + massKg) * STANDARD_GRAVITY, 4);
    expect(told.sagM).toBeCloseTo((5 * q * 0.7 ** 4) / (384 * 205e9 * INERTIA), 7);
    expect(told.mounts[0]?.slopeRad).toBeCloseTo((q * 0.7 ** 3) / (24 * 205e9 * INERTIA), 6);
    expect(told.momentNm).toBeCloseTo((q * 0.7 ** 2) / 8, 4);
    expect(told.stressPa / 1e6).toBeCloseTo((told.momentNm * 0.01) / INERTIA / 1e6, 4);
    expect(told.factor).toBeCloseTo(120e6 / told.stressPa, 6);
  });

  it.each([
    [{ section: 'tube', width: m(0.03), wall: m(0.002) }, 0.03 * 0.02 - 0.026 * 0.016],
    [{ section: 'round-bar', width: undefined }, (Math.PI / 4) * 0.02 ** 2],
    [{ section: 'round-tube', width: undefined, wall: m(0.002) }, (Math.PI / 4) * (0.02 ** 2 - 0.016 ** 2)],
  ] as const)('weighs by the area of its section: %j', (section, area) => {
    expect(frameReport(light, rail(section)).massKg).toBeCloseTo(2 * area * 0.7 * 7850, 9);
  });

  it('at one place: only what lies over it, by its share; across as along', () => {
    const box = part({ id: 'box', at: [0.35, 0.1, 0.4], sides: [0.1, 0.1, 0.1], kg: 10 });
    const far = part({ id: 'far', at: [0.9, 0, 0.4], sides: [0.1, 0.1, 0.1], kg: 50 });
    const none: Build = {
      ...light,
      ...arranged([box, far]),
      masses: { ...light.masses, own: { ...puffin.masses.own, mass: typed(60, 'kg') } },
    };
    const empty = {
      ...none,
      masses: { ...none.masses, payload: { ...none.masses.payload, mass: typed(0, 'kg') } },
    };
    const half = frameReport(empty, rail({ share: typed(0.5, '%'), spreads: false }));
    expect(half.loadN).toBeCloseTo((0.5 * 10 + massKg) * STANDARD_GRAVITY, 6);
    const across = frameReport(empty, rail({ runs: 'left', from: m(-0.35), spreads: false }));
    // Across, all of it lies over the member: the box off its middle, the other in it.
    expect(across.loadN).toBeCloseTo((60 + massKg) * STANDARD_GRAVITY, 6);
  });

  it('binds a rigid mount before one that tilts, and never one that floats', () => {
    const weak = rail({ height: m(0.008), mounts: [mount(0)] });
    const steep = frameReport(light, weak).mounts[0];
    expect(Math.abs(steep?.slopeRad ?? 0)).toBeGreaterThan(0.0035);
    expect(steep?.binds).toBe(true);
    const kinds = (['self-aligning', 'floating'] as const).map(
      (kind) => frameReport(light, { ...weak, mounts: [mount(0, { kind })] }).mounts[0]?.binds,
    );
    expect(kinds).toEqual([Math.abs(steep?.slopeRad ?? 0) > (2.5 * Math.PI) / 180, false]);
    const build = { ...light, ...arranged([], { frame: [weak] }), masses: light.masses };
    expect(layoutReport(build).findings.map(({ code }) => code)).toContain('frame-binds');
  });

  /* A shaft of 15 mm held 100 mm from its gearbox: F = 3 E I θ/l²; the arm of 50 mm takes T/a. */
  it('tells what a bolted gearbox and a floating one would each take', () => {
    const { mounts } = frameReport(light, rail({ mounts: [mount(0, { torque: typed(20, 'N·m') })] }));
    const theta = Math.abs(mounts[0]?.slopeRad ?? 0);
    const inertia = (Math.PI * 0.015 ** 4) / 64;
    expect(mounts[0]?.rigid.forceN).toBeCloseTo((3 * 205e9 * inertia * theta) / 0.01, 4);
    expect(mounts[0]?.floating?.forceN).toBeCloseTo(400, 9);
    expect(frameReport(light, rail({ mounts: [mount(0)] })).mounts[0]?.floating).toBeUndefined();
  });

  it('is told lighter and heavier: sag by the cube of its height, payload by what it weighs less', () => {
    const build = arranged([], { frame: [rail()] });
    const choices = frameChoices(build, rail());
    const [half, , today, , twice] = choices;
    if (!half || !today || !twice) throw new Error('five choices were expected');
    expect(today.payloadKg).toBeCloseTo(120, 9);
    expect(half.massKg).toBeCloseTo(today.massKg / 2, 9);
    expect(half.payloadKg - today.payloadKg).toBeCloseTo(today.massKg / 2, 9);
    expect(today.payloadKg - twice.payloadKg).toBeCloseTo(today.massKg, 9);
    // Nearly the same load on an eighth of the stiffness.
    expect(half.sagM / today.sagM).toBeGreaterThan(7.5);
    expect(half.sagM / today.sagM).toBeLessThan(8.5);
    // All told it weighs the same, so it drives as fast: what it carries a minute goes with the payload.
    expect((half.payloadKgPerMinute ?? 0) / (today.payloadKgPerMinute ?? 1)).toBeCloseTo(
      half.payloadKg / today.payloadKg,
      3,
    );
  });

  it('of a tube leaves out the wall that would fill it', () => {
    const tube = rail({ section: 'tube', width: m(0.02), wall: m(0.006) });
    expect(frameChoices(puffin, tube).map(({ times }) => times)).toEqual([0.5, 0.75, 1, 1.5]);
  });
});
