/**
 * What was checked by other means stays as it is: all that is said of each kind of job, on the builds of the club and on every
 * layout, to five digits. Where a figure changes on purpose, write them anew and read what changed:
 * `npx vitest run --project core packages/core/src/judge/kept-figures.test.ts -u`.
 */
import { createHash } from 'node:crypto';
import { expect, it } from 'vitest';
import { outingCourse } from '../capability/index.ts';
import { demoBuilds } from '../testing/demo-builds.ts';
import {
  DUTY_TEMPLATES,
  LAYOUT_TEMPLATES,
  dutyFrom,
  dutyTemplatesFor,
  withLayout,
  type Build,
} from '../vehicle/index.ts';
import { evaluate } from './index.ts';

const builds = demoBuilds();
const { puffin } = builds;
if (!puffin) throw new Error('Puffin is of the club');

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

const dayOf = (name: string, build: Build): string =>
  [name, 'a day of two outings', '', markOf(outingCourse(build, evaluate(build).duties, DAY) ?? {})].join();

it('every figure is as it was kept', async () => {
  const rows = [
    ...Object.entries(builds).flatMap(([name, build]) => [...rowsOf(name, build), dayOf(name, build)]),
    ...LAYOUT_TEMPLATES.flatMap((template) =>
      rowsOf(`puffin as ${template.id}`, withLayout(puffin, template)),
    ),
  ];
  expect(rows.length).toBeGreaterThan(10 * DUTY_TEMPLATES.length);
  await expect(
    ['build,job,force along the ground N,mark of all else', ...rows, ''].join('\n'),
  ).toMatchFileSnapshot('kept-figures.csv');
});
