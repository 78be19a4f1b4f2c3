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
  useEffect(() => {
    let last: HTMLElement | undefined;
    let homes: HTMLElement[] = [];
    const onFocus = ({ target }: FocusEvent): void => {
      if (!(target instanceof HTMLElement)) return;
      last = target;
      homes = homesOf(target);
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
      if (!last || document.activeElement !== document.body) return;
      if (last.isConnected) {
        if (!last.matches(':disabled')) focusOn(last);
        return;
      }
      const home = homes.find(({ isConnected }) => isConnected);
      if (home) focusOn(home);
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
  const first = useRef(true);
  useEffect(() => {
    // A page that was opened afresh begins where the browser puts one.
    if (first.current) {
      first.current = false;
      return undefined;
    }
    const timer = setTimeout(() => {
      const heading = document.querySelector<HTMLElement>('main h1');
      if (heading && document.activeElement === document.body) focusOn(heading);
    }, 100);
    return () => clearTimeout(timer);
  }, [pathname]);
}
