/** A day of outings through time, against balances of energy, closed forms and an independent solver. */
import { readdirSync, readFileSync } from 'node:fs';
import { Solver } from 'odex';
import { describe, expect, it } from 'vitest';
import { outingCourse, type CourseAsked, type EnergyFlows, type OutingCourse } from '../capability/index.ts';
import { alwaysDrawn, drivelineOf, pointWhere, type Driveline } from '../drive/index.ts';
import { typed } from '../quantity/index.ts';
import { many } from '../testing/many.ts';
import { near, sum } from '../testing/numbers.ts';
import { randomBuild } from '../testing/random-build.ts';
import {
  addDrive,
  buildSchema,
  changeDrive,
  choosePart,
  partSchema,
  throughDrive,
  type Build,
} from '../vehicle/index.ts';
import { evaluate } from './evaluate.ts';

const read = (file: string): Build =>
  buildSchema.parse(JSON.parse(readFileSync(`data/builds/${file}`, 'utf8')));
const demo = readdirSync('data/builds').map((file) => ({ file, build: read(file) }));
const puffin = read('puffin.zubric.json');

const ONE: CourseAsked = { outings: 1, breakS: 0 };
const courseOf = (build: Build, asked = ONE): OutingCourse => {
  const course = outingCourse(build, evaluate(build).duties, asked);
  if (!course) throw new Error('no course');
  return course;
};

/** What is missing of the energy that came in, as a share of it. */
const missing = ({ fromBattery, fromSun, into }: EnergyFlows): number => {
  const all = Object.values(into).map(Math.abs);
  return Math.abs(fromBattery + fromSun - sum(Object.values(into))) / Math.max(1e-9, ...all);
};

/** The demo barrow on one straight duty on the level for a time, one drive on a battery of the caller's. */
function plain(change: Partial<Build> = {}, minutes = 30): Build {
  const [duty] = puffin.duties;
  if (!duty) throw new Error('no job');
  const { step: _step, turn: _turn, startsAnHour: _starts, upToSpeed: _up, towed: _towed, ...rest } = duty;
  return {
    ...puffin,
    duties: [
      {
        ...rest,
        task: 'drive',
        grade: typed(0, '°'),
        speed: typed(0.5, 'm/s'),
        acceleration: typed(0, 'm/s²'),
        drawbar: typed(0, 'N'),
        duration: typed(minutes * 60, 'min'),
        extent: { kind: 'time' },
      },
    ],
    ...change,
  };
}

describe('the energy of an outing', () => {
  it.each(demo)('of $file comes in as it goes out and is stored, to 1e-6', ({ build }) => {
    const { energy, ends } = courseOf(build, { outings: 2, breakS: 600 });
    expect(['done', 'empty']).toContain(ends);
    expect(energy.fromBattery).toBeGreaterThan(0);
    expect(missing(energy)).toBeLessThan(1e-6);
    for (const [sink, joules] of Object.entries(energy.into))
      if (!['climbing', 'speedingUp', 'turning'].includes(sink)) expect(joules).toBeGreaterThanOrEqual(-1e-6);
  });

  const SEEDS = many(400, 4000);
  it('of any build does', () => {
    let followed = 0;
    for (let seed = 1; seed <= SEEDS; seed += 1) {
      const build = randomBuild(seed);
      const course = build && outingCourse(build, evaluate(build).duties, ONE);
      if (!course || course.energy.fromBattery + course.energy.fromSun < 1) continue;
      followed += 1;
      expect(missing(course.energy), `seed ${seed}`).toBeLessThan(1e-6);
    }
    expect(followed).toBeGreaterThan(SEEDS / 20);
  });

  it('along the ground is force by way: rolling, grade and pull each by its own sum', () => {
    const build = plain();
    const [duty] = build.duties;
    if (!duty) throw new Error('no job');
    const hill = { ...build, duties: [{ ...duty, grade: typed(0.05, '°'), drawbar: typed(40, 'N') }] };
    const [report] = evaluate(hill).duties;
    const { energy } = courseOf(hill);
    const wayM = 0.5 * 1800;
    near(energy.into.climbing, (report?.footing.massKg ?? NaN) * 9.80665 * Math.sin(0.05) * wayM, 1e-9);
    near(energy.into.pulling, 40 * wayM, 1e-9);
    near(energy.into.rolling, (report?.resistance.rollingN ?? NaN) * wayM, 1e-9);
    // Straight on, nothing goes into turning: motors and stages leave just what the ground takes.
    expect(Math.abs(energy.into.turning)).toBeLessThan(1e-6 * energy.fromBattery);
  });

  it('of stopped jobs is what is drawn beside, and what that heats', () => {
    const build = plain();
    const held = { ...build, duties: build.duties.map((duty) => ({ ...duty, task: 'hold' as const })) };
    const { energy } = courseOf(held);
    near(energy.into.beside, alwaysDrawn(held) * 1800, 1e-9);
    near(energy.fromBattery, energy.into.beside + energy.into.inBattery + energy.into.inCable, 1e-9);
  });
});

describe('the battery over an outing', () => {
  it('gives its charge evenly until it tires, and then as an integrator finds: constant power on a falling voltage', () => {
    const build = plain({}, 60);
    const line = drivelineOf(build);
    const capacityAh = line?.bank?.capacityAh ?? NaN;
    const { energy: fresh } = courseOf(plain({}, 1));
    const powerW = (fresh.fromBattery - fresh.into.inBattery - fresh.into.inCable) / 60;
    // LiFePO4 cells: 3.2 V until half is drawn, 3.0 V and 1.4 times the resistance at nine tenths (as the pack says of itself).
    const openV = line?.circuit.openCircuitV ?? NaN;
    const ohm = line?.circuit.supplyResistanceOhm ?? NaN;
    const packOhm = line?.bank?.resistanceOhm ?? NaN;
    const solver = new Solver(1);
    solver.absoluteTolerance = 1e-12;
    solver.relativeTolerance = 1e-12;
    const drawn = (_t: number, [share = 0]: readonly number[]) => {
      const tired = Math.min(1, Math.max(0, (share - 0.5) / 0.4));
      const volts = openV * (1 - (0.2 / 3.2) * tired);
      const ohms = ohm + 0.4 * tired * packOhm;
      const amps = (volts - Math.sqrt(volts ** 2 - 4 * ohms * powerW)) / (2 * ohms);
      return [amps / (capacityAh * 3600)];
    };
    const hours = (0.75 * capacityAh * openV) / powerW;
    const long = plain({}, hours * 60);
    const usable = long.supply.usableShare.value;
    const last = courseOf(long).moments.at(-1);
    const [share = NaN] = solver.solve(drawn, 0, [0], hours * 3600).y;
    expect(share).toBeGreaterThan(0.5);
    near(1 - share / usable, last?.leftShare ?? NaN, 2e-3);
  });

  it('empty, ends the outing where its usable charge is drawn', () => {
    const build = plain({}, 60 * 200);
    const course = courseOf(build);
    expect(course.ends).toBe('empty');
    expect(course.moments.at(-1)?.leftShare).toBeCloseTo(0, 9);
    expect(course.legs.at(-1)?.toS).toBe(course.moments.at(-1)?.timeS);
  });

  it('is charged in a break by what the charger gives, and not past full', () => {
    const build = plain({ supply: { ...puffin.supply, charger: { current: typed(2, 'A') } } }, 60);
    const course = courseOf(build, { outings: 2, breakS: 900 });
    const breakLeg = course.legs.find(({ dutyId }) => dutyId === null);
    const at = (timeS = NaN) => course.moments.filter((m) => m.timeS === timeS);
    const [before] = at(breakLeg?.fromS);
    const after = at(breakLeg?.toS)[0];
    const capacityAh = drivelineOf(build)?.bank?.capacityAh ?? NaN;
    const usable = build.supply.usableShare.value;
    // 2 A for a quarter of an hour, 95 % of which stays (common practice, no source), before its current falls.
    near(
      (after?.leftShare ?? NaN) - (before?.leftShare ?? NaN),
      (0.95 * 2 * 0.25) / capacityAh / usable,
      1e-6,
    );
    const longBreak = courseOf(build, { outings: 2, breakS: 1e6 });
    const full = longBreak.legs.find(({ dutyId }) => dutyId === null);
    expect(longBreak.moments.find(({ timeS }) => timeS === full?.toS)?.leftShare).toBeCloseTo(1, 9);
  });

  it('parked in the sun gains what the panel gives, less what it draws standing by', () => {
    const parked = (panelW: number, standbyW: number, when: 'parked' | 'running' = 'parked'): number => {
      const build = plain(
        {
          supply: {
            ...puffin.supply,
            sun: { power: typed(panelW, 'W'), hours: typed(3600, 'h'), when },
            standbyPower: typed(standbyW, 'W'),
          },
        },
        60,
      );
      const { moments, legs } = courseOf(build, { outings: 2, breakS: 7200 });
      const rest = legs.find(({ dutyId }) => dutyId === null);
      const at = (timeS = NaN) => moments.find((m) => m.timeS === timeS)?.leftShare ?? NaN;
      return at(rest?.toS) - at(rest?.fromS);
    };
    const line = drivelineOf(puffin);
    const usableWh =
      (line?.bank?.capacityAh ?? NaN) * (line?.circuit.openCircuitV ?? NaN) * puffin.supply.usableShare.value;
    // An hour of sun at seven tenths of the panel (common practice, no source), two of standing by.
    near(parked(60, 0), (0.7 * 60) / usableWh, 1e-9);
    near(parked(60, 3), (0.7 * 60 - 6) / usableWh, 1e-9);
    near(parked(60, 40), (0.7 * 60 - 80) / usableWh, 1e-9);
    // One that charges while it runs does not in a break.
    near(parked(60, 3, 'running'), -6 / usableWh, 1e-9);
  });

  it('of lead-acid cells is drawn faster by a hard current than its charge, by Peukert', () => {
    const lead = read('glasshouse-rail.zubric.json');
    const course = courseOf(lead);
    const line = drivelineOf(lead);
    const capacityAh = line?.bank?.capacityAh ?? NaN;
    const { moments } = course;
    const charge = sum(
      moments.slice(1).map((m, n) => (m.batteryA * (m.timeS - (moments[n]?.timeS ?? NaN))) / 3600),
    );
    const used = (1 - (moments.at(-1)?.leftShare ?? NaN)) * lead.supply.usableShare.value * capacityAh;
    expect(used).toBeGreaterThanOrEqual(charge * (1 - 1e-6));
  });
});

describe('motors over an outing', () => {
  it('settle, driven on and on, where the sum of a motor’s heat says, and cool in a break', () => {
    const motors = puffin.parts.map((part) =>
      part.kind === 'motor'
        ? {
            ...part,
            thermalResistanceKPerW: 2,
            timeConstantS: 300,
            windingKPerW: 1,
            windingTimeConstantS: 20,
            windingLimitC: 155,
          }
        : part,
    );
    const source = { ...puffin.supply, usableShare: typed(1, '%') };
    const build = plain({ parts: motors, supply: source }, 60 * 24);
    const course = courseOf(build, { outings: 2, breakS: 3600 });
    const [motor] = course.motors;
    expect(motor?.known).toBe(true);
    expect(motor?.limitC).toBe(155);
    const settled = courseOf(plain({ parts: motors, supply: source }, 60)).moments.at(-1)?.motors[0];
    const line = drivelineOf(build);
    const ohm = line?.circuit.motor.constants?.resistanceOhm ?? NaN;
    const leads = puffin.drives[0]?.leadResistance.value ?? NaN;
    const current = settled?.currentA ?? NaN;
    // T = Ta + q (1 + α (T − 20)), q = 3 I² R with the winding’s resistance alone (closed form).
    const driver = (line?.driver?.resistanceMilliohm ?? 0) / 1000;
    const q = 3 * current ** 2 * (ohm - leads - driver);
    const end = (25 + q * (1 - 20 * 0.00393)) / (1 - 0.00393 * q);
    near(settled?.windingC ?? NaN, end, 1e-4);
    near((settled?.windingC ?? NaN) - 25, 1.5 * ((settled?.bodyC ?? NaN) - 25), 1e-4);
  });

  it('that work for a share of the time heat by the square of their current for that share', () => {
    const { build: added, driveId } = addDrive(puffin, 'turning');
    const work = {
      kind: 'turns' as const,
      torque: typed(1, 'N·m'),
      speed: typed((1500 * Math.PI) / 30, 'rpm'),
      share: typed(0.25, '%'),
      whileDriving: false,
    };
    const bare = partSchema.parse(
      (JSON.parse(readFileSync('data/shelf/motors.json', 'utf8')) as { readonly id: string }[]).find(
        ({ id }) => id === 'motor-24v-250w',
      ),
    );
    const seen = choosePart(changeDrive(throughDrive(added, driveId), { work }), bare);
    const long = plain({ drives: seen.drives, parts: seen.parts }, 60);
    const then = courseOf(long)
      .moments.at(-1)
      ?.motors.find((motor) => motor.driveId === driveId);
    const asked = pointWhere(drivelineOf(seen) as Driveline, {
      torqueNm: 1,
      speedRadS: (1500 * Math.PI) / 30,
    });
    near((then?.currentA ?? NaN) ** 2, 0.25 * asked.currentA ** 2, 1e-9);
  });

  it('have their winding over their body, and both over the air', () => {
    for (const { motors } of courseOf(puffin).moments)
      for (const { windingC, bodyC } of motors) {
        expect(windingC).toBeGreaterThanOrEqual(bodyC);
        expect(bodyC).toBeGreaterThanOrEqual(25);
      }
  });
});

describe('what an outing is asked', () => {
  it('needs a motor, and jobs that take time', () => {
    const without = { ...puffin, drives: puffin.drives.map((drive) => ({ ...drive, motorId: null })) };
    expect(outingCourse(without, evaluate(without).duties, ONE)).toBeUndefined();
    const none = { ...puffin, duties: [] };
    expect(outingCourse(none, evaluate(none).duties, ONE)).toBeUndefined();
  });

  it('says where the vehicle no longer gets on', () => {
    const [duty] = plain().duties;
    if (!duty) throw new Error('no job');
    const steep = plain({ duties: [{ ...duty, grade: typed(0.9, '°'), drawbar: typed(5000, 'N') }] });
    expect(courseOf(steep)).toMatchObject({ ends: 'stands', moments: [] });
  });

  it('stands where it is to speed up harder than its motors pull, though they would hold the speed', () => {
    const [duty] = plain().duties;
    if (!duty) throw new Error('no job');
    const hasty = plain({ duties: [{ ...duty, acceleration: typed(6, 'm/s²') }] });
    const [report] = evaluate(hasty).duties;
    expect(report?.attainableMps).toBeGreaterThan(0.5);
    expect(report?.point?.reachable).toBe(false);
    expect(courseOf(hasty).ends).toBe('stands');
  });

  it('takes longer for a way that a tired battery drives slower', () => {
    const [duty] = plain().duties;
    if (!duty) throw new Error('no job');
    const fast = typed(4, 'm/s');
    const way = { kind: 'route' as const, length: typed(400, 'm'), times: 1 };
    const { moments, legs } = courseOf(
      plain({ duties: [{ ...duty, speed: fast, extent: way, drawbar: typed(30, 'N') }] }),
    );
    const speed = moments.at(-1)?.speedMps ?? NaN;
    expect(speed).toBeLessThan(4);
    near(legs[0]?.toS ?? NaN, 400 / speed, 1e-6);
  });
});
