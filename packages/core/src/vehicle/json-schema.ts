import { z } from 'zod';
import { FORMAT_VERSION, buildSchema } from './document.ts';

/** The published JSON Schema of the build document (draft 2020-12). Rules between fields are not in it. */
export const buildJsonSchema = (): unknown => ({
  title: `Zubric build, format ${FORMAT_VERSION}`,
  ...z.toJSONSchema(buildSchema, { io: 'input' }),
});
