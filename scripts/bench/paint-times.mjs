/* global window, document, MutationObserver, requestAnimationFrame */

/**
 * In the page: times from an event to the frame after something within `selector` changed, in `window.paintTimes`.
 *
 * @example await page.evaluate(watchPaint, { event: 'keydown', selector: 'main' })
 */
export function watchPaint({ event, selector, attributes = false }) {
  const times = [];
  let pressed = 0;
  window.addEventListener(event, () => (pressed = performance.now()), true);
  new MutationObserver(() => {
    if (pressed === 0) return;
    const since = pressed;
    pressed = 0;
    requestAnimationFrame(() => {
      // A message is handled after the frame is painted.
      const { port1, port2 } = new MessageChannel();
      port1.onmessage = () => times.push(performance.now() - since);
      port2.postMessage(0);
    });
  }).observe(document.querySelector(selector), {
    subtree: true,
    childList: true,
    characterData: true,
    attributes,
  });
  window.paintTimes = times;
}

/** The time that 19 of 20 keep to. */
export const p95 = (times) => [...times].sort((a, b) => a - b)[Math.floor(times.length * 0.95)];
