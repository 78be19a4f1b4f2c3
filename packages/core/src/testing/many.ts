/**
 * So many draws of a property: a quarter of the usual in `npm test`, all of them before a landing (`npm test -- all`), and more
 * on request (ZUBRIC_LONG=1).
 */
export function many(usual: number, long: number): number {
  if (process.env.ZUBRIC_LONG) return long;
  return process.env.ZUBRIC_DAILY ? Math.ceil(usual / 4) : usual;
}
