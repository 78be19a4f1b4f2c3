import type { DriveAtDuty, DutyPoint, DutyReport } from '../capability/index.ts';
import { greatestWheelTorque, together, type Driveline } from '../drive/index.ts';
import { throughDrive, type Build, type Duty } from '../vehicle/index.ts';
import { brakedLinks, driveLinks } from './drive-links.ts';
import { groundLinks } from './ground-links.ts';
import { linksOf, margin } from './margin.ts';
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
  const { top, point } = report;
  const drives = together(line);
  const always = [
    ...onGround,
    ...(top ? margin({ link: 'over-speed', dutyId, needs: top.mps, has: top.mayMps }, policy) : []),
    ...drives.flatMap((one) =>
      linksOf(one.driveId, brakedLinks(throughDrive(build, one.driveId), duty, report.brake, one)),
    ),
  ];
  if (!point) return always;
  const outerMps = report.turn?.outerMps ?? duty.speed.value;
  const pulls = report.resistance.totalN > 0;
  const atDuty: readonly DriveAtDuty[] = report.drives ?? [
    {
      driveId: line.driveId,
      share: 1,
      point,
      ...(report.ratioWindow ? { ratioWindow: report.ratioWindow } : {}),
    },
  ];
  return [
    ...always,
    ...(pulls
      ? margin({ link: 'speed', dutyId, needs: outerMps, has: report.attainableMps ?? 0 }, policy)
      : []),
    ...atDuty.flatMap((at) => {
      const one = drives.find(({ driveId }) => driveId === at.driveId) ?? line;
      const seen = throughDrive(build, at.driveId);
      return linksOf(at.driveId, [
        ...margin(
          {
            link: 'torque',
            dutyId,
            needs: at.point.wheelTorqueNm,
            has: greatestWheelTorque(one, outerMps),
          },
          policy,
        ),
        ...windowLink(dutyId, at, one, policy),
        ...driveLinks(seen, dutyId, at.point, one),
        ...motorLinks(seen, duty, at.point, one),
      ]);
    }),
    ...batteryLinks(build, duty, point, drives),
  ];
}

function windowLink(
  dutyId: string,
  { ratioWindow }: DriveAtDuty,
  line: Driveline,
  policy: Build['marginPolicy'],
): LinkReport[] {
  if (!ratioWindow) return [];
  const { ratio, edge } = ratioStanding(ratioWindow, line.ratio);
  const verdict = windowVerdict(ratioWindow, line.ratio);
  return margin({ link: 'ratio', dutyId, needs: edge, has: line.ratio, ratio, verdict }, policy);
}

/** The motors of one drive, and the channels that they hang on. */
function motorLinks(build: Build, duty: Duty, point: DutyPoint, line: Driveline): LinkReport[] {
  const policy = build.marginPolicy;
  const dutyId = duty.id;
  const { motor, driver } = line;
  const currentA = Math.abs(point.currentA);
  return [
    ...(duty.mayRunHot
      ? []
      : margin({ link: 'motor-heat', dutyId, needs: currentA, has: motor.continuousA }, policy)),
    ...(driver
      ? margin({ link: 'driver-current', dutyId, needs: currentA, has: driver.continuousA }, policy)
      : []),
  ];
}

/** Battery volts under which something gives up: the battery itself, or a driver that hangs on it. */
export const leastVoltage = (drives: readonly Driveline[]): number =>
  Math.max(0, ...drives.flatMap(({ bank, driver }) => [bank?.emptyV ?? 0, driver?.leastV ?? 0]));

function batteryLinks(
  build: Build,
  duty: Duty,
  point: DutyPoint,
  drives: readonly Driveline[],
): LinkReport[] {
  const policy = build.marginPolicy;
  const dutyId = duty.id;
  const bank = drives[0]?.bank;
  if (!bank) return [];
  return [
    ...margin({ link: 'battery-current', dutyId, needs: point.batteryA, has: bank.continuousA }, policy),
    ...margin({ link: 'battery-voltage', dutyId, needs: leastVoltage(drives), has: point.batteryV }, policy),
  ];
}
