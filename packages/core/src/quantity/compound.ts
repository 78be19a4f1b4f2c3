import { DIMENSIONS } from './dimensions.ts';
import { normaliseUnit } from './normalise.ts';
import { readNumber, type ReadNumber } from './read-number.ts';
import type { Unit } from './unit.ts';
import { dimensionOf, toSi, type Dimension } from './units.ts';
import { article, EXAMPLES, fail, unreadable, type UnreadQuantity } from './unread.ts';

function findUnit(dimension: Dimension, text: string): Unit | undefined {
  const { units } = dimensionOf(dimension);
  const wanted = normaliseUnit(text);
  return (
    units.find((u) => u.symbol === text.trim()) ??
    units.find(
      (u) => normaliseUnit(u.symbol) === wanted || u.names.some((name) => normaliseUnit(name) === wanted),
    )
  );
}

const NUMBER = String.raw`[+-]?(?:\d+[ -]\d+\/\d+|\d+\/\d+|\d[\d.,]*(?:e[+-]?\d+)?|[.,]\d+)`;
const SEGMENT = new RegExp(String.raw`(${NUMBER})\s*([^\d±+]*?)(?=\s*(?:[+-]?\d|[+-]?[.,]\d|$))`, 'giy');

interface Segment {
  readonly number: ReadNumber;
  readonly sign: string;
  readonly unitText: string;
}

/** Splits "5 ft 3 in" into its numbers and units; undefined where anything is left over. */
function segmentsOf(text: string): Segment[] | undefined {
  const segments: Segment[] = [];
  SEGMENT.lastIndex = 0;
  let at = 0;
  while (at < text.length) {
    while (text[at] === ' ') at++;
    SEGMENT.lastIndex = at;
    const found = SEGMENT.exec(text);
    const number = found?.[1] === undefined ? undefined : readNumber(found[1].trim());
    if (!found || !number) return undefined;
    segments.push({
      number,
      sign: /^[+-]?/.exec(found[1]?.trim() ?? '')?.[0] ?? '',
      unitText: found[2]?.trim() ?? '',
    });
    at = SEGMENT.lastIndex;
  }
  return segments.length > 0 ? segments : undefined;
}
/** A value in SI, the unit to keep, and the other value of an ambiguous number. */
export interface Amount {
  readonly value: number;
  readonly unit: Unit;
  readonly other?: number;
  readonly explicit: boolean;
}

/** The one amount of "5 ft 3 in"; the first segment's unit is the one kept. */
export function readCompound(text: string, dimension: Dimension, assumed: Unit): Amount | UnreadQuantity {
  const segments = segmentsOf(text);
  if (!segments) return unreadable(text, dimension);
  let value = 0;
  let other: number | undefined;
  let kept: Unit | undefined;
  for (const { number, sign, unitText } of segments) {
    const unit = unitText === '' && segments.length === 1 ? assumed : findUnit(dimension, unitText);
    if (!unit || (unitText === '' && segments.length > 1)) return unknownUnit(unitText, text, dimension);
    // "5 ft -3 in" may be a sum or a sign too many.
    if (kept && /^[+-]/.test(sign)) return unreadable(text, dimension);
    if (number.also !== undefined) {
      if (segments.length > 1) return unreadable(text, dimension);
      other = toSi(number.also, unit);
    }
    const part = toSi(number.n, unit);
    value += value < 0 && part > 0 ? -part : part;
    kept ??= unit;
  }
  if (!kept || !Number.isFinite(value)) return unreadable(text, dimension);
  return { value, unit: kept, other, explicit: segments[0]?.unitText !== '' };
}
function unknownUnit(unitText: string, text: string, dimension: Dimension): UnreadQuantity {
  if (unitText === '') return unreadable(text, dimension);
  const elsewhere = (Object.keys(DIMENSIONS) as Dimension[]).find((d) => findUnit(d, unitText));
  const known = dimensionOf(dimension)
    .units.map((u) => u.symbol)
    .filter((s) => s !== '')
    .join(', ');
  return fail(
    'unknown-unit',
    elsewhere
      ? `"${unitText}" is a unit of ${dimensionOf(elsewhere).title}; this is ${article(dimension)}. Try ${EXAMPLES[dimension]}.`
      : `"${unitText}" is not a unit of ${dimensionOf(dimension).title} known here${known ? ` (${known})` : ''}. Try ${EXAMPLES[dimension]}.`,
  );
}
