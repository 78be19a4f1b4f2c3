import type { Saved } from '@zubric/core/answers';
import { assemblyOutlook, markStep } from '@zubric/core/assembly';
import type { Build } from '@zubric/core/vehicle';
import { Router } from 'express';
import { z } from 'zod';
import { current } from '../database/current.ts';
import { askerOf } from '../http/asker.ts';
import { notFound } from '../http/http-problem.ts';
import { onlyIds } from '../http/ids.ts';
import type { BuildStore } from './store.ts';

const stepDone = z.strictObject({ doneOn: z.iso.date().nullable() });
/** A day for a plan of which only the steps are asked. */
const NO_DAY = '2000-01-01';

/** Steps of the assembly, under /api/builds: marked on the build as it stands, by whoever is at the bench. */
export function stepRoutes(store: BuildStore): Router {
  const routes = Router();
  onlyIds(routes, 'id', 'stepId');

  // What is recorded at the bench: not a change of the build, so it needs no version, and sent again it does no harm.
  routes.put('/:id/steps/:stepId', async (request, response) => {
    const { doneOn } = stepDone.parse(request.body);
    const { id, stepId } = request.params;
    const mark = (kept: unknown): Build => {
      const build = current(kept);
      if (!assemblyOutlook(build, doneOn ?? NO_DAY).steps.some((step) => step.id === stepId))
        throw notFound('such step');
      return markStep(build, stepId, { doneOn: doneOn ?? undefined });
    };
    const noted = await store.note(id, mark, askerOf(request).name);
    if (!noted) throw notFound('such build');
    response.json({ id, version: noted.version } satisfies Saved);
  });

  return routes;
}

/** What is asked of this door. */
export const STEP_ASKED = { stepDone };
