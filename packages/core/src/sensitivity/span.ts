import type { Dimension } from '../quantity/index.ts';
import { mayBe, meaningOf, type Build, type NumberAt } from '../vehicle/index.ts';

/** The values between which a number is looked at. */
export interface Span {
  readonly least: number;
  readonly most: number;
}

/** How far a number that stands at nothing is looked at, SI (common practice, no source). */
const FROM_NOTHING: Partial<Readonly<Record<Dimension, number>>> = {
  angle: (15 * Math.PI) / 180,
  length: 0.2,
  force: 100,
  acceleration: 1,
  area: 1,
  share: 1,
  coefficient: 0.2,
  power: 50,
  stress: 5e6,
};

/** Steps of halving towards the furthest value that may be said. */
const HALVINGS = 24;

/** From what a number is towards where it was to go, as far as the build may say it. */
function asFarAsMayBe(build: Build, number: NumberAt, wanted: number): number {
  if (mayBe(build, number, wanted)) return wanted;
  let [may, not] = [number.value, wanted];
  for (let n = 0; n < HALVINGS; n += 1) {
    const middle = (may + not) / 2;
    if (mayBe(build, number, middle)) may = middle;
    else not = middle;
  }
  // Most bounds are nothing, or all of it.
  return [0, 1].find((end) => Math.abs(end - may) <= Math.abs(not - may) && mayBe(build, number, end)) ?? may;
}

/**
 * The span in which a number is looked at where nobody said another: from half of it to twice as much, as far as a build
 * may say so.
 *
 * @example usualSpan(puffin, payload) // { least: 60, most: 240 }
 */
export function usualSpan(build: Build, number: NumberAt): Span {
  const { value, path, whole } = number;
  if (value === 0)
    return withinMayBe(build, number, {
      least: 0,
      most: FROM_NOTHING[meaningOf(path).dimension ?? 'ratio'] ?? 1,
    });
  const [least = 0, most = 0] = [value / 2, value * 2].sort((a, b) => a - b);
  return withinMayBe(
    build,
    number,
    whole ? { least: Math.ceil(least), most: Math.floor(most) } : { least, most },
  );
}

/**
 * As much of a span as a build may say of a number; what stands is always in it.
 *
 * @example withinMayBe(puffin, payload, { least: -50, most: 200 }) // { least: 0, most: 200 }
 */
export function withinMayBe(build: Build, number: NumberAt, { least, most }: Span): Span {
  const { value, whole } = number;
  const ends = {
    least: asFarAsMayBe(build, number, Math.min(least, value)),
    most: asFarAsMayBe(build, number, Math.max(most, value)),
  };
  return whole ? { least: Math.ceil(ends.least), most: Math.floor(ends.most) } : ends;
}
