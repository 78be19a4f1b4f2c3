import { type DutyReport, type OutingDraw, legsOf } from '../capability/index.ts';
import type { Driveline } from '../drive/index.ts';
import { fullCommand, meanDraw, startingCurrent } from '../supply/index.ts';
import type { Build } from '../vehicle/index.ts';
import { margin } from './margin.ts';
import type { LinkReport } from './report.ts';

/** Margins that belong to the outing as a whole, or to no duty at all. */
export function outingLinks(
  build: Build,
  duties: readonly DutyReport[],
  line: Driveline,
  outing: OutingDraw,
): LinkReport[] {
  const policy = build.marginPolicy;
  const dutyId = null;
  const { circuit, motor, driver, bank } = line;
  const { worstRmsA } = meanDraw(legsOf(duties, (d) => Math.abs(d.point?.currentA ?? 0)));
  return [
    ...margin({ link: 'motor-heat', dutyId, needs: worstRmsA, has: motor.continuousA }, policy),
    ...(driver && !driver.limitsCurrent
      ? margin(
          { link: 'driver-peak', dutyId, needs: fullCommand(circuit, 0).currentA, has: driver.peakA },
          policy,
        )
      : []),
    ...(driver && bank
      ? margin({ link: 'driver-voltage', dutyId, needs: bank.fullV, has: driver.mostV }, policy)
      : []),
    ...(bank
      ? margin(
          {
            link: 'battery-peak',
            dutyId,
            needs: startingCurrent(circuit),
            has: bank.peakA,
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
