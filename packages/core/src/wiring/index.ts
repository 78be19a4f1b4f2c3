export {
  circuitPlan,
  type CircuitPlan,
  type PlannedBoard,
  type PlannedMotor,
  type PlannedRail,
} from './circuit-plan.ts';
export { commandsOf, commandTable, type Command, type CommandRow, type Way } from './command-table.ts';
export { motorPlaces, steersBySides, type MotorPlace, type Side } from './motor-places.ts';
export { wiringMap, type PortProblem, type Wire, type WireEnd, type WiringMap } from './wiring-map.ts';
