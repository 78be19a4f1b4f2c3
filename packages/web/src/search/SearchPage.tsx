import {
  AIMS,
  evenWeights,
  putSetIn,
  ranked,
  usualLimits,
  type FoundSet,
  type SearchLimits,
} from '@zubric/core/search';
import type { Part } from '@zubric/core/vehicle';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback, useMemo, useState } from 'react';
import { api } from '../common/api.ts';
import { useTitle } from '../common/use-title.ts';
import { useBuild } from '../session/BuildSession.tsx';
import { Aims } from './Aims.tsx';
import { endsOf, isWithin, type Ends, type Narrowed } from './aims.ts';
import { MOST_COMPARED, SetList } from './SetList.tsx';
import { LimitsForm } from './LimitsForm.tsx';
import { SideBySide } from './SideBySide.tsx';
import { useSearch, type Searching } from './use-search.ts';
import { WhyNot } from './WhyNot.tsx';

/** What is allowed to begin with: all that the event of the build allows. */
const FIRST: SearchLimits = { ...usualLimits, event: true };

/** Which motor, driver, battery and stages would do all jobs best, of what can be had. */
export function SearchPage() {
  const { id, build } = useBuild();
  const { work: searching, start, stop } = useSearch(id);
  const shelf = useQuery({ queryKey: ['parts'], queryFn: api.parts });
  const [limits, setLimits] = useState<SearchLimits>(() =>
    searching.state === 'done' ? searching.asked.limits : FIRST,
  );
  const [unread, setUnread] = useState<readonly string[]>([]);
  const markUnread = useCallback(
    (name: string, on: boolean) =>
      setUnread((names) =>
        names.includes(name) === on ? names : on ? [...names, name] : names.filter((n) => n !== name),
      ),
    [],
  );
  useTitle('Best set', build.name);
  const running = searching.state === 'running';
  return (
    <div className="grid gap-3">
      <div>
        <h1>What would do all this best, with what can be had?</h1>
        <p className="mt-0.5 text-[16px] text-soft">
          Every set of motor, driver, battery and stages, judged on every job.
        </p>
      </div>
      <div className="grid grid-cols-1 items-start gap-4 lg:grid-cols-[20rem_minmax(0,1fr)]">
        <section className="sheet grid gap-3 p-3" aria-label="What may be put together">
          <LimitsForm parts={shelf.data ?? []} limits={limits} onChange={setLimits} onUnread={markUnread} />
          <div className="flex items-center gap-3">
            <button
              type="button"
              className="push push-main"
              disabled={!shelf.data || unread.length > 0 || running || build.duties.length === 0}
              onClick={() => void start({ build, shelf: shelf.data ?? [], limits })}
            >
              Search
            </button>
            {running && (
              <button type="button" className="push" onClick={stop}>
                Stop
              </button>
            )}
          </div>
          {shelf.isError && <p role="alert">{shelf.error.message}</p>}
          {build.duties.length === 0 && <p>Say in the Brief what it must do first.</p>}
          {unread.length > 0 && <p className="text-short">Put right what is marked first.</p>}
          <Progress searching={searching} />
        </section>
        {searching.state !== 'done' && !shelf.isError && <Before shelf={shelf.data} />}
        {searching.state === 'done' && <Results key={searching.answer.judged} done={searching} />}
      </div>
    </div>
  );
}

/** What will be looked through. */
function Before({ shelf }: { readonly shelf: readonly Part[] | undefined }) {
  if (!shelf) return <p className="pt-1 text-soft">The shelf is being opened …</p>;
  const count = (kind: Part['kind']): number => shelf.filter((part) => part.kind === kind).length;
  return (
    <div className="grid max-w-prose gap-2 pt-1 text-soft">
      <p>
        On the shelf lie {count('motor')} motors, {count('driver')} drivers and {count('battery')} batteries.
        What goes together is tried at ratios spread over the teeth that are to be had, on every job; what you
        do not allow is left out.
      </p>
      <p>
        You then choose among the sets that are worth it by cost, mass, run time and the margin that is
        nearest to failing, and ask of any other part why it is not among them.
      </p>
    </div>
  );
}

/** How far it is, and what went wrong. */
function Progress({ searching }: { readonly searching: Searching }) {
  if (searching.state === 'failed')
    return (
      <p role="alert" className="text-short">
        The search ended before its time: {searching.why}. Press Search for another try; fewer kinds of stages
        or wheels make it shorter.
      </p>
    );
  if (searching.state !== 'running') return null;
  const { share, judged } = searching.progress;
  return (
    <div>
      <progress className="w-full" max={1} value={share} aria-label="How far the search is" />
      <p className="text-[14px] text-soft tabular-nums">
        {judged.toLocaleString('en')} sets judged
        {searching.anew && '; it had stopped by itself and was started anew'}
      </p>
    </div>
  );
}

/** Puts a set in the build, once what it was is kept as a snapshot. */
function usePutIn() {
  const { id, edit } = useBuild();
  const queries = useQueryClient();
  const [putting, setPutting] = useState({ busy: false, said: '' });
  const putIn = async (set: FoundSet): Promise<void> => {
    setPutting({ busy: true, said: '' });
    try {
      const { number } = await api.takeSnapshot(id, `Before ${set.motor.name}`.slice(0, 120));
      edit((b) => putSetIn(b, set));
      setPutting({
        busy: false,
        said: `${set.motor.name} and ${set.battery.name} are in the build. What it was before is kept as snapshot ${number}; undo leads there too.`,
      });
      await queries.invalidateQueries({ queryKey: ['snapshots', id] });
    } catch (error) {
      setPutting({
        busy: false,
        said: `Nothing was put in, as no snapshot could be taken: ${error instanceof Error ? error.message : String(error)}`,
      });
    }
  };
  return { putting, putIn };
}

/** What was found: in one sentence, on its scales, as a list. */
function Results({ done: { answer, asked } }: { readonly done: Extract<Searching, { state: 'done' }> }) {
  const { build } = useBuild();
  const { front, judged, works, rejected } = answer;
  const { build: of } = asked;
  const [weights, setWeights] = useState(evenWeights);
  const [narrowed, setNarrowed] = useState<Narrowed>({});
  const [compared, setCompared] = useState<readonly FoundSet[]>([]);
  const { putting, putIn } = usePutIn();
  const ends = useMemo(
    () =>
      Object.fromEntries(AIMS.map((aim) => [aim, endsOf(front, aim)])) as Record<(typeof AIMS)[number], Ends>,
    [front],
  );
  const shown = useMemo(
    () =>
      ranked(
        front.filter((set) => isWithin(set, narrowed, ends)),
        weights,
      ),
    [front, narrowed, ends, weights],
  );
  return (
    <div className="grid min-w-0 gap-3">
      <p role="status">
        {judged.toLocaleString('en')} sets judged; {works === 0 ? 'none' : works.toLocaleString('en')} of them{' '}
        {works === 1 ? 'does' : 'do'} all that the parts decide.{' '}
        {works === 0
          ? `These ${front.length} come nearest, each by another motor.`
          : `${front.length} are worth choosing from: for every other, one of these is at least as good in everything.`}
        {works > 0 &&
          front.every(({ near }) => near < 1) &&
          ' Each is short of a rule somewhere: beside it stands where.'}
        {of !== build &&
          putting.said === '' &&
          ' The build has changed since: search again for what suits it now.'}
      </p>
      {front.length > 1 && works > 0 && (
        <Aims
          sets={front}
          shown={new Set(shown)}
          ends={ends}
          narrowed={narrowed}
          onNarrow={setNarrowed}
          weights={weights}
          onWeigh={setWeights}
        />
      )}
      <p role="status" className={putting.said === '' ? 'sr-only' : ''}>
        {putting.said}
      </p>
      {compared.length > 1 && (
        <SideBySide build={of} sets={compared} onPutIn={(set) => void putIn(set)} busy={putting.busy} />
      )}
      {shown.length === 0 && front.length > 0 && <p>None is left within these ends: draw them out again.</p>}
      {shown.length > 0 && (
        <SetList
          build={of}
          sets={works > 0 ? shown : front}
          compared={compared}
          onCompare={(set, on) =>
            setCompared((list) =>
              on ? [...list, set].slice(0, MOST_COMPARED) : list.filter((other) => other !== set),
            )
          }
          onPutIn={(set) => void putIn(set)}
          busy={putting.busy}
        />
      )}
      <WhyNot build={of} rejected={rejected} />
    </div>
  );
}
