import type { Build, OwnStep } from '../vehicle/index.ts';
import { inOrder, type Edge } from './order.ts';
import type { PartLine } from './parts-list.ts';
import type { Reason, Step } from './step.ts';

/** What of the builder's own edits does not fit the plan, or no longer: nothing of it is lost. */
export type PlanProblem =
  /** Steps that each wait for the next; the builder's own order among them was left aside. */
  | { readonly kind: 'circle'; readonly steps: readonly string[] }
  /** A note on a step that the build does not have any more. */
  | { readonly kind: 'gone'; readonly stepId: string; readonly title?: string }
  /** A step of the builder's own names a step or a line that is gone. */
  | {
      readonly kind: 'names-gone';
      readonly stepId: string;
      readonly title: string;
      readonly ids: readonly string[];
    }
  /** Lines that no step fits, as the step that did is left out. */
  | { readonly kind: 'not-fitted'; readonly lines: readonly string[] };

const OWN_ORDER: Reason = { why: 'As you have it.' };

/** A step of the builder's own as the plan has steps: what it fits is what nothing else does. */
function asStep(own: OwnStep, lines: ReadonlySet<string>, fitted: Set<string>): Step {
  const needs = (own.needs ?? []).filter((id) => lines.has(id));
  const parts = needs.filter((id) => !fitted.has(id));
  for (const id of parts) fitted.add(id);
  return {
    ...{ id: own.id, role: 'own', title: own.title, own: true, hands: own.hands === 2 ? 2 : 1 },
    ...(own.detail ? { detail: own.detail } : {}),
    ...{ handsOnS: own.handsOn.value, waitingS: own.waiting?.value ?? 0 },
    ...{ needs, parts, fasteners: [], tools: [], after: own.after ?? [], reasons: {}, remarks: [] },
  };
}

/** The steps without those that are left out: what came after one of them comes after what that came after. */
function withoutRemoved(steps: readonly Step[], removed: ReadonlySet<string>): Step[] {
  const byId = new Map(steps.map((step) => [step.id, step]));
  const instead = (id: string): string[] =>
    removed.has(id) ? (byId.get(id)?.after ?? []).flatMap(instead) : [id];
  return steps
    .filter(({ id }) => !removed.has(id))
    .map((step) => ({ ...step, after: [...new Set(step.after.flatMap(instead))] }));
}

/** The order that the builder wants beside that of the plan. */
function ownEdges({ assembly }: Build, steps: readonly Step[]): Edge[] {
  const marked = assembly.steps.flatMap(({ id, after = [] }) =>
    after.map((before) => ({ step: id, after: before })),
  );
  const own = (assembly.ownSteps ?? []).flatMap(({ id, after = [], before = [], restOf }) => [
    ...after.map((one) => ({ step: id, after: one })),
    ...before.map((one) => ({ step: one, after: id })),
    ...(restOf === undefined
      ? []
      : [
          { step: id, after: restOf },
          ...steps
            .filter((step) => step.after.includes(restOf))
            .map((step) => ({ step: step.id, after: id })),
        ]),
  ]);
  return [...marked, ...own];
}

/** Notes and own steps that name what is not there. */
function gone(build: Build, there: ReadonlySet<string>, lines: ReadonlySet<string>): PlanProblem[] {
  const { steps, ownSteps = [] } = build.assembly;
  return [
    ...steps
      .filter(({ id }) => !there.has(id))
      .map(({ id, title }): PlanProblem => ({ kind: 'gone', stepId: id, ...(title ? { title } : {}) })),
    ...ownSteps.flatMap(({ id, title, after = [], before = [], needs = [], restOf }): PlanProblem[] => {
      const named = [...after, ...before, ...(restOf === undefined ? [] : [restOf])];
      const ids = [...named.filter((one) => !there.has(one)), ...needs.filter((one) => !lines.has(one))];
      return ids.length === 0 ? [] : [{ kind: 'names-gone', stepId: id, title, ids }];
    }),
  ];
}

/** The plan with the builder's edits. */
export interface Edited {
  readonly steps: readonly Step[];
  /** Steps that are left out, to be taken back. */
  readonly leftOut: readonly Step[];
  readonly problems: readonly PlanProblem[];
}

/**
 * The steps as the builder has them: own ones among them, renamed, timed, left out and ordered otherwise; in an order in which
 * each comes after all that it must. What of that does not fit is told, and does no harm.
 */
export function edited(build: Build, lines: readonly PartLine[], planned: readonly Step[]): Edited {
  const { steps: marks, ownSteps = [] } = build.assembly;
  const lineIds = new Set(lines.map(({ id }) => id));
  const removed = new Set(marks.flatMap(({ id, removed: out }) => (out ? [id] : [])));
  const left = withoutRemoved(planned, removed);
  const fitted = new Set(left.flatMap(({ parts }) => parts));
  const all = [...left, ...ownSteps.map((own) => asStep(own, lineIds, fitted))];
  const there = new Set(all.map(({ id }) => id));
  const marked = all.map((step) =>
    withMark(
      step,
      marks.find(({ id }) => id === step.id),
    ),
  );
  const edges = ownEdges(build, left).filter(({ step, after }) => there.has(step) && there.has(after));
  const { steps, circles } = inOrder(
    marked.map((step) => ({ ...step, after: step.after.filter((id) => there.has(id) && step.own !== true) })),
    edges,
  );
  const unfitted = lines.flatMap(({ id, source }) => (source !== 'own' && !fitted.has(id) ? [id] : []));
  return {
    leftOut: planned.filter(({ id }) => removed.has(id)),
    steps: steps.map((step) => ({
      ...step,
      reasons: {
        ...Object.fromEntries(
          edges.filter((edge) => edge.step === step.id).map(({ after }) => [after, OWN_ORDER]),
        ),
        ...step.reasons,
      },
    })),
    problems: [
      ...circles.map((ids): PlanProblem => ({ kind: 'circle', steps: ids })),
      ...gone(build, new Set([...there, ...removed]), lineIds),
      ...(unfitted.length > 0 ? [{ kind: 'not-fitted' as const, lines: unfitted }] : []),
    ],
  };
}

/** A step as it is marked: renamed, timed, done. */
function withMark(step: Step, mark: Build['assembly']['steps'][number] | undefined): Step {
  if (!mark) return step;
  return {
    ...step,
    title: mark.title ?? step.title,
    hands: mark.hands === undefined ? step.hands : mark.hands === 2 ? 2 : 1,
    handsOnS: mark.handsOn?.value ?? step.handsOnS,
    waitingS: mark.waiting?.value ?? step.waitingS,
    ...(mark.doneOn === undefined ? {} : { doneOn: mark.doneOn }),
  };
}
