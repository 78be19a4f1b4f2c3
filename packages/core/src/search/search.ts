import { commonSpan } from '../capability/index.ts';
import { marginsOf } from '../judge/index.ts';
import { stageFigures } from '../transmission/index.ts';
import { motorOf, type Build, type Part, type PartOf } from '../vehicle/index.ts';
import { type Unfit } from './allowed.ts';
import {
  batteriesFor,
  burden,
  candidatesOf,
  chosenParts,
  driversFor,
  motorCount,
  type Driven,
  type Candidates,
} from './candidates.ts';
import { onWheels, putSetIn, throughMoving, type FoundSet, type SetOfParts } from './found-set.ts';
import { isAsGood } from './front.ts';
import { withinEvent, withinVehicle } from './within.ts';
import type { SearchLimits } from './limits.ts';
import { loopsOnHand, type LoopsAtHand } from './loops.ts';
import { motorFigures } from './part-figures.ts';
import { Kept, Sweep, worthInFull } from './sweep.ts';
import { spreadOut, trainsOf } from './trains.ts';

/** What is searched: for which build, on which shelf, within what. */
export interface SearchAsked {
  readonly build: Build;
  readonly shelf: readonly Part[];
  readonly limits: SearchLimits;
}

/** How far a search is. */
export interface SearchProgress {
  /** Share of the motors that are done, 0 to 1. */
  readonly share: number;
  readonly judged: number;
}

/** Why a part of the shelf is in none of the sets that are worth choosing from. */
export type Rejected =
  | { readonly part: Part; readonly why: Unfit }
  /** Its best set does not do what is asked, or another does all better. */
  | { readonly part: Part; readonly why: 'fails'; readonly best: FoundSet }
  | { readonly part: Part; readonly why: 'outdone'; readonly best: FoundSet; readonly by: FoundSet };

/** What a search came to. */
export interface SearchResult {
  /** Sets of which every margin is known. */
  readonly judged: number;
  /** Of them, how many do all that is asked. */
  readonly works: number;
  /** Sets that work of which none is as good as another in everything; where none works, those nearest to it. */
  readonly front: readonly FoundSet[];
  readonly rejected: readonly Rejected[];
}

/** Of the way, the look for sets that work takes so much, where another for the nearest may follow. */
const FIRST_LOOK = 0.8;

/** Trains that are tried of each motor and battery where a set is judged in full. */
const TRIED_IN_FULL = 3;

/**
 * Looks through every set of motor, driver, battery and train within what the builder allows. A generator, so that it can
 * give way, be told how far it is, and be given up: each step takes some milliseconds.
 *
 * @example [...searchSteps({ build: puffin, shelf: puffin.parts, limits: { ...usualLimits, stages: 1, kinds: [] } })].length > 0 // true
 */
export function* searchSteps({
  build,
  shelf,
  limits: asked,
}: SearchAsked): Generator<SearchProgress, SearchResult> {
  const seen = throughMoving(build);
  const limits = withinVehicle(seen, withinEvent(seen, asked));
  const candidates = candidatesOf(seen, shelf, limits);
  const loops = limits.loopsOnHand ? loopsOnHand(shelf) : undefined;
  const kept = new Kept();
  const any = motorOf(seen) ?? candidates.motors[0];
  if (any) {
    const given = { build: seen, any, candidates, limits, loops };
    yield* through(given, kept, false);
    if (kept.works === 0) yield* through(given, kept, true);
  }
  const front = kept.works > 0 ? kept.front.all() : kept.nearest();
  return {
    judged: kept.judged,
    works: kept.works,
    front,
    rejected: rejectedOf(chosenParts(seen, shelf), candidates, kept, front),
  };
}

interface Through {
  readonly build: Build;
  readonly any: PartOf<'motor'>;
  readonly candidates: Candidates;
  readonly limits: SearchLimits;
  readonly loops: LoopsAtHand | undefined;
}

/** All motors on all sizes of wheel. */
function* through(
  { build, any, candidates, limits, loops }: Through,
  kept: Kept,
  anyway: boolean,
): Generator<SearchProgress> {
  const wheels = [undefined, ...limits.wheelsM];
  const { motors } = candidates;
  for (const [w, wheelM] of wheels.entries()) {
    const on = onWheels(build, wheelM);
    const trains = trainsOf(on, { ...limits, loops });
    const sweep = Sweep.suits(on) ? new Sweep(on, any, candidates, limits, trains, wheelM) : undefined;
    for (const [m, motor] of motors.entries()) {
      const gone = (w + m / motors.length) / wheels.length;
      const share = anyway ? FIRST_LOOK + (1 - FIRST_LOOK) * gone : FIRST_LOOK * gone;
      const steps =
        sweep && motorFigures(motor)
          ? sweep.withMotor(motor, kept, anyway)
          : judgedInFull({ build: on, motor, candidates, limits, trains, wheelM }, kept, anyway);
      for (const _ of steps) yield { share, judged: kept.judged };
    }
  }
}

interface InFull {
  readonly build: Build;
  readonly motor: PartOf<'motor'>;
  readonly candidates: Candidates;
  readonly limits: SearchLimits;
  readonly trains: readonly FoundSet['stages'][];
  readonly wheelM: number | undefined;
}

/** All sets with a motor that is judged in full: at some of the ratios that suit it. */
function* judgedInFull(given: InFull, kept: Kept, anyway: boolean): Generator<void> {
  const { build, motor, candidates, limits, trains, wheelM } = given;
  const turns = (stages: FoundSet['stages']): number =>
    stages.reduce((ratio, stage) => ratio * stageFigures(stage).ratio, motor.gearhead?.ratio ?? 1);
  const drivers = driversFor(build, motor, candidates.drivers);
  const strongest = drivers.reduce<Driven | undefined>(
    (most, one) => (most && (most.driver?.peakA ?? 0) >= (one.driver?.peakA ?? 0) ? most : one),
    undefined,
  );
  if (!strongest) return;
  for (const battery of batteriesFor(build, motor, candidates.batteries)) {
    const set = { motor, battery, wheelDiameterM: wheelM };
    const most = { ...set, driver: strongest.driver, stages: trains[0] ?? [] };
    const suit = withinWindow(build, most, trains, turns);
    // What suits was judged at the first look.
    const tried = anyway ? trains.filter((stages) => !suit.includes(stages)) : suit;
    if (suit.length === 0) kept.noRatio.add(motor.id);
    yield;
    const before = anyway ? [strongest] : drivers;
    for (const { driver, count } of tried.length > 0 ? before : []) {
      const counts = { motors: motorCount(build), drivers: count };
      const weighs = burden({ motor, driver, battery, counts }, limits);
      for (const stages of weighs ? spreadOut(tried, TRIED_IN_FULL, turns) : []) {
        const worth = worthInFull(build, { ...set, driver, stages });
        kept.judged += 1;
        if (worth.works) kept.works += 1;
        if (weighs) kept.add({ ...set, driver, stages, ...weighs, ...worth });
        yield;
      }
    }
  }
}

/** Trains whose ratio does every duty with a set's motor, driver and battery. */
function withinWindow(
  build: Build,
  set: SetOfParts,
  trains: readonly FoundSet['stages'][],
  turns: (stages: FoundSet['stages']) => number,
): readonly FoundSet['stages'][] {
  const { duties } = marginsOf(putSetIn(build, set));
  const span = commonSpan(duties.flatMap(({ ratioWindow }) => ratioWindow ?? []));
  return span ? trains.filter((stages) => turns(stages) >= span.low && turns(stages) <= span.high) : [];
}

/** What became of every part of the shelf that is in no set worth choosing. */
function rejectedOf(
  parts: readonly Part[],
  { unfit }: Candidates,
  kept: Kept,
  front: readonly FoundSet[],
): readonly Rejected[] {
  const inFront = new Set(front.flatMap(({ motor, driver, battery }) => [motor.id, driver?.id, battery.id]));
  return parts
    .filter(({ id }) => !inFront.has(id))
    .map((part): Rejected => {
      const best = kept.bestOf(part.id);
      if (!best)
        return { part, why: unfit.get(part.id) ?? (kept.noRatio.has(part.id) ? 'no-ratio' : 'no-partner') };
      const by = front.find((set) => isAsGood(set, best));
      return best.works && by ? { part, why: 'outdone', best, by } : { part, why: 'fails', best };
    });
}

/**
 * A search run to its end at once.
 *
 * @example search({ build: puffin, shelf: [], limits: { ...usualLimits, stages: 1, kinds: ['chain'] } }).front.length > 0 // true
 */
export function search(asked: SearchAsked): SearchResult {
  const steps = searchSteps(asked);
  for (;;) {
    const { done, value } = steps.next();
    if (done) return value;
  }
}
