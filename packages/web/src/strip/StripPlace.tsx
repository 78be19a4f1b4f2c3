import { Suspense, useEffect, useRef, useState } from 'react';
import { useBuild, useUnread } from '../session/BuildSession.tsx';
import { Strip } from './Strip.tsx';
import { useLastChange } from './use-last-change.ts';
import { lazyPart } from '../common/lazy-part.ts';
import { useMatches } from '../common/use-narrow.ts';

/** On a wide page it is not seen at first. */
const SlimStrip = lazyPart(async () => (await import('./SlimStrip.tsx')).SlimStrip);

const Unread = lazyPart(async () => (await import('./Unread.tsx')).Unread);

/** A page where the strip would take too much of the height. */
const NARROW = '(width < 48rem)';

/** Whether what is marked has been scrolled out of sight at the top. */
function usePassed(on: boolean) {
  const mark = useRef<HTMLDivElement>(null);
  const [passed, setPassed] = useState(false);
  useEffect(() => {
    const at = mark.current;
    if (!on || !at) return undefined;
    const watch = new IntersectionObserver(([entry]) => {
      if (entry) setPassed(!entry.isIntersecting && entry.boundingClientRect.bottom <= 0);
    });
    watch.observe(at);
    return () => watch.disconnect();
  }, [on]);
  return { mark, passed: on && passed };
}

/**
 * The strip where it belongs: whole on top of a station, one line once that is scrolled away, and one line alone where
 * the station is about other things or the page is narrow.
 */
export function StripPlace({ folds }: { readonly folds: boolean }) {
  const { report, whole: build } = useBuild();
  const { unread } = useUnread();
  const narrow = useMatches(NARROW);
  const { moved, said } = useLastChange(report, build);
  const [unfolded, setUnfolded] = useState(false);
  const whole = !folds && !narrow;
  const { mark, passed } = usePassed(whole);
  const slim = !whole || passed;
  return (
    <>
      <p role="status" aria-label="What the last edit moved" className="sr-only">
        {said}
      </p>
      {whole && (
        <div ref={mark}>
          <Strip moved={moved} />
        </div>
      )}
      <div className={narrow ? 'fixed inset-x-0 bottom-11 z-30' : `sticky top-0 z-30 ${whole ? 'h-0' : ''}`}>
        {narrow && unfolded && (
          <div className="max-h-[60vh] overflow-y-auto">
            <Strip moved={moved} />
          </div>
        )}
        {slim && (
          <Suspense fallback={<div className="h-10" />}>
            <SlimStrip moved={moved} unfolded={unfolded} onUnfold={setUnfolded} />
          </Suspense>
        )}
        {!narrow && slim && unfolded && <Strip moved={moved} />}
      </div>
      {unread.size > 0 && (
        <Suspense fallback={null}>
          <Unread />
        </Suspense>
      )}
    </>
  );
}
