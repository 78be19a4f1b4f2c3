export {
  FORMAT,
  FORMAT_VERSION,
  buildSchema,
  type Build,
  type Duty,
  type Ground,
  type PlacedMass,
} from './document.ts';
export { buildJsonSchema } from './json-schema.ts';
export { drivenWheels, type Layout } from './layout.ts';
export { DOUBLE_RULE, ITEMISED, type MarginPolicy } from './margin-policy.ts';
export { freeId, newBuild, newDuty, newGround } from './new-build.ts';
export { PART_KINDS, partSchema, type Part, type PartKind, type PartOf } from './part.ts';
export { batteryOf, choosePart, driverOf, motorOf } from './parts-of.ts';
export { problemsOf, readBuild, type Problem, type ReadBuild } from './read-build.ts';
export {
  newAssemblyPlan,
  WEEKDAYS,
  type AssemblyPlan,
  type MarkedLine,
  type MarkedStep,
  type OwnLine,
  type Weekday,
} from './assembly-plan.ts';
export { applyChanges, changesBetween, inverseOf, type Change, type Path } from './changes.ts';
export { differencesBetween, type Difference } from './differences.ts';
export { contest, mergeInto, type ChangedBy, type Contested } from './merge.ts';
export { meaningOf } from './meaning.ts';
export { PART_STATES, PART_STATE_WORDS, type PartState } from './part-state.ts';
export { inWords, type DifferenceInWords } from './words.ts';
export { buildFrom, TEMPLATES, type Template } from './templates.ts';
