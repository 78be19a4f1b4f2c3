import type { AnswerStep, RunsStep, StepOf, TurnsStep } from './symptom.ts';

/** Runs before anything was changed, or after one step: how far to the side, right positive, m. */
export interface SideRuns {
  readonly mean: number;
  /** Standard error of the mean, m. */
  readonly error: number;
}

/** What was found at a step. */
export type Found =
  | { readonly kind: 'runs'; readonly before: SideRuns; readonly after: SideRuns }
  /** Left turned faster than right, as a share; and how much it would be, did the sides do on the floor what they do in the air. */
  | { readonly kind: 'turns'; readonly faster: number; readonly wouldBe: number }
  | { readonly kind: 'answer'; readonly answer: string };

/** Chance that something else altogether happened: a run that was disturbed, an answer misheard. */
const ASTRAY = 0.03;

const bell = (x: number, sd: number): number =>
  Math.exp(-((x / sd) ** 2) / 2) / (sd * Math.sqrt(2 * Math.PI));

/** Turns are counted to about this share (common practice, no source). */
const COUNTED = 0.002;
/** How near what the air shows comes to what the floor shows, as a share of it. */
const IN_THE_AIR = 0.35;

/** Scatter of the runs after a step about what a cause makes of them, m. */
export const scatterAfter = (
  [times, giveOrTake]: readonly [number, number],
  before: SideRuns,
  error: number,
) => Math.hypot(error, times * before.error, giveOrTake * before.mean);

/** What a cause makes of the runs after a step; nothing where it is not named. */
export const factorOf = ({ factor }: RunsStep, cause: string): readonly [number, number] =>
  factor[cause] ?? [1, 0.15];

function ofRuns(step: RunsStep, cause: string, before: SideRuns, after: SideRuns): number {
  const factor = factorOf(step, cause);
  const sd = scatterAfter(factor, before, after.error);
  const reach = 6 * Math.max(Math.abs(before.mean), after.error, 1e-3);
  return (1 - ASTRAY) * bell(after.mean - factor[0] * before.mean, sd) + ASTRAY / reach;
}

function ofTurns({ shows }: TurnsStep, cause: string, faster: number, wouldBe: number): number {
  const expected = shows.includes(cause) ? wouldBe : 0;
  const sd = Math.hypot(COUNTED, IN_THE_AIR * (shows.includes(cause) ? wouldBe : wouldBe / 2));
  const reach = 6 * Math.max(Math.abs(wouldBe), COUNTED);
  return (1 - ASTRAY) * bell(faster - expected, sd) + ASTRAY / reach;
}

/** How likely an answer is, were a cause behind it. */
export function ofAnswer({ likely, otherwise, answers }: AnswerStep, cause: string, answer: string): number {
  const p = (likely[cause] ?? otherwise)[answer] ?? 0;
  return (1 - ASTRAY) * p + ASTRAY / Object.keys(answers).length;
}

/** How likely what was found is, were a cause behind it; comparable between causes of one step. */
export function likelihood(step: StepOf, cause: string, found: Found): number {
  if (step.kind === 'runs' && found.kind === 'runs') return ofRuns(step, cause, found.before, found.after);
  if (step.kind === 'turns' && found.kind === 'turns')
    return ofTurns(step, cause, found.faster, found.wouldBe);
  if (step.kind === 'answer' && found.kind === 'answer') return ofAnswer(step, cause, found.answer);
  return 1;
}
