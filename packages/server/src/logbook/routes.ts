import type {
  LogEntry,
  LogPage,
  LogPhoto,
  Snapshot,
  SnapshotLine,
  SnapshotLines,
} from '@zubric/core/answers';
import { raw, Router } from 'express';
import { z } from 'zod';
import type { BuildStore } from '../builds/store.ts';
import type { PhotoRow, SnapshotRow } from '../database/entities.ts';
import { askerOf } from '../http/asker.ts';
import { HttpProblem, notFound } from '../http/http-problem.ts';
import { isId, onlyIds } from '../http/ids.ts';
import { current } from '../database/current.ts';
import { PICTURE_LIMIT, PICTURES, picture } from '../http/picture.ts';
import type { EntryWithPhotos, LogbookStore } from './store.ts';

/** What is sent again after no answer came brings an id of its own, so that it is kept once. */
const ownId = z
  .string()
  .regex(/^[A-Za-z0-9_-]{8,40}$/, '8 to 40 letters, digits, - or _')
  .optional();
const note = z.strictObject({
  id: ownId,
  note: z.string().trim().min(1, 'write something first').max(5000),
});
const photoQuery = z.strictObject({ id: ownId });
const taken = (): HttpProblem =>
  new HttpProblem({ status: 409, code: 'id-taken', title: 'Something else is kept under this id.' });
const annotation = z.strictObject({ note: z.string().trim().max(5000) });
const caption = z.strictObject({ caption: z.string().trim().max(300) });
const naming = z.strictObject({ name: z.string().trim().min(1, 'give the snapshot a name').max(120) });
const snapshotNumber = z.coerce
  .number()
  .int()
  .min(1)
  .max(2 ** 31 - 1);

/** The first page, or the one that begins with entries earlier than one; as many as are looked at. */
const paging = z.strictObject({
  before: z
    .string()
    .regex(/^\d{1,18}$/, 'a page begins where the one before said')
    .optional(),
  most: z.coerce.number().int().min(1).max(200).default(50),
});

const photoOut = ({ id, caption, createdAt }: Omit<PhotoRow, 'bytes'>): LogPhoto => ({
  id,
  caption,
  createdAt: createdAt.toISOString(),
});

const entryOut = (row: EntryWithPhotos): LogEntry => ({
  id: row.id,
  kind: row.kind,
  by: row.byName,
  title: row.title,
  note: row.note,
  changes: row.changes,
  margins: row.margins,
  snapshotNumber: row.snapshotNumber,
  begunAt: row.begunAt.toISOString(),
  endedAt: row.endedAt.toISOString(),
  photos: row.photos.map(photoOut),
});

const snapshotOut = (row: SnapshotRow): SnapshotLine => ({
  number: row.number,
  name: row.name,
  createdAt: row.createdAt.toISOString(),
});

/** What stands under `/builds/:id`: the log and the snapshots of a build. */
export function buildLogRoutes(logbook: LogbookStore, builds: BuildStore): Router {
  const routes = Router({ mergeParams: true });
  const buildId = async (request: { params: unknown }): Promise<string> => {
    const { id } = request.params as { id: string };
    if (!isId(id) || !(await builds.exists(id))) throw notFound('such build');
    return id;
  };

  routes.get('/log', async (request, response) => {
    const { before, most } = paging.parse(request.query);
    const { entries, next } = await logbook.ofBuild(await buildId(request), { before, most });
    response.json({ entries: entries.map(entryOut), next } satisfies LogPage);
  });

  routes.post('/log', async (request, response) => {
    const id = await buildId(request);
    const asked = note.parse(request.body);
    const row = await logbook.addNote(id, { ...asked, by: askerOf(request).name });
    if (!row) throw taken();
    response.status(201).json(entryOut({ ...row, photos: [] }));
  });

  routes.get('/snapshots', async (request, response) => {
    const snapshots = (await logbook.snapshotsOf(await buildId(request))).map(snapshotOut);
    response.json({ snapshots } satisfies SnapshotLines);
  });

  routes.post('/snapshots', async (request, response) => {
    const { name } = naming.parse(request.body);
    const row = await logbook.snapshot(await buildId(request), name, askerOf(request).name);
    if (!row) throw notFound('such build');
    response.status(201).json(snapshotOut(row));
  });

  routes.get('/snapshots/:number', async (request, response) => {
    const number = snapshotNumber.safeParse(request.params.number);
    const row = number.success ? await logbook.findSnapshot(await buildId(request), number.data) : null;
    if (!row) throw notFound('such snapshot');
    response.json({ ...snapshotOut(row), document: current(row.document) } satisfies Snapshot);
  });

  routes.put('/snapshots/:number', async (request, response) => {
    const { name } = naming.parse(request.body);
    const number = snapshotNumber.safeParse(request.params.number);
    if (!number.success || !(await logbook.renameSnapshot(await buildId(request), number.data, name)))
      throw notFound('such snapshot');
    response.status(204).end();
  });

  return routes;
}

/** Entries by themselves, and the photographs that belong to them. */
export function logEntryRoutes(logbook: LogbookStore): Router {
  const routes = Router();
  onlyIds(routes, 'id');

  routes.put('/:id', async (request, response) => {
    if (!(await logbook.annotate(request.params.id, annotation.parse(request.body).note)))
      throw notFound('such entry');
    response.status(204).end();
  });

  routes.delete('/:id', async (request, response) => {
    if (!(await logbook.removeNote(request.params.id))) throw notFound('such note');
    response.status(204).end();
  });

  routes.post('/:id/photos', raw({ type: PICTURES, limit: PICTURE_LIMIT }), async (request, response) => {
    const { id } = photoQuery.parse(request.query);
    const { type, bytes } = await picture(request.body);
    if (!(await logbook.find(request.params.id))) throw notFound('such entry');
    const photo = await logbook.addPhoto(request.params.id, { id, type, bytes });
    if (!photo) throw taken();
    response.status(201).json(photoOut(photo));
  });

  return routes;
}

export function photoRoutes(logbook: LogbookStore): Router {
  const routes = Router();
  onlyIds(routes, 'id');

  routes.get('/:id', async (request, response) => {
    const photo = await logbook.photo(request.params.id);
    if (!photo) throw notFound('such photograph');
    response
      .set('Cache-Control', 'private, max-age=31536000, immutable')
      .set('Content-Security-Policy', "default-src 'none'; sandbox")
      .type(photo.type)
      .send(photo.bytes);
  });

  routes.put('/:id', async (request, response) => {
    if (!(await logbook.caption(request.params.id, caption.parse(request.body).caption)))
      throw notFound('such photograph');
    response.status(204).end();
  });

  routes.delete('/:id', async (request, response) => {
    if (!(await logbook.removePhoto(request.params.id))) throw notFound('such photograph');
    response.status(204).end();
  });

  return routes;
}

/** What is asked of these doors. */
export const LOG_ASKED = { note, photoQuery, annotation, caption, naming, paging };
