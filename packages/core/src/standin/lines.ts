/**
 * The open line format between the application and a vehicle's controller. Each command has a number and is acknowledged; sent
 * again under its number it is done once. docs/format.md has it in full.
 */
export const VERBS = ['go', 'turn', 'motor', 'battery', 'stop'] as const;
export type Verb = (typeof VERBS)[number];

type CommandValues = Readonly<Record<string, number | string>>;

/** What a vehicle is told to do. */
export interface Command {
  readonly id: number;
  readonly verb: Verb;
  readonly values: CommandValues;
}

/** What a vehicle says to it: heard, refused, or what it read when it was done. */
export type Answer =
  | { readonly says: 'ok'; readonly id: number }
  | { readonly says: 'no'; readonly id: number; readonly why: string }
  | { readonly says: 'got'; readonly id: number; readonly values: CommandValues };

const DIGITS = 7;
const word = ([name, value]: readonly [string, number | string]): string =>
  `${name}=${typeof value === 'number' ? Number(value.toPrecision(DIGITS)) : value.replace(/\s+/g, '_')}`;
const words = (values: CommandValues): string[] => Object.entries(values).map(word);

/**
 * A command as a line.
 *
 * @example writeCommand({ id: 7, verb: 'go', values: { m: 3 } }) // '7 go m=3'
 */
export const writeCommand = ({ id, verb, values }: Command): string =>
  [String(id), verb, ...words(values)].join(' ');

/**
 * An answer as a line.
 *
 * @example writeAnswer({ says: 'got', id: 7, values: { side: -0.01 } }) // 'got 7 side=-0.01'
 */
export const writeAnswer = (answer: Answer): string => {
  if (answer.says === 'ok') return `ok ${answer.id}`;
  return answer.says === 'no'
    ? `no ${answer.id} ${answer.why}`
    : ['got', String(answer.id), ...words(answer.values)].join(' ');
};

function valuesIn(parts: readonly string[]): CommandValues | undefined {
  const values: Record<string, number | string> = {};
  for (const part of parts) {
    const [name = '', value, ...more] = part.split('=');
    if (name === '' || value === undefined || value === '' || more.length > 0) return undefined;
    const number = Number(value);
    values[name] = Number.isFinite(number) ? number : value.replaceAll('_', ' ');
  }
  return values;
}

const isVerb = (text: string): text is Verb => VERBS.some((verb) => verb === text);
const numberOf = (text: string | undefined): number | undefined =>
  text !== undefined && /^\d{1,9}$/.test(text) ? Number(text) : undefined;

/**
 * A line as a command; why not, of one that is none.
 *
 * @example readCommand('7 go m=3') // { id: 7, verb: 'go', values: { m: 3 } }
 */
export function readCommand(line: string): Command | { readonly why: string; readonly id: number } {
  const [first, verb = '', ...rest] = line.trim().split(/\s+/);
  const id = numberOf(first);
  if (id === undefined) return { why: 'a command begins with its number', id: 0 };
  if (!isVerb(verb)) return { why: `${verb || 'nothing'} is none of ${VERBS.join(', ')}`, id };
  const values = valuesIn(rest);
  return values ? { id, verb, values } : { why: 'values are name=value', id };
}

/**
 * A line as an answer; undefined of a remark, an empty line, or anything else.
 *
 * @example readAnswer('got 7 side=-0.01') // { says: 'got', id: 7, values: { side: -0.01 } }
 */
export function readAnswer(line: string): Answer | undefined {
  const [says, number, ...rest] = line.trim().split(/\s+/);
  const id = numberOf(number);
  if (id === undefined) return undefined;
  if (says === 'ok') return { says, id };
  if (says === 'no') return { says, id, why: rest.join(' ') };
  const values = says === 'got' ? valuesIn(rest) : undefined;
  return values ? { says: 'got', id, values } : undefined;
}
