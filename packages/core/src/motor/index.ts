export { COPPER_PER_K, REFERENCE_C } from './copper.ts';
export { dataSheet, type DataSheet } from './data-sheet.ts';
export { dcMotorAtVoltage } from './dc-motor-at-voltage.ts';
export { dcMotorConstants } from './dc-motor-constants.ts';
export { dcMotorFit } from './dc-motor-fit.ts';
export { dcMotorPoint } from './dc-motor-point.ts';
export { motorHeat } from './motor-heat.ts';
export { seriesMotorPoint } from './series-motor-point.ts';
export {
  motorFromPrint,
  type Contradiction,
  type FoundMotor,
  type MotorFigures,
  type PrintedMotor,
} from './printed-motor.ts';
export { printedFields, printedFrom, type PrintedKey, type PrintedSoFar } from './printed-fields.ts';
export { brushlessConstants } from './brushless-constants.ts';
export { servoMotor } from './servo-motor.ts';
export { steppingMotorTorque } from './stepping-motor-torque.ts';
