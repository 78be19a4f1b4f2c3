import type { BenchReading, ReadingKind } from '../motor/index.ts';

/**
 * The open line format of a bench meter, as it comes from a stream, a serial line or a file: a line a moment, each some of
 * `t=` seconds, `V=` volts, `A=` amperes, `rpm=`, `Nm=` newton metres at the shaft, parted by blanks. What begins with `#` is a
 * remark; what has another name is passed over. docs/format.md has it in full.
 */
export interface MeterLine {
  readonly t?: number;
  readonly V: number;
  readonly A: number;
  readonly rpm: number;
  readonly Nm?: number;
}

const NAMES = ['t', 'V', 'A', 'rpm', 'Nm'] as const;
type LineName = (typeof NAMES)[number];

/**
 * A line as it was meant; undefined of a remark or an empty one; why not, of one that cannot be read.
 *
 * @example readLine('t=0.1 V=11.98 A=4.47 rpm=3807') // { t: 0.1, V: 11.98, A: 4.47, rpm: 3807 }
 */
export function readLine(text: string): MeterLine | undefined | { readonly why: string } {
  const line = text.trim();
  if (line === '' || line.startsWith('#')) return undefined;
  const found: Partial<Record<LineName, number>> = {};
  for (const word of line.split(/\s+/)) {
    const [name, value, ...more] = word.split('=');
    if (value === undefined || more.length > 0) return { why: `"${word}" is no name=number, as in V=12.0` };
    const known = NAMES.find((wanted) => wanted === name);
    if (!known) continue;
    const number = Number(value);
    if (value === '' || !Number.isFinite(number)) return { why: `"${word}" has no number behind ${known}=` };
    found[known] = number;
  }
  const { V, A, rpm } = found;
  if (V === undefined || A === undefined || rpm === undefined)
    return {
      why: `V=, A= and rpm= are needed; this line has ${Object.keys(found).join(', ') || 'none of them'}`,
    };
  return { ...found, V, A, rpm };
}

/**
 * A line of the format.
 *
 * @example writeLine({ t: 0.1, V: 11.98, A: 4.47, rpm: 3807 }) // 't=0.1 V=11.98 A=4.47 rpm=3807'
 */
export const writeLine = (line: MeterLine): string =>
  NAMES.flatMap((name) => {
    const value = line[name];
    return value === undefined ? [] : [`${name}=${Number(value.toPrecision(6))}`];
  }).join(' ');

/**
 * Lines at one setting as one reading: their means. A shaft that hardly turns is held fast; a free one draws least.
 *
 * @example readingOf([{ V: 12, A: 1, rpm: 5000 }, { V: 12, A: 1.2, rpm: 5100 }], 'free')
 *   // { kind: 'free', voltageV: 12, currentA: 1.1, speedRpm: 5050 }
 */
export function readingOf(lines: readonly MeterLine[], kind: ReadingKind): BenchReading | undefined {
  if (lines.length === 0) return undefined;
  const mean = (of: (line: MeterLine) => number): number =>
    Number((lines.reduce((sum, line) => sum + of(line), 0) / lines.length).toPrecision(6));
  const torques = lines.filter(({ Nm }) => Nm !== undefined);
  return {
    kind,
    voltageV: mean(({ V }) => V),
    currentA: Math.max(
      0,
      mean(({ A }) => A),
    ),
    speedRpm:
      kind === 'held fast'
        ? 0
        : Math.max(
            0,
            mean(({ rpm }) => rpm),
          ),
    ...(torques.length === lines.length && kind !== 'free'
      ? {
          torqueNm: Math.max(
            0,
            mean(({ Nm }) => Nm ?? 0),
          ),
        }
      : {}),
  };
}

/** Readings of a text, and the lines that could not be read. */
export interface ReadBench {
  readonly readings: readonly BenchReading[];
  readonly bad: readonly { readonly line: number; readonly why: string }[];
}

/**
 * Readings from text, a reading a line: in the line format, or three or four numbers parted by blanks, commas or tabs (volts,
 * amperes, rpm, newton metres). Standing still is held fast; of the others those at the least current are free.
 *
 * @example readingsFrom('12 1.2 5900').readings // [{ kind: 'free', voltageV: 12, currentA: 1.2, speedRpm: 5900 }]
 */
export function readingsFrom(text: string): ReadBench {
  const lines: { readonly line: number; readonly read: MeterLine }[] = [];
  const bad: { line: number; why: string }[] = [];
  text.split(/\r\n|\r|\n/).forEach((raw, at) => {
    const read = raw.includes('=') ? readLine(raw) : readBare(raw);
    if (!read) return;
    if ('why' in read) bad.push({ line: at + 1, why: read.why });
    else if (!(read.V > 0) || read.A < 0 || read.rpm < 0)
      bad.push({ line: at + 1, why: 'volts are above 0, amperes and rpm 0 or more' });
    else lines.push({ line: at + 1, read });
  });
  const turning = lines.filter(({ read }) => read.rpm > 0).map(({ read }) => read.A);
  const least = Math.min(...turning);
  const kindOf = ({ A, rpm, Nm }: MeterLine): ReadingKind =>
    rpm === 0
      ? 'held fast'
      : Nm === undefined
        ? A <= FREE_WITHIN * least
          ? 'free'
          : 'held back'
        : Nm > 0
          ? 'held back'
          : 'free';
  return { readings: lines.flatMap(({ read }) => readingOf([read], kindOf(read)) ?? []), bad };
}

/** Currents up to this times the least are those of a free shaft. */
const FREE_WITHIN = 1.3;

const HEADING = /^[^\d]*$/;

/** A line of bare numbers; a heading is passed over. */
function readBare(text: string): MeterLine | undefined | { readonly why: string } {
  const line = text.trim();
  if (line === '' || HEADING.test(line)) return undefined;
  const cells = line.split(/[\s,;]+/).filter((cell) => cell !== '');
  const numbers = cells.map(Number);
  const wrong = cells.find((_, at) => !Number.isFinite(numbers[at]));
  if (wrong !== undefined) return { why: `"${wrong}" is no number` };
  const [V, A, rpm, Nm] = numbers;
  if (V === undefined || A === undefined || rpm === undefined || numbers.length > 4)
    return { why: 'a line is volts, amperes, rpm, and newton metres where they were read' };
  return { V, A, rpm, ...(Nm === undefined ? {} : { Nm }) };
}
