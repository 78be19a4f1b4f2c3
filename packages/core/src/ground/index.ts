export { balanceKeys, balancePlant } from './balance-plant.ts';
export { ackermann } from './ackermann.ts';
export { axleLoads } from './axle-loads.ts';
export { obstacleClimb } from './obstacle-climb.ts';
export { roadLoad } from './road-load.ts';
export { sideTip } from './side-tip.ts';
export { skidTurnTracked } from './skid-turn-tracked.ts';
export { skidTurnWheeled } from './skid-turn-wheeled.ts';
export { steerTorque } from './steer-torque.ts';
export { slowingBy, stopping } from './stopping.ts';
export { wheelSinkage } from './wheel-sinkage.ts';
export { heapPush, STRAIGHT_BLADE } from './heap-push.ts';
export { gripForce } from './grip-force.ts';
export { loadedMass } from './loaded-mass.ts';
export { wheelTorque } from './wheel-torque.ts';
export { catchLean } from './catch-lean.ts';
export { cornerSpeed } from './corner-speed.ts';
export { innerDrive } from './inner-drive.ts';
export { meanRolling } from './mean-rolling.ts';
export { startingPower } from './starting-power.ts';
export { lockedAxle } from './locked-axle.ts';
export { areaTime, routeTime, speedUp } from './outing-times.ts';
export { pivotTurn } from './pivot-turn.ts';
export { rollerSpeed, rollingFacing, unequalWheels } from './rolling-bodies.ts';
export { soilThrust } from './soil-thrust.ts';
export { SOIL_IDS, soilOf, type Soil, type SoilId } from './soils.ts';
export { sumOfForces } from './sum-of-forces.ts';
export { frameLoads, supportArea, supportLoads, type FrameLoads, type GroundPoint } from './support.ts';
export {
  SURFACES,
  firmLoss,
  soilOfSurface,
  surfacePair,
  surfaceTitle,
  TYRES,
  TYRE_TITLES,
  type SurfaceId,
  type Tyre,
} from './surfaces.ts';
export { tipAngles } from './tip-angles.ts';
export { towedLoad } from './towed-load.ts';
export { trackSinkage } from './track-sinkage.ts';
export { wheelLoads } from './wheel-loads.ts';
export { reactionRun } from './reaction-run.ts';
export { skidBendWheeled } from './skid-bend-wheeled.ts';
export { slideAcross } from './slide-across.ts';
export { tippingMoments } from './tipping-moments.ts';
