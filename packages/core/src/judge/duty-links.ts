import type { DutyPoint, DutyReport } from '../capability/index.ts';
import { greatestWheelTorque, type Driveline } from '../drive/index.ts';
import type { Build, Duty } from '../vehicle/index.ts';
import { brakedLinks, driveLinks } from './drive-links.ts';
import { groundLinks } from './ground-links.ts';
import { margin } from './margin.ts';
import { ratioStanding, windowVerdict } from './ratio-standing.ts';
import type { LinkReport } from './report.ts';

/** The margins of one duty. Links that need a part not chosen yet, or of which nothing is asked, are absent. */
export function dutyLinks(
  build: Build,
  duty: Duty,
  report: DutyReport,
  line: Driveline | undefined,
): LinkReport[] {
  const policy = build.marginPolicy;
  const dutyId = duty.id;
  const onGround = groundLinks(build, duty, report);
  if (!line) return onGround;
  const { top } = report;
  const always = [
    ...onGround,
    ...(top ? margin({ link: 'over-speed', dutyId, needs: top.mps, has: top.mayMps }, policy) : []),
    ...brakedLinks(build, duty, report.brake, line),
  ];
  if (!report.point) return always;
  const { point } = report;
  const outerMps = report.turn?.outerMps ?? duty.speed.value;
  const pulls = report.resistance.totalN > 0;
  return [
    ...always,
    ...margin(
      {
        link: 'torque',
        dutyId,
        needs: point.wheelTorqueNm,
        has: greatestWheelTorque(line, outerMps),
      },
      policy,
    ),
    ...(pulls
      ? margin({ link: 'speed', dutyId, needs: outerMps, has: report.attainableMps ?? 0 }, policy)
      : []),
    ...windowLink(report, line, policy),
    ...driveLinks(build, duty, point, line),
    ...electricalLinks(build, duty, point, line),
  ];
}

function windowLink(report: DutyReport, line: Driveline, policy: Build['marginPolicy']): LinkReport[] {
  if (!report.ratioWindow) return [];
  const { ratio, edge } = ratioStanding(report.ratioWindow, line.ratio);
  const verdict = windowVerdict(report.ratioWindow, line.ratio);
  return margin({ link: 'ratio', dutyId: report.id, needs: edge, has: line.ratio, ratio, verdict }, policy);
}

function electricalLinks(build: Build, duty: Duty, point: DutyPoint, line: Driveline): LinkReport[] {
  const policy = build.marginPolicy;
  const dutyId = duty.id;
  const { motor, driver, bank } = line;
  const currentA = Math.abs(point.currentA);
  return [
    ...(duty.mayRunHot
      ? []
      : margin({ link: 'motor-heat', dutyId, needs: currentA, has: motor.continuousA }, policy)),
    ...(driver
      ? margin({ link: 'driver-current', dutyId, needs: currentA, has: driver.continuousA }, policy)
      : []),
    ...(bank
      ? [
          ...margin(
            { link: 'battery-current', dutyId, needs: point.batteryA, has: bank.continuousA },
            policy,
          ),
          ...margin(
            {
              link: 'battery-voltage',
              dutyId,
              needs: Math.max(bank.emptyV, driver?.leastV ?? 0),
              has: point.batteryV,
            },
            policy,
          ),
        ]
      : []),
  ];
}
