import { assemblyOutlook, dayAfter, weekdayOf, type Day } from '../assembly/index.ts';
import { marginsOf } from '../judge/index.ts';
import {
  batteryOf,
  contactsOf,
  layoutKind,
  motorsIn,
  rollsAway,
  turningOf,
  whole,
  type Build,
} from '../vehicle/index.ts';
import { protocolOf, type ProtocolName } from './protocols.ts';
import { resultOfSet, type TrialSet } from './trial-set.ts';

/** Minutes that setting up takes, and a run of each kind (common practice, no source). */
const SET_UP_MIN = 15;
const RUN_MIN: Partial<Record<ProtocolName, number>> = {
  'wheel-matching': 8,
  'motor-matching': 10,
  'slider-choice': 3,
  'coast-down': 5,
  'run-down': 30,
  warming: 6,
  'slip-slope': 4,
  'side-slope': 6,
};
const USUAL_RUN_MIN = 2;
const MINUTE_S = 60;

/** What of a build decides which trials it needs. */
interface Needs {
  readonly build: Build;
  /** Left and right driven by themselves: it can veer. */
  readonly twoSides: boolean;
  /** The worst margin of a link over its rule; Infinity where there is none. */
  readonly margin: (...links: readonly string[]) => number;
}

/** A margin nearer to its rule than this is worth a measurement (common practice, no source). */
const NEAR = 1.5;

interface Line {
  readonly protocol: ProtocolName;
  /** Why this build needs it; undefined where it does not. */
  readonly why: (needs: Needs) => string | undefined;
}

const has = (build: Build, ...forms: readonly string[]): boolean =>
  contactsOf(build.layout).some(({ axle, driven }) => !driven && forms.includes(axle.form));
const when = (is: boolean, why: string): string | undefined => (is ? why : undefined);

/** Trials in the order that saves runs: parts first, then what they run on, then the loop, the way and the turn (common practice, no source). */
const ORDER: readonly Line[] = [
  { protocol: 'first-power', why: ({ build }) => when(motorsIn(build) > 0, 'Before it touches the floor.') },
  {
    protocol: 'wheel-matching',
    why: ({ twoSides }) => when(twoSides, 'Unlike wheels veer whatever drives them.'),
  },
  {
    protocol: 'motor-matching',
    why: ({ build, twoSides }) =>
      when(twoSides && motorsIn(build) > 1, 'Match first, then let the controller correct.'),
  },
  {
    protocol: 'slider-choice',
    why: ({ build }) =>
      when(has(build, 'castor', 'slider', 'omni'), 'What it drags decides how straight it runs and turns.'),
  },
  {
    protocol: 'steering-return',
    why: ({ build }) =>
      when(turningOf(build.layout) === 'steered', 'A middle that is off is a veer in every run.'),
  },
  {
    protocol: 'straight-run',
    why: ({ build }) => when(driven(build), 'Ten runs tell what is left to correct.'),
  },
  {
    protocol: 'distance',
    why: ({ build }) => when(driven(build), 'The true diameter, before anything is counted with it.'),
  },
  { protocol: 'pivots', why: ({ twoSides }) => when(twoSides, 'How much more to order for a true turn.') },
  {
    protocol: 'balance',
    why: ({ build }) =>
      when(layoutKind(build.layout.kind).balances, 'Gains that hold in the hand may not after a nudge.'),
  },
  {
    protocol: 'coast-down',
    why: ({ margin }) =>
      when(margin('torque', 'energy') < NEAR, 'Torque or energy is near its rule: its drag decides.'),
  },
  {
    protocol: 'slip-slope',
    why: ({ margin }) => when(margin('grip') < NEAR, 'Grip is near its rule: measure it.'),
  },
  {
    protocol: 'pull',
    why: ({ margin }) =>
      when(margin('grip', 'torque') < NEAR, 'Pull is near its rule: see which of drive and grip ends first.'),
  },
  {
    protocol: 'stopping',
    why: ({ build }) =>
      when(
        build.people === 'riding' || build.duties.some(rollsAway),
        'It must stop where people are, or going down.',
      ),
  },
  {
    protocol: 'side-slope',
    why: ({ margin }) => when(margin('tip-side') < NEAR, 'It stands near to tipping sideways.'),
  },
  {
    protocol: 'warming',
    why: ({ margin }) =>
      when(margin('motor-heat', 'driver-current') < NEAR, 'Motor or driver is near what it stands all day.'),
  },
  {
    protocol: 'run-down',
    why: ({ build, margin }) =>
      when(
        batteryOf(build)?.whence === 'salvaged' || margin('energy') < NEAR,
        'What the battery gives decides the outing.',
      ),
  },
  {
    protocol: 'score',
    why: ({ build }) => when(build.aims.maximise === 'payload-rate', 'The best payload is found by running.'),
  },
  {
    protocol: 'after-load',
    why: ({ build }) =>
      when(
        build.drives.some(({ stages }) =>
          stages.some(({ kind }) => kind === 'chain' || kind.includes('belt')),
        ),
        'Belts and chains stretch in their first hours.',
      ),
  },
];

const driven = ({ layout }: Build): boolean => {
  const { balances, pullsByRope, rollsInside } = layoutKind(layout.kind);
  return !balances && !pullsByRope && !rollsInside;
};

/** A trial that a build needs, and when. */
export interface TuningLine {
  readonly protocol: ProtocolName;
  readonly why: string;
  readonly seconds: number;
  /** Whether a set of it has its verdict already. */
  readonly done: boolean;
  /** The working day on which it fits; absent where it is done, where no day can be said, or where the days are full. */
  readonly day?: Day;
}

/** Trials of a build in their order. */
export interface TuningPlan {
  readonly lines: readonly TuningLine[];
  /** Days between the last step of the assembly and the day it must be ready; absent where no such day is said. */
  readonly days?: number;
  /** Trials that do not fit into those days. */
  readonly left: number;
}

const secondsOf = (protocol: ProtocolName): number =>
  MINUTE_S * (SET_UP_MIN + protocolOf(protocol).runs * (RUN_MIN[protocol] ?? USUAL_RUN_MIN));

/** So many days are looked through for working days. */
const LOOKED_THROUGH = 400;

/** Working days from one on, up to the last one where there is one. */
function daysFrom({ assembly, readyBy }: Build, first: Day): Day[] {
  const days: Day[] = [];
  for (let n = 0; n < LOOKED_THROUGH; n++) {
    const day = dayAfter(first, n);
    if (readyBy !== null && day > readyBy) break;
    if (assembly.workDays.includes(weekdayOf(day))) days.push(day);
  }
  return days;
}

/** Puts each trial on the first day with room for it, none before the one that comes first. */
function onDays(seconds: readonly number[], days: readonly Day[], aDayS: number): (Day | undefined)[] {
  let [at, used] = [0, 0];
  return seconds.map((needs) => {
    // What is longer than a day has one for itself.
    if (used > 0 && used + needs > aDayS) [at, used] = [at + 1, 0];
    used += needs;
    return days[at];
  });
}

/**
 * The trials that a build needs, in the order that saves runs, fitted into the days that its assembly leaves.
 *
 * @param today as 2027-04-24
 * @example tuningPlan(puffin, [], '2027-04-01').lines[0]?.protocol // 'first-power'
 */
export function tuningPlan(
  build: Build,
  sets: readonly Pick<TrialSet, 'protocol' | 'conditions' | 'trials'>[],
  today: Day,
): TuningPlan {
  const seen = whole(build);
  const { governing } = marginsOf(build);
  const needs: Needs = {
    build,
    twoSides: driven(build) && turningOf(seen.layout) === 'pivot',
    margin: (...links) =>
      Math.min(
        Infinity,
        ...governing.filter(({ link }) => links.includes(link)).map(({ ratio, rule }) => ratio / rule),
      ),
  };
  const lines = ORDER.flatMap(({ protocol, why }) => {
    const reason = why(needs);
    const done = sets.some((set) => set.protocol === protocol && !UNSETTLED.has(resultOfSet(set).verdict));
    return reason === undefined ? [] : [{ protocol, why: reason, seconds: secondsOf(protocol), done }];
  });
  const { readyOn } = assemblyOutlook(build, today);
  if (readyOn === undefined) return { lines, left: 0 };
  const first = readyOn < today ? today : dayAfter(readyOn, 1);
  const days = daysFrom(build, first);
  const open = lines.filter(({ done }) => !done);
  const placed = onDays(
    open.map(({ seconds }) => seconds),
    days,
    build.assembly.hoursADay.value,
  );
  const dayOf = new Map(open.map((line, n) => [line.protocol, placed[n]]));
  return {
    lines: lines.map((line) => {
      const day = dayOf.get(line.protocol);
      return day === undefined ? line : { ...line, day };
    }),
    ...(build.readyBy === null ? {} : { days: days.length }),
    left: placed.filter((day) => day === undefined).length,
  };
}

/** Verdicts that settle nothing yet. */
const UNSETTLED: ReadonlySet<string> = new Set(['too-few', 'matched-so-far', 'open']);
