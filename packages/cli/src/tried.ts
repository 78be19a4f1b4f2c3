import { NotPhysical, problemWords } from '@zubric/core/contract';
import { creepReport, sphereReport } from '@zubric/core/simulate';
import { creepingSchema, rollingSchema, type Build } from '@zubric/core/vehicle';
import { buildIn } from './build-file.ts';
import type { Files } from './calc.ts';
import { asJson, done, parsedJson, refused, type Outcome } from './outcome.ts';

/** What is tried of a kind of vehicle by settings that are kept with the build. */
const TRIED = {
  roll: {
    usage: [
      'zubric roll FILE [--job ID] [--set JSON]',
      '                          how a sphere rolls a way, stops, nods and faces',
    ],
    report: (build: Build, dutyId: string, set: unknown) => {
      const read = rollingSchema.safeParse({ ...build.driving?.rolling, ...(set as object) });
      return read.success
        ? { answer: sphereReport(build, { ...read.data, dutyId }), wrong: undefined }
        : { answer: undefined, wrong: read.error };
    },
    none: 'this build has no inner drive, no such job, or no motor with magnets yet',
  },
  creep: {
    usage: [
      'zubric creep FILE [--job ID] [--set JSON]',
      '                          how smoothly a dolly creeps, and what would mend it',
    ],
    report: (build: Build, dutyId: string, set: unknown) => {
      const read = creepingSchema.safeParse({ ...build.driving?.creeping, ...(set as object) });
      return read.success
        ? { answer: creepReport(build, { ...read.data, dutyId }), wrong: undefined }
        : { answer: undefined, wrong: read.error };
    },
    none: 'this build has no such job with a speed, or no motor yet',
  },
} as const;

export const ROLL_USAGE = TRIED.roll.usage;
export const CREEP_USAGE = TRIED.creep.usage;

/** The flags and what stands after each. */
function flagsIn(flags: readonly string[]): Readonly<Record<string, string>> | string {
  const found: Record<string, string> = {};
  for (let n = 0; n < flags.length; n += 2) {
    const [flag = '', value] = [flags[n], flags[n + 1]];
    if (flag !== '--job' && flag !== '--set') return `${flag} is not known`;
    if (value === undefined) return `${flag} wants something after it`;
    found[flag] = value;
  }
  return found;
}

/** `zubric roll FILE` and `zubric creep FILE`: what comes of it as JSON, or one line per problem. */
const triedFile =
  (what: keyof typeof TRIED) =>
  (args: readonly string[], files: Files): Outcome => {
    const { usage, report, none } = TRIED[what];
    const [path, ...rest] = args;
    if (path === undefined) return refused(usage);
    const flags = flagsIn(rest);
    if (typeof flags === 'string') return refused([flags, ...usage]);
    const set = flags['--set'] === undefined ? {} : parsedJson(flags['--set']);
    if (typeof set !== 'object' || set === null || Array.isArray(set))
      return refused(['--set wants an object in JSON', ...usage]);
    const read = buildIn(path, files);
    if (!read.ok) return read.outcome;
    try {
      const came = report(read.build, flags['--job'] ?? read.build.duties[0]?.id ?? '', set);
      if (came.wrong)
        return refused(
          came.wrong.issues.map((issue) => `--set: ${issue.path.join('.')} ${problemWords(issue)}`.trim()),
        );
      return came.answer ? done(asJson(came.answer)) : refused([none]);
    } catch (error) {
      if (error instanceof NotPhysical) return refused([error.message]);
      throw error;
    }
  };

export const rollFile = triedFile('roll');
export const creepFile = triedFile('creep');
