import { writeLine, type MeterLine } from '@zubric/core/bench';
import type { Part } from '@zubric/core/vehicle';
import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import { answering, Refusal, type SeenRequest } from '../testing/answers.ts';
import { text } from '../testing/on-bench.tsx';
import { onPage } from '../testing/on-page.tsx';
import { MeasurePage } from './MeasurePage.tsx';
import { linesOf, type Said } from './meter-lines.ts';

/** Readings of a motor of 0.5 Ω and 0.05 V·s/rad that takes 1 A free. */
const GOOD = '12 1 2196.3\n6 1 1050.4\n12 6 1718.9\n12 10 1336.9\n12 14 954.9\n3 6 0\n3.1 6.2 0';

const field = (label: string, value: string): void => {
  const entry = screen.getByLabelText(label);
  fireEvent.change(entry, { target: { value } });
  fireEvent.blur(entry);
};
const press = (name: string | RegExp): void => {
  fireEvent.click(screen.getByRole('button', { name }));
};
function paste(lines: string): void {
  press('Paste, or a file');
  fireEvent.change(screen.getByRole('textbox', { name: /A reading a line/ }), { target: { value: lines } });
}
const rows = (): number =>
  within(screen.getByRole('table', { name: 'Readings' })).getAllByRole('row').length - 1;

describe('a motor on the bench', () => {
  it('asks for a free shaft first, and says why nothing follows yet', () => {
    onPage(<MeasurePage />, '/shelf/measure');
    expect(screen.getByRole('region', { name: 'What to read next' }).textContent).toMatch(
      /shaft free.*Clamp/s,
    );
    expect(text()).toContain('three readings at least');
  });

  it('follows from pasted readings, and lies on the shelf with them', async () => {
    const asked: SeenRequest[] = answering({
      'POST /api/parts': ({ body }) => ({ ...(body as Part), id: 'own-1' }),
    });
    onPage(<MeasurePage />, '/shelf/measure');
    paste(GOOD);
    press('Take 7 readings');
    expect(rows()).toBe(7);
    const motor = screen.getByRole('region', { name: 'The motor' });
    expect(motor.textContent?.replaceAll('\u00a0', ' ')).toMatch(/Winding.*50\d mΩ|Winding0?\.?50/);
    press('Put it on the shelf with its readings');
    expect(screen.getByRole('alert').textContent).toContain('Give it a name');
    field('Name', 'From the loft');
    press('Put it on the shelf with its readings');
    await screen.findByText(/lies on the shelf/);
    const sent = asked.find(({ method }) => method === 'POST')?.body as Part & {
      kind: 'motor';
      type: 'brushed';
    };
    expect(sent.measured?.readings).toHaveLength(7);
    expect(sent.stallA).toBeCloseTo(24, 0);
    expect(sent.guessed).toHaveProperty('continuousA');
    // What lies on the shelf is no longer on the bench.
    expect(localStorage.getItem('zubric-bench-readings')).toContain('"readings":[]');
  });

  it('keeps what was read through a reload, and tells the line that cannot be read', () => {
    onPage(<MeasurePage />, '/shelf/measure');
    paste(`${GOOD}\n12 oops 3`);
    expect(text()).toContain('Line 8: "oops" is no number');
    press('Take 7 readings');
    cleanup();
    onPage(<MeasurePage />, '/shelf/measure');
    expect(rows()).toBe(7);
    press('Take out reading 1');
    expect(rows()).toBe(6);
    press('Begin anew');
    expect(screen.getByText(/Nothing is read yet/)).toBeTruthy();
  });

  it('takes a reading typed in any unit, and says what is missing', () => {
    onPage(<MeasurePage />, '/shelf/measure');
    field('Voltage', '12 V');
    press('Add the reading');
    expect(screen.getByRole('alert').textContent).toContain('Current is missing');
    field('Current', '740 mA');
    field('Speed', '80 rev/s');
    press('Add the reading');
    expect(rows()).toBe(1);
    expect(text()).toContain('4 800 rpm');
  });

  it('names a reading that no line explains, and leaves it out', () => {
    onPage(<MeasurePage />, '/shelf/measure');
    paste(`${GOOD}\n12 8 3000`);
    press('Take 8 readings');
    expect(screen.getByText(/left out: /)).toBeTruthy();
  });

  it('says that a browser keeps nothing', () => {
    vi.spyOn(Storage.prototype, 'setItem').mockImplementation(() => {
      throw new Error('denied');
    });
    onPage(<MeasurePage />, '/shelf/measure');
    paste(GOOD);
    press('Take 7 readings');
    expect(text()).toContain('on this screen only');
  });

  it('reads a meter, and where it falls silent says so and keeps what it has', async () => {
    const line: MeterLine = { V: 12, A: 1, rpm: 2200 };
    answering({
      'GET /api/meter': () => ({ motors: [], motor: '', voltageV: 0, hold: 0, plugged: true }),
      'PUT /api/meter': ({ body }) => ({
        motors: [],
        motor: '',
        voltageV: 0,
        hold: 0,
        plugged: true,
        ...(body as object),
      }),
    });
    const others = globalThis.fetch;
    let more: ReadableStreamDefaultController<Uint8Array> | undefined;
    vi.stubGlobal('fetch', (to: string, asked: RequestInit) =>
      to === '/api/meter/lines'
        ? Promise.resolve(new Response(new ReadableStream<Uint8Array>({ start: (c) => void (more = c) })))
        : others(to, asked),
    );
    onPage(<MeasurePage />, '/shelf/measure');
    press('Simulated meter');
    press('Connect the meter');
    const say = (words: string): void => more?.enqueue(new TextEncoder().encode(words));
    await waitFor(() => {
      say(`# zubric bench 1\n${writeLine(line)}\n`);
      expect(screen.getByLabelText('What the meter shows').textContent).toContain('12');
    });
    press('Set it so and take the reading');
    const talk = setInterval(() => say(`${writeLine(line)}\n`), 100);
    await waitFor(() => expect(rows()).toBe(1), { timeout: 6000 });
    clearInterval(talk);
    more?.close();
    await waitFor(() => expect(screen.getByRole('alert').textContent).toContain('fell silent'));
    expect(rows()).toBe(1);
  }, 10_000);
});

describe('the simulated bench', () => {
  const motors = [
    { id: 'old', name: 'From a drill', ratedV: 18 },
    { id: 'small', name: 'From a toy', ratedV: 6 },
  ];
  const bench = (refuses = false): SeenRequest[] => {
    let now: object = { motors, motor: 'old', voltageV: 0, hold: 0, plugged: true };
    return answering({
      'GET /api/meter': () => now,
      'PUT /api/meter': ({ body }) => {
        if (refuses) return new Refusal(409, 'Somebody else has the bench.');
        now = { ...now, ...(body as object) };
        return now;
      },
    });
  };
  const open = async (): Promise<HTMLSelectElement> => {
    onPage(<MeasurePage />, '/shelf/measure');
    press('Simulated meter');
    return screen.findByLabelText('Motor on the simulated bench');
  };

  it('has another motor put on it, at rest, and the voltage it is made for taken with it', async () => {
    const asked = bench();
    fireEvent.change(await open(), { target: { value: 'small' } });
    await waitFor(() => expect(asked.at(-1)?.body).toEqual({ motor: 'small', voltageV: 0, hold: 0 }));
    const made = screen.getByLabelText<HTMLInputElement>('Voltage it is to run at');
    expect(made.value.replaceAll('\u00a0', ' ')).toBe('6 V');
  });

  it('has its plug pulled, which shows at once; where it cannot be, it goes back and says why', async () => {
    const asked = bench(true);
    await open();
    const plug = (): boolean =>
      screen.getByRole<HTMLInputElement>('checkbox', { name: 'Its plug is in' }).checked;
    fireEvent.click(screen.getByRole('checkbox', { name: 'Its plug is in' }));
    await waitFor(() => expect(asked.some(({ method }) => method === 'PUT')).toBe(true));
    expect((await screen.findByRole('alert')).textContent).toBe('Somebody else has the bench.');
    await waitFor(() => expect(plug()).toBe(true));
  });
});

describe('the lines of a stream', () => {
  it('are put together however they were cut', async () => {
    const bytes = new TextEncoder().encode(
      '# zubric bench 1\r\nV=12 A=1 rpm=5900\nV=12 A=x rpm=1\nV=3 A=2 rpm=0',
    );
    const heard: Said[] = [];
    const stream = new ReadableStream<Uint8Array>({
      start(control) {
        for (const byte of bytes) control.enqueue(Uint8Array.of(byte));
        control.close();
      },
    });
    for await (const said of linesOf(stream)) heard.push(said);
    expect(heard).toEqual([
      { remark: 'zubric bench 1' },
      { line: { V: 12, A: 1, rpm: 5900 } },
      { unread: expect.stringContaining('A=') as string },
      { line: { V: 3, A: 2, rpm: 0 } },
    ]);
  });
});
