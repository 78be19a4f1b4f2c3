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

const EQUATION_BREAK = /;\s+|,\s+(?=\p{L}[\p{L}\p{Nd}′]* = )/u;
const TOKEN = /\s+|\p{L}[\p{L}\p{Nd}′∞]*|\d+(?:\.\d+)?°?|½|./gu;
const FUNCTIONS = ['atan', 'asin', 'cos', 'sin', 'tan', 'min', 'max', 'round'];
const CONSTANTS = ['g'];

interface Piece {
  readonly text: string;
  /** Whether a factor may end, or begin, with it: between the two stands a sign of multiplication. */
  readonly ends: boolean;
  readonly begins: boolean;
  readonly isValue: boolean;
}

const plain = (text: string, ends: boolean, begins: boolean): Piece => ({
  text,
  ends,
  begins,
  isValue: false,
});

/** What stands for a run of letters: a number for a symbol, a function of one, or itself. */
function pieceOf(run: string, value: (symbol: string) => string | undefined): Piece {
  const said = value(run);
  if (said !== undefined) return { text: said, ends: true, begins: true, isValue: true };
  const name = FUNCTIONS.find((f) => run.startsWith(f));
  if (name === run) return plain(run, false, true);
  const inside = name && value(run.slice(name.length));
  return inside === undefined ? plain(run, true, true) : plain(`${name ?? ''}(${inside})`, true, true);
}

function piecesOf(side: string, value: (symbol: string) => string | undefined): Piece[] {
  return (side.match(TOKEN) ?? []).flatMap((token): Piece[] => {
    if (/^\s/.test(token)) return [];
    if (/^\p{L}/u.test(token)) return [pieceOf(token, value)];
    if (/^[\d½]/.test(token)) return [plain(token, true, true)];
    if (token === '√' || token === '(' || token === '[') return [plain(token, false, true)];
    if (token === ')' || token === ']' || /[²³⁴]/.test(token)) return [plain(token, true, false)];
    if (token === '^') return [plain(token, false, false)];
    return [plain(` ${token} `, false, false)];
  });
}

/** Joins the pieces; a number that is raised to a power, or is less than zero, stands in brackets. */
function joined(pieces: readonly Piece[]): string {
  const text = pieces.map((piece, at) => {
    const before = pieces[at - 1];
    const times = before?.ends === true && piece.begins ? ' · ' : '';
    const next = pieces[at + 1]?.text ?? '';
    const bracketed = piece.isValue && (/^([²³⁴]|\^)/.test(next) || /^[-−]/.test(piece.text));
    return times + (bracketed ? `(${piece.text})` : piece.text);
  });
  return text
    .join('')
    .replace(/ {2,}/g, ' ')
    .replace(/([([]) /g, '$1')
    .replace(/ ,/g, ',')
    .trim();
}

/**
 * A formula with the numbers put in, equation by equation. Rules between (an inequality, a condition) are left to the
 * formula itself.
 *
 * @example putIn('T = 2 F r', { given: { F: 'forceN', r: 'radiusM' }, found: { T: 'torqueNm' } }, say)
 *   // [{ symbolic: 'T = 2 F r', numbers: '2 · 60 N · 0.2 m', result: '24 N·m' }]
 */
export function putIn(formula: string, { given, found }: Symbols, say: SayKey): EquationPutIn[] {
  const value = (symbol: string): string | undefined => {
    const [asGiven, asFound] = [given[symbol], found[symbol]];
    return (
      (asGiven === undefined ? undefined : say('given', asGiven)) ??
      (asFound === undefined ? undefined : say('found', asFound)) ??
      (CONSTANTS.includes(symbol) ? say('constant', symbol) : undefined)
    );
  };
  return formula.split(EQUATION_BREAK).flatMap((equation): EquationPutIn[] => {
    const [left = '', right, ...more] = equation.split(' = ');
    if (right === undefined || more.length > 0) return [];
    // What follows a comma outside brackets is a remark.
    const side = right.split(/,\s(?![^(]*\))/)[0] ?? right;
    const key = found[left.trim()];
    const result = key === undefined ? undefined : say('found', key);
    const numbers = joined(piecesOf(side, value));
    const same = numbers === joined(piecesOf(side, () => undefined));
    return [
      {
        symbolic: `${left} = ${side}`,
        ...(same ? {} : { numbers }),
        ...(result === undefined ? {} : { result }),
      },
    ];
  });
}
