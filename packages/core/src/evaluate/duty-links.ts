import type { Build, Duty } from '../build/index.ts';
import { stageFigures, stageStrength } from '../transmission/index.ts';
import { greatestWheelTorque, isOnMotor, trainStages, type Driveline } from './driveline.ts';
import { groundLinks } from './ground-links.ts';
import { margin } from './margin.ts';
import { ratioStanding } from './ratio-window.ts';
import type { DutyPoint, DutyReport, LinkReport } from './report.ts';

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
  if (!line || !report.point) return onGround;
  const { point } = report;
  const outerMps = report.turn?.outerMps ?? duty.speed.value;
  const pulls = report.resistance.totalN > 0;
  return [
    ...onGround,
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
    ...stageLinks(build, duty, point, line),
    ...electricalLinks(build, duty, point, line),
  ];
}

function windowLink(report: DutyReport, line: Driveline, policy: Build['marginPolicy']): LinkReport[] {
  if (!report.ratioWindow) return [];
  const { ratio, edge } = ratioStanding(report.ratioWindow, line.ratio);
  return margin({ link: 'ratio', dutyId: report.id, needs: edge, has: line.ratio, ratio }, policy);
}

/** Each stage under the torque that reaches it; the motors of one wheel share its stages. */
function stageLinks(build: Build, duty: Duty, point: DutyPoint, line: Driveline): LinkReport[] {
  const stages = trainStages(build);
  let torqueNm = Math.abs(point.motorTorqueNm) * line.motorsPerWheel;
  let rpm = point.motorRpm;
  return stages.flatMap((stage) => {
    const strength = stageStrength(stage, { inputTorqueNm: torqueNm, inputRpm: rpm });
    const { ratio, efficiency } = stageFigures(stage);
    const shared = isOnMotor(stage) ? line.motorsPerWheel : 1;
    torqueNm *= ratio * efficiency;
    rpm /= ratio;
    if (!strength) return [];
    return margin(
      {
        link: strength.link,
        dutyId: duty.id,
        needs: strength.needs / shared,
        has: strength.has,
        stageId: stage.id,
      },
      build.marginPolicy,
    );
  });
}

function electricalLinks(build: Build, duty: Duty, point: DutyPoint, line: Driveline): LinkReport[] {
  const policy = build.marginPolicy;
  const dutyId = duty.id;
  const { motor, driver, battery, pack } = line;
  const currentA = Math.abs(point.currentA);
  return [
    ...(duty.mayRunHot
      ? []
      : margin({ link: 'motor-heat', dutyId, needs: currentA, has: motor.continuousA }, policy)),
    ...(driver
      ? margin({ link: 'driver-current', dutyId, needs: currentA, has: driver.continuousA }, policy)
      : []),
    ...(battery && pack
      ? [
          ...margin(
            { link: 'battery-current', dutyId, needs: point.batteryA, has: battery.continuousA },
            policy,
          ),
          ...margin(
            {
              link: 'battery-voltage',
              dutyId,
              needs: Math.max(pack.emptyV, driver?.leastV ?? 0),
              has: point.batteryV,
            },
            policy,
          ),
        ]
      : []),
  ];
}
