import type { StageKind } from './index.ts';

/** What those who build with a kind of stage say for it, and what against it (common practice, no source). */
export interface School {
  readonly good: string;
  readonly bad: string;
}

const SCHOOLS: Readonly<Record<StageKind, School>> = {
  gearhead: {
    good: 'Sealed, aligned and greased by its maker: nothing to tune.',
    bad: 'Its torque is what its maker rates; worn or stripped, all of it is replaced.',
  },
  chain: {
    good: 'Holds by teeth, takes dirt and large torque, any length by a link.',
    bad: 'Wants a true line, collars, a stiff mount and slack taken up; noisy, oily, hammered by electronic braking.',
  },
  'timing-belt': {
    good: 'Holds by teeth, quiet and clean, almost no play: straight and slow drives like it.',
    bad: 'Jumps when slack or overloaded; comes in set lengths; sand in the teeth eats it.',
  },
  'friction-belt': {
    good: 'Slips before something breaks, forgives the line, and a jockey makes a clutch of it.',
    bad: 'Slips on small pulleys at low speed however tight, and more when wet; pulls hard at its bearings.',
  },
  spur: {
    good: 'Small, stiff, lasts long; loses little.',
    bad: 'The mesh must be set to a hair and stay there; grit grinds it; play from the first day.',
  },
  bevel: {
    good: 'Turns the corner with little loss.',
    bad: 'Both shafts must be held in place along and across; shimming takes patience.',
  },
  planetary: {
    good: 'Much reduction and torque on one axis.',
    bad: 'Only some tooth counts go together; hard to make at home.',
  },
  worm: {
    good: 'Much reduction in one step, quiet, and often holds at rest.',
    bad: 'Loses about half its power, runs hot, cannot be pushed by hand; and is never a brake.',
  },
  'friction-wheel': {
    good: 'A roller on the tyre: no hub to alter, lifts off to coast.',
    bad: 'Wears the tyre, slips when wet, and its press loads the axle.',
  },
  direct: {
    good: 'Nothing to align, nothing to lose.',
    bad: 'The motor must be slow and strong by itself, and its shaft carries the wheel.',
  },
  spool: {
    good: 'Pulls straight and slow, at any angle of the slope.',
    bad: 'Each layer of rope pulls less and runs faster; nobody may stand in line with it.',
  },
  track: {
    good: 'Spreads the weight: goes where wheels dig in.',
    bad: 'Drags, scrubs in every turn, and picks up what lies about.',
  },
};

export const schoolOf = (kind: StageKind): School => SCHOOLS[kind];
