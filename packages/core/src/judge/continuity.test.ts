import { readFileSync, readdirSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { isQuantity, type Quantity } from '../quantity/index.ts';
import { finite } from '../testing/numbers.ts';
import { degrees, reportOf, rearDriven, withDuty } from '../testing/vehicles.ts';
import { readBuild, type Build, changeDrive, driveOf } from '../vehicle/index.ts';
import { evaluate } from './evaluate.ts';
import type { LinkReport } from './report.ts';
import { many, sampled } from '../testing/many.ts';

const builds = readdirSync('data/builds').map((file) => {
  const read = readBuild(JSON.parse(readFileSync(`data/builds/${file}`, 'utf8')));
  if (!read.ok) throw new Error(`${file} does not read`);
  return [file, read.build] as const;
});

type KeyPath = readonly (string | number)[];

/** Where the quantities of a document stand. */
function places(x: unknown, at: KeyPath = []): KeyPath[] {
  if (isQuantity(x)) return [at];
  if (typeof x !== 'object' || x === null) return [];
  return Object.entries(x).flatMap(([key, value]) =>
    places(value, [...at, Array.isArray(x) ? Number(key) : key]),
  );
}

function changed(x: unknown, [step, ...rest]: KeyPath, change: (q: Quantity) => Quantity): unknown {
  if (step === undefined) return change(x as Quantity);
  if (Array.isArray(x)) return x.map((item: unknown, n) => (n === step ? changed(item, rest, change) : item));
  return { ...(x as object), [step]: changed((x as Record<string, unknown>)[step], rest, change) };
}

const keyOf = (l: LinkReport): string =>
  [l.link, l.dutyId, l.driveId, l.stageId, l.elementId, l.railId].join(' ');

/** A margin past this is as good as endless: a millionth more of what tips it is no jump. */
const ENDLESS = 1e6;

describe('margins', () => {
  it.each(builds)('of %s do not jump under a change of 1e-9 of any quantity', (_, build) => {
    const before = new Map(evaluate(build).links.map((l) => [keyOf(l), l]));
    for (const place of sampled(places(build))) {
      const nudged = changed(build, place, (q) => ({
        ...q,
        value: q.value === 0 ? 0 : q.value * (1 + 1e-9),
      })) as Build;
      for (const link of evaluate(nudged).links) {
        const was = before.get(keyOf(link));
        const where = `${place.join('.')}: ${keyOf(link)}`;
        expect(was, where).toBeDefined();
        if (!was || was.ratio > ENDLESS) continue;
        expect(Math.abs(link.ratio - was.ratio), where).toBeLessThanOrEqual(2e-6 * Math.max(1, was.ratio));
      }
    }
  });
});

describe('what more costs', () => {
  const loaded = (payloadKg: number, grade: number): number => {
    const base = rearDriven();
    const payload = { ...base.masses.payload, mass: { ...base.masses.payload.mass, value: payloadKg } };
    return reportOf(withDuty({ ...base, masses: { ...base.masses, payload } }, { grade: degrees(grade) }))
      .resistance.totalN;
  };

  it('on the level and uphill more load inside the wheelbase never needs less force', () => {
    fc.assert(
      fc.property(finite(0, 200), finite(0, 200), finite(0, 20), (a, b, grade) => {
        expect(loaded(Math.max(a, b), grade)).toBeGreaterThanOrEqual(loaded(Math.min(a, b), grade) - 1e-9);
      }),
      { numRuns: many(300, 3000) },
    );
  });

  /** What the drive can do: margins that a cooler, fuller or thicker supply may never lower. */
  const DOES: readonly LinkReport['link'][] = ['torque', 'speed', 'battery-voltage'];

  it.each(builds)('thicker cables and leads never lower what the drive of %s can do', (_, build) => {
    fc.assert(
      fc.property(finite(0.1, 1), finite(0.1, 1), (cable, lead) => {
        const { leadResistance } = driveOf(build);
        const thicker: Build = {
          ...changeDrive(build, {
            leadResistance: { ...leadResistance, value: leadResistance.value * lead },
          }),
          supply: {
            ...build.supply,
            cableResistance: {
              ...build.supply.cableResistance,
              value: build.supply.cableResistance.value * cable,
            },
          },
        };
        const after = new Map(evaluate(thicker).links.map((l) => [keyOf(l), l]));
        for (const link of evaluate(build).links) {
          if (!DOES.includes(link.link)) continue;
          expect(after.get(keyOf(link))?.ratio, keyOf(link)).toBeGreaterThanOrEqual(link.ratio * (1 - 1e-7));
        }
      }),
      { numRuns: 10 },
    );
  });

  it.each(builds)(
    'a larger battery of the same voltage never lowers it at the end of %s’s outing',
    (_, build) => {
      const larger: Build = {
        ...build,
        parts: build.parts.map((p) => (p.kind === 'battery' ? { ...p, parallel: p.parallel * 2 } : p)),
      };
      const [now, then] = [build, larger].map((b) => {
        const { links, outing } = evaluate(b);
        const end = new Map((outing?.end?.links ?? []).map((l) => [keyOf(l), l]));
        return new Map(
          links.filter((l) => DOES.includes(l.link)).map((l) => [keyOf(l), end.get(keyOf(l)) ?? l]),
        );
      });
      now?.forEach((link, key) => {
        expect(then?.get(key)?.ratio, key).toBeGreaterThanOrEqual(link.ratio * (1 - 1e-7));
      });
    },
  );
});
