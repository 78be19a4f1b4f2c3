import {
  DEVICE_ROLES,
  type ATTEMPT_OUTCOMES,
  type Devices,
  type Me,
  type PairingCode,
} from '@zubric/core/answers';
import { Router } from 'express';
import type { EntityManager } from 'typeorm';
import { z } from 'zod';
import { appStateEntity } from '../database/entities.ts';
import { askerOf, onlyFromThisMachine } from '../http/asker.ts';
import { keepKey } from '../http/guard.ts';
import { HttpProblem, notFound } from '../http/http-problem.ts';
import { onlyIds } from '../http/ids.ts';
import type { NetworkDoor } from './door.ts';
import type { DeviceStore } from './store.ts';

const name = z.string().trim().min(1, 'give the device a name').max(60);
const role = z.enum(DEVICE_ROLES);
const doorState = z.strictObject({ open: z.boolean() });
const codeAsked = z.strictObject({ role });
const change = z.strictObject({ name, role });
const entering = z.strictObject({ code: z.string().min(1, 'type the code').max(40), name });

const DOOR_STATE = 'network-door';

/** Whether the door stood open when the server last ran. */
export async function stoodOpen(database: EntityManager): Promise<boolean> {
  const row = await database.getRepository(appStateEntity).findOneBy({ key: DOOR_STATE });
  return doorState.safeParse(row?.value).data?.open === true;
}

const keepOpen = async (database: EntityManager, open: boolean): Promise<void> => {
  await database.getRepository(appStateEntity).save({ key: DOOR_STATE, value: { open } });
};

interface Ways {
  readonly devices: DeviceStore;
  readonly door: NetworkDoor;
  /** An address behind TLS, if one was set up. */
  readonly secure: string | undefined;
  readonly database: EntityManager;
}

/** The door and who came through it, under /api/devices: for this machine alone. */
export function deviceRoutes({ devices, door, secure, database }: Ways): Router {
  const routes = Router();
  onlyIds(routes, 'id');
  routes.use(onlyFromThisMachine);

  const links = (): string[] => [
    ...(secure === undefined ? [] : [secure]),
    ...door.addresses().map((address) => `http://${address}`),
  ];

  routes.get('/', async (_request, response) => {
    const [all, attempts] = await Promise.all([devices.list(), devices.attempts()]);
    response.json({
      door: { open: door.addresses().length > 0, addresses: [...door.addresses()], secure: secure ?? null },
      devices: all.map((device) => ({
        id: device.id,
        name: device.name,
        role: device.role,
        createdAt: device.createdAt.toISOString(),
        seenAt: device.seenAt.toISOString(),
      })),
      attempts: attempts.map(({ at, address, outcome, name: said }) => ({
        at: at.toISOString(),
        address,
        outcome,
        name: said,
      })),
    } satisfies Devices);
  });

  routes.put('/door', async (request, response) => {
    const { open } = doorState.parse(request.body);
    await (open ? door.open() : door.close());
    await keepOpen(database, open);
    response.status(204).end();
  });

  routes.post('/codes', async (request, response) => {
    const asked = codeAsked.parse(request.body);
    if (links().length === 0)
      throw new HttpProblem({
        status: 409,
        code: 'door-closed',
        title: 'Open Zubric to the local network first.',
      });
    const { code, expiresAt } = await devices.makeCode(asked.role);
    response.status(201).json({
      code,
      role: asked.role,
      expiresAt: expiresAt.toISOString(),
      // Behind the #: what is sent to no server and stands in no log.
      links: links().map((address) => `${address}/pair#${code}`),
    } satisfies PairingCode);
  });

  routes.put('/:id', async (request, response) => {
    if (!(await devices.change(request.params.id, change.parse(request.body)))) throw notFound('such device');
    response.status(204).end();
  });

  routes.delete('/:id', async (request, response) => {
    if (!(await devices.sendAway(request.params.id))) throw notFound('such device');
    response.status(204).end();
  });

  return routes;
}

type Refused = Exclude<(typeof ATTEMPT_OUTCOMES)[number], 'let-in'>;
const REFUSALS: Readonly<Record<Refused, readonly [status: number, title: string]>> = {
  wrong: [403, 'This is not the code. Look at the screen again, or scan the picture.'],
  used: [403, 'This code has let a device in already. Ask for another one.'],
  expired: [403, 'This code is over two minutes old. Ask for another one.'],
  'too-many': [429, 'Too many wrong codes came from here. Wait ten minutes, then ask for another one.'],
};
const WAIT_S = 600;

/** A device shows a code and is let in, or told why not. Open to everyone: it is where the key is got. */
export function pairRoutes(devices: DeviceStore): Router {
  const routes = Router();
  routes.post('/pair', async (request, response) => {
    const asked = entering.parse(request.body);
    const letIn = await devices.letIn(asked.code, asked.name, request.ip ?? 'unknown');
    if (letIn.outcome !== 'let-in') {
      const [status, title] = REFUSALS[letIn.outcome];
      if (status === 429) response.set('Retry-After', String(WAIT_S));
      throw new HttpProblem({ status, code: `code-${letIn.outcome}`, title });
    }
    const { id, name: given, role: as } = letIn.device;
    keepKey(request, response, letIn.key);
    response
      .status(201)
      .set('Cache-Control', 'no-store')
      .json({ own: false, id, name: given, role: as } satisfies Me);
  });
  return routes;
}

/** Who asks, as the server sees it. */
export function meRoutes(): Router {
  const routes = Router();
  routes.get('/me', (request, response) => {
    response.json(askerOf(request) satisfies Me);
  });
  return routes;
}

/** What is asked of these doors. */
export const DEVICE_ASKED = { doorState, codeAsked, change, entering };
