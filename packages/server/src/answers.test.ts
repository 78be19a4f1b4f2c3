import * as answers from '@zubric/core/answers';
import { afterAll, beforeAll, expect, it } from 'vitest';
import type { z } from 'zod';
import { demoServer, type DemoServer } from './testing/test-server.ts';

let server: DemoServer;
let buildId: string;
beforeAll(async () => {
  server = await demoServer('answers');
  const { body } = await server.send('get', '/api/builds');
  buildId = answers.buildLinesSchema.parse(body).builds.find(({ name }) => name === 'Puffin')?.id ?? '';
});
afterAll(() => server.close());

/** A door, and the shape that whoever asks there relies on. */
const doors: readonly (readonly [string, z.ZodType])[] = [
  ['/builds', answers.buildLinesSchema],
  ['/builds?place=bin', answers.buildLinesSchema],
  ['/builds/:id', answers.storedBuildSchema],
  ['/builds/:id/log', answers.logPageSchema],
  ['/builds/:id/snapshots', answers.snapshotLinesSchema],
  ['/builds/:id/trial-sets', answers.trialSetsSchema],
  ['/parts', answers.partsSchema],
  ['/state', answers.stateSchema],
  ['/parts/motor-24v-500w-9/builds', answers.partUsesSchema],
  ['/meter', answers.meterAnswerSchema],
];

it.each(doors)('answers at %s what is written of it', async (door, shape) => {
  const { status, body } = await server.send('get', `/api${door.replace(':id', buildId)}`);
  expect(status).toBe(200);
  expect(shape.safeParse(body).error).toBeUndefined();
});

it('answers what is made, saved and noted as is written of it', async () => {
  const made = answers.storedBuildSchema.parse(
    (await server.send('post', '/api/builds').send({ name: 'Shape', template: 'blank' })).body,
  );
  const at = `/api/builds/${made.id}`;
  const saved = await server.send('put', at).set('If-Match', `"${made.version}"`).send(made.document);
  expect(answers.savedSchema.parse(saved.body).version).toBe(made.version + 1);
  const noted = await server.send('post', `${at}/log`).send({ note: 'cut the axle' });
  expect(answers.logEntrySchema.parse(noted.body)).toMatchObject({ kind: 'note', note: 'cut the axle' });
  const taken = await server.send('post', `${at}/snapshots`).send({ name: 'first' });
  const { number } = answers.snapshotLineSchema.parse(taken.body);
  const kept = await server.send('get', `${at}/snapshots/${number}`);
  expect(answers.snapshotSchema.parse(kept.body).document.name).toBe('Shape');
});

it('says what it refuses as is written of it', async () => {
  const { body } = await server.send('post', '/api/builds').send({ document: { format: 1 } });
  const { title, problems = [] } = answers.refusalSchema.parse(body);
  expect(title).toMatch(/not a build/);
  expect(problems[0]).toMatchObject({ path: expect.any(String), message: expect.any(String) });
});
