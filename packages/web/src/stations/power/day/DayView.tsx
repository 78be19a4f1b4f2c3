import type { CourseAsked, OutingCourse } from '@zubric/core/capability';
import { assumed, celsiusToKelvin, type Quantity } from '@zubric/core/quantity';
import type { Build } from '@zubric/core/vehicle';
import { useCallback, useState } from 'react';
import { NotWorkedOut } from '../../../common/NotWorkedOut.tsx';
import { useSay } from '../../../common/units.tsx';
import { CountInput } from '../../../fields/CountInput.tsx';
import { QuantityField } from '../../../fields/QuantityField.tsx';
import { useBuild } from '../../../session/BuildSession.tsx';
import { useBeside, type Ask } from '../../../workers/use-beside.ts';
import { DayChart } from './DayChart.tsx';
import { EnergyBars } from './EnergyBars.tsx';

const MOST_OUTINGS = 12;
const USUAL_BREAK_S = 3600;

/** A day of outings: what the battery and the motors go through, duty by duty, and where the energy goes. */
export function DayView() {
  const { whole } = useBuild();
  const [outings, setOutings] = useState(1);
  const [rest, setRest] = useState<Quantity>(whole.supply.charger?.hours ?? assumed(USUAL_BREAK_S, 'h'));
  const breakS = rest.value;
  const ask: Ask<OutingCourse | undefined> = useCallback(
    (work) => work.outingCourse(whole, { outings, breakS } satisfies CourseAsked),
    [whole, outings, breakS],
  );
  const { answer: course, isOfNow, problem } = useBeside(ask);
  return (
    <section className="sheet grid gap-2 p-3" aria-labelledby="day-title" aria-busy={!isOfNow}>
      <div className="flex flex-wrap items-end gap-3">
        <h2 id="day-title" className="mr-auto">
          A day out
        </h2>
        <span className="flex items-center gap-2">
          <span className="text-[14px] text-soft" aria-hidden="true">
            Outings
          </span>
          <CountInput label="Outings" value={outings} most={MOST_OUTINGS} onChange={setOutings} />
        </span>
        {outings > 1 && (
          <QuantityField
            className="w-36"
            label="Break between"
            dimension="time"
            value={rest}
            check={(value) => (value >= 0 ? undefined : 'This must be at least 0.')}
            onChange={setRest}
          />
        )}
      </div>
      {problem !== undefined && <NotWorkedOut what="The day" why={problem} />}
      {!course && problem === undefined && (
        <p className="text-soft" aria-busy={!isOfNow}>
          {isOfNow
            ? 'Choose a motor, and say in the Brief how long each job goes on: the day follows here.'
            : 'The day is being worked out…'}
        </p>
      )}
      {course && (
        <div className={isOfNow ? '' : 'opacity-60'}>
          <DaySaid course={course} build={whole} />
          {course.moments.length > 0 && <DayChart course={course} build={whole} />}
          {course.moments.length > 0 && <EnergyBars energy={course.energy} />}
        </div>
      )}
    </section>
  );
}

/** What came of it in a sentence: how long, what is left, how hot. */
function DaySaid({ course, build }: { readonly course: OutingCourse; readonly build: Build }) {
  const say = useSay();
  const { moments, legs, ends, motors } = course;
  const last = moments.at(-1);
  const duty = build.duties.find(({ id }) => id === legs.at(-1)?.dutyId)?.name ?? build.duties[0]?.name ?? '';
  const hottest = [...motors].sort((a, b) => b.hottestC - b.limitC - (a.hottestC - a.limitC))[0];
  const time = say(last?.timeS ?? 0, 'time', 3);
  const left = say(last?.leftShare ?? 1, 'share', 2);
  const celsius = (c: number): string => say(celsiusToKelvin(c), 'temperature', 3);
  return (
    <p>
      {ends === 'done' && `After ${time} it is home with ${left} of its usable charge left. `}
      {ends === 'empty' && (
        <b className="font-semibold text-short">{`The battery is empty after ${time}, in “${duty}”. `}</b>
      )}
      {ends === 'stands' && (
        <b className="font-semibold text-short">
          {last ? `After ${time} it no longer gets on in “${duty}”. ` : `It does not get on in “${duty}”. `}
        </b>
      )}
      {hottest && last && (
        <span className={hottest.hottestC > hottest.limitC ? 'text-short' : ''}>
          {`The hottest winding reaches ${celsius(Math.min(hottest.hottestC, MOST_SAID_C))} of ${celsius(hottest.limitC)}${hottest.known ? '' : ', reckoned from its all-day current and mass'}.`}
        </span>
      )}
    </p>
  );
}
/** Hotter than this no winding lasts to be measured. */
const MOST_SAID_C = 999;
