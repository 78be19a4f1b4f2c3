import { yesNo, type Symptom } from './symptom.ts';

// Odds and answers in this file: common practice, no source.

/** Of how evenly it runs. */
export const jerks: Symptom = {
  title: 'It jerks',
  causes: {
    play: {
      title: 'Play in gears, chain or hubs',
      odds: 2,
      mends: ['Take the play up: mesh, tension, set screws on their flats.'],
    },
    gains: {
      title: 'The loop is too sharp',
      odds: (f) => (f.loop ? 2.5 : 0.3),
      mends: ['Halve the gain, or run the loop twice as often.'],
    },
    slow: {
      title: 'It sticks and slips: too slow for its motor',
      odds: 1,
      links: ['torque'],
      mends: ['More gearing, or a motor that is fed in pulses at low speed.'],
    },
    contact: {
      title: 'A loose lead or a worn brush',
      odds: 1,
      mends: ['Wiggle each lead while it runs on blocks; crimp anew what flickers.'],
    },
    teeth: {
      title: 'Few teeth, a tight spot or a stiff link',
      odds: 1,
      mends: ['Turn it by hand all the way round: free the tight link, or use a larger sprocket.'],
    },
  },
  steps: {
    open: yesNo(
      'Run without the loop',
      'Is the jerking gone?',
      4,
      { gains: 0.92, play: 0.3, slow: 0.1, contact: 0.05, teeth: 0.05 },
      0.1,
    ),
    beat: yesNo(
      'Count the jerks',
      'Do they come once or a few times a turn of a wheel or sprocket?',
      3,
      { teeth: 0.9, play: 0.2, slow: 0.3, gains: 0.1, contact: 0.15 },
      0.2,
    ),
    rock: yesNo(
      'Rock a wheel with the motor held',
      'Does it move more than a tooth?',
      2,
      { play: 0.9, teeth: 0.3, gains: 0.3, slow: 0.2, contact: 0.2 },
      0.25,
    ),
    wiggle: yesNo('Wiggle each lead while it runs on blocks', 'Does it falter?', 4, { contact: 0.9 }, 0.04),
    faster: yesNo(
      'Run it a little faster',
      'Is it smooth then?',
      2,
      { slow: 0.9, teeth: 0.4, play: 0.4, gains: 0.2, contact: 0.15 },
      0.25,
    ),
  },
};

/** Of what stops while it is told to go. */
export const cutsOut: Symptom = {
  title: 'It cuts out',
  causes: {
    sag: {
      title: 'The battery sags under load',
      odds: 1,
      links: ['battery-voltage', 'battery-peak', 'battery-current'],
      trial: 'run-down',
      mends: ['A battery that gives more current, thicker cables, or gentler starts.'],
    },
    heat: {
      title: 'Driver or motor too hot',
      odds: 1,
      links: ['driver-current', 'motor-heat'],
      trial: 'warming',
      mends: ['A driver for more current, a heat sink, or less load.'],
    },
    limit: {
      title: 'The driver’s current limit',
      odds: 1,
      links: ['driver-peak', 'driver-current'],
      mends: ['Raise the limit as far as motor and driver allow, or start more gently.'],
    },
    rail: {
      title: 'The small supply for the controller gives way',
      odds: 1,
      links: ['rail'],
      mends: ['Give the controller or the servos a supply of their own.'],
    },
    lead: {
      title: 'A loose lead, plug or fuse',
      odds: 1.5,
      mends: ['Pull at each crimp; push each plug home; hold them with a clip.'],
    },
  },
  steps: {
    watch: yesNo(
      'Read the battery’s voltage at the moment it cuts out',
      'Is it under what the driver or the cut-off needs?',
      4,
      { sag: 0.93, lead: 0.3, rail: 0.25, heat: 0.05, limit: 0.1 },
      0.1,
    ),
    late: yesNo(
      'Time it',
      'Does it take minutes, and come sooner when warm?',
      10,
      { heat: 0.92, sag: 0.35, limit: 0.1, rail: 0.1, lead: 0.1 },
      0.15,
    ),
    light: yesNo(
      'Run it on blocks',
      'Does it cut out there too?',
      3,
      { lead: 0.6, rail: 0.35, sag: 0.03, heat: 0.05, limit: 0.03 },
      0.1,
    ),
    restart: yesNo(
      'Look at the controller’s light',
      'Does it start anew, as if switched on?',
      2,
      { rail: 0.9, sag: 0.6, lead: 0.6, heat: 0.05, limit: 0.05 },
      0.2,
    ),
    wiggle: yesNo(
      'Wiggle each lead and plug while it runs on blocks',
      'Does it cut out?',
      4,
      { lead: 0.85 },
      0.03,
    ),
  },
};
