/** Constants of soft ground: pressure and sinkage (Bekker), and shear (Mohr–Coulomb). */
export interface Soil {
  readonly title: string;
  /** kN/m^(n+1) */
  readonly kcKnPerM: number;
  /** kN/m^(n+2) */
  readonly kphiKnPerM: number;
  readonly exponent: number;
  readonly cohesionKPa: number;
  readonly shearAngleDeg: number;
}

/** Wong, Theory of Ground Vehicles, ch. 2, table of terrain values (from memory). */
export const SOILS = {
  'dry-sand': {
    title: 'dry sand',
    kcKnPerM: 0.99,
    kphiKnPerM: 1528,
    exponent: 1.1,
    cohesionKPa: 1.04,
    shearAngleDeg: 28,
  },
  'sandy-loam': {
    title: 'sandy loam',
    kcKnPerM: 5.27,
    kphiKnPerM: 1515,
    exponent: 0.7,
    cohesionKPa: 1.72,
    shearAngleDeg: 29,
  },
  'clayey-soil': {
    title: 'clayey soil',
    kcKnPerM: 13.19,
    kphiKnPerM: 692,
    exponent: 0.5,
    cohesionKPa: 4.14,
    shearAngleDeg: 13,
  },
  snow: {
    title: 'snow',
    kcKnPerM: 4.37,
    kphiKnPerM: 197,
    exponent: 1.6,
    cohesionKPa: 1.03,
    shearAngleDeg: 19.7,
  },
} as const satisfies Record<string, Soil>;

export type SoilId = keyof typeof SOILS;
/** All soils of the table. */
export const SOIL_IDS = Object.keys(SOILS) as [SoilId, ...SoilId[]];
/**
 * A soil of the table: how it gives way and holds.
 *
 * @example soilOf('dry-sand').title // 'dry sand'
 */
export const soilOf = (id: SoilId): Soil => SOILS[id];
