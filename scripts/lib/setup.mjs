/** What a machine must have before anything of the project runs. Uses nothing but Node itself. */
import { execFileSync, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, readdirSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const ROOT = join(dirname(fileURLToPath(import.meta.url)), '..', '..');
export const CHROMIUM = '/usr/bin/chromium';
const LEAST_NODE = [20, 19];

export const isRoot = () => process.getuid?.() === 0;

/** Ends the command with a plain sentence. */
export function giveUp(message) {
  console.error(`\n${message}\n`);
  process.exit(1);
}

export function checkNode() {
  const [major = 0, minor = 0] = process.versions.node.split('.').map(Number);
  const [leastMajor, leastMinor] = LEAST_NODE;
  if (major < leastMajor || (major === leastMajor && minor < leastMinor))
    giveUp(`Zubric needs Node ${LEAST_NODE.join('.')} or newer; this is ${process.versions.node}.`);
}

/** Every PostgreSQL on this machine with the folder of its programs, the newest first. */
export function postgresFolders() {
  const base = '/usr/lib/postgresql';
  const versions = existsSync(base) ? readdirSync(base).filter((name) => /^\d+$/.test(name)) : [];
  return versions
    .map((version) => ({ version: Number(version), bin: join(base, version, 'bin') }))
    .filter(({ bin }) => existsSync(join(bin, 'initdb')) && existsSync(join(bin, 'postgres')))
    .sort((a, b) => b.version - a.version);
}

const DEBIAN = {
  postgresql: () => postgresFolders().length > 0,
  chromium: () => existsSync(CHROMIUM),
};

/** Installs what is missing as root; otherwise stops with the line to type. */
export function ensureDebian(packages) {
  const missing = packages.filter((name) => !DEBIAN[name]());
  if (missing.length === 0) return;
  const install = ['install', '-y', '--no-install-recommends', ...missing];
  if (!isRoot())
    giveUp(
      `Missing on this machine: ${missing.join(', ')}. Type this line, then start again:\n\n  sudo apt-get update && sudo apt-get install -y ${missing.join(' ')}`,
    );
  console.log(`Installing ${missing.join(', ')} …`);
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
  for (const args of [['update'], install]) {
    const { status } = spawnSync('apt-get', args, { stdio: ['ignore', 'ignore', 'inherit'], env });
    if (status !== 0) giveUp(`apt-get ${args.join(' ')} failed; its reason stands above.`);
  }
  const still = missing.filter((name) => !DEBIAN[name]());
  if (still.length > 0) giveUp(`${still.join(', ')} installed, but not found where expected.`);
}

const hashOf = (path) => createHash('sha256').update(readFileSync(path)).digest('hex');

/** Installs the npm packages of the lock file where they are not the ones installed. */
export function ensurePackages() {
  const mark = join(ROOT, 'node_modules', '.zubric-lock');
  const wanted = hashOf(join(ROOT, 'package-lock.json'));
  if (existsSync(mark) && readFileSync(mark, 'utf8') === wanted) return;
  console.log('Installing npm packages from the lock file …');
  const { status } = spawnSync('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'], {
    cwd: ROOT,
    stdio: ['ignore', 'ignore', 'inherit'],
  });
  if (status !== 0) giveUp('npm ci failed; its reason stands above.');
  writeFileSync(mark, wanted);
}

/** Every file under these paths, test files left out, as one hash. */
function stateOf(paths) {
  const hash = createHash('sha256');
  const add = (path) => {
    hash.update(path);
    hash.update(readFileSync(join(ROOT, path)));
  };
  for (const path of paths) {
    if (/\.\w+$/.test(path)) add(path);
    else
      readdirSync(join(ROOT, path), { recursive: true, withFileTypes: true })
        .filter((entry) => entry.isFile() && !/\.test\.tsx?$/.test(entry.name))
        .map((entry) => join(entry.parentPath, entry.name).slice(ROOT.length + 1))
        .sort()
        .forEach(add);
  }
  return hash.digest('hex');
}

/** Builds the interface where its sources are not the ones built. Returns the folder it is in. */
export function ensureWeb() {
  const dist = join(ROOT, 'packages', 'web', 'dist');
  const mark = join(dist, '.built-from');
  const wanted = stateOf([
    'packages/core/src',
    'packages/core/package.json',
    'packages/web/src',
    'packages/web/public',
    'packages/web/index.html',
    'packages/web/vite.config.ts',
    'packages/web/lean-sums.ts',
    'packages/web/offline-worker.ts',
    'scripts/lib/setup.mjs',
    'package-lock.json',
  ]);
  if (existsSync(mark) && readFileSync(mark, 'utf8') === wanted) return dist;
  console.log('Building the interface …');
  try {
    execFileSync(process.execPath, [join(ROOT, 'node_modules', 'vite', 'bin', 'vite.js'), 'build'], {
      cwd: join(ROOT, 'packages', 'web'),
      // Whoever asks: a runner of tests calls itself a test, and would get the slow libraries of a developer for everybody.
      env: { ...process.env, NODE_ENV: 'production' },
      stdio: ['ignore', 'pipe', 'pipe'],
    });
  } catch (error) {
    giveUp(`The interface does not build:\n${error.stdout}\n${error.stderr}`);
  }
  mkdirSync(dist, { recursive: true });
  writeFileSync(mark, wanted);
  return dist;
}
