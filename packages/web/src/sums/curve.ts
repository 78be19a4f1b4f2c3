import type { AnyCalculator } from '@zubric/core/calculators';
import { work, type Entries, type SumField } from './sum-form.ts';
import { readKey, typeKey } from './key-units.ts';

/** The input along which a sum is drawn, and the result that is drawn over it. */
interface Curved {
  readonly across: string;
  readonly up: string;
}

/** Where one input matters most, and for what. Others may be chosen. */
const CURVES: Readonly<Record<string, Curved>> = {
  'road-load': { across: 'gradeDeg', up: 'totalN' },
  'axle-loads': { across: 'gradeDeg', up: 'frontN' },
  'attainable-speed': { across: 'ratio', up: 'speedMps' },
  'grip-limited-grade': { across: 'cgAheadOfRearAxleM', up: 'limitDeg' },
  'obstacle-climb': { across: 'stepM', up: 'pushN' },
  'wheel-sinkage': { across: 'wheelWidthM', up: 'sinkageM' },
  'skid-turn-tracked': { across: 'turnRadiusM', up: 'outerN' },
  'skid-turn-wheeled': { across: 'wheelbaseM', up: 'thrustPerSideN' },
  'side-tip': { across: 'cgHeightM', up: 'tipDeg' },
  'wheel-loads': { across: 'gradeDeg', up: 'drivenN' },
  'tip-angles': { across: 'cgHeightM', up: 'worstDeg' },
  'corner-speed': { across: 'turnRadiusM', up: 'cornerMps' },
  'pivot-turn': { across: 'freeArmM', up: 'thrustPerSideN' },
  'locked-axle': { across: 'trackM', up: 'sideForceN' },
  'track-sinkage': { across: 'widthM', up: 'sinkageM' },
  'soil-thrust': { across: 'loadN', up: 'thrustN' },
  'heap-push': { across: 'heightM', up: 'forceN' },
  'towed-load': { across: 'massKg', up: 'drawbarN' },
  'catch-lean': { across: 'leanDeg', up: 'torqueNm' },
  'balance-plant': { across: 'cgHeightM', up: 'fallTimeS' },
  'reaction-run': { across: 'reactionS', up: 'distanceM' },
  'skid-bend-wheeled': { across: 'turnRadiusM', up: 'momentNm' },
  'slide-across': { across: 'pushN', up: 'holdsN' },
  'tipping-moments': { across: 'backN', up: 'alongOverturningNm' },
  'inner-drive': { across: 'offsetM', up: 'mostForceN' },
  stopping: { across: 'speedMps', up: 'distanceM' },
  'steer-torque': { across: 'wheelLoadN', up: 'servoNm' },
  ackermann: { across: 'turnRadiusM', up: 'innerDeg' },
  'full-command': { across: 'rpm', up: 'torqueNm' },
  'dc-motor-point': { across: 'torqueNm', up: 'speedRpm' },
  'dc-motor-at-voltage': { across: 'newVoltageV', up: 'stallTorqueNm' },
  'series-motor-point': { across: 'torqueNm', up: 'speedRpm' },
  'motor-heat': { across: 'currentA', up: 'steadyC' },
  'simulate-launch': { across: 'gradeDeg', up: 'finalMps' },
  'battery-sag': { across: 'powerW', up: 'terminalV' },
  'run-time': { across: 'currentA', up: 'hours' },
  wire: { across: 'lengthM', up: 'dropV' },
  'worm-pair': { across: 'friction', up: 'efficiency' },
  'chain-drive': { across: 'centreMm', up: 'wrapDeg' },
  'timing-belt': { across: 'centreMm', up: 'wrapDeg' },
  'friction-belt': { across: 'installedTensionN', up: 'slipMargin' },
  'gear-bending': { across: 'faceWidthMm', up: 'factor' },
  'shaft-torsion': { across: 'diameterMm', up: 'shearMPa' },
  spool: { across: 'layer', up: 'pullN' },
};

/** What is drawn of a sum: its own curve, or the first input and result that are numbers; none where there are none. */
export function curvedOf(
  { name }: Pick<AnyCalculator, 'name'>,
  inputs: readonly SumField[],
  outputs: readonly SumField[],
  entries: Entries,
): Curved | undefined {
  const own = CURVES[name];
  if (own && entries[own.across] !== undefined && entries[own.across] !== '') return own;
  const across = inputs.find((f) => f.kind === 'number' && (entries[f.key] ?? '') !== '')?.key;
  const up = own?.up ?? outputs.find((f) => f.kind === 'number' && f.key !== across)?.key;
  return across === undefined || up === undefined ? undefined : { across, up };
}

export interface Range {
  readonly low: number;
  readonly high: number;
}

const STEEPEST_SHOWN = 45;

/** The stretch of an input that is drawn around a value: to twice it, a grade both ways. */
export function rangeAround(value: number, { unit, key }: SumField): Range {
  if (unit === 'deg' && /grade/i.test(key))
    return { low: -STEEPEST_SHOWN, high: Math.max(STEEPEST_SHOWN, Math.min(85, Math.abs(value) * 1.2)) };
  if (value === 0) return { low: 0, high: 1 };
  return value > 0 ? { low: 0, high: 2 * value } : { low: 2 * value, high: 0 };
}

export interface CurvePoint {
  readonly x: number;
  /** Absent where the sum cannot be worked out. */
  readonly y?: number;
}

const SAMPLES = 96;

/** Whether an input counts things: its schema takes whole numbers. */
const counts = (
  calculator: AnyCalculator,
  entries: Entries,
  fields: readonly SumField[],
  key: string,
): boolean =>
  work(calculator, fields, { ...entries, [key]: '1.5' }).problems[key] !== undefined &&
  work(calculator, fields, { ...entries, [key]: '2' }).problems[key] === undefined;

/** The number that is typed for an input; undefined where it cannot be read. */
export function valueOf(field: SumField, entries: Entries): number | undefined {
  const read = readKey(entries[field.key] ?? '', field.unit);
  return read.ok ? read.value : undefined;
}

/** A sum worked over a range of one input, all others as typed. */
export function sampleCurve(
  calculator: AnyCalculator,
  fields: readonly SumField[],
  entries: Entries,
  { across, up, range }: { readonly across: SumField; readonly up: string; readonly range: Range },
): CurvePoint[] {
  const whole = counts(calculator, entries, fields, across.key);
  const [low, high] = whole
    ? [Math.max(1, Math.ceil(range.low)), Math.floor(range.high)]
    : [range.low, range.high];
  const steps = whole ? Math.min(SAMPLES, Math.max(1, high - low)) : SAMPLES;
  return Array.from({ length: steps + 1 }, (_, n) => {
    const exact = low + ((high - low) * n) / steps;
    const x = whole ? Math.round(exact) : exact;
    const y = work(calculator, fields, { ...entries, [across.key]: typeKey(x, across.unit) }).output?.[up];
    return typeof y === 'number' ? { x, y } : { x };
  });
}

/** A step of the range that a drag or an arrow key moves by: a round part of it. */
export function stepOf({ low, high }: Range): number {
  const rough = (high - low) / 100;
  const power = 10 ** Math.floor(Math.log10(rough));
  return ([5, 2].find((n) => n * power <= rough) ?? 1) * power;
}
