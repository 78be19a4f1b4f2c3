/** The application as a builder runs it, on a database and a port that are given. */
import { spawn } from 'node:child_process';

/**
 * Starts the server with the built interface and waits until it serves.
 * `network` is the address that it opens to devices on request, `hosts` further host:port pairs that it answers to.
 *
 * @returns the process; kill it to stop.
 */
export async function startServer(
  root,
  { databaseUrl, port, log, network, hosts = '', web = 'packages/web/dist' },
) {
  const child = spawn(process.execPath, ['--import', 'tsx', 'packages/server/src/main.ts'], {
    cwd: root,
    stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
    env: {
      ...process.env,
      ZUBRIC_DATABASE_URL: databaseUrl,
      ZUBRIC_PORT: String(port),
      ZUBRIC_WEB: web,
      ZUBRIC_HOSTS: hosts,
      ...(network ? { ZUBRIC_HOST: network } : {}),
      ZUBRIC_LOG: log,
    },
  });
  await new Promise((resolve, reject) => {
    child.once('message', resolve);
    child.once('exit', () => reject(new Error(`the server did not start; see ${log}`)));
  });
  return child;
}

/** Ends a server started here and waits for it. */
export async function stopServer(child, signal = 'SIGTERM') {
  if (child.exitCode !== null || child.signalCode !== null) return;
  const gone = new Promise((resolve) => child.once('exit', resolve));
  child.kill(signal);
  await gone;
}
