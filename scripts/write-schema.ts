/** Writes the published schemas of a build and of a part from their own. A test tells when they have drifted. */
import { writeFileSync } from 'node:fs';
import { buildJsonSchema, partJsonSchema } from '@zubric/core/vehicle';

const write = (name: string, schema: unknown): void =>
  writeFileSync(new URL(`../docs/${name}`, import.meta.url), `${JSON.stringify(schema, null, 2)}\n`);

write('build.schema.json', buildJsonSchema());
write('part.schema.json', partJsonSchema());
