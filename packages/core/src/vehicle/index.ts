export {
  FORMAT,
  FORMAT_VERSION,
  PEOPLE,
  buildSchema,
  type Aims,
  type Build,
  type Ground,
  type GroundSoil,
  type InnerDrive,
  type OtherMass,
  type PlacedMass,
  type Steering,
  type VehicleShape,
} from './document.ts';
export {
  AXES,
  FACE_KINDS,
  HOLDS,
  OPENS,
  STACKED,
  SIDES,
  type Arrangement,
  type Axis,
  type Face,
  type FaceKind,
  type Opens,
  type PlacedPart,
  type Printer,
  type WheelOfDrive,
  type Shaft,
  type Shell,
  type Stacked,
  type Side,
  type Zone,
} from './arrangement.ts';
export {
  FRAME_MATERIALS,
  FRAME_MATERIAL_NAMES,
  MOUNTS,
  SECTIONS,
  type FrameMaterial,
  type FrameMaterialName,
  type FrameMember,
  type FrameMount,
} from './frame.ts';
export type { Hole, HoleCircle, OwnSheet } from './own-sheet.ts';
export {
  addShaft,
  addStacked,
  addZone,
  arrange,
  arrangementOf,
  changePlaced,
  movePlaced,
  placePart,
  toPlace,
  type ToPlace,
} from './arrange.ts';
export {
  addFrameMount,
  addHole,
  addMember,
  addOwnSheet,
  changeMember,
  drawnOutline,
  freshCircle,
  freshShell,
  placeStage,
  stagesToPlace,
  USUAL_PRINTER,
  type StageToPlace,
} from './arrange-made.ts';
export { asPlaced, placedKg } from './as-placed.ts';
export { changeMass, type MassKey } from './change-mass.ts';
export { PURPOSES, RELEASES, RELEASE_TITLES, type Drive, type Purpose, type ReleaseKind } from './drive.ts';
export {
  changeDrive,
  driveOf,
  drivesOf,
  drivesThat,
  motorsIn,
  outputsOf,
  servedLayout,
  throughDrive,
  whole,
} from './through.ts';
export { canBe } from './can-be.ts';
export { besidesJobs, rememberedBesidesJobs } from './besides-jobs.ts';
export { besidesPower } from './besides-power.ts';
export { addDrive, DRIVE_KINDS, freshWork, type DriveKind } from './edit-drives.ts';
export { bankOf, type Bank } from './bank.ts';
export { INTERLOCK_ACTS, INTERLOCK_PLACES, type Interlock, type Rail, type WireRun } from './supply.ts';
export type { Work } from './work.ts';
export { rollingDiameter, rollingPlace } from './driven-diameter.ts';
export { rollsAway } from './steep.ts';
export { TASKS, taskOf, taskTitle, type TaskName } from './tasks.ts';
export { PUSHED, pushedOf, type Push, type Pushed } from './push.ts';
export { type Duty, type Extent, type Turn, type UpToSpeed } from './duty.ts';
export { AIMS, MASS_KINDS } from './vehicle.ts';
export { buildJsonSchema, partJsonSchema } from './json-schema.ts';
export * from './layout/index.ts';
export { addAxle, changeAxle, changeDrivenDiameter, changeTrack, removeAxle } from './edit-layout.ts';
export { LAYOUT_TEMPLATES, layoutTemplate, type LayoutTemplate } from './layout-templates.ts';
export { withLayout } from './with-layout.ts';
export { DOUBLE_RULE, ITEMISED, type MarginPolicy } from './margin-policy.ts';
export { dutyOnGround, towedRolling } from './towed.ts';
export { freeId, groundOfSurface, newBuild, newDuty, newGround, newMass, soilFrom } from './new-build.ts';
export { changeFigure, figuresOf, type GroundFigures } from './ground-figures.ts';
export {
  CHOSEN_KINDS,
  isChosen,
  PART_KINDS,
  PART_SORTS,
  WHENCES,
  partSchema,
  type Part,
  type PartInput,
  type ChosenKind,
  type ChosenPart,
  type PartKind,
  type PartOf,
  type Whence,
} from './part.ts';
export {
  type FittedPart,
  batteryOf,
  addPack,
  changePack,
  choosePart,
  driverCountOf,
  driverOf,
  feedFrom,
  motorsOn,
  packsOf,
  propellingMotors,
  withDriverCount,
  withoutDrive,
  fitPart,
  fittedOf,
  piecesOf,
  itselfKg,
  massAllUp,
  powerKg,
  motorOf,
  switchesOnly,
  withCopyOf,
} from './parts-of.ts';
export { openBuild, problemsOf, readBuild, type Problem, type ReadBuild } from './read-build.ts';
export {
  newAssemblyPlan,
  WEEKDAYS,
  type AssemblyPlan,
  type Builder,
  type MarkedLine,
  type MarkedStep,
  type OwnLine,
  type OwnStep,
  type SeenCheck,
  type ServiceLog,
  type Weekday,
} from './assembly-plan.ts';
export { applyChanges, changesBetween, inverseOf, type Change, type Path } from './changes.ts';
export { differencesBetween, type Difference } from './differences.ts';
export { contest, mergeInto, type ChangedBy, type Contested } from './merge.ts';
export { fieldOf, type BuildPart, type KeyOfPart } from './fields.ts';
export { partChoices, partFields, typeOfPart, type PartChoice, type PartField } from './part-fields.ts';
export { settling, usualFigures, type GuessedFigure } from './part-guesses.ts';
export { meaningOf } from './meaning.ts';
export { mayBe, numbersOf, withNumbers, type NumberAt } from './numbers.ts';
export { PART_STATES, PART_STATE_WORDS, type PartState } from './part-state.ts';
export { inWords, placeInWords, type DifferenceInWords } from './words.ts';
export { buildFrom, TEMPLATES, type VehicleTemplate } from './templates.ts';
export {
  DUTY_TEMPLATES,
  dutyFrom,
  dutyTemplatesFor,
  usualPush,
  type DutyTemplate,
  type JobFigure,
} from './duty-templates.ts';
export { scaledTime, scaleOf, usual, type Scale } from './scale.ts';
export { SIZE_CLASSES, sizeClass, type SizeClass } from './size-classes.ts';
export {
  startBuild,
  startJobs,
  surfaceToBegin,
  wheelAsked,
  type StartAnswers,
  type StartJob,
} from './start.ts';
export {
  dataSheetOf,
  motorAbilities,
  motorDoubts,
  driverSort,
  drivesMotor,
  motorModel,
  motorNominal,
  motorThermal,
  stallsUnder,
  turnsUnder,
} from './motors.ts';
export { packCells } from './packs.ts';
export {
  COURSE_FORMAT,
  COURSE_FORMAT_VERSION,
  courseOf,
  courseSchema,
  legSchema,
  type Course,
  type CourseInput,
  type Leg,
  type Patch,
} from './course.ts';
export { controlOf, controlSchema, ENDS, type Control } from './control.ts';
export { type Mismatch } from './mismatch.ts';
export { CASTOR_TRAIL, steeringLock } from './swing.ts';
export {
  BALANCE_COMMANDS,
  balanceFloorSchema,
  balancingSchema,
  CREEP_TURNS,
  creepingSchema,
  FLOOR_KINDS,
  FLOOR_SIDES,
  rollingSchema,
  SPHERE_STOPS,
  STICK_DOES,
  type BalanceCommands,
  type BalanceFloor,
  type Balancing,
  type Creeping,
  type CreepTurns,
  type FloorKind,
  type FloorSides,
  type Rolling,
  type SphereStop,
  type StickDoes,
} from './trying.ts';
