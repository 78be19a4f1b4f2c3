import { build } from 'esbuild';
import { analyze } from 'eslint-scope';
import globals from 'globals';
import { parseSync } from 'vite';

/** What a script in a browser has without declaring it. */
const GIVEN = new Set(Object.keys({ ...globals.browser, ...globals.worker }));

/** What a script as a browser is given it assigns without declaring it: a strict module throws there. */
export function undeclaredIn(script: string): string[] {
  const { program, errors } = parseSync('script.js', script, { sourceType: 'module', range: true });
  if (errors[0]) throw new Error(errors[0].message);
  const { globalScope } = analyze(program as Parameters<typeof analyze>[0], {
    ecmaVersion: 2024,
    sourceType: 'module',
  });
  return (globalScope?.through ?? [])
    .filter((reference) => reference.isWrite())
    .map(({ identifier }) => identifier.name as string)
    .filter((name) => !GIVEN.has(name));
}

/** A dependency bundled as the web application bundles it. */
export async function bundled(dependency: string, from: string): Promise<string> {
  const { outputFiles } = await build({
    stdin: { contents: `export * from '${dependency}';`, resolveDir: from },
    bundle: true,
    write: false,
    format: 'esm',
    platform: 'browser',
    logLevel: 'silent',
    // What only a development build does is left out, as in what ships.
    minifySyntax: true,
    define: { 'process.env.NODE_ENV': '"production"' },
  });
  return outputFiles[0]?.text ?? '';
}
