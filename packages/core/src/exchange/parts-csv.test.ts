import { readFileSync, readdirSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { dataSheetOf, partSchema, type Part } from '../vehicle/index.ts';
import { UnreadableTable, partsFromCsv, partsToCsv } from './index.ts';

const shelf: Part[] = readdirSync('data/shelf').flatMap((file) =>
  partSchema.array().parse(JSON.parse(readFileSync(`data/shelf/${file}`, 'utf8'))),
);
const HEAD = 'kind,name,type,mass,voltageV,noLoadRpm,noLoadA,stallTorqueNm,stallA,continuousA';
const only = (text: string): Part => {
  const { parts, bad } = partsFromCsv(text);
  expect(bad).toEqual([]);
  const [first] = parts;
  if (!first) throw new Error('no part was read');
  return first.part;
};

describe('parts as CSV', () => {
  it('come back as they went out: the whole shelf, guesses and where from with it', () => {
    const own: Part[] = shelf.map((part, n) =>
      n % 3 === 0 ? { ...part, whence: 'salvaged', guessed: { massKg: 0.5 }, note: 'two,\n"lines"' } : part,
    );
    const { parts, bad, columns } = partsFromCsv(partsToCsv(own));
    expect(bad).toEqual([]);
    expect(columns.every(({ key }) => key !== null)).toBe(true);
    expect(parts.map(({ part }) => part)).toEqual(own);
  });

  it('keep a name that a spreadsheet would take for a formula, and write it so that it takes it for none', () => {
    const [first] = shelf;
    if (!first) throw new Error('the shelf is empty');
    const text = partsToCsv([{ ...first, name: '=1+1' }]);
    expect(text).toContain("'=1+1");
    expect(only(text).name).toBe('=1+1');
  });

  it('are read in the units of their columns, and of each cell', () => {
    const text = `${HEAD.replace('stallTorqueNm', 'Torque at which it stands still [in·lb]')}
motor,Winch,brushed,3 lb,12,3000,1.5,40,90,15
motor,Other,brushed,1.4,12,60 rpm,800 mA,2 N·m,14,3`;
    const { parts, bad } = partsFromCsv(text);
    expect(bad).toEqual([]);
    const [winch, other] = parts.map(({ part }) => part);
    // One pound is 0.45359237 kg, one inch-pound 0.1129848 N·m (NIST SP 811, appendix B.8).
    expect(winch?.massKg).toBeCloseTo(3 * 0.45359237, 6);
    expect(winch).toMatchObject({ noLoadRpm: 3000 });
    expect((winch?.kind === 'motor' && dataSheetOf(winch)?.stallTorqueNm) || NaN).toBeCloseTo(
      40 * 0.1129848,
      5,
    );
    expect(other).toMatchObject({ noLoadA: 0.8, stallTorqueNm: 2, noLoadRpm: 60 });
  });

  it('that are wrong are told with their line and column; the others are read', () => {
    const text = `${HEAD}
motor,Good,brushed,1,12,60,1.5,18,14,3

motor,No volts,brushed,1,,60,1.5,18,14,3
motor,Words,brushed,1,twelve,60,1.5,18,14,3
motor,Both,brushed,1,12,"3,000",1.5,18,14,3
teapot,Pot,brushed,1,12,60,1.5,18,14,3
motor,Short`;
    const { parts, bad } = partsFromCsv(text);
    expect(parts.map(({ part }) => part.name)).toEqual(['Good']);
    expect(bad.map(({ line }) => line)).toEqual([4, 5, 6, 7, 8]);
    expect(bad[0]?.problems.join()).toMatch(/voltageV/);
    expect(bad[1]?.problems.join()).toMatch(/^voltageV: "twelve"/);
    expect(bad[2]?.problems.join()).toMatch(/3,000.*two ways.*3000/);
    expect(bad[3]?.problems.join()).toMatch(/kind/);
  });

  it('are told by the line of the file, where a note before has several', () => {
    const text = `${HEAD},note\nmotor,Good,brushed,1,12,60,1.5,18,14,3,"one\ntwo\nthree"\nmotor,Bad,brushed,1,twelve,60,1.5,18,14,3,`;
    expect(partsFromCsv(text).bad.map(({ line }) => line)).toEqual([5]);
  });

  it('take a price whatever money heads it, and a figure in the unit of its key', () => {
    const { parts, bad } = partsFromCsv(
      `${HEAD},cost (EUR),Inertia of its rotor [g·cm²]\nmotor,Good,brushed,1,12,60,1.5,18,14,3,9.5,40`,
    );
    expect(bad).toEqual([]);
    expect(parts[0]?.part).toMatchObject({ cost: 9.5, rotorGcm2: 40 });
    const other = `${HEAD},rotorGcm2 [kg·m²]\nmotor,Good,brushed,1,12,60,1.5,18,14,3,40`;
    expect(partsFromCsv(other).bad[0]?.problems.join()).toMatch(/is no unit/);
  });

  it('leave out columns that no part has, and say which', () => {
    const { columns, parts } = partsFromCsv(`${HEAD},shop,\nmotor,Good,brushed,1,12,60,1.5,18,14,3,corner,`);
    expect(columns.filter(({ key }) => key === null).map(({ heading }) => heading)).toEqual(['shop', '']);
    expect(parts).toHaveLength(1);
  });

  it('of a unit that measures something else are told at every row', () => {
    const text = `${HEAD.replace('stallA', 'stallA (kg)')}\nmotor,Good,brushed,1,12,60,1.5,18,14,3`;
    expect(partsFromCsv(text).bad[0]?.problems.join()).toMatch(/"kg" is no unit/);
  });

  it('are read from a table that calls its columns otherwise, once it is told what they are', () => {
    const foreign = 'Article;Weight (g);Hole;Price\nSmall bush;12;6;1.50\n';
    const asked = partsFromCsv(foreign);
    expect(asked.columns.map(({ key }) => key)).toEqual([null, null, null, null]);
    expect(asked.bad).toEqual([{ line: 1, problems: [expect.stringContaining('must head the columns')] }]);
    const columns = { Article: 'name', 'Weight (g)': 'massKg', Price: 'cost' };
    const told = partsFromCsv(foreign, { columns, kind: 'spacer' });
    expect(told.bad).toEqual([]);
    // 12 g in the unit of its own heading; what nobody named stays left out.
    expect(told.parts[0]?.part).toMatchObject({
      kind: 'spacer',
      name: 'Small bush',
      massKg: 0.012,
      cost: 1.5,
    });
    expect(told.columns[2]).toMatchObject({ heading: 'Hole', key: null });
    // What is known by its own words can be left out, too.
    expect(
      partsFromCsv('kind,name,cost\nspacer,A,3', { columns: { cost: '' } }).parts[0]?.part.cost,
    ).toBeUndefined();
    expect(() => partsFromCsv('a,b\n1,2', { columns: { a: 'name', b: 'name' } })).toThrow(/Two columns/);
  });

  it.each([
    [`${HEAD}\nmotor,"cut off`, /cut off/],
    ['', /must head the columns/],
    ['kind,name,name\nmotor,a,b', /Two columns/],
  ])('are refused as a whole where the table is none: %j', (text, why) => {
    expect(() => partsFromCsv(text)).toThrow(why);
    expect(() => partsFromCsv(text)).toThrow(UnreadableTable);
  });
});
