export {
  asTwoAxles,
  contactsOf,
  placesOf,
  contactsOfAxle,
  drivelinesOf,
  drivenAxles,
  drivenDiameter,
  drivenWheels,
  fromTheRear,
  trackOf,
  turningOf,
  wheelbaseOf,
  wheelsOf,
  type Contact,
} from './contacts.ts';
export {
  DRIVEN_TOGETHER,
  LAYOUT_KINDS,
  LAYOUT_KIND_NAMES,
  layoutKind,
  type DrivenTogether,
  type LayoutKind,
  type Turning,
} from './kinds.ts';
export { FORMS, FORM_TITLES, layoutSchema, type Axle, type Form, type Layout } from './layout.ts';
