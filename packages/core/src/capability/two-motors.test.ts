/** Several motors to a wheel, windows of ratios, and how fast it may go: where one case becomes another. */
import { describe, expect, it } from 'vitest';
import { askedOf } from '../demand/index.ts';
import { drivelineOf, trainStages, type Driveline } from '../drive/index.ts';
import { evaluate } from '../judge/index.ts';
import { typed } from '../quantity/index.ts';
import { demoBuilds } from '../testing/demo-builds.ts';
import { needed } from '../testing/numbers.ts';
import { firstDuty, on, withDuty } from '../testing/vehicles.ts';
import { changeDrive, type Build } from '../vehicle/index.ts';
import {
  commonSpan,
  drivenAt,
  dutyPoint,
  dutyPoints,
  loadedStages,
  mayGoIn,
  motorTorqueOf,
  movedOf,
  outingCourse,
  playInput,
  ratioWindowSum,
  startingInput,
} from './index.ts';

const builds = demoBuilds();
const puffin = needed(builds.puffin, 'Puffin');
const lineOf = (build: Build): Driveline => needed(drivelineOf(build), 'drive');
const twin = changeDrive(puffin, { motorsPerWheel: 2 });

describe('two motors to a wheel', () => {
  const line = lineOf(twin);

  it('each turn their own gearhead, and both the stages behind', () => {
    const [gearhead, chain] = loadedStages(line, { motorTorqueNm: 1, motorRpm: 900 });
    expect([gearhead?.stage.kind, chain?.stage.kind]).toEqual(['gearhead', 'chain']);
    expect(gearhead?.load.inputTorqueNm).toBe(1);
    expect(chain?.load.inputTorqueNm).toBeCloseTo(2 * (gearhead?.behindNm ?? NaN), 12);
  });

  it('turned by the wheel each bear half of it', () => {
    const [gearhead, chain] = loadedStages(line, { wheelTorqueNm: 30, wheelRpm: 40 });
    expect(chain?.behindNm).toBe(30);
    expect(gearhead?.behindNm).toBeCloseTo((chain?.load.inputTorqueNm ?? NaN) / 2, 12);
    expect(gearhead?.load.inputTorqueNm).toBeCloseTo(30 / line.ratio / 2, 12);
    expect(motorTorqueOf(line, { wheelTorqueNm: 30, wheelRpm: 40 })).toBeCloseTo(30 / line.ratio / 2, 12);
  });

  it('idle against who pushes it, both of them', () => {
    const one = movedOf(puffin, lineOf(puffin)).moved?.engagedN ?? NaN;
    expect(movedOf(twin, line).moved?.engagedN).toBeCloseTo(2 * one, 9);
  });

  it('work where nothing is asked, too', () => {
    const point = { ...dutyPoint(line, firstDuty(twin), 0), wheelTorqueNm: 0 };
    expect(drivenAt(point)).toHaveProperty('motorTorqueNm');
  });

  it('of a drive beside another are asked with that other on the battery', () => {
    const both: Driveline = { ...line, beside: [{ ...line, beside: [] }] };
    const duty = firstDuty(twin);
    expect(dutyPoint(both, duty, 400)).toEqual(dutyPoints(both, duty, 400)[0]?.point);
  });
});

it('no play is asked of a motor that turns the wheel directly', () => {
  const direct = Object.values(builds)
    .map((build) => changeDrive(build, { stages: [] }))
    .find((build) => trainStages(build).length === 0);
  expect(playInput(needed(direct, 'build without a gearhead'))).toBeUndefined();
});

describe('a window of ratios', () => {
  const window = (low: number, high: number) => ({
    just: { low, high },
    rule: null,
    best: { ratio: low, margin: 1 },
  });

  it('common to several jobs is from the greatest of the lows to the least of the highs', () => {
    expect(commonSpan([window(10, 60), window(15, 90)])).toEqual({ low: 15, high: 60 });
    expect(commonSpan([window(10, 20), window(20, 90)])).toEqual({ low: 20, high: 20 });
    expect(commonSpan([window(10, 20), window(21, 90)])).toBeNull();
    expect(commonSpan([window(10, 20), { ...window(1, 90), just: null }])).toBeNull();
    expect(commonSpan([])).toBeNull();
  });

  it('says where no ratio does it, and where none does by the rule', () => {
    // Without losses i (1 − i/100) N·m: at most 25 N·m, at 50.
    const codes = (wheelTorqueNm: number, torqueRule: number) => {
      const given = {
        ...{ motors: 1, resistanceOhm: 0.1, keVsPerRad: 0.01, ktNmPerA: 0.01, noLoadA: 0, openCircuitV: 10 },
        ...{ speedMps: 1, wheelDiameterM: 0.2, efficiency: 1, speedRule: 1, wheelTorqueNm, torqueRule },
      };
      return ratioWindowSum.run(ratioWindowSum.input.parse(given)).warnings.map(({ code }) => code);
    };
    expect(codes(26, 1)).toEqual(['no-ratio']);
    expect(codes(20, 2)).toEqual(['none-at-rule']);
    expect(codes(20, 1.1)).toEqual([]);
  });

  it('is none of a job that asks nothing of the wheels', () => {
    const smooth: Build = {
      ...puffin,
      dragArea: typed(0, 'm²'),
      grounds: puffin.grounds.map((ground) => ({
        ...ground,
        rolling: typed(0, ''),
        freeRolling: typed(0, ''),
      })),
    };
    const level = withDuty(smooth, { grade: typed(0, '°'), acceleration: typed(0, 'm/s²') });
    const { upToSpeed: _none, ...duty } = firstDuty(level);
    const [report] = evaluate({ ...level, duties: [duty] }).duties;
    expect(report?.resistance.totalN).toBe(0);
    expect(report).not.toHaveProperty('ratioWindow');
  });
});

describe('how fast it may go', () => {
  const may = (build: Build) => {
    const duty = firstDuty(build);
    const { asked, braking } = askedOf(build, duty, drivelineOf(build));
    return mayGoIn(build, duty, { ...asked, braking });
  };
  const capped = (build: Build): Build => ({ ...build, speedCap: typed(2, 'm/s') });

  it('is its cap; not of what holds, hangs on a rope or rolls inside', () => {
    expect(may(capped(puffin))).toEqual({ mayMps: 2, by: 'cap' });
    expect(may(withDuty(capped(puffin), { task: 'hold' }))).toBeUndefined();
    expect(may(capped(on('winch')))).toBeUndefined();
    expect(may(capped(on('sphere')))).toBeUndefined();
  });

  it('near people is where it tips, or can no longer stop in its distance; nowhere else anything', () => {
    const { speedCap: _none, ...free } = puffin;
    const braked = {
      ...free,
      people: 'beside',
      brake: { ...free.brake, kind: 'friction' },
      layout: { ...free.layout, axles: free.layout.axles.map((axle) => ({ ...axle, braked: true })) },
    } as const;
    const bend = { turn: { kind: 'radius', radius: typed(1, 'm') } } as const;
    const beside = (part: Parameters<typeof withDuty>[1]) =>
      may(withDuty(braked, { grade: typed(0, '°'), ...part }));
    expect(beside({})).toBeUndefined();
    expect(beside(bend)?.by).toBe('tip');
    expect(beside({ stopWithin: typed(0.5, 'm') })?.by).toBe('stop');
    expect(beside({ ...bend, stopWithin: typed(0.05, 'm') })?.by).toBe('stop');
    expect(beside({ ...bend, stopWithin: typed(500, 'm') })?.by).toBe('tip');
    expect(may(withDuty({ ...braked, people: 'nobody' }, bend))).toBeUndefined();
  });
});

describe('a day out', () => {
  it('has of a panel what falls on it as long as it runs, and never more than is drawn', () => {
    const sunny = (watts: number): Build => ({
      ...puffin,
      supply: {
        ...puffin.supply,
        sun: { power: typed(watts, 'W'), hours: typed(3600, 's'), when: 'running' },
      },
    });
    const energy = (build: Build) =>
      needed(outingCourse(build, evaluate(build).duties, { outings: 1, breakS: 0 }), 'day').energy;
    const [some, twice] = [energy(sunny(2)), energy(sunny(4))];
    expect(energy(puffin).fromSun).toBe(0);
    expect(some.fromSun).toBeGreaterThan(0);
    expect(twice.fromSun / some.fromSun).toBeCloseTo(2, 6);
    // What the sun gives the battery need not.
    expect(energy(puffin).fromBattery).toBeGreaterThan(some.fromBattery);
  });

  it('starts as often as is said, or not at all', () => {
    const [report] = evaluate(puffin).duties;
    const { startsAnHour: _none, ...duty } = firstDuty(puffin);
    expect(startingInput(puffin, duty, needed(report, 'report'), lineOf(puffin)).startsAnHour).toBe(0);
  });
});
