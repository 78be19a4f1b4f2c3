export { drivelineOf, greatestPull, isOnMotor, trainOf, trainStages, type Driveline } from './driveline.ts';
export { accelerationOf, footingOf, groundOf, stanceOf, type Motion, type Stance } from './footing.ts';
export { firstToGive, type FirstToGive } from './first-to-give.ts';
export { gripLimit, massAlong, type GripLimit, type PlacePoint } from './grip-limit.ts';
export { payloadSweep, scoreOf, type Aim, type Sweep, type SweepPoint } from './payload-sweep.ts';
export { turnSweep, type TurnSweep } from './turn-sweep.ts';
export { threeAgainstFour, type WheelCount } from './tipping.ts';
export { roughAnswer, type RoughAnswer } from './rough-answer.ts';
export { askedOfGrip } from './demand.ts';
export { rollingOf } from './rolling.ts';
export { cautionsOf } from './cautions.ts';
export { extentOf } from './extent.ts';
export { limitsOf, type LimitCheck } from './event-limits.ts';
export { attainableSpeed } from './attainable-speed.ts';
export { ratioWindowSum } from './ratio-window.ts';
export { evaluate } from './evaluate.ts';
export { BLOCKS, LINKS, linkDefinition, type Block, type LinkId } from './links.ts';
export { closeness, isUnderRule, verdictOf } from './margin.ts';
export * from './report.ts';
export { compareMargins, marginInWords, type MovedMargin } from './compare.ts';
export {
  OPENED,
  calculated,
  chainWorking,
  fixed,
  from,
  isStated,
  shelf,
  worked,
  workingOfWindow,
  workingsOfCircuit,
  ratioWorking,
  workingOf,
  workingOfLink,
  workingOfOuting,
  stopWorking,
  tipWorking,
  type Calculation,
  type Opened,
  type OpenedOfOuting,
  type Stated,
  type Working,
  type WorkingInput,
  type WorkingOrigin,
} from './working/index.ts';
export { motorShaftOf } from './drive-findings.ts';
export { loadedStages, pathInOrder, torqueAt, type LoadedStage } from './drive-loads.ts';
export { mountInput, onAxleRadius, stallTorque } from './drive-links.ts';
export { ratioOffers, type RatioOffer, type TeethLimits } from './ratio-offers.ts';
export { stageAs, type StageAs } from './stage-as.ts';
export { playInput } from './moved.ts';
export { moves, movesOfFinding, type Move, type MovesFor } from './moves/index.ts';
export { shortlist, type Suited } from './shortlist.ts';
