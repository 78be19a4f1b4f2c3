export {
  changeInWords,
  compareMargins,
  marginAlone,
  marginInWords,
  saysVerdict,
  type MovedMargin,
} from './compare.ts';
export { ALLOWED_TWIST, axleLinks, driveLinks, wholeDriveLinks } from './drive-links.ts';
export {
  dutiesAndDrives,
  evaluate,
  type Margins,
  marginsAtRest,
  marginsInDuty,
  marginsOf,
} from './evaluate.ts';
export { limitsOf } from './event-limits.ts';
export {
  marginId,
  SEVERITIES,
  type Cure,
  type Finding,
  type FindingAbout,
  type FindingCode,
  type FindingOf,
  type Severity,
} from './finding.ts';
export { firstToGive } from './first-to-give.ts';
export { groundLinks, steerInput } from './ground-links.ts';
export { type Block, BLOCKS, isElectrical, linkDefinition, type LinkId, MENDED_AT } from './links.ts';
export { causeOf } from './margin-findings.ts';
export { closeness, isUnderRule, partsOfLink, standsStill, turnsAt } from './margin.ts';
export { type Aim, payloadSweep, scoreOf, type Sweep, type SweepPoint } from './payload-sweep.ts';
export { INSIDE, ratiosWanted, SAME } from './ratios-wanted.ts';
export { type LinkReport, type Report, type Verdict, VERDICTS } from './report.ts';
export { MOST_OF_VEHICLE, shortlist, ratioOfWork, type Suited } from './shortlist.ts';
export { stageAs, type StageAs } from './stage-as.ts';
export { hardestLoad } from './wheel-load.ts';
export {
  ampacityOf,
  FUSE,
  fuseOf,
  fuseThatSuits,
  leastFuse,
  mainSwitchOf,
  railDraw,
  steadyMost,
} from './supply-links.ts';
export { heldCurrent, startA } from './outing-links.ts';
export { reportThrough } from './report-through.ts';
export type { DriveReport, TurnedReport } from './report.ts';
export { askedOfSteering, steeringLinks } from './steering-links.ts';
export { fastestAgainst, greatestAt, workLinks, workPoint } from './work-links.ts';
