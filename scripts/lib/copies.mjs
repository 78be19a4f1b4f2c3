/** Copies of everything the database keeps, each one file; and bringing one back. */
import { spawn } from 'node:child_process';
import { readdirSync, renameSync, rmSync, statfsSync, existsSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { ownFolder } from './state.mjs';

/** Daily copies kept, and copies made before the database was changed to a newer form. */
const MOST_DAILY = 14;
const MOST_BEFORE = 5;

/** Runs a program of PostgreSQL on a database address, which no list of processes shows. */
function run(program, args, databaseUrl) {
  const { hostname, port, username, password, pathname } = new URL(databaseUrl);
  const env = {
    ...process.env,
    PGHOST: hostname,
    PGPORT: port,
    PGUSER: decodeURIComponent(username),
    PGPASSWORD: decodeURIComponent(password),
    PGDATABASE: decodeURIComponent(pathname.slice(1)),
  };
  return new Promise((resolve, reject) => {
    const child = spawn(program, args, { env, cwd: '/', stdio: ['ignore', 'ignore', 'pipe'] });
    let said = '';
    child.stderr.on('data', (chunk) => {
      said = (said + chunk).slice(-4000);
    });
    child.once('error', reject);
    child.once('exit', (status) =>
      status === 0 ? resolve() : reject(new Error(said.trim() || `${program} ended with ${status}`)),
    );
  });
}

/**
 * Copies a database into one file, which is there whole or not at all: builds, logbook, snapshots, photographs,
 * trials, shelf, marks.
 *
 * @param {{ bin: string, databaseUrl: string, file: string }} of
 */
export async function copyTo({ bin, databaseUrl, file }) {
  const half = `${file}.${process.pid}.half`;
  try {
    await run(join(bin, 'pg_dump'), ['--format=custom', '--no-owner', '--file', half], databaseUrl);
    renameSync(half, file);
  } finally {
    rmSync(half, { force: true });
  }
}

/** Brings a copy into an empty database, all of it or nothing. */
export const bringBack = ({ bin, databaseUrl, file }) => {
  const database = decodeURIComponent(new URL(databaseUrl).pathname.slice(1));
  return run(
    join(bin, 'pg_restore'),
    ['--no-owner', '--exit-on-error', '--single-transaction', '--dbname', database, file],
    databaseUrl,
  );
};

/** Whether a file is a copy that pg_restore can read. */
export const isCopy = ({ bin, file }) =>
  run(join(bin, 'pg_restore'), ['--list', file], 'postgres://x:x@127.0.0.1:1/x').then(
    () => true,
    () => false,
  );

const DAILY = /^\d{4}-\d{2}-\d{2}\.zubric-copy$/;
const BEFORE = /^before-.*\.zubric-copy$/;
/** A copy is not made where it would leave the disk with less than this. */
const ROOM_BYTES = 256 * 2 ** 20;

function thinOut(folder, which, most) {
  const kept = readdirSync(folder).filter((name) => which.test(name));
  for (const name of kept.sort().slice(0, Math.max(0, kept.length - most))) rmSync(join(folder, name));
}

/** The copies that are made by themselves, in a folder beside the data. */
export function ownCopies({ bin, databaseUrl, folder }) {
  const make = async (name) => {
    const file = join(ownFolder(folder), name);
    const { bavail, bsize } = statfsSync(dirname(file));
    if (bavail * bsize < ROOM_BYTES) throw new Error('There is no room on the disk for a copy.');
    await copyTo({ bin, databaseUrl, file });
    return file;
  };
  return {
    /** Today's, where it is not made yet; the oldest of more than fourteen go. */
    async daily(today = new Date().toISOString().slice(0, 10)) {
      const name = `${today}.zubric-copy`;
      if (existsSync(join(folder, name))) return undefined;
      const file = await make(name);
      thinOut(folder, DAILY, MOST_DAILY);
      return file;
    },
    /** One before the database is changed to a newer form. */
    async before(what) {
      const at = new Date().toISOString().slice(0, 19).replaceAll(':', '-');
      const file = await make(`before-${at}-${what.replaceAll(/[^\w-]/g, '')}.zubric-copy`);
      thinOut(folder, BEFORE, MOST_BEFORE);
      return file;
    },
  };
}
