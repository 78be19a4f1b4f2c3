import { readQuantity } from '@zubric/core/quantity';

const MOST_TEETH = 500;
const MOST_LISTED = 200;

/** Whole numbers as they are listed: "10–20, 22, 24". Undefined where that is no list of teeth. */
export function readTeeth(text: string): readonly number[] | undefined {
  const parts = text.split(/[,;]/).map((part) => part.trim());
  const numbers = parts
    .filter((part) => part !== '')
    .flatMap((part) => {
      const [, from = '', to = from] = /^(\d{1,3})(?:\s*(?:-|–|to)\s*(\d{1,3}))?$/.exec(part) ?? [];
      const [least, most] = [Number(from), Number(to)];
      if (from === '' || least < 3 || most < least || most > MOST_TEETH) return [NaN];
      return Array.from({ length: most - least + 1 }, (_, n) => least + n);
    });
  if (numbers.length === 0 || numbers.length > MOST_LISTED || numbers.some(Number.isNaN)) return undefined;
  return [...new Set(numbers)].sort((a, b) => a - b);
}

/** The same list in as few words: runs of three and more as one. */
export function sayTeeth(teeth: readonly number[]): string {
  const runs: [number, number][] = [];
  for (const count of teeth) {
    const last = runs.at(-1);
    if (last && count === last[1] + 1) last[1] = count;
    else runs.push([count, count]);
  }
  return runs
    .flatMap(([from, to]) =>
      to - from >= 2 ? `${from}–${to}` : from === to ? `${from}` : [`${from}`, `${to}`],
    )
    .join(', ');
}

/** Diameters as they are listed: "250 mm, 12 in". Undefined where one cannot be read. */
export function readLengths(text: string): readonly number[] | undefined {
  const lengths = text
    .split(/[;,](?!\d)/)
    .map((part) => part.trim())
    .filter((part) => part !== '')
    .map((part) => {
      const read = readQuantity(part, 'length', {});
      return read.ok && read.value > 0 ? read.value : NaN;
    });
  return lengths.some(Number.isNaN) ? undefined : lengths;
}
