/** What a cluster stands on: its user, its folder, its data, its password, and what an earlier run left there. */
import { spawnSync } from 'node:child_process';
import { createHash, randomBytes } from 'node:crypto';
import {
  chmodSync,
  chownSync,
  existsSync,
  mkdirSync,
  readFileSync,
  readdirSync,
  renameSync,
  rmdirSync,
  writeFileSync,
} from 'node:fs';
import { dirname, join } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import { giveUp, isRoot, postgresFolders } from './setup.mjs';
import { setAside } from './state.mjs';

export const USER = 'zubric';
const TRY_PAUSE_MS = 200;
/** A cluster whose keeper was killed has this long to stop. */
const LEFTOVER_MS = 20_000;

/** Who runs PostgreSQL: this user, or `postgres` where this one is root, which PostgreSQL refuses. */
export function clusterUser() {
  if (!isRoot()) return undefined;
  const id = (flag) => Number(spawnSync('id', [flag, 'postgres'], { encoding: 'utf8' }).stdout);
  const user = { uid: id('-u'), gid: id('-g') };
  if (!user.uid) giveUp('There is no user "postgres" on this machine; the postgresql package makes one.');
  return user;
}

/**
 * How a command of PostgreSQL is started: as its user, and told to stop when this process dies, however it dies.
 */
export function asClusterUser(user, command, args, deathSignal) {
  const identity = user ? [`--reuid=${user.uid}`, `--regid=${user.gid}`, '--init-groups'] : [];
  const death = deathSignal ? ['--pdeathsig', deathSignal] : [];
  return ['setpriv', [...identity, ...death, '--', command, ...args]];
}

function runAs(user, command, args, options = {}) {
  const [program, all] = asClusterUser(user, command, args);
  return spawnSync(program, all, { encoding: 'utf8', cwd: '/', ...options });
}

/**
 * Where a cluster stands: in the folder asked for, or, where its user cannot reach that, in one beside the system's own
 * state, named after it.
 */
export function homeOf(folder) {
  const user = clusterUser();
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  if (!user) return folder;
  // The cluster's user passes through the state folder, and sees nothing of it.
  const state = dirname(folder);
  chownSync(state, 0, user.gid);
  chmodSync(state, 0o710);
  chownSync(folder, user.uid, user.gid);
  if (runAs(user, 'test', ['-x', folder]).status === 0) return folder;
  const name = createHash('sha256').update(folder).digest('hex').slice(0, 16);
  const elsewhere = join('/var/lib/zubric', name);
  mkdirSync(elsewhere, { recursive: true });
  chownSync(elsewhere, user.uid, user.gid);
  return elsewhere;
}

/** What stands where the data of a cluster should: nothing, a whole cluster of some version, or what is neither. */
function judge(data) {
  if (!existsSync(data)) return { is: 'nothing' };
  let inside;
  try {
    inside = readdirSync(data);
  } catch {
    return { is: 'unknown' };
  }
  if (inside.length === 0) return { is: 'empty' };
  const version = inside.includes('PG_VERSION') ? readFileSync(join(data, 'PG_VERSION'), 'utf8').trim() : '';
  return /^\d+$/.test(version) && inside.includes('global') && inside.includes('base')
    ? { is: 'whole', version: Number(version) }
    : { is: 'unknown' };
}

/**
 * The data of a cluster and the programs of its version: as it stands, or made anew where there is none. What is no
 * cluster, or of a version that nothing here can run, is set aside under a dated name, and told.
 */
export function readyData({ home, user, told }) {
  const installed = postgresFolders();
  const [newest] = installed;
  if (!newest) giveUp('PostgreSQL is not on this machine.');
  const data = join(home, 'data');
  const making = join(home, 'data.making');
  if (existsSync(making)) told(setAside(making, 'A database that was half made was found'));
  const found = judge(data);
  if (found.is === 'whole') {
    const own = installed.find(({ version }) => version === found.version);
    if (own) return { data, bin: own.bin };
    if (found.version < newest.version)
      giveUp(
        `The builds in ${data} were kept by PostgreSQL ${found.version}, and this machine has ${newest.version} only. Install postgresql-${found.version} beside it (apt-get install postgresql-${found.version}) and start again; or bring back the latest copy: move ${data} away and run "npm run restore -- FILE" with a file of ${join(dirname(home), 'copies')}.`,
      );
    told(
      setAside(
        data,
        `The database here is of PostgreSQL ${found.version}, newer than the ${newest.version} of this machine`,
      ),
    );
  } else if (found.is === 'unknown')
    told(setAside(data, 'What stood where the database should be was no database'));
  else if (found.is === 'empty') rmdirSync(data);
  initialise({ bin: newest.bin, home, data, making, user });
  return { data, bin: newest.bin };
}

const secretOf = (home) => join(home, 'password');

function newSecret(home, user) {
  const secret = randomBytes(24).toString('hex');
  const file = secretOf(home);
  writeFileSync(`${file}.new`, `${secret}\n`, { mode: 0o600 });
  if (user) chownSync(`${file}.new`, user.uid, user.gid);
  renameSync(`${file}.new`, file);
  return secret;
}

/** Makes a cluster in a folder of its own, which gets its name when it is whole. */
function initialise({ bin, home, data, making, user }) {
  newSecret(home, user);
  const made = runAs(user, join(bin, 'initdb'), [
    ...['-D', making, '-U', USER, '-A', 'scram-sha-256', `--pwfile=${secretOf(home)}`],
    // Small pieces of its journal: a nearly full disk still takes a save.
    ...['-E', 'UTF8', '--locale=C.UTF-8', '--no-instructions', '--data-checksums', '--wal-segsize=1'],
  ]);
  if (made.status !== 0) giveUp(`The database could not be made:\n${made.stdout}${made.stderr}`);
  renameSync(making, data);
}

/** Checksums find a failing disk; a cluster made before they were asked for gets them while it stands still. */
export function ensureChecksums({ bin, data, user, told }) {
  const control = runAs(user, join(bin, 'pg_controldata'), [data]);
  // After a crash it must first come up and stop in order: another time then.
  if (!/checksum version:\s+0/.test(control.stdout) || !/state:\s+shut down\s/.test(control.stdout)) return;
  const made = runAs(user, join(bin, 'pg_checksums'), ['--enable', '-D', data]);
  if (made.status !== 0) told(`Checksums could not be switched on: ${made.stderr.trim()}`);
}

/** A lost or spoilt password file is made anew, and the database told, while it stands still. */
export function resetSecret({ bin, home, data, user }) {
  const secret = newSecret(home, user);
  const said = runAs(user, join(bin, 'postgres'), ['--single', '-D', data, 'postgres'], {
    input: `ALTER ROLE ${USER} PASSWORD '${secret}'\n`,
  });
  if (said.status !== 0) giveUp(`The password of the database could not be set anew:\n${said.stderr}`);
  return secret;
}

export function secretIn(home) {
  try {
    const secret = readFileSync(secretOf(home), 'utf8').trim();
    return /^[0-9a-f]{32,}$/.test(secret) ? secret : undefined;
  } catch {
    return undefined;
  }
}

const isPostgresOf = (pid, data) => {
  try {
    return readFileSync(`/proc/${pid}/cmdline`, 'utf8').split('\0').includes(data);
  } catch {
    return false;
  }
};

/** Clears what an earlier run left: a cluster that is still stopping is waited for, a dead or foreign mark set aside. */
export async function clearLeftover(data, told) {
  const file = join(data, 'postmaster.pid');
  let waiting = false;
  for (let waited = 0; existsSync(file); waited += TRY_PAUSE_MS) {
    const pid = Number(readFileSync(file, 'utf8').split('\n')[0]);
    if (!Number.isInteger(pid) || pid <= 0 || !isPostgresOf(pid, data)) {
      // The number may be another program's by now, which PostgreSQL cannot tell from its own.
      const away = setAside(file, 'The mark of a database that no longer runs was found');
      if (!Number.isInteger(pid) || pid <= 0) told(away);
      return;
    }
    if (!waiting) told('Waiting for the database of an earlier start to stop …');
    waiting = true;
    if (waited > LEFTOVER_MS)
      giveUp(
        `Another database server (process ${pid}) still uses ${data}. Stop it first: kill ${pid}, then start again.`,
      );
    await pause(TRY_PAUSE_MS);
  }
}
