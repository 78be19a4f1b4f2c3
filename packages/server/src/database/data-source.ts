import { DataSource } from 'typeorm';
import { ENTITIES } from './entities.ts';
import { First1764000000001 } from './migrations/0001-first.ts';
import { Logbook1764000000002 } from './migrations/0002-logbook.ts';
import { Order1764000000003 } from './migrations/0003-order.ts';
import { Shelf1764000000004 } from './migrations/0004-shelf.ts';
import { PartPhoto1764000000005 } from './migrations/0005-part-photo.ts';
import { SnapshotName1764000000006 } from './migrations/0006-snapshot-name.ts';
import { Devices1764000000007 } from './migrations/0007-devices.ts';
import { TrialEntries1764000000008 } from './migrations/0008-trial-entries.ts';
import { Tell1764000000009 } from './migrations/0009-tell.ts';

const CONNECT_TIMEOUT_MS = 3000;
/** No question to the database takes as long as this, milliseconds: one that does is given up and told. */
const STATEMENT_TIMEOUT_MS = 8000;
/** Where not even the giving up is answered. */
const QUERY_TIMEOUT_MS = 10_000;
const MOST_CONNECTIONS = 12;

const MIGRATIONS = [
  First1764000000001,
  Logbook1764000000002,
  Order1764000000003,
  Shelf1764000000004,
  PartPhoto1764000000005,
  SnapshotName1764000000006,
  Devices1764000000007,
  TrialEntries1764000000008,
  Tell1764000000009,
];

/** The database of a `postgres://` address. Schema changes come from migrations alone. */
export const makeDataSource = (
  url: string,
  onPoolError: (error: unknown) => void = () => undefined,
): DataSource =>
  new DataSource({
    type: 'postgres',
    url,
    entities: ENTITIES,
    migrations: MIGRATIONS,
    migrationsTableName: 'migration',
    synchronize: false,
    logging: false,
    connectTimeoutMS: CONNECT_TIMEOUT_MS,
    poolSize: MOST_CONNECTIONS,
    extra: {
      statement_timeout: STATEMENT_TIMEOUT_MS,
      idle_in_transaction_session_timeout: STATEMENT_TIMEOUT_MS,
      query_timeout: QUERY_TIMEOUT_MS,
    },
    // A lost connection is told by the request that met it; the pool opens a new one when the database is back.
    poolErrorHandler: onPoolError,
  });

/** Migrations that a database has seen and this program does not know: it was written by a newer one. */
export async function fromTheFuture(database: DataSource): Promise<readonly string[]> {
  const [{ exists } = { exists: false }] = await database.query<{ exists: boolean }[]>(
    "SELECT to_regclass('migration') IS NOT NULL AS exists",
  );
  if (!exists) return [];
  const known: readonly string[] = MIGRATIONS.map((migration) => new migration().name);
  const seen = await database.query<{ name: string }[]>('SELECT name FROM migration ORDER BY id');
  return seen.map(({ name }) => name).filter((name) => !known.includes(name));
}

/**
 * SQLSTATE classes 08 (connection) and 57P (operator intervention), a statement or a transaction given up for its
 * time, too many connections, and what the socket says.
 */
const LOST =
  /^(08...|57P0[1-5]|57014|25P03|53300|ECONNREFUSED|ECONNRESET|EPIPE|ETIMEDOUT|EHOSTUNREACH|ENETUNREACH)$/;
/** What the driver and the data layer say of a connection that is gone, without a code. */
const SAID =
  /Connection terminated|timeout exceeded when trying to connect|Query read timeout|Client has encountered a connection error|Client was closed|not queryable|already released|Driver not Connected|Cannot use a pool after/i;

const codeOf = (error: object): string =>
  'code' in error && typeof error.code === 'string' ? error.code : '';

/** A socket of a database that is not there; of a file that is not there the same code speaks. */
const isMissingSocket = (error: Error): boolean =>
  codeOf(error) === 'ENOENT' && 'syscall' in error && error.syscall === 'connect';

/** Whether an error says that the database is away or too slow, not that the request is wrong. */
export const isDatabaseAway = (error: unknown): boolean =>
  error instanceof Error && (LOST.test(codeOf(error)) || isMissingSocket(error) || SAID.test(error.message));

/** Whether an error says that there is no room left: SQLSTATE 53100, or the file system. */
export const isDiskFull = (error: unknown): boolean =>
  error instanceof Error && (codeOf(error) === '53100' || codeOf(error) === 'ENOSPC');
