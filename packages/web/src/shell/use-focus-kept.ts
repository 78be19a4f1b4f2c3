import { useEffect, useRef } from 'react';
import { useLocation } from 'react-router';

/** Parts of a page to which the focus falls back, the nearest first. */
const HOMES = 'li, tr, form, fieldset, section, [role="group"], dialog, main';

const focusOn = (element: HTMLElement): void => {
  if (!element.matches('a[href], button, input, select, textarea, [tabindex]')) element.tabIndex = -1;
  element.focus({ preventScroll: true });
};

/** What holds an element, from near to far. */
function homesOf(element: Element): HTMLElement[] {
  const homes: HTMLElement[] = [];
  for (let at = element.parentElement?.closest<HTMLElement>(HOMES); at; at = at.parentElement?.closest(HOMES))
    homes.push(at);
  return homes;
}

/**
 * Keeps the focus with the work: where what had it is gone or out of use, the nearest part of the page that is still
 * there gets it; and a page that was gone to, its heading.
 */
export function useFocusKept(): void {
  const { pathname } = useLocation();
  const shown = useRef(pathname);
  /** A page was gone to, and its heading is not there yet. */
  const awaited = useRef(false);
  useEffect(() => {
    // A page that was opened afresh begins where the browser puts one.
    awaited.current = shown.current !== pathname;
    shown.current = pathname;
  }, [pathname]);
  useEffect(() => {
    let last: HTMLElement | undefined;
    let homes: HTMLElement[] = [];
    let outOfUse = false;
    const onFocus = ({ target }: FocusEvent): void => {
      if (!(target instanceof HTMLElement)) return;
      last = target;
      homes = homesOf(target);
      outOfUse = false;
      awaited.current = false;
    };
    // A press on nothing lets the focus go, as anywhere.
    const onPress = ({ target }: PointerEvent): void => {
      if (
        target instanceof Element &&
        !target.closest('a, button, input, select, textarea, label, [tabindex]')
      )
        last = undefined;
    };
    const watch = new MutationObserver(() => {
      if (last?.matches(':disabled')) outOfUse = true;
      if (document.activeElement !== document.body) return;
      const heading = awaited.current ? document.querySelector<HTMLElement>('main h1') : null;
      if (heading) focusOn(heading);
      else if (last?.isConnected) {
        if (outOfUse && !last.matches(':disabled')) focusOn(last);
      } else {
        const home = last && homes.find(({ isConnected }) => isConnected);
        if (home) focusOn(home);
      }
    });
    document.addEventListener('focusin', onFocus);
    document.addEventListener('pointerdown', onPress);
    watch.observe(document.body, {
      childList: true,
      subtree: true,
      attributes: true,
      attributeFilter: ['disabled'],
    });
    return () => {
      watch.disconnect();
      document.removeEventListener('focusin', onFocus);
      document.removeEventListener('pointerdown', onPress);
    };
  }, []);
}
