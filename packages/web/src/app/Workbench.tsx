import { closeness, type Report } from '@zubric/core/evaluate';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { Suspense, useCallback, useEffect } from 'react';
import { Outlet, useNavigate, useParams } from 'react-router';
import { BuildSession, useBuild } from '../session/BuildSession.tsx';
import type { SaveState } from '../session/session.ts';
import { CarriedResult } from '../sums/CarriedResult.tsx';
import { Strip } from '../strip/Strip.tsx';
import { ApiProblem, api } from './api.ts';
import { Conflict } from './Conflict.tsx';
import { Message } from './ErrorPage.tsx';
import { Guidance } from './Guidance.tsx';
import { Header } from './Header.tsx';
import { isTyping } from './keys.ts';
import { Rail } from './Rail.tsx';
import { fetchStationsAhead } from './station-pages.ts';
import { STATIONS, stationAddress } from './stations.ts';
import { UndoRedo } from './UndoRedo.tsx';

/** A build opened on the bench: header, rail, strip and the station chosen. */
export function Workbench() {
  const { buildId = '' } = useParams();
  const queries = useQueryClient();
  // The list may be on screen by the time a save comes through.
  const onSaved = useCallback(() => void queries.invalidateQueries({ queryKey: ['builds'] }), [queries]);
  const stored = useQuery({
    queryKey: ['build', buildId],
    queryFn: () => api.build(buildId),
    // The session owns the build from here on; it is not fetched again beneath the builder's hands.
    staleTime: Infinity,
    gcTime: 0,
    refetchOnWindowFocus: false,
    refetchOnReconnect: false,
    retry: (count, error) => count < 2 && !(error instanceof ApiProblem && error.status === 404),
  });
  if (stored.isError)
    return (
      <main id="main">
        <Message
          title={
            stored.error instanceof ApiProblem && stored.error.status === 404
              ? 'There is no such build'
              : 'This build cannot be opened'
          }
          text={stored.error.message}
          retry={() => void stored.refetch()}
        />
      </main>
    );
  if (!stored.data) return <p className="p-10">Opening the build …</p>;
  return (
    <BuildSession key={buildId} stored={stored.data} onSaved={onSaved}>
      <Bench />
    </BuildSession>
  );
}

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

function Bench() {
  const { id, build, session, report } = useBuild();
  useStationKeys(id);
  useEffect(fetchStationsAhead, []);
  return (
    <div className="grid min-h-screen grid-cols-[minmax(0,1fr)] grid-rows-[auto_auto_auto_1fr] md:grid-cols-[148px_minmax(0,1fr)] md:grid-rows-[auto_auto_1fr]">
      <div className="md:col-span-2">
        <Header>
          <span className="max-w-56 truncate font-narrow text-[16px] font-semibold" title={build.name}>
            {build.name}
          </span>
          <UndoRedo />
          <SaveMark state={session.save} message={session.message} />
          <Governing report={report} />
        </Header>
      </div>
      <Rail />
      <Strip />
      <main id="main" className="min-w-0 px-3 pt-3 pb-6 md:px-5">
        <Conflict />
        <CarriedResult />
        <Guidance />
        <Suspense fallback={<p>Opening the station …</p>}>
          <Outlet />
        </Suspense>
      </main>
    </div>
  );
}

const SAVE_WORDS: Readonly<Record<SaveState, string>> = {
  saved: 'saved',
  waiting: 'saving …',
  saving: 'saving …',
  offline: 'not saved: kept here, trying again',
  conflict: 'not saved: changed elsewhere',
  refused: 'not saved',
};

function SaveMark({ state, message }: { readonly state: SaveState; readonly message: string }) {
  const calm = state === 'saved' || state === 'waiting' || state === 'saving';
  return (
    <span
      role="status"
      className={`truncate text-[14px] ${calm ? 'text-bar-soft' : 'bg-short px-2 py-0.5 font-semibold text-sheet'}`}
      title={message}
    >
      {SAVE_WORDS[state]}
      {state === 'refused' && message !== '' ? `: ${message}` : ''}
    </span>
  );
}

function Governing({ report }: { readonly report: Report }) {
  const worst = [...report.governing].sort((a, b) => closeness(a) - closeness(b))[0];
  const duty = report.duties.find((d) => d.id === worst?.dutyId);
  if (!worst) return null;
  return (
    <span className="ml-auto hidden truncate text-[15px] text-bar-soft xl:inline">
      governed by <b className="font-semibold text-bar-ink">{duty?.name ?? 'the whole outing'}</b>
    </span>
  );
}
