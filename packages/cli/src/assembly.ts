import { assemblyOutlook, orderFirst, type PlannedStep } from '@zubric/core/assembly';
import { inUnits } from '@zubric/core/quantity';
import { wiringMap } from '@zubric/core/wiring';
import { z } from 'zod';
import { buildIn } from './build-file.ts';
import type { Files } from './calc.ts';
import { asJson, done, refused, type Outcome } from './outcome.ts';

export const ASSEMBLY_USAGE = [
  'zubric assembly FILE [--today DAY]',
  '                          steps in an order that works, dates, wiring; DAY as 2027-04-24, today where not said',
];

const day = z.iso.date();

/** Today, by the clock of whoever asks. */
const now = (): string => {
  const date = new Date();
  const two = (n: number): string => String(n).padStart(2, '0');
  return `${date.getFullYear()}-${two(date.getMonth() + 1)}-${two(date.getDate())}`;
};

/** The rules that put a step where it is, and then those that say how it is done. */
const rulesOf = ({ reasons, remarks }: PlannedStep): string[] => [
  ...new Set([
    ...Object.values(reasons).flatMap(({ rule }) => rule ?? []),
    ...remarks.map(({ rule }) => rule),
  ]),
];

const told = (step: PlannedStep) => ({
  id: step.id,
  title: step.title,
  rule: rulesOf(step)[0] ?? null,
  rules: rulesOf(step),
  parts: step.parts,
  needs: step.needs,
  after: step.after,
  why: Object.fromEntries(step.after.map((id) => [id, step.reasons[id]?.why ?? null])),
  handsOnS: step.handsOnS,
  waitS: step.waitingS,
  hands: step.hands,
  hold: step.holdPoint ?? null,
  caution: step.caution ?? null,
  says: step.remarks.map(({ says }) => inUnits(says, 'metric')),
  fasteners: step.fasteners,
  tools: step.tools,
  times: step.times ?? null,
  state: step.state,
  critical: step.critical,
});

/** `zubric assembly FILE`: steps, dates and wires of a build as JSON, or one line per problem of the file. */
export function assemblyFile(args: readonly string[], files: Files): Outcome {
  const [path, flag, value, ...more] = args;
  if (path === undefined || (flag !== undefined && (flag !== '--today' || more.length > 0)))
    return refused(ASSEMBLY_USAGE);
  const today = flag === undefined ? now() : value;
  if (!day.safeParse(today).success) return refused(['--today wants a day, as 2027-04-24']);
  const read = buildIn(path, files);
  if (!read.ok) return read.outcome;
  const outlook = assemblyOutlook(read.build, today ?? now());
  const { wires, problems } = wiringMap(read.build);
  return done(
    asJson({
      steps: outlook.steps.map(told),
      calendar: outlook.steps.flatMap(({ id, startsOn, endsOn, readyOn, who, state }) =>
        state === 'done' || startsOn === undefined
          ? []
          : [{ stepId: id, from: startsOn, to: endsOn ?? startsOn, readyOn: readyOn ?? null, who }],
      ),
      wiring: wires,
      readyOn: outlook.readyOn ?? null,
      tuningDays: outlook.tuningDays ?? null,
      toOrder: orderFirst(read.build, today ?? now()).map(({ line, neededOn }) => ({
        id: line.id,
        name: line.name,
        neededOn,
      })),
      problems: [...outlook.problems, ...problems],
    }),
  );
}
