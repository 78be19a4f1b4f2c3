import { NotPhysical, bracketedRoot } from '../contract/index.ts';
import {
  isUnderRule,
  marginsOf,
  partsOfLink,
  turnsAt,
  type LinkReport,
  type Verdict,
} from '../judge/index.ts';
import { withNumbers, type Build, type NumberAt } from '../vehicle/index.ts';
import { usualSpan, withinMayBe, type Span } from './span.ts';

/** Which margin: its link, its job, and of which part of the build it is. */
export type MarginKey = Pick<LinkReport, 'link' | 'dutyId' | 'driveId' | 'stageId' | 'elementId' | 'railId'>;

/** A margin at one value of the number. */
export type MarginThere = Pick<LinkReport, 'ratio' | 'rule' | 'verdict'>;

/** A margin along the values of a number. */
export interface MarginAlong {
  readonly margin: MarginKey;
  /** One for each value; null where nothing is asked of it there. */
  readonly at: readonly (MarginThere | null)[];
  /** What stands now. */
  readonly now?: MarginThere;
}

/** Where a verdict becomes another as the number grows. */
export interface VerdictTurn {
  readonly margin: MarginKey;
  /** The least value of the number, as near as it is found, at which the verdict above holds. */
  readonly value: number;
  readonly below: Verdict;
  readonly above: Verdict;
}

/** What another value of one number of a build would come to. */
export interface WhatIf {
  readonly number: NumberAt;
  /** Rising; what stands is one of them. */
  readonly values: readonly number[];
  readonly margins: readonly MarginAlong[];
  /** In the order of their values. */
  readonly turns: readonly VerdictTurn[];
}

/** How a number is swept: between which values, in how many steps. */
export interface WhatIfAsked {
  readonly span?: Span;
  readonly steps?: number;
}

const STEPS = 40;
/** A turn is found to this share of the span. */
const FOUND = 1e-7;

const keyOf = ({ link, dutyId, driveId, stageId, elementId, railId }: MarginKey): string =>
  [link, dutyId, driveId, stageId, elementId, railId].join('/');

const bareKey = (link: LinkReport): MarginKey => ({
  link: link.link,
  dutyId: link.dutyId,
  ...partsOfLink(link),
});

type Judged = ReadonlyMap<string, LinkReport>;

/** Judges the build at values of the number, each once. */
function judgeAt(build: Build, number: NumberAt): (value: number) => Judged {
  const known = new Map<number, Judged>();
  return (value) => {
    const before = known.get(value);
    if (before) return before;
    const { links } = marginsOf(withNumbers(build, [[number, value]]));
    const judged = new Map(links.map((link) => [keyOf(link), link]));
    known.set(value, judged);
    return judged;
  };
}

/** The values that are judged: even steps, and what stands; of what counts something, whole ones. */
function valuesIn({ least, most }: Span, { value, whole }: NumberAt, steps: number): number[] {
  const even = Array.from({ length: steps + 1 }, (_, n) => least + ((most - least) * n) / steps);
  return [...new Set([...even.map((x) => (whole ? Math.round(x) : x)), value])].sort((a, b) => a - b);
}

/** What is halved is between these, as far as it is known. */
interface Bracket {
  readonly low: number;
  readonly high: number;
}

/** Nothing can be said of how far a verdict is from turning: a margin that is asked only beside it, or does not follow its ratio. */
class NoWay extends Error {}

/**
 * Narrows in on a turn by how far the ratio is from the one at which it turns, a third of the looks of halving. Says no more than
 * what was judged: a verdict that is not the lower one's for another reason narrows it as well.
 */
function nearTurn(
  judged: (value: number) => Judged,
  key: string,
  { low: from, high: to }: Bracket,
  near: number,
): Bracket {
  const [below, above] = [judged(from).get(key)?.verdict, judged(to).get(key)?.verdict];
  if (!below || !above) return { low: from, high: to };
  let [low, high] = [from, to];
  const beyond = (value: number): number => {
    const link = judged(value).get(key);
    if (!link) throw new NoWay();
    if (link.verdict === below) low = Math.max(low, Math.min(value, high));
    else high = Math.min(high, Math.max(value, low));
    return link.ratio - turnsAt(link, below, above);
  };
  try {
    bracketedRoot(beyond, from, to, near);
  } catch (error) {
    if (!(error instanceof NoWay || error instanceof NotPhysical)) throw error;
  }
  return { low, high };
}

/** The value between two at which the verdict of a margin is no longer what it was at the lower one. */
function turnBetween(
  judged: (value: number) => Judged,
  key: string,
  [from, to]: readonly [number, number],
  near: number,
  whole: boolean,
): number {
  const below = judged(from).get(key)?.verdict;
  let { low, high } = whole ? { low: from, high: to } : nearTurn(judged, key, { low: from, high: to }, near);
  while (high - low > near) {
    const middle = whole ? Math.floor((low + high) / 2) : (low + high) / 2;
    if (middle === low || middle === high) break;
    if (judged(middle).get(key)?.verdict === below) low = middle;
    else high = middle;
  }
  return high;
}

/** Where the verdicts of a margin turn, each between the two values that were judged beside it. */
function turnsOf(
  along: MarginAlong,
  values: readonly number[],
  judged: (value: number) => Judged,
  whole: boolean,
): VerdictTurn[] {
  const key = keyOf(along.margin);
  const near = whole ? 1 : FOUND * ((values.at(-1) ?? 0) - (values[0] ?? 0));
  return values.slice(1).flatMap((to, n): VerdictTurn[] => {
    const [from = to, below, above] = [values[n], along.at[n]?.verdict, along.at[n + 1]?.verdict];
    if (!below || !above || below === above) return [];
    const value = turnBetween(judged, key, [from, to], near, whole);
    const there = judged(value).get(key)?.verdict ?? above;
    const turn: VerdictTurn = { margin: along.margin, value, below, above: there };
    // A step may hold more than one: what follows the first is looked for from there.
    if (there === above || value >= to) return [turn];
    const rest = [value, to];
    const at = rest.map((x) => judged(x).get(key) ?? null);
    return [turn, ...turnsOf({ margin: along.margin, at }, rest, judged, whole)];
  });
}

/**
 * Puts one number of a build at values beside what stands, and judges each in full. A generator, so that it gives way and
 * can be given up; it tells the share that is judged.
 *
 * @example [...whatIfSteps(puffin, payload, { steps: 4 })].length // 6: four steps, and what stands
 */
export function* whatIfSteps(
  build: Build,
  number: NumberAt,
  { span, steps = STEPS }: WhatIfAsked = {},
): Generator<number, WhatIf> {
  const values = valuesIn(span ? withinMayBe(build, number, span) : usualSpan(build, number), number, steps);
  const judged = judgeAt(build, number);
  for (const [n, value] of values.entries()) {
    judged(value);
    yield (n + 1) / values.length;
  }
  const keys = new Map(
    values.flatMap((value) => [...judged(value)].map(([key, link]) => [key, bareKey(link)] as const)),
  );
  const there = (value: number, key: string): MarginThere | null => {
    const link = judged(value).get(key);
    return link ? { ratio: link.ratio, rule: link.rule, verdict: link.verdict } : null;
  };
  const margins = [...keys].map(([key, margin]): MarginAlong => {
    const now = there(number.value, key);
    return { margin, at: values.map((value) => there(value, key)), ...(now ? { now } : {}) };
  });
  const turns = margins.flatMap((along) => turnsOf(along, values, judged, number.whole));
  return { number, values, margins, turns: turns.sort((a, b) => a.value - b.value) };
}

/**
 * The same, to the end at once.
 *
 * @example whatIf(puffin, payload, { steps: 4 }).values // [60, 105, 120, 150, 195, 240]
 */
export function whatIf(build: Build, number: NumberAt, asked?: WhatIfAsked): WhatIf {
  const steps = whatIfSteps(build, number, asked);
  for (;;) {
    const { done, value } = steps.next();
    if (done) return value;
  }
}

/** What happens on the way from what stands now, in one direction. */
export interface StepFromNow {
  readonly turn: VerdictTurn;
  /** What the margin becomes on that way. */
  readonly becomes: Verdict;
  /** Whether it keeps its rule on one side of the turn and not on the other. */
  readonly decides: boolean;
}

/**
 * The turns on the way to less and to more, the nearest first.
 *
 * @example stepsFromNow(payloadCurve).more[0].becomes // 'short'
 */
export function stepsFromNow({ number, turns }: Pick<WhatIf, 'number' | 'turns'>): {
  readonly less: readonly StepFromNow[];
  readonly more: readonly StepFromNow[];
} {
  const step = (turn: VerdictTurn, becomes: Verdict): StepFromNow => ({
    turn,
    becomes,
    decides: isUnderRule(turn.below) !== isUnderRule(turn.above),
  });
  return {
    less: turns
      .filter(({ value }) => value <= number.value)
      .map((turn) => step(turn, turn.below))
      .reverse(),
    more: turns.filter(({ value }) => value > number.value).map((turn) => step(turn, turn.above)),
  };
}
