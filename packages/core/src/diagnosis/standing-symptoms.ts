import { yesNo, type Symptom } from './symptom.ts';

// Odds and answers in this file: common practice, no source.

/** Of what stands too high or is driven too hard. */
export const tips: Symptom = {
  title: 'It tips, or a wheel lifts',
  causes: {
    high: {
      title: 'The weight is too high',
      odds: 1,
      links: ['tip-along', 'tip-side'],
      trial: 'side-slope',
      mends: ['The battery lower; the load lower; a wider track.'],
    },
    back: {
      title: 'The weight is too far back for the slope',
      odds: 1,
      links: ['tip-along'],
      mends: ['The battery forward; a wheelie bar; a longer wheelbase.'],
    },
    jerk: {
      title: 'It starts or stops too hard',
      odds: 1.5,
      mends: ['Limit how fast the command rises and falls.'],
    },
    fast: {
      title: 'It takes bends too fast',
      odds: 1,
      links: ['corner'],
      mends: ['A speed cap, or wider bends.'],
    },
    load: { title: 'The load shifts', odds: 1, mends: ['Strap it; a rim or a net.'] },
  },
  steps: {
    when: {
      kind: 'answer',
      title: 'When does it lift?',
      how: 'Watch, or film it.',
      minutes: 3,
      answers: {
        start: 'at a start or a stop',
        hill: 'on the slope, steady',
        bend: 'in a bend',
        rough: 'over bumps',
      },
      likely: {
        jerk: { start: 0.85, hill: 0.05, bend: 0.05, rough: 0.05 },
        back: { start: 0.25, hill: 0.65, bend: 0.02, rough: 0.08 },
        fast: { start: 0.02, hill: 0.03, bend: 0.9, rough: 0.05 },
        high: { start: 0.25, hill: 0.25, bend: 0.3, rough: 0.2 },
        load: { start: 0.3, hill: 0.2, bend: 0.25, rough: 0.25 },
      },
      otherwise: { start: 0.25, hill: 0.25, bend: 0.25, rough: 0.25 },
    },
    gentle: yesNo(
      'Run the same way at half the command',
      'Does it still lift?',
      4,
      { back: 0.9, high: 0.6, load: 0.6, jerk: 0.05, fast: 0.05 },
      0.4,
    ),
    empty: yesNo(
      'Run it empty',
      'Does it still lift?',
      4,
      { load: 0.05, high: 0.35, back: 0.7, jerk: 0.7, fast: 0.6 },
      0.5,
    ),
    scale: yesNo(
      'Weigh each wheel on the level',
      'Do the front wheels carry less than a fifth?',
      8,
      { back: 0.85, high: 0.2, load: 0.3 },
      0.2,
    ),
  },
};

/** Of a stand on a slope. */
export const noStart: Symptom = {
  title: 'It will not start on the hill',
  causes: {
    torque: {
      title: 'Too little torque',
      odds: 1,
      links: ['torque'],
      trial: 'pull',
      mends: ['More gearing: see the ratio window; or a motor with more torque.'],
    },
    grip: {
      title: 'Too little grip',
      odds: 1,
      links: ['grip'],
      trial: 'slip-slope',
      mends: ['Weight on the driven wheels; stickier tyres; two driven axles.'],
    },
    limit: {
      title: 'The driver’s limit holds it back',
      odds: 1,
      links: ['driver-current', 'driver-peak'],
      mends: ['Raise the limit as far as motor and driver allow.'],
    },
    sag: {
      title: 'The battery sags',
      odds: 1,
      links: ['battery-voltage', 'battery-current', 'battery-peak'],
      mends: ['A battery that gives more current; thicker cables.'],
    },
    brake: {
      title: 'Something binds: a brake, a bearing, a guard',
      odds: 1,
      mends: ['Turn each wheel by hand in the air; free what binds.'],
    },
  },
  steps: {
    see: {
      kind: 'answer',
      title: 'Give it full command on the hill, for a second',
      how: 'Somebody beside it; chocks behind.',
      minutes: 3,
      answers: {
        spins: 'the wheels spin',
        hums: 'it hums and stands',
        dead: 'it goes dead',
        creeps: 'it creeps',
      },
      likely: {
        grip: { spins: 0.93, hums: 0.02, dead: 0.02, creeps: 0.03 },
        torque: { spins: 0.02, hums: 0.68, dead: 0.05, creeps: 0.25 },
        limit: { spins: 0.02, hums: 0.6, dead: 0.15, creeps: 0.23 },
        sag: { spins: 0.02, hums: 0.25, dead: 0.6, creeps: 0.13 },
        brake: { spins: 0.05, hums: 0.6, dead: 0.05, creeps: 0.3 },
      },
      otherwise: { spins: 0.25, hums: 0.25, dead: 0.25, creeps: 0.25 },
    },
    push: yesNo('Push it by hand on the level, drive off', 'Does it roll easily?', 2, { brake: 0.08 }, 0.95),
    volts: yesNo(
      'Read the battery while it tries',
      'Does it fall by a fifth or more?',
      3,
      { sag: 0.93, torque: 0.15, brake: 0.2, limit: 0.06, grip: 0.1 },
      0.15,
    ),
    amps: yesNo(
      'Read the motor’s current while it tries',
      'Is it at the driver’s limit?',
      4,
      { limit: 0.93, torque: 0.25, brake: 0.35, sag: 0.1, grip: 0.1 },
      0.2,
    ),
  },
};

/** Of a steering after a turn. */
export const notStraight: Symptom = {
  title: 'It does not come back to straight',
  causes: {
    play: {
      title: 'Play in the linkage',
      odds: 2,
      mends: ['Take it up at the joint that moves; a spring that pulls it to one side.'],
    },
    middle: {
      title: 'The middle is set off',
      odds: 2,
      trial: 'steering-return',
      mends: ['Set the middle by ten turns from either side, and take the mean.'],
    },
    weak: {
      title: 'The actuator is too weak for the load',
      odds: 1,
      links: ['steering', 'steer-speed'],
      mends: ['A stronger actuator, a longer horn on the wheel, less load on it.'],
    },
    binds: {
      title: 'The linkage or a kingpin binds',
      odds: 1,
      mends: ['Move it through by hand, unpowered; free and oil what binds.'],
    },
    castor: {
      title: 'A castor has to swing round',
      odds: (f) => (f.thirdLeg ? 2 : 0.1),
      mends: ['Run a little straight on after each turn, or fit a slider.'],
    },
  },
  steps: {
    sides: {
      kind: 'answer',
      title: 'Turn fully to each side, then straight on',
      how: 'Where does it rest after each?',
      minutes: 4,
      answers: {
        same: 'off to the same side both times',
        away: 'short of the middle from both sides',
        turned: 'right once it has rolled a little',
      },
      likely: {
        middle: { same: 0.93, away: 0.05, turned: 0.02 },
        play: { same: 0.1, away: 0.75, turned: 0.15 },
        weak: { same: 0.05, away: 0.8, turned: 0.15 },
        binds: { same: 0.2, away: 0.7, turned: 0.1 },
        castor: { same: 0.05, away: 0.1, turned: 0.85 },
      },
      otherwise: { same: 0.34, away: 0.33, turned: 0.33 },
    },
    air: yesNo(
      'Do the same with the steered wheels in the air',
      'Does it come back well there?',
      4,
      { weak: 0.92, castor: 0.9, play: 0.3, middle: 0.05, binds: 0.2 },
      0.3,
    ),
    hand: yesNo(
      'Move a steered wheel by hand, powered',
      'Does it move before the actuator does?',
      2,
      { play: 0.92, weak: 0.15 },
      0.08,
    ),
    loose: yesNo(
      'Take the actuator off and move the linkage',
      'Is it stiff anywhere?',
      8,
      { binds: 0.93, weak: 0.15 },
      0.06,
    ),
  },
};
