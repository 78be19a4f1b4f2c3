import ical, { ICalEventTransparency } from 'ical-generator';
import { dayAfter, type Day } from './calendar.ts';
import { assemblyOutlook, YOU } from './plan.ts';
import type { Build } from '../vehicle/index.ts';

/** Noon: whatever the clock of whoever reads it, the day is the same. */
const noonOf = (day: Day): Date => {
  const [year = 0, month = 1, date = 1] = day.split('-').map(Number);
  return new Date(year, month - 1, date, 12);
};

/** Characters that an identifier may have. */
const plain = (text: string): string => text.toLowerCase().replace(/[^a-z0-9.-]+/g, '-');

/**
 * The dates of a build as a calendar that other programs read (RFC 5545): each step that is still to do on its days, with who
 * does it and what it takes; deliveries; and the day on which it must be ready. Read in again, a step replaces itself.
 *
 * @example assemblyCalendar(puffin, '2027-03-01').split('\r\n')[0] // 'BEGIN:VCALENDAR'
 */
export function assemblyCalendar(build: Build, today: Day): string {
  const { steps, lines } = assemblyOutlook(build, today);
  const calendar = ical({
    name: `${build.name}, assembly`,
    prodId: { company: 'Zubric', product: 'assembly' },
  });
  const add = (id: string, summary: string, from: Day, to: Day, description?: string): void => {
    calendar.createEvent({
      id: `${plain(build.name)}.${id}@zubric`,
      ...{ start: noonOf(from), end: noonOf(dayAfter(to, 1)), allDay: true, summary, stamp: noonOf(today) },
      transparency: ICalEventTransparency.TRANSPARENT,
      ...(description ? { description } : {}),
    });
  };
  for (const { id, title, doneOn, startsOn, endsOn, who, detail, tools } of steps) {
    if (doneOn !== undefined || startsOn === undefined) continue;
    const by = who.filter((name) => name !== YOU);
    const said = [detail ?? '', tools.length > 0 ? `Lay out: ${tools.join(', ')}.` : ''];
    add(
      `step.${id}`,
      by.length > 0 ? `${title} (${by.join(', ')})` : title,
      startsOn,
      endsOn ?? startsOn,
      said.filter((text) => text !== '').join('\n'),
    );
  }
  for (const { id, name, state, arrivesOn } of lines)
    if (state === 'ordered' && arrivesOn !== undefined)
      add(`line.${id}`, `Arrives: ${name}`, arrivesOn, arrivesOn);
  if (build.readyBy !== null) add('ready-by', `${build.name} must be ready`, build.readyBy, build.readyBy);
  return calendar.toString();
}
