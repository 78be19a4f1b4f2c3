import { radiansToDegrees } from '../quantity/index.ts';
import type { BalanceEnd } from './run-balance.ts';

/** A run as it is told, in degrees. */
export interface BalanceTold {
  readonly falls: boolean;
  readonly fallS: number | null;
  readonly peakLeanDeg: number;
  readonly settleS: number | null;
  readonly endLeanDeg: number;
  readonly endM: number;
  readonly peakMps: number;
  readonly peakA: number;
}

/** What became of a balancer, as files and tools have it: leans in degrees, and nothing as null. */
export const balanceTold = ({
  fallS,
  settleS,
  peakLeanRad,
  peakMps,
  peakA,
  end,
}: BalanceEnd): BalanceTold => ({
  falls: fallS !== undefined,
  fallS: fallS ?? null,
  peakLeanDeg: radiansToDegrees(peakLeanRad),
  settleS: settleS ?? null,
  endLeanDeg: radiansToDegrees(end.lean),
  endM: end.x,
  peakMps,
  peakA,
});
