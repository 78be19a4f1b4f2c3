export { cautionForBattery, CAUTION_FOR_CHARGER, CAUTION_FOR_SHORTS } from './cautions.ts';
export { dayAfter, daysBetween, weekdayOf, type Day } from './calendar.ts';
export { partsCsv } from './parts-csv.ts';
export { partsList, partsTotal, type PartLine, type PartsTotal } from './parts-list.ts';
export { assemblyOutlook, type AssemblyOutlook, type PlannedStep } from './plan.ts';
export { addOwnLine, changeOwnLine, markLine, markStep, removeOwnLine, type LineNote } from './marks.ts';
