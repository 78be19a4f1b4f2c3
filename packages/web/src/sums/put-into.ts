import { z } from 'zod';

/** The result of a sum on its way into a build, as the history of the browser carries it. */
const putIntoSchema = z.strictObject({
  calculator: z.string(),
  key: z.string(),
  found: z.record(z.string(), z.unknown()),
  dutyId: z.string(),
});
export type PutInto = z.output<typeof putIntoSchema>;

const stateSchema = z.object({ putInto: putIntoSchema });

/** What came along with an address; undefined where nothing did. */
export function carriedResult(state: unknown): PutInto | undefined {
  const read = stateSchema.safeParse(state);
  return read.success ? read.data.putInto : undefined;
}
