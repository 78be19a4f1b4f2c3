export { FORMULA } from './csv.ts';
export { outlineFromDxf, UnreadableDrawing, type ReadOutline } from './outline-from-dxf.ts';
export { placesFromFile, rowsBeside, UnreadablePlaces, type ReadPlaces } from './places-from-file.ts';
export { PART_COLUMNS } from './part-columns.ts';
export {
  UnreadableTable,
  partsFromCsv,
  partsToCsv,
  type BadRow,
  type PartsMapping,
  type ReadColumn,
  type ReadParts,
} from './parts-csv.ts';
