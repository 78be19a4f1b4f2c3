import { STANDARD_GRAVITY } from './constants.ts';
import type { Dimension } from './units.ts';

/** Parts of one as they are said. */
const PARTS: Readonly<Record<string, number>> = {
  half: 1 / 2,
  third: 1 / 3,
  quarter: 1 / 4,
  'two thirds': 2 / 3,
  'three quarters': 3 / 4,
};
const SPOKEN = new RegExp(
  String.raw`^(?:an? )?(${Object.keys(PARTS).join('|')})(?: of)?(?: (?:an? )?(.+))?$`,
  'i',
);

/** "half an hour" as "0.5 hour", "a third" as "0.33…"; anything else as it is. */
export function inFigures(text: string): string {
  const [, part = '', rest = ''] = SPOKEN.exec(text) ?? [];
  const n = PARTS[part.toLowerCase()];
  return n === undefined ? text : `${n} ${rest}`.trim();
}

const SIXTY = 60;

/**
 * A time as clocks and stopwatches write it: "1h30", "1:02:03", "2:30" — hours and minutes where hours are asked, minutes and
 * seconds elsewhere. As text with its units; undefined where it is none.
 */
export function inClockUnits(text: string, assumedUnit: string): string | undefined {
  const [, hours, minutes] = /^(\d+)\s*h\s*(\d{1,2})$/i.exec(text) ?? [];
  if (hours !== undefined && minutes !== undefined)
    return Number(minutes) < SIXTY ? `${hours} h ${minutes} min` : undefined;
  const parts = /^(\d+):(\d{2})(?::(\d{2}))?$/
    .exec(text)
    ?.slice(1)
    .filter((part) => part !== undefined);
  if (!parts || parts.slice(1).some((part) => Number(part) >= SIXTY)) return undefined;
  const [first = '', second = '', third] = parts;
  if (third !== undefined) return `${first} h ${second} min ${third} s`;
  return ['h', 'd'].includes(assumedUnit) ? `${first} h ${second} min` : `${first} min ${second} s`;
}

/** A way and the time for it: "20 ft in 9 s"; undefined where it is none. */
export function wayAndTime(text: string): { readonly way: string; readonly time: string } | undefined {
  const [, way, time] = /^(.*[a-z'"].*?)\s+in\s+(\d.*[a-z].*)$/i.exec(text) ?? [];
  return way !== undefined && time !== undefined ? { way, time } : undefined;
}

/** The unit in which a speed is kept whose way was said in one of length. */
const SPEED_OF: Readonly<Record<string, string>> = {
  mm: 'mm/s',
  cm: 'cm/s',
  m: 'm/s',
  km: 'km/h',
  in: 'in/s',
  ft: 'ft/s',
  mi: 'mph',
};
/** The speed that a way in a time comes to, by the unit of the way: "20 ft in 9 s" is in ft/s. */
export const speedUnitOf = (lengthUnit: string): string => SPEED_OF[lengthUnit] ?? 'm/s';

/** What a mass stands for where another dimension is asked: its weight, or a weight at a lever of a centimetre. */
export const MASS_AS: Readonly<
  Partial<Record<Dimension, { readonly unit: string; readonly siPerKg: number; readonly said: string }>>
> = {
  force: { unit: 'N', siPerKg: STANDARD_GRAVITY, said: 'as the weight of that mass' },
  torque: {
    unit: 'kg·cm',
    siPerKg: STANDARD_GRAVITY / 100,
    said: 'as kg·cm: that weight at a lever of a centimetre',
  },
};
