export { drivelineOf, greatestPull, isOnMotor, trainOf, trainStages, type Driveline } from './driveline.ts';
export { groundOf } from './footing.ts';
export { rollingOf } from './demand.ts';
export { cautionsOf } from './cautions.ts';
export { extentOf } from './extent.ts';
export { limitsOf, type LimitCheck } from './ground-findings.ts';
export { attainableSpeed } from './attainable-speed.ts';
export { ratioWindowSum } from './ratio-window.ts';
export { evaluate } from './evaluate.ts';
export { BLOCKS, LINKS, linkDefinition, type Block, type LinkId } from './links.ts';
export { closeness, verdictOf } from './margin.ts';
export type * from './report.ts';
export { compareMargins, marginInWords, type MovedMargin } from './compare.ts';
export {
  OPENED,
  calculated,
  chainWorking,
  fixed,
  from,
  isStated,
  worked,
  workingOfWindow,
  workingsOfCircuit,
  ratioWorking,
  workingOf,
  workingOfLink,
  workingOfOuting,
  type Calculation,
  type Opened,
  type OpenedOfOuting,
  type Stated,
  type Working,
  type WorkingInput,
  type WorkingOrigin,
} from './working/index.ts';
