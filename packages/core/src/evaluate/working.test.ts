import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { newBuild, readBuild, type Build } from '../build/index.ts';
import { findCalculator } from '../calculators/index.ts';
import { typed } from '../quantity/index.ts';
import { evaluate, OPENED, workingOf, type Opened, type Working } from './index.ts';

const read = readBuild(JSON.parse(readFileSync('data/builds/puffin.zubric.json', 'utf8')));
if (!read.ok) throw new Error('the demo build cannot be read');
const puffin = read.build;

const result = (working: Working | undefined): unknown => working?.found[working.key];

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
  };
  return numbers[opened];
}

const every = (working: Working): Working[] => [
  working,
  ...working.inputs.flatMap((input) => (input.working ? every(input.working) : [])),
];

describe('the working of a number', () => {
  it.each(OPENED)('comes to what the report says: %s', (opened) => {
    for (const duty of puffin.duties)
      expect(result(workingOf(puffin, opened, duty.id))).toBeCloseTo(
        reported(puffin, opened, duty.id) ?? NaN,
        9,
      );
  });

  it('names a calculator of the registry at each step, all its inputs, and no other', () => {
    for (const opened of OPENED) {
      const working = workingOf(puffin, opened, 'slip-loaded');
      if (!working) throw new Error(`no working of ${opened}`);
      for (const step of every(working)) {
        const calculator = findCalculator(step.calculator);
        if (!calculator) throw new Error(`no calculator ${step.calculator}`);
        // The registry's own calculator, given the same, says the same.
        expect(calculator.run(calculator.input.parse(step.given))).toEqual(step.found);
        expect(step.inputs.map((input) => input.key).sort()).toEqual(Object.keys(step.given).sort());
      }
    }
  });

  it('hands a worked input on as the step before it found it', () => {
    for (const opened of OPENED)
      for (const step of every(workingOf(puffin, opened, 'slip-loaded') as Working))
        for (const input of step.inputs) {
          if (!input.working || input.key === 'resistanceOhm' || input.key === 'ktNmPerA') continue;
          expect(step.given[input.key]).toBeCloseTo(Number(result(input.working)), 9);
        }
  });

  it('says where each number came from', () => {
    const force = workingOf(puffin, 'force', 'slip-loaded');
    const origin = (key: string) => force?.inputs.find((input) => input.key === key)?.origin;
    expect([
      origin('massKg'),
      origin('gradeDeg'),
      origin('rollingCoefficient'),
      origin('airDensityKgM3'),
    ]).toEqual(['worked', 'typed', 'assumed', 'fixed']);
    const mass = force?.inputs.find((input) => input.key === 'massKg')?.working;
    expect(mass?.inputs.find((input) => input.key === 'ownKg')).toMatchObject({ origin: 'measured' });
    const current = workingOf(puffin, 'motor-current', 'slip-loaded');
    const constants = current?.inputs.find((input) => input.key === 'ktNmPerA')?.working;
    expect(constants?.inputs.every((input) => input.origin === 'shelf')).toBe(true);
  });

  it('is none where there is no such number', () => {
    expect(workingOf(puffin, 'force', 'no-such-duty')).toBeUndefined();
    expect(workingOf(newBuild('Gull'), 'wheel-torque', 'duty-1')).toBeUndefined();
    expect(result(workingOf(newBuild('Gull'), 'grip', 'duty-1'))).toBeGreaterThan(0);
  });

  it('agrees with the report on any duty, up, down, loaded or empty', () => {
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
        const working = workingOf(build, opened, first.id);
        if (!working) {
          // Only a current may have none: the motor is pushed, or past what it can do.
          expect(opened).toBe('motor-current');
          return;
        }
        const said = reported(build, opened, first.id) ?? NaN;
        expect(Math.abs(Number(result(working)) - said)).toBeLessThanOrEqual(
          1e-9 * Math.max(1, Math.abs(said)),
        );
      }),
      { numRuns: 500 },
    );
  });
});
