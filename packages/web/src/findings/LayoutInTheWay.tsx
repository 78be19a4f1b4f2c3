import { useCallback } from 'react';
import { Link } from 'react-router';
import { useUnits } from '../common/units.tsx';
import { useBuild } from '../session/BuildSession.tsx';
import type { InTheWay } from '../workers/bench-work.ts';
import { useBeside, type Ask } from '../workers/use-beside.ts';

/** The worst that stands in the way of where things are, and how much more; nothing where all is well or nothing placed. */
export function LayoutInTheWay() {
  const { id, build } = useBuild();
  const { system } = useUnits();
  const ask: Ask<InTheWay | undefined> = useCallback(
    (work) => work.inTheWayOfLayout(build, system),
    [build, system],
  );
  const { answer, isOfNow } = useBeside(build.arrangement ? ask : undefined);
  if (!isOfNow || !answer) return null;
  const { severity, text, more } = answer;
  return (
    <li className="border-t border-line py-2">
      <b className={`mr-2 text-[14px] font-semibold ${severity === 'stop' ? 'text-short' : 'text-soft'}`}>
        {severity}
      </b>
      {text}
      <span className="mt-0.5 block text-[14px] text-soft">
        {more === 0
          ? ''
          : more === 1
            ? 'One more thing stands in its way. '
            : `${more} more things stand in its way. `}
        <Link className="push-plain" to={`/builds/${id}/layout`}>
          Layout
        </Link>
      </span>
    </li>
  );
}
