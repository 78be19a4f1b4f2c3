import { describe, expect, it } from 'vitest';
import { limitsOf } from '../judge/index.ts';
import { typed } from '../quantity/index.ts';
import { demoBuilds } from '../testing/demo-builds.ts';
import { needed } from '../testing/numbers.ts';
import { chainGeometry, stageFigures, type Stage } from '../transmission/index.ts';
import {
  batteryOf,
  driverOf,
  motorOf,
  partSchema,
  piecesOf,
  type Build,
  type Part,
} from '../vehicle/index.ts';
import { withinEvent } from './within.ts';
import { putSetIn, search, trainsOf, usualLimits } from './index.ts';
import { loopsOnHand } from './loops.ts';

const puffin = needed(demoBuilds().puffin, 'Puffin');
const lying = (part: object): Part =>
  partSchema.parse({ id: 'loop', name: 'A loop', massKg: 0.1, state: 'on-hand', ...part });
const belt = (teeth: number, more: object = {}): Part =>
  lying({ kind: 'belt', type: 'toothed', id: `belt-${teeth}`, pitchMm: 5, teeth, widthMm: 15, ...more });
const chain = (links: number | undefined, pitchMm = 9.525): Part =>
  lying({
    kind: 'chain',
    id: `chain-${links ?? 'reel'}`,
    pitchMm,
    ...(links === undefined ? {} : { links }),
  });

/** Single new stages that a search looks at with these belts and chains alone. */
const stages = (...parts: readonly Part[]): readonly Stage[] =>
  trainsOf(puffin, { ...usualLimits, stages: 1, loops: loopsOnHand(parts) }).flatMap((train) =>
    train.length === 1 ? train : [],
  );
const own = needed(puffin.drives[0]?.stages[0], 'own stage');
const ofKind = <K extends Stage['kind']>(all: readonly Stage[], kind: K) =>
  all.filter((stage): stage is Extract<Stage, { kind: K }> => stage.kind === kind);

describe('belts and chains that lie ready', () => {
  it('are the only ones that new stages have; where none lies there, gears and the build’s own are left', () => {
    const none = stages();
    expect(new Set(none.map(({ kind }) => kind))).toEqual(new Set(['spur', 'chain']));
    expect(ofKind(none, 'chain')).toEqual([own]);
  });

  it('go round as long as they are: the shafts come as far apart as the open belt says', () => {
    const belted = ofKind(stages(belt(90)), 'timing-belt');
    expect(belted.length).toBeGreaterThan(5);
    for (const stage of belted) {
      expect(stage.beltTeeth).toBe(90);
      expect(stage.pitch.value).toBeCloseTo(0.005, 9);
      expect(stage.width.value).toBeCloseTo(0.015, 9);
      // L = 2 C cos β + π (D + d)/2 + β (D − d), sin β = (D − d)/(2 C): an open belt round two pulleys.
      const [d, big] = [stage.teethDriver, stage.teethDriven].map((teeth) => (teeth * 0.005) / Math.PI);
      const centre = needed(stageFigures(stage).apartM, 'centre');
      const beta = Math.asin(((big ?? 0) - (d ?? 0)) / (2 * centre));
      const length =
        2 * centre * Math.cos(beta) +
        (Math.PI * ((big ?? 0) + (d ?? 0))) / 2 +
        beta * ((big ?? 0) - (d ?? 0));
      expect(length).toBeCloseTo(0.45, 6);
    }
    // Round wheels of more teeth than it has halves it goes nowhere.
    expect(belted.every(({ teethDriver, teethDriven }) => teethDriver + teethDriven < 180)).toBe(true);
    expect(ofKind(stages(belt(30)), 'timing-belt').length).toBeLessThan(belted.length);
  });

  it('are told by their length where their teeth are not said, and are none without a pitch', () => {
    const { teeth: _teeth, ...byLength } = belt(90, { lengthMm: 450 }) as Extract<Part, { kind: 'belt' }>;
    const told = ofKind(stages(byLength), 'timing-belt');
    expect(told.length).toBeGreaterThan(5);
    expect(new Set(told.map(({ beltTeeth }) => beltTeeth))).toEqual(new Set([90]));
    expect(ofKind(stages(belt(90, { pitchMm: undefined })), 'timing-belt')).toEqual([]);
    expect(ofKind(stages(belt(90, { type: 'V' })), 'timing-belt')).toEqual([]);
  });

  it('are shortened chains: never longer than they are, a reel as long as is wanted', () => {
    const links = (parts: readonly Part[]): number[] =>
      ofKind(stages(...parts), 'chain')
        .filter((stage) => stage !== own)
        .map((stage) => chainGeometry(stage).links);
    const reel = links([chain(undefined)]);
    const short = links([chain(60)]);
    expect(Math.max(...reel)).toBeGreaterThan(60);
    expect(short.length).toBeGreaterThan(0);
    expect(Math.max(...short)).toBeLessThanOrEqual(60);
    expect(links([chain(10)])).toEqual([]);
  });

  it('of another pitch are taken for the weakest of that pitch, as nobody says which they are', () => {
    const names = new Set(
      ofKind(stages(chain(undefined, 12.7)), 'chain')
        .filter((stage) => stage !== own)
        .map((stage) => stage.chain),
    );
    // Of half an inch there are ANSI 40 (13.9 kN), 41 (6.67 kN) and ISO 08B (17.8 kN): ASME B29.1, ISO 606, from memory.
    expect([...names]).toEqual(['ansi-41']);
  });

  it('count only where they are in the shed', () => {
    expect(loopsOnHand([{ ...belt(90), state: 'ordered' }])).toEqual({ belts: [], chains: [] });
    expect(loopsOnHand([belt(90), chain(60)])).toMatchObject({ belts: [{}], chains: [{}] });
  });

  it('are what a search puts together, and what it put together can be built', () => {
    const parts = [motorOf(puffin), driverOf(puffin), batteryOf(puffin)].flatMap((part) => part ?? []);
    const limits = { ...usualLimits, stages: 1, loopsOnHand: true };
    const { front } = search({ build: puffin, shelf: [...parts, belt(120)], limits });
    expect(front.length).toBeGreaterThan(0);
    for (const { stages: train } of front)
      for (const stage of train)
        expect(stage.kind === 'chain' ? stage : stage.kind === 'timing-belt' ? stage.beltTeeth : 120).toEqual(
          stage.kind === 'chain' ? own : 120,
        );
  });
});

describe('what the event of a build allows', () => {
  const aimed = (aims: Partial<Build['aims']>): Build => ({ ...puffin, aims: { ...puffin.aims, ...aims } });
  const priced = (build: Build, cost: number): Build => ({
    ...build,
    parts: build.parts.map((part) => ({ ...part, cost })),
  });
  const held = { ...usualLimits, event: true };
  const costOf = (build: Build) => limitsOf(build).find(({ title }) => title === 'cost of the chosen parts');

  it('counts every piece: two motors, a driver and a battery of 10 each are 40', () => {
    const build = priced(aimed({ cost: typed(35, '') }), 10);
    expect(piecesOf(build).map(({ count }) => count)).toEqual([2, 1, 1]);
    expect(costOf(build)).toMatchObject({ value: 40, limit: 35, holds: false });
  });

  it('is taken from the volts and the cost of a set, and left where that is told', () => {
    const build = aimed({ voltage: typed(13, 'V'), cost: typed(200, '') });
    expect(withinEvent(build, held)).toMatchObject({ mostV: 13, listed: 200 });
    expect(withinEvent(build, { ...held, mostV: 9 }).mostV).toBe(9);
    expect(withinEvent(build, usualLimits)).toEqual(usualLimits);
    expect(withinEvent(puffin, held)).toEqual(held);
  });

  it('holds for each set of the front once it is put in', () => {
    const shelf = ['cheap', 'dear'].flatMap((id, at) =>
      puffin.parts.map((part) => ({ ...part, id: `${part.id}-${id}`, cost: 20 + 60 * at })),
    );
    const build = priced(aimed({ cost: typed(150, '') }), 20);
    const limits = { ...held, stages: 1, kinds: ['chain'] as const };
    const { front, judged } = search({ build, shelf, limits });
    expect(front.length).toBeGreaterThan(0);
    for (const set of front) expect(costOf(putSetIn(build, set))?.holds).toBe(true);
    expect(search({ build, shelf, limits: { ...limits, event: false } }).judged).toBeGreaterThan(judged);
  });
});
