import { show, showNumber, type UnitSystem } from './show.ts';
import { toSi, unitOf, type Dimension } from './units.ts';

/** A number in a sentence, SI, shown in whichever units its reader wants. */
export interface Figure {
  readonly value: number;
  readonly dimension: Dimension;
  /** Significant digits; three unless given. */
  readonly digits?: number;
  /** The unit that it was typed in, for who wants that one. */
  readonly typedUnit?: string;
}

/** A sentence that is in nobody's units yet: words, and figures between them. Plain data. */
export type Sentence = readonly (string | Figure)[];

/** Words, with or without figures in them. */
export type Words = string | Sentence;

/**
 * A figure of a sentence: its value in SI, and of what; said in the builder's units once those are known.
 *
 * @example inUnits(sentence`Its load is ${figure(12, 'mass')}.`, 'metric') // 'Its load is 12 kg.'
 */
export const figure = (value: number, dimension: Dimension, digits?: number): Figure => ({
  value,
  dimension,
  ...(digits === undefined ? {} : { digits }),
});

/**
 * A temperature as the trade gives it, °C.
 *
 * @example inUnits(sentence`At ${celsius(100)}.`, 'metric') // 'At 100 °C.'
 */
export const celsius = (degrees: number): Figure =>
  figure(toSi(degrees, unitOf('temperature', '°C')), 'temperature', 4);

/**
 * A sentence with figures in it. Plain numbers and texts become words; another sentence is taken in.
 *
 * @example inUnits(sentence`A step of ${figure(0.0254, 'length')} is high.`, 'imperial') // 'A step of 1 in is high.'
 */
export function sentence(
  words: TemplateStringsArray,
  ...between: readonly (Words | number | Figure)[]
): Sentence {
  const parts: (string | Figure)[] = [];
  const add = (part: string | Figure): void => {
    const last = parts.at(-1);
    if (typeof part === 'string' && typeof last === 'string') parts[parts.length - 1] = last + part;
    else if (part !== '') parts.push(part);
  };
  words.forEach((word, at) => {
    add(word);
    const next = between[at];
    if (next === undefined) return;
    if (typeof next === 'number') add(showNumber(next));
    else for (const part of [next].flat()) add(part);
  });
  return parts;
}

/**
 * The same words within a sentence: the first letter small.
 *
 * @example inside('words alone') // ['words alone']
 */
export function inside(said: Words): Sentence {
  const [first, ...rest] = typeof said === 'string' ? [said] : said;
  return typeof first === 'string'
    ? [first.charAt(0).toLowerCase() + first.slice(1), ...rest]
    : first === undefined
      ? []
      : [first, ...rest];
}

/**
 * A sentence as its reader wants it.
 *
 * @example inUnits(sentence`A load of ${figure(10, 'mass')}.`, 'imperial') // 'A load of 22 lb.'
 */
export const inUnits = (said: Words, system: UnitSystem): string =>
  typeof said === 'string'
    ? said
    : said
        .map((part) =>
          typeof part === 'string' ? part : show(part.value, part.dimension, system, part).text,
        )
        .join('');

/**
 * Several sentences as one, with something between.
 *
 * @example inUnits(joinedBy(', ', ['one', 'two']), 'metric') // 'one, two'
 */
export const joinedBy = (between: string, said: readonly Words[]): Sentence =>
  said.reduce<Sentence>(
    (all, next, at) => (at === 0 ? sentence`${next}` : sentence`${all}${between}${next}`),
    [],
  );

/**
 * The figures of a sentence, in its order.
 *
 * @example figuresOf(sentence`A step of ${figure(0.02, 'length')}.`).length // 1
 */
export const figuresOf = (said: Sentence): readonly Figure[] =>
  said.filter((part): part is Figure => typeof part !== 'string');
