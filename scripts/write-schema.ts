/** Writes what is published of the core's own: the schemas of a build and of a part, the glossary. Tests tell when they have drifted. */
import { writeFileSync } from 'node:fs';
import { glossaryPage } from '@zubric/core/say';
import { buildJsonSchema, partJsonSchema } from '@zubric/core/vehicle';

const write = (name: string, text: string): void =>
  writeFileSync(new URL(`../docs/${name}`, import.meta.url), text);
const asJson = (schema: unknown): string => `${JSON.stringify(schema, null, 2)}\n`;

write('build.schema.json', asJson(buildJsonSchema()));
write('part.schema.json', asJson(partJsonSchema()));
write('glossary.md', glossaryPage());
