import { typed } from '../quantity/index.ts';
import { freeId, type Build, type Builder, type OwnStep } from '../vehicle/index.ts';
import { markStep } from './marks.ts';
import { assemblySteps } from './steps.ts';

const withPlan = (build: Build, plan: Partial<Build['assembly']>): Build => ({
  ...build,
  assembly: { ...build.assembly, ...plan },
});

/** Lists that are empty are left out of the document. */
const orNone = <T>(items: readonly T[]): readonly T[] | undefined => (items.length === 0 ? undefined : items);

function withOwnSteps({ assembly, ...build }: Build, own: readonly OwnStep[]): Build {
  const { ownSteps: _before, ...rest } = assembly;
  const ownSteps = orNone(own);
  return { ...build, assembly: ownSteps ? { ...rest, ownSteps } : rest };
}

const freshId = ({ assembly }: Build): string => freeId('own-step', assembly.ownSteps ?? []);

/**
 * The build with one more step of the builder's own, right after another.
 *
 * @example addOwnStep(gull, 'Paint the frame', 'frame').assembly.ownSteps[0].after // ['frame']
 */
export const addOwnStep = (build: Build, title: string, after?: string): Build =>
  withOwnSteps(build, [
    ...(build.assembly.ownSteps ?? []),
    {
      id: freshId(build),
      title,
      handsOn: typed(3600, 'h', 'assumed'),
      ...(after === undefined ? {} : { after: [after] }),
    },
  ]);

/**
 * A step of the builder's own otherwise; what is undefined is taken away.
 *
 * @example changeOwnStep(addOwnStep(gull, 'Paint'), 'own-step-1', { title: 'Prime and paint' }).assembly.ownSteps[0].title
 *   // 'Prime and paint'
 */
export const changeOwnStep = (
  build: Build,
  id: string,
  to: { readonly [K in keyof OwnStep]?: OwnStep[K] | undefined },
): Build =>
  withOwnSteps(
    build,
    (build.assembly.ownSteps ?? []).map((step) =>
      step.id === id
        ? (Object.fromEntries(
            Object.entries({ ...step, ...to }).filter(([, value]) => value !== undefined),
          ) as OwnStep)
        : step,
    ),
  );

/**
 * The build without a step: one of the builder's own is gone, one of the plan left out until it is taken back.
 *
 * @example removeStep(gull, 'frame').assembly.steps // [{ id: 'frame', removed: true }]
 */
export const removeStep = (build: Build, id: string): Build =>
  (build.assembly.ownSteps ?? []).some((step) => step.id === id)
    ? withOwnSteps(
        markStep(build, id, NO_NOTE),
        (build.assembly.ownSteps ?? []).filter((step) => step.id !== id),
      )
    : markStep(build, id, { removed: true });

const NO_NOTE = {
  ...{ doneOn: undefined, handsOn: undefined, waiting: undefined },
  ...{ title: undefined, hands: undefined, after: undefined, removed: undefined },
};

/**
 * Every note on a step taken back: its own times, its name, that it is left out, that it was done.
 *
 * @example restoreStep(removeStep(gull, 'frame'), 'frame').assembly.steps // []
 */
export const restoreStep = (build: Build, id: string): Build => markStep(build, id, NO_NOTE);

/**
 * A step in two: the second is the builder's own, takes half the time, and comes between the first and all that followed.
 *
 * @example splitStep(gull, 'frame', 'Drill the frame').assembly.ownSteps[0].restOf // 'frame'
 */
export function splitStep(build: Build, id: string, title: string): Build {
  const step = assemblySteps(build).steps.find((one) => one.id === id);
  if (!step) return build;
  const half = typed(step.handsOnS / 2, 'min', 'assumed');
  const rest: OwnStep = { id: freshId(build), title, handsOn: half, restOf: id };
  const first =
    step.own === true ? changeOwnStep(build, id, { handsOn: half }) : markStep(build, id, { handsOn: half });
  return withOwnSteps(first, [...(first.assembly.ownSteps ?? []), rest]);
}

/**
 * The steps that would each wait for the next, were one to come after another; none where that may be.
 *
 * @example circleIf(gull, 'frame', 'tray') // ['frame', 'tray']
 */
export function circleIf(build: Build, id: string, after: string): readonly string[] {
  const { steps } = assemblySteps(build);
  const byId = new Map(steps.map((step) => [step.id, step]));
  const seen = new Set<string>();
  const path = (at: string): readonly string[] | undefined => {
    if (at === id) return [at];
    if (seen.has(at)) return undefined;
    seen.add(at);
    for (const before of byId.get(at)?.after ?? []) {
      const found = path(before);
      if (found) return [...found, at];
    }
    return undefined;
  };
  return path(after) ?? [];
}

/**
 * A step put after another as well, or no longer: of the builder's own order alone.
 *
 * @example putAfter(gull, 'charge', 'frame', true).assembly.steps // [{ id: 'charge', after: ['frame'] }]
 */
export function putAfter(build: Build, id: string, after: string, wanted: boolean): Build {
  const own = build.assembly.ownSteps?.find((step) => step.id === id);
  const mark = build.assembly.steps.find((step) => step.id === id);
  const before = (own ?? mark)?.after ?? [];
  const rest = before.filter((other) => other !== after);
  const next = orNone(wanted ? [...rest, after] : rest);
  return own ? changeOwnStep(build, id, { after: next }) : markStep(build, id, { after: next });
}

/**
 * The build with one more who builds, on the days of the plan.
 *
 * @example addHelper(gull, 'Anna').assembly.helpers[0].name // 'Anna'
 */
export function addHelper(build: Build, name: string): Build {
  const { helpers = [], hoursADay, workDays } = build.assembly;
  return withPlan(build, {
    helpers: [...helpers, { id: freeId('helper', helpers), name, hoursADay, workDays }],
  });
}

/**
 * A helper otherwise.
 *
 * @example changeHelper(addHelper(gull, 'Anna'), 'helper-1', { name: 'Ann' }).assembly.helpers[0].name // 'Ann'
 */
export const changeHelper = (build: Build, id: string, to: Partial<Omit<Builder, 'id'>>): Build =>
  withPlan(build, {
    helpers: (build.assembly.helpers ?? []).map((one) => (one.id === id ? { ...one, ...to } : one)),
  });

/**
 * The build without a helper.
 *
 * @example removeHelper(addHelper(gull, 'Anna'), 'helper-1').assembly.helpers // undefined
 */
export function removeHelper({ assembly, ...build }: Build, id: string): Build {
  const { helpers = [], ...rest } = assembly;
  const left = orNone(helpers.filter((one) => one.id !== id));
  return { ...build, assembly: left ? { ...rest, helpers: left } : rest };
}
