import Papa from 'papaparse';
import { FORMULA } from '../exchange/index.ts';
import type { PartLine } from './parts-list.ts';

const COLUMNS = [
  'part',
  'count',
  'state',
  'arrives on',
  'cost each',
  'cost',
  'mass each kg',
  'mass kg',
] as const;

/** Money in hundredths: sums of prices are not to end in 0000001. */
const money = (sum: number): number => Math.round(sum * 100) / 100;
const GRAMS = 1e6;

/**
 * The parts list as CSV (RFC 4180, one heading line). Names that a spreadsheet would take for formulas are quoted as
 * text.
 *
 * @example partsCsv(partsList(puffin)).split('\r\n')[0] // 'part,count,state,arrives on,cost each,cost,mass ea…'
 */
export const partsCsv = (lines: readonly PartLine[]): string =>
  `${Papa.unparse(
    {
      fields: [...COLUMNS],
      data: lines.map(({ name, count, state, arrivesOn = '', costEach, massEachKg }) => [
        name,
        count,
        state,
        arrivesOn,
        costEach ?? '',
        costEach === undefined ? '' : money(costEach * count),
        massEachKg ?? '',
        massEachKg === undefined ? '' : Math.round(massEachKg * count * GRAMS) / GRAMS,
      ]),
    },
    { escapeFormulae: FORMULA },
  )}\r\n`;
