import { cleanup, fireEvent, screen } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { answering } from '../testing/answers.ts';
import { onPage } from '../testing/on-page.tsx';
import { StateNotices } from './StateNotices.tsx';

const MEGABYTE = 2 ** 20;
const state = (freeMb: number, notices: readonly string[] = []) => ({
  disk: { freeBytes: freeMb * MEGABYTE, low: freeMb < 200, full: freeMb < 12 },
  notices,
});

const show = (answer: unknown): void => {
  answering({ 'GET /api/state': () => answer });
  onPage(
    <>
      <p>the page</p>
      <StateNotices />
    </>,
    '/',
  );
};

describe('what must be known of the installation', () => {
  it('is told before the disk is full, and as an alarm once it is', async () => {
    show(state(64));
    expect((await screen.findByText(/nearly full/)).textContent).toContain('64 MB left');
    expect(screen.queryByRole('alert')).toBeNull();
    cleanup();
    show(state(3));
    const alarm = await screen.findByRole('alert');
    expect(alarm.textContent).toContain('The disk is full (3 MB left)');
    expect(alarm.textContent).toContain('kept in this browser');
  });

  it('is nothing while there is room, or where nothing can be told of the disk', async () => {
    show(state(5000, ['Something was set aside.']));
    await screen.findByText('Something was set aside.');
    expect(screen.queryByText(/full/)).toBeNull();
    cleanup();
    show({ disk: null, notices: ['Something was set aside.'] });
    await screen.findByText('Something was set aside.');
    expect(screen.queryByText(/full/)).toBeNull();
  });

  it('goes once it is seen', async () => {
    show(state(5000, ['Something was set aside.']));
    await screen.findByText('Something was set aside.');
    fireEvent.click(screen.getByRole('button', { name: 'Seen' }));
    expect(screen.queryByText('Something was set aside.')).toBeNull();
    // What comes after it is told again, in this window and after it is loaded again.
    cleanup();
    show(state(5000, ['Something was set aside.', 'The server runs again.']));
    await screen.findByText('The server runs again.');
    expect(screen.queryByText('Something was set aside.')).toBeNull();
  });
});
