import { inUnits, type UnitSystem } from '@zubric/core/quantity';
import { NotPhysical } from '@zubric/core/contract';
import { calculate, calculationProblem, type AnyCalculator } from '@zubric/core/calculators';
import { z } from 'zod';
import { readKey, typeKey } from './key-units.ts';

/** A field of a sum, from the calculator's own schema. */
export interface SumField {
  readonly key: string;
  readonly description: string;
  readonly unit: string;
  readonly required: boolean;
  readonly kind: 'number' | 'choice' | 'switch' | 'rows';
  readonly choices: readonly string[];
  /** The columns of rows; one without a name where a row is a bare number. */
  readonly columns: readonly SumField[];
  readonly fallback: string;
}

interface Node {
  readonly type?: string;
  readonly description?: string;
  readonly unit?: string;
  readonly enum?: readonly unknown[];
  readonly anyOf?: readonly Node[];
  readonly const?: unknown;
  readonly default?: unknown;
  readonly items?: Node;
  readonly properties?: Readonly<Record<string, Node>>;
  readonly required?: readonly string[];
}

const choicesOf = (node: Node): readonly string[] =>
  (node.enum ?? node.anyOf?.map((option) => option.const) ?? []).filter((c) => c !== undefined).map(String);

function fieldOf(key: string, node: Node, required: boolean): SumField {
  const choices = choicesOf(node);
  const kind =
    node.type === 'array'
      ? 'rows'
      : node.type === 'boolean'
        ? 'switch'
        : choices.length > 0
          ? 'choice'
          : 'number';
  return {
    key,
    description: node.description ?? key,
    unit: node.unit ?? '',
    required,
    kind,
    choices,
    columns: node.items
      ? node.items.properties
        ? fieldsOf(node.items)
        : [fieldOf('', node.items, true)]
      : [],
    fallback: node.default === undefined ? '' : String(node.default),
  };
}

/** The fields of an object; those of an object within it stand beside them, their keys joined by a dot. */
const fieldsOf = (node: Node): SumField[] =>
  Object.entries(node.properties ?? {}).flatMap(([key, child]) => {
    const required = node.required?.includes(key) ?? false;
    return child.properties
      ? fieldsOf(child).map((field) => ({
          ...field,
          key: `${key}.${field.key}`,
          required: required && field.required,
        }))
      : [fieldOf(key, child, required)];
  });

/** What stands at a key of several parts. */
const valueAt = (values: Readonly<Record<string, unknown>>, key: string): unknown =>
  key
    .split('.')
    .reduce<unknown>(
      (at, name) =>
        typeof at === 'object' && at !== null ? (at as Record<string, unknown>)[name] : undefined,
      values,
    );

function putAt(
  values: Record<string, unknown>,
  [name = '', ...deeper]: readonly string[],
  value: unknown,
): void {
  if (deeper.length === 0) values[name] = value;
  else putAt((values[name] ??= {}) as Record<string, unknown>, deeper, value);
}

/** The fields of a calculator's input, and the keys of its output with their units. */
export const inputFields = (calculator: AnyCalculator): SumField[] =>
  fieldsOf(z.toJSONSchema(calculator.input, { io: 'input', unrepresentable: 'any' }) as Node);
export const outputFields = (calculator: AnyCalculator): SumField[] =>
  fieldsOf(z.toJSONSchema(calculator.output, { io: 'output', unrepresentable: 'any' }) as Node);

export type Entries = Readonly<Record<string, string>>;

const cell = (value: unknown, field: SumField): string =>
  Array.isArray(value)
    ? value.join(' ')
    : typeof value === 'number' && field.kind === 'number'
      ? typeKey(value, field.unit)
      : String(value);

const rowText = (row: unknown, field: SumField): string =>
  typeof row === 'object' && row !== null
    ? field.columns
        .map((column) => cell((row as Record<string, unknown>)[column.key] ?? '', { ...column, unit: '' }))
        .join(', ')
        // Columns that may be left away at the end are.
        .replace(/(, )+$/, '')
    : String(row);

/** What a calculator was given, as what would be typed for it. */
export const entriesOf = (fields: readonly SumField[], given: Readonly<Record<string, unknown>>): Entries =>
  Object.fromEntries(
    fields.map((field) => {
      const value = valueAt(given, field.key);
      if (value === undefined) return [field.key, ''];
      return [
        field.key,
        field.kind === 'rows'
          ? (value as unknown[]).map((row) => rowText(row, field)).join('\n')
          : cell(value, field),
      ];
    }),
  );

/** The calculator's first worked example as entries. */
export const exampleEntries = (calculator: AnyCalculator, fields: readonly SumField[]): Entries =>
  entriesOf(fields, calculator.examples[0]?.input ?? {});

/** The address of a sum that carries what it is given. What is not given is said to be empty. */
export function sumAddress(calculator: AnyCalculator, given: Readonly<Record<string, unknown>>): string {
  const entries = entriesOf(inputFields(calculator), given);
  return `/sums/${calculator.name}?${new URLSearchParams(entries).toString()}`;
}

export interface Worked {
  /** What the calculator took, defaults filled in. */
  readonly given?: Readonly<Record<string, unknown>>;
  readonly output?: Readonly<Record<string, unknown>>;
  /** What is wrong, by key; under '' what concerns the whole. */
  readonly problems: Readonly<Record<string, string>>;
}

/** A column of several numbers in a row of a table: "100 102 98". */
const severalNumbers = (text: string): number[] =>
  text
    .split(/\s+/)
    .filter((t) => t !== '')
    .map(Number);

function readCell(text: string, field: SumField, say: (why: string) => void): unknown {
  if (field.kind === 'rows') return severalNumbers(text);
  if (field.kind === 'switch') return text === 'true';
  if (field.kind === 'choice')
    return /^\d+$/.test(text) && field.choices.every((c) => /^\d+$/.test(c)) ? Number(text) : text;
  // A label of a row: a column that has neither unit nor number.
  if (field.key === 'label') return text;
  const read = readKey(text, field.unit);
  if (read.ok) return read.value;
  say(read.why);
  return undefined;
}

function readRows(text: string, field: SumField, say: (why: string) => void): unknown[] {
  const [only] = field.columns;
  if (only?.key === '')
    return text
      .split(/[\n,;]+/)
      .map((t) => t.trim())
      .filter((t) => t !== '')
      .map((t) => readCell(t, only, say));
  return text
    .split('\n')
    .filter((line) => line.trim() !== '')
    .map((line) => {
      const cells = line.split(/[,;\t]/).map((t) => t.trim());
      return Object.fromEntries(
        field.columns.flatMap((column, at) => {
          const entry = cells[at] ?? '';
          return entry === '' && !column.required ? [] : [[column.key, readCell(entry, column, say)]];
        }),
      );
    });
}

/** The sum worked: entries read in any units, then the calculator itself. */
export function work(
  calculator: AnyCalculator,
  fields: readonly SumField[],
  entries: Entries,
  system: UnitSystem = 'metric',
): Worked {
  const problems: Record<string, string> = {};
  const input: Record<string, unknown> = {};
  for (const field of fields) {
    const text = (entries[field.key] ?? '').trim();
    const say = (why: string): void => {
      problems[field.key] ??= why;
    };
    if (text === '') {
      if (field.required) say('This is needed.');
      continue;
    }
    putAt(
      input,
      field.key.split('.'),
      field.kind === 'rows' ? readRows(text, field, say) : readCell(text, field, say),
    );
  }
  if (Object.keys(problems).length > 0) return { problems };
  try {
    const output = calculate(calculator.name, input, system) as Record<string, unknown>;
    return { given: calculator.input.parse(input) as Record<string, unknown>, output, problems };
  } catch (error) {
    const problem = calculationProblem(error);
    if (!problem) throw error;
    if (error instanceof NotPhysical) return { problems: { '': inUnits(error.notice.sentence, system) } };
    for (const { path, message } of problem.problems) {
      const about = fields.find(({ key }) => path === key || path.startsWith(`${key}.`));
      problems[about?.key ?? ''] ??= message;
    }
    return { problems };
  }
}
