import { readFileSync } from 'node:fs';
import { compareMargins, evaluate } from '@zubric/core/judge';
import { buildSchema, type Build } from '@zubric/core/vehicle';
import { showNumber } from '@zubric/core/quantity';
import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import type { LogEntry, SnapshotLine } from '@zubric/core/answers';
import { Refusal, answering, type SeenRequest } from '../../testing/answers.ts';
import { kept, onBench, text } from '../../testing/on-bench.tsx';
import { drawsPictures } from '../../testing/pictures.ts';
import { Logbook } from './Logbook.tsx';

const puffin = buildSchema.parse(
  JSON.parse(readFileSync('packages/core/src/testing/puffin.zubric.json', 'utf8')),
);
const lighter: Build = {
  ...puffin,
  masses: {
    ...puffin.masses,
    payload: { ...puffin.masses.payload, mass: { ...puffin.masses.payload.mass, value: 60 } },
  },
};
const entry = (more: Partial<LogEntry>): LogEntry => ({
  id: 'e1',
  kind: 'change',
  title: '',
  note: '',
  changes: [],
  margins: [],
  snapshotNumber: null,
  begunAt: '2026-11-20T10:05:00Z',
  endedAt: '2026-11-20T10:05:00Z',
  photos: [],
  ...more,
});

/** A logbook that takes notes and snapshots; snapshot 1 is the build with half the payload. */
function serving(first: readonly LogEntry[], more: Parameters<typeof answering>[0] = {}): SeenRequest[] {
  let entries = [...first];
  const snapshots: SnapshotLine[] = [{ number: 1, name: 'Half the load', createdAt: '2026-11-19T09:00:00Z' }];
  return answering({
    'GET /api/builds/b/log': () => ({ entries, next: null }),
    'GET /api/builds/b/snapshots': () => ({ snapshots }),
    'GET /api/builds/b/snapshots/*': (_, [number]) => ({
      ...snapshots[Number(number) - 1],
      document: lighter,
    }),
    'POST /api/builds/b/snapshots': ({ body }) => {
      const made = {
        number: snapshots.length + 1,
        createdAt: '2026-11-21T09:00:00Z',
        ...(body as { name: string }),
      };
      snapshots.push(made);
      return made;
    },
    'PUT /api/builds/b/snapshots/*': ({ body }, [number]) => {
      const at = Number(number) - 1;
      snapshots[at] = { ...(snapshots[at] as SnapshotLine), ...(body as { name: string }) };
    },
    'POST /api/builds/b/log': ({ body }) => {
      const made = entry({ id: 'mine', kind: 'note', ...(body as { note: string }) });
      entries = [made, ...entries];
      return made;
    },
    'PUT /api/log/*': ({ body }, [id]) => {
      entries = entries.map((e) => (e.id === id ? { ...e, ...(body as { note: string }) } : e));
    },
    'DELETE /api/log/*': (_, [id]) => {
      entries = entries.filter((e) => e.id !== id);
    },
    ...more,
  });
}

const press = (name: string | RegExp): void => {
  fireEvent.click(screen.getByRole('button', { name }));
};
const write = (label: string, value: string): void => {
  fireEvent.change(screen.getByLabelText(label), { target: { value } });
};

describe('the logbook', () => {
  it('tells each change with what it moved, day by day, the latest day first', async () => {
    serving([
      entry({
        id: 'e2',
        begunAt: '2026-11-21T12:00:00Z',
        changes: ['Chain, stage 1, driver teeth: 14 → 10'],
        margins: ['wheel torque 0.9 → 1.26 × its need, still short', 'grip 1.2 → 1.3 × its need'],
      }),
      entry({ kind: 'begun', title: 'Begun as a blank build' }),
    ]);
    onBench(<Logbook />, puffin);
    await screen.findByText('Chain, stage 1, driver teeth: 14 → 10');
    // What came to another verdict stands there; the rest at a press.
    expect(text()).toContain('wheel torque 0.9 → 1.26 × its need, still short');
    expect(text()).not.toContain('grip 1.2 → 1.3 × its need');
    fireEvent.click(screen.getByRole('button', { name: '1 more moved, with the same verdict' }));
    expect(text()).toContain('grip 1.2 → 1.3 × its need');
    const days = screen.getAllByRole('heading', { level: 2 }).map((h) => h.textContent);
    expect(days.slice(0, 2)).toEqual(['Sat, 21 Nov 2026', 'Fri, 20 Nov 2026']);
  });

  it('takes a note, keeps a half written one through a reload, and asks for words first', async () => {
    const asked = serving([]);
    onBench(<Logbook />, puffin);
    await screen.findByText(/Nothing is noted yet/);
    press('Add the note');
    expect(await screen.findByText('Write something first.')).toBeTruthy();
    write('What did you see, try or decide?', 'The left wheel rubs');
    cleanup();
    onBench(<Logbook />, puffin);
    const field = screen.getByLabelText('What did you see, try or decide?') as HTMLTextAreaElement;
    expect(field.value).toBe('The left wheel rubs');
    press('Add the note');
    await waitFor(() => expect(field.value).toBe(''));
    expect(asked.find(({ method }) => method === 'POST')?.body).toMatchObject({
      note: 'The left wheel rubs',
    });
    expect(await screen.findByText('The left wheel rubs')).toBeTruthy();
    // Once it is noted nothing half written is left.
    cleanup();
    onBench(<Logbook />, puffin);
    expect((screen.getByLabelText('What did you see, try or decide?') as HTMLTextAreaElement).value).toBe('');
  });

  it('keeps a note here while the server is away, and says so', async () => {
    serving([], { 'POST /api/builds/b/log': () => new Refusal(503, 'The database is away for a moment.') });
    onBench(<Logbook />, puffin);
    write('What did you see, try or decide?', 'Chain was loose');
    press('Add the note');
    expect(await screen.findByText(/Kept here; it is sent when the server answers again/)).toBeTruthy();
    const field = screen.getByLabelText('What did you see, try or decide?') as HTMLTextAreaElement;
    await waitFor(() => expect(field.value).toBe(''));
  });

  it('keeps the words of a note that the server will not have', async () => {
    serving([], { 'POST /api/builds/b/log': () => new Refusal(422, 'It is too long.') });
    onBench(<Logbook />, puffin);
    write('What did you see, try or decide?', 'Chain was loose');
    press('Add the note');
    expect(await screen.findByText('It is too long.')).toBeTruthy();
    const field = screen.getByLabelText('What did you see, try or decide?') as HTMLTextAreaElement;
    expect(field.value).toBe('Chain was loose');
  });

  it('takes a reason for a change, and throws away only notes of the builder’s own', async () => {
    const asked = serving([
      entry({ changes: ['Grade, Slip: 8° → 9°'] }),
      entry({ id: 'n', kind: 'note', note: 'Measured again' }),
    ]);
    onBench(<Logbook />, puffin);
    await screen.findByText('Measured again');
    press('note why');
    write('Note with this entry', 'The gauge says nine');
    press('Keep');
    expect(await screen.findByText('The gauge says nine')).toBeTruthy();
    expect(asked.find(({ method }) => method === 'PUT')?.path).toBe('/api/log/e1');
    // A change cannot be thrown away, a note can.
    expect(screen.getAllByRole('button', { name: 'throw the note away' })).toHaveLength(1);
    press('throw the note away');
    await waitFor(() => expect(screen.queryByText('Measured again')).toBeNull());
  });

  it('leaves a note as it was when told so', async () => {
    const asked = serving([entry({ id: 'n', kind: 'note', note: 'Measured again' })]);
    onBench(<Logbook />, puffin);
    await screen.findByText('Measured again');
    press('change the note');
    write('Note with this entry', 'Something else');
    press('Leave as it was');
    expect(screen.getByText('Measured again')).toBeTruthy();
    expect(asked.some(({ method }) => method === 'PUT')).toBe(false);
  });

  it('keeps a photograph with an entry, what it shows, and takes it away again', async () => {
    const { sizes } = drawsPictures(4000, 2000);
    const photo = { id: 'p1', caption: '', createdAt: '2026-11-20T10:06:00Z' };
    const asked = serving([entry({ kind: 'note', note: 'The hub.', photos: [photo] })], {
      'POST /api/log/e1/photos': () => ({}),
      'PUT /api/log/e1/photos/*': () => ({}),
      'PUT /api/photos/p1': () => undefined,
      'DELETE /api/photos/p1': () => undefined,
    });
    onBench(<Logbook />, puffin);
    const picture = await screen.findByRole('img', { name: 'Photograph without a caption, open it whole' });
    expect(picture.getAttribute('src')).toBe('/api/photos/p1');
    const caption = screen.getByLabelText('Caption');
    fireEvent.blur(caption);
    fireEvent.change(caption, { target: { value: 'Left hub, keyed' } });
    fireEvent.blur(caption);
    await waitFor(() =>
      expect(asked.filter(({ path }) => path === '/api/photos/p1').map(({ body }) => body)).toEqual([
        { caption: 'Left hub, keyed' },
      ]),
    );
    fireEvent.click(screen.getByRole('button', { name: 'Remove' }));
    await waitFor(() =>
      expect(asked.filter(({ path }) => path === '/api/photos/p1').at(-1)?.method).toBe('DELETE'),
    );
    const file = screen.getByLabelText('Photograph for this entry');
    fireEvent.change(file, { target: { files: [new File(['x'], 'hub.jpg', { type: 'image/jpeg' })] } });
    await waitFor(() =>
      expect(asked.some(({ path }) => path.includes('/photos') && !path.endsWith('/p1'))).toBe(true),
    );
    expect(sizes).toEqual([[2000, 1000]]);
  });

  it('says where a photograph cannot be read', async () => {
    vi.stubGlobal('createImageBitmap', () => Promise.reject(new Error('odd')));
    serving([entry({ kind: 'note', note: 'The hub.' })]);
    onBench(<Logbook />, puffin);
    const file = await screen.findByLabelText('Photograph for this entry');
    fireEvent.change(file, { target: { files: [new File(['x'], 'hub.txt')] } });
    expect((await screen.findByRole('alert')).textContent).toContain('Choose a JPEG, PNG or WebP file.');
  });

  it('calls a snapshot otherwise, or leaves it', async () => {
    const asked = serving([]);
    onBench(<Logbook />, puffin);
    await screen.findByText(/Half the load/);
    press('Rename snapshot 1');
    write('Name of snapshot 1', ' ');
    press('Keep the name');
    expect(await screen.findByText('Give the snapshot a name first.')).toBeTruthy();
    press('Leave as it was');
    expect(text()).toContain('1: Half the load');
    press('Rename snapshot 1');
    expect(screen.getByLabelText<HTMLInputElement>('Name of snapshot 1').value).toBe('Half the load');
    write('Name of snapshot 1', 'Light');
    press('Keep the name');
    expect(await screen.findByText(/Light/)).toBeTruthy();
    expect(screen.queryByLabelText('Name of snapshot 1')).toBeNull();
    expect(asked.filter(({ method }) => method === 'PUT')).toMatchObject([
      { path: '/api/builds/b/snapshots/1', body: { name: 'Light' } },
    ]);
  });

  it('takes a named snapshot', async () => {
    const asked = serving([]);
    onBench(<Logbook />, puffin);
    await screen.findByText(/Half the load/);
    press('Take it');
    expect(await screen.findByText('Give the snapshot a name first.')).toBeTruthy();
    write('Name of a snapshot', 'Before the hub');
    press('Take it');
    expect(await screen.findByText('Snapshot 2 is taken.')).toBeTruthy();
    expect(asked.find(({ method }) => method === 'POST')?.body).toEqual({ name: 'Before the hub' });
  });

  it('goes back to a snapshot, and keeps what was before as one of its own', async () => {
    serving([]);
    onBench(<Logbook />, puffin);
    await screen.findByText(/Half the load/);
    press('Go back to snapshot 1');
    await waitFor(() => expect(kept().masses.payload.mass.value).toBe(60));
    expect(await screen.findByText(/What it was before is kept as 2; undo leads there too\./)).toBeTruthy();
    expect(await screen.findByText(/Before going back to 1: Half the load/)).toBeTruthy();
  });

  it('compares a snapshot with now: what differs, and which margins moved which way', async () => {
    serving([]);
    onBench(<Logbook />, puffin);
    await screen.findByText(/Half the load/);
    press('Compare snapshot 1 with now');
    const table = await screen.findByRole('table', { name: 'What it did to the margins' });
    expect(text()).toContain('One thing differs');
    expect(within(screen.getByRole('table', { name: 'One thing differs' })).getByText(/^60/)).toBeTruthy();
    const margins = compareMargins(evaluate(lighter), evaluate(puffin));
    for (const { title, before, after, moved } of margins) {
      const row = within(table).getByRole('rowheader', { name: title }).parentElement;
      const words = row?.textContent.replaceAll('\u00a0', ' ') ?? '';
      expect(words).toContain(before ? `${showNumber(before.ratio)} × ${before.verdict}` : 'none');
      expect(words).toContain(after ? `${showNumber(after.ratio)} × ${after.verdict}` : 'none');
      if (!moved) expect(words).toContain('as it was');
    }
    // Twice the payload leaves less torque.
    const torque = within(table).getByRole('row', { name: /^Wheel torque / });
    expect(torque.textContent).toContain('▼ worse');
    fireEvent.change(screen.getByLabelText('From'), { target: { value: 'now' } });
    expect(await screen.findByText('They are the same.')).toBeTruthy();
    press('Close');
    expect(screen.queryByText('They are the same.')).toBeNull();
  });

  it('says what the server said where the logbook cannot be opened', async () => {
    answering({
      'GET /api/builds/b/log': () => new Refusal(404, 'There is no build of that name.'),
      'GET /api/builds/b/snapshots': () => ({ snapshots: [] }),
    });
    onBench(<Logbook />, puffin);
    expect((await screen.findByRole('alert')).textContent).toBe('There is no build of that name.');
    expect(text()).toContain('None yet. Take one before you try something.');
  });

  it('shows the first page, and earlier entries when they are asked for', async () => {
    const pages: Record<string, readonly LogEntry[]> = {
      '': [entry({ id: 'late', changes: ['Late change'] })],
      '17': [entry({ id: 'early', begunAt: '2026-11-01T10:00:00Z', changes: ['Early change'] })],
    };
    serving([], {
      'GET /api/builds/b/log': () => ({ entries: pages[''], next: '17' }),
      'GET /api/builds/b/log\\?before=*': (_, [before = '']) => ({ entries: pages[before], next: null }),
    });
    onBench(<Logbook />, puffin);
    await screen.findByText('Late change');
    expect(screen.queryByText('Early change')).toBeNull();
    press('Earlier entries');
    await screen.findByText('Early change');
    expect(screen.getByText('Late change')).toBeTruthy();
    expect(screen.queryByRole('button', { name: 'Earlier entries' })).toBeNull();
  });
});
