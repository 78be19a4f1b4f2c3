import { readArithmetic } from './arithmetic.ts';
import type { Amount } from './compound.ts';
import { normaliseText } from './normalise.ts';
import { readNumber } from './read-number.ts';
import { inClockUnits, inFigures, MASS_AS, speedUnitOf, wayAndTime } from './spoken.ts';
import type { Unit } from './unit.ts';
import { dimensionOf, unitOf, type Dimension } from './units.ts';
import { article, EXAMPLES, fail, unreadable, type UnreadQuantity } from './unread.ts';

/** What was understood: the value in SI, the unit it was typed in, and the spread in SI where one was typed. */
export interface ReadQuantity {
  readonly ok: true;
  readonly value: number;
  readonly unit: string;
  readonly spread?: number;
  /** How it was taken, where that was not asked in its own units: "as the weight of that mass". */
  readonly taken?: string;
}

/** What a bare number is taken as. */
export interface ReadOptions {
  /** The unit of a bare number; the dimension's first unit unless given. */
  readonly assumedUnit?: string;
}

/** `1:18` and `18:1`: a grade of one in eighteen, or a reduction of eighteen to one whichever way it is written. */
function readProportion(text: string, dimension: Dimension): ReadQuantity | UnreadQuantity | undefined {
  const found = /^([\d.,]+)\s*(?::|\bin\b)\s*([\d.,]+)$/.exec(text);
  if (!found) return undefined;
  const a = readNumber(found[1] ?? '')?.n;
  const b = readNumber(found[2] ?? '')?.n;
  if (a === undefined || b === undefined || a <= 0 || b <= 0) return unreadable(text, dimension);
  if (dimension === 'angle') return { ok: true, value: Math.atan(a / b), unit: '1:n' };
  if (dimension === 'ratio') return { ok: true, value: a === 1 ? b : a / b, unit: ': 1' };
  return unreadable(text, dimension);
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
  const text = inFigures(normaliseText(typed));
  if (text === '') return fail('empty', `Type ${article(dimension)}, such as ${EXAMPLES[dimension]}.`);
  const assumedUnit = options.assumedUnit ?? dimensionOf(dimension).units[0]?.symbol ?? '';
  if (dimension === 'time') {
    const clock = inClockUnits(text, assumedUnit);
    if (clock !== undefined) return readFigures(clock, dimension, assumedUnit);
  }
  const speed = dimension === 'speed' ? readWayInTime(text) : undefined;
  if (speed) return speed;
  const read = readFigures(text, dimension, assumedUnit);
  return read.ok || read.code !== 'unknown-unit' ? read : (readMassAs(text, dimension) ?? read);
}

/** "20 ft in 9 s" as a speed; undefined where it is no way and time. */
function readWayInTime(text: string): ReadQuantity | undefined {
  const said = wayAndTime(text);
  if (!said) return undefined;
  const way = readFigures(said.way, 'length', 'm');
  const time = readFigures(said.time, 'time', 's');
  if (!way.ok || !time.ok || time.value <= 0) return undefined;
  return { ok: true, value: way.value / time.value, unit: speedUnitOf(way.unit) };
}

/** A mass where a force or a torque is asked, taken as what it weighs; undefined where it is none. */
function readMassAs(text: string, dimension: Dimension): ReadQuantity | undefined {
  const as = MASS_AS[dimension];
  const mass = as && readFigures(text, 'mass', 'kg');
  if (!as || !mass?.ok) return undefined;
  const { value, spread } = mass;
  return {
    ok: true,
    value: value * as.siPerKg,
    unit: as.unit,
    ...(spread === undefined ? {} : { spread: spread * as.siPerKg }),
    taken: as.said,
  };
}

function readFigures(text: string, dimension: Dimension, assumedUnit: string): ReadQuantity | UnreadQuantity {
  const proportion = readProportion(text, dimension);
  if (proportion) return proportion;
  const assumed = unitOf(dimension, assumedUnit);
  const [mainText = '', spreadText, ...more] = text.split('±').map((part) => part.trim());
  if (more.length > 0 || mainText === '') return unreadable(text, dimension);
  if (spreadText === undefined) {
    const main = readArithmetic(mainText, dimension, assumed);
    return 'ok' in main ? main : settle(main, text);
  }
  return readSpread(mainText, spreadText, { dimension, assumed, text });
}

function settle(sum: Amount, text: string): ReadQuantity | UnreadQuantity {
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
    const main = readArithmetic(mainText, dimension, assumed);
    if ('ok' in main) return main;
    const n = readNumber(relative[1] ?? '')?.n;
    if (n === undefined || main.other !== undefined) return unreadable(text, dimension);
    return { ok: true, value: main.value, unit: main.unit.symbol, spread: Math.abs((main.value * n) / 100) };
  }
  const spreadAlone = readArithmetic(spreadText, dimension, assumed);
  if ('ok' in spreadAlone) return spreadAlone;
  // "60 ± 10 kg": the unit stands once, behind the spread; "60 kg ± 10": once, before it.
  const main = readArithmetic(mainText, dimension, spreadAlone.explicit ? spreadAlone.unit : assumed);
  if ('ok' in main) return main;
  const spread = spreadAlone.explicit ? spreadAlone : readArithmetic(spreadText, dimension, main.unit);
  if ('ok' in spread) return spread;
  if (main.other !== undefined || spread.other !== undefined || spread.value < 0)
    return unreadable(text, dimension);
  return { ok: true, value: main.value, unit: main.unit.symbol, spread: spread.value };
}
