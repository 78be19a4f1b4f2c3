import type { Build } from '../build/index.ts';
import { fullCommand, runTime, type Circuit } from '../supply/index.ts';
import type { Driveline } from './driveline.ts';
import { margin } from './margin.ts';
import type { DutyReport, LinkReport, Outing } from './report.ts';

/** Peukert exponents of ageing lead-acid cells and of all others (common practice, no source). */
const PEUKERT = { leadAcid: 1.2, other: 1 } as const;
/** Lead-acid is rated over twenty hours, the others over one (common practice, no source). */
const RATED_HOURS = { leadAcid: 20, other: 1 } as const;

const SECONDS_PER_HOUR = 3600;

/** Time-weighted mean of a figure over the duties of an outing. */
function meanOver(build: Build, duties: readonly DutyReport[], of: (duty: DutyReport) => number): number {
  const durationS = build.duties.reduce((sum, d) => sum + d.duration.value, 0);
  if (durationS === 0) return 0;
  return duties.reduce((sum, d, at) => sum + of(d) * (build.duties[at]?.duration.value ?? 0), 0) / durationS;
}

/** The duties one after the other: what they draw, and how long the battery lasts at that mix. */
export function outingOf(build: Build, duties: readonly DutyReport[], line: Driveline): Outing {
  const durationS = build.duties.reduce((sum, d) => sum + d.duration.value, 0);
  const meanBatteryA = meanOver(build, duties, (d) => d.point?.batteryA ?? 0);
  const energyJ = line.circuit.openCircuitV * meanBatteryA * durationS;
  if (!line.pack || !line.battery || meanBatteryA <= 0) return { durationS, energyJ, meanBatteryA };
  const kind = line.battery.chemistry === 'lead-acid' ? 'leadAcid' : 'other';
  const { hours } = runTime.run({
    capacityAh: line.pack.capacityAh,
    ratedHours: RATED_HOURS[kind],
    exponent: PEUKERT[kind],
    currentA: meanBatteryA,
    usableShare: build.supply.usableShare.value,
  });
  return { durationS, energyJ, meanBatteryA, runTimeS: hours * SECONDS_PER_HOUR };
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
  const rmsA = Math.sqrt(meanOver(build, duties, (d) => (d.point?.currentA ?? 0) ** 2));
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
