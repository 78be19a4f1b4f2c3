import { useLayoutEffect, useRef } from 'react';
import { useLocation, useNavigationType } from 'react-router';

/** A page that was gone to begins at its top; where one goes back, the browser finds the place that was left. */
export function useTopOfPage(): void {
  const { pathname, hash } = useLocation();
  const how = useNavigationType();
  const shown = useRef(pathname);
  useLayoutEffect(() => {
    const isOther = shown.current !== pathname;
    shown.current = pathname;
    // What has a name within the page is brought to sight by the page itself.
    if (isOther && how !== 'POP' && hash === '') window.scrollTo(0, 0);
  }, [pathname, hash, how]);
}
