import { Router } from 'express';
import type { BuildStore } from '../builds/store.ts';
import { notFound } from '../http/http-problem.ts';
import { onlyIds } from '../http/ids.ts';
import type { Changes } from './changes.ts';

/** A remark so often, ms, keeps what lies between from taking the stream for dead. */
const REMARK_EVERY_MS = 20_000;
/** Changes that follow each other within this, ms, are one. */
const TOGETHER_MS = 100;

/** A stream that says when a build has changed, under /api/builds. */
export function changeRoutes(changes: Changes, builds: BuildStore): Router {
  const routes = Router();
  onlyIds(routes, 'id');
  routes.get('/:id/changes', async (request, response) => {
    const { id } = request.params;
    if (!(await builds.exists(id))) throw notFound('such build');
    response
      .status(200)
      // What is kept back to be compressed comes late.
      .set({ 'Content-Type': 'text/event-stream', 'Cache-Control': 'no-store, no-transform' });
    response.flushHeaders();
    let soon: ReturnType<typeof setTimeout> | undefined;
    const stop = changes.follow(id, {
      changed: () => {
        soon ??= setTimeout(() => {
          soon = undefined;
          response.write('event: changed\ndata:\n\n');
        }, TOGETHER_MS);
      },
      ends: () => response.end(),
    });
    const remarks = setInterval(() => response.write(': still here\n\n'), REMARK_EVERY_MS);
    response.on('close', () => {
      stop();
      clearTimeout(soon);
      clearInterval(remarks);
    });
  });
  return routes;
}
