export { drivelineOf, greatestPull, isOnMotor, trainOf, trainStages, type Driveline } from './driveline.ts';
export { groundOf, resistanceOf } from './demand.ts';
export { evaluate } from './evaluate.ts';
export { BLOCKS, LINKS, linkDefinition, type Block, type LinkId } from './links.ts';
export { closeness, verdictOf } from './margin.ts';
export type * from './report.ts';
export { compareMargins, marginInWords, type MovedMargin } from './compare.ts';
export {
  OPENED,
  workingOf,
  type Opened,
  type Working,
  type WorkingInput,
  type WorkingOrigin,
} from './working.ts';
