import Papa from 'papaparse';
import type { z } from 'zod';
import { problemWords } from '../contract/index.ts';
import { readQuantity, type Quantity } from '../quantity/index.ts';
import type { Field } from './field.ts';
import type { TrialReading } from './reading.ts';

/** Runs read from a table, and what is wrong with it, a line each. */
export interface RunsRead {
  readonly readings: readonly TrialReading[];
  readonly problems: readonly string[];
}

const plain = (text: string): string => text.toLowerCase().replace(/[^a-z0-9]+/g, '');

/** Which field a column is: by its key or its title, a unit behind it left out. */
function fieldOfColumn(fields: readonly Field[], header: string): Field | undefined {
  const [bare = ''] = header.split(/[,([]/);
  return fields.find(({ key, title }) => [key, title].some((name) => plain(name) === plain(bare)));
}

/** The unit that a column's header names. */
const unitIn = (header: string): string | undefined =>
  /[,([]\s*([^\])]+)\s*[\])]?$/.exec(header)?.[1]?.trim();

function valueOf(
  field: Field,
  header: string,
  text: string,
): Quantity | string | { readonly problem: string } {
  if (field.kind === 'quantity') {
    const read = readQuantity(text, field.dimension, { assumedUnit: unitIn(header) ?? field.unit });
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
 * @example runsFromCsv([], readingSchema('straight-run', {}), '').readings // []
 */
export function runsFromCsv(
  fields: readonly Field[],
  schema: z.ZodType<TrialReading>,
  text: string,
): RunsRead {
  if (text.trim() === '') return { readings: [], problems: [] };
  const { data } = Papa.parse<string[]>(text.trim(), { skipEmptyLines: 'greedy' });
  const [header = [], ...rows] = data;
  const columns = header.map((name) => fieldOfColumn(fields, name));
  if (!columns.some(Boolean))
    return {
      readings: [],
      problems: [
        `The first line names no reading of this trial: it wants ${fields.map(({ title }) => title).join(', ')}.`,
      ],
    };
  const problems: string[] = [];
  const readings = rows.flatMap((row, at): TrialReading[] => {
    const reading: Record<string, Quantity | string> = { note: '' };
    const wrong: string[] = [];
    columns.forEach((field, n) => {
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
  return { readings, problems };
}
