import { describe, expect, it, vi } from 'vitest';
import { serialDoor, vehicleLink } from '../stations/trials/vehicle-door.ts';
import { hasSerial, openSerial, textLines } from './serial.ts';

const bytes = (text: string): Uint8Array => new TextEncoder().encode(text);
const streamOf = (...pieces: readonly Uint8Array[]): ReadableStream<Uint8Array> =>
  new ReadableStream({
    start(stream) {
      for (const piece of pieces) stream.enqueue(piece);
      stream.close();
    },
  });
const linesOf = async (...pieces: readonly Uint8Array[]): Promise<string[]> => {
  const lines: string[] = [];
  for await (const line of textLines(streamOf(...pieces))) lines.push(line);
  return lines;
};

/** A port that a builder picks: what is written to it, and what its board is made to say. */
function port() {
  const written: string[] = [];
  let say: (text: string) => void = () => undefined;
  const opened: number[] = [];
  const close = vi.fn(() => Promise.resolve());
  const picked = {
    readable: new ReadableStream<Uint8Array>({
      start(stream) {
        say = (text) => stream.enqueue(bytes(text));
      },
    }),
    writable: new WritableStream<Uint8Array>({
      write(piece) {
        written.push(new TextDecoder().decode(piece));
      },
    }),
    open: ({ baudRate }: { readonly baudRate: number }) => {
      opened.push(baudRate);
      return Promise.resolve();
    },
    close,
  };
  vi.stubGlobal('navigator', { serial: { requestPort: () => Promise.resolve(picked) } });
  return { written, opened, close, picked, say: (text: string) => say(text) };
}

describe('lines of a serial port', () => {
  it('are put together however they were cut, by any end of a line, the last one without', async () => {
    expect(await linesOf(bytes('V=1\r\nV='), bytes('2\nV=3\rV'), bytes('=4'))).toEqual([
      'V=1',
      'V=2',
      'V=3',
      'V=4',
    ]);
    const cut = bytes('10 Ω\n');
    expect(await linesOf(cut.slice(0, 4), cut.slice(4))).toEqual(['10 Ω', '']);
  });

  it('come from the port that is picked, at the speed of most boards; a browser without any says so', async () => {
    const { opened } = port();
    expect(hasSerial()).toBe(true);
    await openSerial();
    expect(opened).toEqual([115_200]);
    vi.stubGlobal('navigator', {});
    expect(hasSerial()).toBe(false);
    await expect(openSerial()).rejects.toThrow('This browser has no serial ports');
  });
});

describe('a vehicle on a cable', () => {
  it('is told a line, and what it answers comes back; closed, the port is let go', async () => {
    const { written, say, close } = port();
    const door = await serialDoor();
    const link = vehicleLink(door);
    const asked = link.ask({ verb: 'go', values: { m: 2 } });
    await vi.waitFor(() => expect(written).toEqual(['1 go m=2\n']));
    say('ok 1\ngot 1 si');
    say('de=0.05\n');
    expect(await asked).toEqual({ side: 0.05 });
    link.close();
    expect(close).toHaveBeenCalledOnce();
  });

  it('that takes nothing is told so at once, not after three tries', async () => {
    const { picked } = port();
    vi.stubGlobal('navigator', {
      serial: { requestPort: () => Promise.resolve({ ...picked, writable: null, readable: null }) },
    });
    const link = vehicleLink(await serialDoor());
    await expect(link.ask({ verb: 'go', values: {} })).rejects.toThrow('Nothing can be sent to this port.');
  });
});
