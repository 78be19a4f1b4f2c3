import type { StateAnswer } from '@zubric/core/answers';
import { Router } from 'express';
import type { Disk } from '../http/disk.ts';

interface State {
  readonly disk: () => Promise<Disk | undefined>;
  readonly notices: () => readonly string[];
}

/** What a builder must know of the installation: whether room runs out, and what happened at its start and since. */
export function stateRoutes({ disk, notices }: State): Router {
  const routes = Router();
  routes.get('/', async (_request, response) => {
    response.json({ disk: (await disk()) ?? null, notices: [...notices()] } satisfies StateAnswer);
  });
  return routes;
}
