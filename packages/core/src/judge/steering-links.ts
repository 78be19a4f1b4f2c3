import type { DutyReport } from '../capability/index.ts';
import { drivelineOf, type Turned } from '../drive/index.ts';
import { steerTorque } from '../ground/index.ts';
import { driveOf, drivesThat, layoutKind, taskOf, type Build, type Duty } from '../vehicle/index.ts';
import { linksOf } from './margin.ts';
import { steerInput } from './ground-links.ts';
import type { LinkReport, TurnedReport } from './report.ts';
import { stalledLinks, turnedLinks, workPoint } from './work-links.ts';

/** Steering from a stand is short: of its time, so much (common practice, no source). */
const STEERS_SHARE = 0.25;

/**
 * What a steering drive must give on the ground of a duty: the torque of a standing start, at its time from lock to lock.
 *
 * @example askedOfSteering(throughDrive(whimbrel, 'drive-2'), whimbrel.duties[0], evaluate(whimbrel).duties[0])?.torqueNm
 *   // 0.6201
 */
export function askedOfSteering(build: Build, duty: Duty, report: DutyReport): Turned | undefined {
  const input = steerInput(build, duty, report);
  const { steersWithin } = driveOf(build);
  if (!input || !build.steering) return undefined;
  const turnsRad = build.steering.lockToLock.value * build.steering.linkageRatio.value;
  const wheels =
    driveOf(build).together === 'wheel' || layoutKind(build.layout.kind).swivels ? 1 : input.wheels;
  const { servoNm } = steerTorque.run({ ...input, wheels });
  return {
    torqueNm: servoNm,
    speedRadS: steersWithin ? turnsRad / steersWithin.value : 0,
    turnsRad,
  };
}

/** A drive that steers, on the ground of a duty: what is asked of it, and its margins. */
export interface SteeredAt {
  readonly driveId: string;
  readonly dutyId: string;
  readonly asked: Turned;
  readonly links: readonly LinkReport[];
}

/** Each drive that steers, on the ground of a duty; for what reads no other duty. */
export const steeringAt = (build: Build, duty: Duty, report: DutyReport): readonly SteeredAt[] =>
  drivesThat(build, 'steers').flatMap((seen) => {
    const line = drivelineOf(seen);
    const asked = line && askedOfSteering(seen, duty, report);
    if (!asked) return [];
    const worked = {
      dutyId: duty.id,
      torque: 'steering',
      speed: 'steer-speed',
      share: STEERS_SHARE,
    } as const;
    const links = taskOf(duty).drives ? turnedLinks(seen, line, asked, worked) : [];
    return [{ driveId: line.driveId, dutyId: duty.id, asked, links }];
  });

/** The margins of every drive that steers: on each duty as it is found there, and held at full command. */
export const steeredLinks = (build: Build, onDuties: readonly SteeredAt[]): LinkReport[] =>
  drivesThat(build, 'steers').flatMap((seen) => {
    const line = drivelineOf(seen);
    if (!line) return [];
    const own = onDuties.filter(({ driveId }) => driveId === line.driveId);
    return linksOf(line.driveId, [...own.flatMap(({ links }) => links), ...stalledLinks(seen, line)]);
  });

/**
 * The margins of every drive that steers, on the ground of each duty.
 *
 * @example steeringLinks(whimbrel, evaluate(whimbrel).duties)[0]?.link // 'steering'
 */
export const steeringLinks = (build: Build, duties: readonly DutyReport[]): LinkReport[] =>
  steeredLinks(
    build,
    build.duties.flatMap((duty, at) => {
      const report = duties[at];
      return report ? steeringAt(build, duty, report) : [];
    }),
  );

/** What a drive that steers is asked at its hardest; undefined where no duty asks it. */
export function steeredOf(build: Build, onDuties: readonly SteeredAt[]): TurnedReport | undefined {
  const line = drivelineOf(build);
  const [hardest] = onDuties
    .filter(({ driveId }) => driveId === driveOf(build).id)
    .sort((a, b) => b.asked.torqueNm - a.asked.torqueNm);
  if (!line || !hardest) return undefined;
  return { dutyId: hardest.dutyId, ...hardest.asked, point: workPoint(line, hardest.asked) };
}
