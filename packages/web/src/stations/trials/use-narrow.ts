import { useSyncExternalStore } from 'react';

const query = (): MediaQueryList | undefined =>
  typeof matchMedia === 'function' ? matchMedia('(max-width: 639px)') : undefined;

const listen = (changed: () => void): (() => void) => {
  const media = query();
  media?.addEventListener('change', changed);
  return () => media?.removeEventListener('change', changed);
};

/** Whether the page is as narrow as a phone: one thing at a time is asked there. */
export const useNarrow = (): boolean => useSyncExternalStore(listen, () => query()?.matches ?? false);
