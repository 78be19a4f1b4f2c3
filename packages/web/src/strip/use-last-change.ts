import { changeInWords, compareMargins, linkDefinition, type Block, type Report } from '@zubric/core/judge';
import type { Build } from '@zubric/core/vehicle';
import { showNumber } from '@zubric/core/quantity';
import { useEffect, useRef, useState } from 'react';

/** Blocks that the last edit moved, with what each margin was before. */
export type Moved = ReadonlyMap<Block, string>;

interface LastChange {
  readonly moved: Moved;
  /** For ears, one sentence. */
  readonly said: string;
}

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
      const all = compareMargins(before.current, report).filter(({ moved }) => moved);
      before.current = report;
      seen.current = of;
      if (all.length === 0) return;
      setChange({
        moved: new Map(
          all.flatMap(({ link, before: was }) =>
            was ? [[linkDefinition(link).block, `${showNumber(was.ratio)} ×`] as const] : [],
          ),
        ),
        said: changeInWords(all),
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
