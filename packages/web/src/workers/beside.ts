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

/** A worker, and what it can be asked. */
interface AtHand {
  readonly worker: Worker;
  readonly work: Remote<unknown>;
}

/** A worker that nobody asks for so long is let go. */
const IDLE_MS = 120_000;

/**
 * A worker that has answered, by what started it: the next question finds its program read, and its loops quick. One is kept: of two
 * that worked at a time the second is let go.
 */
const atHand = new Map<() => Worker, AtHand & { readonly idle: ReturnType<typeof setTimeout> }>();

/** Lets those go that wait to be asked. */
export function letGo(): void {
  for (const { worker, idle } of atHand.values()) {
    clearTimeout(idle);
    worker.terminate();
  }
  atHand.clear();
}

function take(start: () => Worker): AtHand {
  const ready = atHand.get(start);
  if (ready) {
    clearTimeout(ready.idle);
    atHand.delete(start);
    return ready;
  }
  const worker = start();
  return { worker, work: wrap(worker) };
}

function keep(start: () => Worker, { worker, work }: AtHand): void {
  if (atHand.has(start)) {
    worker.terminate();
    return;
  }
  const idle = setTimeout(() => {
    atHand.delete(start);
    worker.terminate();
  }, IDLE_MS);
  atHand.set(start, { worker, work, idle });
}

/**
 * One question to a worker that does nothing else meanwhile. It is kept at hand with its answer, and gone with the signal, or where it
 * fails.
 *
 * @param start the same function for the same work
 * @throws BesideFailed, or the signal's reason.
 */
export async function beside<Work, Answer>(
  start: () => Worker,
  ask: (work: Remote<Work>) => Promise<Answer>,
  signal: AbortSignal,
): Promise<Answer> {
  signal.throwIfAborted();
  const taken = take(start);
  const { worker } = taken;
  const over = new AbortController();
  const ended = new Promise<never>((_, reject) => {
    const watched = { signal: over.signal };
    signal.addEventListener('abort', () => reject(signal.reason as Error), watched);
    worker.addEventListener(
      'error',
      (event) => reject(new BesideFailed(event.message || 'it ended by itself', true)),
      watched,
    );
    worker.addEventListener(
      'messageerror',
      () => reject(new BesideFailed('its answer cannot be read')),
      watched,
    );
  });
  try {
    const answer = await Promise.race([ask(taken.work as Remote<Work>), ended]);
    keep(start, taken);
    return answer;
  } catch (error) {
    worker.terminate();
    if (signal.aborted || error instanceof BesideFailed) throw error;
    throw new BesideFailed(error instanceof Error ? error.message : String(error));
  } finally {
    over.abort();
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
