import {
  applyChanges,
  meaningOf,
  numbersOf,
  withNumbers,
  type Build,
  type NumberAt,
  type Part,
} from '../vehicle/index.ts';

/** A number of a build that is not known exactly, and how far off it may be either way. */
export interface Uncertain extends NumberAt {
  readonly spread: number;
}

/** How far off a number may be: by the ± it was given, or, of a figure of a part that nobody printed or measured, by its guess. */
function spreadOf({ path, value, quantity }: NumberAt, parts: readonly Part[]): number {
  if (quantity) return quantity.spread ?? 0;
  const [room, id, key = '', ...further] = path;
  // What a part weighs is in what was weighed or typed of the whole.
  if (room !== 'parts' || further.length > 0 || key === 'massKg') return 0;
  return Math.abs(value) * (parts.find((part) => part.id === id)?.guessed?.[key] ?? 0);
}

/**
 * The numbers of a build that are not known exactly and that something is worked out of: those with a ± of their own, the
 * table's ranges of grounds that a job is on, and what was guessed of the parts in it.
 *
 * @example uncertainIn(puffin).some(({ path }) => path.join('.') === 'masses.payload.mass') // true
 */
export const uncertainIn = (build: Build): Uncertain[] =>
  numbersOf(build).flatMap((number) => {
    const spread = spreadOf(number, build.parts);
    return spread > 0 ? [{ ...number, spread }] : [];
  });

/** The least that a number may be which is more than nothing: as a share of it. */
const LEAST = 1e-3;

/**
 * A build with numbers of its own elsewhere within their spreads.
 *
 * @param places of each input, from 0 at its least to 1 at its most
 * @example drawn(puffin, uncertainIn(puffin), uncertainIn(puffin).map(() => 0.5)).masses.payload.mass.value // 120
 */
export const drawn = (build: Build, inputs: readonly Uncertain[], places: readonly number[]): Build =>
  withNumbers(
    build,
    inputs.map((input, at) => {
      const { path, value, spread } = input;
      const moved = value + spread * (2 * (places[at] ?? 0.5) - 1);
      const least = value > 0 ? Math.max(moved, LEAST * value) : moved;
      // An efficiency, or what of a payload is taken, is never more than all of it.
      return [input, meaningOf(path).dimension === 'share' && value <= 1 ? Math.min(least, 1) : least];
    }),
  );

/**
 * A build as it would be known once a number is measured: its value stands, its spread is gone.
 *
 * @example uncertainIn(asMeasured(puffin, uncertainIn(puffin)[0])).length // 8
 */
export function asMeasured(build: Build, { path, value }: Uncertain): Build {
  const [room, id = '', key = ''] = path;
  if (room !== 'parts')
    return applyChanges(build, [{ kind: 'set', path: [...path, 'spread'], before: value, after: undefined }]);
  return {
    ...build,
    parts: build.parts.map((part) => {
      if (part.id !== id) return part;
      const { [key]: _known, ...guessed } = part.guessed ?? {};
      return { ...part, guessed };
    }),
  };
}
