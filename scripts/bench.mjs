/** `npm run bench`: the figures of the performance table as one JSON object. */
import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ROOT, checkNode, ensureDebian, ensurePackages, ensureWeb, giveUp } from './lib/setup.mjs';

checkNode();
ensureDebian(['postgresql', 'chromium']);
ensurePackages();
ensureWeb();
const { build } = await import('esbuild');
const folder = mkdtempSync(join(tmpdir(), 'zubric-bench-'));
try {
  // Bundled as the interface is, so that what is measured is the code and not the loading of it.
  const bundle = join(folder, 'bench.mjs');
  await build({
    entryPoints: [join(ROOT, 'scripts/bench/core.ts')],
    outfile: bundle,
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    logLevel: 'error',
    banner: {
      js: "import { createRequire } from 'node:module'; const require = createRequire(import.meta.url);",
    },
  });
  const out = join(folder, 'figures.json');
  const { status } = spawnSync(process.execPath, [bundle, out], { cwd: ROOT, stdio: 'inherit' });
  if (status !== 0) giveUp('the bench failed');
  const { keystrokeToStrip } = await import('./bench/keystroke.mjs');
  const { partMoved } = await import('./bench/layout-moved.mjs');
  const { load } = await import('./bench/load.mjs');
  const { firstSight } = await import('./bench/first-sight.mjs');
  const { shelfFilter } = await import('./bench/shelf.mjs');
  const figures = {
    ...JSON.parse(readFileSync(out, 'utf8')),
    ...(await keystrokeToStrip()),
    ...(await firstSight()),
    ...(await shelfFilter()),
    ...(await partMoved()),
    ...(await load()),
  };
  console.log(JSON.stringify(figures, null, 2));
} finally {
  rmSync(folder, { recursive: true, force: true });
}
