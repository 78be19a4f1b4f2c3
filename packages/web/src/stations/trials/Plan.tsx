import { protocolOf, tuningPlan, type ProtocolName, type TuningLine } from '@zubric/core/protocols';
import { useMemo } from 'react';
import { sayDay, today } from '../../common/days.ts';
import { useSay } from '../../common/units.tsx';
import type { ShownTrialSet } from '../../offline/use-outbox.ts';
import { useBuild } from '../../session/BuildSession.tsx';

interface Props {
  readonly sets: readonly ShownTrialSet[];
  readonly onBegin: (protocol: ProtocolName) => void;
}

/** The trials that this build needs, in the order that saves runs, on the days that its assembly leaves. */
export function Plan({ sets, onBegin }: Props) {
  const { build } = useBuild();
  const say = useSay();
  const day = today();
  const plan = useMemo(() => tuningPlan(build, sets, day), [build, sets, day]);
  const open = plan.lines.filter(({ done }) => !done);
  const seconds = open.reduce((sum, line) => sum + line.seconds, 0);
  return (
    <section className="sheet p-4" aria-labelledby="plan-title">
      <h2 id="plan-title">What this build needs, in the order that saves runs</h2>
      <p className="text-soft">
        {open.length === 0
          ? 'Every one of them has its verdict.'
          : `${open.length} to make, about ${say(seconds, 'time', 2)} in all.`}{' '}
        {plan.left > 0 &&
          (plan.days === undefined
            ? ''
            : `The days before it must be ready hold ${open.length - plan.left} of them: leave out the last, or make days.`)}
      </p>
      <ol className="mt-2 divide-y divide-line">
        {plan.lines.map((line) => (
          <PlanLine key={line.protocol} line={line} onBegin={onBegin} />
        ))}
      </ol>
    </section>
  );
}

interface LineProps {
  readonly line: TuningLine;
  readonly onBegin: (protocol: ProtocolName) => void;
}

function PlanLine({ line, onBegin }: LineProps) {
  const say = useSay();
  const { protocol, why, seconds, done, day } = line;
  const { asks, title } = protocolOf(protocol);
  return (
    <li className="flex flex-wrap items-center gap-x-4 gap-y-1 py-1.5">
      <span className="min-w-0 flex-1 basis-60">
        <span className={`block ${done ? 'text-soft' : 'font-semibold'}`}>{asks}</span>
        <span className="block text-[14px] text-soft">
          {title}: {why.charAt(0).toLowerCase() + why.slice(1)}
        </span>
      </span>
      <span className="text-[15px] text-soft">
        {done ? 'done' : `${say(seconds, 'time', 2)}${day === undefined ? '' : `, ${sayDay(day)}`}`}
      </span>
      <button
        type="button"
        className="push push-small min-h-10"
        aria-label={`Begin: ${asks}`}
        onClick={() => onBegin(protocol)}
      >
        Begin
      </button>
    </li>
  );
}
