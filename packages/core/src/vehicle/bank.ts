import { rememberedBesidesJobs } from './besides-jobs.ts';
import { kelvinToCelsius } from '../quantity/index.ts';
import { batteryPack, coldPack, type Chemistry } from '../supply/index.ts';
import type { Build } from './document.ts';
import { packCells } from './packs.ts';
import type { PartOf } from './part.ts';
import { packsOf } from './parts-of.ts';

/** What feeds a build, all of its packs as one. */
export interface Bank {
  /** Of its packs; absent where it is no battery, or where they are of several kinds. */
  readonly chemistry?: Chemistry;
  readonly nominalV: number;
  readonly fullV: number;
  readonly emptyV: number;
  readonly resistanceOhm: number;
  /** Absent where it never runs out: a supply on the bench. */
  readonly capacityAh?: number;
  readonly continuousA: number;
  readonly peakA: number;
  /** Most that it lets through by itself; Infinity of a battery. */
  readonly limitA: number;
  /** The battery, where one pack is all of it, on a mild day: its data sheet then says it all. */
  readonly battery?: PartOf<'battery'>;
  readonly name: string;
}

/** Sources that hold their current by themselves. */
const LIMITS_ITSELF: readonly PartOf<'source'>['type'][] = [
  'bench supply',
  'step-up converter',
  'power bank',
];

function ofSource(part: PartOf<'source'>): Bank {
  const { voltageV, continuousA, energyWh, resistanceMilliohm = 0, name } = part;
  return {
    nominalV: voltageV,
    fullV: voltageV,
    emptyV: voltageV * LEAST_OF_SOURCE,
    resistanceOhm: resistanceMilliohm / 1000,
    ...(energyWh === undefined ? {} : { capacityAh: energyWh / voltageV }),
    continuousA,
    peakA: continuousA,
    limitA: LIMITS_ITSELF.includes(part.type) ? continuousA : Infinity,
    name,
  };
}

/** At the end of its lead a source that holds its voltage may be down by a tenth (common practice, no source). */
const LEAST_OF_SOURCE = 0.9;

function ofBattery(part: PartOf<'battery'>, airC: number | undefined): Bank {
  const made = batteryPack.run(packCells(part));
  const { capacityShare, resistanceTimes } = coldPack(part.chemistry, airC);
  return {
    chemistry: part.chemistry,
    nominalV: made.nominalV,
    fullV: made.fullV,
    emptyV: made.emptyV,
    resistanceOhm: made.resistanceOhm * resistanceTimes,
    capacityAh: made.capacityAh * capacityShare,
    continuousA: part.continuousA,
    peakA: part.peakA ?? part.continuousA,
    limitA: Infinity,
    name: part.name,
  };
}

const sum = (numbers: readonly number[]): number => numbers.reduce((a, b) => a + b, 0);
const least = (numbers: readonly (number | undefined)[]): { capacityAh?: number } => {
  const known = numbers.filter((n) => n !== undefined);
  return known.length > 0 ? { capacityAh: Math.min(...known) } : {};
};
const alike = (banks: readonly Bank[]): { chemistry?: Chemistry } => {
  const chemistry = banks[0]?.chemistry;
  return chemistry && banks.every((bank) => bank.chemistry === chemistry) ? { chemistry } : {};
};

/** In series volts and resistances add up; the least decides the rest. */
const inSeries = (banks: readonly Bank[]): Bank => ({
  ...alike(banks),
  nominalV: sum(banks.map(({ nominalV }) => nominalV)),
  fullV: sum(banks.map(({ fullV }) => fullV)),
  emptyV: sum(banks.map(({ emptyV }) => emptyV)),
  resistanceOhm: sum(banks.map(({ resistanceOhm }) => resistanceOhm)),
  ...least(banks.map(({ capacityAh }) => capacityAh)),
  continuousA: Math.min(...banks.map(({ continuousA }) => continuousA)),
  peakA: Math.min(...banks.map(({ peakA }) => peakA)),
  limitA: Math.min(...banks.map(({ limitA }) => limitA)),
  name: banks.map(({ name }) => name).join(' + '),
});

/** Side by side the current parts as the resistances let it; the first that is at its limit decides. */
function inParallel(banks: readonly Bank[]): Bank {
  const conducts = sum(banks.map(({ resistanceOhm: r }) => 1 / r));
  const shareOf = ({ resistanceOhm: r }: Bank): number =>
    Number.isFinite(conducts) ? 1 / r / conducts : 1 / banks.length;
  const together = (of: (bank: Bank) => number): number =>
    Math.min(...banks.map((bank) => of(bank) / shareOf(bank)));
  return {
    ...inSeries(banks),
    nominalV: Math.min(...banks.map(({ nominalV }) => nominalV)),
    fullV: Math.max(...banks.map(({ fullV }) => fullV)),
    emptyV: Math.max(...banks.map(({ emptyV }) => emptyV)),
    resistanceOhm: Number.isFinite(conducts) ? 1 / conducts : 0,
    ...(banks.every(({ capacityAh }) => capacityAh !== undefined)
      ? { capacityAh: sum(banks.map(({ capacityAh = 0 }) => capacityAh)) }
      : { capacityAh: undefined }),
    continuousA: together(({ continuousA }) => continuousA),
    peakA: together(({ peakA }) => peakA),
    limitA: together(({ limitA }) => limitA),
  };
}

const times = (bank: Bank, n: number): readonly Bank[] => Array.from({ length: n }, () => bank);
const named = (bank: Bank, n: number): string => (n > 1 ? `${n} × ${bank.name}` : bank.name);

/**
 * All that feeds a build as one; undefined until something is chosen.
 *
 * @example bankOf(puffin)?.nominalV // 25.6
 */
export const bankOf = rememberedBesidesJobs((build: Build): Bank | undefined => {
  const airC = build.supply.airTemperature && kelvinToCelsius(build.supply.airTemperature.value);
  const blocks = packsOf(build).map(({ part, inSeries: series, inParallel: parallel }) => {
    const one = part.kind === 'battery' ? ofBattery(part, airC) : ofSource(part);
    if (series * parallel === 1) return one;
    const string = series > 1 ? inSeries(times(one, series)) : one;
    return {
      ...(parallel > 1 ? inParallel(times(string, parallel)) : string),
      name: named(one, series * parallel),
    };
  });
  const [first, ...others] = blocks;
  if (!first) return undefined;
  if (others.length > 0) return build.supply.joined === 'in series' ? inSeries(blocks) : inParallel(blocks);
  const [only] = packsOf(build);
  const plain = only?.part.kind === 'battery' && only.inSeries * only.inParallel === 1 && airC === undefined;
  return plain && only.part.kind === 'battery' ? { ...first, battery: only.part } : first;
});
