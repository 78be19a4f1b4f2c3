/** The small sums of the judge, each by itself. */
import { describe, expect, it } from 'vitest';
import type { DutyReport } from '../capability/index.ts';
import { drivelineOf } from '../drive/index.ts';
import { typed } from '../quantity/index.ts';
import { demoBuilds } from '../testing/demo-builds.ts';
import { needed } from '../testing/numbers.ts';
import { foundOf, shelfPart } from '../testing/on-the-shelf.ts';
import { firstDuty, withDuty } from '../testing/vehicles.ts';
import { freshStage } from '../transmission/index.ts';
import { addDrive, choosePart, driveOf, layoutTemplate, withLayout, type Build } from '../vehicle/index.ts';
import { evaluate } from './evaluate.ts';
import { firstToGive } from './first-to-give.ts';
import { payloadSweep } from './payload-sweep.ts';
import { ratiosWanted } from './ratios-wanted.ts';
import { reportThrough } from './report-through.ts';
import type { LinkReport, Report } from './report.ts';
import { chargeTimeOf } from './supply-links.ts';
import { fastestAgainst, greatestAt } from './work-links.ts';

const builds = demoBuilds();
const puffin = needed(builds.puffin, 'Puffin');
const line = needed(drivelineOf(puffin), 'driveline');

describe('what gives first', () => {
  const report = (ratios: Partial<Record<'grip' | 'torque', number>>): Report =>
    ({
      links: Object.entries(ratios).map(([link, ratio]) => ({ link, dutyId: 'a', ratio })),
    }) as unknown as Report;

  it('is the smaller margin, grip where both are alike, and nothing where neither is asked', () => {
    expect(firstToGive(report({ grip: 2, torque: 1.5 }), 'a')).toEqual({
      ...{ first: 'torque', grip: 2, torque: 1.5 },
    });
    expect(firstToGive(report({ grip: 1.5, torque: 1.5 }), 'a')?.first).toBe('grip');
    expect(firstToGive(report({ torque: 3 }), 'a')).toEqual({ first: 'torque', torque: 3 });
    expect(firstToGive(report({ grip: 3 }), 'a')).toEqual({ first: 'grip', grip: 3 });
    expect(firstToGive(report({}), 'a')).toBeUndefined();
    expect(firstToGive(report({ grip: 3 }), 'b')).toBeUndefined();
  });
});

describe('ratios that are worth a try', () => {
  type Window = NonNullable<DutyReport['ratioWindow']>;
  const duty = (id: string, window: Partial<Window> | undefined): DutyReport =>
    ({
      id,
      ...(window ? { ratioWindow: { just: null, rule: null, best: { ratio: 7 }, ...window } } : {}),
    }) as unknown as DutyReport;
  const span = (low: number, high: number) => ({ low, high });
  const wanted = (duties: readonly DutyReport[], id: string | null, now: number): number[] =>
    ratiosWanted(duties, id, now).map((ratio) => Number(ratio.toPrecision(6)));

  it('are none where no job has a window', () => {
    expect(wanted([], null, 10)).toEqual([]);
    expect(wanted([duty('a', undefined)], null, 10)).toEqual([]);
  });

  it('begin with the middle of what suits all: from the highest low to the lowest high', () => {
    const duties = [duty('a', { rule: span(4, 25) }), duty('b', { rule: span(9, 36) })];
    expect(wanted(duties, null, 10)).toEqual([15]);
    // Where nothing suits all by the rule, what just does.
    const apart = [
      duty('a', { rule: span(2, 3), just: span(2, 32) }),
      duty('b', { rule: span(9, 36), just: span(8, 40) }),
    ];
    expect(wanted(apart, null, 10)).toEqual([16]);
    const never = [
      duty('a', { rule: null, just: null }),
      duty('b', { rule: span(9, 36), just: span(8, 40) }),
    ];
    expect(wanted(never, null, 10)).toEqual([]);
  });

  it('go just inside the end that is passed, never past the other end', () => {
    const of = (low: number, high: number, now: number): number[] =>
      wanted([duty('a', { rule: span(low, high) })], 'a', now);
    expect(of(10, 40, 5)).toEqual([20, 10.4]);
    expect(of(10, 40, 80)).toEqual([20, Number((40 / 1.04).toPrecision(6))]);
    expect(of(10, 40, 12)).toEqual([20]);
    // A window narrower than that step: its own ends.
    expect(of(10, 10.2, 5)).toEqual([Number(Math.sqrt(102).toPrecision(6))]);
    expect(of(10, 10.2, 5)).toEqual(of(10, 10.2, 20));
  });

  it('are the best there is where no ratio does it', () => {
    expect(wanted([duty('a', {})], 'a', 5)).toEqual([7]);
  });
});

describe('a lift or a blade', () => {
  it('turns as fast as it does free where the load drives it, and not at all where it cannot turn it', () => {
    const free = line.circuit.motor.fastestRadS(line.circuit.openCircuitV) / line.ratio;
    expect(fastestAgainst(line, greatestAt(line, 0) * 1.01)).toBe(0);
    expect(fastestAgainst(line, greatestAt(line, free) - 1)).toBe(free);
    expect(fastestAgainst(line, greatestAt(line, 0.9 * free)) / free).toBeCloseTo(0.9, 6);
  });

  it('beside people is cut by a switch of its own drive, and not by that of another', () => {
    const one: Build = { ...addDrive(puffin, 'turning').build, people: 'beside' };
    const [first] = foundOf(one, 'no-interlock');
    const id = needed(first?.driveId, 'drive');
    const cut = (...driveIds: string[]): Build => ({
      ...one,
      supply: {
        ...one.supply,
        interlocks: driveIds.map((driveId, n) => ({
          ...{ id: `cut-${n}`, at: 'handle', acts: 'runs only while worked', driveId },
        })),
      },
    });
    expect(foundOf(cut(id), 'no-interlock')).toEqual([]);
    expect(foundOf(cut(driveOf(puffin).id), 'no-interlock')).toHaveLength(1);
    expect(foundOf(cut(id, driveOf(puffin).id), 'no-interlock')).toEqual([]);
  });

  it('may be switched by a relay alone; what moves the vehicle may not', () => {
    const relay = shelfPart('driver-2x32', { control: 'contactor' });
    const rolling = choosePart(puffin, relay);
    const only = (build: Build): number => foundOf(build, 'switches-only').length;
    expect(only(rolling)).toBe(1);
    // A lift with a motor of the same kind on the same contactor is held as it should be.
    const drive = driveOf(rolling);
    const lift: Build = {
      ...rolling,
      drives: [
        ...rolling.drives,
        {
          ...drive,
          ...{ id: 'lift', name: 'Lift', does: 'works', together: 'all', motorsPerWheel: 1, path: [] },
          stages: [freshStage('gearhead', 'reduction', 30), freshStage('spool', 'drum', 1)],
          work: {
            ...{ kind: 'lift', load: typed(5, 'kg'), height: typed(0.5, 'm'), within: typed(5, 's') },
            timesAnHour: typed(6, ''),
          },
        },
      ],
    };
    expect(only(lift)).toBe(1);
  });
});

it('a driver that holds speeds is not told that they fall, whatever the load', () => {
  const two: Build = {
    ...puffin,
    duties: [
      {
        ...firstDuty(puffin),
        id: 'level',
        grade: typed(0, '°'),
        speed: typed(0.5, 'm/s'),
        duration: typed(600, 's'),
      },
      {
        ...firstDuty(puffin),
        id: 'slope',
        grade: typed(0.16, '°'),
        speed: typed(0.5, 'm/s'),
        duration: typed(60, 's'),
      },
    ].map((duty) => ({ ...duty, extent: { kind: 'time' as const } })),
  };
  expect(foundOf(two, 'speed-falls')).toHaveLength(1);
  const holds = choosePart(two, shelfPart('driver-2x32', { holdsSpeed: true }));
  expect(foundOf(holds, 'speed-falls')).toEqual([]);
});

it('a charge takes time only after something was drawn', () => {
  const charger = { current: typed(5, 'A') };
  const build: Build = { ...puffin, supply: { ...puffin.supply, charger } };
  const draw = (meanBatteryA: number) =>
    chargeTimeOf(build, line, {
      ...needed(evaluate(puffin).outing, 'outing'),
      meanBatteryA,
      durationS: 3600,
    });
  expect(draw(0)).toBeUndefined();
  // As long again for ten times as much, until the pack is empty.
  expect(needed(draw(2), 'charge') / needed(draw(1), 'charge')).toBeCloseTo(2, 1);
  expect(draw(1e6)).toBe(draw(1e7));
});

describe('the payload that is too much', () => {
  it('is stopped by what is nearest to failing of the margins that it moves', () => {
    const sweep = needed(payloadSweep(puffin, 12), 'sweep');
    const stopped = sweep.points.filter((point) => point.stopped);
    expect(stopped.length).toBeGreaterThan(2);
    for (const { payloadKg, stopped: link } of stopped) {
      const { payload } = puffin.masses;
      const loaded = evaluate({
        ...puffin,
        masses: { ...puffin.masses, payload: { ...payload, mass: typed(payloadKg, 'kg') } },
      });
      const worst = (links: readonly LinkReport[]): number => Math.min(...links.map(({ ratio }) => ratio));
      expect(link?.ratio).toBeCloseTo(worst(loaded.links.filter(({ ratio }) => ratio < 1)), 9);
    }
  });
});

describe('a report as one drive has it', () => {
  const layout = needed(layoutTemplate('four-skid'), 'layout');
  const [drive] = puffin.drives;
  const two: Build = {
    ...withLayout(puffin, layout),
    drives: [
      { ...needed(drive, 'drive'), axleIds: ['axle-1'], together: 'side' },
      { ...needed(drive, 'drive'), id: 'front', axleIds: ['axle-2'], together: 'side' },
    ],
  };

  it('has its own point in each duty; one of which it says nothing is as it was', () => {
    const report = evaluate(two);
    const front = reportThrough(report, 'front');
    expect(front.duties[0]?.point).toEqual(
      report.duties[0]?.drives?.find(({ driveId }) => driveId === 'front')?.point,
    );
    const silent = {
      ...report,
      duties: report.duties.map(({ drives: _none, ...duty }) => duty),
    };
    expect(reportThrough(silent, 'front').duties[0]).toBe(silent.duties[0]);
    expect(reportThrough(report, 'nobody')).toBe(report);
  });
});

it('a job that asks for nothing asks for no margin of its path', () => {
  const still = withDuty(puffin, { grade: typed(0, '°'), acceleration: typed(0, 'm/s²') });
  const paths = evaluate(still).links.filter(({ link }) => link === 'path');
  expect(paths.every(({ needs }) => needs > 0)).toBe(true);
});
