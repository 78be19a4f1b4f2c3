import type { SearchAsked, SearchProgress, SearchResult } from '@zubric/core/search';
import { useLongWork, type AskLong, type LongWork } from '../workers/use-long-work.ts';

/** What became of a search. */
export type Searching = LongWork<SearchAsked, SearchProgress, SearchResult>;

const SEARCH: AskLong<SearchAsked, SearchProgress, SearchResult> = {
  ask: (work, asked, tells) => work.search(asked, tells),
  nothingYet: { share: 0, judged: 0 },
  found: new Map(),
};

/** The search of a build. */
export const useSearch = (buildId: string) => useLongWork(buildId, SEARCH);
