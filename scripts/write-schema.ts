/** Writes docs/build.schema.json from the build document's schema. A test tells when it has drifted. */
import { writeFileSync } from 'node:fs';
import { buildJsonSchema } from '@zubric/core/vehicle';

writeFileSync(
  new URL('../docs/build.schema.json', import.meta.url),
  `${JSON.stringify(buildJsonSchema(), null, 2)}\n`,
);
