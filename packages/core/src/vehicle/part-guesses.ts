import { CHEMISTRIES, CHEMISTRY_NAMES, type Chemistry } from '../supply/index.ts';
import { PART_SORTS, type PartKind } from './part.ts';

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

/** What would settle a guess, by hand and with what lies in a shed; of what is not here the maker's sheet alone does. */
const SETTLES: Readonly<Record<string, string>> = {
  massKg: 'Mass: kitchen scales.',
  resistanceOhm:
    'Resistance: a multimeter across one phase, leads short, its own reading with the tips together taken off.',
  inductanceMilliH:
    'Inductance: a meter that has the range, across one phase, the shaft turned until it reads least.',
  stepsPerTurn: 'Steps: turn the shaft by hand, unpowered, and count the clicks of a quarter turn.',
  stallA:
    'Stall current: the shaft held fast for a moment at a quarter of the voltage, an ammeter in the lead; four times that.',
  noLoadA: 'Current unloaded: an ammeter in the lead while it turns free.',
  travelDeg: 'Travel: from stop to stop by its controller, a protractor on the horn.',
  continuousA: 'Current all day: loaded for half an hour, what leaves the case touchable.',
  cellMilliohm:
    'Resistance: the drop of the terminals as a known current is switched on, over that current and the cells in series.',
  resistanceMilliohm: 'Resistance: the drop over the channel at a known current.',
};

/**
 * What would settle the guesses among these figures.
 *
 * @example settling(['stallA']) // ['Stall current: the shaft held fast for a moment at…']
 */
export const settling = (keys: readonly string[]): readonly string[] =>
  keys.flatMap((key) => SETTLES[key] ?? []);

/**
 * What is usual of the figures of a part that are missing (common practice, no source); those that it cannot do without
 * are not guessed.
 *
 * @example usualFigures('driver', { continuousA: 20, mostV: 30 }).peakA // { value: 30, spread: 0.4 }
 */
export function usualFigures(
  kind: PartKind,
  figures: Figures,
  choices: Readonly<Record<string, unknown>> = {},
): Readonly<Record<string, GuessedFigure>> {
  const missing = (key: string, make: () => GuessedFigure | undefined): Record<string, GuessedFigure> => {
    const made = figures[key] === undefined ? make() : undefined;
    return made ? { [key]: made } : {};
  };
  switch (kind) {
    case 'motor':
      return usualOfMotor(figures, choices.type);
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
      const cell = chemistryOf(choices.chemistry);
      const { milliohmAh, c, whKg } = CELLS[cell];
      const packAh = cellAh * parallel;
      return {
        ...missing('parallel', () => ({ value: 1, spread: 0 })),
        ...missing('massKg', () => guess((packAh * series * CHEMISTRIES[cell].nominalV) / whKg, 0.3)),
        ...missing('cellMilliohm', () => guess(milliohmAh / cellAh, 0.6)),
        ...missing('continuousA', () => guess(c * packAh, 0.5)),
      };
    }
    default: {
      const { usualKg } = PART_SORTS[kind];
      return missing('massKg', () => (usualKg === null ? undefined : guess(usualKg, 2)));
    }
  }
}

/** Those of a motor, by its type: what its own law still needs. */
function usualOfMotor(figures: Figures, type: unknown): Readonly<Record<string, GuessedFigure>> {
  const usual: Record<string, GuessedFigure> = {};
  const take = (key: string, value: number | undefined, spread: number): void => {
    if (figures[key] === undefined && value !== undefined && value > 0) usual[key] = guess(value, spread);
  };
  const { voltageV: volts = 0, stallTorqueNm = 0 } = figures;
  if (type === 'servo') {
    const speed = Math.PI / 3 / (figures.secPer60Deg ?? Infinity);
    // Half of what a small gearhead is given comes through.
    take('stallA', (2 * stallTorqueNm * speed) / (volts || Infinity), 0.6);
    take('noLoadA', (figures.stallA ?? usual.stallA?.value ?? 0) / 10, 0.6);
    take('travelDeg', 180, 0.3);
    take('continuousA', (figures.stallA ?? usual.stallA?.value ?? 0) / 3, 0.5);
    take('massKg', 0.04 * Math.max(0.3, stallTorqueNm), 0.7);
  } else if (type === 'stepping') {
    const { ratedA = 0, holdingTorqueNm = 0 } = figures;
    // Some three volts at rated current, and a time constant of a millisecond and a half.
    take('resistanceOhm', 3 / (ratedA || Infinity), 0.6);
    take('inductanceMilliH', 1.5 * (figures.resistanceOhm ?? usual.resistanceOhm?.value ?? 0), 0.6);
    take('stepsPerTurn', 200, 0);
    take('voltageV', 24, 0.5);
    // A sine of √2 times the rated current heats as both phases at it do.
    take('continuousA', Math.SQRT2 * ratedA, 0.1);
    take('massKg', 0.6 * holdingTorqueNm, 0.7);
  } else if (type === 'series-wound') {
    const { ratedA = 0, ratedTorqueNm = 0, ratedRpm = 0 } = figures;
    const lost = volts * ratedA - ratedTorqueNm * ratedRpm * (Math.PI / 30);
    // Half of what is lost at its rated load heats the winding.
    take('stallA', lost > 0 ? (2 * volts * ratedA ** 2) / lost : undefined, 0.5);
    take('continuousA', ratedA, 0.2);
    take('massKg', (ratedTorqueNm * ratedRpm * (Math.PI / 30)) / MOTOR_W_KG, 0.7);
  } else {
    const powerW = (stallTorqueNm * (figures.noLoadRpm ?? 0) * (Math.PI / 30)) / 4;
    take('massKg', powerW / MOTOR_W_KG, 0.7);
  }
  return usual;
}
