import type { RatioWindow } from '../capability/index.ts';
import { verdictOf } from './margin.ts';
import type { Verdict } from './report.ts';

/** How far inside its window the fitted ratio stands: over 1 inside, and the edge it is nearest to. */
export function ratioStanding(window: RatioWindow, fitted: number): { ratio: number; edge: number } {
  if (!window.just) return { ratio: window.best.margin, edge: window.best.ratio };
  const fromLow = fitted / window.just.low;
  const fromHigh = window.just.high / fitted;
  return fromLow < fromHigh
    ? { ratio: fromLow, edge: window.just.low }
    : { ratio: fromHigh, edge: window.just.high };
}

/** Outside the window at 1 × it fails, outside that of the rule it is short, near an end of that one tight. */
export function windowVerdict(window: RatioWindow, fitted: number): Verdict {
  if (ratioStanding(window, fitted).ratio < 1) return 'fails';
  if (!window.rule) return 'short';
  const { ratio } = ratioStanding({ ...window, just: window.rule }, fitted);
  return ratio < 1 ? 'short' : verdictOf(ratio, 1);
}
