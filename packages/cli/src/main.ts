import { readFileSync, writeSync } from 'node:fs';
import { run } from './run.ts';

const STANDARD_INPUT = 0;

const { out, err, status } = run(process.argv.slice(2), {
  read: (path) => readFileSync(path === '-' ? STANDARD_INPUT : path, 'utf8'),
});

/** Writes all of a text even where the reader is slow. */
function writeAll(stream: 1 | 2, text: string): void {
  const bytes = Buffer.from(text);
  let at = 0;
  while (at < bytes.length) {
    try {
      at += writeSync(stream, bytes, at);
    } catch (error) {
      if (!(error instanceof Error && 'code' in error && error.code === 'EAGAIN')) throw error;
    }
  }
}

writeAll(1, out);
writeAll(2, err);
process.exitCode = status;
