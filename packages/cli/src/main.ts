import { readFileSync, writeSync } from 'node:fs';
import { answered } from './run.ts';

const STANDARD_INPUT = 0;

const { out, bytes, err, status } = await answered(process.argv.slice(2), {
  read: (path) => readFileSync(path === '-' ? STANDARD_INPUT : path, 'utf8'),
});

/** Writes all of it even where the reader is slow. */
function writeAll(stream: 1 | 2, all: Uint8Array): void {
  let at = 0;
  while (at < all.length) {
    try {
      at += writeSync(stream, all, at);
    } catch (error) {
      if (!(error instanceof Error && 'code' in error && error.code === 'EAGAIN')) throw error;
    }
  }
}

writeAll(1, bytes ?? Buffer.from(out));
writeAll(2, Buffer.from(err));
process.exitCode = status;
