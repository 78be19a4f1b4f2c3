import { balanceReport, floorReport, USUAL_CYCLE, type BalanceAsk } from '@zubric/core/simulate';
import {
  BALANCE_COMMANDS,
  balanceFloorSchema,
  type BalanceCommands,
  type BalanceFloor,
} from '@zubric/core/vehicle';
import { z } from 'zod';
import { buildIn } from './build-file.ts';
import type { Files } from './calc.ts';
import { asJson, done, parsedJson, refused, type Outcome } from './outcome.ts';

export const BALANCE_USAGE = [
  'zubric balance FILE [--gains JSON] [--lean DEG] [--nudge NS] [--seconds S] [--encoders-ms MS] [--empty]',
  '               [--commands voltage|speed] [--floor JSON]',
  '                          how a balancer falls, gains to begin with, and which gains hold',
  '                          with --floor (docs/format.md) how it drives on tyres that give, over what lies there',
];

const gains = z.strictObject({
  kp: z.number(),
  ki: z.number(),
  kd: z.number(),
  hold: z
    .strictObject({ kp: z.number(), kd: z.number(), limitDeg: z.number().positive().default(10) })
    .optional(),
});

/** Each flag with the number that it takes, and its limits. */
const NUMBERS = {
  '--lean': z.number().gt(-45).lt(45),
  '--nudge': z.number(),
  '--seconds': z.number().positive().max(120),
  '--encoders-ms': z.number().nonnegative().max(1000),
} as const;

const isNumber = (flag: string): flag is keyof typeof NUMBERS => Object.hasOwn(NUMBERS, flag);

type Read =
  | { readonly ok: true; readonly ask: BalanceAsk; readonly floor?: BalanceFloor | undefined }
  | { readonly ok: false; readonly problem: string };

/** What is wrong with a floor, at its first key. */
const saidOf = ({ issues: [first] }: z.ZodError): string =>
  first ? `${['--floor', ...first.path].join(' ')}: ${first.message}` : '--floor is none';

/** What a builder asked for, or what is wrong with it. */
function askIn(flags: readonly string[]): Read {
  const given: Partial<Record<keyof typeof NUMBERS, number>> = {};
  let loaded = true;
  let commands: BalanceCommands = 'voltage';
  let own: z.output<typeof gains> | undefined;
  let floor: BalanceFloor | undefined;
  for (let n = 0; n < flags.length; n += 1) {
    const flag = flags[n] ?? '';
    if (flag === '--empty') {
      loaded = false;
      continue;
    }
    n += 1;
    const value = flags[n];
    if (value === undefined) return { ok: false, problem: `${flag} wants something after it` };
    if (isNumber(flag)) {
      const number = NUMBERS[flag].safeParse(Number(value));
      if (!number.success)
        return { ok: false, problem: `${flag} ${value}: ${number.error.issues[0]?.message ?? ''}` };
      given[flag] = number.data;
    } else if (flag === '--commands') {
      const told = BALANCE_COMMANDS.find((one) => one === value);
      if (!told) return { ok: false, problem: `--commands wants one of ${BALANCE_COMMANDS.join(', ')}` };
      commands = told;
    } else if (flag === '--gains') {
      const read = gains.safeParse(parsedJson(value));
      if (!read.success)
        return {
          ok: false,
          problem: '--gains wants {"kp": …, "ki": …, "kd": …} and, if you like, "hold": {"kp": …, "kd": …}',
        };
      own = read.data;
    } else if (flag === '--floor') {
      const read = balanceFloorSchema.safeParse(parsedJson(value));
      if (!read.success) return { ok: false, problem: saidOf(read.error) };
      floor = read.data;
    } else return { ok: false, problem: `${flag} is not known` };
  }
  const cycle = {
    ...USUAL_CYCLE,
    readEncodersS: (given['--encoders-ms'] ?? USUAL_CYCLE.readEncodersS * 1000) / 1000,
  };
  return {
    ok: true,
    floor,
    ask: {
      ...{ loaded, cycle, commands },
      startLeanDeg: given['--lean'] ?? 3,
      nudgeNs: given['--nudge'] ?? 0,
      durationS: given['--seconds'] ?? 5,
      ...(own ? { gains: own } : {}),
    },
  };
}

/** `zubric balance FILE`: the balance of a build as JSON, or one line per problem. */
export function balanceFile(args: readonly string[], files: Files): Outcome {
  const [path, ...flags] = args;
  if (path === undefined) return refused(BALANCE_USAGE);
  const asked = askIn(flags);
  if (!asked.ok) return refused([asked.problem, ...BALANCE_USAGE]);
  const read = buildIn(path, files);
  if (!read.ok) return read.outcome;
  const report = balanceReport(read.build, asked.ask);
  const { floor, ask } = asked;
  return report
    ? done(asJson(floor ? { ...report, floor: floorReport(read.build, { ...ask, floor }) ?? null } : report))
    : refused(['this build does not balance on one axle, or has no motor with magnets yet']);
}
