import type { DutyReport, RatioSpan, RatioWindow } from '../capability/index.ts';
import {
  partsOfLink,
  type FindingAbout,
  type FindingOf,
  type LinkId,
  type LinkReport,
  type Severity,
  type Verdict,
} from '../judge/index.ts';
import { showNumber } from '../quantity/index.ts';
import { safetyOf } from '../transmission/index.ts';
import { layoutKind, type Duty, driveOf } from '../vehicle/index.ts';
import {
  dutyOf,
  elementName,
  onDuty,
  reportOf,
  stageTitle,
  times,
  weightHelps,
  type About,
} from './about.ts';

/** What the severity of a margin's finding says of the margin. */
const VERDICT_OF: Readonly<Record<Severity, Verdict>> = {
  stop: 'fails',
  short: 'short',
  tight: 'tight',
  note: 'ample',
};

type MarginFinding = FindingAbout & Pick<FindingOf<'margin'>, 'severity' | 'figures'>;

/** What the sentence of a margin is made of: the margin, on which duty, and its figures in the builder's units. */
interface Said {
  readonly l: Omit<LinkReport, 'link'>;
  readonly where: string;
  readonly needs: string;
  readonly has: string;
  readonly about: About;
}

const tipOf = (l: Said['l'], about: About) => reportOf(about, l.dutyId)?.tip;

const partName = (l: Said['l'], about: About): string =>
  elementName(about, l.elementId, 'A part of the torque path');

function sayWindow({ l: link, where, has, about }: Said): string {
  const window: RatioWindow | undefined = reportOf(about, link.dutyId)?.ratioWindow;
  if (!window?.just)
    return `No ratio does it${where} with this motor: the best, ${showNumber(link.needs)} : 1, gives ${times(link.ratio)} of the torque.`;
  const span = (s: RatioSpan): string => `${showNumber(s.low)} to ${showNumber(s.high)} : 1`;
  if (link.verdict === 'short')
    return window.rule
      ? `The ratio of ${has} does it${where}, but not with the rule’s reserve: that takes ${span(window.rule)}.`
      : `The ratio of ${has} does it${where}, but no ratio has the rule’s reserve with this motor.`;
  if (link.verdict !== 'fails')
    return `The ratio of ${has} is near the end of its window${where} (${span(window.rule ?? window.just)}).`;
  return link.has < window.just.low
    ? `The ratio of ${has} is too low${where}: it takes ${showNumber(window.just.low)} : 1 or more.`
    : `The ratio of ${has} is too high${where}: at most ${showNumber(window.just.high)} : 1 keeps the speed.`;
}

/** What mends a slip: weight does not where all of it scrubs in the turn, leans, or asks as much as it grips. */
function gripCure(l: Said['l'], duty: Duty, about: About): string {
  const report = reportOf(about, duty.id);
  if (duty.lean) return 'Let it catch less of a lean, or give it tyres that grip this floor.';
  if (report?.turn?.turning === 'scrub' || report?.turn?.turning === 'tracks')
    return 'More weight would scrub as much more: stand shorter on the ground, wider apart, or turn along a bend.';
  const sinksLess = layoutKind(about.build.layout.kind).onTracks
    ? 'wider or longer tracks'
    : 'wider or larger wheels';
  const soft = report?.sink !== undefined;
  if (!report || weightHelps(l.has, report))
    return soft ? `Put weight on them, or fit ${sinksLess}.` : 'Put weight on them.';
  const cures = [
    soft ? sinksLess : 'tyres that grip better',
    ...(report.footing.contacts.every(({ driven }) => driven) ? [] : ['more wheels driven']),
    ...(duty.grade.value > 0 ? ['a gentler slope'] : []),
  ];
  return `More weight would ${soft ? 'sink deeper and ' : ''}ask as much more of them: it takes ${cures.join(', or ')}.`;
}

/** Why it does not get moving: what its wheels can put on the ground, or what its motors give. */
const standsBy = (report: DutyReport | undefined): string =>
  (report?.footing.gripN ?? Infinity) < Math.abs(report?.resistance.totalN ?? 0)
    ? 'the driven wheels slip first'
    : 'standing still, the motors give less than it takes';

/** The sentence of each link: what is asked, what there is. */
const SENTENCES: Readonly<Record<LinkId, (said: Said) => string>> = {
  grip: ({ l, where, needs, has, about }) => {
    const duty = dutyOf(about, l.dutyId);
    const cure = duty && gripCure(l, duty, about);
    if (layoutKind(about.build.layout.kind).rollsInside)
      return `What climbs inside the sphere pushes with at most ${has}${where}; ${needs} are needed. A heavier inner mass, further off the middle, or a larger shell that is lighter.`;
    return l.verdict === 'fails'
      ? `The driven wheels slip${where}: they need ${needs}, grip gives ${has}. ${cure ?? ''}`
      : `Grip is ${times(l.ratio)} what is needed${where} (${has} for ${needs}); the rule asks ${times(l.rule)}.`;
  },
  'wheel-load': ({ where, needs, has }) =>
    `A wheel carries ${needs}${where}; it is made for ${has}. A stronger wheel or tyre, more of them, or less load.`,
  'tip-along': ({ l, where, needs, has, about }) => {
    const way = tipOf(l, about)?.along?.to === 'front' ? 'forwards' : 'backwards';
    return l.verdict === 'fails'
      ? `It tips ${way}${where}: ${needs} turn it over, ${has} hold it on its wheels. Lower the load, or bring it towards the middle.`
      : `It comes near to tipping ${way}${where}: ${needs} turn it over, ${has} hold it on its wheels.`;
  },
  'tip-side': ({ l, where, needs, has, about }) => {
    const way = `to the ${tipOf(l, about)?.side?.to ?? 'side'}`;
    return l.verdict === 'fails'
      ? `It tips over ${way}${where}: ${needs} turn it over, ${has} hold it on its wheels. Widen the track, lower the load, or go slower.`
      : `It comes near to tipping over ${way}${where}: ${needs} turn it over, ${has} hold it on its wheels.`;
  },
  'slide-side': ({ l, where, needs, has }) =>
    l.verdict === 'fails'
      ? `It slides sideways${where}: ${needs} pull it aside, its wheels hold ${has} while they push. Slower, a flatter way, or tyres that grip it.`
      : `It holds ${has} sideways${where} of ${needs} that pull it aside, ${times(l.ratio)}; the rule asks ${times(l.rule)}.`,
  corner: ({ where, needs, has }) =>
    `The turn is taken at ${needs}${where}; from ${has} on it slides or tips. Slow down, or take it wider.`,
  step: ({ l, where }) =>
    l.verdict === 'fails'
      ? `It does not get over the step${where}: grip and push give ${times(l.ratio)} what the edge takes. A larger wheel, a ramp, or more driven weight.`
      : `It just gets over the step${where}: grip and push give ${times(l.ratio)} what the edge takes.`,
  clearance: ({ where, needs, has }) => `The step of ${needs}${where} is met by a body that clears ${has}.`,
  'push-on': ({ l, where, needs, has }) =>
    l.verdict === 'fails'
      ? `It pushes straight ahead${where}: turning the locked axle asks ${needs} of the steered wheels, they hold ${has}. A differential, a narrower axle, or more weight in front.`
      : `Steering against the driven axle asks ${needs}${where}; the steered wheels hold ${has}.`,
  steering: ({ where, needs, has, about }) =>
    about.build.steering?.hand
      ? `Turning the wheels at a stand asks ${needs} of the hand${where}; its arm and force give ${has}. A longer arm, a slower linkage or a narrower tyre.`
      : `Turning the wheels at a stand asks ${needs} of the steering${where}; it has ${has}. A slower linkage, a narrower tyre or a stronger actuator.`,
  'brake-hold': ({ l, where, needs, has }) =>
    l.has === 0
      ? `Nothing holds it${where}: ${needs} pull it downhill. A motor or worm is no parking brake: fit one.`
      : `The brake holds ${has}${where}; the slope pulls with ${needs}. Brake the wheels that carry the weight.`,
  'brake-stop': ({ l, where, needs, has }) =>
    l.has === 0
      ? `Nothing stops it${where} within the distance asked: fit a brake.`
      : `To stop in time${where} it must slow by ${needs}; it can by ${has}.`,
  torque: ({ l, about, where, needs, has }) =>
    `Each ${layoutKind(about.build.layout.kind).pullsByRope ? 'drum' : 'wheel'} gets ${times(l.ratio)} the torque it needs${where} (${has} for ${needs}); the rule asks ${times(l.rule)}.`,
  speed: ({ l, where, needs, has, about }) =>
    l.has === 0
      ? `It does not get moving${where}: ${standsBy(reportOf(about, l.dutyId))}.`
      : `It reaches ${has}${where}, ${times(l.ratio)} the ${needs} asked; the rule asks ${times(l.rule)}.`,
  'over-speed': ({ l, where, needs, has, about }) => {
    const by = reportOf(about, l.dutyId)?.top?.by;
    const limit =
      by === 'cap'
        ? `its cap is ${has}`
        : by === 'stop'
          ? `it stops in its distance from ${has} at most`
          : `it slides or tips in its bend from ${has} on`;
    return l.verdict === 'fails'
      ? `At full command it runs up to ${needs}${where}; ${limit}. Let the controller through less of full command, or gear it lower.`
      : `At full command it runs up to ${needs}${where}, near to what it may: ${limit}.`;
  },
  ratio: sayWindow,
  'chain-pull': ({ where, needs, has }) =>
    `The chain is pulled with ${needs}${where}; a seventh of its strength is ${has}.`,
  'tooth-stress': ({ where, needs, has }) =>
    `The teeth of the smaller gear bend with ${needs}${where}; they may carry ${has}. Wider, a larger module, or a stronger material.`,
  'belt-pull': ({ where, needs, has }) =>
    `The toothed belt is pulled with ${needs}${where}; it may work with ${has}. Wider, or larger pulleys.`,
  slip: ({ l, where, needs, has }) =>
    l.verdict === 'fails'
      ? `It slips${where}: ${needs} are asked, friction holds ${has}. More tension or press, larger pulleys, or a chain or toothed belt.`
      : `Belt or roller hold ${has}${where} of ${needs} asked: a little wet, and they slip.`,
  'gearhead-torque': ({ where, needs, has }) =>
    `The gearhead carries ${needs}${where}; it is rated for ${has}.`,
  'rope-pull': ({ where, needs, has }) =>
    `The rope is pulled with ${needs}${where}; a fifth of its strength is ${has}.`,
  'track-pull': ({ where, needs, has }) =>
    `The track is pulled with ${needs}${where}; it may work with ${has}.`,
  'stage-stall': ({ l, needs, has, about }) =>
    `Held at full command, the motor puts ${needs} on the ${stageTitle(about, l.stageId)}; for a moment it stands ${has}. Limit the current, or make it stronger.`,
  'stage-brake': ({ l, where, needs, has, about }) =>
    `Braking by the motor${where} puts ${needs} on the ${stageTitle(about, l.stageId)} and snatches at it; it may carry ${has}. A friction brake on the wheels spares it.`,
  path: ({ l, where, needs, has, about }) => {
    const kind = driveOf(about.build).path.find(({ id }) => id === l.elementId)?.kind;
    const safety = kind ? safetyOf(kind) : 1;
    return `“${partName(l, about)}” carries ${needs}${where}; it may carry ${has}${safety > 1 ? `, what it holds over ${safety}, as jerks loosen it` : ''}.`;
  },
  'path-stall': ({ l, needs, has, about }) =>
    `Held at full command, the motor puts ${needs} on “${partName(l, about)}”; it stands ${has}: that is what lets go. Limit the current, or make it stronger.`,
  'mount-twist': ({ l, where, needs, has, about }) =>
    `The motor’s mount twists by ${needs}${where} under the pull of the ${stageTitle(about, l.stageId)}; beyond ${has} it runs off its line. A stiffer mount, or one that is held on both sides of the loop.`,
  'shaft-load': ({ where, needs, has, l, about }) =>
    `The ${stageTitle(about, l.stageId)} pulls across the motor’s shaft with ${needs}${where}; it may carry ${has}. A larger first wheel, less tension, or a bearing beside it.`,
  'axle-clearance': ({ l, needs, has, about }) =>
    l.has === 0
      ? `What turns on the axle (${stageTitle(about, l.stageId)}) is larger than the wheel: it touches the ground.`
      : `What turns on the axle (${stageTitle(about, l.stageId)}) hangs ${has} over the ground; ${needs} should stay free.`,
  'axle-room': ({ l, needs, has, about }) =>
    `What turns on the axle (${stageTitle(about, l.stageId)}) reaches ${needs} from it; the frame is ${has} away.`,
  'motor-heat': ({ l, where, needs, has }) =>
    l.dutyId === null
      ? `Over the whole outing each motor heats as with ${needs}; it stands ${has} all day.`
      : `Each motor draws ${needs}${where}; it stands ${has} all day.`,
  'work-torque': ({ l, needs, has, about }) =>
    `Its end gives ${has} at the speed asked, ${times(l.ratio)} the ${needs} that ${workName(about)} takes; the rule asks ${times(l.rule)}.`,
  'work-speed': ({ l, needs, has, about }) =>
    l.has === 0
      ? `It does not move ${workName(about)}: standing still, the motor gives less than it takes.`
      : `Against ${workName(about)} it turns at ${has}, ${times(l.ratio)} the ${needs} asked; the rule asks ${times(l.rule)}.`,
  'steer-speed': ({ l, where, needs, has }) =>
    l.has === 0
      ? `It does not turn the standing wheels${where}: the motor gives less than they take.`
      : `It turns the standing wheels at ${has}${where}, ${times(l.ratio)} the ${needs} that the time from lock to lock asks; the rule asks ${times(l.rule)}.`,
  travel: ({ needs, has }) =>
    `Its servo turns ${has} from stop to stop, and ${needs} are asked of it. A larger drum or a faster stage, less way, or a motor that turns on and on.`,
  'driver-current': ({ l, where, needs, has }) =>
    `A driver channel carries ${needs}${where}; it stands ${has} all day, ${times(l.ratio)}, and the rule asks ${times(l.rule)}.`,
  'driver-peak': ({ needs, has }) =>
    `A stalled motor draws ${needs}; the driver stands ${has}. Take a driver that limits current, or a larger one.`,
  'driver-voltage': ({ needs, has }) => `The battery has ${needs} when full; the driver stands ${has}.`,
  'battery-current': ({ l, where, needs, has }) =>
    `The battery gives ${needs}${where}; it may give ${has}, and the rule asks ${times(l.rule)}.`,
  'battery-peak': ({ needs, has }) =>
    `A start at full command draws up to ${needs} from the battery; it may give ${has} for some seconds. Limit the current, or start gently.`,
  'battery-voltage': ({ where, needs, has }) =>
    `The battery sags to ${has}${where}; under ${needs} it cuts out.`,
  cable: ({ needs, has }) =>
    `The battery’s cable carries ${needs} over the worst ten minutes; in free air it may carry ${has} all day, in a bundle less. A thicker one.`,
  leads: ({ needs, has }) =>
    `The leads of each motor carry ${needs} over the worst ten minutes; in free air they may carry ${has} all day, in a bundle less. Thicker ones.`,
  fuse: ({ l, needs, has }) =>
    l.verdict === 'fails'
      ? `The main fuse of ${has} blows: what is drawn all day and in a start asks for one of ${needs} or more. A larger one, if the cable allows it, or starts held back by the driver.`
      : `The main fuse of ${has} is near to the least that the starts and the day ask, ${needs}.`,
  'fuse-wire': ({ l, needs, has }) =>
    l.verdict === 'fails'
      ? `The main fuse of ${needs} does not protect a cable that carries ${has}: the cable burns first. A thicker cable, or a smaller fuse.`
      : `The main fuse of ${needs} is near to what its cable carries, ${has}.`,
  'main-switch': ({ needs, has }) =>
    `The main switch carries ${has} all day, and ${needs} are drawn through it. A stronger one, or a contactor that it works.`,
  rail: ({ l, needs, has, about }) =>
    `“${railName(l, about)}” must give up to ${needs}, and gives ${has}: a weak small supply resets what hangs on it. A converter of its own for what draws most.`,
  'charge-plug': ({ needs, has }) =>
    `The charging plug carries ${has} all day, and the charger gives ${needs}. A stronger plug, or a smaller charger.`,
  charge: ({ needs, has }) =>
    `Charging after an outing takes ${needs}; there are ${has}. A stronger charger, as far as the battery’s maker allows it.`,
  energy: ({ l, needs, has }) =>
    `One outing takes ${needs}; the battery gives ${has}, ${times(l.ratio)}, and the rule asks ${times(l.rule)}.`,
};

const railName = (l: { readonly railId?: string }, { build }: About): string =>
  build.supply.rails?.find(({ id }) => id === l.railId)?.name ?? 'A small supply';

/** What a drive works at. */
const workName = ({ build }: About): string => {
  const { work } = driveOf(build);
  return work?.kind === 'lift' ? 'the load' : 'the work';
};

/** Digits in which what is needed and what there is are told apart, where three would say the same of both. */
const DIGITS = [3, 4, 5] as const;

/** What is needed, and what there is. */
function sayBoth({ needs, has }: MarginFinding['figures'], { say }: About) {
  const said = DIGITS.map((digits) => ({ needs: say({ ...needs, digits }), has: say({ ...has, digits }) }));
  return said.find((both) => both.needs !== both.has) ?? { needs: say(needs), has: say(has) };
}

/** The sentence of a margin. */
export function sayMargin(finding: MarginFinding, about: About): string {
  const { needs, has, ratio, rule } = finding.figures;
  const { link, dutyId } = finding;
  if (link === null) return '';
  const l = {
    ...{ dutyId, needs: needs.value, has: has.value, ratio: ratio.value, rule: rule.value },
    verdict: VERDICT_OF[finding.severity],
    ...partsOfLink(finding),
  };
  return SENTENCES[link]({
    l,
    where: onDuty(about, dutyId),
    ...sayBoth(finding.figures, about),
    about,
  });
}
