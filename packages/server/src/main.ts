import { setTimeout as pause } from 'node:timers/promises';
import { createServer } from 'node:http';
import { pino } from 'pino';
import { z } from 'zod';
import { makeApp } from './app.ts';
import { isDatabaseAway, makeDataSource } from './database/data-source.ts';
import { loadDemo } from './demo/load-demo.ts';
import { loopbackHosts } from './http/guard.ts';

const settings = z
  .object({
    ZUBRIC_DATABASE_URL: z.string().min(1),
    ZUBRIC_PORT: z.coerce.number().int().min(0).max(65535).default(4817),
    /** Further host:port pairs it answers to, with commas (the page of `npm run dev`). */
    ZUBRIC_HOSTS: z.string().default(''),
    ZUBRIC_LOG: z.string().optional(),
    ZUBRIC_DATA: z.string().default('data'),
    ZUBRIC_WEB: z.string().optional(),
  })
  .parse(process.env);

const LOOPBACK = '127.0.0.1';
const DATABASE_TRIES = 40;
const DATABASE_PAUSE_MS = 500;
const LAST_REQUESTS_MS = 5000;

const log =
  settings.ZUBRIC_LOG === undefined
    ? pino()
    : pino(pino.destination({ dest: settings.ZUBRIC_LOG, mkdir: true }));
const database = makeDataSource(settings.ZUBRIC_DATABASE_URL, (error) => {
  log.warn({ err: error }, 'a connection to the database was lost');
});

/** Waits for a database that is still coming up. */
async function connect(): Promise<void> {
  for (let tries = 1; ; tries++) {
    try {
      await database.initialize();
      return;
    } catch (error) {
      if (!isDatabaseAway(error) || tries >= DATABASE_TRIES) throw error;
      log.info('waiting for the database');
      await pause(DATABASE_PAUSE_MS);
    }
  }
}

await connect();
await database.runMigrations({ transaction: 'each' });
const loaded = await loadDemo(database, settings.ZUBRIC_DATA);

const port = (): number => {
  const address = server.address();
  return typeof address === 'object' && address ? address.port : settings.ZUBRIC_PORT;
};
const app = makeApp({
  database,
  log,
  hosts: () => [...loopbackHosts(port()), ...settings.ZUBRIC_HOSTS.split(',').filter((h) => h !== '')],
  webFolder: settings.ZUBRIC_WEB,
});
const server = createServer(app);
server.listen(settings.ZUBRIC_PORT, LOOPBACK, () => {
  log.info({ port: port(), demoLoaded: loaded }, 'serving');
  process.send?.({ port: port() });
});
server.on('error', (error) => {
  log.fatal({ err: error }, 'cannot serve');
  process.exit(1);
});

let stopping = false;

/** Answers what is under way, then closes the database. */
function stop(): void {
  if (stopping) return;
  stopping = true;
  setTimeout(() => process.exit(1), LAST_REQUESTS_MS).unref();
  server.close(() => {
    void database.destroy().finally(() => process.exit(0));
  });
  server.closeIdleConnections();
}

for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'] as const) process.on(signal, stop);
// Started by a parent that keeps the database: without it there is nothing to serve.
process.on('disconnect', stop);
