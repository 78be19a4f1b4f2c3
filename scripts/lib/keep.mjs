/** Keeps something running: started again when it dies, after a growing pause. */
import { setTimeout as pause } from 'node:timers/promises';

const FIRST_PAUSE_MS = 500;
const LONGEST_PAUSE_MS = 30_000;
/** What ran so long was well: the next pause is the first again. */
const WELL_MS = 60_000;

/**
 * Starts something and starts it again whenever it ends, until it is told to stop.
 *
 * @template Running
 * @param {() => Promise<{ exited: Promise<unknown>, stop: () => Promise<void> } & Running>} start
 * @param {(event: { died?: true, failed?: Error, again?: true, inMs?: number }) => void} told what happens to it
 */
export async function keep(start, told) {
  let stopping = false;
  let running = await start();
  let wait = FIRST_PAUSE_MS;
  const rest = new AbortController();
  const watch = async () => {
    let began = Date.now();
    for (;;) {
      await running.exited;
      if (stopping) return;
      if (Date.now() - began > WELL_MS) wait = FIRST_PAUSE_MS;
      told({ died: true, inMs: wait });
      for (;;) {
        await pause(wait, undefined, { signal: rest.signal }).catch(() => undefined);
        if (stopping) return;
        wait = Math.min(2 * wait, LONGEST_PAUSE_MS);
        try {
          running = await start();
          break;
        } catch (error) {
          told({ failed: error, inMs: wait });
        }
      }
      began = Date.now();
      told({ again: true });
    }
  };
  const watched = watch();
  return {
    now: () => running,
    async stop() {
      stopping = true;
      rest.abort();
      await running.stop();
      await watched;
    },
  };
}
