/**
 * `npm test`: all but the long journeys in the browser and the long faults, counted from the runners' own reports; the last
 * line is "N passed, N failed". `npm test -- all`: those too. With the name of a part (core, cli, server, web, faults, e2e) only that part, with a
 * file or folder of tests only those: `npm test -- e2e/sums.spec.ts`. Faults are tried shortly among all, in full by
 * themselves.
 */
import { spawn } from 'node:child_process';
import { existsSync, mkdirSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { availableParallelism, tmpdir } from 'node:os';
import { join } from 'node:path';
import { ROOT, checkNode, ensureDebian, ensurePackages, ensureWeb, giveUp } from './lib/setup.mjs';

const PARTS = ['core', 'cli', 'server', 'web', 'faults', 'e2e'];
const [, , given] = process.argv;
/** A part or file; with neither, all are tried, and in the browser those that are marked so, or each. */
const asked = given === 'all' ? undefined : given;
/**
 * In between landings: journeys in the browser that are marked, the shorter faults, fewer draws of what is drawn, and what
 * vitest.config.ts leaves to landings left out.
 */
const daily = given === undefined;
const MARKED = ['--grep', '@short'];
const file =
  asked !== undefined && !PARTS.includes(asked) && existsSync(join(ROOT, asked)) ? asked : undefined;
/** The part whose tests a file is of. */
const partOf = (path) => path.split('/')[path.startsWith('packages/') ? 1 : 0];
const only = file === undefined ? asked : partOf(file);
if (only !== undefined && !PARTS.includes(only))
  giveUp(`There is no part or file of tests "${asked}"; the parts are ${PARTS.join(', ')}.`);
const wants = (part) => only === undefined || only === part;

checkNode();
if (wants('server') || wants('faults') || wants('e2e'))
  ensureDebian(['postgresql', ...(wants('e2e') ? ['chromium'] : [])]);
ensurePackages();

const reports = mkdtempSync(join(tmpdir(), 'zubric-reports-'));
const total = { passed: 0, failed: 0 };
const count = (passed, failed) => {
  total.passed += passed;
  total.failed += failed;
};
/** What failed, by name: told once more at the end, where it is found. */
const failures = [];

const bin = (name) => join(ROOT, 'node_modules', '.bin', name);

/** A check that passes or fails as a whole; what it says is shown once it is through. */
const check = ([title, command, args]) =>
  new Promise((resolve) => {
    const started = Date.now();
    const said = [];
    const run = spawn(bin(command), args, { cwd: ROOT, stdio: ['ignore', 'pipe', 'pipe'] });
    for (const stream of [run.stdout, run.stderr]) stream.on('data', (piece) => said.push(piece));
    const end = (passed) => {
      if (!passed) process.stdout.write(Buffer.concat(said));
      console.log(
        `${passed ? 'passed' : 'FAILED'}: ${title} (${((Date.now() - started) / 1000).toFixed(1)} s)`,
      );
      count(passed ? 1 : 0, passed ? 0 : 1);
      if (!passed) failures.push(title);
      resolve();
    };
    run.on('error', () => end(false));
    run.on('close', (status) => end(status === 0));
  });

/** As many checks at a time as there are processors, the next as soon as one is through: the longest come first. */
async function checkAll(checks) {
  const left = [...checks];
  const worker = async () => {
    for (let next = left.shift(); next; next = left.shift()) await check(next);
  };
  await Promise.all(Array.from({ length: availableParallelism() }, worker));
}

/** A runner may take so long, twice what it takes on a slow machine: one that never ends is a failure, and is told. */
const RUNNER_MINUTES = 55;

/** What is running, each with all that it started. */
const running = new Set();
const endGroup = (group) => {
  try {
    process.kill(-group, 'SIGKILL');
  } catch {
    // It has ended by itself.
  }
};
const stop = (signal) => {
  for (const group of running) endGroup(group);
  process.exit(signal === 'SIGINT' ? 130 : 143);
};
process.once('SIGINT', stop).once('SIGTERM', stop);

/** What it said last, of one that died: its error stands there. */
const LAST_SAID = 2500;

/**
 * Runs it in a process group of its own, so that all that it started ends with it; `quiet`, it is heard once it has ended. Gives how
 * it ended, and what it said last where it was not said to a terminal.
 */
const run = (command, args, { env, quiet }) =>
  new Promise((resolve) => {
    const said = [];
    const started = spawn(bin(command), args, {
      cwd: ROOT,
      stdio: quiet || !process.stdout.isTTY ? ['ignore', 'pipe', 'pipe'] : 'inherit',
      detached: true,
      env: { ...process.env, ...env },
    });
    running.add(started.pid);
    for (const stream of [started.stdout, started.stderr])
      stream?.on('data', (piece) => {
        said.push(piece);
        if (!quiet) process.stdout.write(piece);
      });
    const late = setTimeout(() => endGroup(started.pid), RUNNER_MINUTES * 60_000);
    const end = (status) => {
      clearTimeout(late);
      running.delete(started.pid);
      const all = Buffer.concat(said);
      if (quiet) process.stdout.write(all);
      resolve({ status, last: all.subarray(-LAST_SAID).toString() });
    };
    started.on('error', () => end('an error'));
    // What it left behind would keep its output open.
    started.on('exit', () => endGroup(started.pid));
    started.on('close', (status, signal) =>
      end(signal === 'SIGKILL' ? `nothing said after ${RUNNER_MINUTES} min` : status),
    );
  });

/** A runner that writes how many passed; one that dies without a report has failed. */
async function runner(title, command, args, { report, read, env = {}, quiet = false }) {
  const { status, last } = await run(command, args, { env, quiet });
  const [passed, failed, names] = existsSync(report)
    ? read(JSON.parse(readFileSync(report, 'utf8')))
    : [0, 0, []];
  const died = status !== 0 && failed === 0;
  failures.push(...names, ...(died ? [`${title} ended with ${status}, and said last: ${last}`] : []));
  count(passed, failed + (died || passed + failed === 0 ? 1 : 0));
}

/** Compiled itself, it checks in a quarter of the time; `typescript` by its own name is what examples in comments are read with. */
const COMPILER = '../typescript-native/bin/tsc';
/** Everything in one go, and the core by itself: it knows neither a browser nor Node. */
const TYPED = ['.', 'packages/core'];
/** What was found last time is kept: only what has changed since, or hangs on that, is checked anew. */
const kept = (project) => [
  '--incremental',
  '--tsBuildInfoFile',
  join('node_modules/.cache/types', project, 'info'),
  // More of them would each work out again what they share.
  ...['--checkers', '1'],
];
if (only === undefined)
  await checkAll([
    ...TYPED.map((project) => [`types of ${project}`, COMPILER, ['-p', project, ...kept(project)]]),
    [
      'dependency rules',
      'depcruise',
      [
        ...['packages', '--config', '.dependency-cruiser.cjs', '--output-type', 'err'],
        ...['--cache', 'node_modules/.cache/rules', '--cache-strategy', 'content'],
      ],
    ],
    ['lint', 'oxlint', ['--deny-warnings']],
    ['formatting', 'oxfmt', ['--check']],
  ]);

/** Files of tests by vitest, of some parts. */
const vitest = (title, projects, { quiet = false } = {}) => {
  const report = join(reports, `${title}.json`);
  return runner(
    title,
    'vitest',
    [
      'run',
      ...projects.flatMap((project) => ['--project', project]),
      ...(asked === 'faults' || file !== undefined ? [file ?? 'faults'] : []),
      '--reporter=default',
      `--reporter=${join(ROOT, 'scripts/lib/test-report.mjs')}`,
    ],
    {
      report,
      quiet,
      read: ({ passed, failed }) => [passed, failed.length, failed],
      env: {
        ZUBRIC_REPORT: report,
        ...(only === 'faults' ? { ZUBRIC_FAULTS: 'full' } : {}),
        ...(daily ? { ZUBRIC_DAILY: '1' } : {}),
      },
    },
  );
};

/** What a part's tests are called by vitest; some faults are tried where the server's own tests are. */
const PROJECTS = {
  core: ['core'],
  web: ['web', 'web-alone'],
  cli: ['cli'],
  server: ['server'],
  faults: ['faults'],
};
const projectsOf = (parts) => parts.filter(wants).flatMap((part) => PROJECTS[part]);
const reckoning = projectsOf(['core', 'web']);
const serving = [...projectsOf(['cli', 'server', 'faults']), ...(asked === 'faults' ? ['server'] : [])];

/** The tests of a file in the browser, those in groups too. */
const specsOf = ({ specs = [], suites = [] }) => [...specs, ...suites.flatMap(specsOf)];

/** Journeys in the browser, by a runner of their own. */
async function journeys() {
  mkdirSync(join(ROOT, 'test-results'), { recursive: true });
  const report = join(reports, 'playwright.json');
  const which = daily ? MARKED : file === undefined ? [] : [file];
  await runner('playwright', 'playwright', ['test', ...which], {
    report,
    env: { PLAYWRIGHT_JSON_OUTPUT_NAME: report, PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD: '1' },
    // The runner names those that passed only when tried again ("flaky").
    read: ({ stats, suites }) => [
      stats.expected + stats.flaky,
      stats.unexpected + stats.skipped,
      suites
        .flatMap(specsOf)
        .filter(({ ok }) => !ok)
        .map(({ file, title }) => `e2e/${file}: ${title}`),
    ],
  });
}

if (wants('e2e')) ensureWeb();
const reckoned = async () => reckoning.length > 0 && vitest('vitest of core and web', reckoning);
const served = async () =>
  serving.length > 0 &&
  vitest('vitest of command, server and faults', serving, { quiet: reckoning.length > 0 });
const journeyed = async () => wants('e2e') && journeys();
// A database serves one file after the other, and a server that is started is waited for: the others run meanwhile. So
// do the few journeys in between landings; all of them want the machine to themselves.
await Promise.all([reckoned(), served().then(() => daily && journeyed())]);
if (!daily) await journeyed();

rmSync(reports, { recursive: true, force: true });
for (const name of failures) console.log(`FAILED: ${name}`);
console.log(`\n${total.passed} passed, ${total.failed} failed`);
process.exitCode = total.failed > 0 ? 1 : 0;
