import { figure, sentence } from '../quantity/index.ts';
import { compareTrials, meanOf, medianOf, varianceOf } from '../trials/index.ts';
import { amount, choice, partName } from './field.ts';
import { CLEAR, FULL, RIGHT_LEFT, SAME_FLOOR } from './on-the-floor.ts';
import type { Protocol } from './protocol.ts';
import { byWord, numbersIn, wordIn, type TrialConditions, type TrialReading } from './reading.ts';
import type { Measured, TrialResult } from './result.ts';
import { resultOf, SIGNIFICANT } from './summary.ts';

/** Runs of each slider, straight and turning (common practice, no source: ten and ten). */
const EACH = 10;

/** What was seen of one slider or castor. */
interface Slider {
  readonly name: string;
  readonly sides: readonly number[];
  readonly turns: readonly number[];
  readonly along: readonly number[];
  readonly across: readonly number[];
}

const of = (readings: readonly TrialReading[], kind: string, key: string): number[] =>
  numbersIn(
    readings.filter((r) => wordIn(r, 'does') === kind),
    key,
  );

const slidersIn = (readings: readonly TrialReading[]): Slider[] =>
  [...byWord(readings, 'slider')].map(([name, its]) => ({
    name,
    sides: of(its, 'straight', 'side'),
    turns: of(its, 'turn', 'turned'),
    along: of(its, 'along', 'pull'),
    across: of(its, 'across', 'pull'),
  }));

/** How far off its ends are all told: bias and scatter together. */
const offOf = ({ sides }: Slider): number => Math.sqrt(meanOf(sides.map((x) => x * x)));

/** Whether one scatters less than another beyond luck: distances from the median compared (M. Brown & A. Forsythe 1974). */
function steadier(a: Slider, b: Slider): boolean {
  const away = ({ sides }: Slider): number[] => sides.map((x) => Math.abs(x - medianOf(sides)));
  try {
    return compareTrials.run({ a: away(a), b: away(b) }).p < SIGNIFICANT;
  } catch {
    return false;
  }
}

const oneOf = (slider: Slider): Measured[] => {
  const { name, sides, turns, along, across } = slider;
  const one = (
    key: string,
    title: string,
    dimension: Measured['dimension'],
    values: readonly number[],
    value: number,
  ): Measured[] =>
    values.length === 0
      ? []
      : [{ key: `${key}:${name}`, title: `${name}: ${title}`, dimension, value, n: values.length }];
  return [
    ...one('off', 'off the line, all told', 'length', sides, sides.length > 0 ? offOf(slider) : 0),
    ...one(
      'turn-scatter',
      'scatter of its turns',
      'angle',
      turns,
      turns.length > 1 ? Math.sqrt(varianceOf(turns)) : 0,
    ),
    ...one('along', 'slid by hand, along', 'force', along, along.length > 0 ? meanOf(along) : 0),
    ...one('across', 'slid by hand, across', 'force', across, across.length > 0 ? meanOf(across) : 0),
  ];
};

function analyse(_: TrialConditions, readings: readonly TrialReading[]): TrialResult {
  const sliders = slidersIn(readings);
  const n = readings.length;
  const ready = sliders.filter(({ sides }) => sides.length >= EACH).sort((a, b) => offOf(a) - offOf(b));
  const [best, second] = ready;
  const measured = sliders.flatMap(oneOf);
  if (!best || !second)
    return resultOf(
      n,
      'too-few',
      sentence`Two sliders with ${EACH} straight runs each make a choice: ${ready.length} so far.`,
      { measured },
    );
  const clear = steadier(best, second);
  return resultOf(
    n,
    clear ? 'chosen' : 'alike',
    clear
      ? sentence`${best.name} runs best: off the line by ${figure(offOf(best), 'length', 2)}, ${second.name} by ${figure(offOf(second), 'length', 2)}.`
      : sentence`${best.name} and ${second.name} cannot be told apart by these runs: ${figure(offOf(best), 'length', 2)} and ${figure(offOf(second), 'length', 2)} off the line. Take the one that turns more evenly.`,
    {
      measured,
      notes: sliders.flatMap(({ name, along, across }) =>
        along.length > 0 && across.length > 0 && meanOf(across) > 1.5 * meanOf(along)
          ? [
              sentence`${name} drags more across than along: it holds the tail straight, and takes from turns on the spot.`,
            ]
          : [],
      ),
    },
  );
}

/** Which slider or castor. */
export const sliderChoice: Protocol = {
  title: 'Choosing a slider or castor',
  asks: 'Which third leg lets it run and turn best?',
  why: 'A slider that sticks or a castor that has to swing round first spoils straight runs and turns alike.',
  aids: [
    'First by hand, unpowered: slide it along and across, with a spring scale if there is one.',
    'Then ten straight runs and ten turns on the spot for each.',
    SAME_FLOOR,
    FULL,
  ],
  cautions: [CLEAR],
  next: 'Fit the best one, then match the motors anew only if it still veers.',
  runs: 2 * EACH,
  conditions: [],
  readings: [
    partName('slider', 'Slider or castor'),
    choice('does', 'What was done', {
      along: 'slid by hand, along',
      across: 'slid by hand, across',
      straight: 'straight run',
      turn: 'turn on the spot',
    }),
    amount(
      'pull',
      'Pull',
      ['force', 'N'],
      { above: 0 },
      { optional: true, shownFor: ['does', 'along across'] },
    ),
    amount(
      'side',
      'Ended to the side',
      ['length', 'mm'],
      {},
      { optional: true, sides: RIGHT_LEFT, shownFor: ['does', 'straight'] },
    ),
    amount('turned', 'Turned', ['angle', '°'], { above: 0 }, { optional: true, shownFor: ['does', 'turn'] }),
  ],
  analyse,
};
