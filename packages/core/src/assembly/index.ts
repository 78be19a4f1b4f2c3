export { cautionForBattery, CAUTION_FOR_CHARGER, CAUTION_FOR_SHORTS } from './cautions.ts';
export { dayAfter, daysBetween, weekdayOf, type Day } from './calendar.ts';
export { type PlanProblem } from './edited.ts';
export {
  addHelper,
  addOwnStep,
  changeHelper,
  changeOwnStep,
  circleIf,
  putAfter,
  removeHelper,
  removeStep,
  restoreStep,
  splitStep,
} from './edits.ts';
export { type Fastener } from './fastener.ts';
export { screwTorque } from './fasteners.ts';
export { assemblyCalendar } from './icalendar.ts';
export { partsCsv } from './parts-csv.ts';
export { partsList, partsTotal, type PartLine, type PartsTotal } from './parts-list.ts';
export {
  assemblyOutlook,
  daysMoved,
  orderFirst,
  YOU,
  type AssemblyOutlook,
  type PlannedStep,
} from './plan.ts';
export { ASSEMBLY_RULES, type Rule } from './rules.ts';
export { type RuleId } from './rule-id.ts';
export { A_HELPER, type Hands } from './schedule.ts';
export { assemblySteps, type AssemblySteps } from './steps.ts';
export { type Reason, type Remark, type Step } from './step.ts';
export { addOwnLine, changeOwnLine, markLine, markStep, removeOwnLine, type LineNote } from './marks.ts';
export { checksOf, firstTrial, handOver, sawCheck, type Check, type SeenAt } from './first-power.ts';
export {
  afterOuting,
  lookedAfter,
  serviceDue,
  serviceLog,
  serviceOrder,
  serviceTasks,
  type Every,
  type ServiceDue,
  type ServiceTask,
} from './service.ts';
export { toBuy, toBuyCsv, type ToBuy } from './to-buy.ts';
export { cutList, drillingList, type Cut, type Drilled } from './cut-list.ts';
export { thingsOfStep } from './step-things.ts';
