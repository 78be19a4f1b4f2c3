import type { Step } from './step.ts';

/** One step that comes after another by the builder's own order. */
export interface Edge {
  readonly step: string;
  readonly after: string;
}

/** Steps in their first order as far as that goes, each after all that it must; the rest, where some wait for each other. */
function sorted(steps: readonly Step[], after: ReadonlyMap<string, ReadonlySet<string>>) {
  const done = new Set<string>();
  const order: Step[] = [];
  let left = [...steps];
  for (;;) {
    const next = left.find(({ id }) => [...(after.get(id) ?? [])].every((before) => done.has(before)));
    if (!next) return { order, left };
    done.add(next.id);
    order.push(next);
    left = left.filter((step) => step !== next);
  }
}

/** Steps of which each waits for the next and the last for the first, among some that wait for each other. */
function circleAmong(left: readonly Step[], after: ReadonlyMap<string, ReadonlySet<string>>): string[] {
  const open = new Set(left.map(({ id }) => id));
  const path: string[] = [];
  let at = left[0]?.id;
  while (at !== undefined && !path.includes(at)) {
    path.push(at);
    at = [...(after.get(at) ?? [])].find((id) => open.has(id));
  }
  return at === undefined ? path : path.slice(path.indexOf(at)).reverse();
}

/** Each step stands where the first order has it, own ones right behind what they come after, or before what they precede. */
function placed(steps: readonly Step[], own: readonly Edge[]): Step[] {
  const at = new Map(steps.filter((step) => step.own !== true).map(({ id }, n) => [id, n]));
  const place = (step: Step): number => {
    const known = at.get(step.id);
    if (known !== undefined) return known;
    const behind = own.filter((edge) => edge.step === step.id).map(({ after }) => at.get(after) ?? -1);
    const before = own.filter(({ after }) => after === step.id).map((edge) => at.get(edge.step) ?? Infinity);
    if (behind.length > 0) return Math.max(...behind) + 0.5;
    if (before.length > 0) return Math.min(...before) - 0.5;
    return 0.5;
  };
  return steps
    .map((step, n) => ({ step, place: place(step), n }))
    .sort((a, b) => a.place - b.place || a.n - b.n)
    .map(({ step }) => step);
}

/**
 * Steps in an order in which each comes after all that it must. The builder's own order counts too; where it runs in a circle,
 * the steps of the circle are told and the builder's part of it is left aside.
 */
export function inOrder(
  steps: readonly Step[],
  own: readonly Edge[],
): { readonly steps: readonly Step[]; readonly circles: readonly (readonly string[])[] } {
  const queue = placed(steps, own);
  const circles: (readonly string[])[] = [];
  let edges = [...own];
  for (;;) {
    const after = new Map(steps.map((step) => [step.id, new Set(step.after)]));
    for (const { step, after: before } of edges) after.get(step)?.add(before);
    const { order, left } = sorted(queue, after);
    if (left.length === 0)
      return { circles, steps: order.map((step) => ({ ...step, after: [...(after.get(step.id) ?? [])] })) };
    const circle = circleAmong(left, after);
    circles.push(circle);
    const inCircle = new Set(circle);
    const without = edges.filter((edge) => !(inCircle.has(edge.step) && inCircle.has(edge.after)));
    // The plan's own order has no circle: were there one, what it holds would be shown last rather than not at all.
    if (without.length === edges.length) return { circles, steps: [...order, ...left] };
    edges = without;
  }
}
