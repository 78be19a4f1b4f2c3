import type { LinkId } from '../judge/index.ts';

/** What is known of a build before anything is tried: its margins by link, and what it has. */
export interface Facts {
  /** The worst margin of each link over its rule; absent where the build has no such link. */
  readonly margins: Readonly<Record<string, number | undefined>>;
  /** Whether a loop holds left and right together, or a heading. */
  readonly loop: boolean;
  /** Whether it drags a slider or a castor. */
  readonly thirdLeg: boolean;
}

/** Something that may be behind a symptom. */
export interface CauseOf {
  readonly title: string;
  /** Odds beside the others before anything is tried (common practice, no source). */
  readonly odds: number | ((facts: Facts) => number);
  /** Margins whose nearness makes it likelier; what mends them mends it. */
  readonly links?: readonly LinkId[];
  /** What mends it. */
  readonly mends: readonly string[];
  /** The kind of trial that mends or measures it, by its name. */
  readonly trial?: string;
}

/** Of how the runs after a step stand to those before: times so much, give or take. */
type Factor = readonly [times: number, giveOrTake: number];

interface Step {
  readonly title: string;
  /** What to do. */
  readonly how: string;
  /** Minutes that it takes (common practice, no source). */
  readonly minutes: number;
}
/** Runs made again with one thing changed. */
export interface RunsStep extends Step {
  readonly kind: 'runs';
  /** By cause; 1 where it is not named. */
  readonly factor: Readonly<Record<string, Factor>>;
}
/** Turns of both sides counted with the wheels in the air. */
export interface TurnsStep extends Step {
  readonly kind: 'turns';
  /** Causes that show there as they do on the floor. */
  readonly shows: readonly string[];
}
/** Something looked at: one of a few answers. */
export interface AnswerStep extends Step {
  readonly kind: 'answer';
  readonly answers: Readonly<Record<string, string>>;
  /** How likely each answer is by cause; the rest share what is left evenly. */
  readonly likely: Readonly<Record<string, Readonly<Record<string, number>>>>;
  /** The same of causes that are not named. */
  readonly otherwise: Readonly<Record<string, number>>;
}
/** A step of a search for a cause. */
export type StepOf = RunsStep | TurnsStep | AnswerStep;

/** What a builder sees, what may be behind it, and what parts the causes. */
export interface Symptom {
  readonly title: string;
  readonly causes: Readonly<Record<string, CauseOf>>;
  readonly steps: Readonly<Record<string, StepOf>>;
}

/** More odds the closer a margin is to failing: 1 from twice its rule on, 4 at its rule, more under it. */
function closer({ margins }: Facts, links: readonly LinkId[]): number {
  const worst = Math.min(...links.map((link) => margins[link] ?? Infinity));
  return worst >= 2 ? 1 : Math.min(12, 4 / Math.max(worst, 1 / 3) ** 2);
}

/** Odds of a cause by what is known of a build. */
export const oddsOf = ({ odds, links = [] }: CauseOf, facts: Facts): number =>
  (typeof odds === 'number' ? odds : odds(facts)) * closer(facts, links);

/** A step that is looked at with yes or no. */
export const yesNo = (
  title: string,
  how: string,
  minutes: number,
  yes: Readonly<Record<string, number>>,
  otherwise: number,
): AnswerStep => ({
  kind: 'answer',
  ...{ title, how, minutes },
  answers: { yes: 'yes', no: 'no' },
  likely: Object.fromEntries(Object.entries(yes).map(([cause, p]) => [cause, { yes: p, no: 1 - p }])),
  otherwise: { yes: otherwise, no: 1 - otherwise },
});
