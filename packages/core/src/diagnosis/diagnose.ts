import type { LinkId } from '../judge/index.ts';
import { meanOf, swapVerdict, varianceOf } from '../trials/index.ts';
import { likelihood, type Found, type SideRuns } from './likelihood.ts';
import { nextOf, type Shares } from './next-step.ts';
import { oddsOf, type Facts, type StepOf, type Symptom } from './symptom.ts';
import { symptomOf, type SymptomName } from './symptoms.ts';

/** The step of runs before anything is changed. */
export const AS_IT_IS = 'as-it-is';
/** Runs of each kind that a step takes (common practice, no source). */
export const RUNS_EACH = 3;
/** A run's scatter where it cannot be told yet (common practice, no source), m. */
const SCATTER = 0.01;
/** From this share on a cause is named (common practice, no source). */
const NAMED = 0.7;
/** Steps after which it is said that it stays unclear. */
const ENOUGH = 4;

/** One thing that was seen: where a run ended, turns of both sides, or an answer. */
export interface Evidence {
  readonly step: string;
  /** To the side as the vehicle sees it, right positive, m. */
  readonly side?: number | undefined;
  readonly left?: number | undefined;
  readonly right?: number | undefined;
  readonly answer?: string | undefined;
}

/** How the runs are made, for symptoms of the floor. */
export interface FloorRuns {
  readonly distanceM: number;
  readonly trackM: number;
}

/** A cause and how likely it is by now. */
export interface Ranked {
  readonly cause: string;
  readonly title: string;
  readonly share: number;
  readonly mends: readonly string[];
  /** The kind of trial that mends or measures it. */
  readonly trial?: string;
  /** Margins of a build that it hangs on: what mends them mends it. */
  readonly links: readonly LinkId[];
}

/** A step that was made, and what it did to the ranking. */
export interface StepMade {
  readonly step: string;
  readonly title: string;
  /** Of a swap: whether the veer went with what was swapped. */
  readonly verdict?: ReturnType<typeof swapVerdict.run>['verdict'];
  /** First of the ranking after it. */
  readonly first: string;
  readonly share: number;
}

/** What is to be done next. */
export interface StepNext {
  readonly step: string;
  readonly title: string;
  readonly how: string;
  readonly kind: StepOf['kind'];
  readonly answers?: Readonly<Record<string, string>>;
  /** Runs still to be made in it. */
  readonly runs?: number;
}

/** What is behind a symptom, as far as is known. */
export interface Diagnosis {
  readonly symptom: SymptomName;
  readonly title: string;
  /** `open` while something is to be tried, `found` once one cause stands out, `unclear` where nothing parts them. */
  readonly verdict: 'open' | 'found' | 'unclear';
  readonly ranked: readonly Ranked[];
  readonly made: readonly StepMade[];
  readonly next?: StepNext;
}

const sidesOf = (evidence: readonly Evidence[], step: string): number[] =>
  evidence.flatMap((e) => (e.step === step && e.side !== undefined ? [e.side] : []));

/** Scatter of single runs over all the steps, at least a fair guess's share while they are few. */
function scatterOf(evidence: readonly Evidence[]): number {
  const groups = [...new Set(evidence.map(({ step }) => step))].map((step) => sidesOf(evidence, step));
  const rows = groups.filter((sides) => sides.length > 1);
  const free = rows.reduce((n, sides) => n + sides.length - 1, 0);
  const sum = rows.reduce((s, sides) => s + varianceOf(sides) * (sides.length - 1), 0);
  // A guess counts as two runs more: few runs that happen to lie together do not make it certain.
  return Math.sqrt((sum + 2 * SCATTER ** 2) / (free + 2));
}

const runsOf = (sides: readonly number[], scatter: number): SideRuns => ({
  mean: sides.length === 0 ? 0 : meanOf(sides),
  error: scatter / Math.sqrt(Math.max(1, sides.length)),
});

/** What was found at a step, once there is enough of it. */
function foundAt(
  step: StepOf,
  name: string,
  evidence: readonly Evidence[],
  before: SideRuns,
  scatter: number,
  floor: FloorRuns,
): Found | undefined {
  const its = evidence.filter((e) => e.step === name);
  if (step.kind === 'runs') {
    const sides = sidesOf(evidence, name);
    return sides.length < RUNS_EACH ? undefined : { kind: 'runs', before, after: runsOf(sides, scatter) };
  }
  if (step.kind === 'turns') {
    const [left, right] = [its.map((e) => e.left ?? 0), its.map((e) => e.right ?? 0)].map((turns) =>
      turns.reduce((sum, n) => sum + n, 0),
    ) as [number, number];
    if (!(left > 0 && right > 0)) return undefined;
    const wouldBe = (2 * before.mean * floor.trackM) / floor.distanceM ** 2;
    return { kind: 'turns', faster: (2 * (left - right)) / (left + right), wouldBe };
  }
  const answer = its.findLast((e) => e.answer !== undefined)?.answer;
  return answer === undefined ? undefined : { kind: 'answer', answer };
}

function normalised(weights: Shares): Shares {
  const total = Object.values(weights).reduce((sum, w) => sum + w, 0);
  return Object.fromEntries(Object.entries(weights).map(([cause, w]) => [cause, total > 0 ? w / total : 0]));
}

/** Where a swap's runs are there, whether the veer went with it. */
function verdictOf(before: readonly number[], after: readonly number[]): StepMade['verdict'] {
  if (before.length < 2 || after.length < 2) return undefined;
  try {
    return swapVerdict.run({ before: [...before], after: [...after] }).verdict;
  } catch {
    return undefined;
  }
}

const firstOf = (shares: Shares): [string, number] =>
  Object.entries(shares).sort((a, b) => b[1] - a[1])[0] ?? ['', 0];

/** Steps in the order in which they were begun. */
const stepsIn = (evidence: readonly Evidence[], { steps }: Symptom): string[] =>
  [...new Set(evidence.map(({ step }) => step))].filter((name) => name in steps);

function nextOfRuns(name: string, step: StepOf, evidence: readonly Evidence[]): StepNext {
  const { title, how, kind } = step;
  return {
    ...{ step: name, title, how, kind },
    ...(step.kind === 'answer' ? { answers: step.answers } : {}),
    ...(step.kind === 'runs' ? { runs: RUNS_EACH - sidesOf(evidence, name).length } : {}),
  };
}

/**
 * What is behind a symptom: the causes by their odds before anything is tried, each step's outcome weighed by how likely each
 * cause makes it (Bayes’ rule), and the step that would settle most for its time.
 *
 * @param floor how the runs are made, for a vehicle that veers
 * @example diagnose('jerks', { margins: {}, loop: true, thirdLeg: false }, []).next?.step // 'open'
 */
export function diagnose(
  symptom: SymptomName,
  facts: Facts,
  evidence: readonly Evidence[],
  floor: FloorRuns = { distanceM: 2, trackM: 0.3 },
): Diagnosis {
  const all = symptomOf(symptom);
  const needsRuns = Object.values(all.steps).some(({ kind }) => kind === 'runs');
  const base = sidesOf(evidence, AS_IT_IS);
  const scatter = scatterOf(evidence);
  const before = runsOf(base, scatter);
  let shares = normalised(
    Object.fromEntries(Object.entries(all.causes).map(([cause, of]) => [cause, oddsOf(of, facts)])),
  );
  const made: StepMade[] = [];
  let pending: string | undefined;
  for (const name of stepsIn(evidence, all)) {
    const step = all.steps[name];
    if (!step) continue;
    const found = foundAt(step, name, evidence, before, scatter, floor);
    if (!found) {
      pending = name;
      continue;
    }
    const weigh = Object.entries(shares).map(([cause, share]) => [
      cause,
      share * likelihood(step, cause, found),
    ]);
    shares = normalised(Object.fromEntries(weigh) as Shares);
    const [first, share] = firstOf(shares);
    const verdict = step.kind === 'runs' ? verdictOf(base, sidesOf(evidence, name)) : undefined;
    made.push({ step: name, title: step.title, first, share, ...(verdict ? { verdict } : {}) });
  }
  const ranked = Object.entries(shares)
    .map(([cause, share]): Ranked => {
      const { title = cause, mends = [], trial, links = [] } = all.causes[cause] ?? {};
      return { cause, share, title, mends, links, ...(trial === undefined ? {} : { trial }) };
    })
    .sort((a, b) => b.share - a.share);
  const next =
    pending ??
    nextOf(
      all,
      shares,
      made.map(({ step }) => step),
      before,
    );
  const top = ranked[0]?.share ?? 0;
  const found = made.length > 0 && pending === undefined && top >= NAMED;
  const begin = needsRuns && base.length < RUNS_EACH;
  const step = next === undefined ? undefined : all.steps[next];
  return {
    ...{ symptom, title: all.title, ranked, made },
    verdict: found ? 'found' : next === undefined || made.length >= ENOUGH ? 'unclear' : 'open',
    ...(begin
      ? { next: asItIs(RUNS_EACH - base.length) }
      : step && next !== undefined
        ? { next: nextOfRuns(next, step, evidence) }
        : {}),
  };
}

/** The runs that all the others are set against. */
const asItIs = (runs: number): StepNext => ({
  ...{ step: AS_IT_IS, title: 'Run it as it is', kind: 'runs', runs },
  how: 'The same start mark, the same command: how far to the side does it end?',
});
