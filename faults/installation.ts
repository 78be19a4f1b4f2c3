/** A whole installation as `npm start` runs it, in a folder of its own, to be hurt. */
import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';

interface Running {
  readonly pid: number;
  readonly server: number;
  readonly database: string;
  readonly address: string;
}

/** What was waited for cannot come any more. */
class Gone extends Error {}

/** Asks again and again until something holds; fails with what it last said. */
export async function until<T>(what: () => Promise<T> | T, withinMs = 60_000): Promise<T> {
  const end = performance.now() + withinMs;
  for (;;)
    try {
      return await what();
    } catch (error) {
      if (error instanceof Gone || performance.now() > end) throw error;
      await pause(100);
    }
}

export function newFolder(): string {
  return mkdtempSync(join(tmpdir(), 'zubric-fault-'));
}

/** Starts an installation and waits until it serves. `said` is all that it printed. */
export async function install(state: string) {
  let said = '';
  const start = (): ChildProcess => {
    const child = spawn(process.execPath, ['scripts/start.mjs'], {
      env: { ...process.env, ZUBRIC_STATE: state, ZUBRIC_PORT: '0', ZUBRIC_DATABASE_URL: '' },
      stdio: ['ignore', 'pipe', 'pipe'],
    });
    for (const stream of [child.stdout, child.stderr])
      stream.on('data', (chunk: Buffer) => (said += chunk.toString()));
    return child;
  };
  let child = start();
  const running = (): Running => JSON.parse(readFileSync(join(state, 'running.json'), 'utf8')) as Running;
  const key = (): string => readFileSync(join(state, 'token'), 'utf8').trim();
  const ask = async (
    path: string,
    { method = 'GET', body, version }: { method?: string; body?: unknown; version?: number } = {},
  ): Promise<Response> =>
    fetch(new URL(`/api${path}`, running().address), {
      method,
      headers: {
        Authorization: `Bearer ${key()}`,
        ...(body === undefined ? {} : { 'Content-Type': 'application/json' }),
        ...(version === undefined ? {} : { 'If-Match': `"${version}"` }),
      },
      body: body === undefined ? undefined : JSON.stringify(body),
      signal: AbortSignal.timeout(30_000),
    });
  const serves = (): Promise<void> =>
    until(async () => {
      if (child.exitCode !== null) throw new Gone(`it ended with ${child.exitCode}: ${said}`);
      const answer = await ask('/builds');
      if (answer.status !== 200) throw new Error(`${answer.status}: ${said}`);
    }, 120_000);
  await serves();
  return {
    ask,
    running,
    serves,
    said: () => said,
    child: () => child,
    /** The number of the database's process. */
    databasePid: () =>
      Number(readFileSync(join(state, 'postgres', 'data', 'postmaster.pid'), 'utf8').split('\n')[0]),
    async again(): Promise<void> {
      child = start();
      await serves();
    },
    async stop(): Promise<void> {
      if (child.exitCode === null && child.signalCode === null) {
        const gone = new Promise((resolve) => child.once('exit', resolve));
        child.kill('SIGTERM');
        await gone;
      }
    },
    remove: () => rmSync(state, { recursive: true, force: true }),
  };
}

export type Installation = Awaited<ReturnType<typeof install>>;

/** Saves one build over and over, each time another purpose, and remembers what was confirmed. */
export function saving(installation: Installation) {
  let version = 0;
  let document: Record<string, unknown> = {};
  let id = '';
  const confirmed: string[] = [];
  let refused = 0;
  let going = true;
  /** Where the answer was lost the build itself tells whether it was taken. */
  async function catchUp(): Promise<void> {
    const answer = await installation.ask(`/builds/${id}`);
    if (answer.status !== 200) throw new Error(String(answer.status));
    version = ((await answer.json()) as { version: number }).version;
  }
  async function run(): Promise<void> {
    for (let n = 0; going; n++) {
      const purpose = `save ${n}`;
      try {
        const answer = await installation.ask(`/builds/${id}`, {
          method: 'PUT',
          body: { ...document, purpose },
          version,
        });
        if (answer.status === 200) {
          version = ((await answer.json()) as { version: number }).version;
          confirmed.push(purpose);
          continue;
        }
        refused++;
        if (answer.status !== 409 && answer.status !== 503 && answer.status !== 507)
          throw new Error(`a save was answered with ${answer.status}`);
      } catch (error) {
        if (error instanceof Error && error.message.startsWith('a save')) throw error;
        refused++;
      }
      await until(catchUp, 90_000);
    }
  }
  return {
    async begin(): Promise<void> {
      const made = await installation.ask('/builds', { method: 'POST', body: { name: 'Gull' } });
      const stored = (await made.json()) as { id: string; version: number; document: typeof document };
      ({ id, version, document } = stored);
    },
    run,
    end: () => (going = false),
    confirmed: () => confirmed.length,
    refused: () => refused,
    /** Versions count the saves: every confirmed one is in the database, and the last is what it holds. */
    async kept(): Promise<{ readonly version: number; readonly purpose: string; readonly last: string }> {
      const answer = await installation.ask(`/builds/${id}`);
      const stored = (await answer.json()) as { version: number; document: { purpose: string } };
      return {
        version: stored.version,
        purpose: stored.document.purpose,
        last: confirmed.at(-1) ?? '',
      };
    },
  };
}
