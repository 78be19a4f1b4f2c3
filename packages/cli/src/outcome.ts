/** What a command leaves behind: text for each stream, and the exit status. */
export interface Outcome {
  readonly out: string;
  /** What goes to standard output where it is no text. */
  readonly bytes?: Uint8Array;
  readonly err: string;
  readonly status: 0 | 2;
}

export const done = (out: string): Outcome => ({ out, err: '', status: 0 });

/** One line per problem on standard error, exit 2. */
export const refused = (lines: readonly string[]): Outcome => ({
  out: '',
  err: lines.map((line) => `${line}\n`).join(''),
  status: 2,
});

export const asJson = (value: unknown): string => `${JSON.stringify(value)}\n`;

/** A problem as a line: where, then what to change. */
export const problemLine = ({ path, message }: { path: string; message: string }): string =>
  path === '(whole)' ? message : `${path}: ${message}`;

export type Parsed =
  | { readonly ok: true; readonly value: unknown }
  | { readonly ok: false; readonly why: string };

export function parseJson(text: string): Parsed {
  try {
    return { ok: true, value: JSON.parse(text) as unknown };
  } catch (error) {
    return { ok: false, why: `this is not JSON: ${error instanceof Error ? error.message : String(error)}` };
  }
}

/** What a text of JSON says; undefined of one that is none, which a schema then refuses. */
export function parsedJson(text: string): unknown {
  const parsed = parseJson(text);
  return parsed.ok ? parsed.value : undefined;
}
