import type { Build, Duty } from '../../build/index.ts';
import {
  allowedLoad,
  chainDrive,
  chainLoad,
  chainSize,
  deliveredTorque,
  SAFETY_OF_CHAIN,
  stageFigures,
  stageStrength,
  stageTitle,
  type Stage,
  type StageOf,
} from '../../transmission/index.ts';
import type { Quantity } from '../../quantity/index.ts';
import { isOnMotor, trainStages, type Driveline } from '../driveline.ts';
import { motorWorking } from './drive.ts';
import {
  calculated,
  fixed,
  from,
  shelf,
  worked,
  type Calculation,
  type Stated,
  type Working,
  type WorkingInput,
} from './working.ts';

/** The stage, and what turns the motor's torque into that at its driving side, or behind it. */
function through(build: Build, duty: Duty, line: Driveline, stageId: string, behind: boolean) {
  const stages = trainStages(build);
  const at = stages.findIndex(({ id }) => id === stageId);
  const stage = stages[at];
  if (!stage) return undefined;
  const before = stages.slice(0, behind ? at + 1 : at).map(stageFigures);
  const motor = motorWorking(build, duty, line);
  const given = {
    torqueNm: Math.abs(Number(motor.found.torqueNm)),
    motors: isOnMotor(stage) ? 1 : line.motorsPerWheel,
    ratio: before.reduce((product, s) => product * s.ratio, 1),
    efficiency: before.reduce((product, s) => product * s.efficiency, 1),
  };
  const torque = calculated(deliveredTorque, given, 'deliveredNm', [
    worked('torqueNm', `Brief, ${duty.name}`, motor),
    fixed('motors', 'Drivetrain'),
    fixed('ratio', behind ? 'the stages up to this one, multiplied' : 'the stages before it, multiplied'),
    fixed(
      'efficiency',
      behind ? 'the stages up to this one, multiplied' : 'the stages before it, multiplied',
    ),
  ]);
  return { stage, torque };
}

const chainInputs = (stage: StageOf<'chain'>): WorkingInput[] => [
  fixed('chain', 'Drivetrain'),
  fixed('teethSmall', 'Drivetrain'),
  fixed('teethLarge', 'Drivetrain'),
  from('centreMm', stage.centre, 'Drivetrain'),
];

/** The length of a chain, with its centre distance, wrap and diameters. */
export const chainWorking = (stage: StageOf<'chain'>): Calculation =>
  calculated(chainDrive, chainLoad(stage), 'links', chainInputs(stage));

function chainPull(stage: StageOf<'chain'>, torque: Calculation): Calculation {
  const given = chainLoad(stage, { inputTorqueNm: Number(torque.found.deliveredNm), inputRpm: 0 });
  return calculated(chainDrive, given, 'pullN', [
    ...chainInputs(stage),
    worked('torqueNm', 'what reaches the small sprocket', torque),
  ]);
}

/** Any other stage: the sum that its kind names, the torque that reaches it one step further. */
function bySum(stage: Stage, line: Driveline, duty: Duty, torque: Calculation): Calculation | undefined {
  const load = {
    inputTorqueNm: Number(torque.found.deliveredNm),
    inputRpm: speedAt(stage, line, duty),
  };
  const sum = stageStrength(stage, load)?.sum;
  if (!sum) return undefined;
  const { calculator, given, key } = sum;
  return {
    calculator: calculator.name,
    key,
    given,
    found: calculator.run(given as never),
    inputs: Object.keys(given).map((name) =>
      name === 'torqueNm' && given[name] === load.inputTorqueNm
        ? worked(name, 'what reaches this stage', torque)
        : fixed(name, `Drivetrain, ${stageTitle(stage.kind).toLowerCase()}`),
    ),
  };
}

/** Speed of a stage's driving side in a duty, rpm. */
function speedAt(stage: Stage, line: Driveline, duty: Duty): number {
  const wheelRpm = (duty.speed.value / line.wheelRadiusM) * (30 / Math.PI);
  const at = line.stages.findIndex(({ id }) => id === stage.id);
  return line.stages.slice(at).reduce((rpm, s) => rpm * stageFigures(s).ratio, wheelRpm);
}

export function stageNeeds(build: Build, duty: Duty, line: Driveline, stageId: string): Working | undefined {
  const first = through(build, duty, line, stageId, false);
  if (!first) return undefined;
  const { stage } = first;
  if (stage.kind === 'chain') return chainPull(stage, first.torque);
  if (stage.kind === 'gearhead') return through(build, duty, line, stageId, true)?.torque;
  return bySum(stage, line, duty, first.torque);
}

const stated = ({ value, origin }: Quantity, dimension: Stated['dimension'], where: string): Stated => ({
  value,
  dimension,
  origin,
  where,
});

export function stageHas(build: Build, stageId: string): Working | undefined {
  const stage = trainStages(build).find(({ id }) => id === stageId);
  switch (stage?.kind) {
    case 'chain':
      return calculated(
        allowedLoad,
        { strengthN: chainSize(stage.chain).tensileN, safetyFactor: SAFETY_OF_CHAIN },
        'allowedN',
        [
          shelf('strengthN', `the least tensile strength of ${stage.chain}`),
          fixed('safetyFactor', 'common practice'),
        ],
      );
    case 'gearhead':
      return (
        stage.ratedTorque && stated(stage.ratedTorque, 'torque', 'the maker’s rated torque of the gearhead')
      );
    case 'spur':
    case 'bevel':
      return stated(stage.allowable, 'stress', 'Drivetrain, what the teeth may carry');
    case 'timing-belt':
      return stated(stage.allowablePull, 'force', 'Drivetrain, the working pull of the belt');
    default:
      return undefined;
  }
}
