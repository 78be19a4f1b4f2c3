import type { Hand } from '@zubric/core/driving';

/** How the hand drives: a stick for the way, or a lever for each side, as the box with two switches has it. */
export const BOXES = ['stick', 'two levers'] as const;
export type Box = (typeof BOXES)[number];

/** What each key does, by its place on the keyboard. */
export const KEYS: Readonly<Record<Box, Readonly<Record<string, keyof Pushed>>>> = {
  stick: {
    ArrowUp: 'ahead',
    ArrowDown: 'back',
    ArrowLeft: 'left',
    ArrowRight: 'right',
    KeyW: 'ahead',
    KeyS: 'back',
    KeyA: 'left',
    KeyD: 'right',
  },
  'two levers': { KeyQ: 'leftAhead', KeyA: 'leftBack', KeyE: 'rightAhead', KeyD: 'rightBack' },
};

/** What is pushed: of a stick, and of two levers. */
export interface Pushed {
  readonly ahead?: boolean;
  readonly back?: boolean;
  readonly left?: boolean;
  readonly right?: boolean;
  readonly leftAhead?: boolean;
  readonly leftBack?: boolean;
  readonly rightAhead?: boolean;
  readonly rightBack?: boolean;
}

const between = (more?: boolean, less?: boolean): number => Number(more ?? false) - Number(less ?? false);
const within = (value: number): number => Math.max(-1, Math.min(1, value));

/** What a vehicle is told for what is pushed: so much of full command; steered ones are turned by their wheels. */
export function handOf(box: Box, pushed: Pushed, most: number, steers: boolean): Hand {
  if (box === 'two levers')
    return {
      left: most * between(pushed.leftAhead, pushed.leftBack),
      right: most * between(pushed.rightAhead, pushed.rightBack),
      steer: 0,
    };
  const along = between(pushed.ahead, pushed.back);
  const aside = between(pushed.right, pushed.left);
  return stick(along, aside, most, steers);
}

/** A stick pushed so far along and to the right. */
export function stick(along: number, aside: number, most: number, steers: boolean): Hand {
  if (steers) return { left: most * along, right: most * along, steer: aside };
  // On the spot it turns as hard as it goes; on the way a side is slowed.
  return {
    left: most * within(along + aside),
    right: most * within(along - aside),
    steer: 0,
  };
}

/** Nearer to its middle a stick is taken for let go. */
const DEAD = 0.12;
const live = (value = 0): number => (Math.abs(value) < DEAD ? 0 : value);

/** What a gamepad asks, where one is there and pushed: its left stick, or its two sticks as levers. */
export function gamepadHand(box: Box, most: number, steers: boolean): Hand | undefined {
  const pads = typeof navigator.getGamepads === 'function' ? navigator.getGamepads() : [];
  const pad = pads.find((one) => one?.connected);
  if (!pad) return undefined;
  const [aside, back, , rightBack] = pad.axes;
  const hand =
    box === 'two levers'
      ? { left: -most * live(back), right: -most * live(rightBack), steer: 0 }
      : stick(-live(back), live(aside), most, steers);
  return hand.left === 0 && hand.right === 0 && hand.steer === 0 ? undefined : hand;
}
