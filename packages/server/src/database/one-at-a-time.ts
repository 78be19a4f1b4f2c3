import { setTimeout as pause } from 'node:timers/promises';
import type { DataSource } from 'typeorm';

/** What servers on one database hold while they bring it to their form: any number that nothing else takes. */
const PREPARING = 7_212_653;
const LOOK_EVERY_MS = 250;

/**
 * Does something that only one of several servers on a database may do at a time; the others wait. A server that dies in the
 * middle lets go of it with its connection.
 */
export async function oneAtATime<T>(database: DataSource, work: () => Promise<T>): Promise<T> {
  const holder = database.createQueryRunner();
  await holder.connect();
  try {
    for (;;) {
      const [{ got } = { got: false }] = (await holder.query('SELECT pg_try_advisory_lock($1) AS got', [
        PREPARING,
      ])) as { got: boolean }[];
      if (got) break;
      await pause(LOOK_EVERY_MS);
    }
    try {
      return await work();
    } finally {
      await holder.query('SELECT pg_advisory_unlock($1)', [PREPARING]);
    }
  } finally {
    await holder.release();
  }
}
