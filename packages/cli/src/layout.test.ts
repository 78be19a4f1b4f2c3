import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { run } from './run.ts';

const FILES = { read: (path: string) => readFileSync(path, 'utf8') };
interface Answer {
  readonly centreOfGravity: { massKg: number; aheadM: number; leftM: number; heightM: number };
  readonly inertia: { yawKgM2: number; rollKgM2: number; pitchKgM2: number };
  readonly parts: readonly {
    id: string;
    place: { aheadM: number };
    overlaps: readonly { withId: string }[];
    faces: readonly { id: string; free: boolean; after: readonly string[] | null }[];
  }[];
  readonly stacks: readonly { id: string; floatM: { on: number | null; back: number | null } }[];
  readonly findings: readonly { code: string; text: string; moves: readonly { text: string }[] }[];
}
const laid = (file: string): Answer =>
  JSON.parse(run(['layout', `data/builds/${file}.zubric.json`], FILES).out) as Answer;

describe('zubric layout', () => {
  it('tells of the barrow where its weight is, what is reached, and how its axle floats', () => {
    const { centreOfGravity, inertia, parts, stacks, findings } = laid('puffin');
    expect(centreOfGravity.massKg).toBeCloseTo(58, 9);
    expect(centreOfGravity.aheadM).toBeCloseTo(0.44, 6);
    expect(Math.min(inertia.yawKgM2, inertia.rollKgM2, inertia.pitchKgM2)).toBeGreaterThan(0);
    expect(parts.find(({ id }) => id === 'battery-box')?.faces).toEqual([
      { id: 'lid-top', free: false, after: ['deck'] },
      { id: 'plug-back', free: true, after: [] },
    ]);
    expect(parts.flatMap(({ overlaps }) => overlaps)).toEqual([]);
    expect(stacks[0]?.floatM.on).toBeCloseTo(0.0005, 9);
    expect(findings.map(({ code }) => code)).toEqual(['reach-after']);
    expect(findings[0]?.text).toContain('Deck plate');
  });

  it('tells of the sifter that its screw fouls the track, and where it would not', () => {
    const { parts, findings } = laid('sanderling');
    expect(parts.find(({ id }) => id === 'tension-screw')?.overlaps[0]?.withId).toBe('tracks-left');
    expect(findings[0]).toMatchObject({ code: 'overlap' });
    expect(findings[0]?.moves[0]?.text).toContain('Track tension screw');
  });

  it('tells of the float what cannot be reached at all', () => {
    expect(laid('moth').findings.filter(({ code }) => code === 'no-reach')).toHaveLength(1);
  });

  it('refuses what is no build, and says how it is asked', () => {
    expect(run(['layout'], FILES)).toMatchObject({ status: 2 });
    expect(run(['layout', 'package.json'], FILES).err).toContain('format');
    expect(run(['layout', 'no-such-file'], FILES).err).toContain('cannot read the file');
  });
});
