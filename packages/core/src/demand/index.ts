export { askedOf, stancesIn } from './asked.ts';
export { brakedSlowing, brakeOf, type Braking, brakingIn, towedPull } from './braking.ts';
export { askedOfGrip, beyondRoad, catchInput, demandOf, roadLoadInput, sidesAlike } from './demand.ts';
export { extentOf } from './extent.ts';
export {
  accelerationOf,
  cornerOf,
  footingOf,
  groundOf,
  LEAST_MASS,
  loadedMassInput,
  massOf,
  type GradeAndAcceleration,
  speedUpInput,
  stanceOf,
  towedInput,
  wheelLoadInput,
} from './footing.ts';
export { gripLimit, massAlong } from './grip-limit.ts';
export { stepInput } from './obstacle.ts';
export type { BrakeReport, DutyAsked, Footing, Resistance, TipReport, TurnReport } from './report.ts';
export { heapInput, pushOf } from './pushing.ts';
export { meanFigure, meanRollingInput, rollingOf } from './rolling.ts';
export { roughAnswer } from './rough-answer.ts';
export { slideInput } from './sliding.ts';
export { cornerInput, momentsInput, threeAgainstFour, tipInput } from './tipping.ts';
export { turnSweep, type TurnSweep } from './turn-sweep.ts';
export { bendInput, lockedInput, pivotInput, scrubInput, trackInput } from './turning.ts';
