import { markStep, YOU, type AssemblyOutlook, type PlannedStep } from '@zubric/core/assembly';
import { assertNever } from '@zubric/core/contract';
import { Hand, TriangleAlert } from 'lucide-react';
import { useState } from 'react';
import { sayDay, today } from '../../common/days.ts';
import { useSay, useSentence } from '../../common/units.tsx';
import { useBuild } from '../../session/BuildSession.tsx';
import { StepMore } from './StepMore.tsx';

interface RowProps {
  readonly step: PlannedStep;
  readonly outlook: AssemblyOutlook;
}

/** A step: what is done, what of it bites, and how it stands; opened, all that it takes. */
export function StepRow({ step, outlook }: RowProps) {
  const { steps } = outlook;
  const number = steps.indexOf(step) + 1;
  const { markDone } = useBuild();
  const say = useSay();
  const [open, setOpen] = useState(false);
  const done = step.state === 'done';
  return (
    <li
      className={`grid grid-cols-[2.75rem_minmax(0,1fr)] gap-1 px-2 py-1.5 ${step.state === 'now' ? 'bg-mech-lo' : ''}`}
    >
      <label className="flex min-h-10 items-start justify-center pt-2">
        <input
          type="checkbox"
          className="size-6 accent-ink"
          aria-label={`Done: ${step.title}`}
          checked={done}
          onChange={(event) => {
            const doneOn = event.target.checked ? today() : undefined;
            markDone({ stepId: step.id, doneOn, mark: (b) => markStep(b, step.id, { doneOn }) });
          }}
        />
      </label>
      <div className="min-w-0 py-1">
        <p className={`text-[16px] ${done ? 'text-soft line-through' : 'font-semibold'}`}>
          {number}. {step.title}
        </p>
        {!done && step.detail !== undefined && <p className="text-soft">{step.detail}</p>}
        {!done && step.remarks.length > 0 && <Remarks step={step} />}
        {!done && step.caution !== undefined && (
          <p className="mt-0.5 flex items-start gap-1.5">
            <TriangleAlert size={17} className="mt-0.5 shrink-0 text-short" aria-hidden />
            <span>
              <b className="font-semibold">Caution:</b> {step.caution}
            </span>
          </p>
        )}
        {!done && step.holdPoint !== undefined && (
          <p className="mt-0.5 flex items-start gap-1.5">
            <Hand size={17} className="mt-0.5 shrink-0 text-short" aria-hidden />
            <span>
              <b className="font-semibold">Hold until seen:</b> {step.holdPoint}
            </span>
          </p>
        )}
        <p className="mt-0.5 flex flex-wrap items-center gap-x-3 gap-y-1">
          <Standing step={step} steps={steps} />
          <span className="text-soft">
            {say(step.handsOnS, 'time')} of work
            {step.hands === 2 && ' for two'}
            {step.times && `, ${step.times.count} ${step.times.of}s in all`}
            {step.waitingS > 0 && `, then ${say(step.waitingS, 'time')} for ${step.waitingFor ?? 'waiting'}`}
          </span>
          <button
            type="button"
            className="push-plain min-h-10 text-[14px] text-soft"
            aria-expanded={open}
            onClick={() => setOpen(!open)}
          >
            {open ? 'close' : 'what it takes'}
            <span className="sr-only">, {step.title}</span>
          </button>
        </p>
        {open && <StepMore step={step} outlook={outlook} />}
      </div>
    </li>
  );
}

function Standing({ step, steps }: { readonly step: PlannedStep; readonly steps: readonly PlannedStep[] }) {
  const dates =
    step.startsOn === undefined
      ? ''
      : step.startsOn === step.readyOn
        ? sayDay(step.startsOn)
        : `${sayDay(step.startsOn)} to ${sayDay(step.readyOn ?? step.startsOn)}`;
  const late = step.late ? <b className="font-semibold text-short"> too late</b> : null;
  switch (step.state) {
    case 'done':
      return <span>done {step.doneOn === undefined ? '' : sayDay(step.doneOn)}</span>;
    case 'now':
      return (
        <span>
          <b className="font-semibold">can be done today</b>
          {step.who.some((name) => name !== YOU) && ` by ${step.who.join(' and ')}`}
          {late}
        </span>
      );
    case 'parts':
      return (
        <span>
          waits for{' '}
          {[
            ...new Set(
              step.lacking.map(
                ({ name, arrivesOn }) =>
                  `${name} (${arrivesOn === undefined ? 'no date' : `due ${sayDay(arrivesOn)}`})`,
              ),
            ),
          ].join(', ')}
          {dates !== '' && `; ${dates}`}
          {late}
        </span>
      );
    case 'waits': {
      const before = step.after.flatMap((id) => {
        const found = steps.findIndex((other) => other.id === id);
        const other = steps[found];
        return other && (other.state !== 'done' || (other.readyOn ?? '') > today()) ? [found + 1] : [];
      });
      return (
        <span>
          after {before.length === 1 ? 'step' : 'steps'} {before.join(', ')}
          {dates !== '' && `; ${dates}`}
          {late}
        </span>
      );
    }
    default:
      return assertNever(step.state);
  }
}

/** What the rules of the trade say of it. */
function Remarks({ step }: { readonly step: PlannedStep }) {
  const sentence = useSentence();
  return (
    <ul className="mt-0.5 list-disc pl-5">
      {step.remarks.map(({ rule, says }) => {
        const said = sentence(says);
        return <li key={`${rule} ${said}`}>{said}</li>;
      })}
    </ul>
  );
}
