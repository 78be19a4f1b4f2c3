import { readdirSync, readFileSync } from 'node:fs';
import { courseSchema } from '@zubric/core/vehicle';
import { describe, expect, it } from 'vitest';
import { run } from './run.ts';

const files = { read: (path: string) => readFileSync(path, 'utf8') };
const PUFFIN = 'data/builds/puffin.zubric.json';
const STRAIGHT = 'data/courses/straight-2-m.json';
const drive = (...args: readonly string[]) => run(['drive', ...args], files);

interface Driven {
  readonly course: string;
  readonly runs: readonly Record<string, unknown>[];
  readonly cloud: Record<string, unknown>;
}
const answer = (...args: readonly string[]): Driven => {
  const { out, err, status } = drive(...args);
  expect(err).toBe('');
  expect(status).toBe(0);
  return JSON.parse(out) as Driven;
};

describe('zubric drive', () => {
  it('prints each run and where they end, to the right positive, the same for a seed', () => {
    const driven = answer(PUFFIN, '--course', STRAIGHT, '--runs', '3', '--seed', '7');
    expect(driven.course).toBe('Two metres straight');
    expect(driven.runs.map(({ seed }) => seed)).toEqual([7, 8, 9]);
    for (const key of ['timeS', 'sideM', 'headingDeg', 'endErrorM', 'energyJ', 'peakA'])
      expect(driven.runs[0]?.[key]).toEqual(expect.any(Number));
    for (const key of ['arrives', 'slipped', 'tipped'])
      expect(driven.runs[0]?.[key]).toEqual(expect.any(Boolean));
    expect(driven.cloud).toMatchObject({ meanSideM: expect.any(Number), sdSideM: expect.any(Number) });
    expect(driven.cloud['ellipse']).toMatchObject({ longM: expect.any(Number), deg: expect.any(Number) });
    expect(answer(PUFFIN, '--course', STRAIGHT, '--runs', '3', '--seed', '7')).toEqual(driven);
  });

  it('drives by the school, the control and the job that are asked, with parts matched or of one vehicle', () => {
    const matched = answer(PUFFIN, '--course', STRAIGHT, '--matched', '--school', 'held together');
    expect(Math.abs(Number(matched.runs[0]?.['sideM']))).toBeLessThan(1e-3);
    const own = answer(PUFFIN, '--course', STRAIGHT, '--control', '{"ends":"counts","cap":0.2}');
    expect(Number(own.runs[0]?.['timeS'])).toBeGreaterThan(Number(matched.runs[0]?.['timeS']));
    const one = answer(PUFFIN, '--course', STRAIGHT, '--one-vehicle', '--runs', '6');
    const many = answer(PUFFIN, '--course', STRAIGHT, '--runs', '6');
    expect(Number(one.cloud['sdSideM'])).toBeLessThan(Number(many.cloud['sdSideM']));
  });

  it('has a dozen courses at hand, and the classroom cart is driven over each', () => {
    const courses = readdirSync('data/courses').map((file) => `data/courses/${file}`);
    expect(courses.length).toBeGreaterThanOrEqual(12);
    for (const path of courses) {
      expect(courseSchema.safeParse(JSON.parse(files.read(path))).error).toBeUndefined();
      expect(answer('data/builds/pip.zubric.json', '--course', path).runs).toHaveLength(1);
    }
  });

  it('says what is wrong in a line', () => {
    expect(drive().err).toMatch(/zubric drive FILE --course/);
    expect(drive(PUFFIN).err).toMatch(/--course wants the file/);
    expect(drive(PUFFIN, '--course', PUFFIN).err).toMatch(/puffin.zubric.json: format/);
    expect(drive(PUFFIN, '--course', STRAIGHT, '--runs', '0').err).toMatch(/--runs 0: /);
    expect(drive(PUFFIN, '--course', STRAIGHT, '--school', 'luck').err).toMatch(/one of by time, by counts/);
    expect(drive(PUFFIN, '--course', STRAIGHT, '--control', '{"ends":"luck"}').err).toMatch(
      /--control: ends/,
    );
    expect(drive(PUFFIN, '--course', STRAIGHT, '--job', 'none').err).toMatch(/this build has /);
    expect(drive(PUFFIN, '--course').err).toMatch(/--course wants something after it/);
    expect(drive(PUFFIN, '--fast').err).toMatch(/--fast is not known/);
    expect(drive('data/builds/teasel.zubric.json', '--course', STRAIGHT).err).toMatch(/balancer/);
    expect(drive(PUFFIN, '--course', 'none.json').err).toMatch(/cannot read the file/);
  });
});
