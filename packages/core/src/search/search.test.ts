import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { marginsOf } from '../judge/index.ts';
import { typed } from '../quantity/index.ts';
import { whyNot } from '../say/index.ts';
import {
  driverCountOf,
  driverOf,
  massAllUp,
  motorOf,
  motorsIn,
  partSchema,
  readBuild,
  type Build,
  type Part,
  type PartKind,
} from '../vehicle/index.ts';
import {
  inFull,
  PART_SORTS,
  putSetIn,
  search,
  searchSteps,
  trainsOf,
  usualLimits,
  type SearchLimits,
  type Worth,
} from './index.ts';
import { isGivenIn } from './tally.ts';
import { many, sampled } from '../testing/many.ts';

const shelf = ['motors', 'drivers', 'batteries'].flatMap((file) =>
  partSchema.array().parse(JSON.parse(readFileSync(`data/shelf/${file}.json`, 'utf8'))),
);
const demo = (name: string): Build => {
  const read = readBuild(JSON.parse(readFileSync(`data/builds/${name}.zubric.json`, 'utf8')));
  if (!read.ok) throw new Error(`${name} does not read`);
  return read.build;
};
const puffin = demo('puffin');
const ofKind = <K extends PartKind>(parts: readonly Part[], kind: K) =>
  parts.filter((part): part is Extract<Part, { kind: K }> => part.kind === kind);
const byIds = (...ids: readonly string[]) => shelf.filter(({ id }) => ids.includes(id));

/** Few teeth, so that every set can be judged in full. */
const few: SearchLimits = {
  ...usualLimits,
  stages: 1,
  kinds: ['chain'],
  teeth: { driver: [11, 15], driven: [22, 44, 60] },
};

/** Every set, put in and judged by `evaluate`, and of those that work what none is as good as: written out, without bounds. */
function byBruteForce(build: Build, parts: readonly Part[], limits: SearchLimits): Worth[] {
  const sets = ofKind(parts, 'motor').flatMap((motor) =>
    ofKind(parts, 'driver').flatMap((driver) =>
      ofKind(parts, 'battery').flatMap((battery) =>
        trainsOf(build, limits).map((stages) => ({ motor, driver, battery, stages })),
      ),
    ),
  );
  const worths = sets.flatMap((set): Worth[] => {
    const put = putSetIn(build, set);
    const margins = marginsOf(put);
    const own = margins.links.filter((link) => !isGivenIn(margins, link));
    const volts = set.battery.series * 3.2;
    const [motor, motors, drivers] = [motorOf(put), motorsIn(put), driverCountOf(put)];
    const vehicleKg = massAllUp(build) - build.masses.payload.mass.value;
    if (!motor || own.some(({ ratio }) => ratio < 1) || volts > 1.3 * motor.voltageV) return [];
    if (motors * motor.massKg > vehicleKg / 4) return [];
    return [
      {
        cost:
          motors * (set.motor.cost ?? NaN) + drivers * (set.driver.cost ?? NaN) + (set.battery.cost ?? NaN),
        massKg: motors * set.motor.massKg + drivers * set.driver.massKg + set.battery.massKg,
        runTimeS: margins.outing?.runTimeS ?? Infinity,
        near: Math.min(...margins.links.map(({ ratio, rule }) => ratio / rule)),
        works: true,
        lacks: 0,
      },
    ];
  });
  const beats = (a: Worth, b: Worth): boolean =>
    (a.cost ?? 0) <= (b.cost ?? 0) && a.massKg <= b.massKg && a.runTimeS >= b.runTimeS && a.near >= b.near;
  const alike = (a: Worth, b: Worth): boolean => beats(a, b) && beats(b, a);
  return worths
    .filter((one) => !worths.some((other) => beats(other, one) && !alike(other, one)))
    .filter((one, at, all) => all.findIndex((other) => alike(other, one)) === at);
}

const vectors = (list: readonly Worth[]): string[] =>
  list
    .map(({ cost, massKg, runTimeS, near }) =>
      [cost ?? NaN, massKg, runTimeS, near].map((n) => n.toPrecision(9)).join(' '),
    )
    .sort();

/** Motors that suit a barrow and some that do not; batteries of lithium iron, whose cells have 3.2 V. */
const SOME = {
  motors: byIds(
    'motor-24v-250w-9',
    'motor-24v-350w-9',
    'motor-24v-500w-9',
    'motor-24v-120w-10',
    'motor-24v-barrow',
    'motor-24v-chair-left',
  ),
  drivers: byIds('driver-2x32', 'driver-2x60', 'driver-2x120', 'driver-2x20', 'driver-1x50-24'),
  batteries: byIds('battery-8s-20', 'battery-8s-40', 'battery-12s-20', 'battery-4s-20'),
};

describe('search', () => {
  it('makes no set that weighs more than the vehicle of which it is to be part', () => {
    const { own } = puffin.masses;
    const light: Build = { ...puffin, masses: { ...puffin.masses, own: { ...own, mass: typed(16, 'kg') } } };
    const heaviest = (build: Build): number =>
      Math.max(...search({ build, shelf, limits: few }).front.map(({ massKg }) => massKg));
    expect(heaviest(puffin)).toBeGreaterThan(16);
    expect(heaviest(light)).toBeLessThanOrEqual(16);
    const { rejected } = search({ build: light, shelf, limits: few });
    const told = rejected.find(({ part }) => part.kind === 'battery' && part.massKg > 16);
    expect(told && whyNot(told, light)).toContain('than the whole vehicle is said to');
  });

  it('takes nothing of a sort that is left out, and says so; drivers are of none', () => {
    const withoutSorts = ['brushed', 'lead-acid'] as const;
    const { front, rejected } = search({ build: puffin, shelf, limits: { ...few, withoutSorts } });
    for (const { motor, battery } of front)
      expect([motor.type, battery.chemistry].some((sort) => withoutSorts.some((one) => one === sort))).toBe(
        false,
      );
    const told = rejected.flatMap(({ part, why }) => (why === 'sort-left-out' ? [part] : []));
    const meant = [...shelf, ...puffin.parts].filter(
      (part) =>
        (part.kind === 'motor' && part.type === 'brushed') ||
        (part.kind === 'battery' && part.chemistry === 'lead-acid'),
    );
    expect(new Set(told.map(({ id }) => id))).toEqual(new Set(meant.map(({ id }) => id)));
    expect(meant.length).toBeGreaterThan(10);
    // One name tells motors from batteries.
    expect(new Set(PART_SORTS).size).toBe(PART_SORTS.length);
  });

  it('finds the front that judging every set of a small shelf in full finds', () => {
    fc.assert(
      fc.property(
        fc.subarray(SOME.motors, { minLength: 1, maxLength: 3 }),
        fc.subarray(SOME.drivers, { minLength: 1, maxLength: 2 }),
        fc.subarray(SOME.batteries, { minLength: 1, maxLength: 2 }),
        (motors, drivers, batteries) => {
          const parts = [...motors, ...drivers, ...batteries];
          const brute = byBruteForce(puffin, parts, few);
          const { front, works } = search({
            build: puffin,
            shelf: parts,
            limits: {
              ...few,
              without: puffin.parts.map(({ id }) => id).filter((id) => !parts.some((part) => part.id === id)),
            },
          });
          expect(works > 0).toBe(brute.length > 0);
          if (works > 0) expect(vectors(front)).toEqual(vectors(brute));
        },
      ),
      { numRuns: many(12, 100) },
    );
  });

  it.each(sampled(['puffin', 'moth', 'whimbrel', 'pip']))(
    'of %s prints what its sets have once they are put in, and whether they work',
    (name) => {
      const build = demo(name);
      const { front, judged } = search({
        build,
        shelf,
        limits: { ...few, teeth: { driver: [12, 18], driven: [20, 36, 54] } },
      });
      expect(judged).toBeGreaterThan(100);
      expect(front.length).toBeGreaterThan(0);
      for (const set of front.slice(0, 12)) {
        const { margins, worst, ofSet } = inFull(build, set);
        const overall = (worst?.ratio ?? NaN) / (worst?.rule ?? NaN);
        const own = (ofSet?.ratio ?? NaN) / (ofSet?.rule ?? NaN);
        const given = margins.links.some((link) => isGivenIn(margins, link) && link.ratio < 1);
        expect(set.near).toBeCloseTo(given ? own : overall, 8);
        expect(set.works).toBe(
          (ofSet?.ratio ?? NaN) >= 1 &&
            margins.links.every((link) => link.ratio >= 1 || isGivenIn(margins, link)),
        );
        expect(set.runTimeS / (margins.outing?.runTimeS ?? NaN)).toBeCloseTo(1, 9);
      }
    },
  );

  it('keeps to what the builder allows', () => {
    const { front } = search({
      build: puffin,
      shelf,
      limits: { ...few, onHand: true, budget: 500, mostKg: 14 },
    });
    for (const { motor, driver, battery, cost, massKg } of front) {
      for (const part of [motor, driver, battery]) expect(part?.state ?? 'on-hand').toBe('on-hand');
      expect(cost ?? Infinity).toBeLessThanOrEqual(500);
      expect(massKg).toBeLessThanOrEqual(14);
    }
    expect(front.length).toBeGreaterThan(0);
    const coded = search({ build: demo('pip'), shelf, limits: { ...few, encoder: true } });
    expect(coded.front.every(({ motor }) => motor.encoderCounts !== undefined)).toBe(true);
    const low = search({ build: puffin, shelf, limits: { ...few, mostV: 20 } });
    expect(low.rejected.find(({ part }) => part.id === 'battery-8s-20')?.why).toBe('too-many-volts');
  });

  it('what is in the shed costs nothing more where that is wished', () => {
    const owned = { ...few, onHand: true, ownedIsPaid: true, budget: 0 };
    const { front } = search({ build: puffin, shelf, limits: owned });
    expect(front.length).toBeGreaterThan(0);
    expect(front.every(({ cost }) => cost === 0)).toBe(true);
  });

  it('says of every part of the shelf that is in no set why, in a sentence with a figure where there is one', () => {
    const { front, rejected } = search({ build: puffin, shelf, limits: few });
    const inSets = new Set(front.flatMap(({ motor, driver, battery }) => [motor.id, driver?.id, battery.id]));
    for (const part of shelf.filter(({ id }) => !inSets.has(id)))
      expect(
        rejected.filter((one) => one.part.id === part.id),
        part.id,
      ).toHaveLength(1);
    const said = new Map(rejected.map((one) => [one.part.id, whyNot(one, puffin)]));
    expect(said.get('motor-servo-micro')).toBe('It turns from stop to stop only: it drives no wheel.');
    expect(said.get('motor-3v-hobby')).toContain('suits');
    // Puffin is pushed along with: whoever walks beside it is near.
    expect(said.get('driver-contactor-12')).toContain('all or nothing');
    for (const one of rejected.filter(({ why }) => why === 'fails'))
      expect(whyNot(one, puffin)).toMatch(
        /At its best .* it (has [\d.]+\s× of what is needed for “|does not get moving on “)/,
      );
  });

  it('gives the nearest sets where none works, the nearest first', () => {
    const steep = {
      ...puffin,
      duties: puffin.duties.map((duty) => ({ ...duty, speed: { ...duty.speed, value: 9 } })),
    };
    const { front, works, rejected } = search({ build: steep, shelf, limits: few });
    expect(works).toBe(0);
    expect(front.length).toBeGreaterThan(3);
    const lacks = front.map((set) => set.lacks);
    expect(lacks).toEqual([...lacks].sort((a, b) => a - b));
    expect(front.every((set) => !set.works && set.lacks > 0)).toBe(true);
    // What is told of each is what fails, not what is further under a rule of two.
    for (const set of front) expect(inFull(steep, set).fails?.ratio ?? Infinity).toBeLessThan(1);
    const told = rejected.filter(({ why }) => why === 'fails').map((one) => whyNot(one, steep));
    for (const why of told) {
      const has = /it has ([\d.]+)/.exec(why)?.[1];
      if (has === undefined) expect(why).toContain('it does not get moving on “');
      else expect(Number(has), why).toBeLessThan(1);
    }
    expect(told.some((why) => why.includes('it has '))).toBe(true);
    expect(told.some((why) => why.includes('does not get moving'))).toBe(true);
  });

  it('puts larger wheels in where they are offered, on every driven axle', () => {
    const { front } = search({ build: puffin, shelf, limits: { ...few, wheelsM: [0.3, 0.5] } });
    const other = front.find(({ wheelDiameterM }) => wheelDiameterM !== undefined);
    const put = other && putSetIn(puffin, other);
    expect(
      put?.layout.axles
        .filter(({ driven }) => driven)
        .every((axle) => axle.diameter.value === other?.wheelDiameterM),
    ).toBe(true);
  });

  it('gives way every few milliseconds, never going back, and can be given up', () => {
    const steep = {
      ...puffin,
      duties: puffin.duties.map((duty) => ({ ...duty, speed: { ...duty.speed, value: 9 } })),
    };
    let going = 0;
    // Where nothing works the nearest are looked for after: it goes on from there.
    for (const { share } of searchSteps({ build: steep, shelf: [], limits: few })) {
      expect(share).toBeGreaterThanOrEqual(going);
      expect(share).toBeLessThanOrEqual(1);
      going = share;
    }
    let [last, steps] = [0, 0];
    for (const { share } of searchSteps({ build: puffin, shelf, limits: few })) {
      expect(share).toBeGreaterThanOrEqual(last);
      last = share;
      if ((steps += 1) > 60) break;
    }
    expect(steps).toBeGreaterThan(20);
  });
});

it('leaves the parts that a build carries in the search', () => {
  const { front } = search({ build: puffin, shelf: [], limits: few });
  expect(
    front.every(
      ({ motor, driver }) => motor.id === motorOf(puffin)?.id && driver?.id === driverOf(puffin)?.id,
    ),
  ).toBe(true);
  expect(front.length).toBeGreaterThan(0);
});
