/** What a drive can do, where one case becomes another, by balances of power and torque. */
import { describe, expect, it } from 'vitest';
import { demandOf, footingOf, type TurnReport } from '../demand/index.ts';
import { drivelineOf, type Driveline } from '../drive/index.ts';
import { evaluate } from '../judge/index.ts';
import { typed } from '../quantity/index.ts';
import { demoBuilds } from '../testing/demo-builds.ts';
import { needed as neededFor } from '../testing/numbers.ts';
import { degrees, firstDuty, withDuty } from '../testing/vehicles.ts';
import { freshStage, type Stage } from '../transmission/index.ts';
import { changeDrive, driveOf, type Build } from '../vehicle/index.ts';
import { sharedTurn } from './operating.ts';
import {
  alikeMotors,
  attainable,
  attainableInput,
  batteryCurrent,
  drivenAt,
  dutyPoint,
  dutyPoints,
  legsOf,
  lineAfter,
  loadedStages,
  mountInput,
  motorTorqueOf,
  movedOf,
  outingOf,
  peukertOf,
  playInput,
  ratedHoursOf,
  runTimeInput,
  settlesBelow,
  sharesOf,
  steadyForce,
  stillLocks,
  sunWhileRunning,
  tiredLine,
  torqueAt,
  wheelTorqueInput,
} from './index.ts';

const needed = <T>(value: T | null | undefined): T => neededFor(value, 'part of the build');
const builds = demoBuilds();
const puffin = needed(builds.puffin);
const line = needed(drivelineOf(puffin));
const duty = firstDuty(puffin);
const lines = Object.values(builds).flatMap((build) => {
  const found = drivelineOf(build);
  return found ? [{ build, line: found }] : [];
});

const withSupply = (part: Partial<Build['supply']>): Build => ({
  ...puffin,
  supply: { ...puffin.supply, ...part },
});
const reportOf = (build: Build) => needed(evaluate(build).duties[0]);

describe('stages under a load', () => {
  it.each(lines)('of $build.name pass on the power of all motors, less what each loses', ({ line: of }) => {
    const [torqueNm, rpm] = [1.5, 1000];
    const loaded = loadedStages(of, { motorTorqueNm: torqueNm, motorRpm: rpm });
    const last = loaded.at(-1);
    if (!last) return;
    // Torque behind the last stage is motors × torque × ratio × efficiency of them all.
    expect(last.behindNm / (torqueNm * of.motorsPerWheel * of.ratio * of.efficiency)).toBeCloseTo(1, 9);
    for (const { load } of loaded) expect(load.inputRpm).toBeLessThanOrEqual(rpm * 10);
    expect(loaded[0]?.load.inputRpm).toBe(rpm);
  });

  it.each(lines)('of $build.name turned by the wheel lose nothing: torque × speed stays', ({ line: of }) => {
    const loaded = loadedStages(of, { wheelTorqueNm: 30, wheelRpm: 40 });
    expect(loaded.at(-1)?.behindNm ?? 30).toBeCloseTo(
      loaded.length > 1 || of.motorsPerWheel === 1 ? (loaded.at(-1)?.behindNm ?? 30) : 30 / of.motorsPerWheel,
      9,
    );
    const [first] = loaded;
    if (!first) return;
    const motors = first.stage.kind === 'gearhead' ? of.motorsPerWheel : 1;
    expect(first.load.inputTorqueNm * motors * first.load.inputRpm).toBeCloseTo(30 * 40, 6);
  });

  it('are driven by the motors, or going down by the wheels', () => {
    const up = dutyPoint(line, duty, 400);
    const down = dutyPoint(line, duty, -400);
    expect(drivenAt(up)).toEqual({ motorTorqueNm: up.motorTorqueNm, motorRpm: up.motorRpm });
    expect(drivenAt(down)).toEqual({ wheelTorqueNm: -down.wheelTorqueNm, wheelRpm: down.wheelRpm });
    expect(motorTorqueOf(line, drivenAt(up))).toBe(up.motorTorqueNm);
    expect(motorTorqueOf(line, drivenAt(down))).toBeCloseTo(
      -down.wheelTorqueNm / line.ratio / line.motorsPerWheel,
      12,
    );
  });

  it('load the path behind each, the motor’s own torque before the first', () => {
    const loaded = loadedStages(line, { motorTorqueNm: 2, motorRpm: 900 });
    const [element] = driveOf(puffin).path;
    const at = (after: string | null) => torqueAt({ ...needed(element), after }, loaded, 2);
    for (const { stage, behindNm } of loaded) expect(at(stage.id)).toBe(behindNm);
    expect(at('no-such-stage')).toBeUndefined();
    const bare = torqueAt({ ...needed(element), after: null }, [], 2);
    expect(bare).toBe(2);
  });
});

describe('a force along the ground', () => {
  it('is the torque of all wheels over their radius, and no power is lost on the way to the wheels', () => {
    expect(wheelTorqueInput(line, 400)).toEqual({
      forceN: 400,
      wheelDiameterM: 2 * line.wheelRadiusM,
      wheels: line.outputs,
    });
    const { wheelTorqueNm, wheelRpm } = dutyPoint(line, duty, 400);
    const wheelsW = wheelTorqueNm * line.outputs * ((wheelRpm * Math.PI) / 30);
    expect(wheelsW).toBeCloseTo(400 * duty.speed.value, 6);
  });

  it('takes of a battery more than comes to the ground, and going down gives nothing back', () => {
    const up = dutyPoint(line, duty, 400);
    expect(up.batteryA * up.batteryV).toBeGreaterThan(400 * duty.speed.value);
    const quick = { ...duty, speed: typed(1.3, 'm/s') };
    const down = [-100, -200, -300, -400].map((forceN) => dutyPoint(line, quick, forceN));
    expect(down.filter(({ batteryA }) => batteryA < 0)).toEqual([]);
    const free = down.filter(({ batteryA }) => batteryA === 0);
    expect(free.length).toBeGreaterThan(0);
    for (const { batteryV } of free) expect(batteryV).toBe(line.circuit.openCircuitV);
  });

  it('round a bend is that of the outer side twice, and the difference of both sides less on the inner', () => {
    const turn: TurnReport = {
      ...{ turning: 'scrub', radiusM: 3, momentNm: 50, outerN: 200, innerN: 40 },
      ...{ outerMps: 1.1, innerMps: 0.9 },
    };
    const [outer, inner] = alikeMotors(line, 400, 1.1, turn);
    expect([outer.share, inner?.share]).toEqual([0.5, 0.5]);
    expect(outer.groundW).toBeCloseTo(400 * 1.1 * 0.5, 9);
    expect(inner?.groundW).toBeCloseTo((400 - 2 * (200 - 40)) * 0.9 * 0.5, 9);
    expect(alikeMotors(line, 400, 1.1, { ...turn, radiusM: 0 })).toHaveLength(1);
    expect(alikeMotors(line, 400, 1.1, { ...turn, innerN: 200 })).toHaveLength(1);
    expect(alikeMotors(line, 400, 1.1)[0].share).toBe(1);
    expect(sharedTurn(turn, 0.25)).toMatchObject({ outerN: 50, innerN: 10, momentNm: 50 });
    expect(sharedTurn(turn, 1)).toBe(turn);
  });

  it('is shared by several drives, all of it, and by one alone', () => {
    expect(sharesOf(line, 0.8)).toEqual([1]);
    const twin: Driveline = { ...line, beside: [{ ...line, beside: [] }] };
    expect(sharesOf(twin, 0.8)).toEqual([0.5, 0.5]);
    // Beyond what either can give they share as from rest.
    expect(sharesOf(twin, 1e4)).toEqual([0.5, 0.5]);
    const points = dutyPoints(twin, duty, 400);
    expect(points.map(({ share }) => share)).toEqual([0.5, 0.5]);
    expect(points.every((point) => !('motorsW' in point.point))).toBe(true);
    // What the other takes comes from the same battery: it sags for both.
    const alone = dutyPoint(line, duty, 200);
    expect(points[0]?.point.batteryV).toBeLessThan(alone.batteryV);
    expect(points[0]?.point.motorTorqueNm).toBeCloseTo(alone.motorTorqueNm, 9);
  });
});

describe('the speed it settles at', () => {
  it('is below another exactly where that other leaves nothing of the pull', () => {
    for (const { build, line: of } of lines)
      for (const each of build.duties) {
        const given = attainableInput(build, each, of, footingOf(build, each).gripN);
        const { speedMps } = attainable(given);
        expect(settlesBelow(given, 1.01 * speedMps + 1e-3)).toBe(true);
        if (speedMps > 0) expect(settlesBelow(given, 0.99 * speedMps)).toBe(false);
      }
  });

  it('leaves out steps and speeding up, and air, which grows with it', () => {
    const steady = steadyForce(puffin, duty);
    const hard = { ...duty, acceleration: typed(1, 'm/s²'), step: typed(0.02, 'm') };
    expect(steadyForce(puffin, hard)).toBeCloseTo(steady, 9);
    const { resistance } = demandOf(puffin, duty);
    expect(steadyForce(puffin, duty, { ...resistance, totalN: 500, dragN: 30 })).toBe(470);
    expect(steadyForce(puffin, hard, { ...resistance, totalN: 500, dragN: 30 })).toBeCloseTo(steady, 9);
  });
});

describe('an outing', () => {
  const often = (n: number): Build =>
    withDuty(puffin, { startsAnHour: typed(n, ''), speed: typed(1, 'm/s') });

  it('draws more the more it starts: ½ m v² a start through the train', () => {
    const current = (build: Build): number =>
      batteryCurrent(build, reportOf(build), needed(drivelineOf(build)));
    const [none, some, twice] = [often(0), often(60), often(120)].map(current) as [number, number, number];
    expect(some).toBeGreaterThan(none);
    expect(twice - none).toBeCloseTo(2 * (some - none), 9);
  });

  it('draws less in the sun, and never less than nothing', () => {
    const panel = (watts: number, when: 'running' | 'parked'): Build =>
      withSupply({ sun: { power: typed(watts, 'W'), hours: typed(3600, 's'), when } });
    expect(sunWhileRunning(puffin)).toBe(0);
    expect(sunWhileRunning(panel(100, 'parked'))).toBe(0);
    const watts = sunWhileRunning(panel(100, 'running'));
    expect(watts).toBeGreaterThan(50);
    expect(watts).toBeLessThan(100);
    const current = (build: Build): number => batteryCurrent(build, reportOf(build), line);
    expect(current(puffin) - current(panel(100, 'running'))).toBeCloseTo(
      watts / line.circuit.openCircuitV,
      9,
    );
    expect(current(panel(1e6, 'running'))).toBe(0);
  });

  it('takes its legs as long as they are', () => {
    const { duties } = evaluate(puffin);
    expect(legsOf(duties, () => 10)).toEqual(
      puffin.duties.map((_, n) => ({ durationS: duties[n]?.durationS, currentA: 10 })),
    );
    const { durationS, energyJ, meanBatteryA, runTimeS = NaN } = outingOf(puffin, duties, line);
    expect(durationS).toBeCloseTo(
      duties.reduce((sum, d) => sum + d.durationS, 0),
      9,
    );
    expect(energyJ).toBeCloseTo(line.circuit.openCircuitV * meanBatteryA * durationS, 6);
    // By charge: usable capacity over the mean current.
    const usable = puffin.supply.usableShare.value * (line.bank?.capacityAh ?? NaN);
    expect(runTimeS / 3600).toBeCloseTo(usable / meanBatteryA, 9);
  });

  it('empties lead-acid faster the more is drawn, by Peukert over its twenty hours; others by their charge', () => {
    const bank = needed(line.bank);
    const lead: Driveline = { ...line, bank: { ...bank, chemistry: 'lead-acid' } };
    expect([peukertOf(lead), ratedHoursOf(lead)]).toEqual([1.2, 20]);
    expect([peukertOf(line), ratedHoursOf(line)]).toEqual([1, 1]);
    const gentle = needed(bank.capacityAh) / 40;
    const given = (of: Driveline, amps: number) =>
      needed(runTimeInput(puffin, of, { meanA: amps, equivalentA: amps }));
    expect(given(lead, 10 * gentle).exponent).toBe(1.2);
    // Drawn more gently than it is rated it gives no more than its capacity.
    expect(given(lead, gentle).exponent).toBe(1);
    expect(runTimeInput(puffin, { ...line, bank: undefined }, { meanA: 1, equivalentA: 1 })).toBeUndefined();
  });

  it('ends on a lower voltage and a higher resistance, of all drives on the battery', () => {
    const bank = { ...needed(line.bank), chemistry: 'lead-acid' } as const;
    const twin: Driveline = { ...line, bank, beside: [{ ...line, bank, beside: [] }] };
    expect(lineAfter(twin, 0)).toBe(twin);
    const tired = lineAfter(twin, 0.8);
    for (const one of [tired, needed(tired.beside[0])]) {
      expect(one.circuit.openCircuitV).toBeLessThan(twin.circuit.openCircuitV);
      expect(one.circuit.supplyResistanceOhm).toBeGreaterThan(twin.circuit.supplyResistanceOhm);
    }
    expect(lineAfter({ ...line, bank: undefined }, 0.8)).toEqual({ ...line, bank: undefined });
    expect(tiredLine(puffin, twin, { durationS: 10, energyJ: 1, meanBatteryA: 1 })).toBeUndefined();
    const spent = { durationS: 3600, energyJ: 1, meanBatteryA: 1, runTimeS: 3600 };
    expect(tiredLine(puffin, twin, spent)?.circuit.openCircuitV).toBeLessThan(twin.circuit.openCircuitV);
  });
});

describe('moved by hand', () => {
  const drag = typed(0.5, 'N·m');
  const geared = (release: Pick<ReturnType<typeof driveOf>['release'], 'kind' | 'at'>): Build =>
    changeDrive(puffin, {
      release: { ...release, drag },
      // As steep as it rubs it is not turned from behind.
      stages: [
        { ...freshStage('worm', 'worm', 60), friction: typed(0.5, '') } as Stage,
        freshStage('chain', 'chain', 2),
      ],
    });

  it('still locks where a worm is left between where it disengages and the wheel', () => {
    expect(stillLocks(geared({ kind: 'none', at: null }))).toBe(false);
    expect(stillLocks(geared({ kind: 'dog', at: 'worm' }))).toBe(false);
    expect(stillLocks(geared({ kind: 'dog', at: null }))).toBe(true);
    const free = geared({ kind: 'dog', at: 'worm' });
    const { releasedN } = needed(movedOf(free, drivelineOf(free)).moved);
    expect(releasedN).toBeCloseTo((line.outputs * 0.5) / line.wheelRadiusM, 9);
    const still = geared({ kind: 'dog', at: null });
    expect(movedOf(still, drivelineOf(still)).moved?.releasedN).toBeNull();
  });

  it('asks the idling torque of all motors back through the train, or where it locks is not moved at all', () => {
    const { moved } = movedOf(puffin, line);
    const idleNm = line.circuit.motor.idleNm * line.motorsPerWheel * line.ratio;
    expect(moved?.engagedN).toBeCloseTo((line.outputs * idleNm) / line.backEfficiency / line.wheelRadiusM, 9);
    const locked = geared({ kind: 'none', at: null });
    expect(movedOf(locked, needed(drivelineOf(locked))).moved?.engagedN).toBeNull();
    expect(movedOf(puffin, undefined)).not.toHaveProperty('moved');
  });

  it('has the play of each stage at the wheel, none where the motor turns it directly', () => {
    const { stages = [] } = playInput(puffin) ?? {};
    expect(stages.map(({ ratio }) => ratio).reduce((all, ratio) => all * ratio, 1)).toBeCloseTo(
      line.ratio,
      9,
    );
    // What is left is the gearhead that is one with the motor.
    const direct = changeDrive(puffin, { stages: [] });
    expect(playInput(direct)?.stages).toHaveLength(1);
    const { atWheelRad, atGroundM } = needed(movedOf(direct, undefined).play);
    expect(atGroundM).toBeCloseTo((atWheelRad * needed(playInput(direct)).wheelDiameterM) / 2, 6);
  });
});

it('a mount is pulled by the first stage that is not one with the motor, at its lever', () => {
  const loaded = loadedStages(line, { motorTorqueNm: 2, motorRpm: 900 });
  const { lever } = driveOf(puffin).mount;
  expect(mountInput(puffin, loaded)?.leverMm).toBeCloseTo(lever.value * 1000, 9);
  const twisting = changeDrive(puffin, {
    mount: { ...driveOf(puffin).mount, twist: degrees(2) },
  });
  // Said for ten newton-metres.
  expect(mountInput(twisting, loaded)?.twistPerNmDeg).toBeCloseTo(0.2, 9);
  expect(mountInput(puffin, [])).toBeUndefined();
});
