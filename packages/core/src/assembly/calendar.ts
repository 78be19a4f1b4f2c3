import { addDays, differenceInCalendarDays, format, getDay, parseISO } from 'date-fns';
import type { Weekday } from '../vehicle/index.ts';

/** A day as it is written: 2027-04-24. */
export type Day = string;

const BY_NUMBER: readonly Weekday[] = ['sun', 'mon', 'tue', 'wed', 'thu', 'fri', 'sat'];

/**
 * The day so many days on (or back).
 *
 * @example dayAfter('2027-02-28', 1) // '2027-03-01'
 */
export const dayAfter = (day: Day, days: number): Day => format(addDays(parseISO(day), days), 'yyyy-MM-dd');
/**
 * Days from one to another; negative where it lies before.
 *
 * @example daysBetween('2027-02-28', '2027-03-14') // 14
 */
export const daysBetween = (from: Day, to: Day): number =>
  differenceInCalendarDays(parseISO(to), parseISO(from));
/**
 * The day of the week that a day falls on.
 *
 * @example weekdayOf('2027-03-14') // 'sun'
 */
export const weekdayOf = (day: Day): Weekday => BY_NUMBER[getDay(parseISO(day))] ?? 'mon';

/** Working days between two days, both counted; none where the second lies before the first. */
export function workingDays(from: Day, to: Day, workDays: readonly Weekday[]): number {
  const days = Math.max(0, daysBetween(from, to) + 1);
  const weeks = Math.floor(days / 7);
  const rest = Array.from({ length: days % 7 }, (_, n) => weekdayOf(dayAfter(from, n)));
  return weeks * workDays.length + rest.filter((weekday) => workDays.includes(weekday)).length;
}
