import { PROTOCOL_NAMES, protocolOf, readingFields, usualConditions } from '@zubric/core/protocols';
import { screen, within } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { demo } from '../testing/demo.ts';
import { onBench, text } from '../testing/on-bench.tsx';
import { TrialForm } from './TrialForm.tsx';

const puffin = demo('puffin');
const heads = (): string[] =>
  within(screen.getByRole('table'))
    .getAllByRole('columnheader')
    .map(({ textContent }) => textContent.replaceAll('\u00a0', ' '));

describe('a form to fill in by hand', () => {
  it.each(PROTOCOL_NAMES)(
    'of %s has a column for each reading, rows for its runs, and its cautions',
    (protocol) => {
      onBench(<TrialForm build={puffin} protocol={protocol} />, puffin);
      const { title, cautions, aids, runs } = protocolOf(protocol);
      const fields = readingFields(protocol, usualConditions(protocol, puffin));
      expect(text()).toContain(`Puffin: ${title.toLowerCase()}`);
      expect(heads()).toHaveLength(fields.length + 2);
      for (const [n, { title: reading }] of fields.entries()) expect(heads()[n + 1]).toContain(reading);
      const rows = within(screen.getByRole('table')).getAllByRole('row');
      expect(rows).toHaveLength(1 + Math.min(20, Math.max(runs, 5)));
      for (const said of [...cautions, ...aids]) expect(text()).toContain(said.replaceAll('\u00a0', ' '));
      for (const blank of ['Date', 'Floor', 'Battery before, V', 'By'])
        expect(text()).toContain(`${blank} ____`);
    },
  );

  it('names the unit of each column, and the side that is negative', () => {
    onBench(<TrialForm build={puffin} protocol="straight-run" />, puffin);
    expect(heads().some((head) => /, mm \(left −\)$/.test(head))).toBe(true);
  });

  it('has a target to scale where a run ends on the floor: 160 mm from end to end, every 5 mm', () => {
    onBench(<TrialForm build={puffin} protocol="straight-run" />, puffin);
    const target = screen.getByRole('img', { name: /^A target to scale/ });
    expect(target.getAttribute('width')).toBe('170mm');
    expect(target.getAttribute('viewBox')?.split(' ').slice(0, 3)).toEqual(['-85', '0', '170']);
    const places = [...target.querySelectorAll('g path')].map((tick) =>
      Number(/^M(-?\d+)/.exec(tick.getAttribute('d') ?? '')?.[1]),
    );
    expect(places).toEqual(Array.from({ length: 33 }, (_, n) => 5 * n - 80));
    expect(text()).toContain('measure 160 mm from end to end before you trust it');
  });

  it('has a circle with degrees where it turns on the spot', () => {
    onBench(<TrialForm build={puffin} protocol="pivots" />, puffin);
    const circle = screen.getByRole('img', { name: 'A circle with degrees' });
    const turned = [...circle.querySelectorAll('g')].map((g) => g.getAttribute('transform'));
    expect(turned).toHaveLength(72);
    expect(turned.slice(0, 3)).toEqual(['rotate(0)', 'rotate(5)', 'rotate(10)']);
    expect([...circle.querySelectorAll('text')].map(({ textContent }) => Number(textContent))).toEqual(
      Array.from({ length: 12 }, (_, n) => 30 * n),
    );
  });
});
