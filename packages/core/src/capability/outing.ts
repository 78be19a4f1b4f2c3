import { type Driveline, rotatingFactor, worksDraw } from '../drive/index.ts';
import { startingPower } from '../ground/index.ts';
import { idleCurrent, meanDraw, packAfter, runTime, SUN_EFFICIENCY } from '../supply/index.ts';
import type { Build, Duty } from '../vehicle/index.ts';
import type { DutyReport, OutingDraw } from './report.ts';

/** Peukert exponents of ageing lead-acid cells and of all others (common practice, no source). */
const PEUKERT = { leadAcid: 1.2, other: 1 } as const;
/** Lead-acid is rated over twenty hours, the others over one (common practice, no source). */
const RATED_HOURS = { leadAcid: 20, other: 1 } as const;

const SECONDS_PER_HOUR = 3600;

/**
 * A figure over the duties of an outing, as legs.
 *
 * @example legsOf(report.duties, () => 10)[0] // { durationS: 360, currentA: 10 }
 */
export const legsOf = (duties: readonly DutyReport[], of: (duty: DutyReport) => number) =>
  duties.map((d) => ({ durationS: d.durationS, currentA: of(d) }));

/**
 * What the calculator of starting again and again takes of a duty.
 *
 * @example startingInput(puffin, duty, report.duties[0], line).massKg // 178
 */
export function startingInput(
  build: Build,
  { startsAnHour, speed }: Duty,
  { footing }: Pick<DutyReport, 'footing'>,
  line: Driveline,
) {
  return {
    massKg: footing.massKg,
    rotatingMassFactor: rotatingFactor(build, footing.massKg),
    speedMps: speed.value,
    startsAnHour: startsAnHour?.value ?? 0,
    efficiency: line.efficiency,
  };
}

/**
 * What a panel that charges while it runs gives meanwhile, W.
 *
 * @example sunWhileRunning(puffin) // 0
 */
export const sunWhileRunning = ({ supply: { sun } }: Build): number =>
  sun?.when === 'running' ? SUN_EFFICIENCY * sun.power.value : 0;

/**
 * The mean current from the battery in a duty: held or stopped, of what is drawn beside the motors; starts counted.
 *
 * @example batteryCurrent(puffin, report.duties[0], line) // 24.99
 */
export function batteryCurrent(build: Build, report: DutyReport, line: Driveline): number {
  const duty = build.duties.find(({ id }) => id === report.id);
  const { drivingW, meanW } = worksDraw(build);
  const sunW = sunWhileRunning(build);
  // At a duty's own point works run; over the outing they do so for their share of the time.
  const steadyA = Math.max(
    0,
    (report.point?.batteryA ?? idleCurrent(line.circuit)) +
      (meanW - drivingW - sunW) / line.circuit.openCircuitV,
  );
  if (!duty?.startsAnHour || !report.point) return steadyA;
  return (
    steadyA + startingPower.run(startingInput(build, duty, report, line)).powerW / line.circuit.openCircuitV
  );
}

const familyOf = ({ bank }: Driveline) => (bank?.chemistry === 'lead-acid' ? 'leadAcid' : 'other');

/**
 * By how much faster a battery empties the more is drawn: 1 where that makes no difference.
 *
 * @example peukertOf(line) // 1
 */
export const peukertOf = (line: Driveline): number => PEUKERT[familyOf(line)];
/**
 * Over how many hours the capacity of a pack is rated, by its chemistry.
 *
 * @example ratedHoursOf(line) // 1
 */
export const ratedHoursOf = (line: Driveline): number => RATED_HOURS[familyOf(line)];

/**
 * What the run-time calculator takes of the pack: the current that empties it as fast as the legs do, by Peukert; but it
 * never gives more than its rated capacity at their mean.
 *
 * @example runTimeInput(puffin, line, { meanA: 10, equivalentA: 10 })?.capacityAh // 20
 */
export function runTimeInput(build: Build, line: Driveline, draw: { meanA: number; equivalentA: number }) {
  const capacityAh = line.bank?.capacityAh;
  if (capacityAh === undefined) return undefined;
  const common = {
    capacityAh,
    ratedHours: ratedHoursOf(line),
    usableShare: build.supply.usableShare.value,
  };
  const byPeukert = { ...common, exponent: peukertOf(line), currentA: draw.equivalentA };
  const byCharge = { ...common, exponent: 1, currentA: draw.meanA };
  return runTime.run(byPeukert).hours < runTime.run(byCharge).hours ? byPeukert : byCharge;
}

/**
 * The duties one after the other: what they draw, and how long the battery lasts at that mix.
 *
 * @example outingOf(puffin, report.duties, line).meanBatteryA // 9.386
 */
export function outingOf(build: Build, duties: readonly DutyReport[], line: Driveline): OutingDraw {
  const draw = meanDraw(
    legsOf(duties, (d) => batteryCurrent(build, d, line)),
    { exponent: peukertOf(line) },
  );
  const { durationS, meanA } = draw;
  const energyJ = line.circuit.openCircuitV * meanA * durationS;
  const base = { durationS, energyJ, meanBatteryA: meanA };
  const given = meanA > 0 && draw.equivalentA > 0 ? runTimeInput(build, line, draw) : undefined;
  if (!given) return base;
  return { ...base, runTimeS: runTime.run(given).hours * SECONDS_PER_HOUR };
}

/**
 * The driveline with its battery as it is once a share of its charge is drawn; itself while that is as good as new.
 *
 * @param drawnShare of the whole capacity, 0 to 1
 * @example lineAfter(line, 0.8).circuit.openCircuitV // 24.4
 */
export function lineAfter(line: Driveline, drawnShare: number): Driveline {
  const { bank } = line;
  if (!bank?.chemistry) return line;
  const { voltageShare, resistanceTimes } = packAfter(bank.chemistry, drawnShare);
  if (voltageShare === 1) return line;
  const openCircuitV = line.circuit.openCircuitV * voltageShare;
  const moreOhm = (resistanceTimes - 1) * bank.resistanceOhm;
  const tired = (one: Driveline): Driveline => ({
    ...one,
    circuit: {
      ...one.circuit,
      openCircuitV,
      supplyResistanceOhm: line.circuit.supplyResistanceOhm + moreOhm,
    },
    beside: one.beside.map(tired),
  });
  return tired(line);
}

/**
 * The driveline with its battery as it is at the end of an outing; undefined while that is as good as new.
 *
 * @example tiredLine(puffin, line, outingOf(puffin, report.duties, line)) // undefined
 */
export function tiredLine(build: Build, line: Driveline, outing: OutingDraw): Driveline | undefined {
  if (!outing.runTimeS) return undefined;
  const tired = lineAfter(line, (outing.durationS / outing.runTimeS) * build.supply.usableShare.value);
  return tired === line ? undefined : tired;
}
