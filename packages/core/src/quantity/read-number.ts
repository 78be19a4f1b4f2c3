/** A number as typed, and the other value it may have where it can be read in two ways. */
export interface ReadNumber {
  readonly n: number;
  readonly also?: number;
}

/** `1,200` may be twelve hundred or one point two; every other form has one meaning. */
export function readNumber(text: string): ReadNumber | undefined {
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
