import { isQuantity, type Quantity } from '../quantity/index.ts';
import { applyChanges, type Path } from './changes.ts';
import { canBe } from './can-be.ts';
import type { Build } from './document.ts';
import { meaningOf } from './meaning.ts';

/** A number that stands in a build. */
export interface NumberAt {
  readonly path: Path;
  /** In SI, or in the unit of its data sheet where it is a figure of a part. */
  readonly value: number;
  /** Whether it counts something, such as teeth. */
  readonly whole: boolean;
  /** With its unit and spread, where the builder typed it; a figure of a part is a plain number. */
  readonly quantity?: Quantity;
}

type Fields = Readonly<Record<string, unknown>>;
const isFields = (x: unknown): x is Fields => typeof x === 'object' && x !== null;

/** Every number under a place of the document; items of lists by their ids. */
function numbersUnder(x: unknown, path: Path): NumberAt[] {
  if (isQuantity(x)) {
    const quantity = x as Quantity;
    return [{ path, value: quantity.value, whole: false, quantity }];
  }
  if (typeof x === 'number') {
    const { title, whole = false } = meaningOf(path);
    return title === undefined ? [] : [{ path, value: x, whole }];
  }
  if (Array.isArray(x))
    return x.flatMap((item: unknown) =>
      isFields(item) && typeof item.id === 'string' ? numbersUnder(item, [...path, item.id]) : [],
    );
  return isFields(x) ? Object.entries(x).flatMap(([key, inner]) => numbersUnder(inner, [...path, key])) : [];
}

/** Of a part, what no margin is worked out of: what it costs, and how good a guess of it is. */
const NOT_RECKONED: ReadonlySet<string> = new Set(['cost', 'guessed']);

/**
 * The numbers of a build that something may be worked out of: of its grounds those that a job is on; nothing of its
 * assembly, no costs.
 *
 * @example numbersOf(puffin).some(({ path }) => path.join('.') === 'duties.slip-loaded.grade') // true
 */
export function numbersOf(build: Build): NumberAt[] {
  const { parts, grounds, assembly: _assembly, formatVersion: _version, ...rest } = build;
  const used = grounds.filter(({ id }) => build.duties.some(({ groundId }) => groundId === id));
  return [...numbersUnder({ ...rest, grounds: used }, []), ...numbersUnder({ parts }, [])].filter(
    ({ path }) => path[0] !== 'parts' || !path.some((step) => NOT_RECKONED.has(step)),
  );
}

/**
 * The build with other values of some of its numbers; their units and spreads stay.
 *
 * @example withNumbers(puffin, [[{ path: ['masses', 'payload', 'mass'], value: 120, quantity }, 90]])
 *   .masses.payload.mass.value // 90
 */
export const withNumbers = (build: Build, values: readonly (readonly [NumberAt, number])[]): Build =>
  applyChanges(
    build,
    values.map(([{ path, value, quantity }, after]) => ({
      kind: 'set' as const,
      path: quantity ? [...path, 'value'] : path,
      before: value,
      after,
    })),
  );

/**
 * Whether a build may say this of one of its numbers.
 *
 * @example mayBe(puffin, grade, -100) // false
 */
export const mayBe = (build: Build, number: NumberAt, value: number): boolean =>
  canBe(withNumbers(build, [[number, value]]));
