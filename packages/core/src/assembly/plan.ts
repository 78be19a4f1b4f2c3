import type { Build } from '../vehicle/index.ts';
import { dayAfter, daysBetween, weekdayOf, workingDays, type Day } from './calendar.ts';
import { partsList, type PartLine } from './parts-list.ts';
import { assemblySteps } from './steps.ts';
import type { Step } from './step.ts';

const DAY_S = 86_400;

/** A step with how it stands and when it can be done. */
export interface PlannedStep extends Step {
  /**
   * `done`; `now`: can be done today; `waits`: for a cure or charge under way or for earlier steps; `parts`: for parts
   * that are not on hand.
   */
  readonly state: 'done' | 'now' | 'waits' | 'parts';
  /** Lines it needs that are not on hand. */
  readonly lacking: readonly PartLine[];
  /** The day it begins and the day it is ready, waiting included; absent where a part has no date. */
  readonly startsOn?: Day;
  readonly readyOn?: Day;
  /** It is ready only after the build should be. */
  readonly late: boolean;
}

/** What can be done today, what is late, and when the vehicle will be ready. */
export interface AssemblyOutlook {
  readonly lines: readonly PartLine[];
  readonly steps: readonly PlannedStep[];
  /** Ordered parts whose day has passed. */
  readonly overdue: readonly PartLine[];
  /** Lines without a date that some step waits for. */
  readonly undated: readonly PartLine[];
  /** The day the last step is ready; absent where parts have no date. */
  readonly readyOn?: Day;
  /** Working days left for trials and tuning between that day and the day it must be ready. */
  readonly tuningDays?: number;
  /** Hands-on time left, s. */
  readonly leftS: number;
}

/** Moments are seconds from the start of today's session; a day holds one session, at its beginning. */
interface Clock {
  readonly today: Day;
  readonly sessionS: number;
  readonly worksOn: (day: Day) => boolean;
}

/** The first moment from `moment` on that lies within a session. */
function nextInSession(moment: number, { today, sessionS, worksOn }: Clock): number {
  let day = Math.floor(moment / DAY_S);
  let within = moment - day * DAY_S;
  while (within >= sessionS || !worksOn(dayAfter(today, day))) {
    day++;
    within = 0;
  }
  return day * DAY_S + within;
}

/** When work of that length is done that begins at a moment within a session. */
function workedThrough(start: number, workS: number, clock: Clock): number {
  let moment = start;
  let left = workS;
  for (;;) {
    const day = Math.floor(moment / DAY_S);
    const room = day * DAY_S + clock.sessionS - moment;
    if (left <= room) return moment + left;
    left -= room;
    moment = nextInSession((day + 1) * DAY_S, clock);
  }
}

/** The moment from which a step's parts are there; undefined where one has no date. */
function partsMoment(step: Step, lines: ReadonlyMap<string, PartLine>, today: Day): number | undefined {
  let latest = 0;
  for (const id of step.needs) {
    const line = lines.get(id);
    if (!line || line.state === 'on-hand') continue;
    if (line.state === 'wished-for' || line.arrivesOn === undefined) return undefined;
    // What should have come and has not is hoped for tomorrow.
    latest = Math.max(latest, Math.max(1, daysBetween(today, line.arrivesOn)) * DAY_S);
  }
  return latest;
}

/** The time from the beginning of each step to the end of all that follows it: what to begin first. */
function tails(steps: readonly Step[]): Map<string, number> {
  const tail = new Map<string, number>();
  for (const step of [...steps].reverse()) {
    const following = steps.filter((s) => s.after.includes(step.id)).map((s) => tail.get(s.id) ?? 0);
    tail.set(step.id, step.handsOnS + step.waitingS + Math.max(0, ...following));
  }
  return tail;
}

interface Span {
  readonly start: number;
  readonly ready: number;
}

/** One pair of hands: at each moment the step that most follows on, among those that can begin first. */
function schedule(
  steps: readonly Step[],
  lines: ReadonlyMap<string, PartLine>,
  clock: Clock,
): Map<string, Span> {
  const spans = new Map<string, Span>();
  for (const step of steps)
    if (step.doneOn !== undefined) {
      const done = daysBetween(clock.today, step.doneOn) * DAY_S;
      spans.set(step.id, { start: done, ready: done + step.waitingS });
    }
  const tail = tails(steps);
  let hands = 0;
  for (;;) {
    const open = steps.flatMap((step) => {
      if (spans.has(step.id)) return [];
      const before = step.after.map((id) => spans.get(id)?.ready);
      const parts = partsMoment(step, lines, clock.today);
      if (parts === undefined || before.includes(undefined)) return [];
      const ready = Math.max(parts, hands, ...before.map((moment) => moment ?? 0));
      return [{ step, start: nextInSession(ready, clock) }];
    });
    const next = open.sort(
      (a, b) => a.start - b.start || (tail.get(b.step.id) ?? 0) - (tail.get(a.step.id) ?? 0),
    )[0];
    if (!next) return spans;
    const end = workedThrough(next.start, next.step.handsOnS, clock);
    hands = end;
    spans.set(next.step.id, { start: next.start, ready: end + next.step.waitingS });
  }
}

/**
 * Parts, steps and dates as they stand on a day. One pair of hands works the sessions of the plan; waiting runs day and
 * night. A step without dates waits, directly or through another, for a part that has none.
 *
 * @example assemblyOutlook(puffin, '2027-03-01').steps.length // 19
 */
export function assemblyOutlook(build: Build, today: Day): AssemblyOutlook {
  const lines = partsList(build);
  const byId = new Map(lines.map((line) => [line.id, line]));
  const steps = assemblySteps(build);
  const { hoursADay, workDays } = build.assembly;
  const clock: Clock = {
    today,
    sessionS: hoursADay.value,
    worksOn: (day) => workDays.includes(weekdayOf(day)),
  };
  const spans = schedule(steps, byId, clock);
  const done = new Set(steps.filter((step) => step.doneOn !== undefined).map((step) => step.id));
  const dayOf = (moment: number): Day => dayAfter(today, Math.floor(moment / DAY_S));
  const planned = steps.map((step): PlannedStep => {
    const span = spans.get(step.id);
    const lacking = step.needs.flatMap((id) => byId.get(id) ?? []).filter((line) => line.state !== 'on-hand');
    const readyOn = span && dayOf(span.ready);
    return {
      ...step,
      lacking,
      state: stateOf(step, { lacking, done, spans, sessionS: clock.sessionS }),
      ...(span ? { startsOn: dayOf(span.start), readyOn } : {}),
      late:
        step.doneOn === undefined &&
        build.readyBy !== null &&
        readyOn !== undefined &&
        readyOn > build.readyBy,
    };
  });
  const waitedFor = new Set(planned.flatMap((step) => (step.doneOn === undefined ? step.lacking : [])));
  const all = planned.every((step) => step.readyOn !== undefined);
  const readyOn = all
    ? planned
        .map((step) => step.readyOn ?? today)
        .sort()
        .at(-1)
    : undefined;
  return {
    lines,
    steps: planned,
    overdue: lines.filter(
      (line) => line.state === 'ordered' && line.arrivesOn !== undefined && line.arrivesOn < today,
    ),
    undated: lines.filter(
      (line) => waitedFor.has(line) && (line.state === 'wished-for' || line.arrivesOn === undefined),
    ),
    ...(readyOn === undefined ? {} : { readyOn }),
    ...(readyOn === undefined || build.readyBy === null
      ? {}
      : { tuningDays: workingDays(dayAfter(readyOn < today ? today : readyOn, 1), build.readyBy, workDays) }),
    leftS: steps.reduce((sum, step) => sum + (step.doneOn === undefined ? step.handsOnS : 0), 0),
  };
}

interface StepStanding {
  readonly lacking: readonly PartLine[];
  readonly done: ReadonlySet<string>;
  readonly spans: ReadonlyMap<string, Span>;
  readonly sessionS: number;
}

function stateOf(step: Step, { lacking, done, spans, sessionS }: StepStanding): PlannedStep['state'] {
  if (step.doneOn !== undefined) return 'done';
  if (lacking.length > 0) return 'parts';
  // What has been waited for must be over within today's session.
  const waits = step.after.some((id) => !done.has(id) || (spans.get(id)?.ready ?? Infinity) > sessionS);
  return waits ? 'waits' : 'now';
}
