import type { DutyReport } from '../capability/index.ts';
import { askedOfGrip, meanFigure, threeAgainstFour, towedPull } from '../demand/index.ts';
import { ackermann } from '../ground/index.ts';
import {
  STANDARD_GRAVITY,
  degreesToRadians,
  figure,
  radiansToDegrees,
  type Figure,
} from '../quantity/index.ts';
import {
  taskOf,
  asTwoAxles,
  layoutKind,
  trackOf,
  wheelbaseOf,
  type Build,
  type Duty,
} from '../vehicle/index.ts';
import { limitFindings } from './event-limits.ts';
import { found, type Finding, type Severity } from './finding.ts';
import type { FindingContext } from './finding-context.ts';
import type { LinkId } from './links.ts';
import { vehicleFindings } from './vehicle-findings.ts';

declare module './finding.ts' {
  interface FindingFigures {
    'no-footing': never;
    'falls-over': never;
    'axle-lifts': never;
    /** A step that no wheel of its size climbs. */
    step: never;
    'cannot-turn': never;
    'not-on-the-spot': never;
    sinks: 'sinkage' | 'clearance';
    'turn-too-tight': 'inner' | 'lock' | 'least';
    /** Steered wheels that do not turn. */
    'no-lock': never;
    'weight-undriven': 'share';
    'load-on-tug': 'mass';
    'too-little-to-load': never;
    'light-nose': 'share';
    'pushes-itself': 'force';
    'light-brake': 'share';
    'noses-over': 'slowing';
    'towed-pushes': 'force';
    'no-stop': never;
    hangs: 'has' | 'needs';
    'three-wheels': 'now' | 'four';
  }
}

interface AtDuty {
  readonly build: Build;
  readonly duty: Duty;
  readonly report: DutyReport;
}

/** Under this share of the weight the front is too light to steer and apt to rear (common practice, no source). */
const LIGHT_NOSE = 0.2;
/** Weight on the driven wheels under which the rest of it is in the wrong place (common practice, no source). */
const MUCH_DRIVEN = 0.65;
/** Braked wheels with less of the weight than this slide rather than hold (common practice, no source). */
const LIGHT_BRAKED = 0.5;

/** Of a duty: what moving the load, or a wider turn, may end. */
const standing = ({ id }: Duty, link: LinkId) =>
  ({ of: id, link, dutyId: id, cures: [{ kind: 'stand', dutyId: id }] }) as const;

/** Of a duty: what more braked wheels may end. */
const braked = ({ id }: Duty, link: LinkId) =>
  ({ of: id, link, dutyId: id, cures: [{ kind: 'brake' }] }) as const;

const noted = ({ id }: Duty, link: LinkId | null) => ({ of: id, link, dutyId: id });

/** Whether it stands at all. */
function footingFindings({ duty, report: { footing } }: AtDuty): Finding[] {
  if (footing.problem !== undefined)
    return [found('no-footing', 'stop', {}, { ...standing(duty, 'tip-along'), notice: footing.problem })];
  if (!footing.stands) return [found('falls-over', 'stop', {}, standing(duty, 'tip-along'))];
  return footing.axles
    .filter(({ lifts }) => lifts)
    .map(({ axleId }) =>
      found('axle-lifts', 'stop', {}, { ...standing(duty, 'grip'), of: `${axleId}/${duty.id}`, axleId }),
    );
}

/** What makes a duty impossible, whatever drives it. */
function impossible(at: AtDuty): Finding[] {
  const { build, duty, report } = at;
  const { step, turn, sink } = report;
  const kind = layoutKind(build.layout.kind);
  const { clearance } = build.body;
  const gives = standing(duty, 'grip');
  return [
    ...footingFindings(at),
    ...(step && 'problem' in step
      ? [found('step', 'stop', {}, { ...noted(duty, 'step'), notice: step.problem })]
      : []),
    ...(turn && kind.turning === 'none' ? [found('cannot-turn', 'stop', {}, gives)] : []),
    ...(duty.turn?.kind === 'on-the-spot' && !kind.onTheSpot
      ? [found('not-on-the-spot', 'stop', {}, gives)]
      : []),
    ...(sink && sink.sinkageM > clearance.value
      ? [
          found(
            'sinks',
            'stop',
            { sinkage: figure(sink.sinkageM, 'length'), clearance: figure(clearance.value, 'length') },
            gives,
          ),
        ]
      : []),
    ...tooTight(at),
  ];
}

/** Whether the steered wheels can be turned far enough for the duty's radius. */
function tooTight({ build, duty }: AtDuty): Finding[] {
  if (!layoutKind(build.layout.kind).steersAxle || duty.turn?.kind !== 'radius') return [];
  const wheelbaseM = wheelbaseOf(build.layout);
  const trackM = trackOf(build.layout).value;
  const radiusM = duty.turn.radius.value;
  const lock = (build.steering?.lockToLock.value ?? 0) / 2;
  if (wheelbaseM <= 0 || trackM <= 0) return [];
  const innerDeg =
    radiusM > trackM / 2 ? ackermann.run({ wheelbaseM, trackM, turnRadiusM: radiusM }).innerDeg : 90;
  if (innerDeg <= radiansToDegrees(lock)) return [];
  if (lock <= 0) return [found('no-lock', 'stop', {}, standing(duty, 'push-on'))];
  return [
    found(
      'turn-too-tight',
      'stop',
      {
        inner: figure(degreesToRadians(innerDeg), 'angle'),
        lock: figure(lock, 'angle'),
        least: figure(wheelbaseM / Math.tan(lock) + trackM / 2, 'length'),
      },
      standing(duty, 'push-on'),
    ),
  ];
}

/** A part of the weight, as it is said. */
const shareOf = (share: number): { readonly share: Figure } => ({ share: figure(share, 'share', 2) });

/** Weight in the wrong place: on what does not drive, or behind where it rears. */
function weightNotes(at: AtDuty): Finding[] {
  const { build, duty, report } = at;
  const { footing, resistance } = report;
  if (!taskOf(duty).drives || !footing.stands) return [];
  const gripRatio = (footing.gripN ?? Infinity) / Math.max(askedOfGrip(resistance), 1e-12);
  const slips = gripRatio < build.marginPolicy.grip;
  const drivenShare = footing.drivenN / footing.acrossN;
  const axles = asTwoAxles(build.layout);
  const front = axles && footing.axles.find((a) => a.axleId === axles.front.id);
  const share = front ? front.loadN / footing.acrossN : 1;
  return [
    ...(slips && drivenShare < MUCH_DRIVEN
      ? [found('weight-undriven', 'note', shareOf(drivenShare), noted(duty, 'grip'))]
      : []),
    ...(slips && duty.towed && duty.towed.mass.value > 0 ? [towNote(at)] : []),
    ...(duty.grade.value > 0 && front && share > 0 && share < LIGHT_NOSE
      ? [found('light-nose', 'tight', shareOf(share), standing(duty, 'tip-along'))]
      : []),
  ];
}

/** Part of the towed load on the tug gives grip and takes drag: how much would do. */
function towNote({ build, duty, report }: AtDuty): Finding {
  const driven = report.footing.contacts.filter((c) => c.driven);
  const friction = meanFigure(build, duty, driven, 'friction');
  const missingN =
    askedOfGrip(report.resistance) * build.marginPolicy.grip - (report.footing.gripN ?? Infinity);
  const share = report.footing.drivenN / report.footing.acrossN;
  const kg = missingN / (friction * Math.max(share, 0.1)) / STANDARD_GRAVITY;
  const one =
    kg < (duty.towed?.mass.value ?? 0)
      ? found('load-on-tug', 'note', { mass: figure(kg, 'mass', 2) }, noted(duty, 'grip'))
      : found('too-little-to-load', 'note', {}, noted(duty, 'grip'));
  return { ...one, id: `load-on-tug/${duty.id}` };
}

/** Going down, and standing, on the wheels that then carry the weight. */
function downNotes({ build, duty, report: { brake, resistance } }: AtDuty): Finding[] {
  const slowing = brake?.decelerationMps2;
  const pushN = slowing === undefined ? 0 : -towedPull(build, duty, -Math.abs(duty.grade.value), slowing);
  return [
    ...(resistance.totalN < 0 && taskOf(duty).drives
      ? [found('pushes-itself', 'note', { force: figure(-resistance.totalN, 'force') }, noted(duty, null))]
      : []),
    ...(brake?.share !== undefined && brake.share < LIGHT_BRAKED && build.brake.kind === 'friction'
      ? [found('light-brake', 'tight', shareOf(brake.share), braked(duty, 'brake-hold'))]
      : []),
    ...(brake?.noses
      ? [
          found(
            'noses-over',
            'tight',
            { slowing: figure(slowing ?? 0, 'acceleration') },
            standing(duty, 'brake-stop'),
          ),
        ]
      : []),
    ...(pushN > 0
      ? [found('towed-pushes', 'note', { force: figure(pushN, 'force') }, noted(duty, 'brake-stop'))]
      : []),
    ...(slowing === 0 ? [found('no-stop', 'stop', {}, braked(duty, 'brake-stop'))] : []),
  ];
}

/** A driven wheel in the air, on ground that is said to be uneven. */
function hangingWheel({ build, duty, report: { hanging, resistance } }: AtDuty): Finding[] {
  const asked = askedOfGrip(resistance);
  if (!hanging || !taskOf(duty).drives || hanging.gripN >= asked * build.marginPolicy.grip) return [];
  const severity: Severity = hanging.gripN < asked ? 'stop' : 'short';
  const figures = { has: figure(hanging.gripN, 'force'), needs: figure(asked, 'force') };
  return [found('hangs', severity, figures, { ...noted(duty, 'grip'), axleId: hanging.axleId })];
}

/** Three wheels tip sooner than four: by how much, where a side slope is asked. */
function threeWheels({ build, duty, report }: AtDuty): Finding[] {
  if (!(duty.sideSlope || duty.turn)) return [];
  const other = threeAgainstFour(build, report.footing);
  const sideDeg = report.tip?.sideDeg;
  if (other?.wheels !== 3 || sideDeg === undefined) return [];
  const angle = (deg: number): Figure => figure(degreesToRadians(deg), 'angle');
  const figures = { now: angle(sideDeg), four: angle(other.sideDeg) };
  return [found('three-wheels', 'note', figures, noted(duty, 'tip-side'))];
}

/** Everything that ground, weight, turning and stopping say beside the margins. */
export const groundFindings = (context: FindingContext, ofDuties: readonly Finding[]): Finding[] => [
  ...onceEach(ofDuties),
  ...vehicleFindings(context),
  ...limitFindings(context.build),
];

/** The same of one duty. */
export const groundFindingsOf = (at: AtDuty): readonly Finding[] => [
  ...impossible(at),
  ...weightNotes(at),
  ...downNotes(at),
  ...hangingWheel(at),
  ...threeWheels(at),
];

/** Findings that do not name their duty. */
const OF_NO_DUTY: ReadonlySet<Finding['code']> = new Set([
  'step',
  'three-wheels',
  'load-on-tug',
  'too-little-to-load',
]);
const SAID_DIGITS = 3;

/** What is said in the same words of several duties is said once, of the first. */
function onceEach(findings: readonly Finding[]): readonly Finding[] {
  const saidAs = ({ id, code, figures, notice }: Finding): string =>
    OF_NO_DUTY.has(code)
      ? JSON.stringify([
          code,
          Object.values<Figure>(figures).map(({ value }) => value.toPrecision(SAID_DIGITS)),
          notice,
        ])
      : id;
  const seen = new Set<string>();
  return findings.filter((one) => {
    const words = saidAs(one);
    return !seen.has(words) && seen.add(words);
  });
}
