/** Drives that share a road and a battery, that steer and that work, against closed forms, symmetry and energy. */
import { readdirSync, readFileSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { attainable, dutyPoints, sharesOf } from '../capability/index.ts';
import { drivelineOf, greatestPull, propelling, pullsAt, type Driveline } from '../drive/index.ts';
import { finite } from '../testing/numbers.ts';
import {
  fullCommand,
  sharedSupply,
  startingCurrent,
  startingTogether,
  type Circuit,
} from '../supply/index.ts';
import { magnetMotor } from '../motor/index.ts';
import { buildSchema, changeDrive, driveOf, type Build, type Drive } from '../vehicle/index.ts';
import { workingOfLink } from '../working/index.ts';
import { evaluate } from './evaluate.ts';
import type { LinkReport } from './report.ts';
import { many } from '../testing/many.ts';

const read = (file: string): Build =>
  buildSchema.parse(JSON.parse(readFileSync(`data/builds/${file}`, 'utf8')));
const demo = readdirSync('data/builds').map(read);
const puffin = read('puffin.zubric.json');

const near = (found: number, known: number, share = 1e-9): void =>
  expect(Math.abs(found - known)).toBeLessThanOrEqual(share * Math.max(1e-12, Math.abs(known)));

const circuit = (ktNmPerA: number, resistanceOhm: number, change: Partial<Circuit> = {}): Circuit => ({
  motors: 2,
  motor: magnetMotor({ resistanceOhm, keVsPerRad: ktNmPerA, ktNmPerA, noLoadA: 0.5 }),
  openCircuitV: 24,
  supplyResistanceOhm: 0,
  currentLimitA: Infinity,
  batteryLimitA: Infinity,
  auxiliaryW: 0,
  commandShare: 1,
  ...change,
});

/** A road line of which only what pulls is known. */
const road = (of: Circuit, ratio: number, beside: readonly Driveline[] = []) =>
  ({
    circuit: of,
    ratio,
    efficiency: 0.9,
    wheelRadiusM: 0.15,
    beside,
    driveId: `${ratio}`,
    outputs: of.motors,
    motorsPerWheel: 1,
    backEfficiency: 0.9,
  }) as unknown as Driveline;

/** Two alike drives where the build had one: each with half of its motors. */
function split(build: Build): Build {
  const [drive, ...others] = build.drives;
  if (!drive) throw new Error('a build has a drive');
  const half: Drive = { ...drive, motorsPerWheel: drive.motorsPerWheel / 2 };
  return { ...build, drives: [half, { ...half, id: 'other-half' }, ...others] };
}

const margins = (links: readonly LinkReport[], driveId: string) =>
  new Map(
    links
      .filter((link) => link.driveId === undefined || link.driveId === driveId)
      .map((link) => [[link.link, link.dutyId, link.stageId, link.elementId].join(), link]),
  );

describe('two unlike motors on one road', () => {
  it('settle where their two torque lines meet what holds them back', () => {
    fc.assert(
      fc.property(
        finite(0.02, 0.06),
        finite(0.02, 0.06),
        finite(0.1, 0.4),
        finite(8, 20),
        finite(0, 0.8),
        (k1, k2, ohm, i2, share) => {
          const [one, two] = [circuit(k1, ohm), circuit(k2, 0.25)];
          const other = road(two, i2);
          const line = road(one, 12, [other]);
          // F(v) = Σ m η i/r k ((V − k i v/r)/R − I0) is a straight line.
          const slopeOf = (k: number, r: number, i: number): readonly [number, number] => {
            const by = (2 * 0.9 * i * k) / 0.15;
            return [by * (24 / r - 0.5), (by * k * i) / (0.15 * r)];
          };
          const [a1, b1] = slopeOf(k1, ohm, 12);
          const [a2, b2] = slopeOf(k2, 0.25, i2);
          const steadyN = share * (a1 + a2);
          const known = (a1 + a2 - steadyN) / (b1 + b2);
          // Past its own free speed a drive brakes, and its losses help it: no straight line any more.
          fc.pre(known < Math.min(a1 / b1, a2 / b2));
          const found = attainable({
            circuit: one,
            ratio: 12,
            efficiency: 0.9,
            wheelDiameterM: 0.3,
            steadyN,
            dragAreaM2: 0,
            airDensityKgM3: 1.2,
            beside: [other],
          });
          near(found.speedMps, known, 1e-7);
          near(greatestPull(line, known), steadyN, 1e-7);
        },
      ),
    );
  });

  it('stand on one battery: what they draw together sags it, in closed form as step by step', () => {
    fc.assert(
      fc.property(
        finite(0.005, 0.1),
        finite(5, 60),
        finite(0, 200),
        finite(0, 40),
        (rs, limit, aux, speed) => {
          const common = { supplyResistanceOhm: rs, auxiliaryW: aux };
          const branches = [
            { circuit: circuit(0.05, 0.2, common), speedRadS: speed },
            { circuit: circuit(0.03, 0.3, { ...common, currentLimitA: limit }), speedRadS: 2 * speed },
          ];
          const { batteryV } = sharedSupply(branches);
          const drawn = branches.reduce((sum, { circuit: c, speedRadS }) => {
            const stiff = { ...c, openCircuitV: batteryV, supplyResistanceOhm: 0, auxiliaryW: 0 };
            return sum + fullCommand(stiff, speedRadS).batteryA;
          }, aux / batteryV);
          near(24 - rs * drawn, batteryV, 1e-9);
        },
      ),
    );
  });

  it('alike are as one of twice as many', () => {
    const half = circuit(0.05, 0.2, { supplyResistanceOhm: 0.03, currentLimitA: 40, auxiliaryW: 10 });
    const full = { ...half, motors: 4 };
    const both = road(half, 12, [road(half, 12)]);
    for (const speed of [0, 1, 3, 6]) near(greatestPull(both, speed), greatestPull(road(full, 12), speed));
    near(startingTogether([half, half]), startingCurrent(full));
  });

  it('take the force as each can give, and the road turns the slower for nothing', () => {
    const [quick, slow] = [road(circuit(0.03, 0.2), 8), road(circuit(0.06, 0.2), 24)];
    const line = { ...quick, beside: [slow] };
    const at = (speed: number) => sharesOf(line, speed);
    const [p1 = 0, p2 = 0] = pullsAt(line, 0);
    near(at(0)[0] ?? 0, p1 / (p1 + p2));
    // 24 V/0.06 = 400 rad/s over 24 at 0.15 m: past 2.5 m/s the slow one is turned.
    expect(at(3)).toEqual([1, 0]);
    expect(pullsAt(line, 3)[1]).toBeLessThan(0);
  });
});

describe('one drive split into two equal ones', () => {
  const doubled = demo
    .filter((build) => drivelineOf(build))
    .map((build) => [build.name, changeDrive(build, { motorsPerWheel: 2 })] as const);

  it.each(doubled)('changes nothing: %s', (_, build) => {
    const [one, two] = [evaluate(build), evaluate(split(build))];
    const [whole, half] = [margins(one.links, driveOf(build).id), margins(two.links, driveOf(build).id)];
    for (const [key, link] of whole) {
      const other = half.get(key);
      // Torque is that of one driveline: half of it, of half the force. What the stages bear is half too.
      if (!other) throw new Error(`${key} is gone`);
      if (
        ['torque', 'grip', 'speed', 'ratio', 'motor-heat', 'driver-current', 'driver-peak'].includes(
          link.link,
        )
      )
        expect([key, other.ratio]).toEqual([key, expect.closeTo(link.ratio, 5)]);
      if (link.link.startsWith('battery') || link.link === 'energy')
        expect([key, other.ratio]).toEqual([key, expect.closeTo(link.ratio, 5)]);
    }
    one.duties.forEach((duty, at) => {
      const other = two.duties[at];
      near(other?.attainableMps ?? 0, duty.attainableMps ?? 0, 1e-6);
      near(other?.point?.batteryA ?? 0, duty.point?.batteryA ?? 0, 1e-6);
      near(other?.footing.gripN ?? 0, duty.footing.gripN ?? 0, 1e-9);
    });
  });
});

describe('with drives beside', () => {
  const twice = split(changeDrive(puffin, { motorsPerWheel: 2 }));

  it('every link of a drive says which, and each drive has its train', () => {
    const report = evaluate(twice);
    const ids = twice.drives.map(({ id }) => id);
    expect(report.drives.map(({ driveId }) => driveId)).toEqual(ids);
    expect(report.train).toEqual(report.drives[0]?.train);
    for (const link of report.links)
      if (['torque', 'ratio', 'motor-heat', 'driver-peak', 'path', 'chain-pull'].includes(link.link))
        expect(ids).toContain(link.driveId);
    for (const duty of report.duties)
      if (duty.drives) expect(duty.drives.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 12);
  });

  it('open no number to a sum that is not its own: what shares the road says so, with the figure of the report', () => {
    const { links } = evaluate(twice);
    for (const link of links.filter(({ link: id }) => id === 'torque' || id === 'energy'))
      for (const side of ['needs', 'has'] as const)
        expect(workingOfLink(twice, link, side)).toMatchObject({ value: link[side], origin: 'worked' });
  });

  it('never pass a limit, and give no more on a longer wire or a tired battery', () => {
    fc.assert(
      fc.property(finite(0, 5), finite(0, 0.05), finite(0.7, 1), (speed, more, share) => {
        const [seen] = propelling(twice);
        if (!seen) throw new Error('it has motors');
        const limited = (line: Driveline): Driveline => ({
          ...line,
          circuit: { ...line.circuit, currentLimitA: 30 },
          beside: line.beside.map(limited),
        });
        const line = limited(seen.line);
        const worse = (of: Driveline): Driveline => ({
          ...of,
          circuit: {
            ...of.circuit,
            openCircuitV: share * of.circuit.openCircuitV,
            supplyResistanceOhm: of.circuit.supplyResistanceOhm + more,
          },
          beside: of.beside.map(worse),
        });
        expect(greatestPull(worse(line), speed)).toBeLessThanOrEqual(greatestPull(line, speed) + 1e-9);
        for (const { point } of dutyPoints(line, puffin.duties[0] as Build['duties'][number], 200))
          expect(Number.isFinite(point.currentA)).toBe(true);
      }),
      { numRuns: many(200, 2000) },
    );
  });
});
