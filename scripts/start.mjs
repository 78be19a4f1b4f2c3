/**
 * `npm start`: everything from an empty machine to a served application. This process keeps the database and the
 * server; when it ends, so do they.
 */
import { spawn } from 'node:child_process';
import { closeSync, existsSync, mkdirSync, openSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { freePort, startCluster } from './lib/cluster.mjs';
import { ROOT, checkNode, ensureDebian, ensurePackages, ensureWeb, giveUp } from './lib/setup.mjs';

const dev = process.argv.includes('--dev');
const STATE = process.env.ZUBRIC_STATE ?? join(ROOT, '.zubric');
const LOCK = join(STATE, 'running.json');
const LOG = join(STATE, 'log', 'server.log');
const USUAL_PORT = 4817;

checkNode();
const ownDatabase = process.env.ZUBRIC_DATABASE_URL;
mkdirSync(STATE, { recursive: true });
takeLock();
if (!ownDatabase) ensureDebian(['postgresql']);
ensurePackages();
const web = dev ? undefined : ensureWeb();

/** One start per folder; a lock left by a killed one is taken over. */
function takeLock() {
  for (let tries = 0; tries < 2; tries++) {
    try {
      const file = openSync(LOCK, 'wx');
      writeFileSync(file, JSON.stringify({ pid: process.pid }));
      closeSync(file);
      return;
    } catch (error) {
      if (error.code !== 'EEXIST') throw error;
    }
    const running = readLock();
    if (running.pid && existsSync(`/proc/${running.pid}`) && isZubric(running.pid))
      giveUp(
        running.address
          ? `Zubric is already running from this folder: ${running.address}`
          : 'Zubric is already starting from this folder.',
      );
    rmSync(LOCK, { force: true });
  }
}

function readLock() {
  try {
    return JSON.parse(readFileSync(LOCK, 'utf8'));
  } catch {
    return {};
  }
}

/** Process numbers are used again: is it one of ours? */
function isZubric(pid) {
  try {
    return readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes('start.mjs');
  } catch {
    return false;
  }
}

const releaseLock = () => {
  if (readLock().pid === process.pid) rmSync(LOCK, { force: true });
};
process.on('exit', releaseLock);

async function choosePort() {
  if (process.env.ZUBRIC_PORT !== undefined) {
    const port = Number(process.env.ZUBRIC_PORT);
    if (!Number.isInteger(port) || port < 0 || port > 65535)
      giveUp('ZUBRIC_PORT must be a port number, such as 4817.');
    await freePort(port).catch(() => giveUp(`Port ${port} is taken: set ZUBRIC_PORT to another.`));
    return port;
  }
  for (let port = USUAL_PORT; port < USUAL_PORT + 50; port++)
    if (await freePort(port).catch(() => 0)) return port;
  return freePort();
}

const port = await choosePort();
const cluster = ownDatabase ? undefined : await startCluster(join(STATE, 'postgres'));
const vitePort = dev ? await freePort() : undefined;

const server = spawn(process.execPath, ['--import', 'tsx', join(ROOT, 'packages/server/src/main.ts')], {
  cwd: ROOT,
  stdio: ['ignore', 'inherit', 'inherit', 'ipc'],
  // Of its own group: a Ctrl-C in the terminal reaches this process, which then stops it in order.
  detached: true,
  env: {
    ...process.env,
    ZUBRIC_DATABASE_URL: ownDatabase ?? cluster.url,
    ZUBRIC_PORT: String(port),
    ZUBRIC_DATA: join(ROOT, 'data'),
    ZUBRIC_LOG: process.env.ZUBRIC_LOG ?? LOG,
    ...(web ? { ZUBRIC_WEB: web } : {}),
    ...(vitePort ? { ZUBRIC_HOSTS: `127.0.0.1:${vitePort},localhost:${vitePort}` } : {}),
  },
});
const serverGone = new Promise((resolve) => server.once('exit', resolve));

server.once('message', ({ port: served }) => {
  const address = vitePort ? startVite(vitePort, served) : `http://127.0.0.1:${served}/`;
  writeFileSync(LOCK, JSON.stringify({ pid: process.pid, server: server.pid, address }));
  console.log(`\nZubric is at ${address}   (stop with Ctrl-C)\n`);
});

let vite;
function startVite(vitePort, apiPort) {
  vite = spawn(
    process.execPath,
    [
      join(ROOT, 'node_modules/vite/bin/vite.js'),
      '--port',
      String(vitePort),
      '--strictPort',
      '--host',
      '127.0.0.1',
    ],
    {
      cwd: join(ROOT, 'packages/web'),
      stdio: 'inherit',
      env: { ...process.env, ZUBRIC_API: `http://127.0.0.1:${apiPort}` },
    },
  );
  return `http://127.0.0.1:${vitePort}/`;
}

let stopping = false;
async function stop(status) {
  if (stopping) return;
  stopping = true;
  vite?.kill('SIGTERM');
  if (server.exitCode === null && server.signalCode === null) server.kill('SIGTERM');
  await serverGone;
  await cluster?.stop();
  process.exit(status);
}

for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => void stop(0));
void serverGone.then((status) => {
  if (!stopping) console.error(`\nThe server stopped. Its log: ${LOG}\n`);
  return stop(status === 0 ? 0 : 1);
});
void cluster?.exited.then(() => {
  if (!stopping) console.error('\nThe database stopped.\n');
  return stop(1);
});
