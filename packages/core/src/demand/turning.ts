import { assertNever } from '../contract/index.ts';
import { lockedAxle, pivotTurn, skidBendWheeled, skidTurnTracked, skidTurnWheeled } from '../ground/index.ts';
import {
  drivenAxles,
  trackOf,
  turningOf,
  wheelbaseOf,
  type Build,
  type Duty,
  driveOf,
  type Drive,
  servedLayout,
  drivesThat,
} from '../vehicle/index.ts';
import type { ContactLoad, Footing, TurnReport } from './report.ts';
import { meanFigure, rollingForce } from './rolling.ts';

const STRAIGHT = Infinity;

/** Radius of a turn to the vehicle's middle, metres: 0 on the spot. */
export const radiusOf = ({ turn }: Duty): number =>
  turn ? (turn.kind === 'radius' ? turn.radius.value : 0) : STRAIGHT;

const positive = (n: number): number => Math.max(n, 1e-12);

const freeContacts = (footing: Footing) => footing.contacts.filter((c) => !c.driven);

/**
 * What the free wheels or sliders bear, and how far from the middle of the driven ones.
 *
 * @example pivotInput(puffin, duty, footing).trackM // 0.62
 */
export function pivotInput(build: Build, duty: Duty, footing: Footing) {
  const driven = footing.contacts.filter((c) => c.driven);
  const middle = driven.reduce((sum, c) => sum + c.aheadM, 0) / Math.max(1, driven.length);
  const free = freeContacts(footing);
  const freeLoadN = free.reduce((sum, c) => sum + Math.max(0, c.loadN), 0);
  const armOf = (c: ContactLoad): number => Math.hypot(c.aheadM - middle, c.leftM);
  const moment = free.reduce((sum, c) => sum + Math.max(0, c.loadN) * armOf(c), 0);
  const dragged = free.reduce((sum, c) => sum + rollingForce(build, duty, [c]) * armOf(c), 0);
  return {
    drivenLoadN: footing.drivenN,
    trackM: positive(trackOf(build.layout).value),
    freeLoadN,
    freeArmM: freeLoadN > 0 ? moment / freeLoadN : 0,
    freeCoefficient: moment > 0 ? dragged / moment : meanFigure(build, duty, free, 'rolling'),
    rollingCoefficient: meanFigure(build, duty, driven, 'rolling'),
    tyreWidthM: drivenAxles(build.layout)[0]?.width.value ?? 0,
    friction: meanFigure(build, duty, driven, 'friction'),
  };
}

/**
 * Wheels on more than two axles, or unevenly loaded, drag like two axles this far apart.
 *
 * @example scrubInput(whimbrel, whimbrel.duties[0], footingOf(whimbrel, whimbrel.duties[0])).trackM // 0.4
 */
export function scrubInput(build: Build, duty: Duty, footing: Footing) {
  const loaded = footing.contacts.map((c) => ({ ...c, loadN: Math.max(0, c.loadN) }));
  const weightN = positive(loaded.reduce((sum, c) => sum + c.loadN, 0));
  const centre = loaded.reduce((sum, c) => sum + c.loadN * c.aheadM, 0) / weightN;
  const lever = loaded.reduce((sum, c) => sum + c.loadN * Math.abs(c.aheadM - centre), 0) / weightN;
  return {
    weightN,
    wheelbaseM: positive(2 * lever),
    trackM: positive(trackOf(build.layout).value),
    lateralCoefficient: meanFigure(build, duty, footing.contacts, 'across'),
    rollingCoefficient: meanFigure(build, duty, footing.contacts, 'rolling'),
    longitudinalFriction: meanFigure(build, duty, footing.contacts, 'friction'),
  };
}

/**
 * The same wheels round a bend, each by its slip angle.
 *
 * @example bendInput(moth, { ...moth.duties[0], turn: { kind: 'radius', radius: typed(4, 'm') } }, footingOf(moth, moth.duties[0])).turnRadiusM
 *   // 4
 */
export function bendInput(build: Build, duty: Duty, footing: Footing) {
  return {
    contacts: footing.contacts.map((c) => ({
      aheadM: c.aheadM,
      leftM: c.leftM,
      loadN: Math.max(0, c.loadN),
      across: meanFigure(build, duty, [c], 'across'),
    })),
    turnRadiusM: radiusOf(duty),
  };
}

/** What each side of fixed wheels pushes with: its rolling and its share of the moment; inside a bend narrower than the track, backwards. */
export function sidesOfScrub(build: Build, duty: Duty, footing: Footing, momentNm: number) {
  const { weightN, rollingCoefficient, trackM } = scrubInput(build, duty, footing);
  const rollingN = (rollingCoefficient * weightN) / 2;
  const inside = Math.sign(radiusOf(duty) - trackM / 2);
  return { outerN: momentNm / trackM + rollingN, innerN: inside * rollingN - momentNm / trackM };
}

/**
 * What the calculation of a turning track takes: its contact, its gauge, its ground.
 *
 * @example trackInput(sanderling, sanderling.duties[0], footingOf(sanderling, sanderling.duties[0])).gaugeM // 0.34
 */
export const trackInput = (build: Build, duty: Duty, footing: Footing) => ({
  weightN: positive(footing.acrossN),
  contactLengthM: positive(wheelbaseOf(build.layout)),
  gaugeM: positive(trackOf(build.layout).value),
  lateralCoefficientMax: meanFigure(build, duty, footing.contacts, 'across'),
  rollingCoefficient: meanFigure(build, duty, footing.contacts, 'rolling'),
  turnRadiusM: radiusOf(duty),
});

/** The drive that turns the wheels of an axle. */
const driveOfAxle = (build: Build, axleId: string): Drive =>
  driveOf(
    drivesThat(build, 'propels').find((seen) =>
      servedLayout(seen).axles.some(({ id, driven }) => driven && id === axleId),
    ) ?? build,
  );

/**
 * What the steered wheels must do against the driven axle; the heaviest driven axle counts.
 *
 * @example lockedInput(moth, { ...moth.duties[0], turn: { kind: 'radius', radius: typed(4, 'm') } }, footingOf(moth, moth.duties[0])).differential
 *   // 'locked'
 */
export function lockedInput(build: Build, duty: Duty, footing: Footing) {
  const load = (axleId: string): number =>
    Math.max(0, footing.axles.find((a) => a.axleId === axleId)?.loadN ?? 0);
  const driven = [...drivenAxles(build.layout)].sort((a, b) => load(b.id) - load(a.id))[0];
  const steered = build.layout.axles.filter((axle) => axle.steered);
  if (!driven || steered.length === 0 || duty.turn?.kind !== 'radius') return undefined;
  const { together, differential } = driveOfAxle(build, driven.id);
  const of = (ids: readonly string[]) => footing.contacts.filter((c) => ids.includes(c.axleId));
  return {
    // Of a pair with one driven wheel, the other rolls free.
    differential:
      together === 'wheel' || together === 'side' || driven.drivenSide ? ('separate' as const) : differential,
    drivenLoadN: load(driven.id),
    trackM: driven.track.value,
    friction: meanFigure(build, duty, of([driven.id]), 'friction'),
    wheelbaseM: positive(wheelbaseOf(build.layout)),
    steeredLoadN: steered.reduce((sum, axle) => sum + load(axle.id), 0),
    steeredFriction: meanFigure(build, duty, of(steered.map(({ id }) => id)), 'across'),
    turnRadiusM: duty.turn.radius.value,
    speedMps: duty.speed.value,
  };
}

/** What a turn asks of each side, and how fast each goes. Undefined on the straight. */
export function turnOf(build: Build, duty: Duty, footing: Footing): TurnReport | undefined {
  const { turn } = duty;
  if (!turn) return undefined;
  const turning = turningOf(build.layout);
  const radiusM = radiusOf(duty);
  const trackM = trackOf(build.layout).value;
  const sides = ['pivot', 'scrub', 'tracks'].includes(turning);
  const share = sides && radiusM > 0 ? trackM / (2 * radiusM) : 0;
  const speeds = { outerMps: duty.speed.value * (1 + share), innerMps: duty.speed.value * (1 - share) };
  const base = { turning, radiusM, ...speeds, momentNm: 0, outerN: 0, innerN: 0 };
  switch (turning) {
    case 'pivot': {
      if (radiusM > 0) return base;
      const { momentNm, thrustPerSideN } = pivotTurn.run(pivotInput(build, duty, footing));
      return { ...base, momentNm, outerN: thrustPerSideN, innerN: -thrustPerSideN };
    }
    case 'scrub': {
      const { momentNm } =
        radiusM > 0
          ? skidBendWheeled.run(bendInput(build, duty, footing))
          : skidTurnWheeled.run(scrubInput(build, duty, footing));
      return { ...base, momentNm, ...sidesOfScrub(build, duty, footing, momentNm) };
    }
    case 'tracks':
      return { ...base, ...pickTrack(skidTurnTracked.run(trackInput(build, duty, footing))) };
    case 'steered': {
      const input = lockedInput(build, duty, footing);
      if (!input) return base;
      const { momentNm, sideForceN, gripN, pushesOn } = lockedAxle.run(input);
      return { ...base, momentNm, steering: { sideForceN, gripN, pushesOn } };
    }
    case 'lean':
    case 'swivel':
    case 'none':
      return base;
    default:
      return assertNever(turning);
  }
}

const pickTrack = ({ momentNm, outerN, innerN }: ReturnType<typeof skidTurnTracked.run>) => ({
  momentNm,
  outerN,
  innerN,
});
