import type { DutyReport } from '../capability/index.ts';
import { STANDARD_GRAVITY, radiansToDegrees } from '../contract/index.ts';
import { towedPull, askedOfGrip, meanFigure, threeAgainstFour } from '../demand/index.ts';
import { ackermann } from '../ground/index.ts';
import { show, showNumber } from '../quantity/index.ts';
import { asTwoAxles, layoutKind, trackOf, wheelbaseOf, type Build, type Duty } from '../vehicle/index.ts';
import { limitFindings } from './event-limits.ts';
import { cured, degrees, onDuty, said } from './finding.ts';
import type { Finding } from './report.ts';
import { vehicleFindings, type GroundContext } from './vehicle-findings.ts';

interface AtDuty extends GroundContext {
  readonly duty: Duty;
  readonly report: DutyReport;
}

const per100 = (share: number): string => `${showNumber(share * 100, 2)} %`;

/** Under this share of the weight the front is too light to steer and apt to rear (common practice, no source). */
const LIGHT_NOSE = 0.2;
/** Weight on the driven wheels under which the rest of it is in the wrong place (common practice, no source). */
const MUCH_DRIVEN = 0.65;
/** Braked wheels with less of the weight than this slide rather than hold (common practice, no source). */
const LIGHT_BRAKED = 0.5;

/** A finding that moving the load, or a wider turn, may end. */
const stands = (
  severity: Finding['severity'],
  code: string,
  text: string,
  link: NonNullable<Finding['link']>,
  dutyId: string,
): Finding => cured(said(severity, code, text, link, dutyId), { kind: 'stand', dutyId });

/** A finding that more braked wheels may end. */
const braked = (
  severity: Finding['severity'],
  code: string,
  text: string,
  link: NonNullable<Finding['link']>,
  dutyId: string,
): Finding => cured(said(severity, code, text, link, dutyId), { kind: 'brake' });

/** What makes a duty impossible, whatever drives it. */
function impossible({ build, duty, report, system }: AtDuty): Finding[] {
  const { footing, step, turn, sink } = report;
  const here = onDuty(build, duty.id);
  const kind = layoutKind(build.layout.kind);
  const stop = (code: string, text: string, link: NonNullable<Finding['link']> = 'grip'): Finding =>
    stands('stop', `${code}/${duty.id}`, text, link, duty.id);
  const found: Finding[] = [];
  if (footing.problem !== undefined)
    found.push(stop('no-footing', `It does not stand${here}. ${footing.problem}`, 'tip-along'));
  else if (!footing.stands)
    found.push(
      stop(
        'falls-over',
        `It falls over${here}: the weight acts outside the wheels. Lower it, move it in, or take the slope another way.`,
        'tip-along',
      ),
    );
  else
    for (const axle of footing.axles.filter(({ lifts }) => lifts))
      found.push(
        stop(
          `axle-lifts/${axle.axleId}`,
          `${axle.name} leave the ground${here}: move weight towards them or lower the load.`,
        ),
      );
  if (step && 'problem' in step) found.push(said('stop', `step/${duty.id}`, step.problem, 'step', duty.id));
  if (turn && kind.turning === 'none') found.push(stop('cannot-turn', `A ${kind.title} cannot turn${here}.`));
  if (duty.turn?.kind === 'on-the-spot' && !kind.onTheSpot)
    found.push(
      stop(
        'not-on-the-spot',
        `It cannot turn on the spot${here}: with a ${kind.title} it turns along a radius.`,
      ),
    );
  if (sink && sink.sinkageM > build.body.clearance.value)
    found.push(
      stop(
        'sinks',
        `It sinks ${show(sink.sinkageM, 'length', system).text}${here}, deeper than its clearance of ${show(build.body.clearance.value, 'length', system).text}: wider tyres, tracks, or less weight.`,
      ),
    );
  return [...found, ...tooTight({ build, duty, report, system, duties: [] })];
}

/** Whether the steered wheels can be turned far enough for the duty's radius. */
function tooTight({ build, duty, system }: AtDuty): Finding[] {
  if (build.layout.kind !== 'steered' || duty.turn?.kind !== 'radius') return [];
  const wheelbaseM = wheelbaseOf(build.layout);
  const trackM = trackOf(build.layout).value;
  const radiusM = duty.turn.radius.value;
  const lock = (build.steering?.lockToLock.value ?? 0) / 2;
  if (wheelbaseM <= 0 || trackM <= 0) return [];
  const inner =
    radiusM > trackM / 2 ? ackermann.run({ wheelbaseM, trackM, turnRadiusM: radiusM }).innerDeg : 90;
  if (inner <= radiansToDegrees(lock)) return [];
  const least = wheelbaseM / Math.tan(lock) + trackM / 2;
  return [
    stands(
      'stop',
      `turn-too-tight/${duty.id}`,
      `It cannot turn so tightly${onDuty(build, duty.id)}: the inner wheel would turn ${showNumber(inner)}°, its lock is ${degrees(lock)}. It goes round ${show(least, 'length', system).text} or more.`,
      'push-on',
      duty.id,
    ),
  ];
}

/** Weight in the wrong place: on what does not drive, or behind where it rears. */
function weightNotes({ build, duty, report }: AtDuty): Finding[] {
  const { footing, resistance } = report;
  const here = onDuty(build, duty.id);
  const found: Finding[] = [];
  const gripRatio = (footing.gripN ?? Infinity) / Math.max(askedOfGrip(resistance), 1e-12);
  const drivenShare = footing.drivenN / footing.acrossN;
  const drives = duty.task === 'drive' && footing.stands;
  if (drives && gripRatio < build.marginPolicy.grip && drivenShare < MUCH_DRIVEN)
    found.push(
      said(
        'note',
        `weight-undriven/${duty.id}`,
        `Only ${per100(drivenShare)} of the weight is on the driven wheels${here}; the others carry it and do not drive. Move the load towards the driven ones, put ballast over them, or drive more wheels.`,
        'grip',
        duty.id,
      ),
    );
  if (drives && gripRatio < build.marginPolicy.grip && duty.towed && duty.towed.mass.value > 0)
    found.push(towNote(build, duty, report));
  const axles = asTwoAxles(build.layout);
  const front = axles && footing.axles.find((a) => a.axleId === axles.front.id);
  const share = front ? front.loadN / footing.acrossN : 1;
  if (drives && duty.grade.value > 0 && front && share > 0 && share < LIGHT_NOSE)
    found.push(
      stands(
        'tight',
        `light-nose/${duty.id}`,
        `The nose is light${here}: ${per100(share)} of the weight is in front. It steers badly and rears at a jerk; bring the load forward or lower.`,
        'tip-along',
        duty.id,
      ),
    );
  return found;
}

/** Part of the towed load on the tug gives grip and takes drag: how much would do. */
function towNote(build: Build, duty: Duty, report: DutyReport): Finding {
  const driven = report.footing.contacts.filter((c) => c.driven);
  const friction = meanFigure(build, duty, driven, 'friction');
  const missingN =
    askedOfGrip(report.resistance) * build.marginPolicy.grip - (report.footing.gripN ?? Infinity);
  const share = report.footing.drivenN / report.footing.acrossN;
  const kg = missingN / (friction * Math.max(share, 0.1)) / STANDARD_GRAVITY;
  return said(
    'note',
    `load-on-tug/${duty.id}`,
    kg < (duty.towed?.mass.value ?? 0)
      ? `Carried on the tug over its driven wheels, ${showNumber(kg, 2)} kg of the towed load would give the grip that is missing; weigh that against driving a second axle.`
      : 'All of the towed load on the tug would not give the grip that is missing: drive a second axle, or tow less.',
    'grip',
    duty.id,
  );
}

/** Going down, and standing, on the wheels that then carry the weight. */
function downNotes({ build, duty, report, system }: AtDuty): Finding[] {
  const { brake, resistance } = report;
  const here = onDuty(build, duty.id);
  const found: Finding[] = [];
  if (resistance.totalN < 0 && duty.task === 'drive')
    found.push(
      said(
        'note',
        `pushes-itself/${duty.id}`,
        `It pushes itself along with ${show(-resistance.totalN, 'force', system).text}${here}: a brake must hold that, not the drive.`,
        null,
        duty.id,
      ),
    );
  if (brake?.share !== undefined && brake.share < LIGHT_BRAKED && build.brake.kind === 'friction')
    found.push(
      braked(
        'tight',
        `light-brake/${duty.id}`,
        `Coming down${here}, the braked wheels carry ${per100(brake.share)} of the weight${duty.towed ? ', what is towed counted in: give that a brake of its own, or' : ':'} brake the wheels that carry it then.`,
        'brake-hold',
        duty.id,
      ),
    );
  if (brake?.noses)
    found.push(
      stands(
        'tight',
        `noses-over/${duty.id}`,
        `Braked hard on the way down${here}, it noses over before the wheels slide: from ${show(brake.decelerationMps2 ?? 0, 'acceleration', system).text} on its rear lifts, and it is reckoned to slow no harder. Lower the load, or bring it back.`,
        'brake-stop',
        duty.id,
      ),
    );
  const slowing = brake?.decelerationMps2;
  const pushN = slowing === undefined ? 0 : -towedPull(build, duty, -Math.abs(duty.grade.value), slowing);
  if (pushN > 0)
    found.push(
      said(
        'note',
        `towed-pushes/${duty.id}`,
        `Braked on the way down${here}, what is towed pushes with ${show(pushN, 'force', system).text} and may swing round the tug: a stiff drawbar, straight and slow, or a brake of its own.`,
        'brake-stop',
        duty.id,
      ),
    );
  if (brake?.decelerationMps2 === 0)
    found.push(
      braked(
        'stop',
        `no-stop/${duty.id}`,
        `It does not stop on the way down${here}: brake more of the weight, or keep off that slope.`,
        'brake-stop',
        duty.id,
      ),
    );
  return found;
}

/** A driven wheel in the air, on ground that is said to be uneven. */
function hangingWheel({ build, duty, report, system }: AtDuty): Finding[] {
  const { hanging, resistance } = report;
  const asked = askedOfGrip(resistance);
  if (!hanging || duty.task !== 'drive' || hanging.gripN >= asked * build.marginPolicy.grip) return [];
  const axle = build.layout.axles.find(({ id }) => id === hanging.axleId);
  const force = (n: number): string => show(n, 'force', system).text;
  return [
    said(
      hanging.gripN < asked ? 'stop' : 'short',
      `hangs/${duty.id}`,
      `With a wheel in the air${onDuty(build, duty.id)} (${hanging.side} of “${axle?.name ?? ''}”), the others hold ${force(hanging.gripN)} of the ${force(asked)} that are needed. ${build.drive.differential === 'open' && build.drive.together !== 'wheel' ? 'A differential gives all to the wheel that spins: lock it, or drive each wheel by itself.' : 'Drive more wheels, or let an axle swing.'}`,
      'grip',
      duty.id,
    ),
  ];
}

/** Three wheels tip sooner than four: by how much, where a side slope is asked. */
function threeWheels({ build, duty, report }: AtDuty): Finding[] {
  if (!(duty.sideSlope || duty.turn)) return [];
  const other = threeAgainstFour(build, report.footing);
  const sideDeg = report.tip?.sideDeg;
  if (other?.wheels !== 3 || sideDeg === undefined) return [];
  return [
    said(
      'note',
      `three-wheels/${duty.id}`,
      `On three wheels it tips sideways at ${showNumber(sideDeg)}°; a fourth would make that ${showNumber(other.sideDeg)}°. Nearer to the wide axle the load stands safer.`,
      'tip-side',
      duty.id,
    ),
  ];
}

/** Everything that ground, weight, turning and stopping say beside the margins. */
export function groundFindings(context: GroundContext): Finding[] {
  const { build, duties } = context;
  const each = build.duties.flatMap((duty) => {
    const report = duties.find((d) => d.id === duty.id);
    const at = report && { ...context, duty, report };
    return at
      ? [...impossible(at), ...weightNotes(at), ...downNotes(at), ...hangingWheel(at), ...threeWheels(at)]
      : [];
  });
  return [...onceEach(each), ...vehicleFindings(context), ...limitFindings(context.build, context.system)];
}

/** What is said in the same words of several duties is said once, of the first. */
const onceEach = (findings: readonly Finding[]): Finding[] =>
  findings.filter((f, at) => findings.findIndex((other) => other.text === f.text) === at);
