/** A PostgreSQL cluster of the project's own, on a free loopback port, as a user that is not root. */
import { spawn, spawnSync } from 'node:child_process';
import { createHash, randomBytes } from 'node:crypto';
import { chmodSync, chownSync, existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { createServer, connect as connectTo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import { giveUp, isRoot, postgresFolder } from './setup.mjs';

const LOOPBACK = '127.0.0.1';
const USER = 'zubric';
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

/** Who runs PostgreSQL: this user, or `postgres` where this one is root, which PostgreSQL refuses. */
function clusterUser() {
  if (!isRoot()) return undefined;
  const id = (flag) => Number(spawnSync('id', [flag, 'postgres'], { encoding: 'utf8' }).stdout);
  const user = { uid: id('-u'), gid: id('-g') };
  if (!user.uid) giveUp('There is no user "postgres" on this machine; the postgresql package makes one.');
  return user;
}

/**
 * How a command of PostgreSQL is started: as its user, and told to stop when this process dies, however it dies.
 */
function asClusterUser(user, command, args, deathSignal) {
  const identity = user ? [`--reuid=${user.uid}`, `--regid=${user.gid}`, '--init-groups'] : [];
  const death = deathSignal ? ['--pdeathsig', deathSignal] : [];
  return ['setpriv', [...identity, ...death, '--', command, ...args]];
}

function runAs(user, command, args, options = {}) {
  const [program, all] = asClusterUser(user, command, args);
  return spawnSync(program, all, { encoding: 'utf8', cwd: '/', ...options });
}

/** A folder the cluster's user can reach: the one asked for, or one beside the system's own state. */
function reachable(folder, user) {
  mkdirSync(folder, { recursive: true });
  if (!user || runAs(user, 'test', ['-x', folder]).status === 0) return folder;
  const name = createHash('sha256').update(folder).digest('hex').slice(0, 16);
  const elsewhere = join('/var/lib/zubric', name);
  mkdirSync(elsewhere, { recursive: true });
  return elsewhere;
}

/**
 * Starts the cluster in a folder, making it first where there is none.
 *
 * @param {string} folder
 * @param {{ throwAway?: boolean, port?: number }} [options] throwAway: speed before safety, for tests; port: a free one
 * unless given.
 * @returns {Promise<{ url: string, port: number, folder: string, stop: () => Promise<void>, exited: Promise<void> }>}
 */
export async function startCluster(folder, { throwAway = false, port: wanted } = {}) {
  const user = clusterUser();
  const bin = postgresFolder();
  if (!bin) giveUp('PostgreSQL is not on this machine.');
  const home = reachable(folder, user);
  const data = join(home, 'data');
  const secretFile = join(home, 'password');
  if (user) {
    chownSync(home, user.uid, user.gid);
    chmodSync(home, 0o700);
  }
  if (!existsSync(join(data, 'PG_VERSION'))) initialise({ bin, data, secretFile, user });
  const password = readFileSync(secretFile, 'utf8').trim();
  await waitForLeftover(data);
  const port = wanted ?? (await freePort());
  const settings = {
    listen_addresses: LOOPBACK,
    port,
    unix_socket_directories: '',
    ...(throwAway ? { fsync: 'off', synchronous_commit: 'off', full_page_writes: 'off' } : {}),
  };
  const options = Object.entries(settings).flatMap(([key, value]) => ['-c', `${key}=${value}`]);
  // SIGINT is PostgreSQL's fast stop.
  const [program, args] = asClusterUser(user, join(bin, 'postgres'), ['-D', data, ...options], 'INT');
  const child = spawn(program, args, { cwd: '/', stdio: ['ignore', 'ignore', 'pipe'], detached: true });
  let said = '';
  child.stderr.on('data', (chunk) => {
    said = (said + chunk).slice(-4000);
  });
  const exited = new Promise((resolve) => child.once('exit', () => resolve()));
  await untilAnswering(port, child, () => said);
  return {
    url: `postgres://${USER}:${password}@${LOOPBACK}:${port}/postgres`,
    port,
    folder: home,
    exited,
    async stop() {
      if (child.exitCode === null && child.signalCode === null) child.kill('SIGINT');
      await exited;
    },
  };
}

function initialise({ bin, data, secretFile, user }) {
  rmSync(data, { recursive: true, force: true });
  writeFileSync(secretFile, `${randomBytes(24).toString('hex')}\n`, { mode: 0o600 });
  if (user) chownSync(secretFile, user.uid, user.gid);
  const made = runAs(user, join(bin, 'initdb'), [
    ...['-D', data, '-U', USER, '-A', 'scram-sha-256', `--pwfile=${secretFile}`],
    ...['-E', 'UTF8', '--locale=C.UTF-8', '--no-instructions'],
  ]);
  if (made.status !== 0) {
    rmSync(data, { recursive: true, force: true });
    giveUp(`The database could not be made:\n${made.stdout}${made.stderr}`);
  }
}

/** A PostgreSQL that is still stopping (its keeper was killed) holds the folder for a moment. */
async function waitForLeftover(data) {
  const file = join(data, 'postmaster.pid');
  for (let n = 0; n < START_TRIES && existsSync(file); n++) {
    const pid = Number(readFileSync(file, 'utf8').split('\n')[0]);
    if (!pid || !existsSync(`/proc/${pid}`)) return;
    await pause(TRY_PAUSE_MS);
  }
}

async function untilAnswering(port, child, said) {
  for (let n = 0; n < START_TRIES; n++) {
    if (child.exitCode !== null) giveUp(`The database does not start:\n${said()}`);
    if (await answers(port)) return;
    await pause(TRY_PAUSE_MS);
  }
  giveUp(`The database does not answer:\n${said()}`);
}

const answers = (port) =>
  new Promise((resolve) => {
    const socket = connectTo(port, LOOPBACK);
    socket.once('connect', () => resolve(true));
    socket.once('error', () => resolve(false));
    socket.once('close', () => resolve(false));
    socket.once('connect', () => socket.destroy());
  });

/** A cluster in the machine's temporary folder that goes when it is stopped; it can be taken away for a while. */
export async function throwAwayCluster() {
  const folder = join(tmpdir(), `zubric-test-${process.pid}-${randomBytes(4).toString('hex')}`);
  let running = await startCluster(folder, { throwAway: true });
  const { url, port, folder: home } = running;
  return {
    url,
    pause: () => running.stop(),
    async resume() {
      running = await startCluster(folder, { throwAway: true, port });
    },
    async stop() {
      await running.stop();
      rmSync(home, { recursive: true, force: true });
    },
  };
}
