/** A serial port as a browser has it; not every browser does. */
export interface SerialPort {
  readonly readable: ReadableStream<Uint8Array> | null;
  readonly writable: WritableStream<Uint8Array> | null;
  open(options: { readonly baudRate: number }): Promise<void>;
  close(): Promise<void>;
}
interface Serial {
  requestPort(): Promise<SerialPort>;
}
const serialOf = (): Serial | undefined => (navigator as { readonly serial?: Serial }).serial;
export const hasSerial = (): boolean => serialOf() !== undefined;

/** Speed of most boards. */
const BAUD = 115_200;

/** The port that the builder picks, opened. @throws Error where this browser has none, or it cannot be opened. */
export async function openSerial(): Promise<SerialPort> {
  const port = await serialOf()?.requestPort();
  if (!port) throw new Error('This browser has no serial ports: take a file of its lines, or paste them.');
  await port.open({ baudRate: BAUD });
  return port;
}

/** The lines of a stream of bytes as they come. */
export async function* textLines(stream: ReadableStream<Uint8Array>): AsyncGenerator<string> {
  const reader = stream.getReader();
  const decoder = new TextDecoder();
  let rest = '';
  try {
    for (;;) {
      const { value, done } = await reader.read();
      rest += decoder.decode(value, { stream: !done });
      const lines = rest.split(/\r\n|\n|\r/);
      rest = done ? '' : (lines.pop() ?? '');
      yield* lines;
      if (done) return;
    }
  } finally {
    await reader.cancel().catch(() => undefined);
  }
}
