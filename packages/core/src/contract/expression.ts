/** The right side of an equation, as it is written on paper: what it is made of, in its order. */
export type Expression =
  | { readonly is: 'number'; readonly text: string }
  | { readonly is: 'symbol'; readonly name: string }
  | { readonly is: 'sum'; readonly terms: readonly Signed[] }
  | { readonly is: 'product'; readonly factors: readonly Factor[] }
  | { readonly is: 'power'; readonly base: Expression; readonly exponent: string | Expression }
  | { readonly is: 'root'; readonly of: Expression }
  | {
      readonly is: 'function';
      readonly name: string;
      readonly power: string;
      readonly of: readonly Expression[];
    }
  | { readonly is: 'brackets'; readonly kind: keyof typeof CLOSE; readonly of: Expression }
  | { readonly is: 'total'; readonly sign: string; readonly of: Expression };

/** How each kind of brackets ends. */
const CLOSE = { '()': /^\)/, '[]': /^\]/, '||': /^\|/ } as const;

interface Signed {
  /** None before a first term that is added. */
  readonly sign: '' | '+' | '−' | '±';
  readonly of: Expression;
}
interface Factor {
  /** How it is joined to what stands before it. */
  readonly by: '' | '·' | '/';
  readonly of: Expression;
}

const FUNCTIONS = ['atan', 'asin', 'cos', 'sin', 'tan', 'min', 'max', 'round', 'ln'];
const SYMBOL = /^\p{L}\p{M}?[\p{L}\p{M}\p{Nd}′∞]*/u;
const NUMBER = /^(\d+(\.\d+)?°?|½)/;
const FACTOR = /^([·/√([½\d]|\p{L}|[ΣΠ])/u;
const FACTOR_OR_BARS = /^([·/√([|½\d]|\p{L}|[ΣΠ])/u;
const SUPERSCRIPT = /^[²³⁴]/;

/** What cannot be read as an expression is a rule in words. */
class NotAnExpression extends Error {}

/** Reads from left to right; a symbol is known by its name, so that one may begin as a function does. */
class Reader {
  private rest: string;
  private readonly isSymbol: (name: string) => boolean;
  /** Within bars the next one ends them. */
  private inBars = false;

  constructor(text: string, isSymbol: (name: string) => boolean) {
    this.rest = text.trim();
    this.isSymbol = isSymbol;
  }

  get isAtEnd(): boolean {
    return this.rest.trim() === '';
  }

  private peek(): string {
    return this.rest.trimStart();
  }

  /** Takes what matches at the front; undefined, and nothing taken, where it does not. */
  private take(what: RegExp): string | undefined {
    const found = what.exec(this.peek())?.[0];
    if (found !== undefined) this.rest = this.peek().slice(found.length);
    return found;
  }

  sum(): Expression {
    const terms: Signed[] = [];
    let sign: Signed['sign'] = this.take(/^−/) ? '−' : '';
    do {
      terms.push({ sign, of: this.product() });
      sign = (this.take(/^[+−±]/) ?? '') as Signed['sign'];
    } while (sign !== '');
    const [only] = terms;
    return only && terms.length === 1 && only.sign === '' ? only.of : { is: 'sum', terms };
  }

  private product(): Expression {
    const factors: Factor[] = [{ by: '', of: this.power() }];
    while ((this.inBars ? FACTOR : FACTOR_OR_BARS).test(this.peek())) {
      const by = (this.take(/^[·/]/) ?? '') as Factor['by'];
      factors.push({ by, of: this.power() });
    }
    const [only] = factors;
    return only && factors.length === 1 ? only.of : { is: 'product', factors };
  }

  private power(): Expression {
    const base = this.base();
    const raised = this.take(SUPERSCRIPT);
    if (raised !== undefined) return { is: 'power', base, exponent: raised };
    return this.take(/^\^/) ? { is: 'power', base, exponent: this.base() } : base;
  }

  private base(): Expression {
    if (this.take(/^√/)) return { is: 'root', of: this.base() };
    if (this.take(/^\(/)) return this.closed('()');
    if (this.take(/^\[/)) return this.closed('[]');
    if (!this.inBars && this.take(/^\|/)) return this.closed('||');
    const total = this.take(/^[ΣΠ]/);
    if (total !== undefined) return { is: 'total', sign: total, of: this.product() };
    const number = this.take(NUMBER);
    if (number !== undefined) return { is: 'number', text: number };
    return this.named();
  }

  private closed(kind: keyof typeof CLOSE): Expression {
    const before = this.inBars;
    this.inBars = kind === '||';
    const of = this.sum();
    this.inBars = before;
    if (!this.take(CLOSE[kind])) throw new NotAnExpression();
    return { is: 'brackets', kind, of };
  }

  /** A symbol, or a function of what follows: cosθ, sin²α, min(a, b). */
  private named(): Expression {
    const run = SYMBOL.exec(this.peek())?.[0] ?? '';
    const name = this.isSymbol(run) ? undefined : FUNCTIONS.find((f) => run.startsWith(f));
    if (name === undefined) {
      if (run === '') throw new NotAnExpression();
      this.rest = this.peek().slice(run.length);
      return { is: 'symbol', name: run };
    }
    this.rest = this.peek().slice(name.length);
    const power = this.take(SUPERSCRIPT) ?? '';
    return { is: 'function', name, power, of: this.take(/^\(/) ? this.list() : [this.base()] };
  }

  private list(): Expression[] {
    const items = [this.sum()];
    while (this.take(/^,/)) items.push(this.sum());
    if (!this.take(/^\)/)) throw new NotAnExpression();
    return items;
  }
}

/**
 * Reads the right side of an equation; undefined where it is none but a rule in words.
 *
 * @example expressionFrom('2 T', (name) => name === 'T')
 *   // { is: 'product', factors: [{ by: '', of: { is: 'number', text: '2' } }, { by: '', of: { is: 'symbol', name: 'T' } }] }
 */
export function expressionFrom(text: string, isSymbol: (name: string) => boolean): Expression | undefined {
  const reader = new Reader(text, isSymbol);
  try {
    const read = reader.sum();
    return reader.isAtEnd ? read : undefined;
  } catch (error) {
    if (error instanceof NotAnExpression) return undefined;
    throw error;
  }
}
