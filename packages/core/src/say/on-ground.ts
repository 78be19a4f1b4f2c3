import type { FindingCode } from '../judge/index.ts';
import { layoutKind, driveOf } from '../vehicle/index.ts';
import { dutyOf, onDuty, reportOf, times, weightHelps, type About, type Sayer } from './about.ts';
import { passedOn } from './on-parts.ts';

const layoutTitle = ({ build }: About): string => layoutKind(build.layout.kind).title;

const axleName = ({ build }: About, axleId: string | undefined): string =>
  build.layout.axles.find(({ id }) => id === axleId)?.name ?? '';

/** Weight, ground, turning, going down and stopping. */
export const ON_GROUND = {
  'no-footing': (finding, about) =>
    `It does not stand${onDuty(about, finding.dutyId)}. ${passedOn(finding, about)}`,
  'falls-over': ({ dutyId }, about) =>
    `It falls over${onDuty(about, dutyId)}: the weight acts outside the wheels. Lower it, move it in, or take the slope another way.`,
  'axle-lifts': ({ axleId, dutyId }, about) =>
    `${axleName(about, axleId)} leave the ground${onDuty(about, dutyId)}: move weight towards them or lower the load.`,
  step: passedOn,
  'cannot-turn': ({ dutyId }, about) => `A ${layoutTitle(about)} cannot turn${onDuty(about, dutyId)}.`,
  'not-on-the-spot': ({ dutyId }, about) =>
    `It cannot turn on the spot${onDuty(about, dutyId)}: with a ${layoutTitle(about)} it turns along a radius.`,
  sinks: ({ dutyId, figures: { sinkage, clearance } }, about) =>
    `It sinks ${about.say(sinkage)}${onDuty(about, dutyId)}, deeper than its clearance of ${about.say(clearance)}: wider tyres, tracks, or less weight.`,
  'turn-too-tight': ({ dutyId, figures: { inner, lock, least } }, about) =>
    `It cannot turn so tightly${onDuty(about, dutyId)}: the inner wheel would turn ${about.say(inner)}, its lock is ${about.say(lock)}. It goes round ${about.say(least)} or more.`,
  'no-lock': ({ dutyId }, about) =>
    `It cannot turn${onDuty(about, dutyId)}: its steered wheels have no lock. Say in the Brief how far they turn.`,
  'weight-undriven': ({ dutyId, figures }, about) => {
    const report = reportOf(about, dutyId);
    const gripN = report?.footing.gripN;
    const ballast = !report || gripN === undefined || weightHelps(gripN, report);
    return `Only ${about.say(figures.share)} of the weight is on the driven wheels${onDuty(about, dutyId)}; the others carry it and do not drive. Move the load towards the driven ones${ballast ? ', put ballast over them' : ''}, or drive more wheels.`;
  },
  'load-on-tug': ({ figures }, { say }) =>
    `Carried on the vehicle over its driven wheels, ${say(figures.mass)} of the towed load would give the grip that is missing; weigh that against driving a second axle.`,
  'too-little-to-load': () =>
    'All of the towed load on the vehicle would not give the grip that is missing: drive a second axle, or tow less.',
  'light-nose': ({ dutyId, figures }, about) =>
    `The nose is light${onDuty(about, dutyId)}: ${about.say(figures.share)} of the weight is in front. It steers badly and rears at a jerk; bring the load forward or lower.`,
  'pushes-itself': ({ dutyId, figures }, about) =>
    `It pushes itself along with ${about.say(figures.force)}${onDuty(about, dutyId)}: a brake must hold that, not the drive.`,
  'light-brake': ({ dutyId, figures }, about) =>
    `Coming down${onDuty(about, dutyId)}, the braked wheels carry ${about.say(figures.share)} of the weight${dutyOf(about, dutyId)?.towed ? ', what is towed counted in: give that a brake of its own, or' : ':'} brake the wheels that carry it then.`,
  'noses-over': ({ dutyId, figures }, about) =>
    `Braked hard on the way down${onDuty(about, dutyId)}, it noses over before the wheels slide: from ${about.say(figures.slowing)} on its rear lifts, and it is reckoned to slow no harder. Lower the load, or bring it back.`,
  'towed-pushes': ({ dutyId, figures }, about) =>
    `Braked on the way down${onDuty(about, dutyId)}, what is towed pushes with ${about.say(figures.force)} and may swing round the vehicle: a stiff drawbar, straight and slow, or a brake of its own.`,
  'no-stop': ({ dutyId }, about) =>
    `It does not stop on the way down${onDuty(about, dutyId)}: brake more of the weight, or keep off that slope.`,
  hangs: ({ axleId, dutyId, figures: { has, needs } }, about) => {
    const { differential, together } = driveOf(about.build);
    const mend =
      differential === 'open' && together !== 'wheel'
        ? 'A differential gives all to the wheel that spins: lock it, or drive each wheel by itself.'
        : 'Drive more wheels, or let an axle swing.';
    return `With a wheel in the air${onDuty(about, dutyId)} (${reportOf(about, dutyId)?.hanging?.side ?? 'one'} of “${axleName(about, axleId)}”), the others hold ${about.say(has)} of the ${about.say(needs)} that are needed. ${mend}`;
  },
  'three-wheels': ({ figures: { now, four } }, { say }) =>
    `On three wheels it tips sideways at ${say(now)}; a fourth would make that ${say(four)}. Nearer to the wide axle the load stands safer.`,
  'much-grip': ({ figures }) =>
    `Grip is ${times(figures.times.value)} what any job asks: stickier tyres would gain nothing here, and softer ones cost rolling drag.`,
  'one-wheel-soft': () =>
    'One driven wheel digs itself in on a soft slope: two driven wheels beat one there.',
  'long-tracks': ({ figures }, { say }) =>
    `The tracks are ${say(figures.times)} times as long as they are apart: long and narrow turns hard and scrubs. Wider, or shorter on the ground, turns lighter.`,
  'heavy-payload': ({ figures }, { say }) =>
    `It carries ${say(figures.times)} times its own mass: a stiff frame pays more here than a light one.`,
  'speed-falls': ({ title, dutyId, figures: { held, falls } }, about) =>
    `With the command left where it holds ${about.say(held)} on “${title ?? ''}”, it ${falls.value > 0 ? `goes ${about.say(falls)}` : 'stands'}${onDuty(about, dutyId)}: the hand follows the load, or a driver that holds a speed.`,
  'no-steering': () =>
    'Nothing is said yet of what steers it: the torque of its actuator, or a hand at a bar or wheel.',
  'steering-position': () =>
    'The steering does not know its position: fit a sensor or a stop, and centre it before each start.',
  'nothing-holds': ({ figures }, { build, say }) =>
    layoutKind(build.layout.kind).pullsByRope
      ? `When the drive is off, nothing but the drive train holds the load on ${say(figures.slope)}. A motor, chain or gearhead is no load brake: fit a ratchet or a brake to the drum, and let nobody stand below.`
      : `Nothing in this build holds it on ${say(figures.slope)} when the drive is off. A motor, chain or gearhead is no parking brake: fit one to the wheels that carry the weight going down.`,
  'soil-model': passedOn,
  outweighed: ({ figures: { parts, own } }, { say }) =>
    `Motors, drivers and batteries weigh ${say(parts)}, and the vehicle itself is said to weigh ${say(own)} with them: weigh it again, or take lighter parts.`,
  'no-air': ({ dutyId, figures: { speed, area, force } }, about) =>
    `Air is left out: at ${about.say(speed)} on “${dutyOf(about, dutyId)?.name ?? ''}” a front of ${about.say(area)} takes about ${about.say(force)} more. Say the drag area.`,
} satisfies Partial<{ [Code in FindingCode]: Sayer<Code> }>;
