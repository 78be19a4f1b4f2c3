import { PLACES, type BuildLines, type Saved, type StoredBuild } from '@zubric/core/answers';
import { evaluate } from '@zubric/core/judge';
import { reportInWords } from '@zubric/core/say';
import { buildFrom, readBuild, TEMPLATES, type Build } from '@zubric/core/vehicle';
import { Router, type Response } from 'express';
import { z } from 'zod';
import type { BuildRow } from '../database/entities.ts';
import { lockOf } from '../company/store.ts';
import { askerOf } from '../http/asker.ts';
import { entityTag, versionFrom } from '../http/if-match.ts';
import { HttpProblem, notFound } from '../http/http-problem.ts';
import { onlyIds } from '../http/ids.ts';
import { current } from '../database/current.ts';
import { buildLines } from './line.ts';
import type { BuildStore } from './store.ts';

const name = z.string().trim().min(1, 'give the build a name').max(120);
const templateIds = TEMPLATES.map((template) => template.id);
const creation = z.union([
  z.strictObject({ name, template: z.enum(templateIds).default('blank') }),
  z.strictObject({
    document: z.unknown(),
    file: z.string().max(300).optional(),
    begun: z.literal(true).optional(),
  }),
]);
const copying = z.strictObject({ name });
const placing = z.strictObject({ place: z.enum(PLACES) });
const query = z.strictObject({ place: z.enum(PLACES).default('bench') });

/** What is asked for as a document, and how it began. */
function begun(asked: z.output<typeof creation>): { readonly document: Build; readonly from: string } {
  if ('name' in asked) {
    const template = TEMPLATES.find(({ id }) => id === asked.template);
    return {
      document: buildFrom(asked.template, asked.name),
      from: `Begun from the template “${template?.title ?? asked.template}”`,
    };
  }
  return {
    document: judged(documentFrom(asked.document)),
    from: asked.begun
      ? 'Begun'
      : asked.file === undefined
        ? 'Brought in'
        : `Brought in from the file “${asked.file}”`,
  };
}

/** What comes from outside is judged once before it is kept. */
function judged(document: Build): Build {
  evaluate(document);
  return document;
}

/**
 * A document as sent: unreadable ones are told path by path. Whatever the schema takes can be judged, so that a save
 * need not try it.
 */
export function documentFrom(json: unknown): Build {
  const read = readBuild(json);
  if (read.ok) return read.build;
  throw new HttpProblem({
    status: 422,
    code: 'invalid-build',
    title: 'This is not a build that can be kept.',
    problems: read.problems,
  });
}

export const storedOut = (row: BuildRow): StoredBuild => ({
  id: row.id,
  version: row.version,
  updatedAt: row.updatedAt.toISOString(),
  lock: lockOf(row),
  document: current(row.document),
});

const stale = (row: BuildRow, sent: Build): HttpProblem =>
  new HttpProblem({
    status: 409,
    code: 'stale',
    title: 'This build was changed elsewhere since you opened it.',
    version: row.version,
    stored: current(row.document),
    sent,
  });

const locked = (row: BuildRow): HttpProblem =>
  new HttpProblem({
    status: 423,
    code: 'locked',
    title: `This build is locked for “${row.lockedFor}”: steps, trials and notes are recorded, all else waits. Unlock it first.`,
    lock: lockOf(row),
  });

export function buildRoutes(store: BuildStore): Router {
  const routes = Router();
  const lines = buildLines(store);
  onlyIds(routes, 'id');

  const answerNew = (response: Response, row: BuildRow): void => {
    response
      .status(201)
      .location(`/api/builds/${row.id}`)
      .set('ETag', entityTag(row.version))
      .json(storedOut(row));
  };

  routes.get('/', async (request, response) => {
    const { place } = query.parse(request.query);
    response.json({ builds: await lines(await store.list(place)) } satisfies BuildLines);
  });

  routes.post('/', async (request, response) => {
    const { document, from } = begun(creation.parse(request.body));
    answerNew(response, await store.create(document, { from, by: askerOf(request).name }));
  });

  routes.post('/:id/copies', async (request, response) => {
    const { name: copyName } = copying.parse(request.body);
    const row = await store.find(request.params.id);
    if (!row) throw notFound('such build');
    const document = { ...current(row.document), name: copyName };
    const from = `Copied from “${row.name}”`;
    answerNew(response, await store.create(document, { from, by: askerOf(request).name }));
  });

  routes.put('/:id/place', async (request, response) => {
    const { place } = placing.parse(request.body);
    const row = await store.findAnywhere(request.params.id);
    if (row?.lockedAt && place !== 'bench') throw locked(row);
    if (!(await store.put(request.params.id, place))) throw notFound('such build');
    response.status(204).end();
  });

  routes.get('/:id', async (request, response) => {
    const row = await store.find(request.params.id);
    if (!row) throw notFound('such build');
    response.set('ETag', entityTag(row.version)).json(storedOut(row));
  });

  routes.put('/:id', async (request, response) => {
    const version = versionFrom(request);
    const document = documentFrom(request.body);
    const by = askerOf(request).name;
    const saved = await store.save(request.params.id, document, version, { by });
    if (saved.outcome === 'missing') throw notFound('such build');
    if (saved.outcome === 'locked') throw locked(saved.row);
    if (saved.outcome === 'stale') throw stale(saved.row, document);
    response.set('ETag', entityTag(saved.version)).json({
      id: request.params.id,
      version: saved.version,
      updatedAt: saved.updatedAt.toISOString(),
    } satisfies Saved);
  });

  routes.get('/:id/report', async (request, response) => {
    const row = await store.find(request.params.id);
    if (!row) throw notFound('such build');
    const build = current(row.document);
    response.json(reportInWords(evaluate(build), build));
  });

  // As it is kept, whatever is wrong with it: so that it can be mended and brought in again.
  routes.get('/:id/file', async (request, response) => {
    const row = await store.findAnywhere(request.params.id);
    if (!row) throw notFound('such build');
    response.attachment(`${row.id}.zubric.json`).json(row.document);
  });

  return routes;
}

/** What is asked of these doors. */
export const BUILD_ASKED = { creation, copying, placing, query };
