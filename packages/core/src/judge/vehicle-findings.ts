import type { DutyReport } from '../capability/index.ts';
import { onceEach } from '../contract/index.ts';
import { askedOfGrip, groundOf } from '../demand/index.ts';
import { AIR_DENSITY, figure } from '../quantity/index.ts';
import {
  taskOf,
  layoutKind,
  drivenAxles,
  drivenWheels,
  itselfKg,
  powerKg,
  drivesThat,
  rollsAway,
  type Duty,
} from '../vehicle/index.ts';
import { found, type Finding } from './finding.ts';
import type { FindingContext } from './finding-context.ts';

declare module './finding.ts' {
  interface FindingFigures {
    'much-grip': 'times';
    'one-wheel-soft': never;
    'long-tracks': 'times';
    'heavy-payload': 'times';
    'no-steering': never;
    'steering-position': never;
    'nothing-holds': 'slope';
    /** A limit of the model of soft ground. */
    'soil-model': never;
    'no-air': 'speed' | 'area' | 'force';
    /** Parts that weigh more than the vehicle of which they are part. */
    outweighed: 'parts' | 'own';
  }
}

type GroundContext = Pick<FindingContext, 'build' | 'duties'>;

/** Grip of so many times the rule is more than any tyre can add to (common practice, no source). */
const MUCH_GRIP = 2;
/** Tracks longer than this times their distance turn hard (common practice, no source). */
const LONG_TRACKS = 1.5;
/** Payload over own mass from which the frame's stiffness pays more than its lightness (common practice, no source). */
const HEAVY_PAYLOAD = 3;

/** What its wheels and tracks could do better. */
function runningGear({ build, duties }: GroundContext): Finding[] {
  const { layout } = build;
  const grips = duties.map((d) => (d.footing.gripN ?? Infinity) / Math.max(askedOfGrip(d.resistance), 1e-12));
  const least = Math.min(...grips);
  const soft = build.duties.some((d) => groundOf(build, d).soil && d.grade.value > 0);
  const { onTracks, rollsInside } = layoutKind(layout.kind);
  const tracked = onTracks ? drivenAxles(layout)[0] : undefined;
  // A single track in the middle stands at no distance from another.
  const apart = tracked?.track.value ?? 0;
  const slender = tracked?.contactLength && apart > 0 ? tracked.contactLength.value / apart : 0;
  return [
    // What a sphere pushes with ends where its inner mass goes over, whatever it rolls on.
    ...(!rollsInside && Number.isFinite(least) && least > MUCH_GRIP * build.marginPolicy.grip
      ? [found('much-grip', 'note', { times: figure(least, 'number') }, { link: 'grip' })]
      : []),
    ...(drivenWheels(layout) === 1 && soft && !rollsInside
      ? [found('one-wheel-soft', 'note', {}, { link: 'grip' })]
      : []),
    ...(slender > LONG_TRACKS
      ? [found('long-tracks', 'note', { times: figure(slender, 'number') }, { link: 'torque' })]
      : []),
  ];
}

/** What it carries, and how it is steered. */
function bodyNotes({ build }: GroundContext): Finding[] {
  const { masses, steering } = build;
  const own = masses.own.mass.value + masses.others.reduce((sum, m) => sum + m.mass.value, 0);
  const payload = masses.payload.mass.value;
  const byActuator = steering && !steering.hand ? steering : undefined;
  return [
    ...(own > 0 && payload > HEAVY_PAYLOAD * own
      ? [found('heavy-payload', 'note', { times: figure(payload / own, 'number') })]
      : []),
    ...(byActuator && !byActuator.actuatorTorque && drivesThat(build, 'steers').length === 0
      ? [found('no-steering', 'note', {}, { link: 'steering' })]
      : []),
    ...(byActuator?.actuatorTorque && !byActuator.knowsPosition
      ? [found('steering-position', 'note', {}, { link: 'steering' })]
      : []),
  ];
}

/** Steepest slope stood on, and nothing that holds there. */
function holdingNote({ build, duties }: GroundContext): Finding[] {
  // Where a duty asks to be held or goes down, that has a margin of its own.
  const asked = build.duties.some((d) => !taskOf(d).drives || d.grade.value < 0);
  if (asked || build.brake.kind === 'friction' || layoutKind(build.layout.kind).onRails) return [];
  const steepest = build.duties.reduce<Duty | undefined>(
    (most, d) => (Math.abs(d.grade.value) > Math.abs(most?.grade.value ?? 0) ? d : most),
    undefined,
  );
  if (!steepest || !rollsAway(steepest)) return [];
  if (
    duties.find((d) => d.id === steepest.id)?.brake === undefined &&
    !layoutKind(build.layout.kind).pullsByRope
  )
    return [];
  const slope = figure(Math.abs(steepest.grade.value), 'angle');
  return [found('nothing-holds', 'note', { slope }, { dutyId: steepest.id })];
}

/** Warnings of the soft-ground model, once each. */
const soilNotes = ({ duties }: GroundContext): Finding[] =>
  onceEach(duties.flatMap((d) => d.sink?.warnings ?? [])).map((notice, at) =>
    found('soil-model', 'note', {}, { of: `${at}`, link: 'grip', notice }),
  );

/** Drag coefficient of what is not rounded, a person on it too (common practice, no source). */
const BLUNT = 1;
/** Front of a person who sits or stands on it, m² (common practice, no source). */
const PERSON_M2 = 0.5;
/** Air that takes less than this share of all is left out rightly. */
const MUCH_AIR = 0.1;

/** Air that nobody counted, where it takes more than a little of the fastest duty: ½ ρ A v². */
function airNote({ build, duties }: GroundContext): Finding[] {
  if (build.dragArea.value > 0 || layoutKind(build.layout.kind).pullsByRope) return [];
  const fastest = duties.reduce<DutyReport | undefined>(
    (most, d) => (d.speedMps > (most?.speedMps ?? 0) ? d : most),
    undefined,
  );
  if (!fastest) return [];
  const { width, height } = build.body;
  const riders = build.masses.others.filter(({ kind }) => kind === 'rider').length;
  const areaM2 = BLUNT * (width.value * height.value + PERSON_M2 * riders);
  const airN = 0.5 * AIR_DENSITY * areaM2 * fastest.speedMps ** 2;
  if (airN < MUCH_AIR * Math.abs(fastest.resistance.totalN)) return [];
  const figures = {
    speed: figure(fastest.speedMps, 'speed'),
    area: figure(areaM2, 'area'),
    force: figure(airN, 'force'),
  };
  return [found('no-air', 'note', figures, { link: 'torque', dutyId: fastest.id })];
}

/** A mass that cannot be: all that is reckoned from it is too little. */
function massNote({ build }: GroundContext): Finding[] {
  const [parts, own] = [powerKg(build), itselfKg(build)];
  return parts > own
    ? [found('outweighed', 'short', { parts: figure(parts, 'mass'), own: figure(own, 'mass') })]
    : [];
}

/** What is said once, of the vehicle on all its duties. */
export const vehicleFindings = (context: GroundContext): Finding[] => [
  ...massNote(context),
  ...holdingNote(context),
  ...runningGear(context),
  ...bodyNotes(context),
  ...airNote(context),
  ...soilNotes(context),
];
