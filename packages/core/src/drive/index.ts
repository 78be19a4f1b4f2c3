export { drivelineOf, propelling, together } from './driveline.ts';
export { alwaysDrawn, railPower, type Driveline } from './line-alone.ts';
export { motorShaftOf } from './motor-shaft.ts';
export type { Train } from './report.ts';
export { flatOut, greatestPull, greatestWheelTorque, pullsAt, type FlatOut, type RoadLine } from './road.ts';
export { inertiaInput, innerDriveInput, rotatingFactor } from './rotating.ts';
export { isOnMotor, ratiosOf, trainOf, trainStages } from './train.ts';
export { cableOhm, channelOhm, leadOhm } from './wiring.ts';
export {
  askedOfWork,
  pointWhere,
  ratioBehindMotor,
  shareOfTime,
  worksDraw,
  type DrivenPoint,
  type Turned,
  type WorksDraw,
} from './works.ts';
