import { readLine, type MeterLine } from '@zubric/core/bench';
import { ApiProblem } from '../common/api.ts';
import { openSerial, textLines } from '../common/serial.ts';

/** What a meter says: a line that was read, a remark of its own, or one that cannot be read. */
export type Said = { readonly line: MeterLine } | { readonly remark: string } | { readonly unread: string };

const saidBy = (text: string): Said | undefined => {
  if (text.trim().startsWith('#')) return { remark: text.trim().slice(1).trim() };
  const line = readLine(text);
  if (!line) return undefined;
  return 'why' in line ? { unread: line.why } : { line };
};

/** What a meter says in a stream of bytes, as it comes. */
export async function* linesOf(stream: ReadableStream<Uint8Array>): AsyncGenerator<Said> {
  for await (const text of textLines(stream)) {
    const said = saidBy(text);
    if (said) yield said;
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

/** The lines of a meter on a serial port that the builder picks. */
export async function* serialLines(signal: AbortSignal): AsyncGenerator<Said> {
  const port = await openSerial();
  const stop = (): void => void port.close().catch(() => undefined);
  signal.addEventListener('abort', stop);
  try {
    if (port.readable) yield* linesOf(port.readable);
  } finally {
    signal.removeEventListener('abort', stop);
    stop();
  }
}
