/** What a hole is for: to be drilled first, to be tapped, or for a screw to go through close, freely, or with room to spare. */
export const FITS = ['pilot', 'tap', 'close', 'free', 'loose'] as const;
export type Fit = (typeof FITS)[number];

/** Metric coarse threads. */
export const THREADS = ['M2', 'M2.5', 'M3', 'M4', 'M5', 'M6', 'M8', 'M10', 'M12'] as const;
export type Thread = (typeof THREADS)[number];

/** Holes in mm: to be tapped by the drill of ISO 2306, through by the fine, medium and coarse series of ISO 273. */
const HOLES: Readonly<Record<Thread, Readonly<Record<Exclude<Fit, 'pilot'>, number>>>> = {
  M2: { tap: 1.6, close: 2.2, free: 2.4, loose: 2.6 },
  'M2.5': { tap: 2.05, close: 2.7, free: 2.9, loose: 3.1 },
  M3: { tap: 2.5, close: 3.2, free: 3.4, loose: 3.6 },
  M4: { tap: 3.3, close: 4.3, free: 4.5, loose: 4.8 },
  M5: { tap: 4.2, close: 5.3, free: 5.5, loose: 5.8 },
  M6: { tap: 5, close: 6.4, free: 6.6, loose: 7 },
  M8: { tap: 6.8, close: 8.4, free: 9, loose: 10 },
  M10: { tap: 8.5, close: 10.5, free: 11, loose: 12 },
  M12: { tap: 10.2, close: 13, free: 13.5, loose: 14.5 },
};

/** The first drill is a third of the hole, and no thinner than this, mm: the large one's chisel edge follows it (common practice, no source). */
const LEAST_PILOT = 1.5;

/**
 * The hole for a screw, mm. Source: ISO 273 and ISO 2306, table values from memory.
 *
 * @example screwHole('M5', 'free') // 5.5
 */
export const screwHole = (thread: Thread, fit: Fit): number =>
  fit === 'pilot'
    ? Math.max(LEAST_PILOT, Math.round((10 * HOLES[thread].close) / 3) / 10)
    : HOLES[thread][fit];
