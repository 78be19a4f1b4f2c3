import { setTimeout as pause } from 'node:timers/promises';
import { readFileSync } from 'node:fs';
import { createServer, type Server } from 'node:http';
import { dirname, basename, join } from 'node:path';
import { pino } from 'pino';
import { createStream } from 'rotating-file-stream';
import { z } from 'zod';
import { ownCopies } from '../../../scripts/lib/copies.mjs';
import { makeApp } from './app.ts';
import { fromTheFuture, isDatabaseAway, makeDataSource } from './database/data-source.ts';
import { oneAtATime } from './database/one-at-a-time.ts';
import { loadDemo } from './demo/load-demo.ts';
import { networkDoor } from './devices/door.ts';
import { stoodOpen } from './devices/routes.ts';
import { ENTRY, loopbackHosts } from './http/guard.ts';
import { refuseBrokenRequest } from './http/broken-request.ts';
import { changesOf } from './live/changes.ts';

const settings = z
  .object({
    ZUBRIC_DATABASE_URL: z.string().min(1),
    ZUBRIC_PORT: z.coerce.number().int().min(0).max(65535).default(4817),
    /** Further host:port pairs it answers to, with commas (the page of `npm run dev`). */
    ZUBRIC_HOSTS: z.string().default(''),
    /** The address that is opened to the local network on request; all of this machine's where it is left away. */
    ZUBRIC_HOST: z.string().min(1).optional(),
    /** The address behind TLS at which a proxy hands requests on, such as https://zubric.club.example. */
    ZUBRIC_SECURE_ADDRESS: z
      .url({ protocol: /^https$/ })
      .transform((address) => new URL(address).origin)
      .optional(),
    ZUBRIC_LOG: z.string().optional(),
    ZUBRIC_DATA: z.string().default('data'),
    ZUBRIC_WEB: z.string().optional(),
    ZUBRIC_STATE: z.string().optional(),
    /** The file with what opens it; without one everyone on this machine may use it. */
    ZUBRIC_TOKEN_FILE: z.string().optional(),
    /** A file with what a builder must know of this start. */
    ZUBRIC_NOTICES: z.string().optional(),
    /** The folder of PostgreSQL's programs, for copies that are made by themselves. */
    ZUBRIC_POSTGRES: z.string().optional(),
  })
  .parse(process.env);

const LOOPBACK = '127.0.0.1';
const DATABASE_TRIES = 40;
const DATABASE_PAUSE_MS = 500;
const LAST_REQUESTS_MS = 5000;
const COPY_EVERY_MS = 3600 * 1000;
/** A log of this size is put away, and the oldest of so many goes. */
const LOG_SIZE = '5M';
const LOGS_KEPT = 5;

/** The log never brings the server down: a line that cannot be written is left out. */
function logTo(path: string) {
  const stream = createStream(basename(path), {
    path: dirname(path),
    size: LOG_SIZE,
    maxFiles: LOGS_KEPT,
    mode: 0o600,
  });
  stream.on('error', () => undefined);
  stream.on('warning', () => undefined);
  return pino(stream);
}

const log = settings.ZUBRIC_LOG === undefined ? pino() : logTo(settings.ZUBRIC_LOG);
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

const copies =
  settings.ZUBRIC_POSTGRES !== undefined && settings.ZUBRIC_STATE !== undefined
    ? ownCopies({
        bin: settings.ZUBRIC_POSTGRES,
        databaseUrl: settings.ZUBRIC_DATABASE_URL,
        folder: join(settings.ZUBRIC_STATE, 'copies'),
      })
    : undefined;

/** A copy that cannot be made is told; it stops nothing but a change of the database's form. */
async function copyDaily(): Promise<void> {
  try {
    const file = await copies?.daily();
    if (file !== undefined) log.info({ file }, 'copied');
  } catch (error) {
    log.error({ err: error }, 'the daily copy could not be made');
  }
}

/** Brings the database to the form of this program, after a copy where it already holds something. */
async function migrate(): Promise<void> {
  const unknown = await fromTheFuture(database);
  if (unknown.length > 0)
    throw new Error(
      `These builds were last kept by a newer Zubric (${unknown.join(', ')}). Start that version; nothing was changed.`,
    );
  const [{ held } = { held: false }] = await database.query<{ held: boolean }[]>(
    "SELECT to_regclass('migration') IS NOT NULL AS held",
  );
  if (held && (await database.showMigrations())) await copies?.before('newer-form');
  await database.runMigrations({ transaction: 'each' });
}

async function begin(): Promise<boolean> {
  await connect();
  // Several servers on one database begin one after the other: the first brings it to its form, the others find it so.
  return oneAtATime(database, async () => {
    await migrate();
    return loadDemo(database, settings.ZUBRIC_DATA);
  });
}

const loaded = await begin().catch((error: unknown) => {
  log.fatal({ err: error }, 'cannot start');
  process.stderr.write(`${error instanceof Error ? error.message : String(error)}\n`);
  process.exit(1);
});

const port = (): number => {
  const address = server.address();
  return typeof address === 'object' && address ? address.port : settings.ZUBRIC_PORT;
};
const token =
  settings.ZUBRIC_TOKEN_FILE === undefined
    ? undefined
    : readFileSync(settings.ZUBRIC_TOKEN_FILE, 'utf8').trim();
// Through a proxy everybody comes from this machine: only a key tells who is its user.
if (settings.ZUBRIC_SECURE_ADDRESS !== undefined && token === undefined) {
  process.stderr.write('ZUBRIC_SECURE_ADDRESS needs ZUBRIC_TOKEN_FILE: a file with the key that opens it.\n');
  process.exit(1);
}
/** What `npm start` has to tell: its file is read each time, as more may happen while the server runs. */
const noticesIn = (file: string | undefined) => (): readonly string[] =>
  file === undefined ? [] : z.array(z.string()).parse(JSON.parse(readFileSync(file, 'utf8')));

const makeServer = (): Server => createServer(app).on('clientError', refuseBrokenRequest);
const door = networkDoor({ host: settings.ZUBRIC_HOST, port, serve: makeServer });

const changes = changesOf(settings.ZUBRIC_DATABASE_URL, (error) => {
  log.warn({ err: error }, 'not told of changes by the database; trying again');
});

const app = makeApp({
  database,
  log,
  changes,
  hosts: () => [
    ...loopbackHosts(port()),
    ...door.addresses(),
    ...settings.ZUBRIC_HOSTS.split(',').filter((h) => h !== ''),
  ],
  door,
  secure: settings.ZUBRIC_SECURE_ADDRESS,
  webFolder: settings.ZUBRIC_WEB,
  token,
  stateFolder: settings.ZUBRIC_STATE,
  notices: noticesIn(settings.ZUBRIC_NOTICES),
});
const server: Server = makeServer();
server.listen(settings.ZUBRIC_PORT, LOOPBACK, () => {
  log.info({ port: port(), demoLoaded: loaded }, 'serving');
  void openAgain();
  process.send?.({ port: port(), entry: token === undefined ? '/' : `${ENTRY}?key=${token}` });
});
server.on('error', (error) => {
  log.fatal({ err: error }, 'cannot serve');
  process.exit(1);
});
/** Opened once, the door stays open over starts; where it cannot be, the machine itself is served all the same. */
async function openAgain(): Promise<void> {
  try {
    if (await stoodOpen(database.manager)) await door.open();
  } catch (error) {
    log.warn({ err: error }, 'not open to the local network');
  }
}

void copyDaily();
setInterval(() => void copyDaily(), COPY_EVERY_MS).unref();

let stopping = false;

/** Answers what is under way, then closes the database. */
function stop(): void {
  if (stopping) return;
  stopping = true;
  setTimeout(() => process.exit(1), LAST_REQUESTS_MS).unref();
  void door.close();
  server.close(() => {
    void database.destroy().finally(() => process.exit(0));
  });
  server.closeIdleConnections();
  // Streams that only wait for changes would hold it up to its last moment.
  void changes.close();
}

for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'] as const) process.on(signal, stop);
// Started by a parent that keeps the database: without it there is nothing to serve.
process.on('disconnect', stop);
