/** A PostgreSQL cluster of the project's own, on a free loopback port, as a user that is not root. */
import { spawn } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import { chmodSync, rmSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import {
  USER,
  asClusterUser,
  clearLeftover,
  clusterUser,
  ensureChecksums,
  homeOf,
  readyData,
  resetSecret,
  secretIn,
} from './cluster-data.mjs';

export { homeOf };

const LOOPBACK = '127.0.0.1';
const START_TRIES = 150;
const TRY_PAUSE_MS = 200;

/** A port that nothing listens on now. */
export const freePort = (wanted = 0) =>
  new Promise((resolve, reject) => {
    const probe = createServer();
    probe.once('error', reject);
    probe.listen(wanted, LOOPBACK, () => {
      const { port } = probe.address();
      probe.close(() => resolve(port));
    });
  });

/**
 * Starts the cluster in a folder, making it first where there is none.
 *
 * @param {string} folder
 * @param {{ throwAway?: boolean, port?: number, told?: (sentence: string) => void }} [options] throwAway: speed before
 * safety, for tests; port: a free one unless given; told: what a builder must know, on the console unless given.
 */
export async function startCluster(folder, { throwAway = false, port: wanted, told = console.log } = {}) {
  const user = clusterUser();
  const home = homeOf(folder);
  chmodSync(home, 0o700);
  const { data, bin } = readyData({ home, user, told });
  await clearLeftover(data, told);
  let password = secretIn(home);
  if (password === undefined) {
    password = resetSecret({ bin, home, data, user });
    told('The password file of the database was missing: it was made anew.');
  }
  if (!throwAway) ensureChecksums({ bin, data, user, told });
  const port = wanted ?? (await freePort());
  const run = () => launch({ bin, data, port, user, throwAway });
  let running = run();
  if ((await untilAnswering(running, port, password)) === 'wrong-password') {
    await running.stop();
    password = resetSecret({ bin, home, data, user });
    told('The password file of the database was not its own: it was made anew.');
    running = run();
    await untilAnswering(running, port, password);
  }
  return {
    url: `postgres://${USER}:${password}@${LOOPBACK}:${port}/postgres`,
    port,
    bin,
    pid: running.child.pid,
    folder: home,
    exited: running.exited,
    stop: running.stop,
  };
}

function launch({ bin, data, port, user, throwAway }) {
  const settings = {
    listen_addresses: LOOPBACK,
    port,
    unix_socket_directories: '',
    min_wal_size: '8MB',
    max_wal_size: '128MB',
    ...(throwAway ? { fsync: 'off', synchronous_commit: 'off', full_page_writes: 'off' } : {}),
  };
  const options = Object.entries(settings).flatMap(([key, value]) => ['-c', `${key}=${value}`]);
  // SIGINT is PostgreSQL's fast stop.
  const [program, args] = asClusterUser(user, join(bin, 'postgres'), ['-D', data, ...options], 'INT');
  const child = spawn(program, args, { cwd: '/', stdio: ['ignore', 'ignore', 'pipe'], detached: true });
  const running = { child, said: '' };
  child.stderr.on('data', (chunk) => {
    running.said = (running.said + chunk).slice(-4000);
  });
  running.exited = new Promise((resolve) => child.once('exit', () => resolve()));
  running.stop = async () => {
    if (child.exitCode === null && child.signalCode === null) child.kill('SIGINT');
    await running.exited;
  };
  return running;
}

/** Why a cluster did not come up. */
export class ClusterFailed extends Error {}

async function untilAnswering(running, port, password) {
  for (let n = 0; n < START_TRIES; n++) {
    if (running.child.exitCode !== null || running.child.signalCode !== null)
      throw new ClusterFailed(`The database does not start:\n${running.said}`);
    const answer = await answers(port, password);
    if (answer !== 'not-yet') return answer;
    await pause(TRY_PAUSE_MS);
  }
  await running.stop();
  throw new ClusterFailed(`The database does not answer:\n${running.said}`);
}

/** A log-in that tells a wrong password from a database that is still coming up. */
async function answers(port, password) {
  const { default: pg } = await import('pg');
  const client = new pg.Client({
    host: LOOPBACK,
    port,
    user: USER,
    password,
    database: 'postgres',
    connectionTimeoutMillis: 2000,
  });
  client.on('error', () => undefined);
  try {
    await client.connect();
    return 'ready';
  } catch (error) {
    return error.code === '28P01' ? 'wrong-password' : 'not-yet';
  } finally {
    await client.end().catch(() => undefined);
  }
}

/** A cluster in the machine's temporary folder that goes when it is stopped; it can be taken away for a while. */
export async function throwAwayCluster() {
  const folder = join(tmpdir(), `zubric-test-${process.pid}-${randomBytes(4).toString('hex')}`, 'postgres');
  let running = await startCluster(folder, { throwAway: true });
  const { url, port, folder: home, bin } = running;
  return {
    url,
    bin,
    pause: () => running.stop(),
    async resume() {
      running = await startCluster(folder, { throwAway: true, port });
    },
    async stop() {
      await running.stop();
      rmSync(home, { recursive: true, force: true });
      rmSync(dirname(folder), { recursive: true, force: true });
    },
  };
}
