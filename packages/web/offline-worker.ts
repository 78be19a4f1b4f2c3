import { createHash } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { build, type Plugin } from 'vite';

const NAME = 'offline-worker.js';
const KEPT = /\.(html|js|css|svg|png|woff2|webmanifest)$/;
/** Papers are written at a desk: the library that does is not kept on every device. */
const NOT_ON_THE_FLOOR = /pdfmake/;

/**
 * Builds the worker that keeps the application on a device (src/offline/worker.ts): one plain script at the root, with
 * the list of all files that the build has made.
 */
export function offlineWorker(): Plugin {
  let root = '';
  let folder = '';
  return {
    name: 'offline-worker',
    apply: 'build',
    configResolved(config) {
      root = config.root;
      folder = join(config.root, config.build.outDir);
    },
    closeBundle: {
      order: 'post',
      async handler() {
        const files = readdirSync(folder, { recursive: true, encoding: 'utf8' })
          .filter((file) => KEPT.test(file) && !NOT_ON_THE_FLOOR.test(file) && file !== NAME)
          .sort()
          .map((file) => ({
            url: `/${file}`,
            // Hashed names say themselves which version they are.
            revision: file.startsWith('assets/')
              ? null
              : createHash('sha256')
                  .update(readFileSync(join(folder, file)))
                  .digest('hex')
                  .slice(0, 16),
          }));
        await build({
          configFile: false,
          root,
          publicDir: false,
          logLevel: 'warn',
          define: { FILES: JSON.stringify(files), 'process.env.NODE_ENV': '"production"' },
          build: {
            outDir: folder,
            emptyOutDir: false,
            rolldownOptions: {
              input: join(root, 'src/offline/worker.ts'),
              output: { format: 'iife', entryFileNames: NAME },
            },
          },
        });
      },
    },
  };
}
