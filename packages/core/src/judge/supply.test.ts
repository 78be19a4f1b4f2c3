/** Packs, wires, fuse, small supplies and charging of a build, against circuit theory, tables and arithmetic. */
import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { cableOhm, drivelineOf, greatestPull } from '../drive/index.ts';
import { moves } from '../moves/index.ts';
import { typed } from '../quantity/index.ts';
import { finite } from '../testing/numbers.ts';
import {
  addPack,
  bankOf,
  buildSchema,
  changePack,
  feedFrom,
  partSchema,
  type Build,
  type PartOf,
} from '../vehicle/index.ts';
import { evaluate } from './evaluate.ts';
import type { LinkId } from './links.ts';

const puffin = buildSchema.parse(JSON.parse(readFileSync('data/builds/puffin.zubric.json', 'utf8')));

const battery = (id: string, change: Partial<PartOf<'battery'>> = {}): PartOf<'battery'> =>
  partSchema.parse({
    id,
    name: `Pack ${id}`,
    kind: 'battery',
    chemistry: 'lead-acid',
    series: 6,
    parallel: 1,
    cellAh: 20,
    cellMilliohm: 3,
    continuousA: 40,
    massKg: 6,
    ...change,
  }) as PartOf<'battery'>;

const source = (change: Partial<PartOf<'source'>>): PartOf<'source'> =>
  partSchema.parse({
    id: 'source',
    name: 'Source',
    kind: 'source',
    type: 'bench supply',
    voltageV: 24,
    continuousA: 10,
    massKg: 1,
    ...change,
  }) as PartOf<'source'>;

const withSupply = (part: Partial<Build['supply']>, build = puffin): Build => ({
  ...build,
  supply: { ...build.supply, ...part },
});
const linkOf = (build: Build, link: LinkId) => evaluate(build).governing.find((l) => l.link === link);
const codes = (build: Build): string[] => evaluate(build).findings.map(({ code }) => code);
const fedBy = (part: PartOf<'battery'>): Build => feedFrom(puffin, part);

describe('packs', () => {
  it('in series add their volts and resistances, side by side their charge and currents (Kirchhoff)', () => {
    const one = bankOf(fedBy(battery('a')));
    const row = bankOf(changePack(fedBy(battery('a')), 'a', { inSeries: 3 }));
    const side = bankOf(changePack(fedBy(battery('a')), 'a', { inParallel: 4 }));
    if (!one || !row || !side) throw new Error('all are fed');
    expect([row.nominalV, row.resistanceOhm, row.capacityAh, row.continuousA]).toEqual([
      3 * one.nominalV,
      expect.closeTo(3 * one.resistanceOhm, 12) as number,
      one.capacityAh,
      one.continuousA,
    ]);
    expect(side.nominalV).toBe(one.nominalV);
    expect(side.resistanceOhm).toBeCloseTo(one.resistanceOhm / 4, 12);
    expect([side.capacityAh, side.continuousA]).toEqual([80, 160]);
  });

  it('side by side part the current as their resistances let it: the one at its limit decides', () => {
    fc.assert(
      fc.property(finite(1, 10), finite(1, 10), finite(5, 60), finite(5, 60), (r1, r2, a1, a2) => {
        const build = withSupply(
          { joined: 'in parallel' },
          addPack(
            fedBy(battery('a', { cellMilliohm: r1, continuousA: a1 })),
            battery('b', { cellMilliohm: r2, continuousA: a2 }),
          ),
        );
        const both = buildSchema.parse({ ...build, supply: { ...build.supply, joined: 'in parallel' } });
        // I1 = I r2/(r1 + r2): at most a1, and the other way round.
        const most = Math.min((a1 * (r1 + r2)) / r2, (a2 * (r1 + r2)) / r1);
        const bank = bankOf(both);
        expect(bank?.continuousA).toBeCloseTo(most, 9);
        expect(bank?.resistanceOhm).toBeCloseTo((6e-3 * r1 * r2) / (r1 + r2), 12);
      }),
    );
  });

  it('that are not alike are told: side by side they burn, in series the smaller is empty first', () => {
    const unlike = addPack(fedBy(battery('a')), battery('b', { chemistry: 'lifepo4', series: 4 }));
    expect(codes(withSupply({ joined: 'in parallel' }, unlike))).toContain('unlike-packs');
    expect(codes(withSupply({ joined: 'in series' }, unlike))).not.toContain('unlike-packs');
    const beside = addPack(fedBy(battery('a')), source({}));
    expect(codes(withSupply({ joined: 'in parallel' }, beside))).toContain('unlike-packs');
    for (const alike of [fedBy(battery('a')), addPack(fedBy(battery('a')), battery('b', {}))])
      expect(codes(withSupply({ joined: 'in parallel' }, alike))).not.toContain('unlike-packs');
    const smaller = addPack(fedBy(battery('a')), battery('b', { cellAh: 7 }));
    expect(codes(withSupply({ joined: 'in series' }, smaller))).toContain('first-empty');
    expect(bankOf(withSupply({ joined: 'in series' }, smaller))?.capacityAh).toBe(7);
  });

  it('in the cold hold less and resist more: a lead-acid one three quarters at freezing (common practice, no source)', () => {
    const cold = withSupply({ airTemperature: typed(273.15, '°C') }, fedBy(battery('a')));
    const [mild, frozen] = [bankOf(fedBy(battery('a'))), bankOf(cold)];
    expect(frozen?.capacityAh).toBeCloseTo(15, 9);
    expect(frozen?.resistanceOhm).toBeGreaterThan(mild?.resistanceOhm ?? Infinity);
    expect(evaluate(cold).outing?.runTimeS).toBeLessThan(evaluate(fedBy(battery('a'))).outing?.runTimeS ?? 0);
  });

  it('of other sources: a bench supply holds its current and never runs out, a panel alone feeds nothing', () => {
    const lead = feedFrom(puffin, source({}));
    expect(codes(lead)).toContain('on-a-lead');
    expect(evaluate(lead).outing?.runTimeS).toBeUndefined();
    const line = drivelineOf(lead);
    if (!line) throw new Error('it has a motor');
    // 10 A at 24 V is all the power that there is: pull times speed never passes it.
    for (const speed of [0.2, 0.5, 1, 1.4])
      expect(greatestPull(line, speed) * speed).toBeLessThanOrEqual(240);
    expect(codes(feedFrom(puffin, source({ type: 'solar panel' })))).toContain('no-source');
    expect(codes(feedFrom(puffin, source({ type: 'power bank', leastA: 1 })))).toContain('turns-off');
  });

  it('fuller never pull less', () => {
    const line = drivelineOf(puffin);
    if (!line) throw new Error('it has a motor');
    fc.assert(
      fc.property(finite(0, 2), finite(1, 1.2), (speed, fuller) => {
        const { circuit } = line;
        const full = { ...line, circuit: { ...circuit, openCircuitV: fuller * circuit.openCircuitV } };
        expect(greatestPull(full, speed)).toBeGreaterThanOrEqual(greatestPull(line, speed) - 1e-9);
      }),
    );
  });
});

describe('wires', () => {
  it('resist as their table says: 10 AWG 3.277 Ω a kilometre at 20 °C (ASTM B258, from memory), warm as at work', () => {
    const cable = { length: typed(2, 'm'), area: typed(5.261e-6, 'mm²') };
    const at60 = 1 + 0.00393 * 40;
    expect(cableOhm(withSupply({ cable })) / (2 * 2e-3 * 3.277 * at60)).toBeCloseTo(1, 3);
  });

  it('too thin for the day or for their fuse are told, and a thicker one mends it', () => {
    const thin = withSupply({
      cable: { length: typed(1, 'm'), area: typed(1e-6, 'mm²') },
      fuse: typed(50, 'A'),
    });
    const report = evaluate(thin);
    expect(linkOf(thin, 'cable')?.verdict).toBe('fails');
    expect(linkOf(thin, 'fuse-wire')).toMatchObject({ verdict: 'fails', needs: 50 });
    const offered = moves(thin, report, { shelf: [] }).find(({ link }) => link === 'fuse-wire')?.moves;
    expect(offered?.some(({ ends }) => ends)).toBe(true);
  });
});

describe('a main fuse', () => {
  it('carries a quarter more than the day, and half of a start (common practice, no source)', () => {
    const report = evaluate(puffin);
    const dayA = Math.max(...report.duties.map(({ point }) => point?.batteryA ?? 0));
    const startA = report.links.find(({ link }) => link === 'battery-peak')?.needs ?? NaN;
    expect(linkOf(puffin, 'fuse')?.needs).toBeCloseTo(Math.max(1.25 * dayA, startA / 2), 9);
    expect(linkOf(withSupply({ fuse: typed(20, 'A') }), 'fuse')?.verdict).toBe('fails');
  });

  it('that is not said is offered, and ends the finding', () => {
    const { fuse: _fuse, ...without } = puffin.supply;
    const bare: Build = { ...puffin, supply: without };
    expect(codes(bare)).toContain('no-fuse');
    const [move] =
      moves(bare, evaluate(bare), { shelf: [] }).find(({ finding }) => finding === 'no-fuse')?.moves ?? [];
    expect(move?.changes).toMatchObject([{ kind: 'set', path: ['supply', 'fuse'], after: { value: 50 } }]);
  });
});

describe('what hangs on the battery beside the motors', () => {
  const rail = {
    id: 'rail-1',
    name: 'Servos',
    voltage: typed(5, 'V'),
    gives: typed(2, 'A'),
    efficiency: typed(0.8, '%'),
    atOnce: 1,
    loads: [{ id: 'load-1', name: 'Servo', count: 3, running: typed(0.2, 'A'), peak: typed(1.8, 'A') }],
  };

  it('is drawn through its converter: 3 · 0.2 A at 5 V over 80 % is 3.75 W more (arithmetic)', () => {
    const [bare, with5V] = [drivelineOf(puffin), drivelineOf(withSupply({ rails: [rail] }))];
    expect((with5V?.circuit.auxiliaryW ?? 0) - (bare?.circuit.auxiliaryW ?? 0)).toBeCloseTo(3.75, 9);
  });

  it('is held against what the supply gives: 0.6 A and one at its most are 2.2 A', () => {
    const link = linkOf(withSupply({ rails: [rail] }), 'rail');
    expect(link).toMatchObject({ railId: 'rail-1', has: 2, verdict: 'fails' });
    expect(link?.needs).toBeCloseTo(2.2, 12);
    const idle = {
      ...rail,
      atOnce: 0,
      loads: rail.loads.map((load) => ({ ...load, running: typed(0, 'A') })),
    };
    expect(linkOf(withSupply({ rails: [idle] }), 'rail')).toBeUndefined();
  });
});

describe('charging', () => {
  it('takes the hours of its sum, and more where there are fewer', () => {
    const charger = { current: typed(4, 'A'), hours: typed(3600, 'h') };
    const report = evaluate(withSupply({ charger }));
    const { outing } = report;
    const drawnAh = ((outing?.meanBatteryA ?? 0) * (outing?.durationS ?? 0)) / 3600;
    // All of it at falling current where less is drawn than a fifth; else that fifth: I e^(−t/τ) integrated.
    const share = drawnAh / 20;
    const hours =
      (Math.max(0, share - 0.2) * 20) / (0.95 * 4) +
      ((Math.min(share, 0.2) * 20) / (0.95 * 4)) * (Math.log(20) / 0.95);
    expect(report.links.find(({ link }) => link === 'charge')?.needs).toBeCloseTo(hours * 3600, 3);
  });

  it('by a panel while it runs spares the battery its seven tenths', () => {
    const sun = { power: typed(40, 'W'), hours: typed(4 * 3600, 'h'), when: 'running' as const };
    const [bare, sunny] = [evaluate(puffin).outing, evaluate(withSupply({ sun })).outing];
    const spared = (bare?.energyJ ?? 0) - (sunny?.energyJ ?? 0);
    expect(spared).toBeGreaterThan(0);
    expect(spared).toBeLessThanOrEqual(0.7 * 40 * (bare?.durationS ?? 0) * (1 + 1e-9));
    expect(codes(withSupply({ sun }))).toContain('sun-gives');
  });
});
