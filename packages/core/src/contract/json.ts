/** An object of a document before it is known to be one of ours. */
export type Json = Readonly<Record<string, unknown>>;

/**
 * Whether something of a document is an object, and no list.
 *
 * @example isJson([1]) // false
 */
export const isJson = (x: unknown): x is Json => typeof x === 'object' && x !== null && !Array.isArray(x);
