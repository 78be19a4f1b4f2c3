import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { answering, Refusal } from '../testing/answers.ts';
import { demo } from '../testing/demo.ts';
import { handedOver, textOf } from '../testing/handed.ts';
import { onBench, text } from '../testing/on-bench.tsx';
import { OutPage } from './OutPage.tsx';

const press = (name: string): void => {
  fireEvent.click(screen.getByRole('button', { name }));
};

describe('what is taken out', () => {
  it('is written in each form at a press, under the name of the build', async () => {
    answering({ 'GET /api/builds/b/trial-sets': () => ({ trialSets: [] }) });
    const files = handedOver();
    onBench(<OutPage />, demo('puffin'));
    for (const [button, name, has] of [
      ['URDF', 'puffin.urdf', '<robot name="puffin">'],
      ['C header', 'puffin.h', '#define WHEEL_DIAMETER_M 0.4f'],
      ['JSON', 'puffin.constants.json', '"COUNTS_PER_M"'],
      ['A line each', 'puffin.txt', 'WHEEL_DIAMETER_M 0.4'],
      ['Markdown', 'puffin.md', '## What it must do'],
    ] as const) {
      press(button);
      await waitFor(() => expect(files.at(-1)?.name).toBe(name));
      expect(await textOf(files.at(-1)?.content)).toContain(has);
    }
  });

  it('shows the numbers of the program before they are taken', () => {
    onBench(<OutPage />, demo('puffin'));
    const row = screen.getByRole('row', { name: /^TRACK_M/ });
    expect(within(row).getByText('0.62')).toBeDefined();
  });

  it('says why where it cannot be written, and lets it be tried again', async () => {
    answering({
      'GET /api/builds/b/trial-sets': () => new Refusal(503, 'The database does not answer.'),
      'GET /api/builds/b/whole': () => new Refusal(503, 'The database does not answer.'),
    });
    handedOver();
    onBench(<OutPage />, demo('puffin'));
    press('Markdown');
    await waitFor(() => expect(text()).toContain('Not written: The database does not answer.'));
    expect(screen.getByRole('button', { name: 'Markdown' }).hasAttribute('disabled')).toBe(false);
  });
});
