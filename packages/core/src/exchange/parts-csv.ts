import Papa from 'papaparse';
import { dimensionOf, readQuantity, type Dimension } from '../quantity/index.ts';
import {
  PART_KINDS,
  partChoices,
  partFields,
  partSchema,
  problemsOf,
  type Part,
  type PartField,
  type PartKind,
} from '../vehicle/index.ts';
import { FORMULA } from './csv.ts';
import { CHOICES, COLUMNS, FIGURES, GEARHEAD, GUESSED } from './part-columns.ts';

/** What stands at a dotted place of a part. */
const at = (part: object, place: string): unknown =>
  place
    .split('.')
    .reduce<unknown>(
      (inside, key) =>
        typeof inside === 'object' && inside !== null ? (inside as Record<string, unknown>)[key] : undefined,
      part,
    );

/**
 * Parts as CSV (RFC 4180), a column a key; `guessed.` before a key heads how far off that figure may be.
 *
 * @example partsToCsv([]).split('\r\n').length // 3
 */
export function partsToCsv(parts: readonly Part[]): string {
  const guessed = [...new Set(parts.flatMap((part) => Object.keys(part.guessed ?? {})))].sort();
  const columns = [...COLUMNS, ...guessed.map((key) => GUESSED + key)];
  const cell = (value: unknown): unknown =>
    value === undefined ? '' : typeof value === 'boolean' ? (value ? 'yes' : 'no') : value;
  const rows = parts.map((part) => columns.map((column) => cell(at(part, column))));
  return `${Papa.unparse({ fields: columns, data: rows }, { escapeFormulae: FORMULA })}\r\n`;
}

/** What a column of a file is taken for. */
export interface ReadColumn {
  readonly heading: string;
  /** The key of the part; null where nothing has that name: what stands in it is left out. */
  readonly key: string | null;
  /** The unit of bare numbers in it. */
  readonly unit: string | null;
}

/** A row that is no part, and why; lines are counted as in the file, the heading is line 1. */
export interface BadRow {
  readonly line: number;
  readonly problems: readonly string[];
}

/** Parts read from a table: good rows, and what is wrong with each other one. */
export interface ReadParts {
  readonly columns: readonly ReadColumn[];
  readonly parts: readonly { readonly line: number; readonly part: Part }[];
  readonly bad: readonly BadRow[];
}

/** A file that is no table of parts at all, and why. */
export class UnreadableTable extends Error {}

/** What a table is told to be where its own words do not tell. */
export interface PartsMapping {
  /** Which key a column is of, by its heading; an empty one is left out. */
  readonly columns?: Readonly<Record<string, string>> | undefined;
  /** What all of its parts are where no column says so. */
  readonly kind?: PartKind | undefined;
}

const plain = (text: string): string => text.toLowerCase().replace(/[^\p{L}\p{Nd}.]/gu, '');
const NAMES: ReadonlyMap<string, string> = new Map(
  [
    ...COLUMNS.map((key) => [key, key] as const),
    ...PART_KINDS.flatMap((kind) =>
      [...partFields(kind), ...partChoices(kind)].map(({ title, key }) => [title, key] as const),
    ),
  ].map(([name, key]) => [plain(name), key]),
);

/** A heading: a key or a title, or what it is told to be; and the unit of its bare numbers in brackets behind it. */
function columnOf(heading: string, { columns = {} }: PartsMapping): ReadColumn {
  const found = /^(.*?)\s*[([]([^)\]]*)[)\]]\s*$/.exec(heading.trim());
  const name = found?.[1] ?? heading.trim();
  const guess = name.startsWith(GUESSED) && FIGURES.has(name.slice(GUESSED.length)) ? name : undefined;
  const own = NAMES.get(plain(name)) ?? guess ?? null;
  const told = Object.hasOwn(columns, heading) ? columns[heading] : undefined;
  const key = told === undefined ? own : COLUMNS.includes(told) ? told : null;
  const unit = found?.[2]?.trim() ?? '';
  const field = key === null ? undefined : FIGURES.get(key);
  // A price has no unit of ours, whatever money stands in its heading; nor has a count.
  const measured = field && (field.dimension !== 'number' || field.unit !== undefined);
  return { heading, key, unit: measured && unit !== '' ? symbolOf(field.dimension, unit) : null };
}

/** The symbol of a unit that is written in any of its ways; as it is where the dimension has none such. */
const symbolOf = (dimension: Dimension, written: string): string => {
  const read = readQuantity(`1 ${written}`, dimension);
  return read.ok ? read.unit : written;
};

type Cell = { readonly value: unknown } | { readonly problem: string };

function figureFrom(text: string, field: PartField, unit: string | null): Cell {
  const known = dimensionOf(field.dimension).units.some(({ symbol }) => symbol === unit);
  if (unit !== null && !known && unit !== field.unit)
    return { problem: `"${unit}" is no unit of ${field.title.toLowerCase()}` };
  const assumedUnit = (known ? unit : undefined) ?? (field.quantityOf(1).unit || undefined);
  const read = readQuantity(text, field.dimension, assumedUnit === undefined ? {} : { assumedUnit });
  return read.ok
    ? { value: field.figureOf({ value: read.value, unit: read.unit, origin: 'typed' }) }
    : { problem: [read.message, ...(read.readings ?? []).map((reading) => reading.text)].join(' ') };
}

const YES_NO: Readonly<Record<string, boolean>> = {
  yes: true,
  true: true,
  '1': true,
  no: false,
  false: false,
  '0': false,
};

function cellOf(text: string, { key, unit }: ReadColumn): Cell {
  const field = key === null ? undefined : FIGURES.get(key);
  if (field) return figureFrom(text, field, unit);
  if (key !== null && CHOICES.has(key) && CHOICES.get(key)?.of === undefined) {
    const value = YES_NO[text.toLowerCase()];
    return value === undefined ? { problem: 'this is yes or no' } : { value };
  }
  if (key?.startsWith(GUESSED) || (GEARHEAD as readonly string[]).includes(key ?? '')) {
    const number = Number(text.replace(',', '.'));
    return Number.isFinite(number) ? { value: number } : { problem: `"${text}" is no number` };
  }
  // What the table itself wrote so that a spreadsheet takes it for no formula.
  return { value: FORMULA.test(text.slice(1)) && text.startsWith("'") ? text.slice(1) : text };
}

/** One row as a part, or what is wrong with it, each by the heading of its column. */
function partOf(
  cells: readonly string[],
  columns: readonly ReadColumn[],
  kind: PartKind | undefined,
): Part | { readonly problems: readonly string[] } {
  const made: Record<string, unknown> = { id: 'new', ...(kind === undefined ? {} : { kind }) };
  const problems: string[] = [];
  columns.forEach((column, n) => {
    const text = (cells[n] ?? '').trim();
    if (text === '' || column.key === null) return;
    const cell = cellOf(text, column);
    if ('problem' in cell) problems.push(`${column.heading}: ${cell.problem}`);
    else {
      const [first = '', second] = column.key.split('.');
      made[first] = second === undefined ? cell.value : { ...(made[first] as object), [second]: cell.value };
    }
  });
  if (cells.length > columns.length) problems.push('it has more cells than there are columns');
  if (problems.length > 0) return { problems };
  if (!PART_KINDS.includes(made.kind as PartKind))
    return { problems: [`kind: this is one of ${PART_KINDS.join(', ')}`] };
  const read = partSchema.safeParse(made);
  return read.success
    ? read.data
    : { problems: problemsOf(read.error).map(({ path, message }) => `${path}: ${message}`) };
}

const UNHEADED =
  'The first line must head the columns: “kind” and “name” at least, then the figures by their keys.';

/** Lines of the file that a row takes: a note may have several. */
const linesOf = (cells: readonly string[]): number =>
  1 + cells.reduce((sum, cell) => sum + (cell.match(/\r\n|\r|\n/g)?.length ?? 0), 0);

/**
 * Parts from CSV with a heading line. Columns are headed by the keys of a part or by their titles, in any order, with a
 * unit in brackets where bare numbers are of another than the key's; a cell may bring its own unit. Good rows are read,
 * each other one is told with its line. A part without an `id` has the id "new".
 *
 * @param mapping which key a column is of, and what kind its parts are, where the table does not say so
 * @throws UnreadableTable where the file is cut off within a quoted cell, is empty, or has two columns of one key
 * @example partsFromCsv('kind,name,massKg\r\nspacer,Brass spacer,0.01').parts.length // 1
 */
export function partsFromCsv(text: string, mapping: PartsMapping = {}): ReadParts {
  const { data, errors } = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { skipEmptyLines: false });
  if (errors.some(({ code }) => code === 'MissingQuotes'))
    throw new UnreadableTable('The file ends within a quoted cell: it is cut off. Nothing of it is taken.');
  const [headings = [], ...rows] = data;
  const columns = headings.map((heading) => columnOf(heading, mapping));
  const twice = columns.find(
    ({ key }, n) => key !== null && columns.findIndex((other) => other.key === key) < n,
  );
  if (twice) throw new UnreadableTable(`Two columns are of “${twice.key}”: leave one out.`);
  const heads = (wanted: string): boolean => columns.some(({ key }) => key === wanted);
  if (rows.length === 0) throw new UnreadableTable(UNHEADED);
  if (!heads('name') || !(heads('kind') || mapping.kind))
    return { columns, parts: [], bad: [{ line: 1, problems: [UNHEADED] }] };
  const parts: { line: number; part: Part }[] = [];
  const bad: BadRow[] = [];
  let next = 1 + linesOf(headings);
  for (const cells of rows) {
    const line = next;
    next += linesOf(cells);
    if (cells.every((cell) => cell.trim() === '')) continue;
    const read = partOf(cells, columns, mapping.kind);
    if ('id' in read) parts.push({ line, part: read });
    else bad.push({ line, problems: read.problems });
  }
  return { columns, parts, bad };
}
