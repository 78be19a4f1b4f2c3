/** What the load does to a speed that nothing holds. */
import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { attainable, attainableInput } from '../capability/index.ts';
import { drivelineOf } from '../drive/index.ts';
import { typed } from '../quantity/index.ts';
import { findingsInWords } from '../say/index.ts';
import { near } from '../testing/numbers.ts';
import { buildSchema, type Build, type Part } from '../vehicle/index.ts';
import { evaluate } from './evaluate.ts';

const puffin = buildSchema.parse(JSON.parse(readFileSync('data/builds/puffin.zubric.json', 'utf8')));
const [first] = puffin.duties;
if (!first) throw new Error('the barrow has jobs');
const { step: _s, turn: _t, upToSpeed: _u, ...plain } = first;

/** Level for long, and a short grade at the same speed. */
const twoDuties = (grade: number, change: Partial<Build> = {}): Build => ({
  ...puffin,
  duties: [
    {
      ...plain,
      id: 'level',
      name: 'Level',
      grade: typed(0, '°'),
      speed: typed(0.5, 'm/s'),
      extent: { kind: 'time' },
      duration: typed(600, 'min'),
    },
    {
      ...plain,
      id: 'slope',
      name: 'Slope',
      grade: typed(grade, '°'),
      speed: typed(0.5, 'm/s'),
      extent: { kind: 'time' },
      duration: typed(60, 's'),
    },
  ],
  ...change,
});
const fallOf = (build: Build) => evaluate(build).findings.find(({ code }) => code === 'speed-falls');

describe('a speed that nothing holds', () => {
  it('falls under load to where the same command leaves it', () => {
    const build = twoDuties(0.16);
    const found = fallOf(build);
    expect(found).toMatchObject({ severity: 'note', dutyId: 'slope', title: 'Level' });
    const falls = found && 'falls' in found.figures ? found.figures.falls.value : NaN;
    expect(falls).toBeGreaterThan(0);
    expect(falls).toBeLessThan(0.4);
    // Of magnets the volts at the motor go with speed and current alone: V = I R + ke ω, so ω falls by R ΔI/ke, sag included.
    const report = evaluate(build);
    const line = drivelineOf(build);
    const [level, slope] = report.duties;
    if (!line || !level?.point || !slope?.point) throw new Error('both are driven');
    const { keVsPerRad = NaN, resistanceOhm = NaN } = line.circuit.motor.constants ?? {};
    const radS = (0.5 / line.wheelRadiusM) * line.ratio;
    const share = level.point.motorV / level.point.batteryV;
    const current = slope.point.currentA;
    const { openCircuitV, supplyResistanceOhm, motors } = line.circuit;
    const batteryV = openCircuitV - supplyResistanceOhm * motors * share * current;
    const omega = (share * batteryV - current * resistanceOhm) / keVsPerRad;
    // The level one’s air is next to nothing at this speed, and so is what is drawn beside.
    near(falls / 0.5, omega / radS, 0.02);
  });

  it('is told only where it falls by much, and not where a driver holds it', () => {
    expect(fallOf(twoDuties(0.002))).toBeUndefined();
    const parts = puffin.parts.map((part) =>
      part.kind === 'driver' ? ({ ...part, holdsSpeed: true } as Part) : part,
    );
    expect(fallOf(twoDuties(0.16, { parts }))).toBeUndefined();
  });

  it('is the job’s own at the command that is taken for it', () => {
    const build = twoDuties(0.16);
    const line = drivelineOf(build);
    const [level] = evaluate(build).duties;
    const [duty] = build.duties;
    if (!line || !level?.point || !duty) throw new Error('it is driven');
    const commandShare = level.point.motorV / level.point.batteryV;
    const held = { ...line, circuit: { ...line.circuit, commandShare } };
    near(attainable(attainableInput(build, duty, held, level.footing.gripN)).speedMps, 0.5, 1e-3);
  });

  it('says what it comes to', () => {
    const build = twoDuties(0.16);
    const words = findingsInWords({ build, report: evaluate(build) }).find(
      ({ code }) => code === 'speed-falls',
    );
    expect(words?.text).toMatch(
      /^With the command left where it holds 0.5\sm\/s on “Level”, it goes .* on “Slope”/,
    );
  });
});
