export { chainDrive } from './chain-drive.ts';
export { CHAIN_NAMES, CHAIN_SIZES, chainSize, type ChainName } from './chains.ts';
export { allowedLoad } from './allowed-load.ts';
export { deliveredTorque } from './delivered-torque.ts';
export { bevelPair } from './bevel-pair.ts';
export { frictionWheel } from './friction-wheel.ts';
export { reflectedInertia } from './reflected-inertia.ts';
export { rimPull } from './rim-pull.ts';
export { boltCircle } from './bolt-circle.ts';
export { clampHold } from './clamp-hold.ts';
export { mountPull } from './mount-pull.ts';
export { playSum } from './play-sum.ts';
export { pressFit } from './press-fit.ts';
export { torqueHeld } from './torque-held.ts';
export { tyreHold } from './tyre-hold.ts';
export { frictionBelt } from './friction-belt.ts';
export { gearBending } from './gear-bending.ts';
export { teethForRatio } from './teeth-for-ratio.ts';
export { gearOutline, halfToothAngle, type Point } from './gear-outline.ts';
export { gearPair } from './gear-pair.ts';
export { keyShear } from './key-shear.ts';
export { motorLoad } from './motor-load.ts';
export { planetary } from './planetary.ts';
export { SET_SCREW_SIZES, setScrewHold } from './set-screw-hold.ts';
export { shaftTorsion } from './shaft-torsion.ts';
export { spool } from './spool.ts';
export { timingBelt } from './timing-belt.ts';
export { trainRatio } from './train-ratio.ts';
export { trackLoop } from './track-loop.ts';
export { wormPair } from './worm-pair.ts';
export * from './stages/index.ts';
export * from './path/index.ts';
export { TENSIONERS } from './stages/fields.ts';
export {
  BELT_WIDTHS_M,
  V_SECTIONS,
  V_SECTION_NAMES,
  beltWidthFor,
  usualPullPerWidth,
  type VSectionName,
} from './belt-tables.ts';
