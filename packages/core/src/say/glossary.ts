/** A word of the application: how it is called on screen, in code and files, and what it means in one sentence. */
export interface Term {
  readonly term: string;
  /** As code and files call it, where that is another word. */
  readonly inCode?: string;
  readonly sentence: string;
}

/** Every word of the application's own, and those of the trade that it uses in one sense alone; in the order of the alphabet. */
export const GLOSSARY = {
  assumed: {
    term: 'Assumed',
    sentence:
      'A number nobody has stated: scaled from the size or taken from a table, with a dashed border until you type or measure it.',
  },
  build: {
    term: 'Build',
    sentence: 'One vehicle with all that is known of it: masses, jobs, parts, trials and its record.',
  },
  device: {
    term: 'Device',
    sentence: 'A phone or another machine that was let in, under a name and with what it may do.',
  },
  drive: {
    term: 'Drive',
    sentence:
      'A motor with all that is between it and what it moves: the wheels, the steering, or a tool such as a brush or a lift.',
  },
  driveline: {
    term: 'Driveline',
    sentence: 'The way of the torque from one motor, or a few together, to what they turn.',
  },
  finding: {
    term: 'Finding',
    sentence: 'One sentence on what stops the vehicle, is short of its rule, or is worth knowing.',
  },
  hot: {
    term: 'Short, may run hot',
    inCode: 'mayRunHot',
    sentence: 'The job is short enough for the motor to be hotter in it than it could stand all day.',
  },
  job: {
    term: 'Job',
    inCode: 'duty',
    sentence: 'One thing the vehicle must do, with its ground, slope, speed, load and time.',
  },
  link: {
    term: 'Link',
    sentence:
      'One place in the chain from ground to battery where something is needed and something is there to give it.',
  },
  margin: {
    term: 'Margin',
    sentence: 'How many times what is there covers what is needed: 1 is just enough, less is too little.',
  },
  measured: {
    term: 'Measured',
    sentence: 'A number that comes from a trial or a bench reading of your own.',
  },
  move: {
    term: 'Move',
    sentence:
      'A change that would mend a finding, already worked out, with what it gains and what it costs elsewhere.',
  },
  outing: {
    term: 'Outing',
    sentence: 'Everything between two charges: each job for its minutes, one after the other.',
  },
  pace: {
    term: 'Top speed',
    inCode: 'attainableMps',
    sentence: 'As fast as the drive can go in a job before torque, current, voltage or grip ends it.',
  },
  rule: {
    term: 'Rule',
    inCode: 'marginPolicy',
    sentence:
      'The margin you ask for, so that wear, cold and wrong guesses do not stop the vehicle: 2 on torque by the double rule.',
  },
  shelf: {
    term: 'Parts shelf',
    sentence: 'All parts a build can take: those that come with the application and your own.',
  },
  snapshot: {
    term: 'Snapshot',
    sentence: 'The build as it was when you gave it a name, to compare with and to go back to.',
  },
  spread: {
    term: 'Spread',
    sentence: 'How far a number may be off, typed after ±.',
  },
  stage: {
    term: 'Stage',
    sentence: 'One pair of wheels, one belt, chain or gearhead between motor and wheel.',
  },
  station: {
    term: 'Station',
    sentence:
      'One screen of a build, in the order builders work: Brief, Ground, Drivetrain, Power, Assembly, Test track, Trials, Logbook.',
  },
  strip: {
    term: 'Strip',
    sentence:
      'The row on top of every station: for each link from ground to battery what is needed, what is there, and the margin.',
  },
  sum: {
    term: 'Quick sum',
    inCode: 'calculator',
    sentence: 'One formula by itself, with the numbers put in and its source.',
  },
  tape: {
    term: 'Tape',
    sentence: 'A ruled bar: filled as far as there is enough, a thin mark at the need, a notch at the rule.',
  },
  trial: {
    term: 'Trial',
    sentence: 'A test with the real vehicle, repeated and written down.',
  },
  verdict: {
    term: 'Verdict',
    sentence:
      'What a margin comes to: it fails under 1, is short under your rule, tight just over it, and ample beyond.',
  },
  window: {
    term: 'Ratio window',
    sentence:
      'All ratios that give both the torque and the speed of a job: lower ones lack torque, higher ones lack speed.',
  },
  working: {
    term: 'Working',
    sentence: 'How a number was reached: its formula, what was put in, where each came from, and the source.',
  },
} as const satisfies Record<string, Term>;

export type TermId = keyof typeof GLOSSARY;
/**
 * A word of the application, as it is shown and explained.
 *
 * @example termOf('margin').term // 'Margin'
 */
export const termOf = (id: TermId): Term => GLOSSARY[id];
/** All words of the application, in their order. */
export const TERMS = (Object.keys(GLOSSARY) as TermId[]).map((id) => ({ id, ...termOf(id) }));

/**
 * The glossary as a page of the documentation.
 *
 * @example glossaryPage().split('\n')[0] // '# Words'
 */
export const glossaryPage = (): string =>
  [
    '# Words',
    '',
    'The words of the application, as the screens show and explain them; in brackets what code and files call them where that is another word. Written from `packages/core/src/say/glossary.ts` by `npm run schema`.',
    '',
    ...TERMS.map(
      ({ term, inCode, sentence }) => `- **${term}**${inCode ? ` (\`${inCode}\`)` : ''}: ${sentence}`,
    ),
    '',
  ].join('\n');
