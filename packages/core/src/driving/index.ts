export { movesOf, type CourseMove, type Spot } from './course.ts';
export { meantPath, type MeantPose } from './meant-path.ts';
export { SCHOOLS, type School } from './schools.ts';
export { NO_MISMATCH, USUAL_MISMATCH } from './mismatch.ts';
export { rigOf, whyNotDriven, type DrivenRig, type NotDriven } from './rig-of-build.ts';
export {
  driveOnce,
  readyCourse,
  runTold,
  type DriveAsk,
  type DrivenCourse,
  type RunTold,
} from './drive-build.ts';
export {
  cloudOf,
  driveReport,
  driveSteps,
  type Cloud,
  type CloudReport,
  type Ellipse,
  type CloudRuns,
} from './cloud.ts';
export {
  asSchool,
  nearEnough,
  studySteps,
  turnFactorOf,
  type Cause,
  type DriveFinding,
  type DriveFindingKind,
  type DriveMove,
  type DriveStudy,
} from './causes.ts';
export type { CourseEnd, PathPoint, Slipping } from './run-course.ts';
export type { Led, Rig } from './rig.ts';
export {
  FAIL_SAFE_S,
  HandRun,
  HANDS_OFF,
  replayed,
  type Hand,
  type HandAt,
  type HandState,
} from './hand-run.ts';
export type { RigContact } from './rig.ts';
