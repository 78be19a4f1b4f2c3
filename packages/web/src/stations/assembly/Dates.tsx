import {
  assemblyCalendar,
  dayAfter,
  daysBetween,
  daysMoved,
  orderFirst,
  type AssemblyOutlook,
  type PlannedStep,
} from '@zubric/core/assembly';
import { useId, useMemo } from 'react';
import { sayDay, today } from '../../common/days.ts';
import { downloadText } from '../../common/download.ts';
import { useSay } from '../../common/units.tsx';
import { useBuild } from '../../session/BuildSession.tsx';
import { People } from './People.tsx';
import { WorkingDays } from './WorkingDays.tsx';

interface Props {
  readonly outlook: AssemblyOutlook;
}

/** When each step is done and by whom, what holds all back, and what to order first. */
export function Dates({ outlook }: Props) {
  const { build } = useBuild();
  return (
    <div className="grid gap-4">
      <WorkingDays />
      <People />
      <div className="grid grid-cols-1 items-start gap-4 xl:grid-cols-[minmax(0,3fr)_minmax(0,2fr)]">
        <Course outlook={outlook} />
        <div className="grid gap-4">
          <Sessions outlook={outlook} />
          <Order />
          <Late outlook={outlook} />
        </div>
      </div>
      <p>
        <button
          type="button"
          className="push min-h-10"
          onClick={() =>
            downloadText(`assembly of ${build.name}.ics`, assemblyCalendar(build, today()), 'text/calendar')
          }
        >
          Save as a calendar file
        </button>
      </p>
    </div>
  );
}

interface Bar {
  readonly step: PlannedStep;
  readonly from: number;
  readonly worked: number;
  readonly ready: number;
}

/** Steps that are to be done, the first first, each over its days; what waits by itself is hatched. */
function Course({ outlook }: Props) {
  const id = useId();
  const from = today();
  const bars = outlook.steps
    .flatMap((step): Bar[] =>
      step.state === 'done' || step.startsOn === undefined || step.readyOn === undefined
        ? []
        : [
            {
              step,
              from: daysBetween(from, step.startsOn),
              worked: daysBetween(from, step.endsOn ?? step.startsOn) + 1,
              ready: daysBetween(from, step.readyOn) + 1,
            },
          ],
    )
    .sort((a, b) => a.from - b.from);
  const last = Math.max(1, ...bars.map(({ ready }) => ready));
  const undated = outlook.steps.filter((step) => step.state !== 'done' && step.startsOn === undefined);
  return (
    <section aria-labelledby={id}>
      <h2 id={id}>Step by step</h2>
      <p className="text-soft">
        A day later at a step in bold is a day later in all. Hatched: it waits by itself.
      </p>
      {bars.length > 0 && (
        <p className="hidden justify-between pr-3 text-[14px] text-soft sm:ml-[50%] sm:flex" aria-hidden>
          <span>{sayDay(from)}</span>
          <span>{sayDay(dayAfter(from, last - 1))}</span>
        </p>
      )}
      <ol className="sheet divide-y divide-line">
        {bars.map(({ step, ...bar }) => (
          <li key={step.id} className="grid gap-x-3 px-3 py-1.5 sm:grid-cols-[minmax(0,1fr)_minmax(0,1fr)]">
            <span className="min-w-0">
              <span className={step.critical ? 'font-semibold' : ''}>{step.title}</span>
              <span className="block text-[14px] text-soft">
                {sayDay(step.startsOn ?? from)}
                {step.readyOn !== step.startsOn && ` to ${sayDay(step.readyOn ?? from)}`},{' '}
                {step.who.join(' and ')}
                {step.late && <b className="font-semibold text-short"> too late</b>}
              </span>
            </span>
            <span className="relative my-1 block min-h-4 self-stretch bg-paper" aria-hidden>
              <span
                className={`absolute inset-y-0 min-w-1 ${step.critical ? 'bg-ink' : 'bg-soft'}`}
                style={{
                  left: `${(bar.from / last) * 100}%`,
                  width: `${((bar.worked - bar.from) / last) * 100}%`,
                }}
              />
              <span
                className="hatched absolute inset-y-0"
                style={{
                  left: `${(bar.worked / last) * 100}%`,
                  width: `${((bar.ready - bar.worked) / last) * 100}%`,
                }}
              />
            </span>
          </li>
        ))}
        {undated.map((step) => (
          <li key={step.id} className="px-3 py-1.5">
            {step.title}
            <span className="block text-[14px] text-soft">no date: it waits for a part without one</span>
          </li>
        ))}
        {bars.length + undated.length === 0 && <li className="px-3 py-2 text-soft">Every step is done.</li>}
      </ol>
    </section>
  );
}

const SESSIONS = 6;

/** What is done on the next working days, and by whom. */
function Sessions({ outlook }: Props) {
  const id = useId();
  const say = useSay();
  const work = outlook.steps
    .filter(({ state }) => state !== 'done')
    .flatMap((step) => step.sessions.map((session) => ({ ...session, step })));
  const days = [...new Set(work.map(({ day }) => day))].sort().slice(0, SESSIONS);
  if (days.length === 0) return null;
  return (
    <section aria-labelledby={id}>
      <h2 id={id}>The next days</h2>
      <ul className="sheet divide-y divide-line">
        {days.map((day) => (
          <li key={day} className="px-3 py-1.5">
            <b className="font-semibold">{sayDay(day)}</b>
            {work
              .filter((one) => one.day === day)
              .map(({ step, workS }) => (
                <span key={step.id} className="block">
                  {step.title}: {say(workS, 'time')}, {step.who.join(' and ')}
                </span>
              ))}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** What is not ordered yet, the first needed first. */
function Order() {
  const { build } = useBuild();
  const id = useId();
  const orders = useMemo(() => orderFirst(build, today()), [build]);
  return (
    <section aria-labelledby={id}>
      <h2 id={id}>What to order first</h2>
      <ul className="sheet divide-y divide-line">
        {orders.map(({ line, neededOn }) => (
          <li key={line.id} className="flex flex-wrap justify-between gap-x-3 px-3 py-1.5">
            <span className="min-w-0 break-words">
              {line.count} × {line.name}
            </span>
            <span className="text-soft">needed on {sayDay(neededOn)}</span>
          </li>
        ))}
        {orders.length === 0 && (
          <li className="px-3 py-2 text-soft">Everything that a step waits for is ordered or on hand.</li>
        )}
      </ul>
    </section>
  );
}

const LATE_DAYS = 7;

/** What each ordered part moves if it comes a week late. */
function Late({ outlook }: Props) {
  const { build } = useBuild();
  const id = useId();
  const moved = useMemo(
    () =>
      outlook.lines.flatMap((line) => {
        if (line.state !== 'ordered') return [];
        const days = daysMoved(build, today(), line.id, LATE_DAYS);
        return days === undefined ? [] : [{ line, days }];
      }),
    [build, outlook],
  );
  if (moved.length === 0) return null;
  return (
    <section aria-labelledby={id}>
      <h2 id={id}>If it comes a week late</h2>
      <ul className="sheet divide-y divide-line">
        {moved.map(({ line, days }) => (
          <li key={line.id} className="flex flex-wrap justify-between gap-x-3 px-3 py-1.5">
            <span className="min-w-0 break-words">{line.name}</span>
            <span className={days > 0 ? '' : 'text-soft'}>
              {days > 0 ? `ready ${days} ${days === 1 ? 'day' : 'days'} later` : 'moves nothing'}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}
