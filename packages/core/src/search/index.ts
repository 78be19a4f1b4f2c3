export type { Unfit } from './allowed.ts';
export { putSetIn, type FoundSet, type SetOfParts, type Worth } from './found-set.ts';
export { AIMS, evenWeights, Front, isAsGood, ranked, type Aim, type Weights } from './front.ts';
export { inFull, type SetInFull } from './in-full.ts';
export { usualLimits, type SearchLimits } from './limits.ts';
export {
  search,
  searchSteps,
  type Rejected,
  type SearchAsked,
  type SearchProgress,
  type SearchResult,
} from './search.ts';
export { PART_SORTS, sortOf, type PartSort } from './sorts.ts';
export { trainsOf } from './trains.ts';
