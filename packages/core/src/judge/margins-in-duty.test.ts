/** What a duty comes to by itself is what it comes to among the others. */
import { describe, expect, it } from 'vitest';
import { demoBuilds } from '../testing/demo-builds.ts';
import { marginsInDuty, marginsOf } from './index.ts';

describe('the margins of one duty', () => {
  it.each(Object.entries(demoBuilds()))('of %s are those that it has among the others', (_, build) => {
    const { links } = marginsOf(build);
    for (const { id } of build.duties) {
      const alone = marginsInDuty(build, id);
      expect(alone.length).toBeGreaterThan(0);
      expect(alone.every(({ dutyId }) => dutyId === id)).toBe(true);
      expect(links).toEqual(expect.arrayContaining([...alone]));
    }
  });

  it('are none of a duty that the build does not have', () => {
    for (const build of Object.values(demoBuilds())) expect(marginsInDuty(build, 'no such job')).toEqual([]);
  });
});
