import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { findCalculator } from '../calculators/index.ts';
import { NotPhysical } from '../contract/index.ts';
import { evaluate, linkDefinition, type LinkReport } from '../judge/index.ts';
import { typed } from '../quantity/index.ts';
import { newBuild, readBuild, type Build, driveOf } from '../vehicle/index.ts';
import { OPENED, workingOf, workingOfOuting, workingOfWindow, type Opened } from './index.ts';
import { ratioWorking, workingOfLink } from './links.ts';
import { chainWorking } from './stage.ts';
import { isStated, type Calculation, type Working } from './working.ts';
import { many } from '../testing/many.ts';

const read = readBuild(JSON.parse(readFileSync('packages/core/src/testing/puffin.zubric.json', 'utf8')));
if (!read.ok) throw new Error('the demo build cannot be read');
const puffin = read.build;

const result = (working: Working | undefined): unknown =>
  working && (isStated(working) ? working.value : working.found[working.key]);

/** What the report says of the same number. */
function reported(build: Build, opened: Opened, dutyId: string): number | undefined {
  const duty = evaluate(build).duties.find((d) => d.id === dutyId);
  const numbers: Readonly<Record<Opened, number | undefined>> = {
    mass: duty?.footing.massKg,
    force: duty?.resistance.totalN,
    grip: duty?.footing.gripN,
    'wheel-torque': duty?.point?.wheelTorqueNm,
    'motor-torque': duty?.point?.motorTorqueNm,
    'motor-current': duty?.point?.currentA,
    'battery-current': duty?.point?.batteryA,
    'battery-voltage': duty?.point?.batteryV,
    'attainable-speed': duty?.attainableMps,
  };
  return numbers[opened];
}

const every = (working: Working): Calculation[] =>
  isStated(working)
    ? []
    : [working, ...working.inputs.flatMap((input) => (input.working ? every(input.working) : []))];

/** The value that an input row shows: of a key, or of a cell of a table. */
function valueOf({ given }: Calculation, { key, cell }: Calculation['inputs'][number]): unknown {
  const value = given[key];
  return cell ? (value as Record<string, unknown>[])[cell.row]?.[cell.column] : value;
}

/** Works it out, or says that it has no working because the duty is past its parts. */
function orNone(work: () => Working | undefined): Working | undefined {
  try {
    return work();
  } catch (error) {
    if (error instanceof NotPhysical) return undefined;
    throw error;
  }
}

/** Inputs that are a sum of several figures, the greater part of which can be opened. */
const PARTLY = ['resistanceOhm', 'ktNmPerA', 'keVsPerRad', 'hours', 'massKg'];

function expectSound(working: Working): void {
  for (const step of every(working)) {
    const calculator = findCalculator(step.calculator);
    if (!calculator) throw new Error(`no calculator ${step.calculator}`);
    // The registry's own calculator, given the same, says the same.
    expect(calculator.run(calculator.input.parse(step.given))).toEqual(step.found);
    expect([...new Set(step.inputs.map(({ key }) => key))].sort()).toEqual(Object.keys(step.given).sort());
    expect(Object.keys(step.found)).toContain(step.key);
    for (const input of step.inputs)
      if (input.working && !PARTLY.includes(input.key))
        expect(valueOf(step, input), `${step.calculator}.${input.key}`).toBeCloseTo(
          Number(result(input.working)),
          9,
        );
  }
}

describe('the working of a number', () => {
  it.each(OPENED)('comes to what the report says: %s', (opened) => {
    for (const duty of puffin.duties)
      expect(result(workingOf(puffin, opened, duty.id))).toBeCloseTo(
        reported(puffin, opened, duty.id) ?? NaN,
        9,
      );
  });

  it('names a calculator of the registry at each step, all its inputs, and hands on what the step before found', () => {
    for (const opened of OPENED) expectSound(workingOf(puffin, opened, 'slip-loaded') as Working);
    for (const opened of ['energy', 'run-time'] as const)
      expectSound(workingOfOuting(puffin, opened) as Working);
    expectSound(ratioWorking(puffin) as Working);
  });

  it('says where each number came from', () => {
    const force = workingOf(puffin, 'force', 'slip-loaded') as Calculation;
    const origin = (key: string) => force.inputs.find((input) => input.key === key)?.origin;
    expect([
      origin('massKg'),
      origin('gradeDeg'),
      origin('rollingCoefficient'),
      origin('airDensityKgM3'),
    ]).toEqual(['worked', 'typed', 'assumed', 'fixed']);
    const mass = force.inputs.find((input) => input.key === 'massKg')?.working;
    expect(mass?.inputs.find(({ cell }) => cell?.row === 0 && cell.column === 'massKg')).toMatchObject({
      origin: 'measured',
    });
    const current = workingOf(puffin, 'motor-current', 'slip-loaded') as Calculation;
    const constants = current.inputs.find((input) => input.key === 'ktNmPerA')?.working;
    expect(constants?.inputs.every((input) => input.origin === 'shelf')).toBe(true);
  });

  it('is none where there is no such number', () => {
    expect(workingOf(puffin, 'force', 'no-such-duty')).toBeUndefined();
    expect(workingOf(newBuild('Gull'), 'wheel-torque', 'duty-1')).toBeUndefined();
    expect(result(workingOf(newBuild('Gull'), 'grip', 'duty-1'))).toBeGreaterThan(0);
  });

  it('agrees with the report on any job, up, down, loaded or empty', () => {
    const duty = fc.record({
      grade: fc.double({ min: -0.5, max: 0.5, noNaN: true }),
      speed: fc.double({ min: 0, max: 5, noNaN: true }),
      payloadShare: fc.double({ min: 0, max: 1, noNaN: true }),
      drawbar: fc.double({ min: 0, max: 500, noNaN: true }),
    });
    fc.assert(
      fc.property(duty, fc.constantFrom(...OPENED), (d, opened) => {
        const [first, ...rest] = puffin.duties;
        if (!first) return;
        const changed = {
          ...first,
          grade: typed(d.grade, '°'),
          speed: typed(d.speed, 'm/s'),
          payloadShare: typed(d.payloadShare, '%'),
          drawbar: typed(d.drawbar, 'N'),
        };
        const build = { ...puffin, duties: [changed, ...rest] };
        const working = orNone(() => workingOf(build, opened, first.id));
        if (!working) {
          // Only what is electrical may have none: the motor is pushed, or past what it can do.
          expect(opened).toMatch(/current|voltage/);
          return;
        }
        const said = reported(build, opened, first.id) ?? NaN;
        expect(Math.abs(Number(result(working)) - said)).toBeLessThanOrEqual(
          1e-9 * Math.max(1, Math.abs(said)),
        );
      }),
      { numRuns: many(500, 5000) },
    );
  });
});

describe('the working of a margin', () => {
  const sides = ['needs', 'has'] as const;
  const { links, outing } = evaluate(puffin);

  it.each(
    links.flatMap((link) =>
      sides.map((side) => [`${side} of ${link.link}, ${link.dutyId ?? 'outing'}`, link, side] as const),
    ),
  )('%s comes to what the report says, in the unit of the link', (_, link, side) => {
    const working = workingOfLink(puffin, link, side);
    expect(working).toBeDefined();
    if (!working) return;
    expectSound(working);
    expect(inSi(working, link)).toBeCloseTo(link[side], 9);
  });

  it('is there for every link of the demo barrow', () => {
    expect(new Set(links.map(({ link }) => link)).size).toBeGreaterThanOrEqual(12);
  });

  it('of the outing comes to what the report says', () => {
    expect(result(workingOfOuting(puffin, 'energy'))).toBeCloseTo((outing?.energyJ ?? NaN) / 3600, 9);
    expect(result(workingOfOuting(puffin, 'run-time'))).toBeCloseTo((outing?.runTimeS ?? NaN) / 3600, 9);
    expect(result(ratioWorking(puffin))).toBeCloseTo(evaluate(puffin).train.ratio, 12);
  });

  it.each(['low', 'high'] as const)('of the %s end of the window that every job shares', (end) => {
    const report = evaluate(puffin);
    const working = workingOfWindow(puffin, report, end) as Calculation;
    expectSound(working);
    expect(result(working)).toBeCloseTo(report.ratioWindow?.[end] ?? NaN, 9);
    expect(workingOfWindow(newBuild('Gull'), evaluate(newBuild('Gull')), end)).toBeUndefined();
  });

  it('of a chain says its links and centre distance', () => {
    const chain = driveOf(puffin).stages.find((stage) => stage.kind === 'chain');
    if (!chain) throw new Error('the demo barrow has a chain');
    const working = chainWorking(chain);
    expectSound(working);
    // 10 to 36 teeth of 3/8 in, 181.5 mm apart: 38.110 + 23 + 0.899 = 62.009, so 62 (worked by hand).
    expect(result(working)).toBe(62);
    expect(working.found.linksExact).toBeCloseTo(62.009, 3);
  });

  it('says why a number has none where the job is past its parts', () => {
    const [first, ...rest] = puffin.duties;
    if (!first) throw new Error('the demo build has no job');
    const asked = (grade: number): Build => ({
      ...puffin,
      duties: [{ ...first, grade: typed(grade, '°') }, ...rest],
    });
    expect(() => workingOf(asked(-0.5), 'motor-current', first.id)).toThrow(/pushes its motor/);
    const steep = {
      ...asked(1.2),
      masses: { ...puffin.masses, own: { ...puffin.masses.own, mass: typed(2000, 'kg') } },
    };
    expect(() => workingOf(steep, 'battery-current', first.id)).toThrow(NotPhysical);
  });

  it('without a motor is that of force and grip alone', () => {
    const gull = newBuild('Gull');
    for (const link of evaluate(gull).links)
      for (const side of sides) {
        const working = workingOfLink(gull, link, side);
        if (!working) throw new Error(`${link.link} has no working`);
        expect(inSi(working, link)).toBeCloseTo(link[side], 9);
      }
    expect(workingOfOuting(gull, 'energy')).toBeUndefined();
    expect(ratioWorking(gull)).toBeUndefined();
  });
});

/** What a working comes to, in the SI unit of its link. */
function inSi(working: Working, link: LinkReport): number {
  const value = Number(result(working));
  if (isStated(working)) return value;
  const { dimension } = linkDefinition(link.link);
  if (dimension === 'angle') return (value * Math.PI) / 180;
  return dimension === 'energy' ? value * 3600 : value;
}
