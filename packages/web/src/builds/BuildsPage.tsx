import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Suspense, lazy, useRef, useState, type DragEvent } from 'react';
import { Link, useSearchParams } from 'react-router';
import type { BuildLine, Place } from '@zubric/core/answers';
import { ApiProblem, api } from '../common/api.ts';
import { Below } from '../common/Below.tsx';
import { NoKey } from '../common/Message.tsx';
import { DiskNotice, Notices } from '../frame/StateNotices.tsx';
import { download } from '../common/download.ts';
import { Header } from '../frame/Header.tsx';
import { useTitle } from '../common/use-title.ts';
import { BuildTable } from './BuildTable.tsx';
import { MendBuild } from './MendBuild.tsx';
import type { FileRead } from './read-files.ts';
import { fileNameOf } from './file-name.ts';

interface Shelf {
  readonly place: Place;
  readonly title: string;
  readonly empty: string;
}

const BENCH: Shelf = {
  place: 'bench',
  title: 'On the bench',
  empty: 'No build yet. Give the first one a name above.',
};
const PLACES: readonly Shelf[] = [
  BENCH,
  {
    place: 'archive',
    title: 'Set aside',
    empty: 'Nothing is set aside. Builds that are finished can rest here.',
  },
  {
    place: 'bin',
    title: 'Thrown away',
    empty: 'Nothing was thrown away. What is can be had back from here.',
  },
];

const DONE: Readonly<Record<Place, string>> = {
  bench: 'is back on the bench',
  archive: 'is set aside',
  bin: 'was thrown away',
};

/** Reading and writing files is fetched when it is wanted. */
const BringIn = lazy(async () => ({ default: (await import('./BringIn.tsx')).BringIn }));
/** What a new build starts from needs half the core; the list does not wait for it. */
const NewBuild = lazy(async () => ({ default: (await import('./NewBuild.tsx')).NewBuild }));
const reading = () => import('./read-files.ts');
const writing = () => import('./take-out.ts');

/** What was just done, and how to take it back. */
interface Notice {
  readonly text: string;
  readonly undo?: () => void;
}

/** All vehicles, the last touched first. */
export function BuildsPage() {
  useTitle('Builds');
  const [search, setSearch] = useSearchParams();
  const { place, empty } = PLACES.find((p) => p.place === search.get('place')) ?? BENCH;
  const [wanted, setWanted] = useState('');
  const [picked, setPicked] = useState<ReadonlySet<string>>(new Set());
  const [notice, setNotice] = useState<Notice>();
  const [files, setFiles] = useState<readonly FileRead[]>();
  const queries = useQueryClient();
  const builds = useQuery({ queryKey: ['builds', place], queryFn: () => api.builds(place), staleTime: 0 });
  const refresh = (): Promise<void> => queries.invalidateQueries({ queryKey: ['builds'] });

  const put = useMutation({
    mutationFn: ({ build, to }: { readonly build: BuildLine; readonly to: Place }) =>
      api.putBuild(build.id, to),
    onSuccess: async (_, { build, to }) => {
      setPicked(new Set());
      setNotice({
        text: `“${build.name}” ${DONE[to]}.`,
        undo: () => {
          setNotice(undefined);
          void api.putBuild(build.id, place).then(refresh);
        },
      });
      await refresh();
    },
  });
  const copy = useMutation({
    mutationFn: (build: BuildLine) => api.copyBuild(build.id, copyName(build.name, builds.data ?? [])),
    onSuccess: async (made) => {
      setNotice({ text: `“${made.document.name}” lies on the bench.` });
      await refresh();
    },
  });
  const takeOut = useMutation({
    mutationFn: async (ids: readonly string[]) => {
      const [{ takenOut }, ...stored] = await Promise.all([writing(), ...ids.map((id) => api.build(id))]);
      return takenOut(stored.map((build) => build.document));
    },
    onSuccess: ({ name, content }) => {
      download(name, content);
      setNotice({ text: `Taken out as ${name}.` });
    },
  });
  const takeOutOther = useMutation({
    mutationFn: async ({ build, whole }: { readonly build: BuildLine; readonly whole: boolean }) => {
      const content = whole ? await api.wholeBuild(build.id) : await api.buildFile(build.id);
      return { name: `${fileNameOf(build.name)}.${whole ? 'zubric-whole' : 'zubric'}.json`, content };
    },
    onSuccess: ({ name, content }) => {
      download(name, new Blob([`${JSON.stringify(content, null, 2)}\n`], { type: 'application/json' }));
      setNotice({ text: `Taken out as ${name}.` });
    },
  });
  const [mending, setMending] = useState<BuildLine>();
  const problem = builds.error ?? put.error ?? copy.error ?? takeOut.error ?? takeOutOther.error;

  const offer = (list: FileList | null): void => {
    if (!list || list.length === 0) return;
    const files = [...list];
    void reading()
      .then(({ readBuildFiles }) => readBuildFiles(files))
      .then(setFiles);
  };
  const shown = (builds.data ?? []).filter((build) =>
    `${build.name} ${'problem' in build ? '' : build.purpose}`
      .toLowerCase()
      .includes(wanted.trim().toLowerCase()),
  );
  if (builds.error instanceof ApiProblem && builds.error.status === 401) return <NoKey />;
  return (
    <div
      onDragOver={(event: DragEvent) => event.preventDefault()}
      onDrop={(event: DragEvent) => {
        event.preventDefault();
        offer(event.dataTransfer.files);
      }}
    >
      <Header>
        <Link to="/sums" className="font-narrow text-[16px] font-semibold underline underline-offset-4">
          Quick sums
        </Link>
      </Header>
      <main id="main" className="mx-auto max-w-[1120px] px-4 py-5 md:px-6">
        <DiskNotice />
        <div className="grid gap-4 lg:grid-cols-[1fr_minmax(0,560px)]">
          <div>
            <h1>Which vehicle is on the bench?</h1>
            <p className="mt-1 text-soft">Open one, begin a new one, or bring one in from a file.</p>
          </div>
          <Below answered={!builds.isPending} waiting={<div className="sheet h-[110px]" aria-hidden />}>
            <NewBuild />
          </Below>
        </div>
        <div className="mt-5 flex flex-wrap items-center gap-3">
          <div role="group" aria-label="Which builds" className="flex">
            {PLACES.map((p) => (
              <button
                key={p.place}
                type="button"
                aria-pressed={p.place === place}
                className={`push -ml-px first:ml-0 ${p.place === place ? 'push-main' : ''}`}
                onClick={() => {
                  setPicked(new Set());
                  setSearch(p.place === 'bench' ? {} : { place: p.place }, { replace: true });
                }}
              >
                {p.title}
              </button>
            ))}
          </div>
          <label className="flex min-w-48 flex-1 items-center gap-2">
            <span className="text-[14px] text-soft">Search</span>
            <input
              className="entry"
              type="search"
              placeholder="name or purpose"
              value={wanted}
              onChange={(event) => setWanted(event.target.value)}
            />
          </label>
          <FilePicker onFiles={offer} />
          <button
            type="button"
            className="push"
            disabled={picked.size === 0 || place === 'bin' || takeOut.isPending}
            onClick={() => takeOut.mutate([...picked])}
          >
            Take out {picked.size === 0 ? 'files' : picked.size === 1 ? '1 file' : `${picked.size} files`}
          </button>
        </div>
        {problem && (
          <p role="alert" className="mt-3 border border-short bg-short-lo px-4 py-2">
            {problem.message}
          </p>
        )}
        <Notices />
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
        {mending && (
          <MendBuild
            build={mending}
            onClose={() => setMending(undefined)}
            onMended={() => {
              setMending(undefined);
              setNotice({ text: `“${mending.name}” opens again.` });
              void refresh();
            }}
          />
        )}
        {builds.isPending && (
          <p className="mt-6">
            {builds.failureCount > 0
              ? 'The server does not answer yet; asking again …'
              : 'Looking for builds …'}
          </p>
        )}
        {builds.data && builds.data.length === 0 && <p className="mt-6">{empty}</p>}
        {builds.data && builds.data.length > 0 && shown.length === 0 && (
          <p className="mt-6">No build here has these words in its name or purpose.</p>
        )}
        {shown.length > 0 && (
          <BuildTable
            builds={shown}
            place={place}
            picked={picked}
            onPick={(id, on) =>
              setPicked(
                (before) => new Set(on ? [...before, id] : [...before].filter((other) => other !== id)),
              )
            }
            actions={{
              copy: (build) => copy.mutate(build),
              takeOut: (build) => takeOut.mutate([build.id]),
              takeOutWhole: (build) => takeOutOther.mutate({ build, whole: true }),
              takeOutAsKept: (build) => takeOutOther.mutate({ build, whole: false }),
              mend: setMending,
              put: (build, to) => put.mutate({ build, to }),
            }}
          />
        )}
      </main>
      {files && (
        <Suspense>
          <BringIn
            files={files}
            names={new Set((builds.data ?? []).map((build) => build.name))}
            onClose={() => setFiles(undefined)}
            onDone={(count) => {
              setFiles(undefined);
              setNotice({
                text: count === 1 ? 'One build was brought in.' : `${count} builds were brought in.`,
              });
              void refresh();
            }}
          />
        </Suspense>
      )}
    </div>
  );
}

/** "Puffin, copy", "Puffin, copy 2": a name that no build here has. */
function copyName(name: string, builds: readonly BuildLine[]): string {
  const taken = new Set(builds.map((build) => build.name));
  const stem = `${name.slice(0, 105)}, copy`;
  let n = 1;
  while (taken.has(n === 1 ? stem : `${stem} ${n}`)) n++;
  return n === 1 ? stem : `${stem} ${n}`;
}

/** A button that opens the browser's own choice of files; the same file may be chosen twice. */
function FilePicker({ onFiles }: { readonly onFiles: (files: FileList | null) => void }) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <input
        ref={input}
        type="file"
        className="hidden"
        accept=".json,.zip,application/json,application/zip"
        multiple
        aria-label="Build files"
        onChange={(event) => {
          onFiles(event.target.files);
          event.target.value = '';
        }}
      />
      <button type="button" className="push" onClick={() => input.current?.click()}>
        Bring in files …
      </button>
    </>
  );
}
