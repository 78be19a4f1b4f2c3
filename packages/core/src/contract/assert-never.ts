/**
 * Ends a switch over every member of a family: it does not compile where one has no case.
 *
 * @throws Error where a value of no such type comes in after all
 * @example assertNever('tern') // throws Error: there is no case for "tern"
 */
export function assertNever(none: never): never {
  throw new Error(`there is no case for ${JSON.stringify(none)}`);
}
