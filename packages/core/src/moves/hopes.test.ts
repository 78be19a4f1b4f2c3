/** What is passed over after a short look would have been no move after the whole one. */
import { describe, expect, it } from 'vitest';
import {
  closeness,
  evaluate,
  dutiesAndDrives,
  marginsOf,
  reportThrough,
  type LinkReport,
} from '../judge/index.ts';
import { typed } from '../quantity/index.ts';
import { demoBuilds } from '../testing/demo-builds.ts';
import { sampled } from '../testing/many.ts';
import { shelfPart } from '../testing/on-the-shelf.ts';
import { changePack, choosePart, powerKg, throughDrive, type Build } from '../vehicle/index.ts';
import { becoming, hopes, WORTH } from './becoming.ts';
import { misfitsBeside, spoiling } from './breaking.ts';
import { candidatesFor } from './candidates.ts';

const shelf = ['motor-24v-250w-9', 'motor-12v-37d-70', 'driver-2x12', 'battery-3s-5'].map((id) =>
  shelfPart(id),
);

/** Each candidate for each margin that is not ample. */
const candidatesOf = (build: Build) => {
  const report = evaluate(build);
  return report.governing
    .filter(({ verdict }) => verdict !== 'ample')
    .map((link: LinkReport) => ({
      link,
      report,
      candidates: candidatesFor({
        build: link.driveId === undefined ? build : throughDrive(build, link.driveId),
        link,
        report: reportThrough(report, link.driveId),
        duty: build.duties.find(({ id }) => id === link.dutyId),
        shelf,
        reports: dutiesAndDrives,
      }),
    }));
};

describe('a short look at a candidate', () => {
  it('passes over only what gains nothing, or breaks what held', () => {
    const passed = { by: 0, kept: 0 };
    for (const build of sampled(Object.values(demoBuilds())))
      for (const { link, report, candidates } of candidatesOf(build)) {
        const become = becoming(build);
        const spoils = spoiling(report, link.link);
        const hopeful = hopes(become(build), link, spoils);
        for (const { build: made } of candidates) {
          if (hopeful(become(made))) {
            passed.kept += 1;
            continue;
          }
          passed.by += 1;
          const now = marginsOf(made);
          const own = now.governing.find((one) => one.link === link.link);
          const gains = !own || closeness(own) > closeness(link) + WORTH;
          expect(!gains || spoils(now.links), `${build.name}: ${link.link}`).toBe(true);
        }
      }
    expect(passed.by).toBeGreaterThan(0);
    expect(passed.kept).toBeGreaterThan(0);
  });
});

describe('what breaks by its parts alone', () => {
  const { puffin } = demoBuilds();
  if (!puffin) throw new Error('puffin is of the club');
  const misfits = misfitsBeside(puffin);

  it('is what weighs more than the vehicle of which it is part, unless it did before', () => {
    const weighing = (kg: number): Build => {
      const { own } = puffin.masses;
      return { ...puffin, masses: { ...puffin.masses, own: { ...own, mass: typed(kg, 'kg') } } };
    };
    const partsKg = powerKg(puffin);
    expect(misfits(weighing(partsKg + 0.1))).toBe(false);
    expect(misfits(weighing(partsKg - 0.1))).toBe(true);
    expect(misfitsBeside(weighing(partsKg - 0.1))(weighing(partsKg - 0.2))).toBe(false);
  });

  it('is a motor far over its voltage, and nothing that leaves the parts as they are', () => {
    expect(misfits(puffin)).toBe(false);
    expect(misfits({ ...puffin, masses: { ...puffin.masses } })).toBe(false);
    const [pack] = puffin.supply.packs;
    if (!pack) throw new Error('puffin has a battery');
    expect(misfits(changePack(puffin, pack.id, { inSeries: 1 }))).toBe(false);
    expect(misfits(changePack(puffin, pack.id, { inSeries: 2 * pack.inSeries }))).toBe(true);
  });

  it('is no part that was chosen anew as it was', () => {
    for (const part of puffin.parts)
      if (part.kind === 'motor' || part.kind === 'driver' || part.kind === 'battery')
        expect(misfits(choosePart(puffin, part)), part.name).toBe(false);
  });
});
