import {
  fieldOf,
  LAYOUT_TEMPLATES,
  PEOPLE,
  SIZE_CLASSES,
  sizeClass,
  startBuild,
  startJobs,
  wheelAsked,
  type Build,
  type Duty,
  type StartJob,
} from '@zubric/core/vehicle';
import { SURFACES, surfaceTitle } from '@zubric/core/ground';
import type { Quantity } from '@zubric/core/quantity';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useCallback, useId, useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import { api } from '../common/api.ts';
import { stationAddress } from '../common/stations.ts';
import { useTitle } from '../common/use-title.ts';
import { Choice } from '../fields/Choice.tsx';
import { Header } from '../frame/Header.tsx';
import { FormQuantity } from '../shelf/FormQuantity.tsx';
import { LayoutThumb } from '../vehicle/LayoutThumb.tsx';
import { PEOPLE_TITLES } from '../vehicle/people.ts';
import { stillAsked, useAnswers, type Answers } from './answers.ts';
import { FirstAnswer } from './FirstAnswer.tsx';
import { JobFields } from './JobFields.tsx';
import { SeveralTiles, Tiles } from './Tiles.tsx';

const SIZES = SIZE_CLASSES.map((value) => ({ value, title: sizeClass(value).title }));
const PEOPLE_OPTIONS = PEOPLE.map((value) => ({ value, title: PEOPLE_TITLES[value] }));
const GROUNDS = SURFACES.map((value) => ({ value, title: surfaceTitle(value) }));

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

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

interface Asked {
  readonly answers: Answers;
  readonly change: (part: Partial<Answers>) => void;
}

function Layouts({ answers, change }: Asked) {
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

interface FiguresAsked extends Asked {
  readonly build: Build | undefined;
  readonly onUnread: (name: string, unread: boolean) => void;
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

function Sizes({ answers, change, build, onUnread }: FiguresAsked) {
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
          value={
            answers.surface ?? build?.grounds[0]?.surface ?? (like ? sizeClass(like).ground : 'dry-concrete')
          }
          options={GROUNDS}
          onChange={(surface) => change({ surface })}
        />
      </div>
    </div>
  );
}

/** Figures of one job stated anew. */
const stated = (jobs: readonly StartJob[], id: string, part: Partial<Duty>): StartJob[] =>
  jobs.map((job) => (job.id === id ? { ...job, stated: { ...job.stated, ...part } } : job));

function Jobs({ answers, change, build, onUnread }: FiguresAsked) {
  const { jobs, layout } = answers;
  const offered = startJobs(layout ?? 'two-castors');
  return (
    <div className="grid gap-2">
      <SeveralTiles
        legend="What does it do? All that it must"
        options={offered.map(({ id, start = '' }) => ({ value: id, title: start }))}
        chosen={jobs.map(({ id }) => id)}
        onToggle={(id, on) => change({ jobs: on ? [...jobs, { id }] : jobs.filter((job) => job.id !== id) })}
      />
      {build &&
        jobs.map(({ id }, n) => {
          const [template, duty] = [offered.find((t) => t.id === id), build.duties[n]];
          if (!template?.asks || !duty) return null;
          return (
            <JobFields
              key={id}
              duty={duty}
              title={capital(template.start ?? template.title)}
              asks={template.asks}
              payload={build.masses.payload.mass}
              onPayload={(payload) => change(payload ? { payload } : {})}
              onChange={(part) => change({ jobs: stated(jobs, id, part) })}
              onUnread={onUnread}
            />
          );
        })}
    </div>
  );
}

interface BeginProps extends Asked {
  readonly done: () => void;
  readonly build: Build | undefined;
  readonly unread: number;
}

function Begin({ answers, change, done, build, unread }: BeginProps) {
  const id = useId();
  const navigate = useNavigate();
  const queries = useQueryClient();
  const create = useMutation({
    mutationFn: api.begin,
    onSuccess: async (made) => {
      done();
      await queries.invalidateQueries({ queryKey: ['builds'] });
      await navigate(stationAddress(made.id, 'brief'));
    },
  });
  const usual = LAYOUT_TEMPLATES.find((template) => template.id === answers.layout)?.title ?? '';
  const begin = (): void => {
    if (build) create.mutate({ ...build, name: answers.name.trim() === '' ? usual : answers.name.trim() });
  };
  return (
    <form
      className="mt-3 grid gap-2 border-t border-line pt-3"
      aria-label="Begin the build"
      onSubmit={(event) => {
        event.preventDefault();
        begin();
      }}
    >
      <div>
        <label htmlFor={id} className="block text-[14px] text-soft">
          Its name
        </label>
        <input
          id={id}
          className="entry"
          maxLength={120}
          autoComplete="off"
          placeholder={usual}
          value={answers.name}
          onChange={(event) => change({ name: event.target.value })}
        />
      </div>
      <button type="submit" className="push push-main" disabled={!build || create.isPending || unread > 0}>
        Begin this build
      </button>
      {unread > 0 && (
        <p role="status" className="text-[14px]">
          {unread === 1 ? 'One figure cannot be read' : `${unread} figures cannot be read`} yet.
        </p>
      )}
      {create.isError && (
        <p role="alert" className="text-[14px] text-short">
          {create.error.message}
        </p>
      )}
    </form>
  );
}
