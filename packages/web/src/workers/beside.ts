import { wrap, type Remote } from 'comlink';

/** Why there is no answer: the work itself failed, or the worker died. Work that was called off rejects with its signal's reason. */
export class BesideFailed extends Error {
  /** Whether the worker died, so that another may do it. */
  readonly died: boolean;
  constructor(why: string, died = false) {
    super(why);
    this.name = 'BesideFailed';
    this.died = died;
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
      reject(new BesideFailed(event.message || 'it ended by itself', true)),
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

/** A worker that says nothing for so long has died. */
const SILENT_MS = 30_000;

/** How a question that is watched is asked. */
export interface Watched<Work, Answer> {
  readonly start: () => Worker;
  /** The question; `heard` is to be called whenever the work says how far it is. */
  readonly ask: (work: Remote<Work>, heard: () => void) => Promise<Answer>;
  readonly signal: AbortSignal;
  /** Told when its worker has died and another begins. */
  readonly onAnew: () => void;
}

/** One question, given up where its worker falls silent. */
async function heardOf<Work, Answer>({ start, ask, signal }: Watched<Work, Answer>): Promise<Answer> {
  const quiet = new AbortController();
  const silent = (): void => quiet.abort(new BesideFailed('it stopped by itself', true));
  let timer = setTimeout(silent, SILENT_MS);
  const heard = (): void => {
    clearTimeout(timer);
    timer = setTimeout(silent, SILENT_MS);
  };
  try {
    const either = AbortSignal.any([signal, quiet.signal]);
    return await beside<Work, Answer>(start, (work) => ask(work, heard), either);
  } finally {
    clearTimeout(timer);
  }
}

/**
 * One question to a worker that is watched: where it dies, or says nothing for half a minute, the work is started anew, once.
 *
 * @throws as `beside` does.
 */
export async function besideWatched<Work, Answer>(how: Watched<Work, Answer>): Promise<Answer> {
  try {
    return await heardOf(how);
  } catch (error) {
    if (!(error instanceof BesideFailed && error.died)) throw error;
    how.onAnew();
    return heardOf(how);
  }
}
