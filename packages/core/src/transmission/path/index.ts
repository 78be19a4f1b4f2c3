export {
  HUB_KINDS,
  PATH_KINDS,
  isHub,
  pathElementSchema,
  pathFields,
  pathTitle,
  type HubKind,
  type PathElement,
  type PathKind,
  type PathOf,
} from './elements.ts';
export { freshPath, freshPathElement } from './fresh.ts';
export { heldInput, holdSum, pathHolds, safetyOf, type HoldSum } from './hold.ts';
export { mismatchesOf, type Mismatch, type MotorShaft } from './matches.ts';
