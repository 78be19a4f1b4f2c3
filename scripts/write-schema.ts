/** Writes what is published of the core's own: schemas, glossary, where each calculation stands. Tests tell when they have drifted. */
import { readFileSync, writeFileSync } from 'node:fs';
import { glossaryPage } from '@zubric/core/say';
import { buildJsonSchema, partJsonSchema } from '@zubric/core/vehicle';
import { doorsPage } from '../packages/server/src/openapi/doors-page.ts';
import { calculationsPage } from './lib/calculations-page.ts';

const write = (name: string, text: string): void =>
  writeFileSync(new URL(`../docs/${name}`, import.meta.url), text);
const asJson = (schema: unknown): string => `${JSON.stringify(schema, null, 2)}\n`;

write('build.schema.json', asJson(buildJsonSchema()));
write('part.schema.json', asJson(partJsonSchema()));
write('glossary.md', glossaryPage());
write('calculations.md', calculationsPage('.'));
write('api.md', doorsPage(readFileSync(new URL('../docs/api.md', import.meta.url), 'utf8')));
