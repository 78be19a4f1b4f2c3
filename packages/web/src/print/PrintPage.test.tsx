import { findingsInWords } from '@zubric/core/say';
import { readFileSync, readdirSync } from 'node:fs';
import { assemblyOutlook, cutList, toBuy } from '@zubric/core/assembly';
import { wiringMap } from '@zubric/core/wiring';
import { evaluate, linkDefinition } from '@zubric/core/judge';
import { buildSchema, newBuild, type Build } from '@zubric/core/vehicle';
import { showNumber } from '@zubric/core/quantity';
import { fireEvent, screen, within } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import { today } from '../common/days.ts';
import { Refusal, answering } from '../testing/answers.ts';
import { onPage } from '../testing/on-page.tsx';
import { PrintPage } from './PrintPage.tsx';

const read = (path: string): Build => buildSchema.parse(JSON.parse(readFileSync(path, 'utf8')));
const puffin = read('packages/core/src/testing/puffin.zubric.json');

async function print(document: Build): Promise<HTMLElement> {
  answering({
    'GET /api/builds/b': () => ({ id: 'b', version: 1, updatedAt: '2026-11-20T10:00:00Z', document }),
  });
  onPage(<PrintPage />, '/builds/b/print', '/builds/:buildId/print');
  await screen.findByRole('heading', { level: 1, name: document.name });
  return screen.getByRole('main');
}
const plain = (element: Element | null | undefined): string =>
  (element?.textContent ?? '').replaceAll(/[\u00a0\u202f]/g, ' ');

describe('the sheet', () => {
  it('has every job with its pull, and every margin with its rule and verdict in words', async () => {
    const sheet = await print(puffin);
    const report = evaluate(puffin);
    for (const duty of report.duties) {
      const row = within(sheet).getAllByRole('rowheader', { name: duty.name })[0]?.parentElement;
      expect(plain(row)).toContain(`${showNumber(duty.resistance.totalN)} N`);
    }
    for (const link of report.governing) {
      const { title } = linkDefinition(link.link);
      const row = plain(within(sheet).getByRole('rowheader', { name: title }).parentElement);
      expect(row).toContain(`${showNumber(link.ratio)} × of ${showNumber(link.rule)} ×`);
      expect(row).toContain(link.verdict);
    }
  });

  it('says how grave each finding is, on paper too', async () => {
    const steep = puffin.duties.map((d) => ({ ...d, grade: { ...d.grade, value: 0.5 } }));
    const sheet = await print({ ...puffin, duties: steep });
    const list = within(sheet).getByRole('heading', { name: 'Findings' }).parentElement;
    const items = within(list ?? sheet).getAllByRole('listitem');
    const build = { ...puffin, duties: steep };
    const findings = findingsInWords({ report: evaluate(build), build });
    expect(items).toHaveLength(findings.length);
    for (const [n, { severity, text, within: follows = [] }] of findings.entries()) {
      expect(plain(items[n])).toBe(
        [`${severity}:`, text, ...follows].join(' ').replaceAll(/[\u00a0\u202f]/g, ' '),
      );
    }
  });

  it('has the steps in order, with their cautions and hold points, and the parts with their counts', async () => {
    const sheet = await print(puffin);
    const { steps, lines } = assemblyOutlook(puffin, today());
    const shown = within(sheet)
      .getAllByRole('listitem')
      .filter((item) => item.closest('ol'));
    expect(shown).toHaveLength(steps.length);
    for (const [n, step] of steps.entries()) {
      expect(plain(shown[n])).toContain(`${n + 1}. ${step.title}`);
      if (step.caution !== undefined) expect(plain(shown[n])).toContain(`Caution: ${step.caution}`);
      if (step.holdPoint !== undefined)
        expect(plain(shown[n])).toContain(`Hold until seen: ${step.holdPoint}`);
    }
    for (const line of lines) {
      expect(plain(sheet)).toContain(line.name.replaceAll(/[\u00a0\u202f]/g, ' '));
    }
  });

  it('has what to buy, to cut, to wire and to label, each wire at both ends', async () => {
    const sheet = await print(puffin);
    const { wires } = wiringMap(puffin);
    const labels = within(within(sheet).getByRole('list', { name: 'Labels' })).getAllByRole('listitem');
    expect(labels).toHaveLength(2 * wires.length);
    expect(plain(sheet)).toContain('mirrored: inverted');
    for (const { name, count } of toBuy([puffin]).filter(({ kind }) => kind === 'fastener'))
      expect(plain(sheet)).toContain(`${count} ×${name}`);
    for (const { name } of cutList(puffin)) expect(plain(sheet)).toContain(name);
  });

  it('prints in the units that are chosen', async () => {
    localStorage.setItem('zubric-units', 'imperial');
    const sheet = await print(puffin);
    expect(plain(sheet)).toMatch(/lbf/);
    expect(plain(sheet)).toMatch(/\d lb/);
  });

  it('opens the printer’s dialog when told', async () => {
    const printed = vi.fn();
    vi.stubGlobal('print', printed);
    window.print = printed;
    await print(puffin);
    fireEvent.click(screen.getByRole('button', { name: 'Print this sheet' }));
    expect(printed).toHaveBeenCalledOnce();
  });

  it.each(readdirSync('data/builds'))('is made of numbers for %s', async (file) => {
    const sheet = await print(read(`data/builds/${file}`));
    expect(plain(sheet)).not.toMatch(/NaN|Infinity|undefined|\[object/);
  });

  it('says of an unfinished build what it can', async () => {
    const sheet = await print(newBuild('Gull'));
    expect(plain(sheet)).not.toMatch(/NaN|Infinity|undefined|\[object/);
    expect(plain(sheet)).toContain('What it must do');
  });

  it('says why it cannot be printed', async () => {
    answering({ 'GET /api/builds/b': () => new Refusal(404, 'There is no build of that name.') });
    onPage(<PrintPage />, '/builds/b/print', '/builds/:buildId/print');
    expect(await screen.findByText('This build cannot be printed')).toBeTruthy();
    expect(screen.getByText('There is no build of that name.')).toBeTruthy();
  });
});
