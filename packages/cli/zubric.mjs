/**
 * The `zubric` command. Bundles the TypeScript sources once and keeps the bundle until one of them changes: a
 * single calculation then answers in well under a second, which loading every module by itself would not.
 */
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, renameSync, rmSync, statSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';

const here = dirname(fileURLToPath(import.meta.url));
const root = join(here, '..', '..');
const cache = join(root, 'node_modules', '.cache', 'zubric');

/** Changes whenever a source, an installed package or the way of bundling does. */
function stateOfSources() {
  const hash = createHash('sha1');
  const folders = [join(here, 'src'), join(root, 'packages', 'core', 'src')];
  const files = folders.flatMap((folder) =>
    readdirSync(folder, { recursive: true, withFileTypes: true })
      .filter((entry) => entry.isFile() && !entry.name.endsWith('.test.ts'))
      .map((entry) => join(entry.parentPath, entry.name)),
  );
  for (const file of [...files.sort(), fileURLToPath(import.meta.url), join(root, 'package-lock.json')]) {
    const { mtimeMs, size } = statSync(file);
    hash.update(`${file} ${mtimeMs} ${size}\n`);
  }
  return hash.digest('hex').slice(0, 16);
}

async function bundle(target) {
  const { build } = await import('esbuild');
  mkdirSync(cache, { recursive: true });
  for (const old of readdirSync(cache)) if (/^cli-/.test(old)) rmSync(join(cache, old), { force: true });
  const unfinished = `${target}.${process.pid}`;
  await build({
    entryPoints: [join(here, 'src', 'main.ts')],
    outfile: unfinished,
    bundle: true,
    // It reads files of its own beside it.
    external: ['pdfmake'],
    platform: 'node',
    format: 'esm',
    target: 'node20',
    minify: true,
    logLevel: 'error',
  });
  renameSync(unfinished, target);
}

const target = join(cache, `cli-${stateOfSources()}.mjs`);
if (!existsSync(target)) await bundle(target);
await import(pathToFileURL(target).href);
