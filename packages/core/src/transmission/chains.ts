/** Roller chains: pitch in mm and minimum tensile strength in N. */
export interface ChainSize {
  readonly pitchMm: number;
  readonly tensileN: number;
  readonly title: string;
  /** For the power rating, ANSI numbers only: the constants of Shigley's equations 17-32 and 17-33. */
  readonly rating?: { readonly linkPlate: number; readonly roller: number };
}

const MM_PER_INCH = 25.4;
const ansi = (
  title: string,
  pitchIn: number,
  tensileN: number,
  roller: number,
  linkPlate = 0.004,
): ChainSize => ({
  title,
  pitchMm: pitchIn * MM_PER_INCH,
  tensileN,
  rating: { linkPlate, roller },
});
const iso = (title: string, pitchMm: number, tensileN: number): ChainSize => ({ title, pitchMm, tensileN });

/** ASME B29.1 and ISO 606; table values from memory. */
export const CHAIN_SIZES = {
  'ansi-25': ansi('ANSI 25, 1/4 in pitch', 1 / 4, 3470, 29),
  'ansi-35': ansi('ANSI 35, 3/8 in pitch', 3 / 8, 7830, 29),
  'ansi-40': ansi('ANSI 40, 1/2 in pitch', 1 / 2, 13900, 17),
  'ansi-41': ansi('ANSI 41, 1/2 in pitch, light', 1 / 2, 6670, 3.4, 0.0022),
  'ansi-50': ansi('ANSI 50, 5/8 in pitch', 5 / 8, 21700, 17),
  'ansi-60': ansi('ANSI 60, 3/4 in pitch', 3 / 4, 31300, 17),
  'ansi-80': ansi('ANSI 80, 1 in pitch', 1, 55600, 17),
  'iso-04B': iso('ISO 04B, 6 mm pitch', 6, 3000),
  'iso-05B': iso('ISO 05B, 8 mm pitch', 8, 4400),
  'iso-06B': iso('ISO 06B, 9.525 mm pitch', 9.525, 8900),
  'iso-08B': iso('ISO 08B, 12.7 mm pitch', 12.7, 17800),
  'iso-10B': iso('ISO 10B, 15.875 mm pitch', 15.875, 22200),
} as const satisfies Record<string, ChainSize>;

export type ChainName = keyof typeof CHAIN_SIZES;
/** All chains of the table. */
export const CHAIN_NAMES = Object.keys(CHAIN_SIZES) as [ChainName, ...ChainName[]];
/**
 * A chain of the table: pitch, breaking force, width.
 *
 * @example chainSize('ansi-25').pitchMm // 6.35
 */
export const chainSize = (name: ChainName): ChainSize => CHAIN_SIZES[name];
