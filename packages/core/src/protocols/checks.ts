import { figure, sentence, type Sentence } from '../quantity/index.ts';
import { meanOf } from '../trials/index.ts';
import { amount, choice, partName, type Field } from './field.ts';
import type { Protocol } from './protocol.ts';
import { numbersIn, wordIn, type TrialConditions, type TrialReading } from './reading.ts';
import type { TrialResult } from './result.ts';
import { meanOfRuns, present, resultOf, runsPlot, tooFew, type Of } from './summary.ts';

const FOUND = { ok: 'as it should be', slack: 'slack', moved: 'moved', worn: 'worn', hot: 'hot' };

function analyseChecks(_: TrialConditions, readings: readonly TrialReading[]): TrialResult {
  const bad = readings.filter((r) => wordIn(r, 'found') !== 'ok');
  const n = readings.length;
  if (n === 0) return resultOf(0, 'too-few', tooFew(0, afterLoad.runs));
  const told = bad.map((r) => `${wordIn(r, 'part')} ${FOUND[wordIn(r, 'found') as keyof typeof FOUND]}`);
  return resultOf(
    n,
    bad.length === 0 ? 'holds' : 'to-mend',
    bad.length === 0
      ? sentence`All ${n} are as they should be.`
      : sentence`${bad.length} of ${n} to mend: ${told.join(', ')}.`,
    { notes: bad.length === 0 ? [] : [sentence`Mend them, run an hour under load, and look again.`] },
  );
}

/** Belts, chains and screws after load. */
export const afterLoad: Protocol = {
  title: 'Belts, chains and screws after load',
  asks: 'What has worked loose?',
  why: 'Belts and chains stretch and screws settle in their first hours: what is found early costs a turn of a spanner.',
  aids: ['After the first ten minutes, the first hour, and each outing; power off, main switch out.'],
  cautions: ['Main switch off and its key out before hands go near chain or belt.'],
  next: 'What moved once gets thread lock or a self-locking nut; what moves twice is made otherwise.',
  runs: 4,
  conditions: [],
  readings: [
    choice('kind', 'What', {
      belt: 'belt',
      chain: 'chain',
      'set-screw': 'set screw',
      nut: 'screw or nut',
      wheel: 'wheel or hub',
      other: 'something else',
    }),
    partName('part', 'Which one'),
    choice('found', 'Found', FOUND),
  ],
  analyse: analyseChecks,
};

const CHECKS = {
  polarity: 'poles right at the driver, measured',
  fuse: 'fuse in, of the right size',
  ways: 'each motor turns the way it is told',
  stops: 'the main switch stops it',
  cool: 'nothing warm after a minute',
  quiet: 'no grinding, no smell',
};

function analyseFirst(_: TrialConditions, readings: readonly TrialReading[]): TrialResult {
  // What was looked at twice counts as it was found last.
  const last = new Map(readings.map((r) => [wordIn(r, 'check'), wordIn(r, 'ok')]));
  const bad = [...last].filter(([, ok]) => ok === 'no').map(([check]) => check);
  const left = Object.keys(CHECKS).length - last.size;
  const verdict = bad.length > 0 ? 'to-mend' : left > 0 ? 'too-few' : 'holds';
  return resultOf(
    readings.length,
    verdict,
    bad.length > 0
      ? sentence`Not yet: ${bad.map((check) => CHECKS[check as keyof typeof CHECKS]).join(', ')}.`
      : left > 0
        ? sentence`${left} more ${left === 1 ? 'check' : 'checks'} before it runs on the floor.`
        : sentence`All is well: it may run on the floor.`,
  );
}

/** First power, off the ground. */
export const firstPower: Protocol = {
  title: 'First power',
  asks: 'Does it do what it is told, off the ground?',
  why: 'A swapped pole or a motor that turns the wrong way is found with the wheels in the air, or by the wall it runs into.',
  aids: ['Wheels off the ground on blocks that cannot slip; a tenth of full command.'],
  cautions: ['Hands, hair and sleeves clear; one hand on the main switch.'],
  next: 'All well: a first run on the floor, empty.',
  runs: Object.keys(CHECKS).length,
  conditions: [],
  readings: [choice('check', 'Check', CHECKS), choice('ok', 'Is it so?', { yes: 'yes', no: 'no' })],
  analyse: analyseFirst,
};

const BALANCED = {
  nudge: 'way it runs before it stands again, after a nudge',
  drift: 'way it drifts in a minute, left alone',
  noise: 'swing of the top to and fro, standing',
};

function analyseBalance(_: TrialConditions, readings: readonly TrialReading[]): TrialResult {
  const n = readings.length;
  const fell = readings.filter((r) => wordIn(r, 'fell') === 'yes').length;
  if (n < balancing.runs) return resultOf(n, 'too-few', tooFew(n, balancing.runs));
  const measured = Object.entries(BALANCED).flatMap(([key, title]) => {
    const of = numbersIn(
      readings.filter((r) => wordIn(r, 'what') === key && wordIn(r, 'fell') !== 'yes'),
      'way',
    );
    return present(meanOfRuns(of, { key, title, dimension: 'length' }));
  });
  return resultOf(
    n,
    fell > 0 ? 'falls' : 'stands',
    fell > 0
      ? sentence`It fell ${fell === 1 ? 'once' : `${fell} times`} in ${n}.`
      : sentence`It stood every time, ${n} in ${n}.`,
    { measured },
  );
}

/** How a balancer stands. */
export const balancing: Protocol = {
  title: 'Balance: nudge, drift, noise',
  asks: 'Does it stand, and how quietly?',
  why: 'Gains that hold in the hand may not after a nudge; ten nudges both ways, a minute alone, and how far its top swings.',
  aids: [
    'A soft floor or a strap; the same nudge each time: a bag of sand on a string, let go from a mark.',
    'A battery near full: what catches it comes from there.',
  ],
  cautions: ['It may run away: hold the switch. Nobody kneels before it.'],
  next: 'Change one gain, by a third, and do it again: the balance loop first, then the one around it.',
  runs: 10,
  conditions: [
    amount('bag', 'Bag that nudges it', ['mass', 'g'], { above: 0 }, { optional: true }),
    amount('drop', 'How far the bag drops as it swings', ['length', 'mm'], { above: 0 }, { optional: true }),
  ],
  readings: [
    choice('what', 'What was read', {
      nudge: 'after a nudge',
      drift: 'drift in a minute',
      noise: 'swing standing',
    }),
    amount('way', 'Way', ['length', 'mm'], { least: 0 }),
    choice('fell', 'Did it fall?', { no: 'no', yes: 'yes' }),
  ],
  analyse: analyseBalance,
};

/** What a protocol of one's own reads: a name and a dimension each, as its first set has them. */
export function ownReadings(conditions: TrialConditions): readonly Field[] {
  const read = conditions['reads'];
  if (!Array.isArray(read)) return [];
  return read.flatMap((line, at): Field[] => {
    if (typeof line !== 'string') return [];
    const [, title = line, unit = ''] = /^(.*?)(?:,\s*([^,]*))?$/.exec(line) ?? [];
    const of = OWN_UNITS[unit.trim()];
    return [
      of
        ? amount(`r${at + 1}`, title.trim(), [of, unit.trim()], {})
        : amount(`r${at + 1}`, line.trim(), ['number', ''], {}),
    ];
  });
}

/** Units that a reading of one's own may name. */
const OWN_UNITS: Readonly<Record<string, Of['dimension']>> = {
  ...{ mm: 'length', cm: 'length', m: 'length', in: 'length', ft: 'length' },
  ...{ s: 'time', min: 'time', kg: 'mass', g: 'mass', lb: 'mass', N: 'force', lbf: 'force' },
  ...{ 'm/s': 'speed', 'km/h': 'speed', mph: 'speed', rpm: 'rotation', '°': 'angle', '%': 'coefficient' },
  ...{
    V: 'voltage',
    A: 'current',
    W: 'power',
    Wh: 'energy',
    Ah: 'charge',
    '°C': 'temperature',
    '°F': 'temperature',
  },
};

function analyseOwn(conditions: TrialConditions, readings: readonly TrialReading[]): TrialResult {
  const n = readings.length;
  const needed = Math.max(1, ...numbersIn([conditions], 'runs'));
  const fields = ownReadings(conditions).flatMap((field) => (field.kind === 'quantity' ? [field] : []));
  const all = fields.map(({ key, title, dimension }) => {
    const of: Of = { key, title, dimension };
    const values = numbersIn(readings, key);
    return { of, values, measured: meanOfRuns(values, of) };
  });
  const says: Sentence[] = all.flatMap(({ of, values }) =>
    values.length === 0 ? [] : [sentence`${of.title} ${figure(meanOf(values), of.dimension)} on average`],
  );
  return resultOf(
    n,
    n < needed ? 'too-few' : 'measured',
    n < needed
      ? tooFew(n, needed)
      : says.reduce((line, next, at) => (at === 0 ? next : sentence`${line}; ${next}`), sentence``),
    {
      measured: all.flatMap(({ measured }) => present(measured)),
      plots: n === 0 ? [] : all.map(({ of, values, measured }) => runsPlot(values, of, measured)),
    },
  );
}

/** A trial that the builder makes up. */
export const own: Protocol = {
  title: 'A trial of your own',
  asks: 'What do you want to know?',
  why: 'Anything that can be read off the real vehicle: the same runs, written down, are worth more than a memory.',
  aids: ['Say what is read and in which unit: "Height of the jump, mm".', 'Change one thing at a time.'],
  cautions: ['Think where it can go, and what it can catch, before it runs.'],
  next: 'Run it again after a change, as another set, and set the two side by side.',
  runs: 5,
  conditions: [
    { kind: 'names', key: 'reads', title: 'What is read, one a line', least: 1 },
    amount('runs', 'Runs that a verdict takes', ['number', ''], { least: 1, most: 1000 }),
  ],
  readings: [],
  analyse: analyseOwn,
};
