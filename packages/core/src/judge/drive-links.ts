import {
  loadedStages,
  motorTorqueOf,
  pathInOrder,
  stallTorque,
  torqueAt,
  drivenAt,
  type LoadedStage,
  mountInput,
  pullingAtMount,
  onAxleRadius,
  type DutyPoint,
} from '../capability/index.ts';
import type { BrakeReport } from '../demand/index.ts';
import { pullsAt, together, type Driveline } from '../drive/index.ts';
import { mountPull, pathHolds, stageStrength, type StageStrength } from '../transmission/index.ts';
import { layoutKind, motorOf, rollingDiameter, type Build, type Duty, driveOf } from '../vehicle/index.ts';
import { margin } from './margin.ts';
import type { LinkReport } from './report.ts';

/**
 * Each stage and each part of the torque path under what a duty puts on it, and the twist of the mount.
 *
 * @example driveLinks(puffin, duty.id, dutyPoint(line, duty, 411), line)[0]?.link // 'gearhead-torque'
 */
export function driveLinks(
  build: Build,
  dutyId: string | null,
  point: DutyPoint,
  line: Driveline,
): LinkReport[] {
  const policy = build.marginPolicy;
  const working = drivenAt(point);
  const loaded = loadedStages(line, working);
  return [
    ...loaded.flatMap(({ stage, load }) => {
      const strength = stageStrength(stage, load);
      if (!strength) return [];
      const { link, needs, has } = strength;
      return margin({ link, dutyId, needs, has, stageId: stage.id }, policy);
    }),
    ...pathLinks(build, loaded, motorTorqueOf(line, working), { dutyId, stalled: false }),
    ...mountLink(build, dutyId, loaded),
  ];
}

/** Parts of the torque path; at a stall (no duty) they need only hold. */
function pathLinks(
  build: Build,
  loaded: readonly LoadedStage[],
  motorTorqueNm: number,
  { dutyId, stalled }: { readonly dutyId: string | null; readonly stalled: boolean },
): LinkReport[] {
  return pathInOrder(build).flatMap((element) => {
    const needs = torqueAt(element, loaded, motorTorqueNm);
    if (needs === undefined) return [];
    return margin(
      {
        link: stalled ? 'path-stall' : 'path',
        dutyId,
        needs,
        has: pathHolds(element, { stalled }),
        elementId: element.id,
      },
      build.marginPolicy,
    );
  });
}

/** Loops and gears run off when their shafts lean by more than this: radians (common practice, no source). */
export const ALLOWED_TWIST = (0.5 * Math.PI) / 180;

function mountLink(build: Build, dutyId: string | null, loaded: readonly LoadedStage[]): LinkReport[] {
  const input = mountInput(build, loaded);
  if (!input) return [];
  const { twistDeg, shaftN } = mountPull.run(input);
  const stageId = pullingAtMount(loaded)?.stage.id;
  const may = motorOf(build)?.shaftLoadN;
  const onShaft =
    may === undefined
      ? []
      : margin({ link: 'shaft-load', dutyId, needs: shaftN, has: may, stageId }, build.marginPolicy);
  if (twistDeg === undefined) return onShaft;
  const needs = (twistDeg * Math.PI) / 180;
  const twist = margin(
    {
      link: 'mount-twist',
      dutyId,
      needs,
      has: ALLOWED_TWIST,
      stageId,
    },
    build.marginPolicy,
  );
  return [...twist, ...onShaft];
}

/** A strength as torque of the stage's driving side, which is what stalls and brakes are said in. */
const asTorque = ({ needs, has }: StageStrength, { load }: LoadedStage, times: number): number =>
  (load.inputTorqueNm * has * times) / needs;

/**
 * Stages and path where the motor is held at full command.
 *
 * @example wholeDriveLinks(puffin, line)[0]?.link // 'stage-stall'
 */
export function wholeDriveLinks(build: Build, line: Driveline): LinkReport[] {
  const policy = build.marginPolicy;
  const torqueNm = stallTorque(line);
  const loaded = loadedStages(line, { motorTorqueNm: torqueNm, motorRpm: 0 });
  return [
    ...loaded.flatMap((at) => {
      const strength = stageStrength(at.stage, at.load);
      // What holds by friction slips at a stall and breaks nothing.
      if (strength?.momentary === undefined) return [];
      const has = asTorque(strength, at, strength.momentary);
      const needs = at.load.inputTorqueNm;
      return margin({ link: 'stage-stall', dutyId: null, needs, has, stageId: at.stage.id }, policy);
    }),
    ...pathLinks(build, loaded, torqueNm, { dutyId: null, stalled: true }),
  ];
}

/** What one of several drives brakes of all, as they pull from rest: those that cannot, nothing. */
function brakingShare(line: Driveline): number {
  if (line.beside.length === 0) return 1;
  const pulls = together(line).map((one) => (one.brakes ? (pullsAt(one, 0)[0] ?? 0) : 0));
  const all = pulls.reduce((sum, pull) => sum + pull, 0);
  return all > 0 ? (pulls[0] ?? 0) / all : 0;
}

/** Stages while the motors brake: electronic braking snatches at chains and belts. */
export function brakedLinks(
  build: Build,
  duty: Duty,
  brake: BrakeReport | undefined,
  line: Driveline,
): LinkReport[] {
  if (build.brake.kind !== 'electronic' || !brake?.brakeN) return [];
  const wheelTorqueNm = (brakingShare(line) * brake.brakeN * line.wheelRadiusM) / line.outputs;
  return loadedStages(line, { wheelTorqueNm, wheelRpm: 0 }).flatMap((at) => {
    const strength = stageStrength(at.stage, at.load);
    if (!strength) return [];
    return margin(
      {
        link: 'stage-brake',
        dutyId: duty.id,
        needs: at.load.inputTorqueNm,
        has: asTorque(strength, at, 1),
        stageId: at.stage.id,
      },
      build.marginPolicy,
    );
  });
}

/** Least height that a sprocket keeps over the ground, as a share of the wheel's radius (common practice, no source). */
const LEAST_HEIGHT = 0.1;

/**
 * What sits on the driven axle over the ground, and under the frame.
 *
 * @example axleLinks(puffin)[0]?.link // 'axle-clearance'
 */
export function axleLinks(build: Build): LinkReport[] {
  const hanging = onAxleRadius(build);
  if (!hanging || layoutKind(build.layout.kind).pullsByRope) return [];
  const { radiusM, stageId } = hanging;
  const wheelM = rollingDiameter(build).value / 2;
  const highest = Math.max(0, ...build.duties.map((d) => d.step?.value ?? 0));
  const common = { dutyId: null, stageId };
  const { room } = driveOf(build);
  return [
    ...margin(
      {
        link: 'axle-clearance',
        needs: Math.max(highest, LEAST_HEIGHT * wheelM),
        has: wheelM - radiusM,
        ...common,
      },
      build.marginPolicy,
    ),
    ...(room
      ? margin({ link: 'axle-room', needs: radiusM, has: room.value, ...common }, build.marginPolicy)
      : []),
  ];
}
