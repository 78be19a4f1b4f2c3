/** Drives that work and that steer, against energy, weight and the sum of a standing start. */
import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { typed } from '../quantity/index.ts';
import { on } from '../testing/vehicles.ts';
import { freshStage } from '../transmission/index.ts';
import {
  addDrive,
  buildSchema,
  changeDrive,
  choosePart,
  driveOf,
  partSchema,
  throughDrive,
  whole,
  type Build,
} from '../vehicle/index.ts';
import { evaluate } from './evaluate.ts';

const puffin = buildSchema.parse(JSON.parse(readFileSync('data/builds/puffin.zubric.json', 'utf8')));

const near = (found: number, known: number, share = 1e-9): void =>
  expect(Math.abs(found - known)).toBeLessThanOrEqual(share * Math.max(1e-12, Math.abs(known)));

describe('a lift', () => {
  const drive = driveOf(puffin);
  const lift = (loadKg: number, heightM: number, withinS: number): Build => ({
    ...puffin,
    drives: [
      ...puffin.drives,
      {
        ...drive,
        id: 'lift',
        name: 'Lift',
        does: 'works',
        together: 'all',
        motorsPerWheel: 1,
        path: [],
        stages: [freshStage('gearhead', 'reduction', 30), freshStage('spool', 'drum', 1)],
        work: {
          kind: 'lift',
          load: typed(loadKg, 'kg'),
          height: typed(heightM, 'm'),
          within: typed(withinS, 's'),
          timesAnHour: typed(6, ''),
        },
      },
    ],
  });
  const linksOf = (build: Build) =>
    new Map(
      evaluate(build)
        .links.filter(({ driveId }) => driveId === 'lift')
        .map((l) => [l.link, l]),
    );

  it('asks its weight times half the drum, at its height over its time', () => {
    const links = linksOf(lift(20, 1.5, 6));
    const [torque, speed] = [links.get('work-torque'), links.get('work-speed')];
    if (!torque || !speed) throw new Error('it is judged');
    // Power at the drum, whatever its size: m g h/t.
    near(torque.needs * speed.needs, (20 * 9.80665 * 1.5) / 6);
    const heavier = linksOf(lift(40, 1.5, 6)).get('work-torque');
    near(heavier?.needs ?? NaN, 2 * torque.needs);
    near(heavier?.has ?? NaN, torque.has);
  });

  it('draws for as long as it goes up: the outing’s energy is that of the drive and of its lifts', () => {
    const [bare, lifting] = [evaluate(puffin), evaluate(lift(20, 1.5, 6))];
    const seconds = bare.outing?.durationS ?? NaN;
    const more = (lifting.outing?.energyJ ?? NaN) - (bare.outing?.energyJ ?? NaN);
    const workJ = 20 * 9.80665 * 1.5 * 6 * (seconds / 3600);
    expect(more).toBeGreaterThan(workJ);
    expect(more).toBeLessThan(10 * workJ);
  });

  it('that a servo turns is held against the way of that servo', () => {
    const none = linksOf(lift(20, 1.5, 6)).get('travel');
    expect(none).toBeUndefined();
  });
});

describe('what is known by its watts', () => {
  const drawing = (whileDriving: boolean): Build => ({
    ...puffin,
    drives: [
      ...puffin.drives,
      {
        ...driveOf(puffin),
        id: 'pump',
        name: 'Pump',
        does: 'works',
        motorId: null,
        driverId: null,
        work: { kind: 'draws', power: typed(60, 'W'), share: typed(0.25, '%'), whileDriving },
      },
    ],
  });
  const meanW = (build: Build): number => {
    const { energyJ = NaN, durationS = NaN } = evaluate(build).outing ?? {};
    return energyJ / durationS;
  };

  it('draws all of it in a job, and over the outing its share: 60 W for a quarter of the time are 15 W (arithmetic)', () => {
    const [bare, driving, parked] = [puffin, drawing(true), drawing(false)].map((build) => ({
      mean: meanW(build),
      batteryA: evaluate(build).duties[0]?.point?.batteryA ?? NaN,
    }));
    if (!bare || !driving || !parked) throw new Error('each is judged');
    // A little more than its own: the battery sags under it.
    expect(driving.mean - bare.mean).toBeGreaterThan(15 - 1e-9);
    expect(driving.mean - bare.mean).toBeLessThan(18);
    expect(parked.mean - bare.mean).toBeCloseTo(15, 9);
    expect(driving.batteryA - bare.batteryA).toBeGreaterThan(60 / 25.6);
    expect(parked.batteryA).toBe(bare.batteryA);
  });

  it('lacks no motor, and moves no margin of a drive', () => {
    const { findings, links } = evaluate(drawing(true));
    expect(findings.map(({ code }) => code)).not.toContain('no-motor');
    expect(links.filter(({ driveId }) => driveId === 'pump')).toEqual([]);
  });
});

describe('a drive that steers', () => {
  const servo = partSchema.parse({
    id: 'servo',
    name: 'Steering servo',
    kind: 'motor',
    type: 'servo',
    massKg: 0.06,
    voltageV: 6,
    stallTorqueNm: 2,
    secPer60Deg: 0.15,
    travelDeg: 180,
    stallA: 2,
    noLoadA: 0.2,
    continuousA: 0.7,
  });
  /** Four modules, each turned by a servo of its own through a ratio. */
  const steered = (ratio: number, withinS: number): Build => {
    const modules = on('modules');
    const { build, driveId } = addDrive(modules, 'steering');
    const seen = changeDrive(choosePart(throughDrive(build, driveId), servo), {
      steersWithin: typed(withinS, 's'),
      together: 'wheel',
      stages: [freshStage('gearhead', 'turn', ratio)],
    });
    return whole(seen);
  };
  const linkOf = (build: Build, link: string) =>
    evaluate(build).links.find((l) => l.link === link && l.driveId === 'drive-2');

  it('is asked the torque of a standing start, whatever turns it, and the way over its time', () => {
    const build = steered(2, 1);
    const [steering, speed] = [linkOf(build, 'steering'), linkOf(build, 'steer-speed')];
    if (!steering || !speed || !build.steering) throw new Error('it is judged');
    const duty = evaluate(build).duties.find(({ id }) => id === steering.dutyId);
    if (!duty) throw new Error('on a job');
    // μ W √(b²/8 + e²) about each kingpin, over the turns of the linkage.
    const [axle] = build.layout.axles.filter(({ steered: s }) => s);
    const loadN = Math.max(...duty.footing.axles.map((a) => a.loadN)) / 2;
    const b = axle?.width.value ?? 0;
    const e = build.steering.kingpinOffset.value;
    const friction = build.grounds[0]?.across.value ?? NaN;
    const known = (friction * loadN * Math.sqrt((b * b) / 8 + e * e)) / build.steering.linkageRatio.value;
    near(steering.needs, known, 1e-9);
    near(speed.needs, build.steering.lockToLock.value * build.steering.linkageRatio.value, 1e-9);
    near(linkOf(steered(2, 0.5), 'steer-speed')?.needs ?? NaN, 2 * speed.needs, 1e-9);
  });

  it('is asked only where it drives: not while it stands held', () => {
    const build = steered(2, 1);
    const asksSteering = (of: Build): readonly (string | null)[] =>
      evaluate(of).links.flatMap(({ link, dutyId }) => (link === 'steering' ? [dutyId] : []));
    const [first, ...others] = build.duties;
    if (!first) throw new Error('it has a job');
    expect(asksSteering(build)).toContain(first.id);
    const held: Build = { ...build, duties: [{ ...first, task: 'hold' }, ...others] };
    expect(asksSteering(held)).toEqual(others.map(({ id }) => id));
  });

  it('gives more torque and less way by more reduction', () => {
    const [slow, quick] = [linkOf(steered(4, 1), 'steering'), linkOf(steered(2, 1), 'steering')];
    expect(slow?.needs).toBe(quick?.needs);
    const [far, near2] = [linkOf(steered(4, 1), 'travel'), linkOf(steered(2, 1), 'travel')];
    near(far?.needs ?? NaN, 2 * (near2?.needs ?? NaN), 1e-9);
    expect(near2?.has).toBeCloseTo(Math.PI, 12);
  });
});
