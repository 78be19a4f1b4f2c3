export { COPPER_PER_K, REFERENCE_C } from './copper.ts';
export { dataSheet, type DataSheet } from './data-sheet.ts';
export { dcMotorConstants } from './dc-motor-constants.ts';
export { dcMotorPoint } from './dc-motor-point.ts';
export { motorFromPrint, type Contradiction, type FoundMotor, type MotorFigures } from './printed-motor.ts';
export type { PrintedMotor } from './printed-law.ts';
export { printedFields, printedFrom, type PrintedKey, type PrintedSoFar } from './printed-fields.ts';
export {
  magnetMotor,
  OTHER_LAW,
  seriesMotor,
  type MagnetConstants,
  type MotorModel,
  type MotorPoint,
  type Winding,
} from './model.ts';
export {
  burnTime,
  coldRises,
  heated,
  thermalOf,
  timeToLimit,
  windingAfter,
  windingHeat,
  type Rises,
  type Thermal,
  type ThermalNode,
} from './thermal.ts';
export { steppingMotor } from './stepping-law.ts';
export {
  anyMotor,
  MOTOR_TYPE_NAMES,
  MOTOR_TYPES,
  type MotorNominal,
  type MotorType,
  type MotorTypeName,
} from './types/index.ts';
export {
  benchReading,
  measuredMotor,
  READ_BY,
  READING_KINDS,
  type BenchReading,
  type ReadingKind,
} from './bench-reading.ts';
