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

/** The work of the bench in this thread, until `vi.unstubAllGlobals`. */
export function workOfTheBench() {
  const Here = workerHere(benchWork);
  vi.stubGlobal('Worker', Here);
  return Here;
}
