import { expose } from 'comlink';
import { vi } from 'vitest';
import { benchWork } from '../workers/bench-work.ts';

/** Stands in for the browser's worker: the same work, by the same protocol, in this thread. */
export const workerHere = (work: object) =>
  class WorkerHere extends EventTarget {
    static terminated = 0;
    static last: WorkerHere | undefined;
    readonly #port: MessagePort;

    constructor() {
      super();
      const { port1, port2 } = new MessageChannel();
      expose(work, port1);
      this.#port = port2;
      port2.addEventListener('message', ({ data }) =>
        this.dispatchEvent(new MessageEvent('message', { data })),
      );
      port2.start();
      WorkerHere.last = this;
    }

    postMessage(message: unknown, transfer: Transferable[] = []): void {
      this.#port.postMessage(message, transfer);
    }

    terminate(): void {
      WorkerHere.terminated++;
      this.#port.close();
    }
  };

const isPlain = (given: unknown): boolean => typeof given !== 'function';

/** The same work, reckoned once for each that is asked: tests of a page ask the same of the same build over and over. */
function remembering<W extends object>(work: W): W {
  const answers = new Map<string, unknown>();
  const asked = ([name, ask]: [string, (...given: unknown[]) => unknown]) => [
    name,
    (...given: unknown[]): unknown => {
      // What tells how far it is, or is stopped, is another each time.
      if (!given.every(isPlain)) return ask(...given);
      const key = JSON.stringify([name, ...given]);
      if (!answers.has(key)) answers.set(key, ask(...given));
      return answers.get(key);
    },
  ];
  return Object.fromEntries(Object.entries(work).map(asked)) as W;
}

const remembered = remembering(benchWork);

/** The work of the bench in this thread, until `vi.unstubAllGlobals`. */
export function workOfTheBench() {
  const Here = workerHere(remembered);
  vi.stubGlobal('Worker', Here);
  return Here;
}
