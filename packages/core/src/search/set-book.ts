import { startingInput } from '../capability/index.ts';
import { drivelineOf, isOnMotor, trainStages, type Driveline } from '../drive/index.ts';
import { startingPower } from '../ground/index.ts';
import { meanDraw } from '../supply/index.ts';
import { stageFigures, stageStrength, type Stage } from '../transmission/index.ts';
import { changeDrive, choosePart, motorOf, taskOf, type Build, type PartOf } from '../vehicle/index.ts';
import type { FrameFigures, MotorFigures, TrainDuty, TrainFigures } from './figures.ts';
import type { Road } from './line-figures.ts';
import { motorFigures } from './part-figures.ts';
import { count, countAll, countRatio, freshTally, type Tally } from './tally.ts';
import {
  askDuty,
  shapeDuty,
  trainShape,
  type AskedDuty,
  type ShapeDuty,
  type TrainShape,
} from './train-shape.ts';

/** What a gearhead that is one with its motor does; of a motor without one nothing. */
interface OnMotor {
  readonly stage: Stage | undefined;
  readonly ratio: number;
  readonly efficiency: number;
  readonly backEfficiency: number;
}

/** A motor that trains are put behind. */
interface Before {
  readonly part: PartOf<'motor'>;
  readonly figures: MotorFigures;
  /** The build with it. */
  readonly build: Build;
  readonly gearhead: OnMotor;
}

const NO_GEARHEAD: OnMotor = { stage: undefined, ratio: 1, efficiency: 1, backEfficiency: 1 };

function onMotor(build: Build): OnMotor {
  const stage = trainStages(build).find(isOnMotor);
  if (!stage) return NO_GEARHEAD;
  const { ratio, efficiency, backEfficiency = efficiency } = stageFigures(stage);
  return { stage, ratio, efficiency, backEfficiency };
}

/** A motor whose gearhead and shaft stand out of the way of what comes behind. */
const bareOf = ({ gearhead: _gearhead, shaftLoadN: _shaft, rotorGcm2: _rotor, ...motor }: PartOf<'motor'>) =>
  motor as PartOf<'motor'>;

/** Where a road stands in a list, put in where it is not there. */
function placeIn(roads: Road[], road: Road): number {
  const at = roads.findIndex(({ steadyN, gripN }) => steadyN === road.steadyN && gripN === road.gripN);
  return at >= 0 ? at : roads.push(road) - 1;
}

/**
 * What of a search is the same for many sets, worked out once: what the duties ask, what stages stand, and a motor with a
 * train behind it.
 */
export class SetBook {
  private readonly askedBy = new Map<string, readonly AskedDuty[]>();
  private windowsBy = new Map<string, number>();
  private alikeBy = new Map<string, number>();
  private feltAt = new Map<string, readonly AskedDuty[]>();
  private motor: Before | undefined;

  /** @param build looked at through the drive that moves it */
  constructor(
    private readonly build: Build,
    private readonly frame: FrameFigures,
  ) {}

  /** Stages by themselves, with a motor of the build or any other; undefined where there is none. */
  shapeOf(stages: readonly Stage[], any = motorOf(this.build)): TrainShape | undefined {
    if (!any) return undefined;
    return trainShape(choosePart(this.build, bareOf(any)), stages, (build, line) => this.asks(build, line));
  }

  /** What the duties ask; of a drive that locks the run before the brake bites is another. */
  private asks(build: Build, line: Driveline): readonly AskedDuty[] {
    const key = String(line.backEfficiency === 0);
    const known = this.askedBy.get(key) ?? build.duties.map((duty) => askDuty(build, duty, line));
    this.askedBy.set(key, known);
    return known;
  }

  /** The motor that the trains which follow are put behind; false where it has no magnets. */
  startWith(part: PartOf<'motor'>): boolean {
    const figures = motorFigures(part);
    const build = choosePart(this.build, part);
    this.windowsBy = new Map();
    this.alikeBy = new Map();
    this.feltAt = new Map();
    this.motor = figures && { part, figures, build, gearhead: onMotor(build) };
    return figures !== undefined;
  }

  /** The motor with a train behind it. */
  figuresOf(shape: TrainShape): TrainFigures {
    const { motor, frame } = this;
    if (!motor) throw new RangeError('a train needs a motor before it: startWith comes first');
    const { gearhead, part } = motor;
    const felt = this.withRotors(motor, shape);
    const roads: Road[] = [];
    const duties = felt.map((one) => trainDuty(motor, one, roads));
    const [fixed, given] = [freshTally(), freshTally()];
    countAll(fixed, shape.onAxle);
    countAll(given, frame.given);
    for (const { asked, turned } of felt) {
      countAll(given, asked.onGround);
      if (slips(asked)) countRatio(given, 'speed', asked.duty.id, 0, frame.policy.speed);
      countAll(fixed, turned.holds);
      const { drives } = taskOf(asked.duty);
      if (drives) countGearhead(fixed, gearhead, this.outNm(shape, turned), asked.duty.id);
      if (drives && part.shaftLoadN !== undefined)
        count(fixed, 'shaft-load', asked.duty.id, turned.shaftN, part.shaftLoadN, 1);
    }
    countHeat(fixed, felt, duties, motor, frame);
    const ratio = shape.ratio * gearhead.ratio;
    const efficiency = shape.efficiency * gearhead.efficiency;
    // Trains that ask alike at the wheel and lose alike have the same windows.
    const asked = [efficiency, ...duties.map(({ wheelTorqueNm }) => wheelTorqueNm)];
    const windows = numbered(this.windowsBy, asked.join(' '));
    return {
      ratio,
      efficiency,
      duties,
      durationS: duties.reduce((sum, { durationS }) => sum + durationS, 0),
      roads,
      windows,
      alike: numbered(this.alikeBy, [ratio, windows, shape.backEfficiency === 0].join(' ')),
      mostA: Math.max(0, ...duties.map(({ drives, amps }) => (drives ? Math.abs(amps) : 0))),
      fixed,
      given,
      stagesStandNm: Math.min(
        shape.stagesStandNm / (gearhead.ratio * gearhead.efficiency),
        standsAtStall(gearhead),
      ),
      pathStandsNm: shape.pathStandsNm / (gearhead.ratio * gearhead.efficiency),
    };
  }

  /** Torque behind each motor's gearhead; pushed by the wheels losses are left out, which is the safe side. */
  private outNm({ ratio }: TrainShape, { wheelTorqueNm, hard }: ShapeDuty): number {
    return wheelTorqueNm < 0 ? wheelTorqueNm / (ratio * this.frame.motorsPerWheel) : hard.torqueNm;
  }

  /** Each duty of a train; anew where the motor's rotor changes what it asks. */
  private withRotors(motor: Before, shape: TrainShape): readonly Felt[] {
    const same = shape.asked.flatMap((asked, at) => {
      const turned = shape.duties[at];
      return turned ? [{ asked, turned, startsW: 0 }] : [];
    });
    const rotors = (motor.part.rotorGcm2 ?? 0) > 0;
    const starts = this.build.duties.some(({ startsAnHour }) => startsAnHour !== undefined);
    if (!starts && !(rotors && same.some(({ asked }) => asked.feelsRotors))) return same;
    const build = changeDrive(motor.build, { stages: shape.stages });
    const line = drivelineOf(build);
    const bare = changeDrive(choosePart(this.build, bareOf(motor.part)), { stages: shape.stages });
    const bareLine = drivelineOf(bare);
    if (!line || !bareLine) return same;
    const felt = rotors ? this.feltBy(build, line, shape) : shape.asked;
    return same.map(({ asked: before, turned: was }, at) => {
      const asked = felt[at] ?? before;
      // What stops it or tips it does not turn it.
      const alike = asked.asked.resistance.totalN === before.asked.resistance.totalN;
      const starting = before.duty.startsAnHour && taskOf(before.duty).drives;
      return {
        asked,
        turned: alike ? was : shapeDuty(bare, bareLine, asked),
        startsW: starting
          ? startingPower.run(startingInput(build, before.duty, asked.asked, line)).powerW
          : 0,
      };
    });
  }

  /** What the duties ask with this motor's rotor in it: the same for all trains of one ratio. */
  private feltBy(build: Build, line: Driveline, { asked }: TrainShape): readonly AskedDuty[] {
    const key = `${line.ratio} ${line.backEfficiency === 0}`;
    const known =
      this.feltAt.get(key) ?? asked.map((one) => (one.feelsRotors ? askDuty(build, one.duty, line) : one));
    this.feltAt.set(key, known);
    return known;
  }
}

/** The number of a key: the next one where it is new. */
function numbered(by: Map<string, number>, key: string): number {
  const known = by.get(key) ?? by.size;
  by.set(key, known);
  return known;
}

/** A duty on a train, as it is felt with a motor's rotor. */
interface Felt {
  readonly asked: AskedDuty;
  readonly turned: ShapeDuty;
  readonly startsW: number;
}

/** Whether the wheels slip on the spot, whatever drives them: then nothing that is put in gets it moving. */
const slips = ({ duty, asked, road }: AskedDuty): boolean =>
  taskOf(duty).drives && asked.resistance.totalN > 0 && road.gripN <= road.steadyN;

function trainDuty(
  { figures, gearhead }: Before,
  { asked, turned, startsW }: Felt,
  roads: Road[],
): TrainDuty {
  const { keVsPerRad, ktNmPerA, noLoadA } = figures;
  const { duty } = asked;
  const { drives } = taskOf(duty);
  const motorNm = (torqueNm: number): number =>
    (torqueNm * (torqueNm >= 0 ? 1 / gearhead.efficiency : gearhead.backEfficiency)) / gearhead.ratio;
  const ampsOf = (torqueNm: number): number => motorNm(torqueNm) / ktNmPerA + noLoadA;
  const { hard, easy, wheelTorqueNm, outerMps } = turned;
  return {
    dutyId: duty.id,
    durationS: asked.asked.durationS,
    drives,
    outerMps,
    wheelTorqueNm,
    amps: ampsOf(hard.torqueNm),
    backV: keVsPerRad * hard.speedRadS * gearhead.ratio,
    halves: easy !== undefined,
    easyA: easy ? ampsOf(easy.torqueNm) : 0,
    easyBackV: easy ? keVsPerRad * easy.speedRadS * gearhead.ratio : 0,
    road: drives && asked.asked.resistance.totalN > 0 && !slips(asked) ? placeIn(roads, asked.road) : -1,
    top: asked.top ? placeIn(roads, asked.top) : -1,
    mayMps: asked.mayMps,
    startsW,
  };
}

/** Of a gearhead that is one with its motor what its rating has to spare, at a torque of its output. */
function countGearhead(t: Tally, { stage, ratio, efficiency }: OnMotor, outNm: number, dutyId: string): void {
  if (!stage) return;
  const inputTorqueNm = outNm >= 0 ? outNm / (ratio * efficiency) : -outNm / ratio;
  const strength = stageStrength(stage, { inputTorqueNm, inputRpm: 0 });
  if (strength) count(t, strength.link, dutyId, strength.needs, strength.has, 1);
}

/** Torque of its motor with which a gearhead may be held, N·m. */
function standsAtStall({ stage }: OnMotor): number {
  const strength = stage && stageStrength(stage, { inputTorqueNm: 1, inputRpm: 0 });
  return strength?.momentary === undefined ? Infinity : (strength.has * strength.momentary) / strength.needs;
}

/** What motors and their leads stand of heat. */
function countHeat(
  t: Tally,
  felt: readonly Felt[],
  duties: readonly TrainDuty[],
  { figures: { continuousA } }: Before,
  { leadsA }: FrameFigures,
): void {
  const legs = duties.map(({ durationS, drives, amps }) => ({
    durationS,
    currentA: drives ? Math.abs(amps) : 0,
  }));
  for (const [at, { asked }] of felt.entries())
    if (!asked.duty.mayRunHot) count(t, 'motor-heat', asked.duty.id, legs[at]?.currentA ?? 0, continuousA, 1);
  const { worstRmsA } = meanDraw(legs);
  count(t, 'motor-heat', null, worstRmsA, continuousA, 1);
  if (leadsA !== undefined) count(t, 'leads', null, worstRmsA, leadsA, 1);
}
