/** What the Ground station says of tipping, turning, going down and stopping, on layouts of every kind. */
import { readFileSync } from 'node:fs';
import { evaluate } from '@zubric/core/judge';
import {
  buildSchema,
  layoutTemplate,
  newBuild,
  withLayout,
  type Build,
  type Duty,
} from '@zubric/core/vehicle';
import { typed } from '@zubric/core/quantity';
import { cleanup, fireEvent, screen } from '@testing-library/react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { onBench, text } from '../../testing/on-bench.tsx';
import { Ground } from './Ground.tsx';

const demo = (name: string): Build =>
  buildSchema.parse(JSON.parse(readFileSync(`data/builds/${name}.zubric.json`, 'utf8')));
const degrees = (n: number) => typed((n * Math.PI) / 180, '°');

const on = (layout: string, part: Partial<Duty> = {}): Build => {
  const template = layoutTemplate(layout);
  if (!template) throw new Error(`no layout ${layout}`);
  const build = withLayout(newBuild('Gull'), template);
  const [first] = build.duties;
  if (!first) throw new Error('a new build has a job');
  return { ...build, duties: [{ ...first, grade: degrees(0), ...part }] };
};
const show = (document: Build): void => onBench(<Ground />, document);
/** What stands beside a title in the list. */
const said = (title: string | RegExp): string | undefined =>
  screen.queryByText(title, { selector: 'dt' })?.nextElementSibling?.textContent?.replaceAll('\u00a0', ' ');

beforeEach(() => vi.stubGlobal('fetch', () => Promise.reject(new Error('no server'))));

describe('how it tips', () => {
  it('gives all four headings of a vehicle on four wheels, the worst the least of them', () => {
    show(on('rear-drive'));
    const angles = ['Tips back, climbing, at', 'Tips forward, going down, at', 'Tips sideways at'].map(
      (title) => Number.parseFloat(said(title) ?? ''),
    );
    expect(angles.every((angle) => angle > 0 && angle < 90)).toBe(true);
    const worst = Number.parseFloat(said('Tips at the worst heading at') ?? '');
    expect(worst).toBeLessThanOrEqual(Math.min(...angles) + 1e-9);
    // Three wheels never stand better sideways than four.
    expect(Number.parseFloat(said(/^On three, one in front/) ?? '')).toBeLessThan(angles[2] ?? 0);
  });

  it('leaves balancers to their controller and spheres to their rolling', () => {
    show(on('sphere'));
    expect(said('Tips')).toBe('not by slope: it rolls');
    cleanup();
    show(on('balancer'));
    expect(said('Tips back, climbing, at')).toBeUndefined();
  });

  it('leans a two-wheeler into its bend by atan(v²/(r g))', () => {
    show(on('scooter', { speed: typed(4, 'm/s'), turn: { kind: 'radius', radius: typed(6, 'm') } }));
    // 16/(6 · 9.80665) = 0.2719: 15.2°.
    expect(said('Leans in its bend')).toBe('15.2°');
  });

  it('says how fast a bend may be taken, and what ends it', () => {
    show(on('rear-drive', { turn: { kind: 'radius', radius: typed(3, 'm') } }));
    expect(said('Round its bend, at most')).toMatch(/^[\d.]+ m\/s, then it (tips|slides)$/);
  });
});

describe('how it turns', () => {
  it('gives thrust and speed of both sides of a bend on tracks, the outer more of each', () => {
    show(on('tracked', { speed: typed(1, 'm/s'), turn: { kind: 'radius', radius: typed(2, 'm') } }));
    const speeds = (said('Speed of the outer and the inner side') ?? '').split(', ').map(Number.parseFloat);
    const thrusts = (said('Thrust of the outer and the inner side') ?? '')
      .replaceAll('−', '-')
      .split(', ')
      .map(Number.parseFloat);
    expect(speeds[0]).toBeGreaterThan(speeds[1] ?? Infinity);
    expect(thrusts[0]).toBeGreaterThan(thrusts[1] ?? Infinity);
    // The middle goes at the duty's speed.
    expect(((speeds[0] ?? 0) + (speeds[1] ?? 0)) / 2).toBeCloseTo(1, 2);
    expect(said('The ground resists the turn with')).toMatch(/N·m$/);
  });

  it('says where a live axle pushes the steered wheels straight on', () => {
    show(demo('moth'));
    fireEvent.click(screen.getByRole('button', { name: 'Round the corner by the chapel' }));
    expect(said('The driven axle resists with')).toMatch(/N·m$/);
    expect(said('Side force asked of the steered wheels')).toMatch(/pushes straight on$/);
    expect(said('Turning the wheels at a stand')).toMatch(/^[\d.]+ N·m of [\d.]+ N·m/);
  });

  it('says how deep it sinks, and what that drags', () => {
    const beach = demo('sanderling');
    show(beach);
    fireEvent.click(screen.getByRole('button', { name: 'Up the beach, full' }));
    expect(said('Sinks in')).toMatch(/^[\d.]+ mm, dragging [\d.]+ N$/);
    const report = evaluate(beach).duties.find(({ name }) => name === 'Up the beach, full');
    expect(Number.parseFloat(said('Sinks in') ?? '')).toBeCloseTo((report?.sink?.sinkageM ?? NaN) * 1000, 1);
  });
});

describe('how it comes down', () => {
  const slope = { grade: degrees(8), speed: typed(1, 'm/s') };

  it('warns where nothing holds it, and gives the pull: m g sin θ', () => {
    const build = on('rear-drive', slope);
    show({ ...build, brake: { kind: 'none', reaction: typed(0.5, 's') } });
    const { footing } = evaluate(build).duties[0] ?? { footing: { massKg: NaN } };
    const pull = footing.massKg * 9.80665 * Math.sin((8 * Math.PI) / 180);
    const words = said('The slope pulls it down with') ?? '';
    expect(words).toMatch(/; nothing holds it at rest$/);
    expect(Number.parseFloat(words.replace(/(\d) (\d{3})/, '$1$2'))).toBeCloseTo(pull, -1);
    expect(text()).not.toContain('going down, within');
  });

  it('says what a brake holds, how much weight is on its wheels, and where it stops', () => {
    const build = on('rear-drive', slope);
    const axles = build.layout.axles.map((axle) => ({ ...axle, braked: true }));
    show({
      ...build,
      layout: { ...build.layout, axles },
      brake: { kind: 'friction', reaction: typed(0.5, 's') },
    });
    expect(said('The slope pulls it down with')).toMatch(/; held with [\d. ]+ N$/);
    expect(said('Weight on the braked wheels, going down')).toBe('100 %');
    expect(said('Stops from 1 m/s, going down, within')).toMatch(/^[\d.]+ (m|mm), in [\d.]+ s$/);
  });

  it('says that a brake too weak for the slope does not stop it', () => {
    const build = on('rear-drive', slope);
    show({ ...build, brake: { kind: 'friction', reaction: typed(0.5, 's'), force: typed(0.1, 'N') } });
    expect(said('Going down')).toBe('it does not stop');
  });

  it('is silent about a step that is none, and says why one cannot be taken', () => {
    show(on('rear-drive'));
    expect(said(/^The step/)).toBeUndefined();
    cleanup();
    show(on('rear-drive', { step: typed(2, 'm') }));
    expect(said(/^The step/)).toBeTruthy();
  });
});
