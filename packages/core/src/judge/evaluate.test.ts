import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { typed } from '../quantity/index.ts';
import { on, rearDriven, withDuty as onDuty, saidOf, textsOf } from '../testing/vehicles.ts';
import { buildSchema, newBuild, type Build, driveOf, changeDrive } from '../vehicle/index.ts';
import { evaluate } from './evaluate.ts';
import { BLOCKS, LINKS, type LinkId } from './links.ts';
import type { Report } from './report.ts';
import { many } from '../testing/many.ts';

const puffin = buildSchema.parse(
  JSON.parse(readFileSync('packages/core/src/testing/puffin.zubric.json', 'utf8')),
);

const dutyOf = (report: Report, id: string) => {
  const duty = report.duties.find((d) => d.id === id);
  if (!duty) throw new Error(`no job ${id}`);
  return duty;
};
const linkOf = (report: Report, link: LinkId, dutyId: string | null) =>
  report.links.find((l) => l.link === link && l.dutyId === dutyId);
const changed = (change: (build: Build) => Partial<Build>): Build => ({ ...puffin, ...change(puffin) });
const withDuty = (id: string, part: Partial<Build['duties'][number]>): Build =>
  changed((b) => ({ duties: b.duties.map((d) => (d.id === id ? { ...d, ...part } : d)) }));
const withTeeth = (teethDriven: number): Build =>
  changed((b) => ({
    drives: changeDrive(b, {
      stages: driveOf(b).stages.map((s) => (s.kind === 'chain' ? { ...s, teethDriven } : s)),
    }).drives,
  }));

/** The whole chain for Puffin's slip, written out by hand from the data sheets. */
function slipByHand() {
  const [radius, ratio, efficiency] = [0.2, 9 * 3.6, 0.9 * 0.96];
  const forceN = 178 * 9.80665 * (0.08 * Math.cos(Math.PI / 20) + Math.sin(Math.PI / 20));
  const motorTorqueNm = (forceN * radius) / 2 / ratio / efficiency;
  const resistance = 24 / 44 + 0.01 + 0.006;
  const ke = (24 - (1.1 * 24) / 44) / ((3000 * Math.PI) / 30);
  const kt = Math.min(3.2 / (44 - 1.1), ke);
  const currentA = motorTorqueNm / kt + 1.1;
  const motorV = currentA * resistance + ke * (0.8 / radius) * ratio;
  const [rs, voc] = [8 * 0.0025 + 0.006, 25.6];
  const powerW = 2 * motorV * currentA + 4;
  const batteryA = (voc - Math.sqrt(voc * voc - 4 * rs * powerW)) / (2 * rs);
  const fullA = Math.min(40, fullCommandA(voc, rs, resistance, ke * (0.8 / radius) * ratio));
  const wheelTorqueNm = kt * (fullA - 1.1) * ratio * efficiency;
  return { forceN, motorTorqueNm, currentA, motorV, batteryA, batteryV: voc - rs * batteryA, wheelTorqueNm };
}

/** Full command with the auxiliary 4 W, by stepping the battery voltage down until it agrees with itself. */
function fullCommandA(voc: number, rs: number, resistance: number, backV: number): number {
  let batteryV = voc;
  for (let n = 0; n < 500; n++) {
    const motorA = (batteryV - backV) / resistance;
    batteryV += 0.5 * (voc - rs * (2 * motorA + 4 / batteryV) - batteryV);
  }
  return (batteryV - backV) / resistance;
}

describe('Puffin on the slip, loaded', () => {
  const report = evaluate(puffin);
  const slip = dutyOf(report, 'slip-loaded');
  const hand = slipByHand();

  it('asks 137.9 N rolling, 273.1 N grade, 411.0 N in all (statics)', () => {
    expect(Math.abs(slip.resistance.rollingN - 137.9)).toBeLessThan(0.1);
    expect(Math.abs(slip.resistance.gradeN - 273.1)).toBeLessThan(0.1);
    expect(Math.abs(slip.resistance.totalN - 411.0)).toBeLessThan(0.1);
    expect(slip.resistance.totalN).toBeCloseTo(hand.forceN, 9);
  });

  it('stands at the operating point of the closed form', () => {
    expect(slip.point?.motorTorqueNm).toBeCloseTo(hand.motorTorqueNm, 9);
    expect(slip.point?.currentA).toBeCloseTo(hand.currentA, 9);
    expect(slip.point?.motorV).toBeCloseTo(hand.motorV, 9);
    expect(slip.point?.batteryA).toBeCloseTo(hand.batteryA, 8);
    expect(slip.point?.batteryV).toBeCloseTo(hand.batteryV, 8);
    expect(slip.point?.reachable).toBe(true);
  });

  it('has the greatest wheel torque of full command, sag and auxiliary load counted', () => {
    expect(linkOf(report, 'torque', 'slip-loaded')?.has).toBeCloseTo(hand.wheelTorqueNm, 6);
    expect(linkOf(report, 'torque', 'slip-loaded')?.verdict).toBe('short');
  });

  it('gives the resistance back as power: nothing is made on the way', () => {
    for (const duty of report.duties) {
      if (!duty.point) continue;
      const groundW = duty.resistance.totalN * duty.speedMps;
      expect(duty.point.batteryV * duty.point.batteryA).toBeGreaterThan(groundW);
    }
  });
});

describe('attainable speed', () => {
  it('is where full command just holds the resistance, and asking it leaves a torque margin of 1', () => {
    const { attainableMps = 0 } = dutyOf(evaluate(puffin), 'level-loaded');
    const at = evaluate(withDuty('level-loaded', { speed: typed(attainableMps, 'm/s') }));
    expect(linkOf(at, 'torque', 'level-loaded')?.ratio).toBeCloseTo(1, 6);
    expect(linkOf(at, 'speed', 'level-loaded')?.ratio).toBeCloseTo(1, 6);
  });

  it('is 0 where grip or torque does not start it', () => {
    const steep = evaluate(withDuty('slip-loaded', { grade: typed(Math.PI / 6, '°') }));
    expect(dutyOf(steep, 'slip-loaded').attainableMps).toBe(0);
    expect(
      saidOf(withDuty('slip-loaded', { grade: typed(Math.PI / 6, '°') })).some(
        (f) => f.severity === 'stop' && /wheels slip/.test(f.text),
      ),
    ).toBe(true);
  });

  it('lies past no-load speed where the grade pushes', () => {
    const down = evaluate(withDuty('level-loaded', { grade: typed(-Math.PI / 18, '°') }));
    expect(dutyOf(down, 'level-loaded').attainableMps).toBeGreaterThan(2.1);
    expect(linkOf(down, 'torque', 'level-loaded')).toBeUndefined();
    expect(textsOf(withDuty('level-loaded', { grade: typed(-Math.PI / 18, '°') }))).toMatch(/pushes itself/);
  });
});

describe('ratio window', () => {
  it('has the torque margin 1 at both ends of the just window, 2 at the low end of the rule’s', () => {
    const window = dutyOf(evaluate(puffin), 'level-loaded').ratioWindow;
    if (!window?.just || !window.rule) throw new Error('the level job has a window');
    const marginAt = (ratio: number): number => {
      const stages = [
        {
          ...driveOf(puffin).stages[0],
          kind: 'gearhead' as const,
          id: 'g',
          ratio: typed(ratio / 9, ': 1'),
          efficiency: typed(0.96, '%'),
        },
      ];
      const build = buildSchema.parse(
        changeDrive(puffin, {
          stages: stages.map(({ id, kind, ratio: r, efficiency }) => ({ id, kind, ratio: r, efficiency })),
        }),
      );
      return linkOf(evaluate(build), 'torque', 'level-loaded')?.ratio ?? 0;
    };
    expect(marginAt(window.just.low)).toBeCloseTo(1, 5);
    expect(marginAt(window.just.high)).toBeCloseTo(1, 5);
    expect(marginAt(window.rule.low)).toBeCloseTo(2, 5);
    expect(marginAt(window.best.ratio)).toBeGreaterThan(marginAt(window.best.ratio * 1.05));
    expect(marginAt(window.best.ratio)).toBeGreaterThan(marginAt(window.best.ratio / 1.05));
  });

  it('is empty, with its best, where no ratio does it', () => {
    const heavy = evaluate(withDuty('slip-loaded', { speed: typed(2, 'm/s') }));
    const { ratioWindow } = dutyOf(heavy, 'slip-loaded');
    expect(ratioWindow?.just).toBeNull();
    expect(ratioWindow?.best.margin).toBeLessThan(1);
    expect(heavy.ratioWindow).toBeNull();
    expect(linkOf(heavy, 'ratio', 'slip-loaded')?.verdict).toBe('fails');
  });

  it('says whether the fitted ratio is too low or too high', () => {
    expect(textsOf(withTeeth(12))).toContain('too low');
    expect(textsOf(withTeeth(80))).toContain('too high');
  });
});

describe('margins', () => {
  it('govern by the least of ratio over rule, and every link belongs to a block of the strip', () => {
    const { links, governing } = evaluate(puffin);
    for (const worst of governing)
      for (const link of links.filter((l) => l.link === worst.link))
        expect(link.ratio / link.rule).toBeGreaterThanOrEqual(worst.ratio / worst.rule);
    for (const definition of Object.values(LINKS)) expect(BLOCKS).toContain(definition.block);
  });

  it('fall, or stay, when the payload grows (properties of the trade)', () => {
    const load = (kg: number): Build =>
      changed((b) => ({ masses: { ...b.masses, payload: { ...b.masses.payload, mass: typed(kg, 'kg') } } }));
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 150, noNaN: true }),
        fc.double({ min: 1, max: 150, noNaN: true }),
        (a, b) => {
          const [light, heavy] = [evaluate(load(Math.min(a, b))), evaluate(load(Math.max(a, b)))];
          for (const id of ['torque', 'battery-current', 'motor-heat'] as const) {
            const [more, less] = [
              linkOf(light, id, 'level-loaded')?.ratio ?? 0,
              linkOf(heavy, id, 'level-loaded')?.ratio ?? 0,
            ];
            expect(less).toBeLessThanOrEqual(more + 1e-9);
          }
        },
      ),
      { numRuns: many(100, 1000) },
    );
  });

  it('ask twice the torque by the double rule and the builder’s own factor when itemised', () => {
    const itemised = changed((b) => ({
      marginPolicy: { ...b.marginPolicy, school: 'itemised', torque: 1.2 },
    }));
    expect(linkOf(evaluate(itemised), 'torque', 'slip-loaded')).toMatchObject({
      rule: 1.2,
      verdict: 'tight',
    });
  });

  it('count stall where the driver does not limit it', () => {
    const unlimited = changed((b) => ({
      parts: b.parts.map((p) => (p.kind === 'driver' ? { ...p, limitsCurrent: false } : p)),
    }));
    const peak = linkOf(evaluate(unlimited), 'driver-peak', null);
    expect(peak?.needs).toBeGreaterThan(40);
    expect(peak?.verdict).toBe('fails');
    expect(linkOf(evaluate(puffin), 'driver-peak', null)).toBeUndefined();
  });
});

describe('any build', () => {
  const allNumbers = (value: unknown): number[] =>
    typeof value === 'number'
      ? [value]
      : typeof value === 'object' && value !== null
        ? Object.values(value).flatMap(allNumbers)
        : [];

  it('is judged without a number that is none, finished or not', () => {
    const bare = newBuild('Bare');
    const builds = [
      bare,
      { ...bare, duties: [] },
      changed(() => ({
        parts: [],
        drives: changeDrive(puffin, { motorId: null, driverId: null }).drives,
        supply: { ...puffin.supply, packs: [] },
      })),
    ];
    for (const build of builds) {
      const report = evaluate(build);
      expect(allNumbers(report).every(Number.isFinite)).toBe(true);
      expect(['stop', 'short']).toContain(report.findings[0]?.severity);
    }
  });

  it('stays finite under odd sizes', () => {
    const odd = fc.constantFrom(0, 1e-6, 0.5, 3, 1e4);
    fc.assert(
      fc.property(
        odd,
        odd,
        fc.double({ min: -1.5, max: 1.5, noNaN: true }),
        odd,
        (speed, payload, grade, power) => {
          const build = changed((b) => ({
            duties: b.duties.map((d) => ({ ...d, speed: typed(speed, 'm/s'), grade: typed(grade, '°') })),
            masses: { ...b.masses, payload: { ...b.masses.payload, mass: typed(payload, 'kg') } },
            supply: { ...b.supply, auxiliaryPower: typed(power, 'W') },
          }));
          expect(allNumbers(evaluate(build)).every(Number.isFinite)).toBe(true);
        },
      ),
      { numRuns: many(300, 3000) },
    );
  });

  it('names what is missing in words', () => {
    const noBattery = changed((b) => ({ supply: { ...b.supply, packs: [] } }));
    const text = textsOf(noBattery);
    expect(text).toContain('No battery is chosen');
    expect(text).toContain('24 V');
  });
});

describe('air that nobody counted', () => {
  const ridden = (speed: number, more: Partial<Build> = {}): Build => {
    const base = onDuty(rearDriven(), { speed: typed(speed, 'm/s') });
    const { own } = base.masses;
    const rider = { ...own, id: 'rider', name: 'Rider', kind: 'rider' as const };
    return {
      ...base,
      body: { ...base.body, width: typed(0.5, 'm'), height: typed(1, 'm') },
      masses: { ...base.masses, others: [rider] },
      dragArea: typed(0, 'm²'),
      ...more,
    };
  };
  const note = (build: Build): string | undefined =>
    saidOf(build)
      .find(({ id }) => id.startsWith('no-air'))
      ?.text.replaceAll('\u00a0', ' ');

  it('is told where it takes more than a tenth: ½ ρ A v² of the body and a person, 1 m² together', () => {
    // ½ · 1.204 · 1 · 6² = 21.7 N.
    expect(note(ridden(6))).toContain('a front of 1 m² takes about 21.7 N more');
    expect(note(ridden(0.5))).toBeUndefined();
  });

  it('is silent once the drag area is said, and for what is hauled by a rope', () => {
    expect(note(ridden(6, { dragArea: typed(0.6, 'm²') }))).toBeUndefined();
    expect(note({ ...on('winch', ridden(6)) })).toBeUndefined();
  });
});
