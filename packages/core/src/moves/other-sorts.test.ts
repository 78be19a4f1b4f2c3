import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { evaluate, shortlist } from '../judge/index.ts';
import { demoBuilds } from '../testing/demo-builds.ts';
import { needed } from '../testing/numbers.ts';
import { saidMoves as moves } from '../testing/vehicles.ts';
import { choosePart, partSchema } from '../vehicle/index.ts';

const puffin = needed(demoBuilds()['puffin'], 'puffin');
const drivers = partSchema.array().parse(JSON.parse(readFileSync('data/shelf/drivers.json', 'utf8')));

describe('drivers for other sorts of motors', () => {
  it('stand last on the list, and none of them is offered as a move', () => {
    const judged = shortlist(puffin, drivers);
    const firstOther = judged.findIndex(({ otherSort }) => otherSort);
    expect(firstOther).toBeGreaterThan(0);
    for (const { part, otherSort } of judged.slice(0, firstOther))
      expect([otherSort, part.kind === 'driver' && (part.drives ?? 'brushed')]).toEqual([false, 'brushed']);
    for (const { otherSort } of judged.slice(firstOther)) expect(otherSort).toBe(true);
    const weak = choosePart(
      puffin,
      needed(
        drivers.find(({ id }) => id === 'driver-2x1'),
        'the weak driver',
      ),
    );
    const offered = moves(weak, evaluate(weak), { shelf: drivers }).flatMap(({ moves: all }) =>
      all.map(({ text }) => text),
    );
    expect(offered.some((text) => /driver/.test(text))).toBe(true);
    expect(offered.filter((text) => /stepping|brushless/i.test(text))).toEqual([]);
  });
});
