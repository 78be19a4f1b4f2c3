import { amount, choice } from './field.ts';
import type { Measured } from './result.ts';
import { through, type Of } from './summary.ts';

/** A turn or a way known within this share is near enough (common practice, no source). */
export const NEAR_SHARE = 0.01;

/** What less and more than 0 are called to the side. */
export const RIGHT_LEFT = ['left', 'right'] as const;
/** Said of the floor. */
export const SAME_FLOOR = 'The floor it will be used on; the same start mark each time.';
/** Said of the battery. */
export const FULL = 'A battery near full; note its voltage before and after.';
/** Said where it runs. */
export const CLEAR =
  'Keep feet and hands clear of wheels and chains while it runs; somebody stands at the switch.';

/** How far it went. */
export const WAY: Of = { key: 'distance', title: 'Way covered', dimension: 'length' };
/** How far it was to go. */
export const commandedWay = amount('commanded', 'Distance ordered', ['length', 'm'], { above: 0 });

/** What the command reads: a stop watch, or counted turns. */
export const BY = choice(
  'by',
  'Ends of moves known by',
  { time: 'time', counts: 'counted turns' },
  { optional: true },
);

/** Way covered as a share of that ordered. */
export const shareOfWay = (way: Measured, commanded: number): Measured =>
  through(
    way,
    { key: 'share', title: 'Way covered over way ordered', dimension: 'share' },
    (x) => x / commanded,
  );
