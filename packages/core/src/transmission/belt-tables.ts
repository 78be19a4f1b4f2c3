/** Working pull of a toothed belt for its width, by pitch: mm and N/mm (makers' tables from memory; common practice). */
const PULL_BY_PITCH: readonly (readonly [pitchMm: number, newtonsPerMm: number])[] = [
  [2, 3],
  [2.032, 3],
  [2.5, 4],
  [3, 6],
  [5, 8],
  [5.08, 8],
  [8, 14],
  [9.525, 14],
  [10, 16],
  [12.7, 24],
  [14, 30],
  [20, 40],
];

/**
 * What each metre of a toothed belt's width may work with, N, by its pitch in metres: between the pitches evenly.
 *
 * @example usualPullPerWidth(0.005) // 8000
 */
export function usualPullPerWidth(pitchM: number): number {
  const mm = pitchM * 1000;
  const above = PULL_BY_PITCH.findIndex(([pitch]) => pitch >= mm);
  const [first, last] = [PULL_BY_PITCH[0], PULL_BY_PITCH.at(-1)];
  if (!first || !last) return 0;
  // A finer or coarser belt than the table has is as strong as its pitch, over the nearest of it.
  if (above === 0) return (1000 * first[1] * mm) / first[0];
  if (above < 0) return (1000 * last[1] * mm) / last[0];
  const [low, high] = [PULL_BY_PITCH[above - 1] ?? first, PULL_BY_PITCH[above] ?? last];
  return 1000 * (low[1] + ((high[1] - low[1]) * (mm - low[0])) / (high[0] - low[0]));
}

/** Widths in which toothed belts are sold, metres (common practice, no source). */
export const BELT_WIDTHS_M: readonly number[] = [
  0.003, 0.0045, 0.006, 0.009, 0.01, 0.012, 0.015, 0.02, 0.025, 0.03, 0.04, 0.05, 0.075, 0.1,
];

/**
 * The least width sold that carries a pull; the widest where none does.
 *
 * @example beltWidthFor(400, 20000) // 0.02
 */
export const beltWidthFor = (pullN: number, pullPerWidth: number): number =>
  BELT_WIDTHS_M.find((width) => width * pullPerWidth >= pullN) ?? BELT_WIDTHS_M.at(-1) ?? 0;

/** Fewer teeth in mesh than this carry less: a fifth off for each one missing (common practice, no source). */
const FULL_MESH = 6;

/** Share of its working pull that a belt has with so many teeth in mesh. */
export const meshShare = (teethInMesh: number): number =>
  Math.min(1, Math.max(0, 1 - (FULL_MESH - Math.floor(teethInMesh)) / 5));

interface VSection {
  readonly title: string;
  /** Smallest pulley that it bends round, m. */
  readonly smallestM: number;
  /** Its top width and its height, m. */
  readonly wideM: number;
  readonly thickM: number;
  /** Most pull of one belt, N. */
  readonly pullN: number;
  /** Most tension of a strand standing still, N. */
  readonly tensionN: number;
}

/** Classical V-belts: the smallest pulleys of ISO 4183, pulls and tensions of makers' tables (from memory; common practice). */
export const V_SECTIONS = {
  Z: { title: 'Z, 10 mm', wideM: 0.01, thickM: 0.006, smallestM: 0.05, pullN: 80, tensionN: 110 },
  A: { title: 'A, 13 mm', wideM: 0.013, thickM: 0.008, smallestM: 0.075, pullN: 200, tensionN: 250 },
  B: { title: 'B, 17 mm', wideM: 0.017, thickM: 0.011, smallestM: 0.125, pullN: 350, tensionN: 420 },
  C: { title: 'C, 22 mm', wideM: 0.022, thickM: 0.014, smallestM: 0.2, pullN: 650, tensionN: 750 },
} as const satisfies Record<string, VSection>;

export type VSectionName = keyof typeof V_SECTIONS;
/** All sections of V-belts. */
export const V_SECTION_NAMES = Object.keys(V_SECTIONS) as [VSectionName, ...VSectionName[]];

/** The largest section that a pulley takes; the smallest one where it is too small for any. */
export const sectionFor = (smallPulleyM: number): VSectionName =>
  V_SECTION_NAMES.findLast((name) => V_SECTIONS[name].smallestM <= smallPulleyM) ?? 'Z';
