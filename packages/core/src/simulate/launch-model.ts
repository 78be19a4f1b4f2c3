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
  /** How the battery's current goes with speed: a straight line; undefined while the driver chops to its limit. */
  readonly draws: { readonly atRestA: number; readonly fallAPerMps: number } | undefined;
}

/** What holds the vehicle back, what is sped up, and everything else as a function of road speed. */
export interface LaunchModel {
  /** Rolling, grade and what is pulled. */
  readonly steadyN: number;
  /** Of the air, over the square of the speed. */
  readonly dragN: number;
  readonly movingKg: number;
  /** Battery current while the driver chops, A. */
  choppingA(speedMps: number): number;
  /** Where the driver stops chopping: the battery current may peak there. */
  readonly limitEndsMps: number;
  readonly regions: readonly Region[];
  at(speedMps: number): Instant;
}

/** The law that a launch follows. */
export const launchModel = (i: LaunchInput): LaunchModel =>
  'flatOut' in i ? new SampledModel(i) : new MagnetModel(i);

/*
 * Classes, and every object with all its keys at once: what a search or a hundred seeded runs ask a million times is
 * several times slower made of closures and spreads.
 */

/** What the road does, of whatever motors. */
abstract class Road implements LaunchModel {
  readonly steadyN: number;
  readonly dragN: number;
  readonly movingKg: number;
  protected readonly gripN: number;
  abstract readonly limitEndsMps: number;
  abstract readonly regions: readonly Region[];

  constructor(i: LaunchRoad) {
    const weightN = i.massKg * STANDARD_GRAVITY;
    this.steadyN =
      weightN * (i.rollingCoefficient * Math.cos(i.slopeRad) + Math.sin(i.slopeRad)) + i.drawbarN;
    this.dragN = 0.5 * AIR_DENSITY * i.dragAreaM2;
    this.movingKg =
      i.massKg + i.rotatingMassKg + (i.motors * i.motorInertiaKgM2 * i.ratio ** 2) / i.wheelRadiusM ** 2;
    this.gripN = i.gripN;
  }

  abstract at(speedMps: number): Instant;
  abstract choppingA(speedMps: number): number;

  protected gripped(forceN: number): number {
    return Math.max(-this.gripN, Math.min(this.gripN, forceN));
  }

  protected instant(speedMps: number, forceN: number, batteryA: number): Instant {
    const resistN = this.steadyN + this.dragN * speedMps * speedMps;
    return { accelerationMps2: (forceN - resistN) / this.movingKg, batteryA, forceN };
  }
}

/** How finely the law of other motors is laid out in straight pieces, and how far over their fastest. */
const PIECES = 400;
const OVER = 1.5;

/** Motors of any law, their pull and draw laid out in straight pieces over the speeds. */
class SampledModel extends Road {
  readonly limitEndsMps = 0;
  readonly regions: readonly Region[];
  readonly #flatOut: OtherLaunch['flatOut'];

  constructor(i: OtherLaunch) {
    super(i);
    this.#flatOut = i.flatOut;
    const step = (OVER * i.fastestMps) / PIECES;
    const marks = Array.from({ length: PIECES + 1 }, (_, n) => ({
      mps: n * step,
      ...this.#drivenAt(n * step),
    }));
    const line = (a: number, b: number, fromMps: number) => ({
      fall: (a - b) / step,
      at0: a + ((a - b) / step) * fromMps,
    });
    this.regions = marks.slice(1).map((end, n): Region => {
      const from = marks[n] ?? end;
      const force = line(from.forceN, end.forceN, from.mps);
      const draw = line(from.batteryA, end.batteryA, from.mps);
      return {
        toMps: n === PIECES - 1 ? Infinity : end.mps,
        pushN: force.at0,
        fallNsPerM: force.fall,
        draws: { atRestA: draw.at0, fallAPerMps: draw.fall },
      };
    });
  }

  #drivenAt(speedMps: number) {
    const { pushN, batteryA } = this.#flatOut(speedMps);
    return { forceN: this.gripped(pushN), batteryA };
  }

  at(speedMps: number): Instant {
    const { forceN, batteryA } = this.#drivenAt(speedMps);
    return this.instant(speedMps, forceN, batteryA);
  }

  choppingA(speedMps: number): number {
    return this.#drivenAt(speedMps).batteryA;
  }
}

/** The equations of calculators.md, simulate-launch. */
class MagnetModel extends Road {
  readonly limitEndsMps: number;
  readonly regions: readonly Region[];
  readonly #launch: MagnetLaunch;
  readonly #fullV: number;
  readonly #loopOhm: number;
  readonly #forcePerA: number;
  readonly #backVPerMps: number;

  constructor(i: MagnetLaunch) {
    super(i);
    const turn = i.ratio / i.wheelRadiusM;
    this.#launch = i;
    this.#fullV = i.commandShare * i.voltageV;
    this.#loopOhm = i.resistanceOhm + i.commandShare ** 2 * i.motors * i.supplyResistanceOhm;
    this.#forcePerA = i.ktNmPerA * i.motors * turn * i.efficiency;
    this.#backVPerMps = i.keVsPerRad * turn;
    this.limitEndsMps = (this.#fullV - i.currentLimitA * this.#loopOhm) / this.#backVPerMps;
    this.regions = this.#regions();
  }

  /** Current of a motor straight through. */
  #freeA(speedMps: number): number {
    return (this.#fullV - this.#backVPerMps * speedMps) / this.#loopOhm;
  }

  /** The lesser root of P = Ib(V − Rs Ib). */
  choppingA(speedMps: number): number {
    const { motors, currentLimitA, resistanceOhm, voltageV, supplyResistanceOhm } = this.#launch;
    const powerW = motors * currentLimitA * (currentLimitA * resistanceOhm + this.#backVPerMps * speedMps);
    const root = Math.sqrt(Math.max(0, voltageV ** 2 - 4 * supplyResistanceOhm * powerW));
    return (2 * powerW) / (voltageV + root);
  }

  at(speedMps: number): Instant {
    const { commandShare, motors, currentLimitA, noLoadA } = this.#launch;
    const free = this.#freeA(speedMps);
    const motorA = Math.min(free, currentLimitA);
    const batteryA = free <= currentLimitA ? commandShare * motors * free : this.choppingA(speedMps);
    return this.instant(speedMps, this.gripped(this.#forcePerA * (motorA - noLoadA)), batteryA);
  }

  /** Speed at which the straight-through motors pull with a force. */
  #speedAtForce(forceN: number): number {
    return (
      (this.#fullV - this.#loopOhm * (forceN / this.#forcePerA + this.#launch.noLoadA)) / this.#backVPerMps
    );
  }

  /** The laws of force from rest upwards: held by the driver, held by grip, straight through, held back by grip. */
  #regions(): Region[] {
    const { commandShare, motors, currentLimitA, noLoadA } = this.#launch;
    const straight = commandShare * motors;
    const draws = {
      atRestA: straight * this.#freeA(0),
      fallAPerMps: (straight * this.#backVPerMps) / this.#loopOhm,
    };
    const regions: Region[] = [];
    const holds = Number.isFinite(this.gripN);
    if (Number.isFinite(currentLimitA)) {
      const pushN = this.gripped(this.#forcePerA * (currentLimitA - noLoadA));
      regions.push({ toMps: this.limitEndsMps, pushN, fallNsPerM: 0, draws: undefined });
    }
    if (holds)
      regions.push({ toMps: this.#speedAtForce(this.gripN), pushN: this.gripN, fallNsPerM: 0, draws });
    regions.push({
      toMps: holds ? this.#speedAtForce(-this.gripN) : Infinity,
      pushN: this.#forcePerA * (this.#fullV / this.#loopOhm - noLoadA),
      fallNsPerM: (this.#forcePerA * this.#backVPerMps) / this.#loopOhm,
      draws,
    });
    if (holds) regions.push({ toMps: Infinity, pushN: -this.gripN, fallNsPerM: 0, draws });
    return regions;
  }
}
