import type { Day } from '@zubric/core/assembly';

const two = (n: number): string => String(n).padStart(2, '0');

/** Today where the builder is. */
export function today(now: Date = new Date()): Day {
  return `${now.getFullYear()}-${two(now.getMonth() + 1)}-${two(now.getDate())}`;
}

/** A day as it is said: "Sat 24 Apr", with its year where that is another. */
export function sayDay(day: Day, from: Day = today()): string {
  // Noon: no change of clocks moves it to another day.
  const date = new Date(`${day}T12:00:00`);
  const year = day.slice(0, 4) === from.slice(0, 4) ? undefined : 'numeric';
  return date.toLocaleDateString('en-GB', { weekday: 'short', day: 'numeric', month: 'short', year });
}

/** A moment as it is said: "23 Nov, 21:48", with its year where that is another. */
export function sayMoment(iso: string, now: Date = new Date()): string {
  const date = new Date(iso);
  const year = date.getFullYear() === now.getFullYear() ? undefined : 'numeric';
  return date.toLocaleString('en-GB', {
    day: 'numeric',
    month: 'short',
    year,
    hour: '2-digit',
    minute: '2-digit',
  });
}
