import { isQuantity, type Quantity } from '../quantity/index.ts';
import { applyChanges, meaningOf, type Build, type Part, type Path } from '../vehicle/index.ts';

/** A number of a build that is not known exactly: where it stands, its value in SI, and how far off it may be either way. */
export interface Uncertain {
  readonly path: Path;
  readonly value: number;
  readonly spread: number;
}

type Fields = Readonly<Record<string, unknown>>;
const isFields = (x: unknown): x is Fields => typeof x === 'object' && x !== null;

/** Every quantity with a spread under a place of the document; items of lists by their ids. */
function quantitiesIn(x: unknown, path: Path): Uncertain[] {
  if (isQuantity(x)) {
    const { value, spread = 0 } = x as Quantity;
    return spread > 0 ? [{ path, value, spread }] : [];
  }
  if (Array.isArray(x))
    return x.flatMap((item: unknown) =>
      isFields(item) && typeof item.id === 'string' ? quantitiesIn(item, [...path, item.id]) : [],
    );
  return isFields(x) ? Object.entries(x).flatMap(([key, inner]) => quantitiesIn(inner, [...path, key])) : [];
}

/** Figures of a part that nobody printed or measured. */
const guessedIn = (part: Part): Uncertain[] =>
  Object.entries(part.guessed ?? {}).flatMap(([key, off]) => {
    const value = (part as unknown as Fields)[key];
    return typeof value === 'number' && key !== 'massKg' && off > 0
      ? [{ path: ['parts', part.id, key], value, spread: Math.abs(value) * off }]
      : [];
  });

/**
 * The numbers of a build that are not known exactly and that something is worked out of: those with a ± of their own, the
 * table's ranges of grounds that a job is on, and what was guessed of the parts in it.
 *
 * @example uncertainIn(puffin).some(({ path }) => path.join('.') === 'masses.payload.mass') // true
 */
export function uncertainIn(build: Build): Uncertain[] {
  const { parts, grounds, assembly: _assembly, ...rest } = build;
  const used = grounds.filter(({ id }) => build.duties.some(({ groundId }) => groundId === id));
  return [...quantitiesIn({ ...rest, grounds: used }, []), ...parts.flatMap(guessedIn)];
}

/** The least that a number may be which is more than nothing: as a share of it. */
const LEAST = 1e-3;

/**
 * A build with numbers of its own elsewhere within their spreads.
 *
 * @param places of each input, from 0 at its least to 1 at its most
 * @example drawn(puffin, uncertainIn(puffin), uncertainIn(puffin).map(() => 0.5)).masses.payload.mass.value // 120
 */
export const drawn = (build: Build, inputs: readonly Uncertain[], places: readonly number[]): Build =>
  applyChanges(
    build,
    inputs.map(({ path, value, spread }, at) => {
      const moved = value + spread * (2 * (places[at] ?? 0.5) - 1);
      const least = value > 0 ? Math.max(moved, LEAST * value) : moved;
      // An efficiency, or what of a payload is taken, is never more than all of it.
      const kept = meaningOf(path).dimension === 'share' && value <= 1 ? Math.min(least, 1) : least;
      const step = path[0] === 'parts' ? path : [...path, 'value'];
      return { kind: 'set', path: step, before: value, after: kept };
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
