import type { Company } from '@zubric/core/answers';
import { Router } from 'express';
import { z } from 'zod';
import { askerOf } from '../http/asker.ts';
import { notFound } from '../http/http-problem.ts';
import { isId } from '../http/ids.ts';
import type { CompanyStore } from './store.ts';

const presence = z.strictObject({ station: z.string().max(40) });
const locking = z.strictObject({
  event: z.string().trim().min(1, 'say what it is locked for').max(120).nullable(),
});

/** Who is on a build, and its lock: under /api/builds/:id. */
export function companyRoutes(company: CompanyStore): Router {
  const routes = Router({ mergeParams: true });
  const idOf = (request: { params: unknown }): string => {
    const { id } = request.params as { id: string };
    if (!isId(id)) throw notFound('such build');
    return id;
  };

  routes.put('/company', async (request, response) => {
    const { station } = presence.parse(request.body);
    const answer = await company.join(idOf(request), askerOf(request), station);
    if (!answer) throw notFound('such build');
    response.json(answer satisfies Company);
  });

  routes.put('/lock', async (request, response) => {
    const { event } = locking.parse(request.body);
    if (!(await company.setLock(idOf(request), event, askerOf(request).name))) throw notFound('such build');
    response.status(204).end();
  });

  return routes;
}

/** What is asked of these doors. */
export const COMPANY_ASKED = { presence, locking };
