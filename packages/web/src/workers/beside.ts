import { wrap, type Remote } from 'comlink';

/** Why there is no answer: the work itself failed, or the worker died. Work that was called off rejects with its signal's reason. */
export class BesideFailed extends Error {
  constructor(why: string) {
    super(why);
    this.name = 'BesideFailed';
  }
}

/**
 * One question to a worker of its own, which is gone with the answer, with the signal, or where it fails.
 *
 * @throws BesideFailed, or the signal's reason.
 */
export async function beside<Work, Answer>(
  start: () => Worker,
  ask: (work: Remote<Work>) => Promise<Answer>,
  signal: AbortSignal,
): Promise<Answer> {
  signal.throwIfAborted();
  const worker = start();
  const ended = new Promise<never>((_, reject) => {
    signal.addEventListener('abort', () => reject(signal.reason as Error), { once: true });
    worker.addEventListener('error', (event) =>
      reject(new BesideFailed(event.message || 'it ended by itself')),
    );
    worker.addEventListener('messageerror', () => reject(new BesideFailed('its answer cannot be read')));
  });
  try {
    return await Promise.race([ask(wrap<Work>(worker)), ended]);
  } catch (error) {
    if (signal.aborted || error instanceof BesideFailed) throw error;
    throw new BesideFailed(error instanceof Error ? error.message : String(error));
  } finally {
    worker.terminate();
  }
}
