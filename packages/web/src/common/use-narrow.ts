import { useCallback, useSyncExternalStore } from 'react';

const media = (query: string): MediaQueryList | undefined =>
  typeof matchMedia === 'function' ? matchMedia(query) : undefined;

/** Whether the page is as a media query says. */
export function useMatches(query: string): boolean {
  const listen = useCallback(
    (changed: () => void) => {
      const found = media(query);
      found?.addEventListener('change', changed);
      return () => found?.removeEventListener('change', changed);
    },
    [query],
  );
  return useSyncExternalStore(listen, () => media(query)?.matches ?? false);
}

/** Whether the page is as narrow as a phone: one thing at a time is asked there. */
export const useNarrow = (): boolean => useMatches('(max-width: 639px)');
