/**
 * What was checked by other means stays as it is: all that is said of each kind of job, on the builds of the club and on every
 * layout, to five digits. Where a figure changes on purpose, write them anew and read what changed:
 * `npx vitest run --project core packages/core/src/judge/kept-figures.test.ts -u`.
 */
import { createHash } from 'node:crypto';
import { expect, it } from 'vitest';
import { outingCourse } from '../capability/index.ts';
import { typed } from '../quantity/index.ts';
import { demoBuilds } from '../testing/demo-builds.ts';
import { needed } from '../testing/numbers.ts';
import {
  DUTY_TEMPLATES,
  LAYOUT_TEMPLATES,
  changeDrive,
  dutyFrom,
  dutyTemplatesFor,
  layoutTemplate,
  mayBe,
  numbersOf,
  withNumbers,
  withLayout,
  type Build,
} from '../vehicle/index.ts';
import { evaluate } from './index.ts';

const builds = demoBuilds();
const puffin = needed(builds.puffin, 'Puffin');

/** Under this it is nothing that rounding left over. */
const NOTHING = 1e-9;
const figure = (n: number, digits = 5): string =>
  Math.abs(n) < NOTHING ? '0' : String(Number(n.toPrecision(digits)));

const DAY = { outings: 2, breakS: 600 };

/** All that a report says, short enough to stand in a line. */
const markOf = (said: object): string =>
  createHash('sha256')
    .update(
      JSON.stringify(said, (_key, value: unknown) => (typeof value === 'number' ? figure(value) : value)),
    )
    .digest('hex')
    .slice(0, 8);

/** The build with a job of every kind that it can do, beside its own. */
const withEveryJob = (build: Build): Build => ({
  ...build,
  duties: [
    ...build.duties,
    ...dutyTemplatesFor(build).map((template) => dutyFrom(build, template, `usual-${template.id}`)),
  ],
});

function rowsOf(name: string, given: Build): string[] {
  const build = withEveryJob(given);
  const { duties, links, findings, outing, train, drives } = evaluate(build);
  const ofDuty = (id: string | undefined) => links.filter(({ dutyId }) => dutyId === id);
  return [
    [name, '', '', markOf({ train, drives, outing, findings, links: ofDuty(undefined) })].join(),
    ...build.duties.map(({ id }, at) =>
      [
        name,
        id,
        figure(duties[at]?.resistance.totalN ?? NaN, 6),
        markOf({ ...duties[at], links: ofDuty(id) }),
      ].join(),
    ),
  ];
}

/** Puffin in ways that no build of the club is. */
const OTHERWISE: Readonly<Record<string, (build: Build) => Build>> = {
  'a drive for each axle': (given) => {
    const build = withLayout(given, layoutOf('four-skid'));
    const [drive] = build.drives;
    return {
      ...build,
      drives: [
        { ...needed(drive, 'drive'), axleIds: ['axle-1'], together: 'side' },
        {
          ...needed(drive, 'drive'),
          id: 'front-drive',
          axleIds: ['axle-2'],
          together: 'axle',
          motorsPerWheel: 2,
        },
      ],
    };
  },
  'steered behind a locked axle, braked by its motors': (given) => {
    const build = changeDrive(withLayout(given, layoutOf('rear-locked')), { motorsPerWheel: 2 });
    return { ...build, brake: { ...build.brake, kind: 'electronic' } };
  },
  'in sand, with a tow and starts': (given) => {
    const sand = {
      name: 'sand',
      kcKnPerM: 1,
      kphiKnPerM: 1500,
      exponent: 1.1,
      cohesionKPa: 1,
      shearAngleDeg: 30,
    };
    return {
      ...given,
      hitch: { ...given.hitch, load: typed(40, 'N') },
      grounds: given.grounds.map((ground) => ({ ...ground, soil: sand, uneven: true })),
      duties: given.duties.map((duty) => ({
        ...duty,
        towed: { mass: typed(20, 'kg'), rolling: typed(0.05, '') },
        startsAnHour: typed(30, ''),
      })),
    };
  },
};

const layoutOf = (id: string) => needed(layoutTemplate(id), `layout ${id}`);

const dayOf = (name: string, build: Build): string =>
  [name, 'a day of two outings', '', markOf(outingCourse(build, evaluate(build).duties, DAY) ?? {})].join();

/** What becomes of a build with one of its numbers five times what it is, or a fifth of it, by turns, where it may be. */
const sweptRows = (build: Build): string[] =>
  numbersOf(build).flatMap((number, at) => {
    const times = at % 2 === 0 ? 5 : 0.2;
    const value = number.whole ? Math.max(1, Math.round(number.value * times)) : number.value * times;
    if (value === number.value || !mayBe(build, number, value)) return [];
    const { findings, links, train } = evaluate(withNumbers(build, [[number, value]]));
    return [[build.name, number.path.join(' '), times, markOf({ findings, links, train })].join()];
  });

it('every number moved far moves what it moved', async () => {
  const rows = [puffin, needed(builds.whimbrel, 'Whimbrel')].flatMap(sweptRows);
  expect(rows.length).toBeGreaterThan(200);
  await expect(['build,number,times,mark', ...rows, ''].join('\n')).toMatchFileSnapshot('kept-sweeps.csv');
});

it('every figure is as it was kept', async () => {
  const rows = [
    ...Object.entries(builds).flatMap(([name, build]) => [...rowsOf(name, build), dayOf(name, build)]),
    ...Object.entries(OTHERWISE).flatMap(([name, change]) => rowsOf(`puffin ${name}`, change(puffin))),
    ...LAYOUT_TEMPLATES.flatMap((template) =>
      rowsOf(`puffin as ${template.id}`, withLayout(puffin, template)),
    ),
  ];
  expect(rows.length).toBeGreaterThan(10 * DUTY_TEMPLATES.length);
  await expect(
    ['build,job,force along the ground N,mark of all else', ...rows, ''].join('\n'),
  ).toMatchFileSnapshot('kept-figures.csv');
});
