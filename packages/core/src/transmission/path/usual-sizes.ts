import type { Quantity } from '../../quantity/index.ts';
import type { SET_SCREW_SIZES } from '../set-screw-hold.ts';

/** Width of a parallel key for shafts up to so many millimetres: DIN 6885-1 (from memory). */
const KEYS: readonly (readonly [upTo: number, width: number])[] = [
  [8, 2],
  [10, 3],
  [12, 4],
  [17, 5],
  [22, 6],
  [30, 8],
  [38, 10],
];
const LARGEST_KEY = 12;

/** Width of the key of a shaft, mm; as high as it is wide in these sizes. */
export const keyFor = ({ value }: Quantity): number =>
  KEYS.find(([upTo]) => value * 1000 <= upTo + 1e-9)?.[1] ?? LARGEST_KEY;

/** Screws and bolts that go with a bore. */
interface Fastening {
  readonly setScrew: (typeof SET_SCREW_SIZES)[number];
  /** What a clamp screw of 8.8 pulls, tightened to three quarters of its proof load (ISO 898-1, from memory), N. */
  readonly clampN: number;
  readonly boltMm: number;
}

/** Of bores of up to so many millimetres (common practice, no source). */
const FASTENINGS: readonly (readonly [upTo: number, with_: Fastening])[] = [
  [3.2, { setScrew: 'M2', clampN: 900, boltMm: 2 }],
  [5, { setScrew: 'M3', clampN: 2200, boltMm: 3 }],
  [8, { setScrew: 'M4', clampN: 3800, boltMm: 3 }],
  [14, { setScrew: 'M5', clampN: 6200, boltMm: 4 }],
  [20, { setScrew: 'M6', clampN: 8700, boltMm: 5 }],
];
const LARGEST: Fastening = { setScrew: 'M8', clampN: 15_900, boltMm: 6 };

/** How a hub is usually fastened on a shaft of a diameter: key and screws. */
export const fasteningFor = ({ value }: Quantity): Fastening =>
  FASTENINGS.find(([upTo]) => value * 1000 <= upTo + 1e-9)?.[1] ?? LARGEST;
