import { layoutKind, motorOf, motorsIn, outputsOf, type Build, driveOf } from '../vehicle/index.ts';
import { HOUR_S, MINUTE_S } from '../quantity/index.ts';
import { isLoop, stageKind, stageName, stageWork } from '../transmission/index.ts';
import { hasSlots } from './rule.ts';
import { whole, type Step } from './step.ts';

/** The steps of one side of the wheels of a stage, with the stage's id before theirs, and that of a drive beside the first. */
export function stageSteps(build: Build, part: 'before' | 'after', of = ''): Step[] {
  return driveOf(build).stages.flatMap((stage) => {
    const plans = stageWork(stage)[part](stage);
    const at = `${of}${stage.id}`;
    return plans.map(({ parts = [], needs = [], after = [], ...plan }): Step => {
      const fits = parts.map((id) => `${at}.${id}`);
      const title =
        driveOf(build).stages.length > 1 ? `${plan.title} (${stageName(stage.kind)})` : plan.title;
      const step = whole({
        ...{ ...plan, title, fits, id: `${at}.${plan.id}` },
        needs: [...fits, ...needs],
        after: [
          ...after.map((id) => `${at}.${id}`),
          ...(part === 'after' && of === '' ? ['wheels'] : [`${of}motors`]),
        ],
      });
      return { ...step, role: plan.id };
    });
  });
}

/** What puts a drive beside the first together: its motors, then its stages from there on. */
export function besideSteps(seen: Build): Step[] {
  const { id, name, work } = driveOf(seen);
  const motors = motorsIn(seen);
  if (work?.kind === 'draws' && !motorOf(seen)) return [];
  const of = `${id}.`;
  const named = (step: Step): Step => ({ ...step, title: `${name}: ${lowerFirst(step.title)}` });
  return [
    {
      ...whole({
        id: `${of}motors`,
        title: `${name}: bolt the ${motors > 1 ? `${motors} motors` : 'motor'} to ${motors > 1 ? 'their mounts' : 'its mount'}`,
        handsOnS: HOUR_S,
        needs: [`${of}motor`],
        after: ['frame'],
      }),
      role: 'motors',
    },
    ...[...stageSteps(seen, 'before', of), ...stageSteps(seen, 'after', of)].map(named),
  ];
}

const lowerFirst = (text: string): string => text.charAt(0).toLowerCase() + text.slice(1);

/** A gearhead goes onto its motor before the motor goes into the frame; gears on its shaft mesh once it is in. */
export function beforeMotors(build: Build, step: Step): boolean {
  const stage = driveOf(build).stages.find(({ id }) => step.id.startsWith(`${id}.`));
  return stage !== undefined && stageKind(stage.kind).sealed === true;
}

/** Whether motors stand left and right of each other, as mirror images. */
export const isMirrored = (build: Build): boolean =>
  motorsIn(build) > 1 && (driveOf(build).together === 'wheel' || driveOf(build).together === 'side');

/** The motors into the frame; loose where a loop finds its tension by their slots. */
export function motorStep(build: Build, onMotor: readonly Step[]): Step {
  const several = motorsIn(build) > 1;
  const loops = driveOf(build).stages.filter(isLoop);
  const thrown = loops.map(({ kind }) => stageKind(kind).loop).find((loop) => loop?.throws)?.name ?? 'belt';
  const detail = [
    ...(loops.length > 0
      ? [`Slots left free for tension; a mount that twists under pull throws its ${thrown}.`]
      : []),
  ].join(' ');
  return whole({
    id: 'motors',
    title: several ? 'Bolt the motors to their mounts' : 'Bolt the motor to its mount',
    ...(detail === '' ? {} : { detail }),
    handsOnS: HOUR_S,
    needs: ['motor'],
    after: ['frame', ...onMotor.map(({ id }) => id)],
  });
}

/** The screws of motors that were left loose for a loop's tension. */
export function motorBolts(build: Build): Step[] {
  const slotted = driveOf(build).stages.some(hasSlots);
  return slotted
    ? [
        whole({
          id: 'motor-bolts',
          title: motorsIn(build) > 1 ? 'Tighten the screws of the motors' : 'Tighten the screws of the motor',
          detail: 'Crosswise; then look along the loop once more: tightening may have moved it.',
          handsOnS: 20 * MINUTE_S,
          after: ['motors'],
        }),
      ]
    : [];
}

/** Whether it is built of modules, each steered and driven. */
export const isModular = (build: Build): boolean => layoutKind(build.layout.kind).turning === 'swivel';

/** Modules are built on the bench, each by itself, and joined to the frame later. */
export function joinSteps(build: Build, after: readonly string[]): Step[] {
  return isModular(build)
    ? [
        whole({
          id: 'join',
          title: 'Join the modules to the frame',
          detail: 'Each turns freely through its whole way before its cables go on.',
          handsOnS: HOUR_S,
          after: ['frame', ...after],
        }),
      ]
    : [];
}

/** What is built several times over in the same way: modules, sides, or drivelines. */
export function repeated(build: Build): Step['times'] {
  const count = outputsOf(build);
  if (count < 2) return undefined;
  const { together } = driveOf(build);
  const of = isModular(build) ? 'module' : together === 'side' || count === 2 ? 'side' : 'driveline';
  return { of, count };
}
