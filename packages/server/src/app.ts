import { existsSync } from 'node:fs';
import { join, resolve } from 'node:path';
import compression from 'compression';
import sentSmall from 'express-static-gzip';
import express, { type Express } from 'express';
import helmet from 'helmet';
import { nanoid } from 'nanoid';
import type { Logger } from 'pino';
import { pinoHttp, type Options } from 'pino-http';
import type { DataSource } from 'typeorm';
import { buildRoutes } from './builds/routes.ts';
import { stepRoutes } from './builds/step-routes.ts';
import { buildStore } from './builds/store.ts';
import { wholeRoutes } from './builds/whole-routes.ts';
import { calculatorRoutes } from './calculators/routes.ts';
import { companyRoutes } from './company/routes.ts';
import { companyStore } from './company/store.ts';
import { NO_DOOR, type NetworkDoor } from './devices/door.ts';
import { deviceRoutes, meRoutes, pairRoutes } from './devices/routes.ts';
import { deviceStore } from './devices/store.ts';
import { diskOf, whileThereIsRoom } from './http/disk.ts';
import { ENTRY, entry, onlyFrom, onlyWithKey } from './http/guard.ts';
import { notFound } from './http/http-problem.ts';
import { noSuchRoute, problemResponses } from './http/problem.ts';
import { onlyAsRoleMay } from './http/roles.ts';
import { checkBytes, onlyKeptText, onlyReadableAddress } from './http/text.ts';
import { NO_CHANGES, type Changes } from './live/changes.ts';
import { changeRoutes } from './live/routes.ts';
import { buildLogRoutes, logEntryRoutes, photoRoutes } from './logbook/routes.ts';
import { logbookStore } from './logbook/store.ts';
import { simulatedMeter } from './meter/meter.ts';
import { meterRoutes } from './meter/routes.ts';
import { openApiRoutes, serveApiPage } from './openapi/routes.ts';
import { partRoutes, partTableRoutes } from './parts/routes.ts';
import { partStore } from './parts/store.ts';
import { stateRoutes } from './state/routes.ts';
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
  /** What opens it; without one it is open to all of this machine (tests). */
  readonly token?: string;
  /** The way in from the local network; none where it is left away. */
  readonly door?: NetworkDoor;
  /** An origin behind TLS at which a proxy hands requests on. */
  readonly secure?: string;
  /** Where everything is kept, to tell how much room is left there. */
  readonly stateFolder?: string;
  /** What tells pages of changes; without it they ask every few seconds. */
  readonly changes?: Changes;
  /** What a builder must know of this start. */
  readonly notices?: () => readonly string[];
}

/** The whole HTTP side. It keeps no state of its own: all is in the database. */
export function makeApp(options: AppOptions): Express {
  const { database, log, hosts, webFolder, token, secure } = options;
  const app = express();
  app.disable('x-powered-by');
  // A proxy on this machine says whose request it hands on, and whether that came over TLS.
  app.set('trust proxy', 'loopback');
  app.use(pinoHttp({ logger: log, genReqId: () => nanoid(REQUEST_ID_LENGTH), ...SAID_OF_A_REQUEST }));
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
      xFrameOptions: { action: 'deny' },
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

  app.use(onlyReadableAddress, onlyFrom(hosts, secure), compression());
  const devices = deviceStore(database.manager);
  if (token !== undefined) app.get(ENTRY, entry(token));
  app.use('/api', jsonAt('/pair', PAIR_LIMIT), onlyKeptText, pairRoutes(devices));
  app.use('/api', onlyWithKey(token, devices), onlyAsRoleMay);
  const disk = diskOf(options.stateFolder ?? '.');
  app.use(
    '/api',
    whileThereIsRoom(disk),
    // A build with its photographs is far larger than a build.
    jsonAt('/builds/whole', WHOLE_LIMIT),
    express.json({ limit: BODY_LIMIT, verify: checkBytes }),
    onlyKeptText,
    api(
      database,
      options.changes ?? NO_CHANGES,
      stateRoutes({ disk, notices: options.notices ?? (() => []), atTheDoor: () => devices.warnings() }),
      deviceRoutes({ devices, door: options.door ?? NO_DOOR, secure, database: database.manager }),
    ),
    noSuchRoute,
  );
  serveApiPage(app);
  if (webFolder !== undefined && existsSync(webFolder)) serveWeb(app, resolve(webFolder));
  app.use(noSuchRoute);
  app.use(problemResponses);
  return app;
}

const WHOLE_LIMIT = '160mb';

/** A name and a code. */
const PAIR_LIMIT = '1kb';

/** A parser for what is posted to one address, before the one for all. */
function jsonAt(path: string, limit: string): express.Router {
  const routes = express.Router();
  routes.post(path, express.json({ limit, verify: checkBytes }));
  return routes;
}

/** One line a request, without what opens the door. */
const SAID_OF_A_REQUEST: Options = {
  quietReqLogger: true,
  serializers: {
    req: ({ id, method, url }: { id: unknown; method: string; url: string }) => ({
      id,
      method,
      url: url.split('?')[0],
    }),
    res: ({ statusCode }: { statusCode: number }) => ({ statusCode }),
  },
};

function api(
  database: DataSource,
  changes: Changes,
  state: express.Router,
  devices: express.Router,
): express.Router {
  const builds = buildStore(database.manager);
  const trials = trialStore(database.manager);
  const logbook = logbookStore(database.manager);
  const routes = express.Router();
  routes.use((_request, response, next) => {
    response.set('Cache-Control', 'no-store');
    next();
  });
  routes.use('/state', state);
  routes.use(meRoutes());
  routes.use('/devices', devices);
  routes.use('/builds', wholeRoutes(database.manager));
  routes.use('/builds/:id', companyRoutes(companyStore(database.manager)));
  routes.use('/builds', buildRoutes(builds));
  routes.use('/builds', stepRoutes(builds));
  routes.use('/builds', changeRoutes(changes, builds));
  routes.use('/builds/:id/trial-sets', buildTrialRoutes(trials, builds));
  routes.use('/builds/:id', buildLogRoutes(logbook, builds));
  routes.use('/log', logEntryRoutes(logbook));
  routes.use('/photos', photoRoutes(logbook));
  routes.use('/trial-sets', trialRoutes(trials));
  const parts = partStore(database.manager);
  routes.use(partTableRoutes(parts));
  routes.use('/parts', partRoutes(parts));
  routes.use('/calculators', calculatorRoutes());
  routes.use('/meter', meterRoutes(simulatedMeter(database.manager)));
  routes.use(openApiRoutes());
  return routes;
}

/** A file of the interface, by its ending: where it is missing there is no page to show in its place. */
const A_FILE = /\.\w{2,5}$/;

/** Hashed files for a year; every other address of the interface is its one page. */
function serveWeb(app: Express, folder: string): void {
  app.use(
    '/assets',
    sentSmall(join(folder, 'assets'), {
      enableBrotli: true,
      orderPreference: ['br', 'gzip'],
      index: false,
      serveStatic: { immutable: true, maxAge: A_YEAR, fallthrough: false },
    }),
  );
  app.use(express.static(folder, { index: false, maxAge: 0 }));
  app.get(/^\/(?!api\/)/, (request, response) => {
    if (A_FILE.test(request.path)) throw notFound(`"${request.path}"`);
    response.set('Cache-Control', 'no-cache').sendFile(join(folder, 'index.html'), { dotfiles: 'allow' });
  });
}
