import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { calculate } from '../calculators/index.ts';
import { typed } from '../quantity/index.ts';
import { cautionsOf } from '../say/index.ts';
import { launchOfBuild } from '../simulate/index.ts';
import { finite, G } from '../testing/numbers.ts';
import { degrees, firstDuty, rearDriven, reportOf, withDuty } from '../testing/vehicles.ts';
import { workingOf, type Calculation } from '../working/index.ts';
import { readBuild, type Duty, type Push } from '../vehicle/index.ts';

const read = readBuild(JSON.parse(readFileSync('packages/core/src/testing/puffin.zubric.json', 'utf8')));
if (!read.ok) throw new Error('the demo build cannot be read');
const puffin = read.build;

const blade = (part: Partial<Extract<Push, { kind: 'force' }>> = {}): Push => ({
  kind: 'force',
  force: typed(80, 'N'),
  height: typed(0.2, 'm'),
  ahead: typed(1.3, 'm'),
  load: typed(0, 'N'),
  ...part,
});
const heap = (part: Partial<Extract<Push, { kind: 'heap' }>> = {}): Push => ({
  kind: 'heap',
  what: 'wet-snow',
  width: typed(0.9, 'm'),
  heap: typed(0.25, 'm'),
  height: typed(0.1, 'm'),
  ahead: typed(1.3, 'm'),
  load: typed(0, 'N'),
  ...part,
});
const level: Partial<Duty> = { speed: typed(0.8, 'm/s') };
const pushing = (push: Push, part: Partial<Duty> = {}) =>
  reportOf(withDuty(rearDriven(), { ...level, ...part, push }));
const plain = (part: Partial<Duty> = {}) => reportOf(withDuty(rearDriven(), { ...level, ...part }));
const axle = (report: ReturnType<typeof plain>, id: string): number =>
  report.footing.axles.find(({ axleId }) => axleId === id)?.loadN ?? NaN;

describe('a blade that pushes', () => {
  it('adds its force to what is asked along the ground, and grip is asked for it', () => {
    const [without, with80] = [plain(), pushing(blade())];
    expect(with80.resistance.pushingN).toBe(80);
    // Rolling does not change: all the weight stays on the ground.
    expect(with80.resistance.totalN - without.resistance.totalN).toBeCloseTo(80, 9);
  });

  it('shifts weight off the front as the lever law says: force times its height over the wheelbase', () => {
    fc.assert(
      fc.property(finite(0, 120), finite(0, 0.6), (forceN, heightM) => {
        const pushed = pushing(blade({ force: typed(forceN, 'N'), height: typed(heightM, 'm') }));
        const shift = (forceN * heightM) / 1;
        expect(axle(pushed, 'rear') - axle(plain(), 'rear')).toBeCloseTo(shift, 6);
        expect(axle(pushed, 'front') - axle(plain(), 'front')).toBeCloseTo(-shift, 6);
      }),
    );
  });

  it('carries what presses on the blade, before the front axle more than all of it (lever law)', () => {
    const pressed = pushing(blade({ load: typed(50, 'N'), height: typed(0, 'm') }));
    expect(axle(pressed, 'front') - axle(plain(), 'front')).toBeCloseTo(50 * 1.3, 6);
    expect(axle(pressed, 'rear') - axle(plain(), 'rear')).toBeCloseTo(-50 * 0.3, 6);
    // Lifted off the pile it presses no more.
    const lifted = pushing(blade({ force: typed(0, 'N'), load: typed(50, 'N') }));
    expect(axle(lifted, 'front')).toBeCloseTo(axle(plain(), 'front'), 9);
  });

  it('tips it back over the rear axle: the moments of the push and of what presses on the blade (by hand)', () => {
    const { tip } = pushing(blade({ force: typed(200, 'N'), height: typed(0.5, 'm'), load: typed(20, 'N') }));
    expect(tip?.along?.to).toBe('rear');
    expect(tip?.along?.overturningNm).toBeCloseTo(200 * 0.5, 6);
    expect(tip?.along?.rightingNm).toBeCloseTo(50 * G * 0.4 + 20 * 1.3, 6);
  });

  it('is not pushed with while it is held, stops, or rolls flat out', () => {
    const held = pushing(blade(), { task: 'hold', grade: degrees(5) });
    expect(held.resistance.pushingN).toBe(0);
    expect(axle(held, 'rear')).toBeCloseTo(axle(plain({ task: 'hold', grade: degrees(5) }), 'rear'), 9);
  });

  it('holds a full heap before it: 0.8 w h² of it (SAE J1265), slid along the ground', () => {
    const massKg = 0.8 * 0.9 * 0.25 ** 2 * 400;
    expect(pushing(heap()).resistance.pushingN).toBeCloseTo(massKg * G * 0.4, 9);
    const up = pushing(heap(), { grade: degrees(6) });
    const slope = (6 * Math.PI) / 180;
    expect(up.resistance.pushingN).toBeCloseTo(massKg * G * (0.4 * Math.cos(slope) + Math.sin(slope)), 9);
    // Steeper down than the heap's own friction it slides by itself, and does not pull.
    expect(pushing(heap(), { grade: degrees(-40) }).resistance.pushingN).toBe(0);
  });

  it('a full dozer blade is of the size that makers publish (SAE J1265; 3.26 m by 1.27 m holds 4.2 m³, from memory)', () => {
    const { volumeM3 } = calculate('heap-push', {
      widthM: 3.26,
      heightM: 1.27,
      densityKgM3: 1700,
      friction: 0.6,
    }) as { volumeM3: number };
    expect(volumeM3).toBeGreaterThan(3.9);
    expect(volumeM3).toBeLessThan(4.5);
  });

  it('shows how its force was reached, down to the heap', () => {
    const build = withDuty(rearDriven(), { ...level, push: heap() });
    const working = workingOf(build, 'force', firstDuty(build).id) as Calculation;
    expect(working.found.totalN).toBeCloseTo(reportOf(build).resistance.totalN, 9);
    const { working: inner } = working.inputs.find(({ key }) => key === 'pushingN') as {
      working?: Calculation;
    };
    expect(inner?.calculator).toBe('heap-push');
  });

  it('slows a launch as a pull at the hitch of the same force and height does, and is warned of', () => {
    const [first] = puffin.duties;
    if (!first) throw new Error('the build has jobs');
    const pushed: Duty = { ...first, push: blade({ force: typed(40, 'N'), height: puffin.hitch.height }) };
    const pulled: Duty = { ...first, drawbar: typed(40, 'N') };
    const launch = (duty: Duty) => {
      const build = { ...puffin, duties: [duty] };
      return launchOfBuild(build, duty, reportOf(build), 3);
    };
    expect(launch(pushed)?.drawbarN).toBe(40);
    expect(launch(pushed)).toEqual(launch(pulled));
    expect(cautionsOf({ ...puffin, duties: [pushed] }).join(' ')).toContain('nobody in front of it');
    expect(cautionsOf(puffin).join(' ')).not.toContain('nobody in front of it');
  });
});
