import { useMutation, useQueryClient, type UseMutationResult } from '@tanstack/react-query';
import { useBuild } from '../../session/BuildSession.tsx';

/** A change of the logbook itself; the log and the snapshots are read again after it. */
export function useLogChange<T, R>(change: (given: T) => Promise<R>): UseMutationResult<R, Error, T> {
  const { id } = useBuild();
  const queries = useQueryClient();
  return useMutation({
    mutationFn: change,
    onSuccess: () =>
      Promise.all([
        queries.invalidateQueries({ queryKey: ['log', id] }),
        queries.invalidateQueries({ queryKey: ['snapshots', id] }),
      ]),
  });
}
