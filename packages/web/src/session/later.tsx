import {
  memo,
  startTransition,
  useDeferredValue,
  useEffect,
  useRef,
  useState,
  useSyncExternalStore,
  type ComponentType,
} from 'react';
import { afterPaint } from '../common/soon.ts';
import { OpenBuildContext, useBuild } from './BuildSession.tsx';

/** In which order builds came, so that what is shown never goes back to an earlier one. */
const order = new WeakMap<object, number>();
let came = 0;
function orderOf(open: object): number {
  const known = order.get(open);
  if (known !== undefined) return known;
  came += 1;
  order.set(open, came);
  return came;
}

const isText = (target: EventTarget | null): boolean =>
  target instanceof HTMLTextAreaElement ||
  (target instanceof HTMLInputElement && target.type !== 'checkbox' && target.type !== 'radio');

const isTyped = (): boolean => isText(document.activeElement);

function onFocus(changed: () => void): () => void {
  for (const type of ['focusin', 'focusout']) document.addEventListener(type, changed);
  return () => {
    for (const type of ['focusin', 'focusout']) document.removeEventListener(type, changed);
  };
}

/** What begins with another control than the one that is typed in. */
const BEGINS = ['pointerdown', 'focusin', 'keydown'] as const;

/** A value as it was when the page was last painted: what follows it takes no time from the frame before. */
function useAsPainted<T extends object>(value: T): T {
  const [painted, setPainted] = useState(value);
  useEffect(
    () => (value === painted ? undefined : afterPaint(() => startTransition(() => setPainted(value)))),
    [value, painted],
  );
  return painted;
}

/**
 * The build as it is shown a moment after: while somebody types, once there is time; at once when another control is
 * taken to hand, so that nothing is ever changed from what is no more; and at once what a press did, so that nothing
 * moves away from under the next one.
 */
function useLaterBuild() {
  const open = useBuild();
  const deferred = useAsPainted(open);
  const typed = useSyncExternalStore(onFocus, isTyped);
  const [caughtUp, setCaughtUp] = useState(open);
  const latest = useRef(open);
  orderOf(open);
  useEffect(() => {
    latest.current = open;
  }, [open]);
  useEffect(() => {
    const catchUp = (event: Event): void => {
      if (event.type !== 'keydown' || !isText(event.target)) setCaughtUp(latest.current);
    };
    for (const type of BEGINS) document.addEventListener(type, catchUp, true);
    return () => {
      for (const type of BEGINS) document.removeEventListener(type, catchUp, true);
    };
  }, []);
  if (!typed) return open;
  return orderOf(deferred) >= orderOf(caughtUp) ? deferred : caughtUp;
}

/**
 * A part of a page that may follow a moment after the strip. What is dragged by hand follows at once: no field is typed in then.
 */
export function later<P extends object>(Part: ComponentType<P>): ComponentType<P> {
  const Held = memo(Part) as unknown as ComponentType<P>;
  return function Later(props: P) {
    const open = useLaterBuild();
    return (
      <OpenBuildContext value={open}>
        <Held {...props} />
      </OpenBuildContext>
    );
  };
}

/**
 * A part of a page that always follows a moment after, while something is dragged too: one that changes the build by what
 * it finds then, not by what it shows.
 */
export function deferred<P extends object>(Part: ComponentType<P>): ComponentType<P> {
  const Held = memo(Part) as unknown as ComponentType<P>;
  return function Deferred(props: P) {
    const open = useDeferredValue(useBuild());
    return (
      <OpenBuildContext value={open}>
        <Held {...props} />
      </OpenBuildContext>
    );
  };
}
