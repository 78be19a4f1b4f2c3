import { batteryOf, motorOf, rollsAway, type Build } from '../build/index.ts';
import { cautionForBattery, cautionForVoltage } from './cautions.ts';
import { stageWork } from './stage-work.ts';
import { HOUR_S, MINUTE_S, type Step, type StepPlan } from './step.ts';

type Draft = Omit<StepPlan, 'parts'>;

const whole = ({ needs = [], after = [], waitingS = 0, ...draft }: Draft): Step => ({
  ...draft,
  waitingS,
  needs,
  after,
});

/** The steps of one side of the wheels of a stage, with the stage's id before theirs. */
function stageSteps(build: Build, part: 'before' | 'after'): Step[] {
  return build.drive.stages.flatMap((stage) => {
    const plans = stageWork(stage)[part](stage);
    return plans.map(({ parts = [], needs = [], after = [], ...plan }) =>
      whole({
        ...plan,
        id: `${stage.id}.${plan.id}`,
        title: build.drive.stages.length > 1 ? `${plan.title} (${stage.kind})` : plan.title,
        needs: [...parts.map((id) => `${stage.id}.${id}`), ...needs],
        after: [...after.map((id) => `${stage.id}.${id}`), ...(part === 'after' ? ['wheels'] : ['motors'])],
      }),
    );
  });
}

/** A gearhead goes onto its motor before the motor goes into the frame; all else of a stage after it. */
const beforeMotors = (step: Step): boolean => step.id.endsWith('.mesh');

/** The steps from bare frame to first run, in an order that respects what must come before what. */
export function assemblySteps(build: Build): Step[] {
  const onMotor = stageSteps(build, 'before')
    .filter(beforeMotors)
    .map((step) => ({ ...step, after: [] }));
  const before = stageSteps(build, 'before').filter((step) => !beforeMotors(step));
  const after = stageSteps(build, 'after');
  const ids = (steps: readonly Step[]): string[] => steps.map((step) => step.id);
  const steps = [
    whole({
      id: 'frame',
      title: 'Mark out, cut and drill the frame',
      handsOnS: 4 * HOUR_S,
      needs: ['frame'],
      caution: 'Drilling, grinding and welding: eyes, ears, fumes. Follow the tools’ own instructions.',
    }),
    whole({
      id: 'castors',
      title: 'Bolt the castors on',
      handsOnS: 30 * MINUTE_S,
      needs: ['castor'],
      after: ['frame'],
    }),
    ...onMotor,
    whole({
      id: 'motors',
      title: 'Bolt the motors to their mounts',
      detail:
        'Slots left free for tension; a mount that twists under pull throws a chain. Label the motors left and right.',
      handsOnS: HOUR_S,
      needs: ['motor'],
      after: ['frame', ...ids(onMotor)],
    }),
    ...before,
    whole({
      id: 'wheels',
      title: 'Put the driven wheels on',
      detail: 'Spacers so that nothing rubs; self-locking nuts on what turns.',
      handsOnS: HOUR_S,
      needs: ['driven-wheel'],
      after: ['motors', ...ids(before)],
    }),
    ...after,
    ...electrics(build),
    ...firstRuns(build, ids(after)),
  ];
  return steps.map((step) => withMarks(build, step));
}

function electrics(build: Build): Step[] {
  const voltage = cautionForVoltage(build);
  return [
    whole({
      id: 'drivers',
      title: 'Mount the motor drivers',
      detail: 'Where air passes and plugs can be reached; ports labelled left and right.',
      handsOnS: 45 * MINUTE_S,
      needs: ['driver'],
      after: ['frame'],
    }),
    whole({
      id: 'charge',
      title: 'Charge the battery',
      handsOnS: 10 * MINUTE_S,
      waitingS: 6 * HOUR_S,
      waitingFor: 'the battery to charge',
      needs: ['battery'],
      caution: cautionForBattery(batteryOf(build)),
    }),
    whole({
      id: 'tray',
      title: 'Fix the battery in its tray, not yet connected',
      detail: 'It must come out again without taking anything else apart.',
      handsOnS: HOUR_S,
      needs: ['battery'],
      after: ['frame'],
    }),
    whole({
      id: 'wiring',
      title: 'Wire it: main switch, fuse near the battery, cables sized for stall',
      detail: 'Motors mounted as mirror images turn opposite ways: invert one.',
      handsOnS: 3 * HOUR_S,
      needs: ['main-switch', 'fuse', 'cable'],
      after: ['motors', 'drivers', 'tray'],
      ...(voltage === undefined ? {} : { caution: voltage }),
    }),
    whole({
      id: 'polarity',
      title: 'Check polarity and shorts with a meter',
      handsOnS: 20 * MINUTE_S,
      after: ['wiring'],
      holdPoint: 'Plus is on plus at the battery plug and at each driver, and the meter shows no short.',
    }),
  ];
}

function firstRuns(build: Build, drive: readonly string[]): Step[] {
  const steep = build.duties.some(rollsAway);
  const hasMotor = motorOf(build) !== undefined;
  return [
    whole({
      id: 'first-power',
      title: 'First power, wheels off the ground',
      detail: hasMotor ? 'A tenth of full command; listen, feel for heat.' : undefined,
      handsOnS: 30 * MINUTE_S,
      after: ['polarity', 'charge', 'wheels', 'castors', ...drive],
      caution: 'Stand it on blocks that cannot slip; hands, hair and sleeves clear.',
      holdPoint: 'Both wheels turn forward, and the main switch stops them.',
    }),
    whole({
      id: 'first-run',
      title: 'First run on the floor, empty',
      handsOnS: HOUR_S,
      after: ['first-power'],
      caution: 'Nobody in front; one hand on the switch.',
    }),
    ...(steep
      ? [
          whole({
            id: 'slope',
            title: 'Stop and hold on the slope, empty before loaded',
            handsOnS: HOUR_S,
            after: ['first-run'],
            caution:
              'Nobody below it. A motor or a worm is no parking brake: chock the wheels. Where people ride, a friction brake of its own.',
            holdPoint: 'It stops and holds going down the steepest grade of the brief.',
          }),
        ]
      : []),
  ];
}

function withMarks(build: Build, step: Step): Step {
  const mark = build.assembly.steps.find((m) => m.id === step.id);
  if (!mark) return step;
  return {
    ...step,
    handsOnS: mark.handsOn?.value ?? step.handsOnS,
    waitingS: mark.waiting?.value ?? step.waitingS,
    ...(mark.doneOn === undefined ? {} : { doneOn: mark.doneOn }),
  };
}
