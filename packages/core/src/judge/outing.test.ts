import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { typed } from '../quantity/index.ts';
import { finite } from '../testing/numbers.ts';
import { saidOf } from '../testing/vehicles.ts';
import { readBuild, type Build, type Duty, type Part } from '../vehicle/index.ts';
import { evaluate } from './evaluate.ts';
import type { LinkReport, Report } from './report.ts';

const read = readBuild(JSON.parse(readFileSync('packages/core/src/testing/puffin.zubric.json', 'utf8')));
if (!read.ok) throw new Error('the demo build does not read');
const puffin = read.build;
const [first] = puffin.duties;
if (!first) throw new Error('the demo build has jobs');

const duty = (part: Partial<Duty>): Duty => ({ ...first, extent: { kind: 'time' }, ...part });
const held = (hours: number): Duty =>
  duty({ id: `held-${hours}`, name: 'Lights on', task: 'hold', duration: typed(hours * 3600, 'h') });
const withDuties = (build: Build, duties: readonly Duty[]): Build => ({ ...build, duties: [...duties] });
const beside = (build: Build, watts: number): Build => ({
  ...build,
  supply: { ...build.supply, auxiliaryPower: typed(watts, 'W') },
});
const withBattery = (build: Build, part: Partial<Extract<Part, { kind: 'battery' }>>): Build => ({
  ...build,
  parts: build.parts.map((p) => (p.kind === 'battery' ? { ...p, ...part } : p)),
});
const link = (report: Report, id: LinkReport['link']): LinkReport | undefined =>
  report.governing.find((l) => l.link === id);

describe('time held and stopped', () => {
  it('draws what is beside the motors: 300 W of lights for three hours empty a pack of 512 Wh (energy)', () => {
    const report = evaluate(withDuties(beside(puffin, 300), [held(3)]));
    const energy = link(report, 'energy');
    // 300 W for 3 h is 900 Wh, and a little more for the sag that the cable takes (P = Ib (Voc − R Ib)).
    expect((energy?.needs ?? NaN) / 3600).toBeGreaterThan(900);
    expect((energy?.needs ?? NaN) / 3600).toBeLessThan(930);
    expect(energy?.verdict).toBe('fails');
    const { meanBatteryA = NaN } = report.outing ?? {};
    const [voc, r] = [25.6, 0.006 + 0.02];
    expect(meanBatteryA * (voc - r * meanBatteryA)).toBeCloseTo(300, 0);
  });

  it('counts beside driven time, minute by minute', () => {
    const drive = duty({ duration: typed(600, 'min') });
    const short = evaluate(withDuties(puffin, [drive]));
    const long = evaluate(withDuties(puffin, [drive, held(2)]));
    const idleA =
      long.outing && short.outing
        ? (long.outing.meanBatteryA * long.outing.durationS -
            short.outing.meanBatteryA * short.outing.durationS) /
          7200
        : NaN;
    expect(idleA * 25.6).toBeCloseTo(4, 1);
  });

  it('a start draws it too', () => {
    const peak = (watts: number): number =>
      link(evaluate(beside(puffin, watts)), 'battery-peak')?.needs ?? NaN;
    // A hundred watts more at the sagged voltage of the start.
    expect(peak(104) - peak(4)).toBeGreaterThan(100 / 25.6);
    expect(peak(104) - peak(4)).toBeLessThan(100 / 20);
  });
});

describe('Peukert over an outing', () => {
  const lead = withBattery(puffin, { chemistry: 'lead-acid', series: 12, cellAh: 20 });

  it('never gives more than the rated capacity, however little is drawn', () => {
    const report = evaluate(withDuties(beside(lead, 1), [held(5)]));
    const { runTimeS = NaN, meanBatteryA = NaN } = report.outing ?? {};
    expect((runTimeS / 3600) * meanBatteryA).toBeCloseTo(20 * lead.supply.usableShare.value, 6);
  });

  it('averages I^k: hard minutes and idle hours empty it sooner than their mean current does (by hand, k 1.2, 20 h)', () => {
    const hard = duty({ id: 'hard', duration: typed(1800, 'min') });
    const report = evaluate(withDuties(lead, [hard, held(0.5)]));
    const amps = [report.duties[0]?.point?.batteryA ?? NaN, 4 / 24];
    const mean = (amps[0] ?? NaN) ** 1.2 / 2 + (amps[1] ?? NaN) ** 1.2 / 2;
    const hours = (lead.supply.usableShare.value * 20 * (20 / 20) ** 1.2) / mean;
    expect((report.outing?.runTimeS ?? NaN) / 3600 / hours).toBeCloseTo(1, 3);
  });
});

describe('the heat of a motor over an outing', () => {
  it('is judged over the worst ten minutes, not thinned by hours of standing', () => {
    const burst = duty({ id: 'burst', duration: typed(300, 'min'), mayRunHot: true });
    const of = (duties: readonly Duty[]): number =>
      evaluate(withDuties(puffin, duties)).links.find((l) => l.link === 'motor-heat' && l.dutyId === null)
        ?.needs ?? NaN;
    const amps = evaluate(withDuties(puffin, [burst])).duties[0]?.point?.currentA ?? NaN;
    // Five minutes of it in ten: I/√2, an hour or a day of standing beside it.
    expect(of([burst, held(1)])).toBeCloseTo(amps / Math.SQRT2, 6);
    expect(of([burst, held(24)])).toBeCloseTo(amps / Math.SQRT2, 6);
    expect(of([burst])).toBeCloseTo(amps, 6);
  });
});

describe('the end of an outing', () => {
  const long = (hours: number): Report =>
    evaluate(withDuties(puffin, [duty({ duration: typed(hours * 3600, 'h') }), held(0.1)]));

  it('is judged on the battery as it then is: a rested voltage and more resistance', () => {
    expect(long(0.2).outing?.end).toBeUndefined();
    const tired = long(3).outing?.end;
    expect(tired?.openCircuitV).toBeLessThan(25.6);
    const begins = long(3).links;
    for (const l of tired?.links ?? []) {
      const at = begins.find((b) => b.link === l.link && b.dutyId === l.dutyId);
      expect(l.has, l.link).toBeLessThanOrEqual((at?.has ?? NaN) * (1 + 1e-9));
    }
  });

  it('says what still goes at its start and no longer at its end', () => {
    const onGrade = (deg: number): Build =>
      withDuties(puffin, [
        duty({ duration: typed(3 * 3600, 'h'), grade: typed((deg * Math.PI) / 180, '°') }),
      ]);
    const torque = (deg: number): number =>
      evaluate(onGrade(deg)).links.find(({ link }) => link === 'torque')?.ratio ?? NaN;
    // The grade on which a fresh battery just keeps the rule of twice the torque; a tired one then does not.
    let [low, high] = [0, 30];
    while (high - low > 1e-4) {
      const middle = (low + high) / 2;
      if (torque(middle) > 2.01) low = middle;
      else high = middle;
    }
    const found = saidOf(onGrade(low));
    expect(found.find(({ id }) => id === 'at-the-end/torque')?.text).toMatch(
      /^At the end of the outing the battery rests at 24\sV\. Each wheel gets 1\.\d+\s× the torque it needs/,
    );
  });
});

describe('the top speed', () => {
  const capped = (mps: number, share?: number): Build => ({
    ...puffin,
    speedCap: typed(mps, 'm/s'),
    supply: { ...puffin.supply, ...(share === undefined ? {} : { commandShare: typed(share, '%') }) },
  });
  const over = (build: Build): LinkReport | undefined => link(evaluate(build), 'over-speed');

  it('is judged against the builder’s cap, downhill too, at full command', () => {
    expect(over(puffin)).toBeUndefined();
    const judged = over(capped(1));
    expect(judged).toMatchObject({ has: 1, rule: 1, verdict: 'fails' });
    const report = evaluate(capped(1));
    // Down its slope it goes no slower than the motors run free on the level.
    for (const d of report.duties) expect(d.top?.mps).toBeGreaterThan(0.99 * (d.attainableMps ?? 0));
    expect(over(capped(5))?.verdict).toBe('ample');
  });

  it('comes down with the command that the controller lets through, about in its share (motor theory)', () => {
    const [all, half] = [over(capped(9))?.needs, over(capped(9, 0.5))?.needs];
    expect((half ?? NaN) / (all ?? NaN)).toBeGreaterThan(0.45);
    expect((half ?? NaN) / (all ?? NaN)).toBeLessThan(0.56);
    fc.assert(
      fc.property(finite(0.05, 1), finite(0.05, 1), (a, b) => {
        const [low, high] = [Math.min(a, b), Math.max(a, b)];
        expect(over(capped(9, low))?.needs ?? 0).toBeLessThanOrEqual(
          (over(capped(9, high))?.needs ?? 0) + 1e-6,
        );
      }),
      { numRuns: 40 },
    );
  });

  it('near people without a cap it is the speed from which it stops in its distance (kinematics)', () => {
    const build: Build = {
      ...puffin,
      people: 'beside',
      layout: { ...puffin.layout, axles: puffin.layout.axles.map((a) => ({ ...a, braked: true })) },
      brake: { kind: 'friction', reaction: typed(0.4, 's') },
      duties: [duty({ task: 'stop', grade: typed(0, '°'), stopWithin: typed(1, 'm') })],
    };
    const report = evaluate(build);
    const a = report.duties[0]?.brake?.decelerationMps2 ?? NaN;
    const may = report.duties[0]?.top?.mayMps ?? NaN;
    expect(report.duties[0]?.top?.by).toBe('stop');
    expect(may * 0.4 + may ** 2 / (2 * a)).toBeCloseTo(1, 6);
    expect(over({ ...build, people: 'nobody' })).toBeUndefined();
    // Without a brake no speed is right: that is not a matter of how fast its motors run.
    const coasts: Build = { ...build, brake: { ...build.brake, kind: 'none' } };
    expect(over(coasts)).toBeUndefined();
    expect(evaluate(coasts).links.find(({ link }) => link === 'brake-stop')).toMatchObject({ has: 0 });
  });
});
