import './without-eval.ts';

export * from './constants.ts';
export { readQuantity, type ReadOptions, type ReadQuantity } from './read.ts';
export type { UnreadQuantity } from './unread.ts';
export {
  celsius,
  figure,
  figuresOf,
  inUnits,
  sentence,
  type Figure,
  type Sentence,
  inside,
  joinedBy,
  type Words,
} from './sentence.ts';
export {
  fieldUnit,
  show,
  showForEditing,
  shownUnit,
  showNumber,
  type Shown,
  type UnitSystem,
} from './show.ts';
export { DIMENSIONS } from './dimensions.ts';
export type { Unit } from './unit.ts';
export { dimensionOf, fromSi, toSi, unitOf, type Dimension } from './units.ts';
export {
  BEYOND,
  assumed,
  isQuantity,
  ORIGINS,
  quantity,
  scaled,
  typed,
  type Origin,
  type Quantity,
} from './quantity-field.ts';
export { boundsOf, isUnusual, withinBounds, type Bounds } from './bounds.ts';
export { fieldsOf, isWithin, type FieldRange, type NumberField } from './fields-of.ts';
export { stepQuantity } from './step.ts';
