import { describe, expect, it } from 'vitest';
import type { Cloud, DriveFindingKind, DriveStudy } from '../driving/index.ts';
import { courseOf } from '../vehicle/index.ts';
import { driveFindingInWords, driveMoveInWords, endsInWords } from './driving.ts';

const cloud: Cloud = {
  ...{ runs: 10, arrive: 9, meanSideM: -0.1, sdSideM: 0.02, meanAheadM: -0.2, sdAheadM: 0.01 },
  ...{ meanHeadingDeg: 12, sdHeadingDeg: 1, rmsM: 0.2, ellipse: { longM: 0.1, shortM: 0.05, deg: 0 } },
};
const study = {
  cloud,
  causes: [{ cause: 'wheels', rmsM: 0.09, meanSideM: 0 }],
  first: { slipped: [{ name: 'Track, left' }, { name: 'Track, left' }] },
} as unknown as DriveStudy;
const course = courseOf([{ kind: 'go', distanceM: 4 }]);
const said = (kind: DriveFindingKind, runs = 10): string =>
  driveFindingInWords({ kind, severity: 'short', runs }, study, course).replaceAll('\u00a0', ' ');

describe('a course driven, in words', () => {
  it('says where runs end, to the right positive, and in the builder’s units', () => {
    expect(endsInWords(cloud).replaceAll('\u00a0', ' ')).toBe(
      'Nineteen of twenty runs end between 140 mm to the left and 60 mm to the left',
    );
    expect(endsInWords({ ...cloud, runs: 1 }, 'imperial')).toMatch(/3\.94.in to the left/);
  });

  it('says of each finding how many runs it is of, and its number', () => {
    expect(said('veers')).toBe(
      'It ends more than 100 mm to a side in every run, the most by wheels of unlike size, which alone would put it 90 mm off.',
    );
    expect(said('turns-short')).toBe('It ends 12° off its heading, to the right, the same way each time.');
    expect(said('off-distance')).toBe('It stops 200 mm short, the same each time.');
    expect(said('slips', 3)).toBe(
      'Wheels slip in 3 of 10 runs (Track, left): counts then say more than it goes.',
    );
    expect(said('tips')).toContain('tips over in every run');
    expect(said('stuck')).toContain('does not get on');
    expect(said('stalled')).toContain('a wheel stands still');
    expect(said('gave-up', 1)).toContain('in 1 of 10 runs');
    expect(said('lifts')).toContain('leaves the ground');
  });

  it('says what would mend it, and what it comes to', () => {
    const near = { ...cloud, rmsM: 0.01 };
    expect(
      driveMoveInWords({ does: 'control', school: 'held together', cloud: near }).replaceAll('\u00a0', ' '),
    ).toBe('Drive it by counted turns, sides held together: 10 mm from its end instead');
    expect(driveMoveInWords({ does: 'calibrate', turnFactor: 1.884, cloud: near })).toContain(
      'Count 1.88 times',
    );
    expect(driveMoveInWords({ does: 'match', cause: 'weight', cloud: near })).toContain('to the middle');
  });
});
