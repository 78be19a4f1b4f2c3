import { existsSync } from 'node:fs';
import { join, resolve } from 'node:path';
import express, { type Express } from 'express';
import helmet from 'helmet';
import { nanoid } from 'nanoid';
import type { Logger } from 'pino';
import { pinoHttp } from 'pino-http';
import type { DataSource } from 'typeorm';
import { buildRoutes } from './builds/routes.ts';
import { buildStore } from './builds/store.ts';
import { calculatorRoutes } from './calculators/routes.ts';
import { onlyFrom } from './http/guard.ts';
import { noSuchRoute, problemResponses } from './http/problem.ts';
import { buildLogRoutes, logEntryRoutes, photoRoutes } from './logbook/routes.ts';
import { logbookStore } from './logbook/store.ts';
import { partRoutes } from './parts/routes.ts';
import { buildTrialRoutes, trialRoutes } from './trials/routes.ts';
import { trialStore } from './trials/store.ts';

/** A build of the largest size that is brought in (2 MB), with what goes around it. */
const BODY_LIMIT = '3mb';
const REQUEST_ID_LENGTH = 10;
const A_YEAR = '365d';

export interface AppOptions {
  readonly database: DataSource;
  readonly log: Logger;
  /** The host:port pairs it answers to. */
  readonly hosts: () => readonly string[];
  /** The built interface, if it is to be served. */
  readonly webFolder?: string;
}

/** The whole HTTP side. It keeps no state of its own. */
export function makeApp({ database, log, hosts, webFolder }: AppOptions): Express {
  const app = express();
  app.disable('x-powered-by');
  app.use(pinoHttp({ logger: log, genReqId: () => nanoid(REQUEST_ID_LENGTH), quietReqLogger: true }));
  app.use(
    helmet({
      contentSecurityPolicy: {
        useDefaults: false,
        directives: {
          defaultSrc: ["'self'"],
          imgSrc: ["'self'", 'data:'],
          objectSrc: ["'none'"],
          baseUri: ["'none'"],
          formAction: ["'self'"],
          frameAncestors: ["'none'"],
        },
      },
      strictTransportSecurity: false,
    }),
  );

  app.get('/healthz', (_request, response) => {
    response.json({ ok: true });
  });
  app.get('/readyz', async (_request, response) => {
    await database.query('SELECT 1');
    response.json({ ok: true });
  });

  app.use(onlyFrom(hosts));
  app.use('/api', express.json({ limit: BODY_LIMIT }), api(database), noSuchRoute);
  if (webFolder !== undefined && existsSync(webFolder)) serveWeb(app, resolve(webFolder));
  app.use(noSuchRoute);
  app.use(problemResponses);
  return app;
}

function api(database: DataSource): express.Router {
  const builds = buildStore(database);
  const trials = trialStore(database);
  const logbook = logbookStore(database);
  const routes = express.Router();
  routes.use((_request, response, next) => {
    response.set('Cache-Control', 'no-store');
    next();
  });
  routes.use('/builds', buildRoutes(builds));
  routes.use('/builds/:id/trial-sets', buildTrialRoutes(trials, builds));
  routes.use('/builds/:id', buildLogRoutes(logbook, builds));
  routes.use('/log', logEntryRoutes(logbook));
  routes.use('/photos', photoRoutes(logbook));
  routes.use('/trial-sets', trialRoutes(trials));
  routes.use('/parts', partRoutes(database));
  routes.use('/calculators', calculatorRoutes());
  return routes;
}

/** Hashed files for a year; every other address of the interface is its one page. */
function serveWeb(app: Express, folder: string): void {
  app.use(
    '/assets',
    express.static(join(folder, 'assets'), { immutable: true, maxAge: A_YEAR, fallthrough: false }),
  );
  app.use(express.static(folder, { index: false, maxAge: 0 }));
  app.get(/^\/(?!api\/)/, (_request, response) => {
    response.set('Cache-Control', 'no-cache').sendFile(join(folder, 'index.html'), { dotfiles: 'allow' });
  });
}
