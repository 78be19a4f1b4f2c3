import { describe, expect, it } from 'vitest';
import { typed } from '../quantity/index.ts';
import { G } from '../testing/numbers.ts';
import { degrees, reportOf, twoAxles, withDuty, textsOf } from '../testing/vehicles.ts';
import type { Build, Duty } from '../vehicle/index.ts';
import { evaluate } from './evaluate.ts';

describe('stopping and holding', () => {
  const braked = (which: 'rear' | 'front' | 'both', height = 0.3): Build => {
    const build = twoAxles({ layout: 'rear-drive', wheelbaseM: 1.2, ahead: 0.5, height, friction: 0.6 });
    const axles = build.layout.axles.map((axle) => ({
      ...axle,
      braked: which === 'both' || axle.id === which,
    }));
    return withDuty(
      { ...build, layout: { ...build.layout, axles }, brake: { kind: 'friction', reaction: typed(0, 's') } },
      { task: 'stop', speed: typed(2, 'm/s') },
    );
  };
  const slowing = (build: Build): number => reportOf(build).brake?.decelerationMps2 ?? NaN;

  it('with the wheel loads of braking: closed forms of rear, front and all braked on the level', () => {
    const [L, c, h, mu] = [1.2, 0.5, 0.3, 0.6];
    // Rear: a = μ g (L − c)/(L + μ h); front: a = μ g c/(L − μ h); both: μ g (statics).
    expect(slowing(braked('rear'))).toBeCloseTo((mu * G * (L - c)) / (L + mu * h), 6);
    expect(slowing(braked('front'))).toBeCloseTo((mu * G * c) / (L - mu * h), 6);
    expect(slowing(braked('both'))).toBeCloseTo(mu * G, 6);
    expect(reportOf(braked('both')).brake?.distanceM).toBeCloseTo(4 / (2 * mu * G), 6);
  });

  it('held facing down, the front holds more of it and the rear less than facing up (common practice, no source)', () => {
    const holds = (which: 'rear' | 'front', grade: number): number =>
      reportOf(withDuty(braked(which), { task: 'hold', speed: typed(0, 'm/s'), grade: degrees(grade) })).brake
        ?.holdHasN ?? NaN;
    expect(holds('front', -8)).toBeGreaterThan(holds('front', 8));
    expect(holds('rear', -8)).toBeLessThan(holds('rear', 8));
    // Facing down 8°: the front has (c cosθ + h sinθ)/L of the weight (statics).
    const [theta, weight] = [(8 * Math.PI) / 180, 50 * G];
    const front = (weight * (0.5 * Math.cos(theta) + 0.3 * Math.sin(theta))) / 1.2;
    expect(holds('front', -8)).toBeCloseTo(0.6 * front, 6);
  });

  const towing = (grade: number, part: Partial<Duty> = {}): Build =>
    withDuty(braked('both'), {
      grade: degrees(grade),
      towed: { mass: typed(30, 'kg'), rolling: typed(0, '') },
      ...part,
    });

  it('counts in what is towed, which has no brake of its own (closed forms by hand, 50 kg tug and 30 kg behind)', () => {
    const [cos, sin] = [Math.cos((6 * Math.PI) / 180), Math.sin((6 * Math.PI) / 180)];
    // All of the tug brakes, all of both is slowed: (m + mt) a = μ m g cosθ − (m + mt) g sinθ.
    expect(slowing(towing(-6))).toBeCloseTo((0.6 * 50 * G * cos) / 80 - G * sin, 6);
    const hold = reportOf(towing(-6, { task: 'hold', speed: typed(0, 'm/s') })).brake;
    expect(hold?.holdNeedsN).toBeCloseTo(80 * G * sin, 6);
    expect(hold?.holdHasN).toBeCloseTo(0.6 * 50 * G * cos, 6);
  });

  it('takes the braked wheels’ load with the push at the hitch (moments about the rear contact, by hand)', () => {
    const front = towing(-6, { task: 'hold', speed: typed(0, 'm/s') });
    const axles = front.layout.axles.map((axle) => ({ ...axle, braked: axle.id === 'front' }));
    const hitch = { ...front.hitch, height: typed(0.25, 'm') };
    const [cos, sin] = [Math.cos((6 * Math.PI) / 180), Math.sin((6 * Math.PI) / 180)];
    // Facing down, its own weight and what pushes from behind both press on the front.
    const load = (50 * G * (0.5 * cos + 0.3 * sin) + 30 * G * sin * 0.25) / 1.2;
    const { brake } = reportOf({ ...front, hitch, layout: { ...front.layout, axles } });
    expect(brake?.holdHasN).toBeCloseTo(0.6 * load, 6);
  });

  it('says that what is towed pushes and swings round, and where the two do not stop', () => {
    expect(textsOf(towing(-6))).toMatch(/pushes with .* swing round the vehicle/);
    expect(textsOf(braked('both'))).not.toMatch(/swing round/);
    const heavy = towing(-14, { towed: { mass: typed(400, 'kg'), rolling: typed(0, '') } });
    expect(textsOf(heavy)).toMatch(/does not stop on the way down/);
  });

  it('is asked within a distance: enough, too short, and gone before the brake bites', () => {
    const within = (metres: number, reaction = 0) => {
      const build = braked('both');
      const asked = withDuty(
        { ...build, brake: { ...build.brake, reaction: typed(reaction, 's') } },
        { stopWithin: typed(metres, 'm') },
      );
      return evaluate(asked).links.find(({ link }) => link === 'brake-stop');
    };
    expect(within(1)?.verdict).toBe('ample');
    expect(within(0.2)?.verdict).toBe('fails');
    expect(within(1, 0.6)?.ratio).toBeLessThan(0.001);
  });

  it('holds nothing without a friction brake, however the motors brake', () => {
    const hold = (kind: Build['brake']['kind']): number =>
      reportOf(
        withDuty(
          { ...braked('both'), brake: { kind, reaction: typed(0, 's') } },
          { task: 'hold', grade: degrees(6), speed: typed(0, 'm/s') },
        ),
      ).brake?.holdHasN ?? NaN;
    expect([hold('none'), hold('electronic')]).toEqual([0, 0]);
    // All wheels braked: μ m g cosθ (by hand, 50 kg).
    expect(hold('friction')).toBeCloseTo(0.6 * 50 * G * Math.cos((6 * Math.PI) / 180), 6);
  });
});
