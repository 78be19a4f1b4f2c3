import type { DutyReport } from '../capability/index.ts';
import { AIR_DENSITY } from '../contract/index.ts';
import { askedOfGrip, groundOf } from '../demand/index.ts';
import { show, showNumber, type UnitSystem } from '../quantity/index.ts';
import { drivenAxles, drivenWheels, rollsAway, type Build, type Duty } from '../vehicle/index.ts';
import { degrees, said } from './finding.ts';
import type { Finding } from './report.ts';

/** What findings of ground and weight look at. */
export interface GroundContext {
  readonly build: Build;
  readonly duties: readonly DutyReport[];
  readonly system: UnitSystem;
}

/** Grip of so many times the rule is more than any tyre can add to (common practice, no source). */
const MUCH_GRIP = 2;
/** Tracks longer than this times their distance turn hard (common practice, no source). */
const LONG_TRACKS = 1.5;
/** Payload over own mass from which the frame's stiffness pays more than its lightness (common practice, no source). */
const HEAVY_PAYLOAD = 3;

/** What is said once for the whole build. */
function wholeNotes({ build, duties }: GroundContext): Finding[] {
  const found: Finding[] = [];
  const { layout, masses } = build;
  const grips = duties.map((d) => (d.footing.gripN ?? Infinity) / Math.max(askedOfGrip(d.resistance), 1e-12));
  const least = Math.min(...grips);
  if (duties.length > 0 && Number.isFinite(least) && least > MUCH_GRIP * build.marginPolicy.grip)
    found.push(
      said(
        'note',
        'much-grip',
        `Grip is ${showNumber(least)} × what any duty asks: stickier tyres would gain nothing here, and softer ones cost rolling drag.`,
        'grip',
      ),
    );
  const soft = build.duties.some((d) => groundOf(build, d).soil && d.grade.value > 0);
  if (drivenWheels(layout) === 1 && soft && layout.kind !== 'sphere')
    found.push(
      said(
        'note',
        'one-wheel-soft',
        'One driven wheel digs itself in on a soft slope: two driven wheels beat one there.',
        'grip',
      ),
    );
  const tracked = layout.kind === 'tracked' ? drivenAxles(layout)[0] : undefined;
  const slender = tracked?.contactLength ? tracked.contactLength.value / tracked.track.value : 0;
  if (slender > LONG_TRACKS)
    found.push(
      said(
        'note',
        'long-tracks',
        `The tracks are ${showNumber(slender)} times as long as they are apart: long and narrow turns hard and scrubs. Wider, or shorter on the ground, turns lighter.`,
        'torque',
      ),
    );
  const own = masses.own.mass.value + masses.others.reduce((sum, m) => sum + m.mass.value, 0);
  if (own > 0 && masses.payload.mass.value > HEAVY_PAYLOAD * own)
    found.push(
      said(
        'note',
        'heavy-payload',
        `It carries ${showNumber(masses.payload.mass.value / own)} times its own mass: a stiff frame pays more here than a light one.`,
      ),
    );
  if (build.steering && !build.steering.hand && !build.steering.actuatorTorque)
    found.push(
      said(
        'note',
        'no-steering',
        'Nothing is said yet of what steers it: the torque of its actuator, or a hand at a bar or wheel.',
        'steering',
      ),
    );
  if (build.steering?.actuatorTorque && !build.steering.hand && !build.steering.knowsPosition)
    found.push(
      said(
        'note',
        'steering-position',
        'The steering does not know its position: fit a sensor or a stop, and centre it before each start.',
        'steering',
      ),
    );
  return found;
}

/** Steepest slope stood on, and nothing that holds there. */
function holdingNote({ build, duties }: GroundContext): Finding[] {
  // Where a duty asks to be held or goes down, that has a margin of its own.
  const asked = build.duties.some((d) => d.task !== 'drive' || d.grade.value < 0);
  if (asked || build.brake.kind === 'friction' || build.layout.kind === 'rail-dolly') return [];
  const steepest = build.duties.reduce<Duty | undefined>(
    (most, d) => (Math.abs(d.grade.value) > Math.abs(most?.grade.value ?? 0) ? d : most),
    undefined,
  );
  if (!steepest || !rollsAway(steepest)) return [];
  if (duties.find((d) => d.id === steepest.id)?.brake === undefined && build.layout.kind !== 'winch')
    return [];
  return [
    said(
      'note',
      'nothing-holds',
      build.layout.kind === 'winch'
        ? `When the drive is off, nothing but the drive train holds the load on ${degrees(steepest.grade.value)}. A motor, chain or gearhead is no load brake: fit a ratchet or a brake to the drum, and let nobody stand below.`
        : `Nothing in this build holds it on ${degrees(steepest.grade.value)} when the drive is off. A motor, chain or gearhead is no parking brake: fit one to the wheels that carry the weight going down.`,
      null,
      steepest.id,
    ),
  ];
}

/** Warnings of the soft-ground model, once each. */
const soilNotes = ({ duties }: GroundContext): Finding[] =>
  [...new Set(duties.flatMap((d) => d.sink?.warnings ?? []))].map((text, at) =>
    said('note', `soil-model/${at}`, text, 'grip'),
  );

/** Drag coefficient of what is not rounded, a person on it too (common practice, no source). */
const BLUNT = 1;
/** Front of a person who sits or stands on it, m² (common practice, no source). */
const PERSON_M2 = 0.5;
/** Air that takes less than this share of all is left out rightly. */
const MUCH_AIR = 0.1;

/** Air that nobody counted, where it takes more than a little of the fastest duty: ½ ρ A v². */
function airNote({ build, duties, system }: GroundContext): Finding[] {
  if (build.dragArea.value > 0 || build.layout.kind === 'winch') return [];
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
  return [
    said(
      'note',
      'no-air',
      `Air is left out: at ${show(fastest.speedMps, 'speed', system).text} on “${fastest.name}” a front of ${show(areaM2, 'area', system).text} takes about ${show(airN, 'force', system).text} more. Say the drag area.`,
      'torque',
      fastest.id,
    ),
  ];
}

/** What is said once, of the vehicle on all its duties. */
export const vehicleFindings = (context: GroundContext): Finding[] => [
  ...holdingNote(context),
  ...wholeNotes(context),
  ...airNote(context),
  ...soilNotes(context),
];
