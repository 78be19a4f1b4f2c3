import type { PlanProblem, Reason, Fastener } from '../assembly/index.ts';
import { figure, sentence, type Sentence } from '../quantity/index.ts';
import type { PortProblem } from '../wiring/index.ts';

const listed = (words: readonly string[]): string =>
  words.length < 2 ? (words[0] ?? '') : `${words.slice(0, -1).join(', ')} and ${words.at(-1) ?? ''}`;

/**
 * What of a builder's own edits does not fit the plan, as a sentence; ids are told by their titles where they have some.
 *
 * @example planProblemInWords({ kind: 'gone', stepId: 'stage-2.loop' }, (id) => id)
 *   // 'A note on “stage-2.loop” no longer applies: the build has no such step any more.'
 */
export function planProblemInWords(problem: PlanProblem, titleOf: (id: string) => string): string {
  const quoted = (ids: readonly string[]): string => listed(ids.map((id) => `“${titleOf(id)}”`));
  switch (problem.kind) {
    case 'circle':
      return `These steps each wait for the next, in a circle: ${quoted(problem.steps)}. Your own order among them is left aside until one of them comes first.`;
    case 'gone':
      return `A note on “${problem.title ?? titleOf(problem.stepId)}” no longer applies: the build has no such step any more.`;
    case 'names-gone':
      return `“${problem.title}” names what the build does not have any more: ${listed(problem.ids.map(titleOf))}.`;
    case 'not-fitted':
      return `No step fits ${quoted(problem.lines)}: the step that did is left out.`;
  }
}

/**
 * What does not add up among ports, as a sentence.
 *
 * @example portProblemInWords({ kind: 'missing', what: 'channels', wanted: 4, there: 2 }, (id) => id)
 *   // '4 channels are wanted and 2 are there: another board, or one with more.'
 */
export function portProblemInWords(problem: PortProblem, labelOf: (id: string) => string): string {
  if (problem.kind === 'clash')
    return `${listed(problem.wires.map((id) => `“${labelOf(id)}”`))} are both at ${problem.port} of ${problem.at}: give one of them another port.`;
  const are = problem.there === 1 ? 'is' : 'are';
  const mend =
    problem.what === 'channels'
      ? 'another board, or one with more'
      : 'another controller, or fewer things to read';
  return `${problem.wanted} ${problem.what} are wanted and ${problem.there} ${are} there: ${mend}.`;
}

/**
 * Screws of one kind, as they are laid out: how many, which, how tight and what keeps them.
 *
 * @example inUnits(fastenerInWords({ size: 'M6', kind: 'screw', lengthMm: 20, count: 8, each: 4, holds: 'motor', usual: true }), 'metric')
 *   // '8 × M6 × 20 screw for motor, a usual size'
 */
export function fastenerInWords({
  size,
  kind,
  lengthMm,
  count,
  holds,
  torqueNm,
  lock,
  usual,
}: Fastener): Sentence {
  const which = `${count} × ${size}${lengthMm === undefined ? '' : ` × ${lengthMm}`} ${kind} for ${holds}`;
  const kept = lock === undefined ? '' : `, ${lock}`;
  const guessed = usual ? ', a usual size' : '';
  return torqueNm === undefined
    ? sentence`${which}${kept}${guessed}`
    : sentence`${which}, ${figure(torqueNm, 'torque', 2)}${kept}${guessed}`;
}

/**
 * Why a step comes before another, by the title of that one.
 *
 * @example reasonInWords('Fit the loop', { why: 'It runs over them.' }) // 'after “Fit the loop”: it runs over them.'
 */
export const reasonInWords = (before: string, { why }: Reason): string =>
  `after “${before}”: ${why.charAt(0).toLowerCase()}${why.slice(1)}`;
