import type { Build, Duty } from '../../build/index.ts';
import {
  allowedLoad,
  chainDrive,
  chainLoad,
  chainSize,
  deliveredTorque,
  SAFETY_OF_CHAIN,
  stageFigures,
  type StageOf,
} from '../../transmission/index.ts';
import { isOnMotor, trainStages, type Driveline } from '../driveline.ts';
import { motorWorking } from './drive.ts';
import {
  calculated,
  fixed,
  from,
  shelf,
  worked,
  type Calculation,
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

export function stageNeeds(build: Build, duty: Duty, line: Driveline, stageId: string): Working | undefined {
  const first = through(build, duty, line, stageId, false);
  if (!first) return undefined;
  const { stage } = first;
  return stage.kind === 'chain'
    ? chainPull(stage, first.torque)
    : through(build, duty, line, stageId, true)?.torque;
}

export function stageHas(build: Build, stageId: string): Working | undefined {
  const stage = trainStages(build).find(({ id }) => id === stageId);
  if (!stage) return undefined;
  if (stage.kind === 'chain')
    return calculated(
      allowedLoad,
      { strengthN: chainSize(stage.chain).tensileN, safetyFactor: SAFETY_OF_CHAIN },
      'allowedN',
      [
        shelf('strengthN', `the least tensile strength of ${stage.chain}`),
        fixed('safetyFactor', 'common practice'),
      ],
    );
  const { ratedTorque } = stage;
  return (
    ratedTorque && {
      value: ratedTorque.value,
      dimension: 'torque',
      origin: ratedTorque.origin,
      where: 'the maker’s rated torque of the gearhead',
    }
  );
}
