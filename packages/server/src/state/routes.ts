import type { StateAnswer } from '@zubric/core/answers';
import { Router } from 'express';
import { askerOf } from '../http/asker.ts';
import type { Disk } from '../http/disk.ts';

interface State {
  readonly disk: () => Promise<Disk | undefined>;
  readonly notices: () => readonly string[];
  /** What a builder must know of who wanted to come in. */
  readonly atTheDoor: () => Promise<readonly string[]>;
}

/** What a builder must know of the installation: whether room runs out, and what happened at its start and since. */
export function stateRoutes({ disk, notices, atTheDoor }: State): Router {
  const routes = Router();
  routes.get('/', async (request, response) => {
    const told = askerOf(request).own ? [...notices(), ...(await atTheDoor())] : [];
    response.json({ disk: (await disk()) ?? null, notices: told } satisfies StateAnswer);
  });
  return routes;
}
