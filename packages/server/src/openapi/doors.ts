import {
  buildLinesSchema,
  companySchema,
  devicesSchema,
  groupTrialSetsSchema,
  logEntrySchema,
  logPageSchema,
  logPhotoSchema,
  meSchema,
  meterAnswerSchema,
  pairingCodeSchema,
  partsImportSchema,
  partsSchema,
  partUsesSchema,
  savedSchema,
  snapshotLineSchema,
  snapshotLinesSchema,
  snapshotSchema,
  stateSchema,
  storedBuildSchema,
  storedTrialSchema,
  storedTrialSetSchema,
  trialSetsSchema,
} from '@zubric/core/answers';
import { buildSchema, partSchema } from '@zubric/core/vehicle';
import { z } from 'zod';
import { BUILD_ASKED } from '../builds/routes.ts';
import { STEP_ASKED } from '../builds/step-routes.ts';
import { wholeSchema } from '../builds/whole.ts';
import { COMPANY_ASKED } from '../company/routes.ts';
import { DEVICE_ASKED } from '../devices/routes.ts';
import { PICTURES } from '../http/picture.ts';
import { LOG_ASKED } from '../logbook/routes.ts';
import { METER_ASKED } from '../meter/routes.ts';
import { PART_ASKED } from '../parts/routes.ts';
import { TRIAL_ASKED } from '../trials/routes.ts';
import type { Door, Media } from './door.ts';

const pictures: Media = { media: PICTURES };
const table: Media = { media: ['text/csv'] };
const events: Media = { media: ['text/event-stream'] };
const lines: Media = { media: ['text/plain'] };
/** What docs/format.md tells of in words. */
const anything = z.looseObject({});
const calculators = z.object({
  calculators: z.array(
    z.object({
      name: z.string(),
      title: z.string(),
      purpose: z.string(),
      formula: z.string(),
      source: z.string(),
    }),
  ),
});

type Method = Door['method'];
type Rest = Omit<Door, 'method' | 'path' | 'says' | 'file'>;

function door(at: `${Method} ${string}`, file: string, says: string, rest: Rest = {}): Door {
  const [method, path = ''] = at.split(' ') as [Method, string?];
  return { method, path, file, says, ...rest };
}

/**
 * Every door under /api, in the order in which it is told of. docs/api.md and the OpenAPI document are made from it, and a test
 * holds it complete.
 */
export const DOORS: readonly Door[] = [
  door('get /state', 'state/routes.ts', 'room on the disk; what happened at the start and since', {
    answer: stateSchema,
  }),
  door('get /me', 'devices/routes.ts', 'who asks: this machine, or a device by its name and role', {
    answer: meSchema,
  }),
  door(
    'post /pair',
    'devices/routes.ts',
    'a device shows a code and is let in; the one door that needs no key',
    { body: DEVICE_ASKED.entering, answer: meSchema, status: 201, open: true },
  ),
  door(
    'get /devices',
    'devices/routes.ts',
    'the door to the network, who came through it, codes that were tried',
    { answer: devicesSchema, ownMachine: true },
  ),
  door('put /devices/door', 'devices/routes.ts', 'opens and closes it', {
    body: DEVICE_ASKED.doorState,
    ownMachine: true,
  }),
  door('post /devices/codes', 'devices/routes.ts', 'a code for one device, good for two minutes', {
    body: DEVICE_ASKED.codeAsked,
    answer: pairingCodeSchema,
    status: 201,
    ownMachine: true,
  }),
  door('put /devices/:id', 'devices/routes.ts', 'another name or role', {
    body: DEVICE_ASKED.change,
    ownMachine: true,
  }),
  door('delete /devices/:id', 'devices/routes.ts', 'sends it away', { ownMachine: true }),
  door(
    'get /builds',
    'builds/routes.ts',
    'the list, with what stands in the way of each; `?place=bench`, `archive` or `bin`',
    { query: BUILD_ASKED.query, answer: buildLinesSchema },
  ),
  door(
    'post /builds',
    'builds/routes.ts',
    'a new build: `{name, template}`, or `{document}` with the `file` that it came from',
    { body: BUILD_ASKED.creation, answer: storedBuildSchema, status: 201 },
  ),
  door(
    'post /builds/whole',
    'builds/whole-routes.ts',
    'a build with its logbook, photographs, snapshots and trials, from one file',
    { body: wholeSchema, answer: storedBuildSchema, status: 201 },
  ),
  door('get /builds/:id', 'builds/routes.ts', 'the document, its version in `ETag`', {
    answer: storedBuildSchema,
  }),
  door(
    'put /builds/:id',
    'builds/routes.ts',
    'saves a document over the version in `If-Match`, and notes what changed in the logbook',
    { body: buildSchema, answer: savedSchema, over: true },
  ),
  door('post /builds/:id/copies', 'builds/routes.ts', 'a copy under another name', {
    body: BUILD_ASKED.copying,
    answer: storedBuildSchema,
    status: 201,
  }),
  door('put /builds/:id/place', 'builds/routes.ts', 'sets aside, throws away, takes back', {
    body: BUILD_ASKED.placing,
  }),
  door(
    'put /builds/:id/steps/:stepId',
    'builds/step-routes.ts',
    'marks a step done on a day (`{doneOn}`), or not done (`null`); sent again it does no harm',
    { body: STEP_ASKED.stepDone, answer: savedSchema },
  ),
  door(
    'put /builds/:id/lock',
    'company/routes.ts',
    'locks a build for an event (`{event}`), or opens it again (`{event: null}`)',
    { body: COMPANY_ASKED.locking },
  ),
  door(
    'put /builds/:id/company',
    'company/routes.ts',
    'says at which station of a build one is; who else is on it, and how far it has come',
    { body: COMPANY_ASKED.presence, answer: companySchema },
  ),
  door(
    'get /builds/:id/report',
    'builds/routes.ts',
    'all that is worked out of it ([format.md](format.md), "The report")',
    { answer: anything },
  ),
  door(
    'get /builds/:id/changes',
    'live/routes.ts',
    'a stream of events: `changed` each time that anything of it has changed, whichever server changed it',
    { answer: events },
  ),
  door('get /builds/:id/file', 'builds/routes.ts', 'the document as it is kept, whatever is wrong with it', {
    answer: anything,
  }),
  door('get /builds/:id/whole', 'builds/whole-routes.ts', 'all of it as one file', { answer: anything }),
  door(
    'get /builds/:id/log',
    'logbook/routes.ts',
    'a page of the logbook, the latest first; `?before=` the `next` of the page before, `?most=`',
    { query: LOG_ASKED.paging, answer: logPageSchema },
  ),
  door('post /builds/:id/log', 'logbook/routes.ts', 'a note', {
    body: LOG_ASKED.note,
    answer: logEntrySchema,
    status: 201,
  }),
  door('get /builds/:id/snapshots', 'logbook/routes.ts', 'their numbers, names and days', {
    answer: snapshotLinesSchema,
  }),
  door('post /builds/:id/snapshots', 'logbook/routes.ts', 'takes one', {
    body: LOG_ASKED.naming,
    answer: snapshotLineSchema,
    status: 201,
  }),
  door('get /builds/:id/snapshots/:number', 'logbook/routes.ts', 'one with its document', {
    answer: snapshotSchema,
  }),
  door(
    'put /builds/:id/snapshots/:number',
    'logbook/routes.ts',
    'another name for it; nothing else of it can be changed',
    { body: LOG_ASKED.naming },
  ),
  door('put /log/:id', 'logbook/routes.ts', 'the note beside an entry', { body: LOG_ASKED.annotation }),
  door('delete /log/:id', 'logbook/routes.ts', 'throws a builder’s own note away'),
  door('post /log/:id/photos', 'logbook/routes.ts', 'a photograph with an entry', {
    query: LOG_ASKED.photoQuery,
    body: pictures,
    answer: logPhotoSchema,
    status: 201,
  }),
  door('get /photos/:id', 'logbook/routes.ts', 'the photograph', { answer: pictures }),
  door('put /photos/:id', 'logbook/routes.ts', 'its caption', { body: LOG_ASKED.caption }),
  door('delete /photos/:id', 'logbook/routes.ts', 'throws it away'),
  door('get /builds/:id/trial-sets', 'trials/routes.ts', 'sets of trials with their runs and what follows', {
    answer: trialSetsSchema,
  }),
  door('post /builds/:id/trial-sets', 'trials/routes.ts', 'a new set, under its conditions', {
    body: TRIAL_ASKED.creation,
    answer: storedTrialSetSchema,
    status: 201,
  }),
  door(
    'get /trial-sets',
    'trials/routes.ts',
    'of every build on the bench, the sets that belong to a class or a club',
    { answer: groupTrialSetsSchema },
  ),
  door(
    'put /trial-sets/:setId',
    'trials/routes.ts',
    'its name and conditions, over the version in `If-Match`',
    { body: TRIAL_ASKED.change, answer: savedSchema, over: true },
  ),
  door(
    'put /trial-sets/:setId/trials/:trialId',
    'trials/routes.ts',
    'records a run; sent again it changes that run',
    { body: TRIAL_ASKED.recording, answer: storedTrialSchema },
  ),
  door('delete /trial-sets/:setId/trials/:trialId', 'trials/routes.ts', 'takes a run out'),
  door(
    'get /parts',
    'parts/routes.ts',
    'the shelf ([format.md](format.md), "The shelf", tells all doors of parts in full)',
    { query: PART_ASKED.query, answer: partsSchema },
  ),
  door('post /parts', 'parts/routes.ts', 'a part', { body: partSchema, answer: partSchema, status: 201 }),
  door('get /parts.csv', 'parts/routes.ts', 'the shelf as CSV', { answer: table }),
  door(
    'post /parts/import',
    'parts/routes.ts',
    'parts from CSV or JSON; `?preview=1` keeps nothing; `kind` and `columns` (`{heading: key}`) say what a table of other headings is',
    {
      query: PART_ASKED.preview,
      body: table,
      answer: partsImportSchema,
    },
  ),
  door('get /parts/:id', 'parts/routes.ts', 'a part, its version in `ETag`', { answer: partSchema }),
  door('put /parts/:id', 'parts/routes.ts', 'the part changed, over the version in `If-Match`', {
    body: partSchema,
    answer: partSchema,
    over: true,
  }),
  door('delete /parts/:id', 'parts/routes.ts', 'sets it aside, with `If-Match`', { over: true }),
  door('put /parts/:id/place', 'parts/routes.ts', 'sets it aside or back on the shelf, with `If-Match`', {
    body: PART_ASKED.placing,
    over: true,
  }),
  door('get /parts/:id/builds', 'parts/routes.ts', 'builds that hold a copy', { answer: partUsesSchema }),
  door('get /parts/:id/photo', 'parts/routes.ts', 'its photograph', { answer: pictures }),
  door('put /parts/:id/photo', 'parts/routes.ts', 'another one', { body: pictures }),
  door('delete /parts/:id/photo', 'parts/routes.ts', 'none'),
  door(
    'get /calculators',
    'calculators/routes.ts',
    'every quick sum: name, title, purpose, formula, source',
    { answer: calculators },
  ),
  door('post /calculators/:name', 'calculators/routes.ts', 'one calculation', {
    body: anything,
    answer: anything,
  }),
  door('get /meter', 'meter/routes.ts', 'the simulated bench meter: what stands on its bench', {
    answer: meterAnswerSchema,
  }),
  door('put /meter', 'meter/routes.ts', 'sets it', { body: METER_ASKED.change, answer: meterAnswerSchema }),
  door(
    'get /meter/lines',
    'meter/routes.ts',
    'its readings, ten a second ([format.md](format.md), "Readings of a bench meter")',
    { answer: lines },
  ),
  door('get /openapi.json', 'openapi/routes.ts', 'this table, as OpenAPI 3.1', { answer: anything }),
];
