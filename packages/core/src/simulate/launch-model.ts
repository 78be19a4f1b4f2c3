import type { MagnetConstants } from '../motor/index.ts';
import { AIR_DENSITY, STANDARD_GRAVITY } from '../quantity/index.ts';

/** A launch from rest at full command, of any motors. SI. */
interface LaunchRoad {
  readonly massKg: number;
  readonly wheelRadiusM: number;
  readonly ratio: number;
  readonly efficiency: number;
  readonly motors: number;
  readonly voltageV: number;
  /** Share of full command that the controller lets through. */
  readonly commandShare: number;
  readonly supplyResistanceOhm: number;
  /** Per motor; Infinity where the driver does not limit. */
  readonly currentLimitA: number;
  readonly motorInertiaKgM2: number;
  readonly rotatingMassKg: number;
  readonly rollingCoefficient: number;
  readonly dragAreaM2: number;
  readonly slopeRad: number;
  /** Pull at the hitch, steady. */
  readonly drawbarN: number;
  /** Infinity where grip does not limit. */
  readonly gripN: number;
  readonly durationS: number;
}

/** Motors with magnets; `ke` and `kt` apart where a data sheet gives two. */
type MagnetLaunch = LaunchRoad & MagnetConstants;

/** Motors of another law, or of several drives: what they give at full command. */
type OtherLaunch = LaunchRoad & {
  /** Push at the ground, grip left out, and current of the battery, at a road speed. */
  readonly flatOut: (speedMps: number) => { readonly pushN: number; readonly batteryA: number };
  /** The speed that none of them passes by its own pull. */
  readonly fastestMps: number;
};

/** What a launch takes: a motor by its constants, or any by its pull at each speed. */
export type LaunchInput = MagnetLaunch | OtherLaunch;

/** What the vehicle does at one speed. */
export interface Instant {
  readonly accelerationMps2: number;
  readonly batteryA: number;
  readonly forceN: number;
}

/** A range of speeds over which one law holds: force = push − fall·v, and how the battery current follows. */
export interface Region {
  readonly toMps: number;
  readonly pushN: number;
  readonly fallNsPerM: number;
  /** How the battery's current goes with speed: a straight line; absent while the driver chops to its limit. */
  readonly draws?: { readonly atRestA: number; readonly fallAPerMps: number };
}

/** What holds the vehicle back, and what is sped up. */
function roadOf(i: LaunchRoad) {
  const weightN = i.massKg * STANDARD_GRAVITY;
  return {
    steadyN: weightN * (i.rollingCoefficient * Math.cos(i.slopeRad) + Math.sin(i.slopeRad)) + i.drawbarN,
    dragN: 0.5 * AIR_DENSITY * i.dragAreaM2,
    movingKg:
      i.massKg + i.rotatingMassKg + (i.motors * i.motorInertiaKgM2 * i.ratio ** 2) / i.wheelRadiusM ** 2,
  };
}

/** Everything as a function of road speed. */
export interface LaunchModel extends ReturnType<typeof roadOf> {
  readonly at: (speedMps: number) => Instant;
  /** Battery current while the driver chops, A. */
  readonly choppingA: (speedMps: number) => number;
  /** Where the driver stops chopping: the battery current may peak there. */
  readonly limitEndsMps: number;
  readonly regions: readonly Region[];
}

/** The law that a launch follows. */
export const launchModel = (i: LaunchInput): LaunchModel =>
  'flatOut' in i ? sampledModel(i) : magnetModel(i);

/** How finely the law of other motors is laid out in straight pieces, and how far over their fastest. */
const PIECES = 400;
const OVER = 1.5;

/** Motors of any law, their pull and draw laid out in straight pieces over the speeds. */
function sampledModel(i: OtherLaunch): LaunchModel {
  const road = roadOf(i);
  const drivenAt = (speedMps: number) => {
    const { pushN, batteryA } = i.flatOut(speedMps);
    return { forceN: Math.max(-i.gripN, Math.min(i.gripN, pushN)), batteryA };
  };
  const mostMps = OVER * i.fastestMps;
  const step = mostMps / PIECES;
  const marks = Array.from({ length: PIECES + 1 }, (_, n) => ({ mps: n * step, ...drivenAt(n * step) }));
  const regions = marks.slice(1).map((end, n): Region => {
    const from = marks[n] ?? end;
    const line = (a: number, b: number) => ({ fall: (a - b) / step, at0: a + ((a - b) / step) * from.mps });
    const force = line(from.forceN, end.forceN);
    const draw = line(from.batteryA, end.batteryA);
    return {
      toMps: n === PIECES - 1 ? Infinity : end.mps,
      pushN: force.at0,
      fallNsPerM: force.fall,
      draws: { atRestA: draw.at0, fallAPerMps: draw.fall },
    };
  });
  return {
    ...road,
    at: (speedMps) => {
      const { forceN, batteryA } = drivenAt(speedMps);
      const resistN = road.steadyN + road.dragN * speedMps * speedMps;
      return { accelerationMps2: (forceN - resistN) / road.movingKg, batteryA, forceN };
    },
    choppingA: (speedMps) => drivenAt(speedMps).batteryA,
    limitEndsMps: 0,
    regions,
  };
}

/** The equations of calculators.md, simulate-launch. */
function magnetModel(i: MagnetLaunch): LaunchModel {
  const road = roadOf(i);
  const { steadyN, dragN, movingKg } = road;
  const turn = i.ratio / i.wheelRadiusM;
  const fullV = i.commandShare * i.voltageV;
  const loopOhm = i.resistanceOhm + i.commandShare ** 2 * i.motors * i.supplyResistanceOhm;
  const forcePerA = i.ktNmPerA * i.motors * turn * i.efficiency;
  const backVPerMps = i.keVsPerRad * turn;

  /** Current of the battery while the driver chops to its limit: the lesser root of P = Ib(V − Rs Ib). */
  const choppingA = (speedMps: number): number => {
    const powerW = i.motors * i.currentLimitA * (i.currentLimitA * i.resistanceOhm + backVPerMps * speedMps);
    const root = Math.sqrt(Math.max(0, i.voltageV ** 2 - 4 * i.supplyResistanceOhm * powerW));
    return (2 * powerW) / (i.voltageV + root);
  };
  const freeA = (speedMps: number): number => (fullV - backVPerMps * speedMps) / loopOhm;

  const at = (speedMps: number): Instant => {
    const free = freeA(speedMps);
    const motorA = Math.min(free, i.currentLimitA);
    const batteryA = free <= i.currentLimitA ? i.commandShare * i.motors * free : choppingA(speedMps);
    const forceN = Math.max(-i.gripN, Math.min(i.gripN, forcePerA * (motorA - i.noLoadA)));
    const resistN = steadyN + dragN * speedMps * speedMps;
    return { accelerationMps2: (forceN - resistN) / movingKg, batteryA, forceN };
  };

  /** Where the driver stops chopping: the battery current may peak there. */
  const limitEndsMps = (fullV - i.currentLimitA * loopOhm) / backVPerMps;
  /** Speed at which the straight-through motors pull with a force. */
  const speedAtForce = (forceN: number): number =>
    (fullV - loopOhm * (forceN / forcePerA + i.noLoadA)) / backVPerMps;

  const straight = i.commandShare * i.motors;
  return {
    ...road,
    at,
    choppingA,
    limitEndsMps,
    regions: regionsOf(i, {
      limitEndsMps,
      speedAtForce,
      forcePerA,
      fallNsPerM: (forcePerA * backVPerMps) / loopOhm,
      loopOhm,
      draws: { atRestA: straight * freeA(0), fallAPerMps: (straight * backVPerMps) / loopOhm },
    }),
  };
}

interface Laws {
  readonly limitEndsMps: number;
  readonly speedAtForce: (forceN: number) => number;
  readonly forcePerA: number;
  readonly fallNsPerM: number;
  readonly loopOhm: number;
  readonly draws: Required<Region>['draws'];
}

/** The laws of force from rest upwards: held by the driver, held by grip, straight through, held back by grip. */
function regionsOf(i: MagnetLaunch, laws: Laws): Region[] {
  const regions: Region[] = [];
  const gripped = Number.isFinite(i.gripN);
  const constant = (toMps: number, pushN: number, chopping: boolean): void => {
    regions.push({ toMps, pushN, fallNsPerM: 0, ...(chopping ? {} : { draws: laws.draws }) });
  };
  if (Number.isFinite(i.currentLimitA)) {
    const heldN = laws.forcePerA * (i.currentLimitA - i.noLoadA);
    constant(laws.limitEndsMps, Math.max(-i.gripN, Math.min(i.gripN, heldN)), true);
  }
  if (gripped) constant(laws.speedAtForce(i.gripN), i.gripN, false);
  regions.push({
    toMps: gripped ? laws.speedAtForce(-i.gripN) : Infinity,
    pushN: laws.forcePerA * ((i.commandShare * i.voltageV) / laws.loopOhm - i.noLoadA),
    fallNsPerM: laws.fallNsPerM,
    draws: laws.draws,
  });
  if (gripped) constant(Infinity, -i.gripN, false);
  return regions;
}
