import type { GroupTrialSets, Saved, StoredTrial, StoredTrialSet, TrialSets } from '@zubric/core/answers';
import {
  conditionsSchema,
  PROTOCOL_NAMES,
  readingSchema,
  type ProtocolName,
  type TrialConditions,
} from '@zubric/core/protocols';
import { Router } from 'express';
import { z } from 'zod';
import type { BuildStore } from '../builds/store.ts';
import type { TrialRow, TrialSetRow } from '../database/entities.ts';
import { askerOf } from '../http/asker.ts';
import { entityTag, versionFrom } from '../http/if-match.ts';
import { HttpProblem, notFound } from '../http/http-problem.ts';
import { isId, onlyIds } from '../http/ids.ts';
import type { TrialStore } from './store.ts';

const name = z.string().trim().min(1, 'give the set a name').max(120);
const trialId = z.string().regex(/^[A-Za-z0-9_-]{8,40}$/, '8 to 40 letters, digits, - or _');
const creation = z.strictObject({
  /** What is sent again after no answer came brings an id of its own, so that it is kept once. */
  id: trialId.optional(),
  protocol: z.enum(PROTOCOL_NAMES),
  name,
  conditions: z.unknown(),
});
const change = z.strictObject({ name, conditions: z.unknown() });
/** A run by itself; what its reading holds, its set says. */
const recording = z.strictObject({ reading: z.unknown() });

const conditionsOf = (protocol: ProtocolName, json: unknown): TrialConditions =>
  z.strictObject({ conditions: conditionsSchema(protocol) }).parse({ conditions: json }).conditions;

const trialOut = (row: TrialRow): StoredTrial => ({
  id: row.id,
  ordinal: row.ordinal,
  reading: row.reading,
  recordedAt: row.recordedAt.toISOString(),
  by: row.byName,
});

const setOut = (row: TrialSetRow, trials: readonly TrialRow[]): StoredTrialSet => ({
  id: row.id,
  buildId: row.buildId,
  protocol: row.protocol,
  name: row.name,
  conditions: row.conditions,
  invented: row.invented,
  version: row.version,
  createdAt: row.createdAt.toISOString(),
  trials: trials.map(trialOut),
});

/** Trial sets of a build, under /api/builds/:id/trial-sets. */
export function buildTrialRoutes(trials: TrialStore, builds: BuildStore): Router {
  const routes = Router({ mergeParams: true });
  const buildId = async (params: unknown): Promise<string> => {
    const { id } = params as { id: string };
    if (!isId(id) || !(await builds.exists(id))) throw notFound('such build');
    return id;
  };

  routes.get('/', async (request, response) => {
    const sets = await trials.ofBuild(await buildId(request.params));
    response.json({ trialSets: sets.map((set) => setOut(set, set.trials)) } satisfies TrialSets);
  });

  routes.post('/', async (request, response) => {
    const id = await buildId(request.params);
    const asked = creation.parse(request.body);
    const row = await trials.create(id, {
      ...asked,
      conditions: conditionsOf(asked.protocol, asked.conditions),
    });
    if (!row)
      throw new HttpProblem({
        status: 409,
        code: 'id-taken',
        title: 'Something else is kept under this id.',
      });
    response.status(201).set('ETag', entityTag(row.version)).json(setOut(row, []));
  });

  return routes;
}

/** One set and its runs, under /api/trial-sets. */
export function trialRoutes(trials: TrialStore): Router {
  const routes = Router();
  onlyIds(routes, 'setId', 'trialId');
  const found = async (id: string): Promise<TrialSetRow> => {
    const set = await trials.find(id);
    if (!set) throw notFound('such set of trials');
    return set;
  };

  routes.get('/', async (_request, response) => {
    const sets = await trials.ofGroups();
    response.json({
      trialSets: sets.map((set) => ({ ...setOut(set, set.trials), buildName: set.buildName })),
    } satisfies GroupTrialSets);
  });

  routes.put('/:setId', async (request, response) => {
    const version = versionFrom(request);
    const set = await found(request.params.setId);
    const asked = change.parse(request.body);
    const row = await trials.change(set.id, version, {
      name: asked.name,
      conditions: conditionsOf(set.protocol, asked.conditions),
    });
    if (!row)
      throw new HttpProblem({
        status: 409,
        code: 'stale',
        title: 'These trials were changed elsewhere since you opened them.',
        version: set.version,
        stored: { name: set.name, conditions: set.conditions },
        sent: asked,
      });
    response.set('ETag', entityTag(row.version)).json({ id: row.id, version: row.version } satisfies Saved);
  });

  routes.put('/:setId/trials/:trialId', async (request, response) => {
    const set = await found(request.params.setId);
    const id = trialId.parse(request.params.trialId);
    const { reading } = recording
      .extend({ reading: readingSchema(set.protocol, set.conditions) })
      .parse(request.body);
    response.json(trialOut(await trials.record(set.id, id, reading, askerOf(request).name)));
  });

  routes.delete('/:setId/trials/:trialId', async (request, response) => {
    const set = await found(request.params.setId);
    if (!(await trials.remove(set.id, request.params.trialId))) throw notFound('such run');
    response.status(204).end();
  });

  return routes;
}

/** What is asked of these doors; a reading and conditions are what their protocol asks. */
export const TRIAL_ASKED = { creation, change, recording };
