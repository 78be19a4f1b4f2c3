import type { Report } from '@zubric/core/judge';
import type { Build } from '@zubric/core/vehicle';
import { useEffect, useRef, useState } from 'react';
import { fetched } from '../common/lazy-part.ts';
import type { LastChange } from './change-between.ts';

const NOTHING: LastChange = { moved: new Map(), said: '' };
/** Typing is one edit until it rests this long. */
const RESTS_MS = 700;
const MARKED_MS = 4000;

/** What the last edit did to the margins: marked for a moment after it rests. */
export function useLastChange(report: Report, of: Build): LastChange {
  const before = useRef(report);
  const seen = useRef(of);
  const [change, setChange] = useState(NOTHING);
  useEffect(() => {
    if (report === before.current) return undefined;
    if (of === seen.current) {
      // Looked at through another drive: nothing was edited.
      before.current = report;
      return undefined;
    }
    const timer = setTimeout(() => {
      const was = before.current;
      before.current = report;
      seen.current = of;
      // Nothing is moved before the first edit: how it is said may come after the page.
      void fetched(() => import('./change-between.ts')).then(({ changeBetween }) => {
        const moved = changeBetween(was, report);
        if (moved) setChange(moved);
      });
    }, RESTS_MS);
    return () => clearTimeout(timer);
  }, [report, of]);
  useEffect(() => {
    if (change === NOTHING) return undefined;
    const timer = setTimeout(() => setChange(NOTHING), MARKED_MS);
    return () => clearTimeout(timer);
  }, [change]);
  return change;
}
