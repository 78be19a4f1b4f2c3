import type { Build } from '@zubric/core/vehicle';
import type { Unsent } from './outbox.ts';

/** A build with the steps that were marked here and are not sent yet; what marks them is fetched where there are any. */
export async function withUnsentSteps(
  build: Build,
  unsent: readonly Unsent[],
  buildId: string,
): Promise<Build> {
  const steps = unsent.flatMap((item) =>
    item.kind === 'step' && item.buildId === buildId && item.refused === undefined ? [item] : [],
  );
  if (steps.length === 0) return build;
  const { markStep } = await import('@zubric/core/assembly');
  return steps.reduce(
    (marked, { stepId, doneOn }) => markStep(marked, stepId, { doneOn: doneOn ?? undefined }),
    build,
  );
}
