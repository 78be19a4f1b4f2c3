import { assertNever } from './assert-never.ts';
import { expressionFrom, type Expression } from './expression.ts';

/** Symbols of a formula, each with the key that it stands for: of the input, and of the output. */
export interface Symbols {
  readonly given: Readonly<Record<string, string>>;
  readonly found: Readonly<Record<string, string>>;
}

/** One equation of a formula with its numbers. */
export interface EquationPutIn {
  /** In symbols, as it stands in the formula. */
  readonly symbolic: string;
  /**
   * Its right side with the numbers in the place of the symbols; what has no number stays a symbol. Absent where
   * nothing was put in.
   */
  readonly numbers?: string;
  /** What its left side comes to, where that is a key. */
  readonly result?: string;
}

/** The number of a key as it is to be said; undefined where it has none. `g` is asked for as a constant. */
export type SayKey = (side: 'given' | 'found' | 'constant', key: string) => string | undefined;

const CONSTANTS = ['g'];

/** One equation of a formula: a symbol, and what it comes to. */
export interface Equation {
  readonly symbolic: string;
  readonly left: string;
  /** Absent where it is a rule in words. */
  readonly right?: Expression;
}

const EQUATION_BREAK = /;\s+|,\s+(?=\p{L}[\p{L}\p{Nd}′]* = )/u;

/** What stands before the first comma outside brackets; what follows it is a remark. */
function withoutRemark(text: string): string {
  let depth = 0;
  for (const [at, letter] of [...text].entries()) {
    if ('(['.includes(letter)) depth += 1;
    if (')]'.includes(letter)) depth -= 1;
    if (letter === ',' && depth === 0) return [...text].slice(0, at).join('');
  }
  return text;
}

/**
 * The equations of a formula. Rules between (an inequality, a condition) are left to the formula itself.
 *
 * @example equationsOf('F = m g', { given: { m: 'massKg' }, found: { F: 'forceN' } }).length // 1
 */
export function equationsOf(formula: string, { given, found }: Symbols): Equation[] {
  const isSymbol = (name: string): boolean => name in given || name in found;
  return formula.split(EQUATION_BREAK).flatMap((equation): Equation[] => {
    const [left = '', right, ...more] = equation.split(' = ');
    if (right === undefined || more.length > 0) return [];
    const side = withoutRemark(right);
    const read = expressionFrom(side, isSymbol);
    return [{ symbolic: `${left} = ${side}`, left: left.trim(), ...(read ? { right: read } : {}) }];
  });
}

/** What stands for a symbol; undefined where it has no number. */
type Value = (symbol: string) => string | undefined;

/** A number that is raised to a power, or is less than zero, stands in brackets. */
const bracketed = (said: string, raised: boolean): string =>
  raised || /^[-−]/.test(said) ? `(${said})` : said;

/** An expression with numbers in the place of its symbols: factors joined by signs of multiplication. */
function said(expression: Expression, value: Value, raised = false): string {
  switch (expression.is) {
    case 'number':
      return expression.text;
    case 'symbol': {
      const number = value(expression.name);
      return number === undefined ? expression.name : bracketed(number, raised);
    }
    case 'sum':
      return expression.terms
        .map(({ sign, of }, at) => `${sign === '' ? '' : at === 0 ? '− ' : ` ${sign} `}${said(of, value)}`)
        .join('');
    case 'product':
      return expression.factors
        .map(({ by, of }, at) => `${at === 0 ? '' : by === '/' ? ' / ' : ' · '}${said(of, value)}`)
        .join('');
    case 'power': {
      const { base, exponent } = expression;
      return typeof exponent === 'string'
        ? `${said(base, value, true)}${exponent}`
        : `${said(base, value, true)}^${said(exponent, value)}`;
    }
    case 'root':
      return `√${said(expression.of, value)}`;
    case 'function':
      return `${expression.name}${expression.power}(${expression.of.map((of) => said(of, value)).join(', ')})`;
    case 'brackets':
      return `${expression.kind.charAt(0)}${said(expression.of, value)}${expression.kind.charAt(1)}`;
    case 'total':
      return `${expression.sign} ${said(expression.of, value)}`;
    default:
      return assertNever(expression);
  }
}

/**
 * A formula with the numbers put in, equation by equation.
 *
 * @example putIn('T = 2 F', { given: { F: 'forceN' }, found: { T: 'torqueNm' } }, (key) => `<${key}>`)
 *   // [{ symbolic: 'T = 2 F', numbers: '2 · <given>', result: '<found>' }]
 */
export function putIn(formula: string, symbols: Symbols, say: SayKey): EquationPutIn[] {
  const { given, found } = symbols;
  const value: Value = (symbol) => {
    const [asGiven, asFound] = [given[symbol], found[symbol]];
    return (
      (asGiven === undefined ? undefined : say('given', asGiven)) ??
      (asFound === undefined ? undefined : say('found', asFound)) ??
      (CONSTANTS.includes(symbol) ? say('constant', symbol) : undefined)
    );
  };
  return equationsOf(formula, symbols).map(({ symbolic, left, right }) => {
    const key = found[left];
    const result = key === undefined ? undefined : say('found', key);
    const numbers = right && said(right, value);
    const nothingPutIn = right === undefined || numbers === said(right, () => undefined);
    return {
      symbolic,
      ...(nothingPutIn || numbers === undefined ? {} : { numbers }),
      ...(result === undefined ? {} : { result }),
    };
  });
}
