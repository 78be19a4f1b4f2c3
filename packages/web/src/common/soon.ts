/** A frame comes within this time, unless the page is out of sight. */
const NO_FRAME_MS = 100;
/** A painted frame is on the screen after this time: until then what draws it has the processor to itself. */
const DRAWN_MS = 8;

/** What waits for the same frame: done in one turn, so that all it changes is drawn as one. */
interface Waiting {
  readonly works: Set<() => void>;
  readonly sinceMs: number;
}
let waiting: Waiting | undefined;

function forNextFrame(): Waiting {
  const works = new Set<() => void>();
  const own: Waiting = { works, sinceMs: performance.now() };
  const doAll = (): void => {
    closed();
    const [next] = works;
    if (!next) return;
    works.delete(next);
    try {
      next();
    } finally {
      // One that fails holds up none of the others.
      doAll();
    }
  };
  const closed = (): void => {
    if (waiting === own) waiting = undefined;
  };
  let timer = setTimeout(doAll, NO_FRAME_MS);
  requestAnimationFrame(() => {
    closed();
    clearTimeout(timer);
    // The frame is painted at the end of this turn.
    timer = setTimeout(doAll, DRAWN_MS);
  });
  return own;
}

/**
 * Does a work once what was just done is painted. Returns what calls it off.
 *
 * @example useEffect(() => afterPaint(() => setShown(value)), [value]);
 */
export function afterPaint(work: () => void): () => void {
  // A page that is put to sleep keeps what waits waiting: whoever comes after does not join it.
  if (!waiting || performance.now() - waiting.sinceMs > NO_FRAME_MS) waiting = forNextFrame();
  const { works } = waiting;
  // The same work of two is done for each.
  const own = (): void => work();
  works.add(own);
  return () => works.delete(own);
}

/**
 * Does a work once what was just done is painted; at once where the page goes away before. Returns what does it at once,
 * where it is still to be done.
 *
 * @example useEffect(() => soon(() => keepHistory(id, history)), [id, history]);
 */
export function soon(work: () => void): () => void {
  let due = true;
  const now = (): void => {
    if (!due) return;
    due = false;
    callOff();
    window.removeEventListener('pagehide', now);
    work();
  };
  const callOff = afterPaint(now);
  window.addEventListener('pagehide', now);
  return now;
}
