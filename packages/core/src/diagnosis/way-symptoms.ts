import { yesNo, type Symptom } from './symptom.ts';

// Odds and answers in this file: common practice, no source.

/** Of a way by counts. */
export const short: Symptom = {
  title: 'It is short of its distance',
  causes: {
    diameter: {
      title: 'The wheel is smaller than the program thinks',
      odds: 3,
      trial: 'distance',
      mends: ['Run a counted distance, and take the true diameter over.'],
    },
    slip: {
      title: 'The wheels slip',
      odds: 1,
      links: ['grip'],
      mends: [
        'Start slower: limit how fast the command rises.',
        'More weight on the driven wheels, or stickier tyres.',
      ],
    },
    counts: {
      title: 'Counts are lost',
      odds: 1,
      mends: ['Look at the encoder’s leads and magnet; shield them from the motor’s.'],
    },
    weak: {
      title: 'It gives up: too little torque or voltage',
      odds: 1,
      links: ['torque', 'battery-voltage'],
      mends: ['See the findings of torque and battery: more gearing, or a stiffer battery.'],
    },
  },
  steps: {
    twice: {
      kind: 'answer',
      title: 'Order twice the distance',
      how: 'Three runs each: is the share that it is short by the same?',
      minutes: 8,
      answers: { same: 'the same share', less: 'a smaller share', varies: 'another each time' },
      likely: {
        diameter: { same: 0.85, less: 0.1, varies: 0.05 },
        slip: { same: 0.2, less: 0.55, varies: 0.25 },
        counts: { same: 0.15, less: 0.1, varies: 0.75 },
        weak: { same: 0.2, less: 0.2, varies: 0.6 },
      },
      otherwise: { same: 0.34, less: 0.33, varies: 0.33 },
    },
    slow: yesNo(
      'Run at half the speed',
      'Is it much less short then?',
      5,
      { slip: 0.85, counts: 0.5, weak: 0.6, diameter: 0.05 },
      0.3,
    ),
    marks: yesNo(
      'Look at the floor after a start',
      'Are there marks of wheels that spun?',
      2,
      { slip: 0.8, diameter: 0.03, counts: 0.03, weak: 0.05 },
      0.1,
    ),
    hand: yesNo(
      'Turn a wheel ten times by hand',
      'Does the program count ten turns?',
      3,
      { counts: 0.2, diameter: 0.97, slip: 0.97, weak: 0.97 },
      0.9,
    ),
  },
};

/** Of turns on the spot and in bends. */
export const turnsShort: Symptom = {
  title: 'It turns too little',
  causes: {
    scrub: {
      title: 'It scrubs: tyres, tracks or a slider dragged round',
      odds: (f) => (f.thirdLeg ? 2 : 1),
      trial: 'pivots',
      mends: [
        'Turn ten times, and take the correction over.',
        'A smoother slider, a shorter wheelbase, or weight nearer to the driven axle.',
      ],
    },
    track: {
      title: 'The program has another track',
      odds: 2,
      trial: 'square',
      mends: ['Run the square both ways, or turn ten times, and take the track over.'],
    },
    weak: {
      title: 'Too little torque to turn',
      odds: 1,
      links: ['torque', 'driver-current'],
      mends: ['See the finding of torque in the turn: more gearing, or a gentler turn.'],
    },
    gyro: {
      title: 'The gyro is off',
      odds: 0.7,
      mends: [
        'Let it stand still at the start while it finds its zero; turn it by hand through a known angle.',
      ],
    },
  },
  steps: {
    floor: yesNo(
      'Turn on a smooth floor',
      'Does it turn further there?',
      5,
      { scrub: 0.85, weak: 0.7, track: 0.08, gyro: 0.08 },
      0.3,
    ),
    many: {
      kind: 'answer',
      title: 'Turn ten times round',
      how: 'Is it short by the same share each time?',
      minutes: 6,
      answers: { same: 'the same share', varies: 'another each time' },
      likely: {
        track: { same: 0.95, varies: 0.05 },
        scrub: { same: 0.6, varies: 0.4 },
        weak: { same: 0.25, varies: 0.75 },
        gyro: { same: 0.5, varies: 0.5 },
      },
      otherwise: { same: 0.5, varies: 0.5 },
    },
    stalls: yesNo(
      'Listen while it turns',
      'Do the motors labour, or does it stop on the way?',
      2,
      { weak: 0.9, scrub: 0.35, track: 0.03, gyro: 0.03 },
      0.1,
    ),
    byhand: yesNo(
      'Turn it by hand through a whole turn',
      'Does the gyro say a whole turn?',
      3,
      { gyro: 0.15, scrub: 0.95, track: 0.95, weak: 0.95 },
      0.9,
    ),
  },
};
