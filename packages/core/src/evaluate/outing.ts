import type { Build, Duty } from '../build/index.ts';
import { startingPower } from '../ground/index.ts';
import { fullCommand, meanDraw, runTime, type Circuit } from '../supply/index.ts';
import type { Driveline } from './driveline.ts';
import { margin } from './margin.ts';
import { rotatingFactor } from './rotating.ts';
import type { DutyReport, LinkReport, Outing } from './report.ts';

/** Peukert exponents of ageing lead-acid cells and of all others (common practice, no source). */
const PEUKERT = { leadAcid: 1.2, other: 1 } as const;
/** Lead-acid is rated over twenty hours, the others over one (common practice, no source). */
const RATED_HOURS = { leadAcid: 20, other: 1 } as const;

const SECONDS_PER_HOUR = 3600;

/** A figure over the duties of an outing, as legs. */
export const legsOf = (duties: readonly DutyReport[], of: (duty: DutyReport) => number) =>
  duties.map((d) => ({ durationS: d.durationS, currentA: of(d) }));

/** What starting again and again adds to the battery's current in a duty. */
export function startingInput(
  build: Build,
  { startsAnHour, speed }: Duty,
  { footing }: DutyReport,
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

/** The mean current from the battery in a duty, its starts counted. */
export function batteryCurrent(build: Build, report: DutyReport, line: Driveline): number {
  const duty = build.duties.find(({ id }) => id === report.id);
  const steadyA = report.point?.batteryA ?? 0;
  if (!duty?.startsAnHour || !report.point) return steadyA;
  return (
    steadyA + startingPower.run(startingInput(build, duty, report, line)).powerW / line.circuit.openCircuitV
  );
}

/** What the run-time calculator takes of the pack at a mean current. */
export function runTimeInput(build: Build, { battery, pack }: Driveline, currentA: number) {
  if (!battery || !pack) return undefined;
  const kind = battery.chemistry === 'lead-acid' ? 'leadAcid' : 'other';
  return {
    capacityAh: pack.capacityAh,
    ratedHours: RATED_HOURS[kind],
    exponent: PEUKERT[kind],
    currentA,
    usableShare: build.supply.usableShare.value,
  };
}

/** The duties one after the other: what they draw, and how long the battery lasts at that mix. */
export function outingOf(build: Build, duties: readonly DutyReport[], line: Driveline): Outing {
  const { durationS, meanA } = meanDraw(legsOf(duties, (d) => batteryCurrent(build, d, line)));
  const energyJ = line.circuit.openCircuitV * meanA * durationS;
  const given = runTimeInput(build, line, meanA);
  if (!given || meanA <= 0) return { durationS, energyJ, meanBatteryA: meanA };
  return {
    durationS,
    energyJ,
    meanBatteryA: meanA,
    runTimeS: runTime.run(given).hours * SECONDS_PER_HOUR,
  };
}

/**
 * The most the motors draw from the battery in a start at full command: at stall, or, where a driver limits, at the
 * speed at which it stops chopping.
 */
const startingCurrent = (circuit: Circuit): number => circuit.motors * fullCommand(circuit, 0).currentA;

/** Margins that belong to the outing as a whole, or to no duty at all. */
export function outingLinks(
  build: Build,
  duties: readonly DutyReport[],
  line: Driveline,
  outing: Outing,
): LinkReport[] {
  const policy = build.marginPolicy;
  const dutyId = null;
  const { circuit, motor, driver, battery, pack } = line;
  const { rmsA } = meanDraw(legsOf(duties, (d) => Math.abs(d.point?.currentA ?? 0)));
  return [
    ...margin({ link: 'motor-heat', dutyId, needs: rmsA, has: motor.continuousA }, policy),
    ...(driver && !driver.limitsCurrent
      ? margin(
          { link: 'driver-peak', dutyId, needs: fullCommand(circuit, 0).currentA, has: driver.peakA },
          policy,
        )
      : []),
    ...(driver && pack
      ? margin({ link: 'driver-voltage', dutyId, needs: pack.fullV, has: driver.mostV }, policy)
      : []),
    ...(battery
      ? margin(
          {
            link: 'battery-peak',
            dutyId,
            needs: startingCurrent(circuit),
            has: battery.peakA ?? battery.continuousA,
          },
          policy,
        )
      : []),
    ...(outing.runTimeS === undefined
      ? []
      : margin(
          {
            link: 'energy',
            dutyId,
            needs: outing.energyJ,
            has: circuit.openCircuitV * outing.meanBatteryA * outing.runTimeS,
          },
          policy,
        )),
  ];
}
