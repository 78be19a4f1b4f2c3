import type { z } from 'zod';
import type { Calculator } from '../contract/index.ts';
import { heatCycle } from '../motor/heat-cycle.ts';
import { chargeTime } from '../supply/charge-time.ts';
import { chargingBySun } from '../supply/charging-by-sun.ts';
import { supplyRail } from '../supply/supply-rail.ts';
import { packsInSeries } from '../supply/packs-in-series.ts';
import { wireChoice } from '../supply/wire-choice.ts';
import { brakingHeat } from '../ground/braking-heat.ts';
import { inclineSlip, pivotCalibration, pullTest, scoreRate } from '../trials/floor-tests.ts';
import { rollerSpeed, rollingFacing, unequalWheels } from '../ground/rolling-bodies.ts';
import { runsNeeded } from '../trials/runs-needed.ts';
import { swapVerdict } from '../trials/swap-verdict.ts';
import { beltTension } from '../making/belt-tension.ts';
import { frameBending } from '../making/frame-bending.ts';
import { gearboxMount } from '../making/gearbox-mount.ts';
import { runOut } from '../making/run-out.ts';
import { boltTightening } from '../making/bolt-tightening.ts';
import { filament } from '../making/filament.ts';
import { printFit } from '../making/print-fit.ts';
import { attainableSpeed } from '../capability/attainable-speed.ts';
import { ratioWindowSum } from '../capability/ratio-window.ts';
import { ackermann } from '../ground/ackermann.ts';
import { axleLoads } from '../ground/axle-loads.ts';
import { balancePlant } from '../ground/balance-plant.ts';
import { catchLean } from '../ground/catch-lean.ts';
import { cornerSpeed } from '../ground/corner-speed.ts';
import { gripForce } from '../ground/grip-force.ts';
import { gripLimitedGrade } from '../ground/grip-limited-grade.ts';
import { innerDrive } from '../ground/inner-drive.ts';
import { loadedMass } from '../ground/loaded-mass.ts';
import { lockedAxle } from '../ground/locked-axle.ts';
import { meanRolling } from '../ground/mean-rolling.ts';
import { obstacleClimb } from '../ground/obstacle-climb.ts';
import { areaTime, routeTime, speedUp } from '../ground/outing-times.ts';
import { pivotTurn } from '../ground/pivot-turn.ts';
import { reactionRun } from '../ground/reaction-run.ts';
import { roadLoad } from '../ground/road-load.ts';
import { sideTip } from '../ground/side-tip.ts';
import { skidBendWheeled } from '../ground/skid-bend-wheeled.ts';
import { skidTurnTracked } from '../ground/skid-turn-tracked.ts';
import { skidTurnWheeled } from '../ground/skid-turn-wheeled.ts';
import { slideAcross } from '../ground/slide-across.ts';
import { soilThrust } from '../ground/soil-thrust.ts';
import { startingPower } from '../ground/starting-power.ts';
import { steerTorque } from '../ground/steer-torque.ts';
import { stopping } from '../ground/stopping.ts';
import { sumOfForces } from '../ground/sum-of-forces.ts';
import { tipAngles } from '../ground/tip-angles.ts';
import { tippingMoments } from '../ground/tipping-moments.ts';
import { heapPush } from '../ground/heap-push.ts';
import { towedLoad } from '../ground/towed-load.ts';
import { trackSinkage } from '../ground/track-sinkage.ts';
import { wheelLoads } from '../ground/wheel-loads.ts';
import { wheelSinkage } from '../ground/wheel-sinkage.ts';
import { wheelTorque } from '../ground/wheel-torque.ts';
import { brushlessConstants } from '../motor/brushless-constants.ts';
import { dcMotorAtVoltage } from '../motor/dc-motor-at-voltage.ts';
import { dcMotorConstants } from '../motor/dc-motor-constants.ts';
import { dcMotorFit } from '../motor/dc-motor-fit.ts';
import { dcMotorPoint } from '../motor/dc-motor-point.ts';
import { motorHeat } from '../motor/motor-heat.ts';
import { seriesMotorPoint } from '../motor/series-motor-point.ts';
import { servoMotor } from '../motor/servo-motor.ts';
import { steppingMotorTorque } from '../motor/stepping-motor-torque.ts';
import { simulateBalance } from '../simulate/simulate-balance.ts';
import { simulateStraight } from '../simulate/simulate-straight.ts';
import { launchOfVehicle, simulateLaunch } from '../simulate/simulate-launch.ts';
import { batteryPack } from '../supply/battery-pack.ts';
import { batterySag } from '../supply/battery-sag.ts';
import { driverDraw } from '../supply/driver-draw.ts';
import { energyDrawn } from '../supply/energy-drawn.ts';
import { fullCommandPoint } from '../supply/full-command.ts';
import { fuseChoice } from '../supply/fuse-choice.ts';
import { outingDraw } from '../supply/outing-draw.ts';
import { runTime } from '../supply/run-time.ts';
import { wire } from '../supply/wire.ts';
import { allowedLoad } from '../transmission/allowed-load.ts';
import { bevelPair } from '../transmission/bevel-pair.ts';
import { boltCircle } from '../transmission/bolt-circle.ts';
import { chainDrive } from '../transmission/chain-drive.ts';
import { chainPitch } from '../transmission/chain-pitch.ts';
import { clampHold } from '../transmission/clamp-hold.ts';
import { deliveredTorque } from '../transmission/delivered-torque.ts';
import { frictionBelt } from '../transmission/friction-belt.ts';
import { frictionWheel } from '../transmission/friction-wheel.ts';
import { gearBending } from '../transmission/gear-bending.ts';
import { gearModule } from '../transmission/gear-module.ts';
import { gearPair } from '../transmission/gear-pair.ts';
import { gearTrain } from '../transmission/gear-train.ts';
import { jockeyLever } from '../transmission/jockey-lever.ts';
import { keyShear } from '../transmission/key-shear.ts';
import { largestSprocket } from '../transmission/largest-sprocket.ts';
import { motorLoad } from '../transmission/motor-load.ts';
import { mountPull } from '../transmission/mount-pull.ts';
import { planetary } from '../transmission/planetary.ts';
import { playSum } from '../transmission/play-sum.ts';
import { pressFit } from '../transmission/press-fit.ts';
import { reflectedInertia } from '../transmission/reflected-inertia.ts';
import { rimPull } from '../transmission/rim-pull.ts';
import { setScrewHold } from '../transmission/set-screw-hold.ts';
import { shaftTorsion } from '../transmission/shaft-torsion.ts';
import { spool } from '../transmission/spool.ts';
import { teethForRatio } from '../transmission/teeth-for-ratio.ts';
import { timingBelt } from '../transmission/timing-belt.ts';
import { torqueHeld } from '../transmission/torque-held.ts';
import { trackLoop } from '../transmission/track-loop.ts';
import { trainRatio } from '../transmission/train-ratio.ts';
import { tyreHold } from '../transmission/tyre-hold.ts';
import { wormLeadAngle } from '../transmission/worm-lead-angle.ts';
import { wormPair } from '../transmission/worm-pair.ts';
import { effectiveDiameter, encoderCounts, travelCounts, veer } from '../trials/calibration.ts';
import { coastDown } from '../trials/coast-down.ts';
import { compareTrials } from '../trials/compare-trials.ts';
import { magnetRing } from '../trials/magnet-ring.ts';
import { matchMotors } from '../trials/match-motors.ts';
import { odometrySquare } from '../trials/odometry-square.ts';
import { trialSummary } from '../trials/trial-summary.ts';

const ALL = [
  roadLoad,
  loadedMass,
  axleLoads,
  wheelLoads,
  gripForce,
  wheelTorque,
  attainableSpeed,
  gripLimitedGrade,
  obstacleClimb,
  towedLoad,
  heapPush,
  meanRolling,
  sumOfForces,
  wheelSinkage,
  trackSinkage,
  soilThrust,
  pivotTurn,
  skidTurnWheeled,
  skidTurnTracked,
  steerTorque,
  ackermann,
  lockedAxle,
  sideTip,
  tipAngles,
  cornerSpeed,
  tippingMoments,
  slideAcross,
  skidBendWheeled,
  catchLean,
  balancePlant,
  reactionRun,
  innerDrive,
  stopping,
  brakingHeat,
  ratioWindowSum,
  gearTrain,
  trainRatio,
  deliveredTorque,
  motorLoad,
  teethForRatio,
  planetary,
  wormPair,
  bevelPair,
  spool,
  chainDrive,
  timingBelt,
  frictionBelt,
  jockeyLever,
  frictionWheel,
  rimPull,
  trackLoop,
  gearPair,
  largestSprocket,
  gearModule,
  chainPitch,
  wormLeadAngle,
  gearBending,
  shaftTorsion,
  keyShear,
  setScrewHold,
  boltCircle,
  clampHold,
  pressFit,
  tyreHold,
  torqueHeld,
  mountPull,
  playSum,
  reflectedInertia,
  allowedLoad,
  dcMotorConstants,
  dcMotorPoint,
  dcMotorAtVoltage,
  dcMotorFit,
  brushlessConstants,
  servoMotor,
  steppingMotorTorque,
  seriesMotorPoint,
  fullCommandPoint,
  motorHeat,
  heatCycle,
  simulateLaunch,
  simulateBalance,
  simulateStraight,
  launchOfVehicle,
  batteryPack,
  driverDraw,
  outingDraw,
  energyDrawn,
  batterySag,
  runTime,
  chargeTime,
  chargingBySun,
  supplyRail,
  packsInSeries,
  speedUp,
  routeTime,
  areaTime,
  startingPower,
  wire,
  wireChoice,
  fuseChoice,
  beltTension,
  boltTightening,
  frameBending,
  gearboxMount,
  runOut,
  printFit,
  filament,
  travelCounts,
  encoderCounts,
  magnetRing,
  effectiveDiameter,
  veer,
  unequalWheels,
  rollingFacing,
  rollerSpeed,
  pivotCalibration,
  odometrySquare,
  coastDown,
  trialSummary,
  compareTrials,
  runsNeeded,
  swapVerdict,
  inclineSlip,
  pullTest,
  scoreRate,
  matchMotors,
] as const;

/** The names by which calculators are called, in commands, addresses and the API. */
export type CalculatorName = (typeof ALL)[number]['name'];

type CalculatorOf<N extends CalculatorName> = Extract<(typeof ALL)[number], { readonly name: N }>;
/** What a calculator of a name takes, what it reckons with once its defaults are filled in, and what it answers. */
export type GivenTo<N extends CalculatorName> = z.input<CalculatorOf<N>['input']>;
/** What a calculator takes, by its name. */
export type TakenBy<N extends CalculatorName> = z.output<CalculatorOf<N>['input']>;
/** What a calculator answers, by its name. */
export type FoundBy<N extends CalculatorName> = z.output<CalculatorOf<N>['output']>;

/** A calculator as the registry hands it out: its own types are kept by its own module. */
export type AnyCalculator = Calculator<z.ZodType, z.ZodType, CalculatorName>;

/** Every named calculator, in the order of the trade. */
export const CALCULATORS: readonly AnyCalculator[] = ALL as unknown as readonly AnyCalculator[];

const BY_NAME = new Map<string, AnyCalculator>(
  CALCULATORS.map((calculator) => [calculator.name, calculator]),
);

/**
 * The calculator of a name; undefined where there is none.
 *
 * @example findCalculator('chain-drive')?.title // 'Roller chain and sprockets'
 */
export const findCalculator = (name: string): AnyCalculator | undefined => BY_NAME.get(name);
