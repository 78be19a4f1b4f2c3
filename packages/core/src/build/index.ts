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
