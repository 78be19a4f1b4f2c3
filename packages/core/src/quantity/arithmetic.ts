import { readCompound, type Amount } from './compound.ts';
import { readNumber } from './read-number.ts';
import type { Unit } from './unit.ts';
import { fromSi, toSi, type Dimension } from './units.ts';
import { fail, unreadable, type UnreadQuantity } from './unread.ts';

/** A plus between terms, or a minus with a space on both sides: "5 -3" stays unreadable, "1e+3" one number. */
const SUM_SIGN = /\s+([+-])\s+|(?<=[^\s+\-×÷eE(])(\+)(?=[\d.,])|(?<!\de)(?<=[a-z"'°%²Ω])\s*(\+)\s*(?=[\d.,])/;
/** "3 × 25 mm", "3x25 mm", "2*24 in", "24 in / 2". A stroke between two digits is a fraction. */
const TIMES_SIGN = new RegExp(
  [
    String.raw`\s*([×*])\s*(?=[\d.,])`,
    String.raw`(?<=\d)\s*([×*])\s*`,
    String.raw`(?<=\d)\s*(x)\s*(?=[\d.,])`,
    String.raw`\s+(x)\s+`,
    String.raw`\s+([/÷])\s+(?=[\d.,])`,
    String.raw`(?<=[a-z"'°%²Ω])\s*([/÷])\s*(?=\d)`,
    String.raw`\s*(÷)\s*`,
  ].join('|'),
  'i',
);

/** Splits at a sign; the parts are at even places, the signs between them. */
const splitAt = (text: string, sign: RegExp): string[] =>
  text.split(sign).filter((piece): piece is string => piece !== undefined);

const isLinear = (unit: Unit): boolean => typeof unit.si === 'number';

const isFailure = (x: Amount | UnreadQuantity): x is UnreadQuantity => 'ok' in x;

/** One term of a sum: a quantity, times and divided by plain numbers. */
function readTerm(text: string, dimension: Dimension, assumed: Unit): Amount | UnreadQuantity {
  const pieces = splitAt(text, TIMES_SIGN);
  if (pieces.length === 1) return readCompound(text, dimension, assumed);
  let factor = 1;
  let amount: Amount | undefined;
  for (let at = 0; at < pieces.length; at += 2) {
    const piece = pieces[at] ?? '';
    const divides = /[/÷]/.test(pieces[at - 1] ?? '');
    const plain = readNumber(piece.trim());
    if (plain && (plain.also !== undefined || (divides && plain.n === 0))) return unreadable(text, dimension);
    if (plain) factor *= divides ? 1 / plain.n : plain.n;
    else {
      if (amount || divides) return unreadable(text, dimension);
      const read = readCompound(piece, dimension, assumed);
      if (isFailure(read)) return read;
      amount = read;
    }
  }
  return scaled(
    amount ?? { value: toSi(1, assumed), unit: assumed, explicit: false },
    factor,
    text,
    dimension,
  );
}

function scaled(amount: Amount, factor: number, text: string, dimension: Dimension): Amount | UnreadQuantity {
  if (amount.other !== undefined) return unreadable(text, dimension);
  const { unit } = amount;
  // A grade in per cent is no straight line: it is multiplied as it was written.
  const value = isLinear(unit) ? amount.value * factor : toSi(fromSi(amount.value, unit) * factor, unit);
  return Number.isFinite(value) ? { ...amount, value } : unreadable(text, dimension);
}

/**
 * A quantity, or sums and products of quantities: "1.2 m + 30 mm", "3 × 25 mm", "12 + 3 mm". Where only the last term
 * names its unit, it is the unit of all.
 */
export function readArithmetic(text: string, dimension: Dimension, assumed: Unit): Amount | UnreadQuantity {
  if (/[()]/.test(text))
    return fail('unreadable', `"${text}": brackets are not read here; work the sum out or leave them away.`);
  const pieces = splitAt(text, SUM_SIGN);
  if (pieces.length === 1) return readTerm(text, dimension, assumed);
  const last = readTerm(pieces.at(-1) ?? '', dimension, assumed);
  if (isFailure(last)) return last;
  const terms: { readonly amount: Amount; readonly sign: 1 | -1 }[] = [];
  for (let at = 0; at < pieces.length; at += 2) {
    const amount = readTerm(pieces[at] ?? '', dimension, last.unit);
    if (isFailure(amount)) return amount;
    if (amount.other !== undefined) return unreadable(text, dimension);
    terms.push({ amount, sign: pieces[at - 1] === '-' ? -1 : 1 });
  }
  if (!last.explicit && terms.some(({ amount }) => amount.explicit))
    return fail('unreadable', `"${text}": give each part of the sum its unit.`);
  return addUp(terms, text, dimension);
}

function addUp(
  terms: readonly { readonly amount: Amount; readonly sign: 1 | -1 }[],
  text: string,
  dimension: Dimension,
): Amount | UnreadQuantity {
  const first = terms[0]?.amount;
  if (!first) return unreadable(text, dimension);
  const { unit } = first;
  const sameUnit = terms.every(({ amount }) => amount.unit === unit);
  if (!sameUnit && !terms.every(({ amount }) => isLinear(amount.unit)))
    return fail('unreadable', `"${text}": grades can be added only in one unit.`);
  const inUnit = (si: number): number => (isLinear(unit) ? si : fromSi(si, unit));
  const total = terms.reduce((sum, { amount, sign }) => sum + sign * inUnit(amount.value), 0);
  const value = isLinear(unit) ? total : toSi(total, unit);
  if (!Number.isFinite(value)) return unreadable(text, dimension);
  return { value, unit, explicit: terms.some(({ amount }) => amount.explicit) };
}
