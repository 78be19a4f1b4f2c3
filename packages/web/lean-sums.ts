import { readFile } from 'node:fs/promises';
import MagicString from 'magic-string';
import type { Plugin } from 'vite';

/** What of a calculator only its own page, the box that finds it, and its tests read: its texts, and what it checks. */
const LEFT_OUT: ReadonlySet<string> = new Set([
  'asks',
  'examples',
  'formula',
  'input',
  'limits',
  'output',
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
  readonly name?: string;
  readonly kind?: string;
  readonly callee?: Node;
  readonly arguments?: readonly Node[];
  readonly properties?: readonly Node[];
  readonly key?: Node;
  readonly computed?: boolean;
  readonly body?: readonly Node[];
  readonly declarations?: readonly Node[];
  readonly id?: Node;
}
interface Span {
  readonly start: number;
  readonly end: number;
}

const isNode = (x: unknown): x is Node => typeof x === 'object' && x !== null && 'type' in x;

/** The nodes right under a node; those of types and of names that are no variables left out. */
function* under(node: Node): Generator<Node> {
  for (const [key, child] of Object.entries(node)) {
    if (key === 'typeAnnotation' || key === 'typeArguments' || key === 'typeParameters') continue;
    const named = key === 'key' || key === 'property';
    if (named && node.computed !== true) continue;
    for (const one of Array.isArray(child) ? (child as unknown[]) : [child])
      if (isNode(one) && !one.type.startsWith('TSType') && !one.type.startsWith('TSInterface')) yield one;
  }
}

/** Every call of `defineCalculator` in a tree. */
function* definitions(node: Node): Generator<Node> {
  if (node.type === 'CallExpression' && node.callee?.name === 'defineCalculator') yield node;
  for (const child of under(node)) yield* definitions(child);
}

/** Names that are read somewhere in a tree, outside of some spans. */
function* read(node: Node, left: readonly Span[]): Generator<string> {
  if (left.some(({ start, end }) => node.start >= start && node.end <= end)) return;
  if (node.type === 'Identifier' && node.name !== undefined) yield node.name;
  for (const child of under(node)) yield* read(child, left);
}

/** Constants at the top of a file that nothing reads once some spans of it are left out, and so on. */
function unread(program: Node, left: readonly Span[]): readonly Span[] {
  const constants = (program.body ?? []).filter(
    ({ type, kind, declarations = [] }) =>
      type === 'VariableDeclaration' && kind === 'const' && declarations.length === 1,
  );
  const found = constants.filter((constant) => {
    const name = constant.declarations?.[0]?.id?.name;
    const isLeft = left.some(({ start }) => start === constant.start);
    return !isLeft && name !== undefined && ![...read(program, [...left, constant])].includes(name);
  });
  return found.length === 0 ? left : unread(program, [...left, ...found]);
}

/**
 * Judging a build asks calculators to run on what it has reckoned itself, and reads neither their texts nor their schemas:
 * it is given them without, and the registry, which is fetched later, has them whole.
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
    const program = this.parse(code, { lang: 'ts' }) as unknown as Node;
    const spans = [...definitions(program)].flatMap((call): Span[] => {
      const { properties = [] } = call.arguments?.[0] ?? {};
      return properties.flatMap((property, at) =>
        LEFT_OUT.has(property.key?.name ?? '')
          ? [{ start: property.start, end: properties[at + 1]?.start ?? property.end }]
          : [],
      );
    });
    const lean = new MagicString(code);
    for (const { start, end } of unread(program, spans)) lean.remove(start, end);
    return { code: lean.toString(), map: lean.generateMap({ hires: true }) };
  },
});
