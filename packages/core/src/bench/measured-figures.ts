import { radSToRpm } from '../quantity/index.ts';
import type { BenchFit } from './fit.ts';

/** The five numbers of a data sheet, as a part has them. */
export type SheetKey = 'noLoadRpm' | 'noLoadA' | 'stallTorqueNm' | 'stallA';

/** Figures of a data sheet as they were measured. */
export interface MeasuredFigures {
  readonly figures: Readonly<Record<SheetKey, number>>;
  /** How far off each may be, as a share of it. */
  readonly within: Readonly<Record<SheetKey, number>>;
}

type Constants = readonly [r: number, k: number, idle: number];

const sheetOf = (voltageV: number, [r, k, idle]: Constants): Record<SheetKey, number> => ({
  noLoadRpm: radSToRpm((voltageV - idle * r) / k),
  noLoadA: idle,
  stallTorqueNm: k * (voltageV / r - idle),
  stallA: voltageV / r,
});

/** Steps of a constant by which a figure is tried, as a share of it. */
const STEP = 1e-6;

/**
 * The data sheet of a measured motor at a voltage, and how far off each figure may be: the spreads of the constants carried
 * through, with what resistance and constant have in common.
 *
 * @example measuredFigures(fitReadings(readings), 12).figures.stallA // 24
 */
export function measuredFigures(fit: BenchFit, voltageV: number): MeasuredFigures {
  const at: Constants = [fit.resistanceOhm.value, fit.constant.value, fit.noLoadA.value];
  const figures = sheetOf(voltageV, at);
  const [rr, kk, rk] = fit.spread;
  // Half-widths are as many standard deviations as that of the resistance.
  const wide = rr > 0 ? fit.resistanceOhm.off / Math.sqrt(rr) : 0;
  const slopes = (key: SheetKey): number[] =>
    at.map((constant, n) => {
      const moved = at.map((x, m) => (m === n ? x * (1 + STEP) : x)) as unknown as Constants;
      return constant === 0 ? 0 : (sheetOf(voltageV, moved)[key] - figures[key]) / (STEP * constant);
    });
  const withinOf = (key: SheetKey): number => {
    const [byR = 0, byK = 0, byIdle = 0] = slopes(key);
    const variance = byR * byR * rr + byK * byK * kk + 2 * byR * byK * rk;
    const off = Math.hypot(wide * Math.sqrt(Math.max(0, variance)), byIdle * fit.noLoadA.off);
    return figures[key] > 0 ? off / figures[key] : 0;
  };
  const within = {
    noLoadRpm: withinOf('noLoadRpm'),
    noLoadA: withinOf('noLoadA'),
    stallTorqueNm: withinOf('stallTorqueNm'),
    stallA: withinOf('stallA'),
  };
  return { figures, within };
}
