import type { Shaft, Stacked } from '../vehicle/index.ts';

/** A thing on a shaft, and where it lies. */
export interface StackedAt {
  readonly id: string;
  /** From the first end of the shaft. */
  readonly fromM: number;
  readonly toM: number;
}

/** A space between two things that are held where they are, and what is loose in it. */
export interface StackGap {
  readonly afterId: string;
  readonly beforeId: string;
  /** Room left beside the loose things in it; negative where they do not fit. */
  readonly slackM: number;
}

/** A shaft with all that sits on it: where each lies, how far it floats, and what is missing. */
export interface StackReport {
  readonly id: string;
  readonly things: readonly StackedAt[];
  readonly gaps: readonly StackGap[];
  /** How far the shaft goes towards its second end, and its first, until something stops it; null where nothing does. */
  readonly floatM: { readonly on: number | null; readonly back: number | null };
  /** Spacers that would take up what is more than the float: between which two, and how thick. */
  readonly spacers: readonly {
    readonly afterId: string;
    readonly beforeId: string;
    readonly thickM: number;
  }[];
  /** How far things stand over an end of the shaft. */
  readonly overhangM: number;
}

/** Nearer than this, m, a slack is the float that is allowed. */
const CLOSE = 1e-7;

/** Where a thing lies that was told where; others are pushed against what is before them. */
function laidOut({ stack }: Shaft): StackedAt[] {
  let reached = 0;
  return stack.map(({ id, width, at }) => {
    const fromM = at ? at.value - width.value / 2 : reached;
    reached = fromM + width.value;
    return { id, fromM, toM: reached };
  });
}

/** Spaces between neighbours that are held: by the frame or by the shaft, and told where. */
function gapsOf(
  stack: readonly Stacked[],
  things: readonly StackedAt[],
): (StackGap & { readonly of: readonly [Stacked, Stacked] })[] {
  const held = stack.flatMap((one, n) => (one.hold === 'loose' ? [] : [n]));
  return held.slice(1).flatMap((n, at) => {
    const before = held[at] ?? 0;
    const [first, last] = [stack[before], stack[n]];
    if (!first || !last) return [];
    const loose = stack.slice(before + 1, n).reduce((sum, { width }) => sum + width.value, 0);
    const slackM = (things[n]?.fromM ?? 0) - (things[before]?.toM ?? 0) - loose;
    return [{ afterId: first.id, beforeId: last.id, slackM, of: [first, last] as const }];
  });
}

/**
 * What a shaft and the things on it come to. It goes on until something clamped to it meets, by way of what is loose
 * between, something that the frame holds.
 *
 * @example stackOf({ id: 'a', name: 'Axle', length: typed(0.2, 'mm'), float: typed(0.0005, 'mm'), stack: [] }).floatM
 *   // { on: null, back: null }
 */
export function stackOf(shaft: Shaft): StackReport {
  const things = laidOut(shaft);
  const gaps = gapsOf(shaft.stack, things);
  const between = (first: Stacked['hold'], last: Stacked['hold']): number | null => {
    const own = gaps.filter(({ of }) => of[0].hold === first && of[1].hold === last);
    return own.length === 0 ? null : Math.max(0, Math.min(...own.map(({ slackM }) => slackM)));
  };
  const floatM = { on: between('shaft', 'frame'), back: between('frame', 'shaft') };
  const mayM = shaft.float.value;
  return {
    id: shaft.id,
    things,
    gaps: gaps.map(({ of: _, ...gap }) => gap),
    floatM,
    spacers: gaps
      .filter(
        ({ of, slackM }) => of[0].hold !== of[1].hold && slackM > mayM + CLOSE && isNearest(gaps, of, slackM),
      )
      .map(({ afterId, beforeId, slackM }) => ({ afterId, beforeId, thickM: slackM - mayM / 2 })),
    overhangM: Math.max(0, ...things.map(({ fromM, toM }) => Math.max(-fromM, toM - shaft.length.value))),
  };
}

/** Of the gaps that stop it one way, only the narrowest does: a spacer goes there. */
const isNearest = (
  gaps: ReturnType<typeof gapsOf>,
  [first, last]: readonly [Stacked, Stacked],
  slackM: number,
): boolean =>
  !gaps.some(
    ({ of, slackM: other }) => of[0].hold === first.hold && of[1].hold === last.hold && other < slackM,
  );
