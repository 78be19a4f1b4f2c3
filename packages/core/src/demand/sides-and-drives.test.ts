/** How drives share what the ground holds, and what a turn asks of each side, by statics and kinematics. */
import { describe, expect, it } from 'vitest';
import { typed } from '../quantity/index.ts';
import { demoBuilds } from '../testing/demo-builds.ts';
import { needed } from '../testing/numbers.ts';
import { firstDuty, on, rearDriven, withDuty } from '../testing/vehicles.ts';
import { changeDrive, throughDrive, type Build } from '../vehicle/index.ts';
import { gripOfDrive } from './driven-grip.ts';
import { askedOf, demandOf, footingOf, lockedInput, meanFigure, pivotInput, turnSweep } from './index.ts';

const puffin = needed(demoBuilds().puffin, 'Puffin');
const bend = (metres: number) => ({ kind: 'radius', radius: typed(metres, 'm') }) as const;

describe('several drives', () => {
  const four = on('four-skid', puffin);
  const [drive] = four.drives;
  if (!drive) throw new Error('Puffin has a drive');
  const split: Build = {
    ...four,
    drives: [
      { ...drive, axleIds: ['axle-1'] },
      { ...drive, id: 'other', axleIds: ['axle-2'] },
    ],
  };

  it('of an axle each pull by its wheels alone, and together until the first of them slips', () => {
    const { contacts, gripN = NaN } = footingOf(split, firstDuty(split));
    const of = (axleId: string): number =>
      2 * Math.min(...contacts.filter((c) => c.axleId === axleId).map((c) => c.gripN));
    expect(gripOfDrive(throughDrive(split, drive.id), contacts)).toBeCloseTo(of('axle-1'), 9);
    expect(gripOfDrive(throughDrive(split, 'other'), contacts)).toBeCloseTo(of('axle-2'), 9);
    // Alike, they share the force alike: the lighter axle slips first.
    expect(gripN).toBeCloseTo(2 * Math.min(of('axle-1'), of('axle-2')), 6);
  });

  it('without a motor share by their drivelines', () => {
    const bare = { ...split, drives: split.drives.map((one) => ({ ...one, motorId: null })) };
    const { contacts, gripN = NaN } = footingOf(bare, firstDuty(bare));
    const of = (axleId: string): number =>
      2 * Math.min(...contacts.filter((c) => c.axleId === axleId).map((c) => c.gripN));
    expect(gripN).toBeCloseTo(2 * Math.min(of('axle-1'), of('axle-2')), 6);
  });
});

describe('a locked axle round a bend', () => {
  const given = (change: Parameters<typeof changeDrive>[1]) => {
    const build = withDuty(changeDrive(on('rear-locked'), change), { turn: bend(3) });
    const footing = footingOf(build, firstDuty(build));
    return { build, footing, input: lockedInput(build, firstDuty(build), footing) };
  };

  it('is what its drive makes of it: with a motor at each wheel there is nothing to lock', () => {
    expect(given({ together: 'axle', differential: 'locked' }).input?.differential).toBe('locked');
    expect(given({ together: 'wheel', differential: 'locked' }).input?.differential).toBe('separate');
    expect(given({ together: 'side', differential: 'locked' }).input?.differential).toBe('separate');
  });

  it('bears its own load, the steered wheels theirs, each with the grip of its own', () => {
    const { build, footing, input } = given({ together: 'axle' });
    const load = (axleId: string) => footing.axles.find((axle) => axle.axleId === axleId)?.loadN;
    expect(input).toMatchObject({ drivenLoadN: load('rear'), steeredLoadN: load('front'), turnRadiusM: 3 });
    expect(input?.trackM).toBe(build.layout.axles.find(({ id }) => id === 'rear')?.track.value);
    expect(input?.friction).toBe(
      meanFigure(build, firstDuty(build), [{ axleId: 'rear', loadN: 1 }], 'friction'),
    );
    const straight = on('rear-locked');
    expect(lockedInput(straight, firstDuty(straight), footing)).toBeUndefined();
  });
});

describe('castors dragged round', () => {
  it('have the arm of their mean moment about the middle of the driven wheels', () => {
    const build = withDuty(on('two-castors'), { turn: { kind: 'on-the-spot' } });
    const footing = footingOf(build, firstDuty(build));
    const free = footing.contacts.filter(({ driven }) => !driven);
    const { freeLoadN, freeArmM } = pivotInput(build, firstDuty(build), footing);
    expect(freeLoadN).toBeCloseTo(
      free.reduce((sum, c) => sum + c.loadN, 0),
      9,
    );
    expect(freeArmM).toBeCloseTo(Math.hypot(free[0]?.aheadM ?? NaN, free[0]?.leftM ?? NaN), 9);
  });
});

describe('turning', () => {
  it('is swept about what it is, grip of one side beside it', () => {
    for (const layout of ['four-skid', 'tracked']) {
      const build = withDuty(on(layout), { turn: { kind: 'on-the-spot' } });
      const { asked } = askedOf(build, firstDuty(build), undefined);
      const sweep = turnSweep(build, firstDuty(build), asked, 12);
      expect(sweep?.gripN).toBeCloseTo((asked.footing.gripN ?? NaN) / 2, 9);
      expect(sweep?.points[5]?.share).toBeCloseTo(1, 12);
      expect(sweep?.points[5]?.longerN).toBeCloseTo(sweep?.nowN ?? NaN, 9);
      expect(sweep?.points[5]?.widerN).toBeCloseTo(sweep?.nowN ?? NaN, 9);
    }
  });

  it('round a bend its outer side goes as much faster as its inner goes slower: half the track over the radius', () => {
    for (const layout of ['four-skid', 'tracked', 'two-castors']) {
      const build = withDuty(on(layout), { turn: bend(2), speed: typed(1, 'm/s') });
      const { turn } = demandOf(build, firstDuty(build));
      const track = build.layout.axles.find(({ driven }) => driven)?.track.value ?? NaN;
      expect(turn?.outerMps).toBeCloseTo(1 + track / 4, 9);
      expect(turn?.innerMps).toBeCloseTo(1 - track / 4, 9);
    }
    const steered = withDuty(rearDriven(), { turn: bend(2), speed: typed(1, 'm/s') });
    expect(demandOf(steered, firstDuty(steered)).turn).toMatchObject({ outerMps: 1, innerMps: 1 });
  });
});
