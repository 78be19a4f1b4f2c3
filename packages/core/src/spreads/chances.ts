import { seeded } from '../contract/index.ts';
import { marginsOf } from '../judge/index.ts';
import type { Build } from '../vehicle/index.ts';
import { drawn, uncertainIn, type Uncertain } from './inputs.ts';
import { explained } from './rank-regression.ts';
import { latinHypercube } from './latin-hypercube.ts';

/** What an input explains of a worst margin, and what measuring it would tell. */
export interface Decides {
  readonly input: Uncertain;
  /** Of the order of the worst margins, 0 to 1. */
  readonly share: number;
  /** The share in which every margin keeps its rule where the input is in the lowest, the middle, the highest third of its spread. */
  readonly keepsIn: readonly [number, number, number];
}

/** How a job, or the build as a whole, stands while its numbers may be anywhere within their spreads. */
export interface Chance {
  /** Null of what belongs to no job: heat of the outing, the battery, stalls. */
  readonly dutyId: string | null;
  /** Of all that is drawn, the share in which nothing has less than it needs. */
  readonly does: number;
  /** The share in which every margin keeps its rule. */
  readonly keeps: number;
  /** Of its worst margin, what each input explains, 0 to 1, the most first; those that explain next to nothing left out. */
  readonly decides: readonly Decides[];
}

/** What a build's spreads come to. */
export interface Chances {
  readonly inputs: readonly Uncertain[];
  readonly samples: number;
  readonly each: readonly Chance[];
  /** Of every margin of every job together. */
  readonly all: Pick<Chance, 'does' | 'keeps'>;
}

/** How many builds are drawn, from which seed; by chance alone instead of a Latin hypercube. */
export interface Drawing {
  readonly samples?: number;
  readonly seed?: number;
  readonly plain?: boolean;
}

/** An input that explains less of a margin's order is not told. */
const TOLD = 0.02;
const SAMPLES = 600;

/** Margins of one build drawn: of each job and of the whole the least ratio, and the least over its rule. */
interface Drawn {
  readonly does: readonly number[];
  readonly near: readonly number[];
}

function judgedAt(build: Build, keys: readonly (string | null)[]): Drawn {
  const { links } = marginsOf(build);
  const least = (of: (link: (typeof links)[number]) => number): number[] =>
    keys.map((key) => Math.min(Infinity, ...links.filter(({ dutyId }) => dutyId === key).map(of)));
  return { does: least(({ ratio }) => ratio), near: least(({ ratio, rule }) => ratio / rule) };
}

const share = (values: readonly boolean[]): number =>
  values.filter(Boolean).length / Math.max(1, values.length);

/** The shares that hold in each third of an input. */
function byThirds(places: readonly number[], holds: readonly boolean[]): Decides['keepsIn'] {
  const inThird = (third: number): number =>
    share(holds.filter((_, at) => Math.min(2, Math.floor(3 * (places[at] ?? 0.5))) === third));
  return [inThird(0), inThird(1), inThird(2)];
}

/**
 * Draws a build many times within its spreads and judges each. A generator, so that it gives way and can be given up.
 *
 * @example [...chanceSteps(puffin, { samples: 4 })].length // 4
 */
export function* chanceSteps(
  build: Build,
  { samples = SAMPLES, seed = 1, plain = false }: Drawing = {},
): Generator<number, Chances> {
  const inputs = uncertainIn(build);
  // Where nothing is uncertain every draw is the same.
  const count = inputs.length === 0 ? 1 : samples;
  const random = seeded(seed);
  const rows = plain
    ? Array.from({ length: count }, () => inputs.map(() => random()))
    : latinHypercube(count, inputs.length, random);
  const keys = [...build.duties.map(({ id }) => id), null];
  const all: Drawn[] = [];
  for (const row of rows) {
    all.push(judgedAt(drawn(build, inputs, row), keys));
    yield all.length / count;
  }
  const columns = inputs.map((_, n) => rows.map((row) => row[n] ?? 0.5));
  return {
    inputs,
    samples: count,
    each: keys.map((dutyId, at) => ({
      dutyId,
      does: share(all.map(({ does }) => (does[at] ?? Infinity) >= 1)),
      keeps: share(all.map(({ near }) => (near[at] ?? Infinity) >= 1)),
      decides: explained(
        columns,
        all.map(({ near }) => near[at] ?? Infinity),
      )
        .flatMap((part, n): Decides[] => {
          const input = inputs[n];
          const keeps = all.map(({ near }) => (near[at] ?? Infinity) >= 1);
          return input && part >= TOLD
            ? [{ input, share: part, keepsIn: byThirds(columns[n] ?? [], keeps) }]
            : [];
        })
        .sort((a, b) => b.share - a.share),
    })),
    all: {
      does: share(all.map(({ does }) => does.every((ratio) => ratio >= 1))),
      keeps: share(all.map(({ near }) => near.every((ratio) => ratio >= 1))),
    },
  };
}

/**
 * The same, drawn to the end at once.
 *
 * @example chances(puffin, { samples: 50 }).each.length // 5: four jobs, and the whole
 */
export function chances(build: Build, drawing?: Drawing): Chances {
  const steps = chanceSteps(build, drawing);
  for (;;) {
    const { done, value } = steps.next();
    if (done) return value;
  }
}

/** A number to go and measure, and of which job it decides. */
export interface ToMeasure {
  readonly chance: Chance;
  readonly decides: Decides;
}

/**
 * The number whose measurement would tell the most: of the jobs that may or may not keep their margins, the one nearest
 * to even chances whose outcome it explains the most. Undefined where all is settled either way.
 *
 * @example firstToMeasure({ each: [] }) // undefined
 */
export function firstToMeasure({ each }: Pick<Chances, 'each'>): ToMeasure | undefined {
  const open = each.flatMap((chance) => {
    const [decides] = chance.decides;
    // What chance leaves open is a coin's variance, p (1 − p).
    const tells = (decides?.share ?? 0) * chance.keeps * (1 - chance.keeps);
    return decides && tells > 0 ? [{ chance, decides, tells }] : [];
  });
  const [first] = open.sort((a, b) => b.tells - a.tells);
  return first && { chance: first.chance, decides: first.decides };
}
