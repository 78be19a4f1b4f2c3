import { useInfiniteQuery, useQuery } from '@tanstack/react-query';
import { useSearchParams } from 'react-router';
import { api } from '../../common/api.ts';
import { useTitle } from '../../common/use-title.ts';
import { useBuild, useSession } from '../../session/BuildSession.tsx';
import { Compare } from './Compare.tsx';
import { EntryList } from './EntryList.tsx';
import { EventLock } from './EventLock.tsx';
import { NoteForm } from './NoteForm.tsx';
import { Snapshots } from './Snapshots.tsx';

/** Station 9: what was changed, why, and what it did. */
export function Logbook() {
  const { id, whole: build } = useBuild();
  const { session } = useSession();
  const [search] = useSearchParams();
  const compare = search.get('compare');
  useTitle('Logbook', build.name);
  // A save may have added an entry: the log is read again with each version.
  const log = useInfiniteQuery({
    queryKey: ['log', id, session.version],
    queryFn: ({ pageParam }) => api.log(id, pageParam),
    initialPageParam: undefined as string | undefined,
    getNextPageParam: (page) => page.next ?? undefined,
    placeholderData: (before) => before,
  });
  const snapshots = useQuery({ queryKey: ['snapshots', id], queryFn: () => api.snapshots(id), staleTime: 0 });
  const problem = log.error ?? snapshots.error;
  return (
    <div className="grid gap-3">
      <h1>What was changed, why, and what did it do?</h1>
      {problem && (
        <p role="alert" className="border border-short bg-short-lo px-4 py-2">
          {problem.message}
        </p>
      )}
      <div className="grid grid-cols-1 items-start gap-4 lg:grid-cols-[minmax(0,1fr)_360px]">
        <div className="grid gap-3">
          {compare !== null && <Compare pair={compare} snapshots={snapshots.data ?? []} />}
          <NoteForm />
          {log.isPending ? (
            <p>Opening the logbook …</p>
          ) : (
            <EntryList entries={log.data?.pages.flatMap((page) => page.entries) ?? []} />
          )}
          {log.hasNextPage && (
            <button
              type="button"
              className="push justify-self-start"
              disabled={log.isFetchingNextPage}
              onClick={() => void log.fetchNextPage()}
            >
              Earlier entries
            </button>
          )}
        </div>
        <div className="grid gap-4">
          <Snapshots snapshots={snapshots.data ?? []} />
          <EventLock />
        </div>
      </div>
    </div>
  );
}
