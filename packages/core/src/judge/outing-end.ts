import {
  attainable,
  attainableInput,
  dutyPoints,
  steadyForce,
  tiredLine,
  type DutyReport,
} from '../capability/index.ts';
import { greatestWheelTorque, together, type Driveline } from '../drive/index.ts';
import type { Build, Duty } from '../vehicle/index.ts';
import { leastVoltage } from './duty-links.ts';
import { linksOf, margin } from './margin.ts';
import type { LinkReport, Outing } from './report.ts';

/** The margins of a duty that the battery moves, on the battery as it then is. */
function linksThen(build: Build, duty: Duty, report: DutyReport, line: Driveline): LinkReport[] {
  if (!report.point || report.resistance.totalN <= 0) return [];
  const policy = build.marginPolicy;
  const dutyId = duty.id;
  const speedMps = report.turn?.outerMps ?? duty.speed.value;
  const points = dutyPoints(line, duty, report.resistance.totalN, report.turn);
  const steadyN = steadyForce(build, duty, report.resistance);
  const found = attainable(attainableInput(build, duty, line, report.footing.gripN, steadyN));
  const needsOf = (driveId: string): number =>
    (report.drives?.find((drive) => drive.driveId === driveId)?.point ?? report.point)?.wheelTorqueNm ?? 0;
  return [
    ...together(line).flatMap((one) =>
      linksOf(
        one.driveId,
        margin(
          { link: 'torque', dutyId, needs: needsOf(one.driveId), has: greatestWheelTorque(one, speedMps) },
          policy,
        ),
      ),
    ),
    ...margin({ link: 'speed', dutyId, needs: speedMps, has: found.speedMps }, policy),
    ...margin(
      {
        link: 'battery-voltage',
        dutyId,
        needs: leastVoltage(together(line)),
        has: points[0]?.point.batteryV ?? 0,
      },
      policy,
    ),
  ];
}

/** Every duty judged again on the pack as it is at the end of the outing; nothing while that is as good as new. */
export function endOf(
  build: Build,
  duties: readonly DutyReport[],
  line: Driveline,
  outing: Outing,
): Pick<Outing, 'end'> {
  const tired = tiredLine(build, line, outing);
  if (!tired) return {};
  const links = build.duties.flatMap((duty, at) => {
    const report = duties[at];
    return report ? linksThen(build, duty, report, tired) : [];
  });
  return { end: { openCircuitV: tired.circuit.openCircuitV, links } };
}
