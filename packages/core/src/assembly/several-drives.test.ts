import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { buildSchema } from '../vehicle/index.ts';
import { assemblyOutlook, partsList } from './index.ts';

const SATURDAY = '2027-01-02';

describe('the steps of several drives', () => {
  const whimbrel = buildSchema.parse(JSON.parse(readFileSync('data/builds/whimbrel.zubric.json', 'utf8')));
  const { steps } = assemblyOutlook(whimbrel, SATURDAY);

  it('bolt in the motors of each, lay its stages, and come before the wires and the first power', () => {
    for (const { id, name, stages, does } of whimbrel.drives) {
      const of = does === 'propels' ? '' : `${id}.`;
      const motors = steps.findIndex((s) => s.id === `${of}motors`);
      expect(motors, name).toBeGreaterThanOrEqual(0);
      expect(motors, name).toBeLessThan(steps.findIndex((s) => s.id === 'wiring'));
      for (const stage of stages) {
        const laid = steps.findIndex((s) => s.id.startsWith(`${of}${stage.id}.`));
        if (stage.kind === 'gearhead') continue;
        expect(laid, `${name}, ${stage.kind}`).toBeGreaterThan(motors);
        expect(laid).toBeLessThan(steps.findIndex((s) => s.id === 'first-power'));
      }
    }
  });

  it('need only parts that are on the list, and wait only for steps that are there', () => {
    const parts = new Set(partsList(whimbrel).map(({ id }) => id));
    const known = new Set(steps.map(({ id }) => id));
    expect(known.size).toBe(steps.length);
    for (const { id, needs, after } of steps) {
      for (const need of needs) expect(parts.has(need), `${id} needs ${need}`).toBe(true);
      for (const before of after) expect(known.has(before), `${id} waits for ${before}`).toBe(true);
    }
  });
});
