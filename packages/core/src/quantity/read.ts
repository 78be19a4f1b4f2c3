import { normaliseText, normaliseUnit } from './normalise.ts';
import { DIMENSIONS } from './dimensions.ts';
import type { Unit } from './unit.ts';
import { dimensionOf, toSi, unitOf, type Dimension } from './units.ts';

/** What was understood: the value in SI, the unit it was typed in, and the spread in SI where one was typed. */
export interface ReadQuantity {
  readonly ok: true;
  readonly value: number;
  readonly unit: string;
  readonly spread?: number;
}

/** Why an entry could not be taken; `readings` holds both meanings of an ambiguous one. */
export interface UnreadQuantity {
  readonly ok: false;
  readonly code: 'empty' | 'unreadable' | 'unknown-unit' | 'ambiguous';
  readonly message: string;
  readonly readings?: readonly { readonly text: string; readonly value: number; readonly unit: string }[];
}

export interface ReadOptions {
  /** The unit of a bare number; the dimension's first unit unless given. */
  readonly assumedUnit?: string;
}

type Failure = UnreadQuantity;
type Number_ = { readonly n: number; readonly also?: number };

const EXAMPLES: Readonly<Record<Dimension, string>> = {
  mass: '58 kg, 12 lb or 60 ± 10 kg',
  length: '400 mm, 2 5/8" or 5 ft 3 in',
  force: '411 N or 25 lbf',
  torque: '1.5 N·m, 8 in·lb or 25 kg·cm',
  speed: '0.8 m/s, 3 km/h or 2 mph',
  acceleration: '0.5 m/s²',
  rotation: '120 rpm',
  angle: '9°, 8 % or 1:18',
  voltage: '24 V',
  current: '40 A',
  resistance: '25 mΩ',
  power: '250 W',
  energy: '480 Wh',
  charge: '20 Ah',
  time: '25 min or 1 h 20 min',
  area: '0.4 m²',
  ratio: '9 : 1 or 1:9',
  coefficient: '0.08',
  share: '80 % or 0.8',
};

const fail = (code: Failure['code'], message: string): Failure => ({ ok: false, code, message });

const unreadable = (text: string, dimension: Dimension): Failure =>
  fail('unreadable', `"${text}" cannot be read as ${article(dimension)}. Try ${EXAMPLES[dimension]}.`);

const article = (dimension: Dimension): string => {
  const { title } = dimensionOf(dimension);
  return `${/^[aeiou]/.test(title) ? 'an' : 'a'} ${title}`;
};

/** `1,200` may be twelve hundred or one point two; every other form has one meaning. */
function readNumber(text: string): Number_ | undefined {
  const fraction = /^(-?)(?:(\d+)[ -])?(\d+)\/(\d+)$/.exec(text);
  if (fraction) {
    const [, sign, whole = '0', top = '0', bottom = '1'] = fraction;
    if (Number(bottom) === 0) return undefined;
    const n = Number(whole) + Number(top) / Number(bottom);
    return { n: sign ? -n : n };
  }
  if (/^[+-]?[1-9]\d{0,2},\d{3}$/.test(text))
    return { n: Number(text.replace(',', '')), also: Number(text.replace(',', '.')) };
  if (/^[+-]?[1-9]\d{0,2}(,\d{3})+(\.\d+)?$/.test(text)) return { n: Number(text.replaceAll(',', '')) };
  if (/^[+-]?[1-9]\d{0,2}(\.\d{3})+,\d+$/.test(text))
    return { n: Number(text.replaceAll('.', '').replace(',', '.')) };
  if (/^[+-]?(\d+[.,]?\d*|[.,]\d+)(e[+-]?\d+)?$/i.test(text)) {
    const n = Number(text.replace(',', '.'));
    return Number.isFinite(n) ? { n } : undefined;
  }
  return undefined;
}

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
  readonly number: Number_;
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
    segments.push({ number, unitText: found[2]?.trim() ?? '' });
    at = SEGMENT.lastIndex;
  }
  return segments.length > 0 ? segments : undefined;
}

/** `1:18` and `18:1`: a grade of one in eighteen, or a reduction of eighteen to one whichever way it is written. */
function readProportion(text: string, dimension: Dimension): ReadQuantity | Failure | undefined {
  const found = /^([\d.,]+)\s*(?::|\bin\b)\s*([\d.,]+)$/.exec(text);
  if (!found) return undefined;
  const a = readNumber(found[1] ?? '')?.n;
  const b = readNumber(found[2] ?? '')?.n;
  if (a === undefined || b === undefined || a <= 0 || b <= 0) return unreadable(text, dimension);
  if (dimension === 'angle') return { ok: true, value: Math.atan(a / b), unit: '1:n' };
  if (dimension === 'ratio') return { ok: true, value: a === 1 ? b : a / b, unit: ': 1' };
  return unreadable(text, dimension);
}

interface Sum {
  readonly value: number;
  readonly unit: Unit;
  readonly other?: number;
  readonly explicit: boolean;
}

/** The sum of "5 ft 3 in"; the first segment's unit is the one kept. */
function readSum(text: string, dimension: Dimension, assumed: Unit): Sum | Failure {
  const segments = segmentsOf(text);
  if (!segments) return unreadable(text, dimension);
  let value = 0;
  let other: number | undefined;
  let kept: Unit | undefined;
  for (const { number, unitText } of segments) {
    const unit = unitText === '' && segments.length === 1 ? assumed : findUnit(dimension, unitText);
    if (!unit || (unitText === '' && segments.length > 1)) return unknownUnit(unitText, text, dimension);
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

function unknownUnit(unitText: string, text: string, dimension: Dimension): Failure {
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

/**
 * Reads what a builder typed. Nothing is guessed or clamped: what has two meanings is given back with both.
 *
 * @example readQuantity('2 5/8"', 'length') // { ok: true, value: 0.066675, unit: 'in' }
 */
export function readQuantity(
  typed: string,
  dimension: Dimension,
  options: ReadOptions = {},
): ReadQuantity | UnreadQuantity {
  const text = normaliseText(typed);
  if (text === '') return fail('empty', `Type ${article(dimension)}, such as ${EXAMPLES[dimension]}.`);
  const proportion = readProportion(text, dimension);
  if (proportion) return proportion;

  const assumed = unitOf(dimension, options.assumedUnit ?? dimensionOf(dimension).units[0]?.symbol ?? '');
  const [mainText = '', spreadText, ...more] = text.split('±').map((part) => part.trim());
  if (more.length > 0 || mainText === '') return unreadable(text, dimension);
  if (spreadText === undefined) {
    const main = readSum(mainText, dimension, assumed);
    return 'ok' in main ? main : settle(main, text);
  }
  return readSpread(mainText, spreadText, { dimension, assumed, text });
}

function settle(sum: Sum, text: string): ReadQuantity | UnreadQuantity {
  if (sum.other === undefined) return { ok: true, value: sum.value, unit: sum.unit.symbol };
  return {
    ...fail('ambiguous', `"${text}" can be read in two ways. Which one is meant?`),
    readings: [
      { text: text.replace(',', ''), value: sum.value, unit: sum.unit.symbol },
      { text: text.replace(',', '.'), value: sum.other, unit: sum.unit.symbol },
    ],
  };
}

function readSpread(
  mainText: string,
  spreadText: string,
  { dimension, assumed, text }: { dimension: Dimension; assumed: Unit; text: string },
): ReadQuantity | UnreadQuantity {
  const relative = /^([\d.,/ ]+?)\s*%$/.exec(spreadText);
  if (relative && dimension !== 'share' && dimension !== 'angle') {
    const main = readSum(mainText, dimension, assumed);
    if ('ok' in main) return main;
    const n = readNumber(relative[1] ?? '')?.n;
    if (n === undefined || main.other !== undefined) return unreadable(text, dimension);
    return { ok: true, value: main.value, unit: main.unit.symbol, spread: Math.abs((main.value * n) / 100) };
  }
  const spreadAlone = readSum(spreadText, dimension, assumed);
  if ('ok' in spreadAlone) return spreadAlone;
  // "60 ± 10 kg": the unit stands once, behind the spread; "60 kg ± 10": once, before it.
  const main = readSum(mainText, dimension, spreadAlone.explicit ? spreadAlone.unit : assumed);
  if ('ok' in main) return main;
  const spread = spreadAlone.explicit ? spreadAlone : readSum(spreadText, dimension, main.unit);
  if ('ok' in spread) return spread;
  if (main.other !== undefined || spread.other !== undefined || spread.value < 0)
    return unreadable(text, dimension);
  return { ok: true, value: main.value, unit: main.unit.symbol, spread: spread.value };
}
