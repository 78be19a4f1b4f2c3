import { describe, expect, it } from 'vitest';
import { evaluate } from '../judge/index.ts';
import { typed } from '../quantity/index.ts';
import { demoBuilds } from '../testing/demo-builds.ts';
import { saidMoves } from '../testing/vehicles.ts';
import type { Build } from '../vehicle/index.ts';

/** Somebody rides it, and it has to stop within a distance. */
const ridden = (metres: number, kind: Build['brake']['kind']): Build => {
  const puffin = demoBuilds()['puffin'] as Build;
  return {
    ...puffin,
    people: 'riding',
    brake: { ...puffin.brake, kind },
    layout: { ...puffin.layout, axles: puffin.layout.axles.map((axle) => ({ ...axle, braked: true })) },
    duties: puffin.duties.map((duty) => ({ ...duty, stopWithin: typed(metres, 'm') })),
  };
};
const verdictsOf = (build: Build) =>
  new Map(evaluate(build).governing.map(({ link, verdict }) => [link, verdict]));

describe('what was hidden by something worse', () => {
  it('is no reason against mending that: a brake is offered though it is then too fast to stop from its top speed', () => {
    const metres = [0.2, 0.3, 0.4, 0.5, 0.7, 1, 1.5].find((distance) => {
      const verdicts = verdictsOf(ridden(distance, 'friction'));
      return verdicts.get('over-speed') === 'fails' && verdicts.get('brake-stop') !== 'fails';
    });
    if (metres === undefined)
      throw new Error('at some distance it stops from its speed, and not from its top speed');
    const bare = ridden(metres, 'none');
    expect(verdictsOf(bare).get('brake-stop')).toBe('fails');
    expect(verdictsOf(bare).has('over-speed')).toBe(false);
    const said = saidMoves(bare, evaluate(bare), { shelf: [] });
    for (const finding of ['margin/brake-stop', 'rider-needs-brake']) {
      const move = said
        .find((one) => one.finding === finding)
        ?.moves.find(({ text }) => /brake on every/i.test(text));
      expect(move?.makesShort, finding).toBe(true);
      expect(move?.costs.toLowerCase(), finding).toContain('top speed');
    }
  });
});
