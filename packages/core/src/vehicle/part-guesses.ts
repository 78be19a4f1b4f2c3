import { assertNever } from '../contract/index.ts';
import { CHEMISTRIES, CHEMISTRY_NAMES, type Chemistry } from '../supply/index.ts';
import type { PartKind } from './part.ts';

type Figures = Readonly<Record<string, number | undefined>>;

/** A figure taken where nobody printed or measured it, and how far off it may be, as a share of it. */
export interface GuessedFigure {
  readonly value: number;
  readonly spread: number;
}

/** Resistance of a cell times its capacity mΩ·Ah, current all day over capacity, and Wh a kilogram (common practice, no source). */
const CELLS: Readonly<
  Record<Chemistry, { readonly milliohmAh: number; readonly c: number; readonly whKg: number }>
> = {
  lipo: { milliohmAh: 20, c: 10, whKg: 140 },
  'li-ion': { milliohmAh: 120, c: 2, whKg: 180 },
  lifepo4: { milliohmAh: 60, c: 2, whKg: 110 },
  nimh: { milliohmAh: 60, c: 3, whKg: 70 },
  'lead-acid': { milliohmAh: 30, c: 1, whKg: 35 },
  alkaline: { milliohmAh: 400, c: 0.5, whKg: 120 },
};

const chemistryOf = (text: unknown): Chemistry =>
  CHEMISTRY_NAMES.find((name) => name === text) ?? 'lead-acid';

const guess = (value: number, spread: number): GuessedFigure => ({
  value: Number(value.toPrecision(2)),
  spread,
});

/** Shaft power of a motor for its mass, W a kilogram (common practice, no source). */
const MOTOR_W_KG = 200;

/**
 * What is usual of the figures of a part that are missing (common practice, no source); those that it cannot do without
 * are not guessed.
 *
 * @example usualFigures('driver', { continuousA: 20, mostV: 30 }).peakA // { value: 30, spread: 0.4 }
 */
export function usualFigures(
  kind: PartKind,
  figures: Figures,
  chemistry?: unknown,
): Readonly<Record<string, GuessedFigure>> {
  const missing = (key: string, make: () => GuessedFigure | undefined): Record<string, GuessedFigure> => {
    const made = figures[key] === undefined ? make() : undefined;
    return made ? { [key]: made } : {};
  };
  switch (kind) {
    case 'motor': {
      const { stallTorqueNm, noLoadRpm } = figures;
      const powerW = ((stallTorqueNm ?? 0) * (noLoadRpm ?? 0) * (Math.PI / 30)) / 4;
      return missing('massKg', () => (powerW > 0 ? guess(powerW / MOTOR_W_KG, 0.7) : undefined));
    }
    case 'driver': {
      const { continuousA = 1, mostV = 12 } = figures;
      return {
        ...missing('massKg', () => guess(0.02 + 0.002 * continuousA, 0.7)),
        ...missing('leastV', () => guess(Math.min(6, mostV / 2), 0.4)),
        ...missing('peakA', () => guess(1.5 * continuousA, 0.4)),
        // What a bridge drops at its current is about half a volt.
        ...missing('resistanceMilliohm', () => guess(Math.min(500, 500 / continuousA), 0.6)),
      };
    }
    case 'battery': {
      const { series = 1, parallel = 1, cellAh } = figures;
      if (cellAh === undefined) return {};
      const cell = chemistryOf(chemistry);
      const { milliohmAh, c, whKg } = CELLS[cell];
      const packAh = cellAh * parallel;
      return {
        ...missing('parallel', () => ({ value: 1, spread: 0 })),
        ...missing('massKg', () => guess((packAh * series * CHEMISTRIES[cell].nominalV) / whKg, 0.3)),
        ...missing('cellMilliohm', () => guess(milliohmAh / cellAh, 0.6)),
        ...missing('continuousA', () => guess(c * packAh, 0.5)),
      };
    }
    default:
      return assertNever(kind);
  }
}
