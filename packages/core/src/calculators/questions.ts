import type { z } from 'zod';
import { TOPICS } from '../contract/index.ts';
import { CALCULATORS, type AnyCalculator, type CalculatorName } from './registry.ts';

/** The calculators of one topic, under what a builder asks. */
export interface Questions {
  readonly title: string;
  readonly questions: readonly AnyCalculator[];
}

/**
 * The questions that calculators answer, under what they are about.
 *
 * @example questionsByTopic()[0]?.title // 'Will it climb, turn and stop?'
 */
export const questionsByTopic = (): Questions[] =>
  Object.entries(TOPICS).map(([id, title]) => ({
    title,
    questions: CALCULATORS.filter(({ topic }) => topic === id),
  }));

/** Words that people come with and no text of a calculator has, by the calculators that answer them. */
const SYNONYMS: Readonly<Record<string, readonly CalculatorName[]>> = {
  'how far': ['travel-counts', 'encoder-counts', 'route-time', 'run-time'],
  'calibrate calibration': [
    'effective-diameter',
    'travel-counts',
    'pivot-calibration',
    'odometry-square',
    'roller-speed',
  ],
  'wheel turns revolutions': ['travel-counts', 'encoder-counts', 'motor-load'],
  'stall stalled jam locked rotor': ['full-command', 'dc-motor-point', 'dc-motor-constants', 'motor-heat'],
  'mph kmh fast top speed': ['attainable-speed', 'motor-load', 'roller-speed', 'speed-up', 'corner-speed'],
  'brake brakes braking stop distance': ['stopping', 'braking-heat', 'reaction-run'],
  'plough plow bulldoze snow blade heap scrape': ['heap-push'],
  'gearbox reduction reducer': ['train-ratio', 'gear-train', 'planetary', 'worm-pair'],
  'sprocket bicycle': ['chain-drive', 'chain-pitch', 'largest-sprocket'],
  'pulley vee': ['friction-belt', 'timing-belt', 'jockey-lever'],
  'hill ramp slope incline climb': ['road-load', 'grip-limited-grade', 'incline-slip', 'stopping'],
  'kerb curb step threshold': ['obstacle-climb'],
  'tip topple fall over roll over': ['side-tip', 'tip-angles', 'tipping-moments', 'corner-speed'],
  'traction slip spin wheelspin': ['grip-force', 'grip-limited-grade', 'incline-slip', 'pull-test'],
  'mud sand snow soft ground sink bog': ['wheel-sinkage', 'track-sinkage', 'soil-thrust'],
  'range autonomy battery life duration': ['run-time', 'outing-draw', 'energy-drawn'],
  'gauge awg thickness cable': ['wire', 'wire-choice', 'fuse-choice'],
  'hot overheat temperature burn': ['motor-heat', 'heat-cycle', 'braking-heat'],
  'winch drum cable pull lift hoist': ['spool', 'jockey-lever'],
  'solar panel sun': ['charging-by-sun'],
  'drift straight veer pulls left right': ['veer', 'simulate-straight', 'unequal-wheels'],
  'magnet hall sensor heading swerve': ['magnet-ring', 'encoder-counts'],
  'frame rail beam sag bend stiff': ['frame-bending'],
  'gearbox mount bolt rigid float torque arm bind': ['gearbox-mount'],
  'run-out wobble eccentric pulley sprocket true swing': ['run-out'],
  'screw bolt torque tighten': ['bolt-tightening', 'bolt-circle', 'set-screw-hold'],
};

/** A schema as Zod holds it, as far as its keys are told. */
interface Told {
  readonly shape?: Readonly<Record<string, z.ZodType>>;
  readonly def: { readonly innerType?: z.ZodType };
}

/** What a key says of itself, under what it may be wrapped in. */
function descriptionOf(schema: z.ZodType): string {
  const { innerType } = (schema as unknown as Told).def;
  return schema.meta()?.description ?? (innerType ? descriptionOf(innerType) : '');
}

/** What all keys of a calculator's input or output say of themselves. */
const described = (schema: z.ZodType): string =>
  Object.values((schema as unknown as Told).shape ?? {})
    .map(descriptionOf)
    .join(' ');

/** What people call it that no text of it says. */
const calledBy = (name: CalculatorName): string =>
  Object.entries(SYNONYMS)
    .flatMap(([words, names]) => (names.includes(name) ? words : []))
    .join(', ');

const haystacks = new Map<CalculatorName, string>();

/**
 * All that a calculator may be found by: its question, title, purpose, what goes in and comes out, and what people call it.
 *
 * @example searchedText(findCalculator('run-time')).includes('battery') // true
 */
export function searchedText(calculator: AnyCalculator): string {
  const { name, asks, title, purpose, topic, input, output } = calculator;
  const known = haystacks.get(name);
  if (known !== undefined) return known;
  const text = [
    name.replaceAll('-', ' '),
    asks,
    title,
    purpose,
    TOPICS[topic],
    described(input),
    described(output),
    calledBy(name),
  ]
    .join(' ')
    .toLowerCase();
  haystacks.set(name, text);
  return text;
}

/** Words that say nothing of what is asked. */
const SAYING_NOTHING = new Set(
  'a an the is are do does did my i it its of to for in on at how what which will can with'.split(' '),
);

/** One form of a word for one and many. */
const stem = (word: string): string => (word.length > 3 ? word.replace(/(?:es|s)$/, '') : word);

const wordsOf = (text: string): string[] => {
  const all = text
    .toLowerCase()
    .split(/[^\p{L}\p{N}]+/u)
    .filter((word) => word !== '');
  const telling = all.filter((word) => !SAYING_NOTHING.has(word));
  return (telling.length > 0 ? telling : all).map(stem);
};

/** Words at which text begins a word: "turn" is in "turns", "art" not in "start". */
const has = (text: string, word: string): boolean =>
  text.startsWith(word) || text.includes(` ${word}`) || text.includes(`-${word}`);

/**
 * The questions that a text asks for, those that say it themselves before those that only have to do with it; all of them,
 * under their topics, where nothing is asked.
 *
 * @example questionsFor('run time')[0]?.questions[0]?.name // 'run-time'
 */
export function questionsFor(text: string): Questions[] {
  const wanted = wordsOf(text);
  if (wanted.length === 0) return questionsByTopic();
  const asked = text.trim().toLowerCase();
  const inAll = (of: string): boolean => wanted.every((word) => has(of, word));
  return questionsByTopic()
    .map(({ title, questions }) => {
      const found = questions.filter((question) => inAll(searchedText(question)));
      const first = found.filter(
        ({ name, asks, title: called }) =>
          inAll(`${name.replaceAll('-', ' ')} ${asks} ${called}`.toLowerCase()) ||
          calledBy(name).includes(asked),
      );
      return {
        title,
        // A topic that begins as it is asked comes before all.
        nearness: title.toLowerCase().startsWith(asked) ? 2 : first.length / Math.max(1, found.length),
        questions: [...first, ...found.filter((one) => !first.includes(one))],
      };
    })
    .filter(({ questions }) => questions.length > 0)
    .sort((a, b) => b.nearness - a.nearness)
    .map(({ title, questions }) => ({ title, questions }));
}
