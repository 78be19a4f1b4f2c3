/** What typescript.mjs registers: Node's own hooks, in their thread. */
import { readFile } from 'node:fs/promises';
import { fileURLToPath } from 'node:url';
import { transformWithOxc } from 'vite';

/** Takes the types out of a file of TypeScript and leaves all else as it is written. */
export async function load(url, context, next) {
  const { protocol, pathname } = new URL(url);
  if (protocol !== 'file:' || !pathname.endsWith('.ts')) return next(url, context);
  const file = fileURLToPath(new URL(pathname, url));
  const { code, map } = await transformWithOxc(await readFile(file, 'utf8'), file, { sourcemap: true });
  const mapped = Buffer.from(JSON.stringify(map)).toString('base64');
  return {
    format: 'module',
    source: `${code}\n//# sourceMappingURL=data:application/json;base64,${mapped}`,
    shortCircuit: true,
  };
}
