/** The promised load: 32 builders, each saving a build of 60 kB every half second, beside long lists and a long log. */
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import { startServer, stopServer } from '../lib/application.mjs';
import { freePort, startCluster } from '../lib/cluster.mjs';
import { ROOT } from '../lib/setup.mjs';

const CLIENTS = 32;
const EVERY_MS = 500;
const SAVING_S = 12;
/** Runs, of which the quickest counts: what else the machine does only adds. */
const RUNS = 2;
const BUILD_BYTES = 60_000;
const BUILDS = 200;
const LOG_ENTRIES = 5000;

const at = (sorted, share) => sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))];
const figure = (value, unit, most) => ({ value, unit, bound: `<= ${most}`, holds: value <= most });

const MOST_OF_A_KIND = 40;

/** A build of the demo with as many duties, masses and shafts as make it large. */
function largeBuild() {
  const build = JSON.parse(readFileSync(join(ROOT, 'data/builds/moth.zubric.json'), 'utf8'));
  const [duty] = build.duties;
  const [shaft] = build.drives[0].path;
  const { own } = build.masses;
  const more = (items, one) => {
    while (items.length < MOST_OF_A_KIND && JSON.stringify(build).length < BUILD_BYTES)
      items.push(one(items.length));
  };
  more(build.drives[0].path, (n) => ({ ...shaft, id: `shaft-${n}`, name: `Shaft ${n}` }));
  more(build.masses.others, (n) => ({ ...own, id: `mass-${n}`, name: `Lantern ${n}`, kind: 'part' }));
  const [ground] = build.grounds;
  more(build.grounds, (n) => ({ ...ground, id: `ground-${n}`, name: `Street ${n}` }));
  more(build.duties, (n) => ({ ...duty, id: `more-${n}`, name: `Parade, stretch ${n}` }));
  build.purpose = build.purpose.padEnd(200, ' …');
  return build;
}

const asker = (url) =>
  async function ask(path, { method = 'GET', body, version } = {}) {
    const began = performance.now();
    const response = await fetch(`${url}/api${path}`, {
      method,
      headers: {
        ...(body === undefined ? {} : { 'Content-Type': 'application/json' }),
        ...(version === undefined ? {} : { 'If-Match': `"${version}"` }),
      },
      body: body === undefined ? undefined : JSON.stringify(body),
    });
    const answer = await response.json();
    if (!response.ok) throw new Error(`${method} ${path}: ${response.status} ${JSON.stringify(answer)}`);
    return { answer, ms: performance.now() - began };
  };

/** All clients save in turn with themselves, every half second; what was confirmed is compared with what is kept. */
async function saving(ask) {
  const document = largeBuild();
  const times = [];
  let lost = 0;
  const builds = [];
  for (let n = 0; n < CLIENTS; n++)
    builds.push((await ask('/builds', { method: 'POST', body: { document } })).answer);
  const client = async (made, n) => {
    let { version } = made;
    let purpose = '';
    await pause((n * EVERY_MS) / CLIENTS);
    const end = performance.now() + SAVING_S * 1000;
    for (let save = 0; performance.now() < end; save++) {
      const due = performance.now() + EVERY_MS;
      purpose = `client ${n}, save ${save}`;
      const { answer, ms } = await ask(`/builds/${made.id}`, {
        method: 'PUT',
        body: { ...document, purpose },
        version,
      });
      ({ version } = answer);
      times.push(ms);
      await pause(Math.max(0, due - performance.now()));
    }
    const { answer: kept } = await ask(`/builds/${made.id}`);
    if (kept.version !== version || kept.document.purpose !== purpose) lost++;
  };
  await Promise.all(builds.map(client));
  times.sort((a, b) => a - b);
  return { times, lost };
}

async function repeated(ask, path, times) {
  const each = [];
  for (let n = 0; n < times; n++) each.push((await ask(path)).ms);
  return each.sort((a, b) => a - b);
}

export async function load() {
  const folder = mkdtempSync(join(tmpdir(), 'zubric-load-'));
  const cluster = await startCluster(join(folder, 'postgres'), { told: () => undefined });
  const port = await freePort();
  const server = await startServer(ROOT, { databaseUrl: cluster.url, port, log: join(folder, 'server.log') });
  const ask = asker(`http://127.0.0.1:${port}`);
  try {
    const runs = [];
    for (let n = 0; n < RUNS; n++) runs.push(await saving(ask));
    const lost = runs.reduce((sum, run) => sum + run.lost, 0);
    const p99 = Math.min(...runs.map(({ times }) => at(times, 0.99)));
    const count = runs.reduce((sum, { times }) => sum + times.length, 0);
    const { default: pg } = await import('pg');
    const client = new pg.Client({ connectionString: cluster.url });
    await client.connect();
    await client.query(
      `INSERT INTO build (id, name, document)
       SELECT 'copy-' || n, 'Copy ' || n, document FROM build, generate_series(1, $1) AS n WHERE id = 'moth'`,
      [BUILDS],
    );
    await client.query(
      `INSERT INTO log_entry (id, build_id, kind, note)
       SELECT 'note-' || n, 'moth', 'note', 'Note ' || n FROM generate_series(1, $1) AS n`,
      [LOG_ENTRIES],
    );
    await client.end();
    // What the lines say is worked out once.
    await ask('/builds');
    const list = await repeated(ask, '/builds', 40);
    const log = await repeated(ask, '/builds/moth/log', 40);
    return {
      [`${CLIENTS} clients saving 60 kB each half second, p99, ${count} in all`]: figure(p99, 'ms', 100),
      'saves confirmed and not kept': figure(lost, 'builds', 0),
      [`list of ${BUILDS} builds and more, p95`]: figure(at(list, 0.95), 'ms', 100),
      [`first page of ${LOG_ENTRIES} log entries, p95`]: figure(at(log, 0.95), 'ms', 50),
    };
  } finally {
    await stopServer(server);
    await cluster.stop();
    rmSync(folder, { recursive: true, force: true });
  }
}
