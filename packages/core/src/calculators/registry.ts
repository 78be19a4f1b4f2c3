import type { z } from 'zod';
import type { Calculator } from '../contract/index.ts';
import { attainableSpeed, ratioWindowSum } from '../capability/index.ts';
import * as ground from '../ground/index.ts';
import * as motor from '../motor/index.ts';
import { launchOfVehicle, simulateLaunch } from '../simulate/index.ts';
import * as supply from '../supply/index.ts';
import * as transmission from '../transmission/index.ts';
import * as trials from '../trials/index.ts';

const ALL = [
  ground.roadLoad,
  ground.loadedMass,
  ground.axleLoads,
  ground.gripForce,
  ground.wheelTorque,
  ground.gripLimitedGrade,
  ground.obstacleClimb,
  ground.skidTurnTracked,
  ground.skidTurnWheeled,
  ground.sideTip,
  ground.stopping,
  ground.wheelSinkage,
  ground.steerTorque,
  ground.wheelLoads,
  ground.tipAngles,
  ground.cornerSpeed,
  ground.pivotTurn,
  ground.lockedAxle,
  ground.trackSinkage,
  ground.soilThrust,
  ground.towedLoad,
  ground.meanRolling,
  ground.innerDrive,
  ground.catchLean,
  ground.balancePlant,
  ground.reactionRun,
  ground.skidBendWheeled,
  ground.slideAcross,
  ground.tippingMoments,
  ground.sumOfForces,
  ground.routeTime,
  ground.speedUp,
  ground.areaTime,
  ground.startingPower,
  transmission.planetary,
  transmission.trackLoop,
  transmission.shaftTorsion,
  transmission.keyShear,
  transmission.setScrewHold,
  transmission.boltCircle,
  transmission.clampHold,
  transmission.pressFit,
  transmission.tyreHold,
  transmission.torqueHeld,
  transmission.playSum,
  transmission.mountPull,
  transmission.reflectedInertia,
  transmission.gearPair,
  transmission.gearBending,
  transmission.wormPair,
  transmission.timingBelt,
  transmission.frictionBelt,
  transmission.chainDrive,
  transmission.bevelPair,
  transmission.frictionWheel,
  transmission.rimPull,
  transmission.gearTrain,
  transmission.spool,
  transmission.trainRatio,
  transmission.motorLoad,
  transmission.deliveredTorque,
  transmission.allowedLoad,
  transmission.gearModule,
  transmission.wormLeadAngle,
  transmission.chainPitch,
  transmission.largestSprocket,
  transmission.teethForRatio,
  motor.dcMotorConstants,
  motor.dcMotorPoint,
  motor.dcMotorAtVoltage,
  motor.dcMotorFit,
  motor.seriesMotorPoint,
  motor.brushlessConstants,
  motor.servoMotor,
  motor.steppingMotorTorque,
  motor.motorHeat,
  supply.batteryPack,
  supply.batterySag,
  supply.runTime,
  supply.wire,
  supply.fuseChoice,
  supply.driverDraw,
  supply.fullCommandPoint,
  supply.outingDraw,
  supply.energyDrawn,
  attainableSpeed,
  ratioWindowSum,
  trials.travelCounts,
  trials.encoderCounts,
  trials.effectiveDiameter,
  trials.veer,
  ground.ackermann,
  trials.trialSummary,
  trials.compareTrials,
  trials.matchMotors,
  trials.odometrySquare,
  trials.coastDown,
  simulateLaunch,
  launchOfVehicle,
] as const;

/** The names by which calculators are called, in commands, addresses and the API. */
export type CalculatorName = (typeof ALL)[number]['name'];

type CalculatorOf<N extends CalculatorName> = Extract<(typeof ALL)[number], { readonly name: N }>;
/** What a calculator of a name takes, what it reckons with once its defaults are filled in, and what it answers. */
export type GivenTo<N extends CalculatorName> = z.input<CalculatorOf<N>['input']>;
export type TakenBy<N extends CalculatorName> = z.output<CalculatorOf<N>['input']>;
export type FoundBy<N extends CalculatorName> = z.output<CalculatorOf<N>['output']>;

/** A calculator as the registry hands it out: its own types are kept by its own module. */
export type AnyCalculator = Calculator<z.ZodType, z.ZodType, CalculatorName>;

/** Every named calculator, in the order of the trade. */
export const CALCULATORS: readonly AnyCalculator[] = ALL as unknown as readonly AnyCalculator[];

const BY_NAME = new Map<string, AnyCalculator>(
  CALCULATORS.map((calculator) => [calculator.name, calculator]),
);

export const findCalculator = (name: string): AnyCalculator | undefined => BY_NAME.get(name);
