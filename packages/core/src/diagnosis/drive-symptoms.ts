import { yesNo, type Symptom } from './symptom.ts';

// Odds and answers in this file: common practice, no source.

/** Of a belt that is too hot. */
export const beltSmells: Symptom = {
  title: 'The belt smells',
  causes: {
    slack: {
      title: 'It is too slack',
      odds: 1,
      links: ['slip'],
      trial: 'after-load',
      mends: ['Tension it by its push: the figure is at Assembly, under Service.'],
    },
    overload: {
      title: 'It carries more than it can',
      odds: 1,
      links: ['belt-pull', 'slip', 'stage-stall'],
      mends: ['A wider belt, a larger small pulley, a toothed belt or a chain.'],
    },
    line: {
      title: 'The pulleys are out of line',
      odds: 1.5,
      mends: ['Lay a straight edge across both pulleys; move one along its shaft.'],
    },
    rubs: { title: 'It rubs on a guard or frame', odds: 1, mends: ['Give it room: 5 mm all round.'] },
    jam: {
      title: 'The wheels were held while it ran',
      odds: 1,
      mends: ['A stall cut-out, or somebody who lets go: a slipping belt burns in seconds.'],
    },
  },
  steps: {
    push: yesNo(
      'Push the belt in the middle of its span',
      'Does it give more than its figure under Service?',
      2,
      { slack: 0.93, overload: 0.35 },
      0.15,
    ),
    edge: yesNo('Look at its edges', 'Is one edge shiny or frayed?', 2, { line: 0.88, rubs: 0.5 }, 0.06),
    cool: yesNo(
      'Run it unloaded for five minutes',
      'Does it smell then too?',
      6,
      { line: 0.6, rubs: 0.8, slack: 0.05, overload: 0.02, jam: 0.03 },
      0.1,
    ),
    glaze: yesNo(
      'Look at its running side',
      'Is it glazed or cracked all round?',
      2,
      { overload: 0.8, slack: 0.7, jam: 0.25, line: 0.2, rubs: 0.1 },
      0.3,
    ),
    held: yesNo('Ask who drove it', 'Was it held fast while it was driven?', 1, { jam: 0.95 }, 0.1),
  },
};

/** Of a chain that leaves its sprockets. */
export const chainOff: Symptom = {
  title: 'The chain comes off',
  causes: {
    line: {
      title: 'The sprockets are out of line',
      odds: 2.5,
      mends: ['Lay a straight edge along both sprockets; shim or move one.'],
    },
    slack: {
      title: 'It is too slack',
      odds: 2,
      mends: ['Slack of 2 to 4 % of its span, by an adjuster or a jockey.'],
    },
    mount: {
      title: 'The motor’s mount twists under pull',
      odds: 1.5,
      links: ['mount-twist'],
      mends: ['A stiffer mount, held at both ends; a strut against the pull.'],
    },
    float: {
      title: 'An axle floats along',
      odds: 1.5,
      mends: ['A collar on each side of each bearing.'],
    },
    worn: {
      title: 'Worn teeth, or a stretched chain',
      odds: 1,
      mends: ['A new chain on new sprockets: worn ones spoil it soon.'],
    },
  },
  steps: {
    edge: yesNo(
      'Lay a straight edge along both sprockets',
      'Is there a gap anywhere?',
      3,
      { line: 0.93, mount: 0.2, float: 0.3 },
      0.1,
    ),
    slack: yesNo(
      'Press the chain in the middle',
      'Does it give more than 4 % of its span?',
      2,
      { slack: 0.93, worn: 0.6, mount: 0.25 },
      0.15,
    ),
    hold: yesNo(
      'Hold the wheels, give it a touch of command',
      'Does the motor move against the frame?',
      4,
      { mount: 0.93 },
      0.08,
    ),
    axle: yesNo(
      'Push each axle along by hand',
      'Does it move more than a millimetre?',
      2,
      { float: 0.93, line: 0.2 },
      0.08,
    ),
    lift: yesNo(
      'Lift the chain off the large sprocket',
      'Does it lift by half a tooth or more?',
      2,
      { worn: 0.92, slack: 0.2 },
      0.06,
    ),
  },
};
