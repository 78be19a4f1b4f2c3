import type { SoilId } from './soils.ts';

/** What a wheel, track or shell is made of where it meets the ground. */
export const TYRES = [
  'pneumatic',
  'solid-rubber',
  'hard-plastic',
  'soft-foam',
  'printed-track',
  'rubber-track',
  'steel',
] as const;
export type Tyre = (typeof TYRES)[number];

/** How tyres are called. */
export const TYRE_TITLES: Readonly<Record<Tyre, string>> = {
  pneumatic: 'air tyre',
  'solid-rubber': 'solid rubber',
  'hard-plastic': 'hard plastic',
  'soft-foam': 'soft foam',
  'printed-track': 'printed soft track',
  'rubber-track': 'rubber track',
  steel: 'steel',
};

/** From and to: no table of grounds is more certain than that. */
export type Range = readonly [number, number];

/** What a surface does to a tyre. */
export interface SurfacePair {
  /** Rolling resistance over weight. */
  readonly rolling: Range;
  /** Friction along and across. */
  readonly friction: Range;
  readonly source: string;
}

const WONG = 'Wong, Theory of Ground Vehicles, tables of rolling resistance and adhesion (from memory)';
const GILLESPIE = 'Gillespie, Fundamentals of Vehicle Dynamics, table of rolling resistance (from memory)';
const PRACTICE = 'common practice, no source';

/** Least and greatest rolling coefficient, least and greatest friction. */
type Four = readonly [number, number, number, number];

interface Row {
  readonly title: string;
  /** In the order of the tyres; the first is of road tyres and has a published source. */
  readonly pairs: readonly [Four, Four, Four, Four, Four, Four, Four];
  readonly pneumaticSource: string;
}

const row = (title: string, pneumaticSource: string, ...pairs: Row['pairs']): Row => ({
  title,
  pairs,
  pneumaticSource,
});

const ROWS = {
  'smooth-floor': row(
    'smooth floor',
    WONG,
    [0.01, 0.02, 0.7, 0.9],
    [0.01, 0.025, 0.6, 0.9],
    [0.008, 0.02, 0.2, 0.4],
    [0.03, 0.06, 0.5, 0.8],
    [0.04, 0.08, 0.4, 0.7],
    [0.05, 0.09, 0.6, 0.9],
    [0.003, 0.01, 0.15, 0.3],
  ),
  carpet: row(
    'carpet',
    PRACTICE,
    [0.03, 0.06, 0.6, 0.9],
    [0.03, 0.07, 0.6, 0.9],
    [0.03, 0.08, 0.25, 0.45],
    [0.05, 0.1, 0.5, 0.8],
    [0.06, 0.12, 0.5, 0.8],
    [0.07, 0.12, 0.6, 0.9],
    [0.03, 0.09, 0.2, 0.4],
  ),
  'classroom-mat': row(
    'classroom mat',
    PRACTICE,
    [0.02, 0.04, 0.6, 0.9],
    [0.02, 0.045, 0.6, 0.9],
    [0.015, 0.04, 0.25, 0.45],
    [0.04, 0.07, 0.5, 0.8],
    [0.05, 0.09, 0.45, 0.75],
    [0.05, 0.1, 0.6, 0.9],
    [0.015, 0.05, 0.2, 0.35],
  ),
  'dry-concrete': row(
    'dry concrete',
    GILLESPIE,
    [0.012, 0.02, 0.75, 0.9],
    [0.015, 0.03, 0.6, 0.85],
    [0.01, 0.03, 0.25, 0.45],
    [0.03, 0.07, 0.5, 0.8],
    [0.05, 0.09, 0.45, 0.75],
    [0.05, 0.1, 0.65, 0.9],
    [0.005, 0.02, 0.2, 0.4],
  ),
  'wet-concrete': row(
    'wet concrete',
    WONG,
    [0.012, 0.02, 0.6, 0.8],
    [0.015, 0.03, 0.4, 0.65],
    [0.01, 0.03, 0.15, 0.3],
    [0.03, 0.07, 0.35, 0.6],
    [0.05, 0.09, 0.3, 0.55],
    [0.05, 0.1, 0.5, 0.75],
    [0.005, 0.02, 0.15, 0.3],
  ),
  asphalt: row(
    'asphalt',
    WONG,
    [0.012, 0.02, 0.75, 0.9],
    [0.015, 0.03, 0.6, 0.85],
    [0.012, 0.035, 0.25, 0.45],
    [0.03, 0.07, 0.5, 0.8],
    [0.05, 0.09, 0.45, 0.75],
    [0.05, 0.1, 0.65, 0.9],
    [0.006, 0.025, 0.2, 0.4],
  ),
  gravel: row(
    'gravel',
    WONG,
    [0.02, 0.06, 0.5, 0.6],
    [0.03, 0.09, 0.4, 0.6],
    [0.04, 0.12, 0.3, 0.45],
    [0.06, 0.14, 0.35, 0.55],
    [0.07, 0.13, 0.4, 0.6],
    [0.06, 0.12, 0.5, 0.7],
    [0.05, 0.13, 0.25, 0.45],
  ),
  'short-grass-dry': row(
    'short grass, dry',
    PRACTICE,
    [0.05, 0.09, 0.45, 0.6],
    [0.06, 0.12, 0.4, 0.55],
    [0.07, 0.15, 0.25, 0.4],
    [0.08, 0.16, 0.35, 0.5],
    [0.08, 0.14, 0.45, 0.6],
    [0.07, 0.12, 0.5, 0.65],
    [0.08, 0.17, 0.25, 0.4],
  ),
  'short-grass-wet': row(
    'short grass, wet',
    PRACTICE,
    [0.06, 0.1, 0.2, 0.4],
    [0.07, 0.13, 0.2, 0.35],
    [0.08, 0.17, 0.12, 0.25],
    [0.09, 0.18, 0.15, 0.3],
    [0.08, 0.15, 0.25, 0.4],
    [0.08, 0.13, 0.3, 0.45],
    [0.09, 0.19, 0.12, 0.25],
  ),
  'long-grass-dry': row(
    'long grass, dry',
    PRACTICE,
    [0.08, 0.14, 0.4, 0.55],
    [0.1, 0.18, 0.35, 0.5],
    [0.12, 0.24, 0.25, 0.4],
    [0.12, 0.22, 0.3, 0.45],
    [0.1, 0.18, 0.4, 0.55],
    [0.09, 0.16, 0.45, 0.6],
    [0.13, 0.26, 0.25, 0.4],
  ),
  'long-grass-wet': row(
    'long grass, wet',
    PRACTICE,
    [0.1, 0.16, 0.15, 0.35],
    [0.12, 0.2, 0.15, 0.3],
    [0.14, 0.27, 0.1, 0.22],
    [0.14, 0.25, 0.12, 0.27],
    [0.12, 0.2, 0.2, 0.38],
    [0.1, 0.18, 0.25, 0.42],
    [0.15, 0.28, 0.1, 0.22],
  ),
  'packed-earth': row(
    'packed earth',
    WONG,
    [0.03, 0.06, 0.6, 0.68],
    [0.03, 0.08, 0.45, 0.6],
    [0.04, 0.1, 0.3, 0.45],
    [0.05, 0.1, 0.4, 0.55],
    [0.06, 0.11, 0.45, 0.6],
    [0.06, 0.1, 0.55, 0.7],
    [0.04, 0.11, 0.25, 0.45],
  ),
  mud: row(
    'mud',
    GILLESPIE,
    [0.1, 0.25, 0.25, 0.45],
    [0.15, 0.35, 0.2, 0.35],
    [0.2, 0.45, 0.12, 0.25],
    [0.18, 0.4, 0.15, 0.3],
    [0.12, 0.25, 0.3, 0.5],
    [0.1, 0.22, 0.35, 0.55],
    [0.2, 0.5, 0.12, 0.25],
  ),
  'dry-sand': row(
    'dry sand',
    GILLESPIE,
    [0.2, 0.3, 0.3, 0.5],
    [0.25, 0.4, 0.25, 0.4],
    [0.3, 0.5, 0.2, 0.35],
    [0.22, 0.4, 0.25, 0.4],
    [0.1, 0.2, 0.4, 0.55],
    [0.09, 0.18, 0.4, 0.6],
    [0.3, 0.55, 0.2, 0.35],
  ),
  'packed-snow': row(
    'packed snow',
    WONG,
    [0.025, 0.05, 0.15, 0.2],
    [0.03, 0.06, 0.1, 0.2],
    [0.03, 0.07, 0.06, 0.14],
    [0.04, 0.09, 0.1, 0.2],
    [0.05, 0.1, 0.2, 0.35],
    [0.05, 0.1, 0.25, 0.4],
    [0.03, 0.08, 0.05, 0.12],
  ),
  'soft-snow': row(
    'soft snow',
    PRACTICE,
    [0.12, 0.3, 0.1, 0.25],
    [0.15, 0.35, 0.1, 0.2],
    [0.18, 0.4, 0.06, 0.15],
    [0.15, 0.35, 0.1, 0.2],
    [0.1, 0.2, 0.2, 0.35],
    [0.08, 0.18, 0.25, 0.4],
    [0.2, 0.45, 0.05, 0.12],
  ),
  timber: row(
    'timber',
    PRACTICE,
    [0.015, 0.03, 0.6, 0.8],
    [0.015, 0.035, 0.5, 0.75],
    [0.01, 0.03, 0.25, 0.4],
    [0.03, 0.06, 0.5, 0.7],
    [0.04, 0.08, 0.4, 0.65],
    [0.05, 0.09, 0.55, 0.8],
    [0.006, 0.02, 0.2, 0.35],
  ),
  'steel-rail': row(
    'steel rail',
    PRACTICE,
    [0.012, 0.02, 0.5, 0.7],
    [0.012, 0.025, 0.45, 0.7],
    [0.006, 0.02, 0.2, 0.35],
    [0.03, 0.06, 0.4, 0.6],
    [0.04, 0.08, 0.35, 0.6],
    [0.05, 0.09, 0.5, 0.75],
    [0.002, 0.006, 0.15, 0.25],
  ),
} as const satisfies Record<string, Row>;

/** Surfaces that give way, and the soil they are of. */
const SOFT: Readonly<Partial<Record<keyof typeof ROWS, SoilId>>> = {
  mud: 'clayey-soil',
  'dry-sand': 'dry-sand',
  'soft-snow': 'snow',
};

/**
 * The soil that a surface brings with it; undefined on what is firm.
 *
 * @example soilOfSurface('dry-sand') // 'dry-sand'
 */
export const soilOfSurface = (surface: SurfaceId): SoilId | undefined => SOFT[surface];

/** What wheel or track lose on soft ground beside sinking in: from 2 to 10 % of the load (common practice, no source). */
const FIRM_LOSS: Range = [0.02, 0.1];

/**
 * The range of that loss for a tyre: as on packed earth.
 *
 * @example firmLoss('solid') // [0.03, 0.06]
 */
export function firmLoss(tyre: Tyre): Range {
  const [low, high] = surfacePair('packed-earth', tyre).rolling;
  return [Math.max(FIRM_LOSS[0], low), Math.min(FIRM_LOSS[1], high)];
}

export type SurfaceId = keyof typeof ROWS;
/** All surfaces of the table. */
export const SURFACES = Object.keys(ROWS) as [SurfaceId, ...SurfaceId[]];

/**
 * How a surface of the table is called.
 *
 * @example surfaceTitle('dry-concrete') // 'dry concrete'
 */
export const surfaceTitle = (surface: SurfaceId): string => ROWS[surface].title;

/**
 * What is known of a surface under a tyre: ranges, and where they come from. Tables are of road vehicles; small
 * wheels roll worse over the same ground, so a measured value replaces these.
 *
 * @example surfacePair('dry-concrete', 'pneumatic').friction // [0.75, 0.9]
 */
export function surfacePair(surface: SurfaceId, tyre: Tyre): SurfacePair {
  const { pairs, pneumaticSource } = ROWS[surface];
  const [rollingLow, rollingHigh, frictionLow, frictionHigh] = pairs[TYRES.indexOf(tyre)] ?? pairs[0];
  return {
    rolling: [rollingLow, rollingHigh],
    friction: [frictionLow, frictionHigh],
    source: tyre === 'pneumatic' ? pneumaticSource : PRACTICE,
  };
}
