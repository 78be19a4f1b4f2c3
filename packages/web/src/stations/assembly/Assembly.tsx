import { assemblyOutlook, type AssemblyOutlook } from '@zubric/core/assembly';
import { planProblemInWords } from '@zubric/core/say';
import { useMemo } from 'react';
import { useSearchParams } from 'react-router';
import { PlainSwitch } from '../../common/PlainSwitch.tsx';
import { sayDay, today } from '../../common/days.ts';
import { useSay } from '../../common/units.tsx';
import { useTitle } from '../../common/use-title.ts';
import { useBuild } from '../../session/BuildSession.tsx';
import { Dates } from './Dates.tsx';
import { FirstPower } from './FirstPower.tsx';
import { PartsTable } from './PartsTable.tsx';
import { Service } from './Service.tsx';
import { StepList } from './StepList.tsx';
import { ToBuy } from './ToBuy.tsx';
import { Wiring } from './Wiring.tsx';

/** What is looked at: what to do, when and by whom, and what goes where. */
const VIEWS = [
  { value: 'steps', title: 'Steps and parts' },
  { value: 'dates', title: 'Dates and people' },
  { value: 'buy', title: 'To buy' },
  { value: 'wiring', title: 'Wiring' },
  { value: 'power', title: 'First power' },
  { value: 'service', title: 'Service' },
] as const;
type View = (typeof VIEWS)[number]['value'];

/** What can be done today, by steps or by dates. */
function Plan({ view }: { readonly view: 'steps' | 'dates' }) {
  const { build } = useBuild();
  const day = today();
  const outlook = useMemo(() => assemblyOutlook(build, day), [build, day]);
  return (
    <>
      <div>
        <h1>What can be done today, and will it be ready?</h1>
        <Answer outlook={outlook} readyBy={build.readyBy} />
      </div>
      <Problems outlook={outlook} />
      {view === 'dates' ? (
        <Dates outlook={outlook} />
      ) : (
        <div className="grid grid-cols-1 items-start gap-4 xl:grid-cols-[minmax(0,1fr)_minmax(0,1fr)]">
          <StepList outlook={outlook} />
          <PartsTable outlook={outlook} />
        </div>
      )}
    </>
  );
}

/** Station 6: what is on hand, what can be done today and by whom, and whether it will be ready. */
export function Assembly() {
  const { build } = useBuild();
  useTitle('Assembly', build.name);
  const [search, setSearch] = useSearchParams();
  const view: View = VIEWS.find(({ value }) => value === search.get('view'))?.value ?? 'steps';
  return (
    <div className="grid gap-3">
      <PlainSwitch
        className="[&_button]:min-h-10"
        label="What is looked at"
        options={VIEWS}
        value={view}
        onChoose={(next) => setSearch({ view: next }, { replace: true })}
      />
      {view === 'buy' && <ToBuy />}
      {view === 'wiring' && <Wiring />}
      {view === 'power' && <FirstPower />}
      {view === 'service' && <Service />}
      {(view === 'steps' || view === 'dates') && <Plan view={view} />}
    </div>
  );
}

/** What of the builder's own edits does not fit, or no longer. */
function Problems({ outlook }: { readonly outlook: AssemblyOutlook }) {
  if (outlook.problems.length === 0) return null;
  const titles = new Map([
    ...outlook.lines.map(({ id, name }) => [id, name] as const),
    ...outlook.steps.map(({ id, title }) => [id, title] as const),
  ]);
  return (
    <ul className="sheet divide-y divide-line" aria-label="What does not fit in your plan">
      {outlook.problems.map((problem) => {
        const said = planProblemInWords(problem, (id) => titles.get(id) ?? id);
        return (
          <li key={said} className="px-3 py-2">
            {said}
          </li>
        );
      })}
    </ul>
  );
}

interface AnswerProps {
  readonly outlook: AssemblyOutlook;
  readonly readyBy: string | null;
}

const names = (items: readonly { readonly name: string }[]): string => {
  const shown = items.slice(0, 3).map((item) => item.name);
  const more = items.length - shown.length;
  return more > 0 ? `${shown.join('; ')} and ${more} more` : shown.join('; ');
};

function Answer({ outlook, readyBy }: AnswerProps) {
  const say = useSay();
  const now = outlook.steps.filter((step) => step.state === 'now');
  const done = outlook.steps.every((step) => step.state === 'done');
  const late = readyBy !== null && outlook.readyOn !== undefined && outlook.readyOn > readyBy;
  return (
    <div className="mt-0.5 grid gap-0.5 text-[16px] text-soft">
      <p>
        {done ? (
          'Every step is done: the rest is trials and tuning.'
        ) : now.length === 0 ? (
          'Nothing can be done today: every step waits for a part, a cure or another step.'
        ) : (
          <>
            <b className="font-semibold text-ink">
              {now.length === 1 ? 'One step can be done today' : `${now.length} steps can be done today`}
            </b>
            : {names(now.map((step) => ({ name: step.title.toLowerCase() })))}. {say(outlook.leftS, 'time')}{' '}
            of hands-on work are left in all.
          </>
        )}
      </p>
      {!done && (
        <p>
          {outlook.readyOn === undefined ? (
            <>
              No day can be said: <b className="font-semibold text-ink">{names(outlook.undated)}</b>{' '}
              {outlook.undated.length === 1 ? 'has' : 'have'} no date yet.
            </>
          ) : (
            <>
              Ready on <b className="font-semibold text-ink">{sayDay(outlook.readyOn)}</b> with these times
              {readyBy !== null && <Reserve late={late} outlook={outlook} readyBy={readyBy} />}.
            </>
          )}
        </p>
      )}
      {outlook.overdue.length > 0 && (
        <p className="text-short">
          <b className="font-semibold">Overdue:</b> {names(outlook.overdue)}. Ask where it is, or give it
          another day.
        </p>
      )}
    </div>
  );
}

interface ReserveProps {
  readonly late: boolean;
  readonly outlook: AssemblyOutlook;
  readonly readyBy: string;
}

const Reserve = ({ late, outlook, readyBy }: ReserveProps) =>
  late ? (
    <b className="font-semibold text-short">: too late for {sayDay(readyBy)}</b>
  ) : (
    <>
      ; until {sayDay(readyBy)}{' '}
      <b className="font-semibold text-ink">
        {outlook.tuningDays === 1 ? '1 working day stays' : `${outlook.tuningDays ?? 0} working days stay`}
      </b>{' '}
      for trials and tuning
    </>
  );
