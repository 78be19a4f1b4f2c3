import { whatIf, type Span } from '@zubric/core/sensitivity';
import { numbersOf, type NumberAt } from '@zubric/core/vehicle';
import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { demo } from '../testing/demo.ts';
import { onBench, text } from '../testing/on-bench.tsx';
import { workerHere } from '../testing/worker-here.ts';
import { benchWork } from '../workers/bench-work.ts';
import { WhatIfPage } from './WhatIfPage.tsx';

const puffin = demo('puffin');
const asked: { readonly number: NumberAt; readonly span: Span }[] = [];
/** The work of the bench, in fewer steps. */
const quick: typeof benchWork = {
  ...benchWork,
  whatIf: (build, number, span) => {
    asked.push({ number, span });
    return whatIf(build, number, { span, steps: 8 });
  },
};
const drawn = (name: RegExp) => screen.findByRole('img', { name }, { timeout: 20_000 });

describe('what another number would come to', () => {
  beforeEach(() => {
    asked.length = 0;
    vi.stubGlobal('Worker', workerHere(quick));
    vi.stubGlobal(
      'ResizeObserver',
      class {
        observe() {}
        unobserve() {}
        disconnect() {}
      },
    );
  });

  it('is told of the payload first: how far it may go, and what gives first', async () => {
    onBench(<WhatIfPage />, puffin);
    await drawn(/over Payload, mass/);
    expect(text()).toMatch(/Payload, mass is 120\skg now\./);
    expect(text()).toMatch(/Above 121\skg wheel torque on “Start on the slip” falls short\./);
    const more = within(screen.getByRole('region', { name: /If it were more than 120\skg/ }));
    const [first] = more.getAllByRole('listitem');
    expect(first?.textContent).toMatch(/^121\skgWheel torque on “Start on the slip” is short of its rule/);
    // 97 kg only makes it tight: that is listed once all are asked for.
    const less = screen.getByRole('region', { name: /If it were less/ });
    expect(within(less).queryAllByRole('listitem')).toHaveLength(0);
    fireEvent.click(screen.getByRole('checkbox', { name: /List every turn/ }));
    expect(within(less).getAllByRole('listitem')[0]?.textContent).toMatch(/^112\skg/);
  });

  it('is drawn for the margin that is pressed', async () => {
    onBench(<WhatIfPage />, puffin);
    await drawn(/Wheel torque on “Start on the slip” over/);
    fireEvent.click(
      screen.getAllByRole('button', { name: 'Driver current on “Start on the slip”' })[0] as HTMLElement,
    );
    await drawn(/Driver current on “Start on the slip” over/);
    const shown = screen.getByRole('combobox', { name: /Margin shown/ });
    expect((shown as HTMLSelectElement).selectedOptions[0]?.textContent).toBe(
      'Driver current on “Start on the slip”',
    );
  });

  it('is found by words of what the number is called, and looked at between the ends that are typed', async () => {
    onBench(<WhatIfPage />, puffin);
    await drawn(/over Payload/);
    const box = screen.getByRole('combobox', { name: 'Which number?' });
    fireEvent.focus(box);
    fireEvent.change(box, { target: { value: 'slip loaded grade' } });
    await screen.findByRole('option', { name: /Slip, loaded, grade/ });
    fireEvent.keyDown(box, { key: 'Enter' });
    await drawn(/over Slip, loaded, grade/);
    const to = screen.getByRole('textbox', { name: 'To' });
    fireEvent.change(to, { target: { value: '12°' } });
    await waitFor(() => expect(asked.at(-1)?.span.most).toBeCloseTo((12 * Math.PI) / 180, 9));
    await waitFor(() => expect(text()).toMatch(/Above 10\.4° wheel torque on “Slip, loaded” falls short/));
  });

  it('has plain ends for what is counted, and says where no number is called so', async () => {
    onBench(<WhatIfPage />, puffin);
    const box = screen.getByRole('combobox', { name: 'Which number?' });
    fireEvent.focus(box);
    fireEvent.change(box, { target: { value: 'colour' } });
    expect(await screen.findByText('No number of this build is called that.')).toBeTruthy();
    fireEvent.change(box, { target: { value: 'driver teeth' } });
    await screen.findByRole('option', { name: /driver teeth/ });
    fireEvent.keyDown(box, { key: 'Enter' });
    await drawn(/over Chain, stage 1, driver teeth/);
    expect(screen.getByRole('spinbutton', { name: 'From' })).toHaveProperty('value', '5');
    expect(numbersOf(puffin).find(({ path }) => path.at(-1) === 'teethDriver')?.value).toBe(10);
  });

  it('waits for a job', () => {
    onBench(<WhatIfPage />, { ...puffin, duties: [] });
    expect(text()).toContain('without a job nothing is judged');
    expect(asked).toEqual([]);
  });
});
