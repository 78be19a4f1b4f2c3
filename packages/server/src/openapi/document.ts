import { refusalSchema } from '@zubric/core/answers';
import { createDocument, type ZodOpenApiOperationObject, type ZodOpenApiPathsObject } from 'zod-openapi';
import { z } from 'zod';
import type { Door } from './door.ts';
import { DOORS } from './doors.ts';

/** Paths as OpenAPI writes them. */
const written = (path: string): string => path.replaceAll(/:(\w+)/g, '{$1}');
const namesIn = (path: string): string[] => [...path.matchAll(/:(\w+)/g)].map(([, name = '']) => name);

/** In words, without the marks of the page of doors. */
const inWords = (says: string): string => says.replaceAll(/\[([^\]]+)\]\([^)]+\)/g, '$1');

const refused = refusalSchema.meta({ id: 'Refusal' });
const refusal = (description: string) => ({
  description,
  content: { 'application/problem+json': { schema: refused } },
});

const contentOf = (sent: NonNullable<Door['body']>) =>
  'media' in sent
    ? Object.fromEntries(
        sent.media.map((media) => [media, { schema: { type: 'string' as const, format: 'binary' } }]),
      )
    : { 'application/json': { schema: sent } };

function operationOf({
  method,
  path,
  says,
  query,
  body,
  answer,
  status,
  over,
  ownMachine,
  open,
}: Door): ZodOpenApiOperationObject {
  const ids = namesIn(path);
  const [first = ''] = path.split('/').filter((part) => part !== '');
  return {
    operationId: `${method}${path.replaceAll(/[^A-Za-z]+([A-Za-z])/g, (_, letter: string) => letter.toUpperCase())}`,
    summary: inWords(says),
    tags: [first.replace('.csv', '')],
    ...(ownMachine ? { description: 'For the machine that the server runs on.' } : {}),
    ...(open ? { security: [] } : {}),
    requestParams: {
      ...(ids.length > 0
        ? { path: z.object(Object.fromEntries(ids.map((name) => [name, z.string()]))) }
        : {}),
      ...(query ? { query } : {}),
      ...(over ? { header: z.object({ 'If-Match': z.string() }) } : {}),
    },
    ...(body ? { requestBody: { required: true, content: contentOf(body) } } : {}),
    responses: {
      ...(answer
        ? { [String(status ?? 200)]: { description: 'Answered', content: contentOf(answer) } }
        : { '204': { description: 'Done' } }),
      ...(open ? {} : { '401': refusal('No key, or one that is not known') }),
      ...(body || query ? { '422': refusal('Something in it is to be changed: which, by its path') } : {}),
      ...(ids.length > 0 ? { '404': refusal('There is none of this name') } : {}),
      ...(over ? { '409': refusal('Changed elsewhere meanwhile: both sides are told') } : {}),
    },
  };
}

function pathsOf(doors: readonly Door[]): ZodOpenApiPathsObject {
  const paths: Record<string, Record<string, ZodOpenApiOperationObject>> = {};
  for (const door of doors) {
    const path = written(door.path);
    paths[path] = { ...paths[path], [door.method]: operationOf(door) };
  }
  return paths;
}

/** The API as OpenAPI 3.1, from the schemas that the server checks and answers with. */
export const openApiDocument = () =>
  createDocument(
    {
      openapi: '3.1.0',
      info: {
        title: 'Zubric',
        version: '1',
        description:
          'Everything that the application does over HTTP. What is changed over a version names it in If-Match; every error is application/problem+json with a code, and a title that says what to change.',
      },
      servers: [{ url: '/api' }],
      security: [{ key: [] }],
      paths: pathsOf(DOORS),
      components: {
        securitySchemes: {
          key: {
            ...{ type: 'http', scheme: 'bearer' },
            description:
              'The installation’s key, as the printed address has it; a browser that came by that address brings it as a cookie.',
          },
        },
      },
    },
    // What only its reader can tell, a build as it was kept, has no shape here.
    { allowEmptySchema: { custom: true, unknown: true, transform: true } },
  );
