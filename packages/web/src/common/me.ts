import type { Me } from '@zubric/core/answers';
import { useQuery } from '@tanstack/react-query';
import { api } from './api.ts';

/** Asks who this browser is to the server. */
export const useAskedMe = () => useQuery({ queryKey: ['me'], queryFn: api.me, staleTime: 60_000 });

/** Who this browser is to the server: undefined until it has answered. */
export const useMe = (): Me | undefined => useAskedMe().data;
