export { attainable, attainableSpeed, settlesBelow } from './attainable-speed.ts';
export {
  type LoadedStage,
  loadedStages,
  motorTorqueOf,
  pathInOrder,
  stallTorque,
  torqueAt,
  drivenAt,
} from './drive-loads.ts';
export { dutyReport } from './duty-report.ts';
export { largeWheels, roomForWheels, type LargeWheel } from './large-wheels.ts';
export { mountInput, pullingAtMount } from './mount.ts';
export { movedOf, playInput, stillLocks } from './moved.ts';
export { onAxleRadius } from './on-axle.ts';
export {
  alikeMotors,
  attainableGiven,
  attainableInput,
  dutyPoint,
  dutyPoints,
  sharesOf,
  motorLoadInput,
  steadyDuty,
  steadyForce,
  wheelTorqueInput,
} from './operating.ts';
export {
  batteryCurrent,
  legsOf,
  lineAfter,
  outingOf,
  peukertOf,
  ratedHoursOf,
  runTimeInput,
  startingInput,
  sunWhileRunning,
  tiredLine,
} from './outing.ts';
export { outingCourse, type CourseAsked, type CourseLeg, type OutingCourse } from './outing-course.ts';
export type { CourseMoment } from './course-stretch.ts';
export type { EnergyFlows } from './energy-flows.ts';
export { flowing, type PowerFlows } from './power-flows.ts';
export { ratioOffers, type RatioOffer, type TeethLimits } from './ratio-offers.ts';
export { commonSpan, ratioWindowSum } from './ratio-window.ts';
export type {
  DriveAtDuty,
  DutyPoint,
  DutyReport,
  OutingDraw,
  RatioSpan,
  RatioWindow,
  TrainReport,
} from './report.ts';
export { mayGoIn, topSpeedInput } from './top-speed.ts';
