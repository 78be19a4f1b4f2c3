export {
  HUB_KINDS,
  PATH_KINDS,
  allOfPath,
  fittedPathElement,
  freshPathElement,
  holdOf,
  isHub,
  pathElementSchema,
  pathFields,
  pathHolds,
  pathPart,
  pathTitle,
  safetyOf,
  strongerPathElement,
  type Hub,
  type PathElement,
  type PathKind,
  type PathOf,
} from './elements.ts';
export { freshPath } from './fresh.ts';
export type { Beside, Mismatch } from './member.ts';
export { mismatchesOf, type MotorShaft } from './matches.ts';
