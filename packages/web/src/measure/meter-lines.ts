import { readLine, type MeterLine } from '@zubric/core/bench';
import { ApiProblem } from '../common/api.ts';

/** What a meter says: a line that was read, a remark of its own, or one that cannot be read. */
export type Said = { readonly line: MeterLine } | { readonly remark: string } | { readonly unread: string };

const saidBy = (text: string): Said | undefined => {
  if (text.trim().startsWith('#')) return { remark: text.trim().slice(1).trim() };
  const line = readLine(text);
  if (!line) return undefined;
  return 'why' in line ? { unread: line.why } : { line };
};

/** The lines of a stream of bytes as they come. */
export async function* linesOf(stream: ReadableStream<Uint8Array>): AsyncGenerator<Said> {
  const reader = stream.getReader();
  const decoder = new TextDecoder();
  let rest = '';
  try {
    for (;;) {
      const { value, done } = await reader.read();
      rest += decoder.decode(value, { stream: !done });
      const lines = rest.split(/\r\n|\n|\r/);
      rest = done ? '' : (lines.pop() ?? '');
      for (const text of lines) {
        const said = saidBy(text);
        if (said) yield said;
      }
      if (done) return;
    }
  } finally {
    await reader.cancel().catch(() => undefined);
  }
}

/** The lines of the simulated meter. @throws ApiProblem where it does not answer. */
export async function* simulatedLines(signal: AbortSignal): AsyncGenerator<Said> {
  const response = await fetch('/api/meter/lines', { signal });
  if (!response.ok || !response.body) {
    const told = (await response.json().catch(() => ({}))) as { readonly title?: string };
    throw new ApiProblem(response.status, told.title ?? 'The meter does not answer.');
  }
  yield* linesOf(response.body);
}

/** A serial port as a browser has it; not every browser does. */
interface SerialPort {
  readonly readable: ReadableStream<Uint8Array> | null;
  open(options: { readonly baudRate: number }): Promise<void>;
  close(): Promise<void>;
}
interface Serial {
  requestPort(): Promise<SerialPort>;
}
const serialOf = (): Serial | undefined => (navigator as { readonly serial?: Serial }).serial;
export const hasSerial = (): boolean => serialOf() !== undefined;

/** Speed of most bench boards. */
const BAUD = 115_200;

/** The lines of a meter on a serial port that the builder picks. */
export async function* serialLines(signal: AbortSignal): AsyncGenerator<Said> {
  const port = await serialOf()?.requestPort();
  if (!port) throw new Error('This browser has no serial ports: take a file of its lines, or paste them.');
  await port.open({ baudRate: BAUD });
  const stop = (): void => void port.close().catch(() => undefined);
  signal.addEventListener('abort', stop);
  try {
    if (port.readable) yield* linesOf(port.readable);
  } finally {
    signal.removeEventListener('abort', stop);
    stop();
  }
}
