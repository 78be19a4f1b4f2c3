export { cautionsOf } from './cautions.ts';
export {
  findingsInWords,
  reportInWords,
  type FindingInWords,
  type ReportInWords,
} from './report-in-words.ts';
