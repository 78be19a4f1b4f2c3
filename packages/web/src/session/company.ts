import type { Company } from '@zubric/core/answers';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { api } from '../common/api.ts';
import { useBuild, useSession } from './BuildSession.tsx';
import { isUnsettled } from './session.ts';

const ASK_EVERY_MS = 5000;

/** Who else is on a build and how far it has come, asked for every few seconds while the page is looked at. */
export const useCompany = (buildId: string, station: string): Company | undefined =>
  useQuery({
    queryKey: ['company', buildId, station],
    queryFn: () => api.company(buildId, station),
    refetchInterval: ASK_EVERY_MS,
    placeholderData: (before) => before,
    staleTime: 0,
    retry: false,
  }).data;

/**
 * Asks at once where the server says that the build has changed, whichever server changed it. Only while the page is looked at:
 * a browser holds few such streams open at a time.
 */
export function useToldOfChanges(buildId: string): void {
  const queries = useQueryClient();
  useEffect(() => {
    if (typeof EventSource === 'undefined') return;
    let stream: EventSource | undefined;
    const asked = (): void => void queries.invalidateQueries({ queryKey: ['company', buildId] });
    const listen = (): void => {
      stream?.close();
      stream = undefined;
      if (document.visibilityState === 'hidden') return;
      stream = new EventSource(`/api/builds/${encodeURIComponent(buildId)}/changes`);
      stream.addEventListener('changed', asked);
    };
    listen();
    document.addEventListener('visibilitychange', listen);
    return () => {
      document.removeEventListener('visibilitychange', listen);
      stream?.close();
    };
  }, [buildId, queries]);
}

/** Takes over what others saved and recorded meanwhile; what is being changed here is left as it is. */
export function useTakenOver(company: Company | undefined): void {
  const { id, adopt } = useBuild();
  const { session } = useSession();
  const queries = useQueryClient();
  const behind = company !== undefined && company.version > session.version && !isUnsettled(session);
  const wanted = behind ? company.version : undefined;
  const [tries, setTries] = useState(0);
  useEffect(() => {
    if (wanted === undefined) return;
    let gone = false;
    let again: ReturnType<typeof setTimeout> | undefined;
    void api.build(id).then(
      (stored) => gone || adopt(stored),
      () => {
        if (!gone) again = setTimeout(() => setTries(tries + 1), ASK_EVERY_MS);
      },
    );
    return () => {
      gone = true;
      clearTimeout(again);
    };
  }, [id, wanted, adopt, tries]);
  const records = useRef(company?.records);
  useEffect(() => {
    if (company === undefined || records.current === company.records) return;
    const isFirst = records.current === undefined;
    records.current = company.records;
    if (isFirst) return;
    for (const key of ['trial-sets', 'log', 'snapshots'])
      void queries.invalidateQueries({ queryKey: [key, id] });
  }, [company, id, queries]);
}
