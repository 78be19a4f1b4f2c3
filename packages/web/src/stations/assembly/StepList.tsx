import { addOwnStep, restoreStep, type AssemblyOutlook } from '@zubric/core/assembly';
import { useId, useState } from 'react';
import { Choice } from '../../fields/Choice.tsx';
import { NameForm } from '../../fields/NameForm.tsx';
import { useBuild } from '../../session/BuildSession.tsx';
import { StepRow } from './StepRow.tsx';

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
          <StepRow key={step.id} step={step} outlook={outlook} />
        ))}
      </ol>
      <LeftOut outlook={outlook} />
      <OwnStep outlook={outlook} />
    </section>
  );
}

/** Steps of the plan that the builder left out, to be taken back. */
function LeftOut({ outlook }: { readonly outlook: AssemblyOutlook }) {
  const { build, edit } = useBuild();
  const id = useId();
  if (outlook.leftOut.length === 0) return null;
  return (
    <section aria-labelledby={id} className="mt-2">
      <h3 id={id}>Left out</h3>
      <ul className="sheet divide-y divide-line">
        {outlook.leftOut.map((step) => (
          <li key={step.id} className="flex flex-wrap items-center justify-between gap-2 px-3 py-1.5">
            <span>{step.title}</span>
            <button
              type="button"
              className="push min-h-10"
              onClick={() => edit((b) => restoreStep(b, step.id))}
              disabled={!build.assembly.steps.some((mark) => mark.id === step.id)}
            >
              Take it back<span className="sr-only">: {step.title}</span>
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}

const AT_START = 'at-the-start';

/** A step of the builder's own, after any other. */
function OwnStep({ outlook }: { readonly outlook: AssemblyOutlook }) {
  const { edit } = useBuild();
  const [after, setAfter] = useState(AT_START);
  const options = [
    { value: AT_START, title: 'at the start' },
    ...outlook.steps.map(({ id, title }, n) => ({ value: id, title: `after ${n + 1}. ${title}` })),
  ];
  return (
    <div className="sheet mt-2 px-3 py-2">
      <NameForm
        title="A step of your own"
        label="A step of your own"
        button="Add the step"
        missing="Say first what is done."
        onSubmit={(title) =>
          Promise.resolve(edit((b) => addOwnStep(b, title, after === AT_START ? undefined : after)))
        }
      >
        <Choice
          className="min-w-0 basis-64"
          label="Where"
          value={options.some(({ value }) => value === after) ? after : AT_START}
          options={options}
          onChange={setAfter}
        />
      </NameForm>
    </div>
  );
}
