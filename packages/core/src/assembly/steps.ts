import {
  massAllUp,
  drivesOf,
  driveOf,
  scaledTime,
  scaleOf,
  whole as wholeBuild,
  type Build,
} from '../vehicle/index.ts';
import { remembered } from '../contract/index.ts';
import { HOUR_S } from '../quantity/index.ts';
import { bodyAndParts } from './body-steps.ts';
import {
  beforeMotors,
  besideSteps,
  isModular,
  joinSteps,
  motorBolts,
  motorStep,
  repeated,
  stageSteps,
} from './drive-steps.ts';
import { edited, type Edited } from './edited.ts';
import { electricSteps } from './electric-steps.ts';
import type { Fastener } from './fastener.ts';
import { fastenersOf } from './fasteners.ts';
import { firstRuns } from './first-runs.ts';
import { withLeftovers } from './leftovers.ts';
import { partsList, type PartLine } from './parts-list.ts';
import { stemOf } from './rule.ts';
import { ruled } from './rules.ts';
import { brakeSteps, standSteps, wheelSteps } from './standing-steps.ts';
import { whole, type Step } from './step.ts';
import { toolsOf } from './tools.ts';
import { usualReason } from './usual-reason.ts';

const ids = (steps: readonly Step[]): string[] => steps.map((step) => step.id);

/** From so much on, kg, two lift it (common practice, no source). */
const TWO_LIFT_KG = 25;
/** Steps that lift the vehicle, or hold it while somebody works. */
const LIFTING: readonly string[] = [
  'wheels',
  'free-wheels',
  'castors',
  'track',
  'join',
  'first-power',
  'first-run',
];

/** The steps from bare frame to tuning as the parts of the build ask for them, before any rule of the trade. */
function drafts(build: Build, lines: readonly PartLine[]): Step[] {
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
  const bolts = motorBolts(build);
  const body = bodyAndParts(build, lines);
  const driven = [...ids(stand), ...ids(wheels), ...ids(after), ...ids(bolts), ...ids(beside)];
  const join = joinSteps(build, driven);
  const electrics = electricSteps(build, lines, [
    ...ids(beside).filter((id) => id.endsWith('.motors')),
    ...body.flatMap(({ id, role }) => (role === 'fit-wired' ? [id] : [])),
    ...ids(join),
  ]);
  const running = [
    ...driven,
    ...ids(brake),
    ...ids(join),
    ...ids(electrics).filter((id) => id === 'program'),
  ];
  const times = repeated(build);
  const several = (steps: readonly Step[]): Step[] =>
    steps.map((step) => (times ? { ...step, times } : step));
  return [
    whole({
      id: 'frame',
      title: 'Mark out, cut and drill the frame',
      handsOnS: 4 * HOUR_S,
      needs: ['frame'],
      caution: 'Drilling, grinding and welding: eyes, ears, fumes. Follow the tools’ own instructions.',
    }),
    ...body.filter(({ role }) => role === 'print'),
    ...stand.map((step) =>
      step.id === 'steering' && isModular(build) ? (several([step])[0] ?? step) : step,
    ),
    ...several(onMotor),
    ...several([motorStep(build, onMotor)]),
    ...several(before),
    ...several(wheels),
    ...several(after),
    ...several(bolts),
    ...brake,
    ...beside,
    ...join,
    ...body.filter(({ id, role }) => role !== 'print' && id !== 'body'),
    ...electrics,
    ...body.filter(({ id }) => id === 'body'),
    ...firstRuns(build, [...running, ...body.filter(({ id }) => id === 'seat').map(({ id }) => id)]),
  ];
}

/** A step with what its kind and the size of the vehicle ask for. */
function equipped(build: Build, step: Step, lifted: boolean): Step {
  const fasteners = fastenersOf(build, step);
  const hands = lifted && LIFTING.includes(step.role) ? 2 : step.hands;
  return { ...step, fasteners, hands, handsOnS: scaledTime(scaleOf(build), step.handsOnS) };
}

/** Set screws of a stage that is aligned first are put in loose: their torque and their lock are of the step that tightens them. */
function tightenedLater(steps: readonly Step[]): Step[] {
  const locks = new Map(
    steps.flatMap((step) => (step.role === 'lock' ? [[stemOf(step), step.id] as const] : [])),
  );
  const isLater = (step: Step, { kind }: Fastener): boolean =>
    kind === 'set screw' && step.role !== 'lock' && locks.has(stemOf(step));
  const moved = (lock: Step): Fastener[] =>
    steps
      .filter((step) => locks.get(stemOf(step)) === lock.id)
      .flatMap((step) => step.fasteners.filter((one) => isLater(step, one)));
  return steps.map((step) => {
    const mine = step.fasteners.filter((one) => !isLater(step, one));
    const fasteners = step.role === 'lock' ? [...mine, ...moved(step)] : mine;
    const changed = { ...step, fasteners };
    return { ...changed, tools: toolsOf(changed) };
  });
}

/** Steps without what goes without saying: a step that comes before another that comes before, unless a rule or the builder says so. */
function withoutImplied(steps: readonly Step[]): Step[] {
  const earlier = new Map<string, ReadonlySet<string>>();
  return steps.map((step) => {
    const before = step.after.map((id) => [id, earlier.get(id) ?? new Set<string>()] as const);
    earlier.set(step.id, new Set(before.flatMap(([id, all]) => [id, ...all])));
    const after = step.after.filter(
      (id) => step.reasons[id] !== undefined || !before.some(([other, all]) => other !== id && all.has(id)),
    );
    return { ...step, after };
  });
}

/** The steps of a build in an order that works, and what of the builder's own edits no longer fits. */
export type AssemblySteps = Edited;

/**
 * The steps from bare frame to tuning, as the parts of the build, the rules of the trade and the builder's own edits ask for
 * them: each line of the parts list is fitted by one step, each step comes after all that it must.
 *
 * @example assemblySteps(puffin).steps[0]?.title // 'Mark out, cut and drill the frame'
 */
export const assemblySteps = remembered((given: Build): AssemblySteps => {
  const build = wholeBuild(given);
  const lines = partsList(build);
  const own = build.masses.own.mass.value;
  const lifted = own >= TWO_LIFT_KG || (build.people === 'riding' && massAllUp(build) >= TWO_LIFT_KG);
  const drafted = withLeftovers(build, lines, drafts(build, lines)).map((step) =>
    equipped(build, step, lifted),
  );
  const { steps, ...others } = edited(build, lines, ruled(build, tightenedLater(drafted)));
  const roles = new Map(steps.map(({ id, role }) => [id, role]));
  return {
    ...others,
    steps: withoutImplied(steps).map((step) => ({
      ...step,
      reasons: Object.fromEntries(
        step.after.map((id) => [id, step.reasons[id] ?? usualReason(roles.get(id) ?? '', step.role)]),
      ),
    })),
  };
});
