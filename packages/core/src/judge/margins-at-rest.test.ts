/** What no job has a say in. */
import { describe, expect, it } from 'vitest';
import { demoBuilds } from '../testing/demo-builds.ts';
import { marginsAtRest, marginsOf } from './index.ts';

describe('the margins that no duty has a say in', () => {
  it.each(Object.entries(demoBuilds()))('of %s are those that it has among all', (_, build) => {
    const rest = marginsAtRest(build);
    expect(rest.every(({ dutyId }) => dutyId === null)).toBe(true);
    expect(marginsOf(build).links).toEqual(expect.arrayContaining([...rest]));
  });

  it.each(Object.entries(demoBuilds()))('of %s are there with no job at all', (_, build) => {
    expect(marginsAtRest({ ...build, duties: [] })).toEqual(marginsAtRest(build));
  });

  it('are what a jammed wheel asks of the stages, among others', () => {
    const links = Object.values(demoBuilds()).flatMap((build) =>
      marginsAtRest(build).map(({ link }) => link),
    );
    expect(links).toContain('stage-stall');
  });
});
