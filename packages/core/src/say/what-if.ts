import { isUnderRule, linkDefinition, type Verdict } from '../judge/index.ts';
import { show, showNumber, type UnitSystem } from '../quantity/index.ts';
import {
  stepsFromNow,
  type MarginKey,
  type StepFromNow,
  type VerdictTurn,
  type WhatIf,
} from '../sensitivity/index.ts';
import { stageName } from '../transmission/index.ts';
import { meaningOf, placeInWords, type Build, type NumberAt } from '../vehicle/index.ts';

/**
 * A value of a number of the build, in the builder's units.
 *
 * @example numberInWords(payload, 90) // '90 kg'
 */
export function numberInWords(
  { path, quantity }: Pick<NumberAt, 'path' | 'quantity'>,
  value: number,
  system: UnitSystem = 'metric',
): string {
  const { dimension, unit } = meaningOf(path);
  if (!dimension) return `${showNumber(value)}${unit ? `\u00a0${unit}` : ''}`;
  return show(value, dimension, system, quantity ? { typedUnit: quantity.unit } : {}).text;
}

/**
 * A margin as it is called: what it is of, which part, on which job.
 *
 * @example marginInWords({ link: 'torque', dutyId: 'slip-loaded' }, puffin) // 'Wheel torque on “Slip, loaded”'
 */
export function marginInWords(
  { link, dutyId, driveId, stageId, elementId, railId }: MarginKey,
  build: Build,
): string {
  const drive = build.drives.find(({ id }) => id === driveId);
  const drives = driveId === undefined ? build.drives : build.drives.filter(({ id }) => id === driveId);
  const stage = drives.flatMap(({ stages }) => stages).find(({ id }) => id === stageId);
  const element = drives.flatMap(({ path }) => path).find(({ id }) => id === elementId);
  const rail = build.supply.rails?.find(({ id }) => id === railId);
  const duty = build.duties.find(({ id }) => id === dutyId);
  const of = [
    ...(drive && build.drives.length > 1 ? [drive.name] : []),
    ...(stage ? [stageName(stage.kind)] : []),
    ...(element ? [element.name] : []),
    ...(rail ? [rail.name] : []),
  ].join(', ');
  return `${linkDefinition(link).title}${of === '' ? '' : ` (${of})`}${duty ? ` on “${duty.name}”` : ''}`;
}

/** What a verdict says of a margin, after its name. */
export const VERDICT_WORDS: Readonly<Record<Verdict, string>> = {
  fails: 'has less than it needs',
  short: 'is short of its rule',
  tight: 'just keeps its rule',
  ample: 'has more than enough',
};

/**
 * How far a number may go either way before a margin that is kept now is no longer, and which gives first.
 *
 * @example leewayInWords(payloadCurve, puffin)
 *   // 'Payload, mass is 120 kg now. Down to 60 kg nothing more falls short. Above 121 kg wheel torque on “Start on the slip” falls short.'
 */
export function leewayInWords(found: WhatIf, build: Build, system: UnitSystem = 'metric'): string {
  const { number, values } = found;
  const say = (value: number): string => numberInWords(number, value, system);
  const { less, more } = stepsFromNow(found);
  const falls = (steps: readonly StepFromNow[]): VerdictTurn | undefined =>
    steps.find(({ decides, becomes }) => decides && isUnderRule(becomes))?.turn;
  const side = (
    turn: VerdictTurn | undefined,
    end: number | undefined,
    way: readonly [string, string],
  ): string[] => {
    if (turn)
      return [`${way[0]} ${say(turn.value)} ${lowerFirst(marginInWords(turn.margin, build))} falls short.`];
    return end === undefined || end === number.value
      ? []
      : [`${way[1]} ${say(end)} nothing more falls short.`];
  };
  return [
    `${placeInWords(number.path, build)} is ${say(number.value)} now.`,
    ...side(falls(less), values[0], ['Below', 'Down to']),
    ...side(falls(more), values.at(-1), ['Above', 'Up to']),
  ].join(' ');
}

const lowerFirst = (text: string): string => text.charAt(0).toLowerCase() + text.slice(1);
