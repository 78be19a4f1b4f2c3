import type { Aim, FoundSet } from '@zubric/core/search';
import { showNumber, type UnitSystem, show } from '@zubric/core/quantity';

interface AimWords {
  readonly title: string;
  /** Against what it is told, where that is not plain. */
  readonly against?: string;
  readonly better: string;
}

/** How the aims of a search are called and said. */
export const AIM_WORDS: Readonly<Record<Aim, AimWords>> = {
  cost: { title: 'Cost', better: 'the less the better' },
  massKg: { title: 'Mass', better: 'the less the better' },
  runTimeS: { title: 'Run time', better: 'the more the better' },
  near: { title: 'Worst margin', against: 'over its rule', better: 'the more the better' },
};

export const valueOf = (set: FoundSet, aim: Aim): number => set[aim] ?? Infinity;

/** A figure of an aim as it is said. */
export function sayAim(aim: Aim, value: number, system: UnitSystem): string {
  if (!Number.isFinite(value)) return aim === 'cost' ? 'not known' : 'without end';
  switch (aim) {
    case 'cost':
      return showNumber(value);
    case 'massKg':
      return show(value, 'mass', system).text;
    case 'runTimeS':
      return show(value, 'time', system).text;
    case 'near':
      return `${showNumber(value, 3)} ×`;
  }
}

/** From and to, of an aim. */
export type Ends = readonly [number, number];

/** The least and the greatest of an aim among sets; those without a figure stand beside. */
export function endsOf(sets: readonly FoundSet[], aim: Aim): Ends {
  const known = sets.map((set) => valueOf(set, aim)).filter(Number.isFinite);
  return known.length > 0 ? [Math.min(...known), Math.max(...known)] : [0, 1];
}

/** Steps between the ends of an aim, as a slider has them. */
export const STEPS = 100;

/** Where a figure stands between two ends, 0 to 1; on a scale of ratios where both are more than nothing. */
export function placeOf(value: number, [low, high]: Ends): number {
  if (high <= low) return 0.5;
  if (!Number.isFinite(value)) return 1;
  return low > 0 ? Math.log(value / low) / Math.log(high / low) : (value - low) / (high - low);
}

/** The figure at a place between two ends. */
export const figureAt = (place: number, [low, high]: Ends): number =>
  low > 0 ? low * (high / low) ** place : low + place * (high - low);

/** Which figures of an aim are looked at, as steps of the slider. */
export type Narrowed = Readonly<Partial<Record<Aim, readonly [number, number]>>>;

/** Whether a set lies within what is looked at; a hair beyond an end counts as on it. */
export const isWithin = (set: FoundSet, narrowed: Narrowed, ends: Readonly<Record<Aim, Ends>>): boolean =>
  (Object.entries(narrowed) as [Aim, readonly [number, number]][]).every(([aim, [from, to]]) => {
    const place = placeOf(valueOf(set, aim), ends[aim]) * STEPS;
    return place >= from - 1e-6 && place <= to + 1e-6;
  });
