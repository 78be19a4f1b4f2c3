import {
  fieldOf,
  LAYOUT_TEMPLATES,
  PEOPLE,
  SIZE_CLASSES,
  sizeClass,
  surfaceToBegin,
  startBuild,
  startJobs,
  wheelAsked,
  type Build,
} from '@zubric/core/vehicle';
import { SURFACES, surfaceTitle } from '@zubric/core/ground';
import type { Quantity } from '@zubric/core/quantity';
import { useCallback, useMemo, useState } from 'react';
import { useTitle } from '../common/use-title.ts';
import { Choice } from '../fields/Choice.tsx';
import { Header } from '../frame/Header.tsx';
import { FormQuantity } from '../fields/FormQuantity.tsx';
import { LayoutThumb } from '../vehicle/LayoutThumb.tsx';
import { PEOPLE_TITLES } from '../vehicle/people.ts';
import {
  stillAsked,
  useAnswers,
  type Answers,
  type QuestionProps,
  type FigureQuestionProps,
} from './answers.ts';
import { Begin } from './Begin.tsx';
import { FirstAnswer } from './FirstAnswer.tsx';
import { Jobs } from './Jobs.tsx';
import { Tiles } from './Tiles.tsx';

const SIZES = SIZE_CLASSES.map((value) => ({ value, title: sizeClass(value).title }));
const PEOPLE_OPTIONS = PEOPLE.map((value) => ({ value, title: PEOPLE_TITLES[value] }));
const GROUNDS = SURFACES.map((value) => ({ value, title: surfaceTitle(value) }));

/** A build as far as it can be made of the answers; only once layout, size and a job are known. */
const madeOf = (answers: Answers): Build | undefined =>
  answers.layout === undefined || stillAsked(answers).length > 0
    ? undefined
    : startBuild({ ...answers, layout: answers.layout });

/** A new build: what it is, how big, who is near and what it does; the answer grows beside the questions. */
export function StartPage() {
  useTitle('New build');
  const { answers, change, done } = useAnswers();
  const [unread, setUnread] = useState<ReadonlySet<string>>(new Set());
  const onUnread = useCallback(
    (name: string, on: boolean) =>
      setUnread((now) => {
        if (now.has(name) === on) return now;
        const next = new Set(now);
        if (on) next.add(name);
        else next.delete(name);
        return next;
      }),
    [],
  );
  const build = useMemo(() => madeOf(answers), [answers]);
  return (
    <>
      <Header />
      <main
        id="main"
        className="mx-auto grid max-w-[1260px] gap-x-5 gap-y-3 px-3 py-3 md:px-5 lg:grid-cols-[minmax(0,1fr)_340px]"
      >
        <div className="grid content-start gap-3">
          <h1>What will you build?</h1>
          <Layouts answers={answers} change={change} />
          <Sizes {...{ answers, change, build, onUnread }} />
          <Jobs {...{ answers, change, build, onUnread }} />
        </div>
        <aside aria-label="First answer" className="sheet h-fit p-3 lg:sticky lg:top-3">
          <h2>First answer</h2>
          {build ? (
            <FirstAnswer build={build} />
          ) : (
            <p className="mt-1 text-soft">Stands here once you say {listed(stillAsked(answers))}.</p>
          )}
          <Begin {...{ answers, change, done, build, unread: unread.size }} />
        </aside>
      </main>
    </>
  );
}

const listed = (words: readonly string[]): string =>
  words.length > 1 ? `${words.slice(0, -1).join(', ')} and ${words.at(-1)}` : (words[0] ?? '');

function Layouts({ answers, change }: QuestionProps) {
  const options = useMemo(
    () =>
      LAYOUT_TEMPLATES.map((template) => ({
        value: template.id,
        title: template.title,
        drawing: <LayoutThumb template={template} />,
      })),
    [],
  );
  return (
    <Tiles
      legend="What is it? From above, front to the right; what is driven in ochre"
      name="layout"
      options={options}
      value={answers.layout}
      className="grid-cols-3 sm:grid-cols-6 xl:grid-cols-9"
      onChoose={(layout) => {
        const able = startJobs(layout).map(({ id }) => id);
        change({ layout, jobs: answers.jobs.filter(({ id }) => able.includes(id)) });
      }}
    />
  );
}

/** A figure that may be stated; what it is else, where that is known, stands in the field as a guess. */
function Stated({
  name,
  title,
  part,
  value,
  guess,
  onChange,
  onUnread,
}: {
  readonly name: string;
  readonly title: string;
  readonly part: 'mass' | 'axle';
  readonly value: Quantity | undefined;
  readonly guess: Quantity | undefined;
  readonly onChange: (quantity: Quantity | undefined) => void;
  readonly onUnread: (name: string, unread: boolean) => void;
}) {
  const { dimension = 'number', ...range } =
    part === 'mass' ? fieldOf('mass', 'mass') : fieldOf('axle', 'diameter');
  return (
    <FormQuantity
      name={name}
      title={title}
      dimension={dimension}
      range={range}
      value={value ?? guess}
      onChange={onChange}
      onUnread={onUnread}
    />
  );
}

function Sizes({ answers, change, build, onUnread }: FigureQuestionProps) {
  const { like, mass, wheel, people, rider } = answers;
  const seated = build?.masses.others.find(({ kind }) => kind === 'rider')?.mass;
  const driven = build?.layout.axles.find((axle) => axle.driven) ?? build?.layout.axles[0];
  return (
    <div className="grid gap-2">
      <Tiles
        legend="How big is it? The nearest, or its own figures"
        name="like"
        options={SIZES}
        value={like}
        className="grid-cols-3 sm:grid-cols-6"
        onChoose={(chosen) => change({ like: chosen })}
      />
      <div className="grid grid-cols-2 items-end gap-2 sm:grid-cols-5">
        <Stated
          name="mass"
          title="Itself, without load"
          part="mass"
          value={mass}
          guess={build?.masses.own.mass}
          onChange={(next) => change({ mass: next })}
          onUnread={onUnread}
        />
        <Stated
          name="wheel"
          title={wheelAsked(answers.layout ?? '')}
          part="axle"
          value={wheel}
          guess={driven?.diameter}
          onChange={(next) => change({ wheel: next })}
          onUnread={onUnread}
        />
        <Choice
          label="People"
          value={people ?? build?.people ?? (like ? sizeClass(like).people : 'nobody')}
          options={PEOPLE_OPTIONS}
          onChange={(next) => change({ people: next })}
        />
        {seated && (
          <Stated
            name="rider"
            title="The rider weighs"
            part="mass"
            value={rider}
            guess={seated}
            onChange={(next) => change({ rider: next })}
            onUnread={onUnread}
          />
        )}
        <Choice
          label="On what ground"
          value={answers.surface ?? build?.grounds[0]?.surface ?? surfaceToBegin(answers)}
          options={GROUNDS}
          onChange={(surface) => change({ surface })}
        />
      </div>
    </div>
  );
}
