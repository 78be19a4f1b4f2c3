import { evaluate } from '@zubric/core/judge';
import { Router } from 'express';
import type { EntityManager } from 'typeorm';
import { entityTag } from '../http/if-match.ts';
import { notFound } from '../http/http-problem.ts';
import { onlyIds } from '../http/ids.ts';
import { storedOut } from './routes.ts';
import { buildStore } from './store.ts';
import { keepWhole, wholeOf, wholeSchema } from './whole.ts';

/** A build with its logbook, photographs, snapshots and trials, out and in as one file. */
export function wholeRoutes(manager: EntityManager): Router {
  const routes = Router();
  onlyIds(routes, 'id');

  routes.get('/:id/whole', async (request, response) => {
    const row = await buildStore(manager).findAnywhere(request.params.id);
    if (!row) throw notFound('such build');
    response.attachment(`${row.id}.zubric-whole.json`).json(await wholeOf(manager, row));
  });

  routes.post('/whole', async (request, response) => {
    const whole = wholeSchema.parse(request.body);
    evaluate(whole.build);
    const row = await keepWhole(manager, whole);
    response
      .status(201)
      .location(`/api/builds/${row.id}`)
      .set('ETag', entityTag(row.version))
      .json(storedOut(row));
  });

  return routes;
}
