import { readFileSync, readdirSync } from 'node:fs';
import { evaluate, shortlist } from '@zubric/core/judge';
import {
  buildSchema,
  choosePart,
  newBuild,
  partSchema,
  type Build,
  type Part,
  driveOf,
  changeDrive,
  driverCountOf,
} from '@zubric/core/vehicle';
import { showNumber } from '@zubric/core/quantity';
import { cleanup, fireEvent, screen, within } from '@testing-library/react';
import { beforeEach, describe, expect, it } from 'vitest';
import { answering } from '../../testing/answers.ts';
import { kept, onBench, text } from '../../testing/on-bench.tsx';
import { factorOf } from '../../strip/factor.ts';
import { Power } from './Power.tsx';

const demo = (name: string): Build =>
  buildSchema.parse(JSON.parse(readFileSync(`data/builds/${name}.zubric.json`, 'utf8')));
const puffin = buildSchema.parse(
  JSON.parse(readFileSync('packages/core/src/testing/puffin.zubric.json', 'utf8')),
);
const shelf = readdirSync('data/shelf').flatMap((file) =>
  (JSON.parse(readFileSync(`data/shelf/${file}`, 'utf8')) as unknown[]).map((part): Part =>
    partSchema.parse(part),
  ),
);
const ofKind = (kind: Part['kind']): Part[] => shelf.filter((part) => part.kind === kind);

const partsTable = (): Promise<HTMLElement> =>
  within(screen.getByRole('region', { name: 'From the parts shelf' })).findByRole('table');
const rows = async (): Promise<HTMLElement[]> => {
  const table = await partsTable();
  return within(table).getAllByRole('row').slice(1);
};
const said = (element: Element | null | undefined): string =>
  (element?.textContent ?? '').replaceAll('\u00a0', ' ');

describe('the power station', () => {
  beforeEach(() => {
    answering({ 'GET /api/parts': () => ({ parts: shelf }) });
  });

  it('answers for the job with the least torque: torque, currents, sag and how long it lasts', () => {
    onBench(<Power />, puffin);
    const report = evaluate(puffin);
    const torque = report.governing.find(({ link }) => link === 'torque');
    const duty = report.duties.find(({ id }) => id === torque?.dutyId);
    expect(text()).toContain(
      `“${duty?.name}” gets ${showNumber(torque?.ratio ?? NaN)} × its torque of ${showNumber(duty?.point?.wheelTorqueNm ?? NaN)} N·m a wheel (the rule asks 2 ×)`,
    );
    expect(text()).toContain(`${showNumber(duty?.point?.batteryA ?? NaN)} A from the battery`);
    expect(text()).toMatch(/At this mix of jobs it lasts [\d.]+ (min|h)/);
  });

  it('draws the pull against the grip that is least, and counts grip among its findings where grip decides', () => {
    onBench(<Power />, puffin);
    expect(said(screen.getByRole('img', { name: /^Pull at the ground/ }))).toContain('On “Slip, empty”');
    const findings = screen.getByRole('region', { name: 'What stands in the way' });
    expect(said(findings)).not.toContain('Grip is');
    cleanup();
    // On ice no stronger motor helps: it is said here too.
    const ice = puffin.grounds.map((g) => ({ ...g, friction: { ...g.friction, value: 0.1 } }));
    onBench(<Power />, { ...puffin, grounds: ice });
    expect(said(screen.getByRole('region', { name: 'What stands in the way' }))).toMatch(/grip/i);
  });

  it('counts drivers by their channels, and otherwise as the builder says', async () => {
    onBench(<Power />, puffin);
    fireEvent.click(screen.getByRole('button', { name: /^Driver/ }));
    const single = shortlist(puffin, ofKind('driver')).find(({ count }) => count === 2);
    const name = single?.part.name ?? '';
    fireEvent.click(await screen.findByRole('button', { name: `Take ${name}` }));
    expect(driverCountOf(kept())).toBe(2);
    fireEvent.change(screen.getByLabelText('Drivers of this kind'), { target: { value: '3' } });
    expect(driverCountOf(kept())).toBe(3);
    fireEvent.change(screen.getByLabelText('Drivers of this kind'), { target: { value: '0' } });
    expect(driverCountOf(kept())).toBe(3);
  });

  it('lists the motors of the shelf in the order of the shortlist, each with what is worst with it', async () => {
    onBench(<Power />, puffin);
    const judged = shortlist(puffin, ofKind('motor'));
    const shown = await rows();
    expect(shown.map((row) => said(row.querySelector('td span')))).toEqual(
      judged.map(({ part }) => part.name),
    );
    for (const [n, { worst, short }] of judged.entries()) {
      if (worst) expect(said(shown[n])).toContain(factorOf(worst));
      if (short > 0) expect(said(shown[n])).toContain(`${short} short of the rule`);
    }
  });

  it('takes a part with one press, and marks it as in the build', async () => {
    onBench(<Power />, puffin);
    const other = shortlist(puffin, ofKind('motor')).find(({ part }) => part.id !== driveOf(puffin).motorId);
    if (!other) throw new Error('the shelf has more than one motor');
    await rows();
    fireEvent.click(screen.getByRole('button', { name: `Take ${other.part.name}` }));
    expect(driveOf(kept()).motorId).toBe(other.part.id);
    expect(kept().parts.some(({ id }) => id === other.part.id)).toBe(true);
    expect(screen.queryByRole('button', { name: `Take ${other.part.name}` })).toBeNull();
    expect(screen.getByText('in the build')).toBeTruthy();
  });

  it('goes over to drivers and batteries', async () => {
    onBench(<Power />, puffin);
    fireEvent.click(screen.getByRole('button', { name: /^Battery/ }));
    expect(await rows()).toHaveLength(ofKind('battery').length);
    expect(said(await partsTable())).toMatch(/V, [\d.]+ Wh, [\d.]+ mΩ, gives [\d.]+ A all day/);
    fireEvent.click(screen.getByRole('button', { name: /^Driver/ }));
    expect(await rows()).toHaveLength(ofKind('driver').length);
    expect(said(await partsTable())).toMatch(/2 channels, \d+ to \d+ V/);
  });

  it('says at which ratio it judges where no stage is laid, and what weighs too much for it', async () => {
    const small = newBuild('Wren');
    const own = { ...small.masses.own.mass, value: 1.2 };
    const light: Build = {
      ...small,
      masses: { ...small.masses, own: { ...small.masses.own, mass: own } },
      drives: changeDrive(small, { stages: [] }).drives,
    };
    onBench(<Power />, light);
    const judged = shortlist(light, ofKind('motor'));
    const shown = await rows();
    const heavy = judged.findIndex((suited) => suited.heavy);
    expect(heavy).toBeGreaterThan(0);
    expect(said(shown[heavy])).toContain('weighs more than a quarter of the vehicle');
    expect(said(shown[0])).not.toContain('weighs more than a quarter');
    const offered = judged.findIndex(({ atRatio }) => atRatio !== undefined);
    expect(said(shown[offered])).toMatch(/at [\d.]+ : 1, its best ratio/);
  });

  it('cautions about lithium only where the battery is lithium', () => {
    const of = (chemistry: string): Part | undefined =>
      shelf.find((part) => part.kind === 'battery' && part.chemistry === chemistry);
    const caution = (part: Part): string => {
      onBench(<Power />, choosePart(puffin, part));
      const words = text();
      cleanup();
      return words;
    };
    const lithium = shelf.find((part) => part.kind === 'battery' && part.chemistry.startsWith('li'));
    if (lithium) expect(caution(lithium)).toMatch(/lithium/i);
    const alkaline = of('alkaline') ?? of('lead-acid') ?? of('nimh');
    if (!alkaline) throw new Error('the shelf has a battery that is not lithium');
    expect(caution(alkaline)).not.toMatch(/never charge a lithium/i);
    expect(caution(alkaline)).toContain('Fuse it close to the battery');
  });

  it('says so where the shelf is empty, and where it cannot be had', async () => {
    answering({ 'GET /api/parts': () => ({ parts: [] }) });
    onBench(<Power />, puffin);
    expect(await screen.findByText('The shelf has no motor yet.')).toBeTruthy();
    cleanup();
    answering({});
    onBench(<Power />, puffin);
    expect((await screen.findByText(/server does not answer/)).getAttribute('role')).toBe('alert');
  });

  it('asks for a motor where none is chosen', () => {
    onBench(<Power />, newBuild('Gull'));
    expect(text()).toContain('Choose a motor: its pull, current and heat on every job follow at once.');
    expect(screen.getByRole('button', { name: /^Motor/ }).textContent).toContain('none chosen');
  });

  it.each(readdirSync('data/builds').map((file) => file.replace('.zubric.json', '')))(
    'is drawn of numbers for %s',
    (name) => {
      onBench(<Power />, demo(name));
      const chart = screen.getByRole('img', { name: /^Pull at the ground/ });
      expect(chart.innerHTML).not.toMatch(/NaN|Infinity|undefined/);
    },
  );
});
