/** Whether the parts of a build fit each other: what joins them is named, and what no part says is not held against it. */
import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { reportInWords } from '../say/index.ts';
import { misfits, shelfPart, withParts } from '../testing/on-the-shelf.ts';
import { withDuty } from '../testing/vehicles.ts';
import { choosePart, fitPart, fittedOf, openBuild, partSchema, type Build } from '../vehicle/index.ts';
import { evaluate } from './evaluate.ts';

const opened = openBuild(JSON.parse(readFileSync('packages/core/src/testing/puffin.zubric.json', 'utf8')));
if (!opened.ok) throw new Error('the build of the tests opens');
const puffin = opened.build;
const said = (build: Build): string =>
  reportInWords(evaluate(build), build)
    .findings.map(({ text }) => text)
    .join('\n')
    .replaceAll('\u00a0', ' ');

describe('parts that do not fit each other', () => {
  it('are none where nobody says how they are joined', () => {
    expect(misfits(puffin)).toEqual([]);
  });

  it('two plugs: a lead with both', () => {
    const build = choosePart(
      choosePart(puffin, shelfPart('battery-8s-20', { plug: 'ring terminal' })),
      shelfPart('driver-2x32', { plug: 'bullet' }),
    );
    expect(misfits(build)).toEqual(['plug']);
    expect(said(build)).toMatch(/ring terminal plug and .*a bullet one: a lead/);
    expect(misfits(choosePart(build, shelfPart('driver-2x32', { plug: 'ring terminal' })))).toEqual([]);
  });

  it('a signal that the driver does not take, and logic voltages apart', () => {
    const driver = shelfPart('driver-2x32', { signal: 'direction and PWM', logicV: 5 });
    const build = choosePart(puffin, driver);
    const servo = shelfPart('receiver-6');
    expect(misfits(withParts(build, [servo, 1]))).toEqual(['signal']);
    expect(misfits(withParts(build, [shelfPart('receiver-6', { signal: 'direction and PWM' }), 1]))).toEqual(
      [],
    );
    const board = shelfPart('controller-four', { signal: 'direction and PWM' });
    expect(misfits(withParts(build, [board, 1]))).toEqual(['logic-voltage']);
    expect(said(withParts(build, [board, 1]))).toMatch(/signals at 5 V and .* at 3\.3 V: a level shifter/);
    expect(
      misfits(withParts(build, [shelfPart('controller-plain', { signal: 'direction and PWM' }), 1])),
    ).toEqual([]);
  });

  it('encoders without inputs, and counts that come too quickly', () => {
    const motor = shelfPart('motor-24v-500w-9', { encoderCounts: 2000 });
    const build = choosePart(puffin, motor);
    expect(misfits(build)).toEqual(['encoder-inputs']);
    const reader = shelfPart('driver-2x24-held', { signal: undefined, logicV: undefined, readsHz: 900000 });
    expect(misfits(choosePart(build, reader))).toEqual([]);
    // 2000 counts a turn and some 2000 turns a minute are over 60,000 a second.
    const slow = shelfPart('driver-2x24-held', { signal: undefined, logicV: undefined, readsHz: 20000 });
    expect(misfits(choosePart(build, slow))).toEqual(['encoder-too-quick']);
    const quickest = Math.max(...evaluate(build).duties.map(({ point }) => point?.motorRpm ?? 0));
    const finding = evaluate(choosePart(build, slow)).findings.find(({ code }) => code === 'misfit');
    expect(finding?.notice?.sentence).toMatchObject({});
    expect((quickest / 60) * 2000).toBeGreaterThan(20000);
  });

  it('a driver for another sort of motor', () => {
    const stepping = shelfPart('driver-step-7', { signal: undefined, logicV: undefined, plug: undefined });
    expect(misfits(choosePart(puffin, stepping))).toEqual(['motor-type']);
    expect(said(choosePart(puffin, stepping))).toMatch(
      /made for stepping motors.* is brushed: it will not turn/,
    );
    const one = choosePart(puffin, shelfPart('motor-step-86', { plug: undefined }));
    expect(misfits(choosePart(one, stepping))).toEqual([]);
  });

  it('more pins taken than there are', () => {
    const sound = shelfPart('sensor-sound', { logicV: undefined });
    expect(misfits(withParts(puffin, [shelfPart('controller-small', { ports: 4 }), 1], [sound, 2]))).toEqual(
      [],
    );
    expect(misfits(withParts(puffin, [shelfPart('controller-small', { ports: 4 }), 1], [sound, 3]))).toEqual([
      'ports',
    ]);
  });

  it('more drawn than the supply on the board gives', () => {
    const build = choosePart(puffin, shelfPart('driver-2x32', { supplyV: 5, supplyA: 0.8 }));
    const computer = shelfPart('controller-linux', { logicV: undefined, ports: undefined });
    expect(misfits(withParts(build, [computer, 1]))).toEqual(['supply-current']);
    expect(misfits(withParts(build, [computer, 1], [shelfPart('converter-5-8'), 1]))).toEqual([]);
  });

  it.each([
    ['bore', { boreMm: 30, shape: 'keyed' }, /a bush from one to the other/],
    ['bore', { boreMm: 4, shape: 'round' }, /bore it out/],
    ['bore-shape', { boreMm: 17, shape: 'hexagonal' }, /a hub with that bore/],
    ['key', { boreMm: 17, shape: 'keyed', keyMm: 4 }, /a stepped key/],
  ] as const)('%s: %j on a keyed shaft of 17 mm', (code, hub, says) => {
    const build = withParts(
      puffin,
      [shelfPart('shaft-17'), 1],
      [shelfPart('hub-17', { boltCircleMm: undefined, ...hub }), 2],
    );
    expect(misfits(build)).toEqual([code]);
    expect(said(build)).toMatch(says);
  });

  it('a bore of its own shaft, with a flat or keyed, fits; a coupler needs both its shafts', () => {
    const hub = shelfPart('hub-17', { boltCircleMm: undefined });
    expect(misfits(withParts(puffin, [shelfPart('shaft-17'), 1], [hub, 1]))).toEqual([]);
    const round = shelfPart('hub-8', { boltCircleMm: undefined });
    expect(misfits(withParts(puffin, [shelfPart('shaft-8', { shape: 'D' }), 1], [round, 1]))).toEqual([]);
    const coupler = shelfPart('coupler-5-8');
    expect(misfits(withParts(puffin, [shelfPart('shaft-8'), 1], [coupler, 1]))).toEqual(['bore']);
  });

  it('a wheel whose holes meet no hub', () => {
    const wheel = shelfPart('wheel-200', { boreMm: undefined });
    const hub = (boltCircleMm: number) => shelfPart('hub-20', { boreMm: undefined, boltCircleMm });
    expect(misfits(withParts(puffin, [wheel, 4], [hub(68), 4]))).toEqual(['bolt-circle']);
    expect(misfits(withParts(puffin, [wheel, 4], [hub(58), 4]))).toEqual([]);
  });
});

describe('more that must fit', () => {
  it('a mount whose holes are not the motor’s', () => {
    const motor = shelfPart('motor-24v-500w-9', { mountCircleMm: 62, mountHoles: 4 });
    const mount = (mountCircleMm: number, mountHoles: number) =>
      partSchema.parse({
        kind: 'mount',
        id: 'mount',
        name: 'Angle mount',
        massKg: 0.1,
        mountCircleMm,
        mountHoles,
      });
    const build = choosePart(puffin, motor);
    expect(misfits(withParts(build, [mount(62, 4), 2]))).toEqual([]);
    expect(misfits(withParts(build, [mount(62, 8), 2]))).toEqual([]);
    expect(misfits(withParts(build, [mount(62, 3), 2]))).toEqual(['mounting-holes']);
    expect(misfits(withParts(build, [mount(50, 4), 2]))).toEqual(['mounting-holes']);
    expect(said(withParts(build, [mount(50, 4), 2]))).toMatch(/circle of 62 mm.* 4 on 50 mm: drill it/);
  });

  it.each([
    [48, []],
    [40, []],
    [39, ['rail']],
    [53, ['rail']],
  ])('rollers for 40 to 52 mm on a tube of %d mm', (diameterMm, codes) => {
    const roller = shelfPart('roller-30', { boreMm: undefined, tubeLeastMm: 40, tubeMostMm: 52 });
    const tube = partSchema.parse({ kind: 'rail', id: 'tube', name: 'Heating tube', massKg: 4, diameterMm });
    expect(misfits(withParts(puffin, [roller, 4], [tube, 2]))).toEqual(codes);
  });

  it('tells what an encoder gives for a metre: counts times ratio over the way of a turn', () => {
    const build = choosePart(puffin, shelfPart('motor-24v-500w-9', { encoderCounts: 12 }));
    const { train, findings } = evaluate(build);
    const note = findings.find(({ code }) => code === 'encoder-way');
    const wheel = puffin.layout.axles.find(({ driven }) => driven)?.diameter.value ?? NaN;
    expect(note?.code === 'encoder-way' && note.figures.counts.value).toBeCloseTo(
      (12 * train.ratio) / (Math.PI * wheel),
      6,
    );
  });
});

describe('the load on a wheel', () => {
  const axle = puffin.layout.axles[0];
  if (!axle) throw new Error('it has an axle');
  const wheel = (mostLoadKg: number, size = 1) =>
    shelfPart('wheel-330', {
      diameterMm: axle.diameter.value * 1000 * size,
      mostLoadKg,
      boreMm: undefined,
      bolts: undefined,
      boltCircleMm: undefined,
    });
  const worst = (build: Build) => evaluate(build).governing.find(({ link }) => link === 'wheel-load');

  it('is held against what the wheel carries: the heaviest contact over g', () => {
    const report = evaluate(withParts(puffin, [wheel(50), 4]));
    const heaviest = Math.max(
      ...report.duties.flatMap(({ footing }) =>
        footing.contacts
          .filter(({ axleId }) => {
            const size = puffin.layout.axles.find(({ id }) => id === axleId)?.diameter.value ?? 0;
            return Math.max(size / axle.diameter.value, axle.diameter.value / size) <= 1.1;
          })
          .map(({ loadN }) => loadN),
      ),
    );
    const link = worst(withParts(puffin, [wheel(50), 4]));
    expect(link?.needs).toBeCloseTo(heaviest, 6);
    // 50 kg weigh 490.3325 N at standard gravity (ISO 80000-3).
    expect(link?.has).toBeCloseTo(490.3325, 6);
  });

  it('fails where the wheel is made for less, and is nothing where no wheel is said or none is of that size', () => {
    expect(worst(withParts(puffin, [wheel(5), 4]))?.verdict).toBe('fails');
    expect(worst(puffin)).toBeUndefined();
    expect(worst(withParts(puffin, [wheel(5, 1.3), 4]))).toBeUndefined();
    expect(said(withParts(puffin, [wheel(5), 4]))).toMatch(/A wheel carries .* it is made for 49/);
  });

  it('grows with the payload', () => {
    const heavier = {
      ...puffin,
      masses: {
        ...puffin.masses,
        payload: {
          ...puffin.masses.payload,
          mass: { ...puffin.masses.payload.mass, value: 2 * puffin.masses.payload.mass.value },
        },
      },
    };
    const load = (build: Build): number => worst(withParts(withDuty(build, {}), [wheel(500), 4]))?.needs ?? 0;
    expect(load(heavier)).toBeGreaterThan(load(puffin));
  });
});

describe('fitted parts', () => {
  it('come, change their number and go again, and the build is as it was', () => {
    const wheel = shelfPart('wheel-330');
    const four = fitPart(puffin, wheel, 4);
    expect(fittedOf(four)).toEqual([{ part: wheel, count: 4 }]);
    expect(fittedOf(fitPart(four, wheel, 6))).toEqual([{ part: wheel, count: 6 }]);
    const none = fitPart(four, wheel, 0);
    expect(fittedOf(none)).toEqual([]);
    expect(none.parts).toEqual(puffin.parts);
    expect(openBuild(JSON.parse(JSON.stringify(four))).ok).toBe(true);
  });

  it('that are not carried along are told', () => {
    const astray = { ...puffin, fitted: [{ id: 'nowhere', count: 1 }] };
    const read = openBuild(JSON.parse(JSON.stringify(astray)));
    expect(read.ok).toBe(false);
    expect(JSON.stringify(read)).toContain('there is no part');
  });
});
