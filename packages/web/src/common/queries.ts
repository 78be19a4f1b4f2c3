import type { PartKind, PartOf } from '@zubric/core/vehicle';
import { useQuery } from '@tanstack/react-query';
import { api } from './api.ts';

/** The parts shelf, one kind of it. */
export function useShelf<K extends PartKind>(kind: K) {
  return useQuery({
    queryKey: ['parts'],
    queryFn: api.parts,
    select: (parts) => parts.filter((part): part is PartOf<K> => part.kind === kind),
  });
}
