import type { Build } from '../vehicle/index.ts';
import { dayAfter, daysBetween, workingDays, type Day } from './calendar.ts';
import type { PlanProblem } from './edited.ts';
import { partsList, type PartLine } from './parts-list.ts';
import { DAY_S, schedule, workOn, type Hands, type HeldBy, type Planned, type WorkSpan } from './schedule.ts';
import { assemblySteps } from './steps.ts';
import type { Step } from './step.ts';

/** A step with how it stands and when it can be done. */
export interface PlannedStep extends Step {
  /**
   * `done`; `now`: can be done today; `waits`: for a cure or charge under way or for earlier steps; `parts`: for parts
   * that are not on hand.
   */
  readonly state: 'done' | 'now' | 'waits' | 'parts';
  /** Lines it needs that are not on hand. */
  readonly lacking: readonly PartLine[];
  /** The day it begins, that its work is done, and that it is ready, waiting included; absent where a part has no date. */
  readonly startsOn?: Day;
  readonly endsOn?: Day;
  readonly readyOn?: Day;
  /** Who does it, and on which days how long each works at it, s. */
  readonly who: readonly string[];
  readonly sessions: readonly { readonly day: Day; readonly workS: number }[];
  /** It is ready only after the build should be. */
  readonly late: boolean;
  /** A day later here is a day later in all. */
  readonly critical: boolean;
}

/** What can be done today, what is late, and when the vehicle will be ready. */
export interface AssemblyOutlook {
  readonly lines: readonly PartLine[];
  readonly steps: readonly PlannedStep[];
  /** What of the builder's own edits does not fit, or no longer. */
  readonly problems: readonly PlanProblem[];
  /** Steps of the plan that the builder left out. */
  readonly leftOut: readonly Step[];
  readonly people: readonly Hands[];
  /** Ordered parts whose day has passed. */
  readonly overdue: readonly PartLine[];
  /** Lines without a date that some step waits for. */
  readonly undated: readonly PartLine[];
  /** The day the last step before tuning is ready; absent where parts have no date. */
  readonly readyOn?: Day;
  /** Working days left for trials and tuning between that day and the day it must be ready. */
  readonly tuningDays?: number;
  /** Hands-on time left, s. */
  readonly leftS: number;
}

/** Whoever the days of the plan are of. */
export const YOU = 'you';

/** Those who build: whoever the days of the plan are of, and helpers. */
function peopleOf({ assembly }: Build): [Hands, ...Hands[]] {
  const { hoursADay, workDays, helpers = [] } = assembly;
  return [
    { name: YOU, sessionS: hoursADay.value, workDays },
    ...helpers.map((one) => ({ name: one.name, sessionS: one.hoursADay.value, workDays: one.workDays })),
  ];
}

type Lines = ReadonlyMap<string, PartLine>;

/** The moment from which a step's parts are there; with `hoped`, what has no date is there today. */
function partsMoment(step: Step, lines: Lines, today: Day, hoped: boolean) {
  let moment = 0;
  let last: string | undefined;
  for (const id of step.needs) {
    const line = lines.get(id);
    if (!line || line.state === 'on-hand') continue;
    if (line.state === 'wished-for' || line.arrivesOn === undefined) {
      if (hoped) continue;
      return { moment: undefined, line: id };
    }
    // What should have come and has not is hoped for tomorrow.
    const comes = Math.max(1, daysBetween(today, line.arrivesOn)) * DAY_S;
    if (comes <= moment) continue;
    moment = comes;
    last = id;
  }
  return { moment, ...(last === undefined ? {} : { line: last }) };
}

const planOf = (build: Build, today: Day, steps: readonly Step[], lines: Lines, hoped: boolean): Planned => ({
  ...{ today, steps, people: peopleOf(build), printers: build.assembly.printers ?? 1 },
  partsOf: (step) => partsMoment(step, lines, today, hoped),
  doneAt: ({ doneOn }) => (doneOn === undefined ? undefined : daysBetween(today, doneOn) * DAY_S),
});

/** What is done once the vehicle is ready: it counts among the days for tuning. */
const isTuning = ({ role }: Step): boolean => role === 'tune';

/** The steps that hold the last one back, and what holds those back: a day later there is a day later in all. */
function criticalSteps(steps: readonly Step[], spans: ReadonlyMap<string, WorkSpan>): ReadonlySet<string> {
  const critical = new Set<string>();
  const last = steps
    .filter((step) => !isTuning(step) && step.doneOn === undefined)
    .reduce<string | undefined>((latest, { id }) => {
      const ready = spans.get(id)?.ready ?? -Infinity;
      return latest === undefined || ready > (spans.get(latest)?.ready ?? -Infinity) ? id : latest;
    }, undefined);
  const holds = ({ by, id }: HeldBy): string | undefined => (by === 'part' ? undefined : id);
  for (let at = last; at !== undefined && !critical.has(at);) {
    critical.add(at);
    const span = spans.get(at);
    at = span && holds(span.heldBy);
  }
  return critical;
}

/** A line that is still to be ordered, and the day on which it is needed. */
export interface OrderFirst {
  readonly line: PartLine;
  readonly neededOn: Day;
}

/**
 * What is not ordered yet, the first needed first, with the day on which it would be needed were all else there.
 *
 * @example orderFirst(gull, '2027-03-01')[0].line.id // 'frame'
 */
export function orderFirst(build: Build, today: Day): readonly OrderFirst[] {
  const { steps } = assemblySteps(build);
  const lines: Lines = new Map(partsList(build).map((line) => [line.id, line]));
  const spans = schedule(planOf(build, today, steps, lines, true));
  return [...lines.values()]
    .flatMap((line) => {
      if (line.state !== 'wished-for') return [];
      const starts = steps
        .filter((step) => step.doneOn === undefined && step.needs.includes(line.id))
        .map(({ id }) => spans.get(id)?.start ?? Infinity);
      const first = Math.min(...starts);
      return Number.isFinite(first) ? [{ line, first }] : [];
    })
    .sort((a, b) => a.first - b.first)
    .map(({ line, first }) => ({ line, neededOn: dayAfter(today, Math.floor(first / DAY_S)) }));
}

/**
 * Parts, steps and dates as they stand on a day. Whoever builds works the sessions of their days; waiting runs day and night. A
 * step without dates waits, directly or through another, for a part that has none.
 *
 * @example assemblyOutlook(puffin, '2027-03-01').steps.length // 26
 */
export function assemblyOutlook(build: Build, today: Day): AssemblyOutlook {
  const lines = partsList(build);
  const byId = new Map(lines.map((line) => [line.id, line]));
  const { steps, problems, leftOut } = assemblySteps(build);
  const { workDays, hoursADay } = build.assembly;
  const spans = schedule(planOf(build, today, steps, byId, false));
  const critical = criticalSteps(steps, spans);
  const done = new Set(steps.filter((step) => step.doneOn !== undefined).map((step) => step.id));
  const dayOf = (moment: number): Day => dayAfter(today, Math.floor(moment / DAY_S));
  /** The day of a moment at which something ends: what ends with a session ends on its day. */
  const lastDayOf = (moment: number, start: number): Day => dayOf(Math.max(start, moment - 1));
  const people = peopleOf(build);
  const sessionsOf = (span: WorkSpan): PlannedStep['sessions'] => {
    const team = people.filter(({ name }) => span.who.includes(name));
    if (team.length === 0) return [];
    return [...workOn(span, team, today)].map(([at, workS]) => ({ day: dayAfter(today, at), workS }));
  };
  const planned = steps.map((step): PlannedStep => {
    const span = spans.get(step.id);
    const lacking = step.needs.flatMap((id) => byId.get(id) ?? []).filter((line) => line.state !== 'on-hand');
    const readyOn = span && dayOf(span.ready);
    return {
      ...step,
      lacking,
      state: stateOf(step, { lacking, done, spans, sessionS: hoursADay.value }),
      ...(span ? { startsOn: dayOf(span.start), endsOn: lastDayOf(span.end, span.start), readyOn } : {}),
      who: span?.who ?? [],
      sessions: span ? sessionsOf(span) : [],
      critical: critical.has(step.id),
      late:
        step.doneOn === undefined &&
        build.readyBy !== null &&
        readyOn !== undefined &&
        readyOn > build.readyBy &&
        !isTuning(step),
    };
  });
  const waitedFor = new Set(planned.flatMap((step) => (step.doneOn === undefined ? step.lacking : [])));
  const readyOn = readyDay(planned, today);
  return {
    lines,
    steps: planned,
    problems,
    leftOut,
    people,
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

/** The day the last step before tuning is ready; undefined where one has no date. */
function readyDay(planned: readonly PlannedStep[], today: Day): Day | undefined {
  const before = planned.filter((step) => !isTuning(step));
  if (before.some((step) => step.readyOn === undefined)) return undefined;
  return before
    .map((step) => step.readyOn ?? today)
    .sort()
    .at(-1);
}

/**
 * Days by which the vehicle is ready later, were a part to come so many days later than it should; undefined where no day can be
 * said.
 *
 * @example daysMoved(puffin, '2027-03-01', 'frame', 7) // 0
 */
export function daysMoved(build: Build, today: Day, lineId: string, laterDays: number): number | undefined {
  const { steps } = assemblySteps(build);
  const lines = partsList(build);
  const readyWith = (shown: readonly PartLine[]): number | undefined => {
    const byId = new Map(shown.map((line) => [line.id, line]));
    const spans = schedule(planOf(build, today, steps, byId, false));
    const ready = steps.filter((step) => !isTuning(step)).map(({ id }) => spans.get(id)?.ready);
    return ready.includes(undefined)
      ? undefined
      : Math.max(...ready.map((moment) => Math.floor((moment ?? 0) / DAY_S)));
  };
  const now = readyWith(lines);
  const later = readyWith(
    lines.map((line) =>
      line.id === lineId && line.state === 'ordered' && line.arrivesOn !== undefined
        ? { ...line, arrivesOn: dayAfter(line.arrivesOn < today ? today : line.arrivesOn, laterDays) }
        : line,
    ),
  );
  return now === undefined || later === undefined ? undefined : later - now;
}

interface StepStanding {
  readonly lacking: readonly PartLine[];
  readonly done: ReadonlySet<string>;
  readonly spans: ReadonlyMap<string, WorkSpan>;
  readonly sessionS: number;
}

function stateOf(step: Step, { lacking, done, spans, sessionS }: StepStanding): PlannedStep['state'] {
  if (step.doneOn !== undefined) return 'done';
  if (lacking.length > 0) return 'parts';
  // What has been waited for must be over within today's session.
  const waits = step.after.some((id) => !done.has(id) || (spans.get(id)?.ready ?? Infinity) > sessionS);
  return waits ? 'waits' : 'now';
}
