import { isDeepStrictEqual } from 'node:util';
import type { PartsAnswer, PartUses } from '@zubric/core/answers';
import { PART_KINDS, partSchema, type Part, type PartKind } from '@zubric/core/vehicle';
import { partsToCsv } from '@zubric/core/exchange';
import { raw, Router, type Request } from 'express';
import { z } from 'zod';
import type { PartRow } from '../database/entities.ts';
import { entityTag, versionFrom } from '../http/if-match.ts';
import { HttpProblem, notFound } from '../http/http-problem.ts';
import { picture, PICTURE_LIMIT, PICTURES } from '../http/picture.ts';
import { newPartId } from './ids.ts';
import { importParts } from './import.ts';
import type { PartStore } from './store.ts';

const query = z.strictObject({
  kind: z.enum(PART_KINDS).optional(),
  place: z.enum(['shelf', 'aside']).default('shelf'),
});
const previewing = z.strictObject({
  preview: z.enum(['0', '1']).default('0'),
  /** What all parts of a table are, where no column says so. */
  kind: z.enum(PART_KINDS).optional(),
  /** Which keys its columns are of, `{heading: key}` as JSON, where their headings do not say so. */
  columns: z
    .string()
    .max(10_000)
    .transform((text, context) => {
      const read = z.record(z.string(), z.string()).safeParse(jsonIn(text));
      if (read.success) return read.data;
      context.addIssue({ code: 'custom', message: 'this is JSON: {"a heading": "a key"}' });
      return z.NEVER;
    })
    .optional(),
});
/** What a text of JSON says; undefined of one that is none. */
function jsonIn(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
}
const placing = z.strictObject({ place: z.enum(['shelf', 'aside']) });
const ID = /^[a-z0-9][a-z0-9-]{0,59}$/;
/** 5,000 parts with every figure are under 2 MB. */
const TABLE_LIMIT = '8mb';

/** A part as it was sent; one without an id is given one. */
function partFrom(json: unknown, id?: string): Part {
  const sent = typeof json === 'object' && json !== null ? (json as { id?: unknown; kind?: PartKind }) : {};
  const own = id ?? sent.id ?? newPartId(sent.kind ?? 'motor');
  return partSchema.parse({ ...sent, id: own });
}

/** The whole shelf as a table, out and in. */
export function partTableRoutes(store: PartStore): Router {
  const routes = Router();
  routes.get('/parts.csv', async (_request, response) => {
    const rows = await store.list({ aside: false });
    response
      .attachment('parts.csv')
      .type('text/csv; charset=utf-8')
      .send(partsToCsv(rows.map((row) => row.data)));
  });

  routes.post('/parts/import', raw({ type: 'text/csv', limit: TABLE_LIMIT }), async (request, response) => {
    const { preview, ...mapping } = previewing.parse(request.query);
    const isCsv = request.is('text/csv') !== false;
    response.json(await importParts(store, request.body, { isCsv, preview: preview === '1', mapping }));
  });

  return routes;
}

type Found = (request: Request<{ id: string }>) => Promise<PartRow>;

/** The builds that hold a copy of a part. */
function usesRoutes(routes: Router, store: PartStore, found: Found): void {
  routes.get('/:id/builds', async (request, response) => {
    const row = await found(request);
    const builds = await store.heldBy(row.id);
    response.json({
      builds: builds.map(({ id, name, document }) => ({
        id,
        name,
        asOnShelf: isDeepStrictEqual(
          document.parts.find((part) => part.id === row.id),
          row.data,
        ),
      })),
    } satisfies PartUses);
  });
}

/** A part's photograph, one each. */
function photoRoutes(routes: Router, store: PartStore, found: Found): void {
  routes.get('/:id/photo', async (request, response) => {
    const photo = await store.photo(request.params.id);
    if (!photo) throw notFound('photograph of this part');
    response.set('Content-Security-Policy', "default-src 'none'; sandbox").type(photo.type).send(photo.bytes);
  });

  routes.put('/:id/photo', raw({ type: PICTURES, limit: PICTURE_LIMIT }), async (request, response) => {
    const kept = await picture(request.body);
    const row = await found(request);
    await store.keepPhoto(row.id, kept);
    response.status(204).end();
  });

  routes.delete('/:id/photo', async (request, response) => {
    if (!(await store.removePhoto(request.params.id))) throw notFound('photograph of this part');
    response.status(204).end();
  });
}

/** The parts shelf: a part is set aside, never thrown away. */
export function partRoutes(store: PartStore): Router {
  const routes = Router();
  routes.param('id', (_request, _response, next, id: string) => {
    next(ID.test(id) ? undefined : notFound('such part'));
  });
  const found = async ({ params }: Request<{ id: string }>): Promise<PartRow> => {
    const row = await store.find(params.id);
    if (!row) throw notFound('such part');
    return row;
  };
  const stale = (row: PartRow, sent: unknown): HttpProblem =>
    new HttpProblem({
      status: 409,
      code: 'stale',
      title: 'This part was changed elsewhere since you opened it.',
      version: row.version,
      stored: row.data,
      sent,
    });

  routes.get('/', async (request, response) => {
    const { kind, place } = query.parse(request.query);
    const rows = await store.list({ kind, aside: place === 'aside' });
    response.json({ parts: rows.map((row) => row.data) } satisfies PartsAnswer);
  });

  routes.post('/', async (request, response) => {
    const part = partFrom(request.body);
    const [taken] = await store.add([part]);
    if (taken !== undefined)
      throw new HttpProblem({
        status: 409,
        code: 'id-taken',
        title: `There is a part with the id "${part.id}" already: give this one another, or leave it away.`,
      });
    response.status(201).location(`/api/parts/${part.id}`).set('ETag', entityTag(1)).json(part);
  });

  routes.get('/:id', async (request, response) => {
    const row = await found(request);
    response.set('ETag', entityTag(row.version)).json(row.data satisfies Part);
  });

  photoRoutes(routes, store, found);

  usesRoutes(routes, store, found);

  routes.put('/:id', async (request, response) => {
    const version = versionFrom(request);
    const row = await found(request);
    const part = partFrom(request.body, row.id);
    if (part.kind !== row.kind)
      throw new HttpProblem({
        status: 422,
        code: 'other-kind',
        title: `This is a ${row.kind}: a ${part.kind} is a part of its own.`,
      });
    const saved = await store.save(part, version);
    if (!saved) throw stale(await found(request), part);
    response.set('ETag', entityTag(saved.version)).json(saved.data satisfies Part);
  });

  routes.put('/:id/place', async (request, response) => {
    const version = versionFrom(request);
    const row = await found(request);
    const aside = placing.parse(request.body).place === 'aside';
    if (!(await store.put(row.id, { version, aside }))) throw stale(await found(request), undefined);
    response.status(204).end();
  });

  routes.delete('/:id', async (request, response) => {
    const version = versionFrom(request);
    const row = await found(request);
    if (!(await store.put(row.id, { version, aside: true }))) throw stale(await found(request), undefined);
    response.status(204).end();
  });

  return routes;
}

/** What is asked of these doors. */
export const PART_ASKED = { query, placing, preview: previewing };
