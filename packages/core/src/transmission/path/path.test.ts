import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { typed } from '../../quantity/index.ts';
import { freshStage, stageFigures } from '../index.ts';
import {
  HUB_KINDS,
  PATH_KINDS,
  freshPath,
  fittedPathElement,
  freshPathElement,
  holdOf,
  mismatchesOf,
  pathElementSchema,
  pathHolds,
  pathTitle,
  safetyOf,
  strongerPathElement,
  type PathElement,
  type PathKind,
  type PathOf,
} from './index.ts';

const mm = (n: number) => typed(n / 1000, 'mm');
const fresh = <K extends PathKind>(kind: K, bore = 12): PathOf<K> =>
  freshPathElement(kind, { id: 'path-1', after: null, name: 'Hub', bore: mm(bore) }) as PathOf<K>;
const holds = (element: PathElement): number => pathHolds(element, { stalled: false });

describe.each(PATH_KINDS)('%s', (kind) => {
  it('fits the schema as it begins, and holds more than nothing', () => {
    const element = fresh(kind);
    expect(pathElementSchema.safeParse(element).error).toBeUndefined();
    expect(holds(element)).toBeGreaterThan(0);
    expect(pathTitle(kind).length).toBeGreaterThan(2);
  });

  it('holds the same whatever torque is asked of it, and at a stall no less', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.01, max: 500, noNaN: true }), (torqueNm) => {
        const element = fresh(kind);
        const { input } = holdOf(element, torqueNm, { stalled: false });
        if (input)
          expect((input.torqueNm * input.factor) / input.safetyFactor / holds(element)).toBeCloseTo(1, 9);
        expect(pathHolds(element, { stalled: true })).toBeGreaterThanOrEqual(holds(element));
      }),
      { numRuns: 40 },
    );
  });
});

describe('what a part of the path holds', () => {
  it('is a quarter of what set screws hold where it jerks (Shigley, ch. 7: four to eight, from memory)', () => {
    // Two M5 hold 2402 N each (Shigley, table 7-4, #10, from memory) on 6 mm: 28.8 N·m.
    expect(holds(fresh('set-screws'))).toBeCloseTo((2 * 2402 * 0.006) / 4, 9);
    expect(safetyOf('set-screws')).toBe(4);
  });

  it('of a shaft grows with the cube of its diameter', () => {
    const shaft = (d: number) => holds({ ...fresh('shaft'), diameter: mm(d) });
    expect(shaft(24) / shaft(12)).toBeCloseTo(8, 9);
  });

  it('of a bolt circle falls with standoffs, and follows the lesser of its two hole patterns', () => {
    const circle = fresh('bolt-circle');
    expect(holds({ ...circle, standoff: mm(10) })).toBeLessThan(holds(circle) / 2);
    expect(holds({ ...circle, otherBolts: 2 })).toBeCloseTo(holds(circle) / 2, 9);
  });

  it('of a tyre is nothing without pressure, and more with glue', () => {
    const tyre = { ...fresh('tyre'), pressure: typed(0, 'bar') };
    expect(holds(tyre)).toBe(0);
    expect(holds({ ...tyre, bond: typed(1e5, 'MPa') })).toBeGreaterThan(0);
  });

  it('of a hub thinner than its shaft is nothing: it cannot be made', () => {
    expect(holds({ ...fresh('press-fit'), hubDiameter: mm(10) })).toBe(0);
  });

  it('orders the ways of holding a hub on 12 mm as the trade does: set screws least (common practice, no source)', () => {
    const held = HUB_KINDS.map((kind) => [kind, holds(fresh(kind))] as const).sort((a, b) => a[1] - b[1]);
    expect(held[0]?.[0]).toBe('set-screws');
  });
});

describe('parts that meet', () => {
  const shaft = (d: number, keyWidth?: number): PathOf<'shaft'> => ({
    ...fresh('shaft'),
    id: `shaft-${d}`,
    diameter: mm(d),
    ...(keyWidth ? { keyWidth: mm(keyWidth) } : {}),
  });

  it('fit, or what joins them is named: a bush, a stepped shaft, a stepped key, a keyway, a plate', () => {
    const adapters = (...path: PathElement[]): string[] => mismatchesOf(path).map(({ adapter }) => adapter);
    expect(adapters(shaft(12), fresh('set-screws'))).toEqual([]);
    expect(adapters(shaft(10), fresh('set-screws'))).toEqual(['bush']);
    expect(adapters(fresh('clamp'), shaft(14))).toEqual(['stepped-shaft']);
    expect(adapters(shaft(12), fresh('key'))).toEqual(['cut-keyway']);
    expect(adapters(shaft(12, 4), fresh('key'))).toEqual([]);
    expect(adapters(shaft(12, 5), fresh('key'))).toEqual(['stepped-key']);
    expect(adapters({ ...fresh('bolt-circle'), otherBolts: 5 })).toEqual(['plate']);
    expect(adapters({ ...fresh('bolt-circle'), otherCircle: mm(37) })).toEqual(['plate']);
  });

  it('want no keyway at all of a bore on a plain shaft, and are mended by boring the hub to its shaft', () => {
    const { width } = fresh('key');
    const [plain] = mismatchesOf([shaft(12), fresh('key')]);
    expect(plain).toMatchObject({ what: 'key', has: width, wants: { ...width, value: 0 } });
    const hub = fresh('set-screws');
    const [bore] = mismatchesOf([shaft(10), hub]);
    const bored = bore && fittedPathElement(hub, bore, { before: mm(10) })?.element;
    expect(bored).toEqual({ ...hub, bore: { ...hub.bore, value: 0.01 } });
    expect(bored && mismatchesOf([shaft(10), bored])).toEqual([]);
  });

  it('are made stronger by a shaft as it is sold: whole millimetres, halves below four (common practice, no source)', () => {
    const thicker = (d: number) =>
      strongerPathElement(shaft(d)).map(({ element }) => (element as PathOf<'shaft'>).diameter.value * 1000);
    expect(thicker(2)).toEqual([2.5, 3]);
    expect(thicker(11)).toEqual([14, 17]);
  });

  it('are looked at on both sides of a coupling', () => {
    const coupling = { ...fresh('coupling'), bore: mm(6), otherBore: mm(10) };
    const found = mismatchesOf([shaft(6), coupling, shaft(12)]);
    expect(found.map(({ elementId, has, wants }) => [elementId, has.value, wants.value])).toEqual([
      ['path-1', 0.01, 0.012],
    ]);
  });

  it('touch only behind the same stage, and the first the shaft of the motor', () => {
    const hub = fresh('set-screws');
    const motorShaft = { diameter: mm(12) };
    expect(mismatchesOf([hub], { diameter: mm(8) })).toHaveLength(1);
    expect(mismatchesOf([hub], motorShaft)).toEqual([]);
    expect(mismatchesOf([hub, { ...shaft(20), after: 'stage-1' }], motorShaft)).toEqual([]);
  });
});

describe('a usual path', () => {
  const stages = [freshStage('worm', 'stage-1', 20), freshStage('chain', 'stage-2', 3)];

  it('fits together, whatever the stages', () => {
    const kinds = ['chain', 'spur', 'timing-belt', 'worm', 'planetary', 'direct', 'friction-wheel'] as const;
    fc.assert(
      fc.property(
        fc.array(fc.constantFrom(...kinds), { maxLength: 4 }),
        fc.double({ min: 0.03, max: 0.6, noNaN: true }),
        (list, wheelDiameterM) => {
          const train = list.map((kind, n) => freshStage(kind, `stage-${n + 1}`, 3));
          const motorShaft = { diameter: mm(12), keyWidth: mm(4) };
          const path = freshPath(train, { motorShaft, wheelDiameterM });
          expect(path.length).toBeGreaterThan(0);
          for (const element of path) expect(pathElementSchema.safeParse(element).error).toBeUndefined();
          expect(new Set(path.map(({ id }) => id)).size).toBe(path.length);
          expect(mismatchesOf(path, motorShaft)).toEqual([]);
        },
      ),
      { numRuns: 60 },
    );
  });

  it('names each hub by what it carries, in the order of the drive', () => {
    expect(freshPath(stages, { wheelDiameterM: 0.5 }).map(({ name, after }) => `${name} ${after}`)).toEqual([
      'Worm null',
      'Worm wheel stage-1',
      'Layshaft stage-1',
      'Driver sprocket stage-1',
      'Driven sprocket stage-2',
      'Axle stage-2',
      'Wheel hub stage-2',
    ]);
  });

  it('has keyways in its shafts where its hubs are keyed, and none where they are screwed on', () => {
    const keyed = (wheelDiameterM: number) =>
      freshPath(stages, { wheelDiameterM }).filter((element) => element.kind === 'shaft' && element.keyWidth);
    expect(keyed(0.4)).toHaveLength(2);
    expect(keyed(0.1)).toEqual([]);
  });

  it('of a winch or a track ends at its sprocket', () => {
    const track = freshPath([freshStage('track', 'stage-1', 1)], { wheelDiameterM: 0.09 });
    expect(track.map(({ name }) => name)).toEqual(['Track sprocket']);
  });
});

describe('spools and tracks', () => {
  it('roll on what they are: a sprocket of 11 teeth of 25 mm takes 275 mm of track a turn', () => {
    const track = { ...freshStage('track', 't', 1), sprocketTeeth: 11, pitch: mm(25) } as never;
    expect((stageFigures(track).rollsM ?? 0) * Math.PI).toBeCloseTo(0.275, 12);
  });

  it('wind on the outermost layer: 60 mm of core and two layers of 5 mm run on 75 mm', () => {
    expect(stageFigures(freshStage('spool', 's', 1)).rollsM).toBeCloseTo(0.075, 12);
  });
});
