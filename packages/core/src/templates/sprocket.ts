import { chainSize, type ChainName } from '../transmission/index.ts';
import { onCircle, type SheetPoint } from './template.ts';

/** Rollers of chains, mm. Source: ISO 606 and ASME B29.1, table values from memory. */
const ROLLERS: Readonly<Record<ChainName, number>> = {
  'ansi-25': 3.3,
  'ansi-35': 5.08,
  'ansi-40': 7.92,
  'ansi-41': 7.77,
  'ansi-50': 10.16,
  'ansi-60': 11.91,
  'ansi-80': 15.88,
  'iso-04B': 4,
  'iso-05B': 5,
  'iso-06B': 6.35,
  'iso-08B': 8.51,
  'iso-10B': 10.16,
};

/** The circles of a sprocket, mm. */
export interface SprocketCircles {
  readonly pitchDiameter: number;
  readonly rootDiameter: number;
  readonly tipDiameter: number;
  readonly rollerDiameter: number;
}

const seatRadius = (roller: number): number => 0.505 * roller;

/**
 * The circles of a sprocket: pitch d = p/sin(180°/z), root d − 2 · 0.505 d1, tip halfway between the least and the most
 * that ISO 606 allows.
 *
 * @example sprocketCircles('iso-08B', 20).pitchDiameter // 81.18
 */
export function sprocketCircles(chain: ChainName, teeth: number): SprocketCircles {
  const pitch = chainSize(chain).pitchMm;
  const roller = ROLLERS[chain];
  const pitchDiameter = pitch / Math.sin(Math.PI / teeth);
  const least = pitchDiameter + pitch * (1 - 1.6 / teeth) - roller;
  const most = pitchDiameter + 1.25 * pitch - roller;
  return {
    pitchDiameter,
    rootDiameter: pitchDiameter - 2 * seatRadius(roller),
    tipDiameter: (least + most) / 2,
    rollerDiameter: roller,
  };
}

const SEAT_POINTS = 8;
const FLANK_POINTS = 12;

/** One side of the gap between two teeth, from its deepest point to the tip, the roller's middle to the right. */
function halfGap(chain: ChainName, teeth: number): SheetPoint[] {
  const { pitchDiameter, tipDiameter, rollerDiameter } = sprocketCircles(chain, teeth);
  const middle: SheetPoint = [pitchDiameter / 2, 0];
  const seat = seatRadius(rollerDiameter);
  const flank = 0.12 * rollerDiameter * (teeth + 2);
  const half = ((140 - 90 / teeth) * Math.PI) / 180 / 2;
  const seatAt = (share: number): SheetPoint => onCircle(middle, seat, Math.PI - half * share);
  // The flank is hollow the other way: its middle lies beyond the end of the seat.
  const ends = Math.PI - half;
  const about = onCircle(middle, seat + flank, ends);
  const flankAt = (angle: number): SheetPoint => onCircle(about, flank, ends + Math.PI + angle);
  const isOut = ([x, y]: SheetPoint): boolean =>
    Math.hypot(x, y) >= tipDiameter / 2 || Math.atan2(y, x) >= Math.PI / teeth;
  let [low, high] = [0, Math.PI / 2];
  for (let n = 0; n < 60; n += 1) {
    const angle = (low + high) / 2;
    if (isOut(flankAt(angle))) high = angle;
    else low = angle;
  }
  return [
    ...Array.from({ length: SEAT_POINTS + 1 }, (_, n) => seatAt(n / SEAT_POINTS)),
    ...Array.from({ length: FLANK_POINTS }, (_, n) => flankAt((low * (n + 1)) / FLANK_POINTS)),
  ];
}

/**
 * The closed outline of a sprocket, mm about its axis; a gap points to the right. Source: ISO 606, the form of the least
 * tooth gap: seat of 0.505 d1 over 140° − 90°/z, flank of 0.12 d1 (z + 2).
 *
 * @example sprocketOutline('iso-08B', 20).length // 820
 */
export function sprocketOutline(chain: ChainName, teeth: number): SheetPoint[] {
  const side = halfGap(chain, teeth);
  const gap = [...[...side].reverse().map(([x, y]): SheetPoint => [x, -y]), ...side.slice(1)];
  return Array.from({ length: teeth }, (_, n) => {
    const [c, s] = [Math.cos((2 * Math.PI * n) / teeth), Math.sin((2 * Math.PI * n) / teeth)];
    return gap.map(([x, y]): SheetPoint => [x * c - y * s, x * s + y * c]);
  }).flat();
}

/** The middles of the rollers, in which drill centres stand: a hole there is the root of each tooth. */
export const rollerMiddles = (chain: ChainName, teeth: number): SheetPoint[] =>
  Array.from({ length: teeth }, (_, n) =>
    onCircle([0, 0], sprocketCircles(chain, teeth).pitchDiameter / 2, (2 * Math.PI * n) / teeth),
  );
