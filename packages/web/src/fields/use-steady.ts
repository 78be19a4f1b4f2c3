import { useCallback, useLayoutEffect, useRef } from 'react';

/**
 * The same function from drawing to drawing, which does what the one does that was given last: whoever is handed it is not
 * drawn anew for its sake. For what is called when something happens, not while it is drawn.
 *
 * @example <Line onChange={useSteady(onChange)} />
 */
export function useSteady<A extends readonly unknown[], R>(work: (...given: A) => R): (...given: A) => R;
export function useSteady<A extends readonly unknown[], R>(
  work: ((...given: A) => R) | undefined,
): ((...given: A) => R) | undefined;
export function useSteady<A extends readonly unknown[], R>(work: ((...given: A) => R) | undefined) {
  const latest = useRef(work);
  useLayoutEffect(() => {
    latest.current = work;
  });
  const steady = useCallback((...given: A): R | undefined => latest.current?.(...given), []);
  return work && steady;
}
