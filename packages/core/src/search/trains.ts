import {
  chainSize,
  freshStage,
  isToothed,
  stageFigures,
  stageKind,
  withTeeth,
  type Stage,
  type StageKind,
  type Toothed,
} from '../transmission/index.ts';
import { largeWheels } from '../capability/index.ts';
import { driveOf, freeId, layoutKind, massAllUp, type Build } from '../vehicle/index.ts';
import type { SearchLimits } from './limits.ts';
import { onLoops, type LoopsAtHand } from './loops.ts';

/** Fresh stages behind each other where nothing is said. */
const USUALLY = 2;

/** One toothed stage turns down, or up, by no more than this (common practice, no source). */
const MOST_OF_A_STAGE = 8;
/** So many ratios of a stage are tried: alone, and where two share the work. */
const RATIOS = { alone: 40, first: 5, second: 16 } as const;

/** How far a stage turns down. */
const ratioOf = (stage: Stage): number => stageFigures(stage).ratio;

/** What trains are made of: what the builder allows, and belts and chains, where only those that lie ready will do. */
export type TrainLimits = Pick<SearchLimits, 'stages' | 'kinds' | 'teeth'> & {
  readonly loops?: LoopsAtHand | undefined;
};

/** A toothed stage with every pair of teeth, and every belt or chain, that is to be had; what cannot be built is left out. */
function withAnyTeeth(stage: Toothed, { teeth, loops }: TrainLimits): readonly Toothed[] {
  return teeth.driver.flatMap((driver) =>
    teeth.driven.flatMap((driven) => {
      const by = driven / driver;
      if (by < 1 || by > MOST_OF_A_STAGE) return [];
      const changed = withTeeth(stage, driver, driven);
      if (loops) return onLoops(changed, loops);
      return stageFigures(changed).problem === undefined ? [changed] : [];
    }),
  );
}

/** So many of a list whose ratios are spread evenly, on a scale of ratios. */
export function spreadOut<T>(list: readonly T[], many: number, ratio: (one: T) => number): readonly T[] {
  const sorted = list.map((one) => ({ one, at: Math.log(ratio(one)) })).sort((a, b) => a.at - b.at);
  const [first, last] = [sorted[0], sorted.at(-1)];
  if (sorted.length <= many || !first || !last) return sorted.map(({ one }) => one);
  const picked = new Set<T>();
  let next = 0;
  for (let n = 0; n < many; n += 1) {
    const wanted = first.at + ((last.at - first.at) * n) / Math.max(1, many - 1);
    const off = (at: number): number => Math.abs((sorted[at]?.at ?? Infinity) - wanted);
    while (off(next + 1) <= off(next)) next += 1;
    const near = sorted[next];
    if (near) picked.add(near.one);
  }
  return [...picked];
}

/** Of each of so many ratios the stage with the smallest wheels, which clears most, and with the largest, which pulls least. */
function smallAndLarge(list: readonly Toothed[], many: number): readonly Toothed[] {
  const bySize = [...list].sort((a, b) => a.teethDriver - b.teethDriver);
  const large = bySize.filter(({ teethDriver }) => teethDriver >= (bySize.at(-1)?.teethDriver ?? 0) / LARGE);
  return [...new Set([...spreadOut(bySize, many, ratioOf), ...spreadOut(large, many, ratioOf)])];
}
/** Driving wheels within this of the largest count as large. */
const LARGE = 1.4;

/** The chain that is usual for a vehicle of so much, loaded, kg (common practice, no source). */
const CHAINS = [
  { upToKg: 15, chain: 'ansi-25' },
  { upToKg: 300, chain: 'ansi-35' },
  { upToKg: 600, chain: 'ansi-40' },
  { upToKg: Infinity, chain: 'ansi-50' },
] as const;

/** A fresh chain as a vehicle of that mass has it, its shafts as many links apart; other stages as they are. */
function sized(stage: Stage, massKg: number): Stage {
  const chain = CHAINS.find(({ upToKg }) => massKg <= upToKg)?.chain;
  if (stage.kind !== 'chain' || !chain) return stage;
  const { centre } = stage;
  const value = (centre.value * chainSize(chain).pitchMm) / chainSize(stage.chain).pitchMm;
  return { ...stage, chain, centre: { ...centre, value } };
}

/** Fresh toothed stages of a kind that take the place of a stage of the build, or a new one. */
const freshIn =
  (build: Build, limits: TrainLimits) =>
  (kind: StageKind, id: string): readonly Toothed[] => {
    const stage = sized(freshStage(kind, id, 3), massAllUp(build));
    return isToothed(stage) ? withAnyTeeth(stage, limits) : [];
  };

/** What ends the drive by what it runs on: a track, a spool. */
const isEnd = ({ kind }: Stage): boolean => stageKind(kind).ends !== undefined;

/**
 * Every train that a search looks at, each a list of stages as the build document has it: the build's own with other teeth,
 * none, one fresh stage, and two. What ends the drive stays. Fresh stages take over the names of those that they replace,
 * last first, so that the parts of the torque path which come behind those stay where they are.
 *
 * @example trainsOf(puffin, { ...usualLimits, stages: 0 }).length // 1
 */
export function trainsOf(build: Build, limits: TrainLimits): readonly (readonly Stage[])[] {
  const all = driveOf(build).stages;
  const ends = all.filter(isEnd);
  const own = all.filter((stage) => !isEnd(stage));
  const idBefore = (n: number, taken: readonly Stage[]): string =>
    own.at(-n)?.id ?? freeId('stage', [...all, ...taken]);
  const trains: (readonly Stage[])[] = [];
  const most = limits.stages ?? USUALLY;
  const fresh = freshIn(build, limits);
  if (limits.stages === undefined || own.length <= most) {
    trains.push(own);
    const toothed = own.filter(isToothed);
    for (const stage of toothed)
      for (const changed of smallAndLarge(withAnyTeeth(stage, limits), RATIOS.alone))
        trains.push(own.map((one) => (one.id === stage.id ? changed : one)));
  }
  if (own.length > 0) trains.push([]);
  if (most >= 1)
    for (const kind of limits.kinds)
      if (!(own.length === 1 && own[0]?.kind === kind))
        trains.push(...smallAndLarge(fresh(kind, idBefore(1, [])), RATIOS.alone).map((stage) => [stage]));
  if (most >= 2) trains.push(...pairs(limits.kinds, fresh, idBefore));
  const seen = new Set<string>();
  return trains
    .map((stages) => [...stages, ...ends])
    .filter((stages) => {
      const key = JSON.stringify(stages);
      return !seen.has(key) && fits(build, stages) && seen.add(key);
    });
}

/** A stage that turns down by less is none worth putting in with another. */
const LEAST_OF_TWO = 1.2;

/** Two fresh stages, spread over their ratios. */
function pairs(
  kinds: readonly StageKind[],
  fresh: ReturnType<typeof freshIn>,
  idBefore: (n: number, taken: readonly Stage[]) => string,
): readonly (readonly Stage[])[] {
  return kinds.flatMap((secondKind) => {
    const turning = (list: readonly Toothed[]) => list.filter((stage) => ratioOf(stage) >= LEAST_OF_TWO);
    const seconds = spreadOut(turning(fresh(secondKind, idBefore(1, []))), RATIOS.second, ratioOf);
    const taken = seconds.slice(0, 1);
    return kinds.flatMap((firstKind) =>
      spreadOut(turning(fresh(firstKind, idBefore(2, taken))), RATIOS.first, ratioOf).flatMap((first) =>
        seconds.map((second) => [first, second]),
      ),
    );
  });
}

/** A stage that ends the drive belongs to a layout that runs on it; what is put in has room in the vehicle. */
const fits = (build: Build, stages: readonly Stage[]): boolean =>
  largeWheels(build, stages).every(({ stageId }) => isOwn(build, stages, stageId)) &&
  stages.every(({ kind }) => {
    const { ends } = stageKind(kind);
    return !ends || layoutKind(build.layout.kind)[ends.needs] || driveOf(build).does !== 'propels';
  });

/** Whether a stage of a train is one that the build has as it is. */
const isOwn = (build: Build, stages: readonly Stage[], stageId: string): boolean =>
  driveOf(build).stages.some((own) => own.id === stageId && stages.includes(own));
