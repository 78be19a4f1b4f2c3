import { degreesToRadians, assumed } from '../../quantity/index.ts';
import { usualPullPerWidth } from '../belt-tables.ts';
import type { Stage, StageKind, StageOf } from './index.ts';

const mm = (n: number) => assumed(n / 1000, 'mm');
const share = (n: number) => assumed(n, '%');
const degrees = (n: number) => assumed(degreesToRadians(n), '°');
const whole = (n: number, least: number, most: number): number =>
  Math.min(most, Math.max(least, Math.round(n)));

/** Fewest teeth of a pair's smaller wheel, as it is usual, and most of its larger one. */
interface TeethLimits {
  readonly usual: number;
  readonly least: number;
  readonly most: number;
}

/** Teeth as they are to be had (common practice, no source): no stage turns down by more than eight. */
const CHAIN_TEETH: TeethLimits = { usual: 12, least: 10, most: 80 };
const BELT_TEETH: TeethLimits = { usual: 20, least: 16, most: 128 };
const GEAR_TEETH: TeethLimits = { usual: 18, least: 18, most: 144 };

/** Teeth of a pair near a ratio: the smaller wheel as usual, or smaller where the other would be too large. */
function pairNear(
  ratio: number,
  { usual, least, most }: TeethLimits,
): { teethDriver: number; teethDriven: number } {
  const by = Math.max(ratio, 1 / ratio);
  const small = Math.max(least, Math.min(usual, Math.floor(most / by)));
  const large = whole(small * by, small, most);
  return ratio >= 1 ? { teethDriver: small, teethDriven: large } : { teethDriver: large, teethDriven: small };
}

/** A toothed pair as a workshop cuts it, of a plain engineering plastic. */
const toothed = (ratio: number) => ({
  ...pairNear(ratio, GEAR_TEETH),
  ...cut(1.5, 12, 60),
  efficiency: share(0.96),
});

/** A face not wider than a third of the cone is long: beyond, its inner end hardly carries. */
function bevelled(ratio: number) {
  const pair = toothed(ratio);
  const coneMm = ((pair.module.value * 1000) / 2) * Math.hypot(pair.teethDriver, pair.teethDriven);
  return { ...pair, faceWidth: mm(Math.min(pair.faceWidth.value * 1000, Math.floor(coneMm / 3))) };
}

/** Module and face width, mm, and the stress that the teeth may carry, MPa. */
const cut = (module: number, faceWidth: number, allowable: number) => ({
  module: mm(module),
  faceWidth: mm(faceWidth),
  allowable: assumed(allowable * 1e6, 'MPa'),
});

const diameters = (ratio: number, small: number) =>
  ratio >= 1
    ? { driverDiameter: mm(small), drivenDiameter: mm(small * ratio) }
    : { driverDiameter: mm(small / ratio), drivenDiameter: mm(small) };

/** Belt teeth that leave as much between the pulleys as the large one is wide. */
function beltFor({ teethDriver, teethDriven }: { teethDriver: number; teethDriven: number }): number {
  const large = Math.max(teethDriver, teethDriven);
  return Math.round((teethDriver + teethDriven) / 2 + (3 * large) / Math.PI);
}

/** More than this one planetary set does not turn down: its planets would outgrow their places (common practice). */
const MOST_OF_A_SET = 11;

const FRESH: { readonly [K in StageKind]: (id: string, ratio: number) => StageOf<K> } = {
  gearhead: (id, ratio) => ({ id, kind: 'gearhead', ratio: assumed(ratio, ': 1'), efficiency: share(0.85) }),
  chain: (id, ratio) => {
    const pair = pairNear(ratio, CHAIN_TEETH);
    return {
      id,
      kind: 'chain',
      chain: 'ansi-35',
      ...pair,
      centre: mm(Math.max(200, 3.2 * Math.max(pair.teethDriver, pair.teethDriven))),
      efficiency: share(0.96),
    };
  },
  spur: (id, ratio) => ({ id, kind: 'spur', ...toothed(ratio) }),
  bevel: (id, ratio) => ({ id, kind: 'bevel', ...bevelled(ratio) }),
  planetary: (id, ratio) => {
    // Ring and sun divide by three planets, and the planets have whole teeth: steps of six.
    const made = Math.min(Math.max(ratio, 2), MOST_OF_A_SET);
    const ring = 18 + 6 * Math.max(1, Math.round((18 * (made - 1) - 18) / 6));
    return {
      id,
      kind: 'planetary',
      sunTeeth: 18,
      ringTeeth: ring,
      planets: 3,
      ...cut(1, 10, 150),
      efficiency: share(0.94),
    };
  },
  worm: (id, ratio) => ({
    id,
    kind: 'worm',
    starts: ratio < 12 ? 2 : 1,
    wheelTeeth: whole(ratio < 12 ? 2 * ratio : ratio, 12, 500),
    leadAngle: degrees(ratio < 12 ? 12 : 5),
    friction: assumed(0.07, ''),
    ...cut(2, 16, 60),
  }),
  'timing-belt': (id, ratio) => {
    const pair = pairNear(ratio, BELT_TEETH);
    return {
      id,
      kind: 'timing-belt',
      pitch: mm(5),
      ...pair,
      beltTeeth: beltFor(pair),
      width: mm(15),
      pullPerWidth: assumed(usualPullPerWidth(0.005), 'N/mm'),
      efficiency: share(0.96),
    };
  },
  'friction-belt': (id, ratio) => ({
    id,
    kind: 'friction-belt',
    ...diameters(ratio, 80),
    centre: mm(80 * (Math.max(ratio, 1 / ratio) + 2)),
    section: 'A',
    groove: degrees(38),
    friction: assumed(0.35, ''),
    tension: assumed(80, 'N'),
    idlerWrap: degrees(0),
    efficiency: share(0.93),
  }),
  'friction-wheel': (id, ratio) => ({
    id,
    kind: 'friction-wheel',
    ...diameters(ratio, 40),
    press: assumed(100, 'N'),
    friction: assumed(0.6, ''),
    efficiency: share(0.88),
  }),
  direct: (id) => ({ id, kind: 'direct', efficiency: share(1) }),
  spool: (id) => ({
    id,
    kind: 'spool',
    coreDiameter: mm(60),
    ropeDiameter: mm(5),
    layers: 2,
    ropeStrength: assumed(5000, 'N'),
    efficiency: share(0.95),
  }),
  track: (id) => ({
    id,
    kind: 'track',
    pitch: mm(25),
    sprocketTeeth: 10,
    idlerDiameter: mm(70),
    centre: mm(300),
    allowablePull: assumed(400, 'N'),
    efficiency: share(0.94),
  }),
};

/** A new stage of a kind near a ratio; its other numbers are assumed. */
export const freshStage = (kind: StageKind, id: string, ratio: number): Stage => FRESH[kind](id, ratio);
