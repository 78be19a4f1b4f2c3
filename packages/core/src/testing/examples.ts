/** Examples that stand in comments: found, worked out and held against what they say. */
import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import ts from 'typescript';

/** One `@example` of an exported function or value: what is asked, and what it gives. */
export interface Example {
  /** The file below `packages/core/src`. */
  readonly file: string;
  /** What it is an example of. */
  readonly of: string;
  readonly call: string;
  readonly gives: string;
}

export const CORE = 'packages/core/src';

/** The files of the core that are none of its tests, below `packages/core/src`. */
export const coreFiles = (): string[] =>
  readdirSync(CORE, { recursive: true, encoding: 'utf8' })
    .filter((file) => /(?<!\.test|\.d)\.ts$/.test(file) && !file.startsWith('testing/'))
    .sort();

const parsed = (name: string, text: string): ts.SourceFile =>
  ts.createSourceFile(name, text, ts.ScriptTarget.Latest, true);

const isExported = (node: ts.Statement): boolean =>
  ts.canHaveModifiers(node) &&
  (ts.getModifiers(node) ?? []).some(({ kind }) => kind === ts.SyntaxKind.ExportKeyword);

/** What a statement exports by itself: its name, whether it is called, and the comment that stands before it. */
interface Exported {
  readonly name: string;
  readonly isFunction: boolean;
  /** A calculator brings its purpose, source, limits and examples; the type of a value is told with the value. */
  readonly tellsItself: boolean;
  readonly comment: string | undefined;
}

function exportedBy(statement: ts.Statement): Exported | undefined {
  if (!isExported(statement)) return undefined;
  const docs = ts.getJSDocCommentsAndTags(statement).filter(ts.isJSDoc);
  const comment = docs.at(-1)?.getText();
  if (ts.isVariableStatement(statement)) {
    const [first] = statement.declarationList.declarations;
    const value = first?.initializer;
    const isFunction = value !== undefined && (ts.isArrowFunction(value) || ts.isFunctionExpression(value));
    const tellsItself = value?.getText().startsWith('defineCalculator(') === true;
    return { name: first?.name.getText() ?? '', isFunction, tellsItself, comment };
  }
  const { name } = statement as ts.DeclarationStatement;
  const tellsItself = ts.isTypeAliasDeclaration(statement) && statement.type.getText().includes('typeof ');
  return (
    name && { name: name.getText(), isFunction: ts.isFunctionDeclaration(statement), tellsItself, comment }
  );
}

/** Everything that a file exports where it is written. */
export const exportsOf = (file: string): readonly Exported[] =>
  parsed(file, readFileSync(join(CORE, file), 'utf8')).statements.flatMap((s) => exportedBy(s) ?? []);

/** What the rooms show to others, by the file where it is written. */
export function shownByRooms(): readonly (Exported & { readonly file: string })[] {
  const indexes = coreFiles().filter((file) => /^[\w-]+\/index\.ts$/.test(file));
  return indexes.flatMap((index) =>
    parsed(index, readFileSync(join(CORE, index), 'utf8')).statements.flatMap((statement) => {
      if (!ts.isExportDeclaration(statement) || statement.isTypeOnly) return [];
      const { moduleSpecifier: from, exportClause: named } = statement;
      if (!from || !ts.isStringLiteral(from) || !named || !ts.isNamedExports(named)) return [];
      const file = join(index, '..', from.text);
      const names = named.elements.map(({ name, propertyName }) => (propertyName ?? name).text);
      return exportsOf(file).flatMap((found) => (names.includes(found.name) ? [{ ...found, file }] : []));
    }),
  );
}

/** The examples of a comment: each `call // what it gives`, over as many lines as it takes. */
function examplesIn(comment: string): { readonly call: string; readonly gives: string }[] {
  const plain = comment
    .replace(/^\/\*\*|\*\/$/g, '')
    .split('\n')
    .map((line) => line.replace(/^\s*\* ?/, ''))
    .join('\n');
  return plain
    .split('@example')
    .slice(1)
    .map((rest) => rest.split(/\n@|\n\n/)[0] ?? '')
    .flatMap((text) => {
      const at = text.indexOf('//');
      return [
        {
          call: text.slice(0, at < 0 ? undefined : at).trim(),
          gives: at < 0 ? '' : text.slice(at + 2).trim(),
        },
      ];
    });
}

/** Every example of the core. */
export const examplesOfCore = (): readonly Example[] =>
  coreFiles().flatMap((file) =>
    exportsOf(file).flatMap(({ name, comment }) =>
      comment === undefined ? [] : examplesIn(comment).map((found) => ({ file, of: name, ...found })),
    ),
  );

/** What an example says it gives, as an expression: `…` stands for whatever else there is, and words may follow a number. */
function said(gives: string): ts.Expression {
  const [number] = /^-?\d[\d.e+-]*/.exec(gives) ??
    /^(?:null|undefined|true|false|NaN|Infinity)\b/.exec(gives) ?? [gives];
  const text = number.replace(/…(?=\s*[\]}])/g, '...more');
  const [first] = parsed('said.ts', `(${text})`).statements;
  if (!first || !ts.isExpressionStatement(first))
    throw new Error(`"${gives}" says nothing that can be held against`);
  return first.expression;
}

const isMore = (node: ts.Node): boolean => ts.isSpreadElement(node) || ts.isSpreadAssignment(node);

/** Half of the last digit that is written. */
function halfDigit(text: string): number {
  const [mantissa = '', exponent = '0'] = text.toLowerCase().split('e');
  return 0.5 * 10 ** (Number(exponent) - (mantissa.split('.')[1] ?? '').length);
}

/** What is not as it is said, in words; nothing where all is. */
export function unlike(actual: unknown, node: ts.Expression, at = 'it'): string[] {
  const not = (what: string): string[] => [
    `${at} is ${JSON.stringify(actual) ?? String(actual)}, not ${what}`,
  ];
  if (ts.isParenthesizedExpression(node)) return unlike(actual, node.expression, at);
  if (ts.isStringLiteralLike(node)) {
    // A blank that does not break is a blank to who reads the comment.
    const plain = typeof actual === 'string' ? actual.replace(/[\u00a0\u202f]/g, ' ') : undefined;
    const wanted = node.text.replace(/[\u00a0\u202f]/g, ' ');
    const isSame = wanted.endsWith('…') ? plain?.startsWith(wanted.slice(0, -1)) : plain === wanted;
    return isSame === true ? [] : not(node.getText());
  }
  const text = node.getText();
  if (/^-?[\d.]/.test(text)) {
    // Of a whole number more digits are meant than stand there.
    const off = /[.e]/.test(text)
      ? halfDigit(text) * 1.000001
      : 5e-4 * Math.max(1e-3, Math.abs(Number(text)));
    return typeof actual === 'number' && Math.abs(actual - Number(text)) <= off ? [] : not(text);
  }
  if (ts.isArrayLiteralExpression(node)) {
    if (!Array.isArray(actual)) return not('a list');
    const elements = node.elements.filter((element) => !isMore(element));
    const open = elements.length < node.elements.length;
    if (open ? actual.length < elements.length : actual.length !== elements.length)
      return not(`a list of ${elements.length}`);
    return elements.flatMap((element, n) => unlike(actual[n], element, `${at}[${n}]`));
  }
  if (ts.isObjectLiteralExpression(node)) {
    if (typeof actual !== 'object' || actual === null) return not('an object');
    const properties = node.properties.filter((property) => !isMore(property));
    const named = properties.filter(ts.isPropertyAssignment);
    const has = Object.keys(actual).filter((key) => (actual as Record<string, unknown>)[key] !== undefined);
    const names = named.map(({ name }) => (ts.isStringLiteral(name) ? name.text : name.getText()));
    const beyond =
      properties.length < node.properties.length ? [] : has.filter((key) => !names.includes(key));
    return [
      ...beyond.map((key) => `${at} has ${key} too`),
      ...named.flatMap(({ initializer }, n) =>
        unlike((actual as Record<string, unknown>)[names[n] ?? ''], initializer, `${at}.${names[n]}`),
      ),
    ];
  }
  const plain: Record<string, unknown> = { null: null, undefined, true: true, false: false, NaN, Infinity };
  if (!(text in plain)) return not(`what can be held against: ${text}`);
  return Object.is(actual, plain[text]) ? [] : not(text);
}

/** Works an example out with what it may name, waits for what it promises, and tells what is not as it says. */
export async function wrongIn(
  { call, gives }: Example,
  scope: Readonly<Record<string, unknown>>,
): Promise<string[]> {
  if (gives === '') return ['it does not say what it gives'];
  const names = Object.keys(scope);
  const work = new Function(...names, `return (${call})`) as (...given: unknown[]) => unknown;
  const run = async (): Promise<unknown> => await work(...names.map((name) => scope[name]));
  const thrown = /^throws (\w+)(?:: (.*))?$/s.exec(gives);
  if (!thrown) return unlike(await run(), said(gives));
  try {
    return [`it gives ${JSON.stringify(await run())} and does not throw`];
  } catch (error) {
    const { name, message } = error as Error;
    return name === thrown[1] && message.includes(thrown[2] ?? '') ? [] : [`it throws ${name}: ${message}`];
  }
}
