import { CHAIN_NAMES, chainGeometry, chainSize, stageFigures, type Toothed } from '../transmission/index.ts';
import { typed } from '../quantity/index.ts';
import type { Part, PartOf } from '../vehicle/index.ts';

/** Toothed belts and chains that lie ready. */
export interface LoopsAtHand {
  readonly belts: readonly PartOf<'belt'>[];
  readonly chains: readonly PartOf<'chain'>[];
}

/** Pitches within this are one, mm. */
const SAME_MM = 0.05;
const alike = (a: number, b: number): boolean => Math.abs(a - b) <= SAME_MM;

/**
 * The toothed belts and chains of a shelf that are in the shed.
 *
 * @example loopsOnHand(puffin.parts) // { belts: [], chains: [] }
 */
export function loopsOnHand(shelf: readonly Part[]): LoopsAtHand {
  const there = shelf.filter(({ state }) => state === 'on-hand');
  return {
    belts: there.filter((part) => part.kind === 'belt').filter(({ type }) => type === 'toothed'),
    chains: there.filter((part) => part.kind === 'chain'),
  };
}

/**
 * A stage with each belt or chain that lies ready and goes round its wheels: a belt as long as it is, which sets the shafts
 * apart; a chain shortened to its links. A stage that needs neither is as it was.
 *
 * @example onLoops(stage, { belts: [], chains: [] }) // []
 */
export function onLoops(stage: Toothed, { belts, chains }: LoopsAtHand): readonly Toothed[] {
  if (stage.kind === 'timing-belt')
    return belts.flatMap(({ pitchMm, teeth, lengthMm, widthMm }) => {
      const beltTeeth = teeth ?? (lengthMm !== undefined && pitchMm ? Math.round(lengthMm / pitchMm) : 0);
      if (pitchMm === undefined || beltTeeth === 0) return [];
      const belted = {
        ...stage,
        beltTeeth,
        pitch: typed(pitchMm / 1000, 'mm', 'shelf'),
        ...(widthMm === undefined ? {} : { width: typed(widthMm / 1000, 'mm', 'shelf') }),
      };
      return stageFigures(belted).problem === undefined ? [belted] : [];
    });
  if (stage.kind !== 'chain') return [stage];
  return chains.flatMap(({ pitchMm, links }) => {
    if (pitchMm === undefined) return [];
    // Of chains of one pitch the stage's own, else the weakest: what lies there may be no stronger.
    const [name] = CHAIN_NAMES.filter((one) => alike(chainSize(one).pitchMm, pitchMm)).sort(
      (a, b) =>
        Number(b === stage.chain) - Number(a === stage.chain) ||
        chainSize(a).tensileN - chainSize(b).tensileN,
    );
    if (name === undefined) return [];
    const chained = { ...stage, chain: name };
    if (stageFigures(chained).problem !== undefined) return [];
    return links === undefined || chainGeometry(chained).links <= links ? [chained] : [];
  });
}
