/** So many names may a list have. */
const MOST = 60;
const RANGE = /^(\D*)(\d+)\s*(?:-|–|to)\s*(\d+)$/;

/** Names as somebody types them: `1-13`, `A1 to A6`, or with commas; where each has a line of its own, by lines. */
export function namesOf(text: string, byLines = false): readonly string[] {
  const parts = text.split(byLines ? /\n/ : /[,;\n]/).map((part) => part.trim());
  const named = parts.flatMap((part) => {
    const range = byLines ? null : RANGE.exec(part);
    if (!range) return part === '' ? [] : [part];
    const [, before = '', from = '', to = ''] = range;
    const count = Number(to) - Number(from) + 1;
    return count < 1 || count > MOST
      ? [part]
      : Array.from({ length: count }, (_, n) => `${before}${Number(from) + n}`);
  });
  return [...new Set(named)].slice(0, MOST);
}
