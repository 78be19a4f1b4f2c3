import { factorOf, ofAnswer, scatterAfter, type SideRuns } from './likelihood.ts';
import type { Symptom, StepOf } from './symptom.ts';

/** Of the causes, each with its share. */
export type Shares = Readonly<Record<string, number>>;

/** What a group of outcomes is worth, in bits. */
const bits = (p: number): number => (p > 0 ? -p * Math.log2(p) : 0);
const entropy = (shares: readonly number[]): number => shares.reduce((sum, p) => sum + bits(p), 0);

/** What is left open on average after a step that splits each cause into the same outcomes. */
function leftAfter(shares: Shares, outcomes: Readonly<Record<string, readonly number[]>>): number {
  const causes = Object.keys(shares);
  const count = outcomes[causes[0] ?? '']?.length ?? 0;
  let left = 0;
  for (let k = 0; k < count; k++) {
    const joint = causes.map((cause) => (shares[cause] ?? 0) * (outcomes[cause]?.[k] ?? 0));
    const total = joint.reduce((sum, p) => sum + p, 0);
    if (total > 0) left += total * entropy(joint.map((p) => p / total));
  }
  return left;
}

/** Places at which what runs may come to is looked at: in means before, from −2 to 2.5. */
const PLACES = Array.from({ length: 91 }, (_, n) => -2 + n * 0.05);

function outcomesOf(step: StepOf, causes: readonly string[], before: SideRuns, error: number) {
  const of = (cause: string): readonly number[] => {
    if (step.kind === 'answer')
      return Object.keys(step.answers).map((answer) => ofAnswer(step, cause, answer));
    if (step.kind === 'turns') return step.shows.includes(cause) ? [0.92, 0.08] : [0.08, 0.92];
    const size = Math.max(Math.abs(before.mean), 1e-6);
    const factor = factorOf(step, cause);
    const sd = scatterAfter(factor, before, error) / size;
    const weights = PLACES.map((x) => Math.exp(-(((x - factor[0]) / sd) ** 2) / 2));
    const total = weights.reduce((sum, w) => sum + w, 0);
    return weights.map((w) => w / total);
  };
  return Object.fromEntries(causes.map((cause) => [cause, of(cause)]));
}

/** What a step would settle, in bits; by the runs before it. */
export function worthOf(step: StepOf, shares: Shares, before: SideRuns): number {
  const causes = Object.keys(shares);
  return entropy(Object.values(shares)) - leftAfter(shares, outcomesOf(step, causes, before, before.error));
}

/** Minutes that count as nothing beside walking over to it (common practice, no source). */
const WALK = 10;
/** A step that settles less than this is none to make, bits. */
const NEXT_TO_NOTHING = 0.02;

/** The step that settles most for its time, of those that are not made yet. */
export function nextOf(
  { steps }: Symptom,
  shares: Shares,
  made: readonly string[],
  before: SideRuns,
): string | undefined {
  const ranked = Object.entries(steps)
    .filter(([name]) => !made.includes(name))
    .map(([name, step]) => ({ name, worth: worthOf(step, shares, before), minutes: step.minutes }))
    .filter(({ worth }) => worth > NEXT_TO_NOTHING)
    .sort((a, b) => b.worth / (WALK + b.minutes) - a.worth / (WALK + a.minutes));
  return ranked[0]?.name;
}
