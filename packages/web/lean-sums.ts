import { readFile } from 'node:fs/promises';
import MagicString from 'magic-string';
import type { Plugin } from 'vite';

/** What of a calculator only its own page, the box that finds it, and its tests read. */
const TEXTS: ReadonlySet<string> = new Set([
  'asks',
  'examples',
  'formula',
  'limits',
  'purpose',
  'source',
  'symbols',
]);
const REGISTRY = /core\/src\/calculators\/registry\.ts$/;
const WHOLE = '?whole';
const DEFINES = 'defineCalculator({';

interface Node {
  readonly type: string;
  readonly start: number;
  readonly end: number;
  readonly callee?: Node & { readonly name?: string };
  readonly arguments?: readonly (Node & { readonly properties?: readonly Property[] })[];
}
interface Property extends Node {
  readonly key?: { readonly name?: string };
}

/** Every call of `defineCalculator` in a tree. */
function* definitions(node: unknown): Generator<Node> {
  if (typeof node !== 'object' || node === null) return;
  const call = node as Node;
  if (call.type === 'CallExpression' && call.callee?.name === 'defineCalculator') yield call;
  for (const child of Object.values(node)) yield* definitions(child);
}

/**
 * Judging a build asks calculators to run and never reads their texts: it is given them without, and the registry, which is
 * fetched later, has them whole. A fifth of what the first answer must fetch is saved.
 */
export const leanSums = (): Plugin => ({
  name: 'lean-sums',
  apply: 'build',
  enforce: 'pre',

  async resolveId(source, importer) {
    if (importer === undefined || !REGISTRY.test(importer)) return null;
    const found = await this.resolve(source, importer, { skipSelf: true });
    if (!found) return null;
    return (await readFile(found.id, 'utf8')).includes(DEFINES) ? found.id + WHOLE : null;
  },

  transform(code, id) {
    if (id.endsWith(WHOLE) || !id.endsWith('.ts') || !code.includes(DEFINES)) return null;
    const lean = new MagicString(code);
    for (const call of definitions(this.parse(code, { lang: 'ts' }))) {
      const properties = call.arguments?.[0]?.properties ?? [];
      properties.forEach((property, at) => {
        if (!TEXTS.has(property.key?.name ?? '')) return;
        lean.remove(property.start, properties[at + 1]?.start ?? property.end);
      });
    }
    return { code: lean.toString(), map: lean.generateMap({ hires: true }) };
  },
});
