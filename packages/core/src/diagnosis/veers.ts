import type { Symptom } from './symptom.ts';

const FLIPS = [-1, 0.2] as const;
const GOES = [0.1, 0.25] as const;

/** A vehicle on two driven sides that does not run straight (common practice, no source). */
export const veers: Symptom = {
  title: 'It veers',
  causes: {
    wheels: {
      title: 'Wheels of unlike size',
      odds: 1,
      trial: 'wheel-matching',
      mends: [
        'Match the wheels by a flip, and fit the best pair.',
        'Clean the tread; pump both to the same pressure.',
      ],
    },
    motors: {
      title: 'Motors of unlike speed',
      // A loop hides them.
      odds: ({ loop }) => (loop ? 0.3 : 1),
      trial: 'motor-matching',
      mends: ['Match the motors, and fit the best pair.', 'Hold both sides together by counted turns.'],
    },
    slider: {
      title: 'The slider or castor drags to a side',
      odds: ({ thirdLeg }) => (thirdLeg ? 1 : 0.1),
      trial: 'slider-choice',
      mends: [
        'Choose another slider or castor by ten runs and ten turns each.',
        'Set it in the middle, square to the way.',
      ],
    },
    floor: {
      title: 'The floor falls to a side, or its nap leads',
      odds: 1,
      mends: [
        'Run where it will be used, and judge it there.',
        'Hold a heading by a gyro: counted turns cannot see the floor.',
      ],
    },
    weight: {
      title: 'The weight is off the middle',
      odds: 1,
      mends: ['Move the battery, or add ballast, until both wheels weigh the same.'],
    },
    loop: {
      title: 'The program leads it: a trim, or a loop with unlike counts',
      odds: ({ loop }) => (loop ? 1.5 : 0.7),
      mends: [
        'Take the trim out, then set it anew on this floor.',
        'Give both sides the same counts a turn; look at each encoder by hand.',
      ],
    },
    battery: {
      title: 'A low battery: the stiffer side falls behind',
      odds: ({ margins }) => ((margins['battery-voltage'] ?? 2) < 1.2 ? 2 : 1),
      mends: [
        'Charge, and stop at the voltage that is set for it.',
        'Free the stiffer side: mesh, belt tension, bearings.',
      ],
    },
  },
  steps: {
    'off-ground': {
      kind: 'turns',
      title: 'Count turns with the wheels in the air',
      how: 'Stand it on blocks, same command, half a minute: count the turns of both wheels.',
      minutes: 3,
      shows: ['motors', 'loop', 'battery'],
    },
    'turn-round': {
      kind: 'runs',
      title: 'Run the same way back',
      how: 'The same stretch of floor, the other way; to the side as the vehicle sees it.',
      minutes: 3,
      factor: { floor: FLIPS },
    },
    'swap-wheels': {
      kind: 'runs',
      title: 'Swap the wheels, left for right',
      how: 'Nothing else; the same floor, the same way.',
      minutes: 6,
      factor: { wheels: FLIPS },
    },
    'swap-motors': {
      kind: 'runs',
      title: 'Swap the motors’ leads and places, left for right',
      how: 'The motors themselves, wheels left where they are; the same floor, the same way.',
      minutes: 15,
      factor: { motors: FLIPS, battery: [-1, 0.25] },
    },
    slider: {
      kind: 'runs',
      title: 'Run with another slider or castor',
      how: 'A new one, or the old one polished and set square; nothing else.',
      minutes: 8,
      factor: { slider: GOES },
    },
    weight: {
      kind: 'runs',
      title: 'Move a weight to the other side',
      how: 'The battery, or what is heaviest, as far to the other side as it was to this.',
      minutes: 8,
      factor: { weight: [-0.8, 0.35] },
    },
    'loop-off': {
      kind: 'runs',
      title: 'Run without trim and without a loop',
      how: 'The same command to both sides, straight from the program.',
      minutes: 5,
      factor: { loop: GOES, motors: [1.2, 0.4] },
    },
    charged: {
      kind: 'runs',
      title: 'Run on a full battery',
      how: 'Charged, or one from another vehicle; nothing else.',
      minutes: 5,
      factor: { battery: [0.5, 0.25] },
    },
  },
};
