import { assertNever } from '../contract/index.ts';
import type { Worth } from './found-set.ts';

/** What a set is weighed by: the less of cost and mass, and the more of run time and margin, the better. */
export const AIMS = ['cost', 'massKg', 'runTimeS', 'near'] as const;
export type Aim = (typeof AIMS)[number];

/** As a number of which less is better. */
const lessIsBetter = (worth: Worth, aim: Aim): number => {
  switch (aim) {
    case 'cost':
      return worth.cost ?? Infinity;
    case 'massKg':
      return worth.massKg;
    case 'runTimeS':
      return -worth.runTimeS;
    case 'near':
      return -worth.near;
    default:
      return assertNever(aim);
  }
};

/**
 * Whether one set is as good as another in everything.
 *
 * @example isAsGood({ cost: 1, massKg: 1, runTimeS: 2, near: 1, works: true, lacks: 0 }, { cost: 1, massKg: 2, runTimeS: 2, near: 1, works: true, lacks: 0 })
 *   // true
 */
export const isAsGood = (a: Worth, b: Worth): boolean =>
  AIMS.every((aim) => lessIsBetter(a, aim) <= lessIsBetter(b, aim));

/** Sets of which none is as good as another in everything: what is worth choosing from. Of equals the first stays. */
export class Front<T extends Worth> {
  private members: T[] = [];

  /** Whether a set is kept; those that it outdoes go. */
  add(one: T): boolean {
    if (this.members.some((member) => isAsGood(member, one))) return false;
    this.members = this.members.filter((member) => !isAsGood(one, member));
    this.members.push(one);
    return true;
  }

  /** The members, the greatest margin first. */
  all(): readonly T[] {
    return [...this.members].sort((a, b) => b.near - a.near || (a.cost ?? Infinity) - (b.cost ?? Infinity));
  }
}

/** How much each aim counts, 0 and more. */
export type Weights = Readonly<Record<Aim, number>>;
/** Each aim as much as any other. */
export const evenWeights: Weights = { cost: 1, massKg: 1, runTimeS: 1, near: 1 };

/** A margin of more than so many times its rule is worth nothing more. */
const ENOUGH = 1.5;

/** Between the best and the worst of a list: 1 and 0. On a scale of ratios, as twice the price counts alike anywhere. */
function standings(list: readonly Worth[], aim: Aim): readonly number[] {
  const values = list.map((one) => {
    if (aim === 'near') return Math.min(one.near, ENOUGH);
    const value = one[aim] ?? Infinity;
    return Math.log(Math.max(value, 1e-9));
  });
  const known = values.filter(Number.isFinite);
  const [low, high] = [Math.min(...known), Math.max(...known)];
  const more = aim === 'runTimeS' || aim === 'near';
  return values.map((value) => {
    const at = high > low ? (Math.min(Math.max(value, low), high) - low) / (high - low) : 0.5;
    if (value === Infinity) return more ? 1 : 0;
    return more ? at : 1 - at;
  });
}

/**
 * Sets by a builder's weights, the best first: each aim between the best and the worst of the list, the mean by weight. While
 * margins count at all, what keeps its rules stands before what does not.
 *
 * @example ranked([{ cost: 9, massKg: 1, runTimeS: 1, near: 1, works: true, lacks: 0 }, { cost: 3, massKg: 1, runTimeS: 1, near: 1, works: true, lacks: 0 }], { ...evenWeights, near: 0 })[0]?.cost
 *   // 3
 */
export function ranked<T extends Worth>(list: readonly T[], weights: Weights = evenWeights): readonly T[] {
  const by = AIMS.map((aim) => ({ weight: weights[aim], at: standings(list, aim) }));
  const score = (n: number): number => by.reduce((sum, { weight, at }) => sum + weight * (at[n] ?? 0), 0);
  const keeps = ({ near }: Worth): number => (weights.near > 0 && near >= 1 ? 1 : 0);
  return list
    .map((one, n) => ({ one, score: score(n) }))
    .sort((a, b) => keeps(b.one) - keeps(a.one) || b.score - a.score)
    .map(({ one }) => one);
}
