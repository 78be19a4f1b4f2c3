import { bracketedRoot } from '../contract/index.ts';
import { runLaunch } from './launch.ts';
import { launchModel, type LaunchInput } from './launch-model.ts';
import { distanceAfter } from './riccati.ts';

/** Speeds nearer than this to where it settles are settled. */
const SETTLED = 0.99;
/** Longest run that is looked at for where it settles, s. */
const LONGEST_S = 600;
/** From nine tenths of a speed it takes about as long again to be as good as there. */
const AS_LONG_AGAIN = 2.2;
const SHORTEST_S = 2;

/** How a launch stands at its end, and whether its wheels hold the ground. */
export interface LaunchOutlook {
  /** Where its speed goes in the end, m/s; 0 where it does not move. */
  readonly settlesMps: number;
  /** Whether it is as good as there at the end of the run. */
  readonly settled: boolean;
  /** The speed up to which the wheels spin; absent where they hold from the start. */
  readonly spinsToMps?: number;
}

/** The same launch for as long as is looked at. */
const long = (i: LaunchInput): LaunchInput => ({ ...i, durationS: Math.max(LONGEST_S, i.durationS) });

/** The force of full command at a speed, grip left out, N. */
const driven = (i: LaunchInput, speedMps: number): number =>
  launchModel({ ...i, gripN: Infinity }).at(speedMps).forceN;

/**
 * Whether a run has settled by its end, where it will, and whether the wheels spin: where full command pushes harder
 * than the ground holds.
 *
 * @example launchOutlook(launchOfBuild(puffin, duty, report.duties[0], 4), 1.4)
 *   // { settlesMps: 1.421, settled: false, spinsToMps: 1.24 }
 */
export function launchOutlook(i: LaunchInput, finalMps: number): LaunchOutlook {
  const settlesMps = runLaunch(long(i)).finalMps;
  const settled = finalMps >= SETTLED * settlesMps;
  if (!(driven(i, 0) > i.gripN)) return { settlesMps, settled };
  // The push falls with speed: halve the way to where grip holds it.
  let [low, high] = [0, settlesMps];
  if (driven(i, high) > i.gripN) return { settlesMps, settled, spinsToMps: high };
  for (let n = 0; n < 50; n++) {
    const middle = (low + high) / 2;
    if (driven(i, middle) > i.gripN) low = middle;
    else high = middle;
  }
  return { settlesMps, settled, spinsToMps: high };
}

/**
 * How long a run takes that shows it settle, s: in whole seconds, from two to ten minutes' worth.
 *
 * @example usualRunS(launchOfBuild(puffin, duty, report.duties[0], 4)) // 4
 */
export function usualRunS(i: LaunchInput): number {
  const { timeTo90S } = runLaunch(long(i));
  if (timeTo90S === null) return SHORTEST_S;
  return Math.min(LONGEST_S, Math.max(SHORTEST_S, Math.ceil(AS_LONG_AGAIN * timeTo90S)));
}

/**
 * How long full command takes over a way from a stand, s; undefined where it does not come so far.
 *
 * @example timeOver(launchOfBuild(puffin, duty, report.duties[0], 4), 10) // 7.838
 */
export function timeOver(i: LaunchInput, distanceM: number): number | undefined {
  const over = long(i);
  const { distanceM: reachedM, finalMps, stretches } = runLaunch(over);
  if (reachedM < distanceM)
    return finalMps > 0 ? over.durationS + (distanceM - reachedM) / finalMps : undefined;
  const after = (tS: number): number => {
    const stretch = stretches.findLast((s) => s.startS <= tS);
    return stretch ? stretch.startM + distanceAfter(stretch.rise, tS - stretch.startS) : 0;
  };
  return bracketedRoot((tS) => after(tS) - distanceM, 0, over.durationS, CLOSE_S);
}
/** Times nearer than this are the same, s. */
const CLOSE_S = 1e-6;
