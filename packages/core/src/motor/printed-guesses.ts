import type { Words } from '../quantity/index.ts';

/** What is taken where nothing is printed: usual, least and most (common practice, no source). */
export const GUESSES = {
  /** No-load current over stall current. */
  idleOfStall: [0.05, 0.02, 0.1],
  /** The same of a brushless motor, whose winding would draw hundreds of amperes. */
  idleOfWinding: [0.005, 0.002, 0.012],
  /** No-load current over rated current. */
  idleOfRated: [0.1, 0.05, 0.2],
  /** Rated speed over no-load speed. */
  droop: [0.85, 0.8, 0.9],
  /** Share of the power that comes through a gearhead. */
  gear: [0.8, 0.65, 0.9],
  /** Current that may flow all day over stall current. */
  allDay: [0.2, 0.12, 0.3],
} as const;
export type Guess = keyof typeof GUESSES;
/** What is taken where nothing is printed. */
export type Guesses = { readonly [G in Guess]: number };

const usual = (guess: Guess): number => GUESSES[guess][0];
const GUESS_NAMES = Object.keys(GUESSES) as readonly Guess[];
/** The middle of what each guess may be. */
export const USUAL = Object.fromEntries(GUESS_NAMES.map((guess) => [guess, usual(guess)])) as Guesses;

/** A reading that settles a guess, and the quick sum that takes it. */
export interface Settling {
  readonly text: Words;
  readonly calculator?: string;
}

/** What would settle each guess. */
export const SETTLES: { readonly [G in Guess]: Settling } = {
  idleOfStall: {
    text: 'Run it free at a known voltage and read its current: that is the current without load.',
    calculator: 'dc-motor-fit',
  },
  idleOfWinding: { text: 'Run it free at a known voltage and read its current.', calculator: 'dc-motor-fit' },
  idleOfRated: {
    text: 'Run it free at a known voltage and read its current and speed.',
    calculator: 'dc-motor-fit',
  },
  droop: {
    text: 'Read its speed without load, or its current under a load that it is meant for.',
    calculator: 'dc-motor-fit',
  },
  gear: { text: 'Hang a weight on an arm at the output and read the current at which it just lifts it.' },
  allDay: {
    text: 'Its maker’s rated current; or run it loaded for half an hour and keep to what leaves the case touchable.',
    calculator: 'motor-heat',
  },
};
