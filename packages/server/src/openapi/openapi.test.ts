import { readdirSync, readFileSync } from 'node:fs';
import { Validator } from '@seriousme/openapi-schema-validator';
import addFormats from 'ajv-formats';
import { Ajv2020 } from 'ajv/dist/2020.js';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { asWritten } from '../../../../scripts/lib/as-written.ts';
import { demoServer, type DemoServer } from '../testing/test-server.ts';
import { openApiDocument } from './document.ts';
import { doorsPage } from './doors-page.ts';
import { DOORS } from './doors.ts';

interface Operation {
  readonly responses: Readonly<Record<string, { content?: Record<string, { schema: object }> }>>;
}
const written = JSON.parse(JSON.stringify(openApiDocument())) as {
  openapi: string;
  paths: Record<string, Record<string, Operation>>;
  components: object;
};

describe('the list of doors', () => {
  it('has every door that a file opens, and no other', () => {
    const opened = readdirSync('packages/server/src', { recursive: true, encoding: 'utf8' })
      .filter((file) => file.endsWith('routes.ts'))
      .flatMap((file) =>
        [
          ...readFileSync(`packages/server/src/${file}`, 'utf8').matchAll(
            /routes\.(get|put|post|delete)\(\s*'([^']*)'/g,
          ),
        ].map(([, method, path = '']) => ({ method, file, ends: path.replace(/\/$/, '') })),
      );
    expect(DOORS).toHaveLength(opened.length);
    for (const { method, path, file } of DOORS)
      expect(
        opened.some((door) => door.method === method && door.file === file && path.endsWith(door.ends)),
        `${method} ${path}`,
      ).toBe(true);
  });

  it('is told of in docs/api.md as `npm run schema` writes it', async () => {
    const page = readFileSync('docs/api.md', 'utf8');
    const anew = await asWritten('docs/api.md', doorsPage(page));
    expect(page).toBe(anew);
    expect(page).toContain('`PUT /api/trial-sets/:setId/trials/:trialId`');
  });
});

describe('the API as OpenAPI', () => {
  it('is 3.1, as a checker of others finds it (@seriousme/openapi-schema-validator, from the registry)', async () => {
    const { valid, errors } = await new Validator().validate(structuredClone(written) as never);
    expect(errors ?? []).toEqual([]);
    expect(valid).toBe(true);
    expect(written.openapi).toBe('3.1.0');
  });

  it('has an operation for each door, each under a name of its own', () => {
    const operations = Object.values(written.paths).flatMap((path) => Object.values(path));
    expect(operations).toHaveLength(DOORS.length);
    const names = operations.map(
      (operation) => (operation as unknown as { operationId: string }).operationId,
    );
    expect(new Set(names).size).toBe(names.length);
  });
});

describe('what the server answers', () => {
  let server: DemoServer;
  beforeAll(async () => {
    server = await demoServer('openapi');
  });
  afterAll(() => server.close());

  const ajv = new Ajv2020({ strict: false, allErrors: true });
  (addFormats as unknown as (to: Ajv2020) => void)(ajv);
  /** The schema of an answer, with what it refers to. */
  const schemaOf = (path: string, method: string, status: number): object | undefined => {
    const content = written.paths[path]?.[method]?.responses[status]?.content;
    const schema = (content?.['application/json'] ?? content?.['application/problem+json'])?.schema;
    return schema && { ...schema, components: written.components };
  };
  const asked: Readonly<Record<string, string>> = { number: '1', name: 'pull-test' };

  it('is as the document says, of every door that is only read', async () => {
    let checked = 0;
    for (const { method, path, answer } of DOORS) {
      if (method !== 'get' || !answer || 'media' in answer) continue;
      const part = (await server.send('get', '/api/parts').expect(200)).body as { parts: { id: string }[] };
      const address = path.replaceAll(/:(\w+)/g, (_, name: string) =>
        path.startsWith('/parts') ? (part.parts[0]?.id ?? '') : (asked[name] ?? 'puffin'),
      );
      const { body, status } = await server.send('get', `/api${address}`);
      // Its door has no network to tell of in a test.
      if (status !== 200) continue;
      const schema = schemaOf(path.replaceAll(/:(\w+)/g, '{$1}'), 'get', 200);
      const validate = ajv.compile(schema ?? false);
      expect(validate(body), `${path}: ${ajv.errorsText(validate.errors)}`).toBe(true);
      checked += 1;
    }
    expect(checked).toBeGreaterThan(15);
  });

  it('is refused as the document says', async () => {
    const { body } = await server.send('get', '/api/builds/nothing-here').expect(404);
    const validate = ajv.compile(schemaOf('/builds/{id}', 'get', 404) ?? false);
    expect(validate(body)).toBe(true);
    expect(validate({ nothing: 1 })).toBe(false);
  });

  it('serves the document, and a page that draws it with its own scripts alone', async () => {
    const { body } = await server.send('get', '/api/openapi.json').expect(200);
    expect(body).toEqual(written);
    const page = await server.send('get', '/api-docs/').expect(200);
    await server.send('get', '/api-docs').expect(302).expect('Location', '/api-docs/');
    expect(page.text).not.toMatch(/<script>|https?:/);
    for (const file of page.text.matchAll(/(?:src|href)="([^"]+)"/g))
      await server.send('get', `/api-docs/${file[1] ?? ''}`).expect(200);
    await server.send('get', '/api-docs/package.json').expect(404);
  });
});
