import { sumOf } from '../contract/index.ts';
import { demandOf } from '../demand/index.ts';
import { isOnMotor, trainStages, type Driveline } from '../drive/index.ts';
import {
  chainDrive,
  chainLoad,
  deliveredTorque,
  stageFigures,
  stageStandsBy,
  stageStrength,
  stageName,
  torqueHeld,
  type Stage,
  type StageOf,
  type StageSum,
} from '../transmission/index.ts';
import type { Build, Duty } from '../vehicle/index.ts';
import { fullCommandWorking, motorWorking, wheelWorking } from './drive.ts';
import {
  calculated,
  fixed,
  from,
  readFor,
  shelf,
  worked,
  type Calculation,
  type CalculationBy,
  type Working,
  type WorkingInput,
  bySum,
} from './working.ts';

/** What works on the drive: its torque as it was worked out, at the motor or at the wheel. */
export interface TorqueSource {
  readonly from: 'motor' | 'wheel';
  readonly torque: WorkingInput & { readonly value: number };
  /** Speed of the wheel meanwhile, rpm. */
  readonly wheelRpm: number;
}

/** What works on the drive in a duty: the motors, or going down the wheels. */
export function sourceOf(build: Build, duty: Duty, line: Driveline): TorqueSource {
  const wheel = wheelWorking(build, duty, line);
  const wheelNm = wheel.found.torqueNm;
  // Round a bend the harder side is the outer one, and goes faster than the middle.
  const speedMps = demandOf(build, duty).turn?.outerMps ?? duty.speed.value;
  const wheelRpm = (speedMps / line.wheelRadiusM) * (30 / Math.PI);
  const where = `Brief, ${duty.name}`;
  if (wheelNm < 0)
    return { from: 'wheel', torque: { ...worked('torqueNm', where, wheel), value: -wheelNm }, wheelRpm };
  const motor = motorWorking(build, duty, line);
  return {
    from: 'motor',
    torque: { ...worked('torqueNm', where, motor), value: Math.abs(motor.found.torqueNm) },
    wheelRpm,
  };
}

/** The motors held at full command. */
export function stallSource(build: Build, line: Driveline): TorqueSource {
  const stall = readFor(fullCommandWorking(build, line), 'torqueNm');
  const value = Math.max(0, stall.found.torqueNm);
  return {
    from: 'motor',
    torque: { ...worked('torqueNm', 'the motor held at full command', stall), value },
    wheelRpm: 0,
  };
}

/** Where in the drive a torque is asked for: before or behind a stage, or on the motor's own shaft. */
export interface TorquePlace {
  readonly stageId: string | null;
  readonly side: 'before' | 'behind';
}

/** The torque at a place of the drive, from what works on it; undefined where there is no such stage. */
export function torqueThere(
  line: Driveline,
  source: TorqueSource,
  { stageId, side }: TorquePlace,
): CalculationBy<typeof deliveredTorque> | undefined {
  const { stages } = line;
  const onMotor = stages[0] && isOnMotor(stages[0]) ? 1 : 0;
  const at = stageId === null ? onMotor : stages.findIndex(({ id }) => id === stageId);
  if (at < 0) return undefined;
  const split = stageId === null || side === 'before' ? at : at + 1;
  const { torque, from: end } = source;
  // A gearhead that is one with its motor, and what sits on its shaft, carry the torque of one motor.
  const ofOne = stageId === null || (onMotor === 1 && at === 0);
  const motors = ofOne ? 1 : line.motorsPerWheel;
  const crossed = (end === 'motor' ? stages.slice(0, split) : stages.slice(split)).map(stageFigures);
  const ratio = crossed.reduce((product, s) => product * s.ratio, 1);
  const { value, ...input } = torque;
  return end === 'motor'
    ? calculated(
        deliveredTorque,
        {
          torqueNm: value,
          motors,
          ratio,
          efficiency: crossed.reduce((product, s) => product * s.efficiency, 1),
        },
        'deliveredNm',
        [
          input,
          fixed('motors', 'Drivetrain'),
          fixed('ratio', 'the stages before it, multiplied'),
          fixed('efficiency', 'the stages before it, multiplied'),
        ],
      )
    : calculated(
        deliveredTorque,
        {
          torqueNm: ofOne ? value / line.motorsPerWheel : value,
          motors: 1,
          ratio: 1 / ratio,
          efficiency: 1,
        },
        'deliveredNm',
        [
          input,
          fixed('motors', 'the wheel turns the drive'),
          fixed('ratio', 'one over the stages behind it, multiplied'),
          fixed('efficiency', 'losses left out: the safe side'),
        ],
      );
}

/** Where the numbers of a stage's sum come from; what reaches the stage is one step further. */
const inputsOf = (
  stage: Stage,
  { given, from: sources = {} }: StageSum,
  torque?: Calculation,
): WorkingInput[] =>
  Object.keys(given).map((name) => {
    const source = sources[name];
    if (source === undefined) return fixed(name, `Drivetrain, ${stageName(stage.kind)}`);
    if (source === 'load')
      // A smaller wheel than the driving one carries its own part of it.
      return torque && given[name] === torque.found.deliveredNm
        ? worked(name, 'what reaches this stage', torque)
        : fixed(name, 'what reaches this stage, at the part that carries the most');
    if ('shelf' in source) return shelf(name, source.shelf);
    return 'fixed' in source ? fixed(name, source.fixed) : from(name, source, 'Drivetrain');
  });

const byStageSum = (stage: Stage, sum: StageSum, torque?: Calculation): Calculation =>
  bySum(sum, inputsOf(stage, sum, torque));

/**
 * The length of a chain, with its centre distance, wrap and diameters.
 *
 * @example chainWorking(stage).calculator // 'chain-drive'
 */
export const chainWorking = (stage: StageOf<'chain'>): Calculation =>
  byStageSum(stage, {
    ...sumOf(chainDrive, chainLoad(stage), 'links'),
    from: { centreMm: stage.centre },
  });

/** Speed of a stage's driving side, rpm. */
const speedAt = (stage: Stage, line: Driveline, wheelRpm: number): number =>
  line.stages
    .slice(line.stages.findIndex(({ id }) => id === stage.id))
    .reduce((rpm, s) => rpm * stageFigures(s).ratio, wheelRpm);

/** What a source asks of a stage, in the measure of its strength. */
export function stageNeeds(line: Driveline, source: TorqueSource, stageId: string): Working | undefined {
  const stage = line.stages.find(({ id }) => id === stageId);
  const torque = torqueThere(line, source, { stageId, side: 'before' });
  if (!stage || !torque) return undefined;
  const load = {
    inputTorqueNm: torque.found.deliveredNm,
    inputRpm: speedAt(stage, line, source.wheelRpm),
  };
  const sum = stageStrength(stage, load)?.sum;
  return sum && byStageSum(stage, sum, torque);
}

/** The torque of its driving side at which a stage gives out, or does so for a moment. */
export function stageStands(
  line: Driveline,
  source: TorqueSource,
  stageId: string,
  { momentary }: { readonly momentary: boolean },
): CalculationBy<typeof torqueHeld> | undefined {
  const stage = line.stages.find(({ id }) => id === stageId);
  const torque = torqueThere(line, source, { stageId, side: 'before' });
  if (!stage || !torque) return undefined;
  const torqueNm = torque.found.deliveredNm;
  const strength = stageStrength(stage, {
    inputTorqueNm: torqueNm,
    inputRpm: speedAt(stage, line, source.wheelRpm),
  });
  if (!strength) return undefined;
  return calculated(
    torqueHeld,
    {
      torqueNm,
      factor: strength.has / strength.needs,
      safetyFactor: momentary ? 1 / (strength.momentary ?? 1) : 1,
    },
    'heldNm',
    [
      worked('torqueNm', 'what reaches this stage', torque),
      fixed('factor', 'what the stage may carry over what this asks of it'),
      fixed('safetyFactor', momentary ? 'for a moment it stands more (common practice)' : 'counted already'),
    ],
  );
}

/** What a stage stands: as it was said, or by a sum. */
export function stageHas(build: Build, stageId: string): Working | undefined {
  const stage = trainStages(build).find(({ id }) => id === stageId);
  const stands = stage && stageStandsBy(stage);
  if (!stands) return undefined;
  if ('sum' in stands) return byStageSum(stage, stands.sum);
  const { said, dimension, where } = stands;
  return { value: said.value, origin: said.origin, dimension, where };
}
