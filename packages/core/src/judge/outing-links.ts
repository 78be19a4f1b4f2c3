import { type DutyReport, type OutingDraw, legsOf } from '../capability/index.ts';
import { together, type Driveline } from '../drive/index.ts';
import {
  fullCommand,
  meanDraw,
  onVoltage,
  sharedSupply,
  startingCurrent,
  startingTogether,
} from '../supply/index.ts';
import type { Build } from '../vehicle/index.ts';
import { linksOf, margin } from './margin.ts';
import type { LinkReport } from './report.ts';

/** Current of each motor of a drive in a duty, A. */
const currentOf = (report: DutyReport, driveId: string): number =>
  Math.abs((report.drives?.find((drive) => drive.driveId === driveId)?.point ?? report.point)?.currentA ?? 0);

/** Margins that belong to the outing as a whole, or to no duty at all. */
export function outingLinks(
  build: Build,
  duties: readonly DutyReport[],
  line: Driveline,
  outing: OutingDraw,
): LinkReport[] {
  return [
    ...together(line).flatMap((one) => linksOf(one.driveId, motorLinks(build, duties, one))),
    ...batteryLinks(build, line, outing),
  ];
}

/**
 * Current of each motor held at full command, A: with all others held too.
 *
 * @example heldCurrent(line) // 40
 */
export function heldCurrent({ circuit, beside }: Driveline): number {
  if (beside.length === 0) return fullCommand(circuit, 0).currentA;
  const held = [circuit, ...beside.map((other) => other.circuit)];
  const { batteryV, share } = sharedSupply(held.map((one) => ({ circuit: one, speedRadS: 0 })));
  return fullCommand(onVoltage(circuit, batteryV, share), 0).currentA;
}

function motorLinks(build: Build, duties: readonly DutyReport[], line: Driveline): LinkReport[] {
  const policy = build.marginPolicy;
  const dutyId = null;
  const { motor } = line;
  const { worstRmsA } = meanDraw(legsOf(duties, (d) => currentOf(d, line.driveId)));
  return [
    ...margin({ link: 'motor-heat', dutyId, needs: worstRmsA, has: motor.continuousA }, policy),
    ...driverLinks(build, line),
  ];
}

/** A driver whose motors are held at full command, on a battery that is full. */
export function driverLinks(build: Build, line: Driveline): LinkReport[] {
  const policy = build.marginPolicy;
  const dutyId = null;
  const { driver, bank } = line;
  return [
    ...(driver && !driver.limitsCurrent
      ? margin({ link: 'driver-peak', dutyId, needs: heldCurrent(line), has: driver.peakA }, policy)
      : []),
    ...(driver && bank
      ? margin({ link: 'driver-voltage', dutyId, needs: bank.fullV, has: driver.mostV }, policy)
      : []),
  ];
}

/**
 * The most that the battery gives in a start of all drives at full command, A.
 *
 * @example startA(line) // 80.17
 */
export const startA = (line: Driveline): number =>
  line.beside.length === 0
    ? startingCurrent(line.circuit)
    : startingTogether(together(line).map((one) => one.circuit));

function batteryLinks(build: Build, line: Driveline, outing: OutingDraw): LinkReport[] {
  const policy = build.marginPolicy;
  const dutyId = null;
  const { circuit, bank } = line;
  return [
    ...(bank ? margin({ link: 'battery-peak', dutyId, needs: startA(line), has: bank.peakA }, policy) : []),
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
