import { driveOf, changeDrive } from './through.ts';
import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { typed } from '../quantity/index.ts';
import {
  applyChanges,
  buildSchema,
  changesBetween,
  contest,
  differencesBetween,
  inverseOf,
  inWords,
  meaningOf,
  mergeInto,
  newBuild,
  newDuty,
  newGround,
  partSchema,
  choosePart,
  readBuild,
  type Build,
} from './index.ts';
import { many } from '../testing/many.ts';

const read = readBuild(JSON.parse(readFileSync('packages/core/src/testing/puffin.zubric.json', 'utf8')));
if (!read.ok) throw new Error('the demo build cannot be read');
const puffin = read.build;
const motors = (JSON.parse(readFileSync('data/shelf/motors.json', 'utf8')) as unknown[]).map((part) =>
  partSchema.parse(part),
);

/** Edits as builders make them, by number. */
const EDITS: readonly ((build: Build, n: number) => Build)[] = [
  (b, n) => ({ ...b, purpose: `purpose ${n}` }),
  (b, n) => ({
    ...b,
    masses: { ...b.masses, payload: { ...b.masses.payload, mass: typed(50 + n, 'kg') } },
  }),
  (b, n) => ({ ...b, duties: [...b.duties, newDuty(`extra-${n}`, `Extra ${n}`, b.grounds[0]?.id ?? '')] }),
  (b, n) => ({ ...b, duties: b.duties.filter((_, at) => at !== n % Math.max(1, b.duties.length)) }),
  (b) => ({ ...b, duties: [...b.duties].reverse() }),
  (b, n) => ({ ...b, grounds: [newGround(`ground-x${n}`, `Ground ${n}`), ...b.grounds] }),
  (b, n) => motors.slice(n % motors.length, (n % motors.length) + 1).reduce(choosePart, b),
  (b, n) => ({
    ...b,
    duties: b.duties.map((d, at) => (at === 0 ? { ...d, speed: typed(n / 10, 'm/s') } : d)),
  }),
  (b) => changeDrive(b, { stages: driveOf(b).stages.slice(1) }),
  (b, n) => ({
    ...b,
    assembly: { ...b.assembly, steps: [{ id: `step-${n}`, doneOn: '2027-01-02' }] },
  }),
];
const edits = fc.array(fc.tuple(fc.nat(EDITS.length - 1), fc.nat(30)), { maxLength: 8 });
const edited = (build: Build, list: readonly (readonly [number, number])[]): Build =>
  list.reduce((b, [which, n]) => {
    const next = EDITS[which]?.(b, n) ?? b;
    return buildSchema.safeParse(next).success ? next : b;
  }, build);

/** The order of the parts carried along says nothing. */
const sorted = (build: Build): Build => ({
  ...build,
  parts: [...build.parts].sort((a, b) => a.id.localeCompare(b.id)),
});

describe('changes between two builds', () => {
  it('turn one into the other, and back', () => {
    fc.assert(
      fc.property(edits, edits, (some, others) => {
        const a = edited(puffin, some);
        const b = edited(puffin, others);
        const changes = changesBetween(a, b);
        expect(applyChanges(a, changes)).toEqual(b);
        expect(applyChanges(b, inverseOf(changes))).toEqual(a);
      }),
      { numRuns: many(300, 3000) },
    );
  });

  it('are none between equal documents', () => {
    expect(changesBetween(puffin, structuredClone(puffin))).toEqual([]);
  });

  it('leave out what has no place any more, and keep what came from elsewhere', () => {
    const faster = edited(puffin, [[7, 20]]);
    const changes = changesBetween(puffin, faster);
    const without = { ...puffin, duties: puffin.duties.slice(1), purpose: 'changed elsewhere' };
    expect(applyChanges(without, changes)).toEqual(without);
  });

  it('take a value away where it is no longer given', () => {
    const { spread: _spread, ...plain } = puffin.masses.payload.mass;
    const changes = changesBetween({ mass: { ...plain, note: 1 } }, { mass: plain });
    expect(applyChanges({ mass: { ...plain, note: 1 } }, changes)).toEqual({ mass: plain });
  });
});

describe('two builds that grew from one', () => {
  const mine = edited(puffin, [[1, 11]]);

  it('say who changed what', () => {
    const theirs = edited(puffin, [
      [0, 7],
      [1, 22],
    ]);
    expect(contest(puffin, theirs, mine).map(({ key, by }) => [key, by])).toEqual([
      ['purpose', 'theirs'],
      ['masses.payload.mass', 'both'],
    ]);
    expect(contest(puffin, puffin, mine).map(({ by }) => by)).toEqual(['mine']);
  });

  it('become one, difference by difference, whatever is chosen', () => {
    fc.assert(
      fc.property(
        edits,
        edits,
        fc.array(fc.boolean(), { minLength: 40, maxLength: 40 }),
        (some, others, picks) => {
          const theirs = edited(puffin, some);
          const own = edited(puffin, others);
          const contested = contest(puffin, theirs, own);
          const all = mergeInto(theirs, contested);
          expect(all.ok && sorted(all.build)).toEqual(sorted(own));
          const none = mergeInto(theirs, []);
          expect(none.ok && none.build).toEqual(theirs);
          const some_ = mergeInto(
            theirs,
            contested.filter((_, n) => picks[n]),
          );
          // Taking a duty without the ground it stands on is refused with its place, never half done.
          if (!some_.ok) expect(some_.problems[0]?.path).not.toBe('');
          else expect(buildSchema.safeParse(some_.build).success).toBe(true);
        },
      ),
      { numRuns: many(300, 3000) },
    );
  });
});

describe('a difference in words', () => {
  const said = (after: Build, before: Build = puffin): string[] =>
    differencesBetween(before, after).map((difference) => inWords(difference, before, after).text);

  it('says where, what, and what it was and became', () => {
    expect(said(edited(puffin, [[1, 50]]))).toEqual([
      'Payload, mass: 120\u00a0kg ± 10\u00a0kg → 100\u00a0kg',
    ]);
    expect(said(edited(puffin, [[7, 10]]))).toEqual(['Slip, loaded, speed: 0.8\u00a0m/s → 1\u00a0m/s']);
    expect(said({ ...puffin, name: 'Gull' })).toEqual(['Name: Puffin → Gull']);
    expect(said({ ...puffin, readyBy: null })).toEqual(['Ready by: 2027-04-24 → none']);
  });

  it('names the teeth of a stage by its kind and number', () => {
    const at = driveOf(puffin).stages.findIndex((stage) => stage.kind === 'chain');
    const stages = driveOf(puffin).stages.map((stage, n) =>
      n === at && stage.kind === 'chain' ? { ...stage, teethDriver: 9 } : stage,
    );
    expect(said(changeDrive(puffin, { stages }))).toEqual([`Chain, stage ${at + 1}, driver teeth: 10 → 9`]);
  });

  it('says a part chosen as one thing, by name', () => {
    const other = motors.find((motor) => motor.id !== driveOf(puffin).motorId);
    if (!other) throw new Error('the shelf has too few motors');
    const lines = said(choosePart(puffin, other));
    expect(lines).toHaveLength(1);
    expect(lines[0]).toMatch(/^Motor: 24 V .* → /);
    expect(lines[0]).toContain(other.name);
  });

  it('says what was added and removed by name', () => {
    expect(said(edited(puffin, [[2, 3]]))).toEqual(['Jobs: Extra 3 added']);
    const gone = { ...puffin, duties: puffin.duties.slice(0, -1) };
    expect(said(gone)).toEqual([`Jobs: ${puffin.duties.at(-1)?.name ?? ''} removed`]);
    expect(said(puffin, gone)).toEqual([`Jobs: ${puffin.duties.at(-1)?.name ?? ''} added`]);
  });

  it('says where a number now comes from when it is the same number', () => {
    const own = puffin.masses.own;
    const after = {
      ...puffin,
      masses: { ...puffin.masses, own: { ...own, mass: { ...own.mass, origin: 'typed' as const } } },
    };
    expect(said(after)).toEqual(['Own mass, mass: 58\u00a0kg (measured) → 58\u00a0kg (typed)']);
  });

  it('has a title for every number and word of a build', () => {
    const leaves = (x: unknown, path: string[] = []): string[][] => {
      if (typeof x !== 'object' || x === null || ('value' in x && 'origin' in x)) return [path];
      if (Array.isArray(x))
        return x.flatMap((item: { id?: string }) =>
          item.id === undefined ? [] : leaves(item, [...path, item.id]),
        );
      return Object.entries(x).flatMap(([key, value]) => leaves(value, [...path, key]));
    };
    const silent = new Set(['format', 'formatVersion', 'id', 'kind', 'name', 'type']);
    const untitled = [...leaves(puffin), ...leaves(newBuild('Gull'))].filter(
      (path) => !silent.has(path.at(-1) ?? '') && meaningOf(path).title === undefined,
    );
    expect(untitled.map((path) => path.join('.'))).toEqual([]);
  });
});
