import {
  changeOwnStep,
  circleIf,
  markStep,
  putAfter,
  removeStep,
  splitStep,
  type AssemblyOutlook,
  type PlannedStep,
} from '@zubric/core/assembly';
import { typed } from '@zubric/core/quantity';
import { fastenerInWords, reasonInWords } from '@zubric/core/say';
import { useState, type ReactNode } from 'react';
import { useSentence } from '../../common/units.tsx';
import { Choice } from '../../fields/Choice.tsx';
import { DateField } from '../../fields/DateField.tsx';
import { SchemaField } from '../../fields/SchemaField.tsx';
import { TextField } from '../../fields/TextField.tsx';
import { useBuild } from '../../session/BuildSession.tsx';
import { StepDrawing } from './StepDrawing.tsx';
import { StepPhoto } from './StepPhoto.tsx';

interface Props {
  readonly step: PlannedStep;
  readonly outlook: AssemblyOutlook;
}

/** All that a step takes, why it comes when it does, and what the builder has otherwise. */
export function StepMore({ step, outlook }: Props) {
  const sentence = useSentence();
  const lines = new Map(outlook.lines.map((line) => [line.id, line]));
  const titles = new Map(outlook.steps.map(({ id, title }) => [id, title]));
  const goesIn = step.parts.flatMap((id) => lines.get(id) ?? []);
  return (
    <div className="mt-1 grid gap-2">
      <dl className="grid gap-x-3 gap-y-1 sm:grid-cols-[7rem_minmax(0,1fr)]">
        {goesIn.length > 0 && (
          <Row title="Goes in">{goesIn.map(({ name, count }) => `${count} × ${name}`).join('; ')}</Row>
        )}
        {step.fasteners.length > 0 && (
          <Row title="Fasteners">
            {step.fasteners.map((one) => (
              <span key={`${one.kind} ${one.size} ${one.holds}`} className="block">
                {sentence(fastenerInWords(one))}
              </span>
            ))}
          </Row>
        )}
        {step.tools.length > 0 && <Row title="Tools">{step.tools.join(', ')}</Row>}
        {step.after.length > 0 && (
          <Row title="Comes">
            {step.after.map((id) => {
              const reason = step.reasons[id];
              return (
                <span key={id} className="block">
                  {reason ? reasonInWords(titles.get(id) ?? id, reason) : `after “${titles.get(id) ?? id}”`}
                </span>
              );
            })}
          </Row>
        )}
      </dl>
      <StepDrawing step={step} />
      <StepPhoto step={step} />
      <Otherwise step={step} outlook={outlook} />
    </div>
  );
}

const Row = ({ title, children }: { readonly title: string; readonly children: ReactNode }) => (
  <>
    <dt className="text-soft">{title}</dt>
    <dd className="min-w-0 break-words">{children}</dd>
  </>
);

const HANDS = [
  { value: '1', title: 'one' },
  { value: '2', title: 'two' },
] as const;

/** Its name, times and hands, whom it comes after, split or left out. */
function Otherwise({ step, outlook }: Props) {
  const { build, edit } = useBuild();
  const mark = build.assembly.steps.find((m) => m.id === step.id);
  const own = build.assembly.ownSteps?.find(({ id }) => id === step.id);
  const change = (to: {
    readonly title?: string;
    readonly hands?: number;
    readonly handsOn?: ReturnType<typeof typed>;
    readonly waiting?: ReturnType<typeof typed>;
  }): void => edit((b) => (own ? changeOwnStep(b, step.id, to) : markStep(b, step.id, to)));
  return (
    <div className="grid gap-2">
      <div className="grid gap-2 sm:grid-cols-2">
        <TextField
          label="What is done"
          value={step.title}
          maxLength={160}
          required="Say what is done."
          onChange={(title) => change({ title })}
        />
        <Choice
          label="Pairs of hands"
          value={step.hands === 2 ? '2' : '1'}
          options={HANDS}
          onChange={(hands) => change({ hands: Number(hands) })}
        />
        <SchemaField
          part="step"
          field="handsOn"
          label="Work"
          value={(own ?? mark)?.handsOn ?? typed(step.handsOnS, 'min', 'assumed')}
          onChange={(handsOn) => change({ handsOn })}
        />
        <SchemaField
          part="step"
          field="waiting"
          label="Waiting after it"
          value={(own ?? mark)?.waiting ?? typed(step.waitingS, step.waitingS > 0 ? 'h' : 'min', 'assumed')}
          onChange={(waiting) => change({ waiting })}
        />
        {step.state === 'done' && (
          <DateField
            label="Done on"
            value={step.doneOn}
            onChange={(doneOn) => edit((b) => markStep(b, step.id, { doneOn }))}
          />
        )}
        <AlsoAfter step={step} outlook={outlook} />
      </div>
      <p className="flex flex-wrap gap-2">
        <button
          type="button"
          className="push min-h-10"
          onClick={() => edit((b) => splitStep(b, step.id, `${step.title}, second part`))}
        >
          Split it in two<span className="sr-only">: {step.title}</span>
        </button>
        <button type="button" className="push min-h-10" onClick={() => edit((b) => removeStep(b, step.id))}>
          {own ? 'Remove it' : 'Leave it out'}
          <span className="sr-only">: {step.title}</span>
        </button>
      </p>
    </div>
  );
}

const NONE = 'none';

/** The builder's own order: another step that it comes after; one that would close a circle is told, not taken. */
function AlsoAfter({ step, outlook }: Props) {
  const { build, edit } = useBuild();
  const [circle, setCircle] = useState<readonly string[]>([]);
  const mine =
    (
      build.assembly.ownSteps?.find(({ id }) => id === step.id) ??
      build.assembly.steps.find(({ id }) => id === step.id)
    )?.after ?? [];
  const titleOf = (id: string): string => outlook.steps.find((one) => one.id === id)?.title ?? id;
  const options = [
    { value: NONE, title: 'choose a step' },
    ...outlook.steps
      .filter(({ id }) => id !== step.id && !step.after.includes(id))
      .map(({ id, title }) => ({ value: id, title })),
  ];
  return (
    <div className="min-w-0 sm:col-span-2">
      <Choice
        label="Also after"
        value={NONE}
        options={options}
        onChange={(id) => {
          if (id === NONE) return;
          const round = circleIf(build, step.id, id);
          setCircle(round);
          if (round.length === 0) edit((b) => putAfter(b, step.id, id, true));
        }}
      />
      {circle.length > 0 && (
        <p role="alert" className="text-short">
          That closes a circle: {circle.map((id) => `“${titleOf(id)}”`).join(' comes before ')}. Nothing was
          changed.
        </p>
      )}
      {mine.map((id) => (
        <p key={id} className="flex flex-wrap items-center gap-2">
          after “{titleOf(id)}”, as you have it
          <button
            type="button"
            className="push-plain min-h-10"
            onClick={() => edit((b) => putAfter(b, step.id, id, false))}
          >
            no longer<span className="sr-only"> after {titleOf(id)}</span>
          </button>
        </p>
      ))}
    </div>
  );
}
