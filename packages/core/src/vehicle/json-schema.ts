import { z } from 'zod';
import { FORMAT_VERSION, buildSchema } from './document.ts';
import { partSchema } from './part.ts';

/**
 * The published JSON Schema of the build document (draft 2020-12). Rules between fields are not in it.
 *
 * @example Object.keys(buildJsonSchema()).includes('properties') // true
 */
export const buildJsonSchema = (): unknown => ({
  title: `Zubric build, format ${FORMAT_VERSION}`,
  ...z.toJSONSchema(buildSchema, { io: 'input' }),
});

/**
 * The same of a part of the shelf.
 *
 * @example typeof partJsonSchema() // 'object'
 */
export const partJsonSchema = (): unknown => ({
  title: 'Zubric part',
  ...z.toJSONSchema(partSchema, { io: 'input' }),
});
