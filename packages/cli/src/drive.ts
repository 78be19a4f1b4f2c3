import { NotPhysical, problemWords } from '@zubric/core/contract';
import {
  driveReport,
  NO_MISMATCH,
  SCHOOLS,
  USUAL_MISMATCH,
  whyNotDriven,
  type DriveAsk,
  type NotDriven,
  type CloudRuns,
  type School,
} from '@zubric/core/driving';
import { controlSchema, courseSchema, type Build, type Control, type Course } from '@zubric/core/vehicle';
import { z } from 'zod';
import { buildIn } from './build-file.ts';
import type { Files } from './calc.ts';
import { asJson, done, parsedJson, refused, type Outcome } from './outcome.ts';

export const DRIVE_USAGE = [
  'zubric drive FILE --course COURSE.json [--seed N] [--runs N] [--school NAME] [--control JSON] [--job ID]',
  '             [--matched] [--one-vehicle]',
  `                          drives a course so many times; schools: ${Object.keys(SCHOOLS).join(', ')}`,
];

const WHY: Readonly<Record<NotDriven, string>> = {
  'no-motor': 'this build has no motor that moves it yet: choose one in Power',
  balances: 'a balancer is not driven over courses yet: zubric balance tries it where it stands',
  'by-rope': 'a winch pulls by its rope: it drives over no course',
  'rolls-inside': 'a sphere with its drive inside is not driven over courses yet',
};

/** Each flag with the number that it takes, and its limits. */
const NUMBERS = {
  '--seed': z
    .int()
    .min(0)
    .max(2 ** 31),
  '--runs': z.int().min(1).max(1000),
} as const;

interface DriveAsked {
  readonly course: Course;
  readonly control: Control;
  readonly matched: boolean;
  readonly job?: string;
  readonly runs: CloudRuns;
}

type Read =
  | { readonly ok: true; readonly asked: DriveAsked }
  | { readonly ok: false; readonly problem: string };

const refuse = (problem: string): Read => ({ ok: false, problem });

const isSchool = (name: string): name is School => Object.hasOwn(SCHOOLS, name);

const wrong = (what: string, { issues: [issue] }: z.ZodError): Read =>
  refuse(`${what}: ${issue ? `${issue.path.join('.')} ${problemWords(issue)}`.trim() : 'cannot be read'}`);

/** The flags as texts, those without a value as empty ones. */
function flagsIn(flags: readonly string[]): ReadonlyMap<string, string> | string {
  const found = new Map<string, string>();
  const alone = ['--matched', '--one-vehicle'];
  const taking = ['--course', '--school', '--control', '--job', ...Object.keys(NUMBERS)];
  for (let n = 0; n < flags.length; n += 1) {
    const flag = flags[n] ?? '';
    if (alone.includes(flag)) found.set(flag, '');
    else if (taking.includes(flag)) {
      n += 1;
      const value = flags[n];
      if (value === undefined) return `${flag} wants something after it`;
      found.set(flag, value);
    } else return `${flag} is not known`;
  }
  return found;
}

function askIn(flags: readonly string[], files: Files): Read {
  const found = flagsIn(flags);
  if (typeof found === 'string') return refuse(found);
  const path = found.get('--course');
  if (path === undefined) return refuse('--course wants the file of a course');
  const course = courseSchema.safeParse(parsedJson(files.read(path)));
  if (!course.success) return wrong(path, course.error);
  const school = found.get('--school') ?? 'by counts';
  if (!isSchool(school)) return refuse(`--school ${school}: one of ${Object.keys(SCHOOLS).join(', ')}`);
  const own = found.get('--control');
  const control = own === undefined ? undefined : controlSchema.safeParse(parsedJson(own));
  if (control && !control.success) return wrong('--control', control.error);
  const numbers = { '--seed': 1, '--runs': 1 };
  for (const flag of ['--seed', '--runs'] as const) {
    const value = found.get(flag);
    if (value === undefined) continue;
    const read = NUMBERS[flag].safeParse(Number(value));
    if (!read.success) return refuse(`${flag} ${value}: ${read.error.issues[0]?.message ?? ''}`);
    numbers[flag] = read.data;
  }
  const job = found.get('--job');
  return {
    ok: true,
    asked: {
      course: course.data,
      control: control?.data ?? SCHOOLS[school],
      matched: found.has('--matched'),
      ...(job === undefined ? {} : { job }),
      runs: { runs: numbers['--runs'], seed: numbers['--seed'], oneVehicle: found.has('--one-vehicle') },
    },
  };
}

/** `zubric drive FILE --course COURSE.json`: the runs of a build over a course as JSON, or one line per problem. */
export function driveFile(args: readonly string[], files: Files): Outcome {
  const [path, ...flags] = args;
  if (path === undefined) return refused(DRIVE_USAGE);
  const read = askIn(flags, files);
  if (!read.ok) return refused([read.problem, ...DRIVE_USAGE]);
  const opened = buildIn(path, files);
  if (!opened.ok) return opened.outcome;
  const { build } = opened;
  const { course, control, matched, job, runs } = read.asked;
  if (job !== undefined && !build.duties.some(({ id }) => id === job))
    return refused([`--job ${job}: this build has ${build.duties.map(({ id }) => id).join(', ')}`]);
  const why = whyNotDriven(build);
  if (why !== undefined) return refused([WHY[why]]);
  const ask: DriveAsk = {
    ...{ course, control, mismatch: matched ? NO_MISMATCH : USUAL_MISMATCH },
    ...(job === undefined ? {} : { dutyId: job }),
  };
  try {
    return driven(build, ask, runs);
  } catch (error) {
    if (error instanceof NotPhysical) return refused([error.message]);
    throw error;
  }
}

/** The runs as they are printed. */
function driven(build: Build, ask: DriveAsk, runs: CloudRuns): Outcome {
  const report = driveReport(build, ask, runs);
  if (!report)
    return refused(['this build has no job to take its ground and load from: state one in the Brief']);
  const { course, runs: each, cloud } = report;
  return done(asJson({ course, runs: each, cloud }));
}
