import { CALCULATORS, calculate } from '@zubric/core/calculators';
import { act, fireEvent, screen, within } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import { onPage, where } from '../testing/on-page.tsx';
import { sayKey } from './key-units.ts';
import { SumsPage } from './SumsPage.tsx';
import { outputFields } from './sum-form.ts';

const show = (address: string): void => {
  vi.stubGlobal('fetch', () => Promise.reject(new Error('no server')));
  onPage(<SumsPage />, address, '/sums/:name');
};
const given = (label: string | RegExp): HTMLInputElement =>
  within(screen.getByRole('region', { name: 'Given' })).getByLabelText(label);
const enter = (label: string | RegExp, value: string): void => {
  fireEvent.change(given(label), { target: { value } });
};
const ask = (value: string): void => {
  fireEvent.change(screen.getByLabelText('What do you want to know?'), { target: { value } });
};
const plain = (text: string | null | undefined): string => (text ?? '').replaceAll(/[\u00a0\u202f]/g, ' ');
const found = (): string => plain(screen.getByRole('region', { name: 'Found' }).textContent);
const title = (): string => plain(screen.getByRole('heading', { level: 1 }).textContent);

describe('quick sums', () => {
  it('works a sum as it is typed, keeps it in the address, and goes back to the example', () => {
    show('/sums/grip-force');
    expect(found()).toContain('500 N');
    enter(/^Weight on the driven/, '2000');
    // 0.5 of 2 kN.
    expect(found()).toContain('1 000 N');
    expect(where()).toContain('loadN=2000');
    fireEvent.click(screen.getByRole('button', { name: 'Back to the example' }));
    expect(found()).toContain('500 N');
    expect(where()).not.toContain('loadN');
  });

  it('loses no number that is typed before the address has followed the one before it', () => {
    show('/sums/grip-force');
    act(() => {
      enter(/^Weight on the driven/, '2000');
      enter(/^Friction/, '0.8');
    });
    expect(found()).toContain('1 600 N');
    expect(where()).toContain('loadN=2000');
    expect(where()).toContain('friction=0.8');
    // And the example clears both.
    fireEvent.click(screen.getByRole('button', { name: 'Back to the example' }));
    enter(/^Friction/, '0.6');
    expect(found()).toContain('600 N');
    expect(where()).not.toContain('loadN');
  });

  it('takes an address with numbers in it, in any unit', () => {
    show('/sums/grip-force?loadN=100+kgf&friction=0.6');
    // 980.665 N of load.
    expect(found()).toContain('588.4 N');
  });

  it('says beside the field what is wrong, keeps what was typed, and shows nothing half right', () => {
    show('/sums/grip-force');
    enter(/^Weight on the driven/, 'heavy');
    const field = given(/^Weight on the driven/);
    expect(field.value).toBe('heavy');
    expect(field.getAttribute('aria-invalid')).toBe('true');
    expect(document.getElementById(field.getAttribute('aria-describedby') ?? '')?.textContent).toMatch(/\w/);
    expect(found()).toContain('Mend what is marked on the left.');
    expect(found()).not.toMatch(/\d N/);
  });

  it('says why numbers cannot be, each for itself in order', () => {
    show('/sums/battery-sag');
    enter(/^Power drawn at/, '1e6 W');
    expect(within(screen.getByRole('region', { name: 'Found' })).getByRole('alert').textContent).toMatch(
      /\w{3}/,
    );
  });

  it('says things in imperial units where those are chosen', () => {
    localStorage.setItem('zubric-units', 'imperial');
    show('/sums/grip-force');
    expect(found()).toMatch(/lbf/);
    expect(found()).not.toMatch(/500 N/);
  });

  it('finds a question by its words, in any case', () => {
    show('/sums/grip-force');
    const list = within(screen.getByRole('navigation', { name: 'Questions' }));
    const all = list.getAllByRole('link').length;
    ask('CHAIN');
    const some = list.getAllByRole('link').length;
    expect(some).toBeGreaterThan(0);
    expect(some).toBeLessThan(all);
    ask('qqqq');
    expect(list.queryAllByRole('link')).toHaveLength(0);
    expect(list.getByText('No question has these words.')).toBeTruthy();
  });

  it('says that there is no sum of a name that none has', () => {
    show('/sums/perpetual-motion');
    expect(title()).toBe('There is no sum of that name');
  });

  it('gives a list with its unit, and finds it by what people call it', () => {
    show('/sums/magnet-ring');
    expect(found()).toContain('0°, 45°, 90°, 135°');
    ask('how far');
    const [first] = within(screen.getByRole('navigation', { name: 'Questions' })).getAllByRole('link');
    expect(first?.getAttribute('href')).toMatch(/(travel|encoder)-counts|route-time|run-time/);
  });

  it('takes rows, and shows a pairing as pairs', () => {
    show('/sums/match-motors');
    const rows = screen.getAllByRole('textbox').find((box) => box.tagName === 'TEXTAREA');
    if (!rows) throw new Error('motors are typed as rows');
    expect(plain(screen.getByRole('region', { name: 'Found' }).textContent)).toMatch(/ with .*% apart/);
  });

  // Between landings one of four: all of them open alike.
  const opened = CALCULATORS.filter((_, at) => !process.env.ZUBRIC_DAILY || at % 4 === 0);
  it.each(opened.map((calculator) => [calculator.name, calculator] as const))(
    '%s opens on its example, each number with its unit',
    (name, calculator) => {
      show(`/sums/${name}`);
      const [example] = calculator.examples;
      const output = calculate(name, example?.input ?? {}) as Readonly<Record<string, unknown>>;
      for (const field of outputFields(calculator)) {
        const value = output[field.key];
        if (typeof value === 'number') expect(found()).toContain(plain(sayKey(value, field.unit, 'metric')));
      }
      expect(found()).not.toMatch(/NaN|Infinity|undefined|\[object/);
      expect(title()).toBe(calculator.title);
    },
  );
});
