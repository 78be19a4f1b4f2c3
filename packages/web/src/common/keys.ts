import { STATIONS } from './stations.ts';

/** Whether a key press belongs to what is being typed into. */
export const isTyping = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement && target.closest('input, textarea, select, [contenteditable]') !== null;

/** A key with the platform's command key. */
export const withCommand = (event: KeyboardEvent): boolean =>
  (event.ctrlKey || event.metaKey) && !event.altKey;

/** Every key that the app answers to, as listed in it. */
export const KEYS: readonly { readonly keys: string; readonly what: string }[] = [
  { keys: '/ or Ctrl K', what: 'Find a build, a station, a part or a sum' },
  ...STATIONS.map(({ key, title }) => ({ keys: key, what: `Open ${title}` })),
  { keys: 'Ctrl Z', what: 'Undo, at any station' },
  { keys: 'Ctrl Shift Z or Ctrl Y', what: 'Redo' },
  { keys: '↑ ↓', what: 'In a number: one step; with Shift ten' },
  { keys: 'Esc', what: 'In a number: back to the last readable value; elsewhere: close' },
  { keys: 'Tab', what: 'From field to field; the first leads past the bar to the page itself' },
  { keys: '?', what: 'This list' },
];
