import { useEffect } from 'react';

/** The title of the page, so that a kept address says what it is. */
export function useTitle(...parts: readonly string[]): void {
  const title = [...parts.filter((part) => part !== ''), 'Zubric'].join(' · ');
  useEffect(() => {
    document.title = title;
  }, [title]);
}
