/**
 * `npm start`: everything from an empty machine to a served application. This process keeps the database and the
 * server: one that dies is started again; when this process ends, so do they.
 */
import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { ROOT, checkNode, ensureDebian, ensurePackages, ensureWeb, giveUp } from './lib/setup.mjs';
import { ownFolder, stateFolder, takeLock, tokenFile, writeWhole } from './lib/state.mjs';

// Only this user reads what is written here.
process.umask(0o077);
const dev = process.argv.includes('--dev');
const USUAL_PORT = 4817;
const ownDatabase = process.env.ZUBRIC_DATABASE_URL || undefined;

/** What a builder must know of this start, on the console and in the application. */
const notices = [];
const told = (sentence) => {
  notices.push(sentence);
  console.log(sentence);
};

checkNode();
const STATE = ownFolder(stateFolder());
const LOG = join(ownFolder(join(STATE, 'log')), 'server.log');
const taken = takeLock(STATE, told);
if (!taken.lock)
  giveUp(
    taken.heldBy.address
      ? `Zubric is already running from this folder: ${taken.heldBy.address}`
      : 'Zubric is already starting from this folder.',
  );
const { lock } = taken;
process.on('exit', lock.release);
if (!ownDatabase) ensureDebian(['postgresql']);
ensurePackages();
const web = dev ? undefined : ensureWeb();
const { freePort, startCluster } = await import('./lib/cluster.mjs');
const { keep } = await import('./lib/keep.mjs');

async function choosePort() {
  if (process.env.ZUBRIC_PORT !== undefined) {
    const port = Number(process.env.ZUBRIC_PORT);
    if (!Number.isInteger(port) || port < 0 || port > 65535)
      giveUp('ZUBRIC_PORT must be a port number, such as 4817.');
    return freePort(port).catch(() => giveUp(`Port ${port} is taken: set ZUBRIC_PORT to another.`));
  }
  for (let port = USUAL_PORT; port < USUAL_PORT + 50; port++)
    if (await freePort(port).catch(() => 0)) return port;
  return freePort();
}

const port = await choosePort();
const secret = tokenFile(STATE);

/** Where the server reads what to tell in the application. */
const noticeFile = join(STATE, 'notices.json');
/** The last restarts are enough to know of. */
const MOST_NOTICES = 20;

function tellInTheApplication(sentence) {
  notices.push(sentence);
  notices.splice(0, notices.length - MOST_NOTICES);
  writeWhole(noticeFile, JSON.stringify(notices));
}

const clock = () => new Date().toTimeString().slice(0, 5);
let stopping = false;
const report = (what) => (event) => {
  if (stopping) return;
  const seconds = (event.inMs ?? 0) / 1000;
  if (event.died) console.error(`${what} stopped. It is started again in ${seconds} s; nothing is lost.`);
  if (event.failed)
    console.error(`${what} does not start: ${event.failed.message}\nTried again in ${seconds} s.`);
  if (event.again) {
    console.log(`${what} runs again.`);
    tellInTheApplication(
      `${what} had stopped and runs again since ${clock()}. What was saved is there; what was typed meanwhile is saved now.`,
    );
  }
};

let clusterPort;
const cluster = ownDatabase
  ? undefined
  : await keep(async () => {
      const running = await startCluster(join(STATE, 'postgres'), { port: clusterPort, told });
      clusterPort = running.port;
      return running;
    }, report('The database')).catch((error) => giveUp(error.message));

const vitePort = dev ? await freePort() : undefined;

const databaseUrl = () => ownDatabase ?? cluster.now().url;

function startServer() {
  writeWhole(noticeFile, JSON.stringify(notices));
  const child = spawn(process.execPath, ['--import', 'tsx', join(ROOT, 'packages/server/src/main.ts')], {
    cwd: ROOT,
    stdio: ['ignore', 'inherit', 'inherit', 'ipc'],
    // Of its own group: a Ctrl-C in the terminal reaches this process, which then stops it in order.
    detached: true,
    env: {
      ...process.env,
      ZUBRIC_DATABASE_URL: databaseUrl(),
      ZUBRIC_PORT: String(port),
      ZUBRIC_DATA: join(ROOT, 'data'),
      ZUBRIC_LOG: process.env.ZUBRIC_LOG ?? LOG,
      ZUBRIC_STATE: STATE,
      ZUBRIC_TOKEN_FILE: secret,
      ZUBRIC_NOTICES: noticeFile,
      ...(cluster ? { ZUBRIC_POSTGRES: cluster.now().bin } : {}),
      ...(web ? { ZUBRIC_WEB: web } : {}),
      ...(vitePort ? { ZUBRIC_HOSTS: `127.0.0.1:${vitePort},localhost:${vitePort}` } : {}),
    },
  });
  const exited = new Promise((resolve) => child.once('exit', resolve));
  return new Promise((resolve, reject) => {
    child.once('message', ({ port: served, entry }) =>
      resolve({
        served,
        entry,
        pid: child.pid,
        exited,
        stop: async () => {
          if (child.exitCode === null && child.signalCode === null) child.kill('SIGTERM');
          await exited;
        },
      }),
    );
    void exited.then(() => reject(new Error(`its log says why: ${process.env.ZUBRIC_LOG ?? LOG}`)));
  });
}

let vite;
function startVite(apiPort) {
  vite = spawn(
    process.execPath,
    [
      join(ROOT, 'node_modules/vite/bin/vite.js'),
      ...['--port', String(vitePort), '--strictPort', '--host', '127.0.0.1'],
    ],
    {
      cwd: join(ROOT, 'packages/web'),
      stdio: 'inherit',
      env: { ...process.env, ZUBRIC_API: `http://127.0.0.1:${apiPort}` },
    },
  );
}

async function stop(status) {
  if (stopping) return;
  stopping = true;
  vite?.kill('SIGTERM');
  await server?.stop();
  await cluster?.stop();
  process.exit(status);
}

let server;
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => void stop(0));

const sayWhere = ({ served, entry, pid }) => {
  const address = `http://127.0.0.1:${vitePort ?? served}${entry}`;
  lock.update({ server: pid, database: databaseUrl(), address });
  return address;
};
server = await keep(async () => {
  const running = await startServer();
  sayWhere(running);
  return running;
}, report('The server')).catch(async (error) => {
  console.error(`\nThe server does not start; ${error.message}\n`);
  await cluster?.stop();
  process.exit(1);
});
if (vitePort) startVite(server.now().served);
console.log(`\nZubric is at ${sayWhere(server.now())}   (stop with Ctrl-C)\n`);
