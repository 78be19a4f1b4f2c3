import { typed, type Quantity } from '@zubric/core/quantity';
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { useState } from 'react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { UnitsProvider } from '../common/units.tsx';
import { aboveZero } from './checks.ts';
import { QuantityEntry } from './QuantityField.tsx';

const taken = vi.fn();
const problem = vi.fn();

interface HarnessProps {
  readonly start: Quantity;
  readonly dimension?: 'mass' | 'force' | 'torque' | 'length';
}

function Harness({ start, dimension = 'mass' }: HarnessProps) {
  const [value, setValue] = useState(start);
  return (
    <UnitsProvider>
      <QuantityEntry
        id="mass"
        label="Mass"
        dimension={dimension}
        value={value}
        check={aboveZero}
        onUnread={problem}
        onChange={(quantity) => {
          taken(quantity);
          setValue(quantity);
        }}
      />
    </UnitsProvider>
  );
}

const field = (): HTMLInputElement => screen.getByLabelText('Mass');
const type = (text: string) => fireEvent.change(field(), { target: { value: text } });

describe('a quantity field', () => {
  afterEach(() => {
    vi.clearAllMocks();
  });

  it('hands on every readable entry and leaves the text alone while it is typed', () => {
    render(<Harness start={typed(58, 'kg')} />);
    expect(field().value).toBe('58 kg');
    type('12 lb');
    expect(field().value).toBe('12 lb');
    expect(taken).toHaveBeenLastCalledWith({ value: 12 * 0.45359237, unit: 'lb', origin: 'typed' });
    fireEvent.blur(field());
    expect(field().value).toBe('5.443 kg');
  });

  it('takes a mass where a force or a torque is asked as its weight, and says so until the next entry', () => {
    const said = (): string => screen.getByRole('status').textContent.replaceAll('\u00a0', ' ');
    render(<Harness start={typed(100, 'N')} dimension="force" />);
    type('40 kg');
    expect(taken).toHaveBeenLastCalledWith({ value: 40 * 9.80665, unit: 'N', origin: 'typed' });
    expect(said()).toBe('Taken as the weight of that mass, 392 N.');
    type('390 N');
    expect(screen.queryByRole('status')).toBeNull();
    cleanup();
    render(<Harness start={typed(1, 'N·m')} dimension="torque" />);
    type('25 kg');
    expect(said()).toMatch(/^Taken as kg·cm: .*2\.45 N·m\.$/);
  });

  it('keeps an unreadable entry, says what would be understood, and hands nothing on', () => {
    render(<Harness start={typed(58, 'kg')} />);
    type('58 kx');
    expect(taken).not.toHaveBeenCalled();
    expect(problem).toHaveBeenLastCalledWith(expect.any(String));
    expect(screen.getByRole('alert').textContent).toContain('not a unit of mass');
    fireEvent.blur(field());
    expect(field().value).toBe('58 kx');
    expect(field().getAttribute('aria-invalid')).toBe('true');
    type('59 kg');
    expect(problem).toHaveBeenLastCalledWith(undefined);
    expect(screen.queryByRole('alert')).toBeNull();
  });

  it('says a limit instead of clamping', () => {
    render(<Harness start={typed(58, 'kg')} />);
    type('-3 kg');
    expect(taken).not.toHaveBeenCalled();
    expect(screen.getByRole('alert').textContent).toContain('more than 0');
  });

  it('asks which is meant where an entry has two meanings', () => {
    render(<Harness start={typed(58, 'kg')} />);
    type('1,200');
    expect(taken).not.toHaveBeenCalled();
    fireEvent.click(screen.getByRole('button', { name: '1200' }));
    expect(taken).toHaveBeenLastCalledWith({ value: 1200, unit: 'kg', origin: 'typed' });
  });

  it('keeps a spread', () => {
    render(<Harness start={{ ...typed(120, 'kg'), spread: 10 }} />);
    expect(field().value).toBe('120 ± 10 kg');
    type('100 ± 5');
    expect(taken).toHaveBeenLastCalledWith({ value: 100, spread: 5, unit: 'kg', origin: 'typed' });
  });

  it('steps with the arrow keys in the unit shown, ten at once with Shift, and never past a limit', () => {
    render(<Harness start={typed(2, 'kg')} />);
    const press = (key: string, shiftKey = false) => fireEvent.keyDown(field(), { key, shiftKey });
    press('ArrowUp');
    expect(taken).toHaveBeenLastCalledWith({ value: 2.05, unit: 'kg', origin: 'typed' });
    press('ArrowDown');
    press('ArrowDown');
    expect(field().value).toBe('1.95 kg');
    press('ArrowUp', true);
    expect(field().value).toBe('2.14 kg');
    for (let n = 0; n < 300; n++) press('ArrowDown', true);
    expect(field().value).toBe('0.01 kg');
  });

  it('takes a bare number in the unit that stood there when typing began, however its size goes on', () => {
    render(<Harness start={typed(1.2, 'mm')} dimension="length" />);
    expect(field().value).toBe('1200 mm');
    for (const text of ['1', '15', '150', '1500']) type(text);
    expect(taken).toHaveBeenLastCalledWith({ value: 1.5, unit: 'mm', origin: 'typed' });
    fireEvent.blur(field());
    expect(field().value).toBe('1500 mm');
    cleanup();
    localStorage.setItem('zubric-units', 'imperial');
    render(<Harness start={typed(0, 'mm')} dimension="length" />);
    expect(field().value).toBe('0 in');
    type('40');
    expect(taken.mock.lastCall?.[0]).toMatchObject({ unit: 'in' });
    expect((taken.mock.lastCall?.[0] as Quantity | undefined)?.value).toBeCloseTo(1.016, 9);
  });

  it('goes back to the last readable value with Escape', () => {
    render(<Harness start={typed(58, 'kg')} />);
    type('58 kx');
    fireEvent.keyDown(field(), { key: 'Escape' });
    expect(field().value).toBe('58 kg');
    expect(screen.queryByRole('alert')).toBeNull();
    expect(problem).toHaveBeenLastCalledWith(undefined);
  });

  it('works out a sum while it is typed', () => {
    render(<Harness start={typed(58, 'kg')} />);
    type('4 × 1.5 kg + 12 kg');
    expect(taken).toHaveBeenLastCalledWith({ value: 18, unit: 'kg', origin: 'typed' });
    fireEvent.blur(field());
    expect(field().value).toBe('18 kg');
  });

  it('asks of a number far from what a shed has whether it is meant, and takes it all the same', () => {
    render(<Harness start={typed(60, 'kg')} />);
    const remark = (): string | undefined =>
      screen.queryByRole('status')?.textContent?.replaceAll('\u00a0', ' ');
    expect(remark()).toBeUndefined();
    type('20000 kg');
    expect(remark()).toMatch(/^20[  ]?000 kg: is that meant\?$/);
    expect(field().getAttribute('aria-invalid')).toBe('false');
    expect(field().getAttribute('aria-describedby')).toBe(screen.getByRole('status').id);
    expect(taken).toHaveBeenLastCalledWith(expect.objectContaining({ value: 20_000 }));
    type('80 kg');
    expect(remark()).toBeUndefined();
    // What nobody typed is not asked about.
    cleanup();
    render(<Harness start={{ ...typed(20_000, 'kg'), origin: 'assumed' }} />);
    expect(remark()).toBeUndefined();
  });

  it('refuses what is beyond what is reckoned with, and says up to where it goes', () => {
    render(<Harness start={typed(60, 'kg')} />);
    type('1e9 kg');
    expect(screen.getByRole('alert').textContent).toMatch(/^This is reckoned with up to 1.000.000.kg\.$/);
    expect(taken).not.toHaveBeenCalled();
    expect(field().value).toBe('1e9 kg');
    expect(problem).toHaveBeenLastCalledWith(expect.any(String));
    type('1e-9 kg');
    expect(screen.getByRole('alert').textContent).toMatch(/^This is reckoned with from .* on; or type 0\.$/);
    expect(taken).not.toHaveBeenCalled();
  });

  it('says of a number that was saved beyond that what it was and where it stands, until it is changed', () => {
    render(<Harness start={{ ...typed(1e6, 'kg'), beyond: 1e9 }} />);
    const words = screen.getByRole('status').textContent?.replaceAll(/[\u00a0\u202f]/g, ' ');
    expect(words).toMatch(
      /^Saved as .*: beyond what is reckoned with\. It stands at .* until you change it\.$/,
    );
    type('70 kg');
    expect(screen.queryByRole('status')).toBeNull();
    expect(taken).toHaveBeenLastCalledWith({ value: 70, unit: 'kg', origin: 'typed' });
  });
});
