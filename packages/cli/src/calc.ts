import { CALCULATORS, calculate, calculationProblem } from '@zubric/core/calculators';
import { asJson, done, parseJson, problemLine, refused, type Outcome } from './outcome.ts';

export const CALC_USAGE = [
  'zubric calc NAME JSON     one calculation; - reads the JSON from standard input',
  'zubric calc --list        the names of all calculators',
  'zubric calc --batch FILE  one {"name":…,"input":…} a line; - reads standard input',
];

export interface Files {
  /** The text of a file, or of standard input for "-". Throws where it cannot be read. */
  readonly read: (path: string) => string;
}

/** `zubric calc …`: see CALC_USAGE. */
export function calc(args: readonly string[], files: Files): Outcome {
  const [first, second, ...more] = args;
  if (first === '--list' && second === undefined)
    return done(CALCULATORS.map((calculator) => `${calculator.name}\n`).join(''));
  if (first === undefined || second === undefined || more.length > 0) return refused(CALC_USAGE);
  if (first === '--batch') return done(batch(files.read(second)));
  return single(first, second === '-' ? files.read('-') : second);
}

function single(name: string, text: string): Outcome {
  const parsed = parseJson(text);
  if (!parsed.ok) return refused([parsed.why]);
  try {
    return done(asJson(calculate(name, parsed.value)));
  } catch (error) {
    const problem = calculationProblem(error);
    if (!problem) throw error;
    const prefix = problem.code === 'invalid-input' ? '' : `${problem.code}: `;
    return refused(problem.problems.map((p) => prefix + problemLine(p)));
  }
}

const isCall = (value: unknown): value is { readonly name: string; readonly input?: unknown } =>
  typeof value === 'object' && value !== null && 'name' in value && typeof value.name === 'string';

/** Every line is answered by a line, whatever is wrong with it; blank lines are passed over. */
function batch(text: string): string {
  return text
    .split(/\r?\n/)
    .filter((line) => line.trim() !== '')
    .map((line) => asJson(answer(line)))
    .join('');
}

function answer(line: string): unknown {
  const parsed = parseJson(line);
  if (!parsed.ok) return invalid(parsed.why);
  if (!isCall(parsed.value)) return invalid('a line must be {"name":…,"input":…}');
  try {
    return { ok: true, output: calculate(parsed.value.name, parsed.value.input) };
  } catch (error) {
    return { ok: false, ...(calculationProblem(error) ?? fault(error)) };
  }
}

/** A fault of ours on one line of a batch must not take the other lines with it. */
const fault = (error: unknown) => ({
  code: 'fault',
  problems: [
    {
      path: '(whole)',
      message: `this calculation failed, which is a fault of Zubric: ${error instanceof Error ? error.message : String(error)}`,
    },
  ],
});

const invalid = (message: string) => ({
  ok: false,
  code: 'invalid-input',
  problems: [{ path: '(whole)', message }],
});
