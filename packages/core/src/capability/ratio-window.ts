import { figure, sentence } from '../quantity/index.ts';
import { z } from 'zod';
import {
  bracketedRoot,
  defineCalculator,
  highestPoint,
  key,
  notice,
  type Notice,
} from '../contract/index.ts';
import { greatestPull, greatestWheelTorque, type RoadLine } from '../drive/index.ts';
import { circuitFrom, circuitKeys } from '../supply/index.ts';
import type { MarginPolicy } from '../vehicle/index.ts';
import type { RatioSpan, RatioWindow } from './report.ts';

/** Ratios looked at: from a tenfold step up to any reduction that a hobby vehicle has. */
const LEAST_LOG = Math.log(0.1);
const GREATEST_LOG = Math.log(100_000);

interface RatioDemand {
  /** Of all drives together, where there are several, N. */
  readonly forceN?: number;
  readonly wheelTorqueNm: number;
  readonly speedMps: number;
}

/** What a window depends on of a driveline. */
type WindowLine = Parameters<typeof greatestWheelTorque>[0];

/** Torque margin at a ratio: what each wheel gets at the duty's speed over what it needs; of several drives, what all give. */
function torqueMargin(line: WindowLine, asked: RatioDemand, speedMps: number, logRatio: number): number {
  const ratio = Math.exp(logRatio);
  return asked.forceN === undefined
    ? greatestWheelTorque(line, speedMps, ratio) / asked.wheelTorqueNm
    : greatestPull({ ...line, ratio, beside: (line.beside ?? []).map(geared(line, ratio)) }, speedMps) /
        asked.forceN;
}

/** Drives that are alike in motor, wheel and ratio are geared alike. */
const geared =
  (line: WindowLine, ratio: number) =>
  (other: RoadLine): RoadLine => {
    const alike =
      other.ratio === line.ratio &&
      other.wheelRadiusM === line.wheelRadiusM &&
      other.circuit.motor.fastestRadS(1) === line.circuit.motor.fastestRadS(1);
    return alike ? { ...other, ratio } : other;
  };

/** Ends are found to this share; the top, where the margin is flat, more roughly: what it gives is then near to 1e-12. */
const END_TOLERANCE = 1e-12;
const TOP_TOLERANCE = 1e-6;

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
export function ratioWindow(
  line: WindowLine,
  asked: RatioDemand,
  policy: Pick<MarginPolicy, 'torque' | 'speed'>,
): RatioWindow {
  const just = (logRatio: number): number => torqueMargin(line, asked, asked.speedMps, logRatio) - 1;
  const atRule = (logRatio: number): number =>
    Math.min(
      torqueMargin(line, asked, asked.speedMps, logRatio) / policy.torque,
      torqueMargin(line, asked, asked.speedMps * policy.speed, logRatio),
    ) - 1;
  const topOf = (f: (logRatio: number) => number): number =>
    highestPoint(f, LEAST_LOG, GREATEST_LOG, TOP_TOLERANCE);
  const top = topOf(just);
  // Where the most torque meets the rule, its hill is found.
  const ruled = atRule(top) >= 0 ? top : topOf(atRule);
  return {
    just: spanAbove(just, top),
    rule: spanAbove(atRule, ruled),
    best: { ratio: Math.exp(top), margin: Math.max(0, just(top) + 1) },
  };
}

/**
 * The ratios common to all windows at 1 ×; null where there are none.
 *
 * @example commonSpan([{ just: { low: 10, high: 60 }, rule: { low: 20, high: 50 } }, { just: { low: 15, high: 90 }, rule: { low: 25, high: 80 } }])
 *   // { low: 15, high: 60 }
 */
export function commonSpan(windows: readonly RatioWindow[]): RatioSpan | null {
  const spans = windows.map((w) => w.just);
  if (spans.length === 0 || spans.some((s) => s === null)) return null;
  const low = Math.max(...spans.map((s) => s?.low ?? Infinity));
  const high = Math.min(...spans.map((s) => s?.high ?? -Infinity));
  return low <= high ? { low, high } : null;
}

const windowInput = z.strictObject({
  ...circuitKeys,
  wheelTorqueNm: key.positive('Torque that each driven wheel needs', 'N·m'),
  speedMps: key.nonNegative('Road speed at which it is needed', 'm/s'),
  wheelDiameterM: key.positive('Diameter of the driven wheels under load', 'm'),
  efficiency: key.share('Share of the power that comes through'),
  motorsPerWheel: key.count('Motors that share a wheel').default(1),
  torqueRule: key.positive('How many times the torque the rule asks').default(2),
  speedRule: key.positive('How many times the speed the rule asks').default(1.1),
});

const windowOutput = z.strictObject({
  lowest: key.positive('Lowest ratio that just does it').optional(),
  highest: key.positive('Highest ratio that just does it').optional(),
  lowestAtRule: key.positive('Lowest ratio that meets the rule').optional(),
  highestAtRule: key.positive('Highest ratio that meets the rule').optional(),
  bestRatio: key.positive('Ratio with the most torque to spare at that speed'),
  bestMargin: key.nonNegative('Torque there over the torque needed'),
  warnings: key.warnings,
});

/** The window of one duty by itself. */
export const ratioWindowSum = defineCalculator({
  name: 'ratio-window',
  topic: 'ratio',
  asks: 'Which ratios suit this motor and job?',
  title: 'Which ratios suit a motor and a job',
  purpose: 'Between which ratios torque and speed of a job both hold, just so and at the rule.',
  input: windowInput,
  output: windowOutput,
  formula:
    'k i η kt (I(i) − I0) ≥ T at full command and speed v;  at the rule: ≥ q T, and at s v still ≥ T; the ends solved for i',
  symbols: {
    given: {
      k: 'motorsPerWheel',
      η: 'efficiency',
      kt: 'ktNmPerA',
      I0: 'noLoadA',
      T: 'wheelTorqueNm',
      v: 'speedMps',
      q: 'torqueRule',
      s: 'speedRule',
    },
    found: {},
  },
  source: 'permanent-magnet direct-current motor theory; the rule is common practice',
  limits:
    'Efficiency held as given, whatever the ratio. Heat, and what teeth and chain stand, are other sums.',
  examples: [
    {
      origin:
        'without losses i(1 − i/100) · 1 N·m = 16 N·m has the roots 20 and 80, most at 50 with 25/16 (exact)',
      input: {
        motors: 1,
        resistanceOhm: 0.1,
        keVsPerRad: 0.01,
        ktNmPerA: 0.01,
        noLoadA: 0,
        openCircuitV: 10,
        wheelTorqueNm: 16,
        speedMps: 1,
        wheelDiameterM: 0.2,
        efficiency: 1,
        torqueRule: 1.5,
        speedRule: 1,
      },
      output: {
        lowest: 20,
        highest: 80,
        lowestAtRule: 40,
        highestAtRule: 60,
        bestRatio: 50,
        bestMargin: 25 / 16,
      },
      tolerance: 1e-4,
    },
  ],
  run: (i) => {
    const { just, rule, best } = ratioWindow(
      {
        circuit: circuitFrom(i),
        wheelRadiusM: i.wheelDiameterM / 2,
        motorsPerWheel: i.motorsPerWheel,
        efficiency: i.efficiency,
        ratio: 1,
      },
      i,
      { torque: i.torqueRule, speed: i.speedRule },
    );
    const warnings: Notice[] = [];
    if (!just)
      warnings.push(
        notice(
          'no-ratio',
          sentence`No ratio does it: the best, ${figure(best.ratio, 'ratio')}, gives ${best.margin} × the torque. Ask for less speed or torque, or take a stronger motor.`,
        ),
      );
    else if (!rule) warnings.push(notice('none-at-rule', 'Some ratios do it, but none meets the rule.'));
    return {
      ...(just ? { lowest: just.low, highest: just.high } : {}),
      ...(rule ? { lowestAtRule: rule.low, highestAtRule: rule.high } : {}),
      bestRatio: best.ratio,
      bestMargin: best.margin,
      warnings,
    };
  },
});
