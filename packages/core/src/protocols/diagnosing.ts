import { diagnose, SYMPTOM_NAMES, symptomOf, type Diagnosis, type Facts } from '../diagnosis/index.ts';
import { figure, sentence } from '../quantity/index.ts';
import { amount, choice, partName } from './field.ts';
import { CLEAR, RIGHT_LEFT } from './on-the-floor.ts';
import type { Protocol } from './protocol.ts';
import { numberIn, wordIn, type TrialConditions, type TrialReading } from './reading.ts';
import type { TrialResult } from './result.ts';
import { resultOf } from './summary.ts';

/** The step in which a builder writes down what it was. */
export const DECIDED = 'decided';

/** Of a vehicle of which nothing is known. */
const NOTHING_KNOWN: Facts = { margins: {}, loop: false, thirdLeg: true };
/** Where nothing else is said, as small vehicles are (common practice, no source), m. */
const USUAL = { way: 2, track: 0.3 };

/**
 * What is behind a symptom, by a set of steps that were made.
 *
 * @example diagnosisOf({ symptom: 'veers' }, []).next?.step // 'as-it-is'
 */
export const diagnosisOf = (
  conditions: TrialConditions,
  readings: readonly TrialReading[],
  facts: Facts = NOTHING_KNOWN,
): Diagnosis =>
  diagnose(
    SYMPTOM_NAMES.find((name) => name === wordIn(conditions, 'symptom')) ?? 'veers',
    facts,
    readings
      .filter((r) => wordIn(r, 'step') !== DECIDED)
      .map((r) => ({
        step: wordIn(r, 'step'),
        ...{ side: numberIn(r, 'side'), left: numberIn(r, 'left'), right: numberIn(r, 'right') },
        answer: wordIn(r, 'answer') || undefined,
      })),
    {
      distanceM: numberIn(conditions, 'commanded') ?? USUAL.way,
      trackM: numberIn(conditions, 'track') ?? USUAL.track,
    },
  );

function analyse(conditions: TrialConditions, readings: readonly TrialReading[]): TrialResult {
  const { ranked, verdict, next, title } = diagnosisOf(conditions, readings);
  const [first, second] = ranked;
  const decided = readings.findLast((r) => wordIn(r, 'step') === DECIDED);
  const n = readings.length;
  if (decided)
    return resultOf(n, 'decided', sentence`Decided: ${causeTitle(conditions, wordIn(decided, 'answer'))}.`);
  const share = figure(first?.share ?? 0, 'share', 2);
  if (verdict === 'found')
    return resultOf(n, 'found', sentence`${title}: most likely ${said(first?.title)} (${share}).`);
  if (verdict === 'unclear')
    return resultOf(
      n,
      'unclear',
      sentence`${title}: unclear still. ${first?.title ?? ''} (${share}) or ${said(second?.title)} (${figure(second?.share ?? 0, 'share', 2)}).`,
    );
  return resultOf(n, 'open', sentence`${title}. Next: ${said(next?.title)}.`);
}

const said = (title = ''): string => title.charAt(0).toLowerCase() + title.slice(1);

const causeTitle = (conditions: TrialConditions, cause: string): string => {
  const { ranked } = diagnosisOf(conditions, []);
  return ranked.find((each) => each.cause === cause)?.title ?? cause;
};

/** Looking for a cause, step by step. */
export const diagnosing: Protocol = {
  title: 'Looking for a cause',
  asks: 'Something is wrong: what is it?',
  why: 'Of several causes that look alike, one swap at a time tells which: the veer goes with it, or stays.',
  aids: [
    'One change at a time, and back again if it was not the cause.',
    'The same floor, the same start, the same charge.',
  ],
  cautions: [CLEAR, 'Main switch off before hands go near chain, belt or wheels.'],
  next: 'Mend it, run again, and write down what it was.',
  runs: 1,
  conditions: [
    choice(
      'symptom',
      'What it does',
      Object.fromEntries(SYMPTOM_NAMES.map((name) => [name, symptomOf(name).title])),
    ),
    amount(
      'commanded',
      'Length of a run',
      ['length', 'm'],
      { above: 0 },
      { optional: true, shownFor: ['symptom', 'veers'] },
    ),
    amount(
      'track',
      'Track',
      ['length', 'mm'],
      { above: 0 },
      { optional: true, shownFor: ['symptom', 'veers'] },
    ),
  ],
  readings: [
    partName('step', 'Step'),
    amount('side', 'Ended to the side', ['length', 'mm'], {}, { optional: true, sides: RIGHT_LEFT }),
    amount('left', 'Turns of the left wheel', ['number', ''], { above: 0 }, { optional: true }),
    amount('right', 'Turns of the right wheel', ['number', ''], { above: 0 }, { optional: true }),
    { ...partName('answer', 'Answer'), optional: true },
  ],
  analyse,
};
