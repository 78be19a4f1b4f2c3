import {
  layoutKind,
  batteryOf,
  motorOf,
  rollsAway,
  scaledTime,
  scaleOf,
  type Build,
  type PartOf,
  driveOf,
  drivesOf,
  motorsIn,
  whole as wholeBuild,
} from '../vehicle/index.ts';
import { HOUR_S, MINUTE_S } from '../quantity/index.ts';
import { isLoop, stageKind, stageName, stageWork } from '../transmission/index.ts';
import { cautionForBattery, cautionForVoltage, isPrimary } from './cautions.ts';
import { brakeSteps, standSteps, wheelSteps } from './standing-steps.ts';
import { whole, type Step } from './step.ts';

/** The steps of one side of the wheels of a stage, with the stage's id before theirs, and that of a drive beside the first. */
function stageSteps(build: Build, part: 'before' | 'after', of = ''): Step[] {
  return driveOf(build).stages.flatMap((stage) => {
    const plans = stageWork(stage)[part](stage);
    const at = `${of}${stage.id}`;
    return plans.map(({ parts = [], needs = [], after = [], ...plan }) =>
      whole({
        ...plan,
        id: `${at}.${plan.id}`,
        title: driveOf(build).stages.length > 1 ? `${plan.title} (${stageName(stage.kind)})` : plan.title,
        needs: [...parts.map((id) => `${at}.${id}`), ...needs],
        after: [
          ...after.map((id) => `${at}.${id}`),
          ...(part === 'after' && of === '' ? ['wheels'] : [`${of}motors`]),
        ],
      }),
    );
  });
}

/** What puts a drive beside the first together: its motors, then its stages from there on. */
function besideSteps(seen: Build): Step[] {
  const { id, name, work } = driveOf(seen);
  const motors = motorsIn(seen);
  if (work?.kind === 'draws' && !motorOf(seen)) return [];
  const of = `${id}.`;
  const named = (step: Step): Step => ({ ...step, title: `${name}: ${lowerFirst(step.title)}` });
  return [
    whole({
      id: `${of}motors`,
      title: `${name}: bolt the ${motors > 1 ? `${motors} motors` : 'motor'} to ${motors > 1 ? 'their mounts' : 'its mount'}`,
      handsOnS: HOUR_S,
      needs: [`${of}motor`],
      after: ['frame'],
    }),
    ...[...stageSteps(seen, 'before', of), ...stageSteps(seen, 'after', of)].map(named),
  ];
}

const lowerFirst = (text: string): string => text.charAt(0).toLowerCase() + text.slice(1);

/** A gearhead goes onto its motor before the motor goes into the frame; gears on its shaft mesh once it is in. */
function beforeMotors(build: Build, step: Step): boolean {
  const stage = driveOf(build).stages.find(({ id }) => step.id.startsWith(`${id}.`));
  return stage !== undefined && stageKind(stage.kind).sealed === true;
}

const ids = (steps: readonly Step[]): string[] => steps.map((step) => step.id);

/** The steps from bare frame to first run, in an order that respects what must come before what. */
export function assemblySteps(given: Build): Step[] {
  const build = wholeBuild(given);
  const loose = stageSteps(build, 'before');
  const onMotor = loose.filter((step) => beforeMotors(build, step)).map((step) => ({ ...step, after: [] }));
  const before = loose.filter((step) => !beforeMotors(build, step));
  const stand = standSteps(build);
  const wheels = wheelSteps(build, ['motors', ...ids(before)]);
  // Tracks have hubs and no wheels to put on, a winch may have neither.
  const onAxle = wheels.at(-1)?.id ?? 'motors';
  const after = stageSteps(build, 'after').map((step) => ({
    ...step,
    after: step.after.map((id) => (id === 'wheels' ? onAxle : id)),
  }));
  const brake = brakeSteps(build, [onAxle]);
  const beside = drivesOf(build)
    .filter((seen) => driveOf(seen).id !== driveOf(build).id)
    .flatMap(besideSteps);
  const steps = [
    whole({
      id: 'frame',
      title: 'Mark out, cut and drill the frame',
      handsOnS: 4 * HOUR_S,
      needs: ['frame'],
      caution: 'Drilling, grinding and welding: eyes, ears, fumes. Follow the tools’ own instructions.',
    }),
    ...stand,
    ...onMotor,
    motorStep(build, onMotor),
    ...before,
    ...wheels,
    ...after,
    ...brake,
    ...beside,
    ...electrics(build, ids(beside)),
    ...firstRuns(build, [...ids(stand), ...ids(wheels), ...ids(after), ...ids(brake), ...ids(beside)]),
  ];
  return steps.map((step) => withMarks(build, step));
}

/** Whether motors stand left and right of each other, as mirror images. */
const isMirrored = (build: Build): boolean =>
  motorsIn(build) > 1 && (driveOf(build).together === 'wheel' || driveOf(build).together === 'side');

function motorStep(build: Build, onMotor: readonly Step[]): Step {
  const several = motorsIn(build) > 1;
  const loops = driveOf(build).stages.filter(isLoop);
  const thrown = loops.map(({ kind }) => stageKind(kind).loop).find((loop) => loop?.throws)?.name ?? 'belt';
  const detail = [
    ...(loops.length > 0
      ? [`Slots left free for tension; a mount that twists under pull throws its ${thrown}.`]
      : []),
    ...(isMirrored(build) ? ['Label the motors left and right.'] : []),
  ].join(' ');
  return whole({
    id: 'motors',
    title: several ? 'Bolt the motors to their mounts' : 'Bolt the motor to its mount',
    ...(detail === '' ? {} : { detail }),
    handsOnS: HOUR_S,
    needs: ['motor'],
    after: ['frame', ...ids(onMotor)],
  });
}

function electrics(build: Build, beside: readonly string[]): Step[] {
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
    chargeStep(batteryOf(build)),
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
      ...(isMirrored(build)
        ? { detail: 'Motors mounted as mirror images turn opposite ways: invert one.' }
        : {}),
      handsOnS: 3 * HOUR_S,
      needs: ['main-switch', 'fuse', 'cable'],
      after: ['motors', 'drivers', 'tray', ...beside.filter((id) => id.endsWith('.motors'))],
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

/** Charged where it can be charged; primary cells are only put in fresh. */
function chargeStep(battery: PartOf<'battery'> | undefined): Step {
  const caution = cautionForBattery(battery);
  if (battery && isPrimary(battery))
    return whole({
      id: 'charge',
      title: 'Put fresh cells in',
      detail: 'All of one kind and age; never recharge them.',
      handsOnS: 5 * MINUTE_S,
      needs: ['battery'],
      caution,
    });
  return whole({
    id: 'charge',
    title: 'Charge the battery',
    handsOnS: 10 * MINUTE_S,
    waitingS: 6 * HOUR_S,
    waitingFor: 'the battery to charge',
    needs: ['battery'],
    caution,
  });
}

function firstRuns(build: Build, drive: readonly string[]): Step[] {
  const steep = build.duties.some(rollsAway);
  const hasMotor = motorOf(build) !== undefined;
  return [
    whole({
      id: 'first-power',
      title: drivenOff(build),
      detail: hasMotor ? 'A tenth of full command; listen, feel for heat.' : undefined,
      handsOnS: 30 * MINUTE_S,
      after: ['polarity', 'charge', ...drive],
      caution: 'Stand it on blocks that cannot slip; hands, hair and sleeves clear.',
      holdPoint:
        motorsIn(build) > 1
          ? 'Each side turns forward, and the main switch stops it.'
          : 'It turns forward, and the main switch stops it.',
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

/** What is kept off the ground at first power. */
const drivenOff = ({ layout }: Build): string =>
  layoutKind(layout.kind).pullsByRope
    ? 'First power, no load on the rope'
    : layoutKind(layout.kind).onTracks
      ? 'First power, tracks off the ground'
      : 'First power, wheels off the ground';

function withMarks(build: Build, step: Step): Step {
  const mark = build.assembly.steps.find((m) => m.id === step.id);
  const handsOnS = scaledTime(scaleOf(build), step.handsOnS);
  if (!mark) return { ...step, handsOnS };
  return {
    ...step,
    handsOnS: mark.handsOn?.value ?? handsOnS,
    waitingS: mark.waiting?.value ?? step.waitingS,
    ...(mark.doneOn === undefined ? {} : { doneOn: mark.doneOn }),
  };
}
