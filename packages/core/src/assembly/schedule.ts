import { WEEKDAYS, type Weekday } from '../vehicle/index.ts';
import { weekdayOf, type Day } from './calendar.ts';
import type { Step } from './step.ts';

/** A day, s: moments are seconds from the start of today's session, and a day's session is at its beginning. */
export const DAY_S = 86_400;

/** Somebody who builds, as the plan counts on them. */
export interface Hands {
  readonly name: string;
  readonly sessionS: number;
  readonly workDays: readonly Weekday[];
}

/** What held a step back until it began: another step, a part, hands or a printer that were busy with another step; nothing. */
export interface HeldBy {
  readonly by: 'step' | 'part' | 'hands' | 'printer' | 'nothing';
  /** The step or the line. */
  readonly id?: string;
}

/** When a step is worked on, by whom, and when it is ready, its waiting over. */
export interface WorkSpan {
  readonly start: number;
  /** The hands-on work is done. */
  readonly end: number;
  readonly ready: number;
  readonly who: readonly string[];
  readonly heldBy: HeldBy;
}

/** What a plan is made of. */
export interface Planned {
  readonly today: Day;
  readonly steps: readonly Step[];
  readonly people: readonly [Hands, ...Hands[]];
  readonly printers: number;
  /** The moment from which a step's parts are there and the line that is last; no moment where one has no date. */
  readonly partsOf: (step: Step) => { readonly moment: number | undefined; readonly line?: string };
  /** When a step that is done was ready, as it was marked. */
  readonly doneAt: (step: Step) => number | undefined;
}

/** Whoever is called in where a step takes two and one builds alone. */
export const A_HELPER = 'a helper';

interface Session {
  readonly sessionS: number;
  readonly worksOn: (day: number) => boolean;
}

function sessionOf({ sessionS, workDays }: Hands, today: Day): Session {
  const first = WEEKDAYS.indexOf(weekdayOf(today));
  const works = WEEKDAYS.map((day) => workDays.includes(day));
  return { sessionS, worksOn: (day) => works[(((first + day) % 7) + 7) % 7] ?? false };
}

/** Two at a time: only when both are there. */
const together = (one: Session, other: Session): Session => ({
  sessionS: Math.min(one.sessionS, other.sessionS),
  worksOn: (day) => one.worksOn(day) && other.worksOn(day),
});

/** The first moment from `moment` on that lies within a session; undefined where there never is one. */
function nextInSession(moment: number, { sessionS, worksOn }: Session): number | undefined {
  const first = Math.floor(moment / DAY_S);
  for (let day = first; day <= first + 8; day++) {
    const within = day === first ? moment - day * DAY_S : 0;
    if (within < sessionS && worksOn(day)) return day * DAY_S + within;
  }
  return undefined;
}

/** When work of that length is done that begins at a moment within a session. */
function workedThrough(start: number, workS: number, session: Session): number {
  let moment = start;
  let left = workS;
  for (;;) {
    const day = Math.floor(moment / DAY_S);
    const room = day * DAY_S + session.sessionS - moment;
    if (left <= room) return moment + left;
    left -= room;
    moment = nextInSession((day + 1) * DAY_S, session) ?? (day + 1) * DAY_S;
  }
}

/**
 * What each day of a span holds of its hands-on work, s, from its first day on: a step goes on from session to session of those
 * who do it.
 */
export function workOn(
  { start, end }: WorkSpan,
  who: readonly Hands[],
  today: Day,
): ReadonlyMap<number, number> {
  const session = who.map((one) => sessionOf(one, today)).reduce(together);
  const days = new Map<number, number>();
  for (let day = Math.floor(start / DAY_S); day * DAY_S < end; day++) {
    const from = Math.max(start, day * DAY_S);
    const to = Math.min(end, day * DAY_S + session.sessionS);
    if (session.worksOn(day) && to > from) days.set(day, to - from);
  }
  return days;
}

/** The time from the beginning of each step to the end of all that follows it: what to begin first. */
function tails(steps: readonly Step[]): ReadonlyMap<string, number> {
  const tail = new Map<string, number>();
  for (const step of [...steps].reverse()) {
    const following = steps.filter((s) => s.after.includes(step.id)).map((s) => tail.get(s.id) ?? 0);
    tail.set(step.id, step.handsOnS + step.waitingS + Math.max(0, ...following));
  }
  return tail;
}

interface Busy {
  until: number;
  /** The step that they were last busy with. */
  with?: string;
}

interface Candidate {
  readonly step: Step;
  readonly start: number;
  readonly session: Session;
  readonly people: readonly number[];
  readonly printer: number | undefined;
  readonly heldBy: HeldBy;
}

/** The later of two things that hold a step back. */
type Held = readonly [moment: number, by: HeldBy];
const later = (one: Held, other: Held): Held => (other[0] > one[0] ? other : one);

/**
 * When each step is done: at each moment the step that most follows on, among those that can begin first, by whoever is free
 * first. Waiting runs day and night by itself; a print takes a printer meanwhile. A step whose parts have no date, and what
 * comes after it, has no span.
 */
export function schedule(plan: Planned): ReadonlyMap<string, WorkSpan> {
  const { today, steps, people, printers, partsOf, doneAt } = plan;
  const spans = new Map<string, WorkSpan>();
  for (const step of steps) {
    const done = doneAt(step);
    if (done === undefined) continue;
    const heldBy: HeldBy = { by: 'nothing' };
    spans.set(step.id, { start: done, end: done, ready: done + step.waitingS, who: [], heldBy });
  }
  const tail = tails(steps);
  const sessions = people.map((one) => sessionOf(one, today));
  const hands = people.map((): Busy => ({ until: 0 }));
  const printing = Array.from({ length: printers }, (): Busy => ({ until: 0 }));

  const teams = (step: Step): readonly (readonly number[])[] => {
    const each = people.map((_, n) => n);
    if (step.hands === 1 || people.length === 1) return each.map((n) => [n]);
    return each.flatMap((n) => each.slice(n + 1).map((other) => [n, other]));
  };

  function bestStart(step: Step): Candidate | undefined {
    const before = step.after.map((id): readonly [string, WorkSpan | undefined] => [id, spans.get(id)]);
    const { moment, line } = partsOf(step);
    if (moment === undefined || before.some(([, span]) => span === undefined)) return undefined;
    const nothing: Held = [0, { by: 'nothing' }];
    const parts: Held = [moment, { by: 'part', ...(line === undefined ? {} : { id: line }) }];
    const held = before.reduce(
      (most, [id, span]) => later(most, [span?.ready ?? 0, { by: 'step', id }]),
      later(nothing, parts),
    );
    const printer =
      step.runsOn === undefined
        ? undefined
        : printing.reduce((least, one, n) => (one.until < (printing[least]?.until ?? 0) ? n : least), 0);
    const machine = printer === undefined ? undefined : printing[printer];
    const onMachine = machine
      ? later(held, [
          machine.until,
          { by: 'printer', ...(machine.with === undefined ? {} : { id: machine.with }) },
        ])
      : held;
    return teams(step).reduce<Candidate | undefined>((best, team) => {
      const session = team.map((n) => sessions[n] as Session).reduce(together);
      const busy = team.reduce<Held>((most, n) => {
        const { until, with: id } = hands[n] as Busy;
        return later(most, [until, { by: 'hands', ...(id === undefined ? {} : { id }) }]);
      }, onMachine);
      const start = nextInSession(busy[0], session);
      if (start === undefined || (best && best.start <= start)) return best;
      return { step, start, session, people: team, printer, heldBy: busy[1] };
    }, undefined);
  }

  for (;;) {
    const open = steps.flatMap((step) => (spans.has(step.id) ? [] : (bestStart(step) ?? [])));
    const next = open.reduce<Candidate | undefined>(
      (best, one) =>
        !best ||
        one.start < best.start ||
        (one.start === best.start && (tail.get(one.step.id) ?? 0) > (tail.get(best.step.id) ?? 0))
          ? one
          : best,
      undefined,
    );
    if (!next) return spans;
    const { step, start } = next;
    const end = workedThrough(start, step.handsOnS, next.session);
    const ready = end + step.waitingS;
    for (const n of next.people) hands[n] = { until: end, with: step.id };
    if (next.printer !== undefined) printing[next.printer] = { until: ready, with: step.id };
    const alone = step.hands === 2 && next.people.length === 1;
    const who = [...next.people.map((n) => people[n]?.name ?? ''), ...(alone ? [A_HELPER] : [])];
    spans.set(step.id, { start, end, ready, who, heldBy: next.heldBy });
  }
}
