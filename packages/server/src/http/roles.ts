import type { RequestHandler } from 'express';
import type { DeviceRole } from '@zubric/core/answers';
import { askerOf, notAllowed } from './asker.ts';

type Door = readonly [method: string, path: RegExp];

const ONE = '[\\w-]+';
const at = (path: string): RegExp => new RegExp(`^${path.replaceAll(':one', ONE)}$`);

/** Open to every device: to say where it is, and sums that keep nothing. */
const FOR_ALL: readonly Door[] = [
  ['PUT', at('/builds/:one/company')],
  ['POST', at('/calculators/:one')],
];

/** What is recorded at the bench and on the floor. */
const FOR_RECORDING: readonly Door[] = [
  ['PUT', at('/builds/:one/steps/:one')],
  ['POST', at('/builds/:one/log')],
  ['PUT', at('/log/:one')],
  ['POST', at('/log/:one/photos')],
  ['PUT', at('/photos/:one')],
  ['POST', at('/builds/:one/trial-sets')],
  ['PUT', at('/trial-sets/:one')],
  ['PUT', at('/trial-sets/:one/trials/:one')],
  ['DELETE', at('/trial-sets/:one/trials/:one')],
];

const DOORS: Readonly<Record<Exclude<DeviceRole, 'everything'>, readonly Door[]>> = {
  look: FOR_ALL,
  record: [...FOR_ALL, ...FOR_RECORDING],
};

const SAID: Readonly<Record<keyof typeof DOORS, string>> = {
  look: 'This device may only look. Whoever let it in can give it another role.',
  record:
    'This device may record steps, trials, notes and photographs, and change nothing else. Whoever let it in can give it another role.',
};

/**
 * Lets a request through that its device may make: reading is open to all, all else only where it stands in the list
 * of its role, so that a door that is new is closed until somebody opens it.
 */
export const onlyAsRoleMay: RequestHandler = (request, _response, next) => {
  const { role } = askerOf(request);
  const { method, path } = request;
  const reads = method === 'GET' || method === 'HEAD';
  if (
    role !== 'everything' &&
    !reads &&
    !DOORS[role].some(([verb, door]) => verb === method && door.test(path))
  )
    throw notAllowed(SAID[role]);
  next();
};
