import { fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { answering, Refusal } from '../testing/answers.ts';
import { record } from './outbox.ts';
import { Unsent } from './Unsent.tsx';

const note = (noteId: string) => ({ kind: 'note', noteId, note: 'It hums.' }) as const;
const mark = () => screen.findByRole('button', { name: /^\d+ (not sent yet|cannot be sent)/ });
const opened = async () => {
  fireEvent.click(await mark());
  return within(await screen.findByRole('dialog'));
};

describe('what is recorded here and not sent yet', () => {
  it('is not spoken of where there is none', () => {
    render(<Unsent />);
    expect(document.body.textContent).toBe('');
  });

  it('is counted while the server is away, listed by what it is, and sent when told', async () => {
    const asked = answering({});
    render(<Unsent />);
    await record('b', note('one'));
    await record('b', { kind: 'step', stepId: 'frame', doneOn: '2026-12-01' });
    expect((await mark()).textContent).toBe('2 not sent yet');
    const list = await opened();
    expect(list.getAllByRole('listitem').map(({ textContent }) => textContent.split(',')[0])).toEqual([
      'A note',
      'A step marked',
    ]);
    expect(list.queryByRole('button', { name: 'Let it go' })).toBeNull();
    answering({
      'POST /api/builds/b/log': ({ body }) => body,
      'PUT /api/builds/b/steps/frame': () => ({}),
    });
    fireEvent.click(list.getByRole('button', { name: 'Send now' }));
    await waitFor(() => expect(screen.queryByRole('button', { name: /^\d+ not sent yet/ })).toBeNull());
    expect(asked.map(({ path }) => path)).toContain('/api/builds/b/log');
  });

  it('says why the server will not have one, and lets it go when told', async () => {
    let away = true;
    answering({
      'POST /api/builds/b/log': () => (away ? new Refusal(503, 'away') : new Refusal(422, 'It is too long.')),
    });
    render(<Unsent />);
    await record('b', note('two'));
    const list = await opened();
    away = false;
    fireEvent.click(list.getByRole('button', { name: 'Send now' }));
    await waitFor(() =>
      expect(list.getByRole('listitem').textContent).toContain(
        'The server will not have it: It is too long.',
      ),
    );
    expect((await mark()).textContent).toBe('1 cannot be sent');
    fireEvent.click(list.getByRole('button', { name: 'Let it go' }));
    await waitFor(() => expect(document.querySelector('[role="dialog"]')).toBeNull());
  });
});
