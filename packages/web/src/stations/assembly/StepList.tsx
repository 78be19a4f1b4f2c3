import { assertNever } from '@zubric/core/contract';
import { markStep, type AssemblyOutlook, type PlannedStep } from '@zubric/core/assembly';
import { typed } from '@zubric/core/quantity';
import { Hand, TriangleAlert } from 'lucide-react';
import { useId, useState } from 'react';
import { sayDay, today } from '../../common/days.ts';
import { useSay } from '../../common/units.tsx';
import { DateField } from '../../fields/DateField.tsx';
import { SchemaField } from '../../fields/SchemaField.tsx';
import { useBuild } from '../../session/BuildSession.tsx';

/** The steps in an order that works, with what each waits for. */
export function StepList({ outlook }: { readonly outlook: AssemblyOutlook }) {
  const id = useId();
  const [onlyNow, setOnlyNow] = useState(false);
  const done = outlook.steps.filter((step) => step.state === 'done').length;
  const shown = onlyNow ? outlook.steps.filter((step) => step.state === 'now') : outlook.steps;
  return (
    <section aria-labelledby={id}>
      <div className="flex flex-wrap items-center justify-between gap-2">
        <h2 id={id}>
          Steps: {done} of {outlook.steps.length} done
        </h2>
        <label className="flex min-h-10 items-center gap-2">
          <input
            type="checkbox"
            className="size-5 accent-ink"
            checked={onlyNow}
            onChange={(event) => setOnlyNow(event.target.checked)}
          />
          Only what can be done today
        </label>
      </div>
      {shown.length === 0 && (
        <p className="sheet p-3">
          Nothing can be done today. Untick the box to see what each step waits for.
        </p>
      )}
      <ol className="sheet divide-y divide-line">
        {shown.map((step) => (
          <StepRow key={step.id} step={step} number={outlook.steps.indexOf(step) + 1} steps={outlook.steps} />
        ))}
      </ol>
    </section>
  );
}

interface RowProps {
  readonly step: PlannedStep;
  readonly number: number;
  readonly steps: readonly PlannedStep[];
}

function StepRow({ step, number, steps }: RowProps) {
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
            {step.waitingS > 0 && `, then ${say(step.waitingS, 'time')} for ${step.waitingFor ?? 'waiting'}`}
          </span>
          <button
            type="button"
            className="push-plain text-[14px] text-soft"
            aria-expanded={open}
            onClick={() => setOpen(!open)}
          >
            {open ? 'close' : 'times'}
            <span className="sr-only"> of {step.title}</span>
          </button>
        </p>
        {open && <Times step={step} />}
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

/** The times of a step, and the day it was done. */
function Times({ step }: { readonly step: PlannedStep }) {
  const { build, edit } = useBuild();
  const mark = build.assembly.steps.find((m) => m.id === step.id);
  return (
    <div className="mt-1 grid max-w-md grid-cols-2 gap-2 sm:grid-cols-3">
      <SchemaField
        part="step"
        field="handsOn"
        label="Work"
        value={mark?.handsOn ?? typed(step.handsOnS, 'h', 'assumed')}
        onChange={(handsOn) => edit((b) => markStep(b, step.id, { handsOn }))}
      />
      <SchemaField
        part="step"
        field="waiting"
        label="Waiting after it"
        value={mark?.waiting ?? typed(step.waitingS, 'h', 'assumed')}
        onChange={(waiting) => edit((b) => markStep(b, step.id, { waiting }))}
      />
      {step.state === 'done' && (
        <DateField
          label="Done on"
          value={step.doneOn}
          onChange={(doneOn) => edit((b) => markStep(b, step.id, { doneOn }))}
        />
      )}
    </div>
  );
}
