import Papa from 'papaparse';
import type { z } from 'zod';
import { problemWords } from '../contract/index.ts';
import { readQuantity, type Dimension, type Quantity } from '../quantity/index.ts';
import type { Field } from './field.ts';
import type { TrialReading } from './reading.ts';

/** A column of a table of runs, and the reading that it is taken for; null where it is left out. */
export interface RunsColumn {
  readonly heading: string;
  readonly key: string | null;
}

/** Which reading each column is, by its heading, where its own words do not tell; an empty one is left out. */
export type RunsMapping = Readonly<Record<string, string>>;

/** Runs read from a table, and what is wrong with it, a line each. */
export interface RunsRead {
  /** As they stand in the table; none where it is no table. */
  readonly columns: readonly RunsColumn[];
  readonly readings: readonly TrialReading[];
  readonly problems: readonly string[];
}

const plain = (text: string): string => text.toLowerCase().replace(/[^a-z0-9]+/g, '');

/** Which field a column is: as it is told, else by its key or its title, a unit behind it left out. */
function fieldOfColumn(fields: readonly Field[], header: string, mapping: RunsMapping): Field | undefined {
  if (Object.hasOwn(mapping, header)) return fields.find(({ key }) => key === mapping[header]);
  const [bare = ''] = header.split(/[,([]/);
  return fields.find(({ key, title }) => [key, title].some((name) => plain(name) === plain(bare)));
}

/** The unit that a column's header names, where the reading has such a unit. */
function unitIn(header: string, dimension: Dimension): string | undefined {
  const unit = /[,([]\s*([^\])]+?)\s*[\])]?$/.exec(header)?.[1];
  return unit !== undefined && readQuantity(`1 ${unit}`, dimension).ok ? unit : undefined;
}

function valueOf(
  field: Field,
  header: string,
  text: string,
): Quantity | string | { readonly problem: string } {
  if (field.kind === 'quantity') {
    const read = readQuantity(text, field.dimension, {
      assumedUnit: unitIn(header, field.dimension) ?? field.unit,
    });
    return read.ok
      ? { value: read.value, unit: read.unit, origin: 'measured' }
      : { problem: `${field.title}: ${read.message}` };
  }
  if (field.kind !== 'choice') return text.trim();
  const word = Object.entries(field.options).find(([key, title]) =>
    [key, title].some((name) => plain(name) === plain(text)),
  )?.[0];
  return (
    word ?? { problem: `${field.title}: "${text}" is none of ${Object.values(field.options).join(', ')}` }
  );
}

/**
 * Runs from a table as a spreadsheet or a logger writes it: a line a run, the first line naming the readings, in any order.
 * A bare number is in the unit of its header, else in the usual one.
 *
 * @param mapping which reading a column is, where its heading does not say so
 * @example runsFromCsv([], readingSchema('straight-run', {}), '').readings // []
 */
export function runsFromCsv(
  fields: readonly Field[],
  schema: z.ZodType<TrialReading>,
  text: string,
  mapping: RunsMapping = {},
): RunsRead {
  if (text.trim() === '') return { columns: [], readings: [], problems: [] };
  const { data } = Papa.parse<string[]>(text.trim(), { skipEmptyLines: 'greedy' });
  const [header = [], ...rows] = data;
  const of = header.map((name) => fieldOfColumn(fields, name, mapping));
  const columns = header.map((heading, n): RunsColumn => ({ heading, key: of[n]?.key ?? null }));
  const twice = of.find((field, n) => field !== undefined && of.indexOf(field) < n);
  if (twice)
    return {
      columns,
      readings: [],
      problems: [`Two columns are ${twice.title.toLowerCase()}: leave one out.`],
    };
  if (!of.some(Boolean))
    return {
      columns,
      readings: [],
      problems: [
        `The first line names no reading of this trial: it wants ${fields.map(({ title }) => title).join(', ')}.`,
      ],
    };
  const problems: string[] = [];
  const readings = rows.flatMap((row, at): TrialReading[] => {
    const reading: Record<string, Quantity | string> = { note: '' };
    const wrong: string[] = [];
    of.forEach((field, n) => {
      const cell = row[n]?.trim() ?? '';
      if (!field || cell === '') return;
      const value = valueOf(field, header[n] ?? '', cell);
      if (typeof value === 'object' && 'problem' in value) wrong.push(value.problem);
      else reading[field.key] = value;
    });
    const read = schema.safeParse(reading);
    if (!read.success && wrong.length === 0)
      wrong.push(...read.error.issues.map((issue) => `${issue.path.join('.')}: ${problemWords(issue)}`));
    problems.push(...wrong.map((problem) => `Line ${at + 2}: ${problem}`));
    return read.success && wrong.length === 0 ? [read.data] : [];
  });
  return { columns, readings, problems };
}
