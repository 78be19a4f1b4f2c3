import { describe, expect, it } from 'vitest';
import { layoutFindings } from '../layout/index.ts';
import { typed } from '../quantity/index.ts';
import { arranged, face, m, part } from '../testing/arranged.ts';
import type { Build } from '../vehicle/index.ts';
import { layoutFindingInWords, moveToInWords } from './index.ts';

const plain = (text: string): string => text.replaceAll(/\s/g, ' ');
const said = (build: Build, system: 'metric' | 'imperial' = 'metric'): string[] =>
  layoutFindings(build).map((finding) => plain(layoutFindingInWords(finding, build, system)));
const battery = part({
  id: 'Battery',
  at: [0.35, 0, 0.2],
  sides: [0.2, 0.15, 0.1],
  faces: [face('top', 0.1)],
});

describe('what is found of a layout', () => {
  it('says what is in whose way, and how far it goes to be clear', () => {
    const build = arranged([battery, part({ id: 'Box', at: [0.5, 0.02, 0.2], sides: [0.2, 0.2, 0.1] })]);
    expect(said(build)[0]).toBe('“Battery” and “Box” are in the same place. 53 mm backwards it is clear.');
    expect(said(build, 'imperial')[0]).toContain('2.09 in backwards');
  });
  it('names what has to come off, in order', () => {
    const build = arranged([battery, part({ id: 'Deck', at: [0.35, 0, 0.3], sides: [0.4, 0.4, 0.01] })]);
    expect(said(build)).toContain('The lid of “Battery” is reached only after taking off Deck.');
  });
  it('tells of weight that is missing, aside or in the air', () => {
    const heavy = part({ id: 'Lump', at: [0.35, 0.3, 0.5], sides: [0.1, 0.1, 0.1], kg: 70 });
    expect(said(arranged([heavy]))).toEqual(
      expect.arrayContaining([
        'The placed parts weigh 70 kg, more than the whole vehicle was said to (58 kg). Weigh it again, or the parts.',
        'Its middle of gravity is 300 mm left of the middle line: it pulls to that side.',
      ]),
    );
    const behind = part({ id: 'Lump', at: [-0.6, 0, 0.5], sides: [0.1, 0.1, 0.1], kg: 50 });
    expect(said(arranged([behind]))).toContain(
      'Without its load it does not stand: a wheel lifts. Bring weight between its wheels.',
    );
  });
  it('tells of a door or an event that is too narrow, with its wheels straight', () => {
    const build = arranged([part({ id: 'Arm', at: [0.35, 0.4, 0.5], sides: [0.1, 0.3, 0.1] })]);
    const limited: Build = { ...build, aims: { ...build.aims, width: m(0.8) } };
    // From the right wheel's outside, 350 mm, to the arm's end, 550 mm.
    expect(said(limited)).toContain(
      'With its parts it comes to 900 mm of width; at most 800 mm are allowed.',
    );
  });
  it('tells of a shaft that floats or slides out, and of what does not fit on it', () => {
    const shafts: NonNullable<NonNullable<Build['arrangement']>['shafts']> = [
      {
        id: 'axle',
        name: 'Axle',
        length: m(0.2),
        float: m(0.0005),
        stack: [
          { id: 'b', name: 'Bearing', kind: 'bearing', width: m(0.01), hold: 'frame', at: m(0.02) },
          { id: 's', name: 'Spacer', kind: 'spacer', width: m(0.03), hold: 'loose' },
          { id: 'h', name: 'Hub', kind: 'hub', width: m(0.02), hold: 'shaft', at: m(0.06) },
        ],
      },
    ];
    expect(said(arranged([], { shafts }))).toEqual([
      'On “Axle” what sits between “Bearing” and “Hub” is 5 mm too wide.',
      'Nothing keeps “Axle” from sliding out towards its second end: clamp a collar on it against a bearing.',
    ]);
  });
});

describe('where a part would go', () => {
  it('is said from the rear axle, from the middle and from the ground', () => {
    const build = arranged([battery]);
    const to = { partId: 'Battery', aheadM: -0.1, leftM: -0.02, aboveM: 0.3, turnRad: 0 };
    expect(plain(moveToInWords(to, build))).toBe(
      '“Battery” to 100 mm behind the rear axle, 20 mm right, 300 mm up',
    );
    expect(plain(moveToInWords({ ...to, aheadM: 0, leftM: 0, turnRad: typed(1, '°').value }, build))).toBe(
      '“Battery” to over the rear axle, on the middle line, 300 mm up, turned',
    );
  });
});
