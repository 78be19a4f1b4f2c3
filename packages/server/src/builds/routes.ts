import { newBuild, readBuild, type Build } from '@zubric/core/build';
import { closeness, evaluate, linkDefinition } from '@zubric/core/evaluate';
import { Router } from 'express';
import { z } from 'zod';
import type { BuildRow } from '../database/entities.ts';
import { entityTag, versionFrom } from '../http/if-match.ts';
import { HttpProblem, notFound } from '../http/problem.ts';
import type { BuildStore } from './store.ts';

const creation = z.union([
  z.strictObject({ name: z.string().trim().min(1, 'give the build a name').max(120) }),
  z.strictObject({ document: z.unknown() }),
]);

/** A document as sent: unreadable ones are told path by path. */
function documentFrom(json: unknown): Build {
  const read = readBuild(json);
  if (read.ok) return read.build;
  throw new HttpProblem({
    status: 422,
    code: 'invalid-build',
    title: 'This is not a build that can be kept.',
    problems: read.problems,
  });
}

const whole = (row: BuildRow) => ({
  id: row.id,
  version: row.version,
  updatedAt: row.updatedAt.toISOString(),
  document: row.document,
});

/** One line of the list of builds: what it is and what stands in its way. */
function line(row: BuildRow) {
  const { findings, governing, duties } = evaluate(row.document);
  const worst = [...governing].sort((a, b) => closeness(a) - closeness(b))[0];
  return {
    id: row.id,
    name: row.name,
    purpose: row.document.purpose,
    readyBy: row.document.readyBy,
    updatedAt: row.updatedAt.toISOString(),
    massKg: row.document.masses.own.mass.value + row.document.masses.payload.mass.value,
    duties: duties.length,
    stops: findings.filter((f) => f.severity === 'stop').length,
    tight: findings.filter((f) => f.severity === 'tight').length,
    worst: worst && {
      link: worst.link,
      title: linkDefinition(worst.link).title,
      duty: duties.find((d) => d.id === worst.dutyId)?.name ?? null,
      ratio: worst.ratio,
      rule: worst.rule,
      verdict: worst.verdict,
    },
  };
}

const stale = (row: BuildRow, sent: Build): HttpProblem =>
  new HttpProblem({
    status: 409,
    code: 'stale',
    title: 'This build was changed elsewhere since you opened it.',
    version: row.version,
    stored: row.document,
    sent,
  });

export function buildRoutes(store: BuildStore): Router {
  const routes = Router();

  routes.get('/', async (_request, response) => {
    response.json({ builds: (await store.list()).map(line) });
  });

  routes.post('/', async (request, response) => {
    const asked = creation.parse(request.body);
    const row = await store.create('name' in asked ? newBuild(asked.name) : documentFrom(asked.document));
    response
      .status(201)
      .location(`/api/builds/${row.id}`)
      .set('ETag', entityTag(row.version))
      .json(whole(row));
  });

  routes.get('/:id', async (request, response) => {
    const row = await store.find(request.params.id);
    if (!row) throw notFound('such build');
    response.set('ETag', entityTag(row.version)).json(whole(row));
  });

  routes.put('/:id', async (request, response) => {
    const version = versionFrom(request);
    const document = documentFrom(request.body);
    const saved = await store.save(request.params.id, document, version);
    if (saved.outcome === 'missing') throw notFound('such build');
    if (saved.outcome === 'stale') throw stale(saved.row, document);
    response.set('ETag', entityTag(saved.row.version)).json({
      id: saved.row.id,
      version: saved.row.version,
      updatedAt: saved.row.updatedAt.toISOString(),
    });
  });

  routes.get('/:id/report', async (request, response) => {
    const row = await store.find(request.params.id);
    if (!row) throw notFound('such build');
    response.json(evaluate(row.document));
  });

  return routes;
}
