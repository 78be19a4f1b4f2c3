/** What parts say of each other, where one thing more or less turns it. */
import { describe, expect, it } from 'vitest';
import { STANDARD_GRAVITY, typed } from '../quantity/index.ts';
import { reportInWords } from '../say/index.ts';
import { demoBuilds } from '../testing/demo-builds.ts';
import { needed } from '../testing/numbers.ts';
import { foundOf, misfits, shelfPart, withParts } from '../testing/on-the-shelf.ts';
import { on } from '../testing/vehicles.ts';
import { changeDrive, choosePart, partSchema, type Build, type Part } from '../vehicle/index.ts';
import { evaluate } from './evaluate.ts';
import { fuseThatSuits, mainSwitchOf } from './supply-links.ts';

const puffin = needed(demoBuilds().puffin, 'Puffin');
const made = (part: object): Part => partSchema.parse({ name: 'A part', massKg: 0.1, ...part });
const saidOf = (build: Build): string =>
  reportInWords(evaluate(build), build)
    .findings.map(({ text }) => text)
    .join('\n')
    .replaceAll('\u00a0', ' ');

describe('the load of a wheel', () => {
  const axle = needed(puffin.layout.axles[0], 'axle');
  const wheel = (id: string, size: number, mostLoadKg: number) =>
    shelfPart('wheel-330', {
      ...{ id, mostLoadKg, diameterMm: axle.diameter.value * 1000 * size },
      ...{ boreMm: undefined, bolts: undefined, boltCircleMm: undefined },
    });
  const carries = (build: Build): number | undefined =>
    evaluate(build).governing.find(({ link }) => link === 'wheel-load')?.has;

  it('is that of the fitted wheel nearest in size, in whichever order they were fitted', () => {
    const [near, far] = [wheel('near', 1.02, 40), wheel('far', 1.08, 90)];
    const asked = 40 * STANDARD_GRAVITY;
    expect(carries(withParts(puffin, [near, 4], [far, 4]))).toBeCloseTo(asked, 6);
    expect(carries(withParts(puffin, [far, 4], [near, 4]))).toBeCloseTo(asked, 6);
  });

  it('of a tracked vehicle is that of its track, not of the first part that is fitted', () => {
    const tracked = on('tracked', puffin);
    const track = made({ kind: 'track', id: 'track', mostLoadKg: 70, widthMm: 60 });
    const build = withParts(tracked, [wheel('wheel', 1, 5), 2], [track, 2]);
    expect(carries(build)).toBeCloseTo(70 * STANDARD_GRAVITY, 6);
  });
});

describe('encoders, pins and small currents', () => {
  const counted = choosePart(puffin, shelfPart('motor-24v-500w-9', { encoderCounts: 2000 }));

  it('are not read by a board that says nothing of encoders, however slow it is', () => {
    const board = shelfPart('controller-small', { encoderInputs: undefined, readsHz: 10, ports: 40 });
    expect(misfits(withParts(counted, [board, 1]))).toEqual(['encoder-inputs']);
    const reader = shelfPart('controller-small', { encoderInputs: 2, readsHz: 10, ports: 40 });
    expect(misfits(withParts(counted, [reader, 1]))).toEqual(['encoder-too-quick']);
  });

  it('tell what a metre is in counts, beside the speed', () => {
    const [note, ...more] = foundOf(counted, 'encoder-way');
    expect(more).toEqual([]);
    expect(note?.link).toBe('speed');
  });

  it('take the pins of each motor by the signal of its driver: two of direction and PWM', () => {
    const driver = shelfPart('driver-2x32', { signal: 'direction and PWM', logicV: undefined });
    const build = choosePart(puffin, driver);
    const board = (ports: number) =>
      shelfPart('controller-small', { ports, signal: 'direction and PWM', logicV: undefined });
    const ports = [1, 2, 3, 4, 5, 6].filter(
      (n) => !misfits(withParts(build, [board(n), 1])).includes('ports'),
    );
    // Two motors; direction and PWM is a pin each.
    expect(ports).toEqual([4, 5, 6]);
  });

  it('are drawn by controllers and sensors, not by what only switches', () => {
    const build = choosePart(puffin, shelfPart('driver-2x32', { supplyV: 5, supplyA: 0.1 }));
    const relay = made({ kind: 'switch', type: 'contactor', id: 'relay', continuousA: 80, drawsA: 0.5 });
    expect(misfits(withParts(build, [relay, 1]))).toEqual([]);
  });
});

describe('bores and holes', () => {
  const hub = (more: object) => shelfPart('hub-17', { boltCircleMm: undefined, ...more });

  it('say nothing of a shaft that nobody measured', () => {
    const motor = shelfPart('motor-24v-500w-9', { shaftDiameterMm: undefined, shape: undefined });
    expect(misfits(withParts(choosePart(puffin, motor), [hub({ boreMm: 30 }), 1]))).toEqual([]);
  });

  it('of a hub cut for a key go on a shaft of which no key is said', () => {
    const shaft = shelfPart('shaft-17', { shape: 'keyed', keyMm: undefined });
    expect(
      misfits(withParts(puffin, [shaft, 1], [hub({ boreMm: 17, shape: 'keyed', keyMm: 4 }), 1])),
    ).toEqual([]);
  });

  it('that meet no shaft name the nearest, and its size', () => {
    const shafts = [8, 17, 40].map(
      (diameterMm) =>
        [
          shelfPart('shaft-17', { id: `shaft-${diameterMm}`, name: `Shaft of ${diameterMm}`, diameterMm }),
          1,
        ] as const,
    );
    const bored = [hub({ boreMm: 20, name: 'The hub' }), 1] as const;
    expect(saidOf(withParts(puffin, ...shafts, bored))).toMatch(
      /“The hub” has a bore of 20 mm, and the nearest shaft, of “Shaft of 17”, has 17 mm: a bush/,
    );
    expect(saidOf(withParts(puffin, ...[...shafts].reverse(), bored))).toContain('“Shaft of 17”, has 17 mm');
  });

  it('on one circle meet where one of the two says how many, and not where both say unlike', () => {
    const wheel = shelfPart('wheel-200', { boreMm: undefined, boltCircleMm: 58, bolts: 5 });
    const round = (bolts: number | undefined) =>
      shelfPart('hub-20', { boreMm: undefined, boltCircleMm: 58, bolts });
    expect(misfits(withParts(puffin, [wheel, 4], [round(undefined), 4]))).toEqual([]);
    expect(misfits(withParts(puffin, [wheel, 4], [round(5), 4]))).toEqual([]);
    expect(misfits(withParts(puffin, [wheel, 4], [round(4), 4]))).toEqual(['bolt-circle']);
  });
});

describe('what parts weigh and give together', () => {
  const packs = (more: object, joined: 'in series' | 'in parallel' = 'in parallel'): Build => ({
    ...puffin,
    supply: {
      ...puffin.supply,
      joined,
      packs: puffin.supply.packs.map((pack) => ({ ...pack, ...more })),
    },
  });
  const [battery] = puffin.parts.filter(({ kind }) => kind === 'battery');
  const batteryKg = needed(battery, 'battery').massKg;

  it('counts packs in series and side by side: two by three are six', () => {
    const of = (build: Build): number => {
      const [one] = foundOf({ ...build, masses: light(build) }, 'parts-heavier');
      return needed(one, 'heavier').figures.parts.value;
    };
    const light = ({ masses }: Build): Build['masses'] => ({
      ...masses,
      own: { ...masses.own, mass: typed(0.5, 'kg') },
    });
    expect(of(packs({ inSeries: 2, inParallel: 3 })) - of(puffin)).toBeCloseTo(5 * batteryKg, 9);
  });

  it('says how many packs are in series, and how many strings side by side', () => {
    expect(foundOf(packs({ inSeries: 2 }), 'packs-in-series')[0]?.figures.packs.value).toBe(2);
    expect(foundOf(packs({ inParallel: 3 }), 'packs-in-parallel')[0]?.figures.packs.value).toBe(3);
    expect(foundOf(puffin, 'packs-in-series')).toEqual([]);
    expect(foundOf(puffin, 'packs-in-parallel')).toEqual([]);
  });

  it('says of unlike packs in series what each holds, Ah of all its cells', () => {
    const cell = needed(
      puffin.parts.find((part) => part.kind === 'battery'),
      'battery',
    );
    const small = partSchema.parse({ ...cell, id: 'small', cellAh: cell.cellAh / 4, parallel: 2 });
    const build: Build = {
      ...puffin,
      parts: [...puffin.parts, small],
      supply: {
        ...puffin.supply,
        joined: 'in series',
        packs: [...puffin.supply.packs, { id: 'small', inSeries: 1, inParallel: 1 }],
      },
    };
    const [note] = foundOf(build, 'first-empty');
    expect(note?.figures.least.value).toBeCloseTo((3600 * cell.cellAh) / 2, 6);
    expect(note?.figures.most.value).toBeCloseTo(3600 * cell.cellAh * cell.parallel, 6);
  });

  it('is held by the largest main switch that is fitted, whatever else is', () => {
    const { mainSwitch: _said, ...supply } = puffin.supply;
    const bare = { ...puffin, supply };
    const key = (id: string, continuousA: number) =>
      [made({ kind: 'switch', type: 'switch', id, continuousA }), 1] as const;
    const wheel = [shelfPart('wheel-200', { boltCircleMm: undefined, boreMm: undefined }), 4] as const;
    expect(mainSwitchOf(bare)).toBeUndefined();
    expect(mainSwitchOf(withParts(bare, key('a', 40), wheel, key('b', 90)))).toBe(90);
    expect(mainSwitchOf(withParts(puffin, key('b', 90)))).toBe(63);
  });

  it('is fused no higher than its cable bears', () => {
    const { duties } = evaluate(puffin);
    const thin = { length: typed(1.5, 'm'), area: typed(0.5e-6, 'mm²') };
    const { cable: _none, ...uncabled } = puffin.supply;
    expect(fuseThatSuits({ ...puffin, supply: uncabled }, duties)).toBe(fuseThatSuits(puffin, duties));
    expect(fuseThatSuits({ ...puffin, supply: { ...puffin.supply, cable: thin } }, duties)).toBeUndefined();
  });

  it('of leads is their rating against the current of their motors', () => {
    const leads = { length: typed(0.5, 'm'), area: typed(2.5e-6, 'mm²') };
    const { links, duties } = evaluate(changeDrive(puffin, { leads }));
    const link = links.find((one) => one.link === 'leads');
    const most = Math.max(...duties.map(({ point }) => Math.abs(point?.currentA ?? 0)));
    expect(link?.dutyId).toBeNull();
    expect(link?.needs).toBeGreaterThan(0);
    expect(link?.needs).toBeLessThanOrEqual(most);
    expect(link?.has).toBeGreaterThan(10);
  });
});

it('a sphere whose mass inside reaches past its shell is told both', () => {
  const sphere = on('sphere');
  const radius = needed(sphere.layout.axles[0], 'axle').diameter.value / 2;
  const inner = (offset: number): Build => ({
    ...sphere,
    innerDrive: { mass: typed(2, 'kg'), shellMass: typed(1, 'kg'), offset: typed(offset, 'm') },
  });
  const [outside] = foundOf(inner(1.1 * radius), 'inner-outside');
  expect(outside?.figures.offset.value).toBeCloseTo(1.1 * radius, 9);
  expect(outside?.figures.radius.value).toBeCloseTo(radius, 9);
  expect(foundOf(inner(0.9 * radius), 'inner-outside')).toEqual([]);
});
