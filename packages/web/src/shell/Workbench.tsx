import { closeness } from '@zubric/core/judge';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { Suspense, useCallback, useEffect } from 'react';
import { Outlet, useLocation, useNavigate, useParams } from 'react-router';
import { BuildSession, useBuild, useSession } from '../session/BuildSession.tsx';
import type { SaveState } from '../session/session.ts';
import { CarriedResult } from '../sums/CarriedResult.tsx';
import { StripPlace } from '../strip/StripPlace.tsx';
import type { Company, DeviceRole, Lock } from '@zubric/core/answers';
import { readUnsent } from '../offline/outbox.ts';
import { Unsent } from '../offline/Unsent.tsx';
import { withUnsentSteps } from '../offline/unsent-steps.ts';
import { useSentAgain } from '../offline/use-outbox.ts';
import { useCompany, useTakenOver, useToldOfChanges } from '../session/company.ts';
import { Others } from './Others.tsx';
import { leftDrafts } from '../session/drafts.ts';
import type { KeptHere } from '../session/saving.ts';
import { api } from '../common/api.ts';
import { useAskedMe, useMe } from '../common/me.ts';
import { Guidance } from './Guidance.tsx';
import { Header } from '../frame/Header.tsx';
import { isTyping } from '../common/keys.ts';
import { Rail } from './Rail.tsx';
import { Removed } from './Removed.tsx';
import { fetchStationsAhead } from './station-pages.ts';
import { STATIONS, stationAddress, type StationPath } from '../common/stations.ts';
import { UndoRedo } from './UndoRedo.tsx';
import { lazyPart } from '../common/lazy-part.ts';

const StateNotices = lazyPart(async () => (await import('../frame/StateNotices.tsx')).StateNotices);

const CannotOpen = lazyPart(async () => (await import('./CannotOpen.tsx')).CannotOpen);

const Unsettled = lazyPart(async () => (await import('./Unsettled.tsx')).Unsettled);

/** A build opened on the bench: header, rail, strip and the station chosen. */
export function Workbench() {
  const { buildId = '' } = useParams();
  const queries = useQueryClient();
  // The list may be on screen by the time a save comes through.
  const onSaved = useCallback(() => void queries.invalidateQueries({ queryKey: ['builds'] }), [queries]);
  const stored = useQuery({
    queryKey: ['build', buildId],
    queryFn: async () => {
      const [build, unsent] = await Promise.all([api.build(buildId), readUnsent()]);
      const document = await withUnsentSteps(build.document, unsent, buildId);
      return { build: { ...build, document }, left: await leftDrafts(buildId, build.document) };
    },
    // The session owns the build from here on; it is not fetched again beneath the builder's hands.
    staleTime: Infinity,
    gcTime: 0,
    refetchOnWindowFocus: false,
    refetchOnReconnect: false,
  });
  const me = useAskedMe();
  const company = useCompany(buildId, useStation());
  useToldOfChanges(buildId);
  const lock = company ? company.lock : (stored.data?.build.lock ?? null);
  if (stored.isError)
    return (
      <Suspense>
        <CannotOpen id={buildId} error={stored.error} retry={() => void stored.refetch()} />
      </Suspense>
    );
  // What this browser may do is never guessed: what is recorded goes by another door than what is edited.
  if (me.isLoadingError)
    return (
      <Suspense>
        <CannotOpen id={buildId} error={me.error} retry={() => void me.refetch()} />
      </Suspense>
    );
  if (!stored.data || !me.data)
    return (
      <p className="p-10" role="status">
        {stored.failureCount > 0 ? 'The server does not answer yet; asking again …' : 'Opening the build …'}
      </p>
    );
  return (
    <BuildSession
      key={buildId}
      stored={stored.data.build}
      left={stored.data.left}
      onSaved={onSaved}
      may={mayDo(me.data.role, lock)}
      lock={lock}
    >
      <Bench id={buildId} company={company} />
    </BuildSession>
  );
}

/** What a role may with a build that may be locked: a locked one is recorded in, and not changed. */
const mayDo = (role: DeviceRole, lock: Lock | null): DeviceRole =>
  role === 'everything' && lock !== null ? 'record' : role;

/** The last part of the address: the station that is open. */
const useStation = (): string => useLocation().pathname.split('/').at(-1) ?? '';

/** 1 to 9 open the stations, unless something is being typed. */
function useStationKeys(buildId: string): void {
  const navigate = useNavigate();
  useEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      if (event.ctrlKey || event.metaKey || event.altKey || isTyping(event.target)) return;
      const station = STATIONS.find((s) => s.key === event.key);
      if (station) void navigate(stationAddress(buildId, station.path));
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [buildId, navigate]);
}

/** What stands around a station. It is drawn anew with the page: what follows the build does so by itself. */
function Bench({ id, company }: { readonly id: string; readonly company: Company | undefined }) {
  useSentAgain();
  const { pathname } = useLocation();
  const at = (station: StationPath): boolean => pathname.endsWith(`/${station}`);
  useStationKeys(id);
  useEffect(fetchStationsAhead, []);
  return (
    <div className="grid min-h-screen grid-cols-[minmax(0,1fr)] grid-rows-[auto_1fr] max-md:pb-24 md:grid-cols-[148px_minmax(0,1fr)]">
      <TakenOver company={company} />
      <div className="md:col-span-2">
        <Header>
          <BuildName />
          <UndoRedo />
          <Kept />
          <Unsent />
          <Others company={company} />
          <Governing />
        </Header>
      </div>
      <Rail />
      <div className="min-w-0">
        <StripPlace folds={FOLDED.some(at)} />
        <main
          id="main"
          className="min-w-0 px-3 pt-3 pb-6 md:px-5"
          {...(BY_HAND.some(at) ? { 'data-touch': '' } : {})}
        >
          <Suspense fallback={null}>
            <StateNotices />
          </Suspense>
          <Unsettling />
          <CarriedResult />
          <Removed />
          <Guidance />
          <Suspense fallback={<p>Opening the station …</p>}>
            <Outlet />
          </Suspense>
        </main>
      </div>
    </div>
  );
}

function TakenOver({ company }: { readonly company: Company | undefined }) {
  useTakenOver(company);
  return null;
}

function BuildName() {
  const { name } = useBuild().build;
  return (
    <span className="max-w-56 truncate font-narrow text-[16px] font-semibold" title={name}>
      {name}
    </span>
  );
}

function Kept() {
  const { keeps } = useBuild();
  const { session, keptHere } = useSession();
  return keeps ? (
    <SaveMark state={session.save} message={session.message} keptHere={keptHere} />
  ) : (
    <TriedMark />
  );
}

/** What is to be settled by the builder, fetched where there is something. */
function Unsettling() {
  const { session, left } = useSession();
  if (session.save !== 'gone' && !session.theirs && left.length === 0) return null;
  return (
    <Suspense fallback={null}>
      <Unsettled />
    </Suspense>
  );
}

/** Stations whose own question is another than what the strip answers. */
const FOLDED: readonly StationPath[] = ['assembly', 'trials', 'logbook'];
/** Stations that are used at the bench and on the floor. */
const BY_HAND: readonly StationPath[] = ['assembly', 'trials'];

const SAVE_WORDS: Readonly<Record<SaveState, string>> = {
  saved: 'saved',
  waiting: 'saving …',
  saving: 'saving …',
  offline: 'not saved',
  conflict: 'not saved, as it differs elsewhere',
  refused: 'not saved',
  gone: 'not saved, as it was thrown away',
};

/** Where an edit is that the server does not have: said only once it is so. */
const KEPT_WORDS: Readonly<Record<KeptHere, string>> = {
  kept: ': kept here',
  keeping: '',
  'only-on-screen': ': only on this screen',
};

interface SaveMarkProps {
  readonly state: SaveState;
  readonly message: string;
  readonly keptHere: KeptHere;
}

function SaveMark({ state, message, keptHere }: SaveMarkProps) {
  const calm = state === 'saved' || state === 'waiting' || state === 'saving';
  return (
    <span
      role="status"
      className={`truncate text-[14px] ${calm ? 'text-bar-soft' : 'bg-short px-2 py-0.5 font-semibold text-sheet'}`}
      title={message}
    >
      {SAVE_WORDS[state]}
      {calm ? '' : KEPT_WORDS[keptHere]}
      {state === 'offline' && ', trying again'}
      {state === 'refused' && message !== '' ? `: ${message}` : ''}
    </span>
  );
}

/** Where edits are not kept: why, and the way back to what is. */
function TriedMark() {
  const { revert, lock } = useBuild();
  const { session } = useSession();
  const me = useMe();
  const tried = session.build !== session.confirmed;
  const why = lock ? `locked for “${lock.event}”` : me?.role === 'record' ? 'to record' : 'to look at';
  if (!tried)
    return (
      <span role="status" className="truncate text-[14px] text-bar-soft">
        {why}
      </span>
    );
  return (
    <span
      role="status"
      className="flex items-center gap-2 bg-short px-2 text-[14px] font-semibold text-sheet"
    >
      {why}: tried here, not kept
      <button type="button" className="underline" onClick={revert}>
        Take it back
      </button>
    </span>
  );
}

function Governing() {
  const { report } = useBuild();
  const worst = [...report.governing].sort((a, b) => closeness(a) - closeness(b))[0];
  const duty = report.duties.find((d) => d.id === worst?.dutyId);
  if (!worst) return null;
  return (
    <span className="ml-auto hidden truncate text-[15px] text-bar-soft xl:inline">
      governed by <b className="font-semibold text-bar-ink">{duty?.name ?? 'the whole outing'}</b>
    </span>
  );
}
