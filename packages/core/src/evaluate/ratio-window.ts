import type { MarginPolicy } from '../build/index.ts';
import { bracketedRoot, highestPoint } from '../contract/index.ts';
import { greatestWheelTorque, type Driveline } from './driveline.ts';
import type { RatioSpan, RatioWindow } from './report.ts';

/** Ratios looked at: from a tenfold step up to any reduction that a hobby vehicle has. */
const LEAST_LOG = Math.log(0.1);
const GREATEST_LOG = Math.log(100_000);

interface Asked {
  readonly wheelTorqueNm: number;
  readonly speedMps: number;
}

/** Torque margin at a ratio: what each wheel gets at the duty's speed over what it needs. */
const torqueMargin = (line: Driveline, asked: Asked, speedMps: number, logRatio: number): number =>
  greatestWheelTorque(line, speedMps, Math.exp(logRatio)) / asked.wheelTorqueNm;

/** Ends are found to this share; the top, where the margin is flat, more roughly. */
const END_TOLERANCE = 1e-8;
const TOP_TOLERANCE = 1e-4;

/** Both ends of the hill of `f` above 0 around its top; null where its top is not. Ends of the search count as ends. */
function spanAbove(f: (logRatio: number) => number, top: number): RatioSpan | null {
  if (f(top) < 0) return null;
  const end = (outer: number): number =>
    f(outer) >= 0 ? outer : bracketedRoot(f, Math.min(outer, top), Math.max(outer, top), END_TOLERANCE);
  return { low: Math.exp(end(LEAST_LOG)), high: Math.exp(end(GREATEST_LOG)) };
}

/**
 * Between which ratios a duty holds, all else as fitted (efficiency of the train too): at 1 × of torque and speed,
 * and at the rule. The margin rises with the ratio while a limit holds the current and falls as the motor runs out
 * of volts, so each window is one span.
 */
export function ratioWindow(line: Driveline, asked: Asked, policy: MarginPolicy): RatioWindow {
  const just = (logRatio: number): number => torqueMargin(line, asked, asked.speedMps, logRatio) - 1;
  const atRule = (logRatio: number): number =>
    Math.min(
      torqueMargin(line, asked, asked.speedMps, logRatio) / policy.torque,
      torqueMargin(line, asked, asked.speedMps * policy.speed, logRatio),
    ) - 1;
  const topOf = (f: (logRatio: number) => number): number =>
    highestPoint(f, LEAST_LOG, GREATEST_LOG, TOP_TOLERANCE);
  const top = topOf(just);
  return {
    just: spanAbove(just, top),
    rule: spanAbove(atRule, topOf(atRule)),
    best: { ratio: Math.exp(top), margin: Math.max(0, just(top) + 1) },
  };
}

/** The ratios common to all windows at 1 ×; null where there are none. */
export function commonSpan(windows: readonly RatioWindow[]): RatioSpan | null {
  const spans = windows.map((w) => w.just);
  if (spans.length === 0 || spans.some((s) => s === null)) return null;
  const low = Math.max(...spans.map((s) => s?.low ?? Infinity));
  const high = Math.min(...spans.map((s) => s?.high ?? -Infinity));
  return low <= high ? { low, high } : null;
}

/** How far inside its window the fitted ratio stands: over 1 inside, and the edge it is nearest to. */
export function ratioStanding(window: RatioWindow, fitted: number): { ratio: number; edge: number } {
  if (!window.just) return { ratio: window.best.margin, edge: window.best.ratio };
  const fromLow = fitted / window.just.low;
  const fromHigh = window.just.high / fitted;
  return fromLow < fromHigh
    ? { ratio: fromLow, edge: window.just.low }
    : { ratio: fromHigh, edge: window.just.high };
}
