export { FORMULA } from './csv.ts';
export {
  UnreadableTable,
  partsFromCsv,
  partsToCsv,
  type BadRow,
  type ReadColumn,
  type ReadParts,
} from './parts-csv.ts';
