/** A build on motors of every type: judged by the law of each, with its cautions. */
import { describe, expect, it } from 'vitest';
import puffinFile from '../testing/puffin.zubric.json' with { type: 'json' };
import { drivelineOf, greatestPull } from '../drive/index.ts';
import { fullCommandTorque, pointAt } from '../supply/index.ts';
import { launchOfBuild } from '../simulate/index.ts';
import { runLaunch } from '../simulate/launch.ts';
import {
  batteryOf,
  choosePart,
  openBuild,
  type Build,
  type PartInput,
  partSchema,
  changeDrive,
} from '../vehicle/index.ts';
import { evaluate } from './evaluate.ts';

const opened = openBuild(puffinFile);
if (!opened.ok) throw new Error('the build of the tests opens');
const puffin: Build = opened.build;
const volts = 24;

const own = { kind: 'motor', id: 'own', name: 'Own', massKg: 2, voltageV: volts, continuousA: 12 } as const;
const MOTORS: Readonly<Record<string, PartInput>> = {
  brushed: { ...own, type: 'brushed', noLoadRpm: 3000, noLoadA: 1, stallTorqueNm: 4, stallA: 55 },
  'series-wound': {
    ...own,
    type: 'series-wound',
    ratedRpm: 2500,
    ratedA: 14,
    ratedTorqueNm: 0.9,
    stallA: 90,
  },
  stepping: {
    ...own,
    type: 'stepping',
    holdingTorqueNm: 4,
    ratedA: 6,
    resistanceOhm: 0.4,
    inductanceMilliH: 3,
    stepsPerTurn: 200,
  },
  servo: {
    ...own,
    type: 'servo',
    stallTorqueNm: 4,
    secPer60Deg: 0.004,
    travelDeg: 180,
    stallA: 55,
    noLoadA: 0.5,
  },
  'servo-continuous': {
    ...own,
    type: 'servo-continuous',
    noLoadRpm: 2500,
    noLoadA: 0.5,
    stallTorqueNm: 4,
    stallA: 55,
  },
};

const withMotor = (type: string): Build => choosePart(puffin, partSchema.parse(MOTORS[type]));
const codes = (build: Build): string[] => evaluate(build).findings.map(({ code }) => code);
const notices = (build: Build) =>
  evaluate(build).findings.flatMap(({ notice }) => (notice ? [notice.code] : []));

describe('a build whose motor is', () => {
  it.each(Object.keys(MOTORS))('%s: what the battery gives is what its motors and the rest take', (type) => {
    const build = withMotor(type);
    const { duties } = evaluate(build);
    const points = duties.flatMap(({ point }) =>
      point && point.batteryA > 0 && point.reachable ? [point] : [],
    );
    expect(points.length).toBeGreaterThan(0);
    for (const { batteryA, batteryV, currentA, motorV } of points) {
      const auxiliaryW = build.supply.auxiliaryPower.value;
      // Two drivelines of one motor each.
      expect(batteryA * batteryV).toBeCloseTo(2 * Math.max(0, currentA * motorV) + auxiliaryW, 4);
    }
    expect(batteryOf(build)).toBeDefined();
  });

  it.each(Object.keys(MOTORS))('%s: starts from rest and never passes what its pull comes to', (type) => {
    const build = withMotor(type);
    const [duty] = build.duties;
    const [report] = evaluate(build).duties;
    if (!duty || !report) throw new Error('it has a job');
    const launch = launchOfBuild(build, duty, report, 30);
    if (!launch) throw new Error('it has a motor');
    const { finalMps, distanceM, energyJ } = runLaunch(launch);
    if (finalMps > 0) expect(finalMps / (report.attainableMps ?? NaN)).toBeLessThan(1.01);
    expect(distanceM).toBeLessThanOrEqual(30 * finalMps);
    // What was sped up and lifted came from the battery.
    const kinetic = 0.5 * launch.massKg * finalMps ** 2;
    expect(energyJ).toBeGreaterThan(kinetic);
  });

  it.each(['series-wound', 'stepping'])(
    '%s: starts as its pull stepped through in small times says',
    (type) => {
      const geared = { ...MOTORS[type], gearhead: { ratio: 6, efficiency: 0.8 } };
      const build = choosePart(puffin, partSchema.parse(geared));
      const [duty] = build.duties;
      const [report] = evaluate(build).duties;
      const line = drivelineOf(build);
      if (!duty || !report || !line) throw new Error('it has a job and a motor');
      const level = { ...duty, grade: { ...duty.grade, value: 0 } };
      const input = launchOfBuild(build, level, report, 4);
      if (!input) throw new Error('it has a motor');
      const found = runLaunch(input);
      let [speed, way] = [0, 0];
      const step = 1 / 4000;
      const weight = input.massKg * 9.80665;
      const turning = (input.motors * input.motorInertiaKgM2 * input.ratio ** 2) / input.wheelRadiusM ** 2;
      for (let t = 0; t < 4; t += step) {
        const push = Math.min(input.gripN, greatestPull(line, speed));
        const held =
          weight * input.rollingCoefficient + input.drawbarN + 0.5 * 1.204 * input.dragAreaM2 * speed ** 2;
        speed = Math.max(0, speed + (step * (push - held)) / (input.massKg + turning));
        way += step * speed;
      }
      expect(speed).toBeGreaterThan(0.1);
      expect(found.finalMps / speed).toBeCloseTo(1, 2);
      expect(found.distanceM / way).toBeCloseTo(1, 2);
    },
  );

  it('a servo from stop to stop is told to drive no wheel, and needs no driver', () => {
    expect(codes(withMotor('servo'))).toContain('stops-short');
    const bare = changeDrive(withMotor('servo-continuous'), { driverId: null });
    expect(codes(bare)).not.toContain('stops-short');
    expect(codes(bare)).not.toContain('no-driver');
    expect(codes(changeDrive(withMotor('brushed'), { driverId: null }))).toContain('no-driver');
  });

  it('a series-wound one, or behind a contactor, does not brake: no force, and it is told', () => {
    const braked = (build: Build): Build => ({
      ...build,
      brake: { ...build.brake, kind: 'electronic' },
      duties: build.duties.map((duty) => ({
        ...duty,
        task: 'stop' as const,
        speed: { ...duty.speed, value: 1 },
        grade: { ...duty.grade, value: -0.05 },
        stopWithin: { value: 2, unit: 'm', origin: 'typed' as const },
      })),
    });
    const stops = (build: Build) =>
      evaluate(braked(build))
        .links.filter(({ link }) => link === 'brake-stop')
        .map(({ verdict }) => verdict);
    expect(codes(braked(withMotor('brushed')))).not.toContain('cannot-brake');
    expect(stops(withMotor('brushed'))).not.toContain('fails');
    expect(codes(braked(withMotor('series-wound')))).toContain('cannot-brake');
    expect(new Set(stops(withMotor('series-wound')))).toEqual(new Set(['fails']));
    const driver = puffin.parts.find(({ kind }) => kind === 'driver');
    const contactor = choosePart(
      withMotor('brushed'),
      partSchema.parse({ ...driver, id: 'contactor', name: 'Contactor', control: 'contactor' }),
    );
    expect(codes(braked(contactor))).toEqual(expect.arrayContaining(['cannot-brake', 'switches-only']));
    expect(new Set(stops(contactor))).toEqual(new Set(['fails']));
  });

  it('a stepping one on half a command goes by half the volts: what is given is what is reached', () => {
    const half = withMotor('stepping');
    const line = drivelineOf({
      ...half,
      supply: { ...half.supply, commandShare: { value: 0.5, unit: '%', origin: 'typed' } },
    });
    const whole = drivelineOf(half);
    if (!line || !whole) throw new Error('it has a motor');
    const speed = 30;
    const torque = fullCommandTorque(line.circuit, speed);
    expect(torque).toBeLessThan(fullCommandTorque(whole.circuit, speed));
    expect(pointAt(line.circuit, 0.999 * torque, speed).reachable).toBe(true);
    expect(pointAt(line.circuit, 1.001 * torque, speed).reachable).toBe(false);
  });

  it('cautioned as its type asks', () => {
    expect(notices(withMotor('series-wound'))).toEqual(
      expect.arrayContaining(['runs-away', 'reverses-by-field']),
    );
    expect(notices(withMotor('stepping'))).toContain('plan-on-half');
    expect(notices(withMotor('brushed'))).not.toContain('plan-on-half');
  });
});
