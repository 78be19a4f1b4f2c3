import { NotPhysical } from '../contract/index.ts';
import { balanceLoop } from './balance-loop.ts';
import {
  floorModel,
  type FloorModel,
  type FloorMoment,
  type FloorState,
  type FloorVehicle,
  type FloorWheel,
} from './floor-model.ts';
import { FALLEN_RAD, type BalanceRun } from './run-balance.ts';
import { tooExtreme } from './too-extreme.ts';

/** A balancer on its tyres, its loop, and how it is driven. */
export interface FloorRun
  extends FloorVehicle, Pick<BalanceRun, 'gains' | 'hold' | 'stick' | 'loopTimeS' | 'delayS' | 'durationS'> {
  readonly startLeanRad: number;
}

/** What became of it. */
export interface FloorEnd {
  /** When it fell forward or back, s, and when it tipped to a side. */
  readonly fallS: number | undefined;
  readonly tipS: number | undefined;
  readonly peakLeanRad: number;
  readonly peakRollRad: number;
  readonly peakMps: number;
  readonly peakA: number;
  /** The longest that a wheel was off the ground, s, and how long one slid. */
  readonly liftedS: number;
  readonly slidS: number;
  /** How far it went on after its stick was let go, m; undefined where it was not, or it lay by then. */
  readonly onM: number | undefined;
  readonly end: FloorState;
}

/** Of the quickest change a step takes so much: halving it changes no figure by more than a thousandth. */
const STEP = 0.2;
const MOST_STEPS = 1e5;
/** A tyre that slides more slowly than this still creeps, m/s. */
const SLIDES_MPS = 0.01;

const turned = (at: FloorWheel, rate: FloorWheel, by: number): FloorWheel => ({
  turnedRad: at.turnedRad + by * rate.turnedRad,
  radS: at.radS + by * rate.radS,
  woundM: at.woundM + by * rate.woundM,
});

const moved = (at: FloorState, rate: FloorState, by: number): FloorState => ({
  x: at.x + by * rate.x,
  z: at.z + by * rate.z,
  lean: at.lean + by * rate.lean,
  yaw: at.yaw + by * rate.yaw,
  roll: at.roll + by * rate.roll,
  v: at.v + by * rate.v,
  climb: at.climb + by * rate.climb,
  leanRate: at.leanRate + by * rate.leanRate,
  yawRate: at.yawRate + by * rate.yawRate,
  rollRate: at.rollRate + by * rate.rollRate,
  left: turned(at.left, rate.left, by),
  right: turned(at.right, rate.right, by),
});

/** One step of Runge and Kutta's fourth order, from a moment that is known already. */
export function floorStep(
  { moment }: Pick<FloorModel, 'moment'>,
  at: FloorState,
  told: number,
  h: number,
  k1: FloorState,
): FloorState {
  const k2 = moment(moved(at, k1, h / 2), told).rates;
  const k3 = moment(moved(at, k2, h / 2), told).rates;
  const k4 = moment(moved(at, k3, h), told).rates;
  return moved(moved(moved(moved(at, k1, h / 6), k2, h / 3), k3, h / 3), k4, h / 6);
}

/** Takes back what a tyre is wound up by over what it grips: it has slid by so much. */
function letSlide(
  at: FloorState,
  { left, right }: FloorMoment,
  { grip, stiffnessNPerM }: FloorVehicle['tyre'],
) {
  const back = (wheel: FloorWheel, pressN: number): FloorWheel => {
    const most = (grip * pressN) / stiffnessNPerM;
    return Math.abs(wheel.woundM) <= most ? wheel : { ...wheel, woundM: Math.sign(wheel.woundM) * most };
  };
  return { ...at, left: back(at.left, left.pressN), right: back(at.right, right.pressN) };
}

/** How long each wheel has been off the ground, and how long one slid. */
function wheelsWatched() {
  const up = { left: 0, right: 0 };
  let [liftedS, slidS] = [0, 0];
  return {
    look: (moment: FloorMoment, h: number): void => {
      for (const side of ['left', 'right'] as const) {
        up[side] = moment[side].pressN === 0 ? up[side] + h : 0;
        liftedS = Math.max(liftedS, up[side]);
      }
      const slides = [moment.left, moment.right].some(
        ({ slips, slipMps, pressN }) => slips && pressN > 0 && Math.abs(slipMps) > SLIDES_MPS,
      );
      if (slides) slidS += h;
    },
    found: () => ({ liftedS, slidS }),
  };
}

/**
 * A balancer let go at a lean on its tyres and driven over a floor, until it falls, tips or the time is over. Its loop reads the
 * lean, and the place that its wheels have turned by.
 *
 * `watch` is called at every step.
 *
 * @throws NotPhysical where its tyres or motors answer so quickly that the time cannot be followed in steps, or figures overflow.
 */
export function runFloor(
  i: FloorRun,
  watch?: (timeS: number, at: FloorState, moment: FloorMoment) => void,
): FloorEnd {
  const model = floorModel(i);
  const stepS = STEP / model.quickest;
  if (!(stepS > 0)) throw tooExtreme();
  if (i.durationS / Math.min(stepS, i.loopTimeS) > MOST_STEPS)
    throw new NotPhysical(
      'too-quick',
      'Its tyres are so stiff, or its wheels so light, that this takes too many steps: say that they are pressed in further, or a shorter time.',
    );
  const ask = balanceLoop(i);
  const wheels = wheelsWatched();
  const { stick, body } = i;
  const letGoS = stick && stick.fromS + stick.forS;
  let at = model.standing(i.startLeanRad);
  let [timeS, told] = [0, 0];
  let [peakLeanRad, peakRollRad, peakMps, peakA] = [0, 0, 0, 0];
  let [fallS, tipS, letGoM, onM]: (number | undefined)[] = [];
  const look = (moment: FloorMoment, h: number): void => {
    peakLeanRad = Math.max(peakLeanRad, Math.abs(at.lean));
    peakRollRad = Math.max(peakRollRad, Math.abs(at.roll));
    peakMps = Math.max(peakMps, Math.abs(at.v));
    peakA = Math.max(peakA, Math.abs(moment.left.amps), Math.abs(moment.right.amps));
    wheels.look(moment, h);
    if (letGoS !== undefined && timeS >= letGoS) {
      letGoM ??= at.x;
      onM = Math.max(onM ?? 0, Math.abs(at.x - letGoM));
    }
    watch?.(timeS, at, moment);
  };
  const lies = (): boolean => fallS !== undefined || tipS !== undefined;
  const follow = (untilS: number): void => {
    const steps = Math.max(1, Math.ceil((untilS - timeS) / stepS));
    const h = (untilS - timeS) / steps;
    for (let n = 0; n < steps && !lies(); n += 1) {
      const moment = model.moment(at, told);
      look(moment, h);
      at = letSlide(floorStep(model, at, told, h, moment.rates), moment, i.tyre);
      timeS += h;
      if (!Number.isFinite(at.x + at.lean + at.roll)) throw tooExtreme();
      if (Math.abs(at.lean) >= FALLEN_RAD) fallS = timeS;
      else if (Math.abs(at.roll) >= model.tipsRad) tipS = timeS;
    }
  };
  for (let sample = 0; !lies() && timeS < i.durationS; sample += 1) {
    const turnedRad = (at.left.turnedRad + at.right.turnedRad) / 2;
    const radS = (at.left.radS + at.right.radS) / 2;
    const seen = { x: turnedRad * body.wheelRadiusM, v: radS * body.wheelRadiusM };
    const asked = ask({ ...seen, lean: at.lean, rate: at.leanRate }, timeS);
    const next = Math.min(i.durationS, (sample + 1) * i.loopTimeS);
    const applied = Math.min(next, sample * i.loopTimeS + i.delayS);
    if (applied > timeS) follow(applied);
    told = asked;
    if (!lies() && next > timeS) follow(next);
  }
  look(model.moment(at, told), 0);
  return { fallS, tipS, peakLeanRad, peakRollRad, peakMps, peakA, ...wheels.found(), onM, end: at };
}
