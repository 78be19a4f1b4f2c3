import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';
import { compression } from 'vite-plugin-compression2';
import { leanSums } from './lean-sums.ts';
import { offlineWorker } from './offline-worker.ts';

declare const process: { env: Record<string, string | undefined> };

export default defineConfig({
  plugins: [
    leanSums(),
    react(),
    tailwindcss(),
    // Once, as small as it goes, beside each file: the server sends what the browser takes.
    compression({ include: /assets\/.*\.(js|css|svg)$/, algorithms: ['gzip', 'brotliCompress'] }),
    offlineWorker(),
  ],
  server: {
    proxy: Object.fromEntries(
      ['/api', '/enter'].map((path) => [path, process.env.ZUBRIC_API ?? 'http://127.0.0.1:4817']),
    ),
  },
  // Fonts and pictures stay files: the content security policy allows no embedded ones but images.
  build: {
    assetsInlineLimit: 0,
    chunkSizeWarningLimit: 700,
    rolldownOptions: {
      output: {
        codeSplitting: {
          // What every first answer needs comes in one piece: thirty small ones compress worse and wait on one another.
          groups: [
            {
              name: 'quantity',
              // Formulas are put in where one is opened, later.
              test: /node_modules\/zod\/|core\/src\/(quantity\/|contract\/(?!put-in|expression|problem-words))/,
              priority: 2,
            },
            { name: 'fields', test: /web\/src\/fields\/(FieldLabel|Choice|TextField)\.tsx/, priority: 1 },
            { name: 'judge', test: /core\/src\/(judge\/evaluate|vehicle\/read-build)\.ts/, priority: 1 },
          ],
        },
      },
    },
  },
});
