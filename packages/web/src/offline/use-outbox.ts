import { useQuery, useQueryClient, type UseQueryResult } from '@tanstack/react-query';
import type { StoredTrial, StoredTrialSet } from '@zubric/core/answers';
import { useEffect, useMemo, useSyncExternalStore } from 'react';
import { api } from '../common/api.ts';
import { onSent, onUnsent, unsentNow, type Unsent } from './outbox.ts';

/** What was recorded on this device and is not sent yet. */
export const useUnsent = (): readonly Unsent[] => useSyncExternalStore(onUnsent, unsentNow);

/** Reads the logbook and the build again, once the server has what was recorded in them. */
export function useSentAgain(): void {
  const queries = useQueryClient();
  useEffect(
    () =>
      onSent(({ kind, buildId }) => {
        const key = kind === 'step' ? 'company' : kind === 'note' || kind === 'photo' ? 'log' : undefined;
        if (key !== undefined) void queries.invalidateQueries({ queryKey: [key, buildId] });
      }),
    [queries],
  );
}

/** A run that is not with the server yet says so. */
export type ShownTrial = StoredTrial & { readonly unsent?: true };
export type ShownTrialSet = Omit<StoredTrialSet, 'trials'> & {
  readonly trials: readonly ShownTrial[];
  readonly unsent?: true;
};

/** Runs of a set with one that is not sent yet: in its place where it was recorded before, else the last. */
const withRun = (
  trials: readonly ShownTrial[],
  { runId, reading, at }: Extract<Unsent, { kind: 'run' }>,
): readonly ShownTrial[] => {
  const run = { id: runId, reading, recordedAt: new Date(at).toISOString(), unsent: true } as const;
  return trials.some(({ id }) => id === runId)
    ? trials.map((trial) => (trial.id === runId ? { ...trial, ...run } : trial))
    : [...trials, { ...run, ordinal: (trials.at(-1)?.ordinal ?? 0) + 1 }];
};

/** Sets of trials of a build with what was recorded here and is not sent yet. */
export function withUnsent(
  sets: readonly ShownTrialSet[],
  unsent: readonly Unsent[],
  buildId: string,
): readonly ShownTrialSet[] {
  return unsent
    .filter((item) => item.buildId === buildId && item.refused === undefined)
    .reduce<readonly ShownTrialSet[]>((all, item) => {
      const inSet = (setId: string, change: (trials: readonly ShownTrial[]) => readonly ShownTrial[]) =>
        all.map((set) => (set.id === setId ? { ...set, trials: change(set.trials) } : set));
      if (item.kind === 'run') return inSet(item.setId, (trials) => withRun(trials, item));
      if (item.kind === 'run-removed')
        return inSet(item.setId, (trials) => trials.filter(({ id }) => id !== item.runId));
      if (item.kind !== 'set' || all.some(({ id }) => id === item.setId)) return all;
      const fresh: ShownTrialSet = {
        ...{ id: item.setId, buildId, ...item.body },
        ...{ invented: false, version: 1, createdAt: new Date(item.at).toISOString() },
        trials: [],
        unsent: true,
      };
      return [fresh, ...all];
    }, sets);
}

/** A set as the server has it now that what was recorded is sent. */
const asSent = ({ unsent: _set, trials, ...set }: ShownTrialSet): StoredTrialSet => ({
  ...set,
  trials: trials.map(({ unsent: _run, ...trial }) => trial),
});

/** The sets of trials of a build, with what is not sent yet. */
export function useTrialSets(buildId: string): {
  readonly stored: UseQueryResult<readonly StoredTrialSet[]>;
  readonly sets: readonly ShownTrialSet[] | undefined;
} {
  const stored = useQuery({ queryKey: ['trial-sets', buildId], queryFn: () => api.trialSets(buildId) });
  const unsent = useUnsent();
  const queries = useQueryClient();
  // What the server has just taken stands there until it is read again: it never goes from the page in between.
  useEffect(
    () =>
      onSent((item) => {
        if (item.buildId !== buildId) return;
        queries.setQueryData<readonly StoredTrialSet[]>(
          ['trial-sets', buildId],
          (before) => before && withUnsent(before, [item], buildId).map(asSent),
        );
        void queries.invalidateQueries({ queryKey: ['trial-sets', buildId] });
      }),
    [queries, buildId],
  );
  const sets = useMemo(
    () => stored.data && withUnsent(stored.data, unsent, buildId),
    [stored.data, unsent, buildId],
  );
  return { stored, sets };
}
