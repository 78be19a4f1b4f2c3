export {
  type Driveline,
  drivelineOf,
  greatestPull,
  greatestWheelTorque,
  isOnMotor,
  ratiosOf,
  trainOf,
  trainStages,
} from './driveline.ts';
export { motorShaftOf } from './motor-shaft.ts';
export type { Train } from './report.ts';
export { inertiaInput, innerDriveInput, rotatingFactor } from './rotating.ts';
