import { DataSource } from 'typeorm';
import { ENTITIES } from './entities.ts';
import { First1764000000001 } from './migrations/0001-first.ts';
import { Logbook1764000000002 } from './migrations/0002-logbook.ts';

const CONNECT_TIMEOUT_MS = 3000;

/** The database of a `postgres://` address. Schema changes come from migrations alone. */
export const makeDataSource = (
  url: string,
  onPoolError: (error: unknown) => void = () => undefined,
): DataSource =>
  new DataSource({
    type: 'postgres',
    url,
    entities: ENTITIES,
    migrations: [First1764000000001, Logbook1764000000002],
    migrationsTableName: 'migration',
    synchronize: false,
    logging: false,
    connectTimeoutMS: CONNECT_TIMEOUT_MS,
    // A lost connection is told by the request that met it; the pool opens a new one when the database is back.
    poolErrorHandler: onPoolError,
  });

/** SQLSTATE classes 08 (connection) and 57P (operator intervention), and what the socket says. */
const LOST = /^(08...|57P0[123]|ECONNREFUSED|ECONNRESET|EPIPE|ETIMEDOUT|ENOENT)$/;

/** Whether an error says that the database is away, not that the request is wrong. */
export function isDatabaseAway(error: unknown): boolean {
  if (!(error instanceof Error)) return false;
  const code = 'code' in error && typeof error.code === 'string' ? error.code : '';
  return (
    LOST.test(code) || /Connection terminated|timeout exceeded when trying to connect/i.test(error.message)
  );
}
