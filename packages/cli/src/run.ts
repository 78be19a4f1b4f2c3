import { ASSEMBLY_USAGE, assemblyFile } from './assembly.ts';
import { BALANCE_USAGE, balanceFile } from './balance.ts';
import { CALC_USAGE, calc, type Files } from './calc.ts';
import { DRIVE_USAGE, driveFile } from './drive.ts';
import { EVALUATE_USAGE, evaluateFile } from './evaluate.ts';
import { LAYOUT_USAGE, layoutFile } from './layout.ts';
import { OUT_USAGE, outFile } from './out.ts';
import { refused, type Outcome } from './outcome.ts';
import { SEARCH_USAGE, searchFile } from './search.ts';
import { TEMPLATE_USAGE, templateFile } from './template.ts';
import { TRIALS_USAGE, trialsFile } from './trials.ts';
import { CREEP_USAGE, creepFile, ROLL_USAGE, rollFile } from './tried.ts';

const COMMANDS = {
  calc,
  evaluate: evaluateFile,
  search: searchFile,
  layout: layoutFile,
  assembly: assemblyFile,
  balance: balanceFile,
  roll: rollFile,
  creep: creepFile,
  drive: driveFile,
  trials: trialsFile,
} as const;

const isCommand = (name: string | undefined): name is keyof typeof COMMANDS =>
  name !== undefined && Object.hasOwn(COMMANDS, name);

/** A file that cannot be read is the builder's to mend, and said in a line. */
const unreadable = (error: unknown): error is NodeJS.ErrnoException =>
  error instanceof Error && 'code' in error && 'syscall' in error;

const toldUnreadable = (error: unknown): Outcome => {
  if (unreadable(error)) return refused([`cannot read the file: ${error.message}`]);
  throw error;
};

/** The commands that answer at once: all but those that write papers. */
export function run(args: readonly string[], files: Files): Outcome {
  const [command, ...rest] = args;
  if (!isCommand(command))
    return refused([
      'usage:',
      ...[
        CALC_USAGE,
        EVALUATE_USAGE,
        SEARCH_USAGE,
        LAYOUT_USAGE,
        ASSEMBLY_USAGE,
        TEMPLATE_USAGE,
        BALANCE_USAGE,
        ROLL_USAGE,
        CREEP_USAGE,
        DRIVE_USAGE,
        TRIALS_USAGE,
        OUT_USAGE,
      ].flat(),
    ]);
  try {
    return COMMANDS[command](rest, files);
  } catch (error) {
    return toldUnreadable(error);
  }
}

/** Commands that write what takes time to write. */
const SLOWER = { template: templateFile, out: outFile } as const;
const isSlower = (name: string | undefined): name is keyof typeof SLOWER =>
  name !== undefined && Object.hasOwn(SLOWER, name);

/** The whole command line, the slower commands too. */
export async function answered(args: readonly string[], files: Files): Promise<Outcome> {
  const [command, ...rest] = args;
  return isSlower(command) ? SLOWER[command](rest, files).catch(toldUnreadable) : run(args, files);
}
