import { chanceInWords, measuredBy, measureFirst } from '@zubric/core/say';
import type { ToMeasure } from '@zubric/core/spreads';
import { useCallback } from 'react';
import { Link } from 'react-router';
import { useUnits } from '../common/units.tsx';
import { useBuild } from '../session/BuildSession.tsx';
import { useBeside, type Ask } from '../workers/use-beside.ts';

/** The number whose measurement would settle the most of what is open, and how it is measured. */
export function MeasureFirst() {
  const { id, build } = useBuild();
  const { system } = useUnits();
  const ask: Ask<ToMeasure | undefined> = useCallback((work) => work.firstToMeasure(build), [build]);
  const { answer, isOfNow } = useBeside(ask);
  if (!isOfNow || !answer) return null;
  const { chance, decides } = answer;
  const how = measuredBy(decides.input);
  const job = build.duties.find(({ id: dutyId }) => dutyId === chance.dutyId)?.name;
  return (
    <li className="border-t border-line py-2">
      <b className="mr-2 text-[14px] font-semibold text-soft">measure first</b>
      With its numbers anywhere within their ranges, {job === undefined ? 'the outing' : `“${job}”`} keeps its
      margins {chanceInWords(chance.keeps)}. {measureFirst(chance, build, system)}
      <span className="mt-0.5 flex flex-wrap gap-x-4 text-[14px] text-soft">
        {how && <span>{how.text}</span>}
        {how?.calculator !== undefined && (
          <Link className="push-plain" to={`/sums/${how.calculator}`}>
            the sum
          </Link>
        )}
        <Link className="push-plain" to={`/builds/${id}/chances`}>
          How sure is it?
        </Link>
      </span>
    </li>
  );
}
