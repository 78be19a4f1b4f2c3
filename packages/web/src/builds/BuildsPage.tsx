import type { BuildLine, BuildPlace } from '@zubric/core/answers';
import { Suspense, useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { ApiProblem } from '../common/api.ts';
import { useMe } from '../common/me.ts';
import { NoKey } from '../common/Message.tsx';
import { useTitle } from '../common/use-title.ts';
import { Header } from '../frame/Header.tsx';
import { StateNotices } from '../frame/StateNotices.tsx';
import { Unsent } from '../offline/Unsent.tsx';
import type { BuildActions } from './BuildMenu.tsx';
import { BuildTable } from './BuildTable.tsx';
import { BuildsBar } from './BuildsBar.tsx';
import { MendBuild } from './MendBuild.tsx';
import { SHELVES, wantedOf } from './shelves.ts';
import { useFilesIn } from './use-files-in.tsx';
import { useBuildList, type Notice } from './use-build-list.ts';
import { lazyPart } from '../common/lazy-part.ts';

const CopiesDialog = lazyPart(async () => (await import('./CopiesDialog.tsx')).CopiesDialog);

/** All vehicles, the last touched first. */
export function BuildsPage() {
  useTitle('Builds');
  const [search, setSearch] = useSearchParams();
  const asked = search.get('place');
  const { place } = SHELVES[asked === 'archive' || asked === 'bin' ? asked : 'bench'];
  const list = useBuildList(place);
  const { builds, refresh, notice, setNotice, takeOut, problem } = list;
  const [wanted, setWanted] = useState('');
  const [picked, setPicked] = useState<ReadonlySet<string>>(new Set());
  const [mending, setMending] = useState<BuildLine>();
  const [copying, setCopying] = useState<BuildLine>();
  const goTo = (to: BuildPlace): void => {
    setPicked(new Set());
    setSearch(to === 'bench' ? {} : { place: to }, { replace: true });
  };
  const done = (text: string): void => {
    setMending(undefined);
    setNotice({ text });
    void refresh();
  };
  const { offer, dropping, dialog } = useFilesIn(
    (builds.data ?? []).map((build) => build.name),
    done,
  );
  const actions: BuildActions = {
    copy: (build) => list.copy.mutate(build),
    copies: setCopying,
    takeOut: (build) => takeOut.documents([build.id]),
    takeOutWhole: takeOut.whole,
    takeOutAsKept: takeOut.asKept,
    mend: setMending,
    put: (build, to) => list.put.mutate({ build, to }, { onSuccess: () => setPicked(new Set()) }),
  };
  const me = useMe();
  // A device that may only look or record is offered nothing that it would be refused.
  const canChange = me === undefined || me.role === 'everything';
  const nothingToTake = picked.size === 0 || place === 'bin' || takeOut.isPending;
  if (builds.error instanceof ApiProblem && builds.error.status === 401) return <NoKey />;
  return (
    <div {...dropping}>
      <Top />
      <main id="main" className="mx-auto max-w-[1120px] px-4 py-5 md:px-6">
        <StateNotices />
        <Question canBegin={canChange} />
        <BuildsBar
          place={place}
          onPlace={goTo}
          wanted={wanted}
          onWanted={setWanted}
          onFiles={canChange ? offer : undefined}
          picked={picked.size}
          onTakeOut={nothingToTake ? undefined : () => takeOut.documents([...picked])}
        />
        <Said problem={problem} notice={notice} />
        {mending && (
          <MendBuild
            build={mending}
            onClose={() => setMending(undefined)}
            onMended={() => done(`“${mending.name}” opens again.`)}
          />
        )}
        <Waiting list={list} empty={SHELVES[place].empty} wanted={wanted} />
        <BuildTable
          builds={wantedOf(builds.data ?? [], wanted)}
          place={place}
          picked={picked}
          onPick={(id, on) =>
            setPicked((before) => new Set(on ? [...before, id] : [...before].filter((o) => o !== id)))
          }
          actions={canChange ? actions : undefined}
        />
      </main>
      {dialog}
      {copying && <Copies list={list} build={copying} onClose={() => setCopying(undefined)} />}
    </div>
  );
}

interface CopiesProps {
  readonly list: ReturnType<typeof useBuildList>;
  readonly build: BuildLine;
  readonly onClose: () => void;
}

const Copies = ({ list: { builds, copies }, build, onClose }: CopiesProps) => (
  <Suspense>
    <CopiesDialog
      build={build}
      taken={(builds.data ?? []).map(({ name }) => name)}
      onClose={onClose}
      problem={copies.error?.message}
      onMake={async (names) => {
        await copies.mutateAsync({ build, names });
        onClose();
      }}
    />
  </Suspense>
);

function Top() {
  const me = useMe();
  return (
    <Header>
      <Link to="/shelf" className="font-narrow text-[16px] font-semibold underline underline-offset-4">
        Parts shelf
      </Link>
      <Link to="/sums" className="font-narrow text-[16px] font-semibold underline underline-offset-4">
        Quick sums
      </Link>
      {me?.own === true && (
        <Link to="/devices" className="font-narrow text-[16px] font-semibold underline underline-offset-4">
          Devices
        </Link>
      )}
      <Unsent />
    </Header>
  );
}

const Question = ({ canBegin }: { readonly canBegin: boolean }) => (
  <div className="flex flex-wrap items-center justify-between gap-3">
    <div>
      <h1>Which vehicle is on the bench?</h1>
      <p className="mt-1 text-soft">Open one, begin a new one, or bring one in from a file.</p>
    </div>
    {canBegin && (
      <Link to="/new" className="push push-main">
        New build
      </Link>
    )}
  </div>
);

interface SaidProps {
  readonly problem: Error | null;
  readonly notice: Notice | undefined;
}

/** What went wrong, and what was done. */
const Said = ({ problem, notice }: SaidProps) => (
  <>
    {problem && (
      <p role="alert" className="mt-3 border border-short bg-short-lo px-4 py-2">
        {problem.message}
      </p>
    )}
    <p
      role="status"
      className={notice ? 'mt-3 flex items-center gap-3 border border-edge bg-field px-4 py-2' : ''}
    >
      {notice?.text}
      {notice?.undo && (
        <button type="button" className="push push-small" onClick={notice.undo}>
          Undo
        </button>
      )}
    </p>
  </>
);

interface WaitingProps {
  readonly list: ReturnType<typeof useBuildList>;
  readonly empty: string;
  readonly wanted: string;
}

/** What stands in the place of the list while there is none. */
function Waiting({ list: { builds }, empty, wanted }: WaitingProps) {
  if (builds.isPending)
    return (
      <p className="mt-6">
        {builds.failureCount > 0 ? 'The server does not answer yet; asking again …' : 'Looking for builds …'}
      </p>
    );
  if (!builds.data) return null;
  if (builds.data.length === 0) return <p className="mt-6">{empty}</p>;
  return wantedOf(builds.data, wanted).length === 0 ? (
    <p className="mt-6">No build here has these words in its name or purpose.</p>
  ) : null;
}
